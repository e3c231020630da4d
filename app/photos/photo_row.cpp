#include "photos/photo_row.h"

#include <QPainter>

#include "said.h"
#include "style/style.h"

namespace irenic {

namespace {

constexpr int kGap = 4, kTag = 15;
const QString kBetween = QStringLiteral(" · ");

} // namespace

QStringList PhotoRow::stateWords(const QModelIndex& index) {
    if (!index.data(row::Failed).toString().isEmpty()) return {tr("Cannot open")};
    QStringList words;
    if (const QVariant noise = index.data(row::Noise); noise.isValid())
        words << tr("Noise %1").arg(numberOf(noise.toDouble(), 1));
    const int missing = index.data(row::Missing).toInt();
    if (!index.data(row::Made).toStringList().isEmpty())
        words << (missing > 0 ? tr("Exported, %1 missing").arg(missing) : tr("Exported"));
    else if (index.data(row::Changed).toBool())
        words << tr("Edited");
    if (const double iso = index.data(row::Iso).toDouble(); iso > 0)
        words << QStringLiteral("ISO %1").arg(numberOf(iso, 0));
    return words;
}

QString PhotoRow::stateText(const QModelIndex& index) { return stateWords(index).join(kBetween); }

QString PhotoRow::fitting(QStringList words, const QFontMetrics& metrics, int width) {
    while (words.size() > 1 && metrics.horizontalAdvance(words.join(kBetween)) > width) words.removeLast();
    return metrics.elidedText(words.join(kBetween), Qt::ElideRight, width);
}

QSize PhotoRow::sizeHint(const QStyleOptionViewItem& option, const QModelIndex&) const {
    return {120, std::max(option.decorationSize.height(), 2 * option.fontMetrics.height()) + 2 * kGap};
}

void PhotoRow::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    p->save();
    const QRect all = option.rect;
    const bool here = option.state & QStyle::State_Selected;
    if (here) p->fillRect(all, style::raised());
    if (option.state & QStyle::State_HasFocus) {
        p->setPen(style::text());
        p->drawRect(all.adjusted(1, 1, -2, -2));
    }
    // Ochre alone would not be enough: the photo shown has a bar at its side too.
    if (here) p->fillRect(QRect(all.left(), all.top(), 3, all.height()), style::ochre());
    const QSize side = option.decorationSize;
    const QRect room(all.left() + kGap + 3, all.top() + (all.height() - side.height()) / 2, side.width(),
                     side.height());
    const QPixmap picture = index.data(Qt::DecorationRole).value<QPixmap>();
    if (picture.isNull()) {
        p->fillRect(room, style::line());
    } else {
        const QSize size = picture.size() / picture.devicePixelRatio();
        p->drawPixmap(room.x() + (room.width() - size.width()) / 2,
                      room.y() + (room.height() - size.height()) / 2, picture);
    }
    if (const QString letter = index.data(row::Letter).toString(); !letter.isEmpty()) {
        const QRect tag(room.right() - kTag + 1, room.bottom() - kTag + 1, kTag, kTag);
        p->fillRect(tag, style::ochre());
        p->setPen(style::onOchre());
        p->drawText(tag, Qt::AlignCenter, letter);
    }
    const int left = room.right() + 2 * kGap, width = all.right() - left - kGap;
    const QFontMetrics metrics = option.fontMetrics;
    const int top = all.top() + (all.height() - 2 * metrics.height()) / 2;
    p->setPen(style::text());
    p->drawText(QRect(left, top, width, metrics.height()), Qt::AlignLeft | Qt::AlignVCenter,
                metrics.elidedText(index.data(Qt::DisplayRole).toString(), Qt::ElideMiddle, width));
    p->setPen(style::faint());
    p->drawText(QRect(left, top + metrics.height(), width, metrics.height()),
                Qt::AlignLeft | Qt::AlignVCenter, fitting(stateWords(index), metrics, width));
    p->restore();
}

} // namespace irenic
