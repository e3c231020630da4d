#include "help/key_list.h"

#include <QAbstractButton>
#include <QAction>
#include <QHeaderView>
#include <QTableWidget>
#include <QVBoxLayout>
#include <algorithm>
#include <set>

namespace irenic {

QList<KeyEntry> keysOf(const QWidget* window) {
    QList<KeyEntry> out;
    std::set<QString> seen;
    const auto add = [&](const QKeySequence& keys, QString what) {
        const QString text = keys.toString(QKeySequence::NativeText);
        what.remove(QLatin1Char('&')).remove(QStringLiteral("…"));
        // Undo and redo carry the name of the step.
        if (const auto colon = what.indexOf(QStringLiteral(": ")); colon > 0) what.truncate(colon);
        if (!text.isEmpty() && seen.insert(text).second) out.append({text, what});
    };
    for (const QAction* a : window->findChildren<QAction*>()) add(a->shortcut(), a->text());
    for (const QAbstractButton* b : window->findChildren<QAbstractButton*>())
        add(b->shortcut(), b->accessibleName().isEmpty() ? b->text() : b->accessibleName());
    std::sort(out.begin(), out.end(), [](const KeyEntry& a, const KeyEntry& b) { return a.keys < b.keys; });
    out.append(
        {{QObject::tr("drag a cell"), QObject::tr("pan all cells")},
         {QObject::tr("wheel on a cell"), QObject::tr("zoom at the pointer")},
         {QObject::tr("drag a rule"), QObject::tr("change its value; with Shift ten times as fine")},
         {QObject::tr("arrows on a rule"), QObject::tr("one step; with Shift the smallest")},
         {QObject::tr("double click on a rule"), QObject::tr("put its value back; Delete does so too")},
         {QObject::tr("drag on the overview"), QObject::tr("move a probe")},
         {QObject::tr("double click on the overview"), QObject::tr("a new probe")},
         {QObject::tr("Delete"), QObject::tr("in the list: take photos out of it; on the overview: "
                                             "take the probe out")}});
    return out;
}

KeyList::KeyList(QWidget* window) : QDialog(window) {
    setWindowTitle(tr("Keys"));
    setAttribute(Qt::WA_DeleteOnClose);
    const QList<KeyEntry> keys = keysOf(window);
    auto* table = new QTableWidget(static_cast<int>(keys.size()), 2, this);
    table->setObjectName(QStringLiteral("keys"));
    table->setAccessibleName(tr("All keys"));
    table->setHorizontalHeaderLabels({tr("Key"), tr("What it does")});
    table->verticalHeader()->hide();
    table->horizontalHeader()->setStretchLastSection(true);
    table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table->setShowGrid(false);
    for (int i = 0; i < keys.size(); ++i) {
        table->setItem(i, 0, new QTableWidgetItem(keys[i].keys));
        table->setItem(i, 1, new QTableWidgetItem(keys[i].what));
    }
    table->resizeColumnToContents(0);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->addWidget(table);
    resize(560, 520);
}

} // namespace irenic
