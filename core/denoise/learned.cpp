#include "denoise/learned.h"

#include <algorithm>
#include <memory>
#include <mutex>

#include "denoise/blend.h"
#include "denoise/fastest_network.h"
#include "denoise/nlbayes.h"
#include "denoise/pyramid.h"
#include "denoise/second_opinion.h"

namespace irenic {

namespace {

using Subject = Network::Subject;

Subject subjectOf(const PlaneSet& in) { return in.packed ? Subject::Mosaics : Subject::Pixels; }
constexpr int innerOf(Subject subject) { return Network::kTile - 2 * Network::borderOf(subject); }
constexpr int farthestOf(Subject subject) { return innerOf(subject) + Network::borderOf(subject); }

// The planes of a tile and around it as the network wants them, and its answer: mirrored so that the mosaic
// is RGGB, with rows and columns exchanged where a second view is asked for.
class View {
  public:
    View(const Rect& tile, const PlaneSet& in, bool exchanged)
        : width_(tile.width), height_(tile.height), packed_(in.packed),
          flipX_(packed_ && (in.sites[0] & 1) != 0), flipY_(packed_ && (in.sites[0] >> 1) != 0),
          exchanged_(exchanged) {}
    int width() const { return exchanged_ ? height_ : width_; }
    int height() const { return exchanged_ ? width_ : height_; }
    // Where the tile's sample (x, y) stands in the network's input.
    std::size_t at(int x, int y) const {
        const int u = flipX_ ? width_ - 1 - x : x, v = flipY_ ? height_ - 1 - y : y;
        return static_cast<std::size_t>(exchanged_ ? u * height_ + v : v * width_ + u);
    }
    // The network's place for channel c: with rows and columns exchanged, the greens of red's and of blue's
    // rows change places.
    std::size_t channel(std::size_t c) const {
        return packed_ && exchanged_ && (c == 1 || c == 2) ? 3 - c : c;
    }

  private:
    int width_, height_;
    bool packed_, flipX_, flipY_, exchanged_;
};

// The network's four channels of a sample of the planes, and the planes of its answer. Of pixels the third
// channel is no colour (Network::kCoarse).
void valuesOf(const PlaneSet& from, int x, int y, float* v) {
    if (from.packed) return channelsAt(from, x, y, v);
    pixelOf(from.rowAt(0, y)[x], from.rowAt(1, y)[x], from.rowAt(2, y)[x], v, from.grey);
    v[3] = v[2], v[2] = 0;
}
void planesOfValues(const PlaneSet& in, const float* v, float* planes) {
    if (in.packed) return planesFrom(v, planes);
    const float rgb[3] = {v[0], v[1], v[3]};
    planesFromPixel(rgb, planes);
    if (in.grey) planes[0] = (rgb[0] + rgb[1] + rgb[2]) / 3, planes[1] = planes[2] = 0;
}

// A network and what goes in and comes out, some 50 MB: those not in use wait here for the next tile.
struct Worker {
    Network network;
    std::vector<float> input, answer;
};
class Workers {
  public:
    // One for as long as this lives: work that is cancelled gives it back as well.
    class Loan {
      public:
        explicit Loan(Workers& all) : all_(all), one_(all.take()) {}
        ~Loan() { all_.give(std::move(one_)); }
        Loan(const Loan&) = delete;
        Loan& operator=(const Loan&) = delete;
        Worker* operator->() const { return one_.get(); }

      private:
        Workers& all_;
        std::unique_ptr<Worker> one_;
    };

  private:
    std::unique_ptr<Worker> take() {
        {
            const std::lock_guard lock(mutex_);
            if (!free_.empty()) {
                auto one = std::move(free_.back());
                free_.pop_back();
                return one;
            }
        }
        return std::make_unique<Worker>();
    }
    void give(std::unique_ptr<Worker> one) {
        const std::lock_guard lock(mutex_);
        free_.push_back(std::move(one));
    }

