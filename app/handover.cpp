#include "handover.h"

#include <QFileInfo>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QLocalServer>
#include <QLocalSocket>
#include <QLockFile>
#include <QStandardPaths>

namespace irenic {

namespace {

constexpr int kPatience = 2000;         // ms: a window that is busy longer is left alone
constexpr qsizetype kLongest = 1 << 20; // bytes of a request
constexpr char kTaken[] = "taken\n";

// One line of JSON.
QByteArray lineOf(const Request& request) {
    const QJsonObject all{{QStringLiteral("paths"), QJsonArray::fromStringList(request.paths)},
                          {QStringLiteral("queue"), request.queue}};
    return QJsonDocument(all).toJson(QJsonDocument::Compact) + '\n';
}

// Only what names a file by its whole path counts.
Request requestFrom(const QByteArray& line) {
    const QJsonObject all = QJsonDocument::fromJson(line).object();
    Request out;
    for (const QJsonValue& path : all.value(QStringLiteral("paths")).toArray())
        if (QFileInfo(path.toString()).isAbsolute()) out.paths << path.toString();
    out.queue = all.value(QStringLiteral("queue")).toBool();
    return out;
}

} // namespace

QString Handover::usualPlace() {
    return QStandardPaths::writableLocation(QStandardPaths::RuntimeLocation) +
           QStringLiteral("/irenic-window");
}

Handover::Handover(const QString& place, QObject* parent) : QObject(parent), server_(new QLocalServer(this)) {
    server_->setSocketOptions(QLocalServer::UserAccessOption);
    connect(server_, &QLocalServer::newConnection, this, [this] {
        while (QLocalSocket* socket = server_->nextPendingConnection()) listenTo(socket);
    });
    // Two that start at once must not take each other for what a crash has left.
    QLockFile lock(place + QStringLiteral(".lock"));
    if (!lock.tryLock(kPatience)) return;
    // Listening would push another window's socket aside.
    QLocalSocket there;
    there.connectToServer(place);
    if (there.waitForConnected(kPatience)) return;
    QLocalServer::removeServer(place);
    server_->listen(place);
}

Handover::~Handover() = default;

void Handover::listenTo(QLocalSocket* socket) {
    connect(socket, &QLocalSocket::disconnected, socket, &QObject::deleteLater);
    connect(socket, &QLocalSocket::readyRead, this, [this, socket] {
        if (!socket->canReadLine()) {
            if (socket->bytesAvailable() > kLongest) socket->abort();
            return;
        }
        const Request request = requestFrom(socket->readLine(kLongest));
        socket->write(kTaken);
        socket->flush();
        socket->disconnectFromServer();
        emit asked(request);
    });
}

bool Handover::giveToRunning(const Request& request, const QString& place) {
    QLocalSocket socket;
    socket.connectToServer(place);
    if (!socket.waitForConnected(kPatience)) return false;
    socket.write(lineOf(request));
    return socket.waitForBytesWritten(kPatience) && socket.waitForReadyRead(kPatience) &&
           socket.readAll() == kTaken;
}

} // namespace irenic
