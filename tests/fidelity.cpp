// What other software makes of an export: colours stay where the truth has them, and a plain TIFF is as
// colourful as the raw itself.
#include <libraw/libraw.h>

#include <QTest>

#include "colour_difference.h"
#include "deliver/export.h"
#include "develop/file_rendering.h"
#include "develop/finish.h"
#include "measure/open.h"
#include "raw/picture_file.h"
#include "support.h"

using namespace irenic;

namespace {

constexpr int kBlock = 32;

// Means of blocks in linear light: XYZ D50 over white.
struct Blocks {
    std::vector<Vector3> xyz;
};

template <class At> Blocks blocksOf(int width, int height, const At& at) {
    Blocks out;
    for (int y = 0; y + kBlock <= height; y += kBlock)
        for (int x = 0; x + kBlock <= width; x += kBlock) {
            Vector3 sum{};
            for (int j = 0; j < kBlock; ++j)
                for (int i = 0; i < kBlock; ++i) {
                    const Vector3 v = at(x + i, y + j);
                    for (std::size_t c = 0; c < 3; ++c) sum[c] += v[c] / (kBlock * kBlock);
                }
            out.xyz.push_back(sum);
        }
    return out;
}

Vector3 xyzOfLinearSrgb(const Vector3& rgb) { return inverse(xyzD50To(OutputSpace::Srgb)) * rgb; }

// dcraw_emu -w -T -4
Blocks developedByLibRaw(const std::string& file) {
    LibRaw raw;
    raw.imgdata.params.use_camera_wb = 1;
    raw.imgdata.params.output_bps = 16;
    raw.imgdata.params.gamm[0] = raw.imgdata.params.gamm[1] = 1;
    raw.imgdata.params.no_auto_bright = 1;
    if (raw.open_file(file.c_str()) || raw.unpack() || raw.dcraw_process()) return {};
    int problem = 0;
    libraw_processed_image_t* image = raw.dcraw_make_mem_image(&problem);
    const auto* v = reinterpret_cast<const std::uint16_t*>(image->data);
    const Blocks out = blocksOf(image->width, image->height, [&](int x, int y) {
        const auto* p = v + 3 * (y * image->width + x);
        return xyzOfLinearSrgb({p[0] / 65535.0, p[1] / 65535.0, p[2] / 65535.0});
    });
    LibRaw::dcraw_clear_mem(image);
    return out;
}

double colourfulness(const Vector3& xyz) {
    const Vector3 lab = test::labOf(xyz);
    return std::hypot(lab[1], lab[2]);
}

// Mean CIEDE2000 over the brighter half of the blocks of `truth`, and saturation over the truth's.
struct Apart {
    double difference = 0, saturation = 0;
};
Apart apart(const Blocks& truth, const Blocks& seen) {
    std::vector<double> light;
    for (const Vector3& v : truth.xyz) light.push_back(v[1]);
    std::nth_element(light.begin(), light.begin() + static_cast<std::ptrdiff_t>(light.size() / 2),
                     light.end());
    const double middle = light[light.size() / 2];
    double sum = 0, count = 0, colour = 0, own = 0;
    for (std::size_t i = 0; i < truth.xyz.size(); ++i) {
        if (truth.xyz[i][1] < middle) continue;
        sum += test::ciede2000(test::labOf(truth.xyz[i]), test::labOf(seen.xyz[i])), count += 1;
        // The part that lies along the truth's own colour: noise has none of its own there.
        const Vector3 a = test::labOf(truth.xyz[i]), b = test::labOf(seen.xyz[i]);
        colour += a[1] * b[1] + a[2] * b[2], own += a[1] * a[1] + a[2] * a[2];
    }
    return {sum / count, colour / own};
}

} // namespace

