// How long the eye waits: from a change in the window to the first and to all current cells, beside the same
// pixels through the core alone, in turn, in one run. At 1280 x 800 with the original and three takes.
#include <QApplication>
#include <QElapsedTimer>
#include <QMouseEvent>
#include <QSettings>
#include <QTemporaryDir>
#include <QTimer>
#include <algorithm>
#include <cstdio>
#include <filesystem>
#include <functional>
#include <vector>

#include "closeup/close_up.h"
#include "closeup/take_panel.h"
#include "closeup/zone_panel.h"
#include "denoise/method.h"
#include "photos/photo_list.h"
#include "queue/supervisor.h"
#include "sheet/cell.h"
#include "sheet/sheet.h"
#include "style/style.h"
#include "window.h"

using namespace irenic;

namespace {

double median(std::vector<double> v) {
    std::sort(v.begin(), v.end());
    return v[v.size() / 2];
}

// Milliseconds until the condition holds, the window's events served meanwhile.
double until(const std::function<bool()>& holds) {
    QElapsedTimer clock;
    clock.start();
    QTimer waking; // sleeps in between: a core that turns in vain would be missing elsewhere
    waking.start(2);
    while (!holds()) QCoreApplication::processEvents(QEventLoop::WaitForMoreEvents);
    return static_cast<double>(clock.nsecsElapsed()) / 1e6;
}

class Bench {
  public:
    explicit Bench(const QStringList& photos) {
        window_.keepNothing();
        window_.resize(1280, 800);
        window_.show();
        window_.open(photos);
        until([this] { return window_.document().photo() && window_.sheet().allCurrent(); });
    }
    // Of take A with each method: a change of its strength.
    void sliders() {
        std::printf("%-14s %10s %10s %10s %9s\n", "take A", "first, ms", "all, ms", "core, ms", "overhead");
        for (const auto& m : methods()) {
            std::vector<double> firsts, alls, cores;
            for (int round = 0; round < 5; ++round) {
                set(m->id(), next());
                const double first = until([this] { return current(1) > 0; }),
                             rest = until([this] { return current(1) == window_.sheet().rows(); });
                firsts.push_back(first), alls.push_back(first + rest);
                std::vector<RenderKey> keys;
                for (int r = 0; r < window_.sheet().rows(); ++r)
                    keys.push_back(window_.sheet().cell(r, 1)->wanted());
                const float strength = next();
                QElapsedTimer clock;
                clock.start();
                for (RenderKey& k : keys) {
                    std::get<Recipe>(k.shown).settings.luminance = strength;
                    render(k.shown, k.area, k.view);
                }
                cores.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
            }
            std::printf("%-14s %10.1f %10.1f %10.1f %8.1f %%\n", m->id().c_str(), median(firsts),
                        median(alls), median(cores), 100 * (median(alls) / median(cores) - 1));
        }
    }
    // Steps of 8 pixels against a whole sheet; and back to a value that was there before.
    void panning() {
        Document& d = window_.document();
        set("bm3d", next());
        until([this] { return window_.sheet().allCurrent(); });
        const auto wholeSheet = [&] {
            for (int i = 0; i < 3; ++i) {
                Settings s = d.takes()[static_cast<std::size_t>(i)].settings;
                s.luminance = next();
                d.setSettings(i, s);
            }
            return until([this] { return window_.sheet().allCurrent(); });
        };
        std::vector<double> sheets, steps, backs;
        for (int round = 0; round < 5; ++round) sheets.push_back(wholeSheet());
        for (int i = 0; i < 24; ++i) {
            d.setPan(d.pan() + QPointF(i % 12 < 6 ? 8 : 0, i % 12 < 6 ? 0 : 8));
            steps.push_back(until([this] { return window_.sheet().allCurrent(); }));
        }
        double mean = 0;
        for (const double s : steps) mean += s / static_cast<double>(steps.size());
        std::printf("pan by 8 pixels: %.1f ms in the mean of %zu steps, whole sheet %.1f ms: %.1f %%\n", mean,
                    steps.size(), median(sheets), 100 * mean / median(sheets));
        for (int round = 0; round < 5; ++round) {
            const Settings before = d.takes()[0].settings;
            set("bm3d", next());
            until([this] { return window_.sheet().allCurrent(); });
            d.setSettings(0, before);
            backs.push_back(until([this] { return window_.sheet().allCurrent(); }));
        }
        std::printf("back to an earlier value: %.1f ms\n", median(backs));
        d.setPan({});
    }
    void switching() {
        std::vector<double> originals;
        PhotoList& photos = window_.photos();
        for (int round = 0; round < 6; ++round) {
            const int row = round % 2 ? 0 : 1;
            const PhotoPtr before = window_.document().photo();
            photos.setCurrentRow(row);
            const double shown = until([&] {
                if (window_.document().photo() == before) return false;
                for (int r = 0; r < window_.sheet().rows(); ++r)
                    if (window_.sheet().cell(r, 0)->state() != Cell::State::Current) return false;
                return true;
            });
            if (round >= 2) originals.push_back(shown);
            until([this] { return window_.sheet().allCurrent(); });
        }
        std::printf("photo seen before, to all originals: %.1f ms\n", median(originals));
    }

