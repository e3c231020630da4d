// The drawer at the foot: what is to be delivered, as a sentence that can be edited, and the queue that makes
// it.
#pragma once

#include <QTimer>
#include <QWidget>
#include <memory>

#include "deliver/estimate.h"
#include "document.h"
#include "export/desktop.h"
#include "export/queue_model.h"
#include "image/jobs.h"
#include "queue/supervisor.h"

class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QSpinBox;
class QToolButton;
class QTreeView;

namespace irenic {

class Drawer : public QWidget {
    Q_OBJECT

  public:
    // `selected` gives the photos that are selected in the list.
    Drawer(Document& document, Jobs& jobs, std::function<QStringList()> selected, QWidget* parent = nullptr);
    ~Drawer() override;
    // Whose files: what the sentence says now.
    Delivery delivery() const;
    void setDelivery(const Delivery& delivery);
    // Puts what the sentence says into the queue, and begins.
    void deliver();
    const std::vector<QueuedJob>& jobs() const { return model_->jobs(); }
    bool running() const;    // something of the queue is being made, or waits and is not paused
    QString summary() const; // "2 run, 5 wait, 1 failed"; empty: nothing is in the queue
    void setPaused(bool paused);
    // Pictures of the window neither read nor change anybody's queue.
    static void keepNothing() { keeps_ = false; }
    JobBook& book() { return *book_; }

  protected:
    void showEvent(QShowEvent* event) override;

  signals:
    void changed(); // the queue
    void message(const QString& text);

  private:
    void refresh();
    void describe(); // the sentence's name, size and time
    void measure();  // them
    void work();     // begins to work the queue off
    std::vector<JobWish> wishes(QStringList& without) const;
    std::int64_t current() const; // the job that is marked; 0: none
    void chooseFolder();
    void keepPreset();
    void listPresets();
    QWidget* sentence();
    QWidget* tools();

    Document& document_;
    Jobs& jobs_;
    std::function<QStringList()> selected_;
    std::unique_ptr<JobBook> book_;
    QueueModel* model_;
    std::unique_ptr<Supervisor> supervisor_;
    std::unique_ptr<StayAwake> awake_;
    QTreeView* list_;
    QComboBox *take_, *whose_, *format_, *space_, *bits_, *packing_, *presets_, *also_;
    QSpinBox *quality_, *longest_;
    QLineEdit* name_;
    QToolButton *folder_, *pause_;
    QLabel *result_, *costs_, *note_ = nullptr;
    bool fromLastTime_ = false; // what waits was left by an earlier window
    QPushButton* put_;
    QString folderPath_;
    QTimer watching_, measuring_;
    Job estimating_;
    std::optional<Estimate> estimated_;
    ExportOrder estimatedOrder_;
    int before_ = 0; // jobs that were open at the last look
    static bool keeps_;
};

} // namespace irenic
