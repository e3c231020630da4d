#include "look/look_strip.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QToolButton>
#include <QVBoxLayout>
#include <cmath>

#include "look/curve_editor.h"
#include "sheet/value_field.h"

namespace irenic {

namespace {

// The light of a look, as kelvin and tint.
LightColour lightFor(const Photo& photo, const Look& look) {
    if (!look.asShot) return {static_cast<double>(look.kelvin), static_cast<double>(look.tint)};
    return lightOf(photo, photo.neutral);
}

} // namespace

// Changes the look by c(look), unless a value is only being shown.
template <class Change> void LookStrip::change(const Change& c) {
    if (showing_) return;
    Look look = document_.look();
    c(look);
    document_.setLook(look);
}

QToolButton* LookStrip::toggle(const QString& text, const char* name, const QString& tip, bool Look::*value) {
    auto* button = new QToolButton(this);
    button->setText(text);
    button->setObjectName(QLatin1String(name));
    button->setCheckable(true);
    button->setToolTip(tip);
    connect(button, &QToolButton::toggled, this,
            [this, value](bool on) { change([&](Look& l) { l.*value = on; }); });
    switches_.push_back({button, value, tip});
    return button;
}

LookStrip::LookStrip(Document& document, Jobs& jobs, QWidget* parent)
    : QWidget(parent), document_(document), pick_(new QToolButton(this)), automatic_(new QToolButton(this)),
      curveButton_(new QToolButton(this)), more_(new QToolButton(this)),
      kelvin_(new ValueField(tr("light"), 1700, 25000, 5000, 0, QStringLiteral(" K"), this)),
      tint_(new ValueField(tr("tint"), -40, 40, 0, 1, QString(), this)), edges_(new QComboBox(this)),
      softness_(new QComboBox(this)), demosaic_(new QComboBox(this)), lens_(new QLabel(this)),
      curve_(new CurveEditor(document, parentWidget() ? parentWidget()->window() : this)), jobs_(jobs) {
    setObjectName(QStringLiteral("look"));
    asShot_ =
        toggle(tr("As shot"), "asShot", tr("The white balance that the camera has set."), &Look::asShot);
    kelvin_->setObjectName(QStringLiteral("kelvin"));
    kelvin_->setTravel(4000, 50);
    kelvin_->setToolTip(tr("Colour temperature of the light the photo was taken in: higher makes the picture "
                           "warmer. A double click goes back to the camera's."));
    tint_->setObjectName(QStringLiteral("tint"));
    tint_->setTravel(20, 0.5);
    tint_->setToolTip(tr("How far that light lies from the line of glowing bodies, in thousandths of Duv: "
                         "above 0 it is greener, and the picture loses green."));
    for (ValueField* f : {kelvin_, tint_})
        connect(f, &ValueField::changed, this, [this] {
            change([&](Look& l) {
                l.asShot = false, l.kelvin = static_cast<float>(kelvin_->value()),
                l.tint = static_cast<float>(tint_->value());
            });
        });
    pick_->setText(tr("Pick grey"));
    pick_->setObjectName(QStringLiteral("pick"));
    pick_->setCheckable(true);
    pick_->setShortcut(QKeySequence(tr("Ctrl+G")));
    pick_->setToolTip(tr("Then click something grey in any cell: its light becomes the photo's. Ctrl+G"));
    connect(pick_, &QToolButton::toggled, this, &LookStrip::pickingChanged);

    const auto slider = [&](const QString& label, const char* name, double lowest, double highest,
                            double initial, int decimals, const QString& suffix, float Look::*value,
                            double scale, const QString& tip) {
        auto* field = new ValueField(label, lowest, highest, initial, decimals, suffix, this);
        field->setObjectName(QLatin1String(name));
        field->setToolTip(tip);
        connect(field, &ValueField::changed, this, [this, value, scale](double v) {
            change([&](Look& l) { l.*value = static_cast<float>(v / scale); });
        });
        sliders_.push_back({field, value, scale});
        return field;
    };
    auto* exposure =
        slider(tr("exposure"), "exposure", -4, 4, 0, 2, QStringLiteral(" EV"), &Look::exposure, 1,
               tr("Brightness of the whole photo in stops. Part of what is exported, unlike the push."));
    auto* highlights =
        slider(tr("highlights"), "highlights", -100, 100, 0, 0, QString(), &Look::highlights, 100,
               tr("Below 0 brings back what is brighter than mid-grey, by up to a stop and a half."));
    auto* shadows = slider(tr("shadows"), "shadows", -100, 100, 0, 0, QString(), &Look::shadows, 100,
                           tr("Above 0 lifts what is darker than mid-grey, by up to a stop and a half. The "
                              "noise there is lifted with it."));
    auto* saturation =
        slider(tr("saturation"), "saturation", 0, 200, 100, 0, QStringLiteral(" %"), &Look::saturation, 100,
               tr("Strength of all colours. 100 % is as the camera saw them."));

    curveButton_->setText(tr("Curve"));
    curveButton_->setObjectName(QStringLiteral("curveButton"));
    curveButton_->setCheckable(true);
    curveButton_->setToolTip(tr("Opens the contrast curve; the sheet follows every change of it."));
    curve_->hide();
    connect(curveButton_, &QToolButton::toggled, this, [this](bool on) {
        const QPoint below =
            curveButton_->mapTo(curve_->parentWidget(), QPoint(0, curveButton_->height() + 4));
        curve_->move(std::max(0, std::min(below.x(), curve_->parentWidget()->width() - curve_->width() - 4)),
                     below.y());
        curve_->setVisible(on);
        curve_->raise();
        if (on) curve_->setFocus();
    });
    connect(curve_, &CurveEditor::closeAsked, curveButton_,
            [this] { curveButton_->setChecked(false), curveButton_->setFocus(); });
    automatic_->setText(tr("Start"));
    automatic_->setObjectName(QStringLiteral("automatic"));
    automatic_->setToolTip(tr("Measures the photo and sets exposure, highlights and shadows to start from."));
    connect(automatic_, &QToolButton::clicked, this, [this] {
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
    });
    more_->setText(QStringLiteral("⋮"));
    more_->setObjectName(QStringLiteral("moreLook"));
    more_->setAccessibleName(tr("More for the look"));
    more_->setPopupMode(QToolButton::InstantPopup);
    more_->setStyleSheet(QStringLiteral("QToolButton::menu-indicator { image: none; }"));
    auto* menu = new QMenu(more_);
    menu->addAction(tr("Copy this look"), QKeySequence(tr("Ctrl+Alt+C")), &document_, &Document::copyLook);
    paste_ = menu->addAction(tr("Paste the copied look"), QKeySequence(tr("Ctrl+Alt+V")), &document_,
                             &Document::pasteLook);
    menu->addAction(tr("Use it for all photos"), &document_, &Document::useLookForAll);
    menu->addSeparator();
    menu->addAction(tr("Back to the plain look"), this, [this] { change([](Look& l) { l = {}; }); });
    more_->setMenu(menu);
    addActions(menu->actions());

    auto* first = new QHBoxLayout;
    first->setSpacing(4);
    first->addWidget(asShot_);
    first->addWidget(kelvin_, 13);
    first->addWidget(tint_, 10);
    first->addWidget(pick_);
    first->addSpacing(8);
    first->addWidget(exposure, 16);
    first->addWidget(highlights, 13);
    first->addWidget(shadows, 12);
    first->addWidget(saturation, 16);
    first->addWidget(curveButton_);
    first->addWidget(automatic_);
    first->addWidget(more_);

    const auto choice = [&](QComboBox* box, const char* name, const QString& tip, const QStringList& entries,
                            auto member) {
        box->addItems(entries);
        box->setObjectName(QLatin1String(name));
        box->setToolTip(tip);
        box->setAccessibleName(tip);
        connect(box, &QComboBox::currentIndexChanged, this, [this, member](int index) {
            change([&](Look& l) {
                l.*member = static_cast<std::remove_reference_t<decltype(l.*member)>>(index);
            });
        });
    };
    choice(edges_, "edges", tr("What becomes of the edges where distortion is corrected"),
           {tr("same ratio"), tr("largest rectangle"), tr("keep everything")}, &Look::edges);
    choice(softness_, "softness",
           tr("Lens softness to take back after denoising, by the width of the blur. Noise and specks are "
              "left as they are."),
           {tr("no sharpening"), tr("hair, 0.5 px"), tr("thread, 0.7 px"), tr("cord, 1.0 px"),
            tr("rope, 1.4 px")},
           &Look::softness);
    choice(demosaic_, "demosaic",
           tr("How full colour is made of the mosaic: fine is slower and keeps more detail"),
           {tr("demosaic: quick"), tr("demosaic: fine")}, &Look::demosaic);
    lens_->setObjectName(QStringLiteral("lens"));
    lens_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    auto* second = new QHBoxLayout;
    second->setSpacing(4);
    second->addWidget(toggle(tr("Light fall-off"), "vignetting",
                             tr("Corrects the lens's vignetting: corners as bright as the middle, with the "
                                "noise that goes with it."),
                             &Look::vignetting));
    second->addWidget(
        toggle(tr("Colour shift"), "chromatic",
               tr("Corrects lateral chromatic aberration, on the mosaic, before colours are made of it."),
               &Look::chromatic));
    second->addWidget(toggle(tr("Distortion"), "distortion",
                             tr("Straightens what the lens has bent. Pixels are no longer the camera's own: "
                                "they are interpolated."),
                             &Look::distortion));
    second->addWidget(edges_);
    second->addWidget(lens_, 1);
    second->addWidget(toggle(tr("Purple fringes"), "fringes",
                             tr("Takes purple out beside bright edges. Purple things elsewhere stay."),
                             &Look::fringes));
    second->addWidget(softness_);
    second->addWidget(demosaic_);

    auto* rows = new QVBoxLayout(this);
    rows->setContentsMargins(26, 2, 6, 3);
    rows->setSpacing(3);
    rows->addLayout(first);
    rows->addLayout(second);
    for (QComboBox* box : {edges_, softness_, demosaic_})
        box->setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Fixed);

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
        emit message(QString::fromUtf8(e.what()));
    }
}

