// The head of a take's column: its letter, method, values, and whether it is the chosen one.
#pragma once

#include <QFrame>

#include "session/take.h"

class QAction;
class QComboBox;
class QPushButton;
class QToolButton;
class QLabel;

namespace irenic {

class ValueField;

class TakeHead : public QFrame {
    Q_OBJECT

  public:
    explicit TakeHead(const Take& take, QWidget* parent = nullptr);
    void show(const Take& take, bool chosen);

  signals:
    void edited(const irenic::Settings& settings);
    void chooseAsked();
    void duplicateAsked();
    void removeAsked();

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    void tell();

    Settings settings_;
    QLabel* letter_;
    QComboBox* method_;
    QPushButton* choose_;
    QToolButton* more_;
    QLabel* risk_;
    QAction* mend_;
    ValueField *luminance_, *colour_, *coarse_, *detail_, *grain_;
    bool chosen_ = false;
};

} // namespace irenic
