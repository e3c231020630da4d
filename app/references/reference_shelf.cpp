#include "references/reference_shelf.h"

#include "base/text.h"
#include "said.h"

namespace irenic {

ReferenceShelf::ReferenceShelf(Document& document, Jobs& jobs, QObject* parent)
    : QObject(parent), document_(document), jobs_(jobs) {
    for (const auto signal : {&Document::photoChanged, &Document::referencesChanged, &Document::lookChanged})
        connect(&document_, signal, this, &ReferenceShelf::refresh);
}

ReferencePtr ReferenceShelf::find(std::uint32_t reference) const {
    const auto at = entries_.find(reference);
    if (at == entries_.end()) return nullptr;
    const ReferenceFile* file = document_.state().reference(reference);
    const Entry& e = at->second;
    if (file && !file->cleaned.empty() && e.cleaned) return e.cleaned;
    return file && file->matched && e.matched ? e.matched : e.plain;
}

QString ReferenceShelf::text(std::uint32_t reference) const {
    const auto at = entries_.find(reference);
    if (at == entries_.end()) return {};
    const Entry& e = at->second;
    if (!e.problem.isEmpty()) return e.problem;
    if (e.opening.active()) return tr("Reading and aligning…");
    if (e.matching.active()) return tr("Matching colours…");
    const ReferencePtr shown = find(reference);
    return shown ? said(shown->text()) : QString();
}

bool ReferenceShelf::failed(std::uint32_t reference) const {
    const auto at = entries_.find(reference);
    return at != entries_.end() && !at->second.problem.isEmpty();
}

void ReferenceShelf::retry(std::uint32_t reference) {
    if (const auto at = entries_.find(reference); at != entries_.end()) open(at->second, reference);
    emit changed();
}

std::optional<Shown> ReferenceShelf::shownIn(const Column& column) const {
    if (const auto* foreign = std::get_if<ReferenceColumn>(&column)) {
        const ReferencePtr reference = find(foreign->reference);
        return reference ? std::optional<Shown>(reference) : std::nullopt;
    }
    return Recipe{document_.photo(), settingsOf(column, document_.state()), document_.look()};
}

void ReferenceShelf::refresh() {
    const PhotoPtr photo = document_.photo();
    const std::string name = photo ? photo->file.string() : std::string();
    if (name != photo_) entries_.clear(), photo_ = name;
    if (!photo) return;
    std::erase_if(entries_, [&](const auto& e) { return !document_.state().reference(e.first); });
    for (const ReferenceFile& r : document_.references()) {
        Entry& e = entries_[r.id];
        if (e.file != r.file) {
            e.file = r.file;
            open(e, r.id);
        } else if (!(e.look == document_.look()) && e.problem.isEmpty() && !e.opening.active()) {
            // Colours follow at once; what moves pixels is measured anew.
            e.plain = e.plain ? e.plain->following(document_.look()) : nullptr;
            e.matched.reset(), e.matching.cancel();
            e.look = document_.look();
            if (!e.plain) open(e, r.id);
        }
        if (r.matched && e.plain && !e.matched && !e.matching.active()) match(e, r.id);
        clean(e, r);
    }
    emit changed();
}

void ReferenceShelf::clean(Entry& entry, const ReferenceFile& file) {
    const ReferencePtr from = file.matched && entry.matched ? entry.matched : entry.plain;
    if (file.cleaned.empty() || !from) return entry.cleaned.reset();
    if (entry.cleaned && entry.from == from && entry.by == file.cleaned) return;
    entry.cleaned = from->cleaned(settingsFromText(file.cleaned));
    entry.from = from, entry.by = file.cleaned;
}

void ReferenceShelf::open(Entry& entry, std::uint32_t id) {
    entry.plain.reset(), entry.matched.reset(), entry.problem.clear();
    entry.look = document_.look();
    entry.opening = jobs_.submit(
        Lane::Reading, 5,
        [file = entry.file, photo = document_.photo(), look = entry.look](const Work& work) {
            return Reference::open(file, *photo, look, work);
        },
        [this, id](const Outcome<ReferencePtr>& made) {
            const auto at = entries_.find(id);
            if (at == entries_.end()) return;
            if (made.value) at->second.plain = *made.value;
            at->second.problem = said(made.problem);
            refresh(); // the look may have changed meanwhile; its colours may be wanted matched
        });
}

void ReferenceShelf::match(Entry& entry, std::uint32_t id) {
    entry.matching = jobs_.submit(
        Lane::Reading, 6,
        [reference = entry.plain, photo = document_.photo()](const Work& work) {
            return reference->matched(*photo, work);
        },
        [this, id](const Outcome<ReferencePtr>& made) {
            const auto at = entries_.find(id);
            if (at == entries_.end()) return;
            if (made.value) at->second.matched = *made.value;
            if (!made.value) at->second.problem = said(made.problem);
            refresh();
        });
}

} // namespace irenic
