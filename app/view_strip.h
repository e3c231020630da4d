// The row above the sheet: how it is shown, and what can be added to it.
#pragma once

#include <QWidget>

#include "base/jobs.h"
#include "document.h"

class QButtonGroup;
class QLabel;
class QToolButton;

namespace irenic {

class RecommendButton;
class Rule;

class ViewStrip : public QWidget {
    Q_OBJECT

  public:
    ViewStrip(Document& document, Jobs& jobs, QWidget* parent);
    bool lookShown() const;
    // Where the pointer is; empty: nowhere in the photo.
    void setPixel(const QString& text);
    RecommendButton& recommend() { return *recommend_; }

  signals:
    void lookToggled(bool shown);
    void message(const QString& text);

  private:
    QButtonGroup* zoomButtons();
    QToolButton* sizeMenu();
    QToolButton* lookButton();
    QLabel* noteOfPush();
    void refresh();

    QWidget* joined(QToolButton* last); // the sizes, as one control
    QToolButton* backButton();

    Document& document_;
    QButtonGroup* zooms_ = nullptr;
    QToolButton *sizes_ = nullptr, *look_ = nullptr, *back_ = nullptr;
    Rule* push_ = nullptr;
    QLabel *pushNote_ = nullptr, *pixel_ = nullptr;
    RecommendButton* recommend_ = nullptr;
};

} // namespace irenic
