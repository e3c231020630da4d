#include "view_strip.h"

#include <QAction>
#include <QButtonGroup>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QLabel>
#include <QMenu>
#include <QSettings>
#include <QToolButton>

#include "base/shown_text.h"
#include "develop/render.h"
#include "recommend/recommend_button.h"
#include "said.h"
#include "style/flow.h"
#include "style/rule.h"
#include "style/style.h"

namespace irenic {

namespace {

const FieldInfo kPush = {"push", "", IRENIC_TEXT("push"),
                         " EV",  -2, 6,
                         1,      1,  IRENIC_TEXT("Brightens the view to show the shadows. Never exported.")};

} // namespace

// Widgets are made in the order in which the key Tab goes through them.
ViewStrip::ViewStrip(Document& document, Jobs& jobs, QWidget* parent) : QWidget(parent), document_(document) {
    auto* row = new Flow(this);
    row->setContentsMargins(24, 3, 6, 3);
    // At the left how the sheet is looked at, at the right what makes takes.
    zooms_ = zoomButtons();
    row->addWidget(joined(sizes_ = sizeMenu()));
    row->addGap();
    row->addWidget(push_ = new Rule(kPush, 0, this));
    push_->setFixedWidth(150);
    connect(push_, &Rule::changed, this, [this](double v) { document_.setPush(static_cast<float>(v)); });
    row->addWidget(pushNote_ = noteOfPush());
    row->addWidget(back_ = backButton());
    row->addWidget(pixel_ = new QLabel(this));
    pixel_->setObjectName(QStringLiteral("pixel"));
    row->toTheRight();
    row->addWidget(look_ = lookButton());
    row->addGap();
    row->addWidget(recommend_ = new RecommendButton(document, jobs, this));
    connect(recommend_, &RecommendButton::said, this, &ViewStrip::message);
    auto* others = new QToolButton(this);
    others->setText(tr("Others"));
    others->setObjectName(QStringLiteral("others"));
    others->setToolTip(
        tr("Other takes that were measured for this photo: one that is quicker, one with grain."));
    others->setMenu(recommend_->others());
    others->setPopupMode(QToolButton::InstantPopup);
    others->setVisible(false);
    connect(recommend_, &RecommendButton::offered, others, &QWidget::setVisible);
    row->addWidget(others);
    auto* add = new QToolButton(this);
    add->setText(tr("Add take"));
    add->setObjectName(QStringLiteral("addTake"));
    add->setToolTip(tr("Adds a column with another take. (Ctrl+T)"));
    add->setShortcut(QKeySequence(tr("Ctrl+T")));
    connect(add, &QToolButton::clicked, this, [this] { document_.addTake(); });
    row->addWidget(add);
    connect(&document_, &Document::viewChanged, this, &ViewStrip::refresh);
    refresh();
}

QButtonGroup* ViewStrip::zoomButtons() {
    auto* group = new QButtonGroup(this);
    const struct {
        const char* text;
        double zoom;
        const char* key;
    } steps[] = {{QT_TR_NOOP("Fit"), 0, "0"}, {"50 %", 0.5, "5"}, {"100 %", 1, "1"},
                 {"200 %", 2, "2"},           {"400 %", 4, "4"},  {"800 %", 8, "8"}};
    for (const auto& s : steps) {
        auto* button = new QToolButton(this);
        button->setText(tr(s.text));
        button->setCheckable(true);
        button->setShortcut(QKeySequence(QString::fromLatin1(s.key)));
        button->setToolTip(tr("Shows all cells at %1. (%2)").arg(tr(s.text), QString::fromLatin1(s.key)));
        button->setObjectName(QStringLiteral("zoom%1").arg(s.zoom));
        group->addButton(button, static_cast<int>(100 * s.zoom));
    }
    group->setExclusive(false);
    connect(group, &QButtonGroup::idClicked, this, [this](int zoom) {
        document_.setZoom(zoom / 100.0);
        refresh();
    });
    return group;
}

QWidget* ViewStrip::joined(QToolButton* last) {
    auto* box = new QWidget(this);
    auto* line = new QHBoxLayout(box);
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(0);
    for (QAbstractButton* button : zooms_->buttons()) line->addWidget(button);
    line->addWidget(last);
    return box;
}

// Seen only where there is a way back; the key works always.
QToolButton* ViewStrip::backButton() {
    auto* action = new QAction(tr("Recentre on probes"), this);
    action->setShortcut(QKeySequence(Qt::Key_Home));
    connect(action, &QAction::triggered, &document_, &Document::resetPan);
    addAction(action);
    auto* button = new QToolButton(this);
    button->setDefaultAction(action);
    button->setToolTip(tr("Shows every row's probe again. (Home)"));
    return button;
}

QToolButton* ViewStrip::lookButton() {
    auto* button = new QToolButton(this);
    button->setText(tr("Look"));
    button->setObjectName(QStringLiteral("showLook"));
    button->setCheckable(true);
    button->setShortcut(QKeySequence(tr("Ctrl+L")));
    button->setToolTip(tr("Shows how the photo is developed: white balance, tone, lens, detail. The same for "
                          "all takes. (Ctrl+L)"));
    const QSettings memory;
    button->setChecked(memory.value(QStringLiteral("look/shown"), false).toBool());
    connect(button, &QToolButton::toggled, this, [this](bool on) {
        QSettings().setValue(QStringLiteral("look/shown"), on);
        emit lookToggled(on);
    });
    return button;
}

QLabel* ViewStrip::noteOfPush() {
    auto* note = new QLabel(this);
    note->setText(tr("View only, not exported"));
    note->setObjectName(QStringLiteral("pushNote"));
    note->setAutoFillBackground(true);
    QPalette ochre = note->palette();
    ochre.setColor(QPalette::Window, style::ochre());
    ochre.setColor(QPalette::WindowText, style::onOchre());
    note->setPalette(ochre);
    note->hide(); // before it can widen the row
    return note;
}

bool ViewStrip::lookShown() const { return look_->isChecked(); }
void ViewStrip::setPixel(const QString& text) { pixel_->setText(text); }

// The picture at the size that a print or the web will have: area averages, a pixel of the screen for each of
// it.
QToolButton* ViewStrip::sizeMenu() {
    auto* button = new QToolButton(this);
    button->setText(tr("Output size"));
    button->setObjectName(QStringLiteral("sizes"));
    button->setPopupMode(QToolButton::InstantPopup);
    button->setToolTip(tr("Shows the pixels that a print at 300 dpi or a reduced picture would have."));
    auto* menu = new QMenu(button);
    const auto show = [this](double longest) {
        if (!document_.photo()) return;
        const Rect frame = outputFrame(*document_.photo(), document_.look());
        document_.setZoom(std::min(1.0, longest / std::max(frame.width, frame.height)));
    };
    const auto add = [this, menu, show](const QString& text, double longest) {
        menu->addAction(text, this, [show, longest] { show(longest); });
    };
    constexpr double kDotsForEachCm = 300 / 2.54;
    for (const int cm : {10, 15, 20, 30, 40, 60})
        add(tr("Print, long edge %1 cm").arg(cm), cm * kDotsForEachCm);
    menu->addSeparator();
    for (const int pixels : {1024, 1600, 2048, 3840}) add(tr("Long edge %1 px").arg(pixels), pixels);
    menu->addSeparator();
    menu->addAction(tr("Custom print size…"), this, [this, show] {
        bool given = false;
        const double cm = QInputDialog::getDouble(this, tr("Output size"), tr("Long edge in cm, at 300 dpi:"),
                                                  30, 1, 300, 1, &given);
        if (given) show(cm * kDotsForEachCm);
    });
    button->setMenu(menu);
    return button;
}

void ViewStrip::refresh() {
    bool any = false;
    for (QAbstractButton* b : zooms_->buttons()) {
        b->setChecked(zooms_->id(b) == 100 * document_.zoom());
        any |= b->isChecked();
    }
    sizes_->setText(any ? tr("Output size") : tr("%1 %").arg(numberOf(100 * document_.zoom(), 1)));
    push_->setValue(static_cast<double>(document_.push()));
    pushNote_->setVisible(document_.push() != 0);
    back_->setVisible(document_.isPanned());
}

} // namespace irenic
