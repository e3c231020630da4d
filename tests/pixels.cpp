// Photos without a mosaic: linear DNGs and developed pictures.
#include <QColorSpace>
#include <QImage>
#include <QTest>
#include <tiffio.h>

#include <fstream>
#include <random>

#include "deliver/export.h"
#include "develop/render.h"
#include "judge/recommend.h"
#include "measure/open.h"
#include "support.h"

using namespace irenic;

class TestPixels : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    static constexpr int kWidth = 320, kHeight = 240;

    // The middle of a view with Poisson-Gaussian noise at every pixel and colour, as a camera's linear DNG
    // would hold it.
    static Photo linear(double electrons, std::uint32_t seed = 5) {
        const auto& light = test::millLight();
        Photo p = test::flatField(0.1, 12800, 32);
        p.channels = 3;
        p.rawWidth = kWidth, p.rawHeight = kHeight;
        p.active = p.crop = {0, 0, kWidth, kHeight};
        p.black = {};
        p.black.pattern = {4096};
        p.white = 65535;
        p.samples.resize(3 * kWidth * kHeight);
        p.mended.clear();
        p.statedNoise.reset();
        const double read = 2;
        for (NoiseLine& l : p.noise.channel) l = {1 / electrons, read * read / electrons / electrons};
        std::mt19937 random(seed);
        std::normal_distribution<double> gauss;
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                for (int c = 0; c < 3; ++c) {
                    std::poisson_distribution<int> count(std::max(1e-6, truth(light, x, y, c) * electrons));
                    const double v = (count(random) + read * gauss(random)) / electrons;
                    p.samples[p.index(x, y, c)] = static_cast<std::uint16_t>(
                        std::lround(std::clamp(4096 + v * (65535 - 4096), 0.0, 65535.0)));
                }
        return p;
    }
    static double truth(const std::array<Plane, 3>& light, int x, int y, int c) {
        return std::min(1.0,
                        0.8 * static_cast<double>(light[static_cast<std::size_t>(c)].at(x + 80, y + 60)));
    }
    static double psnrOf(const std::array<Plane, 3>& rgb) {
        double sum = 0;
        for (int y = 8; y < kHeight - 8; ++y)
            for (int x = 8; x < kWidth - 8; ++x)
                for (int c = 0; c < 3; ++c)
                    sum += std::pow(static_cast<double>(rgb[static_cast<std::size_t>(c)].at(x, y)) -
                                        truth(test::millLight(), x, y, c),
                                    2);
        return -10 * std::log10(sum / (3.0 * (kHeight - 16) * (kWidth - 16)));
    }
    // For samples to be put in.
    static Photo emptyLinear(int width, int height) {
        Photo p = linear(1e6);
        p.rawWidth = width, p.rawHeight = height;
        p.active = p.crop = {0, 0, width, height};
        p.samples.resize(3 * static_cast<std::size_t>(width) * static_cast<std::size_t>(height));
        return p;
    }
    static void fillWith(Plane& plane, std::normal_distribution<float>& noise, std::mt19937& random) {
        for (int y = 0; y < plane.height(); ++y)
            for (int x = 0; x < plane.width(); ++x) plane.at(x, y) = noise(random);
    }
    static void eachMethod() {
        QTest::addColumn<QString>("id");
        for (const auto& m : methods()) QTest::newRow(m->id().c_str()) << QString::fromStdString(m->id());
    }
    // The view with noise as a JPEG, and how near to it a cleaned one comes, as it is seen.
    PhotoPtr noisyJpeg() const {
        QImage image(kWidth, kHeight, QImage::Format_RGB888);
        std::mt19937 random(7);
        std::normal_distribution<double> gauss;
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x) {
                int v[3];
                for (int c = 0; c < 3; ++c) {
                    const double light = truth(test::millLight(), x, y, c),
                                 seen = light + std::sqrt(light / 300 + 4e-5) * gauss(random);
                    v[c] = static_cast<int>(std::lround(255 * shown(seen)));
                }
                image.setPixel(x, y, qRgb(v[0], v[1], v[2]));
            }
        if (!image.save(folder_.filePath(QStringLiteral("noisy.jpg")), nullptr, 60)) return {};
        return readPhoto(path("noisy.jpg"));
    }
    static double shown(double light) {
        return static_cast<double>(encoded(OutputSpace::Srgb, static_cast<float>(light)));
    }
    static double encodedPsnr(const std::array<Plane, 3>& rgb) {
        double sum = 0;
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                for (int c = 0; c < 3; ++c)
                    sum += std::pow(shown(static_cast<double>(rgb[static_cast<std::size_t>(c)].at(x, y))) -
                                        shown(truth(test::millLight(), x, y, c)),
                                    2);
        return -10 * std::log10(sum / (3.0 * kHeight * kWidth));
    }
    std::string path(const char* name) const {
        return folder_.filePath(QString::fromLatin1(name)).toStdString();
    }

  private slots:
    void gains_data() { eachMethod(); }
    void gains() {
        QFETCH(QString, id);
        const Photo p = linear(400);
        const Rect all{0, 0, kWidth, kHeight};
        const double before = psnrOf(cleanPixels(p, Settings::original(), all)),
                     after = psnrOf(cleanPixels(p, {id.toStdString()}, all));
        QVERIFY2(after - before > 5.5, qPrintable(QStringLiteral("%1 to %2 dB").arg(before).arg(after)));
        // Means stay, by colour.
        const auto noisy = cleanPixels(p, Settings::original(), all),
                   clean = cleanPixels(p, {id.toStdString()}, all);
        for (std::size_t c = 0; c < 3; ++c) {
            const double ratio = test::meanOf(clean[c]) / test::meanOf(noisy[c]);
            QVERIFY2(std::abs(ratio - 1) < 0.005, qPrintable(QString::number(ratio)));
        }
    }
    // Where a picture is burnt out all its places are alike: each is still cleaned.
    void burntOutStaysWhole_data() { eachMethod(); }
    void burntOutStaysWhole() {
        QFETCH(QString, id);
        Photo p = linear(400);
        for (int y = 60; y < 180; ++y)
            for (int x = 80; x < 80 + y; ++x)
                for (int c = 0; c < 3; ++c) p.samples[p.index(x, y, c)] = 65535;
        for (const Plane& plane : cleanPixels(p, {id.toStdString()}, {0, 0, kWidth, kHeight}))
            for (int y = 0; y < kHeight; ++y)
                for (int x = 0; x < kWidth; ++x) QVERIFY(std::isfinite(plane.at(x, y)));
    }
    // A tone curve bends noise: it rises in the dark and falls in the light. What is measured is right all
    // over, nearly, of small pictures too.
    void bentNoiseIsMeasured_data() {
        QTest::addColumn<QSize>("size");
        QTest::newRow("960 x 640") << QSize(960, 640);
        QTest::newRow("600 x 400") << QSize(600, 400);
        QTest::newRow("320 x 240") << QSize(320, 240);
    }
    void bentNoiseIsMeasured() {
        QFETCH(QSize, size);
        constexpr int bands = 8;
        const int w = size.width(), h = size.height();
        QImage image(w, h, QImage::Format_RGB888);
        std::mt19937 random(4);
        std::normal_distribution<double> gauss;
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                int v[3];
                for (int& one : v) {
                    const double light = std::pow((x * bands / w + 1) / 9.0, 2.2);
                    const double seen = std::max(0.0, light + std::sqrt(light / 300 + 4e-5) * gauss(random));
                    const double code = std::min(1.0, std::pow(seen, 1 / 2.2));
                    one = static_cast<int>(std::lround(255 * code * code * (3 - 2 * code)));
                }
                image.setPixel(x, y, qRgb(v[0], v[1], v[2]));
            }
        QVERIFY(image.save(folder_.filePath(QStringLiteral("bent.jpg")), nullptr, 85));
        const PhotoPtr p = readPhoto(path("bent.jpg"));
        QVERIFY(p->jpeg.has_value());
        for (int b = 1; b < bands - 1; ++b) {
            double sum = 0, squares = 0;
            const int width = w / bands, n = (width - 16) * h;
            for (int y = 0; y < h; ++y)
                for (int x = b * width + 8; x < (b + 1) * width - 8; ++x) {
                    const auto v = static_cast<double>(p->normalised(x, y, 1));
                    sum += v, squares += v * v;
                }
            const double mean = sum / n, sigma = std::sqrt(squares / n - mean * mean);
            const double ratio = p->noise.channel[1].sigma(mean) / sigma;
            QVERIFY2(ratio > 0.6 && ratio < 1.6,
                     qPrintable(QStringLiteral("at %1: %2").arg(mean).arg(ratio)));
        }
    }
    // Where most of a small picture is texture, that is not taken for noise; and its colours keep one shape
    // of noise, or grey would be stabilised to colours.
    void textureIsNotNoise() {
        constexpr int w = 512, h = 384;
        QImage image(w, h, QImage::Format_RGB888);
        std::mt19937 random(6);
        std::normal_distribution<double> gauss;
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                // Blades of three widths below an even sky.
                const double blades = std::sin(0.9 * x + 0.2 * y) + std::sin(0.35 * x - 0.1 * y) +
                                      std::sin(0.16 * x + 0.05 * y);
                const bool sky = y < h / 4;
                const double light[3] = {sky ? 0.1 : 0.22 + 0.06 * blades, sky ? 0.2 : 0.2 + 0.05 * blades,
                                         sky ? 0.45 : 0.05 + 0.012 * blades};
                int v[3];
                for (int c = 0; c < 3; ++c)
                    v[c] = static_cast<int>(std::lround(
                        255 * shown(light[c] + std::sqrt(light[c] / 400 + 2e-5) * gauss(random))));
                image.setPixel(x, y, qRgb(v[0], v[1], v[2]));
            }
        QVERIFY(image.save(folder_.filePath(QStringLiteral("blades.jpg")), nullptr, 90));
        const PhotoPtr p = readPhoto(path("blades.jpg"));
        const double ratio = p->noise.channel[1].sigma(0.2) / std::sqrt(0.2 / 400 + 2e-5);
        QVERIFY2(ratio > 0.5 && ratio < 1.6, qPrintable(QString::number(ratio)));
        for (const std::size_t c : {0U, 3U}) {
            const double bright = p->noise.channel[c].sigma(0.5) / p->noise.channel[1].sigma(0.5),
                         dark = p->noise.channel[c].sigma(0.02) / p->noise.channel[1].sigma(0.02);
            QVERIFY2(std::abs(bright / dark - 1) < 0.01, qPrintable(QString::number(bright / dark)));
        }
    }
    // Texture that is as strong in the dark as in the light makes noise look like that too. No camera's is,
    // and bright colours stay.
    void texturedColoursStay_data() { eachMethod(); }
    void texturedColoursStay() {
        QFETCH(QString, id);
        constexpr int w = 320, h = 256;
        QImage image(w, h, QImage::Format_RGB888);
        std::mt19937 random(8);
        std::uniform_real_distribution<double> uniform(-1, 1);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                const double bright = 0.06 + 0.6 * (x / 40 % 8) / 8.0;
                const double straw = 0.02 * (std::sin(0.8 * x + 0.3 * y) + std::sin(0.3 * x + 0.7 * y)) +
                                     0.02 * uniform(random);
                const double light[3] = {bright + straw, 0.55 * bright + straw, 0.08 * bright + straw};
                int v[3];
                for (int c = 0; c < 3; ++c)
                    v[c] = static_cast<int>(std::lround(255 * shown(std::clamp(light[c], 0.0, 1.0))));
                image.setPixel(x, y, qRgb(v[0], v[1], v[2]));
            }
        QVERIFY(image.save(folder_.filePath(QStringLiteral("straw.jpg")), nullptr, 92));
        const PhotoPtr p = readPhoto(path("straw.jpg"));
        for (const NoiseLine& line : p->noise.channel) QVERIFY(line.b <= 0.11 * line.a);
        const Rect all{0, 0, w, h};
        const auto clean = cleanPixels(*p, {id.toStdString()}, all);
        // Red over blue, over 8x8 pixels.
        for (int y = 16; y + 24 < h; y += 8)
            for (int x = 16; x + 24 < w; x += 8) {
                double before = 0, after = 0;
                for (int j = 0; j < 8; ++j)
                    for (int i = 0; i < 8; ++i) {
                        before += static_cast<double>(p->normalised(x + i, y + j, 0) -
                                                      p->normalised(x + i, y + j, 2));
                        after += static_cast<double>(clean[0].at(x + i, y + j) - clean[2].at(x + i, y + j));
                    }
                QVERIFY2(
                    std::abs(after - before) < 0.06 * before + 64 * 0.01,
                    qPrintable(
                        QStringLiteral("%1, %2: %3 for %4").arg(x).arg(y).arg(after / 64).arg(before / 64)));
            }
    }
    // What a JPEG's blocks left goes with the noise, and with it nothing else.
    void jpegBlocksGo_data() {
        QTest::addColumn<QString>("id");
        for (const auto& m : methods()) QTest::newRow(m->id().c_str()) << QString::fromStdString(m->id());
    }
    void jpegBlocksGo() {
        QFETCH(QString, id);
        const PhotoPtr p = noisyJpeg();
        QVERIFY(p->jpeg.has_value());
        Photo unaware = *p;
        unaware.jpeg.reset();
        const Rect all{0, 0, kWidth, kHeight};
        const Settings s{id.toStdString()};
        const auto with = cleanPixels(*p, s, all), without = cleanPixels(unaware, s, all);
        const double gain = encodedPsnr(with) - encodedPsnr(without);
        QVERIFY2(gain > 0.03, qPrintable(QString::number(gain)));
        for (std::size_t c = 0; c < 3; ++c) {
            const double ratio = test::meanOf(with[c]) / test::meanOf(without[c]);
            QVERIFY2(std::abs(ratio - 1) < 0.003, qPrintable(QString::number(ratio)));
        }
        // The same wherever a region begins, and nothing where luminance is left alone.
        const Rect r{101, 77, 63, 45};
        const auto part = cleanPixels(*p, s, r);
        for (std::size_t c = 0; c < 3; ++c)
            for (int y = 0; y < r.height; ++y)
                for (int x = 0; x < r.width; ++x) QCOMPARE(part[c].at(x, y), with[c].at(r.x + x, r.y + y));
        if (findMethod(id.toStdString())->jpegBlocksShare() < 1) return; // hears of the steps as well
        const Settings colourAlone{id.toStdString(), 0.0f, 1.0f};
        const auto a = cleanPixels(*p, colourAlone, r), b = cleanPixels(unaware, colourAlone, r);
        for (std::size_t c = 0; c < 3; ++c) QCOMPARE(a[c].at(5, 7), b[c].at(5, 7));
    }
    // Drawings, gradients and black hold no noise: nothing is taken away, and nothing is made up.
    void noiselessStaysAsItIs_data() {
        QTest::addColumn<QString>("id");
        QTest::addColumn<int>("kind");
        for (const auto& m : methods())
            for (int kind = 0; kind < 3; ++kind)
                QTest::addRow("%s %d", m->id().c_str(), kind) << QString::fromStdString(m->id()) << kind;
    }
    void noiselessStaysAsItIs() {
        QFETCH(QString, id);
        QFETCH(int, kind);
        QImage image(kWidth, kHeight, QImage::Format_RGB888);
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x) {
                const int checks = (x / 7 + y / 5) % 2 * 255, v[3] = {0, x * 255 / kWidth, checks};
                image.setPixel(x, y, qRgb(v[kind], v[kind], v[kind]));
            }
        QVERIFY(image.save(folder_.filePath(QStringLiteral("noiseless.png"))));
        const PhotoPtr p = readPhoto(path("noiseless.png"));
        const Rect all{0, 0, kWidth, kHeight};
        const auto clean = cleanPixels(*p, {id.toStdString()}, all);
        for (std::size_t c = 0; c < 3; ++c)
            for (int y = 0; y < kHeight; ++y)
                for (int x = 0; x < kWidth; ++x) {
                    const float off = std::abs(clean[c].at(x, y) - p->normalised(x, y, static_cast<int>(c)));
                    QVERIFY2(
                        off < (id.startsWith("learned") ? 0.01f : 0.002f),
                        qPrintable(QStringLiteral("%1, %2: %3").arg(x).arg(y).arg(static_cast<double>(off))));
                }
    }
    void regionsAreCrops_data() { eachMethod(); }
    void regionsAreCrops() {
        QFETCH(QString, id);
        const Photo p = linear(400);
        Settings s{id.toStdString()};
        s.grain = 0.2f;
        const auto all = cleanPixels(p, s, {0, 0, kWidth, kHeight});
        const Rect r{101, 77, 63, 45};
        const auto part = cleanPixels(p, s, r);
        for (std::size_t c = 0; c < 3; ++c)
            for (int y = 0; y < r.height; ++y)
                for (int x = 0; x < r.width; ++x) QCOMPARE(part[c].at(x, y), all[c].at(r.x + x, r.y + y));
    }
    // A linear DNG is read as it was written, cleaned, and written as a linear DNG again.
    void linearDngThereAndBack() {
        Photo p = linear(400);
        DngExtras extras;
        extras.preview = renderOverview(p, {}, 128);
        writeDng(path("linear.dng"), p, extras);
        const PhotoPtr back = readPhoto(path("linear.dng"));
        QVERIFY(!back->hasMosaic() && !back->developed);
        QCOMPARE(back->layoutText(), std::string("RGB"));
        QVERIFY(back->samples == p.samples);
        QCOMPARE(back->white, p.white);
        QCOMPARE(back->black.at(0, 0), 4096.0f);
        for (const std::size_t c : {0U, 1U, 3U}) {
            const double ratio = back->noise.channel[c].sigma(0.05) / p.noise.channel[c].sigma(0.05);
            QVERIFY2(ratio > 0.85 && ratio < 1.15, qPrintable(QString::number(ratio)));
        }
        Export what{recipeOf(*back), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = {"bm3d-quick"};
        target = path("linear-clean.dng");
        exportFile(what, target);
        const PhotoPtr clean = readPhoto(target, {}, Measure::Nothing);
        QVERIFY(!clean->hasMosaic());
        QVERIFY(psnrOf(cleanPixels(*clean, Settings::original(), {0, 0, kWidth, kHeight})) >
                psnrOf(cleanPixels(*back, Settings::original(), {0, 0, kWidth, kHeight})) + 5);
        QVERIFY(settingsIn(target).has_value());
    }
    // What every kind of picture file holds comes out in the colours that it shows.
    void developedPicturesKeepTheirColours_data() {
        QTest::addColumn<QString>("ending");
        QTest::addColumn<bool>("deep");
        QTest::newRow("JPEG") << "jpg" << false;
        QTest::newRow("PNG of 8 bits") << "png" << false;
        QTest::newRow("PNG of 16 bits") << "png" << true;
        QTest::newRow("TIFF of 8 bits") << "tif" << false;
        QTest::newRow("TIFF of 16 bits") << "tif" << true;
    }
    void developedPicturesKeepTheirColours() {
        QFETCH(QString, ending);
        QFETCH(bool, deep);
        QImage image(96, 64, deep ? QImage::Format_RGBX64 : QImage::Format_RGB888);
        const QColor field[4] = {{200, 60, 40}, {40, 160, 80}, {60, 70, 180}, {128, 128, 128}};
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 96; ++x) image.setPixelColor(x, y, field[x / 24]);
        image.setColorSpace(QColorSpace::SRgb);
        const QString name = folder_.filePath("fields." + ending);
        if (ending == "tif") {
            const std::unique_ptr<TIFF, void (*)(TIFF*)> tiff(TIFFOpen(name.toLocal8Bit(), "w"), TIFFClose);
            TIFFSetField(tiff.get(), TIFFTAG_IMAGEWIDTH, 96);
            TIFFSetField(tiff.get(), TIFFTAG_IMAGELENGTH, 64);
            TIFFSetField(tiff.get(), TIFFTAG_SAMPLESPERPIXEL, 3);
            TIFFSetField(tiff.get(), TIFFTAG_BITSPERSAMPLE, deep ? 16 : 8);
            TIFFSetField(tiff.get(), TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_RGB);
            TIFFSetField(tiff.get(), TIFFTAG_PLANARCONFIG, PLANARCONFIG_CONTIG);
            std::vector<std::uint16_t> line(96 * 3);
            for (int y = 0; y < 64; ++y) {
                for (int x = 0; x < 96; ++x) {
                    const QColor& f = field[x / 24];
                    const int v[3] = {f.red(), f.green(), f.blue()};
                    for (int c = 0; c < 3; ++c) {
                        const auto i = static_cast<std::size_t>(3 * x + c);
                        if (deep)
                            line[i] = static_cast<std::uint16_t>(v[c] * 257);
                        else
                            reinterpret_cast<std::uint8_t*>(line.data())[i] = static_cast<std::uint8_t>(v[c]);
                    }
                }
                QCOMPARE(TIFFWriteScanline(tiff.get(), line.data(), static_cast<std::uint32_t>(y), 0), 1);
            }
        } else
            QVERIFY(image.save(name, nullptr, 98));
        const PhotoPtr p = readPhoto(name.toStdString());
        QVERIFY(p->developed && !p->hasMosaic());
        QCOMPARE(p->bits, deep ? 16 : 8);
        for (int i = 0; i < 4; ++i) {
            const auto rgb = developRegion(recipeOf(*p, Settings::original(), {}), {24 * i + 8, 24, 8, 8},
                                           OutputSpace::Srgb);
            const double wanted[3] = {field[i].redF(), field[i].greenF(), field[i].blueF()};
            for (std::size_t c = 0; c < 3; ++c) {
                const double found =
                    static_cast<double>(encoded(OutputSpace::Srgb, static_cast<float>(test::meanOf(rgb[c]))));
                QVERIFY2(std::abs(found - wanted[c]) < (ending == "jpg" ? 0.02 : 0.006),
                         qPrintable(QStringLiteral("%1 for %2").arg(found).arg(wanted[c])));
            }
            // And so on the screen: no second tone curve.
            const Picture shown = render(recipeOf(*p, Settings::original(), {}), {24 * i + 8, 24, 8, 8}, 1);
            for (std::size_t c = 0; c < 3; ++c)
                QVERIFY(std::abs(shown.rgb[(4 * 8 + 4) * 3 + c] / 65535.0 - wanted[c]) <
                        (ending == "jpg" ? 0.03 : 0.008));
        }
    }
    // Noise that goes from pixel to pixel is seen as strong as it is, and goes.
    void correlatedNoiseIsMeasured() {
        constexpr int w = 720, h = 540;
        Photo p = emptyLinear(w, h);
        std::mt19937 random(3);
        std::normal_distribution<float> gauss(0, 0.04f);
        Plane white(w + 2, h + 2);
        double variance = 0;
        for (int c = 0; c < 3; ++c) {
            fillWith(white, gauss, random);
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x) {
                    float sum = 0;
                    for (int j = 0; j < 3; ++j)
                        for (int i = 0; i < 3; ++i) sum += white.at(x + i, y + j) / 9;
                    variance += static_cast<double>(sum * sum) / (3.0 * w * h);
                    p.samples[p.index(x, y, c)] =
                        static_cast<std::uint16_t>(std::clamp(0.2f + sum, 0.0f, 1.0f) * 61439.0f + 4096);
                }
        }
        writeDng(path("soft.dng"), p, {});
        const PhotoPtr back = readPhoto(path("soft.dng"));
        const double ratio = back->noise.channel[1].sigma(0.2) / std::sqrt(variance);
        QVERIFY2(ratio > 0.75 && ratio < 1.3, qPrintable(QString::number(ratio)));
        QVERIFY2(back->coarseNoise > 1.5, qPrintable(QString::number(back->coarseNoise)));
        const auto clean = cleanPixels(*back, {"bm3d-quick"}, {40, 40, 200, 150});
        double left = 0;
        for (int y = 0; y < 150; ++y)
            for (int x = 0; x < 200; ++x)
                left += std::pow(static_cast<double>(clean[1].at(x, y)) - 0.2, 2) / 30000;
        QVERIFY2(left < 0.2 * variance, qPrintable(QString::number(left / variance)));
    }
    // Errors of finished pictures, whose noise goes from pixel to pixel, are told as the truth has them.
    // Taken for white, that noise made hardly any cleaning look best.
    void errorsAreToldWhereNoiseIsCorrelated() {
        constexpr int w = 403, h = 301; // no multiples of a block
        Photo noisy = emptyLinear(w, h);
        Photo clean = noisy;
        std::mt19937 random(4);
        std::normal_distribution<float> gauss(0, 0.05f);
        Plane white(w + 2, h + 2);
        for (int c = 0; c < 3; ++c) {
            fillWith(white, gauss, random);
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x) {
                    float sum = 0;
                    for (int j = 0; j < 3; ++j)
                        for (int i = 0; i < 3; ++i)
                            sum += white.at(x + i, y + j) * (i == 1 ? 0.5f : 0.25f) * (j == 1 ? 0.5f : 0.25f);
                    const double light = 0.1 + 0.8 * truth(test::millLight(), x, y, c);
                    const auto stored = [](double v) {
                        return static_cast<std::uint16_t>(
                            std::lround(std::clamp(4096 + v * (65535 - 4096), 0.0, 65535.0)));
                    };
                    clean.samples[clean.index(x, y, c)] = stored(light);
                    noisy.samples[noisy.index(x, y, c)] = stored(light + static_cast<double>(sum));
                }
        }
        writeDng(path("correlated.dng"), noisy, {});
        writeDng(path("quiet.dng"), clean, {});
        const PhotoPtr p = readPhoto(path("correlated.dng"));
        Photo right = *readPhoto(path("quiet.dng"), {}, Measure::Nothing);
        right.noise = p->noise, right.coarseNoise = p->coarseNoise;
        const auto errorOf = [](const PlaneSet& a, const PlaneSet& b, const Rect& area) {
            double sum = 0;
            for (std::size_t k = 0; k < 3; ++k)
                for (int y = area.y; y < area.bottom(); ++y)
                    for (int x = area.x; x < area.right(); ++x)
                        sum += (k == 0 ? 1 : 0.5) *
                               std::pow(static_cast<double>(a.rowAt(k, y)[x] - b.rowAt(k, y)[x]), 2);
            return sum;
        };
        struct Errors {
            double known, told;
        };
        const auto errorsOf = [&](const Settings& settings, const Rect& area) {
            const PlaneSet truthOfIt = stabilisedPlanes(right, area);
            const double whole = errorOf(stabilisedPlanes(*p, area), truthOfIt, area);
            const PlaneSet found =
                cleanPlanes(stabilisedPlanes(*p, area.inflated(planesMargin(settings))), settings, area);
            return Errors{2 * errorOf(found, truthOfIt, area) / whole,
                          estimateRisk(*p, settings, area).sum()};
        };
        double least = 2, most = 0;
        for (const Settings& settings :
             {Settings{"wavelet", 0.3f, 0.3f}, Settings{"wavelet"}, Settings{"nlm"}, Settings{"bm3d-quick"},
              Settings{"nlbayes"}, Settings{"learned-quick"}}) {
            const Errors e = errorsOf(settings, {40, 40, 320, 220});
            const QString what =
                QStringLiteral("%1: %2 for %3").arg(settings.method.c_str()).arg(e.told).arg(e.known);
            QVERIFY2(std::abs(e.told - e.known) < 0.15, qPrintable(what));
            least = std::min(least, e.known), most = std::max(most, e.known);
        }
        // Small places are cut out, those at the edges too: in the mean it is the same.
        double known = 0, told = 0;
        for (const int x : {0, 170, w - 64})
            for (const int y : {0, h - 64}) {
                const Errors own = errorsOf({"learned-quick"}, {x, y, 64, 64});
                known += own.known / 6, told += own.told / 6;
            }
        QVERIFY2(std::abs(told - known) < 0.1,
                 qPrintable(QStringLiteral("small places: %1 for %2").arg(told).arg(known)));
        // They differ by more than they are missed by.
        QVERIFY2(most - least > 0.5, qPrintable(QStringLiteral("%1 to %2").arg(least).arg(most)));
    }
    // A grey picture is told of as a coloured one is: the noise itself has an error of 1.
    void errorsOfGreyPicturesAreTold() {
        QImage image(kWidth, kHeight, QImage::Format_Grayscale8);
        std::mt19937 random(5);
        std::normal_distribution<double> gauss(0, 9);
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                image.scanLine(y)[x] = static_cast<uchar>(std::lround(
                    std::clamp(60 + 120 * truth(test::millLight(), x, y, 1) + gauss(random), 0.0, 255.0)));
        QVERIFY(image.save(folder_.filePath("grey.jpg"), nullptr, 95));
        const PhotoPtr p = readPhoto(path("grey.jpg"));
        const Rect area{40, 40, 240, 160};
        const double untouched = estimateRisk(*p, {"wavelet", 0.02f, 0.02f}, area).sigmas(),
                     cleaned = estimateRisk(*p, {"bm3d-quick"}, area).sigmas();
        QVERIFY2(std::abs(untouched - 1) < 0.1, qPrintable(QString::number(untouched)));
        QVERIFY2(cleaned > 0.1 && cleaned < 0.6, qPrintable(QString::number(cleaned)));
    }
    void probesAndRecommendation() {
        Photo p = linear(400);
        const auto probes = placeProbes(p);
        QVERIFY(!probes.empty());
        for (const Probe& probe : probes)
            QVERIFY(probe.x > 0 && probe.x < kWidth && probe.y > 0 && probe.y < kHeight);
        const Rect area{60, 50, 120, 100};
        const Risk weak = estimateRisk(p, {"wavelet", 0.2f, 0.2f}, area),
                   right = estimateRisk(p, {"wavelet"}, area);
        QVERIFY(right.sum() < weak.sum());
        QVERIFY2(right.sum() > 0 && right.sum() < 0.6, qPrintable(QString::number(right.sum())));
    }
    void whatCannotBeDoneIsSaid() {
        QImage image(64, 64, QImage::Format_RGB888);
        image.fill(QColor(100, 90, 80));
        QVERIFY(image.save(folder_.filePath("plain.png")));
        const PhotoPtr p = readPhoto(path("plain.png"));
        Export what{recipeOf(*p), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = {"wavelet"};
        target = path("plain.dng");
        try {
            exportFile(what, target);
            QFAIL("a DNG was made of a developed picture");
        } catch (const ExportError& e) {
            QVERIFY(QString::fromUtf8(e.what()).contains("TIFF"));
        }
        QVERIFY(!QFile::exists(folder_.filePath("plain.dng")));
        what.delivery.format = ExportFormat::Tiff;
        target = path("plain.tif");
        exportFile(what, target);
        for (const char* name : {"broken.jpg", "broken.tif"}) {
            std::ofstream(path(name), std::ios::binary)
                << (name[7] == 'j' ? "\xff\xd8\xff nothing" : "II*\0nothing to see");
            try {
                readPhoto(path(name));
                QFAIL("a broken picture was read");
            } catch (const PhotoError& e) {
                QVERIFY(QString::fromUtf8(e.what()).contains(QLatin1String(name)));
            }
        }
    }
};

QTEST_GUILESS_MAIN(TestPixels)
#include "pixels.moc"
