// Photos, what is kept of them, undo, presets and export in the window, driven by mouse and keys.
#include "deliver/profiles.h"
#include "develop/lens.h"
#include "export/export_bar.h"
#include "help/fault_report.h"
#include "help/key_list.h"
#include "judge/exposure.h"
#include "look/curve_editor.h"
#include "look/histogram_view.h"
#include "look/look_strip.h"
#include "optics.h"
#include "overview/overview.h"
#include "photos/photo_list.h"
#include "photos/photo_row.h"
#include "presets/preset_menu.h"
#include "reader/reader.h"
#include "session/sidecar.h"
#include "sheet/cell.h"
#include "sheet/sheet.h"
#include "sheet/take_head.h"
#include "style/monitor.h"
#include "style/rule.h"
#include "support.h"
#include "window.h"
#include "window_support.h"
#include <QAccessible>
#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QDropEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QMimeData>
#include <QPushButton>
#include <QSettings>
#include <QSignalSpy>
#include <QTableWidget>
#include <QTest>
#include <QTextDocument>
#include <QToolButton>
#include <numeric>

using namespace irenic;

class TestDesk : public test::WindowTest {
    Q_OBJECT

  private slots:
    void everyChangeIsUndone() {
        Document& document = window_->document();
        const PhotoState before = document.state();
        auto* colour = field(1, "colour");
        colour->setFocus();
        // A gesture is one step, however many values it went through.
        for (int i = 0; i < 6; ++i) QTest::keyClick(colour, Qt::Key_Right);
        QCOMPARE(document.history().steps().size(), std::size_t(1));
        QVERIFY(QString::fromStdString(document.history().steps()[0].name)
                    .startsWith(QStringLiteral("B: colour 1.00× → 1.")));
        document.addTake();
        document.moveProbe(0, 100, 90);
        Look look = document.look();
        look.exposure = 0.5f;
        document.setLook(look);
        document.choose(0);
        const PhotoState after = document.state();
        QCOMPARE(document.history().steps().size(), std::size_t(5));
        QVERIFY(find<QAction>("undo")->text().contains("Take A chosen"));
        for (int i = 0; i < 5; ++i) QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(document.state() == before);
        QVERIFY(!find<QAction>("undo")->isEnabled());
        QVERIFY(std::abs(field(1, "colour")->value() - 1) < 1e-9 && window_->sheet().columns() == 4);
        for (int i = 0; i < 5; ++i)
            QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(document.state() == after);
        QVERIFY(settle());
    }
    void theHistoryListGoesAnywhere() {
        QTest::keyClick(window_.get(), Qt::Key_H, Qt::ControlModifier);
        auto* list = find<QListWidget>("history");
        QTRY_VERIFY(list->isVisible());
        Document& document = window_->document();
        document.addTake();
        document.removeTake(0);
        document.choose(1);
        QCOMPARE(list->count(), 4);
        QVERIFY(list->item(3)->text().startsWith(QStringLiteral("▸")) &&
                list->item(2)->text().contains("Take A removed"));
        QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualItemRect(list->item(1)).center());
        QCOMPARE(document.history().present(), std::size_t(1));
        QCOMPARE(document.takes().size(), std::size_t(4));
        QVERIFY(list->item(1)->text().startsWith(QStringLiteral("▸")) &&
                list->item(3)->foreground().color() == QColor(70, 70, 70));
        // Of another photo: undoing it shows that one.
        window_->open({two_});
        QTRY_VERIFY_WITH_TIMEOUT(document.photo()->iso == 3200, 30000);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QTRY_VERIFY_WITH_TIMEOUT(document.photo()->iso == 12800, 30000);
        QCOMPARE(document.takes().size(), std::size_t(3));
    }
    void workIsKeptBesideThePhoto() {
        Document& document = window_->document();
        const QString sidecar = one_ + ".irenic.json";
        QVERIFY(!QFile::exists(sidecar)); // nothing was done yet
        Settings settings = document.takes()[2].settings;
        settings.grain = 0.15f;
        document.setSettings(2, settings);
        document.choose(2);
        document.keepVersion("before the flood");
        QTRY_VERIFY_WITH_TIMEOUT(QFile::exists(sidecar) && !document.unsaved(), 30000); // by itself
        const PhotoState kept = document.state();
        // Another window with the same photo is told; what it does is kept beside, and is a version here
        // afterwards.
        {
            Window second;
            QStringList said;
            connect(&second.document(), &Document::message, this, [&](const QString& m) { said << m; });
            second.open({one_});
            QTRY_VERIFY_WITH_TIMEOUT(second.document().photo() != nullptr, 30000);
            QVERIFY2(said.join(' ').contains("open in another window"), qPrintable(said.join(' ')));
            QVERIFY(second.document().state() == kept);
            second.document().removeTake(0);
            second.document().save();
            QTRY_VERIFY(!second.document().unsaved());
        }
        // Closed and opened again, without files: everything is as it was.
        document.setZoom(2);
        document.setPush(1.5f);
        window_->close();
        window_ = std::make_unique<Window>();
        window_->resize(900, 560);
        window_->show();
        window_->restoreSession();
        QVERIFY(settle());
        QVERIFY(window_->document().state() == kept);
        QCOMPARE(window_->document().zoom(), 2.0);
        QCOMPARE(window_->document().push(), 1.5f);
        // And what the other window did is a version beside the one that was kept.
        QCOMPARE(window_->document().keptVersions().size(), std::size_t(2));
        QCOMPARE(window_->document().keptVersions()[1].state->takes.size(), kept.takes.size() - 1);
        QCOMPARE(window_->photos().currentItem()->data(row::Letter).toString(), QStringLiteral("C"));
        // A version comes back, and that can be undone.
        window_->document().removeTake(2);
        find<QMenu>("versions")->actions()[0]->trigger();
        QVERIFY(window_->document().state() == kept);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(window_->document().takes().size(), std::size_t(2));
    }
    void eachPhotoHasItsOwnWork() {
        Document& document = window_->document();
        document.addTake();
        document.choose(3);
        window_->open({two_});
        QTRY_VERIFY_WITH_TIMEOUT(document.photo()->iso == 3200, 30000);
        QCOMPARE(document.takes().size(), std::size_t(3));
        QCOMPARE(document.chosen(), -1);
        document.removeTake(2);
        document.useAsDefault();
        window_->photos().setCurrentRow(0);
        QTRY_VERIFY_WITH_TIMEOUT(document.photo()->iso == 12800, 30000);
        QCOMPARE(document.takes().size(), std::size_t(4));
        QCOMPARE(document.chosen(), 3);
        // A photo that nobody has worked on starts as was asked.
        const QString three =
            QString::fromStdString(test::writeShot(folder_, "three.dng", test::shoot(6400, "RGGB", 9).photo));
        window_->open({three});
        QTRY_VERIFY_WITH_TIMEOUT(document.photo()->iso == 6400, 30000);
        QCOMPARE(document.takes().size(), std::size_t(2));
        // Taken out of the list, not off the disk.
        window_->photos().setFocus();
        QTest::keyClick(&window_->photos(), Qt::Key_Delete);
        QVERIFY(!window_->photos().paths().contains(three) && QFile::exists(three));
    }
    void workGoesToOtherPhotos() {
        Document& document = window_->document();
        document.removeTake(2);
        document.choose(1);
        document.moveProbe(0, 240, 180);
        Look look = document.look();
        look.exposure = 0.25f;
        document.setLook(look);
        QTest::keyClick(window_.get(), Qt::Key_C, Qt::ControlModifier | Qt::ShiftModifier);
        // Onto one that was opened and one that was not.
        const QString four =
            QString::fromStdString(test::writeShot(folder_, "four.dng", test::shoot(1600, "RGGB", 10).photo));
        window_->open({two_, four});
        QTRY_VERIFY_WITH_TIMEOUT(document.photo()->iso == 3200, 30000);
        window_->photos().selectAll();
        const std::size_t steps = document.history().steps().size();
        QTest::keyClick(window_.get(), Qt::Key_V, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(document.history().steps().size(), steps + 1);
        QCOMPARE(QString::fromStdString(document.history().steps().back().name),
                 QStringLiteral("Settings pasted to 2 photos"));
        QCOMPARE(document.takes().size(), std::size_t(2));
        QCOMPARE(document.chosen(), 1);
        QVERIFY(document.look() == look);
        QVERIFY(document.probes()[0].x == 240 && document.probes()[0].y == 180);
        document.save();
        QTRY_VERIFY(QFile::exists(four + ".irenic.json"));
        window_->photos().select(four);
        QTRY_VERIFY_WITH_TIMEOUT(document.photo()->iso == 1600, 30000);
        QVERIFY(document.takes().size() == 2 && document.look() == look && document.probes()[0].x == 240);
        // One step back takes it from all of them.
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(document.takes().size() == 3 && document.look().plain());
        QVERIFY(document.probes()[0].x != 240 && document.probes().size() > 1);
        window_->photos().select(two_);
        QTRY_VERIFY_WITH_TIMEOUT(document.photo()->iso == 3200, 30000);
        QCOMPARE(document.takes().size(), std::size_t(3));
    }
    void closingWhileWorking() {
        window_->document().setZoom(3);
        window_->document().setSettings(0, {"nlbayes"});
        QTest::mouseClick(find<QToolButton>("recommend"), Qt::LeftButton);
        window_->open({two_});
        window_.reset();
        // What was done is kept, and what was being measured comes to nobody.
        const Loaded kept = loadSidecar(one_.toStdString(), {});
        QVERIFY(kept.record && kept.record->state->takes[0].settings.method == "nlbayes");
        QCOMPARE(kept.record->state->takes.size(), std::size_t(3));
        QFile::remove(one_ + ".irenic.json");
    }
    void droppingAndBadFiles() {
        QFile bad(folder_.filePath("broken.dng"));
        QVERIFY(bad.open(QIODevice::WriteOnly));
        bad.write("No photo");
        bad.close();
        QMimeData data;
        data.setUrls({QUrl::fromLocalFile(two_)});
        QDropEvent drop(QPointF(50, 50), Qt::CopyAction, &data, Qt::LeftButton, {});
        // A real drag needs a drag source: hand the event over as the window system would at its end.
        static_cast<QObject*>(window_.get())->event(&drop);
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 3200, 30000);
        window_->open({bad.fileName()});
        QTRY_VERIFY_WITH_TIMEOUT(find<QLabel>("message")->text().contains("broken.dng"), 10000);
        QCOMPARE(window_->document().photo()->iso, 3200.0);
        QCOMPARE(window_->photos().count(), 3);
    }
    // Files at which decoders die, among good ones: each is a message and a word in the list, and no more.
    void decodersDieAlone() {
        useReader(ReaderSetup{qEnvironmentVariable("IRENIC_ASTRAY_READER").toStdString()});
        qputenv("IRENIC_ASTRAY", "crash:deadly");
        const auto over = qScopeGuard([] {
            qunsetenv("IRENIC_ASTRAY");
            useReader({});
        });
        QStringList files = {two_};
        for (const char* name : {"deadly-1.dng", "deadly-2.dng"}) {
            files << folder_.filePath(QLatin1String(name));
            QVERIFY(QFile::copy(one_, files.last()));
        }
        files << folder_.filePath(QStringLiteral("good.dng"));
        QVERIFY(QFile::copy(two_, files.last()));
        window_->open(files);
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 3200, 30000);
        QVERIFY(settle());
        for (const QString& bad : {files[1], files[2]}) {
            window_->photos().select(bad);
            const auto said = [&] {
                const QString text = find<QLabel>("message")->text();
                return text.contains(QFileInfo(bad).fileName()) &&
                       text.contains(QStringLiteral("the decoder crashed"));
            };
            QTRY_VERIFY_WITH_TIMEOUT(said(), 20000);
        }
        window_->photos().select(files[3]);
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->file.filename() == "good.dng", 30000);
        QVERIFY(settle());
    }
    // A developed picture says what it is; what cannot clean it says so in its cell, and the others go on.
    void developedPicture() {
        QImage image(240, 200, QImage::Format_RGB888);
        for (int y = 0; y < 200; ++y)
            for (int x = 0; x < 240; ++x)
                image.setPixelColor(x, y,
                                    QColor(90 + (x * 7 + y * 13) % 40, 80 + (x * 11 + y * 5) % 40,
                                           70 + (x * 3 + y * 17) % 40));
        const QString file = folder_.filePath("plain.png");
        QVERIFY(image.save(file));
        window_->open({file});
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->developed, 30000);
        QVERIFY(find<QLabel>("shot")->text().contains("Not a raw"));
        QVERIFY(settle());
        Settings learned = window_->document().takes()[1].settings;
        learned.method = "learned";
        window_->document().setSettings(1, learned);
        QVERIFY(settle());
        QVERIFY(window_->sheet().cell(0, 2)->state() == Cell::State::Current);
    }
    // Going through the list faster than photos can be read ends at the last one asked for.
    void hurryingThroughTheList() {
        window_->open({two_});
        window_->open({one_});
        for (int i = 0; i < 12; ++i) window_->photos().setCurrentRow(i % 2);
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 3200, 30000);
        QVERIFY(settle());
        QCOMPARE(window_->document().photo()->iso, 3200.0);
    }
    void choosingAndExporting_data() {
        QTest::addColumn<QString>("format");
        QTest::newRow("DNG") << "dng";
        QTest::newRow("TIFF") << "tiff";
        QTest::newRow("JPEG") << "jpeg";
    }
    void choosingAndExporting() {
        QFETCH(QString, format);
        auto* button = find<QPushButton>("export");
        QVERIFY(!button->isEnabled());
        QTest::mouseClick(window_->sheet().head(1)->findChild<QToolButton*>("choose"), Qt::LeftButton);
        QCOMPARE(window_->document().chosen(), 1);
        QVERIFY(button->isEnabled());
        auto* formats = find<QComboBox>("format");
        formats->setCurrentIndex(formats->findData(format));
        const QString target = folder_.filePath("result." + format);
        QSignalSpy done(&window_->exportBar(), &ExportBar::exported);
        window_->exportBar().exportTo(target);
        QVERIFY(window_->exportBar().running());
        QVERIFY(done.wait(60000));
        QVERIFY(QFile::exists(target));
        QVERIFY(settingsIn(target.toStdString()).has_value());
        QCOMPARE(settingsIn(target.toStdString())->method, window_->document().takes()[1].settings.method);
        QSignalSpy failed(&window_->exportBar(), &ExportBar::failed);
        window_->exportBar().exportTo(one_);
        QVERIFY(failed.wait(60000));
        QVERIFY(find<QLabel>("message")->text().contains("original"));
    }
    // Without photos there is a page that says how to begin.
    void theFirstPage() {
        Window fresh;
        fresh.keepNothing();
        fresh.resize(900, 560);
        fresh.show();
        auto* page = fresh.findChild<QWidget*>("start");
        QVERIFY(page->isVisible() && !fresh.sheet().isVisible());
        QVERIFY(page->findChild<QPushButton*>("startOpen"));
        fresh.open({two_});
        QTRY_VERIFY_WITH_TIMEOUT(fresh.document().photo() != nullptr, 30000);
        QVERIFY(!page->isVisible() && fresh.sheet().isVisible());
        // The last photo taken out of the list: the page is back.
        fresh.photos().setFocus();
        QTest::keyClick(&fresh.photos(), Qt::Key_Delete);
        QTRY_VERIFY(page->isVisible());
    }
    void theListIsPutInOrder() {
        PhotoList& photos = window_->photos();
        const QString three = folder_.filePath("another.dng");
        QFile::remove(three);
        QVERIFY(QFile::copy(two_, three));
        window_->open({two_, three});
        QTRY_VERIFY_WITH_TIMEOUT(photos.item(2)->data(row::Iso).toDouble() > 0, 30000);
        photos.sortBy(PhotoList::Sorting::Name);
        QCOMPARE(photos.paths(), (QStringList{three, one_, two_}));
        photos.sortBy(PhotoList::Sorting::Iso);
        QCOMPARE(photos.paths(), (QStringList{three, two_, one_}));
        QCOMPARE(photos.currentItem()->data(row::Path).toString(), photos.shown());
        // By the noise that is seen, the most first; the row says how much.
        photos.sortBy(PhotoList::Sorting::Noise);
        QTRY_COMPARE(photos.paths(), (QStringList{one_, three, two_}));
        QVERIFY(photos.item(0)->data(row::Noise).toDouble() >
                1.2 * photos.item(1)->data(row::Noise).toDouble());
        QVERIFY(PhotoRow::stateText(photos.indexFromItem(photos.item(0))).contains("Noise"));
        photos.sortBy(PhotoList::Sorting::Iso);
        // Keys go through it; the neighbours are at hand before they are asked for.
        QTRY_VERIFY_WITH_TIMEOUT(photos.atHand() == 3, 30000);
        const QString shown = photos.shown();
        QTest::keyClick(window_.get(), Qt::Key_Down, Qt::ControlModifier);
        QTRY_VERIFY(photos.shown() != shown || photos.currentRow() == 2);
        // What became of a photo stands in its row.
        window_->document().addTake();
        window_->document().choose(0);
        QVERIFY(photos.currentItem()->data(row::Changed).toBool());
        QCOMPARE(photos.currentItem()->data(row::Letter).toString(), QStringLiteral("A"));
        QVERIFY(PhotoRow::stateText(photos.currentIndex()).contains("Edited"));
    }
    // A list is there at once, whatever its length; nothing is decoded but the one shown and its neighbours.
    void fiveHundredPhotos() {
        QTemporaryDir many;
        QStringList files;
        for (int i = 0; i < 500; ++i) {
            files << many.filePath(QStringLiteral("tide-%1.dng").arg(i, 3, 10, QLatin1Char('0')));
            QVERIFY(QFile::link(two_, files.back()));
        }
        window_->open({many.path()});
        QCOMPARE(window_->photos().count(), 501); // at once: none of them was read
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 3200, 30000);
        QTRY_VERIFY_WITH_TIMEOUT(!window_->photos().item(40)->data(Qt::DecorationRole).isNull(), 60000);
        QVERIFY(window_->photos().atHand() <= 4);
    }
    void presetsAreKeptAndUsed() {
        const QString own = folder_.filePath("config");
        qputenv("XDG_CONFIG_HOME", own.toUtf8());
        auto* menu = find<PresetMenu>("presets");
        Preset strong;
        strong.settings = Settings{"nlm", 1.4f, 1.2f};
        strong.look = lookFromText("exposure=0.5");
        savePreset("strong at night", strong);
        emit menu->aboutToShow();
        const auto actions = menu->actions();
        QCOMPARE(actions[0]->text(), QStringLiteral("strong at night"));
        actions[0]->trigger();
        QCOMPARE(window_->document().takes().size(), std::size_t(4));
        QCOMPARE(window_->document().takes()[3].settings, *strong.settings);
        QCOMPARE(window_->document().takes()[3].name, std::string("strong at night"));
        QCOMPARE(window_->document().look(), *strong.look);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier); // one step
        QCOMPARE(window_->document().takes().size(), std::size_t(3));
        QVERIFY(window_->document().look().plain());
        // Out to a file, never over one that is there, and in again under the file's name.
        const QString file = folder_.filePath("from a friend.json");
        menu->exportTo("strong at night", file);
        QVERIFY(QFile::exists(file));
        const auto size = QFileInfo(file).size();
        menu->exportTo("strong at night", file);
        QVERIFY(find<QLabel>("message")->text().contains("there is a file of this name already"));
        QCOMPARE(QFileInfo(file).size(), size);
        menu->importFrom(file);
        QVERIFY(presetNames() == (std::vector<std::string>{"from a friend", "strong at night"}));
        QFile bad(folder_.filePath("bad.json"));
        QVERIFY(bad.open(QIODevice::WriteOnly));
        bad.write("{}");
        bad.close();
        menu->importFrom(bad.fileName());
        QVERIFY(find<QLabel>("message")->text().contains("bad.json"));
        qunsetenv("XDG_CONFIG_HOME");
    }
    // The list of keys is made of what there is: every action's keys stand in it, and none twice.
    void allKeysAreListed() {
        const QList<KeyEntry> keys = keysOf(window_.get());
        QStringList all, named, groups;
        for (const KeyEntry& k : keys) {
            groups << k.group;
            QVERIFY2(!k.what.isEmpty(), qPrintable(k.keys));
            QVERIFY2(!named.contains(k.group + k.keys), qPrintable(k.keys));
            named << k.group + k.keys, all << k.keys;
        }
        for (const QAction* a : window_->findChildren<QAction*>())
            if (!a->shortcut().isEmpty())
                QVERIFY(all.contains(a->shortcut().toString(QKeySequence::NativeText)));
        for (const char* key :
             {"Ctrl+O", "Ctrl+Z", "Ctrl+Shift+Z", "F1", "Shift+F1", "F3", "F11", "Ctrl+E", "Home", "1"})
            QVERIFY2(all.contains(QLatin1String(key)), key);
        QTest::keyClick(window_.get(), Qt::Key_F1, Qt::ShiftModifier);
        // A line for each, and one for each group; typing leaves what holds the text.
        groups.removeDuplicates();
        QTRY_VERIFY(find<QTableWidget>("keys") &&
                    find<QTableWidget>("keys")->rowCount() == keys.size() + groups.size());
        QTest::keyClicks(find<QLineEdit>("search"), "last two");
        QCOMPARE(find<QTableWidget>("keys")->rowCount(), 2);
        QCOMPARE(find<QTableWidget>("keys")->item(1, 0)->text(), QStringLiteral("Tab"));
        // On paper all of them stand.
        QVERIFY(find<QPushButton>("printKeys"));
        QTextDocument page;
        page.setHtml(pageOf(keys));
        for (const KeyEntry& k : keys)
            QVERIFY2(page.toPlainText().contains(k.keys) && page.toPlainText().contains(k.what),
                     qPrintable(k.what));
    }
    // Every control has a name for readers of the screen; rules tell their values.
    void controlsHaveNames() {
        for (const QWidget* w : window_->findChildren<QWidget*>()) {
            if (!w->isVisible() || w->focusPolicy() == Qt::NoFocus) continue;
            const QAccessibleInterface* a = QAccessible::queryAccessibleInterface(const_cast<QWidget*>(w));
            QVERIFY2(a && (!a->text(QAccessible::Name).isEmpty()),
                     qPrintable(QStringLiteral("%1 %2").arg(w->metaObject()->className(), w->objectName())));
        }
        QAccessibleInterface* rule = QAccessible::queryAccessibleInterface(field(0, "luminance"));
        QCOMPARE(rule->role(), QAccessible::Slider);
        QCOMPARE(rule->text(QAccessible::Value), QStringLiteral("1.00×"));
        rule->valueInterface()->setCurrentValue(1.5);
        QCOMPARE(window_->document().takes()[0].settings.luminance, 1.5f);
        QCOMPARE(rule->valueInterface()->maximumValue().toDouble(), 3.0);
    }
    // A photo is measured by itself when it is first shown; that is nobody's work and no step. Switched off,
    // it is not.
    void aRecommendationComesByItself() {
        QVERIFY(!find<QAction>("byItself")->isChecked());
        find<QAction>("byItself")->setChecked(true);
        window_->open({two_});
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->iso == 3200, 30000);
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().facts().recommended, 120000);
        // Nobody had touched the takes: the first is the recommended one, the others are unlike it.
        const std::vector<Take>& takes = window_->document().takes();
        QCOMPARE(takes.size(), std::size_t(3));
        QVERIFY(window_->document().facts().riskOf(takes[0].settings));
        QVERIFY(!(takes[1].settings == takes[0].settings) && !(takes[2].settings == takes[1].settings));
        QVERIFY(!window_->document().history().canUndo() && !window_->document().unsaved());
        find<QAction>("byItself")->setChecked(false);
    }
    void takesGetEqualNoise() {
        Document& document = window_->document();
        Settings strong = document.takes()[1].settings;
        strong.luminance = 0.7f;
        document.setSettings(1, strong);
        const Settings before = document.takes()[2].settings;
        emit window_->sheet().head(1)->levelAsked(NoiseKind::Luminance);
        QTRY_VERIFY_WITH_TIMEOUT(!(document.takes()[2].settings == before), 120000);
        QVERIFY(document.takes()[1].settings == strong);
        const auto areas = flatAreas(*document.photo());
        const double target = noiseLeftIn(*document.photo(), strong, areas).luminance,
                     now = noiseLeftIn(*document.photo(), document.takes()[2].settings, areas).luminance;
        QVERIFY2(std::abs(now / target - 1) <= 0.03,
                 qPrintable(QStringLiteral("%1 %2").arg(now).arg(target)));
        QVERIFY(find<QLabel>("message")->text().contains("Equal luminance noise"));
        QCOMPARE(QString::fromStdString(document.history().steps().back().name),
                 QStringLiteral("equal luminance noise, after B"));
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier); // one step
        QVERIFY(document.takes()[2].settings == before);
    }
    // What helps to find a fault, without pictures, and without names of folders unless they are wanted.
    void faultsAreReported() {
        QCOMPARE(withoutFolders("Exported: /home/tide mill/night/mill-03.dng (2 MB)"),
                 QStringLiteral("Exported: mill-03.dng (2 MB)"));
        QCOMPARE(withoutFolders("1/60 s and and/or 3 / 4"), QStringLiteral("1/60 s and and/or 3 / 4"));
        window_->exportBar().setMessage("The tide: /secret/place/mill.dng is gone");
        find<QAction>("reportFault")->trigger();
        auto* report = window_->findChild<FaultReport*>();
        QVERIFY(report && report->isVisible());
        for (const char* word : {"Qt 6", "SQLite", "LibRaw", "threads", "mill.dng is gone", "ISO"})
            QVERIFY2(report->text().contains(word), word);
        QVERIFY(!report->text().contains("secret"));
        report->findChild<QCheckBox*>("faultFolders")->click();
        QVERIFY(report->text().contains("/secret/place/"));
        const QString file = folder_.filePath("fault.txt");
        report->saveTo(file);
        QFile saved(file);
        QVERIFY(saved.open(QIODevice::ReadOnly));
        QCOMPARE(QString::fromUtf8(saved.readAll()), report->text());
        report->saveTo(folder_.filePath("nowhere/fault.txt"));
        QVERIFY(window_->exportBar().message().contains("could not be saved"));
        report->close();
    }
    // What is marked on one photo is found on the next of its series, as nobody's work.
    void aMarkedPlaceIsFoundAgain() {
        Document& document = window_->document();
        const std::vector<Probe> before = document.probes();
        QVERIFY(!before.empty());
        // On something that has a form of its own.
        const auto edge =
            std::find_if(before.begin(), before.end(), [](const Probe& p) { return p.name == "edge"; });
        const Probe like = edge == before.end() ? before.back() : *edge;
        document.addProbe(like.x + 20, like.y + 10);
        QVERIFY(document.probes().back().placedByHand());
        const QString next = QString::fromStdString(
            test::writeShot(folder_, "next.dng", test::shoot(12800, "RGGB", 21).photo));
        window_->open({next});
        window_->photos().select(next);
        QTRY_COMPARE(document.photo()->file, std::filesystem::path(next.toStdString()));
        QTRY_VERIFY(document.probes().back().placedByHand());
        const Probe& found = document.probes().back();
        QVERIFY(std::abs(found.x - like.x - 20) <= 12 && std::abs(found.y - like.y - 10) <= 12);
        QVERIFY(found.reason.find("one.dng") != std::string::npos);
        document.save();
        QTRY_VERIFY(!document.unsaved());
        QVERIFY(!QFile::exists(next + ".irenic.json"));
        // Once there is work of its own nothing is added any more.
        window_->photos().select(one_);
        QTRY_COMPARE(document.photo()->file, std::filesystem::path(one_.toStdString()));
        window_->photos().select(next);
        QTRY_COMPARE(document.photo()->file, std::filesystem::path(next.toStdString()));
        QVERIFY(settle());
        QCOMPARE(std::count_if(document.probes().begin(), document.probes().end(),
                               [](const Probe& p) { return p.placedByHand(); }),
                 1);
    }
    // A dark photo that is made lighter here: that is said where the shot stands, and only then.
    void aDarkShotIsSaid() {
        const QString dark = QString::fromStdString(
            test::writeShot(folder_, "dark.dng", test::shoot(3200, "RGGB", 5, Scene::SackStore, -4).photo));
        window_->open({dark});
        window_->photos().select(dark);
        QTRY_COMPARE(window_->document().photo()->file, std::filesystem::path(dark.toStdString()));
        QVERIFY(settle());
        auto* shot = find<QLabel>("shot");
        const double unused = unusedStops(*window_->document().photo());
        QVERIFY2(unused > 1.5, qPrintable(QString::number(unused)));
        QVERIFY(!shot->text().contains("darker"));
        Look look;
        look.exposure = 2;
        window_->document().setLook(look);
        QTRY_VERIFY(shot->text().contains("stops darker"));
        look.exposure = 0;
        window_->document().setLook(look);
        QTRY_VERIFY(!shot->text().contains("darker"));
    }
};

QTEST_MAIN(TestDesk)
#include "desk.moc"
