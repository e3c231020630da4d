#include "sheet/take_head.h"

#include <QAction>
#include <QComboBox>
#include <QContextMenuEvent>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QSignalBlocker>
#include <QToolButton>
#include <QVBoxLayout>
#include <cmath>

#include "denoise/method.h"
#include "said.h"
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
        method_->addItem(said(m->name()), QString::fromStdString(m->id()));
        method_->setItemData(method_->count() - 1, said(m->summary()), Qt::ToolTipRole);
    }
    method_->setObjectName(QStringLiteral("method"));
    method_->setAccessibleName(tr("Noise reduction method of this take"));
    method_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    method_->setMinimumWidth(24);
    constexpr int kTarget = 24; // pixels: what a hand hits
    fold_->setMinimumWidth(kTarget);
    // The two factors are the handle of all strengths.
    fold_->setObjectName(QStringLiteral("fold"));
    fold_->setToolTip(
        tr("Strengths: luminance (L) and colour (C) noise to remove, grain (G) to keep. Click to set all "
           "strengths of this take. (F3: all takes)"));
    connect(fold_, &QToolButton::clicked, this, [this] { emit openAsked(!open_); });
    choose_->setObjectName(QStringLiteral("choose"));
    choose_->setCheckable(true);
    choose_->setProperty("accent", true);
    choose_->setIcon(style::icon(style::Icon::Choose));
    connect(choose_, &QToolButton::clicked, this, &TakeHead::chooseAsked);
    more_->setIcon(style::icon(style::Icon::More));
    more_->setAccessibleName(tr("More on this take"));
    more_->setToolTip(tr("Renames, duplicates, saves or removes this take."));
    more_->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(more_);
    menu->setToolTipsVisible(true);
    menu->addSeparator(); // above it the switches among the settings
    menu->addAction(tr("Rename take…"), this, &TakeHead::renameAsked);
    menu->addAction(tr("Duplicate take"), this, &TakeHead::duplicateAsked);
    menu->addAction(tr("Save as preset…"), this, &TakeHead::keepAsked);
    menu->addAction(tr("Set others to equal luminance noise"), this,
                    [this] { emit levelAsked(NoiseKind::Luminance); });
    menu->addAction(tr("Set others to equal colour noise"), this,
                    [this] { emit levelAsked(NoiseKind::Colour); });
    menu->addSeparator();
    menu->addAction(tr("Widen column"), this, &TakeHead::wideAsked);
    menu->addAction(tr("Collapse column"), this, &TakeHead::foldAsked);
    menu->addAction(tr("Remove take"), this, &TakeHead::removeAsked);
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
    int labels = 0;
    for (const Field<Settings>& f : fieldsOf<Settings>()) {
        // The method has its place above, zones have theirs in the close-up.
        if (f.id == std::string("method") || std::holds_alternative<TextMember<Settings>>(f.member)) continue;
        QObject* editor = editorOf(f);
        if (const auto* rule = qobject_cast<Rule*>(editor)) labels = std::max(labels, rule->labelHint());
        if (auto* widget = qobject_cast<QWidget*>(editor)) rules->addWidget(widget);
        editors_.push_back({editor, &f});
    }
    for (const Editor& e : editors_)
        if (auto* rule = qobject_cast<Rule*>(e.object)) rule->setLabelWidth(labels);
    risk_->setObjectName(QStringLiteral("risk"));
    risk_->setWordWrap(true);
    risk_->setToolTip(tr("Estimated on this photo's probes (Stein's unbiased risk estimate), as a share of "
                         "the noise. Gone once you change the settings."));
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

// A rule for a number, a list for a choice, an entry to tick in the menu for a switch.
QObject* TakeHead::editorOf(const Field<Settings>& f) {
    if (const auto* number = std::get_if<float Settings::*>(&f.member)) {
        auto* rule = new Rule(f, f.shown * static_cast<double>(settings_.**number), body_);
        connect(rule, &Rule::changed, this, [this, &f, m = *number](double v) {
            change([&](Settings& s) { s.*m = static_cast<float>(v / f.shown); });
        });
        return rule;
    }
    const auto set = [this, &f](const std::string& text) {
        change([&](Settings& s) { setFromText(f, s, text); });
    };
    const QString label = shownLabel(f), tip = said(f.sentence);
    if (std::holds_alternative<bool Settings::*>(f.member)) {
        auto* entry = new QAction(label, more_->menu());
        entry->setCheckable(true);
        entry->setObjectName(QString::fromUtf8(f.id));
        entry->setToolTip(tip);
        connect(entry, &QAction::toggled, this, [set](bool on) { set(on ? "1" : "0"); });
        more_->menu()->insertAction(more_->menu()->actions().value(0), entry);
        return entry;
    }
    auto* list = new QComboBox(body_);
    for (const char* choice : f.shownChoices) list->addItem(said(choice));
    list->setObjectName(QString::fromUtf8(f.id));
    list->setAccessibleName(label);
    list->setToolTip(tip);
    connect(list, &QComboBox::activated, this,
            [set, &f](int at) { set(f.choices[static_cast<std::size_t>(at)]); });
    return list;
}

