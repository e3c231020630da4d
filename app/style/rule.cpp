#include "style/rule.h"

#include <QAccessibleWidget>
#include <QKeyEvent>
#include <QLineEdit>
#include <QLocale>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "said.h"
#include "style/style.h"

namespace irenic {

namespace {

constexpr int kLength = 68; // of the rule alone, at least
constexpr int kFoot = 5;    // of the ticks below the bead

// For readers of the screen.
class RuleAccess : public QAccessibleWidget, public QAccessibleValueInterface {
  public:
    explicit RuleAccess(Rule* rule)
        : QAccessibleWidget(rule, QAccessible::Slider, rule->label()), rule_(rule) {}
    void* interface_cast(QAccessible::InterfaceType type) override {
        return type == QAccessible::ValueInterface ? static_cast<QAccessibleValueInterface*>(this)
                                                   : QAccessibleWidget::interface_cast(type);
    }
    QString text(QAccessible::Text which) const override {
        return which == QAccessible::Value ? rule_->valueText() : QAccessibleWidget::text(which);
    }
    QVariant currentValue() const override { return rule_->value(); }
    void setCurrentValue(const QVariant& value) override { rule_->setValue(value.toDouble()); }
    QVariant maximumValue() const override { return rule_->most(); }
    QVariant minimumValue() const override { return rule_->least(); }
    QVariant minimumStepSize() const override { return rule_->smallestStep(); }

  private:
    Rule* rule_;
};

QAccessibleInterface* accessFor(const QString&, QObject* object) {
    auto* rule = qobject_cast<Rule*>(object);
    return rule ? new RuleAccess(rule) : nullptr;
}

QString withRealMinus(double value, int decimals) {
    QString number = numberOf(value, decimals);
    return number.replace(QLatin1Char('-'), QChar(0x2212));
}

} // namespace

QString shownLabel(const FieldInfo& field) { return style::capitalised(said(field.label)); }

Rule::Rule(const FieldInfo& field, double initial, QWidget* parent)
    : QWidget(parent), label_(shownLabel(field)), unit_(QString::fromUtf8(field.unit)),
      least_(field.least * field.shown), most_(field.most * field.shown), initial_(initial), value_(initial),
      decimals_(field.decimals), step_(5 * std::pow(10.0, -field.decimals)), labelWidth_(labelHint()),
      line_(new QLineEdit(this)) {
    [[maybe_unused]] static const bool known = (QAccessible::installFactory(accessFor), true);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::SizeHorCursor);
    setObjectName(QLatin1String(field.id));
    setAccessibleName(label_);
    setToolTip(said(field.sentence) + QLatin1Char('\n') +
               tr("Drag, type or use the arrow keys. Double-click to reset."));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    line_->hide();
    line_->setObjectName(QStringLiteral("line"));
    line_->setAccessibleName(label_);
    connect(line_, &QLineEdit::editingFinished, this, &Rule::take);
}

double Rule::smallestStep() const { return std::pow(10.0, -decimals_); }

double Rule::rounded(double value) const {
    return std::round(std::clamp(value, least_, most_) / smallestStep()) * smallestStep();
}

void Rule::setInitial(double initial) {
    initial_ = rounded(initial);
    update();
}

void Rule::setRecommended(std::optional<double> value) {
    if (value) value = rounded(*value);
    if (value == recommended_) return;
    recommended_ = value;
    update();
}

int Rule::labelHint() const { return fontMetrics().horizontalAdvance(label_) + 8; }

void Rule::setLabelWidth(int width) {
    labelWidth_ = width;
    updateGeometry();
    update();
}

QSize Rule::sizeHint() const { return {labelWidth_ + kLength, style::controlHeight()}; }

void Rule::setValue(double value) {
    value = rounded(value);
    if (value == value_) return;
    value_ = value;
    update();
    QAccessibleValueChangeEvent told(this, value_);
    QAccessible::updateAccessibility(&told);
    emit changed(value_);
}

QString Rule::valueText() const {
    if (value_ == 0 && unit_ == QStringLiteral("×")) return tr("None");
    return withRealMinus(value_, decimals_) + unit_;
}

double Rule::share(double value) const {
    if (unit_ == QStringLiteral("×")) return std::pow(value / most_, 0.6);
    if (least_ > 0) return std::log(value / least_) / std::log(most_ / least_);
    return (value - least_) / (most_ - least_);
}

double Rule::valueAt(double share) const {
    share = std::clamp(share, 0.0, 1.0);
    if (unit_ == QStringLiteral("×")) return most_ * std::pow(share, 1 / 0.6);
    if (least_ > 0) return least_ * std::pow(most_ / least_, share);
    return least_ + share * (most_ - least_);
}

double Rule::placeOf(double value) const {
    return labelWidth_ + 4 + share(value) * (width() - labelWidth_ - 8);
}

std::vector<double> Rule::ticks() const {
    if (unit_ == QStringLiteral("×")) return {0, 0.5, 1, 2, 3};
    if (least_ > 0) return {2000, 3000, 5000, 10000, 20000};
    std::vector<double> out;
    for (int i = 0; i <= 4; ++i) out.push_back(least_ + (most_ - least_) * i / 4);
    return out;
}

