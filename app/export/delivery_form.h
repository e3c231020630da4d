// Boxes for the fields of a delivery, made of its table: what the export strip and the drawer ask with.
#pragma once

#include <QWidget>
#include <vector>

#include "deliver/delivery.h"

namespace irenic {

class DeliveryForm : public QObject {
    Q_OBJECT

  public:
    explicit DeliveryForm(QWidget* parent) : QObject(parent), parent_(parent) {}
    // A box for the field with this id; `name` is the widget's. It hides where the format has no use for it.
    QWidget* box(const char* field, const char* name);
    // What was set last, with what the boxes say now.
    Delivery delivery() const;
    void setDelivery(const Delivery& delivery);
    // Of the fields that have no box.
    void setFolder(const std::string& folder);

  signals:
    void changed();

  private:
    struct Box {
        const Field<Delivery>* field;
        QWidget* widget;
    };
    void fit(); // to the format
    void edited();

    QWidget* parent_;
    std::vector<Box> boxes_;
    Delivery rest_;
    bool setting_ = false;
};

} // namespace irenic
