#include "raw/tag_reader.h"

#include <algorithm>
#include <set>

namespace irenic {

namespace {

constexpr std::size_t kMostDirectories = 64, kMostEntries = 1024;
// All values together: previews and pixels are not values, the largest are camera profiles and private data.
constexpr std::uint64_t kMostBytes = 256u << 20u;

constexpr std::uint16_t kSubIfds = 0x014a, kExif = 0x8769, kGps = 0x8825, kMakerNote = 0x927c,
                        kExtraProfiles = 0xc6f5;

class Reader {
  public:
    explicit Reader(const GivenFile& file) : in_(file), size_(file.size()) {}

    std::optional<TagDirectories> read() {
        std::uint8_t head[8];
        if (!bytes(0, head, 8) || !order(head) || number(head + 2, 2) != 42) return std::nullopt;
        TagDirectories out;
        out.bigEndian = big_, out.fileSize = size_;
        std::uint32_t next = 0;
        out.main = directory(number(head + 4, 4), 0, out.lost, &next);
        if (out.main.empty()) out.lost.push_back(kFirstDirectory);
        const auto addBelow = [&](std::vector<TagEntry> entries, std::vector<std::uint16_t> lost) {
            out.below.push_back(std::move(entries)), out.lostBelow.push_back(std::move(lost));
        };
        for (int chain = 0; next != 0 && chain < 8; ++chain) {
            std::vector<std::uint16_t> lost;
            auto more = directory(next, 0, lost, &next);
            if (more.empty()) break;
            addBelow(std::move(more), std::move(lost));
        }
        for (const double offset : offsetsIn(out.main, kSubIfds)) {
            std::vector<std::uint16_t> lost;
            auto sub = directory(static_cast<std::uint32_t>(offset), 0, lost);
            const auto deeper = offsetsIn(sub, kSubIfds);
            if (!sub.empty()) addBelow(std::move(sub), std::move(lost));
            for (const double more : deeper) {
                std::vector<std::uint16_t> lostDeeper;
                auto inner = directory(static_cast<std::uint32_t>(more), 0, lostDeeper);
                if (!inner.empty()) addBelow(std::move(inner), std::move(lostDeeper));
            }
        }
        for (const double offset : offsetsIn(out.main, kExif)) {
            out.exif = pointedTo(offset, kExif, out.lost);
            out.makerNoteOffset = makerNote_;
        }
        for (const double offset : offsetsIn(out.main, kGps)) out.gps = pointedTo(offset, kGps, out.lost);
        for (const double offset : offsetsIn(out.main, kExtraProfiles))
            if (auto profile = profileAt(static_cast<std::uint32_t>(offset), out.lost); !profile.empty())
                out.profiles.push_back(std::move(profile));
        return out;
    }

  private:
    bool bytes(std::uint64_t at, std::uint8_t* to, std::uint64_t count) {
        const auto found = in_.part(at, count);
        if (found) std::copy(found->begin(), found->end(), to);
        return found.has_value();
    }
    bool order(const std::uint8_t* two) {
        big_ = two[0] == 'M' && two[1] == 'M';
        return big_ || (two[0] == 'I' && two[1] == 'I');
    }
    std::uint32_t number(const std::uint8_t* p, int count) const {
        std::uint32_t v = 0;
        for (int i = 0; i < count; ++i) v = v << 8U | p[big_ ? i : count - 1 - i];
        return v;
    }
    static std::vector<double> offsetsIn(const std::vector<TagEntry>& list, std::uint16_t tag) {
        const TagEntry* entry = Metadata::find(list, tag);
        return entry ? entry->numbers() : std::vector<double>();
    }
    // A directory that a tag names; where nothing of it can be read, the tag is lost.
    std::vector<TagEntry> pointedTo(double offset, std::uint16_t tag, std::vector<std::uint16_t>& lost) {
        auto entries = directory(static_cast<std::uint32_t>(offset), 0, lost);
        if (entries.empty() && offset + 2 > static_cast<double>(size_)) lost.push_back(tag);
        return entries;
    }
    // A profile has a header of its own, and offsets count from it.
    std::vector<TagEntry> profileAt(std::uint32_t base, std::vector<std::uint16_t>& lost) {
        std::uint8_t head[8];
        const bool outer = big_;
        std::vector<TagEntry> out;
        if (bytes(base, head, 8) && order(head) && number(head + 2, 2) == 0x4352)
            out = directory(number(head + 4, 4), base, lost);
        big_ = outer;
        return out;
    }
    std::vector<TagEntry> directory(std::uint32_t offset, std::uint32_t base,
                                    std::vector<std::uint16_t>& lost, std::uint32_t* next = nullptr) {
        std::vector<TagEntry> out;
        if (next) *next = 0;
        const std::uint64_t at = std::uint64_t{base} + offset;
        std::uint8_t two[2];
        if (offset == 0 || seen_.size() >= kMostDirectories || !seen_.insert(at).second || !bytes(at, two, 2))
            return out;
        const std::uint32_t count = number(two, 2);
        if (count > kMostEntries) return out;
        std::vector<std::uint8_t> table(static_cast<std::size_t>(count) * 12 + 4);
        const bool chained = bytes(at + 2, table.data(), table.size());
        if (!chained && !bytes(at + 2, table.data(), table.size() - 4)) return out;
        for (std::uint32_t i = 0; i < count; ++i)
            readEntry(table.data() + std::size_t{i} * 12, base, out, lost);
        if (next && chained) *next = number(table.data() + std::size_t{count} * 12, 4);
        std::stable_sort(out.begin(), out.end(),
                         [](const TagEntry& a, const TagEntry& b) { return a.tag < b.tag; });
        return out;
    }
    void readEntry(const std::uint8_t* p, std::uint32_t base, std::vector<TagEntry>& out,
                   std::vector<std::uint16_t>& lost) {
        TagEntry e{static_cast<std::uint16_t>(number(p, 2)),
                   static_cast<std::uint16_t>(number(p + 2, 2)),
                   number(p + 4, 4),
                   {}};
        const std::size_t each = sizeOfType(e.type);
        const std::uint64_t total = each * std::uint64_t{e.count};
        if (each == 0 || total == 0)
            return; // no type of the standard's, or no values: as if it were not there
        if (total > size_ || (taken_ += total) > kMostBytes) return lost.push_back(e.tag);
        e.bytes.resize(total);
        if (total <= 4) {
            std::copy_n(p + 8, total, e.bytes.begin());
        } else {
            const std::uint32_t where = number(p + 8, 4);
            if (!bytes(std::uint64_t{base} + where, e.bytes.data(), total)) return lost.push_back(e.tag);
            if (e.tag == kMakerNote) makerNote_ = where;
        }
        // Rationals are two numbers of four bytes.
        const std::size_t word = e.type == 5 || e.type == 10 ? 4 : each;
        if (big_ && word > 1)
            for (std::size_t i = 0; i + word <= e.bytes.size(); i += word)
                std::reverse(e.bytes.begin() + static_cast<std::ptrdiff_t>(i),
                             e.bytes.begin() + static_cast<std::ptrdiff_t>(i + word));
        out.push_back(std::move(e));
    }

    const GivenFile& in_;
    std::uint64_t size_ = 0, taken_ = 0;
    bool big_ = false;
    std::uint32_t makerNote_ = 0;
    std::set<std::uint64_t> seen_; // directories read: none is read twice, so that none can name itself
};

} // namespace

std::optional<TagDirectories> readTagDirectories(const GivenFile& file) { return Reader(file).read(); }

} // namespace irenic
