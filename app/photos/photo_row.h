// How one photo stands in the list: its picture with the chosen take's letter on a corner, its name, its
// speed, and in words what became of it.
#pragma once

#include <QStyledItemDelegate>

namespace irenic {

// Where the list keeps what a row shows.
namespace row {
enum Role {
    Path = Qt::UserRole,
    Iso,     // double; 0: unknown
    Taken,   // "YYYY:MM:DD HH:MM:SS"
    Letter,  // of the chosen take; empty: none
    Changed, // bool: somebody has worked on it
    Made,    // QStringList: the files that were made of it
    Missing, // how many of them are not there any more
    Noise,   // double, in steps of an 8-bit picture; none: not measured
    Failed   // the reason for which it cannot be shown; empty: none
};
} // namespace row

class PhotoRow : public QStyledItemDelegate {
    Q_OBJECT

  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* painter, const QStyleOptionViewItem& option,
               const QModelIndex& index) const override;
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    // The second line, the most important first: "Exported, 1 missing · ISO 6400".
    static QStringList stateWords(const QModelIndex& index);
    static QString stateText(const QModelIndex& index);
    // As many of the words as there is room for, at least one, which is cut if it must be.
    static QString fitting(QStringList words, const QFontMetrics& metrics, int width);
};

} // namespace irenic
