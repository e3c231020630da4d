// Takes as layers of one file: read back by libraries that are not ours.
#include <QFile>
#include <QProcess>
#include <QTest>
#include <opencv2/imgcodecs.hpp>

#include "deliver/export.h"
#include "deliver/layers.h"
#include "measure/open.h"
#include "support.h"

using namespace irenic;

namespace fs = std::filesystem;

class TestLayers : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    PhotoPtr photo_;
    const std::vector<PictureLayer> layers_ = {{"Original", Settings::original()},
                                               {"A <wavelet> & \"more\"", {"wavelet"}},
                                               {"B bm3d", {"bm3d", 1.2f}}};

    fs::path in(const char* name) const { return folder_.filePath(QLatin1String(name)).toStdString(); }
    // What Python's own zip and XML say of the archive, which is unpacked into `to`.
    static QString described(const fs::path& file, const fs::path& to) {
        QProcess python;
        python.start(QStringLiteral("/usr/bin/python3"),
                     {QStringLiteral("-c"), QStringLiteral(R"(
import sys, zipfile, xml.etree.ElementTree as tree
z = zipfile.ZipFile(sys.argv[1])
assert z.testzip() is None
first = z.infolist()[0]
assert first.filename == 'mimetype' and first.compress_type == zipfile.ZIP_STORED and first.header_offset == 0
assert z.read('mimetype') == b'image/openraster'
z.extractall(sys.argv[2])
image = tree.fromstring(z.read('stack.xml'))
assert image.tag == 'image' and z.getinfo('mergedimage.png') and z.getinfo('Thumbnails/thumbnail.png')
print(image.get('w'), image.get('h'))
for layer in image.find('stack'):
    assert z.getinfo(layer.get('src'))
    print(layer.get('src'), layer.get('name'))
)"),
                      QString::fromStdString(file.string()), QString::fromStdString(to.string())});
        python.waitForFinished();
        return python.exitCode() == 0 ? QString::fromUtf8(python.readAllStandardOutput())
                                      : QString::fromUtf8(python.readAllStandardError());
    }

  private slots:
    void initTestCase() {
        const std::string file = test::writeShot(folder_, "mill.dng", test::shoot(6400).photo);
        photo_ = readPhoto(file);
    }
    void layersAreTheTakesAsTheyAreExported() {
        const Look look = lookFromText("exposure=0.4");
        exportLayers(photo_, look, layers_, in("takes.ora"));
        const QString said = described(in("takes.ora"), in("unpacked"));
        const QStringList lines = said.trimmed().split(QLatin1Char('\n'));
        QCOMPARE(lines.size(), 4);
        Export what{recipeOf(photo_, {}, look), {}};
        what.delivery.format = ExportFormat::Png;
        const Rect frame = outputFrame(*photo_, look);
        QCOMPARE(lines[0], QStringLiteral("%1 %2").arg(frame.width).arg(frame.height));
        QCOMPARE(lines[1], QStringLiteral("data/layer2.png B bm3d")); // the uppermost first
        QCOMPARE(lines[2], QStringLiteral("data/layer1.png A <wavelet> & \"more\""));
        QCOMPARE(lines[3], QStringLiteral("data/layer0.png Original"));
        for (std::size_t i = 0; i < layers_.size(); ++i) {
            what.recipe.settings = layers_[i].settings;
            const fs::path alone = in(("alone-" + std::to_string(i) + ".png").c_str());
            exportFile(what, alone);
            const cv::Mat own =
                cv::imread((in("unpacked") / "data" / ("layer" + std::to_string(i) + ".png")).string(),
                           cv::IMREAD_UNCHANGED);
            const cv::Mat wanted = cv::imread(alone.string(), cv::IMREAD_UNCHANGED);
            QVERIFY(own.type() == CV_16UC3 && own.size() == wanted.size());
            QCOMPARE(cv::norm(own, wanted, cv::NORM_INF), 0.0);
        }
        const cv::Mat merged =
                          cv::imread((in("unpacked") / "mergedimage.png").string(), cv::IMREAD_UNCHANGED),
                      top =
                          cv::imread((in("unpacked") / "data" / "layer2.png").string(), cv::IMREAD_UNCHANGED),
                      small = cv::imread((in("unpacked") / "Thumbnails" / "thumbnail.png").string());
        QCOMPARE(cv::norm(merged, top, cv::NORM_INF), 0.0);
        QVERIFY(std::max(small.cols, small.rows) == 256 && small.depth() == CV_8U);
    }
    // Nothing is left behind by one that was stopped, and nothing that is there is replaced.
    void wholeOrNotAtAll() {
        std::stop_source stop;
        stop.request_stop();
        QVERIFY_EXCEPTION_THROWN(
            exportLayers(photo_, {}, layers_, in("stopped.ora"), {stop.get_token(), nullptr}), Cancelled);
        QFile there(folder_.filePath(QStringLiteral("there.ora")));
        QVERIFY(there.open(QIODevice::WriteOnly));
        there.write("somebody's work");
        there.close();
        QVERIFY_EXCEPTION_THROWN(exportLayers(photo_, {}, layers_, in("there.ora")), ExportError);
        QVERIFY_EXCEPTION_THROWN(exportLayers(photo_, {}, layers_, photo_->file), ExportError);
        QVERIFY_EXCEPTION_THROWN(exportLayers(photo_, {}, layers_, in("nowhere/takes.ora")), ExportError);
        QVERIFY_EXCEPTION_THROWN(exportLayers(photo_, {}, {{"bad", {"no-such-method"}}}, in("bad.ora")),
                                 ExportError);
        QVERIFY(there.open(QIODevice::ReadOnly));
        QCOMPARE(there.readAll(), QByteArray("somebody's work"));
        for (const auto& entry : fs::directory_iterator(folder_.path().toStdString()))
            QVERIFY(entry.path().filename() != "stopped.ora" && entry.path().filename() != "bad.ora");
    }
    void onTheCommandLine() {
        const QString cli = qEnvironmentVariable("IRENIC_CLI"),
                      file = QString::fromStdString(photo_->file.string()),
                      out = folder_.filePath(QStringLiteral("cli.ora"));
        const QStringList arguments = {"layers",   file, "--take", "wavelet", "--take", "bm3d,luminance=1.2",
                                       "--output", out};
        QCOMPARE(QProcess::execute(cli, arguments), 0);
        QVERIFY(described(out.toStdString(), in("cli")).contains("layer2.png bm3d,luminance=1.2"));
        QVERIFY(QProcess::execute(cli, arguments) != 0); // it is there
    }
};

QTEST_APPLESS_MAIN(TestLayers)
#include "layers.moc"
