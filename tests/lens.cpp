// A lens with known faults, corrected by the file's own opcodes and by the lens database: what remains.
#include <QTest>
#include <fstream>

#include "deliver/export.h"
#include "develop/lens.h"
#include "measure/open.h"
#include "measure/pattern.h"
#include "optics.h"
#include "support.h"

using namespace irenic;

namespace {

constexpr int kWidth = 480, kHeight = 360;
const Settings kOriginal = Settings::original();

Optics faulty() {
    Optics o;
    o.distortion = 0.06, o.red = 1.0035, o.blue = 0.996, o.vignetting = 0.35;
    return o;
}

// Small bright discs on grey in a regular grid.
std::array<Plane, 3> dots() {
    std::array<Plane, 3> light = {Plane(kWidth, kHeight), Plane(kWidth, kHeight), Plane(kWidth, kHeight)};
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            const double u = (x + 20) % 40 - 20, v = (y + 20) % 40 - 20;
            for (Plane& p : light)
                p.at(x, y) = static_cast<float>(0.15 + 0.4 * std::exp(-(u * u + v * v) / 18));
        }
    return light;
}

Photo taken(const std::array<Plane, 3>& light, bool opcodes, const Optics& optics = faulty()) {
    Shot shot;
    shot.iso = 100;
    Body body;
    if (!opcodes) body.lens = "Quay 35mm f/2 tide";
    Photo p = takePhoto(exposeMosaic(light, body, shot, optics), body, shot);
    if (opcodes) p.metadata.mosaic.push_back(opcodesFor(optics, kWidth, kHeight));
    return p;
}

// Where the disc near (x, y) lies in a plane.
std::array<double, 2> discAt(const Plane& p, int x, int y) {
    double sx = 0, sy = 0, sum = 0, ground = 1;
    for (int j = -9; j <= 9; ++j)
        for (int i = -9; i <= 9; ++i) ground = std::min(ground, static_cast<double>(p.at(x + i, y + j)));
    for (int j = -9; j <= 9; ++j)
        for (int i = -9; i <= 9; ++i) {
            const double w = std::max(0.0, static_cast<double>(p.at(x + i, y + j)) - ground - 0.03);
            sx += w * i, sy += w * j, sum += w;
        }
    return {x + sx / sum, y + sy / sum};
}

struct Remains {
    double place = 0, colours = 0; // root mean squares: of green's distance from where it belongs, of red's
                                   // and blue's from green; pixels
};
Remains remainsOf(const Photo& p, const Look& look) {
    const auto rgb = developRegion(recipeOf(p, kOriginal, look), {0, 0, kWidth, kHeight}, OutputSpace::Srgb);
    Remains r;
    int n = 0;
    for (int y = 40; y < kHeight - 30; y += 40)
        for (int x = 40; x < kWidth - 30; x += 40, ++n) {
            const auto green = discAt(rgb[1], x, y);
            r.place += std::pow(green[0] - x, 2) + std::pow(green[1] - y, 2);
            for (const std::size_t c : {0u, 2u}) {
                const auto other = discAt(rgb[c], x, y);
                r.colours += 0.5 * (std::pow(other[0] - green[0], 2) + std::pow(other[1] - green[1], 2));
            }
        }
    return {std::sqrt(r.place / n), std::sqrt(r.colours / n)};
}

} // namespace

class TestLens : public QObject {
    Q_OBJECT

    void sources() {
        QTest::addColumn<bool>("opcodes");
        QTest::newRow("the file's opcodes") << true;
        QTest::newRow("the database") << false;
    }

