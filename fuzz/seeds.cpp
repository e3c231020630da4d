// Writes what the fuzzers begin with: fuzz-seeds FOLDER makes FOLDER/dng, /picture, /opcodes, /text, /kept,
// /wire and /notes.
#include <sys/mman.h>
#include <unistd.h>

#include <QBuffer>
#include <QImage>
#include <cstdio>
#include <filesystem>
#include <fstream>

#include "base/json.h"
#include "made_dng.h"
#include "optics.h"
#include "queue/job_queue.h"
#include "reader/wire.h"
#include "session/state_json.h"

using namespace irenic;
using test::MadeDng;

namespace {

namespace fs = std::filesystem;

void put(const fs::path& file, const QByteArray& bytes) {
    std::ofstream out(file, std::ios::binary);
    out.write(bytes.constData(), bytes.size());
}

std::vector<MadeDng> dngs() {
    std::vector<double> v;
    for (int i = 0; i < 32 * 24; ++i) v.push_back(600 + i * 7919 % 9000);
    MadeDng plain = MadeDng::mosaic(32, 24, v);
    plain.raw[0xc61a] = test::shortsTag({512}), plain.raw[0xc61d] = test::longsTag({15871});
    std::vector<MadeDng> all{plain};
    MadeDng d = plain;
    d.bigEndian = true, d.tile = 16, d.compression = 8, d.predictor = 2;
    Optics optics;
    optics.distortion = 0.03, optics.vignetting = 0.2;
    d.raw[0xc74e] = test::bytesTag(opcodesFor(optics, 32, 24).bytes, 7);
    all.push_back(d);
    d = plain, d.compression = 7, d.tile = 16, d.oneDirectory = true;
    d.raw[0xc68d] = test::longsTag({1, 1, 23, 31});
    all.push_back(d);
    d = plain, d.floating = true, d.bits = 16, d.compression = 8, d.predictor = 34894, d.tile = 16;
    for (double& s : d.samples) s /= 15871;
    d.raw.erase(0xc61a), d.raw.erase(0xc61d);
    all.push_back(d);
    d = plain, d.bits = 12;
    for (double& s : d.samples) s /= 4;
    d.raw[0xc619] = test::shortsTag({2, 2}), d.raw[0xc61a] = test::rationalsTag({64, 65, 66, 64.5});
    d.raw[0xc61d] = test::longsTag({4000}), d.exif[0x927c] = test::bytesTag({1, 2, 3, 4, 5, 6}, 7);
    all.push_back(d);
    return all;
}

} // namespace

