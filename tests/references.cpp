// Files made elsewhere from the same photo: found, laid in place, matched in colour, or refused.
#include <QImage>
#include <QtTest>

#include "image/resample.h"
#include "judge/difference.h"
#include "judge/display.h"
#include "measure/open.h"
#include "support.h"

using namespace irenic;

namespace {

constexpr int kWidth = 1280, kHeight = 960;

const std::array<Plane, 3>& light(Scene view) { return test::lightOf(view, kWidth, kHeight); }

// What some other program might make of the light: a tone curve, `stops` brighter.
Plane encodedGrey(Scene view, double stops) {
    Plane out(kWidth, kHeight);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x)
            out.at(x, y) =
                encoded(OutputSpace::Srgb,
                        std::min(1.0f, light(view)[1].at(x, y) * static_cast<float>(std::exp2(stops))));
    return out;
}

// The picture at other = scale * ours + shift, seen through the same kind of lens.
Plane moved(const Plane& in, double scale, double left, double top) {
    Plane out(static_cast<int>(in.width() * scale), static_cast<int>(in.height() * scale));
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x) {
            const double u = (x - left) / scale, v = (y - top) / scale;
            const int bu = static_cast<int>(std::floor(u)), bv = static_cast<int>(std::floor(v));
            out.at(x,
                   y) = lanczos3(static_cast<float>(u - bu), static_cast<float>(v - bv), [&](int i, int j) {
                return in.at(std::clamp(bu + i, 0, in.width() - 1), std::clamp(bv + j, 0, in.height() - 1));
            });
        }
    return out;
}

Plane noisy(const Plane& in, float sigma) {
    Plane out = in.clone();
    std::uint32_t s = 77;
    const auto next = [&] {
        s = s * 1664525U + 1013904223U;
        return static_cast<float>(s >> 8) / 16777216.0f;
    };
    for (int y = 0; y < in.height(); ++y)
        for (int x = 0; x < in.width(); ++x)
            out.at(x, y) += sigma * 1.73f * (next() + next() + next() + next() - 2);
    return out;
}

} // namespace

