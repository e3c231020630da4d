#include "closeup/take_panel.h"

#include <QScrollArea>
#include <QSettings>
#include <QStyle>
#include <QToolButton>
#include <QVBoxLayout>

#include "closeup/check_panel.h"
#include "closeup/difference_view.h"
#include "closeup/zone_panel.h"
#include "sheet/take_head.h"
#include "style/style.h"

namespace irenic {

namespace {
constexpr int kWidth = 230, kRemovedHeight = 200;
} // namespace

TakePanel::TakePanel(Document& document, Renderer& renderer, QWidget* parent)
    : QWidget(parent), document_(document), showRemoved_(new QToolButton(this)),
      removed_(new DifferenceView(renderer, this)), zones_(new ZonePanel(this)),
      checks_(new CheckPanel(renderer.jobs(), this)) {
    // Where all has no room it scrolls: the window keeps its size.
    auto* area = new QScrollArea(this);
    area->setFrameShape(QFrame::NoFrame);
    area->setWidgetResizable(true);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setFocusPolicy(Qt::NoFocus);
    area->setFixedWidth(kWidth + style()->pixelMetric(QStyle::PM_ScrollBarExtent));
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    whole->addWidget(area);
    auto* body = new QWidget(area);
    body->setFixedWidth(kWidth);
    area->setWidget(body);
    auto* column = column_ = new QVBoxLayout(body);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(style::kGap);
    // What the hand on a strength takes away, seen at once.
    showRemoved_->setText(tr("Show removed"));
    showRemoved_->setCheckable(true);
    showRemoved_->setChecked(QSettings().value(QStringLiteral("closeUp/removed"), true).toBool());
    showRemoved_->setObjectName(QStringLiteral("removedHere"));
    showRemoved_->setToolTip(tr("Shows what this take removes in the middle of the view, amplified: even "
                                "grain is noise, outlines are lost detail."));
    showRemoved_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(showRemoved_, &QToolButton::toggled, this, [this](bool on) {
        QSettings().setValue(QStringLiteral("closeUp/removed"), on);
        emit wantsChanged();
    });
    removed_->setObjectName(QStringLiteral("removedBeside"));
    removed_->setFixedHeight(kRemovedHeight);
    column->addWidget(showRemoved_);
    column->addWidget(removed_);
    column->addSpacing(style::kWideGap);
    column->addWidget(checks_);
    column->addSpacing(style::kWideGap);
    column->addWidget(zones_);
    column->addStretch(1);
    connect(zones_, &ZonePanel::edited, this, [this](const std::vector<Zone>& zones, bool gesture) {
        document_.setZones(take_, zones, gesture);
    });
}

bool TakePanel::wantsRemoved() const { return showRemoved_->isChecked(); }

QSize TakePanel::removedSize() const {
    return (QSizeF(kWidth, kRemovedHeight) * devicePixelRatioF()).toSize();
}

void TakePanel::showTake(int index, const std::optional<DifferenceKey>& removed) {
    const Take& take = document_.takes()[static_cast<std::size_t>(index)];
    if (!head_) {
        head_ = new TakeHead(take, this);
        head_->setOpen(true);
        connect(head_, &TakeHead::edited, this,
                [this, index](const Settings& s) { document_.setSettings(index, s); });
        connect(head_, &TakeHead::chooseAsked, this, [this, index] { document_.choose(index); });
        connect(head_, &TakeHead::openAsked, this, [this](bool open) { head_->setOpen(open); });
        column_->insertWidget(0, head_);
    }
    head_->show(take, document_.facts(), document_.chosen() == index);
    head_->setVisible(true);
    take_ = index;
    zones_->showZones(take.settings.zones);
    zones_->setVisible(true);
    checks_->show(subjectOf(document_.photo(), take.settings));
    showRemoved_->setVisible(true);
    removed_->setVisible(removed.has_value());
    if (removed) removed_->show(*removed);
}

void TakePanel::showReference(const ReferencePtr& reference) {
    for (QWidget* own : std::initializer_list<QWidget*>{head_, showRemoved_, removed_, zones_})
        if (own) own->setVisible(false);
    checks_->show(subjectOf(document_.photo(), reference));
}

void TakePanel::forgetTake() {
    delete head_;
    head_ = nullptr;
}

} // namespace irenic
