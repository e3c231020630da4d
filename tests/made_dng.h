// DNGs of all the kinds that the standard allows, made without any code of the library's writer, and damaged
// ones made of them.
#pragma once

#include <zlib.h>

#include <QByteArray>
#include <QFile>
#include <cmath>
#include <cstring>
#include <map>
#include <random>
#include <string>
#include <vector>

#include "deliver/lossless_jpeg.h"

namespace irenic::test {

// Values of a tag, as little-endian bytes.
struct TagValues {
    std::uint16_t type = 1;
    std::uint32_t count = 0;
    std::vector<std::uint8_t> bytes;

    template <class T> void add(T v) {
        std::uint8_t b[sizeof(T)];
        std::memcpy(b, &v, sizeof(T));
        bytes.insert(bytes.end(), b, b + sizeof(T));
    }
};

inline TagValues bytesTag(const std::vector<std::uint8_t>& v, std::uint16_t type = 1) {
    return {type, static_cast<std::uint32_t>(v.size()), v};
}
inline TagValues textTag(const std::string& s) {
    TagValues out{2, static_cast<std::uint32_t>(s.size() + 1), {s.begin(), s.end()}};
    out.bytes.push_back(0);
    return out;
}
inline TagValues shortsTag(const std::vector<int>& v) {
    TagValues out{3, static_cast<std::uint32_t>(v.size()), {}};
    for (const int x : v) out.add(static_cast<std::uint16_t>(x));
    return out;
}
inline TagValues longsTag(const std::vector<std::uint32_t>& v) {
    TagValues out{4, static_cast<std::uint32_t>(v.size()), {}};
    for (const std::uint32_t x : v) out.add(x);
    return out;
}
inline TagValues rationalsTag(const std::vector<double>& v, bool isSigned = false, int below = 10000) {
    TagValues out{static_cast<std::uint16_t>(isSigned ? 10 : 5), static_cast<std::uint32_t>(v.size()), {}};
    for (const double x : v)
        out.add(static_cast<std::int32_t>(std::lround(x * below))), out.add(std::int32_t{below});
    return out;
}
inline TagValues doublesTag(const std::vector<double>& v) {
    TagValues out{12, static_cast<std::uint32_t>(v.size()), {}};
    for (const double x : v) out.add(x);
    return out;
}

// One DNG. Change what a test is about and call bytes().
struct MadeDng {
    using Tags = std::map<std::uint16_t, TagValues>;

    int width = 0, height = 0, channels = 1;
    std::vector<double> samples; // reading order, in the numbers of the file
    int bits = 16;
    bool floating = false, bigEndian = false, oneDirectory = false;
    int compression = 1, predictor = 1; // 1, 7 (lossless JPEG), 8 (deflate)
    int tile = 0;                       // 0: one strip
    Tags main, raw, exif;
    std::vector<std::vector<std::uint8_t>> profiles; // ExtraCameraProfiles, whole blocks
    std::vector<std::vector<std::uint8_t>>
        given; // tiles as they are to stand in the file; empty: from samples

    // What every DNG of a mosaic needs; linear and grey ones change it.
    static MadeDng mosaic(int width, int height, std::vector<double> samples) {
        MadeDng d;
        d.width = width, d.height = height, d.samples = std::move(samples);
        d.main[0x010f] = textTag("Sluice"), d.main[0x0110] = textTag("One");
        d.main[0x0112] = shortsTag({1});
        d.main[0xc612] = bytesTag({1, 4, 0, 0}), d.main[0xc613] = bytesTag({1, 1, 0, 0});
        d.main[0xc614] = textTag("Sluice One");
        d.main[0xc621] =
            rationalsTag({0.7034, -0.2216, -0.0561, -0.4321, 1.2298, 0.2246, -0.0632, 0.1483, 0.6118}, true);
        d.main[0xc65a] = shortsTag({21});
        d.main[0xc628] = rationalsTag({0.62, 1, 0.45});
        d.raw[0x0106] = shortsTag({32803});
        d.raw[0x828d] = shortsTag({2, 2});
        d.raw[0x828e] = bytesTag({0, 1, 1, 2});
        return d;
    }

    QByteArray bytes() const;
    std::string write(const QString& path) const {
        QFile f(path);
        f.open(QIODevice::WriteOnly);
        f.write(bytes());
        return path.toStdString();
    }

