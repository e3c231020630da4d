#include "help/key_list.h"

#include <QAbstractButton>
#include <QAction>
#include <QHeaderView>
#include <QLineEdit>
#include <QMenu>
#include <QMenuBar>
#include <QPrintDialog>
#include <QPrinter>
#include <QPushButton>
#include <QTableWidget>
#include <QTextDocument>
#include <QVBoxLayout>
#include <algorithm>
#include <functional>
#include <set>

namespace irenic {

namespace {

QString plain(QString text) {
    text.remove(QLatin1Char('&')).remove(QStringLiteral("…"));
    // Undo and redo carry the name of the step.
    if (const auto colon = text.indexOf(QStringLiteral(": ")); colon > 0) text.truncate(colon);
    return text;
}

// What no action stands for.
QList<KeyEntry> gestures() {
    const QString sheet = QObject::tr("Sheet"), closeUp = QObject::tr("Close-up"),
                  trial = QObject::tr("Blind trial"), several = QObject::tr("Sheet over photos"),
                  mouse = QObject::tr("Mouse and sliders"), lists = QObject::tr("Lists");
    return {{sheet, QObject::tr("Arrows"), QObject::tr("Go from cell to cell")},
            {sheet, QObject::tr("Enter"), QObject::tr("Open the cell in the close-up")},
            {closeUp, QObject::tr("O"), QObject::tr("Show the original")},
            {closeUp, QObject::tr("A to H"), QObject::tr("Show that take")},
            {closeUp, QObject::tr("R"), QObject::tr("Show the next reference")},
            {closeUp, QObject::tr("Left, Right"), QObject::tr("Show the previous or next take")},
            {closeUp, QObject::tr("Tab"), QObject::tr("Flip the last two")},
            {closeUp, QObject::tr("Ctrl+Tab, Shift+Tab"), QObject::tr("Go to the next or previous control")},
            {closeUp, QObject::tr("Space"), QObject::tr("Show the original while held")},
            {closeUp, QObject::tr("Up, Down"), QObject::tr("Zoom in or out")},
            {closeUp, QObject::tr("Shift+Arrows"), QObject::tr("Pan")},
            {closeUp, QObject::tr("Page Up, Page Down"), QObject::tr("Go to the previous or next probe")},
            {closeUp, QObject::tr("K"), QObject::tr("Paint on the zone; with Shift erase; again: stop")},
            {closeUp, QObject::tr("M"),
             QObject::tr("Show the zone: in colour, grey outside, as an outline, not at all")},
            {closeUp, QObject::tr("N"),
             QObject::tr("Go to the next place that the checks found; with Shift the one before")},
            {closeUp, QObject::tr("S"),
             QObject::tr("Sweep over the whole photo at 100 %; with Shift one step back")},
            {closeUp, QObject::tr("P"), QObject::tr("Add a probe here")},
            {closeUp, QObject::tr("Enter"), QObject::tr("Choose this take for export")},
            {closeUp, QObject::tr("Esc"), QObject::tr("Go back to the sheet")},
            {trial, QObject::tr("Left, Right"),
             QObject::tr("Prefer the left or right picture, or the first or second")},
            {trial, QObject::tr("Down"), QObject::tr("See no difference")},
            {trial, QObject::tr("F"), QObject::tr("Show both in one place, or beside each other")},
            {trial, QObject::tr("Space"), QObject::tr("Change between the two that are in one place")},
            {trial, QObject::tr("Backspace"), QObject::tr("Take the last answer back")},
            {trial, QObject::tr("Esc"), QObject::tr("Show the result, then go back")},
            {several, QObject::tr("Page Up, Page Down"),
             QObject::tr("Show the previous or next probe of each photo")},
            {several, QObject::tr("Esc"), QObject::tr("Go back to the sheet")},
            {mouse, QObject::tr("Drag a cell"), QObject::tr("Pan its row; with Shift all rows")},
            {mouse, QObject::tr("Wheel on a cell"), QObject::tr("Zoom at the pointer")},
            {mouse, QObject::tr("Double-click a cell"), QObject::tr("Open it in the close-up")},
            {mouse, QObject::tr("Alt with a brush"), QObject::tr("Draw a straight line")},
            {mouse, QObject::tr("Pen with a brush"), QObject::tr("Press harder to draw a wider line")},
            {mouse, QObject::tr("Click in the close-up"),
             QObject::tr("Say which zones act there, and how strongly")},
            {mouse, QObject::tr("Ctrl+wheel with a brush"),
             QObject::tr("Set its size; with Shift its soft edge")},
            {mouse, QObject::tr("Drag a slider"), QObject::tr("Set its value; with Shift 10× finer")},
            {mouse, QObject::tr("Arrows on a slider"), QObject::tr("One step; with Shift the smallest")},
            {mouse, QObject::tr("Double-click a slider"), QObject::tr("Reset its value; so does Delete")},
            {mouse, QObject::tr("Drag on the overview"), QObject::tr("Move a probe")},
            {mouse, QObject::tr("Double-click the overview"), QObject::tr("Add a probe")},
            {lists, QObject::tr("Delete"),
             QObject::tr("In the list: close the selected photos. On the overview: remove the probe")}};
}

} // namespace

QList<KeyEntry> keysOf(const QWidget* window) {
    QList<KeyEntry> out;
    std::set<QString> seen;
    const auto add = [&](const QString& group, const QKeySequence& keys, const QString& what) {
        const QString text = keys.toString(QKeySequence::NativeText);
        if (!text.isEmpty() && seen.insert(text).second) out.append({group, text, plain(what)});
    };
    const std::function<void(const QString&, const QMenu*)> walk = [&](const QString& group,
                                                                       const QMenu* menu) {
        for (const QAction* a : menu->actions())
            a->menu() ? walk(group, a->menu()) : add(group, a->shortcut(), a->text());
    };
    if (const auto* bar = window->findChild<QMenuBar*>())
        for (const QAction* a : bar->actions())
            if (a->menu()) walk(plain(a->text()), a->menu());
    const auto groupOf = [window](const QObject* of) {
        for (const QObject* o = of; o && o != window; o = o->parent())
            if (o->objectName() == QLatin1String("closeUp")) return QObject::tr("Close-up");
        return QObject::tr("Sheet");
    };
    for (const QAction* a : window->findChildren<QAction*>()) add(groupOf(a), a->shortcut(), a->text());
    for (const QAbstractButton* b : window->findChildren<QAbstractButton*>())
        add(groupOf(b), b->shortcut(), b->accessibleName().isEmpty() ? b->text() : b->accessibleName());
    out.append(gestures());
    QStringList groups;
    for (const KeyEntry& k : out)
        if (!groups.contains(k.group)) groups.append(k.group);
    std::stable_sort(out.begin(), out.end(), [&](const KeyEntry& a, const KeyEntry& b) {
        return groups.indexOf(a.group) < groups.indexOf(b.group);
    });
    return out;
}

QString pageOf(const QList<KeyEntry>& keys) {
    QString page =
        QStringLiteral("<h2>%1</h2>").arg(KeyList::tr("Irenic: keyboard and mouse").toHtmlEscaped());
    QString group;
    for (const KeyEntry& k : keys) {
        if (k.group != group) {
            if (!group.isEmpty()) page += QStringLiteral("</table>");
            group = k.group;
            page += QStringLiteral("<h4>%1</h4><table width=\"100%\">").arg(group.toHtmlEscaped());
        }
        page += QStringLiteral("<tr><td width=\"35%\">%1</td><td>%2</td></tr>")
                    .arg(k.keys.toHtmlEscaped(), k.what.toHtmlEscaped());
    }
    return page + QStringLiteral("</table>");
}

KeyList::KeyList(QWidget* window)
    : QDialog(window), keys_(keysOf(window)), search_(new QLineEdit(this)), table_(new QTableWidget(this)) {
    setWindowTitle(tr("Keyboard and mouse"));
    setAttribute(Qt::WA_DeleteOnClose);
    search_->setObjectName(QStringLiteral("search"));
    search_->setPlaceholderText(tr("Search keys"));
    search_->setAccessibleName(search_->placeholderText());
    connect(search_, &QLineEdit::textChanged, this, &KeyList::list);
    table_->setObjectName(QStringLiteral("keys"));
    table_->setAccessibleName(tr("All keys and gestures"));
    table_->setColumnCount(2);
    table_->setHorizontalHeaderLabels({tr("Key"), tr("What it does")});
    table_->verticalHeader()->hide();
    table_->horizontalHeader()->setStretchLastSection(true);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setShowGrid(false);
    auto* column = new QVBoxLayout(this);
    column->addWidget(search_);
    column->addWidget(table_, 1);
    auto* print = new QPushButton(tr("Print…"), this);
    print->setObjectName(QStringLiteral("printKeys"));
    print->setToolTip(tr("Prints this list, or saves it as PDF."));
    print->setAutoDefault(false);
    connect(print, &QPushButton::clicked, this, &KeyList::print);
    column->addWidget(print, 0, Qt::AlignRight);
    list({});
    table_->resizeColumnToContents(0);
    resize(560, 620);
}

void KeyList::print() {
    QPrinter printer;
    if (QPrintDialog(&printer, this).exec() != QDialog::Accepted) return;
    QTextDocument page;
    page.setHtml(pageOf(keys_));
    page.print(&printer);
}

void KeyList::list(const QString& wanted) {
    table_->clearSpans();
    table_->setRowCount(0);
    QString group;
    const auto add = [this](int column, const QString& text) {
        auto* item = new QTableWidgetItem(text);
        table_->setItem(table_->rowCount() - 1, column, item);
        return item;
    };
    for (const KeyEntry& k : keys_) {
        if (!(k.group + QLatin1Char(' ') + k.keys + QLatin1Char(' ') + k.what)
                 .contains(wanted, Qt::CaseInsensitive))
            continue;
        if (k.group != group) {
            table_->setRowCount(table_->rowCount() + 1);
            QFont bold = font();
            bold.setWeight(QFont::DemiBold);
            add(0, group = k.group)->setFont(bold);
            table_->setSpan(table_->rowCount() - 1, 0, 1, 2);
        }
        table_->setRowCount(table_->rowCount() + 1);
        add(0, k.keys), add(1, k.what);
    }
}

} // namespace irenic
