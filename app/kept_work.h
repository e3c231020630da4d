// What is kept of every photo that was opened: read from its sidecar, claimed so that no other window writes
// it, saved off the interface thread.
#pragma once

#include <QObject>
#include <QTimer>
#include <map>
#include <optional>
#include <set>
#include <string>
#include <vector>

#include "base/jobs.h"
#include "session/sidecar.h"

namespace irenic {

class KeptWork : public QObject {
    Q_OBJECT

  public:
    // What is held for a photo that was opened.
    struct Held {
        PhotoRecord record;
        std::string digest; // of its samples; empty while the photo has not been read
        std::optional<Claim> claim;
        bool elsewhere = false;    // another has its work open: what is done here is kept beside it
        bool blocked = false;      // what is kept can neither be read nor moved away: likewise
        LeftElsewhere left;        // what other windows left, and is a version here now
        bool looked = false;       // for such
        bool worked = false;       // somebody has changed it, now or before
        std::vector<Probe> placed; // what it was opened with
        int width = 0, height = 0; // of the photo; 0: it was not read yet
    };

    explicit KeptWork(Jobs& jobs, QObject* parent = nullptr);
    ~KeptWork() override; // saves what is not saved yet, and waits for it
    // From here on nothing is read from or written to sidecars: for pictures of the window.
    void keepNothing() { keeps_ = false; }

    // What a photo that nobody has worked on starts with.
    const StatePtr& fresh() const { return fresh_.state; }
    void setFresh(const PhotoState& state) { fresh_.state = std::make_shared<PhotoState>(state); }

    // What is held for a photo, fetched from where it is kept if it is new. Without a digest only what lies
    // beside the photo is found.
    Held& hold(const std::string& file, const std::string& digest);
    // Null: it was not opened.
    Held* find(const std::string& file);
    const Held* find(const std::string& file) const { return const_cast<KeptWork*>(this)->find(file); }
    std::map<std::string, Held>& all() { return held_; }
    const PhotoRecord* recordOf(const std::string& file) const;
    // Likewise; of a photo that was not opened what it would start with.
    const PhotoRecord& recordOrFresh(const std::string& file) const;
    bool worked(const std::string& file) const;
    // What another window left of a photo becomes versions to come back to.
    void adoptLeft(const std::string& file, Held& held);
    // Somebody has changed it: it will be saved within a second.
    void touch(const std::string& file);
    // A file was made of a photo: a fact, whether the photo is open or not.
    void noteExport(const std::string& photo, const ExportMade& made);
    // What is on record of the exports of a photo that is open: no step, and never undone.
    void setExports(const std::string& photo, std::vector<ExportMade> exports);
    // Likewise of a photo that is open.
    void noteTrial(const std::string& photo, const TrialRecord& trial);

    // Begins to write what has changed now; saved() tells when all is on the disk.
    void save();
    // Where another has a photo's work open, or may have: this window has it from here on.
    void takeOver(const std::string& file);
    // Whether anything would be lost if the program ended now.
    bool unsaved() const { return !dirty_.empty() || saving_.active(); }

  signals:
    void workChanged(const QString& photo); // anything of its state, or of what is known of it
    // It was another window's and is this one's again, with what was done there; `before` was its state here.
    void freed(const QString& photo, const irenic::StatePtr& before);
    void saved();        // all that has changed
    void savingFailed(); // of some photo; message() told why. It is tried again with the next change
    // Another window may have a photo's work open, and nobody can tell: the person is asked.
    void inDoubt(const QString& photo, const QString& text);
    void message(const QString& text);

  private:
    // Asks for the claim on its sidecar; whether this window has it now.
    bool claim(const std::string& file, Held& held);
    void lookForFreed(); // photos that others had open

    Jobs& jobs_;
    PhotoRecord fresh_;
    std::map<std::string, Held> held_; // by path
    bool keeps_ = true;
    std::set<std::string> dirty_, beingSaved_;
    std::uint64_t changes_ = 0;
    std::shared_ptr<SidecarWriter> writer_ = std::make_shared<SidecarWriter>();
    Job saving_;
    QTimer soon_, looking_;
};

} // namespace irenic
