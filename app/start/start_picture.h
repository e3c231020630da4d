// What the program does, before any photo is open: one place of the mill's cat, the original and three takes.
#pragma once

#include <QTimer>
#include <QWidget>

namespace irenic {

class StartPicture : public QWidget {
    Q_OBJECT

  public:
    explicit StartPicture(QWidget* parent = nullptr);
    QSize sizeHint() const override;
    bool isWhole() const { return !coming_.isActive(); } // all cells have come up

  signals:
    void clicked();

  protected:
    void showEvent(QShowEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;

  private:
    QPixmap cells_; // side by side
    int shown_ = 0; // so many have come up, as on a sheet
    QTimer coming_;
};

} // namespace irenic
