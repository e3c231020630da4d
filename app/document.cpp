#include "document.h"

#include <algorithm>
#include <utility>

#include "base/safe_file.h"
#include "base/text.h"
#include "denoise/method.h"
#include "raw/identity.h"

namespace irenic {

namespace {

// A drag and the pause in it are one step; two steps of a key pressed slowly are two.
constexpr qint64 kOneGesture = 800; // milliseconds
constexpr int kSaveAfter = 500;     // milliseconds: with the writing itself well within a second
constexpr int kLookAgain = 5000;    // milliseconds: whether another window has closed a photo

// A take with the first letter that none of the others has.
Take nextTake(const PhotoState& state) {
    Take take;
    const auto taken = [&](const Take& t) { return t.letter == take.letter; };
    for (take.letter = 'A'; std::any_of(state.takes.begin(), state.takes.end(), taken);) ++take.letter;
    return take;
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

// Probes that stand where they stood stay the same ones.
std::vector<Probe> keepingIds(std::vector<Probe> probes, const std::vector<Probe>& before) {
    for (Probe& p : probes)
        for (const Probe& was : before) {
            Probe same = p;
            same.id = was.id;
            if (same == was) p.id = was.id;
        }
    return probes;
}

Take& takeAt(PhotoState& state, int index) { return state.takes.at(static_cast<std::size_t>(index)); }

} // namespace

QStringList pathsOf(const std::vector<ExportMade>& exports) {
    QStringList all;
    for (const ExportMade& made : exports) all << QString::fromStdString(made.file);
    return all;
}

Document::Document(Jobs& jobs, QObject* parent) : QObject(parent), jobs_(jobs), start_(freshState()) {
    none_.state = std::make_shared<PhotoState>(start_);
    soon_.setSingleShot(true);
    soon_.setInterval(kSaveAfter);
    connect(&soon_, &QTimer::timeout, this, &Document::save);
    looking_.setInterval(kLookAgain);
    connect(&looking_, &QTimer::timeout, this, &Document::lookForFreed);
    lastChange_.start();
}

Document::~Document() {
    // What a job is at work with is in `dirty_` no more, and is written once more here: the later one counts.
    for (const auto& [file, held] : held_)
        if (dirty_.count(file) || beingSaved_.count(file)) {
            try {
                writer_->write({file, held.digest, held.record, held.elsewhere || held.blocked, ++changes_});
                if (!held.elsewhere && !held.blocked) forgetElsewhere(held.left);
            } catch (const std::exception& e) {
                qWarning("%s: its work could not be saved: %s", shownName(file).c_str(), e.what());
            }
        }
}

const PhotoRecord& Document::record() const {
    const auto held = held_.find(path());
    return held == held_.end() ? none_ : held->second.record;
}

int Document::chosen() const {
    for (std::size_t i = 0; i < takes().size(); ++i)
        if (takes()[i].id == state().chosen && state().chosen != 0) return static_cast<int>(i);
    return -1;
}

void Document::setPhoto(PhotoPtr photo, std::vector<Probe> probes) {
    // The first photo of a session comes back where it was left.
    if (photo_) view_.panX = view_.panY = 0;
    rowPans_.clear();
    photo_ = std::move(photo);
    lastKey_.clear();
    Held& held = hold(path(), samplesDigestOf(*photo_));
    if (!held.looked) adoptLeft(path(), held);
    held.placed = std::move(probes);
    held.width = photo_->width(), held.height = photo_->height();
    const bool pasted = held.record.state->pasted.has_value();
    held.record.state = withProbes(held, held.record.state);
    if (pasted) touch(path());
    emit photoChanged();
    emit keptChanged();
    emit workChanged(QString::fromStdString(path()));
}

bool Document::worked(const std::string& photo) const {
    const auto held = held_.find(photo);
    return held != held_.end() && held->second.worked;
}

const PhotoRecord* Document::recordOf(const std::string& photo) const {
    const auto held = held_.find(photo);
    return held == held_.end() ? nullptr : &held->second.record;
}

Document::Held* Document::held(const std::string& file) {
    const auto held = held_.find(file);
    return held == held_.end() ? nullptr : &held->second;
}

StatePtr Document::withProbes(const Held& held, const StatePtr& state) const {
    auto next = std::make_shared<PhotoState>(*state);
    if (state->pasted || state->probes.empty())
        next->probes =
            state->pasted ? state->pasted->scaledTo(photo_->width(), photo_->height()) : held.placed;
    next->pasted.reset();
    next->clipTo(photo_->width(), photo_->height());
    next->giveIds();
    return *next == *state ? state : next;
}

Document::Held& Document::hold(const std::string& file, const std::string& digest) {
    const auto [at, isNew] = held_.try_emplace(file);
    Held& held = at->second;
    if (held.digest.empty()) held.digest = digest;
    if (!isNew) return held;
    held.record.state = std::make_shared<PhotoState>(start_);
    if (!keeps_) return held;
    if (!claim(file, held) && held.elsewhere) looking_.start();
    Loaded loaded = loadSidecar(file, held.digest);
    held.blocked = loaded.blocked;
    for (const std::string& m : loaded.messages) emit message(QString::fromStdString(m));
    held.worked = loaded.record.has_value();
    if (loaded.record) held.record = std::move(*loaded.record);
    return held;
}

bool Document::claim(const std::string& file, Held& held) {
    const QString name = QString::fromStdString(shownName(file));
    Claim::Holder holder;
    try {
        held.claim = Claim::take(claimOf(sidecarPlaces(file, held.digest).target()), &holder);
    } catch (const std::exception&) {
        return true; // nowhere to write: nothing of anybody's to overwrite either
    }
    if (held.claim) return true;
    if (std::exchange(held.elsewhere, true)) return false; // it was told
    const QString who = QString::fromStdString(shownProcess(holder.process));
    if (holder.life == Life::Alive)
        emit message(
            tr("%1 is open in another window (%2): your changes are kept beside its work.").arg(name, who));
    else
        emit inDoubt(QString::fromStdString(file),
                     tr("%1 may be open elsewhere (%2): changes are kept beside it.").arg(name, who));
    return false;
}

void Document::takeOver(const std::string& file) {
    Held* held = this->held(file);
    if (!held || !held->elsewhere) return;
    try {
        held->claim = Claim::takeOver(claimOf(sidecarPlaces(file, held->digest).target()));
    } catch (const std::exception& e) {
        emit message(QString::fromUtf8(e.what()));
    }
    lookForFreed();
}

// Others may have closed a photo, or ended: its work is this window's then, and what they did meanwhile is a
// version.
void Document::lookForFreed() {
    bool waits = false;
    for (auto& [file, held] : held_) {
        if (!held.elsewhere) continue;
        if (!held.claim && !claim(file, held)) {
            waits = true;
            continue;
        }
        held.elsewhere = false;
        const Loaded theirs = loadSidecar(file, held.digest);
        held.blocked = theirs.blocked;
        if (theirs.record) {
            PhotoRecord& mine = held.record;
            if (held.worked && !(*theirs.record->state == *mine.state))
                mine.kept.push_back({"as the other window left it", presentTime(), theirs.record->state});
            for (const KeptVersion& k : theirs.record->kept)
                if (std::find(mine.kept.begin(), mine.kept.end(), k) == mine.kept.end())
                    mine.kept.push_back(k);
            if (!held.worked) mine.state = theirs.record->state;
            // What was made here meanwhile is a fact as well.
            PhotoFacts facts = theirs.record->facts;
            for (const ExportMade& e : mine.facts.exports)
                if (std::find(facts.exports.begin(), facts.exports.end(), e) == facts.exports.end())
                    facts.exports.push_back(e);
            if (!facts.recommended) facts.recommended = mine.facts.recommended;
            mine.facts = std::move(facts);
        }
        adoptLeft(file, held);
        touch(file);
        emit message(tr("%1 is this window's again; what you change is kept.")
                         .arg(QString::fromStdString(shownName(file))));
        if (file == path()) emit keptChanged();
    }
    if (!waits) looking_.stop();
}

void Document::adoptLeft(const std::string& file, Held& held) {
    if (!keeps_ || held.elsewhere) return;
    held.looked = true;
    held.left = leftElsewhere(file, held.digest);
    for (const KeptVersion& version : held.left.versions)
        if (!(*version.state == *held.record.state)) held.record.kept.push_back(version);
    if (!held.left.files.empty()) touch(file);
}

void Document::copyWork() {
    if (photo_) work_ = Copied{state(), {probes(), photo_->width(), photo_->height()}};
}

void Document::pasteWork(Part part, const QStringList& photos) {
    if (!work_) return;
    Step step;
    for (const QString& photo : photos) {
        const std::string file = photo.toStdString();
        const Held& held = hold(file, {});
        const StatePtr before = held.record.state;
        auto next = std::make_shared<PhotoState>(*before);
        if (part == Part::Takes || part == Part::All) {
            next->takes = work_->state.takes;
            next->chosen = work_->state.chosen;
        }
        if (part == Part::Look || part == Part::All) next->look = work_->state.look;
        if (part == Part::Probes || part == Part::All) {
            if (held.width > 0)
                next->probes = keepingIds(work_->probes.scaledTo(held.width, held.height), before->probes);
            else
                next->pasted = work_->probes; // its size is not known yet
        }
        next->giveIds();
        if (!(*next == *before)) step.changes.push_back({file, before, next});
    }
    if (step.changes.empty()) return;
    static constexpr const char* names[] = {"takes", "probes", "look", "work"};
    step.name = std::string(names[static_cast<int>(part)]) + " pasted on " +
                std::to_string(step.changes.size()) + (step.changes.size() == 1 ? " photo" : " photos");
    history_.add(step);
    lastKey_.clear();
    for (const StateChange& c : step.changes) {
        put(c.photo, c.after);
        if (c.photo == path()) tellDifference(*c.before, *c.after);
    }
    emit historyChanged();
}

void Document::change(const std::string& key, const std::function<void(PhotoState&)>& c,
                      const std::string& name) {
    if (!photo_) {
        PhotoState next = start_;
        c(next);
        next.giveIds();
        const PhotoState before = start_;
        start_ = next;
        none_.state = std::make_shared<PhotoState>(start_);
        tellDifference(before, start_);
        return;
    }
    const StatePtr before = record().state;
    auto next = std::make_shared<PhotoState>(*before);
    c(*next);
    next->giveIds();
    if (*next == *before) return;
    const bool together = !key.empty() && key == lastKey_ && lastChange_.elapsed() < kOneGesture;
    if (!together || !history_.grow(path(), next))
        history_.add({name.empty() ? nameOfChange(*before, *next) : name, {{path(), before, next}}});
    lastKey_ = key;
    lastChange_.restart();
    put(path(), next);
    tellDifference(*before, *next);
    emit historyChanged();
}

void Document::changeOf(const std::string& file, const std::function<void(PhotoState&)>& c,
                        const std::string& name) {
    if (file == path()) {
        lastKey_.clear();
        return change({}, c, name);
    }
    Held* held = this->held(file);
    if (!held) return;
    const StatePtr before = held->record.state;
    auto next = std::make_shared<PhotoState>(*before);
    c(*next);
    next->giveIds();
    if (*next == *before) return;
    history_.add({name.empty() ? nameOfChange(*before, *next) : name, {{file, before, next}}});
    lastKey_.clear();
    put(file, next);
    emit historyChanged();
}

void Document::put(const std::string& file, const StatePtr& state) {
    Held& held = held_.at(file);
    held.record.state = photo_ && file == path() ? withProbes(held, state) : state;
    touch(file);
}

void Document::touch(const std::string& file) {
    held_.at(file).worked = true;
    emit workChanged(QString::fromStdString(file));
    if (!keeps_) return;
    dirty_.insert(file);
    if (!soon_.isActive()) soon_.start();
}

// Off the interface thread: a disk that sleeps, or five hundred photos, take their time.
void Document::save() {
    soon_.stop();
    if (saving_.active() || dirty_.empty()) {
        if (!unsaved()) emit saved();
        return; // what has changed meanwhile follows
    }
    std::vector<SidecarWriter::Saving> all;
    std::vector<LeftElsewhere> left;
    for (const std::string& file : dirty_) {
        Held& held = held_.at(file);
        const bool elsewhere = held.elsewhere || held.blocked;
        all.push_back({file, held.digest, held.record, elsewhere, ++changes_});
        left.push_back(elsewhere ? LeftElsewhere() : std::exchange(held.left, {}));
    }
    beingSaved_ = std::exchange(dirty_, {});
    using Failed = std::map<std::string, std::string>;
    saving_ = jobs_.submit(
        Lane::Saving, 0,
        [writer = writer_, all = std::move(all), left = std::move(left)](const Work&) {
            Failed failed;
            for (std::size_t i = 0; i < all.size(); ++i) try {
                    writer->write(all[i]);
                    forgetElsewhere(left[i]);
                } catch (const std::exception& e) {
                    failed[all[i].photo] = problemOf(e);
                }
            return failed;
        },
        [this](const Outcome<Failed>& made) {
            Failed failed = made.value.value_or(Failed{});
            if (!made.value)
                for (const std::string& file : beingSaved_) failed[file] = made.problem;
            beingSaved_.clear();
            for (const auto& [file, why] : failed) {
                dirty_.insert(file);
                emit message(tr("%1: its work could not be saved: %2")
                                 .arg(QString::fromStdString(shownName(file)), QString::fromStdString(why)));
            }
            if (!failed.empty()) emit savingFailed();
            if (failed.empty() && !dirty_.empty()) return save();
            if (dirty_.empty()) emit saved();
        });
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
        const StatePtr before = held_.at(c.photo).record.state;
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
    change(key, [&](PhotoState& s) {
        Take& t = takeAt(s, take);
        t.settings = settings;
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
    Held* held = this->held(file);
    if (!held) return;
    const std::optional<Recommended> before = held->record.facts.recommended;
    held->record.facts.recommended = recommended;
    if (asked) {
        changeOf(
            file, [&](PhotoState& s) { putRecommended(s, before, recommended.settings, true); },
            "recommended take");
        touch(file);
    } else {
        const StatePtr was = held->record.state;
        const auto with = [&](const StatePtr& state) -> StatePtr {
            auto next = std::make_shared<PhotoState>(*state);
            putRecommended(*next, before, recommended.settings, false);
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
        held->record.state = present ? present : with(was);
        if (file == path()) tellDifference(*was, *held->record.state);
        // Of a photo that somebody works on it is kept with the rest.
        if (held->worked) touch(file);
    }
    if (file != path()) return;
    for (std::size_t i = 0; i < takes().size(); ++i) emit settingsChanged(static_cast<int>(i)); // their marks
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
        emit message(tr("Four references are open already: close one first."));
        return;
    }
    change({}, [&](PhotoState& s) { s.references.push_back({0, file, false}); });
}

void Document::removeReference(int reference) {
    change({}, [&](PhotoState& s) { s.references.erase(s.references.begin() + reference); });
}

void Document::matchReference(int reference, bool on) {
    change({}, [&](PhotoState& s) { s.references.at(static_cast<std::size_t>(reference)).matched = on; });
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
    start_.look = look;
    if (!photo_) none_.state = std::make_shared<PhotoState>(start_);
    Step step;
    for (auto& [file, held] : held_) {
        if (held.record.state->look == look) continue;
        auto next = std::make_shared<PhotoState>(*held.record.state);
        next->look = look;
        step.changes.push_back({file, held.record.state, next});
    }
    if (!step.changes.empty()) {
        step.name = "look pasted on " + std::to_string(step.changes.size()) +
                    (step.changes.size() == 1 ? " photo" : " photos");
        for (const StateChange& c : step.changes) put(c.photo, c.after);
        history_.add(std::move(step));
        lastKey_.clear();
        emit historyChanged();
    }
    emit lookChanged();
}

void Document::useAsDefault() {
    start_ = state();
    start_.probes.clear(), start_.references.clear(), start_.notes.clear();
}

void Document::setZoom(double zoom) {
    if (zoom == view_.zoom) return;
    view_.zoom = zoom;
    emit viewChanged();
}

void Document::zoomBy(int direction, QPointF fromCentre, std::uint32_t probe) {
    static constexpr double steps[] = {0, 0.25, 1.0 / 3, 0.5, 1, 2, 3, 4, 6, 8, 16};
    const double before = view_.zoom;
    const auto at = std::min_element(std::begin(steps), std::end(steps), [&](double a, double b) {
        return std::abs(a - before) < std::abs(b - before);
    });
    const auto index =
        std::clamp<std::ptrdiff_t>(at - std::begin(steps) + direction, 0, std::ssize(steps) - 1);
    const double after = steps[index];
    if (before == after) return;
    // The pixel under the pointer stays there.
    if (before > 0 && after > 0) {
        const QPointF shift = fromCentre * (1 - before / after);
        const QPointF whole(std::round(shift.x()), std::round(shift.y()));
        if (probe != 0)
            rowPans_[probe] += whole;
        else
            view_.panX += whole.x(), view_.panY += whole.y();
    }
    setZoom(after);
}

void Document::setPan(QPointF pan) {
    if (pan == this->pan()) return;
    view_.panX = pan.x(), view_.panY = pan.y();
    emit viewChanged();
}

QPointF Document::panOf(std::uint32_t probe) const {
    const auto own = rowPans_.find(probe);
    return own == rowPans_.end() ? pan() : pan() + own->second;
}

void Document::panRow(std::uint32_t probe, QPointF by) {
    if (by.isNull()) return;
    rowPans_[probe] += by;
    emit viewChanged();
}

void Document::resetPan() {
    view_.panX = view_.panY = 0;
    rowPans_.clear();
    emit viewChanged();
}

void Document::setPush(float stops) {
    if (stops == view_.push) return;
    view_.push = stops;
    emit viewChanged();
}

void Document::setView(const SheetView& view) {
    view_ = view;
    emit viewChanged();
}

void Document::moveProbe(int probe, int x, int y) {
    const std::uint32_t id = probes().at(static_cast<std::size_t>(probe)).id;
    change("probe " + std::to_string(id), [&](PhotoState& s) {
        Probe& p = s.probes.at(static_cast<std::size_t>(probe));
        p.x = std::clamp(x, 0, photo_->width() - 1);
        p.y = std::clamp(y, 0, photo_->height() - 1);
        p.reason = "placed by hand";
    });
}

void Document::setProbeArea(int probe, const Rect& area) {
    const std::uint32_t id = probes().at(static_cast<std::size_t>(probe)).id;
    const Rect whole{0, 0, photo_->width(), photo_->height()}, inside = area.intersected(whole);
    change("probe " + std::to_string(id), [&](PhotoState& s) {
        Probe& p = s.probes.at(static_cast<std::size_t>(probe));
        p.width = std::max(Probe::kLeast, inside.width), p.height = std::max(Probe::kLeast, inside.height);
        p.x = inside.x + p.width / 2, p.y = inside.y + p.height / 2;
        p.reason = "placed by hand";
    });
}

void Document::renameProbe(int probe, const std::string& name) {
    change({}, [&](PhotoState& s) { s.probes.at(static_cast<std::size_t>(probe)).name = name; });
}

void Document::addProbe(int x, int y) {
    if (static_cast<int>(probes().size()) >= kMostProbes) {
        emit message(tr("Twelve probes are the most a sheet has: remove one first."));
        return;
    }
    change({}, [&](PhotoState& s) {
        s.probes.push_back({"place " + std::to_string(s.probes.size() + 1), "placed by hand", x, y, 0});
    });
}

void Document::removeProbe(int probe) {
    if (probes().size() <= 1) return;
    change({}, [&](PhotoState& s) { s.probes.erase(s.probes.begin() + probe); });
}

void Document::noteExport(const std::string& photo, const ExportMade& made) {
    if (Held* held = this->held(photo)) {
        held->record.facts.exports.push_back(made);
        return touch(photo);
    }
    if (!keeps_) return;
    // A photo that nobody opened here: held for as long as that takes.
    Held passing;
    passing.record.state = std::make_shared<PhotoState>(start_);
    if (!claim(photo, passing)) return; // another window has it, and sees the queue as well
    Loaded loaded = loadSidecar(photo, {});
    if (loaded.blocked) return;
    if (loaded.record) passing.record = std::move(*loaded.record);
    passing.record.facts.exports.push_back(made);
    held_.emplace(photo, std::move(passing)).first->second.worked = true;
    touch(photo);
}

void Document::keepVersion(const std::string& name) {
    if (!photo_) return;
    held_.at(path()).record.kept.push_back({name, presentTime(), record().state});
    touch(path());
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
