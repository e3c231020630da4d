// The photos that were shown lately, as small pictures to open again.
#pragma once

#include <QListWidget>

#include "base/jobs.h"

namespace irenic {

class RecentPhotos : public QListWidget {
    Q_OBJECT

  public:
    explicit RecentPhotos(Jobs& jobs, QWidget* parent = nullptr);
    // Whole paths, the last one first. What is no more is left out once that is known.
    void setPaths(const QStringList& paths);

    bool isWhole() const { return missing_ == 0; } // all pictures that can be are there

  signals:
    void opened(const QString& path);
    void filled(bool any); // there is something to choose, or nothing

  private:
    void lookAhead();

    Jobs& jobs_;
    QStringList waiting_; // for their picture
    qsizetype missing_ = 0;
    Job looking_;
};

} // namespace irenic
