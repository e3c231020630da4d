// A button that measures the recommended take on the photo shown, off the interface thread; while it does it
// shows how far it is and stops when pressed again. others() is a menu of what else was found.
#pragma once

#include <QMenu>
#include <QTimer>
#include <QToolButton>
#include <map>
#include <optional>
#include <string>
#include <utility>

#include "base/jobs.h"
#include "document.h"
#include "judge/seen_alike.h"

namespace irenic {

class RecommendButton : public QToolButton {
    Q_OBJECT

  public:
    RecommendButton(Document& document, Jobs& jobs, QWidget* parent = nullptr);
    bool running() const; // for the photo shown
    // Whether each photo is measured when it is first shown; remembered.
    bool byItself() const { return byItself_; }
    void setByItself(bool on);

    // What the measurement offers beside the best, each as an action that adds a take; empty before.
    QMenu* others() const { return others_; }
    void renewTaste(); // it has changed
    // The longer side of what will be delivered, in pixels; 0: as large as the photo.
    void setLongest(int pixels);

  signals:
    void offered(bool any);         // others() has changed
    void said(const QString& text); // why nothing was measured, or which take it is that was there already

  private:
    void pressedOnce();
    void measure(bool asked);
    void refresh();
    void offer();
    void offerTaste(const Recommended& known); // once what is left of the noise is measured
    void offerSize(const Recommended& known);  // once it is known what cannot be told apart

    Document& document_;
    Jobs& jobs_;
    // What is asked for goes on when another photo is shown, and belongs to its own.
    struct Measuring {
        Job job;
        bool asked = false;
    };
    const Measuring* here() const;
    std::string path() const;
    QTimer ticking_;
    QMenu* others_;
    // What the person's taste adds to the recommended take: no grain where there is nothing to add.
    struct Leaning {
        float grain = 0;
        int trials = 0;
    };
    Job tasting_;
    std::optional<RecipeId> tasteOf_; // what `leaning_` is for
    Leaning leaning_;
    // The quickest take that cannot be told from the recommended one at that size.
    int longest_ = 0;
    Job comparing_;
    QTimer resting_;                                  // until the look is not moved any more
    std::optional<std::pair<RecipeId, int>> alikeOf_; // what `alike_` is for
    std::optional<SeenAlike> alike_;
    std::map<std::string, Measuring> measuring_; // by photo
    bool byItself_;
};

} // namespace irenic
