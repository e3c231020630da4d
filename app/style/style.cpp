#include "style/style.h"

#include <QFontDatabase>
#include <QPainter>
#include <QStyleFactory>
#include <QStyleOption>
#include <QWidget>

// Of a static library nothing loads the typeface and the icons by itself. (The macro wants no namespace.)
static void loadResources() { Q_INIT_RESOURCE(style); }

namespace irenic {

namespace style {

namespace {

struct Set {
    QColor ground, panel, raised, sunken, line, text, faint;
};
QColor grey(int v) { return {v, v, v}; }
const Set kSets[] = {
    {grey(112), grey(134), grey(152), grey(142), grey(92), grey(8), grey(24)},
    {grey(46), grey(56), grey(74), grey(48), grey(96), grey(228), grey(192)},
    {grey(164), grey(198), grey(216), grey(208), grey(134), grey(16), grey(62)},
};
Greys chosen = Greys::Middle;
const Set& set() { return kSets[static_cast<int>(chosen)]; }

QPalette palette() {
    QPalette p;
    p.setColor(QPalette::Window, panel());
    p.setColor(QPalette::Base, sunken());
    p.setColor(QPalette::AlternateBase, panel());
    p.setColor(QPalette::Button, raised());
    p.setColor(QPalette::ToolTipBase, raised());
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText, QPalette::ToolTipText,
                            QPalette::BrightText})
        p.setColor(role, text());
    p.setColor(QPalette::Highlight, ochre());
    p.setColor(QPalette::HighlightedText, onOchre());
    p.setColor(QPalette::PlaceholderText, faint());
    p.setColor(QPalette::Link, text());
    p.setColor(QPalette::LinkVisited, text());
    for (const auto role : {QPalette::Light, QPalette::Midlight}) p.setColor(role, raised());
    for (const auto role : {QPalette::Dark, QPalette::Mid, QPalette::Shadow}) p.setColor(role, line());
    // What cannot be used now is drawn thinner (see Style), not greyer than can be read.
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        p.setColor(QPalette::Disabled, role, faint());
    return p;
}

} // namespace

Greys greys() { return chosen; }

void setGreys(Greys which) {
    chosen = which;
    QApplication::setPalette(palette());
    for (QWidget* w : QApplication::allWidgets()) w->update();
}

QColor ground() { return set().ground; }
void hatch(QPainter& painter, const QRect& area) {
    constexpr int kStep = 8;
    static const QPixmap tile = [] {
        QImage image(kStep, kStep, QImage::Format_ARGB32_Premultiplied);
        image.fill(Qt::transparent);
        for (int i = 0; i < kStep; ++i) {
            image.setPixelColor(i, kStep - 1 - i, QColor(30, 30, 30, 110));
            image.setPixelColor((i + 1) % kStep, kStep - 1 - i, QColor(225, 225, 225, 110));
        }
        return QPixmap::fromImage(image);
    }();
    painter.drawTiledPixmap(area, tile);
}

QColor panel() { return set().panel; }
QColor raised() { return set().raised; }
QColor sunken() { return set().sunken; }
QColor line() { return set().line; }
QColor text() { return set().text; }
QColor faint() { return set().faint; }
QColor ochre() { return {214, 158, 46}; }
QColor onOchre() { return grey(8); }

QString capitalised(const QString& text) { return text.left(1).toUpper() + text.mid(1); }

int controlHeight() { return QFontMetrics(QApplication::font()).height() + 6; }

void apply(QApplication& app) {
    loadResources();
    // Open Sans: its figures all have one width, so that values do not jump while they change.
    for (const char* face : {"Regular", "Semibold"})
        QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/OpenSans-%1.ttf").arg(QLatin1String(face)));
    QFont font(QStringLiteral("Open Sans"));
    font.setPointSizeF(9.5);
    QApplication::setFont(font);
    QApplication::setStyle(new Style);
    app.setPalette(palette());
}

} // namespace style

