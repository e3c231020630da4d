#include "style/preference.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>
#include <QDBusVariant>
#include <QSettings>

namespace irenic::style {

Greys greysFor(unsigned scheme) {
    constexpr unsigned kDark = 1, kLight = 2;
    return scheme == kDark ? Greys::Dark : scheme == kLight ? Greys::Light : Greys::Middle;
}

void followDesktop(QObject* owner) {
    if (QSettings().contains(QStringLiteral("greys"))) return;
    QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected()) return;
    QDBusMessage call = QDBusMessage::createMethodCall(
        QStringLiteral("org.freedesktop.portal.Desktop"), QStringLiteral("/org/freedesktop/portal/desktop"),
        QStringLiteral("org.freedesktop.portal.Settings"), QStringLiteral("Read"));
    call << QStringLiteral("org.freedesktop.appearance") << QStringLiteral("color-scheme");
    auto* asked = new QDBusPendingCallWatcher(bus.asyncCall(call), owner);
    QObject::connect(asked, &QDBusPendingCallWatcher::finished, owner, [asked] {
        asked->deleteLater();
        const QDBusPendingReply<QDBusVariant> reply = *asked;
        if (reply.isError() || QSettings().contains(QStringLiteral("greys"))) return;
        // The portal wraps the value once more.
        QVariant value = reply.value().variant();
        if (value.canConvert<QDBusVariant>()) value = value.value<QDBusVariant>().variant();
        setGreys(greysFor(value.toUInt()));
    });
}

} // namespace irenic::style
