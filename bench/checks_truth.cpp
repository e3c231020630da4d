// Whether each check finds the fault it is for, and nothing in a perfect result: planted faults on
// photographs whose truth is known. Markdown: the area under the ROC curve for each fault and the check that
// should find it.
#include <CLI/CLI.hpp>
#include <cmath>
#include <cstdio>
#include <functional>
#include <map>
#include <random>

#include "denoise/clean.h"
#include "judge/checks.h"
#include "judging_options.h"
#include "measure/noise.h"
#include "photographs.h"
#include "sensor.h"

using namespace irenic;

namespace {

struct Case {
    const Photo& photo;
    const Plane& truth; // the mosaic without noise
    Rect where;         // where local faults are planted
};

double sigmaAt(const Photo& photo, int x, int y, float level) {
    const int channel = photo.mosaic.channel((y & 1) * 2 + (x & 1));
    return photo.noise.channel[static_cast<std::size_t>(channel)].sigma(
        std::max(0.0, static_cast<double>(level)));
}

// A value for each sample of the mosaic.
Plane each(const Plane& from, const std::function<double(int, int, double)>& value) {
    Plane out(from.width(), from.height());
    for (int y = 0; y < from.height(); ++y)
        for (int x = 0; x < from.width(); ++x)
            out.at(x, y) = static_cast<float>(value(x, y, static_cast<double>(from.at(x, y))));
    return out;
}

// The mean over samples of one colour, `reach` of them to each side.
Plane blurred(const Plane& from, int reach) {
    return each(from, [&](int x, int y, double) {
        double sum = 0;
        int count = 0;
        for (int j = -reach; j <= reach; ++j)
            for (int i = -reach; i <= reach; ++i) {
                const int u = x + 2 * i, v = y + 2 * j;
                if (u < 0 || v < 0 || u >= from.width() || v >= from.height()) continue;
                sum += static_cast<double>(from.at(u, v)), ++count;
            }
        return sum / count;
    });
}

// How unlike samples of one colour are within a reach.
double rangeAround(const Plane& from, int x, int y, int reach) {
    float low = 1, high = 0;
    for (int v = std::max(y & 1, y - reach); v <= std::min(from.height() - 1, y + reach); v += 2)
        for (int u = std::max(x & 1, x - reach); u <= std::min(from.width() - 1, x + reach); u += 2)
            low = std::min(low, from.at(u, v)), high = std::max(high, from.at(u, v));
    return static_cast<double>(high - low);
}

// Of variance 1, as large as `like`.
Plane whiteNoise(const Plane& like, std::uint32_t seed) {
    std::mt19937 random(seed);
    std::normal_distribution<float> normal;
    Plane out(like.width(), like.height());
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x) out.at(x, y) = normal(random);
    return out;
}

bool inside(const Rect& r, int x, int y) { return r.contains(Rect{x, y, 1, 1}); }

struct Fault {
    const char *name, *check;
    std::function<Plane(const Case&)> planted;
    bool local = false;
};