    // What is seen of a sheet, and of a close-up, at a place that was not seen before: the photo itself,
    // drafts of all that is visible, and true pixels.
    void drafts() {
        std::printf("%-14s %16s %16s %16s\n", "a new place", "photo, ms", "drafts, ms", "true, ms");
        for (const bool large : {true, false}) {
            if (!large) emit window_.closeUp().closeAsked();
            for (const char* method : {"bm3d-quick", "bm3d", "nlbayes", "learned-quick", "learned"}) {
                std::vector<double> photos, drafts, trues;
                if (large) openCloseUp();
                for (int round = 0; round < 3; ++round) {
                    for (int i = 0; i < 3; ++i) {
                        Settings s = window_.document().takes()[static_cast<std::size_t>(i)].settings;
                        s.method = method, s.luminance = next();
                        window_.document().setSettings(i, s);
                    }
                    until([this] { return allShow(Cell::Pixels::True); });
                    // To and fro, so that no edge of the photo holds both places back.
                    ++place_;
                    window_.document().setPan({place_ % 2 ? 300.0 : -300.0, 40.0 * (place_ % 5)});
                    const double photo = until([this] { return allShow(Cell::Pixels::AtHand); }),
                                 draft = until([this] { return allShow(Cell::Pixels::Draft); }),
                                 right = until([this] { return allShow(Cell::Pixels::True); });
                    photos.push_back(photo), drafts.push_back(photo + draft);
                    trues.push_back(photo + draft + right);
                }
                std::printf("%-14s %16.0f %16.0f %16.0f%s\n", method, median(photos), median(drafts),
                            median(trues), large ? "  (close-up)" : "");
            }
        }
        window_.document().setPan({});
    }

    // The whole photo in every cell, of strengths that nothing was made of yet. True pixels are all of the
    // photo's, cleaned: nobody waits for those.
    void fit() {
        std::printf("%-14s %16s %16s\n", "fit", "photo, ms", "drafts, ms");
        Document& document = window_.document();
        for (const char* method : {"bm3d-quick", "learned-quick"}) {
            std::vector<double> photos, drafts;
            for (int round = 0; round < 3; ++round) {
                document.setZoom(1);
                Look look = document.look();
                look.exposure += 0.01f; // a draft is made once for all takes of a look
                document.setLook(look);
                for (int i = 0; i < 3; ++i) {
                    Settings s = document.takes()[static_cast<std::size_t>(i)].settings;
                    s.method = method, s.luminance = next();
                    document.setSettings(i, s);
                }
                document.setZoom(0);
                const auto isFit = [](const Cell& c) {
                    return c.wanted().view.zoom > 0 && c.wanted().view.zoom < 1;
                };
                const double photo = until([&] { return allShow(Cell::Pixels::AtHand, isFit); }),
                             draft = until([&] { return allShow(Cell::Pixels::Draft, isFit); });
                photos.push_back(photo), drafts.push_back(photo + draft);
            }
            std::printf("%-14s %16.0f %16.0f\n", method, median(photos), median(drafts));
        }
        document.setZoom(1);
    }

    // One place fills the window: flips between what is rendered, and a change of strength to the last pixel.
    void closeUp() {
        openCloseUp();
        CloseUp& view = window_.closeUp();
        const auto allThere = [&] {
            for (int c = 0; c < window_.sheet().columns(); ++c)
                if (view.cell(c)->state() != Cell::State::Current) return false;
            return true;
        };
        until(allThere);
        std::vector<double> flips;
        QElapsedTimer clock;
        for (int i = 0; i < 24; ++i) {
            clock.start();
            view.showColumn(i % window_.sheet().columns());
            window_.repaint();
            flips.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
        }
        const QSize size = view.cell(1)->image().size();
        std::printf("close-up of %d x %d pixels: a flip paints in %.1f ms, at most %.1f\n", size.width(),
                    size.height(), median(flips), *std::max_element(flips.begin(), flips.end()));
        view.showColumn(1);
        std::printf("%-14s %10s %10s %9s\n", "close-up", "all, ms", "core, ms", "overhead");
        for (const auto& m : methods()) {
            std::vector<double> alls, cores;
            for (int round = 0; round < 3; ++round) {
                set(m->id(), next());
                alls.push_back(until([&] { return view.current(); }));
                RenderKey k = view.cell(1)->wanted();
                std::get<Recipe>(k.shown).settings.luminance = next();
                clock.start();
                render(k.shown, k.area, k.view);
                cores.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
            }
            std::printf("%-14s %10.1f %10.1f %8.1f %%\n", m->id().c_str(), median(alls), median(cores),
                        100 * (median(alls) / median(cores) - 1));
        }
    }

