#include "deliver/lossless_jpeg.h"

#include <algorithm>
#include <array>
#include <bit>
#include <cassert>
#include <cstddef>

#include "base/expects.h"

namespace irenic {

namespace {

// Categories of differences (T.81, table H.2): 0 to 16.
constexpr std::size_t kCategories = 17;

struct Code {
    std::array<std::uint8_t, 17> ofLength{}; // how many codes have 1 .. 16 bits
    std::vector<std::uint8_t> values;        // categories, shortest code first
    std::array<std::uint16_t, kCategories> bits{};
    std::array<std::uint8_t, kCategories> length{};
};

// T.81, annex K.2, figures K.1 to K.4: code lengths from frequencies, none above 16 bits, none all ones.
Code codeFor(const std::array<std::uint32_t, kCategories>& counts) {
    std::array<std::uint64_t, kCategories + 1> frequency{};
    std::copy(counts.begin(), counts.end(), frequency.begin());
    frequency[kCategories] = 1; // reserves the code of all ones
    std::array<int, kCategories + 1> size{}, other{};
    other.fill(-1);
    for (;;) {
        int first = -1, second = -1;
        for (int i = 0; i <= static_cast<int>(kCategories); ++i) {
            const auto at = static_cast<std::size_t>(i);
            if (frequency[at] == 0) continue;
            if (first < 0 || frequency[at] <= frequency[static_cast<std::size_t>(first)])
                second = first, first = i;
            else if (second < 0 || frequency[at] <= frequency[static_cast<std::size_t>(second)])
                second = i;
        }
        if (second < 0) break;
        frequency[static_cast<std::size_t>(first)] += frequency[static_cast<std::size_t>(second)];
        frequency[static_cast<std::size_t>(second)] = 0;
        int last = first;
        for (int i = first; i >= 0; i = other[static_cast<std::size_t>(i)])
            ++size[static_cast<std::size_t>(i)], last = i;
        other[static_cast<std::size_t>(last)] = second;
        for (int i = second; i >= 0; i = other[static_cast<std::size_t>(i)])
            ++size[static_cast<std::size_t>(i)];
    }
    std::array<int, 33> ofSize{};
    for (const int s : size) ++ofSize[static_cast<std::size_t>(s)];
    for (std::size_t i = 32; i > 16; --i)
        while (ofSize[i] > 0) {
            std::size_t j = i - 2;
            while (ofSize[j] == 0) --j;
            ofSize[i] -= 2, ++ofSize[i - 1], ofSize[j + 1] += 2, --ofSize[j];
        }
    std::size_t longest = 16;
    while (ofSize[longest] == 0) --longest;
    --ofSize[longest]; // the reserved code
    Code out;
    for (std::size_t i = 1; i <= 16; ++i) out.ofLength[i] = static_cast<std::uint8_t>(ofSize[i]);
    for (int s = 1; s <= 32; ++s)
        for (std::size_t i = 0; i < kCategories; ++i)
            if (size[i] == s) out.values.push_back(static_cast<std::uint8_t>(i));
    std::uint32_t next = 0;
    std::size_t k = 0;
    for (std::size_t length = 1; length <= 16; ++length, next <<= 1U)
        for (int n = 0; n < out.ofLength[length]; ++n, ++next, ++k) {
            out.bits[out.values[k]] = static_cast<std::uint16_t>(next);
            out.length[out.values[k]] = static_cast<std::uint8_t>(length);
        }
    return out;
}

class Stream {
  public:
    // Room for that many bytes more; whoever writes bits asks for it first.
    void makeRoom(std::size_t more) {
        if (bytes_.size() - used_ < more) bytes_.resize(2 * bytes_.size() + more);
    }
    void byte(unsigned v) {
        makeRoom(1);
        bytes_[used_++] = static_cast<std::uint8_t>(v);
    }
    void word(unsigned v) { byte(v >> 8U), byte(v & 255U); }
    // At most 31 bits, which take at most 8 bytes.
    void bits(std::uint32_t v, unsigned count) {
        held_ = held_ << count | v, count_ += count;
        if (count_ < 32) return;
        count_ -= 32;
        const auto four = static_cast<std::uint32_t>(held_ >> count_);
        const bool holdsFf = ((~four - 0x01010101U) & four & 0x80808080U) != 0;
        for (unsigned shift = 32; shift > 0; shift -= 8) {
            const auto out = static_cast<std::uint8_t>(four >> (shift - 8));
            bytes_[used_++] = out;
            if (holdsFf && out == 0xff) bytes_[used_++] = 0; // T.81, F.1.2.3
        }
    }
    void flush() {
        const unsigned rest = count_ % 8;
        if (rest > 0) held_ = held_ << (8 - rest) | ((1U << (8 - rest)) - 1), count_ += 8 - rest;
        for (; count_ > 0; count_ -= 8) {
            const auto out = static_cast<std::uint8_t>(held_ >> (count_ - 8));
            byte(out);
            if (out == 0xff) byte(0);
        }
    }
    std::vector<std::uint8_t> taken() {
        bytes_.resize(used_);
        return std::move(bytes_);
    }

