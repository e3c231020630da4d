#include "trial/trial_result.h"

#include <QFileDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>
#include <cmath>

#include "base/safe_file.h"
#include "base/text.h"
#include "denoise/method.h"
#include "denoise/noise_left.h"
#include "said.h"
#include "session/taste.h"
#include "style/style.h"

namespace irenic {

namespace {

constexpr double kSure = 0.9, kLikely = 0.7;

QString named(const TrialRecord& record, int picture) {
    return QString::fromStdString(record.pictures[static_cast<std::size_t>(picture)]);
}

// "A Learned quick, luminance 1" of "A learned-quick, luminance 1", as it is kept.
QString shownName(const QString& name) {
    const QString id = name.section(QLatin1Char(' '), 1, 1).section(QLatin1Char(','), 0, 0);
    const Method* method = findMethod(id.toStdString());
    return method ? QString(name).replace(name.indexOf(id), id.size(), said(method->name())) : name;
}

// "A" of "A learned-quick, luminance 1".
QString letterOf(const QString& name) { return name.section(QLatin1Char(' '), 0, 0); }

QString sureText(double sure) {
    const QString percent = TrialResult::tr("%1 % sure").arg(std::lround(100 * sure));
    return sure >= kSure     ? TrialResult::tr("clearly above the next (%1)").arg(percent)
           : sure >= kLikely ? TrialResult::tr("probably above the next (%1)").arg(percent)
                             : TrialResult::tr("about as good as the next (%1)").arg(percent);
}

// Of a picture's own pixels, none enlarged or reduced.
QPixmap middleOf(const QImage& image, double ratio) {
    constexpr QSize kSize(150, 84);
    if (image.isNull()) return {};
    const QSize size = (QSizeF(kSize) * ratio).toSize().boundedTo(image.size());
    QPixmap out =
        QPixmap::fromImage(image.copy((image.width() - size.width()) / 2,
                                      (image.height() - size.height()) / 2, size.width(), size.height()));
    out.setDevicePixelRatio(ratio);
    return out;
}

QString sentenceOf(const TrialRecord& record, const TrialRanking& ranking) {
    const QString best = letterOf(named(record, ranking.order.front()));
    if (ranking.sure.empty() || ranking.sure.front() < kLikely)
        return TrialResult::tr("No picture stands out: the ones at the top look alike to you.");
    return ranking.sure.front() >= kSure
               ? TrialResult::tr("You prefer %1.").arg(best)
               : TrialResult::tr("You probably prefer %1. More answers would make it surer.").arg(best);
}

} // namespace

TrialResult::TrialResult(Document& document, Jobs& jobs, QWidget* parent)
    : QWidget(parent), document_(document), jobs_(jobs), heading_(new QLabel(this)),
      sentence_(new QLabel(this)), rows_(new QVBoxLayout) {
    setObjectName(QStringLiteral("trialResult"));
    QFont large = heading_->font();
    large.setPointSizeF(large.pointSizeF() * 1.5);
    heading_->setFont(large);
    sentence_->setWordWrap(true);
    auto* save = new QPushButton(tr("Save as text…"), this);
    save->setObjectName(QStringLiteral("saveTrial"));
    connect(save, &QPushButton::clicked, this, &TrialResult::save);
    auto* close = new QPushButton(tr("Back to the sheet"), this);
    close->setObjectName(QStringLiteral("closeTrial"));
    close->setDefault(true);
    connect(close, &QPushButton::clicked, this, &TrialResult::closeAsked);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(close), buttons->addWidget(save), buttons->addStretch(1);
    auto* page = new QVBoxLayout;
    page->addStretch(1);
    page->addWidget(heading_), page->addWidget(sentence_);
    page->addSpacing(3 * style::kGap);
    page->addLayout(rows_);
    page->addSpacing(3 * style::kGap);
    page->addLayout(buttons);
    page->addStretch(2);
    auto* whole = new QHBoxLayout(this);
    whole->addStretch(1), whole->addLayout(page, 4), whole->addStretch(1);
}

void TrialResult::show(const TrialRecord& record, const std::vector<std::uint32_t>& takes,
                       const std::vector<QImage>& images) {
    while (QLayoutItem* item = rows_->takeAt(0)) {
        if (item->widget()) item->widget()->deleteLater();
        delete item;
    }
    const TrialRanking ranking = rankingOf(static_cast<int>(record.pictures.size()), record.answers);
    heading_->setText(sentenceOf(record, ranking));
    sentence_->setText(tr("From %1 answers. Noise left is measured on an even grey with this photo's noise.")
                           .arg(record.answers.size()));
    left_.assign(record.pictures.size(), nullptr);
    text_ = tr("Blind trial of %1, %2")
                .arg(QString::fromStdString(shownName(document_.photo()->file)), timeOf(record.when)) +
            QStringLiteral("\n") + heading_->text() + QStringLiteral("\n\n");
    auto* table = new QWidget(this);
    auto* grid = new QGridLayout(table);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(4 * style::kGap);
    for (std::size_t i = 0; i < ranking.order.size(); ++i) {
        const int picture = ranking.order[i], row = static_cast<int>(i);
        const QString name = shownName(named(record, picture)),
                      sure = i < ranking.sure.size() ? sureText(ranking.sure[i]) : QString();
        auto* place = new QLabel(QString::number(i + 1), table);
        place->setForegroundRole(QPalette::PlaceholderText);
        auto* who = new QLabel(name, table);
        who->setObjectName(QStringLiteral("trialPlace-%1").arg(i + 1));
        if (i == 0) {
            QFont bold = who->font();
            bold.setWeight(QFont::DemiBold);
            who->setFont(bold);
        }
        auto* left = left_[static_cast<std::size_t>(picture)] = new QLabel(table);
        auto* how = new QLabel(sure, table);
        how->setForegroundRole(QPalette::PlaceholderText);
        auto* pixels = new QLabel(table);
        pixels->setPixmap(middleOf(images[static_cast<std::size_t>(picture)], devicePixelRatioF()));
        grid->addWidget(place, row, 0), grid->addWidget(pixels, row, 1), grid->addWidget(who, row, 2);
        grid->addWidget(left, row, 3), grid->addWidget(how, row, 4);
        const std::uint32_t id = takes[static_cast<std::size_t>(picture)];
        if (id != 0) {
            auto* choose = new QPushButton(tr("Choose %1 for export").arg(letterOf(name)), table);
            choose->setObjectName(QStringLiteral("chooseTrial-%1").arg(i + 1));
            connect(choose, &QPushButton::clicked, this, [this, id] {
                const auto& all = document_.takes();
                for (std::size_t t = 0; t < all.size(); ++t)
                    if (all[t].id == id) document_.choose(static_cast<int>(t));
                emit closeAsked();
            });
            grid->addWidget(choose, row, 5);
        }
        text_ += tr("%1. %2").arg(i + 1).arg(name) + (sure.isEmpty() ? sure : QStringLiteral(", ") + sure) +
                 QLatin1Char('\n');
    }
    grid->setColumnStretch(6, 1);
    grid->setVerticalSpacing(2 * style::kGap);
    rows_->addWidget(table);
    measure(takes, ranking);
}

// Beside each take, as soon as it is known.
void TrialResult::measure(const std::vector<std::uint32_t>& takes, const TrialRanking& ranking) {
    std::vector<std::optional<Settings>> settings;
    for (const std::uint32_t id : takes) {
        const Take* take = document_.state().take(id);
        settings.push_back(take ? std::optional(take->settings) : std::nullopt);
    }
    measuring_ = jobs_.submit(
        Lane::Quiet, -5,
        [photo = document_.photo(), settings](const Work& work) {
            std::vector<std::optional<double>> out(settings.size());
            for (std::size_t i = 0; i < settings.size(); ++i)
                if (settings[i]) out[i] = noiseLeftOnGrey(*photo, *settings[i], {work.stop}).luminance;
            return out;
        },
        [this, worth = ranking.worth](const Outcome<std::vector<std::optional<double>>>& made) {
            if (!made.value) return;
            learning_ = jobs_.submit(
                Lane::Saving, 2,
                [worth, left = *made.value](const Work&) {
                    Taste taste = loadTaste();
                    taste.learn(worth, left);
                    saveTaste(taste);
                    return true;
                },
                [this](const Outcome<bool>& saved) {
                    if (saved.value) emit learned();
                });
            for (std::size_t i = 0; i < std::min(left_.size(), made.value->size()); ++i)
                if ((*made.value)[i])
                    left_[i]->setText(tr("%1 % of the noise left").arg(numberOf(100 * *(*made.value)[i], 0)));
        });
}

void TrialResult::save() {
    const QString file =
        QFileDialog::getSaveFileName(this, tr("Save the result"), tr("trial.txt"), tr("Text (*.txt)"));
    if (!file.isEmpty()) saveTo(file);
}

void TrialResult::saveTo(const QString& file) {
    saving_ = jobs_.submit(
        Lane::Saving, 0,
        [file, bytes = text_.toStdString()](const Work&) {
            writeWhole(file.toStdString(), bytes, SafeFile::Existing::Replace);
            return true;
        },
        [this, file](const Outcome<bool>& made) {
            emit message(made.value ? tr("Saved: %1").arg(file)
                                    : tr("%1 could not be saved: %2").arg(file, said(made.problem)));
        });
}

} // namespace irenic
