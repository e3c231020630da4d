// The language of the window: its words, and how numbers and times are written. The command line stays
// English.
#pragma once

#include <QList>
#include <QString>

class QApplication;
class QObject;
class QTranslator;

namespace irenic::language {

struct Language {
    QString code, name; // "de"; as it calls itself
};
// Those that the window speaks, English first.
QList<Language> all();

// What the person has chosen; empty: the desktop's.
QString chosen();
void choose(const QString& code); // from the next start on

// What the words are in: chosen, or what the desktop asks for. English before use().
QString used();

// The window's words in a language; null where there are none: English needs none.
QTranslator* wordsOf(const QString& code, QObject* parent);

// Words and numbers of the whole application from here on, before its first window. Empty: what the desktop
// asks for, first of those there are; English words with the desktop's numbers where it asks for none of
// them.
void use(QApplication& app, const QString& code);

} // namespace irenic::language
