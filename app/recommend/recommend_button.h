// A button that measures the recommended take on the photo shown, off the interface thread; while it does it
// shows how far it is and stops when pressed again.
#pragma once

#include <QTimer>
#include <QToolButton>

#include "document.h"
#include "base/jobs.h"

namespace irenic {

class RecommendButton : public QToolButton {
    Q_OBJECT

  public:
    RecommendButton(Document& document, Jobs& jobs, QWidget* parent = nullptr);
    bool running() const { return job_.active(); }
    // Whether each photo is measured when it is first shown; remembered.
    bool byItself() const { return byItself_; }
    void setByItself(bool on);

  signals:
    void failed(const QString& reason);

  private:
    void pressedOnce();
    void measure(bool asked);
    void refresh();

    Document& document_;
    Jobs& jobs_;
    QTimer ticking_;
    Job job_;
    bool byItself_;
};

} // namespace irenic
