#include "document.h"

#include <algorithm>
#include <utility>

#include "denoise/method.h"
#include "raw/identity.h"
#include "said.h"

namespace irenic {

namespace {

// A drag and the pause in it are one step; two steps of a key pressed slowly are two.
constexpr qint64 kOneGesture = 800; // milliseconds

// A take with the first letter that none of the others has.
Take nextTake(const PhotoState& state) {
    Take take;
    const auto taken = [&](const Take& t) { return t.letter == take.letter; };
    for (take.letter = 'A'; std::any_of(state.takes.begin(), state.takes.end(), taken);) ++take.letter;
    return take;
}

std::vector<Settings> sheetOf(const Recommended& r) {
    std::vector<Settings> out{r.settings};
    out.insert(out.end(), r.contrasts.begin(), r.contrasts.end());
    return out;
}

// Whether nobody has touched the takes: they are those that every photo begins with, or the sheet of what was
// measured before.
bool isUntouched(const PhotoState& s, const std::optional<Recommended>& before) {
    if (s.chosen != 0) return false;
    static const std::vector<Take> fresh = freshState().takes;
    if (s.takes == fresh) return true;
    std::vector<Take> measured = fresh;
    const std::vector<Settings> sheet = before ? sheetOf(*before) : std::vector<Settings>();
    if (sheet.size() != measured.size()) return false;
    for (std::size_t i = 0; i < sheet.size(); ++i) measured[i].settings = sheet[i];
    return s.takes == measured;
}

// What was measured and what is most unlike it, in the place of takes that nobody has touched.
bool putSheet(PhotoState& s, const std::optional<Recommended>& before, const Recommended& now) {
    const std::vector<Settings> sheet = sheetOf(now);
    if (sheet.size() != s.takes.size() || !isUntouched(s, before)) return false;
    for (std::size_t i = 0; i < sheet.size(); ++i) s.takes[i].settings = sheet[i];
    return true;
}

// Into the take that holds what was measured before, else into a new one; where there is no room, into the
// last with `replace`, else nowhere.
void putRecommended(PhotoState& s, const std::optional<Recommended>& before, const Settings& settings,
                    bool replace) {
    const auto same = [&](const Settings& of) {
        return std::find_if(s.takes.begin(), s.takes.end(), [&](const Take& t) { return t.settings == of; });
    };
    if (same(settings) != s.takes.end()) return;
    auto at = before ? same(before->settings) : s.takes.end();
    if (at == s.takes.end()) {
        const bool room = static_cast<int>(s.takes.size()) < Document::kMostTakes;
        if (!room && !replace) return;
        if (room) s.takes.push_back(nextTake(s));
        at = s.takes.end() - 1;
    }
    at->settings = settings;
}

Take& takeAt(PhotoState& state, int index) { return state.takes.at(static_cast<std::size_t>(index)); }

} // namespace

QStringList pathsOf(const std::vector<ExportMade>& exports) {
    QStringList all;
    for (const ExportMade& made : exports) all << QString::fromStdString(made.file);
    return all;
}

Document::Document(Jobs& jobs, QObject* parent) : QObject(parent), kept_(jobs) {
    connect(&kept_, &KeptWork::workChanged, this, &Document::workChanged);
    connect(&kept_, &KeptWork::saved, this, &Document::saved);
    connect(&kept_, &KeptWork::savingFailed, this, &Document::savingFailed);
    connect(&kept_, &KeptWork::inDoubt, this, &Document::inDoubt);
    connect(&kept_, &KeptWork::message, this, &Document::message);
    connect(&kept_, &KeptWork::freed, this, [this](const QString& photo, const StatePtr& before) {
        if (photo.toStdString() != path()) return;
        KeptWork::Held& held = *kept_.find(path());
        held.record.state = withProbes(held, held.record.state);
        tellDifference(*before, state());
        emit keptChanged();
    });
    lastChange_.start();
}

int Document::chosen() const {
    for (std::size_t i = 0; i < takes().size(); ++i)
        if (takes()[i].id == state().chosen && state().chosen != 0) return static_cast<int>(i);
    return -1;
}

void Document::setPhoto(PhotoPtr photo, std::vector<Probe> probes) {
    // The first photo of a session comes back where it was left.
    if (photo_) viewing_.setPan({});
    viewing_.resetRows();
    photo_ = std::move(photo);
    lastKey_.clear();
    KeptWork::Held& held = kept_.hold(path(), samplesDigestOf(*photo_));
    if (!held.looked) kept_.adoptLeft(path(), held);
    held.placed = std::move(probes);
    held.width = photo_->width(), held.height = photo_->height();
    const bool pasted = held.record.state->pasted.has_value();
    held.record.state = withProbes(held, held.record.state);
    if (pasted) kept_.touch(path());
    emit photoChanged();
    emit keptChanged();
    emit workChanged(QString::fromStdString(path()));
}

StatePtr Document::withProbes(const KeptWork::Held& held, const StatePtr& state) const {
    auto next = std::make_shared<PhotoState>(*state);
    if (state->pasted || state->probes.empty())
        next->probes =
            state->pasted ? state->pasted->scaledTo(photo_->width(), photo_->height()) : held.placed;
    next->pasted.reset();
    next->clipTo(photo_->width(), photo_->height());
    next->giveIds();
    return *next == *state ? state : next;
}

void Document::copyWork() {
    if (photo_) work_.emplace(state(), photo_->width(), photo_->height());
}

void Document::pasteWork(WorkPart part, const QStringList& photos) {
    if (work_) pasteFrom(*work_, part, photos);
}

void Document::giveTakes(const QStringList& photos) {
    if (photo_) pasteFrom({state(), photo_->width(), photo_->height()}, WorkPart::Takes, photos);
}

void Document::pasteFrom(const CopiedWork& work, WorkPart part, const QStringList& photos) {
    std::vector<StateChange> changes;
    for (const QString& photo : photos) {
        const std::string file = photo.toStdString();
        const KeptWork::Held& held = kept_.hold(file, {});
        const StatePtr before = held.record.state;
        auto next = std::make_shared<PhotoState>(work.pastedOn(*before, part, held.width, held.height));
        if (!(*next == *before)) changes.push_back({file, before, next});
    }
    paste(nameOf(part), std::move(changes));
}

void Document::paste(const QString& what, std::vector<StateChange> changes) {
    if (changes.empty()) return;
    const std::size_t count = changes.size();
    history_.add({(count == 1 ? tr("%1 pasted to one photo").arg(what)
                              : tr("%1 pasted to %2 photos").arg(what).arg(count))
                      .toStdString(),
                  changes});
    lastKey_.clear();
    for (const StateChange& c : changes) {
        put(c.photo, c.after);
        if (c.photo == path()) tellDifference(*c.before, *c.after);
    }
    emit historyChanged();
}

void Document::change(const std::string& key, const std::function<void(PhotoState&)>& c) {
    if (photo_) return changeOf(path(), c, {}, key);
    const StatePtr before = kept_.fresh();
    PhotoState next = *before;
    c(next);
    next.giveIds();
    kept_.setFresh(next);
    tellDifference(*before, next);
}

void Document::changeOf(const std::string& file, const std::function<void(PhotoState&)>& c,
                        const std::string& name, const std::string& key) {
    const KeptWork::Held* held = kept_.find(file);
    if (!held) return;
    const StatePtr before = held->record.state;
    auto next = std::make_shared<PhotoState>(*before);
    c(*next);
    next->giveIds();
    if (*next == *before) return;
    const bool together = !key.empty() && key == lastKey_ && lastChange_.elapsed() < kOneGesture;
    if (!together || !history_.grow(file, next))
        history_.add({name.empty() ? nameOfChange(*before, *next) : name, {{file, before, next}}});
    lastKey_ = key;
    lastChange_.restart();
    put(file, next);
    if (file == path()) tellDifference(*before, *next);
    emit historyChanged();
}

void Document::put(const std::string& file, const StatePtr& state) {
    KeptWork::Held& held = *kept_.find(file);
    held.record.state = photo_ && file == path() ? withProbes(held, state) : state;
    kept_.touch(file);
}

void Document::tellDifference(const PhotoState& before, const PhotoState& after) {
    const auto ids = [](const auto& list) {
        std::vector<std::uint32_t> all;
        for (const auto& item : list) all.push_back(item.id);
        return all;
    };
    if (ids(before.takes) != ids(after.takes) || ids(before.references) != ids(after.references)) {
        emit takesChanged();
        emit chosenChanged();
    } else {
        for (std::size_t i = 0; i < after.takes.size(); ++i)
            if (!(before.takes[i] == after.takes[i])) emit settingsChanged(static_cast<int>(i));
        if (before.chosen != after.chosen) emit chosenChanged();
    }
    if (before.probes != after.probes) emit probesChanged();
    if (before.references != after.references) emit referencesChanged();
    if (!(before.look == after.look)) {
        emit lookChanged();
        emit viewChanged();
    }
}

void Document::apply(const Step& step, bool forward) {
    lastKey_.clear();
    bool here = false;
    for (const StateChange& c : step.changes) {
        const StatePtr before = kept_.find(c.photo)->record.state;
        put(c.photo, forward ? c.after : c.before);
        if (c.photo != path()) continue;
        here = true;
        tellDifference(*before, *record().state);
    }
    emit historyChanged();
    if (!here && !step.changes.empty()) emit showAsked(QString::fromStdString(step.changes[0].photo));
}

void Document::undo() {
    if (history_.canUndo()) apply(history_.undo(), false);
}

void Document::redo() {
    if (history_.canRedo()) apply(history_.redo(), true);
}

void Document::goTo(std::size_t step) {
    while (history_.present() > step && history_.canUndo()) undo();
    while (history_.present() < step && history_.canRedo()) redo();
}

void Document::setSettings(int take, const Settings& settings) {
    const Take& now = takes().at(static_cast<std::size_t>(take));
    // The same field of the same take, moved on, is one gesture.
    std::string key = "take " + std::to_string(now.id);
    for (const Field<Settings>& f : fieldsOf<Settings>())
        if (!sameField(f, now.settings, settings)) key += std::string(" ") + f.id;
    const std::string before = now.settings.method;
    change(key, [&](PhotoState& s) {
        Take& t = takeAt(s, take);
        t.settings = settings;
    });
    // What a hand has set means the same with every method, or it is said what else fits.
    if (settings.method == before) return;
    const auto& best = facts().recommended;
    const bool known = best && best->settings.method == settings.method && !(best->settings == settings);
    emit message(known
                     ? tr("Strengths stayed as they were. Recommended with this method here: luminance %1×, "
                          "colour %2×, detail %3 %.")
                           .arg(numberOf(best->settings.luminance, 2))
                           .arg(numberOf(best->settings.colour, 2))
                           .arg(std::lround(100 * best->settings.detail))
                     : tr("Strengths stayed as they were: with every method 1.00× is as much noise as was "
                          "measured."));
}

void Document::setZones(int take, const std::vector<Zone>& zones, bool gesture) {
    const std::uint32_t id = takes().at(static_cast<std::size_t>(take)).id;
    change(gesture ? "zones of take " + std::to_string(id) : std::string(),
           [&](PhotoState& s) { takeAt(s, take).settings.zones = zones; });
}

void Document::addStroke(int take, int zone, const Stroke& stroke) {
    change({}, [&](PhotoState& s) {
        takeAt(s, take).settings.zones.at(static_cast<std::size_t>(zone)).strokes.push_back(stroke);
    });
}

void Document::renameTake(int take, const std::string& name) {
    change({}, [&](PhotoState& s) { takeAt(s, take).name = name; });
}

void Document::addTake(int like) {
    if (static_cast<int>(takes().size()) >= kMostTakes) return;
    change({}, [&](PhotoState& s) {
        Take take = nextTake(s);
        if (like >= 0) take.settings = takeAt(s, like).settings;
        s.takes.insert(like >= 0 ? s.takes.begin() + like + 1 : s.takes.end(), take);
    });
}

void Document::setRecommended(const std::string& file, const Recommended& recommended, bool asked) {
    KeptWork::Held* held = kept_.find(file);
    if (!held) return;
    const std::optional<Recommended> before = held->record.facts.recommended;
    held->record.facts.recommended = recommended;
    const bool untouched = isUntouched(*held->record.state, before);
    const auto put = [&](PhotoState& s) {
        if (!untouched || !putSheet(s, before, recommended))
            putRecommended(s, before, recommended.settings, asked);
    };
    if (asked) {
        changeOf(file, put, tr("Recommended take").toStdString());
        kept_.touch(file);
    } else {
        amend(file, *held, put);
    }
    if (file != path()) return;
    if (untouched && recommended.contrasts.size() == kContrasts)
        emit message(tr("A is recommended. B and C are nearly as good and look least like it."));
    for (std::size_t i = 0; i < takes().size(); ++i) emit settingsChanged(static_cast<int>(i)); // their marks
}

void Document::amend(const std::string& file, KeptWork::Held& held,
                     const std::function<void(PhotoState&)>& edit) {
    const StatePtr was = held.record.state;
    const auto with = [&](const StatePtr& state) -> StatePtr {
        auto next = std::make_shared<PhotoState>(*state);
        edit(*next);
        next->giveIds();
        return *next == *state ? state : next;
    };
    // One state of the history is the present one: both become the same.
    StatePtr present;
    history_.amend(file, [&](const StatePtr& state) {
        const StatePtr next = with(state);
        if (state == was) present = next;
        return next;
    });
    held.record.state = present ? present : with(was);
    if (file == path()) tellDifference(*was, *held.record.state);
    // Of a photo that somebody works on it is kept with the rest.
    if (held.worked) kept_.touch(file);
}

bool Document::probesAreFresh() const {
    const KeptWork::Held* held = photo_ ? kept_.find(path()) : nullptr;
    const auto same = [](const Probe& a, const Probe& b) { return a.name == b.name && a.area() == b.area(); };
    return held && !held->worked &&
           std::equal(probes().begin(), probes().end(), held->placed.begin(), held->placed.end(), same);
}

void Document::addFound(const std::string& file, const std::vector<Probe>& found) {
    KeptWork::Held* held = kept_.find(file);
    if (!held || found.empty()) return;
    amend(file, *held, [&](PhotoState& s) {
        for (const Probe& p : found)
            if (static_cast<int>(s.probes.size()) < kMostProbes) s.probes.push_back(p);
    });
}

void Document::setSeveral(const std::string& photo, const std::map<std::uint32_t, Settings>& settings,
                          const std::string& name) {
    changeOf(
        photo,
        [&](PhotoState& s) {
            for (const auto& [id, value] : settings)
                if (Take* take = s.take(id)) take->settings = value;
        },
        name);
}

void Document::usePreset(const std::string& name, const Preset& preset) {
    change({}, [&](PhotoState& s) {
        if (preset.look) s.look = *preset.look;
        if (!preset.settings || static_cast<int>(s.takes.size()) >= kMostTakes) return;
        Take take = nextTake(s);
        take.settings = *preset.settings;
        take.name = name;
        s.takes.push_back(take);
    });
}

void Document::removeTake(int take) {
    if (takes().size() <= 1) return;
    change({}, [&](PhotoState& s) {
        if (takeAt(s, take).id == s.chosen) s.chosen = 0;
        s.takes.erase(s.takes.begin() + take);
    });
}

namespace {

// The item at `from` taken out and put in at `to`.
template <class T> void moveWithin(std::vector<T>& list, int from, int to) {
    const auto at = list.begin();
    if (from < to)
        std::rotate(at + from, at + from + 1, at + to + 1);
    else
        std::rotate(at + to, at + from, at + from + 1);
}

} // namespace

void Document::moveTake(int from, int to) {
    const int count = static_cast<int>(takes().size());
    if (from < 0 || to < 0 || from >= count || to >= count) return;
    change({}, [&](PhotoState& s) { moveWithin(s.takes, from, to); });
}

void Document::orderProbe(int from, int to) {
    const int count = static_cast<int>(probes().size());
    if (from < 0 || to < 0 || from >= count || to >= count) return;
    change({}, [&](PhotoState& s) { moveWithin(s.probes, from, to); });
}

void Document::addReference(const std::string& file) {
    if (!photo_) return;
    const auto same = [&](const ReferenceFile& r) { return r.file == file; };
    if (std::any_of(references().begin(), references().end(), same)) return;
    if (static_cast<int>(references().size()) >= kMostReferences) {
        emit message(tr("Four references are open, which is the limit. Close one first."));
        return;
    }
    change({}, [&](PhotoState& s) { s.references.push_back({0, file, false, {}}); });
}

void Document::removeReference(int reference) {
    change({}, [&](PhotoState& s) { s.references.erase(s.references.begin() + reference); });
}

void Document::matchReference(int reference, bool on) {
    change({}, [&](PhotoState& s) { s.references.at(static_cast<std::size_t>(reference)).matched = on; });
}

void Document::cleanReference(int reference, int take) {
    change({}, [&](PhotoState& s) {
        Settings settings = take >= 0 ? takeAt(s, take).settings : Settings{};
        settings.zones.clear(); // they lie where they lie in the photo
        s.references.at(static_cast<std::size_t>(reference)).cleaned = take >= 0 ? textOf(settings) : "";
    });
}

void Document::choose(int take) {
    change({}, [&](PhotoState& s) {
        const std::uint32_t id = takeAt(s, take).id;
        s.chosen = s.chosen == id ? 0 : id;
    });
}

void Document::setLook(const Look& look) {
    std::string key = "look";
    for (const Field<Look>& f : fieldsOf<Look>())
        if (!sameField(f, this->look(), look)) key += std::string(" ") + f.id;
    change(key, [&](PhotoState& s) { s.look = look; });
}

void Document::copyLook() {
    copied_ = look();
    emit lookChanged();
}

void Document::pasteLook() {
    if (copied_) change({}, [&](PhotoState& s) { s.look = *copied_; });
}

void Document::useLookForAll() {
    const Look look = this->look();
    PhotoState fresh = *kept_.fresh();
    fresh.look = look;
    kept_.setFresh(fresh);
    std::vector<StateChange> changes;
    for (const auto& [file, held] : kept_.all()) {
        if (held.record.state->look == look) continue;
        auto next = std::make_shared<PhotoState>(*held.record.state);
        next->look = look;
        changes.push_back({file, held.record.state, next});
    }
    paste(nameOf(WorkPart::Look), std::move(changes));
    emit lookChanged();
}

void Document::useAsDefault() {
    PhotoState fresh = state();
    fresh.probes.clear(), fresh.references.clear(), fresh.notes.clear();
    kept_.setFresh(fresh);
}

void Document::setZoom(double zoom) {
    if (zoom == this->zoom()) return;
    viewing_.setZoom(zoom);
    emit viewChanged();
}

void Document::zoomBy(int direction, QPointF fromCentre, std::uint32_t probe) {
    if (viewing_.zoomBy(direction, fromCentre, probe)) emit viewChanged();
}

void Document::setPan(QPointF pan) {
    if (pan == this->pan()) return;
    viewing_.setPan(pan);
    emit viewChanged();
}

void Document::panRow(std::uint32_t probe, QPointF by) {
    if (by.isNull()) return;
    viewing_.panRow(probe, by);
    emit viewChanged();
}

void Document::resetPan() {
    viewing_.setPan({});
    viewing_.resetRows();
    emit viewChanged();
}

void Document::setPush(float stops) {
    if (stops == push()) return;
    viewing_.setPush(stops);
    emit viewChanged();
}

void Document::setView(const SheetView& view) {
    viewing_.setView(view);
    emit viewChanged();
}

void Document::moveProbe(int probe, int x, int y) {
    const std::uint32_t id = probes().at(static_cast<std::size_t>(probe)).id;
    change("probe " + std::to_string(id), [&](PhotoState& s) {
        Probe& p = s.probes.at(static_cast<std::size_t>(probe));
        p.x = std::clamp(x, 0, photo_->width() - 1);
        p.y = std::clamp(y, 0, photo_->height() - 1);
        p.reason = Probe::kByHand;
    });
}

void Document::setProbeArea(int probe, const Rect& area) {
    const std::uint32_t id = probes().at(static_cast<std::size_t>(probe)).id;
    const Rect whole = photo_->whole(), inside = area.intersected(whole);
    change("probe " + std::to_string(id), [&](PhotoState& s) {
        Probe& p = s.probes.at(static_cast<std::size_t>(probe));
        p.width = std::max(Probe::kLeast, inside.width), p.height = std::max(Probe::kLeast, inside.height);
        p.x = inside.x + p.width / 2, p.y = inside.y + p.height / 2;
        p.reason = Probe::kByHand;
    });
}

void Document::renameProbe(int probe, const std::string& name) {
    change({}, [&](PhotoState& s) { s.probes.at(static_cast<std::size_t>(probe)).name = name; });
}

void Document::addProbe(int x, int y) {
    if (static_cast<int>(probes().size()) >= kMostProbes) {
        emit message(tr("A sheet has twelve probes at most. Remove one first."));
        return;
    }
    change({}, [&](PhotoState& s) {
        s.probes.push_back({tr("Probe %1").arg(s.probes.size() + 1).toStdString(), Probe::kByHand, x, y, 0});
    });
}

void Document::removeProbe(int probe) {
    if (probes().size() <= 1) return;
    change({}, [&](PhotoState& s) { s.probes.erase(s.probes.begin() + probe); });
}

void Document::keepVersion(const std::string& name) {
    if (!photo_) return;
    kept_.find(path())->record.kept.push_back({name, presentTime(), record().state});
    kept_.touch(path());
    emit keptChanged();
}

void Document::restoreVersion(int version) {
    const StatePtr kept = keptVersions().at(static_cast<std::size_t>(version)).state;
    change({}, [&](PhotoState& s) {
        const auto references = s.references;
        s = *kept;
        s.references = references;
    });
}

} // namespace irenic
