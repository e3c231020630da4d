// What a blind trial came to: the order of the pictures with their names, how sure it is, and what is left of
// the noise in each.
#pragma once

#include <QImage>
#include <QWidget>

#include "document.h"
#include "judge/trial.h"

class QLabel;
class QVBoxLayout;

namespace irenic {

class TrialResult : public QWidget {
    Q_OBJECT

  public:
    TrialResult(Document& document, Jobs& jobs, QWidget* parent = nullptr);
    // `takes` are the pictures' takes by their ids, 0 for references; `images` what they look like at one
    // place, null where that is not at hand.
    void show(const TrialRecord& record, const std::vector<std::uint32_t>& takes,
              const std::vector<QImage>& images);
    bool isMeasured() const { return !measuring_.active(); }
    // The result as plain text.
    QString text() const { return text_; }
    void save(); // as a file that the person names
    void saveTo(const QString& file);

  signals:
    void closeAsked();
    void message(const QString& text);
    void learned(); // the person's taste has changed

  private:
    // What is left of the noise in each, for the person, and for the taste that is learnt from it.
    void measure(const std::vector<std::uint32_t>& takes, const TrialRanking& ranking);

    Document& document_;
    Jobs& jobs_;
    Job measuring_, saving_, learning_;
    QLabel *heading_, *sentence_;
    QVBoxLayout* rows_;
    std::vector<QLabel*> left_; // of each picture
    QString text_;
};

} // namespace irenic
