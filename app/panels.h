// What stands around the photographs: panels that are hidden, dragged to another side, resized and brought
// back by keys.
#pragma once

#include <QKeySequence>
#include <QMainWindow>

class QDockWidget;
class QMenu;

namespace irenic {

// A window in the window, with the photographs in its middle.
class Panels : public QMainWindow {
    Q_OBJECT

  public:
    explicit Panels(QWidget* middle, QWidget* parent = nullptr);
    // A panel with that name on its head, and the buttons that act on all of it; `id` is kept with its place.
    // `high`: at the first start; 0: what the others leave.
    QDockWidget* add(QWidget* content, const QString& name, const char* id, Qt::DockWidgetArea side,
                     int high = 0, QWidget* actions = nullptr);
    // An entry that shows and hides the panel.
    QAction* addTo(QMenu* menu, QDockWidget* panel, const QString& text, const QKeySequence& key);
    // Where all stand, to be kept, and as it was kept; what is not understood changes nothing.
    QByteArray arrangement() const;
    void arrange(const QByteArray& kept);
    // As at the first start.
    void reset();

  signals:
    void changed(QDockWidget* panel); // it was shown or hidden

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    static constexpr int kVersion = 1;
    void restore(const QByteArray& arrangement);

    QList<std::pair<QDockWidget*, int>> heights_;
    QByteArray kept_, first_; // what is to be restored once there is room; the arrangement at the first start
};

} // namespace irenic
