#include "look/curve_editor.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolButton>
#include <algorithm>
#include <cmath>

#include "style/style.h"

namespace irenic {

namespace {
constexpr int kEdge = 10;
constexpr float kApart = 0.01f; // the least distance of two points
constexpr std::size_t kMostPoints = 12;
} // namespace

CurveEditor::CurveEditor(Document& document, QWidget* parent)
    : QWidget(parent), document_(document), size_(new QToolButton(this)) {
    setObjectName(QStringLiteral("curve"));
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Tone curve"));
    setToolTip(tr("Left is dark, up is brighter. Click to add a point, drag to move it, double-click to "
                  "remove it.\nKeys: Page Up and Page Down choose a point, arrows move it (Shift: finely), "
                  "Insert adds one, Delete removes it, Home resets the curve."));
    size_->setObjectName(QStringLiteral("curveSize"));
    size_->setToolTip(tr("Makes the curve larger, or smaller again."));
    connect(size_, &QToolButton::clicked, this, [this] { setLarge(!large_); });
    setLarge(false);
    connect(&document_, &Document::lookChanged, this, qOverload<>(&QWidget::update));
    connect(&document_, &Document::photoChanged, this, qOverload<>(&QWidget::update));
}

void CurveEditor::setLarge(bool large) {
    large_ = large;
    setFixedSize(sizeHint());
    size_->setText(large ? tr("Smaller") : tr("Larger"));
    size_->adjustSize();
    size_->move(width() - size_->width() - 2, height() - size_->height() - 2);
    // Where it has no room to the right it goes to the left, as far as there is.
    if (QWidget* around = parentWidget())
        move(std::max(0, std::min(x(), around->width() - width() - 4)), y());
}

QPointF CurveEditor::place(CurvePoint p) const {
    return {kEdge + static_cast<double>(p.in) * (width() - 2 * kEdge),
            height() - kEdge - static_cast<double>(p.out) * (height() - 2 * kEdge)};
}

CurvePoint CurveEditor::valueAt(QPointF p) const {
    return {static_cast<float>(std::clamp((p.x() - kEdge) / (width() - 2 * kEdge), 0.0, 1.0)),
            static_cast<float>(std::clamp((height() - kEdge - p.y()) / (height() - 2 * kEdge), 0.0, 1.0))};
}

std::vector<CurvePoint> CurveEditor::points() const {
    return document_.look().curve.size() >= 2 ? document_.look().curve
                                              : std::vector<CurvePoint>{{0, 0}, {1, 1}};
}

void CurveEditor::use(std::vector<CurvePoint> points) {
    Look look = document_.look();
    if (points == std::vector<CurvePoint>{{0, 0}, {1, 1}}) points.clear();
    look.curve = std::move(points);
    document_.setLook(look);
}

int CurveEditor::pointAt(QPointF position) const {
    const auto all = points();
    for (std::size_t i = 0; i < all.size(); ++i)
        if (const QPointF d = place(all[i]) - position; std::hypot(d.x(), d.y()) < 9)
            return static_cast<int>(i);
    return -1;
}

void CurveEditor::movePoint(int point, CurvePoint to) {
    auto all = points();
    const auto i = static_cast<std::size_t>(point);
    if (i >= all.size()) return;
    // Between its neighbours.
    const float low = i > 0 ? all[i - 1].in + kApart : 0,
                high = i + 1 < all.size() ? all[i + 1].in - kApart : 1;
    all[i] = {std::clamp(to.in, std::min(low, high), high), std::clamp(to.out, 0.0f, 1.0f)};
    use(std::move(all));
}

void CurveEditor::add(CurvePoint point) {
    auto all = points();
    if (all.size() >= kMostPoints) return;
    const auto next =
        std::find_if(all.begin(), all.end(), [&](const CurvePoint& p) { return p.in > point.in; });
    if ((next != all.end() && next->in - point.in < kApart) ||
        (next != all.begin() && point.in - (next - 1)->in < kApart))
        return;
    held_ = static_cast<int>(next - all.begin());
    all.insert(next, point);
    use(std::move(all));
}

void CurveEditor::remove(int point) {
    auto all = points();
    if (point < 0 || point >= static_cast<int>(all.size()) || all.size() <= 2) return;
    all.erase(all.begin() + point);
    held_ = std::min(held_, static_cast<int>(all.size()) - 1);
    use(std::move(all));
}

void CurveEditor::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), style::raised());
    p.setPen(hasFocus() ? style::ochre() : style::line());
    p.drawRect(rect().adjusted(0, 0, -1, -1));
    p.setPen(QPen(style::line(), 1, Qt::DotLine));
    for (const float v : {0.0f, 0.25f, 0.5f, 0.75f, 1.0f}) {
        p.drawLine(place({v, 0}), place({v, 1}));
        p.drawLine(place({0, v}), place({1, v}));
    }
    p.setRenderHint(QPainter::Antialiasing);
    const auto all = points();
    const Contrast contrast(all);
    QPainterPath path;
    for (int i = 0; i <= 200; ++i) {
        const float v = static_cast<float>(i) / 200;
        const QPointF at = place({v, contrast(v)});
        if (i == 0)
            path.moveTo(at);
        else
            path.lineTo(at);
    }
    p.setPen(QPen(style::text(), 1.6));
    p.drawPath(path);
    for (std::size_t i = 0; i < all.size(); ++i) {
        const bool held = static_cast<int>(i) == held_;
        p.setBrush(held ? style::ochre() : style::raised());
        p.drawRect(QRectF(place(all[i]) - QPointF(3.5, 3.5), QSizeF(7, 7)));
        if (!held) continue;
        // Figures beside the point that is held, on whichever side there is room.
        const QString text =
            QStringLiteral("%1 → %2").arg(std::lround(255 * all[i].in)).arg(std::lround(255 * all[i].out));
        const QPointF at = place(all[i]);
        p.drawText(QRectF(at.x() > width() / 2.0 ? at.x() - 86 : at.x() + 8,
                          std::clamp(at.y() - 8, 2.0, height() - 18.0), 78, 16),
                   at.x() > width() / 2.0 ? Qt::AlignRight : Qt::AlignLeft, text);
    }
}

