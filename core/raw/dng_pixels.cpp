#include "raw/dng_pixels.h"

#include <zlib.h>

#include <algorithm>
#include <cmath>
#include <cstring>
#include <limits>
#include <stdexcept>

#include "base/shown_text.h"
#include "raw/lossless_jpeg_tile.h"
#include "raw/picture_file.h"

namespace irenic {

namespace {

std::vector<std::uint8_t> inflated(const std::vector<std::uint8_t>& packed, std::size_t size) {
    std::vector<std::uint8_t> out(size);
    auto length = static_cast<uLongf>(size);
    const int result = uncompress(out.data(), &length, packed.data(), static_cast<uLong>(packed.size()));
    // More than the tile holds is no reason to refuse it.
    if ((result != Z_OK && result != Z_BUF_ERROR) || length != size)
        throw std::runtime_error(
            IRENIC_TEXT("its compressed pixels are damaged. Copy it again from the card."));
    return out;
}

// Horizontal differences of whole numbers (TIFF 6.0, section 14); with predictors of DNG 1.4 (page 18) from
// the sample two or four pixels before, the next of the same colour.
template <class T> void addUp(T* row, std::size_t samples, std::size_t step) {
    for (std::size_t i = step; i < samples; ++i) row[i] = static_cast<T>(row[i] + row[i - step]);
}

// The predictor for floating point (TIFF technical note 3, 2005): bytes of a row are sorted by weight, the
// highest first, and differences taken byte by byte.
void undoFloatingPoint(std::uint8_t* row, std::size_t samples, std::size_t bytes, std::size_t step) {
    const std::size_t length = samples * bytes;
    for (std::size_t i = step; i < length; ++i) row[i] = static_cast<std::uint8_t>(row[i] + row[i - step]);
    std::vector<std::uint8_t> sorted(row, row + length);
    for (std::size_t i = 0; i < samples; ++i)
        for (std::size_t b = 0; b < bytes; ++b) row[i * bytes + b] = sorted[b * samples + i];
}

std::size_t reachOf(int predictor) { // pixels back to what a difference was taken from
    switch (predictor) {
    case 34892:
    case 34894: return 2;
    case 34893:
    case 34895: return 4;
    default: return 1;
    }
}

bool isFloatingPredictor(int predictor) { return predictor == 3 || predictor == 34894 || predictor == 34895; }

std::uint32_t numberAt(const std::uint8_t* p, std::size_t bytes, bool big) {
    std::uint32_t v = 0;
    for (std::size_t i = 0; i < bytes; ++i) v = v << 8U | p[big ? i : bytes - 1 - i];
    return v;
}

// A floating-point number of 16 (IEEE 754 half), 24 (1 + 7 + 16 bits, DNG 1.4, page 19) or 32 bits.
float floatFrom(std::uint32_t v, int bits) {
    if (bits == 32) {
        float out;
        std::memcpy(&out, &v, 4);
        return out;
    }
    const int fraction = bits == 16 ? 10 : 16, exponentBits = bits == 16 ? 5 : 7;
    const int bias = (1 << (exponentBits - 1)) - 1, most = (1 << exponentBits) - 1;
    const auto exponent = static_cast<int>(v >> static_cast<unsigned>(fraction)) & most;
    const auto mantissa = static_cast<double>(v & ((1U << static_cast<unsigned>(fraction)) - 1));
    const double sign = v >> static_cast<unsigned>(bits - 1) & 1U ? -1 : 1,
                 share = std::ldexp(mantissa, -fraction);
    if (exponent == most) return std::numeric_limits<float>::quiet_NaN();
    return static_cast<float>(
        sign * (exponent == 0 ? std::ldexp(share, 1 - bias) : std::ldexp(1 + share, exponent - bias)));
}

// The samples of one tile, as stored whole numbers (the bit patterns of floating-point ones).
class TileReader {
  public:
    TileReader(const GivenFile& file, const PixelLayout& layout)
        : in_(file), l_(layout),
          rowSamples_(static_cast<std::size_t>(l_.tileWidth) * static_cast<std::size_t>(l_.channels)),
          rowBytes_((rowSamples_ * static_cast<std::size_t>(l_.bits) + 7) / 8) {}

