// Which colour profile the desktop has for a screen: asked of colord, which Wayland and X11 desktops share
// (org.freedesktop.ColorManager, version 1, on the system's D-Bus). Never waited for.
#pragma once

#include <QObject>
#include <QString>

class QDBusMessage;

namespace irenic {

class ScreenProfile : public QObject {
    Q_OBJECT

  public:
    // Asks at once, and again whenever the desktop gives the screen another one. `screen` is the name of its
    // output, such as "DP-1".
    explicit ScreenProfile(const QString& screen, QObject* parent = nullptr);

  signals:
    void found(const QString& file); // an ICC profile; not told where the desktop has none

  private slots:
    void ask();

  private:
    void askForDevice();
    void askForProfile(const QString& device);
    void askForFile(const QString& profile);

    QString screen_, device_;
};

} // namespace irenic