  private:
    std::vector<std::uint8_t> tileBytes(int left, int top, int w, int h) const;
};

// A floating-point number as the bits of 16, 24 or 32.
inline std::uint32_t floatBits(double v, int bits) {
    const auto f = static_cast<float>(v);
    std::uint32_t u;
    std::memcpy(&u, &f, 4);
    if (bits == 32) return u;
    const int fraction = bits == 16 ? 10 : 16, exponentBits = bits == 16 ? 5 : 7,
              bias = (1 << (exponentBits - 1)) - 1;
    const std::uint32_t sign = u >> 31U;
    const int exponent = static_cast<int>(u >> 23U & 255U) - 127 + bias;
    const std::uint32_t s = sign << static_cast<unsigned>(bits - 1);
    if (v == 0 || exponent <= 0) {
        const double least = std::ldexp(1.0, 1 - bias - fraction);
        return s | static_cast<std::uint32_t>(std::lround(std::abs(v) / least));
    }
    return s | static_cast<std::uint32_t>(exponent) << static_cast<unsigned>(fraction) |
           (u & 0x7fffffU) >> static_cast<unsigned>(23 - fraction);
}

inline std::vector<std::uint8_t> MadeDng::tileBytes(int left, int top, int w, int h) const {
    const auto at = [&](int x, int y, int c) {
        return samples[(static_cast<std::size_t>(std::min(y, height - 1)) * static_cast<std::size_t>(width) +
                        static_cast<std::size_t>(std::min(x, width - 1))) *
                           static_cast<std::size_t>(channels) +
                       static_cast<std::size_t>(c)];
    };
    if (compression == 7) {
        std::vector<std::uint16_t> all;
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x)
                for (int c = 0; c < channels; ++c)
                    all.push_back(static_cast<std::uint16_t>(at(left + x, top + y, c)));
        return losslessJpeg(all.data(), w * channels, h, static_cast<std::ptrdiff_t>(w) * channels,
                            channels == 3 ? 3 : 2);
    }
    std::vector<std::uint8_t> out;
    const int bytesEach = bits / 8;
    for (int y = 0; y < h; ++y) {
        std::vector<std::uint32_t> row;
        for (int x = 0; x < w; ++x)
            for (int c = 0; c < channels; ++c) {
                const double v = at(left + x, top + y, c);
                row.push_back(floating ? floatBits(v, bits) : static_cast<std::uint32_t>(std::llround(v)));
            }
        const std::size_t reach = static_cast<std::size_t>(predictor == 34892 || predictor == 34894   ? 2
                                                           : predictor == 34893 || predictor == 34895 ? 4
                                                                                                      : 1) *
                                  static_cast<std::size_t>(channels);
        if (predictor == 2 || predictor == 34892 || predictor == 34893)
            for (std::size_t i = row.size(); i-- > reach;) row[i] -= row[i - reach];
        if (predictor == 3 || predictor == 34894 || predictor == 34895) {
            std::vector<std::uint8_t> sorted(row.size() * static_cast<std::size_t>(bytesEach));
            for (std::size_t i = 0; i < row.size(); ++i)
                for (int b = 0; b < bytesEach; ++b)
                    sorted[static_cast<std::size_t>(b) * row.size() + i] =
                        static_cast<std::uint8_t>(row[i] >> static_cast<unsigned>(8 * (bytesEach - 1 - b)));
            for (std::size_t i = sorted.size(); i-- > reach;)
                sorted[i] = static_cast<std::uint8_t>(sorted[i] - sorted[i - reach]);
            out.insert(out.end(), sorted.begin(), sorted.end());
        } else if (bits % 8 == 0) {
            for (const std::uint32_t v : row)
                for (int b = 0; b < bytesEach; ++b)
                    out.push_back(static_cast<std::uint8_t>(
                        v >> static_cast<unsigned>(8 * (bigEndian ? bytesEach - 1 - b : b))));
        } else {
            std::uint64_t held = 0;
            int count = 0;
            for (const std::uint32_t v : row) {
                held = held << static_cast<unsigned>(bits) | v, count += bits;
                while (count >= 8)
                    out.push_back(static_cast<std::uint8_t>(held >> static_cast<unsigned>(count - 8))),
                        count -= 8;
            }
            if (count > 0) out.push_back(static_cast<std::uint8_t>(held << static_cast<unsigned>(8 - count)));
        }
    }
    if (compression != 8) return out;
    std::vector<std::uint8_t> packed(compressBound(static_cast<uLong>(out.size())));
    auto size = static_cast<uLongf>(packed.size());
    compress(packed.data(), &size, out.data(), static_cast<uLong>(out.size()));
    packed.resize(size);
    return packed;
}