  private slots:
    void initTestCase() {
        QTemporaryDir folder;
        const std::string file = folder.filePath("tide.xml").toStdString();
        std::ofstream(file) << lensProfile(faulty(), Body().make, Body().model, "Quay 35mm f/2 tide", kWidth,
                                           kHeight);
        addLensProfiles(file);
        std::ofstream(file) << "no lenses here";
        QVERIFY_EXCEPTION_THROWN(addLensProfiles(file), std::runtime_error);
    }
    void whatIsKnownIsSaid() {
        QVERIFY(lensOf(taken(dots(), true)).source.find("in the file") != std::string::npos);
        const LensFound listed = lensOf(taken(dots(), false));
        QVERIFY2(listed.source.find("tide") != std::string::npos, listed.missing.c_str());
        QVERIFY(listed.lens->hasDistortion() && listed.lens->hasChromatic() && listed.lens->hasVignetting());
        Photo other = taken(dots(), false);
        other.lens = "Nobody's 7-11mm";
        QVERIFY(!lensOf(other).lens && lensOf(other).missing.find("Nobody's") != std::string::npos);
        other.lens.clear();
        QVERIFY(!lensOf(other).lens && !lensOf(other).missing.empty());
    }
    void distortionGoes_data() { sources(); }
    void distortionGoes() {
        QFETCH(bool, opcodes);
        const Photo p = taken(dots(), opcodes);
        const double before = remainsOf(p, {}).place;
        QVERIFY2(before > 1.4, qPrintable(QString::number(before)));
        // Without a change of scale: largest rectangle.
        Look look = lookFromText("distortion,edges=largest");
        const double after = remainsOf(p, look).place;
        QVERIFY2(after < 0.1, qPrintable(QStringLiteral("%1 -> %2 px").arg(before).arg(after)));
    }
    void coloursMeet_data() { sources(); }
    void coloursMeet() {
        QFETCH(bool, opcodes);
        const Photo p = taken(dots(), opcodes);
        const double before = remainsOf(p, {}).colours,
                     after = remainsOf(p, lookFromText("chromatic")).colours;
        QVERIFY2(before > 0.4 && after < 0.12 * before,
                 qPrintable(QStringLiteral("%1 -> %2 px").arg(before).arg(after)));
        // The picture itself stays where it was.
        QVERIFY(std::abs(remainsOf(p, lookFromText("chromatic")).place - remainsOf(p, {}).place) < 0.03);
    }
    void cornersGetTheirLight_data() { sources(); }
    void cornersGetTheirLight() {
        QFETCH(bool, opcodes);
        std::array<Plane, 3> even = {Plane(kWidth, kHeight), Plane(kWidth, kHeight), Plane(kWidth, kHeight)};
        for (Plane& p : even) p.fill(0.3f);
        const Photo p = taken(even, opcodes);
        const auto fall = [&](const Look& look) {
            const auto at = [&](const Rect& r) {
                return test::meanOf(developRegion(recipeOf(p, kOriginal, look), r, OutputSpace::Srgb)[1]);
            };
            return at({4, 4, 16, 16}) / at({kWidth / 2 - 8, kHeight / 2 - 8, 16, 16});
        };
        QVERIFY(fall({}) < 0.8);
        QVERIFY2(std::abs(fall(lookFromText("vignetting")) - 1) < 0.02,
                 qPrintable(QString::number(fall(lookFromText("vignetting")))));
    }
    void edgesAsAsked() {
        for (const double d : {0.15, -0.15}) {
            Optics o;
            o.distortion = d;
            std::array<Plane, 3> even = {Plane(kWidth, kHeight), Plane(kWidth, kHeight),
                                         Plane(kWidth, kHeight)};
            for (Plane& p : even) p.fill(0.3f);
            const Photo p = taken(even, true, o);
            const auto darkest = [&](const Look& look) {
                const Rect r = outputFrame(p, look);
                const auto rgb = developRegion(recipeOf(p, kOriginal, look), r, OutputSpace::Srgb);
                float low = 1;
                for (int y = 0; y < r.height; ++y)
                    for (int x = 0; x < r.width; ++x) low = std::min(low, rgb[1].at(x, y));
                return low;
            };
            const Look ratio = lookFromText("distortion"), largest = lookFromText("distortion,edges=largest"),
                       all = lookFromText("distortion,edges=all");
            QVERIFY(outputFrame(p, ratio) == p.crop);
            QVERIFY(darkest(ratio) > 0.1f && darkest(largest) > 0.1f);
            QVERIFY(p.crop.contains(outputFrame(p, largest)));
            QVERIFY(framingOf(p, all).scale <= framingOf(p, ratio).scale);
            if (d > 0) QVERIFY(darkest(all) == 0.0f); // something lies outside
        }
    }
    void aRegionIsACropOfTheWhole_data() { sources(); }
    void aRegionIsACropOfTheWhole() {
        QFETCH(bool, opcodes);
        const Photo p = taken(test::millLight(), opcodes);
        const Look look = lookFromText("vignetting,chromatic,distortion,fringes,softness=hair");
        const Picture all = render(recipeOf(p, kOriginal, look), {0, 0, kWidth, kHeight}, 1);
        for (const Rect& r : {Rect{57, 33, 81, 66}, Rect{0, 0, 40, 40}, Rect{431, 311, 49, 49}}) {
            const Picture part = render(recipeOf(p, kOriginal, look), r, 1);
            // Places are worked out in single precision: the last of 16 bits may differ.
            int most = 0;
            for (int y = 0; y < r.height; ++y)
                for (int i = 0; i < r.width * 3; ++i)
                    most = std::max(most, std::abs(part.row(y)[i] - all.row(r.y + y)[3 * r.x + i]));
            QVERIFY2(most <= 8, qPrintable(QString::number(most)));
        }
    }
    void aDngKeepsItsOpcodes() {
        QTemporaryDir folder;
        const PhotoPtr p = readPhoto(test::writeShot(folder, "lens.dng", taken(dots(), true)));
        const TagEntry* list = p->metadata.dng(0xc74e);
        QVERIFY(list && list->bytes == opcodesFor(faulty(), kWidth, kHeight).bytes);
        QVERIFY(lensOf(*p).lens->hasDistortion());
        Export what{recipeOf(*p), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = {"wavelet"}, what.recipe.look = lookFromText("distortion,vignetting"),
        target = folder.filePath("out.dng").toStdString();
        exportFile(what, target);
        const PhotoPtr back = readPhoto(target, {}, Measure::Nothing);
        QVERIFY(back->metadata.dng(0xc74e) && back->metadata.dng(0xc74e)->bytes == list->bytes);
        // Nothing was corrected in the samples: cleaning is all that happened to them.
        QVERIFY(back->samples == cleanSamples(*p, what.recipe.settings));
    }
    void gainMapsAreFollowed() {
        // Half the light on the right, as the map says.
        Photo p = test::flatField(0.4, 100, 96);
        for (int y = 0; y < 96; ++y)
            for (int x = 48; x < 96; ++x)
                p.samples[p.index(x, y)] = static_cast<std::uint16_t>(2048 + (p.sample(x, y) - 2048) / 2);
        TagEntry e{0xc741, 7, 0, {}};
        const auto word = [&](std::uint32_t v) {
            for (int s = 24; s >= 0; s -= 8) e.bytes.push_back(static_cast<std::uint8_t>(v >> s));
        };
        const auto real = [&](double v) {
            std::uint64_t b;
            std::memcpy(&b, &v, 8);
            word(static_cast<std::uint32_t>(b >> 32)), word(static_cast<std::uint32_t>(b));
        };
        word(1), word(9), word(0x01030000), word(0), word(10 * 4 + 4 * 8 + 4 + 2 * 4);
        for (const std::uint32_t v : {0u, 48u, 96u, 96u, 0u, 1u, 1u, 1u, 1u, 2u}) word(v);
        real(1), real(0.5), real(0), real(0.5);
        word(1), word(0x40000000), word(0x40000000); // 2.0, 2.0
        e.count = static_cast<std::uint32_t>(e.bytes.size());
        p.metadata.mosaic.push_back(e);
        const auto ratio = [&](const Look& look) {
            const auto rgb = developRegion(recipeOf(p, kOriginal, look), {0, 0, 96, 96}, OutputSpace::Srgb);
            return static_cast<double>(rgb[1].at(70, 48)) / static_cast<double>(rgb[1].at(20, 48));
        };
        QVERIFY(std::abs(ratio({}) - 0.5) < 0.05 && std::abs(ratio(lookFromText("vignetting")) - 1) < 0.05);
        // A damaged list is no reason to lose the photo.
        p.metadata.mosaic.back().bytes.resize(40);
        p.lens.clear();
        QVERIFY(!lensOf(p).lens && !lensOf(p).missing.empty());
    }
    void badPixelsOfTheFileAreMended() {
        Photo p = test::flatField(0.2, 1600, 96);
        p.samples[p.index(40, 50)] = 2300,
                              p.samples[p.index(61, 33)] = 0; // neither would be noticed as a defect
        TagEntry e{0xc740, 7, 0, {}};
        const auto word = [&](std::uint32_t v) {
            for (int s = 24; s >= 0; s -= 8) e.bytes.push_back(static_cast<std::uint8_t>(v >> s));
        };
        word(2), word(5), word(0x01030000), word(1), word(3 * 4 + 2 * 4), word(0), word(1), word(0), word(50),
            word(40);
        word(4), word(0x01030000), word(1), word(8), word(0), word(0);
        e.count = static_cast<std::uint32_t>(e.bytes.size());
        p.metadata.mosaic.push_back(e);
        const Pattern pattern = measurePattern(p);
        for (const auto& [x, y] : {std::pair{40, 50}, std::pair{61, 33}}) {
            const auto at = std::find_if(pattern.defects.begin(), pattern.defects.end(),
                                         [&, u = x, v = y](const Defect& d) { return d.x == u && d.y == v; });
            QVERIFY(at != pattern.defects.end());
            QVERIFY(std::abs(at->mended - 2048 - 0.2 * (p.white - 2048)) < 600);
        }
    }
};

QTEST_GUILESS_MAIN(TestLens)
#include "lens.moc"