    // Calls put(row of the tile, its samples) for each row that lies in the picture.
    template <class Put> void read(std::size_t index, int rows, const Put& put) {
        std::vector<std::uint8_t> data = stored(index);
        std::vector<std::uint32_t> samples(rowSamples_);
        if (l_.compression == 7) {
            const auto unpacked = unpackLosslessJpeg(data, rowSamples_, static_cast<std::size_t>(rows));
            for (int y = 0; y < rows; ++y) {
                std::copy_n(unpacked.begin() + y * static_cast<std::ptrdiff_t>(rowSamples_), rowSamples_,
                            samples.begin());
                put(y, samples);
            }
            return;
        }
        if (l_.compression == 34892) {
            FilePicture tile = decodeJpeg(data);
            if (tile.width != l_.tileWidth || tile.channels != l_.channels || tile.height < rows)
                throw std::runtime_error(
                    IRENIC_TEXT("its tiles are of another size than it says; the file is damaged."));
            data = std::move(tile.data);
        }
        const std::size_t wanted =
            rowBytes_ * static_cast<std::size_t>(l_.compression == 8 ? l_.tileHeight : rows);
        if (l_.compression == 8)
            data = inflatedTile(data, rows);
        else if (data.size() < wanted)
            throw std::runtime_error(
                IRENIC_TEXT("the file ends too early or is damaged. Copy it again from the card."));
        for (int y = 0; y < rows; ++y) {
            unpack(data.data() + static_cast<std::size_t>(y) * rowBytes_, samples);
            put(y, samples);
        }
    }

  private:
    std::vector<std::uint8_t> stored(std::size_t index) const {
        const auto found = in_.part(l_.offsets[index], l_.counts[index]);
        if (!found)
            throw std::runtime_error(IRENIC_TEXT("the file ends too early. Copy it again from the card."));
        return {found->begin(), found->end()};
    }
    // Some writers leave the rows beyond the picture out of the last tiles.
    std::vector<std::uint8_t> inflatedTile(const std::vector<std::uint8_t>& data, int rows) const {
        const std::size_t full = rowBytes_ * static_cast<std::size_t>(l_.tileHeight),
                          cut = rowBytes_ * static_cast<std::size_t>(rows);
        try {
            return inflated(data, full);
        } catch (const std::runtime_error&) {
            if (cut == full) throw;
            return inflated(data, cut);
        }
    }
    void unpack(std::uint8_t* row, std::vector<std::uint32_t>& out) const {
        const auto bits = static_cast<std::size_t>(l_.bits), bytes = bits / 8;
        const std::size_t step = reachOf(l_.predictor) * static_cast<std::size_t>(l_.channels);
        const bool bySorting = isFloatingPredictor(l_.predictor);
        if (bits % 8 != 0) { // packed without gaps, the highest bit first, whatever the file's byte order
            std::uint64_t buffer = 0;
            std::size_t held = 0;
            for (std::uint32_t& v : out) {
                while (held < bits) buffer = buffer << 8U | *row++, held += 8;
                v = static_cast<std::uint32_t>(buffer >> (held - bits)) & ((1U << bits) - 1);
                held -= bits;
            }
            return;
        }
        if (bySorting) undoFloatingPoint(row, rowSamples_, bytes, step);
        // Sorted bytes come out highest first.
        for (std::size_t i = 0; i < out.size(); ++i)
            out[i] = numberAt(row + i * bytes, bytes, bySorting || l_.bigEndian);
        if (l_.predictor > 1 && !bySorting) {
            addUp(out.data(), out.size(), step);
            const std::uint32_t mask = bits >= 32 ? ~0U : (1U << bits) - 1;
            for (std::uint32_t& v : out) v &= mask;
        }
    }

