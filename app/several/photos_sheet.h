// One setting over several photos: a row for each of a few unlike photos of the selection, a column for each
// take of the photo shown. Strengths are set once and move in all rows.
#pragma once

#include <QStringList>
#include <QWidget>
#include <optional>
#include <vector>

#include "base/jobs.h"
#include "document.h"
#include "judge/probes.h"
#include "renderer.h"

class QGridLayout;
class QLabel;
class QToolButton;

namespace irenic {

class Cell;
class TakeHead;

class PhotosSheet : public QWidget {
    Q_OBJECT

  public:
    static constexpr int kFewest = 2, kMostRows = 6;

    PhotosSheet(Document& document, Renderer& renderer, QWidget* parent = nullptr);
    // Chooses rows among these photos, the one shown first; a sentence where there is nothing to show.
    QString begin(const QStringList& photos);
    void end(); // lets go of all photos but the one shown

    int rows() const { return static_cast<int>(rows_.size()); }
    // Column 0 is the original, take i is column i + 1.
    Cell* cell(int row, int column) const {
        return rows_.at(static_cast<std::size_t>(row)).cells.at(static_cast<std::size_t>(column));
    }
    TakeHead* head(int take) const { return heads_.at(static_cast<std::size_t>(take)); }
    QString photoOf(int row) const { return rows_.at(static_cast<std::size_t>(row)).path; }
    bool allCurrent() const; // every row was read, and every cell shows what is asked for
    bool choosing() const { return choosing_.active(); }

  signals:
    void closeAsked();
    void photoAsked(const QString& file);

  protected:
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    struct Row {
        QString path;
        PhotoPtr photo; // null: not read yet
        std::vector<Probe> probes;
        Look look;
        QString problem; // why it cannot be read
        QToolButton* label = nullptr;
        std::vector<Cell*> cells;
        Job reading;
    };
    void choose(const std::vector<std::size_t>& which);
    void read(std::size_t row);
    void rebuild();
    void refresh();
    void tell();
    void stepProbe(int by);
    void pasteToAll();
    QString nameOf(const Row& row) const;

    Document& document_;
    Renderer& renderer_;
    QStringList photos_; // all of the selection
    std::vector<Row> rows_;
    std::vector<TakeHead*> heads_;
    int probe_ = 0; // of each row, counted on in its own
    Job choosing_;
    QWidget* body_;
    QGridLayout* grid_;
    QLabel *told_, *original_ = nullptr;
    QToolButton* paste_;
};

} // namespace irenic
