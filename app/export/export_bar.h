// Export of the chosen take: a strip at the foot of the window with format, profile, progress, time left and
// Cancel.
#pragma once

#include <QElapsedTimer>
#include <QTimer>
#include <QWidget>

#include "deliver/export.h"
#include "document.h"
#include "image/jobs.h"

class QComboBox;
class QLabel;
class QProgressBar;
class QPushButton;
class QToolButton;

namespace irenic {

class ExportBar : public QWidget {
    Q_OBJECT

  public:
    ExportBar(Document& document, Jobs& jobs, QWidget* parent = nullptr);
    bool running() const { return job_.active(); }
    // Exports to `target`; the name's ending decides nothing, the chosen format does.
    void exportTo(const QString& target);
    void setMessage(const QString& text);
    QString message() const;
    // How the queue stands, on the button that opens its drawer.
    void setQueue(const QString& text);
    QToolButton* queueButton() const { return queue_; }

  signals:
    void messageChanged();
    void exported(const QString& file);
    void failed(const QString& reason);

  private:
    void ask();
    void refresh();
    void finish(const QString& file, const QString& problem);
    ExportFormat format() const;

    Document& document_;
    QLabel* message_;
    QComboBox *format_, *profile_, *compression_;
    QToolButton* queue_;
    QPushButton *start_, *cancel_;
    QProgressBar* bar_;
    Jobs& jobs_;
    Job job_;
    QTimer ticking_;
    QElapsedTimer clock_;
};

} // namespace irenic
