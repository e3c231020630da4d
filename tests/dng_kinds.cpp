// Every kind of DNG that the standard allows: read as it is meant, and written so that other software
// develops the result as it does the original.
#include <libraw/libraw.h>

#include <QProcess>
#include <QRegularExpression>
#include <QTest>

#include "deliver/dng_tags.h"
#include "deliver/export.h"
#include "deliver/jpeg.h"
#include "made_dng.h"
#include "measure/open.h"
#include "raw/tag_reader.h"
#include "support.h"

using namespace irenic;
using test::MadeDng;

namespace {

constexpr int kWidth = 180, kHeight = 140;

// A piece of the mill as a mosaic: 0..1 above black.
const std::vector<double>& light() {
    static const std::vector<double> all = [] {
        const auto s = test::shoot(1600);
        std::vector<double> v;
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                v.push_back(
                    std::clamp<double>(static_cast<double>(s.photo.normalised(100 + x, 80 + y)), 0, 1));
        return v;
    }();
    return all;
}

std::vector<double> steps(double black, double white) {
    std::vector<double> v;
    for (const double x : light()) v.push_back(std::round(black + x * (white - black)));
    return v;
}

MadeDng plain(double black = 512, double white = 15871) {
    MadeDng d = MadeDng::mosaic(kWidth, kHeight, steps(black, white));
    d.raw[0xc61a] = test::shortsTag({static_cast<int>(black)});
    d.raw[0xc61d] = test::longsTag({static_cast<std::uint32_t>(white)});
    return d;
}

MadeDng floating(int bits, int compression, int predictor) {
    MadeDng d = plain();
    for (std::size_t i = 0; i < d.samples.size(); ++i) d.samples[i] = light()[i];
    d.floating = true, d.bits = bits, d.compression = compression, d.predictor = predictor, d.tile = 64;
    d.raw.erase(0xc61a), d.raw.erase(0xc61d);
    return d;
}

// Three values at each pixel, from the mosaic's own cells.
MadeDng linear() {
    MadeDng d = plain();
    std::vector<double> v;
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            const auto at = [&](int i, int j) {
                return d.samples[static_cast<std::size_t>((y / 2 * 2 + j) * kWidth + x / 2 * 2 + i)];
            };
            v.insert(v.end(), {at(0, 0), at(1, 0), at(1, 1)});
        }
    d.samples = v, d.channels = 3;
    d.raw.erase(0x828d), d.raw.erase(0x828e);
    d.raw[0x0106] = test::shortsTag({34892});
    d.raw[0xc61a] = test::shortsTag({512, 512, 512});
    d.raw[0xc61d] = test::longsTag({15871, 15871, 15871});
    return d;
}

struct KindOfDng {
    const char* name;
    MadeDng dng;
    double tolerance = 1e-6; // of normalised samples against the light
};

