// The look of the photo shown: light, tone, lens, sharpening, in two compact rows.
#pragma once

#include <QWidget>
#include <vector>

#include "develop/lens.h"
#include "document.h"
#include "image/jobs.h"
#include "image/place.h"

class QAction;
class QComboBox;
class QLabel;
class QToolButton;

namespace irenic {

class CurveEditor;
class ValueField;

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

  protected:
    void hideEvent(QHideEvent* event) override;

  private:
    void refresh();
    void describeLens();
    template <class Change> void change(const Change& c);
    QToolButton* toggle(const QString& text, const char* name, const QString& tip, bool Look::*value);

    struct Slider {
        ValueField* field;
        float Look::*value;
        double scale; // of the field over the look's value
    };
    struct Switch {
        QToolButton* button;
        bool Look::*value;
        QString tip;
    };

    Document& document_;
    QToolButton *asShot_, *pick_, *automatic_, *curveButton_, *more_;
    ValueField *kelvin_, *tint_;
    std::vector<Slider> sliders_;
    std::vector<Switch> switches_;
    QComboBox *edges_, *softness_, *demosaic_;
    QLabel* lens_;
    QAction* paste_ = nullptr;
    CurveEditor* curve_;
    LensFound found_;
    bool showing_ = false; // values are being shown, not set
    Jobs& jobs_;
    Job lensSearch_, start_;
};

} // namespace irenic
