// Checks of a cleaned photo: a perfect result raises none, each planted fault is found by its check, at its
// place.
#include <QImage>
#include <QTest>

#include "deliver/export.h"
#include "denoise/clean.h"
#include "denoise/stabilisers.h"
#include "judge/advice.h"
#include "judge/checks.h"
#include "judge/risk.h"
#include "judge/take_checks.h"
#include "measure/open.h"
#include "session/take.h"
#include "taken.h"

using namespace irenic;

namespace {

constexpr int kWidth = 1024, kHeight = 768;
const Rect kPlanted{512, 256, 384, 384}; // where faults are

using Change = std::function<double(int x, int y, double truth)>;

} // namespace

class TestChecks : public QObject {
    Q_OBJECT
    test::Taken taken_;

    std::vector<Finding> checksOfMosaic(const Plane& cleaned) const {
        return checksOf(taken_.photo, [&](const Rect& area, const Work&) {
            Image out(Holds::Mosaic, area);
            out[0] = cleaned.cropped(area);
            return out;
        });
    }
    static Finding named(const std::vector<Finding>& all, const char* check) {
        const auto own =
            std::find_if(all.begin(), all.end(), [&](const Finding& f) { return f.check == check; });
        if (own == all.end()) qFatal("there is no such check");
        return *own;
    }
    Plane changed(const Change& change) const {
        Plane out(kWidth, kHeight);
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                out.at(x, y) = static_cast<float>(change(x, y, static_cast<double>(taken_.truth.at(x, y))));
        return out;
    }
    QTemporaryDir folder_;
    // As it is read: full colour of an X-Trans mosaic, or a picture that was finished of a raw.
    PhotoPtr seenAs(const Photo& photo, const char* name, Measure what) const {
        const QString file = folder_.filePath(QLatin1String(name));
        if (photo.xtrans)
            return readPhoto(test::writeShot(folder_, (std::string(name) + ".dng").c_str(), photo), {}, what);
        Export finished;
        finished.recipe = recipeOf(photo, Settings::original(), {});
        finished.delivery.format = ExportFormat::Tiff;
        exportFile(finished, (file + QStringLiteral(".tif")).toStdString());
        return readPhoto((file + QStringLiteral(".tif")).toStdString(), {}, what);
    }
    // How far the photo itself is from the truth around its first probes, in sigmas: in the darkest parts
    // stabilised noise has a little more than 1.
    double errorOfOriginal() const {
        constexpr int kSquare = 128;
        const Stabilisers stable(taken_.photo);
        const auto begin = [](int middle, int length) {
            return std::clamp(middle - kSquare / 2, 0, length - kSquare);
        };
        double sum = 0, count = 0;
        std::vector<Probe> probes = placeProbes(taken_.photo, {});
        probes.resize(std::min(probes.size(), RiskPlaces::kMost));
        for (const Probe& p : probes)
            for (int y = begin(p.y, kHeight); y < begin(p.y, kHeight) + kSquare; ++y)
                for (int x = begin(p.x, kWidth); x < begin(p.x, kWidth) + kSquare; ++x, ++count) {
                    const Stabiliser& own = stable.at(x, y, 1);
                    sum += std::pow(static_cast<double>(own.forward(taken_.photo.normalised(x, y)) -
                                                        own.forward(taken_.truth.at(x, y))),
                                    2);
                }
        return std::sqrt(sum / count);
    }
    double noisy(int x, int y) const { return static_cast<double>(taken_.photo.normalised(x, y)); }
    static bool isPlanted(int x, int y) { return kPlanted.contains(Rect{x, y, 1, 1}); }

  private slots:
    void initTestCase() {
        taken_ = test::taken(Scene::SackStore, 6400, {}, kWidth, kHeight);
        measure(taken_.photo);
    }