namespace {

void edge(QPainter* p, const QRect& r, bool focused) {
    p->setBrush(Qt::NoBrush);
    p->setPen(focused ? style::ochre() : style::line());
    p->drawRect(r.adjusted(0, 0, -1, -1));
    if (!focused) return;
    // On light greys ochre alone would be too faint: a dark line within.
    p->setPen(style::text());
    p->drawRect(r.adjusted(1, 1, -2, -2));
}

// Ochre is kept for what is chosen: a button with the property "accent".
bool accented(const QStyleOption* o, const QWidget* w) {
    return w && w->property("accent").toBool() && (o->state & QStyle::State_On);
}

void button(QPainter* p, const QStyleOption* o, const QWidget* w) {
    const bool on = o->state & (QStyle::State_On | QStyle::State_Sunken),
               enabled = o->state & QStyle::State_Enabled;
    QColor fill = accented(o, w) ? style::ochre() : on ? style::raised().lighter(114) : style::raised();
    if ((o->state & QStyle::State_MouseOver) && enabled) fill = fill.lighter(108);
    if (!enabled) fill = style::panel();
    p->fillRect(o->rect, fill);
    edge(p, o->rect, o->state & QStyle::State_HasFocus);
    // Not by colour alone: what is on has a bar at its foot.
    if (on)
        p->fillRect(QRect(o->rect.left() + 1, o->rect.bottom() - 2, o->rect.width() - 2, 3),
                    accented(o, w) ? style::onOchre() : style::text());
}

} // namespace

Style::Style() : QProxyStyle(QStyleFactory::create(QStringLiteral("Fusion"))) {}

void Style::drawPrimitive(PrimitiveElement element, const QStyleOption* o, QPainter* p,
                          const QWidget* w) const {
    switch (element) {
    case PE_PanelButtonCommand:
    case PE_PanelButtonTool: button(p, o, w); return;
    case PE_FrameFocusRect: edge(p, o->rect, true); return;
    case PE_PanelLineEdit:
    case PE_FrameLineEdit:
        if (element == PE_PanelLineEdit) p->fillRect(o->rect, style::sunken());
        edge(p, o->rect, o->state & State_HasFocus);
        return;
    case PE_PanelTipLabel:
        p->fillRect(o->rect, style::raised());
        edge(p, o->rect, false);
        return;
    case PE_IndicatorToolBarSeparator: return;
    case PE_IndicatorDockWidgetResizeHandle:
        if (o->state & State_MouseOver) p->fillRect(o->rect, style::raised());
        return;
    default: QProxyStyle::drawPrimitive(element, o, p, w);
    }
}

void Style::drawControl(ControlElement element, const QStyleOption* o, QPainter* p, const QWidget* w) const {
    if (element == CE_ProgressBarGroove) {
        p->fillRect(o->rect, style::sunken());
        edge(p, o->rect, false);
        return;
    }
    if (const auto* bar = qstyleoption_cast<const QStyleOptionProgressBar*>(o);
        bar && element == CE_ProgressBarContents) {
        const double share = bar->maximum > bar->minimum
                                 ? double(bar->progress - bar->minimum) / (bar->maximum - bar->minimum)
                                 : 0;
        const QRect r = o->rect.adjusted(1, 1, -1, -1);
        p->fillRect(QRect(r.left(), r.bottom() - 3, static_cast<int>(r.width() * share), 3), style::text());
        return;
    }
    if (const auto* bar = qstyleoption_cast<const QStyleOptionProgressBar*>(o);
        bar && element == CE_ProgressBarLabel) {
        p->setPen(style::text());
        p->drawText(o->rect, Qt::AlignCenter, bar->text);
        return;
    }
    // On ochre a label is dark in every set of greys.
    const auto darkLabel = [&]<class Option>(const Option* label) {
        Option dark = *label;
        dark.palette.setColor(QPalette::ButtonText, style::onOchre());
        QProxyStyle::drawControl(element, &dark, p, w);
    };
    if (const auto* label = qstyleoption_cast<const QStyleOptionButton*>(o);
        label && element == CE_PushButtonLabel && accented(o, w))
        return darkLabel(label);
    if (const auto* label = qstyleoption_cast<const QStyleOptionToolButton*>(o);
        label && element == CE_ToolButtonLabel && accented(o, w))
        return darkLabel(label);
    QProxyStyle::drawControl(element, o, p, w);
}

