#include "raw/lossless_jpeg_tile.h"

#include "base/shown_text.h"

#include <array>
#include <bit>
#include <optional>
#include <stdexcept>

namespace irenic {

namespace {

using Bytes = std::vector<std::uint8_t>;

[[noreturn]] void damaged() {
    throw std::runtime_error(
        IRENIC_TEXT("the file ends too early or is damaged. Copy it again from the card."));
}

// A Huffman table (T.81, C.2) as two look-ups: the next kShort bits tell category and length of most codes;
// codes that are longer are found by the first code that is too large.
class Codes {
  public:
    static constexpr unsigned kShort = 11;
    struct Entry {
        std::uint8_t length = 0, category = 0; // length 0: longer than kShort
    };

    // `counts`: how many codes have 1 to 16 bits. False where these are no codes.
    bool set(const std::uint8_t* counts, const std::uint8_t* values, std::size_t count) {
        table_.fill({});
        std::uint32_t next = 0;
        std::size_t k = 0;
        for (unsigned length = 1; length <= 16; ++length, next <<= 1U) {
            first_[length] = next, at_[length] = k;
            for (unsigned n = 0; n < counts[length - 1]; ++n, ++next, ++k) {
                if (k >= count || values[k] > 16 || next >> length != 0) return false;
                values_[k] = values[k];
                if (length > kShort) continue;
                const std::uint32_t from = next << (kShort - length);
                for (std::uint32_t i = 0; i < 1U << (kShort - length); ++i)
                    table_[from + i] = {static_cast<std::uint8_t>(length), values[k]};
            }
            end_[length] = next;
        }
        return k == count;
    }
    // By the next 16 bits.
    Entry find(std::uint32_t next16) const {
        const Entry e = table_[next16 >> (16 - kShort)];
        if (e.length > 0) return e;
        for (unsigned length = kShort + 1; length <= 16; ++length) {
            const std::uint32_t code = next16 >> (16 - length);
            if (code < end_[length] && code >= first_[length])
                return {static_cast<std::uint8_t>(length), values_[at_[length] + code - first_[length]]};
        }
        damaged();
    }

  private:
    std::array<Entry, 1U << kShort> table_;
    std::array<std::uint8_t, 256> values_{};
    std::array<std::uint32_t, 17> first_{}, end_{};
    std::array<std::size_t, 17> at_{};
};

// What stands before the samples.
struct Head {
    unsigned precision = 0, predictor = 0;
    std::size_t width = 0, height = 0, components = 0; // of the frame
    std::array<std::uint8_t, 4> tableOf{};             // of each component
    std::array<std::optional<Codes>, 4> tables;
    std::size_t samplesAt = 0; // where they begin
};

// Nothing where it is of another kind.
std::optional<Head> headOf(const Bytes& s) {
    Head head;
    std::array<std::uint8_t, 4> ids{};
    if (s.size() < 4 || s[0] != 0xff || s[1] != 0xd8) return std::nullopt;
    std::size_t at = 2;
    while (at + 4 <= s.size() && s[at] == 0xff) {
        const unsigned marker = s[at + 1];
        const std::size_t length = s[at + 2] * 256U + s[at + 3], body = at + 4, end = at + 2 + length;
        if (length < 2 || end > s.size()) return std::nullopt;
        if (marker == 0xc3) { // SOF3
            if (length < 8) return std::nullopt;
            head.precision = s[body], head.components = s[body + 5];
            head.height = s[body + 1] * 256U + s[body + 2], head.width = s[body + 3] * 256U + s[body + 4];
            if (head.components < 1 || head.components > 4 || length != 8 + 3 * head.components ||
                head.precision < 2 || head.precision > 16)
                return std::nullopt;
            for (std::size_t c = 0; c < head.components; ++c) {
                ids[c] = s[body + 6 + 3 * c];
                if (s[body + 7 + 3 * c] != 0x11) return std::nullopt;
            }
        } else if (marker == 0xc4) { // DHT
            for (std::size_t p = body; p < end;) {
                std::size_t count = 0;
                if (p + 17 > end || s[p] > 3) return std::nullopt;
                for (std::size_t i = 1; i <= 16; ++i) count += s[p + i];
                if (p + 17 + count > end || count > 17) return std::nullopt;
                if (!head.tables[s[p]].emplace().set(&s[p + 1], s.data() + p + 17, count))
                    return std::nullopt;
                p += 17 + count;
            }
        } else if (marker == 0xda) { // SOS
            if (head.components == 0 || length != 6 + 2 * head.components || s[body] != head.components)
                return std::nullopt;
            for (std::size_t c = 0; c < head.components; ++c) {
                const unsigned table = s[body + 2 + 2 * c] >> 4U;
                if (s[body + 1 + 2 * c] != ids[c] || table > 3 || !head.tables[table]) return std::nullopt;
                head.tableOf[c] = static_cast<std::uint8_t>(table);
            }
            head.predictor = s[body + 1 + 2 * head.components];
            const unsigned pointTransform = s[body + 3 + 2 * head.components] & 15U;
            if (head.predictor < 1 || head.predictor > 7 || pointTransform != 0) return std::nullopt;
            head.samplesAt = end;
            return head;
        } else if (marker == 0xdd || (marker >= 0xc0 && marker <= 0xcf)) {
            return std::nullopt; // restarts, and other processes
        }
        at = end;
    }
    return std::nullopt;
}

class Bits {
  public:
    Bits(const Bytes& s, std::size_t at) : p_(s.data() + at), end_(s.data() + s.size()) {}
    // At least 32 bits are held afterwards; noughts, once the stream has ended.
    void fill() {
        if (count_ >= 32) return;
        if (end_ - p_ >= 4) {
            std::uint32_t four = 0;
            for (int i = 0; i < 4; ++i) four = four << 8U | p_[i];
            if (((~four - 0x01010101U) & four & 0x80808080U) == 0) { // no byte of them is 0xff
                held_ |= static_cast<std::uint64_t>(four) << (32 - count_);
                count_ += 32, p_ += 4;
                return;
            }
        }
        while (count_ <= 56) {
            std::uint64_t byte = 0;
            if (p_ < end_) {
                byte = *p_;
                if (byte != 0xff)
                    ++p_;
                else if (p_ + 1 < end_ && p_[1] == 0) // T.81, F.1.2.3
                    p_ += 2;
                else
                    byte = 0, ++beyond_; // a marker: the samples end here
            } else {
                ++beyond_;
            }
            held_ |= byte << (56 - count_);
            count_ += 8;
        }
    }
    std::uint32_t next16() const { return static_cast<std::uint32_t>(held_ >> 48U); }
    void drop(unsigned n) { held_ <<= n, count_ -= n; }
    // 1 to 16 of them.
    std::uint32_t take(unsigned n) {
        const auto v = static_cast<std::uint32_t>(held_ >> (64 - n));
        drop(n);
        return v;
    }
    // More was read than there was.
    bool overrun() const { return beyond_ * 8 > count_; }

