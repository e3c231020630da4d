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
    double normal() {
        return std::sqrt(-2 * std::log(uniform())) * std::cos(2 * std::numbers::pi * uniform());
    }
    double poisson(double mean) {
        if (mean <= 0) return 0;
        if (mean > 80) return std::max(0.0, std::round(mean + std::sqrt(mean) * normal()));
        const double limit = std::exp(-mean);
        double product = uniform();
        int count = 0;
        while (product > limit) product *= uniform(), ++count;
        return count;
    }

  private:
    std::uint32_t next() {
        const std::uint64_t old = state_;
        state_ = old * 6364136223846793005ULL + 1442695040888963407ULL;
        const auto shifted = static_cast<std::uint32_t>(((old >> 18) ^ old) >> 27);
        const auto turn = static_cast<std::uint32_t>(old >> 59);
        return (shifted >> turn) | (shifted << ((32 - turn) & 31));
    }
    std::uint64_t state_;
};

constexpr Matrix3 kSrgbToXyz = {0.4124564, 0.3575761, 0.1804375, 0.2126729, 0.7151522,
                                0.0721750, 0.0193339, 0.1191920, 0.9503041};

} // namespace

Matrix3 Body::forwardMatrix() const {
    // D65 white of the camera to D50, by way of sRGB, whose white is D65.
    const Matrix3 toCamera = colourMatrix * kSrgbToXyz;
    const Vector3 grey = toCamera * Vector3{1, 1, 1};
    const Matrix3 balanced = diagonal({1 / grey[0], 1 / grey[1], 1 / grey[2]}) * toCamera;
    return inverse(xyzD50To(OutputSpace::Srgb)) * inverse(balanced);
}

double fullWell(const Body& body, double iso) { return body.wellAtIso1600 * 1600 / iso; }

double readNoise(double iso) {
    // 2.2 e- at ISO 1600, 2.0 at 3200, 1.8 at 12800, 1.6 at 51200.
    return std::clamp(2.2 - 0.1 * std::log2(iso / 1600) - (iso > 2000 ? 0.1 : 0), 1.5, 2.4);
}

NoiseModel trueNoise(const Body& body, double iso) {
    const double well = fullWell(body, iso), read = readNoise(iso);
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
        for (std::size_t c = 0; c < 3; ++c)
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x) colours[c].at(x, y) = seen(c, x, y);
        image = throughLens(colours, optics);
    }
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            const std::size_t c = body.mosaic.at(x, y);
            out.at(x, y) = std::clamp(image[0].empty() ? seen(c, x, y) : image[c].at(x, y), 0.0f, 1.0f);
        }
    return out;
}

Photo takePhoto(const Plane& truth, const Body& body, const Shot& shot) {
    Photo photo;
    photo.make = body.make, photo.model = body.model, photo.lens = body.lens, photo.taken = shot.taken;
    photo.iso = shot.iso, photo.exposure = shot.exposure, photo.aperture = shot.aperture,
    photo.focal = shot.focal;
    photo.rawWidth = truth.width(), photo.rawHeight = truth.height();
    photo.active = photo.crop = {0, 0, truth.width(), truth.height()};
    if (truth.width() > 64 && truth.height() > 64) photo.crop = photo.active.inflated(-8);
    photo.mosaic = body.mosaic;
    photo.black.pattern = {static_cast<float>(body.black)};
    photo.white = body.white;
    photo.bits = static_cast<int>(std::ceil(std::log2(body.white)));
    photo.profiles = {{21, body.colourMatrix, body.forwardMatrix(), kIdentity3}};
    photo.neutral = shot.neutral;
    photo.noise = trueNoise(body, shot.iso);
    photo.statedNoise = photo.noise;

    const double well = fullWell(body, shot.iso), read = readNoise(shot.iso), range = body.white - body.black;
    const auto offset = [&](std::uint64_t line, double sigma) {
        Random random((static_cast<std::uint64_t>(shot.seed) << 32) + (1ULL << 24) + line);
        return sigma * random.normal();
    };
    std::vector<double> columns(static_cast<std::size_t>(truth.width()), 0.0);
    if (shot.columnLines > 0)
        for (std::size_t x = 0; x < columns.size(); ++x)
            columns[x] = offset(x + (1ULL << 20), shot.columnLines);
    photo.samples.resize(static_cast<std::size_t>(truth.width()) * static_cast<std::size_t>(truth.height()));
    forEachBand(truth.height(), 16, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            Random random((static_cast<std::uint64_t>(shot.seed) << 32) + static_cast<std::uint64_t>(y));
            const double row = shot.rowLines > 0 ? offset(static_cast<std::uint64_t>(y), shot.rowLines) : 0;
            for (int x = 0; x < truth.width(); ++x) {
                double electrons = random.poisson(truth.at(x, y) * well) + read * random.normal();
                electrons += row + columns[static_cast<std::size_t>(x)];
                if (shot.hotPixels > 0 && random.uniform() < shot.hotPixels)
                    electrons += well * (0.02 + 0.9 * std::pow(random.uniform(), 3));
                if (shot.deadPixels > 0 && random.uniform() < shot.deadPixels) electrons = 0;
                const double dn = std::round(body.black + electrons / well * range);
                photo.samples[static_cast<std::size_t>(y) * static_cast<std::size_t>(truth.width()) +
                              static_cast<std::size_t>(x)] =
                    static_cast<std::uint16_t>(std::clamp(dn, 0.0, body.white));
            }
        }
    });

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
    return photo;
}

} // namespace irenic
