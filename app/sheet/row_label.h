// A row's name along its left edge: written upwards, or across where the row is folded away.
#pragma once

#include <QWidget>

#include "judge/probes.h"

namespace irenic {

class RowLabel : public QWidget {
    Q_OBJECT

  public:
    RowLabel(int number, const Probe& probe, QWidget* parent);
    void setFolded(bool folded);

  signals:
    void wideAsked();
    void foldAsked(); // or unfolded
    void renameAsked();
    void removeAsked();
    void dropped(QPoint where); // dragged to a place of the screen

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

  private:
    QString text_;
    bool folded_ = false;
    QPoint pressed_;
};

} // namespace irenic
