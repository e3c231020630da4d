#include "sheet/reference_head.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QPainter>
#include <QToolButton>
#include <QVBoxLayout>

#include "style/icon.h"
#include "style/style.h"

namespace irenic {

ReferenceHead::ReferenceHead(const QString& letter, const QString& file, QWidget* parent)
    : QFrame(parent), file_(file), name_(new QLabel(this)), says_(new QLabel(this)),
      match_(new QToolButton(this)), clean_(new QToolButton(this)), again_(new QToolButton(this)) {
    auto* title = new QLabel(letter, this);
    QFont big = title->font();
    big.setPointSizeF(big.pointSizeF() * 1.25);
    big.setWeight(QFont::DemiBold);
    title->setFont(big);
    for (QLabel* l : {name_, says_}) {
        l->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
        l->setMinimumWidth(20);
    }
    says_->setObjectName(QStringLiteral("referenceSays"));
    match_->setText(tr("Match"));
    match_->setCheckable(true);
    match_->setObjectName(QStringLiteral("match"));
    match_->setToolTip(tr("Matches brightness and white balance to this photo, so that noise and detail can "
                          "be compared. The file stays as it is."));
    connect(match_, &QToolButton::clicked, this, &ReferenceHead::matchAsked);
    clean_->setText(tr("Clean"));
    clean_->setCheckable(true);
    clean_->setObjectName(QStringLiteral("cleanReference"));
    clean_->setToolTip(
        tr("Cleans this reference like one of the takes, by its own measured noise, to compare what comes "
           "first: cleaning or developing. The file stays as it is."));
    clean_->setPopupMode(QToolButton::InstantPopup);
    clean_->setMenu(new QMenu(clean_));
    connect(clean_->menu(), &QMenu::aboutToShow, this, &ReferenceHead::listTakes);
    again_->setText(tr("Reload"));
    again_->setToolTip(tr("Reads the file and aligns it again."));
    connect(again_, &QToolButton::clicked, this, &ReferenceHead::againAsked);
    auto* close = new QToolButton(this);
    close->setIcon(style::icon(style::Icon::Close));
    close->setObjectName(QStringLiteral("closeReference"));
    close->setAccessibleName(tr("Close reference"));
    close->setToolTip(tr("Closes this reference. The file stays."));
    connect(close, &QToolButton::clicked, this, &ReferenceHead::closeAsked);
    auto* line = new QHBoxLayout;
    line->setSpacing(style::kGap);
    line->addWidget(title);
    line->addWidget(name_, 1);
    line->addWidget(close);
    // What can be done stands below, so that a narrow column still says whose file it is.
    auto* below = new QHBoxLayout;
    below->setSpacing(style::kGap);
    below->addWidget(match_);
    below->addWidget(clean_);
    below->addWidget(again_);
    below->addWidget(says_, 1);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(5, 5, 4, 4);
    column->setSpacing(1);
    column->addLayout(line);
    column->addLayout(below);
    column->addStretch(1);
    setAccessibleName(tr("Reference %1, %2").arg(letter, QFileInfo(file).fileName()));
}

void ReferenceHead::listTakes() {
    clean_->menu()->clear();
    for (int i = 0; i < takes_.size(); ++i)
        clean_->menu()->addAction(tr("Like take %1").arg(takes_[i]), this, [this, i] { emit cleanAsked(i); });
    clean_->menu()->addAction(tr("As it is"), this, [this] { emit cleanAsked(-1); });
}

void ReferenceHead::show(const QString& text, bool matched, bool cleaned, bool failed,
                         const QStringList& takes) {
    text_ = text, takes_ = takes;
    clean_->setChecked(cleaned);
    clean_->setVisible(!failed);
    match_->setChecked(matched);
    match_->setVisible(!failed);
    again_->setVisible(failed);
    setToolTip(
        tr("Another version of this photo, to compare with. Never exported.\n%1\n%2").arg(file_, text));
    writeTexts();
}

void ReferenceHead::writeTexts() {
    const QString file = QFileInfo(file_).fileName();
    name_->setText(name_->fontMetrics().elidedText(file, Qt::ElideMiddle, std::max(20, name_->width())));
    says_->setText(says_->fontMetrics().elidedText(text_, Qt::ElideRight, std::max(20, says_->width())));
}

void ReferenceHead::resizeEvent(QResizeEvent* event) {
    QFrame::resizeEvent(event);
    layout()->activate();
    writeTexts();
}

void ReferenceHead::paintEvent(QPaintEvent*) {
    // Foreign: a dashed frame.
    QPainter p(this);
    p.setPen(QPen(style::text(), 1, Qt::DashLine));
    p.drawRect(rect().adjusted(1, 1, -2, -2));
}

} // namespace irenic
