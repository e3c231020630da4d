// The work as the window sees it: the session's values, what is shown of them, and their history. Views hold
// no state of their own; every change of a photo's state goes through change() and can be undone.
#pragma once

#include <QElapsedTimer>
#include <QObject>
#include <QPointF>
#include <QStringList>
#include <functional>
#include <map>
#include <optional>
#include <string>
#include <vector>

#include "copied_work.h"
#include "develop/render.h"
#include "kept_work.h"
#include "session/history.h"
#include "viewing.h"

namespace irenic {

// The whole paths of files that were made of a photo.
QStringList pathsOf(const std::vector<ExportMade>& exports);

class Document : public QObject {
    Q_OBJECT

  public:
    static constexpr int kMostTakes = 8, kMostProbes = 12, kMostReferences = 4;

    explicit Document(Jobs& jobs, QObject* parent = nullptr);
    // From here on nothing is read from or written to sidecars: for pictures of the window.
    void keepNothing() { kept_.keepNothing(); }

    PhotoPtr photo() const { return photo_; }
    const PhotoState& state() const { return *record().state; }
    const std::vector<Take>& takes() const { return state().takes; }
    const std::vector<Probe>& probes() const { return state().probes; }
    const std::vector<ReferenceFile>& references() const { return state().references; }
    const PhotoFacts& facts() const { return record().facts; } // of the photo shown
    int chosen() const; // index of the take that will be exported; -1: none yet
    const Look& look() const { return state().look; }
    // How it is looked at (viewing.h).
    double zoom() const { return view().zoom; } // 0: fit
    float push() const { return view().push; }  // stops, for looking only
    QPointF pan() const { return viewing_.pan(); }
    bool isPanned() const { return viewing_.isPanned(); }
    QPointF panOf(std::uint32_t probe) const { return viewing_.panOf(probe); }
    const SheetView& view() const { return viewing_.view(); }

    // Shows a photo, with what is kept for it; a photo that nobody has worked on gets `probes` and the takes
    // and look that new photos start with.
    void setPhoto(PhotoPtr photo, std::vector<Probe> probes);
    void setSettings(int take, const Settings& settings);
    // `gesture`: the next value of the same hand is the same step.
    void setZones(int take, const std::vector<Zone>& zones, bool gesture);
    // A line of the brush on a zone of a take; each is a step of its own.
    void addStroke(int take, int zone, const Stroke& stroke);
    void renameTake(int take, const std::string& name);
    // A copy of take `like` with the next free letter; -1 adds a take with the method's recommended settings.
    void addTake(int like = -1);
    // What was measured to be best for a photo that is open: a fact of that photo, and a take of it, the one
    // that held what was measured before, else a new one. `asked`: somebody asked for it; it is a step, and
    // takes the last take's place where there is no room. Else the take is in all of the photo's history, as
    // if it had always been there, and is nobody's work.
    void setRecommended(const std::string& photo, const Recommended& recommended, bool asked);
    // Whether the probes are those that the photo was opened with, and nobody has worked on it.
    bool probesAreFresh() const;
    // Probes that were found in a photo that is open; in all of its history, and nobody's work.
    void addFound(const std::string& photo, const std::vector<Probe>& found);
    // A take with the preset's settings and name, the preset's look, or both; one step.
    void usePreset(const std::string& name, const Preset& preset);
    void removeTake(int take);
    // To another place among them.
    void moveTake(int from, int to);
    // Files to compare with; one that is there already is not opened twice.
    void addReference(const std::string& file);
    void removeReference(int reference);
    void matchReference(int reference, bool on);
    // Like a take, as it is set now; -1: as the file is.
    void cleanReference(int reference, int take);
    // Settings of several takes of a photo that is open, by their ids, as one step of that name.
    void setSeveral(const std::string& photo, const std::map<std::uint32_t, Settings>& settings,
                    const std::string& name);
    void choose(int take);
    void setLook(const Look& look);
    void copyLook(); // of the photo shown, to be pasted
    bool canPasteLook() const { return copied_.has_value(); }
    void pasteLook(); // on the photo shown
    void copyWork();  // of the photo shown
    bool canPasteWork() const { return work_.has_value(); }
    // On photos of the list, whether they were opened or not; one step.
    void pasteWork(WorkPart part, const QStringList& photos);
    // Takes of the photo shown, and the choice among them, to other photos; one step. What was copied stays.
    void giveTakes(const QStringList& photos);
    void useLookForAll(); // on every photo that has been opened, and on those that follow
    // Takes, choice and look of the photo shown are what new photos start with.
    void useAsDefault();
    void setZoom(double zoom);
    void zoomBy(int direction, QPointF fromCentre, std::uint32_t probe = 0);
    void setPan(QPointF pan); // of all rows
    void panRow(std::uint32_t probe, QPointF by);
    void resetPan(); // every row shows its probe again
    void setPush(float stops);
    void setView(const SheetView& view);
    void moveProbe(int probe, int x, int y);
    void setProbeArea(int probe, const Rect& area); // of the photo
    void renameProbe(int probe, const std::string& name);
    void addProbe(int x, int y);
    void removeProbe(int probe);
    void orderProbe(int from, int to);
    // See KeptWork.
    void noteExport(const std::string& photo, const ExportMade& made) { kept_.noteExport(photo, made); }
    void setExports(const std::string& photo, std::vector<ExportMade> exports) {
        kept_.setExports(photo, std::move(exports));
    }
    void noteTrial(const TrialRecord& trial) { kept_.noteTrial(path(), trial); } // of the photo shown

