#include <libraw/libraw.h>
#include <tiffio.h>

#include <QFile>
#include <QProcess>
#include <QTest>

#include "deliver/developed_rows.h"
#include "deliver/estimate.h"
#include "deliver/export.h"
#include "deliver/formats.h"
#include "deliver/tiff.h"
#include "deliver/xmp.h"
#include "measure/open.h"
#include "support.h"

using namespace irenic;

namespace {

Export exportOf(const PhotoPtr& photo, const Settings& settings, ExportFormat format, bool replace = false) {
    Export what{recipeOf(photo, settings), {}, {}, false};
    what.delivery.format = format;
    if (replace) what.delivery.conflict = Conflict::Replace;
    return what;
}

} // namespace

class TestDelivery : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    PhotoPtr photo_;

    std::filesystem::path in(const char* name) {
        return folder_.filePath(QString::fromLatin1(name)).toStdString();
    }
    static QByteArray bytesOf(const std::filesystem::path& p) {
        QFile f(QString::fromStdString(p.string()));
        f.open(QIODevice::ReadOnly);
        return f.readAll();
    }
    int filesInFolder() {
        return static_cast<int>(QDir(folder_.path()).entryList(QDir::Files | QDir::Hidden).size());
    }

  private slots:
    void initTestCase() {
        const auto s = test::shoot(12800, "GRBG");
        photo_ = readPhoto(test::writeShot(folder_, "mill.dng", s.photo));
    }
    void withoutStrengthADngIsTheOriginal() {
        exportFile(exportOf(photo_, Settings::original(), ExportFormat::Dng), in("same.dng"));
        const PhotoPtr back = readPhoto(in("same.dng"));
        QCOMPARE(back->samples, photo_->samples);
        QVERIFY(back->statedNoise.has_value());
    }
    void aDngStaysARaw() {
        exportFile(exportOf(photo_, {"nlm", 1, 1, 0.2f, 0.1f}, ExportFormat::Dng), in("clean.dng"));
        LibRaw a, b;
        QCOMPARE(a.open_file(photo_->file.c_str()), 0);
        QCOMPARE(b.open_file(in("clean.dng").c_str()), 0);
        QCOMPARE(b.unpack(), 0);
        QVERIFY(std::equal(&a.imgdata.color.cam_mul[0], &a.imgdata.color.cam_mul[4],
                           &b.imgdata.color.cam_mul[0]));
        QVERIFY(std::equal(&a.imgdata.color.cam_xyz[0][0], &a.imgdata.color.cam_xyz[0][0] + 12,
                           &b.imgdata.color.cam_xyz[0][0]));
        QCOMPARE(b.imgdata.color.black, a.imgdata.color.black);
        QCOMPARE(b.imgdata.color.maximum, a.imgdata.color.maximum);
        QCOMPARE(b.imgdata.idata.filters, a.imgdata.idata.filters);
        QCOMPARE(b.imgdata.other.iso_speed, 12800.0f);
        QCOMPARE(b.imgdata.other.shutter, a.imgdata.other.shutter);
        QVERIFY(b.imgdata.thumbnail.tlength > 0);

        const PhotoPtr back = readPhoto(in("clean.dng"));
        // What is left of the noise, which is a small part.
        QVERIFY(back->statedNoise.has_value());
        QVERIFY(back->statedNoise->channel[1].sigma(0.1) < 0.5 * photo_->noise.channel[1].sigma(0.1));
        QVERIFY(back->crop == photo_->crop && back->taken == photo_->taken && back->lens == photo_->lens);
        const auto sum = [](const Photo& p) {
            return std::accumulate(p.samples.begin(), p.samples.end(), 0.0);
        };
        QVERIFY(std::abs(sum(*back) / sum(*photo_) - 1) < 0.002);
        const auto settings = settingsIn(in("clean.dng"));
        QVERIFY(settings.has_value());
        QVERIFY((*settings == Settings{"nlm", 1, 1, 0.2f, 0.1f}));
        QVERIFY(!settingsIn(photo_->file).has_value());
    }
    void beyondFourGigabytesItIsABigTiff() {
        Export what = exportOf(photo_, {"wavelet"}, ExportFormat::Tiff);
        auto target = in("plain-size.tif");
        exportFile(what, target);
        const auto big = in("big-size.tif");
        writeTiff(big, what, {}, {}, 1000); // as if that were the most
        std::ifstream file(big, std::ios::binary);
        char head[4] = {};
        file.read(head, 4);
        QCOMPARE(QByteArray(head, 4).toHex(), QByteArray("49492b00")); // version 43: BigTIFF
        QVERIFY(readPhoto(big)->samples == readPhoto(target)->samples);
        TIFF* t = TIFFOpen(big.c_str(), "r");
        QVERIFY(t);
        char* make = nullptr;
        QCOMPARE(TIFFGetField(t, TIFFTAG_MAKE, &make), 1);
        QCOMPARE(QByteArray(make), QByteArray(photo_->make.c_str()));
        TIFFClose(t);
    }
    void aTiffIsThePicture_data() {
        QTest::addColumn<int>("space");
        QTest::addColumn<bool>("zip");
        QTest::newRow("sRGB zip") << 0 << true;
        QTest::newRow("Adobe RGB compatible") << 1 << false;
        QTest::newRow("ProPhoto compatible zip") << 2 << true;
    }
    void aTiffIsThePicture() {
        QFETCH(int, space);
        QFETCH(bool, zip);
        const auto target = in(QTest::currentDataTag()).replace_extension(".tif");
        const auto where = static_cast<OutputSpace>(space);
        const Settings settings{"wavelet", 1, 1, 0, 0};
        Export what = exportOf(photo_, settings, ExportFormat::Tiff);
        what.delivery.space = where, what.delivery.packing = zip ? Packing::Packed : Packing::None;
        exportFile(what, target);
        TIFF* t = TIFFOpen(target.c_str(), "r");
        QVERIFY(t);
        std::uint32_t width = 0, size = 0;
        std::uint16_t bits = 0, compression = 0;
        void* profile = nullptr;
        TIFFGetField(t, TIFFTAG_IMAGEWIDTH, &width);
        TIFFGetField(t, TIFFTAG_BITSPERSAMPLE, &bits);
        TIFFGetField(t, TIFFTAG_COMPRESSION, &compression);
        QVERIFY(TIFFGetField(t, TIFFTAG_ICCPROFILE, &size, &profile) && size > 200);
        QCOMPARE(static_cast<int>(width), photo_->crop.width);
        QCOMPARE(bits, std::uint16_t(16));
        QCOMPARE(compression == COMPRESSION_NONE, !zip);
        // Row 100 is what the pipeline gives.
        std::vector<std::uint16_t> row(width * 3);
        for (std::uint32_t y = 0; y <= 100; ++y) QCOMPARE(TIFFReadScanline(t, row.data(), y, 0), 1);
        TIFFClose(t);
        auto rgb =
            developRegion(recipeOf(*photo_, settings, {}),
                          {photo_->crop.x, photo_->crop.y + 100, photo_->crop.width, 1}, kWorkingSpace);
        Finish(*photo_, {}, where).apply(rgb[0].row(0), rgb[1].row(0), rgb[2].row(0), photo_->crop.width);
        for (int x = 0; x < photo_->crop.width; ++x)
            for (std::size_t c = 0; c < 3; ++c)
                QVERIFY(std::abs(row[static_cast<std::size_t>(x) * 3 + c] / 65535.0f - rgb[c].at(x, 0)) <
                        1e-5f);
    }
    void theOriginalIsNeverOverwritten() {
        const QByteArray before = bytesOf(photo_->file);
        for (const bool overwrite : {false, true})
            for (const std::filesystem::path& target :
                 {photo_->file, std::filesystem::path(folder_.path().toStdString() + "/./mill.dng")})
                QVERIFY_EXCEPTION_THROWN(
                    exportFile(exportOf(photo_, {}, ExportFormat::Dng, overwrite), target), ExportError);
        QCOMPARE(bytesOf(photo_->file), before);
    }
    void existingFilesAreKept() {
        QFile f(QString::fromStdString(in("there.dng").string()));
        QVERIFY(f.open(QIODevice::WriteOnly));
        f.write("mine");
        f.close();
        QVERIFY_EXCEPTION_THROWN(
            exportFile(exportOf(photo_, {"wavelet"}, ExportFormat::Dng), in("there.dng")), ExportError);
        QCOMPARE(bytesOf(in("there.dng")), QByteArray("mine"));
        // What Irenic did not make is never replaced, whoever asks for it; what it made is.
        QVERIFY_EXCEPTION_THROWN(
            exportFile(exportOf(photo_, {"wavelet"}, ExportFormat::Dng, true), in("there.dng")), ExportError);
        QCOMPARE(bytesOf(in("there.dng")), QByteArray("mine"));
        QVERIFY(QFile::remove(QString::fromStdString(in("there.dng").string())));
        exportFile(exportOf(photo_, {"wavelet"}, ExportFormat::Dng, true), in("there.dng"));
        const QByteArray first = bytesOf(in("there.dng"));
        exportFile(exportOf(photo_, {"wavelet", 0.5f}, ExportFormat::Dng, true), in("there.dng"));
        QVERIFY(bytesOf(in("there.dng")) != first);
    }
    void cancellingLeavesNothing() {
        const int before = filesInFolder();
        std::stop_source stop;
        stop.request_stop();
        for (const auto format : {ExportFormat::Dng, ExportFormat::Tiff})
            QVERIFY_EXCEPTION_THROWN(
                exportFile(exportOf(photo_, {"bm3d"}, format), in("never.dng"), Work{stop.get_token()}),
                Cancelled);
        QCOMPARE(filesInFolder(), before);
    }
    void unwritablePlacesSayWhy() {
        try {
            exportFile(exportOf(photo_, {"wavelet"}, ExportFormat::Dng), photo_->file / "below" / "x.dng");
            QFAIL("was written");
        } catch (const ExportError& e) {
            QVERIFY2(std::string(e.what()).find("x.dng") == 0, e.what());
        }
    }
    void freeNames() {
        QCOMPARE(freeName(in("unused.dng")), in("unused.dng"));
        QCOMPARE(freeName(photo_->file).filename().string(), std::string("mill-2.dng"));
        Delivery d;
        d.format = ExportFormat::Tiff, d.folder = "/x";
        NameParts parts;
        parts.original = photo_->file;
        QCOMPARE(targetOf(d, parts).string(), std::string("/x/mill-clean.tif"));
    }
    void namesFollowTheirPattern() {
        NameParts p;
        p.original = "/quay/mill-03.dng", p.letter = "B", p.take = "soft / calm", p.method = "bm3d",
        p.iso = 12800;
        p.taken = "2026:01:15 22:10:00", p.counter = 7, p.version = 2;
        QCOMPARE(nameFrom("{stem}_{letter}-{method}-{iso}-{date}-{counter}-v{version}", p),
                 std::string("mill-03_B-bm3d-12800-2026-01-15-007-v2"));
        QCOMPARE(nameFrom("{take}", p), std::string("soft - calm"));
        QCOMPARE(nameFrom("../{stem}", p), std::string("-mill-03"));
        QCOMPARE(nameFrom("{tide}", p), std::string("{tide}"));
        Delivery d;
        d.folder = "web";
        QCOMPARE(targetOf(d, p).string(), std::string("/quay/web/mill-03-clean.dng"));
    }
    void deliveriesAsTextAndBack() {
        Delivery d;
        QCOMPARE(textOf(d), std::string("dng"));
        d.format = ExportFormat::JpegXl, d.quality = 80, d.longest = 2048, d.name = "a, {stem}",
        d.folder = "we\\b", d.conflict = Conflict::Refuse;
        QVERIFY(deliveryFromText(textOf(d)) == d);
        for (const char* bad : {"bmp", "jpeg,quality=200", "png,bits=32", "tiff,tide=3",
                                "jpeg,name=", "tiff,profile=/nowhere.icc"})
            QVERIFY_EXCEPTION_THROWN(deliveryFromText(bad), std::invalid_argument);
        // Every field goes through text and JSON.
        for (const Field<Delivery>& f : fieldsOf<Delivery>())
            QVERIFY2(f.sentence && std::string(f.sentence).size() > 10, f.id);
    }
    void everyFormatIsWrittenAndReadBack_data() {
        QTest::addColumn<QString>("delivery");
        for (const char* d :
             {"tiff,bits=8", "tiff,bits=8,packing=lzw", "tiff,packing=lzw", "tiff,bits=32",
              "tiff,bits=32,packing=lzw,space=rec2020", "tiff,bits=32,packing=none",
              "tiff,percent=50,dpi=240", "jpeg,quality=60", "jpeg,subsampled=1", "jpeg,longest=200", "png",
              "png,bits=8,space=adobe", "png,percent=37", "jxl", "jxl,quality=100",
              "jxl,quality=70,longest=150", "dng", "dng,packing=none,fullPreview=1", "dng,linear=1"})
            QTest::newRow(d) << QString::fromLatin1(d);
    }
    void everyFormatIsWrittenAndReadBack() {
        QFETCH(QString, delivery);
        Export what = exportOf(photo_, {"wavelet"}, ExportFormat::Dng);
        what.delivery = deliveryFromText(delivery.toStdString());
        std::filesystem::path target = in(("every-" + delivery.toStdString()).c_str());
        target += formatOf(what.delivery.format).ending;
        exportFile(what, target);
        // What it says of how it was made.
        QVERIFY(settingsIn(target).has_value());
        QCOMPARE(markIn(target), markOf(what));
        QProcess tool;
        tool.start("exiftool", {"-s3", "-FileType", QString::fromStdString(target.string())});
        QVERIFY(tool.waitForFinished());
        QVERIFY2(delivery.startsWith(
                     QString::fromUtf8(tool.readAll()).trimmed().toLower().left(3).replace("jpe", "jpe")),
                 "another type");
        tool.start("exiftool", {"-s3", "-ImageWidth", "-Model", QString::fromStdString(target.string())});
        QVERIFY(tool.waitForFinished());
        const QStringList says = QString::fromUtf8(tool.readAll()).split('\n');
        // What the tool does not look into was read back by the writer itself.
        if (what.delivery.format != ExportFormat::Dng && what.delivery.format != ExportFormat::JpegXl) {
            const PictureSize size = sizeOf(what);
            QCOMPARE(says[0].toInt(), size.width);
            if (what.delivery.longest > 0)
                QVERIFY(std::max(size.width, size.height) == static_cast<int>(what.delivery.longest));
        }
        QVERIFY(says.contains("One"));
    }
    // A linear DNG develops to what the photo develops to, and lies where the picture's frame lies.
    void aLinearDngIsTheSamePicture() {
        Export what = exportOf(photo_, {"wavelet"}, ExportFormat::Dng);
        auto target = in("linear.dng");
        what.delivery.linear = true;
        exportFile(what, target);
        const PhotoPtr back = readPhoto(in("linear.dng"));
        QCOMPARE(back->channels, 3);
        QVERIFY(!back->developed);
        const Rect frame = outputFrame(*photo_, {}), area{100, 80, 120, 90};
        QCOMPARE(back->width(), frame.width);
        const Picture a = render(recipeOf(*back, Settings::original(), {}), area, 1),
                      b = render(recipeOf(*photo_, {"wavelet"}, {}), area.translated(frame.x, frame.y), 1);
        double off = 0;
        for (std::size_t i = 0; i < a.rgb.size(); ++i)
            off += std::abs(inEightBits(a.rgb[i]) - inEightBits(b.rgb[i]));
        QVERIFY2(off / static_cast<double>(a.rgb.size()) < 0.6,
                 qPrintable(QString::number(off / static_cast<double>(a.rgb.size()))));
    }
    // The tables of docs/formats.md are made here: with IRENIC_WRITE_DOCS set they are written, else
    // compared.
    void theManualIsMadeHere() {
        QString fields = QStringLiteral(
            "| id | on the screen | values | default | what it does |\n|---|---|---|---|---|\n");
        const Delivery usual;
        for (const Field<Delivery>& f : fieldsOf<Delivery>()) {
            QString values = QStringLiteral("text");
            if (!f.choices.empty()) {
                QStringList all;
                for (const char* c : f.choices) all << QString::fromUtf8(c);
                values = all.join(", ");
            } else if (std::holds_alternative<float Delivery::*>(f.member)) {
                values = QStringLiteral("%1 to %2").arg(f.least).arg(f.most);
            } else if (std::holds_alternative<bool Delivery::*>(f.member)) {
                values = QStringLiteral("0 or 1");
            }
            const QString def = QString::fromStdString(valueText(f, usual));
            fields += QStringLiteral("| `%1` | %2 | %3 | %4 | %5 |\n")
                          .arg(QString::fromUtf8(f.id), QString::fromUtf8(f.label), values,
                               def.isEmpty() ? QStringLiteral("none") : QStringLiteral("`%1`").arg(def),
                               QString::fromUtf8(f.sentence));
        }
        QFile manual(QStringLiteral(IRENIC_DOCS "/formats.md"));
        QVERIFY(manual.open(QIODevice::ReadOnly));
        QString text = QString::fromUtf8(manual.readAll());
        manual.close();
        const QString mark = QStringLiteral("## Every field\n\n");
        const auto at = text.indexOf(mark);
        QVERIFY(at >= 0);
        const QString now = text.left(at + mark.size()) + fields;
        if (qEnvironmentVariableIsSet("IRENIC_WRITE_DOCS")) {
            QVERIFY(manual.open(QIODevice::WriteOnly));
            manual.write(now.toUtf8());
        } else {
            QCOMPARE(text, now);
        }
    }
    // A reduced picture is the full one's area means, and has no more detail than it can hold.
    // Eight bits of a gradient that is finer than their steps: each place is right on average, and nothing
    // stands in bands; what lies on a step stays there.
    void eightBitsAreDithered() {
        constexpr std::size_t kCount = 3000;
        std::vector<float> row(kCount);
        std::vector<std::uint8_t> out(kCount);
        for (const float level : {100.1f, 100.25f, 100.5f, 100.9f}) {
            row.assign(kCount, level / 255);
            double sum = 0, above = 0;
            for (int y = 0; y < 40; ++y) {
                quantise(row.data(), kCount, 8, y, out.data());
                for (const std::uint8_t v : out) {
                    QVERIFY(v == 100 || v == 101);
                    sum += v, above += v == 101;
                }
            }
            QVERIFY(std::abs(sum / (40.0 * kCount) - static_cast<double>(level)) < 0.02);
            QVERIFY(above > 0);
        }
        for (int v = 0; v < 256; ++v) {
            row.assign(kCount, static_cast<float>(v) / 255);
            quantise(row.data(), kCount, 8, v, out.data());
            for (const std::uint8_t o : out) QCOMPARE(int(o), v);
        }
    }
    void reducingKeepsBrightness() {
        Export what = exportOf(photo_, {"wavelet"}, ExportFormat::Png);
        auto target = in("full.png");
        exportFile(what, target);
        what.delivery.percent = 25, target = in("quarter.png");
        exportFile(what, target);
        const PhotoPtr full = readPhoto(in("full.png")), quarter = readPhoto(in("quarter.png"));
        const auto mean = [](const Photo& p) {
            double sum = 0;
            for (const std::uint16_t v : p.samples) sum += v;
            return sum / static_cast<double>(p.samples.size());
        };
        QVERIFY2(std::abs(mean(*quarter) / mean(*full) - 1) < 0.01,
                 qPrintable(QString::number(mean(*quarter) / mean(*full))));
    }
    void sizeAndTimeAreEstimated() {
        // A larger photo, so that its bands are a part of it.
        Body body;
        Shot shot;
        shot.iso = 1600; // the preview of so small a photo would be noise above
        const auto& light = test::lightOf(Scene::SackStore, 1440, 1560);
        const PhotoPtr photo = readPhoto(
            test::writeShot(folder_, "large.dng", takePhoto(exposeMosaic(light, body, shot), body, shot)));
        for (const char* text : {"dng", "tiff", "jpeg,quality=85", "jxl"}) {
            Export what = exportOf(photo_, {"wavelet"}, ExportFormat::Dng);
            auto target = in("estimated");
            what.delivery = deliveryFromText(text), what.delivery.conflict = Conflict::Replace;
            const Estimate e = estimate(what);
            exportFile(what, target);
            const auto bytes = static_cast<double>(std::filesystem::file_size(target));
            QVERIFY2(std::abs(e.bytes / bytes - 1) < 0.15,
                     qPrintable(QStringLiteral("%1: %2 of %3").arg(text).arg(e.bytes).arg(bytes)));
            QVERIFY(e.seconds > 0);
        }
    }
};

QTEST_GUILESS_MAIN(TestDelivery)
#include "delivery.moc"
