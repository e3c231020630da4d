// Export of the chosen take: a strip at the foot of the window with format, profile, progress, time left and
// Cancel.
#pragma once

#include <QElapsedTimer>
#include <QTimer>
#include <QWidget>
#include <atomic>
#include <thread>

#include "deliver/export.h"
#include "document.h"

class QComboBox;
class QLabel;
class QProgressBar;
class QPushButton;

namespace irenic {

class ExportBar : public QWidget {
    Q_OBJECT

  public:
    explicit ExportBar(Document& document, QWidget* parent = nullptr);
    ~ExportBar() override;
    bool running() const { return running_; }
    // Exports to `target`; the name's ending decides nothing, the chosen format does.
    void exportTo(const QString& target);
    void setMessage(const QString& text);

  signals:
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
    QPushButton *start_, *cancel_;
    QProgressBar* bar_;
    std::atomic<float> done_ = 0;
    std::jthread thread_;
    QTimer ticking_;
    QElapsedTimer clock_;
    bool running_ = false;
};

} // namespace irenic
