#include "develop/render.h"

#include <cmath>
#include <stdexcept>

#include "develop/demosaic.h"

namespace irenic {

namespace {

// Balances and clips the mosaic where the weakest channel clips, so that clipped skies stay neutral.
void balance(Plane& mosaic, const Rect& area, const Photo& photo) {
    const Vector3 gain = balanceOf(photo);
    for (int y = 0; y < area.height; ++y)
        for (int x = 0; x < area.width; ++x) {
            const auto g = static_cast<float>(gain[photo.mosaic.at(area.x + x, area.y + y)]);
            mosaic.at(x, y) = std::min(mosaic.at(x, y), 1.0f) * g;
        }
}

void balance(std::array<Plane, 3>& pixels, const Photo& photo) {
    const Vector3 gain = balanceOf(photo);
    for (std::size_t c = 0; c < 3; ++c)
        for (int y = 0; y < pixels[c].height(); ++y)
            for (int x = 0; x < pixels[c].width(); ++x) pixels[c].at(x, y) = std::min(pixels[c].at(x, y), 1.0f) * static_cast<float>(gain[c]);
}

// Camera colours to the space, in place; whites clip together at 1.
void colour(std::array<Plane, 3>& rgb, const Matrix3& matrix) {
    float m[9];
    for (std::size_t i = 0; i < 9; ++i) m[i] = static_cast<float>(matrix[i]);
    for (int y = 0; y < rgb[0].height(); ++y) {
        float *r = rgb[0].row(y), *g = rgb[1].row(y), *b = rgb[2].row(y);
        for (int x = 0; x < rgb[0].width(); ++x) {
            const float cr = std::min(r[x], 1.0f), cg = std::min(g[x], 1.0f), cb = std::min(b[x], 1.0f);
            r[x] = m[0] * cr + m[1] * cg + m[2] * cb;
            g[x] = m[3] * cr + m[4] * cg + m[5] * cb;
            b[x] = m[6] * cr + m[7] * cg + m[8] * cb;
        }
    }
}

// Tone curve and transfer curve by a table over the square root of the value, fine enough for 8 bits.
class DisplayCurve {
  public:
    DisplayCurve(const Photo& photo, float gain) : gain_(gain) {
        for (std::size_t i = 0; i < table_.size(); ++i) {
            const float v = static_cast<float>(i) / static_cast<float>(table_.size() - 1);
            table_[i] = static_cast<std::uint8_t>(std::lround(255 * encoded(OutputSpace::Srgb, tone(photo, v * v * kTop))));
        }
    }
    std::uint8_t operator()(float linear) const {
        const float v = linear * gain_ / kTop;
        if (!(v > 0)) return table_.front();
        const float i = std::sqrt(std::min(v, 1.0f)) * static_cast<float>(table_.size() - 1);
        return table_[static_cast<std::size_t>(i + 0.5f)];
    }

