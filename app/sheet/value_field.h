// A number that is dragged sideways, typed, stepped with the arrow keys, and reset with a double click.
#pragma once

#include <QWidget>

class QLineEdit;

namespace irenic {

class ValueField : public QWidget {
    Q_OBJECT

  public:
    // `suffix` follows the number on the screen ("×", "%", " EV").
    ValueField(const QString& label, double lowest, double highest, double initial, int decimals,
               const QString& suffix, QWidget* parent = nullptr);

    double value() const { return value_; }
    // What a double click resets to.
    void setInitial(double initial);
    // How much 200 pixels of dragging change, and one press of an arrow key; by default the whole range and
    // five of the last digit.
    void setTravel(double travel, double step) { travel_ = travel, step_ = step; }
    void setValue(double value); // clamped; silent when nothing changes
    QSize sizeHint() const override;

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
    void edit(const QString& text);
    void take();
    QString shown() const;

    double travel_, step_;
    QString label_, suffix_;
    double lowest_, highest_, initial_, value_;
    int decimals_;
    QLineEdit* line_;
    double pressedX_ = 0, pressedValue_ = 0;
    bool dragged_ = false;
};

} // namespace irenic