void TakeHead::showIn(const Editor& editor, const std::optional<Recommended>& recommended) {
    const auto& [object, field] = editor;
    const QSignalBlocker quiet(object);
    if (auto* rule = qobject_cast<Rule*>(object)) {
        const auto member = std::get<float Settings::*>(field->member);
        rule->setValue(field->shown * static_cast<double>(settings_.*member));
        const bool same = recommended && recommended->settings.method == settings_.method;
        rule->setRecommended(
            same ? std::optional(field->shown * static_cast<double>(recommended->settings.*member))
                 : std::nullopt);
    } else if (auto* entry = qobject_cast<QAction*>(object)) {
        entry->setChecked(valueText(*field, settings_) != "0");
    } else if (auto* list = qobject_cast<QComboBox*>(object)) {
        list->setCurrentIndex(choiceFrom(*field, valueText(*field, settings_)));
    }
}

void TakeHead::setOpen(bool open) {
    open_ = open;
    body_->setVisible(open);
    makeRoom();
    fold_->setAccessibleName(open ? tr("Hide strengths")
                                  : tr("Show strengths, %1").arg(factorTexts().join(QLatin1Char(' '))));
}

// Luminance, colour, and grain where some is kept.
QStringList TakeHead::factorTexts() const {
    // A second decimal only where it says something.
    const auto text = [](float v) {
        const int hundredths = static_cast<int>(std::lround(100 * static_cast<double>(v)));
        return v == 0 ? tr("off") : numberOf(hundredths / 100.0, hundredths % 10 ? 2 : 1);
    };
    QStringList out{tr("L %1").arg(text(settings_.luminance)), tr("C %1").arg(text(settings_.colour))};
    if (settings_.grain > 0) out << tr("G %1 %").arg(std::lround(100 * static_cast<double>(settings_.grain)));
    return out;
}

void TakeHead::show(const Take& take, const PhotoFacts& facts, bool chosen) {
    settings_ = take.settings;
    chosen_ = chosen;
    const QString name = QString::fromStdString(take.name);
    letter_->setText(QString(QLatin1Char(take.letter)));
    letter_->setToolTip(name.isEmpty() ? tr("Take %1").arg(letter_->text()) : name);
    method_->setCurrentIndex(method_->findData(QString::fromStdString(take.settings.method)));
    method_->setToolTip(method_->currentData(Qt::ToolTipRole).toString());
    for (const Editor& e : editors_) showIn(e, facts.recommended);
    setOpen(open_);
    QString said = name;
    if (const Risk* risk = facts.riskOf(take.settings))
        said += (name.isEmpty() ? QString() : QStringLiteral(": ")) +
                tr("Recommended: error %1 % of the noise").arg(numberOf(100 * risk->sigmas(), 0));
    risk_->setText(said);
    risk_->setVisible(!said.isEmpty());
    choose_->setChecked(chosen);
    choose_->setAccessibleName(chosen ? tr("Take %1 is chosen").arg(letter_->text())
                                      : tr("Choose take %1").arg(letter_->text()));
    choose_->setToolTip(chosen ? tr("This take is exported.") : tr("Chooses this take for export."));
    setAccessibleName(tr("Take %1").arg(letter_->text()));
    update();
}

// Only what was touched: values that are finer than a rule shows stay as they are.
void TakeHead::change(const std::function<void(Settings&)>& c) {
    Settings s = settings_;
    c(s);
    if (!(s == settings_)) emit edited(settings_ = s);
}

// A narrow head has room for what is needed most: of the factors one stays, the first that is not as usual;
// then the end of the method's name gives way, and at last the menu, which a right click opens as well.
void TakeHead::makeRoom() {
    const auto widthOf = [this](const QString& text) { return fontMetrics().horizontalAdvance(text) + 12; };
    const QStringList factors = factorTexts();
    const qsizetype told = settings_.luminance != 1 ? 0
                           : settings_.colour != 1  ? 1
                           : settings_.grain > 0    ? 2
                                                    : 0;
    // Alike in all heads that are open, however long the methods' names are.
    const QString close = QStringLiteral("▴"), full = open_ ? close : factors.join(QStringLiteral("  ")),
                  brief = open_ ? close : factors[told];
    constexpr int kArrow = 34, kLeast = 60; // of the list of methods
    const int rest = width() - 6 - 5 * style::kGap - letter_->sizeHint().width() -
                     choose_->sizeHint().width() - (plain_ ? 0 : more_->sizeHint().width());
    const bool roomy =
        rest >= fontMetrics().horizontalAdvance(method_->currentText()) + kArrow + widthOf(full);
    fold_->setText(roomy ? full : brief);
    more_->setVisible(!plain_ && rest >= kLeast + widthOf(brief));
}

void TakeHead::resizeEvent(QResizeEvent*) { makeRoom(); }

void TakeHead::contextMenuEvent(QContextMenuEvent* event) {
    if (!plain_) more_->menu()->popup(event->globalPos());
}

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
