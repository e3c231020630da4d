#include "judge/display.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "image/resample.h"

namespace irenic {

Image displayOf(const Recipe& recipe, const Rect& area, const Context& context) {
    IRENIC_EXPECTS(recipe.photo && !area.empty());
    Image light = developRegion(recipe, area, kWorkingSpace, context);
    const Finish finish(*recipe.photo, recipe.look, OutputSpace::Srgb);
    forEachBand(area.height, 16, context.work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            finish.apply(light[0].row(y), light[1].row(y), light[2].row(y), area.width);
    });
    light.holds = Holds::Display;
    return light;
}

Picture pictureOf(const Image& display, double zoom) {
    IRENIC_EXPECTS(zoom > 0);
    IRENIC_EXPECTS(display.holds == Holds::Display);
    Picture out;
    const Image* shown = &display;
    Image small;
    if (zoom < 1) {
        // Averages are of light.
        const int w = std::max(1, static_cast<int>(std::lround(display.area.width * zoom))),
                  h = std::max(1, static_cast<int>(std::lround(display.area.height * zoom)));
        small = display.clone();
        for (Plane& p : small.plane) {
            for (int y = 0; y < p.height(); ++y)
                for (int x = 0; x < p.width(); ++x) p.at(x, y) = decoded(OutputSpace::Srgb, p.at(x, y));
            p = areaAverage(p, w, h);
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x) p.at(x, y) = encoded(OutputSpace::Srgb, p.at(x, y));
        }
        shown = &small;
    }
    const Plane& first = shown->plane[0];
    out = Picture(first.width(), first.height());
    for (int y = 0; y < out.height; ++y) {
        std::uint16_t* to = out.row(y);
        for (int x = 0; x < out.width; ++x)
            for (const Plane& p : shown->plane) *to++ = pictureSample(std::clamp(p.at(x, y), 0.0f, 1.0f));
    }
    return magnified(std::move(out), zoom >= 1 ? static_cast<int>(std::lround(zoom)) : 1);
}

} // namespace irenic
