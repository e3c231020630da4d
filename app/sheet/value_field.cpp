#include "sheet/value_field.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QLocale>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "style/style.h"

namespace irenic {

ValueField::ValueField(const QString& label, double lowest, double highest, double initial, int decimals,
                       const QString& suffix, QWidget* parent)
    : QWidget(parent), travel_(highest - lowest), step_(5 * std::pow(10.0, -decimals)), label_(label),
      suffix_(suffix), lowest_(lowest), highest_(highest), initial_(initial), value_(initial),
      decimals_(decimals), line_(new QLineEdit(this)) {
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::SizeHorCursor);
    setAccessibleName(label);
    line_->hide();
    line_->setObjectName(QStringLiteral("line"));
    connect(line_, &QLineEdit::editingFinished, this, &ValueField::take);
}

void ValueField::setInitial(double initial) {
    const double scale = std::pow(10.0, decimals_);
    initial_ = std::round(std::clamp(initial, lowest_, highest_) * scale) / scale;
    update();
}

QSize ValueField::sizeHint() const { return {84, 20}; }

void ValueField::setValue(double value) {
    const double scale = std::pow(10.0, decimals_);
    value = std::round(std::clamp(value, lowest_, highest_) * scale) / scale;
    if (value == value_) return;
    value_ = value;
    update();
    emit changed(value_);
}

QString ValueField::shown() const {
    QString number = QLocale::c().toString(value_, 'f', decimals_);
    number.replace(QLatin1Char('-'), QChar(0x2212));
    return number + suffix_;
}

bool ValueField::event(QEvent* event) {
    // Digits set the zoom everywhere else; in a field they are typed.
    if (event->type() == QEvent::ShortcutOverride) {
        const auto* key = static_cast<QKeyEvent*>(event);
        if (!key->text().isEmpty() && !(key->modifiers() & Qt::ControlModifier)) {
            event->accept();
            return true;
        }
    }
    return QWidget::event(event);
}

void ValueField::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), style::kRaised);
    const double share = (value_ - lowest_) / (highest_ - lowest_);
    const int zero = lowest_ < 0 ? static_cast<int>(width() * -lowest_ / (highest_ - lowest_)) : 0;
    const int to = static_cast<int>(width() * share);
    p.fillRect(QRect(std::min(zero, to), height() - 3, std::abs(to - zero), 3), style::kLine);
    p.setPen(hasFocus() ? style::kOchre : style::kLine);
    p.drawRect(rect().adjusted(0, 0, -1, -1));
    p.setPen(style::kFaint);
    p.drawText(rect().adjusted(4, 0, -4, -2), Qt::AlignVCenter | Qt::AlignLeft, label_);
    p.setPen(style::kText);
    // A changed value stands in bold, so that the initial one can be told at a glance.
    QFont font = p.font();
    font.setBold(value_ != initial_);
    p.setFont(font);
    p.drawText(rect().adjusted(4, 0, -4, -2), Qt::AlignVCenter | Qt::AlignRight, shown());
}

void ValueField::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    pressedX_ = event->position().x();
    pressedValue_ = value_;
    dragged_ = false;
}

void ValueField::mouseMoveEvent(QMouseEvent* event) {
    if (!(event->buttons() & Qt::LeftButton)) return;
    const double moved = event->position().x() - pressedX_;
    if (!dragged_ && std::abs(moved) < 3) return;
    dragged_ = true;
    const double fine = event->modifiers() & Qt::ShiftModifier ? 0.1 : 1.0;
    setValue(pressedValue_ + fine * moved * travel_ / 200);
}

void ValueField::mouseReleaseEvent(QMouseEvent*) { dragged_ = false; }

void ValueField::mouseDoubleClickEvent(QMouseEvent*) { setValue(initial_); }

void ValueField::keyPressEvent(QKeyEvent* event) {
    const double step = event->modifiers() & Qt::ShiftModifier ? std::pow(10.0, -decimals_) : step_;
    switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Down: setValue(value_ - step); return;
    case Qt::Key_Right:
    case Qt::Key_Up: setValue(value_ + step); return;
    case Qt::Key_Delete:
    case Qt::Key_Backspace: setValue(initial_); return;
    // Not Return: the line passes its own one on when it closes.
    case Qt::Key_F2: edit(QLocale::c().toString(value_, 'f', decimals_)); return;
    default: break;
    }
    const QString text = event->text();
    if (!text.isEmpty() && (text[0].isDigit() || text[0] == QLatin1Char('.') || text[0] == QLatin1Char('-')))
        edit(text);
    else
        QWidget::keyPressEvent(event);
}

void ValueField::resizeEvent(QResizeEvent*) { line_->setGeometry(rect()); }

void ValueField::edit(const QString& text) {
    line_->setText(text);
    line_->show();
    line_->setFocus();
    if (text.size() > 1) line_->selectAll();
}

void ValueField::take() {
    if (line_->isHidden()) return;
    QString text = line_->text();
    text.replace(QLatin1Char(','), QLatin1Char('.'));
    bool good = false;
    const double value = QLocale::c().toDouble(text, &good);
    line_->hide();
    setFocus();
    if (good) setValue(value);
}

} // namespace irenic
