// What the window shows while no photo is open: how to begin, and how the sheet works.
#pragma once

#include <QWidget>

#include "start/recent_photos.h"

namespace irenic {

class StartPicture;

class StartPage : public QWidget {
    Q_OBJECT

  public:
    explicit StartPage(Jobs& jobs, QWidget* parent = nullptr);
    // Photos that were shown lately, the last one first.
    void setRecent(const QStringList& paths) { recent_->setPaths(paths); }
    // The folder of the mill's photos, if they are there.
    static QString millFolder();

    QSize minimumSizeHint() const override; // without the picture, which comes where there is room

  signals:
    void openAsked();
    void folderAsked();
    void millAsked(const QString& folder);
    void photoAsked(const QString& file);

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    StartPicture* picture_;
    RecentPhotos* recent_;
};

} // namespace irenic
