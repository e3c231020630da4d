// One window for a person: who starts the program again, from a file manager say, gets the one that is there.
#pragma once

#include <QObject>
#include <QStringList>

class QLocalServer;
class QLocalSocket;
class QLockFile;

namespace irenic {

// What a program that was started is asked for.
struct Request {
    QStringList paths; // whole ones
    bool queue = false;
};

class Handover : public QObject {
    Q_OBJECT

  public:
    // Listens at `place`, unless a window does so already: see running(). Without a place to listen at (a
    // folder that cannot be written) every start has a window of its own.
    explicit Handover(const QString& place = usualPlace(), QObject* parent = nullptr);
    ~Handover() override;

    // Whether another window listens, and was given `request`. Waits for its answer, two seconds at most.
    static bool giveToRunning(const Request& request, const QString& place = usualPlace());
    // In the person's own runtime folder.
    static QString usualPlace();

  signals:
    void asked(const Request& request);

  private:
    void listenTo(QLocalSocket* socket);

    QLocalServer* server_;
};

} // namespace irenic