    // Every check's map covers the photo, and is highest where its places are.
    void maps() {
        const auto all = checksOfMosaic(changed(
            [&](int x, int y, double v) { return isPlanted(x, y) ? 0.4 * v + 0.6 * noisy(x, y) : v; }));
        for (const Finding& f : all) {
            if (f.map.share.empty()) continue;
            QCOMPARE(f.map.side, 32);
            QCOMPARE(f.map.share.size(), static_cast<std::size_t>(f.map.across * f.map.down));
            for (const float v : f.map.share) QVERIFY(v >= 0 && v <= 1);
        }
        const SquareMap map = named(all, "evenness").map;
        double inside = 0, outside = 0, n = 0, m = 0;
        for (int y = 0; y < map.down; ++y)
            for (int x = 0; x < map.across; ++x)
                if (isPlanted(32 * x, 32 * y))
                    inside += static_cast<double>(map.at(x, y)), ++n;
                else
                    outside += static_cast<double>(map.at(x, y)), ++m;
        QVERIFY2(inside / n > 4 * outside / m,
                 qPrintable(QStringLiteral("%1 %2").arg(inside / n).arg(outside / m)));
        QVERIFY(worstOf({}).share.empty());
    }

    // Around probes alone the same is found, and nothing of what lies elsewhere.
    void probesAloneAreChecked() {
        Probe there, elsewhere;
        there.x = 640, there.y = 400, elsewhere.x = 160, elsewhere.y = 600;
        const Settings strong{"nlm", 2.5f, 2.5f, 0, 0};
        const auto lost = [&](const std::vector<Probe>& probes) {
            return named(checksAround(taken_.photo, strong, probes), "detail lost");
        };
        const Finding near = lost({there, elsewhere});
        QVERIFY(near.value);
        const Rect around = Rect{there.x - 128, there.y - 128, 256, 256},
                   other{elsewhere.x - 128, elsewhere.y - 128, 256, 256};
        for (const Rect& r : near.places)
            QVERIFY(!r.intersected(around).empty() || !r.intersected(other).empty());
        // A probe twice is a probe.
        QCOMPARE(*lost({there, there, elsewhere}).value, *near.value);
    }

    void perfect() {
        for (const Finding& f : checksOfMosaic(taken_.truth)) {
            QVERIFY2(f.grade == Grade::Good, f.check.c_str());
            QVERIFY(!f.sentence.empty() && !f.unit.empty());
        }
    }

    void untouched() {
        const Finding& left =
            named(checksOfMosaic(changed([&](int x, int y, double) { return noisy(x, y); })), "noise left");
        QVERIFY(left.value && std::abs(*left.value - 1) < 0.05);
        QVERIFY(left.grade == Grade::Bad && !left.places.empty());
    }

    void noiseLeftIsAsMuchAsWasLeft() {
        for (const double share : {0.1, 0.35, 0.6}) {
            const auto all = checksOfMosaic(
                changed([&](int x, int y, double v) { return v + share * (noisy(x, y) - v); }));
            QVERIFY2(std::abs(*named(all, "noise left").value - share) < 0.06,
                     qPrintable(QString::number(*named(all, "noise left").value)));
            QVERIFY(named(all, "detail lost").grade == Grade::Good);
            QVERIFY(named(all, "invented texture").grade == Grade::Good);
        }
    }

    void planted_data() {
        QTest::addColumn<QString>("check");
        for (const char* check : {"evenness", "detail lost", "invented texture"})
            QTest::newRow(check) << QString(check);
    }
    void planted() {
        QFETCH(QString, check);
        const double sigma = taken_.photo.noise.channel[1].sigma(0.05);
        const auto soft = [&](int x, int y) {
            double sum = 0;
            int count = 0;
            for (int j = -6; j <= 6; j += 2)
                for (int i = -6; i <= 6; i += 2)
                    sum +=
                        static_cast<double>(taken_.truth.at(std::clamp(x + i, x & 1, kWidth - 2 + (x & 1)),
                                                            std::clamp(y + j, y & 1, kHeight - 2 + (y & 1)))),
                        ++count;
            return sum / count;
        };
        const Plane cleaned = changed([&](int x, int y, double v) {
            if (!isPlanted(x, y)) return v;
            if (check == "evenness") return 0.4 * v + 0.6 * noisy(x, y);
            if (check == "detail lost") return soft(x, y);
            return v + sigma * std::sin(x * 0.8) * std::sin(y * 0.7);
        });
        const Finding found = named(checksOfMosaic(cleaned), check.toLatin1().constData());
        QVERIFY2(found.grade != Grade::Good, qPrintable(QString::number(found.value.value_or(-1))));
        QVERIFY(!found.places.empty() && !found.places.front().intersected(kPlanted).empty());
    }

