#include "judge/seen_alike.h"

#include <algorithm>
#include <chrono>
#include <cmath>

#include "base/expects.h"
#include "base/text.h"
#include "develop/lens.h"
#include "develop/render.h"

namespace irenic {

namespace {

constexpr std::size_t kMostProbes = 4;

// What is seen around each probe, at the delivered size.
std::vector<Picture> seen(const Photo& photo, const Settings& settings, const Look& look, double zoom,
                          const std::vector<Probe>& probes, const Work& work) {
    constexpr int kSide = 192; // pixels of the delivered picture
    const Recipe recipe = recipeOf(photo, settings, look);
    const Rect frame = outputFrame(photo, look);
    const int side = static_cast<int>(std::lround(kSide / zoom));
    std::vector<Picture> out;
    for (std::size_t i = 0; i < std::min(kMostProbes, probes.size()); ++i) {
        const PicturePoint at =
            pictureOf(photo, look, {static_cast<double>(probes[i].x), static_cast<double>(probes[i].y)});
        Rect area{static_cast<int>(at.x) - side / 2, static_cast<int>(at.y) - side / 2, side, side};
        area.x = std::clamp(area.x, frame.x, std::max(frame.x, frame.right() - side));
        area.y = std::clamp(area.y, frame.y, std::max(frame.y, frame.bottom() - side));
        out.push_back(render(recipe, area.intersected(frame), {zoom, 0}, Work{work.stop}));
    }
    return out;
}

SeenDifference between(const std::vector<Picture>& one, const std::vector<Picture>& other) {
    std::array<double, 256> count{};
    double all = 0, sum = 0;
    for (std::size_t i = 0; i < one.size(); ++i)
        for (std::size_t k = 0; k < one[i].rgb.size(); ++k) {
            const int off = std::abs(inEightBits(one[i].rgb[k]) - inEightBits(other[i].rgb[k]));
            ++count[static_cast<std::size_t>(off)], ++all, sum += off;
        }
    SeenDifference out;
    out.mean = sum / std::max(1.0, all);
    double above = 0;
    for (std::size_t v = 255; v > 0; --v) {
        above += count[v];
        if (above <= all / 1000) continue;
        out.largest = static_cast<double>(v);
        break;
    }
    return out;
}

double secondsSince(std::chrono::steady_clock::time_point start) {
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
}

} // namespace

SeenDifference seenDifference(const Photo& photo, const Settings& one, const Settings& other,
                              const Look& look, double zoom, const std::vector<Probe>& probes,
                              const Work& work) {
    IRENIC_EXPECTS(zoom > 0 && zoom <= 1);
    return between(seen(photo, one, look, zoom, probes, work), seen(photo, other, look, zoom, probes, work));
}

std::optional<SeenAlike> quickestSeenAlike(const Photo& photo, const Settings& settings, const Look& look,
                                           int longest, const std::vector<Probe>& probes, const Work& work) {
    IRENIC_EXPECTS(longest > 0);
    const Rect frame = outputFrame(photo, look);
    const double zoom = std::min(1.0, static_cast<double>(longest) / std::max(frame.width, frame.height));
    const auto timed = [&](const Settings& of, double& seconds) {
        const auto start = std::chrono::steady_clock::now();
        std::vector<Picture> out = seen(photo, of, look, zoom, probes, work);
        seconds = secondsSince(start);
        return out;
    };
    double own = 0, seconds = 0;
    const std::vector<Picture> best = timed(settings, own);
    const SeenDifference none = between(timed(Settings::original(), seconds), best);
    if (none.isNone()) return SeenAlike{Settings::original(), 0, none};
    // Methods are listed by the time that they take.
    const double count = static_cast<double>(methods().size());
    double done = 0;
    for (const auto& method : methods()) {
        if (method->id() == settings.method) break;
        work.report(static_cast<float>(++done / count));
        Settings other = settings;
        other.method = method->id();
        const SeenDifference difference = between(timed(other, seconds), best);
        if (difference.isNone()) return SeenAlike{other, own / std::max(1e-6, seconds), difference};
    }
    return std::nullopt;
}

std::string sentenceOf(const SeenAlike& alike, const Settings& settings, int longest) {
    const std::string at = "At " + std::to_string(longest) + " pixels ";
    if (alike.settings.untouched())
        return at + "this photo needs no cleaning: nobody can tell it from " + settings.method + ".";
    return at + alike.settings.method + " cannot be told from " + settings.method + ", and is " +
           numberText(static_cast<float>(std::round(alike.times * 10) / 10)) + " times as quick.";
}

} // namespace irenic
