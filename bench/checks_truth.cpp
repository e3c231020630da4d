// Whether each check finds the fault it is for, and nothing in a perfect result: planted faults on
// photographs whose truth is known. Markdown: the area under the ROC curve for each fault and the check that
// should find it.
#include <CLI/CLI.hpp>
#include <cmath>
#include <cstdio>
#include <filesystem>
#include <functional>
#include <map>
#include <opencv2/imgproc.hpp>
#include <random>

#include "base/folders.h"
#include "deliver/dng.h"
#include "denoise/clean.h"
#include "develop/render.h"
#include "judge/checks.h"
#include "judging_options.h"
#include "measure/noise.h"
#include "measure/open.h"
#include "photographs.h"
#include "scores.h"
#include "sensor.h"

using namespace irenic;
namespace fs = std::filesystem;

namespace {

// The samples of a photo: one plane of a mosaic, or red, green and blue of pixels.
using Planes = std::vector<Plane>;

struct Case {
    const Photo& photo;
    Planes noisy, truth;
    Rect where; // where local faults are planted

    int step() const { return photo.hasMosaic() ? 2 : 1; } // to the next sample of a colour
    Mosaic::Colour colourAt(std::size_t p, int x, int y) const {
        return photo.hasMosaic() ? photo.mosaic.at(x, y) : static_cast<Mosaic::Colour>(p);
    }
    double noisyAt(std::size_t p, int x, int y) const { return static_cast<double>(noisy[p].at(x, y)); }
    double sigmaAt(std::size_t p, int x, int y, double level) const {
        constexpr std::size_t kChannel[] = {0, 1, 3};
        const std::size_t channel =
            photo.hasMosaic() ? static_cast<std::size_t>(photo.mosaic.channel((y & 1) * 2 + (x & 1)))
                              : kChannel[p];
        return photo.noise.channel[channel].sigma(std::max(0.0, level));
    }
};

// A value for each sample.
Planes each(const Planes& from, const std::function<double(std::size_t, int, int, double)>& value) {
    Planes out;
    for (std::size_t p = 0; p < from.size(); ++p) {
        out.emplace_back(from[p].width(), from[p].height());
        for (int y = 0; y < from[p].height(); ++y)
            for (int x = 0; x < from[p].width(); ++x)
                out[p].at(x, y) = static_cast<float>(value(p, x, y, static_cast<double>(from[p].at(x, y))));
    }
    return out;
}

// The mean over samples of one colour, `reach` of them to each side.
Planes blurred(const Planes& from, int reach, int step) {
    return each(from, [&](std::size_t p, int x, int y, double) {
        double sum = 0;
        int count = 0;
        for (int j = -reach; j <= reach; ++j)
            for (int i = -reach; i <= reach; ++i) {
                const int u = x + step * i, v = y + step * j;
                if (u < 0 || v < 0 || u >= from[p].width() || v >= from[p].height()) continue;
                sum += static_cast<double>(from[p].at(u, v)), ++count;
            }
        return sum / count;
    });
}

// How unlike samples of one colour are within a reach.
double rangeAround(const Plane& from, int x, int y, int reach, int step) {
    float low = 1, high = 0;
    for (int v = y - reach / step * step; v <= y + reach; v += step)
        for (int u = x - reach / step * step; u <= x + reach; u += step) {
            if (u < 0 || v < 0 || u >= from.width() || v >= from.height()) continue;
            low = std::min(low, from.at(u, v)), high = std::max(high, from.at(u, v));
        }
    return static_cast<double>(high - low);
}

// Of variance 1, as large as `like`; the same in all planes.
Planes whiteNoise(const Planes& like, std::uint32_t seed) {
    Planes out;
    for (const Plane& own : like) {
        std::mt19937 random(seed);
        std::normal_distribution<float> normal;
        out.emplace_back(own.width(), own.height());
        for (int y = 0; y < own.height(); ++y)
            for (int x = 0; x < own.width(); ++x) out.back().at(x, y) = normal(random);
    }
    return out;
}

bool inside(const Rect& r, int x, int y) { return r.contains(Rect{x, y, 1, 1}); }

// Green at a place, or the mean of the four around it.
double greenAt(const Case& c, int x, int y) {
    if (!c.photo.hasMosaic()) return static_cast<double>(c.truth[1].at(x, y));
    const Plane& t = c.truth[0];
    const int left = std::max(x - 1, 1), right = std::min(x + 1, t.width() - 2), top = std::max(y - 1, 1),
              bottom = std::min(y + 1, t.height() - 2);
    return 0.25 * static_cast<double>(t.at(left, y) + t.at(right, y) + t.at(x, top) + t.at(x, bottom));
}

struct Fault {
    const char *name, *check;
    std::function<Planes(const Case&)> planted;
    bool local = false;
};

std::vector<Fault> faults() {
    return {{"noise left: a third of it", "noise left",
             [](const Case& c) {
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     return v + 0.35 * (c.noisyAt(p, x, y) - v);
                 });
             }},
            {"one half not cleaned", "evenness",
             [](const Case& c) {
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     return inside(c.where, x, y) ? 0.5 * v + 0.5 * c.noisyAt(p, x, y) : v;
                 });
             },
             true},
            {"over-smoothed", "detail lost",
             [](const Case& c) {
                 const Planes soft = blurred(c.truth, 3, c.step());
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     return inside(c.where, x, y) ? static_cast<double>(soft[p].at(x, y)) : v;
                 });
             },
             true},
            {"texture put in", "invented texture",
             [](const Case& c) {
                 const Planes soft = blurred(whiteNoise(c.truth, 5), 1, c.step());
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     return inside(c.where, x, y)
                                ? v + 1.5 * c.sigmaAt(p, x, y, v) * static_cast<double>(soft[p].at(x, y))
                                : v;
                 });
             },
             true},
            {"points erased", "points lost",
             [](const Case& c) {
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     const int u = x % 160 - 80, w = y % 160 - 80;
                     if (std::max(std::abs(u), std::abs(w)) > 4) return v;
                     const int from = x - u - 8 + (x - u - 8 < 0 ? 16 : 0);
                     return static_cast<double>(
                         c.truth[p].at(std::min(from + (u & 1), c.truth[p].width() - 1), y));
                 });
             }},
            {"shadows tinted", "colour shift",
             [](const Case& c) {
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     return c.colourAt(p, x, y) == Mosaic::Blue && v < 0.1 ? 1.25 * v + 0.002 : v;
                 });
             }},
            {"blotches of colour", "colour blotches",
             [](const Case& c) {
                 // As strong as noise is at their size.
                 const double amount = c.photo.hasMosaic() ? 1 : c.photo.coarseNoise;
                 const Planes soft = blurred(whiteNoise(c.truth, 6), 2, c.step());
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     const Mosaic::Colour colour = c.colourAt(p, x, y);
                     const double sign = colour == Mosaic::Red && !c.photo.hasMosaic() ? -1 : 1;
                     return colour == Mosaic::Green ? v
                                                    : v + amount * sign * c.sigmaAt(p, x, y, v) *
                                                              static_cast<double>(soft[p].at(x, y));
                 });
             }},
            {"noise beside edges", "noise along edges",
             [](const Case& c) {
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     return rangeAround(c.truth[p], x, y, 5 * c.step(), c.step()) > 6 * c.sigmaAt(p, x, y, v)
                                ? 0.3 * v + 0.7 * c.noisyAt(p, x, y)
                                : v;
                 });
             }},
            {"sharpened", "halos",
             [](const Case& c) {
                 const Planes soft = blurred(c.truth, 2, c.step());
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     return std::max(0.0, v + 0.7 * (v - static_cast<double>(soft[p].at(x, y))));
                 });
             }},
            {"colour run over edges", "fringes",
             [](const Case& c) {
                 // Red and blue by what they are more than green, which runs; green stays.
                 const auto isGreen = [&](std::size_t p, int x, int y) {
                     return c.colourAt(p, x, y) == Mosaic::Green;
                 };
                 const Planes more = each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     return isGreen(p, x, y) ? 0 : v - greenAt(c, x, y);
                 });
                 const Planes soft = blurred(more, c.photo.hasMosaic() ? 2 : 3, c.step());
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     return isGreen(p, x, y)
                                ? v
                                : std::max(0.0, greenAt(c, x, y) + static_cast<double>(soft[p].at(x, y)));
                 });
             }},
            {"a grid of 4 pixels", "patterns", [](const Case& c) {
                 const int side = c.photo.hasMosaic() ? 2 : 1;
                 return each(c.truth, [&](std::size_t p, int x, int y, double v) {
                     const double sign = (x / side + y / side) % 2 == 0 ? 1 : -1;
                     return v + 0.05 * sign * c.sigmaAt(p, x, y, v);
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

std::map<std::string, Finding> byCheck(std::vector<Finding> findings) {
    std::map<std::string, Finding> out;
    for (Finding& f : findings) out[f.check] = std::move(f);
    return out;
}

std::map<std::string, Finding> found(const Photo& photo, const Planes& cleaned) {
    return byCheck(checksOf(photo, [&](const Rect& area, const Work&) {
        Image out(photo.hasMosaic() ? Holds::Mosaic : Holds::CameraLight, area);
        for (std::size_t p = 0; p < cleaned.size(); ++p) out[p] = cleaned[p].cropped(area);
        return out;
    }));
}

Planes planesOf(const Photo& photo) {
    Image all = cleanRegion(photo, Settings::original(), photo.whole());
    Planes out;
    for (std::size_t p = 0; p < all.planes(); ++p) out.push_back(std::move(all[p]));
    return out;
}

// Points on a grid, so that there are some to lose.
void addPoints(Plane& truth, double iso) {
    const NoiseModel noise = trueNoise({}, iso);
    for (int y = 80; y < truth.height() - 8; y += 160)
        for (int x = 80; x < truth.width() - 8; x += 160)
            for (int k = 0; k < 4; ++k) {
                float& v = truth.at(x + (k & 1), y + (k >> 1));
                v = std::min(0.9f,
                             v + 8 * static_cast<float>(noise.channel[1].sigma(static_cast<double>(v))));
            }
}

// What is checked: a raw, full colour of an X-Trans mosaic, or a picture that was finished of a raw.

struct Seen {
    PhotoPtr photo;
    Planes truth;
};

Seen xTrans(const std::array<Plane, 3>& light, Shot shot, const fs::path& folder) {
    Body body;
    body.xTrans = true;
    Plane truth = exposeMosaic(light, body, shot);
    addPoints(truth, shot.iso);
    const auto through = [&](const Photo& photo, const char* name, Measure what) {
        DngExtras extras;
        extras.preview = renderOverview(photo, {}, 128);
        writeDng(folder / name, photo, extras);
        return readPhoto(folder / name, {}, what);
    };
    const Photo noisy = takePhoto(truth, body, shot);
    Photo clean = noisy;
    for (int y = 0; y < truth.height(); ++y)
        for (int x = 0; x < truth.width(); ++x)
            clean.samples[clean.index(x, y)] = static_cast<std::uint16_t>(
                std::lround(body.black + static_cast<double>(truth.at(x, y)) * (body.white - body.black)));
    clean.xtrans->samples = clean.samples;
    Seen out{through(noisy, "noisy.dng", Measure::Noise), {}};
    out.truth = planesOf(*through(clean, "clean.dng", Measure::Nothing));
    return out;
}

Seen developed(const std::array<Plane, 3>& light, const Shot& shot, bool jpeg, const fs::path& folder) {
    Plane truth = exposeMosaic(light, {}, shot);
    addPoints(truth, shot.iso);
    const Photo raw = takePhoto(truth, {}, shot);
    const Plane noisy = cleanMosaic(raw, Settings::original(), raw.whole());
    constexpr int kQuality = 90;
    Seen out{finishedPicture(raw, noisy, folder / (jpeg ? "noisy.jpg" : "noisy.tif"), kQuality), {}};
    out.truth = planesOf(*finishedPicture(raw, truth, folder / "clean.tif", kQuality, Measure::Nothing));
    return out;
}

Seen seenAs(FileKind kind, const std::array<Plane, 3>& light, const Shot& shot, const fs::path& folder) {
    if (kind == FileKind::XTrans) return xTrans(light, shot, folder);
    if (kind != FileKind::Raw) return developed(light, shot, kind == FileKind::Jpeg, folder);
    Plane truth = exposeMosaic(light, {}, shot);
    addPoints(truth, shot.iso);
    auto photo = std::make_shared<Photo>(takePhoto(truth, {}, shot));
    photo->noise = measureNoise(*photo);
    Seen out{photo, {}};
    out.truth.push_back(std::move(truth));
    return out;
}

// Everything that was measured, by check, by fault and by method.
struct Tally {
    std::map<std::string, std::vector<double>> perfect, planted;
    std::map<std::string, int> placed, graded, raised, told;
    std::map<std::string, std::map<std::string, std::vector<double>>> ofMethod;
};

void add(Tally& tally, const Seen& seen, const std::vector<Fault>& all, const JudgingOptions& asked,
         const std::string& name) {
    const Photo& photo = *seen.photo;
    const auto tell = [&](const std::string& what, const std::string& check, const Finding& f) {
        if (asked.each)
            std::fprintf(stderr, "%s %s %s %.4f %s\n", name.c_str(), what.c_str(), check.c_str(), *f.value,
                         idOf(f.grade));
    };
    Case one{photo, planesOf(photo), {}, {}};
    for (const Plane& p : seen.truth) one.truth.push_back(p.clone());
    const int w = photo.width(), h = photo.height();
    one.where = Rect{w / 4, h / 4, w / 2, h / 2}.aligned(64);
    for (const auto& [check, f] : found(photo, seen.truth)) {
        if (!f.value) continue;
        tally.perfect[check].push_back(*f.value), ++tally.told[check];
        tally.raised[check] += f.grade != Grade::Good;
        tell("perfect", check, f);
    }
    for (const std::string& m : asked.methods) {
        const auto findings = byCheck(checksOf(
            photo, [&](const Rect& area, const Work& work) { return cleanRegion(photo, {m}, area, work); }));
        for (const auto& [check, f] : findings)
            if (f.value) tally.ofMethod[m][check].push_back(*f.value), tell(m, check, f);
    }
    for (const Fault& fault : all) {
        const Finding f = found(photo, fault.planted(one))[fault.check];
        if (!f.value) continue;
        tally.planted[fault.name].push_back(*f.value);
        tally.graded[fault.name] += f.grade != Grade::Good;
        tally.placed[fault.name] += !f.places.empty() && !f.places.front().intersected(one.where).empty();
        tell("planted", fault.name, f);
    }
}

void print(Tally& tally, const std::vector<Fault>& all, const std::vector<std::string>& methods) {
    std::printf(
        "| fault | check | area under the curve | found | first place right | raised by a perfect result |\n"
        "|---|---|---|---|---|---|\n");
    for (const Fault& f : all) {
        const std::vector<double>& planted = tally.planted[f.name];
        const std::string of = " of " + std::to_string(planted.size());
        std::printf("| %s | %s | %.3f | %d%s | %s | %d of %d |\n", f.name, f.check,
                    areaUnderCurve(planted, tally.perfect[f.check]), tally.graded[f.name], of.c_str(),
                    f.local ? (std::to_string(tally.placed[f.name]) + of).c_str() : "everywhere",
                    tally.raised[f.check], tally.told[f.check]);
    }
    std::printf("\n| check | perfect |");
    for (const std::string& m : methods) std::printf(" %s |", m.c_str());
    std::printf("\n|---|---|");
    for (std::size_t m = 0; m < methods.size(); ++m) std::printf("---|");
    const auto mean = [](const std::vector<double>& v) {
        double sum = 0;
        for (const double x : v) sum += x / static_cast<double>(v.size());
        return sum;
    };
    for (const auto& [name, values] : tally.perfect) {
        std::printf("\n| %s | %.3f |", name.c_str(), mean(values));
        for (const std::string& m : methods) std::printf(" %.3f |", mean(tally.ofMethod[m][name]));
    }
    std::printf("\n");
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    JudgingOptions asked;
    asked.isos = {1600, 6400, 25600, 102400};
    asked.crop = 1024;
    FileKind kind = FileKind::Raw;
    CLI::App app("Whether checks find planted faults and leave perfect results alone; Markdown.");
    asked.addTo(app);
    addKind(app, kind, {FileKind::Raw, FileKind::XTrans, FileKind::Tiff, FileKind::Jpeg});
    CLI11_PARSE(app, argc, argv);
    if (asked.methods.empty()) asked.methods = {"wavelet", "bm3d-quick", "learned-quick"};
    Tally tally;
    const std::vector<Fault> all = faults();
    const std::vector<std::string> files = unseenPhotographs();
    const TemporaryFolder folder;
    for (const double iso : asked.isos)
        for (std::size_t i = 0; i < files.size(); ++i) {
            Shot shot;
            shot.iso = iso, shot.seed = static_cast<std::uint32_t>(300 + i);
            const Seen seen = seenAs(kind, photograph(files[i], asked.crop), shot, folder.path());
            add(tally, seen, all, asked, std::to_string(static_cast<int>(iso)) + " " + std::to_string(i));
        }
    print(tally, all, asked.methods);
}