    void colours() {
        const auto tinted = checksOfMosaic(changed([&](int x, int y, double v) {
            return taken_.photo.mosaic.at(x, y) == Mosaic::Blue ? 1.2 * v : v;
        }));
        QVERIFY(named(tinted, "colour shift").grade != Grade::Good);
        QVERIFY(named(tinted, "noise left").grade == Grade::Good);
    }

    // The share of a truth's range within some samples: large at a strong edge.
    double rangeAround(int x, int y, int reach) const {
        double low = 1, high = 0;
        for (int j = -reach; j <= reach; j += 2)
            for (int i = -reach; i <= reach; i += 2) {
                const double v =
                    static_cast<double>(taken_.truth.at(std::clamp(x + i, x & 1, kWidth - 2 + (x & 1)),
                                                        std::clamp(y + j, y & 1, kHeight - 2 + (y & 1))));
                low = std::min(low, v), high = std::max(high, v);
            }
        return high - low;
    }
    double sigmaAt(int x, int y, double v) const {
        return taken_.photo.noise
            .channel[static_cast<std::size_t>(taken_.photo.mosaic.channel((y & 1) * 2 + (x & 1)))]
            .sigma(v);
    }
    // Noise that is left beside edges alone is no noise left in even areas.
    void noiseAlongEdges() {
        const auto all = checksOfMosaic(changed([&](int x, int y, double v) {
            return rangeAround(x, y, 10) > 6 * sigmaAt(x, y, v) ? noisy(x, y) : v;
        }));
        const Finding found = named(all, "noise along edges");
        QVERIFY2(found.grade != Grade::Good, qPrintable(QString::number(found.value.value_or(-1))));
        QVERIFY(!found.places.empty());
        QVERIFY(named(all, "noise left").grade == Grade::Good);
        QVERIFY(named(all, "halos").grade == Grade::Good);
    }
    // Sharpened by what each sample has that its surround has not.
    void halos() {
        const auto all = checksOfMosaic(changed([&](int x, int y, double v) {
            double sum = 0;
            for (int j = -4; j <= 4; j += 2)
                for (int i = -4; i <= 4; i += 2)
                    sum +=
                        static_cast<double>(taken_.truth.at(std::clamp(x + i, x & 1, kWidth - 2 + (x & 1)),
                                                            std::clamp(y + j, y & 1, kHeight - 2 + (y & 1))));
            return std::max(0.0, v + (v - sum / 25));
        }));
        const Finding found = named(all, "halos");
        QVERIFY2(found.grade != Grade::Good, qPrintable(QString::number(found.value.value_or(-1))));
        QVERIFY(!found.places.empty() &&
                rangeAround(found.places[0].x + 48, found.places[0].y + 48, 48) >
                    10 * sigmaAt(found.places[0].x + 48, found.places[0].y + 48, 0.05));
    }
    // Red and blue less green, smoothed over edges that green keeps.
    void fringes() {
        const Mosaic& mosaic = taken_.photo.mosaic;
        const auto truth = [&](int x, int y) {
            return static_cast<double>(
                taken_.truth.at(std::clamp(x, 0, kWidth - 1), std::clamp(y, 0, kHeight - 1)));
        };
        const auto green = [&](int x, int y) {
            return 0.25 * (truth(x - 1, y) + truth(x + 1, y) + truth(x, y - 1) + truth(x, y + 1));
        };
        const auto all = checksOfMosaic(changed([&](int x, int y, double v) {
            if (mosaic.at(x, y) == Mosaic::Green) return v;
            double more = 0;
            for (int j = -6; j <= 6; j += 2)
                for (int i = -6; i <= 6; i += 2) more += truth(x + i, y + j) - green(x + i, y + j);
            return std::max(0.0, green(x, y) + more / 49);
        }));
        const Finding found = named(all, "fringes");
        QVERIFY2(found.grade != Grade::Good, qPrintable(QString::number(found.value.value_or(-1))));
        QVERIFY(!found.places.empty());
        const Finding perfect = named(checksOfMosaic(taken_.truth), "fringes");
        QVERIFY2(perfect.value && *perfect.value < 0.03,
                 qPrintable(QString::number(perfect.value.value_or(-1))));
    }

