// What the window remembers beyond a photo's work: pictures on the disk, and the photos that were shown
// lately.
#include <QDirIterator>
#include <QMenu>
#include <QPushButton>

#include "base/folders.h"
#include "picture_cache.h"
#include "start/recent_photos.h"
#include "start/start_page.h"
#include "window_support.h"

using namespace irenic;

namespace {

QStringList picturesIn(const QString& folder) {
    QStringList all;
    QDirIterator files(folder, {"*.png"}, QDir::Files, QDirIterator::Subdirectories);
    while (files.hasNext()) all << files.next();
    return all;
}

QImage grey(int side, int value) {
    QImage image(side, side, QImage::Format_RGB32);
    image.fill(qRgb(value, value, value));
    return image;
}

} // namespace

class TestRemembering : public test::WindowTest {
    Q_OBJECT

    QString kept_ = QString::fromStdString(PictureCache::usualFolder().string());

    // A photo's sheet, once all its cells are true.
    bool showSheet(Window& window) {
        window.resize(900, 560);
        window.show();
        window.open({one_});
        return QTest::qWaitFor([&] { return window.document().photo() && window.sheet().allCurrent(); },
                               60000);
    }

  private slots:
    void picturesAreFoundAgain() {
        QTemporaryDir folder;
        const std::filesystem::path place = folder.filePath("pictures").toStdString();
        PictureCache cache(place);
        QVERIFY(cache.find("abcd").isNull());
        cache.keep("abcd", grey(40, 77));
        QCOMPARE(PictureCache(place).find("abcd"), grey(40, 77));
        QCOMPARE(QFile::permissions(QString::fromStdString(place.string())) &
                     (QFile::ReadGroup | QFile::ReadOther),
                 QFile::Permissions());
        // What is damaged is none, and goes.
        const QString file = picturesIn(folder.path()).value(0);
        QFile damaged(file);
        QVERIFY(damaged.open(QIODevice::ReadWrite) && damaged.resize(damaged.size() / 2));
        damaged.close();
        QVERIFY(cache.find("abcd").isNull() && !QFile::exists(file));
        cache.keep("abcd", grey(40, 77));
        cache.clear();
        QVERIFY(cache.find("abcd").isNull());
    }
    void whatIsTooMuchGoesOldestFirst() {
        QTemporaryDir folder;
        QImage noise(64, 64, QImage::Format_RGB32);
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 64; ++x) noise.setPixel(x, y, qRgb(x * y % 251, x * 7 % 256, y * x % 97));
        PictureCache plenty(folder.path().toStdString());
        plenty.keep("one0", noise);
        const qint64 each = QFileInfo(picturesIn(folder.path()).value(0)).size();
        QVERIFY(each > 0);
        for (const char* name : {"two0", "three0", "four0"}) plenty.keep(name, noise);
        const auto age = [&](const QString& name, int hours) {
            for (const QString& path : picturesIn(folder.path())) {
                if (!path.endsWith(name + ".png")) continue;
                QFile file(path);
                QVERIFY(file.open(QIODevice::ReadWrite));
                QVERIFY(file.setFileTime(QDateTime::currentDateTime().addSecs(-3600 * hours),
                                         QFileDevice::FileModificationTime));
            }
        };
        age("one0", 4), age("two0", 3), age("three0", 2), age("four0", 1);
        PictureCache small(folder.path().toStdString(), 3 * each + each / 2);
        QVERIFY(!small.find("one0").isNull()); // looked at: it is the newest now
        small.keep("five0", noise);
        QVERIFY(small.find("two0").isNull() && small.find("three0").isNull());
        for (const char* name : {"one0", "four0", "five0"}) QVERIFY2(!small.find(name).isNull(), name);
    }
    void aSheetOpensWithItsPictures() {
        find<QAction>("keepPictures")->setChecked(false);
        QTRY_VERIFY(picturesIn(kept_).isEmpty());
        find<QAction>("keepPictures")->setChecked(true);
        {
            Window first;
            QVERIFY(showSheet(first));
            QTRY_VERIFY(!picturesIn(kept_).isEmpty());
            QTest::qWait(300);
        }
        // Other pixels under the same names: a window that shows them has made none.
        const QStringList all = picturesIn(kept_);
        for (const QString& path : all) {
            QImage image(path);
            image.fill(qRgb(12, 200, 34));
            QVERIFY(image.save(path));
        }
        const auto shown = [](Window& window) {
            int taken = 0;
            for (Cell* cell : window.sheet().findChildren<Cell*>())
                taken +=
                    cell->isVisible() && cell->grab().toImage().pixelColor(20, 20) == QColor(12, 200, 34);
            return taken;
        };
        {
            Window second;
            QVERIFY(showSheet(second));
            QVERIFY2(shown(second) > 0, qPrintable(QString::number(all.size())));
            // Another strength is another picture.
            Settings other = second.document().takes()[0].settings;
            other.luminance = 1.7f;
            second.document().setSettings(0, other);
            auto* cell = second.sheet().findChildren<Cell*>().value(1);
            QTRY_VERIFY_WITH_TIMEOUT(second.sheet().allCurrent(), 60000);
            QVERIFY(cell->grab().toImage().pixelColor(20, 20) != QColor(12, 200, 34));
        }
        find<QAction>("keepPictures")->setChecked(false);
        QTRY_VERIFY(picturesIn(kept_).isEmpty());
        Window third;
        QVERIFY(showSheet(third));
        QCOMPARE(shown(third), 0);
        QVERIFY(picturesIn(kept_).isEmpty());
    }
    void recentPhotosAreOffered() {
        window_->open({two_});
        QTRY_VERIFY_WITH_TIMEOUT(window_->document().photo()->file.string() == two_.toStdString(), 30000);
        QTest::qWait(900); // the session is written
        auto* menu = window_->findChild<QMenu*>("recent");
        emit menu->aboutToShow();
        QCOMPARE(menu->actions().value(0)->text(), QStringLiteral("two.dng"));
        QCOMPARE(menu->actions().value(1)->text(), QStringLiteral("one.dng"));
        window_->close();
        Window fresh;
        fresh.show();
        auto* recent = fresh.findChild<RecentPhotos*>();
        QVERIFY(recent->isVisible());
        QTRY_VERIFY(recent->isWhole());
        QCOMPARE(recent->item(0)->text(), QStringLiteral("two.dng"));
        QVERIFY(!recent->item(0)->data(Qt::DecorationRole).value<QPixmap>().isNull());
        QTest::mouseClick(recent->viewport(), Qt::LeftButton, {},
                          recent->visualItemRect(recent->item(1)).center());
        QTRY_VERIFY_WITH_TIMEOUT(fresh.document().photo() != nullptr, 30000);
        QCOMPARE(fresh.document().photo()->file.string(), one_.toStdString());
        // By keys too; and what is no more is not offered.
        QFile::rename(one_, one_ + ".away");
        Window other;
        other.showRecent({one_, two_});
        other.show();
        auto* left = other.findChild<RecentPhotos*>();
        QTRY_VERIFY(left->isWhole());
        QFile::rename(one_ + ".away", one_);
        QCOMPARE(left->count(), 1);
        left->setFocus();
        left->setCurrentRow(0);
        QTest::keyClick(left, Qt::Key_Return);
        QTRY_VERIFY_WITH_TIMEOUT(other.document().photo() != nullptr, 30000);
        QCOMPARE(other.document().photo()->file.string(), two_.toStdString());
    }
};

QTEST_MAIN(TestRemembering)
#include "remembering.moc"
