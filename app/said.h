// The core's words in the language of the window, and numbers as it writes them.
#pragma once

#include <QString>
#include <QStringList>
#include <string>

namespace irenic {

// What the core says in English (base/shown_text.h): a word, a sentence with values in it, "name: sentence",
// several after each other. What has no translation stays as it is.
QString said(const QString& english);
inline QString said(const std::string& english) { return said(QString::fromStdString(english)); }
inline QString said(const char* english) { return said(QString::fromUtf8(english)); }

// All words of the core that are marked to be translated, in English.
QStringList wordsOfTheCore();

// With so many decimals, as the language writes it.
QString numberOf(double value, int decimals);

// A time as it is kept, "2026-01-15 22:10:00", as the language writes it.
QString timeOf(const std::string& time);

} // namespace irenic
