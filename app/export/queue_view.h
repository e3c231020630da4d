// The export queue as a list, with what can be done with it and with each of its files.
#pragma once

#include <QTimer>
#include <QWidget>
#include <memory>

#include "export/desktop.h"
#include "export/queue_model.h"
#include "queue/supervisor.h"

class QAction;
class QLabel;
class QToolButton;
class QTreeView;

namespace irenic {

class QueueView : public QWidget {
    Q_OBJECT

  public:
    explicit QueueView(Jobs& jobs, QWidget* parent = nullptr);
    ~QueueView() override;
    // Puts exports into the queue, and begins.
    // Their ids; none where the queue cannot be used, which is said.
    std::vector<std::int64_t> add(const std::vector<ExportRequest>& requests);
    const std::vector<QueuedJob>& jobs() const { return model_->jobs(); }
    bool running() const;    // something of the queue is being made, or waits and is not paused
    QString summary() const; // "2 exporting, 5 waiting, 1 failed"; empty: nothing is in the queue
    void setPaused(bool paused);
    // The buttons that act on the whole queue, for the head of the panel.
    QWidget* actionBar() const { return bar_; }
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
    void changed();
    void jobDone(const QueuedJob& job);
    void message(const QString& text);
    void photoAsked(const QString& file);

  private:
    void refresh();
    // The queue, opened where it is not yet and can be; else says why not.
    void openQueue();
    // Does something with the queue. What it throws is told; false then, and where there is none.
    bool withQueue(const std::function<void(JobQueue&)>& act);
    void work();                     // begins to work the queue off
    const QueuedJob* marked() const; // in the list; null: none
    std::int64_t current() const;    // its number; 0: none
    QWidget* makeNotes();
    QWidget* makeActionBar();
    QToolButton* button(const QString& text, const char* name, const QString& tip,
                        const std::function<void()>& act);
    void rowActions();
    // Something to do with the file of a row, or with all: where a file is in one of these states.
    QAction* action(const QString& text, const char* name, const QString& tip, std::vector<JobState> states,
                    bool ofRow, const std::function<void()>& act);
    void offer(); // what can be done now
    void runCommand();

    std::filesystem::path place_; // of the queue's file
    std::unique_ptr<JobQueue> queue_;
    QString problem_;
    bool damaged_ = false;
    QueueModel* model_;
    std::unique_ptr<Supervisor> supervisor_;
    std::unique_ptr<StayAwake> awake_;
    QTreeView* list_;
    QWidget* bar_ = nullptr;
    QToolButton *pause_ = nullptr, *clear_ = nullptr, *more_ = nullptr, *aside_ = nullptr, *worst_ = nullptr;
    struct Offered {
        QAction* action;
        std::vector<JobState> states;
        bool ofRow;
    };
    std::vector<Offered> actions_;
    QLabel *note_ = nullptr, *empty_ = nullptr;
    bool fromLastTime_ = false; // what waits was left by an earlier window
    QTimer watching_;
    int before_ = 0; // jobs that were open at the last look
    static bool keeps_;
};

} // namespace irenic
