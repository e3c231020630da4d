#include "denoise/learned.h"

#include <algorithm>
#include <memory>
#include <mutex>

#include "denoise/bm3d.h"
#include "denoise/network.h"

namespace irenic {

namespace {

constexpr int kInner = Network::kTile - 2 * Network::kBorder;

// The planes of a tile and around it as the network wants them, and its answer: mirrored so that the mosaic is RGGB. Of several views the
// second and the fourth have rows and columns exchanged, the third and the fourth are turned half round: cells are then made anew, of
// samples that lie in two neighbouring ones.
class View {
  public:
    View(const std::array<int, kPlanes>& sites, int number) : exchanged_((number & 1) != 0) {
        const bool turned = number >= 2;
        flipX_ = ((sites[0] & 1) != 0) != turned, flipY_ = ((sites[0] >> 1) != 0) != turned;
        for (std::size_t c = 0; turned && c < kPlanes; ++c) {
            if ((c & 1) != 0) shiftX_[c] = flipX_ ? 1 : -1;
            if ((c & 2) != 0) shiftY_[c] = flipY_ ? 1 : -1;
        }
    }
    // Where the network finds channel c of the tile's sample (x, y), as the first of `depth` values of a pixel; -1: outside.
    std::ptrdiff_t at(std::size_t c, int x, int y, int depth) const {
        x += shiftX_[c], y += shiftY_[c];
        constexpr int last = Network::kTile - 1;
        if (x < 0 || y < 0 || x > last || y > last) return -1;
        const int u = flipX_ ? last - x : x, v = flipY_ ? last - y : y;
        // With rows and columns exchanged, the greens of red's and of blue's rows change places.
        const auto channel = static_cast<std::ptrdiff_t>(exchanged_ && (c == 1 || c == 2) ? 3 - c : c);
        return static_cast<std::ptrdiff_t>(exchanged_ ? u * Network::kTile + v : v * Network::kTile + u) * depth + channel;
    }

  private:
    bool flipX_ = false, flipY_ = false, exchanged_;
    std::array<int, kPlanes> shiftX_{}, shiftY_{};
};

// Networks are costly to build and hold some 40 MB each: those not in use wait here for the next tile.
class NetworkPool {
  public:
    // One network for as long as this lives: work that is cancelled gives it back as well.
    class Loan {
      public:
        explicit Loan(NetworkPool& pool) : pool_(pool), network_(pool.take()) {}
        ~Loan() { pool_.give(std::move(network_)); }
        Loan(const Loan&) = delete;
        Loan& operator=(const Loan&) = delete;
        Network* operator->() const { return network_.get(); }

      private:
        NetworkPool& pool_;
        std::unique_ptr<Network> network_;
    };

  private:
    std::unique_ptr<Network> take() {
        {
            const std::lock_guard lock(mutex_);
            if (!free_.empty()) {
                auto one = std::move(free_.back());
                free_.pop_back();
                return one;
            }
        }
        return std::make_unique<Network>();
    }
    void give(std::unique_ptr<Network> one) {
        const std::lock_guard lock(mutex_);
        free_.push_back(std::move(one));
    }

