// The monitor's colours: pictures are rendered as sRGB and taken to the monitor's profile on their way to the
// screen.
#pragma once

#include <QImage>
#include <QString>
#include <memory>

class QWidget;

namespace irenic {

// One for the whole application, for the monitor of the first window asked for.
class Monitor {
  public:
    // The profile is the one that the user chose, else the one that the X server offers (the _ICC_PROFILE
    // property of the root window, as the "ICC Profiles in X" specification has it), else none: sRGB.
    static Monitor& of(const QWidget* widget);
    ~Monitor();

    // An sRGB picture in the monitor's colours (relative colorimetric, black point compensated); the picture
    // itself without a profile.
    QImage shown(const QImage& srgb) const;
    // What the profile calls itself; "sRGB" without one.
    QString name() const { return name_; }
    // Takes a profile from a file from now on, and remembers it; an empty name goes back to the system's. A
    // sentence when it cannot be used.
    QString use(const QString& file);

  private:
    Monitor();
    bool take(const QByteArray& profile);
    void takeSystems();

    void* transform_ = nullptr;
    QString name_;
};

} // namespace irenic
