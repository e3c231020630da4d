#include <libraw/libraw.h>
#include <tiffio.h>

#include <QFile>
#include <QTest>

#include "deliver/export.h"
#include "measure/open.h"
#include "support.h"

using namespace irenic;

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
        exportPhoto(*photo_, {Settings::original(), ExportFormat::Dng, {}, {}, in("same.dng"), false});
        const PhotoPtr back = readPhoto(in("same.dng"));
        QCOMPARE(back->samples, photo_->samples);
        QVERIFY(back->statedNoise.has_value());
    }
    void aDngStaysARaw() {
        exportPhoto(*photo_, {{"nlm", 1, 1, 0.2f, 0.1f}, ExportFormat::Dng, {}, {}, in("clean.dng"), false});
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
        exportPhoto(*photo_, {settings, ExportFormat::Tiff, where,
                              zip ? TiffCompression::Zip : TiffCompression::None, target, false});
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
            developRegion(*photo_, settings, {},
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
                    exportPhoto(*photo_, {{}, ExportFormat::Dng, {}, {}, target, overwrite}), ExportError);
        QCOMPARE(bytesOf(photo_->file), before);
    }
    void existingFilesAreKept() {
        QFile f(QString::fromStdString(in("there.dng").string()));
        QVERIFY(f.open(QIODevice::WriteOnly));
        f.write("mine");
        f.close();
        QVERIFY_EXCEPTION_THROWN(
            exportPhoto(*photo_, {{"wavelet"}, ExportFormat::Dng, {}, {}, in("there.dng"), false}),
            ExportError);
        QCOMPARE(bytesOf(in("there.dng")), QByteArray("mine"));
        exportPhoto(*photo_, {{"wavelet"}, ExportFormat::Dng, {}, {}, in("there.dng"), true});
        QVERIFY(bytesOf(in("there.dng")).size() > 100000);
    }
    void cancellingLeavesNothing() {
        const int before = filesInFolder();
        std::stop_source stop;
        stop.request_stop();
        for (const auto format : {ExportFormat::Dng, ExportFormat::Tiff})
            QVERIFY_EXCEPTION_THROWN(exportPhoto(*photo_, {{"bm3d"}, format, {}, {}, in("never.dng"), false},
                                                 {stop.get_token(), nullptr}),
                                     Cancelled);
        QCOMPARE(filesInFolder(), before);
    }
    void unwritablePlacesSayWhy() {
        try {
            exportPhoto(*photo_,
                        {{"wavelet"}, ExportFormat::Dng, {}, {}, photo_->file / "below" / "x.dng", false});
            QFAIL("was written");
        } catch (const ExportError& e) {
            QVERIFY2(std::string(e.what()).find("x.dng") == 0, e.what());
        }
    }
    void freeNames() {
        QCOMPARE(freeName(in("unused.dng")), in("unused.dng"));
        QCOMPARE(freeName(photo_->file).filename().string(), std::string("mill-2.dng"));
        QCOMPARE(defaultTarget(photo_->file, "/x", ExportFormat::Tiff).string(),
                 std::string("/x/mill-clean.tif"));
    }
};

QTEST_GUILESS_MAIN(TestDelivery)
#include "delivery.moc"