    void grid() {
        const double sigma = taken_.photo.noise.channel[1].sigma(0.05);
        const auto all = checksOfMosaic(changed(
            [&](int x, int y, double v) { return v + ((x / 2 + y / 2) % 2 == 0 ? 0.06 : -0.06) * sigma; }));
        QVERIFY2(named(all, "patterns").grade != Grade::Good,
                 qPrintable(QString::number(named(all, "patterns").value.value_or(-1))));
    }

    // Of a take: nothing bad at its usual strengths, much lost at three times as much.
    void takes() {
        const auto ofTake = [&](const Settings& s) {
            return checksOf(taken_.photo, [&](const Rect& area, const Work& work) {
                return cleanRegion(taken_.photo, s, area, work);
            });
        };
        Settings settings{"bm3d-quick"};
        const auto usual = ofTake(settings);
        for (const Finding& f : usual) QVERIFY2(f.grade != Grade::Bad, f.check.c_str());
        settings.luminance = 3, settings.detail = 0;
        QVERIFY(*named(ofTake(settings), "detail lost").value > *named(usual, "detail lost").value);
    }

    // A take's error is estimated: near what it truly is, more where less was cleaned, and not of a file.
    void theErrorIsEstimated() {
        const auto error = [&](const Settings& s) {
            return *named(checksOf(taken_.photo, s), "estimated error").value;
        };
        Settings settings{"bm3d-quick"};
        const double usual = error(settings);
        settings.luminance = settings.colour = 0.3f;
        const double little = error(settings);
        QVERIFY2(usual > 0.05 && usual < 0.6 && little > usual + 0.1,
                 qPrintable(QStringLiteral("%1 %2").arg(usual).arg(little)));
        const Finding none = named(checksOf(taken_.photo, Settings::original()), "estimated error");
        const double truly = errorOfOriginal();
        QVERIFY2(none.grade == Grade::Bad && std::abs(*none.value - truly) < 0.03 &&
                     std::abs(truly - 1) < 0.06,
                 qPrintable(QStringLiteral("%1, truly %2").arg(*none.value).arg(truly)));
        for (const Finding& f : checksOfMosaic(taken_.truth)) QVERIFY(f.check != "estimated error");
    }
    // Too small for a square: nothing is told, and nothing is bad.
    // What is advised is another take, and its checks are better where it was advised against.
    void adviceIsBetter_data() {
        QTest::addColumn<QString>("take");
        QTest::addColumn<QString>("check");
        QTest::newRow("too little") << "bm3d-quick,luminance=0.4"
                                    << "noise left";
        QTest::newRow("much too little") << "wavelet,luminance=0.2,detail=0.5"
                                         << "noise left";
        QTest::newRow("too much") << "nlm,luminance=2.5,detail=0,zone=points,luminance=0.3"
                                  << "detail lost";
        QTest::newRow("points gone") << "nlm,luminance=2.5,detail=0"
                                     << "points lost";
    }
    void adviceIsBetter() {
        QFETCH(QString, take);
        QFETCH(QString, check);
        const auto checked = [&](const Settings& s) {
            return checksOf(taken_.photo, [&](const Rect& area, const Work& work) {
                return cleanRegion(taken_.photo, s, area, work);
            });
        };
        const auto valueOf = [&](const std::vector<Finding>& all) {
            return *std::find_if(all.begin(), all.end(), [&](const Finding& f) {
                        return f.check == check.toStdString();
                    })->value;
        };
        const Settings settings = settingsFromText(take.toStdString());
        const std::vector<Finding> before = checked(settings);
        const auto advice = adviceOn(before, settings);
        QVERIFY(advice && !(advice->settings == settings) && problemWith(advice->settings).empty());
        QVERIFY(!advice->sentence.empty() && advice->sentence.back() == '.');
        QVERIFY2(valueOf(checked(advice->settings)) < valueOf(before) - 0.01, advice->sentence.c_str());
    }
    // Where all is good nothing is advised; the worst grade comes first, and of equal ones what is lost.
    // Noise that a zone was asked to leave is no finding, and that of the rest still is.
    void whatAZoneLeavesIsNoFault() {
        Settings take = settingsFromText("bm3d-quick");
        Zone left;
        Stroke over;
        over.points = {{0, 300}, {1000, 300}}, over.diameter = 700, over.softness = 0;
        left.strokes = {over}, left.luminance = 0.1f, left.colour = 0.1f;
        take.zones = {left};
        const std::vector<Finding> asked = checksOf(taken_.photo, take);
        // The same pixels, without anybody having asked for them.
        const std::vector<Finding> plain = checksOf(taken_.photo, [&](const Rect& area, const Work& work) {
            return cleanRegion(taken_.photo, take, area, work);
        });
        QVERIFY(named(plain, "noise left").grade != Grade::Good ||
                named(plain, "evenness").grade != Grade::Good);
        for (const char* check : {"noise left", "evenness", "noise along edges", "colour blotches"})
            QVERIFY2(named(asked, check).grade == Grade::Good, check);
        // With a take that leaves noise everywhere the rest of the photo tells.
        take.luminance = 0.3f;
        QVERIFY(named(checksOf(taken_.photo, take), "noise left").grade != Grade::Good);
    }
    // Below 1 is good, from 2 on bad, and the grades say the same.
    void severityIsTheGrade() {
        for (const char* take : {"bm3d-quick", "bm3d-quick,luminance=0.4", "nlm,luminance=2.5,detail=0"}) {
            const std::vector<Finding> all = checksOf(taken_.photo, settingsFromText(take));
            for (const Finding& f : all) QVERIFY(gradeOf(f.severity) == f.grade);
            const Finding* worst = worstFinding(all);
            for (const Finding& f : all) QVERIFY(f.severity <= worst->severity);
        }
        QVERIFY(!worstFinding({}));
    }
    void adviceFollowsTheGrades() {
        const auto finding = [](const char* check, Grade grade, double value) {
            return Finding{check, value, "", grade, "", {}};
        };
        const Settings take{"nlm"};
        QVERIFY(!adviceOn({finding("noise left", Grade::Good, 0.1)}, take));
        QVERIFY(!adviceOn({finding("patterns", Grade::Bad, 1)}, take));
        const auto points =
            adviceOn({finding("noise left", Grade::Bad, 0.6), finding("points lost", Grade::Bad, 0.5)}, take);
        QVERIFY(points && points->settings.zones.size() == 1 &&
                points->settings.zones[0].part == FoundPart::Points);
        // There is a zone on points already: the next in line.
        const auto noise =
            adviceOn({finding("noise left", Grade::Bad, 0.6), finding("points lost", Grade::Bad, 0.5)},
                     points->settings);
        QVERIFY(noise && noise->settings.luminance > take.luminance);
        Settings most = take;
        most.luminance = 3;
        QVERIFY(!adviceOn({finding("noise left", Grade::Bad, 0.6)}, most));
        // Detail: strength beyond the noise, then detail, then strength again, and at last nothing.
        Settings strong = take;
        strong.luminance = 2;
        const std::vector<Finding> lost = {finding("detail lost", Grade::Bad, 0.4)};
        const auto first = adviceOn(lost, strong);
        QVERIFY(first && first->settings.luminance == 1 && first->settings.detail == take.detail);
        const auto second = adviceOn(lost, first->settings);
        QVERIFY(second && second->settings.detail == 0.5f && second->settings.luminance == 1);
        const auto third = adviceOn(lost, second->settings);
        QVERIFY(third && third->settings.luminance == 0.8f);
        Settings weak = third->settings;
        weak.luminance = 0.4f;
        QVERIFY(!adviceOn(lost, weak));
        const auto colour = adviceOn({finding("colour blotches", Grade::Look, 0.5)}, take);
        QVERIFY(colour && colour->settings.coarse > 1 && colour->settings.luminance == take.luminance);
    }
    void tiny() {
        for (const int side : {6, 31, 40, 100}) {
            Plane truth(side, side);
            truth.fill(0.2f);
            const Photo photo = takePhoto(truth, {}, {});
            for (const Finding& f : checksOf(photo, [&](const Rect&area, const Work&) {
                     return cleanRegion(photo, Settings::original(), area);
                 }))
                QVERIFY2(!f.value || *f.value >= 0, f.check.c_str());
        }
    }