    // A hand moves a strength of what fills the window: whole pictures each second.
    void dragging() {
        openCloseUp();
        CloseUp& view = window_.closeUp();
        int pictures = 0;
        QObject::connect(view.cell(1), &Cell::stepped, [&] { ++pictures; });
        QObject::connect(view.cell(1), &Cell::becameCurrent, [&] { ++pictures; });
        std::printf("%-14s %22s %16s\n", "a dragged strength", "pictures a second", "then fine, ms");
        for (const auto& m : methods()) {
            strength_ = 0.8f;
            set(m->id(), next());
            until([&] { return view.current(); });
            constexpr int kStep = 16, kSeconds = 4; // as often as the pointer tells where it is
            QElapsedTimer clock;
            pictures = 0;
            clock.start();
            for (qint64 at = 0; at < kSeconds * 1000; at += kStep) {
                until([&] { return clock.elapsed() >= at; });
                set(m->id(), next());
            }
            const double each = static_cast<double>(pictures) / (static_cast<double>(clock.elapsed()) / 1000);
            std::printf("%-14s %26.1f %16.0f\n", m->id().c_str(), each,
                        until([&] { return view.current(); }));
        }
    }

    // A pen paints on a zone of the close-up; then parts are found, at the place that is shown.
    void painting() {
        openCloseUp();
        CloseUp& view = window_.closeUp();
        ZonePanel& zones = view.panel().zones();
        Cell* cell = view.cell(1);
        set("bm3d-quick", next());
        until([&] { return view.current(); });
        std::printf("%-24s %14s %14s %16s\n", "a stroke of the brush", "a second", "worst, ms",
                    "its effect, ms");
        for (const double diameter : {20.0, 200.0, 1000.0}) {
            zones.setTool(ZonePanel::Tool::Paint);
            zones.setBrush({diameter, 0.5});
            std::vector<double> moves;
            QElapsedTimer clock;
            const auto mouse = [&](QEvent::Type type, QPoint at, Qt::MouseButton button,
                                   Qt::MouseButtons held) {
                QMouseEvent event(type, at, cell->mapToGlobal(at), button, held, {});
                QCoreApplication::sendEvent(cell, &event);
            };
            constexpr int kMoves = 120;
            QPoint at(100, 100);
            mouse(QEvent::MouseButtonPress, at, Qt::LeftButton, Qt::LeftButton);
            for (int i = 0; i < kMoves; ++i) {
                at = QPoint(100 + 4 * i, 200 + (i % 40 < 20 ? 5 : -5) * (i % 20));
                clock.start();
                mouse(QEvent::MouseMove, at, Qt::NoButton, Qt::LeftButton);
                QCoreApplication::processEvents();
                cell->repaint();
                moves.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
            }
            mouse(QEvent::MouseButtonRelease, at, Qt::LeftButton, {});
            const double effect = until([&] { return view.current(); });
            std::printf("%-24s %14.0f %14.1f %16.0f\n",
                        qPrintable(QStringLiteral("%1 px wide").arg(diameter)), 1000 / median(moves),
                        *std::max_element(moves.begin(), moves.end()), effect);
        }
        zones.setTool(ZonePanel::Tool::None);
        std::printf("%-24s %14s\n", "a part that is found", "shown, ms");
        for (const FoundPart part : {FoundPart::InFocus, FoundPart::Dark, FoundPart::Textured,
                                     FoundPart::Points, FoundPart::Edges}) {
            window_.document().setZones(0, {}, false);
            until([&] { return view.current() && view.shownMask().isNull(); });
            Zone zone;
            zone.part = part, zone.luminance = 0.9f;
            window_.document().setZones(0, {zone}, false);
            zones.setWantsMask(true);
            std::printf("%-24s %14.0f\n", shownPart(part), until([&] { return !view.shownMask().isNull(); }));
            until([&] { return view.current(); });
        }
    }

