// Files made to hurt: they claim what they do not hold, contradict themselves, or were changed at random.
// They are read as they are or refused with a sentence; nothing crashes, hangs, or takes memory that the file
// cannot justify.
#include <sys/resource.h>

#include <QBuffer>
#include <QElapsedTimer>
#include <QFile>
#include <QImage>
#include <QImageWriter>
#include <QTest>

#include "base/text.h"
#include "deliver/export.h"
#include "develop/render.h"
#include "made_dng.h"
#include "measure/open.h"
#include "raw/identity.h"
#include "raw/opcodes.h"
#include "support.h"

using namespace irenic;
using test::MadeDng;

namespace {

// Bytes that this process has held at most, so far.
double peakMegabytes() {
    rusage usage{};
    getrusage(RUSAGE_SELF, &usage);
    return static_cast<double>(usage.ru_maxrss) / 1024;
}

MadeDng small() {
    std::vector<double> v;
    for (int i = 0; i < 96 * 80; ++i) v.push_back(600 + i * 7919 % 9000);
    MadeDng d = MadeDng::mosaic(96, 80, v);
    d.raw[0xc61a] = test::shortsTag({512}), d.raw[0xc61d] = test::longsTag({15871});
    return d;
}

void big32(std::vector<std::uint8_t>& to, std::uint32_t v) {
    for (const unsigned shift : {24U, 16U, 8U, 0U}) to.push_back(static_cast<std::uint8_t>(v >> shift));
}
void big64(std::vector<std::uint8_t>& to, double v) {
    std::uint64_t bits;
    std::memcpy(&bits, &v, 8);
    big32(to, static_cast<std::uint32_t>(bits >> 32U)), big32(to, static_cast<std::uint32_t>(bits));
}

// A list of one opcode.
TagEntry opcodeList(std::uint16_t tag, std::uint32_t id, const std::vector<std::uint8_t>& data) {
    TagEntry e{tag, 7, 0, {}};
    big32(e.bytes, 1), big32(e.bytes, id), big32(e.bytes, 0x01030000), big32(e.bytes, 0);
    big32(e.bytes, static_cast<std::uint32_t>(data.size()));
    e.bytes.insert(e.bytes.end(), data.begin(), data.end());
    e.count = static_cast<std::uint32_t>(e.bytes.size());
    return e;
}

std::vector<std::uint8_t> gainMap(int rows, int columns, double stepY, double stepX, double origin,
                                  float gain) {
    std::vector<std::uint8_t> d;
    for (const int v : {0, 0, 80, 96, 0, 1, 1, 1, rows, columns}) big32(d, static_cast<std::uint32_t>(v));
    big64(d, stepY), big64(d, stepX), big64(d, origin), big64(d, origin);
    big32(d, 1);
    for (int i = 0; i < rows * columns; ++i) {
        std::uint32_t bits;
        std::memcpy(&bits, &gain, 4);
        big32(d, bits);
    }
    return d;
}

} // namespace

