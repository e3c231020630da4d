#include "denoise/tile_store.h"

#include <algorithm>
#include <stdexcept>

#include "base/expects.h"
#include "denoise/stabilisers.h"
#include "raw/identity.h"

namespace irenic {

namespace {

// Between samples and what is kept of them.
class Coding {
  public:
    explicit Coding(const Photo& photo) : stable_(photo) {
        float top = 0, black = kBelow;
        for (const Stabiliser& s : stable_)
            top = std::max(top, s.forward(kBrightest)), black = std::min(black, s.forward(0));
        low_ = black - kBelow;
        step_ = (top - low_) / kSteps;
    }
    // Whether 16 bits are enough.
    bool small() const { return step_ <= 1.0f / 32; }
    void code(const float* from, std::uint16_t* to, int x, int y, std::size_t plane, int count) const {
        const Stabiliser* const site[2] = {&stable_.at(x, y, plane), &stable_.at(x + 1, y, plane)};
        for (int i = 0; i < count; ++i) {
            const float d = (site[i & 1]->forward(from[i]) - low_) * (1 / step_) + 0.5f;
            to[i] = static_cast<std::uint16_t>(std::clamp(d, 0.0f, kSteps));
        }
    }
    void decode(const std::uint16_t* from, float* to, int x, int y, std::size_t plane, int count) const {
        const Stabiliser* const site[2] = {&stable_.at(x, y, plane), &stable_.at(x + 1, y, plane)};
        for (int i = 0; i < count; ++i)
            to[i] = site[i & 1]->algebraic(low_ + static_cast<float>(from[i]) * step_);
    }

    // Kept as they are.
    void code(const float* from, float* to, int, int, std::size_t, int count) const {
        std::copy_n(from, count, to);
    }
    void decode(const float* from, float* to, int, int, std::size_t, int count) const {
        std::copy_n(from, count, to);
    }

  private:
    static constexpr float kSteps = 65535;
    static constexpr float kBrightest = 1.5f; // nothing that is shown or written goes on beyond 1
    static constexpr float kBelow = 64;       // deviations below black: all of this is shown as black
    Stabilisers stable_;
    float low_, step_; // in deviations of the stabilised noise
};

// The rectangles with what is cleaned anyway, joined where they meet by that: it is kept for the next step
// aside.
std::vector<Rect> grown(const std::vector<Rect>& rects, const Photo& photo, const Settings& settings) {
    std::vector<Rect> out;
    for (const Rect& lacking : rects) {
        Rect r = areaOfSameCost(photo, settings, lacking);
        for (auto met = out.begin(); !(r == lacking) && met != out.end();) {
            if (met->intersected(r).empty()) {
                ++met;
                continue;
            }
            r = boundsOf(r, *met);
            out.erase(met);
            met = out.begin(); // it is larger now, and may meet others
        }
        out.push_back(r);
    }
    return out;
}

} // namespace

template <class Sample>
Image TileStore::through(SquareStore<Source, Sample>& store, const Photo& photo, const Settings& settings,
                         const Rect& area, const Work& work) {
    const Source source{idOf(photo), settings};
    const Rect whole = photo.whole();
    const Coding coding(photo);
    Image out(photo.hasMosaic() ? Holds::Mosaic : Holds::CameraLight, area);
    Block<Sample> all(area, out.planes());
    const auto rowsOf = [&](const Rect& of, const auto& body) {
        forEachBand(of.height, 32, {work.stop, nullptr}, [&](int first, int last) {
            for (std::size_t p = 0; p < out.planes(); ++p)
                for (int y = of.y + first; y < of.y + last; ++y) body(p, y);
        });
    };
    const std::vector<Rect> missing =
        grown(store.fetch(source, all, whole, photo.cell() * planesMargin(settings)), photo, settings);
    double pixels = 0, done = 0;
    for (const Rect& r : missing) pixels += static_cast<double>(r.area());
    for (const Rect& r : missing) {
        const double next = done + static_cast<double>(r.area());
        const Image cleaned = cleanRegion(photo, settings, r, work.part(done / pixels, next / pixels));
        done = next, cleaned_ += r.area();
        Block<Sample> block(r, out.planes());
        rowsOf(r, [&](std::size_t p, int y) {
            coding.code(cleaned.rowAt(p, y) + r.x, block.rowAt(p, y) + r.x, r.x, y, p, r.width);
        });
        store.keep(source, block, whole);
        all.take(block);
    }
    rowsOf(area, [&](std::size_t p, int y) {
        coding.decode(all.rowAt(p, y) + area.x, out.rowAt(p, y) + area.x, area.x, y, p, area.width);
    });
    work.report(1);
    return out;
}

Image TileStore::get(const Photo& photo, const Settings& settings, const Rect& area, const Work& work) {
    IRENIC_EXPECTS(photo.whole().contains(area));
    if (settings.untouched()) return cleanRegion(photo, settings, area, work);
    if (const std::string problem = problemWith(settings); !problem.empty())
        throw std::invalid_argument(problem);
    return Coding(photo).small() ? through(small_, photo, settings, area, work)
                                 : through(plain_, photo, settings, area, work);
}

} // namespace irenic
