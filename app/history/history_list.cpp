#include "history/history_list.h"

#include <filesystem>

#include "base/text.h"
#include "said.h"
#include "style/style.h"

namespace irenic {

namespace {
// The newest are what one looks for; a list of thousands would only be slow.
constexpr std::size_t kShownSteps = 300;
} // namespace

HistoryList::HistoryList(Document& document, QWidget* parent) : QListWidget(parent), document_(document) {
    setObjectName(QStringLiteral("history"));
    setAccessibleName(tr("History"));
    setToolTip(tr("All steps, the newest last. Click one to go back to it; grey steps were undone."));
    setTextElideMode(Qt::ElideRight);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    connect(&document_, &Document::historyChanged, this, &HistoryList::refresh);
    connect(this, &QListWidget::itemClicked, this,
            [this](QListWidgetItem* item) { document_.goTo(item->data(Qt::UserRole).toUInt()); });
    connect(this, &QListWidget::itemActivated, this,
            [this](QListWidgetItem* item) { document_.goTo(item->data(Qt::UserRole).toUInt()); });
}

void HistoryList::showEvent(QShowEvent* event) {
    QListWidget::showEvent(event);
    refresh();
}

void HistoryList::refresh() {
    if (!isVisible()) return;
    clear();
    const auto& steps = document_.history().steps();
    const std::size_t present = document_.history().present();
    const std::size_t first = steps.size() > kShownSteps ? steps.size() - kShownSteps : 0;
    const auto add = [&](const QString& text, std::size_t step) {
        auto* item = new QListWidgetItem(
            (step == present ? QStringLiteral("▸ ") : QStringLiteral("   ")) + text, this);
        item->setData(Qt::UserRole, static_cast<uint>(step));
        item->setToolTip(text);
        if (step > present) item->setForeground(QColor(70, 70, 70));
        if (step == present) {
            QFont bold = item->font();
            bold.setBold(true);
            item->setFont(bold);
            setCurrentItem(item);
        }
    };
    add(first == 0 ? tr("Opened") : tr("Earlier steps"), first);
    for (std::size_t i = first; i < steps.size(); ++i) {
        QString text = said(steps[i].name);
        if (steps[i].changes.size() == 1) {
            const std::filesystem::path photo = steps[i].changes[0].photo;
            if (document_.photo() && photo != document_.photo()->file)
                text = QString::fromStdString(shownName(photo.stem())) + QStringLiteral(", ") + text;
        }
        add(text, i + 1);
    }
    scrollToItem(currentItem());
}

} // namespace irenic