class TestHostile : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    QString path(const QString& name) const { return folder_.filePath(name); }
    std::string put(const QString& name, const QByteArray& bytes) const {
        QFile f(path(name));
        f.open(QIODevice::WriteOnly);
        f.write(bytes);
        return path(name).toStdString();
    }
    // Empty: it was read.
    static QString messageFor(const std::string& file) {
        try {
            readPhoto(file);
        } catch (const PhotoError& e) {
            return QString::fromUtf8(e.what());
        }
        return {};
    }
    // Whether the file is read, or refused with its name first; what is read can be looked at.
    bool behaves(const std::string& file, const QString& name) const {
        try {
            // A file that claims to be large, and could be, is only read: measuring it would take its time.
            PhotoPtr p = readPhoto(file, {}, Measure::Nothing);
            if (static_cast<long long>(p->width()) * p->height() > 100000) return true;
            p = readPhoto(file);
            const Look look = lookFromText("distortion,vignetting,chromatic,exposure=0.5");
            const Rect area = Rect{6, 6, 40, 30}.intersected(p->whole());
            const Picture shown = render(recipeOf(*p, {"wavelet"}, look), area, 1);
            return shown.width == area.width;
        } catch (const PhotoError& e) {
            return QString::fromUtf8(e.what()).startsWith(name);
        }
    }

  private slots:
    void changedAtRandom_data() {
        QTest::addColumn<QByteArray>("whole");
        QTest::addColumn<QString>("ending");
        MadeDng d = small();
        QTest::newRow("plain") << d.bytes() << "dng";
        d.main[0xc740] = test::bytesTag(opcodeList(0xc740, 9, gainMap(3, 4, 0.4, 0.3, 0, 1.2f)).bytes, 7);
        d.bigEndian = true, d.tile = 32, d.compression = 8, d.predictor = 2;
        QTest::newRow("deflate, gain map") << d.bytes() << "dng";
        d = small(), d.compression = 7, d.tile = 48, d.oneDirectory = true;
        QTest::newRow("lossless JPEG") << d.bytes() << "dng";
        d = small(), d.floating = true, d.bits = 24, d.compression = 8, d.predictor = 3, d.tile = 32;
        for (double& v : d.samples) v /= 15871;
        d.raw.erase(0xc61a), d.raw.erase(0xc61d);
        QTest::newRow("floating point") << d.bytes() << "dng";
        QImage image(90, 70, QImage::Format_RGB32);
        for (int y = 0; y < 70; ++y)
            for (int x = 0; x < 90; ++x) image.setPixel(x, y, qRgb(x * 2, y * 3, (x * y) % 255));
        for (const char* format : {"jpg", "png"}) {
            QVERIFY(image.save(path(QStringLiteral("image.") + format)));
            QFile f(path(QStringLiteral("image.") + format));
            QVERIFY(f.open(QIODevice::ReadOnly));
            QTest::newRow(format) << f.readAll() << QString(format);
        }
        const PhotoPtr p = readPhoto(path("image.png").toStdString());
        Export what{recipeOf(*p), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = Settings::original(), what.delivery.format = ExportFormat::Tiff,
        target = path("image.tif").toStdString();
        exportFile(what, target);
        QFile f(path("image.tif"));
        QVERIFY(f.open(QIODevice::ReadOnly));
        QTest::newRow("tiff") << f.readAll() << "tif";
    }
    void changedAtRandom() {
        QFETCH(QByteArray, whole);
        QFETCH(QString, ending);
        std::mt19937 random(23);
        QElapsedTimer clock;
        clock.start();
        // As many as there is time for, at least 60: all the same files every time.
        for (int i = 0; i < 400 && (i < 60 || clock.elapsed() < 4000); ++i) {
            const QString name = QStringLiteral("changed-%1.%2").arg(i).arg(ending);
            const std::string file = put(name, test::damaged(whole, random));
            QVERIFY2(behaves(file, name), qPrintable(name));
            QFile::remove(path(name));
        }
    }
    void claimsWithoutContent() {
        const double before = peakMegabytes();
        // 20 000 x 20 000, and nothing behind it.
        QImage(64, 64, QImage::Format_RGB32).save(path("little.jpg"), nullptr, 90);
        QFile f(path("little.jpg"));
        QVERIFY(f.open(QIODevice::ReadOnly));
        QByteArray jpeg = f.readAll();
        const auto at = jpeg.indexOf(QByteArray("\xff\xc0", 2));
        QVERIFY(at > 0);
        jpeg.replace(at + 5, 4, QByteArray("\x4e\x20\x4e\x20", 4));
        QVERIFY(messageFor(put("bomb.jpg", jpeg)).contains("more than it can hold"));
        QByteArray tiff("II\x2a\0\x08\0\0\0\x09\0", 10);
        const auto entry = [&](int tag, int type, std::uint32_t v) {
            for (const auto& [n, count] : {std::pair<std::uint32_t, int>{static_cast<std::uint32_t>(tag), 2},
                                           {static_cast<std::uint32_t>(type), 2},
                                           {1, 4},
                                           {v, 4}})
                for (int i = 0; i < count; ++i) tiff.append(static_cast<char>(n >> (8 * i)));
        };
        entry(0x100, 4, 20000), entry(0x101, 4, 20000), entry(0x102, 3, 16), entry(0x103, 3, 8),
            entry(0x106, 3, 1), entry(0x111, 4, 8), entry(0x115, 3, 1), entry(0x116, 4, 20000),
            entry(0x117, 4, 100);
        tiff.append(4, '\0');
        QVERIFY(messageFor(put("bomb.tif", tiff)).contains("more than it can hold"));
        QByteArray png =
            QByteArray::fromHex("89504e470d0a1a0a0000000d494844520000ea600000ea60080200000000000000");
        QVERIFY(!messageFor(put("bomb.png", png)).isEmpty());
        MadeDng d = small();
        d.raw[0x0100] = test::longsTag({20000}), d.raw[0x0101] = test::longsTag({20000});
        d.raw[0x0116] = test::longsTag({20000});
        for (const int compression : {1, 7, 8}) {
            d.compression = compression;
            QVERIFY(messageFor(d.write(path("bomb.dng"))).contains("more pixels than it can hold"));
        }
        QVERIFY2(peakMegabytes() - before < 100, qPrintable(QString::number(peakMegabytes() - before)));
    }
    void listsOfBadPixelsWithoutEnd() {
        // A thousand rectangles over the whole photo, in a few kilobytes.
        std::vector<std::uint8_t> data;
        big32(data, 0), big32(data, 0), big32(data, 1000);
        for (int i = 0; i < 1000; ++i)
            for (const std::uint32_t v : {0U, 0U, 16000000U, 16000000U}) big32(data, v);
        Photo p = test::flatField(0.2, 1600, 64);
        const double before = peakMegabytes();
        p.metadata.mosaic = {opcodeList(0xc740, 5, data)};
        const Opcodes found = opcodesOf(p);
        QVERIFY(found.badPixels.empty() && found.unknown == 1);
        // Points that the list does not hold.
        data.clear();
        big32(data, 0), big32(data, 16000000), big32(data, 0);
        p.metadata.mosaic = {opcodeList(0xc740, 5, data)};
        QVERIFY(opcodesOf(p).badPixels.empty());
        QVERIFY(peakMegabytes() - before < 20);
    }
    void gainMapsThatLeadNowhere() {
        Photo p = test::flatField(0.2, 1600, 96);
        const auto gains = [&](const std::vector<std::uint8_t>& data) {
            p.metadata.mosaic = {opcodeList(0xc741, 9, data)};
            return opcodesOf(p).gains;
        };
        for (const double step : {0.0, -0.5, 1e300, -1e300, 1e-300})
            QVERIFY2(gains(gainMap(2, 2, step, step, 0, 2)).empty(), qPrintable(QString::number(step)));
        QVERIFY(gains(gainMap(2, 2, 0.5, 0.5, 1e300, 2)).empty());
        QVERIFY(gains(gainMap(0, 2, 0.5, 0.5, 0, 2)).empty());
        // One value for all: the steps mean nothing.
        const auto one = gains(gainMap(1, 1, 0, 0, 0, 2));
        QCOMPARE(one.size(), std::size_t(1));
        QCOMPARE(one[0].at(5, 7), 2.0f);
        const auto plain = gains(gainMap(2, 3, 1, 0.5, 0, 1.5f));
        QVERIFY(plain.size() == 1 && plain[0].at(95, 79) == 1.5f);
    }
    void cropsThatRunOver() {
        MadeDng d = small();
        d.raw[0xc61f] = test::longsTag({4294967295U, 4}), d.raw[0xc620] = test::longsTag({4294967295U, 20});
        QVERIFY((readPhoto(d.write(path("crop.dng")))->crop == Rect{0, 0, 96, 80}));
        d.raw[0xc68d] = test::longsTag({4294967295U, 0, 4, 4294967290U});
        QVERIFY((readPhoto(d.write(path("crop.dng")))->active == Rect{0, 0, 96, 80}));
        d.raw[0xc619] = test::shortsTag({65535, 65535});
        QCOMPARE(readPhoto(d.write(path("crop.dng")))->black.at(3, 3), 512.0f);
    }
    void cutPicturesAreRefused() {
        QImage image(400, 300, QImage::Format_RGB32);
        for (int y = 0; y < 300; ++y)
            for (int x = 0; x < 400; ++x)
                image.setPixel(x, y, qRgb((x * 7) & 255, (y * 5) & 255, (x * y) & 255));
        for (const char* ending : {"jpg", "png"}) {
            const QString name = QStringLiteral("whole.") + ending;
            QVERIFY(image.save(path(name)));
            QVERIFY(messageFor(path(name).toStdString()).isEmpty());
            QFile f(path(name));
            QVERIFY(f.open(QIODevice::ReadOnly));
            const QByteArray all = f.readAll();
            for (const double share : {0.5, 0.9, 0.99}) {
                const QString said = messageFor(
                    put(QStringLiteral("cut.") + ending,
                        all.left(static_cast<qsizetype>(static_cast<double>(all.size()) * share))));
                QVERIFY2(said.contains("ends too early"),
                         qPrintable(QStringLiteral("%1 %2: %3").arg(ending).arg(share).arg(said)));
            }
        }
    }
    void textInAnyEncoding() {
        MadeDng d = small();
        d.main[0x010f] = test::textTag("M\xfchle\x01"), d.main[0x0110] = test::textTag("Z\xc3\xbcrich");
        d.exif[0xa434] = test::textTag("\xff\xfe 35mm");
        const PhotoPtr p = readPhoto(d.write(path("text.dng")));
        QCOMPARE(QString::fromStdString(p->make), QStringLiteral("Mühle"));
        QCOMPARE(QString::fromStdString(p->model), QStringLiteral("Zürich"));
        QCOMPARE(QString::fromStdString(p->lens), QStringLiteral("ÿþ 35mm"));
        QCOMPARE(utf8Of("\xed\xa0\x80"), std::string("\xc3\xad\xc2\xa0")); // a surrogate is no character
        QCOMPARE(shownName("/a/b\xff.dng"), std::string("b\\xff.dng"));
        QCOMPARE(shownName("/a/Zürich.dng"), std::string("Zürich.dng"));
    }
    // Pixels stand first, values last: whatever is cut off, the photo is refused or is what it was, in every
    // value.
    void aCutDngIsRefusedOrWhole_data() {
        QTest::addColumn<int>("kind");
        for (int kind = 0; kind < 4; ++kind) QTest::addRow("%d", kind) << kind;
    }
    void aCutDngIsRefusedOrWhole() {
        QFETCH(int, kind);
        MadeDng d = small();
        if (kind == 1) d.bigEndian = true, d.oneDirectory = true;
        if (kind == 2)
            d.tile = 32, d.compression = 7, d.exif[0x927c] = test::bytesTag({1, 2, 3, 4, 5, 6, 7, 8}, 7);
        if (kind == 3)
            d.raw[0xc619] = test::shortsTag({2, 2}), d.raw[0xc61a] = test::rationalsTag({500, 510, 520, 530}),
            d.main[0xc629] = test::rationalsTag({0.31, 0.33}),
            d.main[0x02bc] = test::bytesTag(std::vector<std::uint8_t>(300, 'x'), 1);
        const QByteArray whole = d.bytes();
        const std::string name = path("cut.dng").toStdString();
        const auto write = [&](const QByteArray& bytes) {
            QFile f(QString::fromStdString(name));
            f.open(QIODevice::WriteOnly);
            f.write(bytes);
        };
        write(whole);
        const PhotoPtr before = readPhoto(name, {}, Measure::Nothing);
        const PhotoId id = idOf(*before);
        int refused = 0, named = 0;
        for (int cut = 1; cut < 1200 && cut < whole.size(); ++cut) {
            write(whole.left(whole.size() - cut));
            try {
                const PhotoPtr p = readPhoto(name, {}, Measure::Nothing);
                QVERIFY2(idOf(*p) == id && p->metadata.main == before->metadata.main &&
                             p->metadata.exif == before->metadata.exif &&
                             p->metadata.mosaic == before->metadata.mosaic,
                         qPrintable(QString::number(cut)));
            } catch (const PhotoError& e) {
                ++refused;
                named += QByteArray(e.what()).contains("the value of its tag");
            }
        }
        QVERIFY2(refused > 100 && named > 20, qPrintable(QStringLiteral("%1 %2").arg(refused).arg(named)));
    }
    // Each scan of a progressive JPEG goes over the whole picture: thousands of them would take minutes.
    void aJpegOfThousandsOfScansIsRefused() {
        QImage image(800, 800, QImage::Format_RGB32);
        image.fill(Qt::gray);
        QByteArray jpeg;
        QBuffer buffer(&jpeg);
        buffer.open(QIODevice::WriteOnly);
        QImageWriter writer(&buffer, "jpg");
        writer.setProgressiveScanWrite(true);
        QVERIFY(writer.write(image));
        // Its last scan again and again: a refinement that changes nothing.
        const qsizetype last = jpeg.lastIndexOf("\xff\xda"), end = jpeg.lastIndexOf("\xff\xd9");
        const QByteArray scan = jpeg.mid(last, end - last);
        QByteArray many = jpeg.left(end);
        for (int i = 0; i < 4000; ++i) many += scan;
        many += "\xff\xd9";
        QFile f(path("scans.jpg"));
        QVERIFY(f.open(QIODevice::WriteOnly));
        f.write(many);
        f.close();
        try {
            readPhoto(path("scans.jpg").toStdString(), {}, Measure::Nothing);
            QFAIL("it was read");
        } catch (const PhotoError& e) {
            QVERIFY2(QByteArray(e.what()).contains("scans"), e.what());
        }
    }
};

QTEST_MAIN(TestHostile)
#include "hostile.moc"
