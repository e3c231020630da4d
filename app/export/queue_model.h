// The queue's book as a table: what it is, what becomes of it, how far it is or why not.
#pragma once

#include <QAbstractTableModel>

#include "queue/job_book.h"

namespace irenic {

class QueueModel : public QAbstractTableModel {
    Q_OBJECT

  public:
    enum Column { State, Photo, File, Says, Columns };

    explicit QueueModel(JobBook& book, QObject* parent = nullptr);
    // Reads the book where it has changed. True: it had.
    bool refresh();
    const std::vector<QueuedJob>& jobs() const { return jobs_; }

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

  signals:
    void jobDone(const irenic::QueuedJob& job); // since the last refresh

  private:
    JobBook& book_;
    std::vector<QueuedJob> jobs_;
    std::int64_t version_ = -1;
    bool first_ = true;
};

} // namespace irenic
