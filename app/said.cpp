#include "said.h"

#include <QCoreApplication>
#include <QDateTime>
#include <QLocale>
#include <QRegularExpression>
#include <algorithm>
#include <vector>

namespace irenic {

namespace {

constexpr const char* kContext = "core";
constexpr const char* kWords[] = {
#include "languages/core_words.inc"
};

// Words with values in them, and how to find those.
struct Pattern {
    QString english;
    QRegularExpression form;
    std::vector<int> values; // which value each part of the form is
    qsizetype fixed;         // letters that are no values
};

std::vector<Pattern> patterns() {
    static const QRegularExpression value(QStringLiteral("%([1-9])"));
    std::vector<Pattern> out;
    for (const char* words : kWords) {
        const QString english = QString::fromUtf8(words);
        Pattern p{english, {}, {}, 0};
        QString form;
        qsizetype from = 0;
        for (auto each = value.globalMatch(english); each.hasNext();) {
            const QRegularExpressionMatch m = each.next();
            const QString before = english.mid(from, m.capturedStart() - from);
            // Lists and sentences are taken apart, but for what stands in brackets or at the end after a
            // colon.
            const bool held = (before.endsWith(QLatin1Char('(')) &&
                               english.mid(m.capturedEnd()).startsWith(QLatin1Char(')'))) ||
                              (before.endsWith(QStringLiteral(": ")) && m.capturedEnd() == english.size());
            form += QRegularExpression::escape(before) +
                    (held ? QStringLiteral("(.+)") : QStringLiteral("([^,:;]+)"));
            p.values.push_back(m.captured(1).toInt());
            from = m.capturedEnd();
        }
        if (p.values.empty()) continue;
        form += QRegularExpression::escape(english.mid(from));
        p.form.setPattern(QRegularExpression::anchoredPattern(form));
        p.fixed = english.size() - 2 * static_cast<qsizetype>(p.values.size());
        out.push_back(std::move(p));
    }
    // What says most of its own is meant first.
    std::stable_sort(out.begin(), out.end(), [](const auto& a, const auto& b) { return a.fixed > b.fixed; });
    return out;
}

// Whether there are words of another language at all.
bool speaksAnother() {
    constexpr const char* kUnlikeInAll = "Take %1 added";
    return QCoreApplication::translate(kContext, kUnlikeInAll) != QLatin1String(kUnlikeInAll);
}

// Empty: it is not known, or not translated.
QString known(const QString& english) {
    const QString out = QCoreApplication::translate(kContext, english.toUtf8().constData());
    return out == english ? QString() : out;
}

QString filledFrom(const Pattern& p, const QRegularExpressionMatch& match) {
    QString out = QCoreApplication::translate(kContext, p.english.toUtf8().constData());
    QStringList values(9);
    for (std::size_t i = 0; i < p.values.size(); ++i)
        values[p.values[i] - 1] = said(match.captured(static_cast<int>(i) + 1));
    for (int i = 0; i < 9; ++i) out.replace(QStringLiteral("%%1").arg(i + 1), values[i]);
    return out;
}

// Each part by itself; as it was where nothing of it is known.
QString saidInParts(const QString& english, const QString& between) {
    QStringList parts = english.split(between);
    for (QString& part : parts) part = said(part);
    return parts.join(between);
}

} // namespace

QString said(const QString& english) {
    if (english.isEmpty() || !speaksAnother()) return english;
    if (const QString exact = known(english); !exact.isEmpty()) return exact;
    static const std::vector<Pattern> all = patterns();
    for (const Pattern& p : all)
        if (const auto match = p.form.match(english); match.hasMatch()) return filledFrom(p, match);
    // "night.dng: the file is damaged."; "A: luminance 1.00× → 1.20×, grain 0 % → 10 %"
    if (const qsizetype colon = english.indexOf(QStringLiteral(": ")); colon > 0) {
        return said(english.left(colon)) + QStringLiteral(": ") + said(english.mid(colon + 2));
    }
    for (const QString& between : {QStringLiteral(", "), QStringLiteral("; ")})
        if (english.contains(between)) return saidInParts(english, between);
    if (const qsizetype stop = english.indexOf(QStringLiteral(". ")); stop > 0)
        return said(english.left(stop + 1)) + QLatin1Char(' ') + said(english.mid(stop + 2));
    return english;
}

QStringList wordsOfTheCore() {
    QStringList out;
    for (const char* words : kWords) out << QString::fromUtf8(words);
    return out;
}

QString numberOf(double value, int decimals) {
    QLocale language;
    language.setNumberOptions(QLocale::OmitGroupSeparator); // ISO 12800
    return language.toString(value, 'f', decimals);
}

QString timeOf(const std::string& time) {
    const QString text = QString::fromStdString(time);
    const QDateTime read = QDateTime::fromString(text, QStringLiteral("yyyy-MM-dd HH:mm:ss"));
    return read.isValid() ? QLocale().toString(read, QLocale::ShortFormat) : text;
}

} // namespace irenic
