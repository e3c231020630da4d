#include "closeup/zone_panel.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QMenu>
#include <QSettings>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <array>
#include <utility>

#include "base/shown_text.h"
#include "denoise/method.h"
#include "said.h"
#include "style/rule.h"
#include "style/style.h"

namespace irenic {

namespace {

const FieldInfo
    kDiameter =
        {"diameter",
         "",
         IRENIC_TEXT("brush"),
         " px",
         1,
         1000,
         1,
         0,
         IRENIC_TEXT(
             "Diameter of the brush, in pixels of the photo; a pen's pressure narrows it. (Ctrl+wheel)")},
    kSoftness = {"softness", "", IRENIC_TEXT("soft edge"),
                 " %",       0,  1,
                 100,        0,  IRENIC_TEXT("How much of the brush fades out. (Ctrl+Shift+wheel)")};

constexpr QLatin1String kKeptAs("closeUp/zoneShownAs"), kKeptColour("closeUp/zoneColour"),
    kKeptStrength("closeUp/zoneStrength");

// What lies over a zone: the interface's own colour, and what is seen on photos that have that colour.
const std::array<QColor, 4>& colours() {
    static const std::array<QColor, 4> all = {style::ochre(), QColor(60, 170, 90), QColor(70, 130, 220),
                                              QColor(200, 70, 170)};
    return all;
}
constexpr float kStrengths[] = {0.25f, 0.5f, 0.75f};

QString titleOf(const Zone& zone) {
    const QString part = said(shownPart(zone.part));
    return zone.inverted ? ZonePanel::tr("All but: %1").arg(part) : part;
}

} // namespace

ZonePanel::ZonePanel(QWidget* parent)
    : QWidget(parent), list_(new QComboBox(this)), body_(new QWidget(this)) {
    setObjectName(QStringLiteral("zonePanel"));
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(style::kGap);
    const auto button = [this](const QString& text, const char* name, const QString& tip) {
        auto* b = new QToolButton(this);
        b->setText(text);
        b->setObjectName(QLatin1String(name));
        b->setToolTip(tip);
        return b;
    };
    const auto row = [](QVBoxLayout* in, std::initializer_list<QWidget*> widgets) {
        auto* line = new QHBoxLayout;
        line->setSpacing(style::kGap);
        for (QWidget* w : widgets) line->addWidget(w);
        line->addStretch(1);
        in->addLayout(line);
    };
    auto* more = more_ =
        button(tr("Add zone"), "addZone",
               tr("A zone is a part of the photo that this take cleans more or less than the rest."));
    more->setPopupMode(QToolButton::InstantPopup);
    auto* parts = new QMenu(more);
    for (const FoundPart part : foundParts())
        parts->addAction(said(shownPart(part)), this, [this, part] { add(part); });
    more->setMenu(parts);
    remove_ = button(tr("Remove"), "removeZone", tr("Removes this zone and its strokes."));
    connect(remove_, &QToolButton::clicked, this, [this] {
        zones_.erase(zones_.begin() + current_);
        current_ = std::max(0, std::min(current_, static_cast<int>(zones_.size()) - 1));
        setTool(Tool::None);
        refresh();
        emit edited(zones_, false);
    });
    list_->setObjectName(QStringLiteral("zones"));
    list_->setAccessibleName(tr("Zone"));
    list_->setToolTip(tr("The zone that the controls below act on."));
    connect(list_, &QComboBox::activated, this, [this](int at) {
        current_ = at;
        refresh();
        emit changed();
    });
    row(column, {more, remove_});
    column->addWidget(list_);
    auto* inside = new QVBoxLayout(body_);
    inside->setContentsMargins(0, 0, 0, 0);
    inside->setSpacing(style::kGap);
    auto* tools = new QVBoxLayout; // at the top: they are what a hand goes to
    tools->setSpacing(style::kGap);
    inside->addLayout(tools);
    method_ = new QComboBox(body_);
    method_->setObjectName(QStringLiteral("zone-method"));
    method_->setAccessibleName(tr("Method here"));
    method_->setToolTip(tr("The method that cleans here, if not the take's."));
    method_->addItem(tr("Method of the take"), QString());
    for (const auto& m : methods()) method_->addItem(said(m->name()), QString::fromStdString(m->id()));
    connect(method_, &QComboBox::activated, this, &ZonePanel::give);
    inside->addWidget(method_);
    int labels = 0;
    for (const Field<Zone>& f : fieldsOf<Zone>()) {
        // What a new zone has.
        const float usual = Zone().*std::get<float Zone::*>(f.member);
        auto* rule = new Rule(f, f.shown * static_cast<double>(usual), body_);
        rule->setObjectName(QStringLiteral("zone-%1").arg(QLatin1String(f.id)));
        connect(rule, &Rule::changed, this, &ZonePanel::give);
        inside->addWidget(rule);
        factors_.push_back(rule);
    }
    diameter_ = new Rule(kDiameter, 100, body_), softness_ = new Rule(kSoftness, 50, body_);
    diameter_->setObjectName(QStringLiteral("brushDiameter"));
    softness_->setObjectName(QStringLiteral("brushSoftness"));
    paint_ = button(tr("Paint"), "paintZone", tr("Adds to the zone: drag on the picture. (K)"));
    erase_ = button(tr("Erase"), "eraseZone", tr("Takes away from the zone: drag on the picture. (Shift+K)"));
    show_ =
        button(tr("Show"), "showZone",
               tr("Shows the zone over the picture: in colour, grey where it is not, or as an outline. (M)"));
    clear_ = button(tr("Clear strokes"), "clearStrokes", tr("Removes all strokes of this zone."));
    mark_ = button(tr("Mark wanted"), "markWanted",
                   tr("Draw a line on what the zone is to be. The zone is then found around it."));
    markOff_ =
        button(tr("Mark unwanted"), "markUnwanted",
               tr("Draw a line on what the zone is not to be. Without one, the photo's border is not."));
    const std::pair<QToolButton*, Tool> handTools[] = {
        {paint_, Tool::Paint}, {erase_, Tool::Erase}, {mark_, Tool::Mark}, {markOff_, Tool::MarkOff}};
    for (const auto& [b, tool] : handTools)
        connect(b, &QToolButton::clicked, this,
                [this, own = tool](bool on) { setTool(on ? own : Tool::None); });
    for (QToolButton* b : {paint_, erase_, show_, mark_, markOff_}) b->setCheckable(true);
    connect(show_, &QToolButton::toggled, this, &ZonePanel::changed);
    ways_ = button(QStringLiteral("⋮"), "showZoneAs", tr("How the zone is shown."));
    ways_->setAccessibleName(tr("How the zone is shown"));
    ways_->setMenu(makeWays());
    tickWays();
    ways_->setPopupMode(QToolButton::InstantPopup);
    connect(clear_, &QToolButton::clicked, this, [this] {
        zones_[static_cast<std::size_t>(current_)].strokes.clear();
        refresh();
        emit edited(zones_, false);
    });
    row(tools, {mark_, markOff_});
    row(tools, {paint_, erase_, show_, ways_});
    for (Rule* rule : {diameter_, softness_}) {
        inside->addWidget(rule);
        connect(rule, &Rule::changed, this, &ZonePanel::changed);
    }
    edges_ = button(tr("Keep to edges"), "brushEdges",
                    tr("The brush covers only what is like what its middle runs over."));
    edges_->setCheckable(true);
    connect(edges_, &QToolButton::toggled, this, &ZonePanel::changed);
    row(inside, {edges_, clear_});
    std::vector<Rule*> all = factors_;
    all.push_back(diameter_), all.push_back(softness_);
    for (const Rule* rule : all) labels = std::max(labels, rule->labelHint());
    for (Rule* rule : all) rule->setLabelWidth(labels);
    column->addWidget(body_);
    refresh();
}

// How it is shown, in which colour, and how strongly: three groups of one menu.
QMenu* ZonePanel::makeWays() {
    const QSettings kept;
    overlay_.as = static_cast<ShownAs>(std::clamp(kept.value(kKeptAs).toInt(), 0, 2));
    overlay_.colour = colours()[static_cast<std::size_t>(
        std::clamp(kept.value(kKeptColour).toInt(), 0, static_cast<int>(colours().size()) - 1))];
    overlay_.strength = std::clamp(kept.value(kKeptStrength, 0.5).toFloat(), kStrengths[0], kStrengths[2]);
    auto* menu = new QMenu(ways_);
    const auto entry = [&](const QString& text, const QVariant& value, const auto& take) {
        QAction* action = menu->addAction(text, this, take);
        action->setData(value);
        action->setCheckable(true);
    };
    const std::pair<QString, ShownAs> ways[] = {{tr("In colour"), ShownAs::Colour},
                                                {tr("Grey where it is not"), ShownAs::GreyOutside},
                                                {tr("As an outline"), ShownAs::Outline}};
    for (const auto& [text, as] : ways)
        entry(text, static_cast<int>(as), [this, own = as] { setShownAs(own); });
    menu->addSeparator();
    const QString names[] = {tr("Ochre"), tr("Green"), tr("Blue"), tr("Magenta")};
    for (std::size_t i = 0; i < colours().size(); ++i)
        entry(names[i], colours()[i], [this, i] { setColour(static_cast<int>(i)); });
    menu->addSeparator();
    const QString strengths[] = {tr("Faint"), tr("Medium"), tr("Strong")};
    for (std::size_t i = 0; i < std::size(kStrengths); ++i)
        entry(strengths[i], kStrengths[i], [this, i] { setStrength(kStrengths[i]); });
    return menu;
}

void ZonePanel::tickWays() {
    for (QAction* a : ways_->menu()->actions()) {
        const QVariant& value = a->data();
        const bool is = value.typeId() == QMetaType::QColor ? value.value<QColor>() == overlay_.colour
                        : value.typeId() == QMetaType::Int  ? value.toInt() == static_cast<int>(overlay_.as)
                                                            : value.toFloat() == overlay_.strength;
        a->setChecked(is);
    }
}

void ZonePanel::setOverlay(const Overlay& overlay) {
    overlay_ = overlay;
    QSettings kept;
    kept.setValue(kKeptAs, static_cast<int>(overlay.as));
    kept.setValue(
        kKeptColour,
        static_cast<int>(std::find(colours().begin(), colours().end(), overlay.colour) - colours().begin()));
    kept.setValue(kKeptStrength, overlay.strength);
    tickWays();
    show_->setChecked(true);
    emit changed();
}

void ZonePanel::add(FoundPart part) {
    if (zones_.size() >= Zone::kMost) return;
    Zone zone;
    zone.part = part;
    zones_.push_back(zone);
    current_ = static_cast<int>(zones_.size()) - 1;
    show_->setChecked(true);
    refresh();
    if (part == FoundPart::Painted) setTool(Tool::Paint);
    if (zone.takesMarks()) setTool(Tool::Mark);
    emit edited(zones_, false);
}

void ZonePanel::showZones(const std::vector<Zone>& zones) {
    if (zones == zones_) return;
    zones_ = zones;
    current_ = std::clamp(current_, 0, std::max(0, static_cast<int>(zones_.size()) - 1));
    if (zones_.empty()) setTool(Tool::None);
    refresh();
}

void ZonePanel::refresh() {
    more_->setEnabled(zones_.size() < Zone::kMost);
    list_->clear();
    for (std::size_t i = 0; i < zones_.size(); ++i)
        list_->addItem(QStringLiteral("%1  %2").arg(i + 1).arg(titleOf(zones_[i])));
    list_->setCurrentIndex(current_);
    list_->setVisible(!zones_.empty());
    remove_->setVisible(!zones_.empty());
    body_->setVisible(!zones_.empty());
    if (zones_.empty()) return;
    const Zone& own = zones_[static_cast<std::size_t>(current_)];
    const auto fields = fieldsOf<Zone>();
    for (std::size_t i = 0; i < factors_.size(); ++i) {
        const QSignalBlocker silent(factors_[i]); // it is shown, not set
        factors_[i]->setValue(fields[i].shown *
                              static_cast<double>(own.*std::get<float Zone::*>(fields[i].member)));
    }
    method_->setCurrentIndex(std::max(0, method_->findData(QString::fromStdString(own.method))));
    clear_->setEnabled(!own.strokes.empty());
    mark_->setVisible(own.takesMarks()), markOff_->setVisible(own.takesMarks());
}

void ZonePanel::give() {
    Zone& own = zones_[static_cast<std::size_t>(current_)];
    const auto fields = fieldsOf<Zone>();
    for (std::size_t i = 0; i < factors_.size(); ++i)
        own.*std::get<float Zone::*>(fields[i].member) =
            static_cast<float>(factors_[i]->value() / fields[i].shown);
    const std::string before = std::exchange(own.method, method_->currentData().toString().toStdString());
    emit edited(zones_, before == own.method);
}

ZonePanel::Tool ZonePanel::tool() const {
    return paint_->isChecked()     ? Tool::Paint
           : erase_->isChecked()   ? Tool::Erase
           : mark_->isChecked()    ? Tool::Mark
           : markOff_->isChecked() ? Tool::MarkOff
                                   : Tool::None;
}

void ZonePanel::setTool(Tool tool) {
    if (tool != Tool::None && zones_.empty()) return add(FoundPart::Painted);
    paint_->setChecked(tool == Tool::Paint), erase_->setChecked(tool == Tool::Erase);
    mark_->setChecked(tool == Tool::Mark), markOff_->setChecked(tool == Tool::MarkOff);
    if (tool != Tool::None) show_->setChecked(true);
    emit changed();
}

ZonePanel::Brush ZonePanel::brush() const {
    return {diameter_->value(), softness_->value() / 100, edges_->isChecked()};
}

void ZonePanel::setBrush(const Brush& brush) {
    diameter_->setValue(brush.diameter), softness_->setValue(100 * brush.softness);
    edges_->setChecked(brush.edges);
    emit changed();
}

void ZonePanel::setShownAs(ShownAs as) { setOverlay({as, overlay_.colour, overlay_.strength}); }

void ZonePanel::setColour(int index) {
    // Grey has no other colour: whoever chooses one wants to see it.
    const ShownAs as = overlay_.as == ShownAs::GreyOutside ? ShownAs::Colour : overlay_.as;
    setOverlay({as, colours()[static_cast<std::size_t>(index)], overlay_.strength});
}

void ZonePanel::setStrength(float strength) { setOverlay({overlay_.as, overlay_.colour, strength}); }

void ZonePanel::showNext() {
    constexpr ShownAs kOrder[] = {ShownAs::Colour, ShownAs::GreyOutside, ShownAs::Outline};
    if (!wantsMask()) return setShownAs(kOrder[0]);
    const auto* at = std::find(std::begin(kOrder), std::end(kOrder), overlay_.as);
    if (at + 1 == std::end(kOrder)) return setWantsMask(false);
    setShownAs(*(at + 1));
}

bool ZonePanel::wantsMask() const { return !zones_.empty() && show_->isChecked(); }

void ZonePanel::setWantsMask(bool on) { show_->setChecked(on); }

} // namespace irenic