std::vector<Fault> faults() {
    return {
        {"noise left: a third of it", "noise left",
         [](const Case& c) {
             return each(c.truth, [&](int x, int y, double v) {
                 return v + 0.35 * (static_cast<double>(c.photo.normalised(x, y)) - v);
             });
         }},
        {"one half not cleaned", "evenness",
         [](const Case& c) {
             return each(c.truth, [&](int x, int y, double v) {
                 return inside(c.where, x, y) ? 0.5 * v + 0.5 * static_cast<double>(c.photo.normalised(x, y))
                                              : v;
             });
         },
         true},
        {"over-smoothed", "detail lost",
         [](const Case& c) {
             const Plane soft = blurred(c.truth, 3);
             return each(c.truth, [&](int x, int y, double v) {
                 return inside(c.where, x, y) ? static_cast<double>(soft.at(x, y)) : v;
             });
         },
         true},
        {"texture put in", "invented texture",
         [](const Case& c) {
             const Plane soft = blurred(whiteNoise(c.truth, 5), 1);
             return each(c.truth, [&](int x, int y, double v) {
                 return inside(c.where, x, y) ? v + 1.5 * sigmaAt(c.photo, x, y, static_cast<float>(v)) *
                                                        static_cast<double>(soft.at(x, y))
                                              : v;
             });
         },
         true},
        {"points erased", "points lost",
         [](const Case& c) {
             return each(c.truth, [&](int x, int y, double v) {
                 const int u = x % 160 - 80, w = y % 160 - 80;
                 if (std::max(std::abs(u), std::abs(w)) > 4) return v;
                 const int from = x - u - 8 + (x - u - 8 < 0 ? 16 : 0);
                 return static_cast<double>(c.truth.at(std::min(from + (u & 1), c.truth.width() - 1), y));
             });
         }},
        {"shadows tinted", "colour shift",
         [](const Case& c) {
             return each(c.truth, [&](int x, int y, double v) {
                 const bool blue = c.photo.mosaic.at(x, y) == Mosaic::Blue;
                 return blue && v < 0.1 ? 1.25 * v + 0.002 : v;
             });
         }},
        {"blotches of colour", "colour blotches",
         [](const Case& c) {
             const Plane soft = blurred(whiteNoise(c.truth, 6), 2);
             return each(c.truth, [&](int x, int y, double v) {
                 const Mosaic::Colour colour = c.photo.mosaic.at(x, y);
                 return colour == Mosaic::Green ? v
                                                : v + sigmaAt(c.photo, x, y, static_cast<float>(v)) *
                                                          static_cast<double>(soft.at(x, y));
             });
         }},
        {"noise beside edges", "noise along edges",
         [](const Case& c) {
             return each(c.truth, [&](int x, int y, double v) {
                 const double sigma = sigmaAt(c.photo, x, y, static_cast<float>(v));
                 return rangeAround(c.truth, x, y, 10) > 6 * sigma
                            ? 0.3 * v + 0.7 * static_cast<double>(c.photo.normalised(x, y))
                            : v;
             });
         }},
        {"sharpened", "halos",
         [](const Case& c) {
             const Plane soft = blurred(c.truth, 2);
             return each(c.truth, [&](int x, int y, double v) {
                 return std::max(0.0, v + 0.7 * (v - static_cast<double>(soft.at(x, y))));
             });
         }},
        {"colour run over edges", "fringes",
         [](const Case& c) {
             // Red and blue by what they are more than green, which runs; green stays.
             const auto green = [&](int x, int y) {
                 const int l = std::max(x - 1, 1), r = std::min(x + 1, c.truth.width() - 2),
                           t = std::max(y - 1, 1), b = std::min(y + 1, c.truth.height() - 2);
                 return 0.25 * static_cast<double>(c.truth.at(l, y) + c.truth.at(r, y) + c.truth.at(x, t) +
                                                   c.truth.at(x, b));
             };
             const auto isGreen = [&](int x, int y) { return c.photo.mosaic.at(x, y) == Mosaic::Green; };
             const Plane more =
                 each(c.truth, [&](int x, int y, double v) { return isGreen(x, y) ? 0 : v - green(x, y); });
             const Plane soft = blurred(more, 2);
             return each(c.truth, [&](int x, int y, double v) {
                 return isGreen(x, y) ? v : std::max(0.0, green(x, y) + static_cast<double>(soft.at(x, y)));
             });
         }},
        {"a grid of 4 pixels", "patterns", [](const Case& c) {
             return each(c.truth, [&](int x, int y, double v) {
                 const double sign = (x / 2 + y / 2) % 2 == 0 ? 1 : -1;
                 return v + 0.05 * sign * sigmaAt(c.photo, x, y, static_cast<float>(v));
             });
         }}};
}

// Of two sets of values: how likely one of the first is above one of the second.
double areaUnderCurve(const std::vector<double>& with, const std::vector<double>& without) {
    double above = 0;
    for (const double a : with)
        for (const double b : without) above += a > b ? 1 : a == b ? 0.5 : 0;
    return with.empty() || without.empty() ? 0 : above / static_cast<double>(with.size() * without.size());
}

