#include "style/flow.h"

#include <QWidget>
#include <algorithm>

#include "style/style.h"

namespace irenic {

namespace {

// Takes no room; whoever comes after it begins a line.
class LineBreak : public QSpacerItem {
  public:
    LineBreak() : QSpacerItem(0, 0, QSizePolicy::Fixed, QSizePolicy::Fixed) {}
};

// Takes what is left of the line.
class Push : public QSpacerItem {
  public:
    Push() : QSpacerItem(0, 0, QSizePolicy::Expanding, QSizePolicy::Fixed) {}
    bool isEmpty() const override { return false; }
};

class Keep : public QSpacerItem {
  public:
    Keep() : QSpacerItem(0, 0, QSizePolicy::Fixed, QSizePolicy::Fixed) {}
};

constexpr int kGroupGap = 6; // beside the gap that neighbours have
class Gap : public QSpacerItem {
  public:
    Gap() : QSpacerItem(kGroupGap, 0, QSizePolicy::Fixed, QSizePolicy::Fixed) {}
    bool isEmpty() const override { return false; }
};

bool stretches(const QLayoutItem* item) {
    return (item->expandingDirections() & Qt::Horizontal) &&
           item->maximumSize().width() > item->sizeHint().width();
}

} // namespace

Flow::~Flow() {
    for (QLayoutItem* item : items_) delete item;
}

void Flow::breakLine() { addItem(new LineBreak); }
void Flow::toTheRight() { addItem(new Push); }
void Flow::keepWithNext() { addItem(new Keep); }
void Flow::addGap() { addItem(new Gap); }

QLayoutItem* Flow::itemAt(int index) const {
    return index >= 0 && index < count() ? items_[static_cast<std::size_t>(index)] : nullptr;
}

QLayoutItem* Flow::takeAt(int index) {
    QLayoutItem* item = itemAt(index);
    if (item) items_.erase(items_.begin() + index);
    return item;
}

int Flow::heightForWidth(int width) const { return arrange({0, 0, width, 0}, false); }

QSize Flow::sizeHint() const { return minimumSize(); }

QSize Flow::minimumSize() const {
    QSize most;
    for (const QLayoutItem* item : items_) most = most.expandedTo(item->minimumSize());
    const QMargins m = contentsMargins();
    return most + QSize(m.left() + m.right(), m.top() + m.bottom());
}

void Flow::setGeometry(const QRect& rect) {
    QLayout::setGeometry(rect);
    arrange(rect, true);
}

int Flow::arrange(const QRect& rect, bool move) const {
    const QRect room = rect.marginsRemoved(contentsMargins());
    int y = room.top();
    for (std::size_t first = 0; first < items_.size();) {
        // As many as fit, at least one.
        std::size_t last = first;
        int width = 0, height = 0, takers = 0;
        for (; last < items_.size(); ++last) {
            const QLayoutItem* item = items_[last];
            if (dynamic_cast<const LineBreak*>(item)) break;
            if (item->isEmpty()) continue;
            const int wanted = item->sizeHint().width() + (width > 0 ? style::kGap : 0);
            const bool kept = last + 2 < items_.size() && dynamic_cast<const Keep*>(items_[last + 1]);
            const int next = kept ? items_[last + 2]->sizeHint().width() + style::kGap : 0;
            if (width > 0 && width + wanted + next > room.width()) break;
            width += wanted;
            height = std::max(height, item->sizeHint().height());
            takers += stretches(item);
        }
        const int rest = std::max(0, room.width() - width);
        int x = room.left(), given = 0, taker = 0;
        for (std::size_t i = first; i < last; ++i) {
            QLayoutItem* item = items_[i];
            if (item->isEmpty()) continue;
            int w = std::min(item->sizeHint().width(), room.width());
            if (stretches(item)) {
                const int upTo = rest * ++taker / takers;
                w = std::min(w + upTo - given, item->maximumSize().width()), given = upTo;
            }
            if (move) item->setGeometry({x, y, w, height});
            x += w + style::kGap;
        }
        if (height > 0) y += height + style::kGap;
        first = last < items_.size() && dynamic_cast<const LineBreak*>(items_[last]) ? last + 1 : last;
    }
    return y - style::kGap - rect.top() + contentsMargins().bottom();
}

} // namespace irenic