    std::mutex mutex_;
    std::vector<std::unique_ptr<Worker>> free_;
};

// What the network is shown for a tile: its border around it, and no more beyond the photo's last samples
// than whole units need.
Rect shown(const Rect& tile, const Rect& photo, int border) {
    const auto units = [](int samples) {
        return (samples + Network::kUnit - 1) / Network::kUnit * Network::kUnit;
    };
    const Rect r = tile.intersected(photo).inflated(border);
    return {r.x, r.y, units(r.width), units(r.height)};
}

// Runs one strength over all tiles of the fixed grid that meet `area`.
PlaneSet runAll(const PlaneSet& in, const Rect& area, float strength, bool quick, const Work& whole) {
    static Workers workers;
    const int views = quick ? 1 : 2;
    const double opinionShare = quick ? 0.3 : 0.2; // of the time
    const Subject subject = subjectOf(in);
    const int inner = innerOf(subject), border = Network::borderOf(subject);
    const Rect seen = area.aligned(inner).inflated(border), photo = in.extent.empty() ? seen : in.extent;
    const Rect heard = seen.intersected(photo);
    const Work first = whole.part(0, opinionShare), work = whole.part(opinionShare, 1);
    const PlaneSet second = secondOpinion(in, heard, strength, first);
    PlaneSet out(area);
    out.describeAs(in);
    const float unit = 1 / in.white, sigma = unit * strength, share = in.white / static_cast<float>(views);
    std::atomic<long long> finished = 0;
    forEachTile(area, inner, work, [&](const Rect& tile) {
        const Rect wide = shown(tile, photo, border), wanted = tile.intersected(area),
                   known = wide.intersected(heard);
        const Workers::Loan worker(workers);
        worker->input.resize(static_cast<std::size_t>(wide.area()) * Network::kInputs);
        worker->answer.resize(static_cast<std::size_t>(wide.area()) * Network::kOutputs);
        for (int number = 0; number < views; ++number) {
            const View view(wide, in, number == 1);
            for (int y = 0; y < wide.height; ++y)
                for (int x = 0; x < wide.width; ++x) {
                    const int sx = wide.x + x, sy = wide.y + y;
                    const int nearX =
                        std::clamp(photo.x + mirrored(sx - photo.x, photo.width), known.x, known.right() - 1);
                    const int nearY = std::clamp(photo.y + mirrored(sy - photo.y, photo.height), known.y,
                                                 known.bottom() - 1);
                    float* to = worker->input.data() + view.at(x, y) * Network::kInputs;
                    float noisy[kPlanes], clean[kPlanes];
                    valuesOf(in, sx, sy, noisy);
                    valuesOf(second, nearX, nearY, clean);
                    for (std::size_t c = 0; c < kPlanes; ++c) {
                        to[view.channel(c)] = noisy[c] * unit;
                        to[kPlanes + 1 + view.channel(c)] = (noisy[c] - clean[c]) * (unit * Network::kTaken);
                    }
                    to[kPlanes] = sigma;
                    if (subject == Subject::Mosaics) continue;
                    to[Network::kCoarse] = in.coarseNoise - 1;
                    to[kPlanes + 1 + Network::kCoarse] = in.rounding;
                }
            FastestNetwork::ofMachine().run(worker->network, subject, worker->input.data(),
                                            worker->answer.data(), view.width(), view.height(), border, work);
            for (int y = wanted.y; y < wanted.bottom(); ++y)
                for (int x = wanted.x; x < wanted.right(); ++x) {
                    const float* from =
                        worker->answer.data() + view.at(x - wide.x, y - wide.y) * Network::kOutputs;
                    float found[kPlanes], planes[kPlanes];
                    for (std::size_t c = 0; c < kPlanes; ++c) found[c] = from[view.channel(c)] * share;
                    planesOfValues(in, found, planes);
                    for (std::size_t p = 0; p < kPlanes; ++p)
                        out.rowAt(p, y)[x] = (number == 0 ? 0 : out.rowAt(p, y)[x]) + planes[p];
                }
        }
        work.report(static_cast<double>(finished += wanted.area()) / static_cast<double>(area.area()));
    });
    return out;
}

} // namespace

namespace {

// No sample moves farther than this many times its noise: where there is hardly any, what a network makes up
// would be more. Of photos of pixels noise goes from one to the next and is told too small by half.
constexpr float kFarthestOfMosaics = 8, kFarthestOfPixels = 16;

void keepNear(const PlaneSet& in, PlaneSet& clean, float strength) {
    const float most = strength * (in.packed ? kFarthestOfMosaics : kFarthestOfPixels);
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = clean.area.y; y < clean.area.bottom(); ++y) {
            const float* from = in.rowAt(p, y);
            float* to = clean.rowAt(p, y);
            for (int x = clean.area.x; x < clean.area.right(); ++x)
                to[x] = std::clamp(to[x], from[x] - most, from[x] + most);
        }
}

// Noise leaves means over 32x32 samples nearly where they are; where the network moves them by more, that is
// a cast. Half of half a deviation is taken back, and nearly all of more: a little may be right where noise
// was clipped.
constexpr int kCastLevels = 5;
constexpr float kCast = 0.5f;

// What has to be known around `area`, as samples.
Rect castReads(const Rect& area) {
    Rect cells = area;
    for (int k = 0; k < kCastLevels; ++k) cells = cellsReadBy(cells);
    constexpr int side = 1 << kCastLevels;
    return {cells.x * side, cells.y * side, cells.width * side, cells.height * side};
}

// `clean` covers castReads(area).
PlaneSet withoutCast(const PlaneSet& in, const PlaneSet& clean, const Rect& area, float strength,
                     const Work& work) {
    PlaneSet moved(clean.area);
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = clean.area.y; y < clean.area.bottom(); ++y)
            for (int x = clean.area.x; x < clean.area.right(); ++x)
                moved.rowAt(p, y)[x] = clean.rowAt(p, y)[x] - in.rowAt(p, y)[x];
    std::array<Rect, kCastLevels + 1> read{area};
    for (std::size_t k = 0; k < kCastLevels; ++k) read[k + 1] = cellsReadBy(read[k]);
    for (int k = 0; k < kCastLevels; ++k) moved = halved(moved, work);
    PlaneSet out(area);
    out.describeAs(clean);
    const float most = kCast * strength;
    for (std::size_t p = 0; p < kPlanes; ++p) {
        Plane cast = std::move(moved.plane[p]);
        Rect where = moved.area;
        for (std::size_t k = kCastLevels; k-- > 0;)
            cast = doubled(cast, where, read[k], work), where = read[k];
        for (int y = area.y; y < area.bottom(); ++y)
            for (int x = area.x; x < area.right(); ++x) {
                const float c = cast.at(x - area.x, y - area.y);
                out.rowAt(p, y)[x] = clean.rowAt(p, y)[x] - c * c * c / (c * c + most * most);
            }
    }
    return out;
}

