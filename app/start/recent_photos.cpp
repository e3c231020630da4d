#include "start/recent_photos.h"

#include <QFileInfo>
#include <QPainter>
#include <QStyledItemDelegate>
#include <filesystem>

#include "photos/thumbnail.h"
#include "reader/reader.h"
#include "style/style.h"

namespace irenic {

namespace {

constexpr int kWide = 163, kHigh = 108, kShown = 6, kEdge = 3;

// A picture with its name below.
class RecentPhoto : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex&) const override {
        return {kWide + 2 * kEdge, kHigh + option.fontMetrics.height() + 3 * kEdge};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect all = option.rect.adjusted(kEdge, kEdge, -kEdge, -kEdge);
        const QRect room(all.left(), all.top(), all.width(), kHigh);
        const bool lit = option.state & (QStyle::State_MouseOver | QStyle::State_HasFocus);
        p->fillRect(room, lit ? style::raised() : style::sunken());
        if (const QPixmap picture = index.data(Qt::DecorationRole).value<QPixmap>(); !picture.isNull()) {
            const QSize size = picture.size() / picture.devicePixelRatio();
            p->drawPixmap(room.x() + (room.width() - size.width()) / 2,
                          room.y() + (room.height() - size.height()) / 2, picture);
        }
        p->setPen(style::text());
        p->drawText(all.adjusted(0, kHigh + kEdge, 0, 0), Qt::AlignLeft | Qt::AlignTop,
                    option.fontMetrics.elidedText(index.data().toString(), Qt::ElideMiddle, all.width()));
        if (option.state & QStyle::State_HasFocus) {
            p->setPen(style::ochre());
            p->drawRect(option.rect.adjusted(0, 0, -1, -1));
        }
    }
};

} // namespace

RecentPhotos::RecentPhotos(Jobs& jobs, QWidget* parent) : QListWidget(parent), jobs_(jobs) {
    setObjectName(QStringLiteral("recentPhotos"));
    setAccessibleName(tr("Recent photos"));
    setItemDelegate(new RecentPhoto(this));
    setViewMode(QListView::IconMode);
    setFlow(QListView::LeftToRight);
    setWrapping(false);
    setMovement(QListView::Static);
    setMouseTracking(true);
    setFrameShape(QFrame::NoFrame);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    viewport()->setAutoFillBackground(false);
    const int high = kHigh + fontMetrics().height() + 3 * kEdge + 2;
    setFixedHeight(high);
    setMaximumWidth(kShown * (kWide + 2 * kEdge) + 2);
    const auto open = [this](const QListWidgetItem* item) { emit opened(item->toolTip()); };
    connect(this, &QListWidget::itemClicked, this, open);
    connect(this, &QListWidget::itemActivated, this, [this, open](const QListWidgetItem* item) {
        if (hasFocus() && item == currentItem()) open(item);
    });
}

void RecentPhotos::setPaths(const QStringList& paths) {
    clear();
    waiting_ = paths.mid(0, kShown);
    missing_ = waiting_.size();
    for (const QString& path : waiting_) {
        auto* item = new QListWidgetItem(QFileInfo(path).fileName(), this);
        item->setToolTip(path);
    }
    emit filled(count() > 0);
    lookAhead();
}

void RecentPhotos::lookAhead() {
    if (waiting_.isEmpty()) return;
    struct Known {
        bool there = false;
        Glimpse glimpse;
    };
    const QString path = waiting_.takeFirst();
    const int side = static_cast<int>(kWide * devicePixelRatioF());
    looking_ = jobs_.submit(
        Lane::Quiet, 1,
        [path, side](const Work& work) {
            std::error_code none;
            const std::string file = path.toStdString();
            if (!std::filesystem::is_regular_file(file, none)) return Known{};
            return Known{true, glimpseSandboxed(file, side, work)};
        },
        [this, path](const Outcome<Known>& outcome) {
            for (int row = count() - 1; row >= 0; --row) {
                if (item(row)->toolTip() != path || !outcome.value) continue;
                if (!outcome.value->there)
                    delete takeItem(row);
                else if (const auto& picture = outcome.value->glimpse.picture)
                    item(row)->setData(Qt::DecorationRole,
                                       thumbnailOf(*picture, {kWide, kHigh}, devicePixelRatioF()));
            }
            --missing_;
            emit filled(count() > 0);
            lookAhead();
        });
}

} // namespace irenic
