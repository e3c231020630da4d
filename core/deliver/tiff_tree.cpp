#include "deliver/tiff_tree.h"

#include <cerrno>
#include <cmath>
#include <cstdio>
#include <cstring>

#include "base/safe_file.h"
#include "base/shown_text.h"

namespace irenic {

namespace {

constexpr std::uint16_t kStripOffsets = 0x0111, kStripByteCounts = 0x0117, kTileOffsets = 0x0144,
                        kTileByteCounts = 0x0145;

template <class T> void append(std::vector<std::uint8_t>& to, T value) {
    std::uint8_t bytes[sizeof(T)];
    std::memcpy(bytes, &value, sizeof(T));
    to.insert(to.end(), bytes, bytes + sizeof(T));
}

template <class T, class From>
TagEntry entryOf(std::uint16_t tag, std::uint16_t type, const std::vector<From>& v) {
    TagEntry e{tag, type, static_cast<std::uint32_t>(v.size()), {}};
    for (const From value : v) append(e.bytes, static_cast<T>(value));
    return e;
}

} // namespace

void TiffDirectory::setBytes(std::uint16_t tag, const std::vector<std::uint8_t>& v, std::uint16_t type) {
    set({tag, type, static_cast<std::uint32_t>(v.size()), v});
}
void TiffDirectory::setShorts(std::uint16_t tag, const std::vector<std::uint32_t>& v) {
    set(entryOf<std::uint16_t>(tag, 3, v));
}
void TiffDirectory::setLongs(std::uint16_t tag, const std::vector<std::uint32_t>& v) {
    set(entryOf<std::uint32_t>(tag, 4, v));
}
void TiffDirectory::setDoubles(std::uint16_t tag, const std::vector<double>& v) {
    set(entryOf<double>(tag, 12, v));
}

void TiffDirectory::setText(std::uint16_t tag, const std::string& v) {
    TagEntry e{tag, 2, static_cast<std::uint32_t>(v.size() + 1), {v.begin(), v.end()}};
    e.bytes.push_back(0);
    set(std::move(e));
}

void TiffDirectory::setRationals(std::uint16_t tag, const std::vector<double>& v, bool isSigned) {
    TagEntry e{tag, static_cast<std::uint16_t>(isSigned ? 10 : 5), static_cast<std::uint32_t>(v.size()), {}};
    for (const double value : v) {
        // Halves, hundredths, millionths: the first denominator that holds the value exactly.
        std::int64_t below = 1;
        while (below < 1000000 && std::abs(value) * static_cast<double>(below) * 10 < 2e9 &&
               value * static_cast<double>(below) != std::round(value * static_cast<double>(below)))
            below *= 10;
        const double whole = value * static_cast<double>(below);
        // Powers of two, such as levels with a fraction in binary, need one of their own.
        const double binary = std::ldexp(value, 16);
        const bool exact =
            whole == std::round(whole) || binary != std::round(binary) || std::abs(binary) > 2e9;
        append(e.bytes, static_cast<std::int32_t>(std::lround(exact ? whole : binary)));
        append(e.bytes, static_cast<std::int32_t>(exact ? below : 65536));
    }
    set(std::move(e));
}

TiffDirectory& TiffDirectory::child(std::uint16_t tag) {
    auto& c = children_[tag];
    if (!c) c = std::make_unique<TiffDirectory>();
    return *c;
}

namespace {

// `entries` at `start` bytes from where offsets count, with their values behind them.
std::vector<std::uint8_t> tableOf(const std::map<std::uint16_t, TagEntry>& entries, std::uint32_t start) {
    std::vector<std::uint8_t> out, values;
    const std::uint32_t beyond = start + 2 + 12 * static_cast<std::uint32_t>(entries.size()) + 4;
    append(out, static_cast<std::uint16_t>(entries.size()));
    for (const auto& [tag, e] : entries) {
        append(out, tag);
        append(out, e.type);
        append(out, e.count);
        if (e.bytes.size() <= 4) {
            std::vector<std::uint8_t> four = e.bytes;
            four.resize(4);
            out.insert(out.end(), four.begin(), four.end());
        } else {
            append(out, static_cast<std::uint32_t>(beyond + values.size()));
            values.insert(values.end(), e.bytes.begin(), e.bytes.end());
            if (values.size() % 2) values.push_back(0);
        }
    }
    append(out, std::uint32_t{0});
    out.insert(out.end(), values.begin(), values.end());
    return out;
}

std::vector<std::uint8_t> profileBytes(const std::vector<TagEntry>& entries) {
    std::vector<std::uint8_t> out = {'I', 'I', 0x52, 0x43, 8, 0, 0, 0};
    std::map<std::uint16_t, TagEntry> sorted;
    for (const TagEntry& e : entries) sorted[e.tag] = e;
    const auto table = tableOf(sorted, 8);
    out.insert(out.end(), table.begin(), table.end());
    return out;
}

} // namespace

// Writes a directory and all below it; pieces come before the directory that tells where they are.
class TiffTreeWriter {
  public:
    explicit TiffTreeWriter(const std::filesystem::path& to)
        : folder_(to.parent_path()), file_(std::fopen(to.c_str(), "wb")) {
        if (!file_) throw WriteError(reasonOf(errno));
    }
    ~TiffTreeWriter() {
        if (file_) std::fclose(file_);
    }
    TiffTreeWriter(const TiffTreeWriter&) = delete;
    TiffTreeWriter& operator=(const TiffTreeWriter&) = delete;

