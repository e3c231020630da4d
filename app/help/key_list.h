// All keys of a window, made of its actions and buttons.
#pragma once

#include <QDialog>
#include <QKeySequence>

class QLineEdit;
class QTableWidget;

namespace irenic {

struct KeyEntry {
    QString group, keys, what;
};
// Every action and button below `window` that has keys, and what the mouse, the cells and the close-up do: by
// group, in the order of the menus.
QList<KeyEntry> keysOf(const QWidget* window);
// The same as a page to print: a table for each group.
QString pageOf(const QList<KeyEntry>& keys);

class KeyList : public QDialog {
    Q_OBJECT

  public:
    explicit KeyList(QWidget* window);

  private:
    void list(const QString& wanted); // entries that hold this text; all without one
    void print();

    QList<KeyEntry> keys_;
    QLineEdit* search_;
    QTableWidget* table_;
};

} // namespace irenic