  private:
    static constexpr float kTop = 4;
    float gain_;
    std::array<std::uint8_t, 8192> table_;
};

Plane shrunk(const Plane& in, int width, int height) {
    // Exact area average: each output pixel covers a rectangle of input pixels, the border ones in part.
    const auto weights = [](int from, int to) {
        std::vector<std::vector<std::pair<int, float>>> all(static_cast<std::size_t>(to));
        for (int i = 0; i < to; ++i) {
            const double a = static_cast<double>(i) * from / to, b = static_cast<double>(i + 1) * from / to;
            for (int k = static_cast<int>(a); k < std::min(from, static_cast<int>(std::ceil(b))); ++k)
                all[static_cast<std::size_t>(i)].emplace_back(
                    k, static_cast<float>((std::min(b, k + 1.0) - std::max(a, static_cast<double>(k))) / (b - a)));
        }
        return all;
    };
    const auto across = weights(in.width(), width), down = weights(in.height(), height);
    Plane out(width, height);
    std::vector<float> row(static_cast<std::size_t>(in.width()));
    for (int y = 0; y < height; ++y) {
        std::fill(row.begin(), row.end(), 0.0f);
        for (const auto& [k, w] : down[static_cast<std::size_t>(y)])
            for (int x = 0; x < in.width(); ++x) row[static_cast<std::size_t>(x)] += w * in.at(x, k);
        for (int x = 0; x < width; ++x) {
            float sum = 0;
            for (const auto& [k, w] : across[static_cast<std::size_t>(x)]) sum += w * row[static_cast<std::size_t>(k)];
            out.at(x, y) = sum;
        }
    }
    return out;
}

float pushGain(const Photo& photo, const Look& look) {
    return std::exp2(look.push + static_cast<float>(photo.baselineExposure));
}

} // namespace

std::array<Plane, 3> developRegion(const Photo& photo, const Settings& settings, const Rect& area, OutputSpace space,
                                   const Work& work) {
    const Matrix3 matrix = xyzD50To(space) * cameraToXyzD50(photo);
    if (!photo.hasMosaic()) {
        auto pixels = cleanPixels(photo, settings, area, work);
        balance(pixels, photo);
        colour(pixels, matrix);
        return pixels;
    }
    // Around the photo's edge the mosaic is mirrored by whole cells, which keeps the pattern.
    const Rect wanted = area.inflated(demosaicMargin(Demosaic::Quick)).aligned(2);
    const Rect inside = wanted.intersected({0, 0, photo.width(), photo.height()});
    Plane clean = cleanMosaic(photo, settings, inside, work);
    balance(clean, inside, photo);
    Plane mosaic;
    if (inside == wanted) {
        mosaic = std::move(clean);
    } else {
        mosaic = Plane(wanted.width, wanted.height);
        const auto source = [](int i, int size) {
            if (i < 0) return -i % (2 * size);
            return i < size ? i : 2 * (size - 1) - i;
        };
        for (int y = 0; y < wanted.height; ++y)
            for (int x = 0; x < wanted.width; ++x)
                mosaic.at(x, y) = clean.at(source(wanted.x + x, photo.width()) - inside.x,
                                           source(wanted.y + y, photo.height()) - inside.y);
    }
    auto rgb = demosaic(mosaic, wanted, photo.mosaic, area, Demosaic::Quick, work);
    colour(rgb, matrix);
    return rgb;
}

Picture renderRegion(const Photo& photo, const Settings& settings, const Look& look, const Rect& area, double zoom,
                     const Work& work) {
    if (!(zoom > 0)) throw std::invalid_argument("the zoom must be above 0");
    auto rgb = developRegion(photo, settings, area, OutputSpace::Srgb, work);
    const DisplayCurve curve(photo, pushGain(photo, look));
    Picture out;
    const int scale = zoom >= 1 ? static_cast<int>(std::lround(zoom)) : 1;
    if (zoom < 1) {
        const int w = std::max(1, static_cast<int>(std::lround(area.width * zoom)));
        const int h = std::max(1, static_cast<int>(std::lround(area.height * zoom)));
        for (Plane& p : rgb) p = shrunk(p, w, h);
    }
    const int w = rgb[0].width(), h = rgb[0].height();
    out.width = w * scale;
    out.height = h * scale;
    out.rgb.resize(static_cast<std::size_t>(out.width) * static_cast<std::size_t>(out.height) * 3);
    for (int y = 0; y < h; ++y) {
        auto* line = out.rgb.data() + static_cast<std::ptrdiff_t>(y) * scale * out.width * 3;
        auto* to = line;
        for (int x = 0; x < w; ++x) {
            const std::uint8_t v[3] = {curve(rgb[0].at(x, y)), curve(rgb[1].at(x, y)), curve(rgb[2].at(x, y))};
            for (int k = 0; k < scale; ++k) to = std::copy(v, v + 3, to);
        }
        for (int k = 1; k < scale; ++k) std::copy(line, line + out.width * 3, line + static_cast<std::ptrdiff_t>(k) * out.width * 3);
    }
    return out;
}

Picture renderOverview(const Photo& photo, const Look& look, int longest, const Work& work) {
    const int cell = photo.cell(), cw = photo.width() / cell, ch = photo.height() / cell;
    const int factor = std::max(1, std::max(cw, ch) / std::max(1, longest));
    std::array<Plane, 3> rgb;
    for (Plane& p : rgb) p = Plane(cw / factor, ch / factor);
    const auto sites = sitesOfChannels(photo.mosaic);
    const Vector3 gain = balanceOf(photo);
    forEachBand(ch / factor, 8, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < cw / factor; ++x) {
                float sum[4] = {0, 0, 0, 0};
                for (int j = 0; j < factor; ++j)
                    for (int i = 0; i < factor; ++i)
                        for (std::size_t c = 0; c < 4; ++c) {
                            constexpr int colourOf[4] = {0, 1, 1, 2};
                            const int u = x * factor + i, v = y * factor + j;
                            sum[c] += photo.hasMosaic() ? photo.normalised(2 * u + (sites[c] & 1), 2 * v + (sites[c] >> 1)) : photo.normalised(u, v, colourOf[c]);
                        }
                const float scale = 1.0f / static_cast<float>(factor * factor);
                rgb[0].at(x, y) = std::min(1.0f, sum[0] * scale) * static_cast<float>(gain[0]);
                rgb[1].at(x, y) = std::min(1.0f, 0.5f * (sum[1] + sum[2]) * scale) * static_cast<float>(gain[1]);
                rgb[2].at(x, y) = std::min(1.0f, sum[3] * scale) * static_cast<float>(gain[2]);
            }
    });
    colour(rgb, xyzD50To(OutputSpace::Srgb) * cameraToXyzD50(photo));
    const double zoom = std::min(1.0, static_cast<double>(longest) / std::max(rgb[0].width(), rgb[0].height()));
    Picture out;
    out.width = std::max(1, static_cast<int>(std::lround(rgb[0].width() * zoom)));
    out.height = std::max(1, static_cast<int>(std::lround(rgb[0].height() * zoom)));
    for (Plane& p : rgb) p = shrunk(p, out.width, out.height);
    const DisplayCurve curve(photo, pushGain(photo, look));
    for (int y = 0; y < out.height; ++y)
        for (int x = 0; x < out.width; ++x)
            for (const Plane& p : rgb) out.rgb.push_back(curve(p.at(x, y)));
    return out;
}

} // namespace irenic
