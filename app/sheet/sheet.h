// The trial sheet: rows are probes, columns are the original and the takes, every cell shows the same pixels.
#pragma once

#include <QTimer>
#include <QWidget>
#include <optional>
#include <set>
#include <vector>

#include "document.h"
#include "judge/equal_noise.h"
#include "renderer.h"
#include "sheet/column.h"

class QLabel;
class QScrollArea;
class QToolButton;

namespace irenic {

class Cell;
class ReferenceHead;
class ReferenceShelf;
class RowLabel;
class TakeHead;

class Sheet : public QWidget {
    Q_OBJECT

  public:
    Sheet(Document& document, Renderer& renderer, ReferenceShelf& shelf, QWidget* parent = nullptr);

    // Column 0 is the original, take i is column i + 1, references follow. Null when there is no such cell.
    Cell* cell(int row, int column) const;
    // Of what is shown: at fit one row shows all there is to see.
    int rows() const { return document_.zoom() > 0 || cells_.empty() ? static_cast<int>(cells_.size()) : 1; }
    int columns() const { return static_cast<int>(columns_.size()); }
    TakeHead* head(int take) const { return heads_.at(static_cast<std::size_t>(take)); }
    ReferenceHead* referenceHead(int reference) const {
        return referenceHeads_.at(static_cast<std::size_t>(reference));
    }
    RowLabel* label(int row) const { return labels_.at(static_cast<std::size_t>(row)); }
    // What the keys act on: the column or row of the cell that has the focus, else of the one under the
    // pointer.
    enum class Side { Columns, Rows };
    void openWide(Side side); // the others become strips; again: all are even
    void fold(Side side);     // away, or back
    void move(Side side, int by);
    void showEverything(); // nothing wide, nothing folded
    // Every cell shows what is asked for now.
    bool allCurrent() const;
    // The heads of all takes, or of none, show their strengths; otherwise one at most does.
    void openAllHeads(bool open);
    bool allHeadsOpen() const { return allOpen_; }
    // Shows everything anew: the monitor's profile has changed.
    void renew();
    // While on, a click on a cell is told as picked() instead of panning.
    void setPicking(bool on);

  signals:
    void picked(QPoint pixel);
    void opened(int row, int column); // a cell is to be seen alone
    void levelAsked(int take, irenic::NoiseKind kind);
    void presetAsked(int take);                // a take is to be kept as a preset
    void hovered(std::optional<QPoint> pixel); // none: the pointer has left the cells

  protected:
    void resizeEvent(QResizeEvent* event) override;
    void showEvent(QShowEvent* event) override;

  private:
    void rebuild();
    void refresh();
    // Puts heads, labels and cells in their places: as many whole rows as have room, the others below.
    void arrange();
    void openHead(int take, bool open);
    void askForName(int take);
    void askForProbeName(int probe);
    void makeHeads();
    void makeRow(std::size_t row);
    bool sameNames() const; // of the probes as the labels have them
    int handOf(Side side) const;
    // Widths of the columns, or heights of the rows, from what there is for all of them.
    std::vector<int> columnWidths(int room) const;
    std::vector<int> rowHeights(int room) const;
    bool isFolded(const Column& column) const;
    bool isFolded(const Probe& probe) const { return foldedRows_.count(probe.id) > 0; }
    int columnAt(QPoint screen) const;
    int rowAt(QPoint screen) const;
    void refreshHeads();
    // Which cell is rendered first: originals, the take in hand, then rows from the one under the pointer
    // outward, and in each the fast methods first, so that every column soon shows something.
    double orderOf(int row, const Column& column) const;
    QString originalText() const;

    Document& document_;
    Renderer& renderer_;
    ReferenceShelf& shelf_;
    QScrollArea *headArea_, *cellArea_;
    QWidget *headRow_ = nullptr, *body_ = nullptr;
    QLabel* original_ = nullptr;
    std::vector<RowLabel*> labels_; // of the rows
    std::vector<std::uint32_t> rowIds_;
    std::vector<std::string> names_;    // of the probes
    std::vector<QToolButton*> unfolds_; // one for each column
    std::uint32_t openTake_ = 0;        // whose head is open
    bool allOpen_ = false;
    bool arrangedForPlaces_ = true; // not for the whole photo at fit
    bool picking_ = false;
    int rowInHand_ = 0, columnInHand_ = 0; // the pointer was there last
    std::optional<Column> wideColumn_;
    std::uint32_t wideRow_ = 0; // a probe; 0: none
    std::vector<Column> foldedColumns_;
    std::set<std::uint32_t> foldedRows_;
    std::uint32_t takeInHand_ = 0; // its settings were changed last
    QTimer resizing_;              // all cells are resized together: ask once
    std::vector<Column> columns_;
    std::vector<TakeHead*> heads_;
    std::vector<ReferenceHead*> referenceHeads_;
    std::vector<std::vector<Cell*>> cells_;
};

} // namespace irenic