inline QByteArray MadeDng::bytes() const {
    std::vector<std::uint8_t> file;
    const auto number = [&](std::uint64_t v, int count) {
        for (int i = 0; i < count; ++i)
            file.push_back(
                static_cast<std::uint8_t>(v >> static_cast<unsigned>(8 * (bigEndian ? count - 1 - i : i))));
    };
    const auto even = [&] {
        if (file.size() % 2) file.push_back(0);
    };
    file.insert(file.end(), 2, bigEndian ? 'M' : 'I');
    number(42, 2), number(0, 4);
    const int tw = tile ? tile : width, th = tile ? tile : height;
    std::vector<std::uint32_t> offsets, counts;
    for (int y = 0; y < height; y += th)
        for (int x = 0; x < width; x += tw) {
            even();
            const auto data = given.empty() ? tileBytes(x, y, tw, th) : given.at(offsets.size());
            offsets.push_back(static_cast<std::uint32_t>(file.size())),
                counts.push_back(static_cast<std::uint32_t>(data.size()));
            file.insert(file.end(), data.begin(), data.end());
        }
    Tags picture = raw;
    const auto missing = [&](std::uint16_t tag, const TagValues& v) {
        if (!picture.count(tag)) picture[tag] = v;
    };
    missing(0x00fe, longsTag({0}));
    missing(0x0100, longsTag({static_cast<std::uint32_t>(width)}));
    missing(0x0101, longsTag({static_cast<std::uint32_t>(height)}));
    missing(0x0102, shortsTag(std::vector<int>(static_cast<std::size_t>(channels), bits)));
    missing(0x0103, shortsTag({compression}));
    missing(0x0115, shortsTag({channels}));
    if (floating) missing(0x0153, shortsTag(std::vector<int>(static_cast<std::size_t>(channels), 3)));
    if (predictor != 1) missing(0x013d, shortsTag({predictor}));
    missing(tile ? 0x0144 : 0x0111, longsTag(offsets));
    missing(tile ? 0x0145 : 0x0117, longsTag(counts));
    if (tile)
        missing(0x0142, longsTag({static_cast<std::uint32_t>(tile)})),
            missing(0x0143, longsTag({static_cast<std::uint32_t>(tile)}));
    else
        missing(0x0116, longsTag({static_cast<std::uint32_t>(height)}));
    const auto directory = [&](const Tags& tags) {
        even();
        const auto start = static_cast<std::uint32_t>(file.size());
        std::uint32_t beyond = start + 2 + 12 * static_cast<std::uint32_t>(tags.size()) + 4;
        std::vector<std::uint8_t> values;
        const auto turned = [&](const TagValues& v) {
            std::vector<std::uint8_t> b = v.bytes;
            static constexpr std::size_t words[] = {1, 1, 1, 2, 4, 4, 1, 1, 2, 4, 4, 4, 8, 4};
            const std::size_t word = words[v.type];
            if (bigEndian)
                for (std::size_t i = 0; i + word <= b.size(); i += word)
                    std::reverse(b.begin() + static_cast<std::ptrdiff_t>(i),
                                 b.begin() + static_cast<std::ptrdiff_t>(i + word));
            return b;
        };
        number(tags.size(), 2);
        for (const auto& [tag, v] : tags) {
            number(tag, 2), number(v.type, 2), number(v.count, 4);
            auto b = turned(v);
            if (b.size() <= 4) {
                b.resize(4);
                file.insert(file.end(), b.begin(), b.end());
            } else {
                number(beyond + values.size(), 4);
                values.insert(values.end(), b.begin(), b.end());
                if (values.size() % 2) values.push_back(0);
            }
        }
        number(0, 4);
        file.insert(file.end(), values.begin(), values.end());
        return start;
    };
    Tags first = main;
    if (!exif.empty()) first[0x8769] = longsTag({directory(exif)});
    if (!profiles.empty()) {
        std::vector<std::uint32_t> where;
        for (const auto& p : profiles) {
            even();
            where.push_back(static_cast<std::uint32_t>(file.size()));
            file.insert(file.end(), p.begin(), p.end());
        }
        first[0xc6f5] = longsTag(where);
    }
    if (oneDirectory)
        first.insert(picture.begin(), picture.end());
    else
        first[0x014a] = longsTag({directory(picture)}), first[0x00fe] = longsTag({1});
    const std::uint32_t start = directory(first);
    for (int i = 0; i < 4; ++i)
        file[static_cast<std::size_t>(4 + i)] =
            static_cast<std::uint8_t>(start >> static_cast<unsigned>(8 * (bigEndian ? 3 - i : i)));
    return QByteArray(reinterpret_cast<const char*>(file.data()), static_cast<qsizetype>(file.size()));
}

// Bytes changed here and there, more often where the directories are; now and then cut short, or with a piece
// of itself over another.
inline QByteArray damaged(const QByteArray& whole, std::mt19937& random) {
    QByteArray bytes = whole;
    const auto size = static_cast<unsigned>(bytes.size());
    const unsigned tail = std::min(size, 4000U);
    for (unsigned k = 0; k < 1 + random() % 12; ++k) {
        const unsigned at = random() % 3 ? size - 1 - random() % tail : random() % size;
        static constexpr unsigned char telling[] = {0, 1, 0x7f, 0x80, 0xff};
        bytes[static_cast<qsizetype>(at)] =
            static_cast<char>(random() % 2 ? telling[random() % 5] : random());
    }
    if (random() % 10 == 0) bytes.truncate(static_cast<qsizetype>(random() % size));
    if (random() % 10 == 0 && bytes.size() > 64) {
        const unsigned n = random() % 48, from = random() % (static_cast<unsigned>(bytes.size()) - n),
                       to = random() % (static_cast<unsigned>(bytes.size()) - n);
        bytes.replace(to, n, bytes.mid(from, n));
    }
    return bytes;
}

} // namespace irenic::test