// How far the refit of a point looks from a sample: the point's middle, then the ring around it.
constexpr int kPoint = 2, kRing = 4, kPointReach = kPoint + kRing;

// A point of light that stands alone in a calm surround comes out too faint: for a network, as for any
// estimate of least error, it may be noise. Its strength is measured instead: the network's shape of it, made
// stronger or weaker so that it fits the noisy samples best (least squares, all four channels).
void refitPoint(const PlaneSet& in, const PlaneSet& clean, int x, int y, float strength, PlaneSet& out) {
    const float* middle = clean.rowAt(0, y) + x;
    const auto luminance = [&](int dx, int dy) { return clean.rowAt(0, y + dy)[x + dx]; };
    // Most places leave here.
    if (*middle <= luminance(-1, 0) || *middle <= luminance(1, 0) || *middle <= luminance(0, -1) ||
        *middle <= luminance(0, 1))
        return;
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
                    if (pass == 0)
                        ground[p] += v;
                    else
                        unrest += (v - ground[p]) * (v - ground[p]);
                }
                n += pass == 0 ? 1 : 0;
            }
        for (float& g : ground) g /= pass == 0 ? static_cast<float>(n) : 1;
    }
    const float rise = *middle - ground[0];
    if (rise < 2 * strength || unrest > static_cast<float>(n) * 0.0225f * rise * rise) return;
    // Two shapes: the network's, and what a blur by half a cell adds around it, whose share has a prior:
    // points come out a little too narrow.
    const auto overShapes = [&](const auto& each) {
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int v = y - kPoint; v <= y + kPoint; ++v)
                for (int u = x - kPoint; u <= x + kPoint; ++u) {
                    const float own = clean.rowAt(p, v)[u] - ground[p];
                    const float around = 0.25f * (clean.rowAt(p, v)[u - 1] + clean.rowAt(p, v)[u + 1] +
                                                  clean.rowAt(p, v - 1)[u] + clean.rowAt(p, v + 1)[u]) -
                                         ground[p];
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
    const float more = std::clamp((sr * ww - wr * sw) / determinant, -0.5f, 2.0f),
                wider = std::clamp(priorMean + (wr * ss - sr * sw) / determinant, -0.5f, 1.0f);
    overShapes([&](std::size_t p, int u, int v, float own, float around) {
        if (out.area.contains(Rect{u, v, 1, 1})) out.rowAt(p, v)[u] += more * own + wider * around;
    });
}