  private:
    const std::uint8_t *p_, *end_;
    std::uint64_t held_ = 0; // the highest count_ bits are next
    unsigned count_ = 0;
    std::size_t beyond_ = 0;
};

// The difference that comes next (T.81, H.1.2.2 and F.2.2.1).
inline int differenceFrom(Bits& bits, const Codes& codes) {
    bits.fill();
    const Codes::Entry e = codes.find(bits.next16());
    bits.drop(e.length);
    if (e.category == 0) return 0;
    if (e.category == 16) return 32768;
    const auto v = static_cast<int>(bits.take(e.category));
    return v < 1 << (e.category - 1) ? v - (1 << e.category) + 1 : v;
}

// T.81, table H.1: a left, b above, c above and left.
int predicted(unsigned predictor, int a, int b, int c) {
    switch (predictor) {
    case 1: return a;
    case 2: return b;
    case 3: return c;
    case 4: return a + b - c;
    case 5: return a + ((b - c) >> 1);
    case 6: return b + ((a - c) >> 1);
    default: return (a + b) / 2;
    }
}

} // namespace

std::vector<std::uint16_t> unpackLosslessJpeg(const Bytes& stream, std::size_t samples, std::size_t rows) {
    const std::optional<Head> head = headOf(stream);
    if (!head || head->width * head->components != samples || head->height < rows) damaged();
    const std::size_t n = head->components;
    std::vector<std::uint16_t> out(samples * rows);
    Bits bits(stream, head->samplesAt);
    std::array<const Codes*, 4> codes{};
    for (std::size_t c = 0; c < n; ++c) codes[c] = &*head->tables[head->tableOf[c]];
    for (std::size_t y = 0; y < rows; ++y) {
        std::uint16_t* row = out.data() + y * samples;
        const std::uint16_t* above = row - samples;
        // The first of a row follows the one above it, the first of all the middle of the range (H.1.2.1);
        // the first row knows no other predictor than the sample before.
        for (std::size_t c = 0; c < n; ++c) {
            const int before = y > 0 ? above[c] : 1 << (head->precision - 1);
            row[c] = static_cast<std::uint16_t>(before + differenceFrom(bits, *codes[c]));
        }
        const unsigned predictor = y == 0 ? 1 : head->predictor;
        if (predictor == 1) {
            for (std::size_t x = n; x < samples; x += n)
                for (std::size_t c = 0; c < n; ++c)
                    row[x + c] = static_cast<std::uint16_t>(row[x + c - n] + differenceFrom(bits, *codes[c]));
        } else {
            for (std::size_t x = n; x < samples; x += n)
                for (std::size_t c = 0; c < n; ++c)
                    row[x + c] = static_cast<std::uint16_t>(
                        predicted(predictor, row[x + c - n], above[x + c], above[x + c - n]) +
                        differenceFrom(bits, *codes[c]));
        }
        if (bits.overrun()) damaged();
    }
    return out;
}

} // namespace irenic
