// A layout that sets widgets in lines, like words: what does not fit goes on the next line.
#pragma once

#include <QLayout>
#include <vector>

namespace irenic {

// Each widget gets the width that it asks for; what is left of a line goes to those that can use it.
class Flow : public QLayout {
  public:
    explicit Flow(QWidget* parent = nullptr) : QLayout(parent) {}
    ~Flow() override;
    void addItem(QLayoutItem* item) override { items_.push_back(item); }
    // From here on a new line.
    void breakLine();
    // What comes after it stands at the right end of its line.
    void toTheRight();
    // What was added last stands in one line with what comes next.
    void keepWithNext();
    // Wider than the gap between neighbours: groups are told apart by it.
    void addGap();
    int count() const override { return static_cast<int>(items_.size()); }
    QLayoutItem* itemAt(int index) const override;
    QLayoutItem* takeAt(int index) override;
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override;
    QSize sizeHint() const override;
    QSize minimumSize() const override;
    void setGeometry(const QRect& rect) override;

  private:
    int arrange(const QRect& rect, bool move) const;

    std::vector<QLayoutItem*> items_;
};

} // namespace irenic
