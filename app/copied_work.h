// One photo's work, copied, to be pasted on others.
#pragma once

#include <QString>

#include "session/state.h"

namespace irenic {

// What of it is pasted. Probes go as shares of the frame; of zones what is found in each photo, not what was
// painted on this one.
enum class WorkPart { Takes, Probes, Look, All };
QString nameOf(WorkPart part); // "Takes", for the history

class CopiedWork {
  public:
    // Of a photo of that size.
    CopiedWork(const PhotoState& state, int width, int height)
        : state_(state), probes_{state.probes, width, height} {}
    // `before` with that part of it, for a photo of that size; 0 x 0: it was not read yet, and gets its
    // probes when it is. Probes that stand where one stood keep its id.
    PhotoState pastedOn(const PhotoState& before, WorkPart part, int width, int height) const;

  private:
    PhotoState state_;
    PastedProbes probes_;
};

} // namespace irenic
