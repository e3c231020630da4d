// Whether what a window says has the room that it needs.
#pragma once

#include <QAbstractButton>
#include <QComboBox>
#include <QLabel>
#include <QStringList>

#include "style/rule.h"

namespace irenic::test {

// Texts of visible buttons, boxes and labels that are wider than the room they have.
inline QStringList cutTexts(const QWidget& window) {
    QStringList cut;
    const auto note = [&](const QWidget* w, const QString& text, int wanted, int room) {
        if (wanted > room + 1)
            cut << QStringLiteral("%1 \"%2\": %3 in %4").arg(w->objectName(), text).arg(wanted).arg(room);
    };
    for (const QAbstractButton* b : window.findChildren<QAbstractButton*>())
        if (b->isVisible()) note(b, b->text(), b->fontMetrics().horizontalAdvance(b->text()), b->width() - 4);
    for (const QComboBox* c : window.findChildren<QComboBox*>())
        // A method's name gives way in a narrow head; its tool tip has it whole.
        if (c->isVisible() && c->objectName() != QLatin1String("method"))
            note(c, c->currentText(), c->fontMetrics().horizontalAdvance(c->currentText()), c->width() - 20);
    for (const Rule* r : window.findChildren<Rule*>())
        if (r->isVisible())
            note(r, r->label(), r->labelHint() - 8, static_cast<int>(r->placeOf(r->least())) - 4);
    for (const QLabel* l : window.findChildren<QLabel*>()) {
        if (!l->isVisible() || l->wordWrap() || l->textFormat() == Qt::RichText || l->text().contains('<'))
            continue;
        if (l->objectName() == QLatin1String("message")) continue; // its tool tip has it whole
        note(l, l->text(), l->fontMetrics().horizontalAdvance(l->text()), l->width());
    }
    return cut;
}
// Neighbours in one parent that overlap.
inline QStringList overlaps(const QWidget& window) {
    QStringList found;
    for (const QAbstractButton* a : window.findChildren<QAbstractButton*>())
        for (const QWidget* b : a->parentWidget()->findChildren<QWidget*>(Qt::FindDirectChildrenOnly))
            if (a != b && a->isVisible() && b->isVisible() && !b->findChild<const QAbstractButton*>() &&
                a->geometry().intersects(b->geometry()) && !b->isWindow() &&
                !b->geometry().contains(a->geometry()))
                found << a->text() + QStringLiteral(" over ") + b->objectName();
    return found;
}

} // namespace irenic::test
