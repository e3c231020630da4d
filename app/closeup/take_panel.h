// Beside the close-up: the strengths of the take in hand, what it removes in the middle of the view, and its
// checks; of a reference the checks alone.
#pragma once

#include <QWidget>
#include <optional>

#include "document.h"
#include "judge/reference.h"
#include "renderer.h"

class QToolButton;
class QVBoxLayout;

namespace irenic {

class CheckPanel;
class DifferenceView;
class TakeHead;
class ZonePanel;

class TakePanel : public QWidget {
    Q_OBJECT

  public:
    TakePanel(Document& document, Renderer& renderer, QWidget* parent = nullptr);
    // Shows a take, by its index; `removed` is what it removes, none: not shown now.
    void showTake(int take, const std::optional<DifferenceKey>& removed);
    void showReference(const ReferencePtr& reference);
    // Another take comes next.
    void forgetTake();
    // Whether the person wants to see what is removed; and in how many pixels of the screen.
    bool wantsRemoved() const;
    QSize removedSize() const;
    DifferenceView* removed() const { return removed_; }
    ZonePanel& zones() const { return *zones_; }
    CheckPanel& checks() const { return *checks_; }

  signals:
    void wantsChanged();

  private:
    Document& document_;
    TakeHead* head_ = nullptr;
    QVBoxLayout* column_;
    QToolButton* showRemoved_;
    DifferenceView* removed_;
    ZonePanel* zones_;
    CheckPanel* checks_;
    int take_ = -1; // its index
};

} // namespace irenic
