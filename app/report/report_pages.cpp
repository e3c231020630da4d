// The report as pages.
#include <QBuffer>
#include <QCoreApplication>
#include <QPainter>
#include <QPdfWriter>
#include <algorithm>
#include <cmath>

#include "base/text.h"
#include "denoise/method.h"
#include "judge/check_kinds.h"
#include "report/report.h"
#include "said.h"

namespace irenic {

namespace {

// Names the words of the report to those who translate them.
struct Words {
    Q_DECLARE_TR_FUNCTIONS(irenic::Report)
};

constexpr int kResolution = 144; // of text and rules, dots an inch
constexpr int kMargin = 15;      // millimetres
const QColor kInk(30, 30, 30), kSecond(110, 110, 110), kRule(190, 190, 190), kMarked(150, 95, 10);

// Text and pictures from the top of a page downward; what does not fit begins a new page.
class Pages {
  public:
    explicit Pages(QPdfWriter& writer) : writer_(writer), painter_(&writer) {}

    // With room for pictures below it on the same page, if that is wanted.
    void text(const QString& words, double size = 1, const QColor& ink = kInk, bool bold = false,
              bool withPictures = false) {
        setFont(size, bold);
        painter_.setPen(ink);
        const QRect room(0, 0, width(), 1 << 20);
        const int high = painter_.boundingRect(room, Qt::TextWordWrap, words).height();
        make(high + (withPictures ? width() / 3 : 0));
        painter_.drawText(room.translated(0, y_), Qt::TextWordWrap, words);
        y_ += high + gap() / 2;
    }
    void rule() {
        make(gap());
        painter_.setPen(QPen(kRule, 1));
        painter_.drawLine(0, y_, width(), y_);
        y_ += gap();
    }
    void space() { y_ += gap(); }
    // Side by side, each with a name above it; as wide as the page has room for.
    void pictures(const std::vector<std::pair<QString, QImage>>& all) {
        constexpr std::size_t kAcross = 3;
        setFont(1, false);
        for (std::size_t from = 0; from < all.size(); from += kAcross) {
            const int wide = (width() - static_cast<int>(kAcross - 1) * gap()) / static_cast<int>(kAcross);
            int high = 0;
            const std::size_t to = std::min(all.size(), from + kAcross);
            for (std::size_t i = from; i < to; ++i)
                high = std::max(high, wide * all[i].second.height() / std::max(1, all[i].second.width()));
            const int line = painter_.fontMetrics().height();
            make(high + line + gap());
            for (std::size_t i = from; i < to; ++i) {
                const int x = static_cast<int>(i - from) * (wide + gap());
                painter_.setPen(kSecond);
                painter_.drawText(QRect(x, y_, wide, line), Qt::TextSingleLine,
                                  painter_.fontMetrics().elidedText(all[i].first, Qt::ElideRight, wide));
                painter_.drawImage(QRect(x, y_ + line, wide,
                                         wide * all[i].second.height() / std::max(1, all[i].second.width())),
                                   all[i].second);
            }
            y_ += high + line + gap();
        }
    }

