// What is open: one photo at a time on the sheet, its takes, probes and look. Views hold no state of their
// own.
#pragma once

#include <QObject>
#include <QPointF>
#include <map>
#include <optional>
#include <string>
#include <vector>

#include "develop/render.h"
#include "judge/probes.h"
#include "session/take.h"

namespace irenic {

class Document : public QObject {
    Q_OBJECT

  public:
    static constexpr int kMostTakes = 8;

    PhotoPtr photo() const { return photo_; }
    const std::vector<Take>& takes() const { return takes_; }
    const std::vector<Probe>& probes() const { return probes_; }
    int chosen() const { return chosen_; } // index of the take that will be exported; -1: none yet
    const Look& look() const { return look_; }
    double zoom() const { return zoom_; } // 0: fit
    QPointF pan() const { return pan_; }  // of every cell against its probe, in photo pixels

    // Shows a photo; takes stay, so that they can be judged on the next one.
    void setPhoto(PhotoPtr photo, std::vector<Probe> probes);
    void setSettings(int take, const Settings& settings);
    // A copy of take `like` with the next free letter; -1 adds a take with the method's recommended settings.
    void addTake(int like = -1);
    // Puts measured settings into the take that holds such already, else into a new one (or the last, when
    // there is no room).
    void setRecommended(const Settings& settings, const Risk& risk);
    void removeTake(int take);
    void choose(int take);
    // The look of the photo shown. Its push stays when another photo is shown; all else is each photo's own.
    void setLook(const Look& look);
    void setPush(float stops);
    void copyLook(); // of the photo shown, to be pasted
    bool canPasteLook() const { return copied_.has_value(); }
    void pasteLook();     // on the photo shown
    void useLookForAll(); // on every photo of this list, those opened later as well
    void setZoom(double zoom);
    void setPan(QPointF pan);
    void moveProbe(int probe, int x, int y);
    void addProbe(int x, int y);
    void removeProbe(int probe);

  signals:
    void photoChanged();
    void takesChanged(); // added, removed
    void settingsChanged(int take);
    void chosenChanged();
    void lookChanged(); // of the photo shown; another photo brings its own look with photoChanged()
    void viewChanged(); // look, push, zoom, pan
    void probesChanged();

  private:
    PhotoPtr photo_;
    std::vector<Take> takes_{{'A', {}, {"nlbayes"}, {}}, {'B', {}, {"bm3d"}, {}}, {'C', {}, {"nlm"}, {}}};
    std::vector<Probe> probes_;
    int chosen_ = -1;
    Look look_, everywhere_;
    std::map<std::string, Look> looks_; // by the photo's file
    std::optional<Look> copied_;
    double zoom_ = 1;
    QPointF pan_;
};

} // namespace irenic