class TestFidelity : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    std::string path(const QString& name) const { return folder_.filePath(name).toStdString(); }

  private slots:
    void coloursStayInOtherSoftware_data() {
        QTest::addColumn<double>("iso");
        QTest::addColumn<QString>("method");
        QTest::addColumn<int>("view");
        // The method that a take begins with, the quickest and the best.
        const auto row = [](const char* method, double iso, Scene view) {
            QTest::addRow("%s at %g, view %d", method, iso, static_cast<int>(view))
                << iso << QString(method) << static_cast<int>(view);
        };
        for (const double iso : {3200.0, 12800.0, 51200.0}) {
            for (const Scene view : {Scene::SackStore, Scene::HarbourWindow}) row("wavelet", iso, view);
            row("bm3d", iso, Scene::SackStore);
            row("learned", iso, Scene::HarbourWindow);
        }
    }
    void coloursStayInOtherSoftware() {
        QFETCH(double, iso);
        QFETCH(QString, method);
        QFETCH(int, view);
        // Large enough for the noise of single blocks to average out.
        const auto& light = test::lightOf(static_cast<Scene>(view), 1280, 960);
        test::Shooting s;
        s.body.black = 1024, s.shot.iso = iso, s.shot.stops = 0.5;
        s.truth = exposeMosaic(light, s.body, s.shot);
        s.photo = takePhoto(s.truth, s.body, s.shot);
        Photo exact = s.photo;
        for (int y = 0; y < exact.rawHeight; ++y)
            for (int x = 0; x < exact.rawWidth; ++x)
                exact.samples[exact.index(x, y)] = static_cast<std::uint16_t>(std::lround(
                    s.body.black + static_cast<double>(s.truth.at(x, y)) * (s.body.white - s.body.black)));
        const std::string truth = test::writeShot(folder_, "truth.dng", exact),
                          noisy = test::writeShot(folder_, "noisy.dng", s.photo);
        Export what{recipeOf(readPhoto(noisy)), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = {method.toStdString()}, target = path("clean.dng"),
        what.delivery.conflict = Conflict::Replace;
        exportFile(what, target);
        const Blocks wanted = developedByLibRaw(truth);
        const Apart before = apart(wanted, developedByLibRaw(noisy)),
                    after = apart(wanted, developedByLibRaw(path("clean.dng")));
        const QString said = QStringLiteral("%1: noisy %2, clean %3, saturation %4")
                                 .arg(QLatin1String(QTest::currentDataTag()))
                                 .arg(before.difference)
                                 .arg(after.difference)
                                 .arg(after.saturation);
        qInfo("%s", qPrintable(said));
        QVERIFY2(after.difference < before.difference, qPrintable(said));
        if (iso <= 3200) QVERIFY2(after.difference < 0.4, qPrintable(said));
        // Where single photons count, what lies in the noise comes out a trace paler. From shot to shot
        // saturation scatters, at ISO 12800 by 0.0025 around 0.995 (five shots, the learned method).
        const double most = iso > 20000 ? 0.03 : iso > 8000 ? 0.01 : 0.005;
        QVERIFY2(std::abs(after.saturation - 1) < most, qPrintable(said));
    }
    void aPlainTiffIsAsColourfulAsTheRaw() {
        for (const Scene view : {Scene::SackStore, Scene::HarbourWindow, Scene::Gauges}) {
            const auto s = test::shoot(1600, "RGGB", 3, view);
            const PhotoPtr p = readPhoto(test::writeShot(folder_, "plain.dng", s.photo));
            Export what{recipeOf(*p), {}, {}, false};
            std::filesystem::path target;
            what.recipe.settings = Settings::original(), what.delivery.format = ExportFormat::Tiff,
            target = path("plain.tif"), what.delivery.conflict = Conflict::Replace;
            exportFile(what, target);
            const FilePicture picture = readTiffPicture(GivenFile(target), {});
            const auto* v = reinterpret_cast<const std::uint16_t*>(picture.data.data());
            const Blocks tiff = blocksOf(picture.width, picture.height, [&](int x, int y) {
                Vector3 rgb;
                for (std::size_t c = 0; c < 3; ++c)
                    rgb[c] = static_cast<double>(decoded(
                        OutputSpace::Srgb,
                        static_cast<float>(v[3 * (y * picture.width + x) + static_cast<int>(c)]) / 65535));
                return xyzOfLinearSrgb(rgb);
            });
            // By matrices alone, clipped to what sRGB holds.
            const auto rgb =
                developRegion(recipeOf(*p, what.recipe.settings, {}), p->crop, OutputSpace::Srgb);
            const Blocks raw = blocksOf(p->crop.width, p->crop.height, [&](int x, int y) {
                Vector3 clipped;
                for (std::size_t c = 0; c < 3; ++c)
                    clipped[c] = std::clamp(static_cast<double>(rgb[c].at(x, y)), 0.0, 1.0);
                return xyzOfLinearSrgb(clipped);
            });
            double sum = 0, count = 0, colour = 0, own = 0;
            for (std::size_t i = 0; i < raw.xyz.size(); ++i) {
                // Luminance matched.
                const double k = tiff.xyz[i][1] / std::max(1e-9, raw.xyz[i][1]);
                const Vector3 matched = {raw.xyz[i][0] * k, raw.xyz[i][1] * k, raw.xyz[i][2] * k};
                sum += test::ciede2000(test::labOf(matched), test::labOf(tiff.xyz[i])), count += 1;
                colour += colourfulness(tiff.xyz[i]), own += colourfulness(matched);
            }
            const QString said =
                QStringLiteral("difference %1, colourfulness %2").arg(sum / count).arg(colour / own);
            qInfo("%s", qPrintable(said));
            QVERIFY2(sum / count < 1.0, qPrintable(said));
            // Lights burn out softly: a little of the colour goes there.
            QVERIFY2(std::abs(colour / own - 1) < 0.05, qPrintable(said));
        }
    }
    void theFilesOwnRenderingIsNamed() {
        Photo p = test::flatField(0.2, 1600, 32);
        QCOMPARE(fileRendering(p), std::string());
        p.baselineExposure = 0.35;
        p.metadata.main = {{0xc6fc, 11, 0, {}}, {0xc6f9, 4, 0, {}}};
        const std::string said = fileRendering(p);
        QVERIFY2(said.find("+0.35") != std::string::npos &&
                     said.find("not used here of its profile: tone curve, hue and saturation table.") !=
                         std::string::npos,
                 said.c_str());
    }
};

QTEST_GUILESS_MAIN(TestFidelity)
#include "fidelity.moc"
