// What the window shows while no photo is open: how to begin, and how the sheet works.
#pragma once

#include <QWidget>

namespace irenic {

class StartPage : public QWidget {
    Q_OBJECT

  public:
    explicit StartPage(QWidget* parent = nullptr);
    // The folder of the mill's photos, if they are there.
    static QString millFolder();

  signals:
    void openAsked();
    void folderAsked();
    void millAsked(const QString& folder);
};

} // namespace irenic
