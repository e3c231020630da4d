// A photo that another program hands over goes back as it came: same kind, depth, packing and colours, whole
// or not at all. A raw is never replaced.
#include <QProcess>
#include <QPushButton>
#include <fstream>

#include "deliver/export.h"
#include "deliver/handback.h"
#include "deliver/profiles.h"
#include "export/drawer.h"
#include "export/export_bar.h"
#include "measure/open.h"
#include "session/take.h"
#include "window_support.h"

using namespace irenic;

namespace {

std::string bytesOf(const std::string& file) {
    std::ifstream in(file, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

// Of the developed samples, by channel.
std::array<double, 3> meansOf(const Photo& p) {
    std::array<double, 3> sum{};
    for (int y = 0; y < p.height(); ++y)
        for (int x = 0; x < p.width(); ++x)
            for (int c = 0; c < 3; ++c) sum[static_cast<std::size_t>(c)] += p.sample(x, y, c);
    for (double& s : sum) s /= p.width() * p.height();
    return sum;
}

// How much neighbours differ: noise, mostly.
double unrestOf(const Photo& p) {
    double sum = 0;
    for (int y = 0; y < p.height(); ++y)
        for (int x = 1; x < p.width(); ++x) sum += std::abs(p.sample(x, y, 1) - p.sample(x - 1, y, 1));
    return sum;
}

} // namespace

class TestHandback : public test::WindowTest {
    Q_OBJECT

    // A working copy as another program would make it of the first photo.
    std::string copy(const char* name, const char* delivery) {
        const std::string file = folder_.filePath(QLatin1String(name)).toStdString();
        std::filesystem::remove(file);
        exportFile({recipeOf(readPhoto(one_.toStdString())), deliveryFromText(delivery), {}, false}, file);
        return file;
    }
    static int run(const QStringList& arguments, QByteArray* errors = nullptr) {
        QProcess p;
        p.start(qEnvironmentVariable("IRENIC_CLI"), arguments);
        p.waitForFinished(120000);
        if (errors) *errors = p.readAllStandardError();
        return p.exitStatus() == QProcess::NormalExit ? p.exitCode() : -1;
    }

  private slots:
    void goesBackAsItCame_data() {
        QTest::addColumn<QByteArray>("name");
        QTest::addColumn<QByteArray>("delivery");
        QTest::newRow("TIFF of 16 bits, LZW")
            << QByteArray("copy.tif") << QByteArray("tiff,space=adobe,bits=16,packing=lzw,dpi=240");
        QTest::newRow("TIFF of 8 bits, plain")
            << QByteArray("plain.tif") << QByteArray("tiff,space=prophoto,bits=8,packing=none,dpi=72");
        QTest::newRow("TIFF of floating point")
            << QByteArray("float.tif") << QByteArray("tiff,space=rec2020,bits=32,packing=packed");
        QTest::newRow("JPEG") << QByteArray("copy.jpg") << QByteArray("jpeg,space=adobe,quality=92,dpi=180");
        QTest::newRow("PNG of 16 bits") << QByteArray("copy.png") << QByteArray("png,space=srgb,bits=16");
    }
    void goesBackAsItCame() {
        QFETCH(QByteArray, name);
        QFETCH(QByteArray, delivery);
        const std::string file = copy(name.constData(), delivery.constData());
        const PhotoPtr before = readPhoto(file);
        QCOMPARE(run({"clean", QString::fromStdString(file), "--take", "bm3d-quick", "--into",
                      QString::fromStdString(file)}),
                 0);
        const PhotoPtr after = readPhoto(file);
        QVERIFY(after->developed);
        QCOMPARE(after->width(), before->width());
        QCOMPARE(after->height(), before->height());
        QCOMPARE(after->bits, before->bits);
        QVERIFY(!before->ownProfile.empty());
        QVERIFY(after->ownProfile == before->ownProfile);
        const Export was = handbackOf(before, {}), is = handbackOf(after, {});
        QVERIFY2(was.delivery == is.delivery, (textOf(was.delivery) + " " + textOf(is.delivery)).c_str());
        const Delivery asked = deliveryFromText(delivery.toStdString());
        QCOMPARE(was.delivery.format, asked.format);
        QCOMPARE(was.delivery.bits, asked.format == ExportFormat::Jpeg ? 8 : asked.bits);
        if (asked.format == ExportFormat::Tiff) QCOMPARE(was.delivery.packing, asked.packing);
        if (asked.format == ExportFormat::Jpeg) QVERIFY(std::abs(was.delivery.quality - asked.quality) <= 1);
        if (asked.format != ExportFormat::Png) QCOMPARE(was.delivery.dpi, asked.dpi);
        // Clean, and of the same colours.
        QVERIFY(unrestOf(*after) < 0.6 * unrestOf(*before));
        const auto a = meansOf(*before), b = meansOf(*after);
        for (std::size_t c = 0; c < 3; ++c)
            QVERIFY2(std::abs(b[c] / a[c] - 1) < 0.03,
                     qPrintable(QStringLiteral("%1 %2").arg(a[c]).arg(b[c])));
    }
    void whatNothingIsDoneToStaysAsItWas() {
        const std::string file = copy("same.tif", "tiff,space=adobe,bits=16");
        const PhotoPtr before = readPhoto(file);
        exportFile(handbackOf(before, Settings::original()), file);
        const PhotoPtr after = readPhoto(file);
        int most = 0;
        for (std::size_t i = 0; i < before->samples.size(); ++i)
            most = std::max(most, std::abs(before->samples[i] - after->samples[i]));
        QVERIFY2(most <= 16, qPrintable(QString::number(most))); // of 65535: there and back through a profile
    }
    void cancelledItIsUntouched() {
        const std::string file = copy("stopped.tif", "tiff,bits=16");
        const std::string before = bytesOf(file);
        std::stop_source stop;
        stop.request_stop();
        QVERIFY_EXCEPTION_THROWN(
            exportFile(handbackOf(readPhoto(file), Settings{"wavelet"}), file, {stop.get_token()}),
            Cancelled);
        QVERIFY(bytesOf(file) == before);
        QCOMPARE(QDir(folder_.path()).entryList({".*"}, QDir::Files | QDir::Hidden).filter("stopped").size(),
                 0);
    }
    void aRawIsNeverReplaced() {
        const std::string before = bytesOf(one_.toStdString());
        QByteArray errors;
        QCOMPARE(run({"clean", one_, "--take", "wavelet", "--into", one_, "--overwrite"}, &errors), 1);
        QVERIFY2(errors.contains("original"), errors.constData());
        QVERIFY(bytesOf(one_.toStdString()) == before);
        const QString to = folder_.filePath("asked-for.dng");
        QCOMPARE(run({"clean", one_, "--take", "wavelet", "--into", to}), 0);
        QVERIFY(readPhoto(to.toStdString(), {}, Measure::Nothing)->hasMosaic());
        // What is there already is kept.
        QCOMPARE(run({"clean", one_, "--take", "wavelet", "--into", to}), 1);
        QCOMPARE(handbackTarget(*readPhoto(one_.toStdString(), {}, Measure::Nothing)),
                 std::filesystem::path(folder_.filePath("one-clean.dng").toStdString()));
    }
    void wrongUse() {
        QCOMPARE(run({"clean", one_, two_, "--take", "wavelet", "--into", "x.dng"}), 2);
        QCOMPARE(run({"clean", one_, "--take", "wavelet", "--into", "x.dng", "--format", "tiff"}), 2);
    }
    void byOneKeyInTheWindow() {
        const std::string file = copy("asked.tif", "tiff,space=adobe,bits=16");
        const std::string before = bytesOf(file);
        Window window;
        window.takeForReturn(QString::fromStdString(file), {});
        window.show();
        QTRY_VERIFY(window.document().photo());
        QTRY_VERIFY(window.exportBar().message().contains("asked.tif"));
        auto* give = window.findChild<QPushButton*>("export");
        QVERIFY(give->text().contains("Return"));
        QVERIFY(!window.handedBack());
        QTest::keyClick(&window, Qt::Key_Return, Qt::ControlModifier);
        QVERIFY(QTest::qWaitFor([&] { return window.handedBack(); }, 120000));
        QTRY_VERIFY(!window.isVisible());
        QVERIFY(bytesOf(file) != before);
        QVERIFY(readPhoto(file)->ownProfile == iccProfile(OutputSpace::AdobeRgbCompatible));
        // Nothing else is left: no sidecar, no session.
        QVERIFY(!QFile::exists(QString::fromStdString(file + ".irenic.json")));
    }
    // Files go to the queue first, and the photo back once they are there; where one fails it stays.
    void afterWhatIsQueued() {
        qputenv("XDG_STATE_HOME", (folder_.path() + "/state").toUtf8());
        const std::string file = copy("queued.tif", "tiff,bits=16");
        const std::string before = bytesOf(file);
        Window window;
        window.takeForReturn(QString::fromStdString(file), {});
        window.show();
        QTRY_VERIFY(window.document().photo() && window.document().chosen() == 0);
        window.document().setSettings(0, Settings{"wavelet"});
        window.exportBar().queueButton()->setChecked(true);
        Drawer& drawer = window.drawer();
        const auto asked = [&](const char* delivery) {
            drawer.setDelivery(deliveryFromText(delivery));
            for (QAction* a : drawer.findChild<QToolButton*>("deliverThen")->menu()->actions())
                if (a->text() == QLatin1String("Return the photo and close")) a->trigger();
            QCOMPARE(drawer.findChild<QToolButton*>("deliverThen")->text(), QStringLiteral("Then: return"));
            drawer.deliver();
        };
        asked("jpeg,name={stem}-lost,folder=/dev/null/nowhere");
        QTRY_VERIFY(window.exportBar().message().contains("Not returned"));
        QVERIFY(!window.handedBack() && window.isVisible() && bytesOf(file) == before);
        asked("jpeg,name={stem}-small");
        QVERIFY(QTest::qWaitFor([&] { return window.handedBack(); }, 120000));
        QTRY_VERIFY(!window.isVisible());
        QVERIFY(QFile::exists(folder_.path() + "/queued-small.jpg") && bytesOf(file) != before);
    }
    void closedWithoutItNothingIsWritten() {
        const std::string file = copy("left.tif", "tiff,bits=16");
        const std::string before = bytesOf(file);
        Window window;
        window.takeForReturn(QString::fromStdString(file), {});
        window.show();
        QTRY_VERIFY(window.document().photo());
        window.close();
        QVERIFY(!window.handedBack());
        QVERIFY(bytesOf(file) == before);
    }
};

QTEST_MAIN(TestHandback)
#include "handback.moc"
