// Sensors that are no 2x2 mosaic: X-Trans and monochrome, from the file to the file.
#include <QTest>

#include "deliver/export.h"
#include "judge/probes.h"
#include "judge/recommend.h"
#include "measure/open.h"
#include "raw/xtrans_mosaic.h"
#include "support.h"

using namespace irenic;

namespace {

constexpr int kWidth = 720, kHeight = 540;
const Settings kOriginal = Settings::original();

// What each colour of the camera sees of the mill, everywhere.
std::array<Plane, 3> cameraLight(const Shot& shot) {
    std::array<Plane, 3> out;
    for (std::size_t c = 0; c < 3; ++c) {
        Body body;
        body.mosaic.site.fill(static_cast<Mosaic::Colour>(c));
        out[c] = exposeMosaic(test::lightOf(Scene::SackStore, kWidth, kHeight), body, shot);
    }
    return out;
}

XTransMosaic xTrans() {
    const char* cell = "GBGGRG"
                       "RGRBGB"
                       "GBGGRG"
                       "GRGGBG"
                       "BGBRGR"
                       "GRGGBG";
    XTransMosaic wide;
    for (std::size_t i = 0; i < 36; ++i)
        wide.site[i] = cell[i] == 'R' ? Mosaic::Red : cell[i] == 'B' ? Mosaic::Blue : Mosaic::Green;
    return wide;
}

Photo xTransPhoto(double iso, const std::array<Plane, 3>& light) {
    XTransMosaic wide = xTrans();
    Plane truth(kWidth, kHeight);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) truth.at(x, y) = light[wide.at(x, y)].at(x, y);
    Shot shot;
    shot.iso = iso;
    Photo p = takePhoto(truth, {}, shot);
    wide.samples = p.samples, wide.black = p.black;
    p.xtrans = std::move(wide);
    return p;
}

Photo greyPhoto(double iso, const std::array<Plane, 3>& light) {
    Shot shot;
    shot.iso = iso;
    Photo p = takePhoto(light[1], {}, shot);
    p.monochrome = true;
    return p;
}

double psnrOf(const std::array<Plane, 3>& rgb, const std::array<Plane, 3>& truth) {
    double sum = 0, n = 0;
    for (std::size_t c = 0; c < 3; ++c)
        for (int y = 16; y < kHeight - 16; ++y)
            for (int x = 16; x < kWidth - 16; ++x, ++n)
                sum += std::pow(static_cast<double>(rgb[c].at(x, y) - truth[c].at(x, y)), 2);
    return -10 * std::log10(sum / n);
}

} // namespace