std::vector<KindOfDng> kinds() {
    std::vector<KindOfDng> all;
    const double step = 0.51 / (15871 - 512);
    const auto add = [&](const char* name, MadeDng d, double tolerance) {
        all.push_back({name, std::move(d), tolerance});
    };
    add("plain", plain(), step);
    auto d = plain();
    d.bigEndian = true, add("big-endian", d, step);
    d = plain(), d.oneDirectory = true, add("one-directory", d, step);
    for (const auto& [bits, white] : {std::pair{10, 1023}, {12, 4095}, {14, 15871}}) {
        d = plain(64, white), d.bits = bits;
        add(bits == 10 ? "packed-10" : bits == 12 ? "packed-12" : "packed-14", d, 0.51 / (white - 64));
    }
    d = plain(), d.tile = 64, add("tiles", d, step);
    d.bigEndian = true, add("big-endian-tiles", d, step);
    d = plain(), d.compression = 7, add("jpeg-strip", d, step);
    d.tile = 64, add("jpeg-tiles", d, step);
    d = plain(), d.compression = 8, add("deflate", d, step);
    for (const int predictor : {2, 34892, 34893}) {
        d.predictor = predictor, d.tile = 64, d.bigEndian = predictor == 2;
        add(predictor == 2 ? "deflate-2" : predictor == 34892 ? "deflate-x2" : "deflate-x4", d, step);
    }
    for (const int bits : {16, 24, 32})
        for (const auto& [compression, predictor] :
             {std::pair{1, 1}, {8, 1}, {8, 3}, {8, 34894}, {8, 34895}}) {
            static std::list<std::string> names;
            names.push_back("float-" + std::to_string(bits) + "-" + std::to_string(compression) + "-" +
                            std::to_string(predictor));
            add(names.back().c_str(), floating(bits, compression, predictor), bits == 16 ? 6e-4 : 2e-5);
        }
    d = floating(32, 1, 1), d.bigEndian = true, add("float-32-big-endian", d, 2e-5);
    d = floating(32, 8, 3);
    for (double& v : d.samples) v = v * 3000 + 100;
    d.raw[0xc61a] = test::rationalsTag({100}), d.raw[0xc61d] = test::longsTag({3100});
    add("float-with-levels", d, 2e-5);

    d = plain(), d.raw[0xc619] = test::shortsTag({1, 1}), add("black-with-dim", d, step);
    d = plain(), d.raw[0xc61a] = test::rationalsTag({511.6}), add("black-fraction", d, step + 0.5 / 15359);
    d = plain(), d.raw[0xc619] = test::shortsTag({2, 2});
    d.raw[0xc61a] = test::rationalsTag({500, 512.25, 512, 530.5});
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            static constexpr double levels[] = {500, 512.25, 512, 530.5};
            const double level = levels[y % 2 * 2 + x % 2];
            d.samples[static_cast<std::size_t>(y * kWidth + x)] =
                std::round(level + light()[static_cast<std::size_t>(y * kWidth + x)] * (15871 - level));
        }
    add("black-2x2", d, step);
    d = plain();
    std::vector<double> h, v;
    for (int x = 0; x < kWidth; ++x) h.push_back(x % 5 - 1.5);
    for (int y = 0; y < kHeight; ++y) v.push_back(y % 3 * 0.25);
    d.raw[0xc61b] = test::rationalsTag(h, true), d.raw[0xc61c] = test::rationalsTag(v, true);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            const double level = 512 + h[static_cast<std::size_t>(x)] + v[static_cast<std::size_t>(y)];
            d.samples[static_cast<std::size_t>(y * kWidth + x)] =
                std::round(level + light()[static_cast<std::size_t>(y * kWidth + x)] * (15871 - level));
        }
    add("black-deltas", d, step);
    d = plain(), d.raw.erase(0xc61a);
    d.samples = steps(0, 15871), add("no-black", d, step);

    d = plain(), d.raw[0xc68d] = test::longsTag({3, 5, kHeight - 2, kWidth - 4}), add("active-odd", d, -1);
    d.raw[0xc61f] = test::rationalsTag({4.5, 2}), d.raw[0xc620] = test::rationalsTag({160.25, 120}),
    add("crop-fraction", d, -1);
    d = plain(), d.main.erase(0xc628), d.main[0xc629] = test::rationalsTag({0.3457, 0.3585}),
    add("white-xy", d, step);
    d = plain(), d.main.erase(0xc628), add("no-white", d, step);
    d = plain();
    d.main[0xc622] = test::rationalsTag({0.8, -0.3, -0.05, -0.40, 1.18, 0.25, -0.05, 0.13, 0.68}, true),
    d.main[0xc65a] = test::shortsTag({17}), d.main[0xc65b] = test::shortsTag({21});
    d.main[0xc623] = d.main[0xc624] = test::rationalsTag({1.02, 0, 0, 0, 1, 0, 0, 0, 0.97}, true);
    d.main[0xc627] = test::rationalsTag({1.1, 1, 0.95}), d.main[0xc62a] = test::rationalsTag({0.35}, true);
    add("two-lights", d, step);
    d = plain();
    std::vector<int> table;
    for (int i = 0; i < 4096; ++i) table.push_back(std::min(65535, i * i / 256));
    d.raw[0xc618] = test::shortsTag(table), d.raw[0xc61a] = test::shortsTag({0}),
    d.raw[0xc61d] = test::longsTag({65504});
    for (std::size_t i = 0; i < d.samples.size(); ++i)
        d.samples[i] = std::round(std::sqrt(light()[i] * 65504 * 256));
    add("linearization", d, 6e-4);
    d.compression = 7, d.tile = 64, add("linearization-jpeg", d, 6e-4);

    add("linear", linear(), -1);
    d = linear(), d.raw[0xc61a] = test::shortsTag({500, 512, 540});
    add("linear-black-each", d, -1);
    d = linear(), d.compression = 7, d.tile = 64, add("linear-jpeg", d, -1);
    d = linear(), d.compression = 8, d.predictor = 2, d.tile = 64, add("linear-deflate", d, -1);
    // Lossy JPEG of eight bits, as some programs make smaller raws (DNG 1.4, compression 34892).
    d = linear(), d.bits = 8, d.compression = 34892, d.tile = 64;
    for (double& x : d.samples) x = std::round(x / 15871 * 255);
    for (int y = 0; y < kHeight; y += 64)
        for (int x = 0; x < kWidth; x += 64) {
            JpegEncoder encoder(64, 64, 95, {});
            for (int j = 0; j < 64; ++j) {
                std::vector<std::uint8_t> row;
                for (int i = 0; i < 64; ++i)
                    for (int c = 0; c < 3; ++c)
                        row.push_back(static_cast<std::uint8_t>(d.samples[static_cast<std::size_t>(
                            (std::min(y + j, kHeight - 1) * kWidth + std::min(x + i, kWidth - 1)) * 3 + c)]));
                encoder.row(row.data());
            }
            d.given.push_back(encoder.finish());
        }
    d.raw[0xc61a] = test::shortsTag({8, 8, 8}), d.raw[0xc61d] = test::longsTag({255, 255, 255});
    add("lossy-jpeg", d, -1);
    d = plain(), d.raw.erase(0x828d), d.raw.erase(0x828e), d.raw[0x0106] = test::shortsTag({34892});
    d.main.erase(0xc621), d.main.erase(0xc628), add("grey", d, -1);
    d = plain(), d.raw[0x828d] = test::shortsTag({6, 6});
    d.raw[0x828e] = test::bytesTag({1, 1, 0, 1, 1, 2, 1, 1, 2, 1, 1, 0, 2, 0, 1, 0, 2, 1,
                                    1, 1, 2, 1, 1, 0, 1, 1, 0, 1, 1, 2, 0, 2, 1, 2, 0, 1});
    add("x-trans", d, -1);
    return all;
}

