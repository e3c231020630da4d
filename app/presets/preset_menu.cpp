#include "presets/preset_menu.h"

#include <QFile>
#include <QFileDialog>
#include <QFileInfo>
#include <QInputDialog>
#include <QMessageBox>

#include "denoise/method.h"
#include "said.h"

namespace irenic {

PresetMenu::PresetMenu(Document& document, QWidget* parent)
    : QMenu(tr("Pr&esets"), parent), document_(document) {
    setObjectName(QStringLiteral("presets"));
    connect(this, &QMenu::aboutToShow, this, &PresetMenu::fill);
    fill();
}

void PresetMenu::fill() {
    clear();
    QMenu* away = nullptr;
    std::vector<std::string> names;
    try {
        names = presetNames();
    } catch (const std::exception& e) {
        emit message(said(e.what()));
    }
    for (const std::string& n : names) {
        const QString name = QString::fromStdString(n);
        addAction(name, this, [this, name] { use(name); })->setEnabled(document_.photo() != nullptr);
    }
    if (names.empty())
        addAction(tr("None yet. Save one from the menu of a take or of the look."))->setEnabled(false);
    addSeparator();
    addAction(tr("&Import…"), this, [this] {
        for (const QString& file : QFileDialog::getOpenFileNames(this, tr("Import presets"), {},
                                                                 tr("Presets and sidecars (*.json)")))
            importFrom(file);
    });
    if (names.empty()) return;
    QMenu* out = addMenu(tr("E&xport"));
    away = addMenu(tr("&Remove"));
    for (const std::string& n : names) {
        const QString name = QString::fromStdString(n);
        out->addAction(name, this, [this, name] {
            const QString file = QFileDialog::getSaveFileName(
                this, tr("Export preset"), name + QStringLiteral(".json"), tr("Presets (*.json)"));
            if (!file.isEmpty()) exportTo(name, file);
        });
        away->addAction(name, this, [this, name] {
            if (QFile::moveToTrash(
                    QString::fromStdString((presetFolder() / (name.toStdString() + ".json")).string())))
                emit message(tr("Preset %1 was moved to the trash.").arg(name));
            else
                emit message(tr("Preset %1 could not be moved to the trash.").arg(name));
        });
    }
}

void PresetMenu::use(const QString& name) {
    try {
        document_.usePreset(name.toStdString(), loadPreset(name.toStdString()));
    } catch (const std::exception& e) {
        emit message(said(e.what()));
    }
}

void PresetMenu::keep(const QString& proposed, const Preset& preset) {
    bool given = false;
    const QString name = QInputDialog::getText(this, tr("Save as preset"), tr("Name of the preset:"),
                                               QLineEdit::Normal, proposed, &given);
    if (!given || name.isEmpty()) return;
    try {
        const bool there = presetExists(name.toStdString());
        if (there &&
            QMessageBox::question(this, tr("Save as preset"),
                                  tr("A preset named %1 exists. Replace it?").arg(name)) != QMessageBox::Yes)
            return;
        savePreset(name.toStdString(), preset, there);
        emit message(tr("Preset %1 was saved.").arg(name));
    } catch (const std::exception& e) {
        emit message(said(e.what()));
    }
}

void PresetMenu::keepTake(int take) {
    const Take& t = document_.takes().at(static_cast<std::size_t>(take));
    const Method* method = findMethod(t.settings.method);
    keep(QString::fromStdString(!t.name.empty() ? t.name
                                : method        ? method->name()
                                                : t.settings.method),
         {t.settings, {}});
}

void PresetMenu::keepLook() { keep(tr("Look"), {{}, document_.look()}); }

void PresetMenu::importFrom(const QString& file) {
    try {
        const QString base = QFileInfo(file).completeBaseName();
        QString name = base;
        for (int n = 2; presetExists(name.toStdString()); ++n)
            name = QStringLiteral("%1-%2").arg(base).arg(n);
        savePreset(name.toStdString(), loadPreset(file.toStdString()));
        emit message(tr("Preset %1 was saved.").arg(name));
    } catch (const std::exception& e) {
        emit message(said(e.what()));
    }
}

void PresetMenu::exportTo(const QString& name, const QString& file) {
    const QString to = QFileInfo(file).fileName();
    try {
        copyPreset(name.toStdString(), file.toStdString());
        emit message(tr("Preset %1 was exported to %2.").arg(name, to));
    } catch (const std::exception& e) {
        emit message(tr("%1: %2").arg(to, said(e.what())));
    }
}

} // namespace irenic
