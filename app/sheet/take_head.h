// The head of a take's column. One line: its letter, method, the two factors, whether it is the chosen one;
// opened it has the rules of all its strengths.
#pragma once

#include <QFrame>
#include <functional>
#include <vector>

#include "judge/equal_noise.h"
#include "session/state.h"

class QComboBox;
class QLabel;
class QToolButton;

namespace irenic {

class TakeHead : public QFrame {
    Q_OBJECT

  public:
    explicit TakeHead(const Take& take, QWidget* parent = nullptr);
    // `facts`: of its photo, for what is recommended.
    void show(const Take& take, const PhotoFacts& facts, bool chosen);
    void setOpen(bool open);
    bool isOpen() const { return open_; }
    // Without a menu: what it offers belongs to the sheet.
    void setPlain() { plain_ = true; }

  signals:
    void edited(const irenic::Settings& settings);
    void openAsked(bool open);
    void chooseAsked();
    void duplicateAsked();
    void removeAsked();
    void renameAsked();
    void keepAsked();                        // as a preset
    void levelAsked(irenic::NoiseKind kind); // the others to this one
    void wideAsked();
    void foldAsked();           // the whole column away
    void dropped(QPoint where); // dragged to a place of the screen

  protected:
    void paintEvent(QPaintEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    void change(const std::function<void(Settings&)>& c);
    QStringList factorTexts() const;
    void makeRoom();

    // What a setting is set with, whatever its kind.
    struct Editor {
        QObject* object;
        const Field<Settings>* field;
    };
    QObject* editorOf(const Field<Settings>& field);
    void showIn(const Editor& editor, const std::optional<Recommended>& recommended);

    Settings settings_;
    QLabel *letter_, *risk_;
    QComboBox* method_;
    QToolButton *fold_, *choose_, *more_;
    QWidget* body_;
    std::vector<Editor> editors_;
    bool chosen_ = false, open_ = false, plain_ = false;
    QPoint pressed_;
    bool doubled_ = false; // the release that follows is no click
};

} // namespace irenic
