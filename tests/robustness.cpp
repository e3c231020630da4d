// Files that are odd, damaged, or hostile: they are read as they are, or refused with a sentence; nothing
// crashes, nothing is lost.
#include <QFile>
#include <QTest>
#include <cstring>
#include <random>

#include "deliver/export.h"
#include "denoise/noise_left.h"
#include "develop/lens.h"
#include "develop/render.h"
#include "measure/open.h"
#include "optics.h"
#include "raw/opcodes.h"
#include "support.h"

using namespace irenic;

class TestRobustness : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    std::string path(const QString& name) const { return folder_.filePath(name).toStdString(); }
    // A photo with a masked border, whose black differs by site, column and row.
    static Photo bordered(const char* pattern) {
        const auto s = test::shoot(6400, pattern);
        Photo p = s.photo;
        constexpr int left = 6, top = 4, right = 10, bottom = 8;
        Photo framed = p;
        framed.rawWidth = p.rawWidth + left + right, framed.rawHeight = p.rawHeight + top + bottom;
        framed.active = {left, top, p.rawWidth, p.rawHeight};
        framed.crop = {12, 10, p.rawWidth - 30, p.rawHeight - 20};
        framed.samples.assign(
            static_cast<std::size_t>(framed.rawWidth) * static_cast<std::size_t>(framed.rawHeight), 1000);
        framed.black.rows = framed.black.columns = 2;
        framed.black.pattern = {1000, 1010, 990, 1024};
        for (int x = 0; x < p.width(); ++x) framed.black.deltaH.push_back(static_cast<float>(x % 5));
        for (int y = 0; y < p.height(); ++y) framed.black.deltaV.push_back(static_cast<float>(y % 3));
        for (int y = 0; y < p.height(); ++y)
            for (int x = 0; x < p.width(); ++x)
                framed.samples[framed.index(x, y)] = static_cast<std::uint16_t>(
                    std::max(0.0f, static_cast<float>(p.sample(x, y)) - 1024 + framed.black.at(x, y)));
        framed.mended.clear();
        return framed;
    }

  private slots:
    void blackLevelsAndBordersComeBack_data() {
        QTest::addColumn<QString>("pattern");
        for (const char* p : {"RGGB", "GRBG", "GBRG", "BGGR"}) QTest::newRow(p) << QString(p);
    }
    void blackLevelsAndBordersComeBack() {
        QFETCH(QString, pattern);
        const Photo as = bordered(qPrintable(pattern));
        const PhotoPtr p = readPhoto(test::writeShot(folder_, qPrintable(pattern + "-framed.dng"), as));
        QVERIFY(p->active == as.active && p->crop == as.crop);
        QCOMPARE(p->mosaic.name(), pattern.toStdString());
        for (const auto& [x, y] : {std::pair{0, 0}, std::pair{7, 5}, std::pair{131, 202}})
            QCOMPARE(p->black.at(x, y), as.black.at(x, y));
        QVERIFY(p->samples == as.samples);
        // Levels that differ do not become a pattern in the picture.
        const PhotoPtr plain = readPhoto(test::writeShot(folder_, qPrintable(pattern + "-plain.dng"),
                                                         test::shoot(6400, qPrintable(pattern)).photo));
        const Rect area{40, 40, 160, 120};
        const Plane a = cleanMosaic(*p, {"wavelet"}, area), b = cleanMosaic(*plain, {"wavelet"}, area);
        QVERIFY2(test::psnr(a, b, 0) > 60, qPrintable(QString::number(test::psnr(a, b, 0))));
        // The whole frame goes out again, what no light fell on as it was.
        Export what{recipeOf(*p), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = {"wavelet"}, target = path(pattern + "-framed-clean.dng");
        exportFile(what, target);
        const PhotoPtr back = readPhoto(target, {}, Measure::Nothing);
        QVERIFY(back->active == p->active && back->crop == p->crop &&
                back->black.at(7, 5) == p->black.at(7, 5));
        for (int x = 0; x < p->rawWidth; ++x)
            QCOMPARE(back->samples[static_cast<std::size_t>(x)], p->samples[static_cast<std::size_t>(x)]);
    }
    void oddSizes_data() {
        QTest::addColumn<QString>("id");
        for (const auto& m : methods()) QTest::newRow(m->id().c_str()) << QString::fromStdString(m->id());
    }
    void oddSizes() {
        QFETCH(QString, id);
        for (const auto& [w, h] : {std::pair{97, 81}, std::pair{33, 120}, std::pair{17, 17}}) {
            Plane truth(w, h);
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x) truth.at(x, y) = 0.1f + 0.002f * static_cast<float>(x + y);
            Shot shot;
            shot.iso = 12800;
            const Photo p = takePhoto(truth, {}, shot);
            const Plane out = cleanMosaic(p, {id.toStdString()}, {0, 0, w, h});
            QVERIFY2(test::psnr(out, truth, 0) >
                         test::psnr(cleanMosaic(p, Settings::original(), {0, 0, w, h}), truth, 0) + 3,
                     qPrintable(QStringLiteral("%1x%2").arg(w).arg(h)));
            const Look look = lookFromText("softness=cord,fringes,exposure=0.3");
            const Picture all = render(recipeOf(p, {id.toStdString()}, look), {0, 0, w, h}, 1),
                          part = render(recipeOf(p, {id.toStdString()}, look), {w - 9, h - 7, 9, 7}, 1);
            for (int y = 0; y < 7; ++y)
                QVERIFY(std::equal(part.rgb.begin() + y * 27, part.rgb.begin() + (y + 1) * 27,
                                   all.rgb.begin() + ((h - 7 + y) * w + w - 9) * 3));
        }
    }
    // A DNG with bytes changed at random is read, or refused with the file's name first.
    void changedBytes() {
        auto s = test::shoot(1600);
        Optics optics;
        optics.distortion = 0.03, optics.vignetting = 0.2;
        s.photo.metadata.mosaic.push_back(opcodesFor(optics, s.photo.width(), s.photo.height()));
        QFile file(QString::fromStdString(test::writeShot(folder_, "whole.dng", s.photo)));
        QVERIFY(file.open(QIODevice::ReadOnly));
        const QByteArray whole = file.readAll();
        std::mt19937 random(11);
        int read = 0, refused = 0;
        for (int i = 0; i < 120; ++i) {
            QByteArray bytes = whole;
            // Where the directories are: the first and the last few thousand bytes.
            for (int k = 0; k < 1 + i % 12; ++k) {
                const auto at = static_cast<qsizetype>(random() % 6000);
                bytes[i % 2 ? at : bytes.size() - 1 - at] = static_cast<char>(random());
            }
            if (i % 10 == 9)
                bytes.truncate(static_cast<qsizetype>(random() % static_cast<unsigned>(bytes.size())));
            const QString name = QStringLiteral("changed-%1.dng").arg(i);
            QFile out(folder_.filePath(name));
            QVERIFY(out.open(QIODevice::WriteOnly));
            out.write(bytes);
            out.close();
            try {
                const PhotoPtr p = readPhoto(path(name));
                ++read;
                if (p->width() < 2000 && p->height() < 2000) {
                    const Look look = lookFromText("distortion,vignetting,chromatic,exposure=0.5");
                    const Rect area = Rect{10, 10, 40, 30}.intersected(p->whole());
                    const Picture shown = render(recipeOf(*p, {"wavelet"}, look), area, 1);
                    QCOMPARE(shown.width, area.width);
                }
            } catch (const PhotoError& e) {
                ++refused;
                QVERIFY2(QString::fromUtf8(e.what()).startsWith(name), e.what());
            }
            QFile::remove(folder_.filePath(name));
        }
        QVERIFY2(read > 5 && refused > 5,
                 qPrintable(QStringLiteral("%1 read, %2 refused").arg(read).arg(refused)));
    }
    void anyOpcodeList() {
        Photo p = test::flatField(0.2, 1600, 64);
        std::mt19937 random(5);
        for (int i = 0; i < 3000; ++i) {
            TagEntry e{static_cast<std::uint16_t>(i % 3 == 0   ? 0xc740
                                                  : i % 3 == 1 ? 0xc741
                                                               : 0xc74e),
                       7,
                       0,
                       {}};
            if (i % 2) {
                Optics optics;
                e.bytes = opcodesFor(optics, 64, 64).bytes;
                for (int k = 0; k < 6; ++k)
                    e.bytes[random() % e.bytes.size()] = static_cast<std::uint8_t>(random());
            } else {
                for (unsigned k = 0; k < random() % 200; ++k)
                    e.bytes.push_back(static_cast<std::uint8_t>(random() % 7 ? 0 : random()));
            }
            e.count = static_cast<std::uint32_t>(e.bytes.size());
            p.metadata.mosaic = {e};
            const Opcodes found = opcodesOf(p);
            QVERIFY(found.badPixels.size() < 64 * 64 * 70);
            for (const GainMap& m : found.gains) QVERIFY(std::isfinite(m.at(3, 3)) || m.gain.empty());
        }
    }
    void cancellingLeavesNothing() {
        const PhotoPtr p = readPhoto(test::writeShot(folder_, "stop.dng", test::shoot(6400).photo));
        std::stop_source stop;
        stop.request_stop();
        for (const auto format : {ExportFormat::Dng, ExportFormat::Tiff, ExportFormat::Jpeg}) {
            Export what{recipeOf(*p), {}, {}, false};
            std::filesystem::path target;
            what.recipe.settings = {"bm3d"}, what.delivery.format = format,
            what.recipe.look = lookFromText("softness=hair"), target = path("never");
            QVERIFY_EXCEPTION_THROWN(exportFile(what, target, Work{stop.get_token()}), Cancelled);
            QVERIFY(!QFile::exists(folder_.filePath("never")));
        }
        QVERIFY_EXCEPTION_THROWN(
            developRegion(recipeOf(*p, {"nlm"}, lookFromText("distortion,softness=rope")), {0, 0, 200, 200},
                          kWorkingSpace, Work{stop.get_token()}),
            Cancelled);
        QVERIFY_EXCEPTION_THROWN(noiseLeftOnGrey(*p, {"bm3d", 1.01f}, {stop.get_token(), nullptr}),
                                 Cancelled);
        QCOMPARE(QDir(folder_.path()).entryList({".*"}, QDir::Files | QDir::Hidden).size(), 0);
    }
};

QTEST_GUILESS_MAIN(TestRobustness)
#include "robustness.moc"
