#include "sheet/take_head.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QMenu>
#include <QPainter>
#include <QPushButton>
#include <QSignalBlocker>
#include <QToolButton>

#include "denoise/method.h"
#include "sheet/value_field.h"
#include "style/style.h"

namespace irenic {

TakeHead::TakeHead(const Take& take, QWidget* parent)
    : QFrame(parent), settings_(take.settings), letter_(new QLabel(this)), method_(new QComboBox(this)),
      choose_(new QPushButton(tr("Choose"), this)), more_(new QToolButton(this)), risk_(new QLabel(this)),
      mend_(new QAction(tr("Mend defect pixels and read-out lines"), this)),
      luminance_(new ValueField(tr("lum"), 0, 3, 1, 2, QStringLiteral("×"), this)),
      colour_(new ValueField(tr("colour"), 0, 3, 1, 2, QStringLiteral("×"), this)),
      coarse_(new ValueField(tr("coarse"), 0, 3, 1, 2, QStringLiteral("×"), this)),
      detail_(new ValueField(tr("detail"), 0, 100, 100 * static_cast<double>(Settings().detail), 0,
                             QStringLiteral(" %"), this)),
      grain_(new ValueField(tr("grain"), 0, 100, 0, 0, QStringLiteral(" %"), this)) {
    QFont big = letter_->font();
    big.setPointSizeF(big.pointSizeF() * 1.35);
    big.setBold(true);
    letter_->setFont(big);
    for (const auto& m : methods()) {
        method_->addItem(QString::fromStdString(m->name()), QString::fromStdString(m->id()));
        method_->setItemData(method_->count() - 1, QString::fromStdString(m->summary()), Qt::ToolTipRole);
    }
    method_->setObjectName(QStringLiteral("method"));
    method_->setAccessibleName(tr("Method of this take"));
    method_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    luminance_->setObjectName(QStringLiteral("luminance"));
    colour_->setObjectName(QStringLiteral("colour"));
    coarse_->setObjectName(QStringLiteral("coarse"));
    detail_->setObjectName(QStringLiteral("detail"));
    grain_->setObjectName(QStringLiteral("grain"));
    choose_->setObjectName(QStringLiteral("choose"));
    luminance_->setToolTip(
        tr("Luminance noise to take away, as a factor of what was measured. 1.00× is as much as was "
           "measured.\nDrag, type, or use the arrow keys; a double click resets."));
    colour_->setToolTip(tr("Colour noise to take away, as a factor of what was measured."));
    coarse_->setToolTip(
        tr("Coarse colour noise to take away: blotches of 8 to 64 pixels. Works where colour is above 0."));
    detail_->setToolTip(tr("How readily structure near the threshold is given back."));
    grain_->setToolTip(
        tr("Share of the removed luminance noise that is given back as grain. Colour noise never is."));
    choose_->setCheckable(true);
    choose_->setToolTip(tr("Make this the take that is exported for this photo."));
    more_->setText(QStringLiteral("⋮"));
    more_->setAccessibleName(tr("More for this take"));
    more_->setPopupMode(QToolButton::InstantPopup);
    more_->setStyleSheet(QStringLiteral("QToolButton::menu-indicator { image: none; }"));
    auto* menu = new QMenu(more_);
    mend_->setCheckable(true);
    mend_->setObjectName(QStringLiteral("mend"));
    menu->addAction(mend_);
    menu->addSeparator();
    menu->addAction(tr("Duplicate this take"), this, &TakeHead::duplicateAsked);
    menu->addAction(tr("Remove this take"), this, &TakeHead::removeAsked);
    more_->setMenu(menu);

    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(5, 4, 5, 4);
    grid->setSpacing(3);
    auto* top = new QHBoxLayout;
    top->setSpacing(4);
    top->addWidget(letter_);
    top->addWidget(method_, 1);
    top->addWidget(more_);
    grid->addLayout(top, 0, 0, 1, 2);
    grid->addWidget(luminance_, 1, 0);
    grid->addWidget(detail_, 1, 1);
    grid->addWidget(colour_, 2, 0);
    grid->addWidget(grain_, 2, 1);
    grid->addWidget(coarse_, 3, 0);
    grid->addWidget(choose_, 3, 1);
    grid->addWidget(risk_, 4, 0, 1, 2);
    grid->setRowStretch(5, 1);
    risk_->setObjectName(QStringLiteral("risk"));
    risk_->setAlignment(Qt::AlignCenter);
    risk_->setToolTip(
        tr("Recommended for this photo: the error estimated on its probes without knowing the truth (Stein's "
           "unbiased risk\nestimate), as a share of the noise. It goes once the settings are changed."));

    connect(method_, &QComboBox::activated, this, &TakeHead::tell);
    for (ValueField* f : {luminance_, colour_, coarse_, detail_, grain_})
        connect(f, &ValueField::changed, this, &TakeHead::tell);
    connect(mend_, &QAction::toggled, this, &TakeHead::tell);
    connect(choose_, &QPushButton::clicked, this, &TakeHead::chooseAsked);
}

void TakeHead::show(const Take& take, bool chosen) {
    settings_ = take.settings;
    chosen_ = chosen;
    letter_->setText(QString(QLatin1Char(take.letter)));
    method_->setCurrentIndex(method_->findData(QString::fromStdString(take.settings.method)));
    {
        const QSignalBlocker a(luminance_), b(colour_), c(detail_), d(grain_), e(coarse_), f(mend_);
        luminance_->setValue(static_cast<double>(take.settings.luminance));
        colour_->setValue(static_cast<double>(take.settings.colour));
        coarse_->setValue(static_cast<double>(take.settings.coarse));
        mend_->setChecked(take.settings.mend);
        detail_->setValue(100 * static_cast<double>(take.settings.detail));
        grain_->setValue(100 * static_cast<double>(take.settings.grain));
    }
    risk_->setText(take.risk ? tr("recommended: error %1 σ").arg(take.risk->sigmas(), 0, 'f', 2) : QString());
    risk_->setVisible(take.risk.has_value());
    choose_->setChecked(chosen);
    choose_->setText(chosen ? tr("✓ Chosen") : tr("Choose"));
    setAccessibleName(tr("Take %1").arg(letter_->text()));
    update();
}

void TakeHead::tell() {
    Settings s;
    s.method = method_->currentData().toString().toStdString();
    s.luminance = static_cast<float>(luminance_->value());
    s.colour = static_cast<float>(colour_->value());
    s.coarse = static_cast<float>(coarse_->value());
    s.mend = mend_->isChecked();
    s.detail = static_cast<float>(detail_->value() / 100);
    s.grain = static_cast<float>(grain_->value() / 100);
    if (!(s == settings_)) emit edited(settings_ = s);
}

void TakeHead::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), style::kPanel);
    if (chosen_) p.fillRect(QRect(0, 0, width(), 3), style::kOchre);
}

} // namespace irenic
