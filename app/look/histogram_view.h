// The histogram of the whole photo in the look it is shown in, with what is clipped at either end.
#pragma once

#include <QWidget>

#include "develop/render.h"
#include "document.h"

namespace irenic {

class HistogramView : public QWidget {
    Q_OBJECT

  public:
    explicit HistogramView(Document& document, QWidget* parent = nullptr);
    void setHistogram(const Histogram& histogram); // of the look that is shown now
    QSize sizeHint() const override { return {190, 52}; }
    // Null until measured for the look shown.
    const Histogram* histogram() const { return current_ ? &histogram_ : nullptr; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    Document& document_;
    Histogram histogram_;
    bool current_ = false;
};

} // namespace irenic
