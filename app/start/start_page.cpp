#include "start/start_page.h"

#include <QCoreApplication>
#include <QDir>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "start/start_picture.h"
#include "style/style.h"

namespace irenic {

// The script makes them beside the build.
QString StartPage::millFolder() {
    const QDir folder(QCoreApplication::applicationDirPath() + QStringLiteral("/../../../demo"));
    return folder.entryList({QStringLiteral("*.dng")}, QDir::Files).isEmpty() ? QString()
                                                                              : folder.absolutePath();
}

StartPage::StartPage(Jobs& jobs, QWidget* parent) : QWidget(parent), recent_(new RecentPhotos(jobs, this)) {
    setObjectName(QStringLiteral("start"));
    auto* column = new QVBoxLayout;
    column->setSpacing(12);
    const auto text = [&](const QString& words, double size) {
        auto* label = new QLabel(words, this);
        QFont font = label->font();
        font.setPointSizeF(font.pointSizeF() * size);
        label->setFont(font);
        label->setWordWrap(true);
        label->setFixedWidth(380);
        column->addWidget(label);
    };
    text(tr("Compare noise reduction, pixel by pixel"), 1.5);
    text(
        tr("Columns are takes: a method with its strengths. Rows are probes: places worth checking. All "
           "cells of a row show the same pixels. Column one is the original.\n\n1.00× removes as much noise "
           "as was measured. Choose the take that you like and export it. Your originals are never changed."),
        1.1);
    const auto button = [&](const QString& words, const char* name) {
        auto* b = new QPushButton(words, this);
        b->setObjectName(QLatin1String(name));
        b->setMinimumWidth(260);
        column->addWidget(b, 0, Qt::AlignLeft);
        return b;
    };
    column->addSpacing(6);
    connect(button(tr("Open photos…   Ctrl+O"), "startOpen"), &QPushButton::clicked, this,
            &StartPage::openAsked);
    connect(button(tr("Open a folder…   Ctrl+Shift+O"), "startFolder"), &QPushButton::clicked, this,
            &StartPage::folderAsked);
    const QString mill = millFolder();
    QPushButton* demo = button(tr("Try the demo photos"), "startMill");
    demo->setVisible(!mill.isEmpty());
    connect(demo, &QPushButton::clicked, this, [this, mill] { emit millAsked(mill); });
    text(tr("Or drop photos anywhere on this window: camera raws, DNG, TIFF, JPEG or PNG."), 1);
    auto* row = new QHBoxLayout;
    row->addStretch(1);
    row->addLayout(column);
    row->addSpacing(32);
    picture_ = new StartPicture(this);
    row->addWidget(picture_);
    row->addStretch(1);
    if (!mill.isEmpty()) {
        picture_->setCursor(Qt::PointingHandCursor);
        picture_->setToolTip(tr("Opens the demo photos."));
        connect(picture_, &StartPicture::clicked, this, [this, mill] { emit millAsked(mill); });
    }
    auto* page = new QVBoxLayout(this);
    page->addStretch(2);
    page->addLayout(row);
    page->addSpacing(20);
    auto* latest = new QWidget(this);
    auto* below = new QVBoxLayout(latest);
    below->setContentsMargins(0, 0, 0, 0);
    below->addWidget(new QLabel(tr("Recent photos"), latest));
    below->addWidget(recent_);
    latest->setMaximumWidth(recent_->maximumWidth());
    latest->hide();
    connect(recent_, &RecentPhotos::filled, latest, &QWidget::setVisible);
    auto* middle = new QHBoxLayout;
    middle->addStretch(1);
    middle->addWidget(latest, 100);
    middle->addStretch(1);
    page->addLayout(middle);
    page->addStretch(3);
    setTabOrder(demo, recent_);
    connect(recent_, &RecentPhotos::opened, this, &StartPage::photoAsked);
}

QSize StartPage::minimumSizeHint() const { return {440, 380}; }

void StartPage::resizeEvent(QResizeEvent*) {
    constexpr int kText = 440;
    picture_->setVisible(width() >= picture_->width() + kText && height() >= picture_->height());
}

} // namespace irenic
