#include "denoise/network_passes.h"

#include <algorithm>
#include <functional>
#include <memory>
#include <mutex>

#include "base/expects.h"
#include "denoise/blend.h"
#include "denoise/fastest_network.h"
#include "denoise/nlbayes.h"
#include "denoise/second_opinion.h"
#include "image/tiles.h"

namespace irenic {

namespace {

using Subject = Network::Subject;

Subject subjectOf(const PlaneSet& in) { return in.packed ? Subject::Mosaics : Subject::Pixels; }
constexpr int innerOf(Subject subject) { return Network::kTile - 2 * Network::borderOf(subject); }

// The planes of a tile and around it as the network wants them, and its answer: mirrored so that the mosaic
// is RGGB, with rows and columns exchanged for the second pass.
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

// What NL-Bayes makes of the network's answer counts this much; of a mosaic's colour it is all that counts.
// Groups of alike patches correct what a network of few scales cannot know, and the network what groups leave
// as grain: either alone is up to 0.1 dB worse. Tuned on noiseless truth.
constexpr float kBayesShare = 0.5f;

// Photos of pixels have one set of weights for both passes, which knows either opinion half as well: their
// mean is better than either where there is much noise, and as good where there is little.
constexpr float kFirstOfPixels = 0.7f;

// What every tile of one run is computed from.
struct Task {
    const PlaneSet &in, &second; // `second` covers `guided`
    Rect photo, guided;
    float strength;
    int border() const { return Network::borderOf(subjectOf(in)); }
};

// The place within `known` that stands for x, y: what lies beyond the photo is mirrored, what a tile does not
// know is its nearest.
struct Place {
    int x, y;
};
Place standIn(const Rect& photo, const Rect& known, int x, int y) {
    return {std::clamp(photo.x + mirrored(x - photo.x, photo.width), known.x, known.right() - 1),
            std::clamp(photo.y + mirrored(y - photo.y, photo.height), known.y, known.bottom() - 1)};
}

enum class Which { First, Second };

// The network's answer for a tile, `wide` with its border, over `wanted`, which does not reach the outermost
// `border` samples; `second` covers what of it the tile's guide is made of. The second pass is at rows and
// columns exchanged: its errors are others.
PlaneSet pass(const Task& task, Which which, const PlaneSet& second, const Rect& wide, const Rect& wanted,
              int border, const Work& work) {
    static Workers workers;
    const Subject subject =
        which == Which::Second && task.in.packed ? Subject::SecondPass : subjectOf(task.in);
    const PlaneSet& in = task.in;
    const Rect known = wide.intersected(task.guided);
    const float unit = 1 / in.white, sigma = unit * task.strength;
    const View view(wide, in, which == Which::Second);
    const Workers::Loan worker(workers);
    worker->input.resize(static_cast<std::size_t>(wide.area()) * Network::kInputs);
    worker->answer.resize(static_cast<std::size_t>(wide.area()) * Network::kOutputs);
    for (int y = 0; y < wide.height; ++y)
        for (int x = 0; x < wide.width; ++x) {
            const int sx = wide.x + x, sy = wide.y + y;
            const Place near = standIn(task.photo, known, sx, sy);
            float* to = worker->input.data() + view.at(x, y) * Network::kInputs;
            float noisy[kPlanes], clean[kPlanes];
            valuesOf(in, sx, sy, noisy);
            valuesOf(second, near.x, near.y, clean);
            for (std::size_t c = 0; c < kPlanes; ++c) {
                to[view.channel(c)] = noisy[c] * unit;
                to[kPlanes + 1 + view.channel(c)] = (noisy[c] - clean[c]) * (unit * Network::kTaken);
            }
            to[kPlanes] = sigma;
            if (subject != Subject::Pixels) continue;
            to[Network::kCoarse] = in.coarseNoise - 1;
            to[kPlanes + 1 + Network::kCoarse] = in.rounding;
        }
    FastestNetwork::ofMachine().run(worker->network, subject, worker->input.data(), worker->answer.data(),
                                    view.width(), view.height(), border, work);
    PlaneSet out(wanted);
    out.describeAs(in);
    for (int y = wanted.y; y < wanted.bottom(); ++y)
        for (int x = wanted.x; x < wanted.right(); ++x) {
            const float* from = worker->answer.data() + view.at(x - wide.x, y - wide.y) * Network::kOutputs;
            float found[kPlanes], planes[kPlanes];
            for (std::size_t c = 0; c < kPlanes; ++c) found[c] = from[view.channel(c)] * in.white;
            planesOfValues(in, found, planes);
            for (std::size_t p = 0; p < kPlanes; ++p) out.rowAt(p, y)[x] = planes[p];
        }
    return out;
}

// A tile's first pass, and the guide of the second one: NL-Bayes upon that and, around it, upon block
// matching. It works on copies that begin where it is quickest.
struct Between {
    PlaneSet first, guided;
};
Between firstPass(const Task& task, const Rect& wide, const Work& work) {
    const Rect known = wide.intersected(task.photo);
    PlaneSet first = pass(task, Which::First, task.second, wide, known, 0, work);
    const Rect around = known.inflated(kBayesMargin);
    PlaneSet noisy(around), basic(around);
    for (int y = around.y; y < around.bottom(); ++y)
        for (int x = around.x; x < around.right(); ++x) {
            const Place near = standIn(task.photo, task.guided, x, y);
            const PlaneSet& from = known.contains(Rect{near.x, near.y, 1, 1}) ? first : task.second;
            for (std::size_t p = 0; p < kPlanes; ++p) {
                noisy.rowAt(p, y)[x] = task.in.rowAt(p, y)[x];
                basic.rowAt(p, y)[x] = from.rowAt(p, near.y)[near.x];
            }
        }
    noisy.describeAs(task.in);
    noisy.area =
        basic.area = {kBayesOrigin - kBayesMargin, kBayesOrigin - kBayesMargin, around.width, around.height};
    PlaneSet out = bayesUponAnswer(noisy, basic, {kBayesOrigin, kBayesOrigin, known.width, known.height},
                                   task.strength, work);
    out.area = known;
    return {std::move(first), std::move(out)};
}

// Runs one strength over all tiles of the fixed grid that meet `area`: `ofTile` gives the `wanted` part of a
// tile that is `wide` with its border. Its guide is block matching as far as `beyond` around the tiles.
using OfTile = std::function<PlaneSet(const Task&, const Rect& wide, const Rect& wanted, const Work&)>;
PlaneSet overTiles(const PlaneSet& in, const Rect& area, float strength, int beyond, const OfTile& ofTile,
                   const Work& whole) {
    constexpr double opinionShare = 0.2; // of the time
    const Subject subject = subjectOf(in);
    const int inner = innerOf(subject), border = Network::borderOf(subject);
    const Rect seen = area.aligned(inner).inflated(border + beyond),
               photo = in.extent.empty() ? seen : in.extent;
    const Rect guided = seen.intersected(photo);
    const Work first = whole.part(0, opinionShare), work = whole.part(opinionShare, 1);
    const PlaneSet second = secondOpinion(in, guided, strength, first);
    const Task task{in, second, photo, guided, strength};
    PlaneSet out(area);
    out.describeAs(in);
    std::atomic<long long> finished = 0;
    forEachTile(area, inner, work, [&](const Rect& tile) {
        const Rect wanted = tile.intersected(area);
        const PlaneSet found = ofTile(task, shown(tile, photo, border), wanted, {work.stop});
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int y = wanted.y; y < wanted.bottom(); ++y)
                std::copy_n(found.rowAt(p, y) + wanted.x, wanted.width, out.rowAt(p, y) + wanted.x);
        work.report(static_cast<double>(finished += wanted.area()) / static_cast<double>(area.area()));
    });
    return out;
}

} // namespace

