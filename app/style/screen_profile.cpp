#include "style/screen_profile.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusObjectPath>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>
#include <QDBusVariant>

namespace irenic {

namespace {

const QString kService = QStringLiteral("org.freedesktop.ColorManager");

// One step: what comes back is handed on; a service that is missing or knows nothing ends it silently.
template <class Reply, class Use> void call(QObject* owner, const QDBusMessage& message, const Use& use) {
    const QDBusConnection bus = QDBusConnection::systemBus();
    if (!bus.isConnected()) return;
    auto* asked = new QDBusPendingCallWatcher(bus.asyncCall(message), owner);
    QObject::connect(asked, &QDBusPendingCallWatcher::finished, owner, [asked, use] {
        asked->deleteLater();
        const QDBusPendingReply<Reply> reply = *asked;
        if (!reply.isError()) use(reply.value());
    });
}

QDBusMessage propertyOf(const QString& object, const char* kind, const char* name) {
    QDBusMessage out = QDBusMessage::createMethodCall(
        kService, object, QStringLiteral("org.freedesktop.DBus.Properties"), QStringLiteral("Get"));
    out << kService + QLatin1Char('.') + QLatin1String(kind) << QString(QLatin1String(name));
    return out;
}

} // namespace

ScreenProfile::ScreenProfile(const QString& screen, QObject* parent) : QObject(parent), screen_(screen) {
    askForDevice();
}

void ScreenProfile::askForDevice() {
    QDBusMessage message =
        QDBusMessage::createMethodCall(kService, QStringLiteral("/org/freedesktop/ColorManager"), kService,
                                       QStringLiteral("FindDeviceByProperty"));
    message << QStringLiteral("XRANDR_name") << screen_;
    call<QDBusObjectPath>(this, message, [this](const QDBusObjectPath& device) {
        device_ = device.path();
        QDBusConnection::systemBus().connect(kService, device_, kService + QStringLiteral(".Device"),
                                             QStringLiteral("Changed"), this, SLOT(ask()));
        ask();
    });
}

void ScreenProfile::ask() { askForProfile(device_); }

void ScreenProfile::askForProfile(const QString& device) {
    call<QDBusVariant>(this, propertyOf(device, "Device", "Profiles"), [this](const QDBusVariant& value) {
        const auto profiles = qdbus_cast<QList<QDBusObjectPath>>(value.variant());
        if (!profiles.isEmpty()) askForFile(profiles.front().path()); // the first is the one in use
    });
}

void ScreenProfile::askForFile(const QString& profile) {
    call<QDBusVariant>(this, propertyOf(profile, "Profile", "Filename"), [this](const QDBusVariant& value) {
        const QString file = value.variant().toString();
        if (!file.isEmpty()) emit found(file);
    });
}

} // namespace irenic
