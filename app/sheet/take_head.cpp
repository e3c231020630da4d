#include "sheet/take_head.h"

#include <QAction>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QSignalBlocker>
#include <QToolButton>
#include <QVBoxLayout>

#include "denoise/method.h"
#include "style/icon.h"
#include "style/rule.h"
#include "style/style.h"

namespace irenic {

TakeHead::TakeHead(const Take& take, QWidget* parent)
    : QFrame(parent), settings_(take.settings), letter_(new QLabel(this)), risk_(new QLabel(this)),
      method_(new QComboBox(this)), fold_(new QToolButton(this)), choose_(new QToolButton(this)),
      more_(new QToolButton(this)), body_(new QWidget(this)) {
    QFont big = letter_->font();
    big.setPointSizeF(big.pointSizeF() * 1.25);
    big.setWeight(QFont::DemiBold);
    letter_->setFont(big);
    for (const auto& m : methods()) {
        method_->addItem(QString::fromStdString(m->name()), QString::fromStdString(m->id()));
        method_->setItemData(method_->count() - 1, QString::fromStdString(m->summary()), Qt::ToolTipRole);
    }
    method_->setObjectName(QStringLiteral("method"));
    method_->setAccessibleName(tr("Method of this take"));
    method_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    method_->setMinimumWidth(24);
    // The two factors are the handle of all strengths.
    fold_->setObjectName(QStringLiteral("fold"));
    fold_->setToolTip(
        tr("Luminance and colour: the noise that is taken away over the noise that was measured. "
           "Opens or folds all strengths of this take; F3 does so with all takes."));
    connect(fold_, &QToolButton::clicked, this, [this] { emit openAsked(!open_); });
    choose_->setObjectName(QStringLiteral("choose"));
    choose_->setCheckable(true);
    choose_->setProperty("accent", true);
    choose_->setIcon(style::icon(style::Icon::Choose));
    connect(choose_, &QToolButton::clicked, this, &TakeHead::chooseAsked);
    more_->setIcon(style::icon(style::Icon::More));
    more_->setAccessibleName(tr("More for this take"));
    more_->setToolTip(tr("Name, duplicate, keep or remove this take"));
    more_->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(more_);
    mend_ = menu->addAction(tr("Mend defect pixels and read-out lines"));
    mend_->setCheckable(true);
    mend_->setObjectName(QStringLiteral("mend"));
    connect(mend_, &QAction::toggled, this, [this](bool on) { change([&](Settings& s) { s.mend = on; }); });
    menu->addSeparator();
    menu->addAction(tr("Name this take…"), this, &TakeHead::renameAsked);
    menu->addAction(tr("Duplicate this take"), this, &TakeHead::duplicateAsked);
    menu->addAction(tr("Keep it as a preset…"), this, &TakeHead::keepAsked);
    menu->addAction(tr("Equal luminance noise in the others"), this,
                    [this] { emit levelAsked(NoiseKind::Luminance); });
    menu->addAction(tr("Equal colour noise in the others"), this,
                    [this] { emit levelAsked(NoiseKind::Colour); });
    menu->addSeparator();
    menu->addAction(tr("Open this column wide"), this, &TakeHead::wideAsked);
    menu->addAction(tr("Fold this column away"), this, &TakeHead::foldAsked);
    menu->addAction(tr("Remove this take"), this, &TakeHead::removeAsked);
    more_->setMenu(menu);

    auto* line = new QHBoxLayout;
    line->setSpacing(style::kGap);
    line->addWidget(letter_);
    line->addWidget(method_, 1);
    line->addWidget(fold_);
    line->addWidget(choose_);
    line->addWidget(more_);

    auto* rules = new QVBoxLayout(body_);
    rules->setContentsMargins(0, 2, 0, 0);
    rules->setSpacing(2);
    const Settings initial;
    int labels = 0;
    for (const Field<Settings>& f : fieldsOf<Settings>()) {
        const auto* member = std::get_if<float Settings::*>(&f.member);
        if (!member) continue;
        auto* rule = new Rule(f, f.shown * static_cast<double>(initial.**member), body_);
        connect(rule, &Rule::changed, this, [this, &f, m = *member](double v) {
            change([&](Settings& s) { s.*m = static_cast<float>(v / f.shown); });
        });
        labels = std::max(labels, rule->labelHint());
        rules->addWidget(rule);
        strengths_.push_back({rule, &f});
    }
    for (const Strength& s : strengths_) s.rule->setLabelWidth(labels);
    risk_->setObjectName(QStringLiteral("risk"));
    risk_->setWordWrap(true);
    risk_->setToolTip(
        tr("Measured on this photo's probes without knowing the truth (Stein's unbiased risk estimate), as a "
           "share of the noise. It goes once the settings are changed."));
    rules->addWidget(risk_);

    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(3, 4, 3, 3);
    column->setSpacing(0);
    column->addLayout(line);
    column->addWidget(body_);
    column->addStretch(1);
    connect(method_, &QComboBox::activated, this, [this] {
        change([this](Settings& s) { s.method = method_->currentData().toString().toStdString(); });
    });
    setOpen(false);
}

void TakeHead::setOpen(bool open) {
    open_ = open;
    body_->setVisible(open);
    makeRoom();
    fold_->setAccessibleName(open ? tr("Fold the strengths")
                                  : tr("Open the strengths, %1").arg(factorsText()));
}

QString TakeHead::factorsText() const {
    const auto text = [](float v) {
        return v == 0 ? tr("none") : QString::number(static_cast<double>(v), 'f', 2);
    };
    return text(settings_.luminance) + QLatin1Char(' ') + text(settings_.colour);
}

void TakeHead::show(const Take& take, const PhotoFacts& facts, bool chosen) {
    settings_ = take.settings;
    chosen_ = chosen;
    const QString name = QString::fromStdString(take.name);
    letter_->setText(QString(QLatin1Char(take.letter)));
    letter_->setToolTip(name.isEmpty() ? tr("Take %1").arg(letter_->text()) : name);
    method_->setCurrentIndex(method_->findData(QString::fromStdString(take.settings.method)));
    method_->setToolTip(method_->currentData(Qt::ToolTipRole).toString());
    for (const Strength& s : strengths_) {
        const QSignalBlocker quiet(s.rule);
        const auto member = std::get<float Settings::*>(s.field->member);
        s.rule->setValue(s.field->shown * static_cast<double>(take.settings.*member));
        const bool same = facts.recommended && facts.recommended->settings.method == take.settings.method;
        s.rule->setRecommended(
            same ? std::optional(s.field->shown * static_cast<double>(facts.recommended->settings.*member))
                 : std::nullopt);
    }
    const QSignalBlocker quiet(mend_);
    mend_->setChecked(take.settings.mend);
    setOpen(open_);
    QString said = name;
    if (const Risk* risk = facts.riskOf(take.settings))
        said += (name.isEmpty() ? QString() : QStringLiteral(": ")) +
                tr("recommended: error %1 σ").arg(risk->sigmas(), 0, 'f', 2);
    risk_->setText(said);
    risk_->setVisible(!said.isEmpty());
    choose_->setChecked(chosen);
    choose_->setAccessibleName(chosen ? tr("Take %1 is chosen").arg(letter_->text())
                                      : tr("Choose take %1").arg(letter_->text()));
    choose_->setToolTip(chosen ? tr("This take is exported for this photo.")
                               : tr("Make this the take that is exported for this photo."));
    setAccessibleName(tr("Take %1").arg(letter_->text()));
    update();
}

// Only what was touched: values that are finer than a rule shows stay as they are.
void TakeHead::change(const std::function<void(Settings&)>& c) {
    Settings s = settings_;
    c(s);
    if (!(s == settings_)) emit edited(settings_ = s);
}

// A narrow head has room for what is needed most: the menu gives way first, then the second factor.
void TakeHead::makeRoom() {
    const auto widthOf = [this](const QString& text) { return fontMetrics().horizontalAdvance(text) + 12; };
    const QString text = open_ ? tr("fold") : factorsText();
    const int least = 60, rest = width() - 6 - 4 * style::kGap - letter_->sizeHint().width() - least -
                                 choose_->sizeHint().width();
    more_->setVisible(rest >= widthOf(text) + more_->sizeHint().width() + style::kGap);
    fold_->setText(rest >= widthOf(text) || open_ ? text : factorsText().section(QLatin1Char(' '), 0, 0));
}

void TakeHead::resizeEvent(QResizeEvent*) { makeRoom(); }

void TakeHead::mousePressEvent(QMouseEvent* event) { pressed_ = event->globalPosition().toPoint(); }

// A click opens the strengths, a drag takes the column along.
void TakeHead::mouseReleaseEvent(QMouseEvent* event) {
    const QPoint at = event->globalPosition().toPoint();
    constexpr int kDrag = 24;
    if (std::abs(at.x() - pressed_.x()) >= kDrag)
        emit dropped(at);
    else if (rect().contains(event->position().toPoint()) && !doubled_)
        emit openAsked(!open_);
    doubled_ = false;
}

void TakeHead::mouseDoubleClickEvent(QMouseEvent*) {
    doubled_ = true;
    emit wideAsked();
}

void TakeHead::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), style::panel());
    if (chosen_) p.fillRect(QRect(0, 0, width(), 3), style::ochre());
}

} // namespace irenic
