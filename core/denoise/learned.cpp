#include "denoise/learned.h"

#include <algorithm>
#include <memory>
#include <mutex>

#include "denoise/bm3d.h"
#include "denoise/network.h"

namespace irenic {

namespace {

constexpr int kInner = Network::kTile - 2 * Network::kBorder;
constexpr double kSecondShare = 0.4; // time of the second opinion over that of one view

// The planes of a tile and around it as the network wants them, and its answer: mirrored so that the mosaic is RGGB, with rows and columns
// exchanged where a second view is asked for.
class View {
  public:
    View(const std::array<int, kPlanes>& sites, bool exchanged) : flipX_((sites[0] & 1) != 0), flipY_((sites[0] >> 1) != 0), exchanged_(exchanged) {}
    // Where the tile's sample (x, y) stands in the network's input.
    std::size_t at(int x, int y) const {
        constexpr int last = Network::kTile - 1;
        const int u = flipX_ ? last - x : x, v = flipY_ ? last - y : y;
        return static_cast<std::size_t>(exchanged_ ? u * Network::kTile + v : v * Network::kTile + u);
    }
    // The network's place for channel c: with rows and columns exchanged, the greens of red's and of blue's rows change places.
    std::size_t channel(std::size_t c) const { return exchanged_ && (c == 1 || c == 2) ? 3 - c : c; }

  private:
    bool flipX_, flipY_, exchanged_;
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

// Runs one strength over all tiles of the fixed grid that meet `area`, with `views` looks at each.
PlaneSet runAll(const PlaneSet& in, const Rect& area, float strength, int views, const Work& whole) {
    static NetworkPool pool;
    const Rect seen = area.aligned(kInner).inflated(Network::kBorder), photo = in.extent.empty() ? seen : in.extent;
    const PlaneSet second = firstStepOfBlockMatching(in, seen.intersected(photo), strength, whole.part(0, kSecondShare / (kSecondShare + views)));
    const Work work = whole.part(kSecondShare / (kSecondShare + views), 1);
    PlaneSet out(area);
    out.describeAs(in);
    const float unit = 1 / in.white, sigma = unit * strength, share = in.white / static_cast<float>(views);
    std::atomic<long long> finished = 0;
    forEachTile(area, kInner, work, [&](const Rect& tile) {
        const Rect wide = tile.inflated(Network::kBorder), wanted = tile.intersected(area), known = wide.intersected(photo);
        constexpr std::size_t pixels = static_cast<std::size_t>(Network::kTile) * Network::kTile;
        std::vector<float> input(pixels * Network::kInputs), answer(pixels * Network::kOutputs);
        const NetworkPool::Loan loan(pool);
        for (int view = 0; view < views; ++view) {
            const View v(in.sites, view == 1);
            for (int y = 0; y < Network::kTile; ++y)
                for (int x = 0; x < Network::kTile; ++x) {
                    const int sx = wide.x + x, sy = wide.y + y;
                    float* to = input.data() + v.at(x, y) * Network::kInputs;
                    const auto channels = [](const PlaneSet& from, int atX, int atY, float* c) {
                        channelsOf(from.rowAt(0, atY)[atX], from.rowAt(1, atY)[atX], from.rowAt(2, atY)[atX], from.rowAt(3, atY)[atX], c);
                    };
                    const int nearX = std::clamp(photo.x + mirrored(sx - photo.x, photo.width), known.x, known.right() - 1);
                    const int nearY = std::clamp(photo.y + mirrored(sy - photo.y, photo.height), known.y, known.bottom() - 1);
                    float noisy[kPlanes], opinion[kPlanes];
                    channels(in, sx, sy, noisy);
                    channels(second, nearX, nearY, opinion);
                    for (std::size_t k = 0; k < kPlanes; ++k) {
                        to[v.channel(k)] = noisy[k] * unit;
                        to[kPlanes + 1 + v.channel(k)] = (noisy[k] - opinion[k]) * (unit * Network::kTaken);
                    }
                    to[kPlanes] = sigma;
                }
            loan->run(input.data(), answer.data(), work);
            for (int y = wanted.y; y < wanted.bottom(); ++y)
                for (int x = wanted.x; x < wanted.right(); ++x) {
                    const float* from = answer.data() + v.at(x - wide.x, y - wide.y) * Network::kOutputs;
                    float c[kPlanes], planes[kPlanes];
                    for (std::size_t k = 0; k < kPlanes; ++k) c[k] = from[v.channel(k)] * share;
                    planesFrom(c, planes);
                    for (std::size_t p = 0; p < kPlanes; ++p) out.rowAt(p, y)[x] = (view == 0 ? 0 : out.rowAt(p, y)[x]) + planes[p];
                }
        }
        work.report(static_cast<double>(finished += wanted.area()) / static_cast<double>(area.area()));
    });
    return out;
}

} // namespace

// Whole tiles are computed wherever an area begins.
int Learned::margin() const { return Network::kBorder + kInner + kFirstStepMargin; }

PlaneSet Learned::run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength, const Work& work) const {
    return withTwoStrengths(in, area, strength, work, [&](float s, const Work& part) { return runAll(in, area, s, quick_ ? 1 : 2, part); });
}

} // namespace irenic
