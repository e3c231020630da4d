#include "kept_work.h"

#include <algorithm>
#include <utility>

#include "base/safe_file.h"
#include "base/text.h"
#include "said.h"

namespace irenic {

namespace {

constexpr int kSaveAfter = 500;  // milliseconds: with the writing itself well within a second
constexpr int kLookAgain = 5000; // milliseconds: whether another window has closed a photo

} // namespace

KeptWork::KeptWork(Jobs& jobs, QObject* parent)
    : QObject(parent), jobs_(jobs), fresh_{std::make_shared<PhotoState>(freshState()), {}, {}} {
    soon_.setSingleShot(true);
    soon_.setInterval(kSaveAfter);
    connect(&soon_, &QTimer::timeout, this, &KeptWork::save);
    looking_.setInterval(kLookAgain);
    connect(&looking_, &QTimer::timeout, this, &KeptWork::lookForFreed);
}

KeptWork::~KeptWork() {
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

bool KeptWork::worked(const std::string& photo) const {
    const auto held = held_.find(photo);
    return held != held_.end() && held->second.worked;
}

const PhotoRecord* KeptWork::recordOf(const std::string& photo) const {
    const auto held = held_.find(photo);
    return held == held_.end() ? nullptr : &held->second.record;
}

const PhotoRecord& KeptWork::recordOrFresh(const std::string& file) const {
    const PhotoRecord* record = recordOf(file);
    return record ? *record : fresh_;
}

KeptWork::Held* KeptWork::find(const std::string& file) {
    const auto held = held_.find(file);
    return held == held_.end() ? nullptr : &held->second;
}

KeptWork::Held& KeptWork::hold(const std::string& file, const std::string& digest) {
    const auto [at, isNew] = held_.try_emplace(file);
    Held& held = at->second;
    if (held.digest.empty()) held.digest = digest;
    if (!isNew) return held;
    held.record.state = fresh_.state;
    if (!keeps_) return held;
    if (!claim(file, held) && held.elsewhere) looking_.start();
    Loaded loaded = loadSidecar(file, held.digest);
    held.blocked = loaded.blocked;
    for (const std::string& m : loaded.messages) emit message(QString::fromStdString(m));
    held.worked = loaded.record.has_value();
    if (loaded.record) held.record = std::move(*loaded.record);
    return held;
}

bool KeptWork::claim(const std::string& file, Held& held) {
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
            tr("%1 is open in another window (%2). Your changes are saved separately.").arg(name, who));
    else
        emit inDoubt(QString::fromStdString(file),
                     tr("%1 may be open elsewhere (%2). Your changes are saved separately.").arg(name, who));
    return false;
}

void KeptWork::takeOver(const std::string& file) {
    Held* held = find(file);
    if (!held || !held->elsewhere) return;
    try {
        held->claim = Claim::takeOver(claimOf(sidecarPlaces(file, held->digest).target()));
    } catch (const std::exception& e) {
        emit message(said(e.what()));
    }
    lookForFreed();
}

// Others may have closed a photo, or ended: its work is this window's then, and what they did meanwhile is a
// version.
void KeptWork::lookForFreed() {
    bool waits = false;
    for (auto& [file, held] : held_) {
        if (!held.elsewhere) continue;
        if (!held.claim && !claim(file, held)) {
            waits = true;
            continue;
        }
        held.elsewhere = false;
        const StatePtr before = held.record.state;
        const Loaded theirs = loadSidecar(file, held.digest);
        held.blocked = theirs.blocked;
        if (theirs.record) {
            PhotoRecord& mine = held.record;
            if (held.worked && !(*theirs.record->state == *mine.state))
                mine.kept.push_back(
                    {tr("as the other window left it").toStdString(), presentTime(), theirs.record->state});
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
        emit message(tr("%1 is free again. Your changes are saved as usual.")
                         .arg(QString::fromStdString(shownName(file))));
        emit freed(QString::fromStdString(file), before);
    }
    if (!waits) looking_.stop();
}

void KeptWork::adoptLeft(const std::string& file, Held& held) {
    if (!keeps_ || held.elsewhere) return;
    held.looked = true;
    held.left = leftElsewhere(file, held.digest);
    for (const KeptVersion& version : held.left.versions)
        if (!(*version.state == *held.record.state)) held.record.kept.push_back(version);
    if (!held.left.files.empty()) touch(file);
}

void KeptWork::touch(const std::string& file) {
    held_.at(file).worked = true;
    emit workChanged(QString::fromStdString(file));
    if (!keeps_) return;
    dirty_.insert(file);
    if (!soon_.isActive()) soon_.start();
}

// Off the interface thread: a disk that sleeps, or five hundred photos, take their time.
void KeptWork::save() {
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
                emit message(tr("Settings of %1 could not be saved: %2")
                                 .arg(QString::fromStdString(shownName(file)), QString::fromStdString(why)));
            }
            if (!failed.empty()) emit savingFailed();
            if (failed.empty() && !dirty_.empty()) return save();
            if (dirty_.empty()) emit saved();
        });
}

void KeptWork::noteTrial(const std::string& photo, const TrialRecord& trial) {
    Held* held = find(photo);
    if (!held) return;
    held->record.facts.trial = trial;
    touch(photo);
}

void KeptWork::setExports(const std::string& photo, std::vector<ExportMade> exports) {
    Held* held = find(photo);
    if (!held) return;
    held->record.facts.exports = std::move(exports);
    touch(photo);
}

void KeptWork::noteExport(const std::string& photo, const ExportMade& made) {
    if (Held* held = find(photo)) {
        held->record.facts.exports.push_back(made);
        return touch(photo);
    }
    if (!keeps_) return;
    // A photo that nobody opened here: held for as long as that takes.
    Held passing;
    passing.record.state = fresh_.state;
    if (!claim(photo, passing)) return; // another window has it, and sees the queue as well
    Loaded loaded = loadSidecar(photo, {});
    if (loaded.blocked) return;
    if (loaded.record) passing.record = std::move(*loaded.record);
    passing.record.facts.exports.push_back(made);
    held_.emplace(photo, std::move(passing)).first->second.worked = true;
    touch(photo);
}

} // namespace irenic