// `clean` covers `area` with kPointReach to spare.
PlaneSet withPoints(const PlaneSet& in, const PlaneSet& clean, const Rect& area, float strength,
                    const Work& work) {
    PlaneSet out(area);
    out.describeAs(clean);
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = area.y; y < area.bottom(); ++y)
            std::copy_n(clean.rowAt(p, y) + area.x, area.width, out.rowAt(p, y) + area.x);
    const Rect middles = area.inflated(kPoint);
    for (int y = middles.y; y < middles.bottom(); ++y) {
        work.check();
        for (int x = middles.x; x < middles.right(); ++x) refitPoint(in, clean, x, y, strength, out);
    }
    return out;
}

} // namespace

// Of the full grade's result what NL-Bayes makes of the network's answer counts this much; of a mosaic's
// colour it is all that counts. Groups of alike patches correct what a network of few scales cannot know, and
// the network what groups leave as grain: either alone is up to 0.1 dB worse. Tuned on noiseless truth.
constexpr float kBayesShare = 0.5f;

// Whole tiles are computed wherever an area begins.
int Learned::margin() const {
    return std::max(farthestOf(Subject::Mosaics), farthestOf(Subject::Pixels)) + kPointReach + kBayesMargin +
           secondOpinionMargin() + 4 * (1 << kCastLevels);
}

Method::Grain Learned::grain(bool packed) const {
    const int after = quick_ ? 0 : kBayesMargin;
    // castReads() takes three cells for each of its levels at most.
    return packed ? Grain{innerOf(Subject::Mosaics), kPointReach + after}
                  : Grain{innerOf(Subject::Pixels), 3 * (1 << kCastLevels) + after};
}

// The network's answer, mirrored beyond the photo's edges: what lies there need not be cleaned a second time.
PlaneSet Learned::answer(const PlaneSet& in, const Rect& wide, float strength, const Work& work) const {
    const Rect inside = in.extent.empty() ? wide : wide.intersected(in.extent);
    PlaneSet clean = runAll(in, inside, strength, quick_, work);
    keepNear(in, clean, strength);
    return inside == wide ? std::move(clean) : mirroredOut(clean, wide, work);
}

PlaneSet Learned::answerOfGrade(const PlaneSet& in, const Rect& area, float strength,
                                const Work& work) const {
    if (quick_) return answer(in, area, strength, work);
    const PlaneSet first = answer(in, area.inflated(kBayesMargin), strength, work.part(0, 0.75));
    PlaneSet out = bayesUpon(in, first, area, strength, work.part(0.75, 1));
    for (std::size_t p = 0; p < kPlanes; ++p)
        if (!in.packed || !isColour(p)) blend(out, first, p, area, 1 - kBayesShare);
    return out;
}

PlaneSet Learned::ofMosaic(const PlaneSet& in, const Rect& area, float strength, const Work& work) const {
    return withPoints(in, answerOfGrade(in, area.inflated(kPointReach), strength, work), area, strength,
                      work);
}

// Told of half the noise it would leave specks of noise that goes from pixel to pixel: below matched strength
// a share of all noise stays.
PlaneSet Learned::ofPixels(const PlaneSet& in, const Rect& area, float strength, const Work& work) const {
    const float told = std::max(1.0f, strength), share = std::min(1.0f, strength);
    PlaneSet out = withoutCast(in, answerOfGrade(in, castReads(area), told, work), area, told, work);
    for (std::size_t p = 0; share < 1 && p < kPlanes; ++p)
        for (int y = area.y; y < area.bottom(); ++y)
            for (int x = area.x; x < area.right(); ++x) {
                const float noisy = in.rowAt(p, y)[x];
                out.rowAt(p, y)[x] = noisy + share * (out.rowAt(p, y)[x] - noisy);
            }
    return out;
}

PlaneSet Learned::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                      const Work& work) const {
    return withTwoStrengths(in, area, strength, work, [&](float s, const Work& part) {
        return in.packed ? ofMosaic(in, area, s, part) : ofPixels(in, area, s, part);
    });
}

} // namespace irenic
