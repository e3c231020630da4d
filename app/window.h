// The main window: photos and overview at the left, the trial sheet, the export strip at the foot.
#pragma once

#include <QMainWindow>
#include <QTimer>

#include "base/jobs.h"
#include "document.h"
#include "equalise.h"
#include "probes_again.h"
#include "renderer.h"

class QMenu;
class QVBoxLayout;

namespace irenic {

class CloseUp;
class Drawer;
class ExportBar;
class HistoryList;
class HistogramView;
class LookStrip;
class Overview;
class Panels;
class PhotoList;
class ExportsList;
class PhotosSheet;
class Sheet;
class PresetMenu;
class ReferenceShelf;
class ShotNote;
class StartPage;
class TrialView;
class SlowWrite;
class ViewStrip;

class Window : public QMainWindow {
    Q_OBJECT

  public:
    explicit Window(QWidget* parent = nullptr);
    ~Window() override;
    void open(const QStringList& paths);
    // What another start of the program was asked for: opens it, and comes to the front.
    void take(const QStringList& paths, bool queue);
    // For another program: one photo, and the way back (ExportBar::handBackTo()). Nothing else is kept.
    void takeForReturn(const QString& file, const QString& target);
    bool handedBack() const { return handedBack_; }
    // Brings back the photos and the view that were open last.
    void restoreSession();
    // Nothing is kept, of photos, session or window: for pictures of the window.
    void keepNothing();
    // Whole paths of photos that were shown lately, the last one first.
    void showRecent(const QStringList& files);

    Document& document() { return document_; }
    Sheet& sheet() { return *sheet_; }
    ExportBar& exportBar() { return *exportBar_; }
    CloseUp& closeUp() { return *closeUp_; }
    Drawer& drawer() { return *drawer_; }
    LookStrip& lookStrip() { return *lookStrip_; }
    Overview& overview() { return *overview_; }
    PhotoList& photos() { return *photos_; }
    TrialView& trial() { return *trial_; }
    ExportsList& exports() { return *exports_; }
    PhotosSheet& several() { return *several_; }
    // Of the photo shown: the PDF under this name, the JSON beside it.
    void writeReport(const QString& pdf);
    SlowWrite& report() { return *report_; }
    // The original and all takes in one file, the chosen one on top.
    void writeLayers(const QString& file);
    SlowWrite& layers() { return *layers_; }
    // Frames that were taken with the lens covered: their mean is kept for photos of that camera, ISO and
    // exposure, and those that are open are read anew.
    void useDarkFrames(const QStringList& files);
    void forgetDarkFrames(); // of the camera and ISO of the photo shown
    SlowWrite& darkFrames() { return *darkFrames_; }

  protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void closeEvent(QCloseEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void changeEvent(QEvent* event) override;

  private:
    void makePanels(QWidget* middle);
    void listPanels(QMenu* menu);
    void listLanguages(QMenu* menu);
    void showManual();
    void askForReferences();
    void listMade();
    void makeMenus();
    void makeFileMenu(QMenu* photo);
    void makeEditMenu(QMenu* work);
    void makeViewMenu(QMenu* view);
    void askForPhotos();
    void askForFolder();
    void showStart();
    void setCloseUpApart(bool apart); // in a window of its own, beside the sheet
    void askForReport();
    void reportFault();
    void askForLayers();
    void askForDarkFrames();
    void addDarkFrames(QMenu* menu);
    void setTrial(bool on);
    void
    setOverPhotos(bool on); // a sheet over the selected photos // nothing but the trial's pictures is seen
    void describe();
    void refreshOverview();
    void rememberSession();
    void noteRecent(const QString& file);
    void keepPictures(bool keep); // on the disk; not: what is there goes
    void listRecent();
    void fitScreen();
    void askWhoHasIt(const QString& photo, const QString& text);
    QString layoutText() const;
    void restoreLayout(const QString& text);
    void askForVersion();
    void listVersions();
    void askForMonitor();
    void useMonitor(const QString& file); // empty: the system's
    void followMonitor();
    // Where in the photo itself a pixel of the developed picture lies.
    QString pixelText(QPoint pixel) const;

    // Overview and histogram of the look that is shown, from one picture.
    void showOverview(const PhotoPtr& photo, const Picture& picture);

    Jobs jobs_;
    Document document_{jobs_};
    Renderer renderer_{jobs_};
    Equalise equalise_{document_, jobs_};
    ProbesAgain probesAgain_{document_, jobs_};
    PhotoList* photos_ = nullptr;
    HistoryList* history_;
    QMenu *versions_ = nullptr, *made_ = nullptr, *recentMenu_ = nullptr;
    QStringList said_;   // messages, with their times, the oldest first
    QStringList recent_; // photos that were shown, the last one first
    QTimer remembering_;
    bool keeps_ = true;
    Overview* overview_;
    ShotNote* shot_;
    ReferenceShelf* references_;
    Sheet* sheet_;
    CloseUp* closeUp_;
    TrialView* trial_;
    PhotosSheet* several_;
    ExportsList* exports_ = nullptr;
    SlowWrite *report_, *layers_, *darkFrames_;
    bool inCloseUp_ = false, apart_ = false, inTrial_ = false, overPhotos_ = false;
    QAction* apartAction_ = nullptr;
    QMetaObject::Connection monitor_; // to the one of the screen that the window stands on
    QVBoxLayout* middle_ = nullptr;
    LookStrip* lookStrip_;
    Drawer* drawer_;
    ExportBar* exportBar_;
    PresetMenu* presets_;
    StartPage* start_;
    ViewStrip* viewStrip_;
    Panels* panels_ = nullptr;
    HistogramView* histogram_ = nullptr;
    QTimer settling_; // while a value is dragged, the last one counts
    Job overviewWork_, remembered_, emptying_;
    QSize fitted_; // the size that it was given to fit its screen
    bool handedBack_ = false;
    bool closing_ = false; // what was to be kept is kept, or is given up
};

} // namespace irenic
