// The monitor's colours: pictures are rendered as sRGB and taken to the monitor's profile on their way to the
// screen.
#pragma once

#include <QImage>
#include <QObject>
#include <QString>

class QWidget;

namespace irenic {

class ScreenProfile;

// One for each screen.
class Monitor : public QObject {
    Q_OBJECT

  public:
    // Of the screen that a widget stands on. The profile is the one that the user chose for that screen, else
    // the one that the desktop has for it (screen_profile.h), else the one that the X server offers (the
    // _ICC_PROFILE property of the root window, as the "ICC Profiles in X" specification has it), else none:
    // sRGB.
    static Monitor& of(const QWidget* widget);
    ~Monitor() override;

    // An sRGB picture in the monitor's colours (relative colorimetric, black point compensated); the picture
    // itself without a profile.
    QImage shown(const QImage& srgb) const;
    // What the profile calls itself; "sRGB" without one.
    QString name() const { return name_; }
    // Takes a profile from a file from now on, and remembers it; an empty name goes back to the system's. A
    // sentence when it cannot be used.
    QString use(const QString& file);

  signals:
    void changed(); // by the desktop, or by use()

  private:
    explicit Monitor(const QString& screen);
    QString key() const; // of the user's own profile among the settings
    bool take(const QByteArray& profile);
    void takeSystems();

    QString screen_, name_, desktops_; // the last: the desktop's file; empty: it told none
    ScreenProfile* desktop_;
    void* transform_ = nullptr;
    QImage::Format worked_ = QImage::Format_RGB32; // what the transform takes and gives
};

} // namespace irenic
