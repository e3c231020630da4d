#include "export/desktop.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>
#include <QDBusUnixFileDescriptor>
#include <QProcess>
#include <QVariantMap>

#include "base/command.h"

namespace irenic {

struct StayAwake::Held {
    std::unique_ptr<QDBusPendingCallWatcher> asked;
    QDBusUnixFileDescriptor lock; // closing it lets the machine sleep again
};

StayAwake::StayAwake(const QString& why) : held_(std::make_unique<Held>()) {
    QDBusConnection bus = QDBusConnection::systemBus();
    if (!bus.isConnected()) return;
    QDBusMessage call = QDBusMessage::createMethodCall(
        QStringLiteral("org.freedesktop.login1"), QStringLiteral("/org/freedesktop/login1"),
        QStringLiteral("org.freedesktop.login1.Manager"), QStringLiteral("Inhibit"));
    call << QStringLiteral("sleep:idle") << QStringLiteral("Irenic") << why << QStringLiteral("block");
    held_->asked = std::make_unique<QDBusPendingCallWatcher>(bus.asyncCall(call));
    QObject::connect(held_->asked.get(), &QDBusPendingCallWatcher::finished, held_->asked.get(),
                     [held = held_.get()] {
                         const QDBusPendingReply<QDBusUnixFileDescriptor> reply = *held->asked;
                         if (!reply.isError()) held->lock = reply.value();
                     });
}

StayAwake::~StayAwake() = default;

QString startWith(const QString& command, const QString& file) {
    QStringList words;
    for (const std::string& word : wordsOf(command.toStdString(), file.toStdString()))
        words << QString::fromStdString(word);
    if (words.isEmpty()) return QObject::tr("There is no command to run.");
    const QString program = words.takeFirst();
    if (QProcess::startDetached(program, words)) return {};
    return QObject::tr("%1 cannot be started. Is it installed?").arg(program);
}

void notify(const QString& title, const QString& text) {
    QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected()) return;
    QDBusMessage call = QDBusMessage::createMethodCall(
        QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("/org/freedesktop/Notifications"),
        QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("Notify"));
    call << QStringLiteral("Irenic") << 0U << QString() << title << text << QStringList() << QVariantMap()
         << -1;
    bus.asyncCall(call);
}

} // namespace irenic
