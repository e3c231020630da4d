// What the take or reference in hand kept, lost and added, measured over the whole photo, and where to look
// for it.
#pragma once

#include <QTimer>
#include <QWidget>
#include <functional>
#include <list>
#include <optional>
#include <vector>

#include "base/jobs.h"
#include "judge/checks.h"
#include "judge/reference.h"

class QLabel;
class QToolButton;
class QVBoxLayout;

namespace irenic {

// What is checked: a take, or a file that was made elsewhere.
struct CheckSubject {
    PhotoPtr photo; // that it was made of
    std::string id; // equal ones have equal findings
    std::function<std::vector<Finding>(const Work&)> measure;
    std::optional<Settings> take; // on which advice can be given
    QString refusal;              // why it cannot be checked; empty: it can
};
CheckSubject subjectOf(const PhotoPtr& photo, const Settings& take);
CheckSubject subjectOf(const PhotoPtr& photo, const ReferencePtr& reference);

class CheckPanel : public QWidget {
    Q_OBJECT

  public:
    explicit CheckPanel(Jobs& jobs, QWidget* parent = nullptr);
    // What is known of it is shown; nothing is measured unasked.
    void show(const CheckSubject& subject);
    // Nothing is looked at any more: the photo is not kept for it.
    void letGo() {
        subject_ = {};
        emit mapChanged();
    }
    // Measures what is shown, or stops doing so.
    void check();
    // The next place to look at, or the one before; measures first where nothing is known yet.
    void step(int by);
    // What was found of what is shown.
    void take(std::vector<Finding> findings);
    bool running() const { return job_.active(); }
    const std::vector<Finding>* findings() const;
    // What is seen where of the check that was clicked last, or of all of them; empty while it is not shown.
    SquareMap map() const;

  signals:
    void placeAsked(irenic::Rect place, const QString& why); // of the photo
    void message(const QString& text);
    void takeAsked(const irenic::Settings& settings); // what was advised
    void mapChanged();

  private:
    void keep(const std::string& of, std::vector<Finding> findings);
    void refresh();
    void list(const std::vector<Finding>& findings);
    void addAdvice(const std::vector<Finding>& findings);
    void go();

    struct Known {
        std::string id;
        std::vector<Finding> findings;
    };
    Jobs& jobs_;
    Job job_;
    CheckSubject subject_;
    std::string id_, measured_; // of what is shown; of what is being measured
    std::list<Known> known_;    // the last one first
    QToolButton *start_, *map_;
    QLabel* refusal_;
    std::string mapped_; // the check that was clicked last; empty: all
    QVBoxLayout* rows_;
    QTimer ticking_;
    // The places of all findings, the worst checks' first, and the one in hand.
    std::vector<std::pair<Rect, QString>> places_;
    int place_ = -1;
};

// "3 %", "1.4": a finding's value as it is shown, with its unit.
QString shownValue(const Finding& finding);
// The name of a check for people; the sentence that goes with its grade.
QString shownCheck(const Finding& finding);
QString shownSentence(const Finding& finding);

} // namespace irenic
