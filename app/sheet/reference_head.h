// The head of a reference's column: whose file it is, what was done to it, and no strengths.
#pragma once

#include <QFrame>

class QLabel;
class QToolButton;

namespace irenic {

class ReferenceHead : public QFrame {
    Q_OBJECT

  public:
    // `letter` "R1"; `file` a whole path.
    ReferenceHead(const QString& letter, const QString& file, QWidget* parent = nullptr);
    void show(const QString& text, bool matched, bool failed);

  signals:
    void matchAsked(bool on);
    void againAsked();
    void closeAsked();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    void writeTexts();

    QString file_, text_;
    QLabel *name_, *says_;
    QToolButton *match_, *again_;
};

} // namespace irenic