void CurveEditor::mousePressEvent(QMouseEvent* event) {
    held_ = pointAt(event->position());
    if (held_ < 0) add({valueAt(event->position()).in, Contrast(points())(valueAt(event->position()).in)});
    if (held_ >= 0 && pointAt(event->position()) < 0) movePoint(held_, valueAt(event->position()));
    update();
}

void CurveEditor::mouseMoveEvent(QMouseEvent* event) {
    if (held_ >= 0 && event->buttons() & Qt::LeftButton) movePoint(held_, valueAt(event->position()));
}

void CurveEditor::mouseDoubleClickEvent(QMouseEvent* event) { remove(pointAt(event->position())); }

void CurveEditor::keyPressEvent(QKeyEvent* event) {
    const auto all = points();
    const int last = static_cast<int>(all.size()) - 1;
    const float step = event->modifiers() & Qt::ShiftModifier ? 0.002f : 0.01f;
    const auto shift = [&](float dx, float dy) {
        if (held_ < 0 || held_ > last) return;
        const CurvePoint& p = all[static_cast<std::size_t>(held_)];
        movePoint(held_, {p.in + dx, p.out + dy});
    };
    switch (event->key()) {
    case Qt::Key_PageUp: held_ = std::min(last, held_ + 1); break;
    case Qt::Key_PageDown: held_ = std::max(0, held_ - 1); break;
    case Qt::Key_Left: shift(-step, 0); break;
    case Qt::Key_Right: shift(step, 0); break;
    case Qt::Key_Up: shift(0, step); break;
    case Qt::Key_Down: shift(0, -step); break;
    case Qt::Key_Insert: {
        const int i = std::clamp(held_, 0, last - 1);
        const float in =
            0.5f * (all[static_cast<std::size_t>(i)].in + all[static_cast<std::size_t>(i + 1)].in);
        add({in, Contrast(all)(in)});
        break;
    }
    case Qt::Key_Delete:
    case Qt::Key_Backspace: remove(held_); break;
    case Qt::Key_Home:
        use({{0, 0}, {1, 1}});
        held_ = -1;
        break;
    case Qt::Key_Escape: emit closeAsked(); return;
    default: QWidget::keyPressEvent(event); return;
    }
    update();
}

} // namespace irenic
