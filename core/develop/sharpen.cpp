#include "develop/sharpen.h"

#include <cmath>
#include <list>
#include <mutex>
#include <random>
#include <vector>

namespace irenic {

namespace {

constexpr int kReach = 9; // of the inverse kernel
constexpr int kLocal = 2; // radius of the window for the local variance

// The inverse of a Gaussian blur, h / (h^2 + lambda), as a symmetric kernel that leaves flat fields as they
// are.
std::array<float, kReach + 1> inverseOf(double sigma) {
    constexpr int n = 128;
    constexpr double lambda = 0.03;
    std::array<double, kReach + 1> k{};
    for (int x = 0; x <= kReach; ++x)
        for (int f = 0; f < n; ++f) {
            const double frequency = (f < n / 2 ? f : f - n) / static_cast<double>(n),
                         h = std::exp(-2 * M_PI * M_PI * sigma * sigma * frequency * frequency);
            // Next to nothing of a picture, and most of what demosaicing makes up, lies at the highest
            // frequencies: they are lifted least.
            const double high = std::clamp((std::abs(frequency) - 0.25) / 0.25, 0.0, 1.0),
                         lift = 1 - 0.6 * 0.5 * (1 - std::cos(M_PI * high));
            // A cosine taper lets the kernel end without a step.
            k[static_cast<std::size_t>(x)] += lift * h / (h * h + lambda) *
                                              std::cos(2 * M_PI * frequency * x) / n * 0.5 *
                                              (1 + std::cos(M_PI * x / (kReach + 1)));
        }
    double sum = k[0];
    for (std::size_t i = 1; i < k.size(); ++i) sum += 2 * k[i];
    std::array<float, kReach + 1> out{};
    for (std::size_t i = 0; i < k.size(); ++i) out[i] = static_cast<float>(k[i] / sum);
    return out;
}

// The window in which extremes count: as far as the blur has carried an edge.
int rangeRadius(Softness s) { return static_cast<int>(std::ceil(2 * blurOf(s))) + 1; }

// f(y) for all rows, in parallel.
template <class F> void rows(const Plane& like, const Work& work, const F& f) {
    forEachBand(like.height(), 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y) f(y);
    });
}

// The separable combination of 2 radius + 1 samples along both axes.
template <class Combine>
Plane overWindow(const Plane& in, int radius, const Work& work, const Combine& combine) {
    const int w = in.width(), h = in.height();
    Plane across(w, h), out(w, h);
    rows(in, work, [&](int y) {
        const float* p = in.row(y);
        float* q = across.row(y);
        std::copy(p, p + w, q);
        for (int k = 1; k <= radius; ++k)
            for (int x = radius; x < w - radius; ++x) q[x] = combine(q[x], combine(p[x - k], p[x + k]));
    });
    rows(in, work, [&](int y) {
        float* q = out.row(y);
        std::copy(across.row(y), across.row(y) + w, q);
        if (y < radius || y >= h - radius) return;
        for (int k = 1; k <= radius; ++k) {
            const float *a = across.row(y - k), *b = across.row(y + k);
            for (int x = 0; x < w; ++x) q[x] = combine(q[x], combine(a[x], b[x]));
        }
    });
    return out;
}

} // namespace

int sharpenMargin(Softness softness) { return softness == Softness::None ? 0 : kReach; }

