#include "export/delivery_form.h"

#include <QComboBox>
#include <QLineEdit>
#include <QListView>
#include <QSignalBlocker>
#include <QSpinBox>
#include <algorithm>

#include "deliver/formats.h"
#include "said.h"

namespace irenic {

namespace {

bool isOf(const FieldInfo& field, const char* id) { return std::string(field.id) == id; }

bool hasUse(const Format& format, const FieldInfo& field) {
    if (isOf(field, "bits")) return !format.bits.empty();
    if (isOf(field, "packing")) return !format.packings.empty();
    if (isOf(field, "quality")) return format.quality;
    if (isOf(field, "edits")) return format.raw;
    if (isOf(field, "space") || isOf(field, "longest")) return !format.raw;
    return true;
}

// Whether a format can have the choice at this place of the field's list.
bool canHave(const Format& format, const FieldInfo& field, int choice) {
    if (isOf(field, "bits"))
        return format.canHave(std::stoi(field.choices[static_cast<std::size_t>(choice)]));
    if (isOf(field, "packing"))
        return std::find(format.packings.begin(), format.packings.end(), static_cast<Packing>(choice)) !=
               format.packings.end();
    return true;
}

} // namespace

QWidget* DeliveryForm::box(const char* id, const char* name) {
    const Field<Delivery>* field = findField<Delivery>(id);
    QWidget* made = nullptr;
    if (!field->choices.empty()) {
        auto* combo = new QComboBox(parent_);
        for (const char* text : field->shownChoices) combo->addItem(said(text));
        connect(combo, &QComboBox::currentIndexChanged, this, &DeliveryForm::edited);
        made = combo;
    } else if (std::holds_alternative<float Delivery::*>(field->member)) {
        auto* spin = new QSpinBox(parent_);
        spin->setRange(static_cast<int>(field->least), static_cast<int>(field->most));
        spin->setPrefix(said(field->label) + QLatin1Char(' '));
        spin->setSuffix(QString::fromUtf8(field->unit));
        if (isOf(*field, "longest")) spin->setSpecialValueText(tr("Full size"));
        connect(spin, &QSpinBox::valueChanged, this, &DeliveryForm::edited);
        made = spin;
    } else {
        auto* line = new QLineEdit(parent_);
        line->setMinimumWidth(150);
        connect(line, &QLineEdit::textChanged, this, &DeliveryForm::edited);
        made = line;
    }
    made->setObjectName(QString::fromLatin1(name));
    made->setAccessibleName(said(field->label));
    made->setToolTip(said(field->sentence));
    boxes_.push_back({field, made});
    setDelivery(rest_);
    return made;
}

Delivery DeliveryForm::delivery() const {
    Delivery d = rest_;
    for (const auto& [field, widget] : boxes_) {
        if (const auto* combo = qobject_cast<QComboBox*>(widget))
            setFromText(*field, d,
                        field->choices[static_cast<std::size_t>(std::max(0, combo->currentIndex()))]);
        else if (const auto* spin = qobject_cast<QSpinBox*>(widget))
            d.*std::get<float Delivery::*>(field->member) = static_cast<float>(spin->value());
        else
            setFromText(*field, d, qobject_cast<QLineEdit*>(widget)->text().toStdString());
    }
    return d;
}

void DeliveryForm::setDelivery(const Delivery& delivery) {
    rest_ = delivery;
    setting_ = true;
    for (const auto& [field, widget] : boxes_) {
        if (auto* combo = qobject_cast<QComboBox*>(widget))
            combo->setCurrentIndex(choiceFrom(*field, valueText(*field, delivery)));
        else if (auto* spin = qobject_cast<QSpinBox*>(widget))
            spin->setValue(static_cast<int>(delivery.*std::get<float Delivery::*>(field->member)));
        else
            qobject_cast<QLineEdit*>(widget)->setText(QString::fromStdString(valueText(*field, delivery)));
    }
    setting_ = false;
    fit();
    emit changed();
}

void DeliveryForm::setFolder(const std::string& folder) {
    rest_.folder = folder;
    emit changed();
}

void DeliveryForm::edited() {
    if (setting_) return;
    fit();
    emit changed();
}

void DeliveryForm::fit() {
    const Format& format = formatOf(delivery().format);
    for (const auto& [field, widget] : boxes_) {
        widget->setVisible(hasUse(format, *field));
        auto* combo = qobject_cast<QComboBox*>(widget);
        auto* list = combo ? qobject_cast<QListView*>(combo->view()) : nullptr;
        if (!list || !hasUse(format, *field)) continue;
        const QSignalBlocker quiet(combo);
        for (int i = 0; i < combo->count(); ++i) list->setRowHidden(i, !canHave(format, *field, i));
        // What the format cannot have becomes the first that it can.
        for (int i = 0; i < combo->count() && !canHave(format, *field, combo->currentIndex()); ++i)
            if (canHave(format, *field, i)) combo->setCurrentIndex(i);
    }
}

} // namespace irenic
