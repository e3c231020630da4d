#include "sheet/row_label.h"

#include <QContextMenuEvent>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>

#include "said.h"
#include "style/style.h"

namespace irenic {

RowLabel::RowLabel(int number, const Probe& probe, QWidget* parent)
    : QWidget(parent), text_(QStringLiteral("%1  %2").arg(number).arg(style::capitalised(said(probe.name)))) {
    setToolTip(
        tr("%1\nDouble-click to widen, drag to reorder, right-click for more.").arg(said(probe.reason)));
    setAccessibleName(text_);
}

void RowLabel::setFolded(bool folded) {
    folded_ = folded;
    update();
}

void RowLabel::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setPen(style::text());
    if (folded_) {
        p.fillRect(rect(), style::panel());
        p.drawText(rect().adjusted(6, 0, -6, 0), Qt::AlignVCenter | Qt::AlignLeft,
                   tr("%1   collapsed, click to show").arg(text_));
        return;
    }
    p.translate(0, height());
    p.rotate(-90);
    const QString text = p.fontMetrics().elidedText(text_, Qt::ElideRight, height() - 12);
    p.drawText(QRect(4, 0, height() - 8, width()), Qt::AlignVCenter | Qt::AlignRight, text);
}

void RowLabel::mousePressEvent(QMouseEvent* event) { pressed_ = event->globalPosition().toPoint(); }

void RowLabel::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    const QPoint at = event->globalPosition().toPoint();
    constexpr int kDrag = 24;
    if (std::abs(at.y() - pressed_.y()) >= kDrag)
        emit dropped(at);
    else if (folded_)
        emit foldAsked();
}

void RowLabel::mouseDoubleClickEvent(QMouseEvent*) {
    if (!folded_) emit wideAsked();
}

void RowLabel::contextMenuEvent(QContextMenuEvent* event) {
    QMenu menu(this);
    menu.addAction(tr("Rename probe…"), this, &RowLabel::renameAsked);
    menu.addAction(tr("Widen row"), this, &RowLabel::wideAsked);
    menu.addAction(folded_ ? tr("Show row") : tr("Collapse row"), this, &RowLabel::foldAsked);
    menu.addAction(tr("Remove probe"), this, &RowLabel::removeAsked);
    menu.exec(event->globalPos());
}

} // namespace irenic
