// The contrast curve, drawn and edited by its points, over the histogram of the photo.
#pragma once

#include <QWidget>

#include "document.h"

class QToolButton;

namespace irenic {

class CurveEditor : public QWidget {
    Q_OBJECT

  public:
    explicit CurveEditor(Document& document, QWidget* parent = nullptr);
    QSize sizeHint() const override { return large_ ? QSize(464, 464) : QSize(232, 232); }
    void setLarge(bool large);
    // Where a point of the curve stands in the widget.
    QPointF place(CurvePoint point) const;

  signals:
    void closeAsked();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    std::vector<CurvePoint> points() const; // never empty: a straight line where the look has none
    void use(std::vector<CurvePoint> points);
    CurvePoint valueAt(QPointF position) const;
    int pointAt(QPointF position) const;
    void movePoint(int point, CurvePoint to);
    void add(CurvePoint point);
    void remove(int point);

    Document& document_;
    int held_ = -1;
    bool large_ = false;
    QToolButton* size_;
};

} // namespace irenic
