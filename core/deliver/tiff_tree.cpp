#include "deliver/tiff_tree.h"

#include <cerrno>
#include <cmath>
#include <cstring>
#include <fstream>
#include <stdexcept>

namespace irenic {

namespace {

constexpr std::uint16_t kStripOffsets = 0x0111, kStripByteCounts = 0x0117;

template <class T> void append(std::vector<std::uint8_t>& to, T value) {
    std::uint8_t bytes[sizeof(T)];
    std::memcpy(bytes, &value, sizeof(T));
    to.insert(to.end(), bytes, bytes + sizeof(T));
}

template <class T, class From> TagEntry entryOf(std::uint16_t tag, std::uint16_t type, const std::vector<From>& v) {
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
void TiffDirectory::setDoubles(std::uint16_t tag, const std::vector<double>& v) { set(entryOf<double>(tag, 12, v)); }

void TiffDirectory::setText(std::uint16_t tag, const std::string& v) {
    TagEntry e{tag, 2, static_cast<std::uint32_t>(v.size() + 1), {v.begin(), v.end()}};
    e.bytes.push_back(0);
    set(std::move(e));
}

void TiffDirectory::setRationals(std::uint16_t tag, const std::vector<double>& v, bool isSigned) {
    TagEntry e{tag, static_cast<std::uint16_t>(isSigned ? 10 : 5), static_cast<std::uint32_t>(v.size()), {}};
    for (const double value : v) {
        const double below = std::abs(value) < 0.01 && value != 0 ? 1000000 : 10000;
        append(e.bytes, static_cast<std::int32_t>(std::lround(value * below)));
        append(e.bytes, static_cast<std::int32_t>(below));
    }
    set(std::move(e));
}

TiffDirectory& TiffDirectory::child(std::uint16_t tag) {
    auto& c = children_[tag];
    if (!c) c = std::make_unique<TiffDirectory>();
    return *c;
}

// Lays a directory and all below it out in one buffer; strips follow where the directory ends.
class TiffTreeWriter {
  public:
    std::vector<std::uint8_t> bytes;

    TiffTreeWriter() {
        bytes = {'I', 'I', 42, 0, 0, 0, 0, 0};
    }
    std::uint32_t write(TiffDirectory& dir) {
        for (auto& [tag, below] : dir.children_) dir.setLongs(tag, {write(*below)});
        if (!dir.strip_.empty()) {
            even();
            dir.setLongs(kStripOffsets, {static_cast<std::uint32_t>(bytes.size())});
            dir.setLongs(kStripByteCounts, {static_cast<std::uint32_t>(dir.strip_.size())});
            bytes.insert(bytes.end(), dir.strip_.begin(), dir.strip_.end());
            dir.strip_ = {};
        }
        even();
        const auto start = static_cast<std::uint32_t>(bytes.size());
        std::uint32_t beyond = start + 2 + 12 * static_cast<std::uint32_t>(dir.entries_.size()) + 4;
        std::vector<std::uint8_t> values;
        append(bytes, static_cast<std::uint16_t>(dir.entries_.size()));
        for (const auto& [tag, e] : dir.entries_) {
            append(bytes, tag);
            append(bytes, e.type);
            append(bytes, e.count);
            if (e.bytes.size() <= 4) {
                std::vector<std::uint8_t> four = e.bytes;
                four.resize(4);
                bytes.insert(bytes.end(), four.begin(), four.end());
            } else {
                append(bytes, static_cast<std::uint32_t>(beyond + values.size()));
                values.insert(values.end(), e.bytes.begin(), e.bytes.end());
                if (values.size() % 2) values.push_back(0);
            }
        }
        append(bytes, std::uint32_t{0});
        bytes.insert(bytes.end(), values.begin(), values.end());
        return start;
    }

  private:
    void even() {
        if (bytes.size() % 2) bytes.push_back(0);
    }
};

void writeTiffTree(const std::filesystem::path& to, TiffDirectory& first) {
    TiffTreeWriter writer;
    const std::uint32_t start = writer.write(first);
    std::memcpy(writer.bytes.data() + 4, &start, 4);
    std::ofstream file(to, std::ios::binary | std::ios::trunc);
    if (!file) throw std::runtime_error(std::string("it cannot be written (") + std::strerror(errno) + ")");
    file.write(reinterpret_cast<const char*>(writer.bytes.data()), static_cast<std::streamsize>(writer.bytes.size()));
    file.close();
    if (!file) throw std::runtime_error("it could not be written to its end. Is the disk full?");
}

} // namespace irenic