    // A strength's answer while the queue makes files of another photo, beside the answer when nothing else
    // runs.
    void besideAQueue(const QString& photo) {
        namespace fs = std::filesystem;
        const QTemporaryDir folder;
        const fs::path queue = folder.filePath("queue.sqlite").toStdString();
        Workforce force;
        force.program = fs::read_symlink("/proc/self/exe").parent_path() / "../cli/irenic-cli";
        for (const char* method : {"wavelet", "bm3d-quick", "learned-quick"}) {
            std::vector<double> alone, beside;
            for (int round = 0; round < 3; ++round) {
                set(method, next());
                alone.push_back(until([&] { return current(1) == window_.sheet().rows(); }));
                JobQueue exports(queue);
                std::vector<ExportRequest> requests(4);
                for (ExportRequest& w : requests) {
                    w.photo = photo.toStdString(), w.settings = Settings{"bm3d"};
                    w.delivery.folder = folder.path().toStdString();
                }
                exports.add(requests);
                {
                    const Supervisor supervisor(queue, force);
                    // Reading is over and both clean.
                    until([&] {
                        int cleaning = 0;
                        for (const QueuedJob& j : exports.list()) cleaning += j.progress > 0.12;
                        return cleaning >= 2;
                    });
                    set(method, next());
                    beside.push_back(until([&] { return current(1) == window_.sheet().rows(); }));
                    exports.cancelAll();
                }
                exports.clearFinished();
            }
            std::printf("beside a queue, %-14s %8.0f ms alone, %8.0f ms: %+.0f %% (asked: 30)\n", method,
                        median(alone), median(beside), 100 * (median(beside) / median(alone) - 1));
        }
    }

  private:
    // Whether every cell that is seen shows at least that, and is as asked.
    bool allShow(Cell::Pixels least, const std::function<bool(const Cell&)>& asked = {}) const {
        bool any = false;
        for (const Cell* c : window_.findChildren<Cell*>()) {
            if (!c->isVisible() || c->visibleRegion().isEmpty()) continue;
            if (asked && !asked(*c)) return false;
            if (static_cast<int>(c->pixels()) < static_cast<int>(least)) return false;
            any = true;
        }
        return any;
    }
    void openCloseUp() {
        window_.resize(1452, 813); // leaves the pixels 1000 x 700
        emit window_.sheet().opened(0, 1);
        until([&] { return window_.closeUp().isVisible() && window_.closeUp().current(); });
    }
    // A strength that was not there before.
    float next() { return strength_ += 0.003f; }
    void set(const std::string& method, float luminance) {
        Settings s = window_.document().takes()[0].settings;
        s.method = method, s.luminance = luminance;
        window_.document().setSettings(0, s);
    }
    int current(int column) {
        int count = 0;
        for (int r = 0; r < window_.sheet().rows(); ++r)
            count += window_.sheet().cell(r, column)->state() == Cell::State::Current;
        return count;
    }

    Window window_;
    int place_ = 0;
    float strength_ = 0.8f;
};

// A photo opened anew, then once more with the pictures that the first time left on the disk.
void restarting(const QString& photo) {
    const QTemporaryDir home;
    for (const char* name : {"XDG_CACHE_HOME", "XDG_DATA_HOME", "XDG_STATE_HOME"})
        qputenv(name, home.filePath(QString::fromLatin1(name)).toLocal8Bit());
    QSettings().setValue(QStringLiteral("pictures/keep"), true);
    std::printf("%-22s %16s %16s %16s\n", "", "photo read, ms", "its sheet, ms", "cells");
    for (const char* time : {"for the first time", "after a restart"}) {
        Window window;
        window.resize(1280, 800);
        window.show();
        const auto& document = window.document();
        window.open({photo});
        const double read = until([&] { return document.photo() != nullptr; });
        const double sheet = until([&] { return window.sheet().allCurrent(); });
        std::printf("%-22s %16.0f %16.0f %16d\n", time, read, sheet,
                    window.sheet().rows() * window.sheet().columns());
        QElapsedTimer writing;
        writing.start();
        until([&] { return writing.elapsed() > 5000; });
    }
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    QApplication app(argc, argv);
    QApplication::setApplicationName(QStringLiteral("irenic-bench"));
    QSettings().setValue(QStringLiteral("recommend/byItself"), false);
    style::apply(app);
    QStringList photos = QApplication::arguments().mid(1);
    if (photos.size() < 2) {
        std::fprintf(stderr,
                     "usage: irenic-waiting PHOTO PHOTO "
                     "[drafts|fit|sliders|panning|switching|queue|close-up|dragging|painting|restarting]\n");
        return 2;
    }
    const QString only = photos.size() > 2 ? photos[2] : QString();
    if (only == QLatin1String("restarting")) {
        restarting(photos[0]);
        return 0;
    }
    QSettings().setValue(QStringLiteral("pictures/keep"), false);
    Bench bench(photos);
    const auto wanted = [&](const char* part) { return only.isEmpty() || only == QLatin1String(part); };
    if (wanted("drafts")) bench.drafts();
    if (wanted("fit")) bench.fit();
    if (wanted("sliders")) bench.sliders();
    if (wanted("panning")) bench.panning();
    if (wanted("switching")) bench.switching();
    if (wanted("queue")) bench.besideAQueue(photos[1]);
    if (wanted("close-up")) bench.closeUp(); // last: it hides the sheet
    if (wanted("dragging")) bench.dragging();
    if (wanted("painting")) bench.painting();
    return 0;
}