    const GivenFile& in_;
    const PixelLayout& l_;
    std::size_t rowSamples_, rowBytes_;
};

// Calls put(first sample's place in the picture, samples of a row, how many count) for all rows of all tiles.
template <class Put>
void eachRow(const GivenFile& file, const PixelLayout& l, const Work& work, const Put& put) {
    TileReader reader(file, l);
    const int across = l.tilesAcross();
    forEachBand(across * l.tilesDown(), 1, work, [&](int first, int last) {
        for (int i = first; i < last; ++i) {
            const int left = i % across * l.tileWidth, top = i / across * l.tileHeight;
            const int columns = std::min(l.tileWidth, l.width - left),
                      rows = std::min(l.tileHeight, l.height - top);
            reader.read(static_cast<std::size_t>(i), rows,
                        [&](int y, const std::vector<std::uint32_t>& samples) {
                            const std::size_t at =
                                (static_cast<std::size_t>(top + y) * static_cast<std::size_t>(l.width) +
                                 static_cast<std::size_t>(left)) *
                                static_cast<std::size_t>(l.channels);
                            put(at, samples,
                                static_cast<std::size_t>(columns) * static_cast<std::size_t>(l.channels));
                        });
        }
    });
}

DngPixels wholeNumbers(const GivenFile& file, const PixelLayout& l, const Work& work) {
    DngPixels out;
    out.samples.resize(static_cast<std::size_t>(l.width) * static_cast<std::size_t>(l.height) *
                       static_cast<std::size_t>(l.channels));
    // 32 bits keep their upper half.
    const unsigned shift = l.bits > 16 ? static_cast<unsigned>(l.bits - 16) : 0;
    out.scale = std::ldexp(1.0, -static_cast<int>(shift));
    eachRow(file, l, work, [&](std::size_t at, const std::vector<std::uint32_t>& samples, std::size_t count) {
        for (std::size_t i = 0; i < count; ++i) {
            std::uint32_t v = samples[i] >> shift;
            if (!l.linearization.empty())
                v = static_cast<std::uint32_t>(
                    l.linearization[std::min<std::size_t>(v, l.linearization.size() - 1)]);
            out.samples[at + i] = static_cast<std::uint16_t>(std::min(v, 65535U));
        }
    });
    return out;
}

DngPixels floatingNumbers(const GivenFile& file, const PixelLayout& l, double white, const Work& work) {
    std::vector<float> all(static_cast<std::size_t>(l.width) * static_cast<std::size_t>(l.height) *
                           static_cast<std::size_t>(l.channels));
    eachRow(file, l, work.part(0, 0.7),
            [&](std::size_t at, const std::vector<std::uint32_t>& samples, std::size_t count) {
                for (std::size_t i = 0; i < count; ++i) {
                    const float v = floatFrom(samples[i], l.bits);
                    all[at + i] = std::isfinite(v) ? v : 0.0f;
                }
            });
    const auto [least, most] = std::minmax_element(all.begin(), all.end());
    DngPixels out;
    out.low = std::clamp(static_cast<double>(*least), -0.5 * white, 0.0);
    out.scale = 65535 / (std::clamp(static_cast<double>(*most), white, 16 * white) - out.low);
    out.samples.resize(all.size());
    for (std::size_t i = 0; i < all.size(); ++i)
        out.samples[i] = static_cast<std::uint16_t>(
            std::lround(std::clamp((static_cast<double>(all[i]) - out.low) * out.scale, 0.0, 65535.0)));
    return out;
}

} // namespace

DngPixels readDngPixels(const GivenFile& file, const PixelLayout& layout, double white, const Work& work) {
    return layout.floating ? floatingNumbers(file, layout, white, work) : wholeNumbers(file, layout, work);
}

} // namespace irenic
