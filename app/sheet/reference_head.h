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
    // `takes`: letters of those that it can be cleaned like; `cleaned`: that it is.
    void show(const QString& text, bool matched, bool cleaned, bool failed, const QStringList& takes);

  signals:
    void matchAsked(bool on);
    void cleanAsked(int take); // -1: as it is
    void againAsked();
    void closeAsked();

  protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    void writeTexts();
    void listTakes();

    QString file_, text_;
    QStringList takes_;
    QLabel *name_, *says_;
    QToolButton *match_, *clean_, *again_;
};

} // namespace irenic
