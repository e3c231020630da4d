// The photos that are open. Reading happens off the interface thread; a photo that cannot be read says why in
// its row.
#pragma once

#include <QListWidget>
#include <set>

#include "base/jobs.h"
#include "photos/photo_shelf.h"
#include "raw/preview.h"

namespace irenic {

class PhotoList : public QListWidget {
    Q_OBJECT

  public:
    // By the noise that each finished picture shows, the most first.
    enum class Sorting { Name, Time, Iso, Noise };

    explicit PhotoList(Jobs& jobs, QWidget* parent = nullptr);
    // Files, or folders whose raws are taken. Files already in the list are not added again.
    void open(const QStringList& paths);
    // Whole paths, in order; and the one shown.
    QStringList paths() const;
    // Those that are selected, the one shown among them.
    QStringList selectedPaths() const;
    QString shown() const { return shown_; }
    // What is known of their camera has changed: photos at hand are read anew.
    void readAgain();
    // Shows a photo of the list; `by` rows further up or down, if there are so many.
    void select(const QString& path);
    void step(int by);
    // What stays of the list's order is that of names. By noise: every photo is measured first, one after the
    // other.
    void sortBy(Sorting sorting);
    // What is known of a photo's work.
    void setWork(const QString& path, const QString& letter, bool changed, const QStringList& made);
    // Looks again whether the files that were made of the photos are still there.
    void lookForMade();
    // How many photos are at hand without reading.
    std::size_t atHand() const { return shelf_.count(); }

  signals:
    void photoReady(const irenic::OpenedPhoto& opened);
    void message(const QString& text);
    void listChanged(); // photos came or went

  protected:
    // Delete takes the selected photos out of the list, not off the disk.
    void keyPressEvent(QKeyEvent* event) override;

  private:
    void order(Sorting sorting);
    void measureNoise();                  // of the next that has none, and then order()
    void tellMade(QListWidgetItem* item); // what its row says of files that were made
    QListWidgetItem* rowOf(const QString& path) const;
    void load(int row);
    void tell(const OpenedPhoto& opened);
    void fail(const QString& path, const QString& reason);
    // Pictures and data of the rows come one after the other, behind all other work.
    void lookAhead();
    void setThumbnail(QListWidgetItem* item, const FilePicture& picture);
    // When nothing else is to be done the photos next to the one shown are read.
    void readNeighbour();

    Jobs& jobs_;
    PhotoShelf shelf_;
    QStringList waiting_; // for their row's picture and data
    QString shown_, neighbour_;
    std::set<QString> unreadable_, missing_;
    Job reading_, glimpsing_, neighbouring_, looking_, measuring_;
};

} // namespace irenic