bool Rule::event(QEvent* event) {
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

void Rule::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const double foot = height() - 1.5, left = placeOf(least_), right = placeOf(most_), at = placeOf(value_);
    p.setPen(style::text());
    p.drawText(QRectF(0, 0, labelWidth_ - 4, height() - 2), Qt::AlignVCenter | Qt::AlignLeft,
               fontMetrics().elidedText(label_, Qt::ElideRight, labelWidth_ - 4));
    // The printed rule.
    p.setPen(QPen(style::line(), 1));
    p.drawLine(QPointF(left, foot), QPointF(right, foot));
    for (const double t : ticks()) p.drawLine(QPointF(placeOf(t), foot), QPointF(placeOf(t), foot - kFoot));
    const bool factor = unit_ == QStringLiteral("×");
    if (factor || least_ < 0) { // what was measured, or nothing either way
        const double x = placeOf(factor ? 1 : 0);
        p.setPen(QPen(style::text(), 1.2));
        p.drawPolyline(
            QPolygonF{QPointF(x - 3.5, foot - kFoot), QPointF(x, foot), QPointF(x + 3.5, foot - kFoot)});
    }
    if (recommended_) {
        const double x = placeOf(*recommended_);
        if (differs()) { // the way back
            p.setPen(QPen(style::ochre(), 2.4));
            p.drawLine(QPointF(x, foot - 2), QPointF(at, foot - 2));
        }
        p.setPen(Qt::NoPen);
        p.setBrush(style::text());
        p.drawPolygon(QPolygonF{QPointF(x - 3.5, foot - 3), QPointF(x, foot - 6.5),
                                QPointF(x + 3.5, foot - 3), QPointF(x, foot + 0.5)});
    }
    // The bead carries the figure; its point stands at the value.
    QFont font = p.font();
    if (value_ != initial_) font.setWeight(QFont::DemiBold);
    p.setFont(font);
    const QString text = valueText();
    const double w = QFontMetricsF(font).horizontalAdvance(text) + 8;
    const double x = std::clamp(at - w / 2, left - 4, std::max(left - 4, right + 4 - w));
    const double bottom = height() - kFoot - 2.5;
    QPainterPath bead;
    bead.addRoundedRect(QRectF(x + 0.5, 0.5, w - 1, bottom - 0.5), 4, 4);
    QPainterPath point;
    point.addPolygon(QPolygonF{QPointF(at - 3, bottom - 1), QPointF(at, foot), QPointF(at + 3, bottom - 1)});
    bead = bead.united(point);
    p.setBrush(underMouse() ? style::raised().lighter(108) : style::raised());
    p.setPen(QPen(hasFocus() ? style::text() : style::line(), 1));
    p.drawPath(bead);
    if (hasFocus()) p.fillRect(QRectF(x + 3, bottom - 3, w - 6, 2), style::ochre());
    p.setPen(style::text());
    p.drawText(QRectF(x, 0, w, bottom), Qt::AlignCenter, text);
}

void Rule::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    pressedX_ = event->position().x();
    pressedValue_ = value_;
    dragged_ = false;
}

void Rule::mouseMoveEvent(QMouseEvent* event) {
    if (!(event->buttons() & Qt::LeftButton)) return;
    const double moved = event->position().x() - pressedX_;
    if (!dragged_ && std::abs(moved) < 3) return;
    dragged_ = true;
    const double fine = event->modifiers() & Qt::ShiftModifier ? 0.1 : 1.0;
    if (travel_ > 0)
        setValue(pressedValue_ + fine * moved * travel_ / 200);
    else
        setValue(valueAt(share(pressedValue_) + fine * moved / (placeOf(most_) - placeOf(least_))));
}

void Rule::mouseReleaseEvent(QMouseEvent*) { dragged_ = false; }

void Rule::mouseDoubleClickEvent(QMouseEvent*) { setValue(initial_); }

void Rule::keyPressEvent(QKeyEvent* event) {
    const double step = event->modifiers() & Qt::ShiftModifier ? smallestStep() : step_;
    switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Down: setValue(value_ - step); return;
    case Qt::Key_Right:
    case Qt::Key_Up: setValue(value_ + step); return;
    case Qt::Key_Delete:
    case Qt::Key_Backspace: setValue(initial_); return;
    // Not Return: the line passes its own one on when it closes.
    case Qt::Key_F2: edit(numberOf(value_, decimals_)); return;
    default: break;
    }
    const QString text = event->text();
    if (!text.isEmpty() && (text[0].isDigit() || text[0] == QLatin1Char('.') || text[0] == QLatin1Char(',') ||
                            text[0] == QLatin1Char('-')))
        edit(text);
    else
        QWidget::keyPressEvent(event);
}

void Rule::resizeEvent(QResizeEvent*) { line_->setGeometry(labelWidth_, 0, width() - labelWidth_, height()); }

void Rule::edit(const QString& text) {
    line_->setGeometry(labelWidth_, 0, width() - labelWidth_, height());
    line_->setText(text);
    line_->show();
    line_->setFocus();
    if (text.size() > 1) line_->selectAll();
}

void Rule::take() {
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