void LookStrip::hideEvent(QHideEvent*) {
    curveButton_->setChecked(false);
    pick_->setChecked(false);
}

void LookStrip::refresh() {
    showing_ = true;
    const Look& look = document_.look();
    const PhotoPtr photo = document_.photo();
    setEnabled(photo != nullptr);
    if (photo) {
        const LightColour shot = lightOf(*photo, photo->neutral), light = lightFor(*photo, look);
        kelvin_->setInitial(shot.kelvin), tint_->setInitial(shot.tint);
        kelvin_->setValue(light.kelvin), tint_->setValue(light.tint);
        const bool developed = photo->developed;
        demosaic_->setEnabled(photo->hasMosaic());
        kelvin_->setToolTip(developed ? tr("This picture was balanced when it was developed; what is set "
                                           "here comes on top of that.")
                                      : kelvin_->toolTip());
    }
    for (const Slider& s : sliders_) s.field->setValue(s.scale * static_cast<double>(look.*s.value));
    for (const Switch& s : switches_) s.button->setChecked(look.*s.value);
    const Lens* lens = found_.lens.get();
    const struct {
        bool Look::*value;
        bool known;
    } known[] = {{&Look::vignetting, lens && lens->hasVignetting()},
                 {&Look::chromatic, lens && lens->hasChromatic()},
                 {&Look::distortion, lens && lens->hasDistortion()}};
    for (const Switch& s : switches_)
        for (const auto& k : known)
            if (s.value == k.value) {
                s.button->setEnabled(k.known || look.*s.value);
                s.button->setToolTip(k.known ? s.tip
                                             : s.tip + QStringLiteral("\n") +
                                                   (found_.missing.empty()
                                                        ? tr("Nothing is known of it for this lens.")
                                                        : QString::fromStdString(found_.missing)));
            }
    edges_->setCurrentIndex(static_cast<int>(look.edges));
    edges_->setEnabled(look.distortion);
    softness_->setCurrentIndex(static_cast<int>(look.softness));
    demosaic_->setCurrentIndex(static_cast<int>(look.demosaic));
    paste_->setEnabled(document_.canPasteLook());
    QFont bold = font();
    bold.setBold(look.curve.size() >= 2);
    curveButton_->setFont(bold);
    const QString text = found_.source.empty() ? QString::fromStdString(found_.missing)
                                               : tr("by %1").arg(QString::fromStdString(found_.source));
    lens_->setText(text);
    lens_->setToolTip(text + QStringLiteral("\n") + QString::fromStdString(found_.missing));
    showing_ = false;
}

} // namespace irenic