    void write(TiffDirectory& first) {
        put({'I', 'I', 42, 0, 0, 0, 0, 0});
        const std::uint32_t start = directory(first);
        std::vector<std::uint8_t> offset;
        append(offset, start);
        if (std::fseek(file_, 4, SEEK_SET) != 0 || std::fwrite(offset.data(), 1, 4, file_) != 4 ||
            std::fflush(file_) != 0)
            failedWriting(folder_);
        std::FILE* closing = file_;
        file_ = nullptr;
        if (std::fclose(closing) != 0) failedWriting(folder_);
    }

  private:
    // Returns where it begins, on an even place.
    std::uint32_t put(const std::vector<std::uint8_t>& bytes) {
        if (at_ % 2) pad();
        if (at_ + bytes.size() > 0xfffffff0U)
            throw WriteError(IRENIC_TEXT("it would be larger than the 4 GB that a DNG can hold."));
        const auto begin = static_cast<std::uint32_t>(at_);
        errno = 0;
        if (std::fwrite(bytes.data(), 1, bytes.size(), file_) != bytes.size()) failedWriting(folder_);
        at_ += bytes.size();
        return begin;
    }
    void pad() {
        if (std::fputc(0, file_) == EOF) failedWriting(folder_);
        ++at_;
    }
    std::uint32_t directory(TiffDirectory& dir) {
        for (auto& [tag, below] : dir.children_) dir.setLongs(tag, {directory(*below)});
        if (!dir.pieces_.empty()) {
            std::vector<std::uint32_t> offsets, counts;
            for (auto& piece : dir.pieces_) {
                offsets.push_back(put(piece));
                counts.push_back(static_cast<std::uint32_t>(piece.size()));
                piece = {};
            }
            const bool tiles = dir.kind_ == TiffDirectory::Pieces::Tiles;
            dir.setLongs(tiles ? kTileOffsets : kStripOffsets, offsets);
            dir.setLongs(tiles ? kTileByteCounts : kStripByteCounts, counts);
        }
        if (!dir.profiles_.empty()) {
            std::vector<std::uint32_t> offsets;
            for (const auto& profile : dir.profiles_) offsets.push_back(put(profileBytes(profile)));
            dir.setLongs(dir.profilesTag_, offsets);
        }
        if (at_ % 2) pad();
        return put(tableOf(dir.entries_, static_cast<std::uint32_t>(at_)));
    }

    std::filesystem::path folder_;
    std::FILE* file_;
    std::uint64_t at_ = 0;
};

void writeTiffTree(const std::filesystem::path& to, TiffDirectory& first) { TiffTreeWriter(to).write(first); }

} // namespace irenic