    // Others' files of a raw that its camera smoothed are refused with a sentence.
    void refused() {
        Photo smoothed = takePhoto(Plane(64, 64), {}, {});
        smoothed.smoothing = {0.1, 0};
        QVERIFY_THROWS_EXCEPTION(std::invalid_argument, checksOf(smoothed, [](const Rect& area, const Work&) {
                                     return Image(Holds::Mosaic, area);
                                 }));
    }

    // A take of a raw that its camera smoothed is checked on what the sensor gave.
    void smoothedRawsAreChecked() {
        Body body;
        body.smoothing = {0.12, 0};
        Shot shot;
        shot.iso = 12800;
        Photo photo =
            takePhoto(exposeMosaic(test::lightOf(Scene::GearLoft, 512, 384), body, shot), body, shot);
        measure(photo);
        QVERIFY(!photo.smoothing.none());
        const Finding clean = named(checksOf(photo, {"bm3d-quick"}), "noise left"),
                      noisy = named(checksOf(photo, {"bm3d-quick", 0.5f}), "noise left");
        QVERIFY(clean.value && *clean.value < 0.2);
        QVERIFY(noisy.value && *noisy.value > 0.4);
    }

    // Noise that goes from pixel to pixel: of an X-Trans mosaic's full colour, and of a finished picture.
    // What is right raises nothing that is bad, and faults are told from it.
    void noiseFromPixelToPixelIsChecked_data() {
        QTest::addColumn<bool>("xtrans");
        QTest::newRow("X-Trans") << true;
        QTest::newRow("finished picture") << false;
    }
    void noiseFromPixelToPixelIsChecked() {
        QFETCH(bool, xtrans);
        Body body;
        body.xTrans = xtrans;
        Shot shot;
        shot.iso = 6400;
        const Plane truth = exposeMosaic(test::lightOf(Scene::SackStore, kWidth, kHeight), body, shot);
        const Photo noisy = takePhoto(truth, body, shot);
        Photo clean = noisy;
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                clean.samples[clean.index(x, y)] = static_cast<std::uint16_t>(std::lround(
                    body.black + static_cast<double>(truth.at(x, y)) * (body.white - body.black)));
        if (xtrans) clean.xtrans->samples = clean.samples;
        const PhotoPtr photo = seenAs(noisy, "noisy", Measure::Noise),
                       right = seenAs(clean, "clean", Measure::Nothing);
        QVERIFY(!photo->hasMosaic() && photo->developed != xtrans);
        const auto checked = [&](const std::function<float(const Rect&, float noisy, float right)>& made) {
            return checksOf(*photo, [&](const Rect& area, const Work&) {
                Image out = cleanRegion(*right, Settings::original(), area);
                const Image from = cleanRegion(*photo, Settings::original(), area);
                for (std::size_t c = 0; c < 3; ++c)
                    for (int y = area.y; y < area.bottom(); ++y)
                        for (int x = area.x; x < area.right(); ++x)
                            out.rowAt(c, y)[x] = made({x, y, 1, 1}, from.rowAt(c, y)[x], out.rowAt(c, y)[x]);
                return out;
            });
        };
        for (const Finding& f : checked([](const Rect&, float, float v) { return v; }))
            QVERIFY2(
                f.grade != Grade::Bad,
                qPrintable(
                    QStringLiteral("%1 %2").arg(QString::fromStdString(f.check)).arg(f.value.value_or(-1))));
        const auto all = checked([](const Rect&, float n, float) { return n; });
        const Finding untouched = named(all, "noise left");
        QVERIFY(untouched.value && std::abs(*untouched.value - 1) < 0.1);
        const Finding half = named(checked([](const Rect& at, float n, float v) {
                                       return kPlanted.contains(at) ? 0.5f * (n + v) : v;
                                   }),
                                   "evenness");
        QVERIFY(half.value && half.grade != Grade::Good && !half.places.empty());
        QVERIFY(!half.places.front().intersected(kPlanted).empty());
        // Takes are checked likewise; only finished pictures have steps of tone.
        const auto take = checksOf(*photo, {"bm3d-quick"});
        QCOMPARE(std::any_of(take.begin(), take.end(),
                             [](const Finding& f) { return f.check == "steps of tone"; }),
                 !xtrans);
        QVERIFY(named(take, "colour shift").grade == Grade::Good);
    }