class TestReferences : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    PhotoPtr photo_;
    std::string path(const char* name) const {
        return folder_.filePath(QString::fromLatin1(name)).toStdString();
    }

    // The developed photo as another program's file: cropped by `inset`, turned, `stops` brighter, tinted.
    std::string file(const char* name, int inset, int turns, double stops, const char* format) const {
        const Picture p = render(recipeOf(*photo_, {"bm3d-quick"}, {}), photo_->whole(), 1);
        QImage image(p.width, p.height, QImage::Format_RGB888);
        for (int y = 0; y < p.height; ++y)
            for (int x = 0; x < p.width; ++x) {
                int v[3];
                for (int c = 0; c < 3; ++c) {
                    const float tint = c == 0 ? 1.12f : c == 2 ? 0.9f : 1.0f;
                    const float l = decoded(OutputSpace::Srgb, p.row(y)[3 * x + c] / 65535.0f) *
                                    static_cast<float>(std::exp2(stops)) * (stops != 0 ? tint : 1);
                    v[c] = static_cast<int>(encoded(OutputSpace::Srgb, std::min(1.0f, l)) * 255 + 0.5f);
                }
                image.setPixel(x, y, qRgb(v[0], v[1], v[2]));
            }
        image = image.copy(inset, inset, p.width - 2 * inset, p.height - 2 * inset);
        // To turn it upright again takes `turns` turns.
        image = image.transformed(QTransform().rotate(-90 * turns));
        const std::string to = path(name);
        image.save(QString::fromStdString(to), format, 93);
        return to;
    }

  private slots:
    void initTestCase() {
        Body body;
        Shot shot;
        shot.iso = 6400;
        photo_ = readPhoto(test::writeShot(
            folder_, "mill.dng", takePhoto(exposeMosaic(light(Scene::SackStore), body, shot), body, shot)));
    }
    void knownPlacesAreFound_data() {
        QTest::addColumn<double>("scale");
        QTest::addColumn<double>("left");
        QTest::addColumn<double>("top");
        QTest::addColumn<double>("stops");
        QTest::addColumn<double>("noise");
        QTest::newRow("in place") << 1.0 << 0.0 << 0.0 << 0.0 << 0.0;
        QTest::newRow("whole") << 1.0 << -8.0 << 40.0 << 0.0 << 0.03;
        QTest::newRow("a quarter") << 1.0 << 3.25 << -17.25 << 0.0 << 0.02;
        QTest::newRow("a half, brighter") << 1.0 << -22.5 << 0.5 << 1.0 << 0.03;
        QTest::newRow("darker") << 1.0 << 39.6 << 33.3 << -1.0 << 0.03;
        QTest::newRow("half a per cent") << 1.005 << -3.0 << 4.2 << 0.0 << 0.02;
        QTest::newRow("one per cent less") << 0.99 << 12.7 << 9.1 << 0.0 << 0.03;
        QTest::newRow("two per cent, brighter") << 1.02 << -10.4 << -20.6 << 1.0 << 0.03;
        QTest::newRow("half the size") << 0.5 << 0.0 << 0.0 << 0.0 << 0.0;
    }
    void knownPlacesAreFound() {
        QFETCH(double, scale);
        QFETCH(double, left);
        QFETCH(double, top);
        QFETCH(double, stops);
        QFETCH(double, noise);
        for (const Scene view : {Scene::SackStore, Scene::HarbourWindow}) {
            const Plane ours = noisy(encodedGrey(view, 0), static_cast<float>(noise));
            const Plane other = moved(encodedGrey(view, stops), scale, left, top);
            const Alignment a = align(ours, other);
            // At the corners and in the middle, in pixels of the other picture.
            for (const auto& [x, y] : {std::pair{40.0, 40.0},
                                       {kWidth - 40.0, 40.0},
                                       {kWidth / 2.0, kHeight / 2.0},
                                       {40.0, kHeight - 40.0}}) {
                const double off = std::hypot(a.scale * x + a.left - scale * x - left,
                                              a.scale * y + a.top - scale * y - top);
                QVERIFY2(off < 0.1, qPrintable(QStringLiteral("view %1: %2 pixels off; scale %3, %4, %5")
                                                   .arg(static_cast<int>(view))
                                                   .arg(off)
                                                   .arg(a.scale)
                                                   .arg(a.left)
                                                   .arg(a.top)));
            }
        }
    }
    void anotherPictureIsRefused() {
        const Plane ours = noisy(encodedGrey(Scene::SackStore, 0), 0.03f);
        for (const Scene view : {Scene::HarbourWindow, Scene::GearLoft, Scene::Gauges})
            QVERIFY_EXCEPTION_THROWN(align(ours, encodedGrey(view, 0)), NotAlike);
        Plane empty(kWidth, kHeight);
        empty.fill(0.5f);
        QVERIFY_EXCEPTION_THROWN(align(ours, empty), NotAlike);
        std::stop_source stop;
        stop.request_stop();
        QVERIFY_EXCEPTION_THROWN(align(ours, ours, {stop.get_token(), nullptr}), Cancelled);
    }
    void filesAreLaidInPlace_data() {
        QTest::addColumn<int>("inset");
        QTest::addColumn<int>("turns");
        QTest::addColumn<QString>("format");
        QTest::newRow("png") << 0 << 0 << "PNG";
        QTest::newRow("cropped jpeg") << 12 << 0 << "JPG";
        QTest::newRow("turned right") << 5 << 1 << "PNG";
        QTest::newRow("upside down") << 0 << 2 << "PNG";
        QTest::newRow("turned left") << 8 << 3 << "JPG";
    }
    void filesAreLaidInPlace() {
        QFETCH(int, inset);
        QFETCH(int, turns);
        QFETCH(QString, format);
        const std::string other = file("other", inset, turns, 0, format.toLatin1());
        const ReferencePtr r = Reference::open(other, *photo_, {});
        QCOMPARE(r->alignment().quarterTurns, turns);
        QCOMPARE(r->alignment().scale, 1.0);
        QVERIFY2(std::abs(r->alignment().left + inset) < 0.1 && std::abs(r->alignment().top + inset) < 0.1,
                 r->text().c_str());
        // Its pixels are where the photo's are.
        const Rect area{300, 200, 240, 160};
        const Picture there = r->render(area, 1),
                      here = render(recipeOf(*photo_, {"bm3d-quick"}, {}), area, 1);
        QCOMPARE(there.width, here.width);
        double off = 0;
        for (std::size_t i = 0; i < here.rgb.size(); ++i)
            off += std::abs(inEightBits(here.rgb[i]) - inEightBits(there.rgb[i]));
        QVERIFY2(off / static_cast<double>(here.rgb.size()) < (format == "PNG" ? 0.8 : 3.0),
                 qPrintable(QString::number(off / static_cast<double>(here.rgb.size()))));
        // All zooms give what a cell of the photo has.
        for (const double zoom : {0.25, 0.5, 2.0})
            QCOMPARE(r->render(area, zoom).width, render(recipeOf(*photo_, {}, {}), area, zoom).width);
    }
    void coloursAreMatchedWhenAsked() {
        const ReferencePtr r = Reference::open(file("bright.png", 0, 0, 1, "PNG"), *photo_, {}),
                           matched = r->matched(*photo_);
        QVERIFY(!r->match() && matched->match());
        QVERIFY2(matched->match()->after < 0.25 * matched->match()->before, matched->text().c_str());
        QVERIFY2(std::abs(matched->match()->stops + 1) < 0.2, matched->text().c_str());
        // A push lifts a reference as it lifts the photo.
        const Rect area{300, 200, 240, 160};
        const auto mean = [](const Picture& p) {
            double sum = 0;
            for (const std::uint8_t v : inEightBits(p)) sum += v;
            return sum / static_cast<double>(p.rgb.size());
        };
        const double here = mean(render(recipeOf(*photo_, {"bm3d-quick"}, {}), area, {1, 2})),
                     there = mean(matched->render(area, {1, 2}));
        QVERIFY2(std::abs(here - there) < 6, qPrintable(QStringLiteral("%1 and %2").arg(here).arg(there)));
    }
    void rawsFollowThePhotosLook() {
        Look look;
        look.exposure = -1;
        const ReferencePtr same = Reference::open(photo_->file, *photo_, look);
        QCOMPARE(same->alignment().left, 8.0 - 16.0);
        const Rect area{300, 200, 240, 160};
        const Picture a = same->render(area, 1),
                      b = render(recipeOf(*photo_, Settings::original(), look), area, 1);
        for (std::size_t i = 0; i < a.rgb.size(); ++i)
            QVERIFY(std::abs(inEightBits(a.rgb[i]) - inEightBits(b.rgb[i])) <= 1);
    }
    // A raw that is cleaned as a reference is what the same take makes of it, region by region.
    void aReferenceIsCleaned() {
        const std::string raw = test::writeShot(folder_, "again.dng", *photo_);
        const ReferencePtr plain = Reference::open(raw, *photo_, {});
        QVERIFY(plain->alignment().scale == 1);
        const Settings settings{"wavelet", 1.2f};
        const ReferencePtr clean = plain->cleaned(settings);
        QVERIFY(clean->serial() != plain->serial());
        QVERIFY(clean->text().find("cleaned by Wavelet") != std::string::npos);
        QVERIFY(plain->text().find("cleaned") == std::string::npos);
        const Rect area{200, 120, 96, 64}, part{230, 140, 40, 30};
        const PhotoPtr own = readPhoto(raw);
        const Image wanted = displayOf({own, settings, {}}, area), is = clean->display(area, 0),
                    piece = clean->display(part, 0), noisy = plain->display(area, 0);
        double off = 0, changed = 0; // what was cleaned is kept in 16 bits
        for (std::size_t c = 0; c < 3; ++c)
            for (int y = 0; y < area.height; ++y)
                for (int x = 0; x < area.width; ++x) {
                    off = std::max(off, static_cast<double>(std::abs(is[c].at(x, y) - wanted[c].at(x, y))));
                    changed += static_cast<double>(std::abs(is[c].at(x, y) - noisy[c].at(x, y)));
                    const Rect at{area.x + x, area.y + y, 1, 1};
                    if (part.contains(at))
                        QVERIFY(std::abs(piece[c].at(at.x - part.x, at.y - part.y) - is[c].at(x, y)) < 1e-4f);
                }
        QVERIFY2(off < 1e-3 && changed > 10, qPrintable(QStringLiteral("%1 %2").arg(off).arg(changed)));
        // Its colours are matched like any other's.
        QVERIFY(clean->matched(*photo_)->match());
    }
    void anotherPhotoIsRefusedWithTheReason() {
        Body body;
        Shot shot;
        const std::string other = test::writeShot(
            folder_, "gears.dng", takePhoto(exposeMosaic(light(Scene::GearLoft), body, shot), body, shot));
        try {
            (void)Reference::open(other, *photo_, {});
            QFAIL("it was taken");
        } catch (const NotAlike& e) {
            QVERIFY(std::string(e.what()).find("another picture") != std::string::npos);
        }
        QVERIFY_EXCEPTION_THROWN((void)Reference::open(path("nothing.png"), *photo_, {}), PhotoError);
    }
    void differencesAreOnGrey() {
        const Rect area{300, 200, 96, 64};
        const ReferencePtr same = Reference::open(file("plain.png", 0, 0, 0, "PNG"), *photo_, {}),
                           brighter = Reference::open(file("brighter.png", 0, 0, 0.5, "PNG"), *photo_, {});
        const Picture none = renderDifference({same, same, DifferencePart::Everything, 4}, area, 1);
        for (const std::uint8_t v : inEightBits(none)) QCOMPARE(int(v), 128);
        const Image a = brighter->display(area, 0), b = same->display(area, 0);
        const Picture more = renderDifference({brighter, same, DifferencePart::Everything, 2}, area, 2);
        QCOMPARE(more.width, 192);
        for (int y = 0; y < 128; y += 2)
            for (int x = 0; x < 192; x += 2)
                for (std::size_t c = 0; c < 3; ++c) {
                    const float wanted = 128 + 2 * 255 * (a[c].at(x / 2, y / 2) - b[c].at(x / 2, y / 2));
                    QVERIFY(std::abs(float(inEightBits(more.row(y)[3 * x + int(c)])) -
                                     std::clamp(wanted, 0.0f, 255.0f)) <= 1);
                }
        // Of a reference and the photo what is seen is compared.
        const Picture mixed =
            renderDifference({recipeOf(photo_), same, DifferencePart::Luminance, 1}, area, 1);
        QVERIFY(mixed.width == 96 && mixed.height == 64);
    }
};

QTEST_GUILESS_MAIN(TestReferences)
#include "references.moc"