void Style::drawComplexControl(ComplexControl control, const QStyleOptionComplex* o, QPainter* p,
                               const QWidget* w) const {
    if (const auto* box = qstyleoption_cast<const QStyleOptionComboBox*>(o); box && control == CC_ComboBox) {
        QStyleOption frame = *o;
        frame.state &= ~(State_On | State_Sunken);
        button(p, &frame, w);
        // A plain angle says that there is more.
        const QPoint c(o->rect.right() - 9, o->rect.center().y() - 1);
        p->save();
        p->setRenderHint(QPainter::Antialiasing);
        p->setPen(QPen(style::text(), 1.3));
        p->drawPolyline(QPolygon{c + QPoint(-3, 0), c + QPoint(0, 3), c + QPoint(3, 0)});
        p->restore();
        return;
    }
    if (const auto* bar = qstyleoption_cast<const QStyleOptionSlider*>(o); bar && control == CC_ScrollBar) {
        p->fillRect(o->rect, style::panel());
        QRect grip = subControlRect(CC_ScrollBar, o, SC_ScrollBarSlider, w);
        grip = bar->orientation == Qt::Vertical ? grip.adjusted(2, 1, -2, -1) : grip.adjusted(1, 2, -1, -2);
        p->fillRect(grip, o->state & State_MouseOver ? style::text() : style::line());
        return;
    }
    QProxyStyle::drawComplexControl(control, o, p, w);
}

QRect Style::subControlRect(ComplexControl control, const QStyleOptionComplex* o, SubControl part,
                            const QWidget* w) const {
    if (control == CC_ComboBox && part == SC_ComboBoxEditField) return o->rect.adjusted(5, 1, -16, -1);
    return QProxyStyle::subControlRect(control, o, part, w);
}

QSize Style::sizeFromContents(ContentsType type, const QStyleOption* o, const QSize& size,
                              const QWidget* w) const {
    QSize s = QProxyStyle::sizeFromContents(type, o, size, w);
    if (type == CT_PushButton) s = size + QSize(16, 0);
    if (type == CT_ToolButton) s = size + QSize(8, 0);
    if (type == CT_PushButton || type == CT_ToolButton || type == CT_ComboBox || type == CT_LineEdit)
        s.setHeight(style::controlHeight());
    return s;
}

int Style::pixelMetric(PixelMetric metric, const QStyleOption* o, const QWidget* w) const {
    switch (metric) {
    case PM_ScrollBarExtent: return 10;
    case PM_ScrollBarSliderMin: return 24;
    case PM_SplitterWidth:
    case PM_DockWidgetSeparatorExtent: return 5;
    case PM_ButtonShiftHorizontal:
    case PM_ButtonShiftVertical: return 0;
    case PM_MenuButtonIndicator: return 0;
    case PM_LayoutHorizontalSpacing:
    case PM_LayoutVerticalSpacing: return style::kGap;
    default: return QProxyStyle::pixelMetric(metric, o, w);
    }
}

int Style::styleHint(StyleHint hint, const QStyleOption* o, const QWidget* w, QStyleHintReturn* data) const {
    // A box opens its list beneath itself, not over what is chosen.
    if (hint == SH_ComboBox_Popup) return 0;
    return QProxyStyle::styleHint(hint, o, w, data);
}

} // namespace irenic
