// The photos that are open. Reading happens off the interface thread; a photo that cannot be read says why in
// its row.
#pragma once

#include <QListWidget>
#include <atomic>
#include <list>
#include <memory>
#include <thread>

#include "look/background.h"
#include "measure/probes.h"
#include "raw/photo.h"

namespace irenic {

class PhotoList : public QListWidget {
    Q_OBJECT

  public:
    explicit PhotoList(QWidget* parent = nullptr);
    ~PhotoList() override;
    // Files, or folders whose raws are taken. Files already in the list are not added again.
    void open(const QStringList& paths);
    // Whole paths, in order; and the one shown.
    QStringList paths() const;
    // Those that are selected, the one shown among them.
    QStringList selectedPaths() const;
    QString shown() const { return shown_; }
    // Shows a photo of the list.
    void select(const QString& path);
    // The letter of the chosen take beside a photo's name; empty: none.
    void setLetter(const QString& path, const QString& letter);

  signals:
    void photoReady(irenic::PhotoPtr photo, const std::vector<irenic::Probe>& probes, const QImage& overview);
    void message(const QString& text);
    void listChanged(); // photos came or went

  protected:
    // Delete takes a photo out of the list, not off the disk.
    void keyPressEvent(QKeyEvent* event) override;

  private:
    void load(int row);
    void write(QListWidgetItem* item);
    // A photo that was read, kept for a while: going back to it takes no time.
    struct Seen {
        QString path;
        PhotoPtr photo;
        std::vector<Probe> probes;
        QImage image;
    };
    std::list<Seen> seen_; // newest first
    // Pictures of the list's rows come one after the other, below everything else's priority.
    void makeThumbnails();
    void setThumbnail(const QString& path, const QImage& image);
    Background thumbnails_;
    QStringList waitingForThumbnail_;

    struct Loading {
        std::jthread thread;
        std::shared_ptr<std::atomic<bool>> done;
    };
    std::list<Loading> loading_; // the last one, and those that still have to notice that they were stopped
    QString shown_;
};

} // namespace irenic
