#include "probes_again.h"

#include "base/shown_text.h"
#include "base/text.h"
#include "judge/found_again.h"

namespace irenic {

ProbesAgain::ProbesAgain(Document& document, Jobs& jobs, QObject* parent)
    : QObject(parent), document_(document), jobs_(jobs) {
    connect(&document, &Document::probesChanged, this, &ProbesAgain::remember);
    connect(&document, &Document::photoChanged, this, [this] {
        look();
        remember();
    });
}

void ProbesAgain::remember() {
    last_ = document_.photo();
    placed_.clear();
    if (!last_) return;
    for (const Probe& p : document_.probes())
        if (p.placedByHand()) placed_.push_back(p);
}

void ProbesAgain::look() {
    work_.cancel();
    const PhotoPtr now = document_.photo();
    if (!now || !last_ || placed_.empty() || last_->file == now->file || !document_.probesAreFresh()) return;
    // Of another camera, or another crop, it is another series.
    if (last_->camera() != now->camera() || last_->whole() != now->whole()) return;
    std::vector<Rect> areas;
    for (const Probe& p : placed_) areas.push_back(p.area().intersected(last_->whole()));
    constexpr double kLater = 5; // what is looked at comes first
    work_ = jobs_.submit(
        Lane::Quiet, kLater,
        [before = last_, now, areas](const Work& work) { return foundAgain(*before, areas, *now, work); },
        [this, probes = placed_, file = now->file.string(),
         from = shownName(last_->file)](const Outcome<std::vector<std::optional<Rect>>>& found) {
            if (!found.value) return;
            std::vector<Probe> again;
            for (std::size_t i = 0; i < probes.size(); ++i)
                if (const auto& place = (*found.value)[i]) {
                    Probe p = probes[i];
                    p.x = place->x + place->width / 2, p.y = place->y + place->height / 2;
                    p.width = place->width, p.height = place->height;
                    p.id = 0, p.reason = filled(Probe::kFoundAgain, {from});
                    again.push_back(p);
                }
            document_.addFound(file, again);
        });
}

} // namespace irenic
