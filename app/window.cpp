#include "window.h"

#include <QApplication>
#include <QCloseEvent>
#include <QDockWidget>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QInputDialog>
#include <QLineEdit>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QScreen>
#include <QSettings>
#include <QTimer>
#include <QToolButton>
#include <QVBoxLayout>
#include <QWindow>
#include <cmath>
#include <utility>

#include "application.h"
#include "base/text.h"
#include "closeup/close_up.h"
#include "develop/lens.h"
#include "export/drawer.h"
#include "export/export_bar.h"
#include "export/queue_view.h"
#include "exports/exports_list.h"
#include "history/history_list.h"
#include "look/curve_editor.h"
#include "look/histogram_view.h"
#include "look/look_strip.h"
#include "overview/overview.h"
#include "panels.h"
#include "photos/photo_list.h"
#include "presets/preset_menu.h"
#include "recommend/recommend_button.h"
#include "references/reference_shelf.h"
#include "said.h"
#include "several/photos_sheet.h"
#include "sheet/cell.h"
#include "sheet/sheet.h"
#include "shot_note.h"
#include "slow_write.h"
#include "start/start_page.h"
#include "style/monitor.h"
#include "style/style.h"
#include "trial/trial_view.h"
#include "view_strip.h"

namespace irenic {

Window::Window(QWidget* parent)
    : QMainWindow(parent), jobs_([this](std::function<void()> hand) {
          QMetaObject::invokeMethod(this, std::move(hand), Qt::QueuedConnection);
      }),
      photos_(new PhotoList(jobs_, this)), history_(new HistoryList(document_, this)),
      overview_(new Overview(document_, this)), shot_(new ShotNote(this)),
      references_(new ReferenceShelf(document_, jobs_, this)),
      sheet_(new Sheet(document_, renderer_, *references_, this)),
      closeUp_(new CloseUp(document_, renderer_, *references_, this)),
      trial_(new TrialView(document_, renderer_, *references_, this)),
      several_(new PhotosSheet(document_, renderer_, this)), report_(new SlowWrite(jobs_, this)),
      layers_(new SlowWrite(jobs_, this)), darkFrames_(new SlowWrite(jobs_, this)),
      lookStrip_(new LookStrip(document_, jobs_, this)),
      drawer_(new Drawer(
          document_, jobs_, [this] { return photos_->selectedPaths(); }, this)),
      exportBar_(new ExportBar(document_, jobs_, this)), presets_(new PresetMenu(document_, this)),
      start_(new StartPage(jobs_, this)), viewStrip_(new ViewStrip(document_, jobs_, this)) {
    setWindowTitle(tr("Irenic"));
    setAcceptDrops(true);
    auto* middle = new QWidget(this);
    auto* column = middle_ = new QVBoxLayout(middle);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(viewStrip_);
    column->addWidget(lookStrip_);
    column->addWidget(sheet_, 1);
    column->addWidget(closeUp_, 1);
    column->addWidget(several_, 1);
    closeUp_->hide(), several_->hide();
    makePanels(middle);
    auto* whole = new QWidget(this);
    auto* rows = new QVBoxLayout(whole);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(0);
    rows->addWidget(start_, 1);
    rows->addWidget(panels_, 1);
    rows->addWidget(trial_, 1);
    trial_->hide();
    rows->addWidget(exportBar_);
    setCentralWidget(whole);
    makeMenus();

    connect(photos_, &PhotoList::photoReady, this, [this](const OpenedPhoto& opened) {
        showOverview(opened.photo, opened.overview);
        document_.setPhoto(opened.photo, opened.probes);
        noteRecent(QString::fromStdString(opened.photo->file.string()));
        if (document_.look() == Look{}) {
            settling_.stop(); // it was rendered in the plain look
            histogram_->setHistogram(histogramOf(opened.overview));
        }
    });
    connect(photos_, &PhotoList::message, exportBar_, &ExportBar::setMessage);
    connect(&document_, &Document::message, exportBar_, &ExportBar::setMessage);
    connect(&document_, &Document::inDoubt, this, &Window::askWhoHasIt);
    connect(
        &document_, &Document::saved, this,
        [this] {
            if (closing_) close();
        },
        Qt::QueuedConnection);
    connect(&document_, &Document::savingFailed, this, [this] {
        if (!std::exchange(closing_, false)) return;
        const auto answer =
            QMessageBox::question(this, tr("Irenic"),
                                  tr("Some changes could not be saved: %1\n\nClose anyway and lose them?")
                                      .arg(exportBar_->message()));
        if (answer != QMessageBox::Yes) return;
        document_.keepNothing();
        close();
    });
    Application::showProblemsBy([this](const QString& text) { exportBar_->setMessage(text); });
    connect(&document_, &Document::showAsked, photos_, &PhotoList::select);
    connect(&document_, &Document::workChanged, this, [this](const QString& photo) {
        const PhotoRecord* record = document_.recordOf(photo.toStdString());
        const Take* chosen = record->state->take(record->state->chosen);
        photos_->setWork(photo, chosen ? QString(QLatin1Char(chosen->letter)) : QString(),
                         document_.worked(photo.toStdString()), pathsOf(record->facts.exports));
    });
    settling_.setSingleShot(true);
    settling_.setInterval(60);
    connect(&settling_, &QTimer::timeout, this, &Window::refreshOverview);
    remembering_.setSingleShot(true);
    remembering_.setInterval(500);
    connect(&remembering_, &QTimer::timeout, this, &Window::rememberSession);
    for (const auto signal : {&Document::photoChanged, &Document::viewChanged})
        connect(&document_, signal, &remembering_, qOverload<>(&QTimer::start));
    connect(photos_, &PhotoList::listChanged, &remembering_, qOverload<>(&QTimer::start));
    connect(sheet_, &Sheet::opened, this, [this](int row, int of) {
        inCloseUp_ = true;
        showStart();
        closeUp_->open(row, of);
    });
    connect(closeUp_, &CloseUp::closeAsked, this, [this] {
        if (apart_) return setCloseUpApart(false);
        inCloseUp_ = false;
        overview_->setPlace({});
        showStart();
    });
    connect(several_, &PhotosSheet::closeAsked, this, [this] { setOverPhotos(false); });
    connect(several_, &PhotosSheet::photoAsked, this, [this](const QString& file) {
        setOverPhotos(false);
        photos_->select(file);
    });
    connect(trial_, &TrialView::closeAsked, this, [this] { setTrial(false); });
    connect(trial_, &TrialView::message, exportBar_, &ExportBar::setMessage);
    for (SlowWrite* slow : {report_, layers_, darkFrames_})
        connect(slow, &SlowWrite::message, exportBar_, &ExportBar::setMessage);
    // In a window of its own it follows the sheet.
    connect(qApp, &QApplication::focusChanged, this, [this](const QWidget*, const QWidget* now) {
        if (!apart_ || !qobject_cast<const Cell*>(now)) return;
        for (int row = 0; row < sheet_->rows(); ++row)
            for (int of = 0; of < sheet_->columns(); ++of)
                if (sheet_->cell(row, of) == now) closeUp_->open(row, of);
    });
    connect(closeUp_, &CloseUp::placeChanged, overview_, &Overview::setPlace);
    connect(closeUp_, &CloseUp::sweptChanged, overview_, &Overview::setSeen);
    connect(closeUp_, &CloseUp::mapChanged, overview_, &Overview::setMap);
    connect(closeUp_, &CloseUp::hovered, this,
            [this](std::optional<QPoint> p) { viewStrip_->setPixel(p ? pixelText(*p) : QString()); });
    connect(presets_, &PresetMenu::message, exportBar_, &ExportBar::setMessage);
    connect(sheet_, &Sheet::levelAsked, &equalise_, &Equalise::after);
    connect(&equalise_, &Equalise::message, this,
            [this](const QString& text) { exportBar_->setMessage(text); });
    connect(sheet_, &Sheet::presetAsked, presets_, &PresetMenu::keepTake);
    connect(lookStrip_, &LookStrip::presetAsked, presets_, &PresetMenu::keepLook);
    connect(start_, &StartPage::openAsked, this, &Window::askForPhotos);
    connect(start_, &StartPage::folderAsked, this, &Window::askForFolder);
    connect(start_, &StartPage::millAsked, this, [this](const QString& folder) { open({folder}); });
    connect(start_, &StartPage::photoAsked, this, [this](const QString& file) { open({file}); });
    connect(photos_, &PhotoList::listChanged, this, &Window::showStart);
    connect(exportBar_, &ExportBar::messageChanged, this, &Window::showStart);
    connect(exportBar_, &ExportBar::messageChanged, this, [this] {
        constexpr qsizetype kMostSaid = 40;
        if (exportBar_->message().isEmpty()) return;
        said_ << timeOf(presentTime()) + QStringLiteral("  ") + exportBar_->message();
        if (said_.size() > kMostSaid) said_.removeFirst();
    });
    connect(drawer_, &Drawer::message, exportBar_, &ExportBar::setMessage);
    connect(&drawer_->queueView(), &QueueView::photoAsked, this, [this](const QString& file) {
        open({file});
        photos_->select(file);
    });
    connect(&drawer_->queueView(), &QueueView::changed, this,
            [this] { exportBar_->setQueue(drawer_->queueView().summary()); });
    exportBar_->setQueue(drawer_->queueView().summary());
    connect(lookStrip_, &LookStrip::message, exportBar_, &ExportBar::setMessage);
    connect(lookStrip_, &LookStrip::pickingChanged, sheet_, &Sheet::setPicking);
    connect(sheet_, &Sheet::picked, lookStrip_, [this](QPoint p) {
        lookStrip_->pickAt({double(p.x()), double(p.y())});
    });
    connect(sheet_, &Sheet::hovered, this,
            [this](std::optional<QPoint> p) { viewStrip_->setPixel(p ? pixelText(*p) : QString()); });
    for (const auto signal : {&Document::lookChanged, &Document::photoChanged})
        connect(&document_, signal, &settling_, qOverload<>(&QTimer::start));
    connect(viewStrip_, &ViewStrip::message, exportBar_, &ExportBar::setMessage);
    connect(trial_, &TrialView::learned, &viewStrip_->recommend(), &RecommendButton::renewTaste);
    const auto tellSize = [this] {
        viewStrip_->recommend().setLongest(static_cast<int>(drawer_->delivery().longest));
    };
    connect(drawer_, &Drawer::deliveryChanged, this, tellSize);
    tellSize();
    connect(viewStrip_, &ViewStrip::lookToggled, lookStrip_, &QWidget::setVisible);
    lookStrip_->setVisible(viewStrip_->lookShown());
    connect(&document_, &Document::photoChanged, this, &Window::describe);
    connect(&document_, &Document::lookChanged, this, [this] { shot_->setLook(document_.look().exposure); });
    describe();
    showStart();
    constexpr QSize kFirst(1280, 800);
    resize(kFirst);
    std::vector<std::string> unheard; // restoreSession() tells them
    const SessionState session = loadSession(unheard);
    restoreLayout(QString::fromStdString(session.layout));
    QStringList recent;
    for (const std::string& file : session.recent) recent << QString::fromStdString(file);
    showRecent(recent);
    fitScreen();
    fitted_ = size();
}

void Window::makePanels(QWidget* middle) {
    panels_ = new Panels(middle, this);
    const auto left = Qt::LeftDockWidgetArea;
    panels_->add(photos_, tr("Photos"), "photosPanel", left);
    panels_->add(history_, tr("History"), "historyPanel", left)->hide();
    exports_ = new ExportsList(document_, jobs_, this);
    connect(exports_, &ExportsList::message, &document_, &Document::message);
    panels_->add(exports_, tr("Exports"), "exportsPanel", left)->hide();
    constexpr int kOverview = 165, kHistogram = 84, kShot = 150, kDrawer = 235;
    panels_->add(overview_, tr("Overview"), "overviewPanel", left, kOverview);
    histogram_ = new HistogramView(document_, this);
    panels_->add(histogram_, tr("Histogram"), "histogramPanel", left, kHistogram);
    panels_->add(shot_, tr("Shot"), "shotPanel", left, kShot);
    QDockWidget* drawer = panels_->add(drawer_, tr("Export queue"), "drawerPanel", Qt::BottomDockWidgetArea,
                                       kDrawer, drawer_->queueView().actionBar());
    drawer->setAllowedAreas(Qt::BottomDockWidgetArea | Qt::TopDockWidgetArea);
    drawer->hide();
    connect(exportBar_->queueButton(), &QToolButton::toggled, drawer, &QDockWidget::setVisible);
    connect(panels_, &Panels::changed, this, [this, drawer](const QDockWidget* panel) {
        if (panel == drawer) exportBar_->queueButton()->setChecked(!drawer->isHidden());
    });
}

// Cells call the renderer, which is a member, until they are gone.
Window::~Window() {
    Application::showProblemsBy({});
    delete takeCentralWidget();
}

// All of it, with the frame that the desktop draws around it, where the screen has room: a window that was
// remembered on another screen, or a first one on a small screen, would have its foot below the edge.
void Window::fitScreen() {
    const QScreen* on = screen();
    if (!on || isFullScreen() || isMaximized()) return;
    const QRect free = on->availableGeometry();
    const QSize frame = isVisible() ? frameGeometry().size() - geometry().size() : QSize(0, 0);
    const QSize most = (free.size() - frame).expandedTo(minimumSizeHint().boundedTo(free.size()));
    if (size() != size().boundedTo(most)) resize(size().boundedTo(most));
    const QRect all = isVisible() ? frameGeometry() : QRect(pos(), size() + frame);
    if (free.contains(all)) return;
    move(std::clamp(all.x(), free.left(), std::max(free.left(), free.right() + 1 - all.width())),
         std::clamp(all.y(), free.top(), std::max(free.top(), free.bottom() + 1 - all.height())));
}

void Window::showEvent(QShowEvent* event) {
    QMainWindow::showEvent(event);
    if (!monitor_ && windowHandle()) followMonitor();
    // The frame's size is known a moment after the first time. Who has given it another size meanwhile has
    // meant it.
    if (!event->spontaneous())
        QTimer::singleShot(100, this, [this] {
            if (size() == fitted_) fitScreen();
        });
}

void Window::askWhoHasIt(const QString& photo, const QString& text) {
    exportBar_->ask(text, tr("It is closed: edit here"),
                    [this, photo] { document_.takeOver(photo.toStdString()); });
}

QString Window::pixelText(QPoint pixel) const {
    const SourcePoint p =
        sourceOf(*document_.photo(), document_.look(), {double(pixel.x()), double(pixel.y())});
    return tr("Pixel %1, %2").arg(std::lround(p.x)).arg(std::lround(p.y));
}

void Window::askForVersion() {
    if (!document_.photo()) return;
    const QString proposed = tr("Version %1").arg(document_.keptVersions().size() + 1);
    bool given = false;
    const QString name = QInputDialog::getText(this, tr("Save version"), tr("Name of the version:"),
                                               QLineEdit::Normal, proposed, &given);
    if (given && !name.isEmpty()) document_.keepVersion(name.toStdString());
}

void Window::askForMonitor() {
    const QString file = QFileDialog::getOpenFileName(this, tr("Colour profile of this monitor"),
                                                      QStringLiteral("/usr/share/color/icc"),
                                                      tr("ICC profiles (*.icc *.icm)"));
    if (!file.isEmpty()) useMonitor(file); // else the profile stays
}

void Window::useMonitor(const QString& file) {
    const QString problem = Monitor::of(this).use(file);
    exportBar_->setMessage(problem.isEmpty() ? tr("Monitor: %1").arg(Monitor::of(this).name()) : problem);
}

void Window::refreshOverview() {
    const PhotoPtr photo = document_.photo();
    if (!photo) return;
    overviewWork_ = jobs_.submit(
        Lane::Reading, 0,
        [photo, look = document_.look()](const Work& work) {
            return renderOverview(*photo, look, 480, work);
        },
        [this, photo](const Outcome<Picture>& made) {
            if (!made.value) return;
            showOverview(photo, *made.value);
            histogram_->setHistogram(histogramOf(*made.value));
        });
}

void Window::showOverview(const PhotoPtr& photo, const Picture& p) {
    const QImage image = imageOf(p);
    overview_->setImage(image);
    renderer_.setOverview(photo, outputFrame(*photo, Look{}), image); // a lens is not corrected in it
}

void Window::askForPhotos() {
    QSettings memory;
    const QStringList files = QFileDialog::getOpenFileNames(
        this, tr("Open photos"), memory.value(QStringLiteral("open/folder")).toString());
    if (files.isEmpty()) return;
    memory.setValue(QStringLiteral("open/folder"), QFileInfo(files.front()).absolutePath());
    open(files);
}

void Window::askForReferences() {
    if (!document_.photo()) return;
    QSettings memory;
    const QStringList files =
        QFileDialog::getOpenFileNames(this, tr("Open other versions of this photo"),
                                      memory.value(QStringLiteral("reference/folder")).toString());
    if (files.isEmpty()) return;
    memory.setValue(QStringLiteral("reference/folder"), QFileInfo(files.front()).absolutePath());
    for (const QString& file : files) document_.addReference(file.toStdString());
}

void Window::askForFolder() {
    const QString folder = QFileDialog::getExistingDirectory(this, tr("Open a folder of photos"));
    if (!folder.isEmpty()) open({folder});
}

// On another monitor where there is one.
void Window::setCloseUpApart(bool apart) {
    if (apart_ == apart || (apart && !document_.photo())) return;
    apart_ = apart;
    apartAction_->setChecked(apart);
    if (!apart) {
        middle_->addWidget(closeUp_, 1);
        inCloseUp_ = false;
        overview_->setPlace({});
        return showStart();
    }
    closeUp_->setParent(this, Qt::Window);
    closeUp_->setWindowTitle(tr("Close-up — Irenic"));
    QRect place(geometry().topLeft() + QPoint(60, 60), QSize(1000, 700));
    for (const QScreen* other : QGuiApplication::screens())
        if (other != screen()) place = other->availableGeometry();
    closeUp_->setGeometry(place);
    // The window's keys work there too.
    for (QAction* action : findChildren<QAction*>())
        if (!action->shortcut().isEmpty()) closeUp_->addAction(action);
    closeUp_->open(0, std::min(1, sheet_->columns() - 1));
    showStart();
}

void Window::setTrial(bool on) {
    if (inTrial_ == on) return;
    inTrial_ = on;
    showStart();
    if (!on) return;
    if (const QString problem = trial_->begin(); !problem.isEmpty()) {
        setTrial(false);
        exportBar_->setMessage(problem);
    }
}

void Window::setOverPhotos(bool on) {
    if (overPhotos_ == on) return;
    overPhotos_ = on;
    showStart();
    if (!on) return several_->end();
    several_->setFocus();
    if (const QString problem = several_->begin(photos_->selectedPaths()); !problem.isEmpty()) {
        setOverPhotos(false);
        exportBar_->setMessage(problem);
    }
}

// Another screen has other colours, and may be given others while the window stands on it.
void Window::followMonitor() {
    const auto renew = [this] {
        sheet_->renew();
        closeUp_->renew();
    };
    const bool first = !monitor_;
    disconnect(monitor_);
    monitor_ = connect(&Monitor::of(this), &Monitor::changed, this, renew);
    if (first)
        connect(windowHandle(), &QWindow::screenChanged, this, &Window::followMonitor);
    else
        renew();
}

// A calm page in place of an empty sheet.
void Window::showStart() {
    const bool nothing = photos_->count() == 0;
    if (nothing && !start_->isVisible()) start_->setRecent(recent_);
    const std::pair<QWidget*, bool> wanted[] = {
        {start_, nothing},
        {panels_, !nothing && !inTrial_},
        {trial_, inTrial_},
        {static_cast<QWidget*>(menuBar()), !inTrial_},
        {sheet_, !overPhotos_ && (apart_ || !inCloseUp_)},
        {several_, overPhotos_ && !nothing},
        {closeUp_, apart_ ? !nothing : inCloseUp_ && !overPhotos_},
        {exportBar_, !inTrial_ && (!nothing || !exportBar_->message().isEmpty())},
        {lookStrip_, viewStrip_->lookShown()}};
    // What goes first, so that what comes has its whole room at once.
    for (const auto& [widget, shown] : wanted)
        if (!shown) widget->hide();
    for (const auto& [widget, shown] : wanted)
        if (shown) widget->show();
}

void Window::open(const QStringList& paths) { photos_->open(paths); }

void Window::takeForReturn(const QString& file, const QString& target) {
    keepNothing();
    exportBar_->handBackTo(target);
    drawer_->offerHandBack();
    connect(drawer_, &Drawer::handBackAsked, exportBar_, &ExportBar::handBack);
    connect(exportBar_, &ExportBar::handedBack, this, [this] {
        handedBack_ = true;
        close();
    });
    open({file});
}

void Window::take(const QStringList& paths, bool queue) {
    if (!paths.isEmpty()) {
        open(paths);
        photos_->select(paths.front()); // one that is in the list already
    }
    if (queue) exportBar_->queueButton()->setChecked(true);
    if (isMinimized()) setWindowState(windowState() & ~Qt::WindowMinimized);
    raise();
    activateWindow();
}

void Window::describe() {
    const PhotoPtr photo = document_.photo();
    shot_->setLook(document_.look().exposure);
    shot_->describe(photo);
    if (photo) setWindowTitle(tr("%1 — Irenic").arg(QString::fromStdString(shownName(photo->file))));
}

void Window::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void Window::dropEvent(QDropEvent* event) {
    QStringList files;
    for (const QUrl& url : event->mimeData()->urls())
        if (url.isLocalFile()) files << url.toLocalFile();
    open(files);
}

// Whoever comes back to the window may have moved files meanwhile.
void Window::changeEvent(QEvent* event) {
    if (event->type() == QEvent::ActivationChange && isActiveWindow() && photos_) {
        photos_->lookForMade();
        drawer_->queueView().lookForFiles();
    }
    QMainWindow::changeEvent(event);
}

void Window::closeEvent(QCloseEvent* event) {
    if (drawer_->queueView().running() &&
        QMessageBox::question(this, tr("Irenic"),
                              tr("Exports are running. Close? The rest waits for the next start.")) !=
            QMessageBox::Yes) {
        event->ignore();
        return;
    }
    if (exportBar_->running() &&
        QMessageBox::question(this, tr("Irenic"), tr("An export is running. Stop it and close?")) !=
            QMessageBox::Yes) {
        event->ignore();
        return;
    }
    // Closed once all is on the disk, with a word where that takes its time.
    const bool first = !std::exchange(closing_, true);
    if (first) {
        rememberSession();
        document_.save();
    }
    if (document_.unsaved() || remembered_.active()) {
        exportBar_->setMessage(tr("Saving your changes…"));
        event->ignore();
        return;
    }
    QMainWindow::closeEvent(event);
}

} // namespace irenic
