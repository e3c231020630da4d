// What was exported of a photo, as the window lists it: whether it still is what the settings say, its name,
// its mark, and the way to the trash.
#include <QDockWidget>
#include <QFile>

#include "deliver/export.h"
#include "develop/algorithms.h"
#include "exports/exports_list.h"
#include "session/sidecar.h"
#include "window_support.h"

using namespace irenic;

class TestExports : public test::WindowTest {
    Q_OBJECT

    ExportsList& list() { return window_->exports(); }
    Document& document() { return window_->document(); }
    // A file of the first take as it is now, on record.
    QString exported(const char* name, int algorithms = kAlgorithms) {
        const QString file = folder_.filePath(QLatin1String(name));
        const Take& take = document().takes()[0];
        Export what{recipeOf(document().photo(), take.settings, document().look()), {}};
        what.delivery.format = ExportFormat::Jpeg, what.delivery.conflict = Conflict::Replace;
        exportFile(what, file.toStdString());
        document().noteExport(one_.toStdString(),
                              {file.toStdString(), "2026-01-15 22:10:00", take.letter, textOf(take.settings),
                               textOf(document().look()), algorithms});
        return file;
    }
    bool listed(int count) {
        return QTest::qWaitFor([this, count] {
            return !list().looking() && list().topLevelItemCount() == count &&
                   (count == 0 || !list().topLevelItem(0)->text(ExportsList::Size).isEmpty());
        });
    }
    void show() {
        find<QDockWidget>("exportsPanel")->show();
        QTRY_VERIFY(list().isVisible());
    }
    QString standing(int row) { return list().topLevelItem(row)->text(ExportsList::Standing); }

  private slots:
    void filesSayWhetherTheyAreAsSet() {
        show();
        exported("first.jpg");
        QVERIFY(listed(1));
        QCOMPARE(standing(0), QStringLiteral("As set"));
        QCOMPARE(list().topLevelItem(0)->text(ExportsList::TakeLetter), QStringLiteral("A"));
        Settings other = document().takes()[0].settings;
        const Settings before = other;
        other.luminance = 1.6f;
        document().setSettings(0, other);
        QTRY_COMPARE(standing(0), QStringLiteral("Other settings"));
        document().setSettings(0, before);
        QTRY_COMPARE(standing(0), QStringLiteral("As set"));
        Look look;
        look.exposure = 0.5f;
        document().setLook(look);
        QTRY_COMPARE(standing(0), QStringLiteral("Other settings"));
        document().setLook({});
        exported("second.jpg", kAlgorithms - 1);
        QVERIFY(listed(2));
        QCOMPARE(standing(0), QStringLiteral("Older method")); // the newest is on top
        // Of what was made before anything was noted nothing is known.
        document().noteExport(one_.toStdString(),
                              {folder_.filePath("gone.dng").toStdString(), "2025-01-01", 'B'});
        QVERIFY(listed(3));
        QCOMPARE(standing(0), QStringLiteral("Not known"));
        QCOMPARE(list().topLevelItem(0)->text(ExportsList::Size), QStringLiteral("Missing"));
        list().setCurrentItem(list().topLevelItem(0));
        QVERIFY(!find<QAction>("openExport")->isEnabled() && find<QAction>("markExport")->isEnabled());
    }
    void namesAndMarksAreKept() {
        show();
        const QString file = exported("third.jpg");
        QFile other(folder_.filePath(QStringLiteral("taken.jpg")));
        QVERIFY(other.open(QIODevice::WriteOnly));
        other.write("somebody's");
        other.close();
        QVERIFY(listed(1));
        list().setCurrentItem(list().topLevelItem(0));
        list().setMark(2);
        QVERIFY(list().topLevelItem(0)->text(ExportsList::Name).startsWith(QStringLiteral("●● ")));
        list().rename(QStringLiteral("taken.jpg"));
        QTRY_VERIFY(!list().looking());
        QVERIFY(QFile::exists(file)); // nothing was replaced
        QVERIFY(other.open(QIODevice::ReadOnly));
        QCOMPARE(other.readAll(), QByteArray("somebody's"));
        list().rename(QStringLiteral("../away.jpg"));
        QVERIFY(QFile::exists(file));
        list().rename(QStringLiteral("named.jpg"));
        QTRY_VERIFY(QFile::exists(folder_.filePath(QStringLiteral("named.jpg"))) && !QFile::exists(file));
        QTRY_COMPARE(document().facts().exports.back().file, folder_.filePath("named.jpg").toStdString());
        document().undo(); // facts are no steps
        QCOMPARE(document().facts().exports.back().mark, 2);
        document().save();
        QTRY_VERIFY(!document().unsaved());
        const Loaded loaded = loadSidecar(one_.toStdString(), document().photo()->samplesDigest);
        QVERIFY(loaded.record && loaded.record->facts.exports == document().facts().exports);
    }
    // Files of one name in unlike formats keep together, and all of them or none.
    void whatBelongsTogetherKeepsItsName() {
        show();
        const auto at = [this](const char* name) { return folder_.filePath(QLatin1String(name)); };
        exported("night.png"), exported("alone.jpg"), exported("night.jpg");
        QVERIFY(listed(3));
        list().setCurrentItem(list().topLevelItem(0));
        list().rename(QStringLiteral("pier.jpg"));
        QTRY_VERIFY(QFile::exists(at("pier.jpg")) && QFile::exists(at("pier.png")));
        QVERIFY(!QFile::exists(at("night.png")) && QFile::exists(at("alone.jpg")));
        QTRY_COMPARE(document().facts().exports[0].file, at("pier.png").toStdString());
        QVERIFY(QFile::copy(at("alone.jpg"), at("quay.png")));
        QVERIFY(listed(3));
        list().setCurrentItem(list().topLevelItem(0));
        list().rename(QStringLiteral("quay.jpg"));
        QTRY_VERIFY(!list().looking());
        QTRY_VERIFY(QFile::exists(at("pier.jpg")) && QFile::exists(at("pier.png")) &&
                    !QFile::exists(at("quay.jpg")));
        // Another ending is another kind of file: it goes alone.
        list().rename(QStringLiteral("steps.jpeg"));
        QTRY_VERIFY(QFile::exists(at("steps.jpeg")) && QFile::exists(at("pier.png")));
        for (const char* name : {"steps.jpeg", "pier.png", "alone.jpg", "quay.png"}) QFile::remove(at(name));
    }
    void whatIsDiscardedIsInTheTrash() {
        show();
        const QString file = exported("fourth.jpg");
        QVERIFY(listed(1));
        list().setCurrentItem(list().topLevelItem(0));
        list().discard();
        QTRY_VERIFY(!QFile::exists(file));
        QTRY_VERIFY(document().facts().exports.empty());
        // What somebody else has written since stays.
        const QString changed = exported("fifth.jpg");
        QFile theirs(changed);
        QVERIFY(theirs.open(QIODevice::WriteOnly | QIODevice::Truncate));
        theirs.write("another program's");
        theirs.close();
        QVERIFY(listed(1));
        list().setCurrentItem(list().topLevelItem(0));
        list().discard();
        QTRY_VERIFY(!list().looking());
        QVERIFY(QFile::exists(changed));
        QCOMPARE(document().facts().exports.size(), std::size_t(1));
    }
};

QTEST_MAIN(TestExports)
#include "exports.moc"