    // A gradient in 8 bits has steps, unless it is dithered, or has more bits.
    void stepsOfTone_data() {
        QTest::addColumn<int>("kind");
        QTest::addColumn<bool>("found");
        QTest::newRow("8 bits") << 0 << true;
        QTest::newRow("8 bits, dithered") << 1 << false;
        QTest::newRow("16 bits") << 2 << false;
    }
    void stepsOfTone() {
        QFETCH(int, kind);
        QFETCH(bool, found);
        constexpr int kSide = 512;
        std::mt19937 random(4);
        std::normal_distribution<double> normal(0, 3);
        std::uniform_real_distribution<double> dither(-0.49, 0.49);
        const auto picture = [&](const char* name, bool noisy) {
            QImage image(kSide, kSide, QImage::Format_RGBX64);
            for (int y = 0; y < kSide; ++y)
                for (int x = 0; x < kSide; ++x) {
                    double v = 60 + 0.15 * x + 0.02 * y; // codes of 8 bits
                    if (noisy) v += normal(random);
                    if (!noisy && kind == 0) v = std::round(v);
                    if (!noisy && kind == 1) v = std::round(v + dither(random));
                    const auto code = static_cast<quint16>(std::lround(257 * v));
                    image.setPixelColor(x, y, QColor::fromRgba64(code, code, code));
                }
            const QString file = folder_.filePath(QLatin1String(name));
            image.save(file);
            return readPhoto(file.toStdString());
        };
        const PhotoPtr photo = picture("gradient.png", true), cleaned = picture("smooth.png", false);
        const Finding steps = named(
            checksOf(*photo, [&](const Rect& area,
                                 const Work&) { return cleanRegion(*cleaned, Settings::original(), area); }),
            "steps of tone");
        QVERIFY(steps.value);
        QVERIFY2(found ? *steps.value > 0.8 && steps.grade == Grade::Bad && !steps.places.empty()
                       : *steps.value < 0.02,
                 qPrintable(QString::number(*steps.value)));
    }

