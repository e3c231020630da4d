#include "deliver/strips.h"

#include <algorithm>

#include "base/expects.h"

namespace irenic {

namespace {

constexpr int kStripRows = 512;
// Rows that are cleaned at once, half as many where a pixel has three samples.
constexpr int kRowsAhead = 4096;
// What development reads around a strip, about: what is told too small here is cleaned when it is asked for.
constexpr int kAround = 64;
// Cleaning a row takes this many times as long as developing it, about: for the progress alone.
constexpr double kCleaningToDeveloping = 4;

// Keeps what is cleaned of the rows from the last strip's first one on.
class CleanedAhead : public CleanSource {
  public:
    CleanedAhead(const Photo& photo, const Rect& frame)
        : whole_(photo.whole()), expected_(frame.inflated(kAround).aligned(2).intersected(whole_)),
          rows_(photo.hasMosaic() ? kRowsAhead : kRowsAhead / 2) {}

    Image get(const Photo& photo, const Settings& settings, const Rect& area, const Work& work) override {
        if (settings.untouched()) return cleanRegion(photo, settings, area, work);
        if (!held_.area.contains(area)) hold(photo, settings, area, work);
        work.report(1);
        return held_.cropped(area);
    }
    // The last row that will be cleaned once those above `bottom` were asked for.
    int reaching(int bottom) const {
        if (bottom <= held_.area.bottom()) return held_.area.bottom();
        const int from = held_.area.empty() ? expected_.y : held_.area.bottom(),
                  left = expected_.bottom() - from;
        const int parts = std::max(1, (left + rows_ / 2) / rows_);
        return std::max(bottom, (from + left / parts + 1) / 2 * 2);
    }

  private:
    void hold(const Photo& photo, const Settings& settings, const Rect& area, const Work& work) {
        const Rect own = boundsOf(area, {expected_.x, area.y, expected_.width, 1});
        const bool goesOn = area.y >= held_.area.y && area.y < held_.area.bottom() && own.x >= held_.area.x &&
                            own.right() <= held_.area.right();
        const Rect across{goesOn ? held_.area.x : own.x, 0, goesOn ? held_.area.width : own.width, 0};
        const int top = goesOn ? held_.area.bottom() : area.y,
                  bottom = std::min(whole_.bottom(), reaching(area.bottom()));
        Image fresh = cleanRegion(photo, settings, {across.x, top, across.width, bottom - top}, work);
        if (goesOn) {
            Image all(fresh.holds, {across.x, area.y, across.width, bottom - area.y});
            for (std::size_t p = 0; p < all.planes(); ++p)
                for (int y = area.y; y < bottom; ++y)
                    std::copy_n((y < top ? held_ : fresh).rowAt(p, y) + across.x, across.width,
                                all.rowAt(p, y) + across.x);
            fresh = std::move(all);
        }
        held_ = std::move(fresh);
    }

    const Rect whole_, expected_;
    const int rows_;
    Image held_;
};

} // namespace

void forEachStrip(const Photo& photo, const Settings& settings, const Rect& frame, const Work& work,
                  const OfStrip& body) {
    IRENIC_EXPECTS(!frame.empty());
    CleanedAhead cleaned(photo, frame);
    const auto done = [&](int cleanedTo, int developedTo) {
        const auto share = [&](int to) {
            return std::clamp(static_cast<double>(to - frame.y) / frame.height, 0.0, 1.0);
        };
        const double weight = settings.untouched() ? 0 : kCleaningToDeveloping;
        return (weight * share(cleanedTo) + share(developedTo)) / (weight + 1);
    };
    double from = 0;
    for (int top = frame.y; top < frame.bottom(); top += kStripRows) {
        const Rect strip = Rect{frame.x, top, frame.width, kStripRows}.intersected(frame);
        const double to = done(cleaned.reaching(strip.bottom()), strip.bottom());
        body(strip, cleaned, work.part(from, to));
        work.report(to);
        work.check();
        from = to;
    }
}

} // namespace irenic
