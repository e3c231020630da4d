// One cell of the trial sheet: a place of the photo in one take, at true pixels, with its own state on it.
#pragma once

#include <QElapsedTimer>
#include <QRegion>
#include <QTimer>
#include <QWidget>
#include <optional>

#include "renderer.h"

namespace irenic {

class Cell : public QWidget {
    Q_OBJECT

  public:
    enum class State { Empty, Waiting, Rendering, Current, Failed };
    // What is on the screen: nothing, what was at hand, a draft, a step of a moving hand, or true pixels.
    enum class Pixels { None, AtHand, Draft, Step, True };

    explicit Cell(Renderer& renderer, QWidget* parent = nullptr);

    // What the cell is to show; smaller orders are rendered first. Nothing happens when it is shown already.
    void show(const RenderKey& key, double order);
    // Says why there is nothing to show yet, or at all.
    void showNothing(const QString& why);
    State state() const;
    Pixels pixels() const { return pixels_; }
    // What is on the screen, null unless current.
    QImage image() const { return isCurrent() ? image_ : QImage(); }
    const RenderKey& wanted() const { return key_; }
    // Units of the widget for one pixel of the photo.
    double scale() const { return key_.view.zoom / ratio_; }
    // The pixel of the picture under a point of the widget, while the cell is current; and where a pixel's
    // top left corner stands.
    std::optional<QPoint> pixelAt(QPointF position) const;
    QPointF placeOf(QPoint pixel) const;
    // Marks a pixel and writes its value as shown, red, green and blue of 0 to 255; none: nothing.
    void setReadout(std::optional<QPoint> pixel);
    QString readoutText() const;
    // Clicks say what is grey instead of panning.
    void setPicking(bool on);
    // The probe's rectangle, in pixels of the picture, whose edges can be dragged; empty: none.
    void setProbe(const QRectF& area);

    // What lies over the picture, over all that the cell shows; null: nothing.
    void setOverlay(const QImage& image);
    // A brush of that diameter, in pixels of the photo, whose hard part is `hard` of it: the left button
    // paints instead of panning. Below 0: none.
    void setBrush(double diameter, double hard = 1);

    // A letter in the corner; none: an empty one.
    void setBadge(const QString& letter, Qt::Corner corner = Qt::TopLeftCorner);
    // A double click names its pixel instead of opening the cell.
    void setDoubleClickMakes(bool on) { doubleClickMakes_ = on; }

  signals:
    void doubled(QPoint pixel);
    void opened();                        // double click, Enter
    void moveAsked(int across, int down); // arrow keys
    void becameCurrent();
    void drafted(); // a draft stands where true pixels will
    void stepped(); // a picture of the moment was shown while a hand moves a strength
    void panned(QPointF photoPixels, bool allRows); // all: Shift was held
    void probeDragged(QRectF area);                 // where its edges were dragged to
    void zoomAsked(int direction,
                   QPointF fromCentre); // +1 in, -1 out; position in photo pixels from the cell's centre
    void resized();
    void hovered(std::optional<QPoint> pixel); // none: the pointer has left
    void picked(QPoint pixel);
    void clicked(QPoint pixel); // without a drag
    // In pixels of the picture; whole numbers are their centres. `pressure`: 0..1, of a pen; 1 of a mouse.
    // `straight`: Alt is held.
    void painted(QPointF place, double pressure, bool begins, bool straight);
    void paintingEnded();
    void brushAsked(int direction, bool softness); // the wheel, with Ctrl

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void tabletEvent(QTabletEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    bool isCurrent() const { return pixels_ == Pixels::True; }
    void keep(const QImage& image, Pixels what);
    void paintPicture(QPainter& p);
    void paintPixelGrid(QPainter& p, QPointF corner);
    void paintProbe(QPainter& p);
    void paintBrush(QPainter& p);
    void paintStrip(QPainter& p, const QString& text, double share);
    QString timeLeft(double share) const;
    QPointF imageCorner() const;
    QRect pictureRect() const;
    // The edges of the probe's rectangle near a point.
    Qt::Edges edgesAt(QPointF position) const;
    QPointF pictureAt(QPointF position) const; // in pixels of the picture, fractions kept
    void look();                               // at what is there of a picture that is being made
    void request();
    void paintAt(QPointF position, double pressure, bool begins, bool straight);
    void requestDraft(); // of a cell that has no true pixels yet
    void step();         // a picture of the moment, while a hand moves a strength
    void rest();         // the hand does

    Renderer& renderer_;
    Job job_, draftJob_, stepJob_;
    double ratio_ = 1; // pixels of the screen for one unit of the widget
    RenderKey key_, stepKey_;
    double order_ = 0;
    QImage image_, screen_; // as rendered, and in the monitor's colours
    std::optional<QPoint> readout_;
    bool picking_ = false;
    QString badge_;
    Qt::Corner badgeCorner_ = Qt::TopLeftCorner;
    bool doubleClickMakes_ = false;
    QString failure_;
    QTimer ticking_, resting_;
    QElapsedTimer since_; // when it began to be rendered
    QImage partial_;      // as far as it is made
    QRegion missing_;     // where it is not, in its pixels
    Pixels pixels_ = Pixels::None;
    QString nothing_;
    QRectF probe_;
    QImage overlay_;
    double brush_ = -1, hard_ = 1;
    std::optional<QPointF> pointer_; // of a brush, in the widget
    bool painting_ = false;
    Qt::Edges dragged_;
    QPointF grabbed_, pressed_; // where a drag has got to; where it began
};

} // namespace irenic