    // The whole state of the photo shown under a name, to come back to.
    const std::vector<KeptVersion>& keptVersions() const { return record().kept; }
    void keepVersion(const std::string& name);
    void restoreVersion(int version);

    const History& history() const { return history_; }
    void undo();
    void redo();
    void goTo(std::size_t step); // so many steps done
    // How it is kept (kept_work.h).
    void save() { kept_.save(); }
    void takeOver(const std::string& photo) { kept_.takeOver(photo); }
    bool worked(const std::string& photo) const { return kept_.worked(photo); }
    const PhotoRecord* recordOf(const std::string& photo) const { return kept_.recordOf(photo); }
    bool unsaved() const { return kept_.unsaved(); }

  signals:
    void photoChanged();
    void takesChanged(); // added, removed
    void settingsChanged(int take);
    void chosenChanged();
    void lookChanged(); // of the photo shown; another photo brings its own look with photoChanged()
    void viewChanged(); // look, push, zoom, pan
    void probesChanged();
    void referencesChanged(); // one is matched, or is so no more
    void historyChanged();
    void keptChanged();
    void saved();        // all that has changed
    void savingFailed(); // of some photo; message() told why. It is tried again with the next change
    // Another window may have a photo's work open, and nobody can tell: the person is asked.
    void inDoubt(const QString& photo, const QString& text);
    void workChanged(const QString& photo); // anything of its state, or it was just opened
    void showAsked(const QString& photo);   // a step of another photo was undone
    void message(const QString& text);

  private:
    const PhotoRecord& record() const { return kept_.recordOrFresh(path()); }
    // With probes: those that were pasted before the photo was read, else those it was opened with.
    StatePtr withProbes(const KeptWork::Held& held, const StatePtr& state) const;
    std::string path() const { return photo_ ? photo_->file.string() : std::string(); }
    // Makes a new state of the photo shown by c(state), or of what new photos start with. Changes with one
    // key that follow each other quickly are one step.
    void change(const std::string& key, const std::function<void(PhotoState&)>& c);
    // Likewise of any photo that is open; `name` instead of one that tells what differs.
    void changeOf(const std::string& file, const std::function<void(PhotoState&)>& c, const std::string& name,
                  const std::string& key = {});
    // A change that is in all of the photo's history, as if it had always been there.
    void amend(const std::string& file, KeptWork::Held& held, const std::function<void(PhotoState&)>& edit);
    void put(const std::string& path, const StatePtr& state);
    void apply(const Step& step, bool forward);
    void pasteFrom(const CopiedWork& work, WorkPart part, const QStringList& photos);
    // A step over several photos, named "... pasted to 3 photos".
    void paste(const QString& what, std::vector<StateChange> changes);
    void tellDifference(const PhotoState& before, const PhotoState& after);

    PhotoPtr photo_;
    KeptWork kept_;
    Viewing viewing_;
    std::optional<Look> copied_;
    std::optional<CopiedWork> work_;
    History history_;
    std::string lastKey_;
    QElapsedTimer lastChange_;
};

} // namespace irenic
