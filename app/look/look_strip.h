// The look of the photo shown: light, tone, lens, sharpening, made of its table of fields.
#pragma once

#include <QWidget>
#include <vector>

#include "base/jobs.h"
#include "develop/lens.h"
#include "document.h"
#include "image/place.h"

class QAction;
class QComboBox;
class QLabel;
class QToolButton;

namespace irenic {

class CurveEditor;
class Flow;
class Rule;

class LookStrip : public QWidget {
    Q_OBJECT

  public:
    LookStrip(Document& document, Jobs& jobs, QWidget* parent = nullptr);
    CurveEditor& curve() { return *curve_; }
    // Uses the light of what the developed picture shows at a place, and ends picking.
    void pickAt(PicturePoint point);

  signals:
    void pickingChanged(bool on);
    void message(const QString& text);
    void presetAsked(); // the look is to be kept as a preset

  protected:
    void hideEvent(QHideEvent* event) override;

  private:
    void refresh();
    template <class Change> void change(const Change& c);
    void beginGroup(const Field<Look>& field, Flow* flow);
    void endGroup(Flow* flow);
    Rule* ruleFor(const Field<Look>& field);
    QToolButton* switchFor(const Field<Look>& field);
    QComboBox* choiceFor(const Field<Look>& field);
    void makeButtons();
    void startFromMeasurement();
    void showLens(const Look& look);

    struct Number {
        Rule* rule;
        const Field<Look>* field;
    };
    struct Switch {
        QToolButton* button;
        const Field<Look>* field;
    };
    struct Choice {
        QComboBox* box;
        const Field<Look>* field;
    };

    struct Group {
        QString name;
        QToolButton* reset;
        std::vector<const Field<Look>*> fields;
    };

    Document& document_;
    QToolButton *pick_, *automatic_, *curveButton_, *more_;
    std::vector<Group> groups_;
    std::vector<Number> numbers_;
    std::vector<Switch> switches_;
    std::vector<Choice> choices_;
    QLabel* lens_;
    QAction* paste_ = nullptr;
    CurveEditor* curve_;
    LensFound found_;
    bool showing_ = false; // values are being shown, not set
    Jobs& jobs_;
    Job lensSearch_, start_;
};

} // namespace irenic
