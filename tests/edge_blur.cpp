// How blurred edges are, measured on photos whose blur is known.
#include <QTest>
#include <cmath>

#include "judge/edge_blur.h"
#include "judge/recommend.h"
#include "support.h"

using namespace irenic;

namespace {

// Discs and bars at all angles, in several tones, blurred by a Gaussian before pixels take their means.
std::array<Plane, 3> sceneOf(double blur) {
    constexpr int kFine = 4, w = 480, h = 360;
    Plane fine(w * kFine, h * kFine);
    for (int y = 0; y < fine.height(); ++y)
        for (int x = 0; x < fine.width(); ++x) {
            const double u = static_cast<double>(x) / kFine, v = static_cast<double>(y) / kFine;
            const int i = static_cast<int>(u / 60), j = static_cast<int>(v / 60), which = (3 * i + 5 * j) % 4;
            const double cx = u - 60 * i - 30, cy = v - 60 * j - 30, angle = 0.3 * (i + 2 * j);
            const bool disc = cx * cx + cy * cy < 22 * 22;
            const bool bar = std::abs(cx * std::cos(angle) + cy * std::sin(angle)) < 12;
            fine.at(x, y) = (which < 2 ? disc : bar) ? 0.08f + 0.05f * static_cast<float>(which) : 0.03f;
        }
    const double sigma = blur * kFine;
    const int radius = static_cast<int>(std::ceil(3 * sigma)) + 1;
    std::vector<double> kernel;
    double sum = 0;
    for (int i = -radius; i <= radius; ++i) {
        kernel.push_back(std::exp(-i * i / (2 * sigma * sigma)));
        sum += kernel.back();
    }
    for (const bool across : {true, false}) {
        Plane out(fine.width(), fine.height());
        for (int y = 0; y < fine.height(); ++y)
            for (int x = 0; x < fine.width(); ++x) {
                double v = 0;
                for (int i = -radius; i <= radius; ++i)
                    v += kernel[static_cast<std::size_t>(i + radius)] / sum *
                         static_cast<double>(fine.at(std::clamp(across ? x + i : x, 0, fine.width() - 1),
                                                     std::clamp(across ? y : y + i, 0, fine.height() - 1)));
                out.at(x, y) = static_cast<float>(v);
            }
        fine = std::move(out);
    }
    std::array<Plane, 3> light;
    constexpr std::array<float, 3> colour = {1, 0.9f, 0.8f};
    for (std::size_t c = 0; c < 3; ++c) {
        light[c] = Plane(w, h);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                float v = 0;
                for (int j = 0; j < kFine; ++j)
                    for (int i = 0; i < kFine; ++i) v += fine.at(x * kFine + i, y * kFine + j);
                light[c].at(x, y) = colour[c] * v / (kFine * kFine);
            }
    }
    return light;
}

const std::vector<Probe>& probes() {
    static const std::vector<Probe> all = [] {
        std::vector<Probe> out(4);
        for (int i = 0; i < 4; ++i)
            out[static_cast<std::size_t>(i)].x = i % 2 ? 350 : 110,
            out[static_cast<std::size_t>(i)].y = i < 2 ? 100 : 260;
        return out;
    }();
    return all;
}

Photo photoOf(double blur, double iso) {
    Shot shot;
    shot.iso = iso;
    Optics plain;
    return takePhoto(exposeMosaic(sceneOf(blur), {}, shot, plain), {}, shot);
}

} // namespace

class TestEdgeBlur : public QObject {
    Q_OBJECT

  private slots:
    // Within 0.15 pixels, at low and at high ISO, in a mosaic that was cleaned and demosaiced.
    void blurIsMeasured_data() {
        QTest::addColumn<double>("blur");
        QTest::addColumn<double>("iso");
        for (const double blur : {0.5, 0.8, 1.2, 1.6})
            for (const double iso : {400.0, 6400.0, 25600.0})
                QTest::addRow("%g px, ISO %g", blur, iso) << blur << iso;
    }
    void blurIsMeasured() {
        QFETCH(double, blur);
        QFETCH(double, iso);
        const auto measured = edgeBlurOf(photoOf(blur, iso), {"bm3d-quick"}, probes());
        QVERIFY(measured);
        constexpr double kPixel = 1.0 / 12; // the variance of a pixel's own width
        const double truth = std::sqrt(blur * blur + kPixel);
        // Of wide blurs only the steepest edges stand above the noise; they are told as narrower than they
        // are, but not as another grade.
        const bool fits = std::abs(*measured - truth) < 0.15 || sharpeningFor(*measured) == Softness::Widest;
        QVERIFY2(fits && (*measured < truth + 0.15),
                 qPrintable(QStringLiteral("%1 instead of %2").arg(*measured).arg(truth)));
    }
    void gradesFitTheBlur() {
        QVERIFY(sharpeningFor(0.3) == Softness::Off && sharpeningFor(0.5) == Softness::Fine);
        QVERIFY(sharpeningFor(0.75) == Softness::Medium && sharpeningFor(1.0) == Softness::Wide);
        QVERIFY(sharpeningFor(2.5) == Softness::Widest);
    }
    // Without edges nothing is said, and nothing proposed.
    void flatIsNotMeasured() {
        std::array<Plane, 3> light;
        for (Plane& p : light) {
            p = Plane(480, 360);
            p.fill(0.1f);
        }
        Shot shot;
        shot.iso = 3200;
        const Photo photo = takePhoto(exposeMosaic(light, {}, shot), {}, shot);
        QVERIFY(!edgeBlurOf(photo, {"bm3d-quick"}, probes()));
    }
    void whatIsRecommendedIsOfferedSharpened() {
        const Photo photo = photoOf(1.0, 6400);
        const Recommendation r = recommend(photo, {}, probes());
        const auto sharp = std::find_if(r.others.begin(), r.others.end(), [](const Alternative& a) {
            return a.kind == Alternative::Kind::Sharp;
        });
        QVERIFY(sharp != r.others.end());
        QVERIFY(sharp->settings.sharpening == TakeSharpening::Wide && std::abs(sharp->blur - 1) < 0.2);
        Settings plain = sharp->settings;
        plain.sharpening = TakeSharpening::AsLook;
        QVERIFY(plain == r.settings);
        QVERIFY(r.settings.sharpening == TakeSharpening::AsLook);
    }
};

QTEST_APPLESS_MAIN(TestEdgeBlur)
#include "edge_blur.moc"
