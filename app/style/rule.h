// A number on a printed rule: ticks, a notch where the measured value is, a diamond where the recommended one
// is, and a bead that carries the value.
#pragma once

#include <QWidget>
#include <optional>

#include "base/field.h"

class QLineEdit;

namespace irenic {

// A field's label as it begins a line: "Luminance".
QString shownLabel(const FieldInfo& field);

// Drag the bead (Shift: ten times as fine), type a number, step with the arrow keys; a double click or Delete
// puts back the initial value.
class Rule : public QWidget {
    Q_OBJECT
    Q_PROPERTY(double value READ value WRITE setValue)

  public:
    // Of a field of a table: its label, range, unit, decimals and sentence; values are as shown (per cent).
    Rule(const FieldInfo& field, double initial, QWidget* parent = nullptr);

    double value() const { return value_; }
    double least() const { return least_; }
    double most() const { return most_; }
    double smallestStep() const;
    QString label() const { return label_; }
    QString valueText() const; // with its unit; "none" for a factor of 0

    // What a double click puts back.
    void setInitial(double initial);
    // Marks what is recommended; a line from there to the bead tells by how much the value differs.
    void setRecommended(std::optional<double> value);
    std::optional<double> recommended() const { return recommended_; }
    bool differs() const { return recommended_ && *recommended_ != value_; }
    // How much 200 pixels of dragging change, and one press of an arrow key; by default the rule's own
    // length, and five of the last digit.
    void setTravel(double travel, double step) { travel_ = travel, step_ = step; }
    // So that rules below each other line up.
    void setLabelWidth(int width);
    int labelHint() const;
    void setValue(double value); // clamped and rounded; silent when nothing changes
    // Where a value stands, in the widget's own units.
    double placeOf(double value) const;
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return sizeHint(); }

  signals:
    void changed(double value);

  protected:
    bool event(QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    // 0..1 along the rule, and back. A factor's rule is wide where it matters, from nothing to twice.
    double share(double value) const;
    double valueAt(double share) const;
    double rounded(double value) const;
    void edit(const QString& text);
    void take();
    std::vector<double> ticks() const;

    QString label_, unit_;
    double least_, most_, initial_, value_;
    int decimals_;
    double travel_ = 0, step_;
    std::optional<double> recommended_;
    int labelWidth_;
    QLineEdit* line_;
    double pressedX_ = 0, pressedValue_ = 0;
    bool dragged_ = false;
};

} // namespace irenic
