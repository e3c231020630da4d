#include "judge/difference.h"

#include <algorithm>
#include <cmath>

#include "denoise/stabilisers.h"
#include "judge/display.h"

namespace irenic {

namespace {

constexpr float kSteps = 10; // of the screen for one standard deviation at a gain of 1

// The share of a difference that a part shows, of red, green and blue.
void showPart(DifferencePart part, float v[3]) {
    const float luminance = 0.25f * v[0] + 0.5f * v[1] + 0.25f * v[2];
    for (int c = 0; c < 3; ++c)
        v[c] = part == DifferencePart::Everything  ? v[c]
               : part == DifferencePart::Luminance ? luminance
                                                   : v[c] - luminance;
}

// The stabilised difference of every sample.
Image stabilisedDifference(const Photo& photo, const Settings& one, const Settings& other, const Rect& area,
                           const Context& context) {
    const auto cleaned = [&](const Settings& s, const Work& part) {
        return context.cleaned ? context.cleaned->get(photo, s, area, part)
                               : cleanRegion(photo, s, area, part);
    };
    Image first = cleaned(one, context.work.part(0, 0.45));
    const Image second = cleaned(other, context.work.part(0.45, 0.9));
    const Stabilisers stable(photo);
    forEachBand(area.height, 16, context.work, [&](int from, int to) {
        for (std::size_t p = 0; p < first.planes(); ++p)
            for (int y = area.y + from; y < area.y + to; ++y)
                for (int x = area.x; x < area.right(); ++x) {
                    const Stabiliser& own = stable.at(x, y, p);
                    float& v = first.rowAt(p, y)[x];
                    v = own.forward(v) - own.forward(second.rowAt(p, y)[x]);
                }
    });
    return first;
}

// Each colour at every pixel: weights 1 2 1 along and across, over the samples that have the colour.
Image interpolated(const Image& mosaic, const Mosaic& pattern, const Rect& area, const Work& work) {
    Image out(Holds::CameraLight, area);
    forEachBand(area.height, 16, work, [&](int from, int to) {
        for (int y = area.y + from; y < area.y + to; ++y)
            for (int x = area.x; x < area.right(); ++x) {
                float sum[3] = {}, weight[3] = {};
                for (int j = -1; j <= 1; ++j)
                    for (int i = -1; i <= 1; ++i) {
                        const int u = x + i, v = y + j;
                        if (!mosaic.area.contains({u, v, 1, 1})) continue;
                        const float w = static_cast<float>((2 - std::abs(i)) * (2 - std::abs(j)));
                        const auto c = static_cast<std::size_t>(pattern.at(u, v));
                        sum[c] += w * mosaic.rowAt(0, v)[u], weight[c] += w;
                    }
                for (std::size_t c = 0; c < 3; ++c)
                    out.rowAt(c, y)[x] = weight[c] > 0 ? sum[c] / weight[c] : 0;
            }
    });
    return out;
}

// What cleaning did.
Picture ofRecipes(const Recipe& one, const Recipe& other, const Difference& what, const Rect& area,
                  double zoom, const Context& context) {
    const Photo& photo = *other.photo;
    const Rect whole = photo.whole();
    const Rect read = photo.hasMosaic() ? area.inflated(1).intersected(whole) : area;
    Image light = stabilisedDifference(photo, one.settings, other.settings, read, context);
    if (photo.hasMosaic()) light = interpolated(light, photo.mosaic, area, context.work);
    const int grow = zoom >= 1 ? static_cast<int>(std::lround(zoom)) : 1,
              shrink = zoom < 1 ? static_cast<int>(std::lround(1 / zoom)) : 1;
    const int w = std::max(1, area.width / shrink), h = std::max(1, area.height / shrink);
    Picture out(w, h);
    const float scale = kSteps * static_cast<float>(what.gain) / static_cast<float>(shrink * shrink);
    forEachBand(h, 8, context.work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                float v[3] = {};
                for (int j = 0; j < shrink && y * shrink + j < area.height; ++j)
                    for (int i = 0; i < shrink && x * shrink + i < area.width; ++i)
                        for (std::size_t c = 0; c < 3; ++c)
                            v[c] += light[c].at(x * shrink + i, y * shrink + j);
                showPart(what.part, v);
                for (int c = 0; c < 3; ++c)
                    out.row(y)[3 * x + c] = pictureSample(std::clamp((128 + scale * v[c]) / 255, 0.0f, 1.0f));
            }
    });
    return magnified(std::move(out), grow);
}

// Encoded sRGB as it is shown, without a push.
Image displayed(const Shown& shown, const Rect& area, const Context& context) {
    if (const auto* reference = std::get_if<ReferencePtr>(&shown))
        return (*reference)->display(area, 0, context.work);
    return displayOf(std::get<Recipe>(shown), area, context);
}

// What is seen.
Picture ofDisplays(const Difference& what, const Rect& area, double zoom, const Context& context) {
    const Image first = displayed(what.first, area, context.part(0, 0.45)),
                second = displayed(what.second, area, context.part(0.45, 0.9));
    Image off(Holds::Display, area);
    for (int y = 0; y < area.height; ++y)
        for (int x = 0; x < area.width; ++x) {
            float v[3];
            for (std::size_t c = 0; c < 3; ++c) v[c] = first[c].at(x, y) - second[c].at(x, y);
            showPart(what.part, v);
            for (std::size_t c = 0; c < 3; ++c)
                off[c].at(x, y) = 128.0f / 255 + static_cast<float>(what.gain) * v[c];
        }
    return pictureOf(off, zoom);
}

} // namespace

Picture renderDifference(const Difference& difference, const Rect& area, double zoom,
                         const Context& context) {
    if (!(zoom > 0)) throw std::invalid_argument("the zoom must be above 0");
    const auto *first = std::get_if<Recipe>(&difference.first),
               *second = std::get_if<Recipe>(&difference.second);
    Picture out = first && second ? ofRecipes(*first, *second, difference, area, zoom, context)
                                  : ofDisplays(difference, area, zoom, context);
    context.work.report(1);
    return out;
}

} // namespace irenic
