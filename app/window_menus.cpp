// The window's menus: what they list, and what each entry does.
#include <QActionGroup>
#include <QDockWidget>
#include <QFileInfo>
#include <QMenuBar>
#include <QSettings>

#include "base/text.h"
#include "export/export_bar.h"
#include "help/fault_report.h"
#include "help/key_list.h"
#include "help/manual.h"
#include "language.h"
#include "panels.h"
#include "photos/photo_list.h"
#include "presets/preset_menu.h"
#include "recommend/recommend_button.h"
#include "renderer.h"
#include "said.h"
#include "sheet/sheet.h"
#include "slow_write.h"
#include "style/monitor.h"
#include "style/style.h"
#include "trial/trial_view.h"
#include "view_strip.h"
#include "window.h"

namespace irenic {

void Window::makeMenus() {
    makeFileMenu(menuBar()->addMenu(tr("&File")));
    makeEditMenu(menuBar()->addMenu(tr("&Edit")));
    makeViewMenu(menuBar()->addMenu(tr("&View")));
    QMenu* help = menuBar()->addMenu(tr("&Help"));
    help->addAction(tr("&Manual"), QKeySequence(Qt::Key_F1), this, &Window::showManual);
    help->addAction(tr("&Keyboard and mouse"), QKeySequence(tr("Shift+F1")), this,
                    [this] { (new KeyList(this))->show(); });
    help->addAction(tr("&Report a fault…"), this, &Window::reportFault)
        ->setObjectName(QStringLiteral("reportFault"));
}

void Window::showManual() {
    const QWidget* part = QApplication::focusWidget();
    if (!part || !isAncestorOf(part)) part = trial_->isVisible() ? static_cast<QWidget*>(trial_) : sheet_;
    auto* manual = findChild<Manual*>();
    if (!manual) manual = new Manual(this);
    manual->show();
    manual->raise();
    manual->showPage(Manual::pageFor(part));
}

void Window::makeFileMenu(QMenu* photo) {
    photo->addAction(tr("&Open…"), QKeySequence::Open, this, &Window::askForPhotos);
    photo->addAction(tr("Open &folder…"), QKeySequence(tr("Ctrl+Shift+O")), this, &Window::askForFolder);
    recentMenu_ = photo->addMenu(tr("Open re&cent"));
    recentMenu_->setObjectName(QStringLiteral("recent"));
    connect(recentMenu_, &QMenu::aboutToShow, this, &Window::listRecent);
    photo->addSeparator();
    photo->addAction(tr("Open &reference…"), QKeySequence(tr("Ctrl+Shift+R")), this,
                     &Window::askForReferences);
    made_ = photo->addMenu(tr("Open an &export as reference"));
    made_->setObjectName(QStringLiteral("made"));
    connect(made_, &QMenu::aboutToShow, this, &Window::listMade);
    QAction* report = photo->addAction(tr("Save re&port…"), this, &Window::askForReport);
    report->setObjectName(QStringLiteral("saveReport"));
    report->setToolTip(
        tr("Checks all takes over the whole photo and writes a PDF with crops, settings and findings."));
    QAction* layers = photo->addAction(tr("Save takes as &layers…"), this, &Window::askForLayers);
    layers->setObjectName(QStringLiteral("saveLayers"));
    layers->setToolTip(
        tr("Writes the original and all takes as layers of one OpenRaster file, to be blended by "
           "hand elsewhere."));
    connect(photo, &QMenu::aboutToShow, this, [this, report, layers] {
        layers->setText(layers_->running() ? tr("Stop writing the &layers") : tr("Save takes as &layers…"));
        layers->setEnabled(!document_.takes().empty() && document_.photo() != nullptr);
        report->setText(report_->running() ? tr("Stop the re&port") : tr("Save re&port…"));
        report->setEnabled(document_.photo() != nullptr);
    });
    photo->addSeparator();
    addDarkFrames(photo);
    photo->addSeparator();
    photo->addAction(tr("&Quit"), QKeySequence::Quit, this, &QWidget::close);
}

void Window::addDarkFrames(QMenu* menu) {
    QAction* use = menu->addAction(tr("&Dark frames…"), this, &Window::askForDarkFrames);
    use->setObjectName(QStringLiteral("darkFrames"));
    use->setToolTip(
        tr("Averages raws that were taken with the lens covered, and takes off what photos of the "
           "same camera, ISO and exposure show of them."));
    QAction* forget = menu->addAction(tr("Forget dark fra&mes"), this, &Window::forgetDarkFrames);
    forget->setObjectName(QStringLiteral("forgetDarkFrames"));
    forget->setToolTip(tr("Photos of this camera and ISO are cleaned without dark frames again."));
    connect(menu, &QMenu::aboutToShow, this, [this, use, forget] {
        use->setText(darkFrames_->running() ? tr("Stop reading &dark frames") : tr("&Dark frames…"));
        forget->setEnabled(document_.photo() && document_.photo()->dark.frames > 0);
    });
}

void Window::makeEditMenu(QMenu* work) {
    auto* undo = work->addAction(tr("&Undo"), QKeySequence::Undo, &document_, &Document::undo);
    auto* redo = work->addAction(tr("&Redo"), QKeySequence(tr("Ctrl+Shift+Z")), &document_, &Document::redo);
    undo->setObjectName(QStringLiteral("undo")), redo->setObjectName(QStringLiteral("redo"));
    const auto nameSteps = [this, undo, redo] {
        const History& h = document_.history();
        undo->setEnabled(h.canUndo()), redo->setEnabled(h.canRedo());
        undo->setText(h.canUndo() ? tr("&Undo: %1").arg(said(h.steps()[h.present() - 1].name)) : tr("&Undo"));
        redo->setText(h.canRedo() ? tr("&Redo: %1").arg(said(h.steps()[h.present()].name)) : tr("&Redo"));
    };
    connect(&document_, &Document::historyChanged, this, nameSteps);
    nameSteps();
    work->addSeparator();
    work->addAction(tr("Save &version…"), QKeySequence(tr("Ctrl+K")), this, &Window::askForVersion);
    versions_ = work->addMenu(tr("Restore &kept version"));
    versions_->setObjectName(QStringLiteral("versions"));
    connect(&document_, &Document::keptChanged, this, &Window::listVersions);
    listVersions();
    work->addSeparator();
    work->addAction(tr("&Copy photo settings"), QKeySequence(tr("Ctrl+Shift+C")), &document_,
                    &Document::copyWork);
    QMenu* paste = work->addMenu(tr("&Paste to selected photos"));
    const struct {
        QString text, key;
        WorkPart part;
    } parts[] = {{tr("&Everything"), tr("Ctrl+Shift+V"), WorkPart::All},
                 {tr("&Takes and choice"), {}, WorkPart::Takes},
                 {tr("&Probes"), {}, WorkPart::Probes},
                 {tr("&Look"), {}, WorkPart::Look}};
    for (const auto& p : parts)
        paste->addAction(p.text, QKeySequence(p.key), this,
                         [this, part = p.part] { document_.pasteWork(part, photos_->selectedPaths()); });
    work->addAction(tr("Use as &default for new photos"), this, [this] {
        document_.useAsDefault();
        exportBar_->setMessage(tr("New photos start with these takes and this look."));
    });
    work->addMenu(presets_);
}

void Window::listLanguages(QMenu* menu) {
    menu->setObjectName(QStringLiteral("languages"));
    auto* one = new QActionGroup(menu);
    QList<language::Language> all = language::all();
    all.prepend({{}, tr("As the desktop")});
    for (const auto& [code, name] : all) {
        QAction* choice = menu->addAction(name, this, [this, code = code] {
            language::choose(code);
            exportBar_->setMessage(tr("Irenic will speak this language from its next start on."));
        });
        choice->setCheckable(true);
        choice->setChecked(language::chosen() == code);
        one->addAction(choice);
    }
}

void Window::makeViewMenu(QMenu* view) {
    listPanels(view->addMenu(tr("&Panels")));
    auto* heads =
        view->addAction(tr("Show all &strengths"), QKeySequence(Qt::Key_F3), sheet_, &Sheet::openAllHeads);
    heads->setCheckable(true);
    heads->setObjectName(QStringLiteral("allHeads"));
    const struct {
        QString text, key;
        void (Sheet::*act)(Sheet::Side);
        Sheet::Side side;
    } sides[] = {{tr("&Widen column"), tr("W"), &Sheet::openWide, Sheet::Side::Columns},
                 {tr("Widen &row"), tr("Shift+W"), &Sheet::openWide, Sheet::Side::Rows},
                 {tr("&Collapse column"), tr("X"), &Sheet::fold, Sheet::Side::Columns},
                 {tr("Collapse r&ow"), tr("Shift+X"), &Sheet::fold, Sheet::Side::Rows}};
    QMenu* shape = view->addMenu(tr("Sheet &layout"));
    for (const auto& s : sides)
        shape->addAction(s.text, QKeySequence(s.key), this, [this, s] { (sheet_->*s.act)(s.side); });
    const std::pair<QString, std::pair<Sheet::Side, int>> moves[] = {
        {tr("Alt+Left"), {Sheet::Side::Columns, -1}},
        {tr("Alt+Right"), {Sheet::Side::Columns, 1}},
        {tr("Alt+Up"), {Sheet::Side::Rows, -1}},
        {tr("Alt+Down"), {Sheet::Side::Rows, 1}}};
    const QString names[] = {tr("Move column &left"), tr("Move column rig&ht"), tr("Move row &up"),
                             tr("Move row &down")};
    for (std::size_t i = 0; i < 4; ++i)
        shape->addAction(names[i], QKeySequence(moves[i].first), this,
                         [this, m = moves[i].second] { sheet_->move(m.first, m.second); });
    shape->addAction(tr("Reset la&yout"), QKeySequence(tr("Shift+Home")), sheet_, &Sheet::showEverything);
    auto* byItself = view->addAction(tr("Recommend &automatically"));
    byItself->setCheckable(true);
    byItself->setObjectName(QStringLiteral("byItself"));
    byItself->setChecked(viewStrip_->recommend().byItself());
    connect(byItself, &QAction::toggled, &viewStrip_->recommend(), &RecommendButton::setByItself);
    auto* cache = view->addAction(tr("&Keep pictures on disk"));
    cache->setCheckable(true);
    cache->setObjectName(QStringLiteral("keepPictures"));
    cache->setToolTip(
        tr("Keeps pictures that took long to make, at most 1 GB, so that a photo opens again at "
           "once. Switching it off removes them."));
    cache->setChecked(QSettings().value(QStringLiteral("pictures/keep"), true).toBool());
    connect(cache, &QAction::toggled, this, &Window::keepPictures);
    if (cache->isChecked()) keepPictures(true);
    auto* several = view->addAction(tr("Sheet o&ver photos"), QKeySequence(tr("Ctrl+P")), this,
                                    [this] { setOverPhotos(!overPhotos_); });
    several->setObjectName(QStringLiteral("sheetOverPhotos"));
    several->setToolTip(
        tr("Shows these takes on the selected photos: a row for each of those that differ most. "
           "(Ctrl+P)"));
    auto* trial =
        view->addAction(tr("&Blind trial"), QKeySequence(tr("Ctrl+B")), this, [this] { setTrial(true); });
    trial->setObjectName(QStringLiteral("blindTrial"));
    trial->setToolTip(
        tr("Shows takes without their names, two at a time. You say which you prefer. (Ctrl+B)"));
    view->addSeparator();
    view->addAction(tr("&Next photo"), QKeySequence(tr("Ctrl+Down")), this, [this] { photos_->step(1); });
    view->addAction(tr("Previo&us photo"), QKeySequence(tr("Ctrl+Up")), this, [this] { photos_->step(-1); });
    QMenu* order = view->addMenu(tr("S&ort photos"));
    order->addAction(tr("By &name"), this, [this] { photos_->sortBy(PhotoList::Sorting::Name); });
    order->addAction(tr("By capture &time"), this, [this] { photos_->sortBy(PhotoList::Sorting::Time); });
    order->addAction(tr("By &ISO"), this, [this] { photos_->sortBy(PhotoList::Sorting::Iso); });
    order->addAction(tr("By &visible noise"), this, [this] { photos_->sortBy(PhotoList::Sorting::Noise); });
    view->addSeparator();
    QMenu* greys = view->addMenu(tr("Window brigh&tness"));
    const std::pair<QString, style::Greys> sets[] = {{tr("&Mid-grey (for judging)"), style::Greys::Middle},
                                                     {tr("&Dark (for a dark room)"), style::Greys::Dark},
                                                     {tr("&Light (for a bright room)"), style::Greys::Light}};
    for (const auto& [text, which] : sets) {
        QAction* set = greys->addAction(text, this, [which = which] {
            style::setGreys(which);
            QSettings().setValue(QStringLiteral("greys"), static_cast<int>(which));
        });
        if (which == style::Greys::Middle) set->setShortcut(QKeySequence(Qt::Key_F4));
    }
    listLanguages(view->addMenu(tr("Lan&guage")));
    apartAction_ = view->addAction(tr("&Close-up in its own window"));
    apartAction_->setShortcut(QKeySequence(Qt::Key_F12));
    apartAction_->setCheckable(true);
    apartAction_->setObjectName(QStringLiteral("closeUpApart"));
    apartAction_->setToolTip(
        tr("Shows the close-up in a window of its own, for a second monitor. It follows the "
           "cell that you click. (F12)"));
    connect(apartAction_, &QAction::triggered, this, [this](bool apart) {
        setCloseUpApart(apart);
        apartAction_->setChecked(apart_);
    });
    view->addAction(tr("&Full screen"), QKeySequence(Qt::Key_F11), this,
                    [this] { setWindowState(windowState() ^ Qt::WindowFullScreen); });
    QAction* monitor = view->addAction(tr("&Monitor profile…"), this, &Window::askForMonitor);
    connect(view, &QMenu::aboutToShow, this, [this, monitor] {
        const QString name = Monitor::of(this).name();
        monitor->setText(imageFormat() == QImage::Format_RGB30
                             ? tr("&Monitor profile (now %1, 10 bits)…").arg(name)
                             : tr("&Monitor profile (now %1)…").arg(name));
    });
    view->addAction(tr("S&ystem monitor profile"), this, [this] { useMonitor({}); });
}

void Window::listPanels(QMenu* menu) {
    const struct {
        const char* id;
        QString text, key;
    } entries[] = {
        {"photosPanel", tr("&Photos"), tr("Ctrl+1")},       {"overviewPanel", tr("&Overview"), tr("Ctrl+2")},
        {"histogramPanel", tr("&Histogram"), tr("Ctrl+3")}, {"shotPanel", tr("&Shot"), tr("Ctrl+4")},
        {"historyPanel", tr("H&istory"), tr("Ctrl+H")},     {"exportsPanel", tr("&Exports"), tr("Ctrl+5")}};
    for (const auto& e : entries)
        panels_->addTo(menu, panels_->findChild<QDockWidget*>(QLatin1String(e.id)), e.text,
                       QKeySequence(e.key));
    menu->addSeparator();
    menu->addAction(tr("&Reset panels"), panels_, &Panels::reset)
        ->setObjectName(QStringLiteral("resetPanels"));
}

void Window::reportFault() {
    QString photo;
    if (const PhotoPtr p = document_.photo())
        photo = tr("Photo: %1, ISO %2, %3 x %4, %5, %6 bit")
                    .arg(QString::fromStdString(utf8Of(p->camera())))
                    .arg(p->iso)
                    .arg(p->width())
                    .arg(p->height())
                    .arg(QString::fromStdString(p->layoutText()))
                    .arg(p->bits);
    auto* report = new FaultReport(said_, photo, this);
    connect(report, &FaultReport::message, exportBar_, &ExportBar::setMessage);
    report->show();
}

void Window::listRecent() {
    recentMenu_->clear();
    for (const QString& file : recent_)
        recentMenu_->addAction(QFileInfo(file).fileName(), this, [this, file] { open({file}); })
            ->setToolTip(file);
    if (recent_.isEmpty()) recentMenu_->addAction(tr("No photos yet"))->setEnabled(false);
}

// What was exported of the photo, to see what was really written.
void Window::listMade() {
    made_->clear();
    for (const ExportMade& e : document_.facts().exports) {
        const bool there = QFileInfo::exists(QString::fromStdString(e.file));
        auto* action = made_->addAction(tr("%1   %2   %3")
                                            .arg(QLatin1Char(e.letter))
                                            .arg(QFileInfo(QString::fromStdString(e.file)).fileName(),
                                                 there ? timeOf(e.when) : tr("Missing")),
                                        this, [this, file = e.file] { document_.addReference(file); });
        action->setEnabled(there);
    }
    if (made_->isEmpty()) made_->addAction(tr("Nothing yet"))->setEnabled(false);
}

void Window::listVersions() {
    versions_->clear();
    const auto& kept = document_.keptVersions();
    for (std::size_t i = 0; i < kept.size(); ++i)
        versions_->addAction(tr("%1   %2").arg(QString::fromStdString(kept[i].name), timeOf(kept[i].when)),
                             this, [this, i] { document_.restoreVersion(static_cast<int>(i)); });
    versions_->setEnabled(!kept.empty());
}

} // namespace irenic
