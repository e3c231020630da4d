// What a take removed, or what differs between two, amplified, on mid-grey (judge/difference.h).
#pragma once

#include <QImage>
#include <QTimer>
#include <QWidget>

#include "renderer.h"

namespace irenic {

class DifferenceView : public QWidget {
    Q_OBJECT

  public:
    explicit DifferenceView(Renderer& renderer, QWidget* parent = nullptr);
    // At the place and zoom of a cell. Nothing happens when it is shown already.
    void show(const DifferenceKey& key);
    // Null unless current.
    QImage image() const { return job_.active() || again_.isActive() ? QImage() : image_; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    void request();

    Renderer& renderer_;
    DifferenceKey key_;
    bool moving_ = false; // by a hand: what is shown is at most one picture old
    Job job_;
    QTimer again_; // for the newest, while the hand moves
    QImage image_;
    QString failure_;
};

} // namespace irenic