std::map<std::string, Finding> found(const Photo& photo, const Plane& cleaned) {
    const auto source = [&](const Rect& area, const Work&) {
        Image out(Holds::Mosaic, area);
        out[0] = cleaned.cropped(area);
        return out;
    };
    std::map<std::string, Finding> out;
    for (Finding& f : checksOf(photo, source)) out[f.check] = std::move(f);
    return out;
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    JudgingOptions asked;
    asked.isos = {1600, 6400, 25600, 102400};
    asked.crop = 1024;
    CLI::App app("Whether checks find planted faults and leave perfect results alone; Markdown.");
    asked.addTo(app);
    CLI11_PARSE(app, argc, argv);
    if (asked.methods.empty()) asked.methods = {"wavelet", "bm3d-quick", "learned-quick"};
    std::map<std::string, std::vector<double>> perfect, planted;
    std::map<std::string, int> placed, graded, raised, told;
    std::map<std::string, std::map<std::string, std::vector<double>>> ofMethod;
    const std::vector<Fault> all = faults();
    const std::vector<std::string> files = unseenPhotographs();
    for (const double iso : asked.isos)
        for (std::size_t i = 0; i < files.size(); ++i) {
            Shot shot;
            shot.iso = iso, shot.seed = static_cast<std::uint32_t>(300 + i);
            Plane truth = exposeMosaic(photograph(files[i], asked.crop), {}, shot);
            // Points on a grid, so that there are some to lose.
            const NoiseModel noise = trueNoise({}, iso);
            for (int y = 80; y < truth.height() - 8; y += 160)
                for (int x = 80; x < truth.width() - 8; x += 160)
                    for (int k = 0; k < 4; ++k) {
                        float& v = truth.at(x + (k & 1), y + (k >> 1));
                        v = std::min(
                            0.9f, v + 8 * static_cast<float>(noise.channel[1].sigma(static_cast<double>(v))));
                    }
            Photo photo = takePhoto(truth, {}, shot);
            photo.noise = measureNoise(photo);
            const Rect where =
                Rect{truth.width() / 4, truth.height() / 4, truth.width() / 2, truth.height() / 2}.aligned(
                    64);
            const Case one{photo, truth, where};
            for (const auto& [name, f] : found(photo, truth)) {
                if (!f.value) continue;
                perfect[name].push_back(*f.value), ++told[name], raised[name] += f.grade != Grade::Good;
                if (asked.each)
                    std::fprintf(stderr, "%g %zu perfect %s %.4f %s\n", iso, i, name.c_str(), *f.value,
                                 idOf(f.grade));
            }
            for (const std::string& m : asked.methods)
                for (const auto& [name, f] : found(photo, cleanMosaic(photo, {m}, photo.whole())))
                    if (f.value) {
                        ofMethod[m][name].push_back(*f.value);
                        if (asked.each)
                            std::fprintf(stderr, "%g %zu %s %s %.4f %s\n", iso, i, m.c_str(), name.c_str(),
                                         *f.value, idOf(f.grade));
                    }
            for (const Fault& fault : all) {
                const Finding f = found(photo, fault.planted(one))[fault.check];
                if (!f.value) continue;
                planted[fault.name].push_back(*f.value);
                graded[fault.name] += f.grade != Grade::Good;
                placed[fault.name] += !f.places.empty() && !f.places.front().intersected(where).empty();
                if (asked.each)
                    std::fprintf(stderr, "%g %zu planted %s %.4f %s\n", iso, i, fault.name, *f.value,
                                 idOf(f.grade));
            }
        }
    std::printf(
        "| fault | check | area under the curve | found | first place right | raised by a perfect result |\n"
        "|---|---|---|---|---|---|\n");
    for (const Fault& f : all)
        std::printf(
            "| %s | %s | %.3f | %d of %zu | %s | %d of %d |\n", f.name, f.check,
            areaUnderCurve(planted[f.name], perfect[f.check]), graded[f.name], planted[f.name].size(),
            f.local
                ? (std::to_string(placed[f.name]) + " of " + std::to_string(planted[f.name].size())).c_str()
                : "everywhere",
            raised[f.check], told[f.check]);
    std::printf("\n| check | perfect |");
    for (const std::string& m : asked.methods) std::printf(" %s |", m.c_str());
    std::printf("\n|---|---|");
    for (std::size_t m = 0; m < asked.methods.size(); ++m) std::printf("---|");
    const auto mean = [](const std::vector<double>& v) {
        double sum = 0;
        for (const double x : v) sum += x / static_cast<double>(v.size());
        return sum;
    };
    for (const auto& [name, values] : perfect) {
        std::printf("\n| %s | %.3f |", name.c_str(), mean(values));
        for (const std::string& m : asked.methods) std::printf(" %.3f |", mean(ofMethod[m][name]));
    }
    std::printf("\n");
}
