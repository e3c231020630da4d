// The look of the window: neutral greys, so that nothing tints the eye, one ochre for the chosen take and the
// focus, one typeface, a few sizes. Every control is drawn here and nowhere else (docs/style.md).
#pragma once

#include <QApplication>
#include <QColor>
#include <QProxyStyle>

namespace irenic::style {

// Three sets of greys, all neutral: the middle one for judging, a darker one for dark rooms, a light one for
// bright ones. Text stands out from every ground that it stands on by 4.5 to 1 at least (test).
enum class Greys { Middle, Dark, Light };
Greys greys();
void setGreys(Greys which); // the whole application changes at once

QColor ground(); // around photographs
QColor panel();  // of the window
// Diagonal lines, dark beside light so that they are seen on anything: what lies below is not true yet.
void hatch(QPainter& painter, const QRect& area);
QColor raised(); // of what can be pressed or typed into
QColor sunken(); // of rules, bars and lists
QColor line();
QColor text();
QColor faint(); // text that comes second
QColor ochre();
QColor onOchre(); // text on ochre

// Spaces and heights, in units of the screen; heights follow the font.
inline constexpr int kGap = 4;      // between neighbours
inline constexpr int kWideGap = 10; // between groups
int controlHeight();

// "noise left" as a label begins: "Noise left".
QString capitalised(const QString& text);

// Typeface, palette and style of the whole application; once, at the start.
void apply(QApplication& app);

} // namespace irenic::style

namespace irenic {

// How controls are drawn: flat, with a thin edge, ochre edge and a second line for the focus.
class Style : public QProxyStyle {
    Q_OBJECT

  public:
    Style();
    void drawPrimitive(PrimitiveElement element, const QStyleOption* option, QPainter* painter,
                       const QWidget* widget) const override;
    void drawControl(ControlElement element, const QStyleOption* option, QPainter* painter,
                     const QWidget* widget) const override;
    void drawComplexControl(ComplexControl control, const QStyleOptionComplex* option, QPainter* painter,
                            const QWidget* widget) const override;
    QRect subControlRect(ComplexControl control, const QStyleOptionComplex* option, SubControl part,
                         const QWidget* widget) const override;
    QSize sizeFromContents(ContentsType type, const QStyleOption* option, const QSize& size,
                           const QWidget* widget) const override;
    int pixelMetric(PixelMetric metric, const QStyleOption* option, const QWidget* widget) const override;
    int styleHint(StyleHint hint, const QStyleOption* option, const QWidget* widget,
                  QStyleHintReturn* data) const override;
};

} // namespace irenic
