#include "start/start_page.h"

#include <QCoreApplication>
#include <QDir>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "style/style.h"

namespace irenic {

// The script makes them beside the build.
QString StartPage::millFolder() {
    const QDir folder(QCoreApplication::applicationDirPath() + QStringLiteral("/../../../demo"));
    return folder.entryList({QStringLiteral("*.dng")}, QDir::Files).isEmpty() ? QString()
                                                                              : folder.absolutePath();
}

StartPage::StartPage(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("start"));
    auto* column = new QVBoxLayout;
    column->setSpacing(12);
    const auto text = [&](const QString& words, double size) {
        auto* label = new QLabel(words, this);
        QFont font = label->font();
        font.setPointSizeF(font.pointSizeF() * size);
        label->setFont(font);
        label->setWordWrap(true);
        label->setFixedWidth(520);
        column->addWidget(label);
    };
    text(tr("Compare what takes the noise away"), 1.7);
    text(tr("Rows are probes: places of the photo that are worth looking at. Columns are takes: a method "
            "with its "
            "strengths. Every cell of a row shows the same pixels, and the first column is the photo as it "
            "is.\n\n"
            "1.00× takes away as much noise as was measured in this photo. Choose the take that you like, "
            "and export "
            "it: the original is never touched."),
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
    if (const QString mill = millFolder(); !mill.isEmpty())
        connect(button(tr("Try it with the mill's photos"), "startMill"), &QPushButton::clicked, this,
                [this, mill] { emit millAsked(mill); });
    text(tr("Or drop photos anywhere on this window. Raws of cameras, DNG, TIFF, JPEG and PNG are read."), 1);
    auto* row = new QHBoxLayout;
    row->addStretch(1);
    row->addLayout(column);
    row->addStretch(1);
    auto* page = new QVBoxLayout(this);
    page->addStretch(2);
    page->addLayout(row);
    page->addStretch(3);
}

} // namespace irenic