    std::mutex mutex_;
    std::vector<std::unique_ptr<Network>> free_;
};

// What block matching makes of the picture, and the share of the time that it takes.
struct SecondOpinion {
    bool bothSteps;
    double share;
    PlaneSet operator()(const PlaneSet& in, const Rect& area, float strength, const Work& work) const {
        if (bothSteps) return BlockMatching(false).run(in, area, {strength, strength, strength, strength}, work);
        return firstStepOfBlockMatching(in, area, strength, work);
    }
};

// Runs one strength over all tiles of the fixed grid that meet `area`, with `views` looks at each.
PlaneSet runAll(const PlaneSet& in, const Rect& area, float strength, const SecondOpinion& opinion, int views, const Work& whole) {
    static NetworkPool pool;
    const Rect seen = area.aligned(kInner).inflated(Network::kBorder), photo = in.extent.empty() ? seen : in.extent;
    const PlaneSet second = opinion(in, seen.intersected(photo), strength, whole.part(0, opinion.share));
    const Work work = whole.part(opinion.share, 1);
    PlaneSet out(area);
    out.describeAs(in);
    const float unit = 1 / in.white, sigma = unit * strength, share = in.white / static_cast<float>(views);
    std::atomic<long long> finished = 0;
    forEachTile(area, kInner, work, [&](const Rect& tile) {
        const Rect wide = tile.inflated(Network::kBorder), wanted = tile.intersected(area), known = wide.intersected(photo);
        constexpr std::size_t pixels = static_cast<std::size_t>(Network::kTile) * Network::kTile;
        std::vector<float> input(pixels * Network::kInputs), answer(pixels * Network::kOutputs);
        const NetworkPool::Loan loan(pool);
        for (int number = 0; number < views; ++number) {
            const View view(in.sites, number);
            // Cells made anew lack some samples at the tile's edge: what is there from before is as good, and far from what is wanted.
            for (int y = 0; y < Network::kTile; ++y)
                for (int x = 0; x < Network::kTile; ++x) {
                    const int sx = wide.x + x, sy = wide.y + y;
                    const auto channels = [](const PlaneSet& from, int atX, int atY, float* c) {
                        channelsOf(from.rowAt(0, atY)[atX], from.rowAt(1, atY)[atX], from.rowAt(2, atY)[atX], from.rowAt(3, atY)[atX], c);
                    };
                    const int nearX = std::clamp(photo.x + mirrored(sx - photo.x, photo.width), known.x, known.right() - 1);
                    const int nearY = std::clamp(photo.y + mirrored(sy - photo.y, photo.height), known.y, known.bottom() - 1);
                    float noisy[kPlanes], clean[kPlanes];
                    channels(in, sx, sy, noisy);
                    channels(second, nearX, nearY, clean);
                    for (std::size_t c = 0; c < kPlanes; ++c) {
                        const std::ptrdiff_t at = view.at(c, x, y, Network::kInputs);
                        if (at < 0) continue;
                        input[static_cast<std::size_t>(at)] = noisy[c] * unit;
                        input[static_cast<std::size_t>(at) + kPlanes + 1] = (noisy[c] - clean[c]) * (unit * Network::kTaken);
                    }
                }
            for (std::size_t i = kPlanes; i < input.size(); i += Network::kInputs) input[i] = sigma;
            loan->run(input.data(), answer.data(), work);
            for (int y = wanted.y; y < wanted.bottom(); ++y)
                for (int x = wanted.x; x < wanted.right(); ++x) {
                    float found[kPlanes], planes[kPlanes];
                    for (std::size_t c = 0; c < kPlanes; ++c) found[c] = answer[static_cast<std::size_t>(view.at(c, x - wide.x, y - wide.y, Network::kOutputs))] * share;
                    planesFrom(found, planes);
                    for (std::size_t p = 0; p < kPlanes; ++p) out.rowAt(p, y)[x] = (number == 0 ? 0 : out.rowAt(p, y)[x]) + planes[p];
                }
        }
        work.report(static_cast<double>(finished += wanted.area()) / static_cast<double>(area.area()));
    });
    return out;
}

} // namespace

namespace {

// How far the refit of a point looks from a sample: the point's middle, then the ring around it.
constexpr int kPoint = 2, kRing = 4, kPointReach = kPoint + kRing;

// A point of light that stands alone in a calm surround comes out too faint: for a network, as for any estimate of least error, it may be noise.
// Its strength is measured instead: the network's shape of it, made stronger or weaker so that it fits the noisy samples best (least squares,
// all four channels).
void refitPoint(const PlaneSet& in, const PlaneSet& clean, int x, int y, float strength, PlaneSet& out) {
    const float* middle = clean.rowAt(0, y) + x;
    const auto luminance = [&](int dx, int dy) { return clean.rowAt(0, y + dy)[x + dx]; };
    // Most places leave here.
    if (*middle <= luminance(-1, 0) || *middle <= luminance(1, 0) || *middle <= luminance(0, -1) || *middle <= luminance(0, 1)) return;
    if (*middle - luminance(-kRing, 0) < 2 * strength || *middle - luminance(kRing, 0) < 2 * strength) return;
    for (int dy = -kPoint; dy <= kPoint; ++dy)
        for (int dx = -kPoint; dx <= kPoint; ++dx)
            if ((dx != 0 || dy != 0) && luminance(dx, dy) >= *middle) return;
    float ground[kPlanes] = {}, unrest = 0;
    int n = 0;
    for (int pass = 0; pass < 2; ++pass) {
        for (int dy = -kRing; dy <= kRing; ++dy)
            for (int dx = -kRing; dx <= kRing; ++dx) {
                if (std::max(std::abs(dx), std::abs(dy)) <= kPoint) continue;
                for (std::size_t p = 0; p < kPlanes; ++p) {
                    const float v = clean.rowAt(p, y + dy)[x + dx];
                    if (pass == 0) ground[p] += v;
                    else unrest += (v - ground[p]) * (v - ground[p]);
                }
                n += pass == 0 ? 1 : 0;
            }
        for (float& g : ground) g /= pass == 0 ? static_cast<float>(n) : 1;
    }
    const float rise = *middle - ground[0];
    if (rise < 2 * strength || unrest > static_cast<float>(n) * 0.0225f * rise * rise) return;
    // Two shapes: the network's, and what a blur by half a cell adds around it, whose share has a prior: points come out
    // a little too narrow.
    const auto overShapes = [&](const auto& each) {
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int v = y - kPoint; v <= y + kPoint; ++v)
                for (int u = x - kPoint; u <= x + kPoint; ++u) {
                    const float own = clean.rowAt(p, v)[u] - ground[p];
                    const float around = 0.25f * (clean.rowAt(p, v)[u - 1] + clean.rowAt(p, v)[u + 1] + clean.rowAt(p, v - 1)[u] + clean.rowAt(p, v + 1)[u]) - ground[p];
                    each(p, u, v, own, around);
                }
    };
    constexpr float priorMean = 0.1f, priorDeviation = 0.07f;
    float ss = 0, sw = 0, ww = strength * strength / (priorDeviation * priorDeviation), sr = 0, wr = 0;
    overShapes([&](std::size_t p, int u, int v, float own, float around) {
        const float r = in.rowAt(p, v)[u] - clean.rowAt(p, v)[u] - priorMean * around;
        ss += own * own, sw += own * around, ww += around * around, sr += own * r, wr += around * r;
    });
    const float determinant = ss * ww - sw * sw;
    if (determinant < 1e-6f * ss * ww) return;
    const float more = std::clamp((sr * ww - wr * sw) / determinant, -0.5f, 2.0f), wider = std::clamp(priorMean + (wr * ss - sr * sw) / determinant, -0.5f, 1.0f);
    overShapes([&](std::size_t p, int u, int v, float own, float around) {
        if (out.area.contains(Rect{u, v, 1, 1})) out.rowAt(p, v)[u] += more * own + wider * around;
    });
}

// `clean` covers `area` with kPointReach to spare.
PlaneSet withPoints(const PlaneSet& in, const PlaneSet& clean, const Rect& area, float strength, const Work& work) {
    PlaneSet out(area);
    out.describeAs(clean);
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = area.y; y < area.bottom(); ++y) std::copy_n(clean.rowAt(p, y) + area.x, area.width, out.rowAt(p, y) + area.x);
    const Rect middles = area.inflated(kPoint);
    for (int y = middles.y; y < middles.bottom(); ++y) {
        work.check();
        for (int x = middles.x; x < middles.right(); ++x) refitPoint(in, clean, x, y, strength, out);
    }
    return out;
}

} // namespace

// Whole tiles are computed wherever an area begins.
int Learned::margin() const { return Network::kBorder + kInner + kPointReach + (quick_ ? kFirstStepMargin : BlockMatching(false).margin()); }

PlaneSet Learned::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength, const Work& work) const {
    const SecondOpinion opinion{!quick_, quick_ ? 0.4 : 0.45};
    return withTwoStrengths(in, area, strength, work, [&](float s, const Work& part) {
        return withPoints(in, runAll(in, area.inflated(kPointReach), s, opinion, quick_ ? 1 : 2, part), area, s, part);
    });
}

} // namespace irenic
