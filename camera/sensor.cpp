#include "sensor.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <numbers>

#include "develop/colour.h"

namespace irenic {

namespace {

// A small generator of its own for every row, so that rows can be made in any order (PCG, M. E. O'Neill,
// 2014).
class Random {
  public:
    explicit Random(std::uint64_t seed) : state_(seed * 6364136223846793005ULL + 1442695040888963407ULL) {
        next(), next();
    }
    double uniform() { return (next() + 0.5) / 4294967296.0; }
    // Box and Muller, 1958: two at a time, of which one waits. Single precision: a sensor's steps are
    // coarser.
    double normal() {
        if (waits_) {
            waits_ = false;
            return static_cast<double>(other_);
        }
        const float length = std::sqrt(-2 * std::log(static_cast<float>(uniform())));
        const float angle = 2 * std::numbers::pi_v<float> * static_cast<float>(uniform());
        other_ = length * std::sin(angle), waits_ = true;
        return static_cast<double>(length * std::cos(angle));
    }
    double poisson(double mean) {
        if (mean <= 0) return 0;
        if (mean >= 10) return manyOf(mean);
        const double limit = std::exp(-mean);
        double product = uniform();
        int count = 0;
        while (product > limit) product *= uniform(), ++count;
        return count;
    }

  private:
    // Transformed rejection with squeeze (W. Hoermann, 1993, algorithm PTRS): exact, and as quick for any
    // mean from 10.
    double manyOf(double mean) {
        const double b = 0.931 + 2.53 * std::sqrt(mean), a = -0.059 + 0.02483 * b;
        const double sure = 0.9277 - 3.6224 / (b - 2);
        while (true) {
            const double u = uniform() - 0.5, v = uniform(), side = 0.5 - std::abs(u);
            const double k = std::floor((2 * a / side + b) * u + mean + 0.43);
            if (side >= 0.07 && v <= sure) return k;
            if (k < 0 || (side < 0.013 && v > side)) continue;
            const double scaled = v * (1.1239 + 1.1328 / (b - 3.4)) / (a / (side * side) + b);
            if (std::log(scaled) <= k * std::log(mean) - mean - std::lgamma(k + 1)) return k;
        }
    }
    std::uint32_t next() {
        const std::uint64_t old = state_;
        state_ = old * 6364136223846793005ULL + 1442695040888963407ULL;
        const auto shifted = static_cast<std::uint32_t>(((old >> 18) ^ old) >> 27);
        const auto turn = static_cast<std::uint32_t>(old >> 59);
        return (shifted >> turn) | (shifted << ((32 - turn) & 31));
    }
    std::uint64_t state_;
    float other_ = 0;
    bool waits_ = false;
};

constexpr std::uint32_t kPixelsOwn = 0x5eed; // where the numbers that are a pixel's own begin

constexpr Matrix3 kSrgbToXyz = {0.4124564, 0.3575761, 0.1804375, 0.2126729, 0.7151522,
                                0.0721750, 0.0193339, 0.1191920, 0.9503041};

// Whether a sample measures focus: where green is, on a grid, as such sensors have them.
bool measuresFocus(int x, int y) { return x % 12 == 5 && y % 12 == 4; }

// The nearest of `codes` values that lie evenly along the root of what is above black, as lossy raws have
// them.
double coded(double dn, const Body& body) {
    if (body.codes == 0 || dn <= body.black) return dn;
    const double steps = body.codes - 1, range = body.white - body.black;
    const double code = std::round(std::sqrt((dn - body.black) / range) * steps) / steps;
    return std::round(body.black + code * code * range);
}

// Defects that are no single pixels: dead columns and hot clusters.
void addDefects(Photo& photo, const Body& body, const Shot& shot) {
    Random random((static_cast<std::uint64_t>(shot.seed) << 32) + (1ULL << 25));
    const int w = photo.rawWidth, h = photo.rawHeight;
    const auto sampleAt = [&](int x, int y) -> std::uint16_t& {
        return photo
            .samples[static_cast<std::size_t>(y) * static_cast<std::size_t>(w) + static_cast<std::size_t>(x)];
    };
    for (int i = 0; i < shot.deadColumns; ++i) {
        const int x = static_cast<int>(random.uniform() * w);
        for (int y = 0; y < h; ++y) sampleAt(x, y) = static_cast<std::uint16_t>(body.black);
    }
    for (int i = 0; i < shot.hotClusters; ++i) {
        const int left = static_cast<int>(random.uniform() * (w - 3)),
                  top = static_cast<int>(random.uniform() * (h - 3));
        for (int y = top; y < top + 3; ++y)
            for (int x = left; x < left + 3; ++x) {
                const double leak = (0.1 + 0.5 * random.uniform()) * (body.white - body.black);
                sampleAt(x, y) = static_cast<std::uint16_t>(std::min(body.white, sampleAt(x, y) + leak));
            }
    }
}

void smooth(Photo& photo, const Smoothing& smoothing) {
    const int w = photo.rawWidth, h = photo.rawHeight;
    Plane sharp(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            sharp.at(x, y) = photo.samples[static_cast<std::size_t>(y) * static_cast<std::size_t>(w) +
                                           static_cast<std::size_t>(x)];
    const Rect all{0, 0, w, h};
    const Plane soft = smoothedMosaic(sharp, all, all, w, h, smoothing);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            photo.samples[static_cast<std::size_t>(y) * static_cast<std::size_t>(w) +
                          static_cast<std::size_t>(x)] =
                static_cast<std::uint16_t>(std::clamp(std::floor(soft.at(x, y) + 0.5f), 0.0f, 65535.0f));
}

} // namespace

Matrix3 Body::forwardMatrix() const {
    // D65 white of the camera to D50, by way of sRGB, whose white is D65.
    const Matrix3 toCamera = colourMatrix * kSrgbToXyz;
    const Vector3 grey = toCamera * Vector3{1, 1, 1};
    const Matrix3 balanced = diagonal({1 / grey[0], 1 / grey[1], 1 / grey[2]}) * toCamera;
    return inverse(xyzD50To(OutputSpace::Srgb)) * inverse(balanced);
}

double fullWell(const Body& body, double iso) { return body.wellAtIso1600 * 1600 / iso; }

Mosaic::Colour Body::colourAt(int x, int y) const {
    // X-Trans, as its makers print it: R, G, B in cells of 6x6.
    static constexpr const char* kCell[6] = {"GBGGRG", "RGRBGB", "GBGGRG", "GRGGBG", "BGBRGR", "GRGGBG"};
    if (!xTrans) return mosaic.at(x, y);
    const char c = kCell[y % 6][x % 6];
    return c == 'R' ? Mosaic::Red : c == 'B' ? Mosaic::Blue : Mosaic::Green;
}

double readNoise(const Body& body, double iso) {
    const auto& points = body.readNoise;
    if (!points.empty()) {
        const auto above =
            std::find_if(points.begin(), points.end(), [&](const auto& p) { return p.first >= iso; });
        if (above == points.begin()) return points.front().second;
        if (above == points.end()) return points.back().second;
        const auto below = above - 1;
        const double t = std::log2(iso / below->first) / std::log2(above->first / below->first);
        return below->second + (above->second - below->second) * t;
    }
    // 2.2 e- at ISO 1600, 2.0 at 3200, 1.8 at 12800, 1.6 at 51200.
    return std::clamp(2.2 - 0.1 * std::log2(iso / 1600) - (iso > 2000 ? 0.1 : 0), 1.5, 2.4);
}

NoiseModel trueNoise(const Body& body, double iso) {
    const double well = fullWell(body, iso), read = readNoise(body, iso);
    const double step = 1 / (body.white - body.black);
    NoiseModel m;
    for (NoiseLine& line : m.channel) line = {1 / well, read * read / (well * well) + step * step / 12};
    return m;
}

Plane exposeMosaic(const std::array<Plane, 3>& light, const Body& body, const Shot& shot,
                   const Optics& optics) {
    const Matrix3 toCamera = body.colourMatrix * kSrgbToXyz;
    const Vector3 white = toCamera * Vector3{1, 1, 1};
    // A grey scene under the light that the shot's neutral stands for gives that neutral.
    const Matrix3 m =
        diagonal({shot.neutral[0] / white[0], shot.neutral[1] / white[1], shot.neutral[2] / white[2]}) *
        toCamera;
    const double gain = std::exp2(shot.stops);
    const int w = light[0].width(), h = light[0].height();
    const auto seen = [&](std::size_t c, int x, int y) {
        return static_cast<float>(gain * (m[3 * c] * static_cast<double>(light[0].at(x, y)) +
                                          m[3 * c + 1] * static_cast<double>(light[1].at(x, y)) +
                                          m[3 * c + 2] * static_cast<double>(light[2].at(x, y))));
    };
    Plane out(w, h);
    std::array<Plane, 3> image;
    if (!(optics == Optics{})) {
        std::array<Plane, 3> colours = {Plane(w, h), Plane(w, h), Plane(w, h)};
        forEachBand(h, 16, {}, [&](int first, int last) {
            for (std::size_t c = 0; c < 3; ++c)
                for (int y = first; y < last; ++y)
                    for (int x = 0; x < w; ++x) colours[c].at(x, y) = seen(c, x, y);
        });
        image = throughLens(colours, optics);
    }
    forEachBand(h, 16, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                const std::size_t c = body.colourAt(x, y);
                out.at(x, y) = std::clamp(image[0].empty() ? seen(c, x, y) : image[c].at(x, y), 0.0f, 1.0f);
            }
    });
    if (body.crosstalk <= 0) return out;
    Plane mixed(w, h);
    const auto share = static_cast<float>(body.crosstalk);
    forEachBand(h, 16, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < w; ++x) {
                const float around = out.at(std::max(0, x - 1), y) + out.at(std::min(w - 1, x + 1), y) +
                                     out.at(x, std::max(0, y - 1)) + out.at(x, std::min(h - 1, y + 1));
                mixed.at(x, y) = (1 - 4 * share) * out.at(x, y) + share * around;
            }
    });
    return mixed;
}

