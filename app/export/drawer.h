// The drawer at the foot: what is to be delivered, as a sentence that can be edited, and the queue that makes
// it.
#pragma once

#include <QTimer>
#include <QWidget>
#include <memory>

#include "base/jobs.h"
#include "deliver/estimate.h"
#include "document.h"
#include "export/desktop.h"
#include "export/queue_model.h"
#include "queue/supervisor.h"

class QAction;
class QComboBox;
class QLabel;
class QPushButton;
class QToolButton;
class QTreeView;

namespace irenic {

class DeliveryForm;

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
    // Why there is no queue; empty: there is one.
    QString problem() const { return problem_; }
    // The file of a queue that is damaged gets another name, and a new one begins.
    void setQueueAside();
    // Looks again whether the files that were made are still there.
    void lookForFiles() { model_->lookForFiles(); }
    // Pictures of the window neither read nor change anybody's queue.
    static void keepNothing() { keeps_ = false; }
    JobQueue* queue() { return queue_.get(); } // null: it cannot be used

  protected:
    void showEvent(QShowEvent* event) override;

  signals:
    void changed(); // the queue
    void message(const QString& text);

  private:
    void refresh();
    // The queue, opened where it is not yet and can be; else says why not.
    void openQueue();
    // Does something with the queue. What it throws is told; false then, and where there is none.
    bool withQueue(const std::function<void(JobQueue&)>& act);
    void describe(); // the sentence's name, size and time
    void measure();  // them
    void work();     // begins to work the queue off
    std::vector<ExportRequest> requests(QStringList& without) const;
    const QueuedJob* marked() const; // in the list; null: none
    std::int64_t current() const;    // its number; 0: none
    void chooseFolder();
    void keepPreset();
    void listPresets();
    QWidget* sentence();
    QWidget* tools();
    void rowActions();
    // Something to do with the file of a row, or with all: where a file is in one of these states.
    QAction* action(const QString& text, const char* name, const QString& tip, std::vector<JobState> states,
                    bool ofRow, const std::function<void()>& act);
    void offer(); // what can be done now
    void runCommand();

    Document& document_;
    Jobs& jobs_;
    std::function<QStringList()> selected_;
    std::filesystem::path place_; // of the queue's file
    std::unique_ptr<JobQueue> queue_;
    QString problem_, message_; // message_: to be told at the start
    bool damaged_ = false;
    QueueModel* model_;
    std::unique_ptr<Supervisor> supervisor_;
    std::unique_ptr<StayAwake> awake_;
    QTreeView* list_;
    DeliveryForm* form_;
    QComboBox *take_, *whose_, *presets_, *also_;
    QToolButton *folder_, *pause_ = nullptr, *clear_ = nullptr, *more_ = nullptr, *aside_ = nullptr;
    struct Offered {
        QAction* action;
        std::vector<JobState> states;
        bool ofRow;
    };
    std::vector<Offered> actions_;
    QLabel *result_, *costs_, *note_ = nullptr, *empty_ = nullptr;
    bool paused_ = false;
    bool fromLastTime_ = false; // what waits was left by an earlier window
    QPushButton* put_;
    QTimer watching_, measuring_;
    Job estimating_;
    std::optional<Estimate> estimated_;
    Export estimatedOf_; // without its photo
    int before_ = 0;     // jobs that were open at the last look
    static bool keeps_;
};

} // namespace irenic