PlaneSet bayesUponAnswer(const PlaneSet& in, const PlaneSet& answer, const Rect& area, float strength,
                         const Work& work) {
    PlaneSet out = bayesUpon(in, answer, area, strength, work);
    for (std::size_t p = 0; p < kPlanes; ++p)
        if (!in.packed || !isColour(p)) blend(out, answer, p, area, 1 - kBayesShare);
    return out;
}

PlaneSet onePass(const PlaneSet& in, const Rect& area, float strength, const Work& work) {
    IRENIC_EXPECTS(strength > 0);
    IRENIC_EXPECTS(in.area.contains(area.inflated(passesMargin())));
    const OfTile ofTile = [](const Task& task, const Rect& wide, const Rect& wanted, const Work& own) {
        return pass(task, Which::First, task.second, wide, wanted, task.border(), own);
    };
    return overTiles(in, area, strength, 0, ofTile, work);
}

PlaneSet twoPasses(const PlaneSet& in, const Rect& area, float strength, const Work& work) {
    IRENIC_EXPECTS(strength > 0);
    IRENIC_EXPECTS(in.area.contains(area.inflated(passesMargin())));
    const OfTile ofTile = [](const Task& task, const Rect& wide, const Rect& wanted, const Work& own) {
        const Between between = firstPass(task, wide, own);
        PlaneSet out = pass(task, Which::Second, between.guided, wide, wanted, task.border(), own);
        for (std::size_t p = 0; !task.in.packed && p < kPlanes; ++p)
            blend(out, between.first, p, wanted, kFirstOfPixels);
        return out;
    };
    return overTiles(in, area, strength, kBayesMargin, ofTile, work);
}

PlaneSet guideOfSecondPass(const PlaneSet& in, const Rect& area, float strength, const Work& work) {
    const OfTile ofTile = [](const Task& task, const Rect& wide, const Rect&, const Work& own) {
        return firstPass(task, wide, own).guided;
    };
    return overTiles(in, area, strength, kBayesMargin, ofTile, work);
}

int tileOfPasses(bool packed) { return innerOf(packed ? Subject::Mosaics : Subject::Pixels); }

// Whole tiles are computed wherever an area begins.
int passesMargin() {
    const auto farthest = [](Subject subject) { return innerOf(subject) + Network::borderOf(subject); };
    return std::max(farthest(Subject::Mosaics), farthest(Subject::Pixels)) + kBayesMargin +
           secondOpinionMargin();
}

} // namespace irenic
