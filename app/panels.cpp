#include "panels.h"

#include <QAction>
#include <QDockWidget>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QVBoxLayout>

#include "style/style.h"

namespace irenic {

namespace {

constexpr int kSide = 214; // width at the first start
constexpr int kLeastWidth = 150;

} // namespace

Panels::Panels(QWidget* middle, QWidget* parent) : QMainWindow(parent) {
    setWindowFlags(Qt::Widget);
    setObjectName(QStringLiteral("panels"));
    setDockOptions(QMainWindow::AllowNestedDocks);
    setContextMenuPolicy(Qt::NoContextMenu);
    // What stands at the sides has their whole height.
    setCorner(Qt::BottomLeftCorner, Qt::LeftDockWidgetArea);
    setCorner(Qt::BottomRightCorner, Qt::RightDockWidgetArea);
    setCentralWidget(middle);
}

QDockWidget* Panels::add(QWidget* content, const QString& name, const char* id, Qt::DockWidgetArea side,
                         int high, QWidget* actions) {
    auto* panel = new QDockWidget(name, this);
    panel->setObjectName(QLatin1String(id));
    panel->setFeatures(QDockWidget::DockWidgetMovable | QDockWidget::DockWidgetFloatable |
                       QDockWidget::DockWidgetClosable);
    auto* head = new QWidget(panel);
    auto* line = new QHBoxLayout(head);
    line->setContentsMargins(style::kGap + 2, 0, style::kGap + 2, 0);
    auto* words = new QLabel(name, head);
    words->setForegroundRole(QPalette::PlaceholderText);
    line->addWidget(words, 1);
    if (actions) line->addWidget(actions);
    head->setToolTip(tr("Drag to move this panel to another side. Right-click to hide it."));
    head->setContextMenuPolicy(Qt::ActionsContextMenu);
    auto* hide = new QAction(tr("Hide panel"), head);
    connect(hide, &QAction::triggered, panel, [this, panel] {
        panel->hide();
        emit changed(panel);
    });
    head->addAction(hide);
    panel->setTitleBarWidget(head);
    auto* body = new QWidget(panel);
    body->setMinimumWidth(kLeastWidth);
    auto* column = new QVBoxLayout(body);
    column->setContentsMargins(style::kGap, 0, style::kGap, 0);
    column->addWidget(content);
    panel->setWidget(body);
    addDockWidget(side, panel);
    heights_.append({panel, high});
    return panel;
}

QAction* Panels::addTo(QMenu* menu, QDockWidget* panel, const QString& text, const QKeySequence& key) {
    auto* action = new QAction(text, this);
    action->setShortcut(key);
    action->setCheckable(true);
    action->setObjectName(panel->objectName() + QStringLiteral("Shown"));
    menu->addAction(action);
    // Not what is seen counts: without photos none is.
    const auto follow = [action, panel] { action->setChecked(!panel->isHidden()); };
    connect(menu, &QMenu::aboutToShow, action, follow);
    connect(action, &QAction::triggered, this, [this, panel, follow] {
        panel->setVisible(panel->isHidden());
        follow();
        emit changed(panel);
    });
    return action;
}

// Sizes hold only where there is room: once the window is shown.
void Panels::showEvent(QShowEvent* event) {
    QMainWindow::showEvent(event);
    if (!first_.isEmpty()) return;
    QList<QDockWidget*> panels;
    QList<int> widths, heights;
    for (const auto& [panel, high] : heights_)
        panels << panel, widths << kSide, heights << (high > 0 ? high : height());
    resizeDocks(panels, widths, Qt::Horizontal);
    resizeDocks(panels, heights, Qt::Vertical);
    first_ = saveState(kVersion);
    if (!kept_.isEmpty()) restore(kept_);
}

void Panels::restore(const QByteArray& arrangement) {
    restoreState(arrangement, kVersion);
    for (const auto& [panel, high] : heights_) emit changed(panel);
}

QByteArray Panels::arrangement() const { return first_.isEmpty() ? kept_ : saveState(kVersion); }

void Panels::arrange(const QByteArray& kept) {
    kept_ = kept;
    if (!first_.isEmpty()) restore(kept);
}

void Panels::reset() { restore(first_); }

} // namespace irenic
