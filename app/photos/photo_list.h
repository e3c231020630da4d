// The photos that are open. Reading happens off the interface thread; a photo that cannot be read says why in
// its row.
#pragma once

#include <QListWidget>
#include <atomic>
#include <list>
#include <memory>
#include <thread>

#include "judge/probes.h"
#include "raw/photo.h"

namespace irenic {

class PhotoList : public QListWidget {
    Q_OBJECT

  public:
    explicit PhotoList(QWidget* parent = nullptr);
    ~PhotoList() override;
    // Files, or folders whose raws are taken. Files already in the list are not added again.
    void open(const QStringList& paths);

  signals:
    void photoReady(irenic::PhotoPtr photo, const std::vector<irenic::Probe>& probes, const QImage& overview);
    void message(const QString& text);

  private:
    void load(int row);

    struct Loading {
        std::jthread thread;
        std::shared_ptr<std::atomic<bool>> done;
    };
    std::list<Loading> loading_; // the last one, and those that still have to notice that they were stopped
    QString shown_;
};

} // namespace irenic