class TestSensors : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::array<Plane, 3> light_, grey_;
    PhotoPtr wide_, mono_;
    std::string path(const char* name) const {
        return folder_.filePath(QString::fromLatin1(name)).toStdString();
    }
    const Rect all_{0, 0, kWidth, kHeight};

    void both() {
        QTest::addColumn<bool>("mono");
        QTest::newRow("X-Trans") << false;
        QTest::newRow("monochrome") << true;
    }

  private slots:
    void initTestCase() {
        Shot shot;
        light_ = cameraLight(shot);
        for (Plane& p : grey_) p = light_[1].clone();
        wide_ = readPhoto(test::writeShot(folder_, "wide.dng", xTransPhoto(25600, light_)));
        mono_ = readPhoto(test::writeShot(folder_, "mono.dng", greyPhoto(25600, light_)));
    }
    void areReadAsTheyWere() {
        QCOMPARE(wide_->layoutText(), std::string("X-Trans"));
        QCOMPARE(mono_->layoutText(), std::string("monochrome"));
        QVERIFY(!wide_->hasMosaic() && !mono_->hasMosaic() && !wide_->developed);
        const Photo as = xTransPhoto(25600, light_);
        QVERIFY(wide_->xtrans && wide_->xtrans->samples == as.xtrans->samples &&
                wide_->xtrans->site == as.xtrans->site);
        QVERIFY(ownSamples(*wide_) == wide_->xtrans->samples);
        QVERIFY(mono_->samples == greyPhoto(25600, light_).samples);
        // A monochrome sensor's noise is white: it is measured like any other.
        const NoiseLine found = mono_->noise.channel[1], is = greyPhoto(25600, light_).noise.channel[1];
        QVERIFY2(std::abs(found.sigma(0.1) / is.sigma(0.1) - 1) < 0.15,
                 qPrintable(QString::number(found.sigma(0.1) / is.sigma(0.1))));
    }
    // Noise in full colour that was made of a mosaic is no detail: in an even field next to nothing is given
    // back, at any place of the cell. Taken for white it would be one sample in 65; a few in ten thousand
    // depend on how a processor's vectors round.
    void evenXTransFieldsHaveNoSpecks_data() {
        QTest::addColumn<int>("unused");
        for (const char* method : {"bm3d-quick", "learned-quick", "nlm"}) QTest::newRow(method) << 0;
    }
    void evenXTransFieldsHaveNoSpecks() {
        std::array<Plane, 3> light;
        for (Plane& p : light) {
            p = Plane(480, 360);
            p.fill(0.1f);
        }
        const PhotoPtr p = readPhoto(test::writeShot(folder_, "even.dng", xTransPhoto(25600, light)));
        Settings settings{QTest::currentDataTag()};
        const Rect area{96, 90, 192, 144};
        const PlaneSet noisy = stabilisedPlanes(*p, area.inflated(planesMargin(settings)), {}, true);
        const PlaneSet without = cleanBeforeDetail(noisy, settings, area),
                       with = cleanPlanes(noisy, settings, area);
        int given = 0;
        for (int y = area.y; y < area.bottom(); ++y)
            for (int x = area.x; x < area.right(); ++x)
                given +=
                    std::abs(with.rowAt(0, y)[x] - without.rowAt(0, y)[x]) > 1; // a deviation of the noise
        QVERIFY2(given * 1000 < area.area(), qPrintable(QString::number(given)));
    }
    void colourOfXTransIsGood() {
        const PhotoPtr p = readPhoto(test::writeShot(folder_, "clean-light.dng", xTransPhoto(100, light_)),
                                     {}, Measure::Nothing);
        // Beside the nearest sample of each colour.
        std::array<Plane, 3> nearest = {Plane(kWidth, kHeight), Plane(kWidth, kHeight),
                                        Plane(kWidth, kHeight)};
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                for (std::size_t c = 0; c < 3; ++c) {
                    int best = 99;
                    for (int j = -2; j <= 2; ++j)
                        for (int i = -2; i <= 2; ++i) {
                            const int u = std::clamp(x + i, 0, kWidth - 1),
                                      v = std::clamp(y + j, 0, kHeight - 1);
                            if (p->xtrans->at(u, v) == static_cast<Mosaic::Colour>(c) && i * i + j * j < best)
                                best = i * i + j * j, nearest[c].at(x, y) = light_[c].at(u, v);
                        }
                }
        const double ours = psnrOf(cleanPixels(*p, kOriginal, all_), light_), plain = psnrOf(nearest, light_);
        QVERIFY2(ours > plain + 5, qPrintable(QStringLiteral("%1 and %2 dB").arg(ours).arg(plain)));
    }
    void methodsGain_data() {
        QTest::addColumn<QString>("id");
        QTest::addColumn<bool>("mono");
        for (const auto& m : methods())
            for (const bool mono : {false, true})
                QTest::addRow("%s %s", m->id().c_str(), mono ? "monochrome" : "X-Trans")
                    << QString::fromStdString(m->id()) << mono;
    }
    void methodsGain() {
        QFETCH(QString, id);
        QFETCH(bool, mono);
        const Photo& p = mono ? *mono_ : *wide_;
        const auto& truth = mono ? grey_ : light_;
        const double before = psnrOf(cleanPixels(p, kOriginal, all_), truth),
                     after = psnrOf(cleanPixels(p, {id.toStdString()}, all_), truth);
        QVERIFY2(after > before + (mono ? 4.0 : 2.5),
                 qPrintable(QStringLiteral("%1 -> %2 dB").arg(before).arg(after)));
        if (mono) {
            const auto rgb = cleanPixels(p, {id.toStdString()}, all_);
            for (int y = 0; y < kHeight; y += 7)
                for (int x = 0; x < kWidth; ++x)
                    QVERIFY(rgb[0].at(x, y) == rgb[1].at(x, y) && rgb[2].at(x, y) == rgb[1].at(x, y));
        }
    }
    void aDngStaysWhatItWas_data() { both(); }
    void aDngStaysWhatItWas() {
        QFETCH(bool, mono);
        const Photo& p = mono ? *mono_ : *wide_;
        Export what{recipeOf(p), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = kOriginal, target = path(mono ? "mono-same.dng" : "wide-same.dng");
        exportFile(what, target);
        const PhotoPtr same = readPhoto(target, {}, Measure::Nothing);
        QCOMPARE(same->layoutText(), p.layoutText());
        QVERIFY(same->samples == p.samples);
        what.recipe.settings = {"wavelet"}, target = path(mono ? "mono-out.dng" : "wide-out.dng");
        exportFile(what, target);
        const PhotoPtr back = readPhoto(target, {}, Measure::Nothing);
        QCOMPARE(back->layoutText(), p.layoutText());
        const auto& truth = mono ? grey_ : light_;
        QVERIFY(psnrOf(cleanPixels(*back, kOriginal, all_), truth) >
                psnrOf(cleanPixels(p, kOriginal, all_), truth) + 2);
    }
    void aMonochromePhotoIsGrey() {
        const Look look = lookFromText("kelvin=3000,tint=20,exposure=0.5,softness=hair,fringes");
        const Picture shown = render(recipeOf(*mono_, {"wavelet"}, look), {100, 100, 80, 60}, 1);
        for (std::size_t i = 0; i < shown.rgb.size(); i += 3)
            QVERIFY(std::abs(inEightBits(shown.rgb[i]) - inEightBits(shown.rgb[i + 1])) <= 1 &&
                    std::abs(inEightBits(shown.rgb[i + 2]) - inEightBits(shown.rgb[i + 1])) <= 1);
    }
    void anErrorOfOneIsTheNoiseItself_data() { both(); }
    void anErrorOfOneIsTheNoiseItself() {
        QFETCH(bool, mono);
        const double told =
            estimateRisk(mono ? *mono_ : *wide_, {"wavelet", 0.02f, 0.02f}, {100, 80, 320, 240}).sigmas();
        QVERIFY2(std::abs(told - 1) < 0.1, qPrintable(QString::number(told)));
    }
    void canBeRecommendedFor_data() { both(); }
    void canBeRecommendedFor() {
        QFETCH(bool, mono);
        const Photo& p = mono ? *mono_ : *wide_;
        const Recommendation r = recommend(p, {}, placeProbes(p));
        QVERIFY(findMethod(r.settings.method));
        QVERIFY2(r.risk.sigmas() > 0 && r.risk.sigmas() < 0.8, qPrintable(QString::number(r.risk.sigmas())));
    }
    // Noise that goes from pixel to pixel is told from the picture: errors are ranked and measured as the
    // truth does.
    void errorsOfXTransPhotosAreEstimated() {
        const Photo& p = *wide_;
        Photo quiet = xTransPhoto(25600, light_);
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x) {
                const double black = quiet.black.at(x, y, 0);
                quiet.xtrans->samples[static_cast<std::size_t>(quiet.active.y + y) *
                                          static_cast<std::size_t>(quiet.rawWidth) +
                                      static_cast<std::size_t>(quiet.active.x + x)] =
                    static_cast<std::uint16_t>(
                        std::lround(black + static_cast<double>(light_[quiet.xtrans->at(x, y)].at(x, y)) *
                                                (quiet.white - black)));
            }
        quiet.samples = quiet.xtrans->samples;
        Photo truth = *readPhoto(test::writeShot(folder_, "quiet.dng", quiet), {}, Measure::Nothing);
        truth.noise = p.noise, truth.coarseNoise = p.coarseNoise;
        const Rect area{64, 64, 320, 220};
        const PlaneSet right = stabilisedPlanes(truth, area), noisy = stabilisedPlanes(p, area);
        const auto errorOf = [&](const PlaneSet& planes) {
            double sum = 0;
            for (std::size_t k = 0; k < 3; ++k)
                for (int y = area.y; y < area.bottom(); ++y)
                    for (int x = area.x; x < area.right(); ++x) {
                        const double d = static_cast<double>(planes.rowAt(k, y)[x] - right.rowAt(k, y)[x]);
                        sum += (k == 0 ? 1 : 0.5) * d * d;
                    }
            return sum;
        };
        double before = 0;
        for (const char* method : {"learned-quick", "nlm", "wavelet"}) {
            const Settings settings{method};
            const PlaneSet clean =
                cleanPlanes(stabilisedPlanes(p, area.inflated(planesMargin(settings))), settings, area);
            const double known = 2 * errorOf(clean) / errorOf(noisy),
                         told = estimateRisk(p, settings, area).sum();
            QVERIFY2(std::abs(told - known) < 0.25,
                     qPrintable(QStringLiteral("%1: %2 for %3").arg(method).arg(told).arg(known)));
            QVERIFY(told > before);
            before = told;
        }
    }
};

QTEST_GUILESS_MAIN(TestSensors)
#include "sensors.moc"
