// Where the sheet's cells stand: widths and heights, what is wide, folded or moved.
#include <QLabel>
#include <QScrollArea>
#include <QScrollBar>
#include <QToolButton>
#include <algorithm>
#include <numeric>

#include "sheet/cell.h"
#include "sheet/reference_head.h"
#include "sheet/row_label.h"
#include "sheet/sheet.h"
#include "sheet/take_head.h"
#include "style/style.h"

namespace irenic {

namespace {

// A cell is never smaller than this in a sheet that has to scroll anyway.
constexpr int kLeastColumn = 180, kLeastRow = 192, kSpace = 3, kLabelWidth = 20;

// Strips: of what is beside a wide column or row, and of what is folded away.
constexpr int kNarrowColumn = 84, kNarrowRow = 64, kFoldedColumn = 24, kFoldedRow = 22;

} // namespace

bool Sheet::isFolded(const Column& column) const {
    return std::find(foldedColumns_.begin(), foldedColumns_.end(), column) != foldedColumns_.end();
}

std::vector<int> Sheet::columnWidths(int room) const {
    std::vector<int> widths;
    int taken = 0, even = 0;
    const bool anyWide =
        wideColumn_ && std::find(columns_.begin(), columns_.end(), *wideColumn_) != columns_.end();
    for (const Column& c : columns_) {
        const bool wide = anyWide && c == *wideColumn_;
        widths.push_back(isFolded(c) ? kFoldedColumn : anyWide && !wide ? kNarrowColumn : 0);
        taken += widths.back(), even += widths.back() == 0;
    }
    const int each = std::max(kLeastColumn, (room - taken) / std::max(1, even));
    for (int& w : widths)
        if (w == 0) w = each;
    return widths;
}

std::vector<int> Sheet::rowHeights(int room) const {
    if (document_.zoom() <= 0) return {room}; // the whole photo, once
    const auto& probes = document_.probes();
    const bool anyWide =
        std::any_of(probes.begin(), probes.end(), [this](const Probe& p) { return p.id == wideRow_; });
    std::vector<int> heights;
    int taken = 0, even = 0;
    for (const Probe& p : probes) {
        heights.push_back(isFolded(p) ? kFoldedRow : anyWide && p.id != wideRow_ ? kNarrowRow : 0);
        taken += heights.back(), even += heights.back() == 0;
    }
    // As many whole rows as have room, the others below.
    const int fitting =
        std::clamp((room - (anyWide ? 0 : taken)) / (kLeastRow + kSpace), 1, std::max(1, even));
    const int each =
        anyWide ? std::max(kLeastRow + kSpace, room - taken) : std::max(24, (room - taken) / fitting);
    for (int& h : heights)
        if (h == 0) h = std::max(each, 24);
    return heights;
}

void Sheet::arrange() {
    arrangedForPlaces_ = document_.zoom() > 0;
    int headHeight = original_->sizeHint().height();
    for (std::size_t i = 0; i < heads_.size(); ++i) {
        heads_[i]->setOpen(allOpen_ || document_.takes()[i].id == openTake_);
        headHeight = std::max(headHeight, heads_[i]->sizeHint().height());
    }
    for (const ReferenceHead* head : referenceHeads_)
        headHeight = std::max(headHeight, head->sizeHint().height());
    headArea_->setFixedHeight(headHeight);
    const QSize all(width(), height() - headHeight);
    const int bar = style()->pixelMetric(QStyle::PM_ScrollBarExtent);
    const auto sum = [](const std::vector<int>& v) { return std::accumulate(v.begin(), v.end(), 0); };
    // Scroll bars take room only where they are needed.
    std::vector<int> heights = rowHeights(all.height());
    const int side = sum(heights) > all.height() ? bar : 0;
    const std::vector<int> widths = columnWidths(all.width() - side - kLabelWidth);
    const int across = kLabelWidth + sum(widths);
    if (across > all.width() - side) heights = rowHeights(all.height() - bar);
    headRow_->setFixedSize(across, headHeight);
    body_->setFixedSize(across, std::max(1, sum(heights)));
    int left = kLabelWidth;
    for (std::size_t c = 0; c < columns_.size(); ++c) {
        const std::size_t takes = heads_.size();
        QWidget* head = c == 0          ? static_cast<QWidget*>(original_)
                        : c - 1 < takes ? static_cast<QWidget*>(heads_[c - 1])
                                        : referenceHeads_[c - 1 - takes];
        const bool folded = isFolded(columns_[c]);
        head->setGeometry(left, 0, widths[c] - kSpace, headHeight);
        head->setVisible(!folded);
        unfolds_[c]->setGeometry(left, 2, widths[c] - 1, std::min(headHeight - 2, 26));
        unfolds_[c]->setVisible(folded);
        int top = 0;
        for (std::size_t r = 0; r < cells_.size(); ++r) {
            const bool shown = r < heights.size();
            const int high = shown ? heights[r] : 24;
            const bool rowFolded = arrangedForPlaces_ && isFolded(document_.probes()[r]);
            cells_[r][c]->setGeometry(left, top, std::max(1, widths[c] - kSpace), std::max(1, high - kSpace));
            cells_[r][c]->setVisible(shown && !folded && !rowFolded);
            if (c == 0) {
                labels_[r]->setFolded(rowFolded);
                labels_[r]->setGeometry(0, top, rowFolded ? across : kLabelWidth, std::max(1, high - kSpace));
                labels_[r]->setVisible(shown && arrangedForPlaces_); // at fit it is the whole photo
            }
            top += high;
        }
        left += widths[c];
    }
}

int Sheet::handOf(Side side) const {
    for (std::size_t r = 0; r < cells_.size(); ++r)
        for (std::size_t c = 0; c < cells_[r].size(); ++c)
            if (cells_[r][c]->hasFocus()) return static_cast<int>(side == Side::Columns ? c : r);
    return side == Side::Columns ? columnInHand_ : rowInHand_;
}

void Sheet::openWide(Side side) {
    const auto at = static_cast<std::size_t>(handOf(side));
    if (side == Side::Columns && at < columns_.size()) {
        const Column& column = columns_[at];
        std::erase(foldedColumns_, column);
        wideColumn_ = wideColumn_ == column ? std::nullopt : std::optional(column);
    } else if (side == Side::Rows && at < document_.probes().size()) {
        const std::uint32_t id = document_.probes()[at].id;
        foldedRows_.erase(id);
        wideRow_ = wideRow_ == id ? 0 : id;
    }
    arrange(), refresh();
}

void Sheet::fold(Side side) {
    const auto at = static_cast<std::size_t>(handOf(side));
    if (side == Side::Columns && at < columns_.size()) {
        const Column& column = columns_[at];
        if (isFolded(column))
            std::erase(foldedColumns_, column);
        else if (foldedColumns_.size() + 1 < columns_.size())
            foldedColumns_.push_back(column);
        if (wideColumn_ == column) wideColumn_.reset();
    } else if (side == Side::Rows && at < document_.probes().size()) {
        const std::uint32_t id = document_.probes()[at].id;
        if (foldedRows_.erase(id) == 0 && foldedRows_.size() + 1 < document_.probes().size())
            foldedRows_.insert(id);
        if (wideRow_ == id) wideRow_ = 0;
    }
    arrange(), refresh();
}

void Sheet::move(Side side, int by) {
    const int at = handOf(side);
    if (side == Side::Columns)
        document_.moveTake(at - 1, at - 1 + by);
    else
        document_.orderProbe(at, at + by);
    // What was moved stays in hand.
    (side == Side::Columns ? columnInHand_ : rowInHand_) = at + by;
}

void Sheet::showEverything() {
    wideColumn_.reset(), wideRow_ = 0;
    foldedColumns_.clear(), foldedRows_.clear();
    arrange(), refresh();
}

int Sheet::columnAt(QPoint screen) const {
    const int x = body_->mapFromGlobal(screen).x();
    int at = 0;
    for (int c = 0; c < columns(); ++c)
        if (x >= cells_.front()[static_cast<std::size_t>(c)]->x()) at = c;
    return at;
}

int Sheet::rowAt(QPoint screen) const {
    const int y = body_->mapFromGlobal(screen).y();
    int at = 0;
    for (std::size_t r = 0; r < labels_.size(); ++r)
        if (y >= labels_[r]->y()) at = static_cast<int>(r);
    return at;
}

} // namespace irenic
