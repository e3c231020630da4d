// The manual (docs/manual) inside the window.
#pragma once

#include <QDialog>
#include <QStringList>

class QLineEdit;
class QListWidget;
class QTextBrowser;

namespace irenic {

class Manual : public QDialog {
    Q_OBJECT

  public:
    // The pages in their order, as their files are called: "first-ten-minutes".
    static QStringList pages();
    // Markdown, as it stands in the file; empty: there is no such page.
    static QString textOf(const QString& page);
    // The page on the part of the window that a widget belongs to; the first one for everything else.
    static QString pageFor(const QWidget* widget);

    explicit Manual(QWidget* window);
    void showPage(const QString& page);
    QString shown() const { return shown_; }

  private:
    void follow(const QUrl& link);
    void search(const QString& words);

    QLineEdit* search_;
    QListWidget* list_;
    QTextBrowser* text_;
    QString shown_;
};

} // namespace irenic
