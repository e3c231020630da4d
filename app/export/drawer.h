// The drawer at the foot: what is to be delivered, as a sentence that can be edited, and the queue that makes
// it.
#pragma once

#include <QTimer>
#include <QWidget>

#include "base/jobs.h"
#include "deliver/estimate.h"
#include "document.h"
#include "queue/job_queue.h"

class QComboBox;
class QLabel;
class QPushButton;
class QToolButton;

namespace irenic {

class DeliveryForm;
class QueueView;

class Drawer : public QWidget {
    Q_OBJECT

  public:
    // `selected` gives the photos that are selected in the list.
    Drawer(Document& document, Jobs& jobs, std::function<QStringList()> selected, QWidget* parent = nullptr);
    // Whose files: what the sentence says now.
    Delivery delivery() const;
    void setDelivery(const Delivery& delivery);
    // Puts what the sentence says into the queue, and begins.
    void deliver();
    QueueView& queueView() { return *queueView_; }
    // Once files are there, the photo can also go back to the program that handed it over.
    void offerHandBack();

  protected:
    void showEvent(QShowEvent* event) override;

  signals:
    void message(const QString& text);
    void deliveryChanged();
    void handBackAsked();

  private:
    void describe(); // the sentence's name, size and time
    void measure();  // them
    std::vector<ExportRequest> requests(QStringList& without) const;
    void chooseFolder();
    void addTogether(std::vector<ExportRequest> requests); // by one noise for all of a camera and ISO
    // What runs on each file that was made, empty: nothing; and whether the photo goes back after all of
    // them.
    void setThen(const QString& command, bool handsBack = false);
    void enqueue(const std::vector<ExportRequest>& requests);
    void handBackOnceDone();
    void keepPreset();
    void listPresets();
    QWidget* sentence();

    Document& document_;
    Jobs& jobs_;
    std::function<QStringList()> selected_;
    QueueView* queueView_;
    DeliveryForm* form_;
    QComboBox *take_, *whose_, *presets_, *also_;
    QToolButton *folder_, *alike_, *check_, *then_;
    QLabel *result_, *costs_;
    QPushButton* put_;
    QTimer measuring_;
    QString command_; // see setThen()
    bool handsBack_ = false;
    std::vector<std::int64_t> beforeReturn_; // jobs after which the photo goes back
    Job estimating_, series_;
    std::optional<Estimate> estimated_;
    Export estimatedOf_; // without its photo
};

} // namespace irenic
