// One place of the photo fills the window: flipped between original and takes in place, divided, side by
// side, or as what a take removed. Letters are the handles.
#pragma once

#include <QPolygonF>
#include <QTimer>
#include <QWidget>
#include <map>
#include <optional>
#include <string>
#include <vector>

#include "closeup/zone_panel.h"
#include "document.h"
#include "judge/checks.h"
#include "renderer.h"
#include "sheet/column.h"

class QButtonGroup;
class QComboBox;
class QHBoxLayout;
class QLabel;
class QToolButton;

namespace irenic {

class Cell;
class DifferenceView;
class ReferenceShelf;
class Rule;
class TakePanel;

class CloseUp : public QWidget {
    Q_OBJECT

  public:
    // In place: one column. Divided: the one before at one side of a line, this one at the other, or quarters
    // of one picture by up to four. Beside: this one and those before it. Removed: the original less this
    // one. Difference: the one before less this one.
    enum class Manner { InPlace, Divided, Beside, Removed, Difference };

    // How the picture is divided.
    enum class Line { Upright, Level, Follows, Quarters };

    CloseUp(Document& document, Renderer& renderer, ReferenceShelf& shelf, QWidget* parent = nullptr);
    // Shows a probe (the pan stays) in a column: 0 the original, i + 1 take i.
    void open(int probe, int column);
    void showColumn(int column);
    int column() const { return column_; }
    int before() const { return before_; }
    void setManner(Manner manner);
    Manner manner() const { return manner_; }
    // The cell of a column, whether it is seen or not.
    Cell* cell(int column) const { return cells_.at(static_cast<std::size_t>(column)); }
    DifferenceView* difference() const { return difference_; }
    // Where the line stands, as a share of the width or, lying, of the height.
    double divider() const { return divider_; }
    void setLine(Line line);
    Line line() const { return lineKind_; }
    // What the take in hand removes here, beside its strengths.
    DifferenceView* removedBeside() const;
    bool current() const; // everything that is seen
    TakePanel& panel() { return *panel_; }
    // What lies over the picture of the take in hand; null: nothing, or nothing yet.
    QImage shownMask() const { return mask_; }

    // Shows everything anew: the monitor's profile has changed.
    void renew();

  signals:
    void closeAsked();
    void hovered(std::optional<QPoint> pixel);
    void placeChanged(QRectF area);                // in the developed picture
    void sweptChanged(const QList<QRectF>& seen);  // in the developed picture; empty: no sweep
    void mapChanged(const irenic::SquareMap& map); // of the take in hand's checks; empty: none is shown

  protected:
    bool event(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void keyReleaseEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void closeEvent(QCloseEvent* event) override; // of a window of its own: it goes back to the sheet

  private:
    void rebuild();
    void refresh();
    void arrange();
    void compare();
    void choose();
    void divide(const std::vector<int>& now);
    void moveLine(QPointF at);
    void makeProbe(QPoint pixel);
    DifferenceKey differenceOf(int first, int second) const;
    // None: what the column shows is not there (yet).
    std::optional<RenderKey> keyOf(int column, PicturePoint centre, QSize screen) const;
    int takeOf(int column) const;               // its index; -1: no take
    ReferencePtr referenceOf(int column) const; // null: none, or not there (yet)
    bool canBeChecked(int column) const { return takeOf(column) >= 0 || referenceOf(column); }
    std::uint32_t probeId() const;
    void stepProbe(int by);
    void showPlace(const Rect& place, const QString& why); // of the photo
    void stepColumn(int by);
    int columns() const { return static_cast<int>(columns_.size()); }
    QString letterOf(int column) const;
    // The zone of the take in hand over its cell, and the brush.
    void showZone();
    // The next step of a way over the whole photo at 100 %, or the one before; it goes on where it was left.
    void sweep(int by);
    void tellZones(QPoint pixel); // that act there, and how strongly
    QPointF middle() const;       // of what is seen, in the developed picture
    void goTo(QPointF middle, const QString& why);
    void paint(QPointF place, double pressure, bool begins, bool straight); // in pixels of the picture
    void endPainting();
    // The columns that are seen, in order from left to right.
    std::vector<int> seen() const;

    Document& document_;
    Renderer& renderer_;
    ReferenceShelf& shelf_;
    std::vector<Column> columns_;
    std::vector<Cell*> cells_;
    std::vector<QToolButton*> letters_;
    QHBoxLayout* index_; // the row of letters
    QWidget *strip_ = nullptr, *area_, *line_, *crossing_;
    TakePanel* panel_;
    QLabel *large_, *says_;
    QButtonGroup* manners_;
    DifferenceView* difference_;
    Rule* gain_;
    QComboBox *what_, *lines_;
    QToolButton* above_; // beside: one above the other
    QTimer fading_;      // the large letter goes
    Manner manner_ = Manner::InPlace;
    int probe_ = 0, column_ = 0, before_ = 0, held_ = -1;
    double divider_ = 0.5, crossingShare_ = 0.5;
    Line lineKind_ = Line::Upright;
    // What lies over the picture: of which zone and place, and with the line that is being drawn.
    struct ShownMask {
        std::optional<Zone> zone; // none: the map of the checks
        SquareMap map;
        RenderKey key;
        ZonePanel::Overlay overlay;
        friend bool operator==(const ShownMask&, const ShownMask&) = default;
    };
    struct Swept {
        std::optional<QPointF> last; // none: it begins anew
        QList<QRectF> seen;
    };
    std::map<std::string, Swept> swept_; // by the photo's id
    ShownMask maskOf_;
    QImage mask_;
    Job masking_, telling_;
    Stroke stroke_;   // in pixels of the photo
    QPolygonF drawn_; // the same in pixels of the picture
};

} // namespace irenic