Plane withFocusDots(const Plane& mosaic, const Body& body) {
    Plane out = mosaic.clone();
    if (body.focusDots == 1) return out;
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x)
            if (measuresFocus(x, y)) out.at(x, y) *= static_cast<float>(body.focusDots);
    return out;
}

Photo takePhoto(const Plane& truth, const Body& body, const Shot& shot) {
    Photo photo;
    photo.make = body.make, photo.model = body.model, photo.lens = body.lens, photo.taken = shot.taken;
    photo.iso = shot.iso, photo.exposure = shot.exposure, photo.aperture = shot.aperture,
    photo.focal = shot.focal;
    const int left = body.maskedColumns, top = body.maskedRows, width = truth.width(),
              height = truth.height();
    photo.rawWidth = left + width, photo.rawHeight = top + height;
    photo.active = {left, top, width, height};
    photo.crop = {0, 0, width, height};
    if (width > 64 && height > 64) photo.crop = photo.crop.inflated(-8);
    photo.mosaic = body.mosaic;
    photo.black.pattern = {static_cast<float>(body.black)};
    photo.white = body.white;
    photo.bits = static_cast<int>(std::ceil(std::log2(body.white)));
    photo.profiles = {{21, body.colourMatrix, body.forwardMatrix(), kIdentity3}};
    photo.neutral = shot.neutral;
    photo.noise = trueNoise(body, shot.iso);
    photo.statedNoise = photo.noise;

    const double well = fullWell(body, shot.iso), read = readNoise(body, shot.iso),
                 range = body.white - body.black;
    // What a short exposure collects in the dark, less than a hundredth of an electron, nobody sees.
    const bool darkCounts = body.darkCurrent * shot.exposure > 1e-2;
    const auto offset = [&](std::uint64_t line, double sigma) {
        Random random((static_cast<std::uint64_t>(shot.seed) << 32) + (1ULL << 24) + line);
        return sigma * random.normal();
    };
    std::vector<double> columns(static_cast<std::size_t>(photo.rawWidth), 0.0);
    if (shot.columnLines > 0)
        for (std::size_t x = 0; x < columns.size(); ++x)
            columns[x] = offset(x + (1ULL << 20), shot.columnLines);
    photo.samples.resize(static_cast<std::size_t>(photo.rawWidth) *
                         static_cast<std::size_t>(photo.rawHeight));
    forEachBand(photo.rawHeight, 16, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            Random random((static_cast<std::uint64_t>(shot.seed) << 32) + static_cast<std::uint64_t>(y));
            // What belongs to the pixels themselves: as many numbers for each, whatever the shot.
            Random own((static_cast<std::uint64_t>(kPixelsOwn) << 32) + static_cast<std::uint64_t>(y));
            const auto group = static_cast<std::uint64_t>(y / shot.rowsAlike);
            const double leftRow = shot.rowLines > 0 ? offset(group, shot.rowLines) : 0;
            const double rightRow = shot.twoReadouts ? offset(group + (1ULL << 22), shot.rowLines) : leftRow;
            for (int x = 0; x < photo.rawWidth; ++x) {
                double light =
                    x < left || y < top ? 0 : static_cast<double>(truth.at(x - left, y - top)) * well;
                const double u = 2.0 * x / photo.rawWidth - 1, v = 2.0 * y / photo.rawHeight - 1;
                const double made = 1 + (body.madeUpFor - 1) * 0.5 * (u * u + v * v);
                light /= made;
                if (body.responseSpread > 0) light *= std::max(0.0, 1 + body.responseSpread * own.normal());
                double leaks = 0;
                if (body.darkCurrent > 0) {
                    const auto dark = static_cast<float>(own.uniform());
                    if (darkCounts) leaks = -body.darkCurrent * static_cast<double>(std::log(dark));
                    // The leaks' strengths fall off as a power law over three orders of magnitude.
                    const double warm = own.uniform();
                    if (own.uniform() < body.warmPixels) leaks += body.darkCurrent * 4 * std::pow(warm, -1.2);
                }
                const double u01 = static_cast<double>(x) / photo.rawWidth,
                             v01 = static_cast<double>(y) / photo.rawHeight;
                const double glow = body.glow > 0 ? body.glow * std::exp(4 * (u01 + v01 - 2)) : 0;
                if (measuresFocus(x - left, y - top)) light *= body.focusDots;
                const bool second = body.secondGainAt > 0 && light > body.secondGainAt * well;
                double electrons = random.poisson(light + leaks * shot.exposure + glow) - glow +
                                   (second ? body.secondGainRead : 1) * read * random.normal();
                if (body.noiseAtRight != 1) {
                    const double grown = 1 + (body.noiseAtRight - 1) * x / photo.rawWidth;
                    electrons = light + grown * (electrons - light);
                }
                electrons *= made;
                // The camera takes the mean of the dark off, as the masked border shows it.
                electrons +=
                    (2 * x < photo.rawWidth ? leftRow : rightRow) + columns[static_cast<std::size_t>(x)];
                if (darkCounts) electrons -= body.darkCurrent * shot.exposure;
                if (shot.hotPixels > 0 && random.uniform() < shot.hotPixels)
                    electrons += well * (0.02 + 0.9 * std::pow(random.uniform(), 3));
                if (shot.deadPixels > 0 && random.uniform() < shot.deadPixels) electrons = 0;
                const auto site = static_cast<std::size_t>(((y - top) & 1) * 2 + ((x - left) & 1));
                const double off = body.blackOff[site];
                const double dn = coded(std::floor(body.black + off + electrons / well * range + 0.5), body);
                photo.samples[static_cast<std::size_t>(y) * static_cast<std::size_t>(photo.rawWidth) +
                              static_cast<std::size_t>(x)] =
                    static_cast<std::uint16_t>(std::clamp(dn, 0.0, body.white));
            }
        }
    });
    addDefects(photo, body, shot);
    if (!body.smoothing.none()) smooth(photo, body.smoothing);
    if (body.xTrans) {
        XTransMosaic wide;
        for (int i = 0; i < 36; ++i) wide.site[static_cast<std::size_t>(i)] = body.colourAt(i % 6, i / 6);
        wide.samples = photo.samples, wide.black = photo.black;
        photo.xtrans = std::move(wide);
    }

    // Exif, in the entries' own form.
    const auto rational = [](double v) {
        TagEntry e{0, 5, 1, std::vector<std::uint8_t>(8)};
        std::uint32_t pair[2] = {static_cast<std::uint32_t>(std::lround(v * 1000)), 1000};
        if (v > 0 && v < 0.3) pair[0] = 1, pair[1] = static_cast<std::uint32_t>(std::lround(1 / v));
        std::memcpy(e.bytes.data(), pair, 8);
        return e;
    };
    const auto text = [](const std::string& s) {
        TagEntry e{0, 2, static_cast<std::uint32_t>(s.size() + 1), {s.begin(), s.end()}};
        e.bytes.push_back(0);
        return e;
    };
    const auto number = [](std::uint32_t v) {
        TagEntry e{0, 3, 1, {static_cast<std::uint8_t>(v & 255), static_cast<std::uint8_t>(v >> 8)}};
        if (v > 65535)
            e = {0,
                 4,
                 1,
                 {static_cast<std::uint8_t>(v & 255), static_cast<std::uint8_t>(v >> 8 & 255),
                  static_cast<std::uint8_t>(v >> 16), 0}};
        return e;
    };
    const auto put = [](std::vector<TagEntry>& list, std::uint16_t tag, TagEntry e) {
        e.tag = tag;
        list.push_back(std::move(e));
    };
    auto& exif = photo.metadata.exif;
    put(exif, 0x829a, rational(shot.exposure));
    put(exif, 0x829d, rational(shot.aperture));
    put(exif, 0x8822, number(1));
    // ISO speeds above 65535 do not fit the tag (Exif 2.3, PhotographicSensitivity).
    put(exif, 0x8827, number(static_cast<std::uint32_t>(std::min(65535.0, shot.iso))));
    put(exif, 0x8830, number(2));
    put(exif, 0x8832, [&] {
        TagEntry e{0, 4, 1, std::vector<std::uint8_t>(4)};
        const auto v = static_cast<std::uint32_t>(shot.iso);
        std::memcpy(e.bytes.data(), &v, 4);
        return e;
    }());
    put(exif, 0x9000, {0, 7, 4, {'0', '2', '3', '0'}});
    put(exif, 0x9003, text(shot.taken));
    put(exif, 0x9004, text(shot.taken));
    put(exif, 0x920a, rational(shot.focal));
    put(exif, 0xa434, text(body.lens));
    put(photo.metadata.main, 0x0132, text(shot.taken));
    if (left > 0 || top > 0) {
        TagEntry masked{0xc68e, 4, 0, {}};
        const auto area = [&](std::array<int, 4> sides) { // top, left, bottom, right
            for (const int v : sides)
                for (int shift = 0; shift < 32; shift += 8)
                    masked.bytes.push_back(static_cast<std::uint8_t>(v >> shift));
            masked.count += 4;
        };
        if (top > 0) area({0, 0, top, photo.rawWidth});
        if (left > 0) area({top, 0, photo.rawHeight, left});
        photo.metadata.mosaic.push_back(masked);
    }
    return photo;
}

} // namespace irenic