    // Where nothing is even, noise that is left in one half is told by what was not taken away.
    void unevennessShowsInTexture() {
        constexpr int kSide = 1024; // halves are whole regions
        const Photo photo = test::texturedField(0.1, 12800, kSide);
        const Rect left{0, 0, kSide / 2, kSide};
        const auto unevenness = [&](bool everywhere) {
            return named(checksOf(photo,
                                  [&](const Rect& area, const Work& work) {
                                      Image out = cleanRegion(photo, {"bm3d-quick"}, area, work);
                                      for (int y = area.y; y < area.bottom(); ++y)
                                          for (int x = area.x; x < area.right() && !everywhere; ++x)
                                              if (x >= left.right())
                                                  out.rowAt(0, y)[x] = photo.normalised(x, y);
                                      return out;
                                  }),
                         "evenness");
        };
        const Finding whole = unevenness(true), half = unevenness(false);
        QVERIFY(whole.value && whole.grade == Grade::Good);
        QVERIFY(half.value && half.grade == Grade::Bad && !half.places.empty());
        for (const Rect& place : half.places) QVERIFY(place.intersected(left).empty());
    }

    void cancelled() {
        std::stop_source stop;
        stop.request_stop();
        QVERIFY_THROWS_EXCEPTION(Cancelled, checksOf(
                                                taken_.photo,
                                                [&](const Rect& area, const Work& work) {
                                                    return cleanRegion(taken_.photo, {"wavelet"}, area, work);
                                                },
                                                Work{stop.get_token()}));
    }
};

QTEST_GUILESS_MAIN(TestChecks)
#include "checks.moc"
