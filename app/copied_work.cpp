#include "copied_work.h"

#include <QCoreApplication>

namespace irenic {

namespace {

std::vector<Probe> keepingIds(std::vector<Probe> probes, const std::vector<Probe>& before) {
    for (Probe& p : probes)
        for (const Probe& was : before) {
            Probe same = p;
            same.id = was.id;
            if (same == was) p.id = was.id;
        }
    return probes;
}

} // namespace

QString nameOf(WorkPart part) {
    switch (part) {
    case WorkPart::Takes: return QCoreApplication::translate("WorkPart", "Takes");
    case WorkPart::Probes: return QCoreApplication::translate("WorkPart", "Probes");
    case WorkPart::Look: return QCoreApplication::translate("WorkPart", "Look");
    case WorkPart::All: return QCoreApplication::translate("WorkPart", "Settings");
    }
    return {};
}

PhotoState CopiedWork::pastedOn(const PhotoState& before, WorkPart part, int width, int height) const {
    PhotoState next = before;
    const bool all = part == WorkPart::All;
    if (all || part == WorkPart::Takes) {
        next.takes = state_.takes, next.chosen = state_.chosen;
        for (Take& take : next.takes) take.settings.zones = withoutStrokes(take.settings.zones);
    }
    if (all || part == WorkPart::Look) next.look = state_.look;
    if (all || part == WorkPart::Probes) {
        if (width > 0)
            next.probes = keepingIds(probes_.scaledTo(width, height), before.probes);
        else
            next.pasted = probes_;
    }
    next.giveIds();
    return next;
}

} // namespace irenic
