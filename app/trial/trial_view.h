// A blind trial: two nameless pictures of one place at a time, nothing else on the screen, until the eye's
// own order of all takes stands out. Names come back at the end.
#pragma once

#include <QImage>
#include <QWidget>
#include <array>
#include <optional>
#include <vector>

#include "document.h"
#include "judge/trial.h"
#include "renderer.h"

class QLabel;
class QStackedLayout;
class QToolButton;

namespace irenic {

class PicturePane;
class ReferenceShelf;
class TrialResult;

class TrialView : public QWidget {
    Q_OBJECT

  public:
    // Fewer pictures are no trial.
    static constexpr int kFewest = 2;

    TrialView(Document& document, Renderer& renderer, ReferenceShelf& shelf, QWidget* parent = nullptr);
    // Asks about the takes and references of the photo shown; a sentence where there is nothing to ask about.
    QString begin();
    // Beside each other, or in one place by turns.
    void setFlipped(bool flipped);
    void answer(Preferred preferred);
    void takeBack(); // the last answer
    // To the result, or away from it; without an answer away at once.
    void stop();

    bool asking() const { return !pictures_.empty() && !ended_; }
    bool ready() const; // both pictures are seen
    // The two that are asked about, as numbers among all, and all answers so far.
    std::pair<int, int> pair() const { return pair_; }
    const std::vector<TrialAnswer>& answers() const { return answers_; }
    TrialResult* result() const { return result_; }

  signals:
    void closeAsked();
    void message(const QString& text);
    void learned(); // the person's taste has changed

  protected:
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    void ask();      // the next question
    void request();  // its two pictures
    void prefetch(); // those that the next question may be about
    void tell();
    void turn(bool second); // in flip, which of the two is seen
    std::vector<QImage> tellingImages() const;
    RenderKey keyOf(std::size_t picture, std::size_t probe) const;
    QSize paneSize() const; // in pixels of the screen

    struct Pictured {
        Shown shown;
        std::string name;       // "C learned-quick,luminance=1", or a reference's
        std::uint32_t take = 0; // its id; 0: a reference
    };
    Document& document_;
    Renderer& renderer_;
    ReferenceShelf& shelf_;
    std::vector<Pictured> pictures_;
    std::vector<TrialAnswer> answers_;
    std::pair<int, int> pair_;
    std::uint32_t seed_ = 0;
    bool flipped_ = false, ended_ = false;
    std::array<Job, 2> jobs_;
    std::vector<Job> later_;
    std::array<PicturePane*, 2> panes_;
    std::array<QToolButton*, 3> buttons_;
    QLabel* told_;
    QToolButton* manner_;
    QWidget* question_;
    TrialResult* result_;
    QStackedLayout* stack_;
};

} // namespace irenic