// What dcraw_emu -w -T -4 gives: 16-bit linear sRGB with the camera's white balance; empty where LibRaw
// cannot.
std::vector<std::uint16_t> developed(const std::string& file) {
    LibRaw raw;
    raw.imgdata.params.use_camera_wb = 1;
    raw.imgdata.params.output_bps = 16;
    raw.imgdata.params.gamm[0] = raw.imgdata.params.gamm[1] = 1;
    raw.imgdata.params.no_auto_bright = 1;
    bool damaged = false;
    raw.set_dataerror_handler([](void* flag, const char*, int) { *static_cast<bool*>(flag) = true; },
                              &damaged);
    if (raw.open_file(file.c_str()) || raw.unpack() || damaged || raw.dcraw_process()) return {};
    int problem = 0;
    libraw_processed_image_t* image = raw.dcraw_make_mem_image(&problem);
    if (!image) return {};
    const auto* from = reinterpret_cast<const std::uint16_t*>(image->data);
    std::vector<std::uint16_t> out(from, from + image->data_size / 2);
    LibRaw::dcraw_clear_mem(image);
    return out;
}

} // namespace

class TestDngKinds : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    QString path(const std::string& name) const { return folder_.filePath(QString::fromStdString(name)); }
    std::string exported(const Photo& photo, const std::string& name, Settings settings,
                         Packing compression = Packing::Packed) const {
        Export what{recipeOf(photo), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = std::move(settings), target = path(name).toStdString(),
        what.delivery.conflict = Conflict::Replace;
        what.delivery.packing = compression;
        exportFile(what, target);
        return target.string();
    }
    static const TagEntry* rawTag(const TagDirectories& d, std::uint16_t tag) {
        return Metadata::find(d.below.at(0), tag);
    }

  private slots:
    void kindsComeThrough_data() {
        QTest::addColumn<int>("index");
        const auto all = kinds();
        for (std::size_t i = 0; i < all.size(); ++i) QTest::newRow(all[i].name) << static_cast<int>(i);
    }
    void kindsComeThrough() {
        QFETCH(int, index);
        static const auto all = kinds();
        const KindOfDng& kind = all[static_cast<std::size_t>(index)];
        const std::string name = kind.name, file = kind.dng.write(path(name + ".dng"));
        const PhotoPtr photo = readPhoto(file);
        if (kind.tolerance > 0) {
            double worst = 0;
            for (int y = 0; y < kHeight; ++y)
                for (int x = 0; x < kWidth; ++x)
                    worst = std::max(worst, std::abs(static_cast<double>(photo->normalised(x, y)) -
                                                     light()[static_cast<std::size_t>(y * kWidth + x)]));
            QVERIFY2(worst <= kind.tolerance, qPrintable(QString::number(worst)));
        }
        // Nothing is to be changed: other software sees no difference, whichever way the samples are packed.
        const auto before = developed(file);
        for (const Packing compression : {Packing::Packed, Packing::None}) {
            const std::string same = exported(*photo, name + "-same.dng", Settings::original(), compression);
            const PhotoPtr back = readPhoto(same, {}, Measure::Nothing);
            QVERIFY(back->samples == photo->samples && back->white == photo->white);
            QVERIFY(back->whiteFrom == photo->whiteFrom);
            const auto after = developed(same);
            // LibRaw 0.20 reads the X-Trans mosaics of DNGs, but does not develop them.
            QVERIFY(after.empty() == before.empty() || !after.empty());
            // It takes the values of lossy JPEG to lie along sRGB's curve, of which the standard knows
            // nothing.
            if (!before.empty() && name != "lossy-jpeg") QVERIFY(after == before);
        }
        QFile::remove(path(name + ".dng"));
    }
    void lossyJpegIsReadAsItStands() {
        for (const KindOfDng& kind : kinds()) {
            if (kind.name != std::string("lossy-jpeg")) continue;
            const PhotoPtr p = readPhoto(kind.dng.write(path("lossy.dng")), {}, Measure::Nothing);
            double sum = 0;
            for (std::size_t i = 0; i < p->samples.size(); ++i)
                sum += std::abs(p->samples[i] - kind.dng.samples[i]);
            QVERIFY2(sum / static_cast<double>(p->samples.size()) < 4, qPrintable(QString::number(sum)));
        }
    }
    void levelsOfOneValue() {
        // The standard's default for the dimensions is 1 x 1: two by two with one value reads as black 0.
        const PhotoPtr photo = readPhoto(plain().write(path("one.dng")));
        const auto tags = readTagDirectories(GivenFile(exported(*photo, "one-clean.dng", {"wavelet"})));
        QVERIFY(tags.has_value());
        QCOMPARE(rawTag(*tags, 0xc619)->numbers(), (std::vector<double>{1, 1}));
        QCOMPARE(rawTag(*tags, 0xc61a)->numbers(), std::vector<double>{512});
        LibRaw raw;
        QCOMPARE(raw.open_file(path("one-clean.dng").toStdString().c_str()), 0);
        QCOMPARE(raw.imgdata.color.black + raw.imgdata.color.cblack[6], 512U);
    }
    void whiteBalanceIsWhatTheFileSays() {
        auto d = plain();
        d.main.erase(0xc628), d.main[0xc629] = test::rationalsTag({0.3127, 0.3290});
        const PhotoPtr by = readPhoto(d.write(path("xy.dng")));
        // D65 seen through the matrix for D65.
        const Vector3 seen =
            by->profiles[0].colourMatrix * Vector3{0.3127 / 0.3290, 1, (1 - 0.3127 - 0.3290) / 0.3290};
        const double most = std::max({seen[0], seen[1], seen[2]});
        for (std::size_t c = 0; c < 3; ++c) QVERIFY(std::abs(by->neutral[c] - seen[c] / most) < 1e-6);
        auto tags = readTagDirectories(GivenFile(exported(*by, "xy-clean.dng", {"wavelet"})));
        QVERIFY(!Metadata::find(tags->main, 0xc628) &&
                Metadata::find(tags->main, 0xc629)->numbers() == (std::vector<double>{0.3127, 0.3290}));
        d.main.erase(0xc629);
        const PhotoPtr none = readPhoto(d.write(path("none.dng")));
        QVERIFY(none->whiteFrom == WhiteFrom::Nothing && none->neutral[1] == 1.0);
        tags = readTagDirectories(GivenFile(exported(*none, "none-clean.dng", {"wavelet"})));
        QVERIFY(!Metadata::find(tags->main, 0xc628) && !Metadata::find(tags->main, 0xc629));
    }
    void theWholeActiveAreaIsCleaned() {
        auto d = plain();
        d.raw[0xc68d] = test::longsTag({3, 5, kHeight - 2, kWidth - 4});
        const PhotoPtr p = readPhoto(d.write(path("odd.dng")));
        QVERIFY((p->active == Rect{5, 3, kWidth - 9, kHeight - 5}));
        const PhotoPtr back =
            readPhoto(exported(*p, "odd-clean.dng", {"wavelet", 2, 2}), {}, Measure::Nothing);
        // Of every row and column something has changed; what no light fell on is as it was.
        const auto changed = [&](int x0, int y0, int x1, int y1) {
            int n = 0;
            for (int y = y0; y < y1; ++y)
                for (int x = x0; x < x1; ++x) n += back->sample(x, y) != p->sample(x, y);
            return n;
        };
        for (int y = 0; y < p->height(); ++y)
            QVERIFY2(changed(0, y, p->width(), y + 1) > 10, qPrintable(QString::number(y)));
        for (int x = 0; x < p->width(); ++x)
            QVERIFY2(changed(x, 0, x + 1, p->height()) > 10, qPrintable(QString::number(x)));
        for (int x = 0; x < p->rawWidth; ++x)
            QCOMPARE(back->samples[static_cast<std::size_t>(x)], p->samples[static_cast<std::size_t>(x)]);
    }
    void whatCannotBeReadSaysWhy() {
        const auto messageFor = [&](const MadeDng& d) {
            try {
                readPhoto(d.write(path("refused.dng")));
            } catch (const PhotoError& e) {
                return QString::fromUtf8(e.what());
            }
            return QString();
        };
        const auto says = [&](const MadeDng& d, const char* words) {
            const QString said = messageFor(d);
            if (!said.startsWith(QLatin1String("refused.dng: ")) || !said.contains(QLatin1String(words)))
                qWarning() << said << words;
            return said.startsWith(QLatin1String("refused.dng: ")) && said.contains(QLatin1String(words));
        };
        auto d = plain();
        d.raw[0x0103] = test::shortsTag({52546});
        QVERIFY(says(d, "JPEG XL"));
        d = plain(), d.raw[0xc71f] = test::shortsTag({2});
        QVERIFY(says(d, "interleaved"));
        d = linear(), d.raw[0x011c] = test::shortsTag({2});
        QVERIFY(says(d, "planar"));
        d = plain(), d.raw.erase(0x828d);
        QVERIFY(says(d, "laid out"));
        d = plain(), d.raw[0x828d] = test::shortsTag({0, 2});
        QVERIFY(says(d, "laid out"));
        d = plain(), d.raw[0x828d] = test::shortsTag({4, 4}),
        d.raw[0x828e] = test::bytesTag(std::vector<std::uint8_t>(16, 1));
        QVERIFY(says(d, "mosaic"));
        d = plain(), d.raw[0x828e] = test::bytesTag({0, 0, 1, 2});
        QVERIFY(says(d, "mosaic"));
        d = plain(), d.raw[0x0100] = test::longsTag({60000}), d.raw[0x0101] = test::longsTag({60000});
        QVERIFY(says(d, "500 megapixels"));
        d = plain(), d.raw[0x0100] = test::longsTag({18000});
        QVERIFY(says(d, "more pixels than it can hold"));
        d = plain(), d.raw[0xc61d] = test::longsTag({512});
        QVERIFY(says(d, "levels contradict"));
        d = plain(), d.raw[0x0106] = test::shortsTag({2});
        QVERIFY(says(d, "no raw picture"));
        QVERIFY(messageFor(plain()).isEmpty());
    }
    void everyTagGoesWhereItBelongs() {
        auto d = plain();
        d.oneDirectory = true;
        d.main[0xc612] = test::bytesTag({1, 6, 0, 0}), d.main[0xc613] = test::bytesTag({1, 4, 0, 0});
        // Something of every tag that is carried, in the one directory there is.
        for (const DngTag& t : dngTags())
            if (t.fate != TagFate::Made && !d.main.count(t.tag) && !d.raw.count(t.tag) && t.tag >= 0xc612)
                d.main[t.tag] = test::bytesTag({7, 6, 5, 4, 3, 2});
        d.main[0xc61e] = test::rationalsTag({1, 1}), d.main.erase(0xc71f), d.main.erase(0xc71e),
        d.main.erase(0xcd43);
        d.main.erase(0xc618), d.main.erase(0xc61f), d.main.erase(0xc620), d.main.erase(0xc68d),
            d.main.erase(0xc622), d.main.erase(0xc623), d.main.erase(0xc624);
        d.main.erase(0xc627), d.main.erase(0xc629), d.main.erase(0xc62a), d.main.erase(0xc740),
            d.main.erase(0xc741), d.main.erase(0xc74e);
        d.main.erase(0xc634), d.main.erase(0xc635);
        d.main[0x8298] = test::textTag("nobody"), d.main[0x013b] = test::textTag("the miller");
        d.main[0x83bb] = test::bytesTag({0x1c, 2, 5, 0, 4, 't', 'i', 'd', 'e'}, 7);
        const auto before = d.main;
        const PhotoPtr p = readPhoto(d.write(path("tags.dng")));
        const auto tags = readTagDirectories(GivenFile(exported(*p, "tags-clean.dng", {"wavelet"})));
        QVERIFY(tags.has_value());
        for (const DngTag& t : dngTags()) {
            const TagEntry *first = Metadata::find(tags->main, t.tag), *raw = rawTag(*tags, t.tag);
            // IFD0 describes its preview with the same layout tags.
            if (t.tag < 0xc612 && t.fate == TagFate::Made) continue;
            const TagEntry* here = t.place == TagPlace::First ? first : raw;
            QVERIFY2(!(t.place == TagPlace::First ? raw : first), t.name);
            if (t.fate == TagFate::Dropped) QVERIFY2(!here, t.name);
            if (t.fate == TagFate::Carried && before.count(t.tag))
                QVERIFY2(here && here->bytes == before.at(t.tag).bytes, t.name);
        }
        QCOMPARE(Metadata::find(tags->main, 0xc612)->bytes, (std::vector<std::uint8_t>{1, 6, 0, 0}));
        QCOMPARE(Metadata::find(tags->main, 0xc613)->bytes, (std::vector<std::uint8_t>{1, 4, 0, 0}));
        QVERIFY(rawTag(*tags, 0xc6f7) && rawTag(*tags, 0xc725) == nullptr &&
                Metadata::find(tags->main, 0xc725));
    }
    void theTableOfTagsIsInTheManual() {
        QFile manual(QStringLiteral(IRENIC_DOCS "/dng.md"));
        QVERIFY(manual.open(QIODevice::ReadOnly));
        const QString text = QString::fromUtf8(manual.readAll());
        for (const DngTag& t : dngTags()) {
            const QString fate = t.fate == TagFate::Carried ? "carried"
                                 : t.fate == TagFate::Made  ? "made anew"
                                                            : "dropped";
            const QString line = QStringLiteral("| 0x%1 | %2 | %3 | %4 | %5 |")
                                     .arg(t.tag, 4, 16, QLatin1Char('0'))
                                     .arg(QLatin1String(t.name), t.place == TagPlace::First ? "IFD0" : "raw",
                                          fate, QLatin1String(t.why));
            QVERIFY2(text.contains(line), qPrintable(line));
        }
    }
    void iptcAndXmpGoAlong() {
        auto d = plain();
        d.main[0x83bb] =
            test::bytesTag({0x1c, 2, 5, 0, 4, 't', 'i', 'd', 'e'}, 7); // IPTC-IIM 2:05, object name
        const std::string own = "<x:xmpmeta xmlns:x=\"adobe:ns:meta/\"><rdf:RDF "
                                "xmlns:rdf=\"http://www.w3.org/1999/02/22-rdf-syntax-ns#\">"
                                "<rdf:Description xmlns:dc=\"http://purl.org/dc/elements/1.1/\" "
                                "xmlns:xmpMM=\"http://ns.adobe.com/xap/1.0/mm/\" "
                                "xmlns:xmp=\"http://ns.adobe.com/xap/1.0/\" dc:format=\"image/old\" "
                                "xmpMM:InstanceID=\"xmp.iid:old\" "
                                "xmpMM:DocumentID=\"xmp.did:old\" xmp:Rating=\"4\"/></rdf:RDF></x:xmpmeta>";
        d.main[0x02bc] = test::bytesTag({own.begin(), own.end()});
        const PhotoPtr p = readPhoto(d.write(path("talk.dng")));
        for (const auto& [format, name, type] :
             {std::tuple{ExportFormat::Dng, "talk-clean.dng", "image/x-adobe-dng"},
              {ExportFormat::Tiff, "talk-clean.tif", "image/tiff"},
              {ExportFormat::Jpeg, "talk-clean.jpg", "image/jpeg"}}) {
            Export what{recipeOf(*p), {}, {}, false};
            std::filesystem::path target;
            what.recipe.settings = {"wavelet"}, what.delivery.format = format,
            target = path(name).toStdString();
            exportFile(what, target);
            QProcess exiftool;
            exiftool.start(QStringLiteral("exiftool"),
                           {"-s", "-G1", "-IPTC:ObjectName", "-XMP:all", path(name)});
            QVERIFY(exiftool.waitForFinished());
            const QString said = QString::fromUtf8(exiftool.readAllStandardOutput());
            QVERIFY2(said.contains(QRegularExpression("ObjectName +: tide")), qPrintable(said));
            QVERIFY2(said.contains(QRegularExpression(QStringLiteral("Format +: ") + type)),
                     qPrintable(said));
            QVERIFY2(said.contains(QRegularExpression("Rating +: 4")) &&
                         said.contains(QRegularExpression("OriginalDocumentID +: xmp.did:old")),
                     qPrintable(said));
            QVERIFY2(!said.contains(QRegularExpression("\\] +InstanceID +: xmp.iid:old")), qPrintable(said));
        }
    }
    void cameraProfilesKeepTheirContent() {
        auto d = plain();
        // Magic 'CR', one entry with six bytes of text at an offset from the profile's own start.
        d.profiles.push_back({'I', 'I', 0x52, 0x43, 8, 0, 0, 0, 1, 0, 0xf8, 0xc6, 2,   0,   6,   0,
                              0,   0,   26,   0,    0, 0, 0, 0, 0, 0, 'Q',  'u',  'a', 'y', 's', 0});
        const PhotoPtr p = readPhoto(d.write(path("profiles.dng")));
        QCOMPARE(p->metadata.profiles.size(), std::size_t(1));
        const auto tags = readTagDirectories(GivenFile(exported(*p, "profiles-clean.dng", {"wavelet"})));
        QCOMPARE(tags->profiles.size(), std::size_t(1));
        QCOMPARE(tags->profiles[0], p->metadata.profiles[0]);
        QCOMPARE(tags->profiles[0].at(0).text(), std::string("Quays"));
    }
    void makerNotesAreKept() {
        auto d = plain();
        const std::vector<std::uint8_t> note = {'S', 'l', 'u', 'i', 'c', 'e', 0, 9, 8, 7};
        d.exif[0x927c] = test::bytesTag(note, 7);
        d.exif[0x8827] = test::shortsTag({1600});
        // Unsafe, as long as nothing is said: into private data, with its byte order and old place.
        const PhotoPtr unsafe = readPhoto(d.write(path("note.dng")));
        QVERIFY(unsafe->metadata.makerNoteOffset > 0);
        auto tags = readTagDirectories(GivenFile(exported(*unsafe, "note-clean.dng", {"wavelet"})));
        QVERIFY(!Metadata::find(tags->exif, 0x927c));
        QVERIFY(Metadata::find(tags->main, 0xc634));
        const std::vector<std::uint8_t> data = Metadata::find(tags->main, 0xc634)->bytes;
        const std::string all(data.begin(), data.end());
        QCOMPARE(all.substr(0, 10), std::string("Adobe\0MakN", 10));
        QCOMPARE(all.substr(10, 6), std::string("\0\0\0\x10II", 6));
        QCOMPARE(all.substr(20, 10), std::string(note.begin(), note.end()));
        // And once more through: the block is carried, not another one added.
        const PhotoPtr again = readPhoto(path("note-clean.dng").toStdString());
        tags = readTagDirectories(GivenFile(exported(*again, "note-again.dng", {"wavelet"})));
        QCOMPARE(Metadata::find(tags->main, 0xc634)->bytes, data);
        // Safe: where it was, and private data as it was.
        d.main[0xc635] = test::shortsTag({1}), d.main[0xc634] = test::bytesTag({'S', 0, 1, 2, 3});
        tags = readTagDirectories(
            GivenFile(exported(*readPhoto(d.write(path("safe.dng"))), "safe-clean.dng", {"wavelet"})));
        QCOMPARE(Metadata::find(tags->exif, 0x927c)->bytes, note);
        QCOMPARE(Metadata::find(tags->main, 0xc634)->bytes, (std::vector<std::uint8_t>{'S', 0, 1, 2, 3}));
    }
    void aCleanedFileIsNotLarger() {
        const auto s = test::shoot(12800);
        for (const char* kind : {"jpeg", "packed"}) {
            const int width = 480, height = 360;
            std::vector<double> v(s.photo.samples.begin(), s.photo.samples.end());
            MadeDng d = MadeDng::mosaic(width, height, v);
            d.raw[0xc61a] = test::shortsTag({1024}), d.raw[0xc61d] = test::longsTag({15871});
            if (*kind == 'j')
                d.compression = 7, d.tile = 256;
            else
                d.bits = 14;
            // Cameras' files have a preview too.
            d.main[0xfde8] = test::bytesTag(std::vector<std::uint8_t>(40000, 1), 7);
            const QByteArray original = d.bytes();
            const PhotoPtr p = readPhoto(d.write(path("size.dng")));
            const std::string clean = exported(*p, "size-clean.dng", {"bm3d"});
            QVERIFY2(QFileInfo(QString::fromStdString(clean)).size() <= original.size(), kind);
            const PhotoPtr back = readPhoto(clean);
            QVERIFY(back->statedNoise.has_value());
            // What is left is far less than what was there, and not nothing.
            const double was = p->noise.channel[1].sigma(0.1), is = back->statedNoise->channel[1].sigma(0.1);
            QVERIFY2(is < 0.35 * was && is > 0, qPrintable(QString::number(is / was)));
        }
    }
    void validatorsFindNothing() {
        QStringList files;
        for (const KindOfDng& kind : kinds()) {
            const std::string name = std::string("valid-") + kind.name;
            if (kind.name != std::string("plain") && kind.name != std::string("white-xy") &&
                kind.name != std::string("linear") && kind.name != std::string("grey") &&
                kind.name != std::string("two-lights"))
                continue;
            auto d = kind.dng;
            d.exif[0x9000] = test::bytesTag({'0', '2', '3', '0'}, 7),
            d.exif[0x829a] = test::rationalsTag({0.02});
            const PhotoPtr p = readPhoto(d.write(path(name + ".dng")));
            files << QString::fromStdString(exported(*p, name + "-clean.dng", {"wavelet"}));
        }
        QProcess exiftool;
        exiftool.start(QStringLiteral("exiftool"),
                       QStringList{"-validate", "-warning", "-error", "-a"} + files);
        QVERIFY(exiftool.waitForFinished());
        const QString said = QString::fromUtf8(exiftool.readAllStandardOutput());
        QVERIFY2(said.count(QStringLiteral(": OK")) == files.size(), qPrintable(said));
    }
};

QTEST_GUILESS_MAIN(TestDngKinds)
#include "dng_kinds.moc"
