#include "denoise/marked_part.h"

#include <algorithm>
#include <cmath>
#include <optional>
#include <tuple>

#include "base/kept_few.h"
#include "denoise/grid_cut.h"
#include "denoise/guided.h"
#include "denoise/mask.h"
#include "denoise/mixture.h"
#include "image/smoothstep.h"
#include "raw/identity.h"

namespace irenic {

namespace {

enum class Mark : std::uint8_t { None, Wanted, Unwanted };

// What is known of each square, in deviations of the noise: brightness, two colour differences, and the
// logarithm of the texture beyond the noise.
struct Squares {
    int across = 0, down = 0;
    std::vector<Features> features;
    const Features& at(int x, int y) const {
        return features[static_cast<std::size_t>(y) * static_cast<std::size_t>(across) +
                        static_cast<std::size_t>(x)];
    }
};

// Values that noise and the curve of tone make unlike within one thing: variances below mean nothing.
constexpr Features kLeastVariance = {4, 1, 1, 0.25f};

Squares squaresOf(const Photo& photo, const Work& work) {
    const SquareMeans means = squareMeansOf(photo, work);
    Squares out{means.mean[0].width(), means.mean[0].height(), {}};
    out.features.reserve(static_cast<std::size_t>(out.across) * static_cast<std::size_t>(out.down));
    for (int y = 0; y < out.down; ++y)
        for (int x = 0; x < out.across; ++x)
            out.features.push_back({means.mean[0].at(x, y), means.mean[1].at(x, y), means.mean[2].at(x, y),
                                    std::log(0.05f + std::max(0.0f, means.detail.at(x, y)))});
    return out;
}

std::shared_ptr<const Squares> keptSquaresOf(const Photo& photo, const Work& work) {
    constexpr std::size_t kMost = 3;
    static KeptFew<PhotoId, Squares> kept(kMost);
    return kept.of(idOf(photo), [&] { return squaresOf(photo, work); });
}

// A square is marked where the brush covers half of it or more; the last mark counts.
std::vector<Mark> marksOn(const Squares& squares, const std::vector<Stroke>& marks, const Work& work) {
    constexpr float kSide = FoundMap::kSide;
    std::vector<Mark> out(squares.features.size(), Mark::None);
    for (const Stroke& mark : marks) {
        Stroke small = mark;
        small.diameter = std::max(1.0f, mark.diameter / kSide), small.softness = 0;
        for (StrokePoint& p : small.points) p = {(p.x + 0.5f) / kSide - 0.5f, (p.y + 0.5f) / kSide - 0.5f};
        const Plane covered = coverageOf(small, {0, 0, squares.across, squares.down}, work);
        for (int y = 0; y < squares.down; ++y)
            for (int x = 0; x < squares.across; ++x)
                if (covered.at(x, y) >= 0.5f)
                    out[static_cast<std::size_t>(y * squares.across + x)] =
                        mark.erase ? Mark::Unwanted : Mark::Wanted;
    }
    return out;
}

// Where nobody said what is unwanted, the photo's border is.
void markBorder(const Squares& squares, std::vector<Mark>& marks) {
    if (std::find(marks.begin(), marks.end(), Mark::Unwanted) != marks.end()) return;
    for (int y = 0; y < squares.down; ++y)
        for (int x = 0; x < squares.across; ++x) {
            Mark& own = marks[static_cast<std::size_t>(y * squares.across + x)];
            const bool border = x == 0 || y == 0 || x == squares.across - 1 || y == squares.down - 1;
            if (border && own == Mark::None) own = Mark::Unwanted;
        }
}

double differenceOf(const Features& a, const Features& b) {
    double sum = 0;
    for (std::size_t f = 0; f < kFeatures; ++f)
        sum += static_cast<double>((a[f] - b[f]) * (a[f] - b[f]) / kLeastVariance[f]);
    return sum;
}

constexpr int kWays[4][2] = {{1, 0}, {0, 1}, {1, 1}, {-1, 1}}; // each pair of neighbours once

template <class Each> void forEachLink(const Squares& s, const Each& each) {
    for (int y = 0; y < s.down; ++y)
        for (int x = 0; x < s.across; ++x)
            for (const auto& [dx, dy] : kWays)
                if (x + dx >= 0 && x + dx < s.across && y + dy < s.down) each(x, y, dx, dy);
}

// Which squares the cut has inside.
std::vector<bool> cutOf(const Squares& s, const std::vector<Mark>& marks, const Work& work) {
    constexpr int kRounds = 4;
    constexpr float kNever = 1e6f, kSmooth = 50; // the latter as Rother et al. have it
    std::vector<Features> wanted, unwanted;
    for (std::size_t i = 0; i < marks.size(); ++i)
        if (marks[i] != Mark::None) (marks[i] == Mark::Wanted ? wanted : unwanted).push_back(s.features[i]);
    std::vector<bool> inside(marks.size(), false);
    if (wanted.empty()) return inside;
    if (unwanted.empty()) return std::vector<bool>(marks.size(), true);
    double mean = 0, count = 0;
    forEachLink(s, [&](int x, int y, int dx, int dy) {
        mean += differenceOf(s.at(x, y), s.at(x + dx, y + dy)), ++count;
    });
    const double contrast = count / std::max(1e-6, 2 * mean);
    for (int round = 0; round < kRounds; ++round) {
        work.check();
        const Mixture own(wanted, kLeastVariance), other(unwanted, kLeastVariance);
        GridCut cut(s.across, s.down);
        for (int y = 0; y < s.down; ++y)
            for (int x = 0; x < s.across; ++x) {
                const std::size_t i = static_cast<std::size_t>(y * s.across + x);
                const float asOwn = own.cost(s.features[i]), asOther = other.cost(s.features[i]),
                            least = std::min(asOwn, asOther);
                cut.setCosts(x, y,
                             marks[i] == Mark::Wanted     ? kNever
                             : marks[i] == Mark::Unwanted ? 0
                                                          : asOther - least,
                             marks[i] == Mark::Unwanted ? kNever
                             : marks[i] == Mark::Wanted ? 0
                                                        : asOwn - least);
            }
        forEachLink(s, [&](int x, int y, int dx, int dy) {
            const double length = dx != 0 && dy != 0 ? std::sqrt(2.0) : 1,
                         alike = std::exp(-contrast * differenceOf(s.at(x, y), s.at(x + dx, y + dy)));
            cut.setLink(x, y, dx, dy, kSmooth * static_cast<float>(alike / length));
        });
        cut.run(work);
        std::vector<bool> now(marks.size());
        wanted.clear(), unwanted.clear();
        for (int y = 0; y < s.down; ++y)
            for (int x = 0; x < s.across; ++x) {
                const std::size_t i = static_cast<std::size_t>(y * s.across + x);
                now[i] = cut.isInside(x, y);
                (now[i] ? wanted : unwanted).push_back(s.features[i]);
            }
        const bool same = now == inside;
        inside = std::move(now);
        if (same || wanted.empty() || unwanted.empty()) break;
    }
    return inside;
}

// Wherever it is; unwanted marks take away what is nearer to them.
Plane alikeOf(const Squares& s, const std::vector<Mark>& marks) {
    // Brightness and texture may differ far more within a colour than the colour itself.
    constexpr Features kVariance = {400, 1, 1, 25};
    constexpr float kClear = 3, kNothing = 6; // deviations
    std::vector<Features> wanted, unwanted;
    for (std::size_t i = 0; i < marks.size(); ++i)
        if (marks[i] != Mark::None) (marks[i] == Mark::Wanted ? wanted : unwanted).push_back(s.features[i]);
    Plane out(s.across, s.down);
    out.fill(0);
    if (wanted.empty()) return out;
    const Mixture own(wanted, kVariance);
    std::optional<Mixture> other;
    if (!unwanted.empty()) other.emplace(unwanted, kVariance);
    for (int y = 0; y < s.down; ++y)
        for (int x = 0; x < s.across; ++x) {
            const Features& f = s.at(x, y);
            const float away = own.distance(f);
            if (other && other->distance(f) < away) continue;
            out.at(x, y) = smoothstep((kNothing - away) / (kNothing - kClear));
        }
    return out;
}

Plane mapOf(const Squares& s, const std::vector<bool>& inside) {
    Plane cut(s.across, s.down), guide(s.across, s.down);
    for (int y = 0; y < s.down; ++y)
        for (int x = 0; x < s.across; ++x) {
            cut.at(x, y) = inside[static_cast<std::size_t>(y * s.across + x)] ? 1 : 0;
            guide.at(x, y) = s.at(x, y)[0];
        }
    constexpr int kReach = 2;
    constexpr float kEven = 16; // variance of brightness that is no edge
    Plane out = guided(cut, guide, kReach, kEven);
    for (int y = 0; y < s.down; ++y)
        for (int x = 0; x < s.across; ++x) out.at(x, y) = std::clamp(out.at(x, y), 0.0f, 1.0f);
    return out;
}

} // namespace

std::shared_ptr<const FoundMap> markedPartOf(const Photo& photo, const std::vector<Stroke>& marks, bool alike,
                                             const Work& work) {
    constexpr std::size_t kMost = 12;
    static KeptFew<std::tuple<PhotoId, std::vector<Stroke>, bool>, FoundMap> kept(kMost);
    return kept.of({idOf(photo), marks, alike}, [&] {
        const auto squares = keptSquaresOf(photo, work);
        std::vector<Mark> marked = marksOn(*squares, marks, work);
        if (alike) return FoundMap(alikeOf(*squares, marked));
        markBorder(*squares, marked);
        return FoundMap(mapOf(*squares, cutOf(*squares, marked, work)));
    });
}

} // namespace irenic
