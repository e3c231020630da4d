// All keys of a window, made of its actions and buttons.
#pragma once

#include <QDialog>
#include <QKeySequence>

namespace irenic {

struct KeyEntry {
    QString keys, what;
};
// Every action and button below `window` that has keys, in the order of the keys; and what the mouse and the
// cells do.
QList<KeyEntry> keysOf(const QWidget* window);

class KeyList : public QDialog {
    Q_OBJECT

  public:
    explicit KeyList(QWidget* window);
};

} // namespace irenic