void sharpen(std::array<Plane, 3>& rgb, Softness softness, const NoiseLine& noise, const Work& work) {
    if (softness == Softness::None) return;
    const int w = rgb[0].width(), h = rgb[0].height();
    const auto kernel = inverseOf(static_cast<double>(blurOf(softness)));
    Plane light(w, h), across(w, h), squares(w, h), sharp(w, h);
    rows(light, work, [&](int y) {
        for (int x = 0; x < w; ++x) {
            light.at(x, y) = 0.25f * rgb[0].at(x, y) + 0.6f * rgb[1].at(x, y) + 0.15f * rgb[2].at(x, y);
            squares.at(x, y) = light.at(x, y) * light.at(x, y);
        }
    });
    rows(light, work, [&](int y) {
        const float* p = light.row(y);
        float* q = across.row(y);
        for (int x = 0; x < w; ++x) q[x] = kernel[0] * p[x];
        for (int k = 1; k <= kReach; ++k)
            for (int x = kReach; x < w - kReach; ++x)
                q[x] += kernel[static_cast<std::size_t>(k)] * (p[x - k] + p[x + k]);
    });
    rows(light, work, [&](int y) {
        float* q = sharp.row(y);
        for (int x = 0; x < w; ++x) q[x] = kernel[0] * across.at(x, y);
        if (y < kReach || y >= h - kReach) return;
        for (int k = 1; k <= kReach; ++k)
            for (int x = 0; x < w; ++x)
                q[x] += kernel[static_cast<std::size_t>(k)] * (across.at(x, y - k) + across.at(x, y + k));
    });
    work.check();
    const auto add = [](float a, float b) { return a + b; };
    const Plane sums = overWindow(light, kLocal, work, add), sums2 = overWindow(squares, kLocal, work, add);
    const int radius = rangeRadius(softness);
    const Plane low = overWindow(light, radius, work, [](float a, float b) { return std::min(a, b); }),
                high = overWindow(light, radius, work, [](float a, float b) { return std::max(a, b); });
    work.check();
    const auto a = static_cast<float>(noise.a), b = static_cast<float>(noise.b);
    rows(light, work, [&](int y) {
        if (y < kReach || y >= h - kReach) return;
        for (int x = kReach; x < w - kReach; ++x) {
            constexpr float count = (2 * kLocal + 1) * (2 * kLocal + 1);
            const float v = std::max(0.0f, light.at(x, y)), mean = sums.at(x, y) / count;
            const float variance = sums2.at(x, y) / count - mean * mean,
                        expected = 6 * std::max(0.0f, a * std::max(0.0f, mean) + b);
            if (!(variance > expected)) continue;
            const float above = 1 - expected / variance, share = above * above,
                        room = 0.01f * (high.at(x, y) - low.at(x, y));
            const float wanted =
                std::clamp(v + share * (sharp.at(x, y) - v), low.at(x, y) - room, high.at(x, y) + room);
            // Colours are scaled with luminance on its way down; on its way up not in the dark beside
            // something bright, where their ratios mean little: there all are lifted alike.
            if (wanted < v) {
                const float factor = v > 0 ? std::max(0.0f, wanted) / v : 1;
                for (Plane& p : rgb) p.at(x, y) *= factor;
            } else {
                const float ground = 0.05f * high.at(x, y) + 1e-5f, factor = (wanted + ground) / (v + ground);
                for (Plane& p : rgb) p.at(x, y) = (p.at(x, y) + ground) * factor - ground;
            }
        }
    });
}

double noiseLeft(const Photo& photo, const Settings& settings, const Work& work) {
    if (settings.untouched()) return 1;
    struct Answer {
        Settings settings;
        NoiseModel noise;
        int channels;
        double share;
    };
    static std::mutex mutex;
    static std::list<Answer> answers;
    {
        const std::lock_guard lock(mutex);
        for (const Answer& a : answers)
            if (a.settings == settings && a.noise == photo.noise && a.channels == photo.channels)
                return a.share;
    }
    // A tenth of white: where the eye minds noise most.
    constexpr int size = 96, border = 16;
    constexpr double level = 0.1;
    Photo field;
    field.rawWidth = field.rawHeight = size;
    field.active = field.crop = {0, 0, size, size};
    field.channels = photo.channels, field.monochrome = photo.monochrome, field.mosaic = photo.mosaic,
    field.noise = photo.noise, field.coarseNoise = photo.coarseNoise;
    field.black.pattern = {4096}, field.white = 65535;
    field.profiles.resize(1);
    field.samples.resize(static_cast<std::size_t>(size) * size * static_cast<std::size_t>(field.channels));
    std::mt19937 random(7);
    std::normal_distribution<double> normal;
    for (int y = 0; y < size; ++y)
        for (int x = 0; x < size; ++x)
            for (int c = 0; c < field.channels; ++c) {
                const int channel = field.hasMosaic() ? field.mosaic.channel((y & 1) * 2 + (x & 1))
                                    : c == 2          ? 3
                                                      : c;
                const double v = level + field.noise.channel[static_cast<std::size_t>(channel)].sigma(level) *
                                             normal(random);
                field.samples[field.index(x, y, c)] =
                    static_cast<std::uint16_t>(std::clamp(4096 + v * 61439, 0.0, 65535.0));
            }
    std::array<Plane, 3> clean;
    if (field.hasMosaic())
        clean[0] = cleanMosaic(field, settings, field.active, work);
    else
        clean = cleanPixels(field, settings, field.active, work);
    // Of the mean of 2x2 cells, all colours alike: noise that colours have in common after cleaning counts in
    // full.
    double before = 0, after = 0;
    for (int y = border; y < size - border; y += 2)
        for (int x = border; x < size - border; x += 2) {
            double n = 0, c = 0;
            for (int j = 0; j < 2; ++j)
                for (int i = 0; i < 2; ++i)
                    for (std::size_t k = 0; k < static_cast<std::size_t>(field.channels); ++k)
                        n += static_cast<double>(field.normalised(x + i, y + j, static_cast<int>(k))) - level,
                            c += static_cast<double>(clean[k].at(x + i, y + j)) - level;
            before += n * n, after += c * c;
        }
    const double share = std::sqrt(after / before);
    const std::lock_guard lock(mutex);
    answers.push_front({settings, photo.noise, photo.channels, share});
    if (answers.size() > 64) answers.pop_back();
    return share;
}

} // namespace irenic
