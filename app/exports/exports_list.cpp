#include "exports/exports_list.h"

#include <QAction>
#include <QDesktopServices>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QHeaderView>
#include <QInputDialog>
#include <QUrl>
#include <algorithm>
#include <filesystem>

#include "base/safe_file.h"
#include "base/text.h"
#include "deliver/xmp.h"
#include "said.h"

namespace irenic {

namespace {

QString sizeText(qint64 bytes) {
    return bytes < 0
               ? ExportsList::tr("Missing")
               : ExportsList::tr("%1 MB").arg(numberOf(static_cast<double>(bytes) / 1e6, bytes < 10'000'000));
}

QString standingText(ExportStanding standing) {
    switch (standing) {
    case ExportStanding::Same: return ExportsList::tr("As set");
    case ExportStanding::OtherSettings: return ExportsList::tr("Other settings");
    case ExportStanding::OlderMethod: return ExportsList::tr("Older method");
    case ExportStanding::Unknown: return ExportsList::tr("Not known");
    }
    return {};
}

QString standingTip(ExportStanding standing) {
    switch (standing) {
    case ExportStanding::Same:
        return ExportsList::tr("The take and the look are as they were when this was made.");
    case ExportStanding::OtherSettings:
        return ExportsList::tr("The take or the look has changed since, or the take is gone.");
    case ExportStanding::OlderMethod:
        return ExportsList::tr(
            "An older version of Irenic made this. Compare it as a reference, or export again.");
    case ExportStanding::Unknown:
        return ExportsList::tr("What this was made with was not noted, or was measured as it was made.");
    }
    return {};
}

} // namespace

ExportsList::ExportsList(Document& document, Jobs& jobs, QWidget* parent)
    : QTreeWidget(parent), document_(document), jobs_(jobs) {
    setObjectName(QStringLiteral("exportsList"));
    setAccessibleName(tr("Exports of this photo"));
    setRootIsDecorated(false);
    setUniformRowHeights(true);
    setHeaderLabels({tr("File"), tr("Take"), tr("When"), tr("Size"), tr("Made as")});
    header()->setStretchLastSection(true);
    header()->resizeSection(Name, 120);
    header()->resizeSection(TakeLetter, 40);
    header()->resizeSection(When, 90);
    header()->resizeSection(Size, 60);
    setContextMenuPolicy(Qt::ActionsContextMenu);
    makeActions();
    connect(this, &QTreeWidget::currentItemChanged, this, &ExportsList::offer);
    for (const auto signal :
         {&Document::photoChanged, &Document::takesChanged, &Document::chosenChanged, &Document::viewChanged})
        connect(&document_, signal, this, &ExportsList::refresh);
    connect(&document_, &Document::photoChanged, this, &ExportsList::tellOlder);
    connect(&document_, &Document::settingsChanged, this, &ExportsList::refresh);
    connect(&document_, &Document::workChanged, this, &ExportsList::refresh);
}

// What was chosen and exported once would come out otherwise now: nothing changes by itself, but it is said.
void ExportsList::tellOlder() {
    const Take* chosen = document_.photo() ? document_.state().take(document_.state().chosen) : nullptr;
    if (!chosen) return;
    const auto& all = document_.facts().exports;
    const auto last = std::find_if(all.rbegin(), all.rend(),
                                   [&](const ExportMade& made) { return made.letter == chosen->letter; });
    if (last != all.rend() && standingOf(*last, document_.state()) == ExportStanding::OlderMethod)
        emit message(tr("%1 was made by an older version of this method. To see what is new, open it as a "
                        "reference (View, Panels, Exports).")
                         .arg(QFileInfo(QString::fromStdString(last->file)).fileName()));
}

void ExportsList::makeActions() {
    const auto add = [this](const QString& text, const char* name, bool ofFile,
                            const std::function<void()>& act) {
        auto* action = new QAction(text, this);
        action->setObjectName(QLatin1String(name));
        connect(action, &QAction::triggered, this, act);
        addAction(action);
        if (ofFile) ofFile_ << action;
        return action;
    };
    const auto file = [this] { return QString::fromStdString(marked()->file); };
    add(tr("Open file"), "openExport", true,
        [file] { QDesktopServices::openUrl(QUrl::fromLocalFile(file())); });
    add(tr("Show in folder"), "showExport", true,
        [file] { QDesktopServices::openUrl(QUrl::fromLocalFile(QFileInfo(file()).absolutePath())); });
    add(tr("Compare as reference"), "compareExport", true,
        [this] { document_.addReference(marked()->file); });
    add(tr("Rename…"), "renameExport", true, [this, file] {
        bool given = false;
        const QString name = QInputDialog::getText(this, tr("Rename export"), tr("New name of the file:"),
                                                   QLineEdit::Normal, QFileInfo(file()).fileName(), &given);
        if (given) rename(name);
    });
    add(tr("Move to trash"), "discardExport", true, [this] { discard(); });
    const QString marks[] = {tr("No mark"), tr("Mark ●"), tr("Mark ●●"), tr("Mark ●●●")};
    for (int i = 0; i < 4; ++i)
        add(marks[i], i == 0 ? "unmarkExport" : "markExport", false, [this, i] { setMark(i); });
    offer();
}

const ExportMade* ExportsList::marked() const {
    const QTreeWidgetItem* item = currentItem();
    const auto& all = document_.facts().exports;
    const std::size_t at = item ? item->data(0, Qt::UserRole).toUInt() : all.size();
    return at < all.size() ? &all[at] : nullptr;
}

void ExportsList::offer() {
    const ExportMade* own = marked();
    const auto known = own ? sizes_.find(own->file) : sizes_.end();
    const bool there = known != sizes_.end() && known->second >= 0;
    for (QAction* action : actions()) action->setEnabled(ofFile_.contains(action) ? there : own != nullptr);
}

void ExportsList::showEvent(QShowEvent* event) {
    QTreeWidget::showEvent(event);
    refresh();
}

void ExportsList::refresh() {
    if (!isVisible()) return;
    const std::string current = marked() ? marked()->file : std::string();
    clear();
    const auto& all = document_.facts().exports;
    bool unknown = false;
    for (std::size_t i = all.size(); i-- > 0;) { // the newest first
        const ExportMade& made = all[i];
        const ExportStanding standing = standingOf(made, document_.state());
        const auto size = sizes_.find(made.file);
        unknown |= size == sizes_.end();
        const QString name = QFileInfo(QString::fromStdString(made.file)).fileName();
        auto* item = new QTreeWidgetItem(
            this, {QString(made.mark, QChar(0x25CF)) + (made.mark ? QStringLiteral(" ") : QString()) + name,
                   QString(QLatin1Char(made.letter)), timeOf(made.when),
                   size == sizes_.end() ? QString() : sizeText(size->second), standingText(standing)});
        item->setData(0, Qt::UserRole, static_cast<uint>(i));
        item->setToolTip(Name, QString::fromStdString(shownPath(made.file)));
        item->setToolTip(Standing, standingTip(standing));
        if (made.file == current) setCurrentItem(item);
    }
    offer();
    if (unknown) look();
}

void ExportsList::look() {
    std::vector<std::string> files;
    for (const ExportMade& made : document_.facts().exports) files.push_back(made.file);
    looking_ = jobs_.submit(
        Lane::Quiet, 1,
        [files](const Work& work) {
            std::map<std::string, qint64> out;
            for (const std::string& file : files) {
                work.check();
                std::error_code none;
                const auto size = std::filesystem::file_size(file, none);
                out[file] = none ? -1 : static_cast<qint64>(size);
            }
            return out;
        },
        [this](const Outcome<std::map<std::string, qint64>>& found) {
            if (!found.value) return;
            sizes_ = *found.value;
            refresh();
        });
}

namespace {

struct Renaming {
    QString from, to;
};

// Of an export, and with it of those that lie beside it under the same name with another ending: they belong
// together. One whose ending is changed goes alone.
std::vector<Renaming> renamingsOf(const ExportMade& own, const QString& name,
                                  const std::vector<ExportMade>& all) {
    const QFileInfo is(QString::fromStdString(own.file)), wanted(name);
    const QDir folder = is.absoluteDir();
    std::vector<Renaming> out{{is.filePath(), folder.filePath(name)}};
    if (wanted.suffix() != is.suffix()) return out;
    for (const ExportMade& e : all) {
        const QFileInfo other(QString::fromStdString(e.file));
        if (other == is || other.absoluteDir() != folder ||
            other.completeBaseName() != is.completeBaseName() || !other.exists())
            continue;
        out.push_back({other.filePath(),
                       folder.filePath(wanted.completeBaseName() + QLatin1Char('.') + other.suffix())});
    }
    return out;
}

} // namespace

void ExportsList::change(const std::function<QString(const QString& file)>& act,
                         const std::function<void(std::vector<ExportMade>&, std::size_t)>& then) {
    const ExportMade* own = marked();
    if (!own || !document_.photo()) return;
    if (changing_.active()) return emit message(tr("The file before is still being changed."));
    const ExportMade before = *own;
    const std::string photo = document_.photo()->file.string();
    changing_ = jobs_.submit(
        Lane::Saving, 1, [act, file = QString::fromStdString(before.file)](const Work&) { return act(file); },
        [this, then, before, photo](const Outcome<QString>& done) {
            if (!done.value) return emit message(said(done.problem));
            if (!done.value->isEmpty()) return emit message(*done.value);
            // Wherever it stands by now.
            const PhotoRecord* record = document_.recordOf(photo);
            if (!record) return;
            std::vector<ExportMade> all = record->facts.exports;
            const auto at = std::find(all.begin(), all.end(), before);
            if (at == all.end()) return;
            then(all, static_cast<std::size_t>(at - all.begin()));
            sizes_.clear();
            document_.setExports(photo, std::move(all));
            refresh();
        });
}

void ExportsList::rename(const QString& name) {
    const ExportMade* own = marked();
    if (!own) return;
    if (name.isEmpty() || name.contains(QLatin1Char('/')))
        return emit message(tr("A file's name cannot be empty or have a / in it."));
    const std::vector<Renaming> all = renamingsOf(*own, name, document_.facts().exports);
    change(
        [all](const QString&) {
            for (std::size_t i = 0; i < all.size(); ++i) {
                // Qt's own renames nothing over a file that is there.
                if (QFile::rename(all[i].from, all[i].to)) continue;
                while (i-- > 0) QFile::rename(all[i].to, all[i].from);
                return tr("%1 cannot be renamed to %2. Is there a file of that name?")
                    .arg(QFileInfo(all.front().from).fileName(), QFileInfo(all.front().to).fileName());
            }
            return QString();
        },
        [all](std::vector<ExportMade>& exports, std::size_t) {
            for (const Renaming& r : all)
                for (ExportMade& e : exports)
                    if (e.file == r.from.toStdString()) e.file = r.to.toStdString();
        });
}

void ExportsList::discard() {
    change(
        [](const QString& file) {
            if (!isMadeByIrenic(file.toStdString()))
                return tr("%1 was changed by another program, and stays where it is.")
                    .arg(QFileInfo(file).fileName());
            return QFile::moveToTrash(file)
                       ? QString()
                       : tr("%1 cannot be moved to the trash.").arg(QFileInfo(file).fileName());
        },
        [](std::vector<ExportMade>& all, std::size_t at) {
            all.erase(all.begin() + static_cast<std::ptrdiff_t>(at));
        });
}

void ExportsList::setMark(int mark) {
    const ExportMade* own = marked();
    if (!own || !document_.photo()) return;
    std::vector<ExportMade> all = document_.facts().exports;
    all[static_cast<std::size_t>(own - document_.facts().exports.data())].mark = mark;
    document_.setExports(document_.photo()->file.string(), std::move(all));
    refresh();
}

} // namespace irenic
