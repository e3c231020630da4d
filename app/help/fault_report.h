// What helps to find a fault: versions, the machine, what the program said last. Nothing is sent; the person
// reads it, and saves or copies it.
#pragma once

#include <QDialog>
#include <QStringList>

class QCheckBox;
class QPlainTextEdit;

namespace irenic {

// Paths become their last part, so that no folder's name is left.
QString withoutFolders(const QString& text);
// `messages` are what the window said, the oldest first. No picture, and no name of a folder unless asked.
QString faultText(const QStringList& messages, const QString& photo, bool withFolders);

class FaultReport : public QDialog {
    Q_OBJECT

  public:
    // `photo` describes the one that is open; empty: none is.
    FaultReport(const QStringList& messages, const QString& photo, QWidget* parent);
    QString text() const;
    void saveTo(const QString& file);

  signals:
    void message(const QString& text);

  private:
    void refresh();
    void save();

    QStringList messages_;
    QString photo_;
    QPlainTextEdit* shown_;
    QCheckBox* folders_;
};

} // namespace irenic