int main(int argc, char** argv) {
    if (argc != 2) return 2;
    const fs::path folder = argv[1];
    for (const char* name : {"dng", "picture", "opcodes", "text", "kept", "wire", "notes"})
        fs::create_directories(folder / name);
    int n = 0;
    for (const MadeDng& d : dngs()) put(folder / "dng" / std::to_string(n++), d.bytes());
    QImage image(24, 20, QImage::Format_RGB32);
    for (int y = 0; y < 20; ++y)
        for (int x = 0; x < 24; ++x) image.setPixel(x, y, qRgb(x * 10, y * 12, x * y % 255));
    for (const char* format : {"jpg", "png"})
        image.save(QString::fromStdString((folder / "picture" / format).string()), format);
    QByteArray tiff("II\x2a\0\x08\0\0\0\x09\0", 10);
    const int entries[][3] = {{0x100, 4, 8},   {0x101, 4, 4}, {0x102, 3, 16}, {0x103, 3, 1}, {0x106, 3, 1},
                              {0x111, 4, 122}, {0x115, 3, 1}, {0x116, 4, 4},  {0x117, 4, 64}};
    for (const auto& e : entries)
        for (const auto& [value, bytes] : {std::pair{e[0], 2}, {e[1], 2}, {1, 4}, {e[2], 4}})
            for (int i = 0; i < bytes; ++i) tiff.append(static_cast<char>(value >> (8 * i)));
    put(folder / "picture" / "tif", tiff + QByteArray(4 + 64, 7));
    Optics optics;
    optics.distortion = 0.03, optics.vignetting = 0.2, optics.red = 1.001;
    const TagEntry list = opcodesFor(optics, 48, 40);
    put(folder / "opcodes" / "lens", QByteArray(reinterpret_cast<const char*>(list.bytes.data()),
                                                static_cast<qsizetype>(list.bytes.size())));
    put(folder / "text" / "look",
        "1kelvin=4200,tint=3,exposure=0.5,curve=0:0;0.5:0.6;1:1,vignetting,softness=thread");
    put(folder / "text" / "take", "1bm3d,luminance=1,colour=1.2,detail=0.2,grain=0.1,mend=0");
    const QByteArray packet = "<x:xmpmeta xmlns:x=\"adobe:ns:meta/\"><rdf:RDF "
                              "xmlns:rdf=\"http://www.w3.org/1999/02/22-rdf-syntax-ns#\">"
                              "<rdf:Description xmlns:dc=\"http://purl.org/dc/elements/1.1/\" "
                              "dc:format=\"image/x\"/></rdf:RDF></x:xmpmeta>";
    put(folder / "notes" / "xmp", '\0' + packet);
    put(folder / "notes" / "iptc", QByteArray("\1\x1c\2\5\0\4tide\x1c\2\x78\0\2ab", 17));
    QBuffer jpeg;
    jpeg.open(QIODevice::WriteOnly);
    image.save(&jpeg, "JPG");
    const QByteArray segment = QByteArray("http://ns.adobe.com/xap/1.0/") + '\0' + packet;
    QByteArray noted = jpeg.data();
    noted.insert(2, QByteArray("\xff\xe1") + static_cast<char>((segment.size() + 2) >> 8) +
                        static_cast<char>((segment.size() + 2) & 255) + segment);
    put(folder / "notes" / "jpeg", '\2' + noted);
    PhotoState state = freshState();
    state.probes = {{"darkest", "dark", 40, 30, 0}};
    state.references = {{0, "/quay/other.tif", true}};
    state.giveIds();
    PhotoRecord record{std::make_shared<PhotoState>(state), {}, {}};
    record.kept = {{"before", "2026-01-15 22:10:00", record.state}};
    record.facts.exports = {{"/quay/made.dng", "2026-01-15 22:10:00", 'A'}};
    record.facts.recommended = Recommended{Settings{"nlm", 1.25f}, {0.5, 0.25}};
    const auto kept = [&](const char* name, char kind, const std::string& text) {
        put(folder / "kept" / name, kind + QByteArray::fromStdString(text));
    };
    kept("sidecar", 0, jsonOf(record).dump());
    kept("session", 1, jsonOf(SessionState{{"/a.dng", "/b.dng"}, "/b.dng", {4, 12, -7, 1.5f}, "abc"}).dump());
    ExportRequest request;
    request.photo = "/quay/mill.dng", request.settings = Settings{}, request.risk = Risk{0.5, 0.25};
    kept("request", 2, textOf(request));
    kept("delivery", 3, "tiff,bits=8,longest=2048,name={stem}-{version},folder=web");
    const int memory = memfd_create("sent", 0);
    int number = 0;
    const auto sent = [&](char kind, std::uint64_t count) {
        QByteArray bytes(static_cast<qsizetype>(count), 0);
        if (pread(memory, bytes.data(), count, 0) == static_cast<ssize_t>(count))
            put(folder / "wire" / std::to_string(number++), kind + bytes);
    };
    for (const MadeDng& d : dngs()) {
        const QByteArray bytes = d.bytes();
        const auto photo = readUnmeasured(GivenFile({bytes.begin(), bytes.end()}, "seed.dng"));
        sent(0, sendPhoto(*photo, memory));
    }
    sent(2, sendProperties({{"Order", "abc"}, {"Method", "nlm"}}, memory));
    sent(3, sendPacketWish({packet.toStdString(), "image/tiff", {{"Order", "abc"}}}, memory));
    return 0;
}
