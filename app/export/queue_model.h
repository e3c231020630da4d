// The export queue as a table: what it is, what becomes of it, how far it is or why not.
#pragma once

#include <QAbstractTableModel>
#include <set>

#include "base/jobs.h"
#include "queue/job_queue.h"

namespace irenic {

class QueueModel : public QAbstractTableModel {
    Q_OBJECT

  public:
    enum Column { State, Photo, File, Check, Says, Columns };

    explicit QueueModel(Jobs& jobs, QObject* parent = nullptr);
    // Which queue is shown; null: none can be used.
    void setQueue(const JobQueue* queue);
    // Reads the queue where it has changed. True: it had. Throws QueueError.
    bool refresh();
    // Looks, off the interface thread, which of the files that were made are still there.
    void lookForFiles();
    const std::vector<QueuedJob>& jobs() const { return jobs_; }
    bool paused() const { return paused_; }
    // What checking found worst on top, instead of the order in which files are made.
    void setWorstFirst(bool on);

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

  signals:
    void jobDone(const irenic::QueuedJob& job); // since the last refresh

  private:
    Jobs& work_;
    const JobQueue* queue_ = nullptr;
    std::vector<QueuedJob> jobs_;
    std::set<std::int64_t> missing_; // jobs whose files were there and are gone
    Job looking_;
    std::int64_t version_ = -1;
    bool first_ = true, worstFirst_ = false, paused_ = false;
};

} // namespace irenic
