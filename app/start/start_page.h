// What the window shows while no photo is open: how to begin, and how the sheet works.
#pragma once

#include <QWidget>

namespace irenic {

class StartPicture;

class StartPage : public QWidget {
    Q_OBJECT

  public:
    explicit StartPage(QWidget* parent = nullptr);
    // The folder of the mill's photos, if they are there.
    static QString millFolder();

    QSize minimumSizeHint() const override; // without the picture, which comes where there is room

  signals:
    void openAsked();
    void folderAsked();
    void millAsked(const QString& folder);

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    StartPicture* picture_;
};

} // namespace irenic