  private:
    void setFont(double size, bool bold) {
        QFont font(QStringLiteral("DejaVu Sans"));
        font.setPointSizeF(9 * size);
        font.setBold(bold);
        painter_.setFont(font);
    }
    int width() const { return writer_.width(); }
    static int gap() { return kResolution / 10; }
    void make(int high) {
        if (y_ + high <= writer_.height() || y_ == 0) return;
        writer_.newPage();
        y_ = 0;
    }
    QPdfWriter& writer_;
    QPainter painter_;
    int y_ = 0;
};

QString named(const Take& take) {
    const QString settings = QString::fromStdString(textOf(take.settings));
    return take.name.empty() ? QStringLiteral("%1  %2").arg(QLatin1Char(take.letter)).arg(settings)
                             : QStringLiteral("%1  %2: %3")
                                   .arg(QLatin1Char(take.letter))
                                   .arg(QString::fromStdString(take.name), settings);
}

// Above a picture: what there is room for.
QString captionOf(const Take& take) {
    return QStringLiteral("%1  %2")
        .arg(QLatin1Char(take.letter))
        .arg(
            QString::fromStdString(take.name.empty() ? findMethod(take.settings.method)->name() : take.name));
}

void writeFindings(Pages& pages, const ReportTake& take) {
    if (!take.unchecked.empty()) return pages.text(QString::fromStdString(take.unchecked), 1, kSecond);
    for (const Finding& f : take.findings) {
        if (!f.value) continue;
        const auto kind = std::find_if(kCheckKinds.begin(), kCheckKinds.end(),
                                       [&](const CheckKind* k) { return f.check == k->id; });
        const QString name =
            kind == kCheckKinds.end() ? QString::fromStdString(f.check) : said((*kind)->shown);
        const QString value = f.unit == check::kColourShift.unit
                                  ? numberOf(*f.value, 1)
                                  : Words::tr("%1 %").arg(std::lround(100 * *f.value));
        const QString grade = f.grade == Grade::Good   ? Words::tr("good")
                              : f.grade == Grade::Look ? Words::tr("look")
                                                       : Words::tr("bad");
        pages.text(QStringLiteral("%1: %2 (%3). %4").arg(name, value, grade, said(f.sentence)), 1,
                   f.grade == Grade::Good ? kSecond : kMarked, f.grade == Grade::Bad);
    }
}

void writeTrial(Pages& pages, const TrialRecord& trial) {
    const TrialRanking ranking = rankingOf(static_cast<int>(trial.pictures.size()), trial.answers);
    pages.rule();
    pages.text(Words::tr("Blind trial"), 1.3, kInk, true);
    pages.text(Words::tr("%1, from %2 answers").arg(timeOf(trial.when)).arg(trial.answers.size()), 1,
               kSecond);
    for (std::size_t i = 0; i < ranking.order.size(); ++i) {
        QString line = Words::tr("%1. %2").arg(i + 1).arg(
            QString::fromStdString(trial.pictures[static_cast<std::size_t>(ranking.order[i])]));
        if (i < ranking.sure.size())
            line += Words::tr(", above the next: %1 % sure").arg(std::lround(100 * ranking.sure[i]));
        pages.text(line);
    }
}

} // namespace

QByteArray pdfOf(const Report& report) {
    const Photo& photo = *report.wish.photo;
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    QPdfWriter writer(&buffer);
    writer.setResolution(kResolution);
    writer.setPageSize(QPageSize(QPageSize::A4));
    writer.setPageMargins(QMarginsF(kMargin, kMargin, kMargin, kMargin), QPageLayout::Millimeter);
    writer.setTitle(QString::fromStdString(shownName(photo.file)));
    writer.setCreator(QString::fromStdString(report.wish.program));
    {
        Pages pages(writer);
        pages.text(QString::fromStdString(shownName(photo.file)), 2, kInk, true);
        QStringList shot = {QString::fromStdString(utf8Of(photo.camera()))};
        if (photo.iso > 0) shot << Words::tr("ISO %1").arg(photo.iso);
        if (photo.exposure > 0) shot << QString::fromStdString(photo.exposureText());
        shot << Words::tr("noise at mid-grey %1 % of white")
                    .arg(numberOf(100 * photo.noise.channel[1].sigma(0.18), 2));
        pages.text(shot.join(QStringLiteral(" · ")), 1, kSecond);
        pages.text(Words::tr("%1, %2").arg(timeOf(report.when), QString::fromStdString(report.wish.program)),
                   1, kSecond);
        for (std::size_t p = 0; p < report.originals.size(); ++p) {
            const Probe& probe = report.wish.state.probes[p];
            pages.space();
            pages.text(Words::tr("Probe %1: %2, at 100 %").arg(p + 1).arg(said(probe.name)), 1.1, kInk, true,
                       true);
            std::vector<std::pair<QString, QImage>> pictures = {{Words::tr("Original"), report.originals[p]}};
            for (const ReportTake& t : report.takes) pictures.push_back({captionOf(t.take), t.crops[p]});
            pages.pictures(pictures);
        }
        for (const ReportTake& t : report.takes) {
            pages.rule();
            pages.text(named(t.take) + (t.chosen ? Words::tr("  (chosen for export)") : QString()), 1.3, kInk,
                       true);
            if (!t.unchecked.empty())
                pages.text(
                    Words::tr("%1 % of the noise left on an even grey").arg(numberOf(100 * t.noiseLeft, 0)));
            writeFindings(pages, t);
        }
        if (report.wish.facts.trial) writeTrial(pages, *report.wish.facts.trial);
    }
    return bytes;
}

} // namespace irenic
