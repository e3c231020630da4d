// The histogram of the whole photo in the look it is shown in, with what is clipped at either end.
#pragma once

#include <QTimer>
#include <QWidget>

#include "document.h"
#include "look/background.h"

namespace irenic {

class HistogramView : public QWidget {
    Q_OBJECT

  public:
    explicit HistogramView(Document& document, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {190, 52}; }
    // Null until measured for the look shown.
    const Histogram* histogram() const { return current_ ? &histogram_ : nullptr; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    void measure();

    Document& document_;
    Histogram histogram_;
    bool current_ = false;
    QTimer settling_; // while a value is dragged, the last one counts
    Background background_;
};

} // namespace irenic
