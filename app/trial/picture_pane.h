// A picture on a ground without name, sign or edge.
#pragma once

#include <QImage>
#include <QWidget>

namespace irenic {

class PicturePane : public QWidget {
    Q_OBJECT

  public:
    explicit PicturePane(QWidget* parent = nullptr);
    void setImage(const QImage& image); // null: it is being made
    const QImage& image() const { return image_; }
    void setFailure(const QString& why);

  signals:
    void clicked();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;

  private:
    QImage image_;
    QString failure_;
};

} // namespace irenic
