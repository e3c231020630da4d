// A button that measures the recommended take on the photo shown, off the interface thread; while it does it
// shows how far it is and stops when pressed again.
#pragma once

#include <QTimer>
#include <QToolButton>
#include <atomic>
#include <thread>

#include "document.h"

namespace irenic {

class RecommendButton : public QToolButton {
    Q_OBJECT

  public:
    explicit RecommendButton(Document& document, QWidget* parent = nullptr);
    bool running() const { return running_; }

  signals:
    void failed(const QString& reason);

  private:
    void pressedOnce();
    void refresh();

    Document& document_;
    std::atomic<float> done_ = 0;
    QTimer ticking_;
    std::jthread thread_;
    bool running_ = false;
};

} // namespace irenic
