// How the sheet is looked at: zoom, push and pan. No part of any photo, and not undone.
#pragma once

#include <QPointF>
#include <cstdint>
#include <map>

#include "session/state.h"

namespace irenic {

class Viewing {
  public:
    const SheetView& view() const { return view_; }
    void setView(const SheetView& view) { view_ = view; }
    QPointF pan() const {
        return {view_.panX, view_.panY};
    } // of every cell against its probe, in photo pixels
    // Whether any row shows another place than its probe's.
    bool isPanned() const;
    // The same with the pan of the probe's own row.
    QPointF panOf(std::uint32_t probe) const;
    void setPan(QPointF pan) { view_.panX = pan.x(), view_.panY = pan.y(); }
    void panRow(std::uint32_t probe, QPointF by) { rowPans_[probe] += by; }
    void resetRows() { rowPans_.clear(); }
    void setZoom(double zoom) { view_.zoom = zoom; }
    void setPush(float stops) { view_.push = stops; }
    // The next step of the zoom, 1 in or -1 out; in the row of `probe` (0: in all) the place that lies
    // `fromCentre` photo pixels off stays. Whether there was one.
    bool zoomBy(int direction, QPointF fromCentre, std::uint32_t probe);

  private:
    SheetView view_;
    std::map<std::uint32_t, QPointF> rowPans_; // by probe
};

} // namespace irenic
