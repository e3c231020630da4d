// What cannot be told apart at the size and in the look that a picture is delivered in.
#include <QTest>

#include "judge/probes.h"
#include "judge/seen_alike.h"
#include "measure/open.h"
#include "taken.h"

using namespace irenic;

class TestSeenAlike : public QObject {
    Q_OBJECT
    static Photo photoAt(double iso) {
        Photo photo = test::taken(Scene::SackStore, iso, {}, 960, 720).photo;
        measure(photo);
        return photo;
    }

  private slots:
    void aTakeIsLikeItself() {
        const Photo photo = photoAt(6400);
        const auto probes = placeProbes(photo);
        const SeenDifference none = seenDifference(photo, {"wavelet"}, {"wavelet"}, {}, 1, probes);
        QCOMPARE(none.mean, 0.0);
        QCOMPARE(none.largest, 0.0);
        QVERIFY(none.isNone());
    }
    // Smaller pictures hide more; lifted ones show more.
    void sizeAndLookCount() {
        const Photo photo = photoAt(12800);
        const auto probes = placeProbes(photo);
        const auto mean = [&](double zoom, float exposure) {
            Look look;
            look.exposure = exposure;
            return seenDifference(photo, Settings::original(), {"wavelet"}, look, zoom, probes).mean;
        };
        QVERIFY(mean(0.25, 0) < 0.6 * mean(1, 0));
        QVERIFY(mean(0.5, 1.5f) > 1.2 * mean(0.5, -1));
    }
    void aPhotoOfLowIsoNeedsNoCleaningWhenSmall() {
        const Photo photo = photoAt(100);
        const auto alike = quickestSeenAlike(photo, {"bm3d"}, {}, 160, placeProbes(photo));
        QVERIFY(alike && alike->settings.untouched());
        QVERIFY(QString::fromStdString(sentenceOf(*alike, {"bm3d"}, 160)).contains("needs no cleaning"));
    }
    void noisyOnesDo() {
        const Photo photo = photoAt(51200);
        const auto alike = quickestSeenAlike(photo, {"bm3d"}, {}, 960, placeProbes(photo));
        QVERIFY(!alike || !alike->settings.untouched());
    }
    void theQuickGradeIsEnoughWhenSmall() {
        const Photo photo = photoAt(6400);
        const auto alike = quickestSeenAlike(photo, {"bm3d"}, {}, 240, placeProbes(photo));
        QVERIFY(alike && !alike->settings.untouched());
        QVERIFY(alike->settings.method != "bm3d" && alike->settings.luminance == 1);
        QVERIFY(alike->difference.isNone());
        const QString said = QString::fromStdString(sentenceOf(*alike, {"bm3d"}, 240));
        QVERIFY2(said.startsWith("At 240 pixels " + QString::fromStdString(alike->settings.method)) &&
                     said.contains("times as quick"),
                 qPrintable(said));
    }
};

QTEST_APPLESS_MAIN(TestSeenAlike)
#include "seen_alike.moc"
