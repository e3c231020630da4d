#include <QTest>
#include <set>

#include "judge/contrast.h"
#include "judge/difference.h"
#include "judge/equal_noise.h"
#include "judge/recommend.h"
#include "judge/seen_gain.h"
#include "support.h"

using namespace irenic;

class TestJudging : public QObject {
    Q_OBJECT

    static Plane halves(int size, float left, float right) {
        Plane out(size, size);
        for (int y = 0; y < size; ++y)
            for (int x = 0; x < size; ++x) out.at(x, y) = x < size / 2 ? left : right;
        return out;
    }

  private slots:
    void initTestCase() { keepFreedMemory(); }
    // The strength with the least estimated risk is within 0.1 dB of the best one that the truth can find, on
    // nine of ten photos.
    void riskFindsTheStrength_data() {
        QTest::addColumn<double>("iso");
        for (const double iso : {3200.0, 51200.0}) QTest::addRow("ISO %g", iso) << iso;
    }
    void riskFindsTheStrength() {
        QFETCH(double, iso);
        int good = 0;
        QString losses;
        for (int i = 0; i < 10; ++i) {
            const test::Shooting s =
                test::shoot(iso, "RGGB", static_cast<std::uint32_t>(20 + i), Scene(i % 4),
                            i < 4   ? 0
                            : i < 8 ? -1.5
                                    : 0.7);
            const Rect area{24, 24, 180, 130};
            const PlaneSet truth = test::expectedPlanes(s, area, 16);
            double least = 1e9, chosenRisk = 1e9, chosen = 0;
            for (const float strength : {0.4f, 0.55f, 0.75f, 1.0f, 1.3f, 1.7f, 2.2f}) {
                const Settings settings{"wavelet", strength, strength};
                const Risk risk = estimateRisk(s.photo, settings, area);
                const PlaneSet clean = cleanPlanes(
                    stabilisedPlanes(s.photo, area.inflated(planesMargin(settings))), settings, area);
                const double error =
                    test::squaredError(clean, truth, area)[0] + test::squaredError(clean, truth, area)[1];
                least = std::min(least, error);
                if (risk.sum() < chosenRisk) chosenRisk = risk.sum(), chosen = error;
            }
            // The truth is a mean of 16 exposures and holds 1/16 of their variance, twice: once for each kind
            // of plane.
            const double loss = 10 * std::log10((chosen - 0.125) / (least - 0.125));
            good += loss < 0.1 ? 1 : 0;
            losses += QString::number(loss, 'f', 2) + ' ';
        }
        QVERIFY2(good >= 9, qPrintable(losses));
    }
    // The estimate itself is near the true error, for methods with and without hard thresholds.
    void riskIsTheError_data() {
        QTest::addColumn<QString>("id");
        for (const auto& m : methods()) QTest::newRow(m->id().c_str()) << QString::fromStdString(m->id());
    }
    void riskIsTheError() {
        QFETCH(QString, id);
        const auto s = test::shoot(12800);
        const Rect area{40, 30, 160, 120};
        const Settings settings{id.toStdString()};
        const PlaneSet truth = test::expectedPlanes(s, area, 60);
        const PlaneSet clean =
            cleanPlanes(stabilisedPlanes(s.photo, area.inflated(planesMargin(settings))), settings, area);
        const auto [luminance, colour] = test::squaredError(clean, truth, area);
        const Risk risk = estimateRisk(s.photo, settings, area);
        // The truth itself is a mean of 60 exposures and holds 1/60 of their variance.
        QVERIFY2(std::abs(risk.luminance - luminance) < 0.05,
                 qPrintable(QStringLiteral("%1 for %2").arg(risk.luminance).arg(luminance)));
        QVERIFY2(std::abs(risk.colour - colour) < 0.05,
                 qPrintable(QStringLiteral("%1 for %2").arg(risk.colour).arg(colour)));
    }
    void recommendationIsTheLeastRiskTried() {
        const auto s = test::shoot(12800);
        const std::vector<Probe> probes = placeProbes(s.photo);
        std::atomic<float> done = 0;
        const Recommendation r = recommend(s.photo, {}, {probes.begin(), probes.begin() + 2}, {{}, &done});
        QVERIFY(problemWith(r.settings).empty());
        // Strengths that are not the noise's own have to be clearly better.
        const auto rankOf = [](const Tried& t) {
            const bool matched = t.settings.luminance == 1 && t.settings.colour == 1;
            return t.risk.sum() + (matched ? 0 : 0.03 * std::abs(t.risk.sum()));
        };
        const auto least =
            std::min_element(r.trials.begin(), r.trials.end(),
                             [&](const Tried& a, const Tried& b) { return rankOf(a) < rankOf(b); });
        QVERIFY(r.risk == least->risk && r.settings == least->settings);
        // Each method once, strengths and detail; and the full grade of what is recommended.
        std::set<std::string> tried;
        for (const Tried& t : r.trials) tried.insert(t.settings.method);
        for (const auto& m : methods())
            QVERIFY2(!m->quickGradeOf().empty() || tried.count(m->id()) ||
                         std::any_of(methods().begin(), methods().end(),
                                     [&](const auto& q) {
                                         return q->quickGradeOf() == m->id() && tried.count(q->id());
                                     }),
                     m->id().c_str());
        QVERIFY(r.trials.size() >= tried.size() + 3);
        // Others: one that keeps grain, whose error says so, and perhaps a quicker one that is nearly as
        // good, and one that is sharpened and otherwise the same.
        const auto other = [&](Alternative::Kind kind) -> const Alternative* {
            for (const Alternative& a : r.others)
                if (a.kind == kind) return &a;
            return nullptr;
        };
        const Alternative* grain = other(Alternative::Kind::Grain);
        QVERIFY(grain && grain->settings.grain > 0 && grain->risk.luminance > r.risk.luminance + 0.01);
        if (const Alternative* quick = other(Alternative::Kind::Quick))
            QVERIFY(quick->risk.sum() < 1.13 * r.risk.sum() && quick->times > 1.4);
        if (const Alternative* sharp = other(Alternative::Kind::Sharp))
            QVERIFY(cleaningOf(sharp->settings) == r.settings && sharp->blur > 0.4);
        const std::string reason = reasonsOf(s.photo, r).front();
        QVERIFY(reason.find(findMethod(r.settings.method)->name()) == 0 && reason.back() == '.');
        // Of its method and strengths it is the best somewhere, and says where.
        QVERIFY(!r.subjects.empty() && r.subjects.front().find("As good here as any at: ") == 0);
        for (const Tried& t : r.trials)
            QVERIFY(r.risk.sum() <= t.risk.sum() + 1e-9 || !(t.settings == r.settings));
        QVERIFY(r.risk.sum() < 0.6 && r.risk.sum() > 0);
        QVERIFY(done > 0.99f);
        std::stop_source stop;
        stop.request_stop();
        QVERIFY_EXCEPTION_THROWN(recommend(s.photo, {}, probes, {stop.get_token(), nullptr}), Cancelled);
    }
    // An error counts by how much the look shows it: more where shadows are lifted, nothing where all is
    // white.
    void errorsCountByTheLook() {
        const Plane truth = halves(384, 0.004f, 0.3f);
        Shot shot;
        shot.iso = 6400;
        const Photo photo = takePhoto(truth, {}, shot);
        const Rect dark{16, 40, 64, 64}, bright{112, 40, 64, 64};
        const auto gain = [&](const char* look, const Rect& area) {
            return test::meanOf(seenGain(photo, lookFromText(look), area));
        };
        QVERIFY(gain("", dark) > 0 && gain("", bright) > 0);
        QVERIFY(gain("shadows=1", dark) > 1.3 * gain("", dark));
        QVERIFY(std::abs(gain("shadows=1", bright) / gain("", bright) - 1) < 0.15);
        QVERIFY(gain("exposure=1", dark) > 1.25 * gain("", dark));
        QCOMPARE(gain("exposure=4", bright), 0.0);
        // The photo as a whole: more in lifted shadows, nothing in white, twice as much at four times the
        // ISO.
        const double visible = visibleNoise(photo, {});
        QVERIFY(visible > 1 && visible < 60);
        QVERIFY(visibleNoise(photo, lookFromText("shadows=1")) > 1.1 * visible);
        shot.iso = 25600;
        const double noisier = visibleNoise(takePhoto(truth, {}, shot), {});
        QVERIFY2(noisier > 1.5 * visible && noisier < 4 * visible,
                 qPrintable(QStringLiteral("%1 %2").arg(visible).arg(noisier)));
        // So a probe in what the look makes white has no say.
        Probe inDark, inBright;
        inDark.x = 96, inDark.y = 144, inBright.x = 288, inBright.y = 144;
        const Look white = lookFromText("exposure=4");
        const Recommendation alone = recommend(photo, white, {inDark}),
                             both = recommend(photo, white, {inDark, inBright}),
                             plain = recommend(photo, {}, {inDark, inBright});
        QVERIFY(both.settings == alone.settings);
        QVERIFY2(std::abs(both.risk.sum() / alone.risk.sum() - 1) < 0.02,
                 qPrintable(QStringLiteral("%1 %2").arg(both.risk.sum()).arg(alone.risk.sum())));
        QVERIFY(std::abs(plain.trials.front().risk.sum() / alone.trials.front().risk.sum() - 1) > 0.02);
    }
    // Of what does harm the next best is taken, each method once; where all do, the best stays.
    void harmIsNotRecommended() {
        const auto trial = [](const char* method, double risk) {
            Tried t;
            t.settings.method = method, t.risk.luminance = risk;
            return t;
        };
        const std::vector<Tried> trials = {trial("nlm", 0.3), trial("wavelet", 0.1), trial("wavelet", 0.12),
                                           trial("bm3d", 0.2)};
        int looked = 0;
        const auto found = harmlessOf(trials, [&](const Settings& s) {
            ++looked;
            return std::string(s.method == "wavelet" ? "points lost" : "");
        });
        QCOMPARE(found.trial.settings.method, std::string("bm3d"));
        QCOMPARE(found.refused.size(), std::size_t{1});
        QCOMPARE(found.refused[0].check, std::string("points lost"));
        QCOMPARE(looked, 2);
        QCOMPARE(harmlessOf(trials, [](const Settings&) { return std::string(); }).trial.settings.method,
                 std::string("wavelet"));
        const auto none = harmlessOf(trials, [](const Settings&) { return std::string("colour shift"); });
        QCOMPARE(none.trial.settings.method, std::string("wavelet"));
        QVERIFY(none.refused.empty());
        Recommendation r;
        r.settings.method = "bm3d", r.trials = trials, r.refused = found.refused;
        const Photo photo = test::flatField(0.1, 6400, 64);
        const std::vector<std::string> reasons = reasonsOf(photo, r);
        QVERIFY(std::count(reasons.begin(), reasons.end(),
                           "Wavelet would leave less, but loses bright points.") == 1);
    }
    // Each place by itself: what is within half a decibel of the least is as good, what is a decibel above it
    // is weaker, and what chance may make differ by is neither.
    void subjectsAreTold() {
        const std::vector<Probe> probes = {{"darkest", ""}, {"texture", ""}, {"edge", ""}};
        const auto trial = [](const char* method, double dark, double texture, double edge) {
            Tried out{Settings{method}, {}};
            for (const double own : {dark, texture, edge}) out.at.push_back({0.5 * own, 0.5 * own});
            return out;
        };
        const std::vector<Tried> all = {trial("bm3d", 0.1, 0.5, 0.3), trial("wavelet", 0.118, 0.7, 0.36)};
        using Lines = std::vector<std::string>;
        QCOMPARE(subjectsOf(all[0], all, probes), Lines{"As good here as any at: darkest, texture, edge"});
        QCOMPARE(subjectsOf(all[1], all, probes),
                 (Lines{"As good here as any at: darkest", "Weaker here than others at: texture"}));
        QVERIFY(subjectsOf({Settings{"nlm"}, {}}, {}, probes).empty());
    }
    // Nearly as good and most unlike, each unlike those before it; then the best of other methods.
    void contrastsErrElsewhere() {
        const auto trial = [](const char* method, std::vector<float> picture) {
            Tried out{Settings{method}, {}, 0, {}, std::move(picture)};
            double sum = 0; // the truth is 0 everywhere
            for (const float v : out.picture) sum += static_cast<double>(v * v);
            out.risk.luminance = sum;
            return out;
        };
        const Tried first = trial("learned", {1, 0, 0, 0});
        const std::vector<Tried> all = {first,
                                        trial("learned-quick", {1.05f, 0, 0, 0}),
                                        trial("bm3d", {0, 1.1f, 0, 0}),
                                        trial("bm3d-quick", {0, 1.05f, 0.1f, 0}),
                                        trial("nlm", {0, 0, 0.8f, 0.7f}),
                                        trial("wavelet", {-1, 0, 2, 0})};
        QVERIFY(std::abs(differenceOf(all[0], all[2]) - 2.21) < 1e-6);
        const auto methodsOf = [](const std::vector<Settings>& takes) {
            std::vector<std::string> out;
            for (const Settings& s : takes) out.push_back(s.method);
            return out;
        };
        using Names = std::vector<std::string>;
        QCOMPARE(methodsOf(contrastsOf(first, all, 2)), (Names{"bm3d", "nlm"}));
        // What is like one of them is no contrast; what errs more comes last, and there are no more than
        // there are.
        QCOMPARE(methodsOf(contrastsOf(first, all, 9)), (Names{"bm3d", "nlm", "wavelet"}));
        QVERIFY(contrastsOf(first, {all[0], all[1]}, 2).empty());
    }
    // More noise asks for no less strength: on a flat field as much as there is, on the finest texture less.
    void riskKnowsTextureFromNoise() {
        const Photo flat = test::flatField(0.1, 12800, 300);
        const Rect area{40, 40, 64, 64};
        QVERIFY(estimateRisk(flat, {"nlm", 1.7f, 1.7f}, area).sum() <
                estimateRisk(flat, {"nlm", 0.5f, 0.5f}, area).sum());
        Plane fine(300, 300);
        for (int y = 0; y < 300; ++y)
            for (int x = 0; x < 300; ++x)
                fine.at(x, y) = 0.1f + 0.06f * static_cast<float>(std::sin(x * 1.7 + y * y * 0.01) *
                                                                  std::cos(y * 1.3 - x * x * 0.013));
        Shot shot;
        shot.iso = 12800;
        const Photo texture = takePhoto(fine, {}, shot);
        QVERIFY(estimateRisk(texture, {"nlm", 0.7f, 0.7f}, area).luminance <
                estimateRisk(texture, {"nlm", 2.5f, 2.5f}, area).luminance);
    }
    // Of a picture with light and dark halves: what is removed is even, a strand that is lost stands out.
    void whatIsRemovedHasNoFormUnlessDetailIsLost() {
        const Plane truth = halves(256, 0.02f, 0.5f);
        Shot shot;
        shot.iso = 6400;
        const Photo photo = takePhoto(truth, {}, shot);
        const Difference what{recipeOf(photo), recipeOf(photo, {"bm3d", 1, 1, 0, 0}),
                              DifferencePart::Luminance, 1};
        const auto spread = [&](const Rect& r) {
            const Picture p = renderDifference(what, r, 1);
            double sum = 0, squares = 0;
            const double n = p.width * p.height;
            for (int i = 0; i < p.width * p.height; ++i) {
                const double v = inEightBits(p.rgb[static_cast<std::size_t>(3 * i)]);
                sum += v, squares += v * v;
            }
            return std::sqrt(squares / n - sum * sum / n / n);
        };
        const double dark = spread({16, 16, 96, 220}), bright = spread({144, 16, 96, 220});
        QVERIFY2(std::abs(dark / bright - 1) < 0.15,
                 qPrintable(QStringLiteral("%1 %2").arg(dark).arg(bright)));
        // A gain of 1 shows a standard deviation as ten steps; three channels' weighed mean has less.
        QVERIFY2(bright > 2 && bright < 10, qPrintable(QString::number(bright)));
        const Picture half = renderDifference(what, {0, 0, 200, 100}, 0.5);
        QVERIFY(half.width == 100 && half.height == 50);
        QVERIFY_EXCEPTION_THROWN(renderDifference(what, {0, 0, 8, 8}, 0), std::invalid_argument);
    }
    // Two methods at quite unequal strengths are levelled, of luminance and of colour; measured again on the
    // same flat areas, and on noise that was not looked at, they leave the same.
    void takesAreLevelled() {
        auto s = test::shoot(6400);
        const std::vector<Rect> areas = flatAreas(s.photo);
        QVERIFY(!areas.empty() && areas == flatAreas(s.photo));
        const Settings reference{"bm3d", 0.8f, 1.1f, 0.25f, 0};
        const NoiseLeft target = noiseLeftIn(s.photo, reference, areas);
        QVERIFY(target.luminance > 0.01 && target.luminance < 1);
        for (const char* id : {"wavelet", "nlm"}) {
            const Levelled l = levelled(s.photo, {id}, NoiseKind::Luminance, target.luminance, areas);
            QVERIFY2(l.reached && std::abs(l.left / target.luminance - 1) <= 0.03, id);
            QCOMPARE(l.settings.colour, 1.0f);
            const Levelled c = levelled(s.photo, {id}, NoiseKind::Colour, target.colour, areas);
            QVERIFY2(c.reached, id);
            QCOMPARE(c.settings.luminance, 1.0f);
        }
        // The original leaves all of it; nothing can leave more.
        QVERIFY(std::abs(noiseLeftIn(s.photo, Settings::original(), areas).luminance - 1) < 1e-6);
        QVERIFY(!levelled(s.photo, {"wavelet"}, NoiseKind::Luminance, 2, areas).reached);
        QVERIFY(!flatAreas(test::flatField(0.0, 3200, 128, 3)).empty());
    }
};

QTEST_GUILESS_MAIN(TestJudging)
#include "judging.moc"