  private:
    std::vector<std::uint8_t> bytes_;
    std::size_t used_ = 0;
    std::uint64_t held_ =
        0; // of which the last count_ bits are not written yet; never 32 or more between calls
    unsigned count_ = 0;
};

unsigned categoryOf(int difference) {
    return static_cast<unsigned>(
        std::bit_width(static_cast<unsigned>(difference < 0 ? -difference : difference)));
}

// Calls use(component, difference) in the order of the stream, after begin() for each row. Differences are
// modulo 65536 (T.81, H.1.2.1).
template <class Begin, class Use>
void eachDifference(const std::uint16_t* samples, int width, int height, std::ptrdiff_t stride,
                    int components, const Begin& begin, const Use& use) {
    for (int y = 0; y < height; ++y) {
        const std::uint16_t* row = samples + y * stride;
        begin();
        for (int x = 0; x < width; x += components)
            for (int c = 0; c < components; ++c) {
                const int before = x > 0 ? row[x + c - components] : y > 0 ? row[c - stride] : 32768;
                use(static_cast<std::size_t>(c), static_cast<std::int16_t>(row[x + c] - before));
            }
    }
}

} // namespace

std::vector<std::uint8_t> losslessJpeg(const std::uint16_t* samples, int width, int height,
                                       std::ptrdiff_t stride, int components) {
    IRENIC_EXPECTS(samples && width > 0 && height > 0);
    assert(components >= 1 && components <= 4 && width % components == 0);
    std::array<std::array<std::uint32_t, kCategories>, 4> counts{};
    eachDifference(
        samples, width, height, stride, components, [] {},
        [&](std::size_t c, int d) { ++counts[c][categoryOf(d)]; });
    std::array<Code, 4> codes;
    const auto n = static_cast<unsigned>(components);
    for (unsigned c = 0; c < n; ++c) codes[c] = codeFor(counts[c]);

    Stream out;
    out.makeRoom(static_cast<std::size_t>(width) * static_cast<std::size_t>(height));
    out.word(0xffd8);
    out.word(0xffc3); // SOF3: lossless, Huffman
    out.word(8 + 3 * n);
    out.byte(16);
    out.word(static_cast<unsigned>(height));
    out.word(static_cast<unsigned>(width / components));
    out.byte(n);
    for (unsigned c = 0; c < n; ++c) out.byte(c), out.byte(0x11), out.byte(0);
    for (unsigned c = 0; c < n; ++c) {
        out.word(0xffc4); // DHT
        out.word(19 + static_cast<unsigned>(codes[c].values.size()));
        out.byte(c);
        for (std::size_t i = 1; i <= 16; ++i) out.byte(codes[c].ofLength[i]);
        for (const std::uint8_t v : codes[c].values) out.byte(v);
    }
    out.word(0xffda); // SOS
    out.word(6 + 2 * n);
    out.byte(n);
    for (unsigned c = 0; c < n; ++c) out.byte(c), out.byte(c << 4U);
    out.byte(1); // predictor
    out.byte(0), out.byte(0);
    const auto room = [&] { out.makeRoom(8 * static_cast<std::size_t>(width) + 8); };
    eachDifference(samples, width, height, stride, components, room, [&](std::size_t c, int d) {
        const unsigned category = categoryOf(d);
        // Category 16 holds -32768 alone, and no bits follow.
        const unsigned more = category < 16 ? category : 0;
        const auto low = static_cast<std::uint32_t>(d < 0 ? d - 1 : d) & ((1U << more) - 1);
        out.bits(static_cast<std::uint32_t>(codes[c].bits[category]) << more | low,
                 codes[c].length[category] + more);
    });
    out.flush();
    out.word(0xffd9);
    return out.taken();
}

} // namespace irenic
