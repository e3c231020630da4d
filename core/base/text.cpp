#include "base/text.h"

#include <cstdint>
#include <cstdio>

namespace irenic {

namespace {

// Length of the valid UTF-8 sequence at `at` (RFC 3629: no overlong forms, no surrogates); 0 where there is
// none.
std::size_t sequenceAt(const std::string& s, std::size_t at) {
    const auto byte = [&](std::size_t i) -> std::uint32_t {
        return i < s.size() ? static_cast<std::uint8_t>(s[i]) : 0;
    };
    const std::uint32_t first = byte(at);
    if (first < 0x80) return 1;
    const std::size_t length = first >= 0xf0 && first < 0xf5 ? 4 : first >= 0xe0 && first < 0xf0 ? 3 : 2;
    if (first < 0xc2 || first > 0xf4) return 0;
    std::uint32_t value = first & (0xffU >> (length + 1));
    for (std::size_t i = 1; i < length; ++i) {
        if ((byte(at + i) & 0xc0U) != 0x80) return 0;
        value = value << 6U | (byte(at + i) & 0x3fU);
    }
    static constexpr std::uint32_t least[] = {0, 0, 0x80, 0x800, 0x10000};
    if (value < least[length] || value > 0x10ffff || (value >= 0xd800 && value < 0xe000)) return 0;
    return length;
}

bool isControl(char c) {
    const auto v = static_cast<std::uint8_t>(c);
    return (v < 0x20 && c != '\n' && c != '\r' && c != '\t') || v == 0x7f;
}

bool isUtf8(const std::string& s) {
    for (std::size_t at = 0; at < s.size();) {
        const std::size_t length = sequenceAt(s, at);
        if (length == 0) return false;
        at += length;
    }
    return true;
}

std::string escaped(const std::string& s) {
    std::string out;
    for (std::size_t at = 0; at < s.size();) {
        const std::size_t length = sequenceAt(s, at);
        if (length == 0 || isControl(s[at])) {
            char text[5];
            std::snprintf(text, sizeof text, "\\x%02x",
                          static_cast<unsigned>(static_cast<std::uint8_t>(s[at])));
            out += text;
            ++at;
        } else {
            out.append(s, at, length);
            at += length;
        }
    }
    return out;
}

} // namespace

std::string utf8Of(const std::string& bytes) {
    const bool valid = isUtf8(bytes);
    std::string out;
    for (const char c : bytes) {
        const auto v = static_cast<std::uint8_t>(c);
        if (isControl(c) || (!valid && v >= 0x80 && v < 0xa0)) continue;
        if (valid || v < 0x80) {
            out += c;
        } else {
            out += static_cast<char>(0xc0U | v >> 6U);
            out += static_cast<char>(0x80U | (v & 0x3fU));
        }
    }
    return out;
}

std::string shownName(const std::filesystem::path& file) { return escaped(file.filename().string()); }

std::string shownPath(const std::filesystem::path& file) { return escaped(file.string()); }

std::string joined(const std::vector<std::string>& words) {
    std::string out;
    for (const std::string& word : words) out += (out.empty() ? "" : ", ") + word;
    return out;
}

} // namespace irenic
