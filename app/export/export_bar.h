// Export of the chosen take: a strip at the foot of the window with format, profile, progress, time left and
// Cancel.
#pragma once

#include <QElapsedTimer>
#include <QTimer>
#include <QWidget>
#include <functional>
#include <optional>

#include "base/jobs.h"
#include "deliver/export.h"
#include "document.h"

class QLabel;
class QProgressBar;
class QPushButton;
class QToolButton;

namespace irenic {

class DeliveryForm;

class ExportBar : public QWidget {
    Q_OBJECT

  public:
    ExportBar(Document& document, Jobs& jobs, QWidget* parent = nullptr);
    bool running() const { return job_.active(); }
    // Exports to `target`; the name's ending decides nothing, the chosen format does.
    void exportTo(const QString& target);
    // From now on there is one way out: the chosen take goes back to the program that handed the photo over,
    // at this place (empty: handbackTarget()). handedBack() tells that it is there.
    void handBackTo(const QString& target);
    void handBack();
    void setMessage(const QString& text);
    // A message with a button that does something about it; it goes with the next message.
    void ask(const QString& question, const QString& answer, std::function<void()> act);
    QString message() const;
    // How the queue stands, on the button that opens its drawer.
    void setQueue(const QString& text);
    QToolButton* queueButton() const { return queue_; }

  signals:
    void messageChanged();
    void exported(const QString& file);
    void failed(const QString& reason);
    void handedBack();

  private:
    void chooseTarget();
    QString handbackPlace() const;
    void refresh();
    void finish(const QString& file, const QString& problem);

    Document& document_;
    QLabel* message_;
    DeliveryForm* form_;
    QToolButton* queue_;
    QPushButton *start_, *answer_, *cancel_;
    std::function<void()> act_;
    std::optional<QString> handback_; // where it was asked for
    QProgressBar* bar_;
    Jobs& jobs_;
    Job job_;
    QTimer ticking_;
    QElapsedTimer clock_;
};

} // namespace irenic
