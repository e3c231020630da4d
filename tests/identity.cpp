// What photos and what is made of them are told apart by; and that nobody changes pixels without saying so.
#include <QTest>
#include <functional>
#include <map>
#include <set>

#include "deliver/export.h"
#include "develop/algorithms.h"
#include "develop/picture_store.h"
#include "judge/shown.h"
#include "raw/identity.h"
#include "support.h"

using namespace irenic;

class TestIdentity : public QObject {
    Q_OBJECT

    static Photo measured() {
        Photo p = test::shoot(6400).photo;
        p.id = {};
        return p;
    }

  private slots:
    void everythingThatDecidesPixelsCounts() {
        const Photo photo = measured();
        const PhotoId id = idOf(photo);
        QCOMPARE(id.text.size(), std::size_t(32));
        const std::pair<const char*, std::function<void(Photo&)>> changes[] = {
            {"a sample", [](Photo& p) { p.samples[77] ^= 1; }},
            {"white balance", [](Photo& p) { p.neutral[0] *= 1.01; }},
            {"crop", [](Photo& p) { p.crop.x += 2, p.crop.width -= 2; }},
            {"active area", [](Photo& p) { p.active.width -= 2; }},
            {"a matrix", [](Photo& p) { p.profiles[0].colourMatrix[3] += 0.01; }},
            {"a forward matrix", [](Photo& p) { p.profiles[0].forwardMatrix = kIdentity3; }},
            {"calibration", [](Photo& p) { p.profiles[0].calibration[0] = 1.5; }},
            {"orientation", [](Photo& p) { p.orientation = 6; }},
            {"black level", [](Photo& p) { p.black.pattern[0] += 1; }},
            {"black of columns",
             [](Photo& p) { p.black.deltaH.assign(static_cast<std::size_t>(p.width()), 1.f); }},
            {"white level", [](Photo& p) { p.white -= 1; }},
            {"mosaic", [](Photo& p) { std::swap(p.mosaic.site[0], p.mosaic.site[1]); }},
            {"exposure", [](Photo& p) { p.baselineExposure = 0.5; }},
            {"gains", [](Photo& p) { p.analogBalance[1] = 1.2; }},
            {"opcodes",
             [](Photo& p) {
                 p.metadata.mosaic.push_back({0xc741, 7, 4, {0, 0, 0, 0}});
             }},
            {"unevenness", [](Photo& p) { p.unevenness.down = 0.1; }},
            {"noise", [](Photo& p) { p.noise.channel[2].a *= 1.1; }},
            {"defects",
             [](Photo& p) {
                 p.pattern.defects.push_back({3, 4, 7});
             }},
            {"what was mended", [](Photo& p) { p.mended = p.samples, p.mended[5] += 1; }},
            {"lens", [](Photo& p) { p.lens = "another"; }},
            {"focal length", [](Photo& p) { p.focal += 1; }},
            {"a finished picture", [](Photo& p) { p.developed = true; }}};
        std::set<std::string> all = {id.text};
        for (const auto& [what, change] : changes) {
            Photo other = photo;
            change(other);
            QVERIFY2(all.insert(idOf(other).text).second, what);
        }
        // Notes decide nothing.
        Photo noted = photo;
        noted.file = "/elsewhere.dng", noted.taken = "2026:01:16 00:00:00", noted.iso = 1;
        noted.metadata.main.push_back({0x010e, 2, 4, {'t', 'i', 'd', 'e'}});
        QVERIFY(idOf(noted) == id);
    }
    void storesTellPhotosOfEqualSamplesApart() {
        const Photo a = measured();
        Photo b = a;
        b.neutral = {0.4, 1, 0.9};
        PictureStore store(1 << 24, 1 << 24);
        const Rect area{40, 40, 64, 48};
        const Recipe ofA = recipeOf(a, {"wavelet"}), ofB = recipeOf(b, {"wavelet"});
        const Picture one = store.get(ofA, area, 1), two = store.get(ofB, area, 1);
        QVERIFY(one.rgb != two.rgb);
        QVERIFY(store.get(ofA, area, 1).rgb == one.rgb && store.get(ofB, area, 1).rgb == two.rgb);
    }
    void recipesAreKnownByAllThatDecidesPixels() {
        const Photo photo = measured();
        const Recipe recipe = recipeOf(photo, {"wavelet"});
        std::set<std::string> all = {idOf(recipe).text};
        for (const Field<Settings>& field : fieldsOf<Settings>()) {
            Recipe other = recipe;
            const bool zones = std::holds_alternative<TextMember<Settings>>(field.member);
            setFromText(field, other.settings,
                        !field.choices.empty()                    ? field.choices.back()
                        : zones                                   ? "zone=dark,luminance=0.5"
                        : valueText(field, other.settings) == "0" ? "1"
                                                                  : "0");
            if (!other.settings.untouched()) QVERIFY2(all.insert(idOf(other).text).second, field.id);
        }
        Recipe other = recipe;
        other.settings.method = "nlm";
        QVERIFY(all.insert(idOf(other).text).second);
        for (const char* look :
             {"exposure=0.5", "kelvin=4000", "softness=hair", "distortion", "curve=0:0;1:0.9"})
            QVERIFY2(all.insert(idOf(recipeOf(photo, recipe.settings, lookFromText(look))).text).second,
                     look);
        // A photo that was read twice is one; settings that change nothing are the original's.
        const Photo again = photo;
        QVERIFY(idOf(recipeOf(again, {"wavelet"})) == idOf(recipe));
        QVERIFY(idOf(recipeOf(photo, {"nlm", 0, 0})) == idOf(recipeOf(photo)));
        // Whoever shows them keeps one picture of both.
        const Shown shown = recipe;
        QCOMPARE(idOf(shown), idOf(recipe).text);
    }
    void marksNamePhotoValuesAndAlgorithms() {
        const Photo a = measured();
        Photo b = a;
        b.neutral = {0.4, 1, 0.9};
        const Export what{recipeOf(a, {"wavelet"}), {}, {}, false};
        const std::string mark = markOf(what);
        Export other = what;
        other.recipe = recipeOf(b, {"wavelet"});
        QVERIFY(mark != markOf(other) && mark == markOf(what));
        other = what, other.recipe.look.exposure = 0.5f;
        QVERIFY(mark != markOf(other));
        other = what, other.recipe.settings.colour = 1.1f;
        QVERIFY(mark != markOf(other));
        other = what, other.recommended = true;
        QVERIFY(mark != markOf(other));
        // What was recommended is called so, whatever it came to.
        const std::string recommended = markOf(other);
        other.recipe.settings.colour = 1.1f;
        QVERIFY(recommended == markOf(other));
        other = what, other.delivery.folder = "elsewhere"; // where it goes says nothing of what is in it
        QVERIFY(mark == markOf(other));
    }
    void pixelsChangeWithTheirVersionAlone_data() {
        QTest::addColumn<QString>("method");
        for (const auto& m : methods()) QTest::newRow(m->id().c_str()) << QString::fromStdString(m->id());
    }
    // What each method and a full look give, as the means of a few blocks. Where this fails, pixels have
    // changed: raise kAlgorithms, say why beside it, and put the new values here (the test prints them).
    void pixelsChangeWithTheirVersionAlone() {
        QFETCH(QString, method);
        QCOMPARE(kAlgorithms, 6);
        const std::map<QString, std::array<double, 6>> known = {
            {"wavelet", {198.6504, 126.3638, 57.0913, 5.2107, 3.0637, 3.5837}},
            {"nlm", {198.4720, 126.1995, 57.4574, 5.4100, 3.4015, 3.1467}},
            {"bm3d-quick", {198.6541, 126.3210, 57.5352, 4.5482, 2.9166, 2.5655}},
            {"bm3d", {198.6489, 126.3255, 57.4751, 4.5706, 2.8747, 2.7758}},
            {"nlbayes", {198.6696, 126.2852, 57.5716, 4.6692, 3.0220, 2.4215}},
            {"learned-quick", {198.7806, 126.2464, 57.6724, 4.7934, 3.0610, 2.2035}},
            {"learned", {198.7747, 126.2096, 57.7708, 4.8143, 3.0844, 1.8551}},
        };
        const Photo photo = measured();
        const Look look = lookFromText(
            "exposure=-1.2,highlights=-0.3,shadows=0.4,saturation=1.1,softness=hair,kelvin=4800");
        Settings settings{method.toStdString(), 1.2f, 1.1f};
        settings.grain = 0.1f;
        const Picture p = render(recipeOf(photo, settings, look), {120, 96, 96, 64}, {1, 0});
        std::array<double, 6> means{};
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 96; ++x)
                for (int c = 0; c < 3; ++c) {
                    const int v = inEightBits(p.row(y)[3 * x + c]);
                    means[static_cast<std::size_t>(c)] += v / (96.0 * 64);
                    // How much differs from pixel to pixel: what means do not see.
                    if (x > 0)
                        means[static_cast<std::size_t>(3 + c)] +=
                            std::abs(v - inEightBits(p.row(y)[3 * x - 3 + c])) / (95.0 * 64);
                }
        QString line = QStringLiteral("            {\"%1\", {").arg(method);
        for (const double m : means) line += QString::number(m, 'f', 4) + ", ";
        const auto found = known.find(method);
        QVERIFY2(found != known.end(), qPrintable(line));
        // Kinds of processors differ by some thousandths of the noise.
        for (std::size_t i = 0; i < means.size(); ++i)
            QVERIFY2(std::abs(means[i] - found->second[i]) < 0.01, qPrintable(line));
    }
};

QTEST_GUILESS_MAIN(TestIdentity)
#include "identity.moc"
