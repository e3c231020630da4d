// Every method's vector code, for each instruction set that this processor knows and that was compiled: what
// photographers get must not depend on their processor.
#include <QTest>
#include <hwy/targets.h>

#include "support.h"

using namespace irenic;

namespace {

// While it lives, vector code is of one instruction set.
class Only {
  public:
    explicit Only(std::int64_t target) {
        hwy::SetSupportedTargetsForTest(target);
        hwy::GetChosenTarget().Update(hwy::SupportedTargets());
    }
    ~Only() {
        hwy::SetSupportedTargetsForTest(0);
        hwy::GetChosenTarget().Update(hwy::SupportedTargets());
    }
    Only(const Only&) = delete;
    Only& operator=(const Only&) = delete;
};

// All planes, from the samples on; as a mosaic's, or as if there were none.
PlaneSet cleaned(const Photo& photo, const Settings& settings, bool packed) {
    const Rect all{0, 0, photo.width() / 2, photo.height() / 2};
    PlaneSet noisy = stabilisedPlanes(photo, all.inflated(planesMargin(settings)));
    noisy.packed = packed;
    return cleanPlanes(noisy, settings, all);
}

double apart(const PlaneSet& a, const PlaneSet& b) {
    const auto [luminance, colour] = test::squaredError(a, b, a.area);
    return std::sqrt((luminance + colour) / 2);
}

} // namespace

class TestVectors : public QObject {
    Q_OBJECT

  private slots:
    void initTestCase() { keepFreedMemory(); }
    void everyProcessorCleansAlike_data() {
        QTest::addColumn<QString>("method");
        QTest::addColumn<bool>("mosaic");
        for (const auto& m : methods()) {
            const std::string name = m->id();
            QTest::newRow(name.c_str()) << QString::fromStdString(name) << true;
            QTest::newRow((name + " on pixels").c_str()) << QString::fromStdString(name) << false;
        }
    }
    void everyProcessorCleansAlike() {
        QFETCH(QString, method);
        QFETCH(bool, mosaic);
        std::array<Plane, 3> light;
        for (std::size_t i = 0; i < light.size(); ++i)
            light[i] = test::millLight()[i].cropped({150, 110, 172, 132});
        const Body body;
        Shot shot;
        shot.iso = 12800;
        const Photo photo = takePhoto(exposeMosaic(light, body, shot), body, shot);
        const Settings settings{method.toStdString()};
        const PlaneSet best = cleaned(photo, settings, mosaic), noisy = stabilisedPlanes(photo, best.area);
        QVERIFY(apart(best, noisy) > 0.5);
        const auto targets = hwy::SupportedAndGeneratedTargets();
        QVERIFY(targets.size() >= 3);
        for (const std::int64_t target : targets) {
            const Only only(target);
            // Of the noise's sigma. Thresholds and choices of blocks may fall to either side where single
            // precision rounds differently.
            const double difference = apart(cleaned(photo, settings, mosaic), best);
            QVERIFY2(difference < 0.02, qPrintable(QStringLiteral("%1: %2 sigma")
                                                       .arg(QString::fromLatin1(hwy::TargetName(target)))
                                                       .arg(difference)));
        }
    }
};

QTEST_GUILESS_MAIN(TestVectors)
#include "vectors.moc"
