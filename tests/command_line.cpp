// The contract of irenic-cli, by running it.
#include <QImage>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QTest>

#include "deliver/xmp.h"
#include "measure/open.h"
#include "raw/identity.h"
#include "session/sidecar.h"
#include "support.h"

using namespace irenic;

class TestCommandLine : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    QString mill_;

    struct Result {
        int status;
        QByteArray out, err;
    };
    static Result run(const QStringList& arguments) {
        QProcess p;
        p.start(qEnvironmentVariable("IRENIC_CLI"), arguments);
        p.waitForFinished(120000);
        return {p.exitStatus() == QProcess::NormalExit ? p.exitCode() : -1, p.readAllStandardOutput(),
                p.readAllStandardError()};
    }
    QString in(const char* name) { return folder_.filePath(QString::fromLatin1(name)); }

  private slots:
    void initTestCase() {
        mill_ = QString::fromStdString(test::writeShot(folder_, "mill.dng", test::shoot(12800).photo));
    }
    void methodsAsJson() {
        const Result r = run({"methods", "--json"});
        QCOMPARE(r.status, 0);
        QStringList ids;
        for (const QJsonValue v : QJsonDocument::fromJson(r.out).array()) {
            ids << v["id"].toString();
            QVERIFY(!v["name"].toString().isEmpty() && !v["summary"].toString().isEmpty());
        }
        for (const char* id : {"wavelet", "nlm", "bm3d"}) QVERIFY(ids.contains(QLatin1String(id)));
    }
    void stateAndTakes() {
        QCOMPARE(run({"state", mill_}).out.contains("nothing is saved"), true);
        PhotoState state = freshState();
        state.takes[1].settings = settingsFromText("wavelet,luminance=0.7,grain=0.1");
        state.chosen = state.takes[1].id;
        state.look.exposure = 0.5f;
        const PhotoPtr photo = readPhoto(mill_.toStdString(), {}, Measure::Nothing);
        saveSidecar(mill_.toStdString(), samplesDigestOf(*photo),
                    {std::make_shared<PhotoState>(state), {}, {}});
        const Result r = run({"state", mill_, "--json"});
        QCOMPARE(r.status, 0);
        const QJsonObject kept = QJsonDocument::fromJson(r.out).array()[0].toObject()["state"].toObject();
        QCOMPARE(kept["takes"].toArray()[1].toObject()["settings"].toObject()["grain"].toDouble(), 0.1);
        QCOMPARE(kept["chosen"].toInt(), static_cast<int>(state.chosen));
        // What the window has chosen, on the command line.
        QCOMPARE(
            run({"clean", mill_, "--take", mill_ + ".irenic.json", "--output", in("by-sidecar.dng")}).status,
            0);
        QCOMPARE(
            run({"clean", mill_, "--take", "wavelet,luminance=0.7,grain=0.1", "--output", in("by-text.dng")})
                .status,
            0);
        QVERIFY(settingsIn(in("by-sidecar.dng").toStdString()) == state.takes[1].settings);
        QVERIFY(readPhoto(in("by-sidecar.dng").toStdString(), {}, Measure::Nothing)->samples ==
                readPhoto(in("by-text.dng").toStdString(), {}, Measure::Nothing)->samples);
        QCOMPARE(run({"clean", mill_, "--take", "sieve", "--output", in("never.dng")}).status, 2);
        QCOMPARE(run({"clean", mill_, "--take", "wavelet", "--recommended"}).status, 2);
        QFile::remove(mill_ + ".irenic.json");
    }
    void inspectAsJson() {
        const Result r = run({"inspect", mill_, in("gone.dng"), "--json"});
        QCOMPARE(r.status, 1);
        const QJsonArray all = QJsonDocument::fromJson(r.out).array();
        QCOMPARE(all.size(), 2);
        const QJsonObject o = all[0].toObject();
        QCOMPARE(o["file"].toString(), mill_);
        for (const char* key :
             {"camera", "iso", "exposure", "width", "height", "mosaic", "black", "white", "neutral", "noise"})
            QVERIFY2(o.contains(QLatin1String(key)), key);
        QCOMPARE(o["iso"].toDouble(), 12800.0);
        QCOMPARE(o["mosaic"].toString(), QStringLiteral("RGGB"));
        QCOMPARE(o["noise"]["measured"].toArray().size(), 4);
        QCOMPARE(o["noise"]["measured"][0]["channel"].toString(), QStringLiteral("R"));
        QVERIFY(o["noise"]["measured"][0]["a"].toDouble() > 0);
        QVERIFY(o["noise"]["stated"].isArray());
        QVERIFY(all[1]["error"].toString().contains(QLatin1String("gone.dng")));
        QVERIFY(r.err.contains("gone.dng"));
    }
    void cleanDoesTheOthersWhenOneFails() {
        const Result r =
            run({"clean", in("gone.dng"), mill_, "--method", "wavelet", "--out", in("out"), "--json"});
        QCOMPARE(r.status, 1);
        QVERIFY(r.err.contains("gone.dng"));
        QVERIFY(QFile::exists(in("out/mill-clean.dng")));
        // One object in a line for each.
        const QList<QByteArray> lines = r.out.trimmed().split('\n');
        QCOMPARE(lines.size(), 2);
        QVERIFY(QJsonDocument::fromJson(lines[0]).object().contains("error") &&
                QJsonDocument::fromJson(lines[1]).object().contains("output"));
        QCOMPARE(run({"clean", mill_, "--method", "wavelet", "--out", in("out")}).status, 1);
        QCOMPARE(run({"clean", mill_, "--method", "wavelet", "--out", in("out"), "--overwrite"}).status, 0);
    }
    void cleanNeverWritesToAnInput() {
        QFile f(mill_);
        QVERIFY(f.open(QIODevice::ReadOnly));
        const QByteArray before = f.readAll();
        QCOMPARE(run({"clean", mill_, "--method", "nlm", "--output", mill_, "--overwrite"}).status, 1);
        f.seek(0);
        QCOMPARE(f.readAll(), before);
    }
    void cleanToTiff() {
        QCOMPARE(run({"clean", mill_, "--method", "nlm", "--luminance", "0.5", "--grain", "0.1", "--format",
                      "tiff", "--output", in("a.tif")})
                     .status,
                 0);
        QVERIFY(QFile::exists(in("a.tif")));
    }
    void cleanWithALook() {
        const auto brightness = [&](const char* look, const char* file) {
            if (run({"clean", mill_, "--method", "wavelet", "--format", "jpeg", "--look", look, "--output",
                     in(file)})
                    .status != 0)
                return -1;
            const QImage image =
                QImage(in(file)).scaled(1, 1, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
            return qGreen(image.pixel(0, 0));
        };
        const int plain = brightness("", "plain.jpg"),
                  lifted = brightness("exposure=1,softness=fine,curve=0:0;0.5:0.6;1:1", "lifted.jpg");
        QVERIFY2(plain > 0 && lifted > plain + 15,
                 qPrintable(QStringLiteral("%1 %2").arg(plain).arg(lifted)));
        QCOMPARE(run({"clean", mill_, "--method", "wavelet", "--look", "warmth=3", "--output", in("bad.dng")})
                     .status,
                 2);
        QVERIFY(!QFile::exists(in("bad.dng")));
    }
    // A name that makes the result the original is refused as that, and a number that is none as that.
    void misleadingNamesAndNumbers() {
        const Result own = run({"clean", mill_, "--method", "wavelet", "--name", "{stem}"});
        QVERIFY2(own.status == 1 && own.err.contains("Cannot name the export"), own.err);
        for (const QStringList& a :
             {QStringList{"demo-data", in("nan"), "--scale", "nan"},
              {"sheet", mill_, "--take", "nlm", "--zoom", "nan", "--output", in("n.png")},
              {"sheet", mill_, "--take", "nlm", "--push", "inf", "--output", in("n.png")},
              {"clean", mill_, "--method", "nlm", "--luminance", "nan", "--output", in("n.dng")},
              {"clean", mill_, "--method", "nlm", "--format", "jpeg", "--quality", "nan"}}) {
            const Result r = run(a);
            QVERIFY2(r.status == 2 && !r.err.isEmpty() && r.err.size() < 400,
                     qPrintable(a.join(' ') + r.err));
        }
        QVERIFY(!QFile::exists(in("nan")) && !QFile::exists(in("n.png")));
    }
    // A sidecar stands for its photo.
    void sidecarsStandForTheirPhotos() {
        QFile sidecar(mill_ + ".irenic.json");
        QVERIFY(sidecar.open(QIODevice::WriteOnly) && sidecar.write("{\"irenic\":1}") > 0);
        sidecar.close();
        QCOMPARE(run({"clean", sidecar.fileName(), "--method", "wavelet", "--output", in("of-sidecar.dng")})
                     .status,
                 0);
        QFile::remove(sidecar.fileName());
    }
    // Profiles, XMP and Exif that a JPEG cannot hold cost a note at most; an end in the midst of it frees
    // nothing twice.
    void largeNotesNeverCostThePicture() {
        Photo photo = test::shoot(6400).photo;
        std::string packet =
            "<x:xmpmeta xmlns:x=\"adobe:ns:meta/\"><rdf:RDF xmlns:rdf=\"http://www.w3.org/1999/02/"
            "22-rdf-syntax-ns#\"><rdf:Description rdf:about=\"\" xmlns:t=\"urn:tide\" t:text=\"" +
            std::string(200000, 'w') + "\"/></rdf:RDF></x:xmpmeta>";
        photo.metadata.main.push_back(
            {0x02bc, 1, static_cast<std::uint32_t>(packet.size()), {packet.begin(), packet.end()}});
        photo.metadata.exif.push_back(
            {0x9286, 7, 150000, std::vector<std::uint8_t>(150000, 'c')}); // UserComment
        const QString file = QString::fromStdString(test::writeShot(folder_, "notes.dng", photo));
        for (const char* format : {"jpeg", "tiff", "png", "jxl", "dng"}) {
            const QString out = in("notes-out.") + format;
            const Result r =
                run({"clean", file, "--method", "wavelet", "--format", format, "--output", out, "--json"});
            QVERIFY2(r.status == 0, r.err);
            QVERIFY(settingsIn(out.toStdString()).has_value());
            const bool left = r.out.contains("left out");
            QCOMPARE(left, QByteArray(format) == "jpeg");
        }
        // A photo is no profile; a profile of megabytes is.
        const Result wrong = run({"clean", mill_, "--method", "wavelet", "--format", "jpeg", "--profile",
                                  mill_, "--output", in("wrong.jpg")});
        QVERIFY2(wrong.status == 1 && wrong.err.contains("profile"), wrong.err);
        QVERIFY(!QFile::exists(in("wrong.jpg")));
    }
    void wrongUsage() {
        for (const QStringList& a :
             {QStringList{},
              {"sing"},
              {"clean", mill_},
              {"clean", mill_, "--method", "broom"},
              {"clean", mill_, "--method", "nlm", "--luminance", "7"},
              {"clean", mill_, "--method", "nlm", "--format", "bmp"},
              {"sheet", mill_, "--take", "nlm,loud=1", "--output", in("s.png")},
              {"sheet", mill_, "--take", "nlm", "--probe", "1,2,3", "--output", in("s.png")},
              {"mask", mill_, "--zone", "wet", "--output", in("m.png")},
              {"mask", mill_, "--output", in("m.png")},
              {"sheet", mill_, "--take", "nlm", "--probe", "470,2,30,30", "--output", in("s.png")}}) {
            const Result r = run(a);
            QVERIFY2(r.status == 2, qPrintable(a.join(QLatin1Char(' '))));
            QVERIFY(!r.err.isEmpty() || !r.out.isEmpty());
        }
        QCOMPARE(run({"--help"}).status, 0);
    }
    // A take has its zones on the command line too, painted ones among them.
    void zonesAreTakenAndShown() {
        const QString take =
            "wavelet,zone=dark,luminance=1.3,zone=painted,luminance=0,strokes=+40~0.5:60 60 90 80";
        QCOMPARE(run({"clean", mill_, "--take", take, "--output", in("zoned.dng")}).status, 0);
        const auto made = settingsIn(in("zoned.dng").toStdString());
        QVERIFY(made && made->zones.size() == 2 && made->zones[1].strokes.size() == 1);
        QCOMPARE(run({"mask", mill_, "--zone", "not-dark", "--output", in("mask.png")}).status, 0);
        const QImage mask(in("mask.png"));
        const PhotoPtr photo = readPhoto(mill_.toStdString());
        QCOMPARE(mask.size(), QSize(photo->width(), photo->height()));
        // What is there is not replaced unasked, and only what is a picture of ours is.
        QCOMPARE(run({"mask", mill_, "--zone", "dark", "--output", in("mask.png")}).status, 1);
        QCOMPARE(run({"mask", mill_, "--zone", "dark", "--output", in("mask.png"), "--overwrite"}).status, 0);
    }
    void sheetAsPicture() {
        QCOMPARE(run({"sheet", mill_, "--take", "bm3d,luminance=1,colour=1.2", "--take", "wavelet", "--probe",
                      "40,40,60,50", "--probe", "200,100,60,50", "--zoom", "2", "--output", in("sheet.png")})
                     .status,
                 0);
        const QImage sheet(in("sheet.png"));
        QVERIFY(sheet.width() >= 3 * 120 && sheet.height() >= 2 * 100);
        QVERIFY(sheet.width() < 3 * 120 + 60);
    }
    void demoDataIsDeterministic() {
        QCOMPARE(run({"demo-data", in("d1"), "--scale", "0.06", "--truth"}).status, 0);
        QCOMPARE(run({"demo-data", in("d2"), "--scale", "0.06"}).status, 0);
        QCOMPARE(QDir(in("d1")).entryList({"*.dng"}).size(), 7);
        QCOMPARE(QDir(in("d1")).entryList({"*.truth.f32"}).size(), 7);
        for (const QString& name : QDir(in("d2")).entryList(QDir::Files)) {
            QFile a(in("d1") + QLatin1Char('/') + name), b(in("d2") + QLatin1Char('/') + name);
            QVERIFY(a.open(QIODevice::ReadOnly) && b.open(QIODevice::ReadOnly));
            QCOMPARE(a.readAll(), b.readAll());
        }
    }
};

QTEST_GUILESS_MAIN(TestCommandLine)
#include "command_line.moc"
