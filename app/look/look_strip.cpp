#include "look/look_strip.h"

#include <QComboBox>
#include <QFont>
#include <QLabel>
#include <QMenu>
#include <QSignalBlocker>
#include <QToolButton>
#include <algorithm>
#include <cmath>
#include <cstring>

#include "look/curve_editor.h"
#include "said.h"
#include "style/flow.h"
#include "style/icon.h"
#include "style/rule.h"
#include "style/style.h"

namespace irenic {

namespace {

// The light of a look, as kelvin and tint.
LightColour lightFor(const Photo& photo, const Look& look) {
    if (!look.asShot) return {static_cast<double>(look.kelvin), static_cast<double>(look.tint)};
    return lightOf(photo, photo.neutral);
}

bool is(const FieldInfo& field, const char* id) { return std::strcmp(field.id, id) == 0; }

} // namespace

// Changes the look by c(look), unless a value is only being shown.
template <class Change> void LookStrip::change(const Change& c) {
    if (showing_) return;
    Look look = document_.look();
    c(look);
    document_.setLook(look);
}

LookStrip::LookStrip(Document& document, Jobs& jobs, QWidget* parent)
    : QWidget(parent), document_(document), pick_(new QToolButton(this)), automatic_(new QToolButton(this)),
      curveButton_(new QToolButton(this)), more_(new QToolButton(this)), lens_(new QLabel(this)),
      curve_(new CurveEditor(document, parentWidget() ? parentWidget()->window() : this)), jobs_(jobs) {
    setObjectName(QStringLiteral("look"));
    auto* flow = new Flow(this);
    flow->setContentsMargins(24, 2, 6, 3);
    makeButtons();
    for (const Field<Look>& f : fieldsOf<Look>()) {
        beginGroup(f, flow);
        if (std::holds_alternative<float Look::*>(f.member))
            flow->addWidget(ruleFor(f));
        else if (std::holds_alternative<bool Look::*>(f.member))
            flow->addWidget(switchFor(f));
        else if (std::holds_alternative<ChoiceMember<Look>>(f.member))
            flow->addWidget(choiceFor(f));
        else
            flow->addWidget(curveButton_);
        if (is(f, "tint")) flow->addWidget(pick_);
        if (is(f, "curve")) flow->addWidget(automatic_);
        if (is(f, "edges")) flow->addWidget(lens_);
    }
    endGroup(flow);
    flow->toTheRight();
    flow->addWidget(more_);

    connect(&document_, &Document::lookChanged, this, &LookStrip::refresh);
    connect(&document_, &Document::photoChanged, this, [this] {
        found_ = {};
        if (const PhotoPtr photo = document_.photo())
            lensSearch_ = jobs_.submit(
                Lane::Reading, 0, [photo](const Work&) { return lensOf(*photo); },
                [this](const Outcome<LensFound>& found) {
                    found_ = found.value.value_or(LensFound{}), refresh();
                });
        refresh();
    });
    refresh();
}

// The table's order is the strip's: a group begins with the field that is named here.
void LookStrip::beginGroup(const Field<Look>& f, Flow* flow) {
    const std::pair<const char*, QString> names[] = {{"asShot", tr("White balance")},
                                                     {"exposure", tr("Tone")},
                                                     {"vignetting", tr("Lens")},
                                                     {"softness", tr("Detail")}};
    for (const auto& [first, name] : names) {
        if (!is(f, first)) continue;
        if (!groups_.empty()) endGroup(flow);
        if (is(f, "vignetting"))
            flow->breakLine();
        else if (!groups_.empty())
            flow->addGap();
        auto* label = new QLabel(name, this);
        QFont strong = label->font();
        strong.setWeight(QFont::DemiBold);
        label->setFont(strong);
        flow->addWidget(label);
        flow->keepWithNext();
        groups_.push_back({name, nullptr, {}});
    }
    groups_.back().fields.push_back(&f);
}

// Its reset, seen where something differs from what the camera and the file suggest.
void LookStrip::endGroup(Flow* flow) {
    Group& group = groups_.back();
    group.reset = new QToolButton(this);
    group.reset->setIcon(style::icon(style::Icon::Reset));
    group.reset->setObjectName(QStringLiteral("reset") + QString::number(groups_.size()));
    group.reset->setAccessibleName(tr("Reset %1").arg(group.name));
    group.reset->setToolTip(tr("Resets this group to what the camera and the file suggest."));
    connect(group.reset, &QToolButton::clicked, this, [this, fields = group.fields] {
        change([&](Look& l) {
            for (const Field<Look>* f : fields) setFromText(*f, l, valueText(*f, Look{}));
        });
    });
    flow->addWidget(group.reset);
}

Rule* LookStrip::ruleFor(const Field<Look>& f) {
    const auto member = std::get<float Look::*>(f.member);
    auto* rule = new Rule(f, f.shown * static_cast<double>(Look().*member), this);
    rule->setMaximumWidth(240);
    const bool light = is(f, "kelvin") || is(f, "tint");
    if (is(f, "kelvin")) rule->setTravel(4000, 50);
    if (is(f, "tint")) rule->setTravel(20, 0.5);
    connect(rule, &Rule::changed, this, [this, member, light, shown = f.shown](double v) {
        change([&](Look& l) {
            // A light that is set by hand begins with the camera's.
            if (light && l.asShot && document_.photo()) {
                const LightColour shot = lightFor(*document_.photo(), l);
                l.kelvin = static_cast<float>(shot.kelvin), l.tint = static_cast<float>(shot.tint);
                l.asShot = false;
            }
            l.*member = static_cast<float>(v / shown);
        });
    });
    numbers_.push_back({rule, &f});
    return rule;
}

QToolButton* LookStrip::switchFor(const Field<Look>& f) {
    auto* button = new QToolButton(this);
    button->setText(shownLabel(f));
    button->setObjectName(QLatin1String(f.id));
    button->setCheckable(true);
    button->setToolTip(said(f.sentence));
    connect(button, &QToolButton::toggled, this, [this, member = std::get<bool Look::*>(f.member)](bool on) {
        change([&](Look& l) { l.*member = on; });
    });
    switches_.push_back({button, &f});
    return button;
}

QComboBox* LookStrip::choiceFor(const Field<Look>& f) {
    auto* box = new QComboBox(this);
    for (const char* name : f.shownChoices) box->addItem(said(name));
    box->setObjectName(QLatin1String(f.id));
    box->setToolTip(said(f.sentence));
    box->setAccessibleName(shownLabel(f));
    connect(box, &QComboBox::currentIndexChanged, this, [this, &f](int index) {
        change([&](Look& l) { std::get<ChoiceMember<Look>>(f.member).set(l, index); });
    });
    choices_.push_back({box, &f});
    return box;
}

void LookStrip::makeButtons() {
    pick_->setText(tr("Pick grey"));
    pick_->setObjectName(QStringLiteral("pick"));
    pick_->setCheckable(true);
    pick_->setShortcut(QKeySequence(tr("Ctrl+G")));
    pick_->setToolTip(tr("Sets the white balance from a neutral grey that you click. (Ctrl+G)"));
    connect(pick_, &QToolButton::toggled, this, &LookStrip::pickingChanged);
    curveButton_->setText(tr("Tone curve"));
    curveButton_->setObjectName(QStringLiteral("curveButton"));
    curveButton_->setCheckable(true);
    curveButton_->setToolTip(tr("Opens the tone curve. The sheet follows every change."));
    curve_->hide();
    connect(curveButton_, &QToolButton::toggled, this, [this](bool on) {
        const QPoint below =
            curveButton_->mapTo(curve_->parentWidget(), QPoint(0, curveButton_->height() + style::kGap));
        curve_->move(std::max(0, std::min(below.x(), curve_->parentWidget()->width() - curve_->width() - 4)),
                     below.y());
        curve_->setVisible(on);
        curve_->raise();
        if (on) curve_->setFocus();
    });
    connect(curve_, &CurveEditor::closeAsked, curveButton_,
            [this] { curveButton_->setChecked(false), curveButton_->setFocus(); });
    automatic_->setText(tr("Auto tone"));
    automatic_->setObjectName(QStringLiteral("automatic"));
    automatic_->setToolTip(tr("Sets exposure, highlights and shadows from the photo."));
    connect(automatic_, &QToolButton::clicked, this, &LookStrip::startFromMeasurement);
    lens_->setObjectName(QStringLiteral("lens"));
    lens_->setTextFormat(Qt::PlainText);
    more_->setIcon(style::icon(style::Icon::More));
    more_->setObjectName(QStringLiteral("moreLook"));
    more_->setAccessibleName(tr("More on the look"));
    more_->setToolTip(tr("Copies, pastes, saves or resets the look."));
    more_->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(more_);
    menu->addAction(tr("Copy look"), QKeySequence(tr("Ctrl+Alt+C")), &document_, &Document::copyLook);
    paste_ =
        menu->addAction(tr("Paste look"), QKeySequence(tr("Ctrl+Alt+V")), &document_, &Document::pasteLook);
    menu->addAction(tr("Apply look to all photos"), &document_, &Document::useLookForAll);
    menu->addAction(tr("Save as preset…"), this, &LookStrip::presetAsked);
    menu->addSeparator();
    menu->addAction(tr("Reset look"), this, [this] { change([](Look& l) { l = {}; }); });
    more_->setMenu(menu);
    addActions(menu->actions());
}

void LookStrip::startFromMeasurement() {
    const PhotoPtr photo = document_.photo();
    if (!photo) return;
    start_ = jobs_.submit(
        Lane::Reading, 0,
        [photo, look = document_.look()](const Work& work) { return automaticLook(*photo, look, work); },
        [this, photo](const Outcome<Look>& found) {
            if (photo != document_.photo() || !found.value) return;
            change([&](Look& l) {
                l.exposure = found.value->exposure, l.highlights = found.value->highlights,
                l.shadows = found.value->shadows;
            });
        });
}

void LookStrip::pickAt(PicturePoint point) {
    pick_->setChecked(false);
    const PhotoPtr photo = document_.photo();
    if (!photo) return;
    try {
        const SourcePoint place = sourceOf(*photo, document_.look(), point);
        const LightColour light =
            lightAt(*photo, static_cast<int>(std::lround(place.x)), static_cast<int>(std::lround(place.y)));
        change([&](Look& l) {
            l.asShot = false;
            l.kelvin = static_cast<float>(std::clamp(light.kelvin, 1700.0, 25000.0)),
            l.tint = static_cast<float>(std::clamp(light.tint, -40.0, 40.0));
        });
    } catch (const std::domain_error& e) {
        emit message(said(e.what()));
    }
}

void LookStrip::hideEvent(QHideEvent*) {
    curveButton_->setChecked(false);
    pick_->setChecked(false);
}

void LookStrip::refresh() {
    showing_ = true;
    const PhotoPtr photo = document_.photo();
    setEnabled(photo != nullptr);
    Look shown = document_.look();
    if (photo) {
        const LightColour shot = lightOf(*photo, photo->neutral), light = lightFor(*photo, shown);
        for (const Number& n : numbers_) {
            if (is(*n.field, "kelvin")) n.rule->setInitial(shot.kelvin);
            if (is(*n.field, "tint")) n.rule->setInitial(shot.tint);
            if (is(*n.field, "kelvin") && photo->developed)
                n.rule->setToolTip(
                    tr("This file was white-balanced when it was developed. Changes here come on top."));
        }
        shown.kelvin = static_cast<float>(light.kelvin), shown.tint = static_cast<float>(light.tint);
    }
    for (const Number& n : numbers_)
        n.rule->setValue(n.field->shown *
                         static_cast<double>(shown.*std::get<float Look::*>(n.field->member)));
    for (const Switch& s : switches_) s.button->setChecked(shown.*std::get<bool Look::*>(s.field->member));
    for (const Choice& c : choices_) {
        c.box->setCurrentIndex(std::get<ChoiceMember<Look>>(c.field->member).get(shown));
        if (is(*c.field, "edges")) c.box->setVisible(shown.distortion);
        if (is(*c.field, "demosaic")) c.box->setEnabled(photo && photo->hasMosaic());
    }
    for (const Group& g : groups_)
        g.reset->setVisible(std::any_of(g.fields.begin(), g.fields.end(), [&](const Field<Look>* f) {
            // A light that is as shot has no values of its own.
            const bool light = is(*f, "kelvin") || is(*f, "tint");
            return !light && !sameField(*f, document_.look(), Look{});
        }));
    showLens(shown);
    paste_->setEnabled(document_.canPasteLook());
    QFont bold = font();
    bold.setWeight(shown.curve.size() >= 2 ? QFont::DemiBold : QFont::Normal);
    curveButton_->setFont(bold);
    showing_ = false;
}

// What is known of the lens decides what can be corrected; why something cannot be stands in its tool tip.
void LookStrip::showLens(const Look& look) {
    const Lens* lens = found_.lens.get();
    const struct {
        const char* id;
        bool known;
    } known[] = {{"vignetting", lens && lens->hasVignetting()},
                 {"chromatic", lens && lens->hasChromatic()},
                 {"distortion", lens && lens->hasDistortion()}};
    for (const Switch& s : switches_)
        for (const auto& k : known) {
            if (!is(*s.field, k.id)) continue;
            s.button->setEnabled(k.known || look.*std::get<bool Look::*>(s.field->member));
            QString tip = said(s.field->sentence);
            if (!k.known)
                tip += QLatin1Char('\n') + (found_.missing.empty() ? tr("No correction data for this lens.")
                                                                   : said(found_.missing));
            s.button->setToolTip(tip);
        }
    const QString missing = said(found_.missing);
    lens_->setText(found_.source.empty() ? tr("No lens data") : tr("Lens data: %1").arg(said(found_.source)));
    lens_->setToolTip(missing);
    lens_->setVisible(document_.photo() != nullptr);
}

} // namespace irenic
