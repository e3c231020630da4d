#include "man_options.h"

#include <QStringList>

namespace irenic {

namespace {

// Hyphens are typed as such, and no line begins with a request.
QString escaped(QString text) {
    text.replace(QLatin1String("\\"), QLatin1String("\\e")).replace(QLatin1Char('-'), QLatin1String("\\-"));
    return text.startsWith(QLatin1Char('.')) ? QLatin1String("\\&") + text : text;
}

} // namespace

std::string manOptionsOf(const std::vector<QCommandLineOption>& options) {
    QString out;
    for (const QCommandLineOption& option : options) {
        QStringList names;
        for (const QString& name : option.names()) {
            const bool letter = name.size() == 1;
            names << QLatin1String("\\fB") +
                         escaped((letter ? QLatin1String("-") : QLatin1String("--")) + name) +
                         QLatin1String("\\fR");
        }
        out += QLatin1String(".TP\n") + names.join(QLatin1String(", "));
        if (!option.valueName().isEmpty())
            out += QLatin1String(" \\fI") + escaped(option.valueName()) + QLatin1String("\\fR");
        out += QLatin1Char('\n') + escaped(option.description()) + QLatin1Char('\n');
    }
    return out.toStdString();
}

} // namespace irenic
