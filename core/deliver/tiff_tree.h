// Writes a tree of TIFF directories (TIFF 6.0) with strips of samples, little-endian.
#pragma once

#include <cstdint>
#include <filesystem>
#include <map>
#include <memory>
#include <string>
#include <vector>

#include "raw/metadata.h"

namespace irenic {

// One directory. Entries are kept by tag, as the standard wants them sorted.
class TiffDirectory {
  public:
    void set(TagEntry entry) { entries_[entry.tag] = std::move(entry); }
    void setBytes(std::uint16_t tag, const std::vector<std::uint8_t>& v, std::uint16_t type = 1);
    void setShorts(std::uint16_t tag, const std::vector<std::uint32_t>& v);
    void setLongs(std::uint16_t tag, const std::vector<std::uint32_t>& v);
    void setText(std::uint16_t tag, const std::string& v);
    // Rationals with a denominator of 10000, or a larger one for small values.
    void setRationals(std::uint16_t tag, const std::vector<double>& v, bool isSigned = false);
    void setDoubles(std::uint16_t tag, const std::vector<double>& v);
    bool has(std::uint16_t tag) const { return entries_.count(tag) != 0; }
    void remove(std::uint16_t tag) { entries_.erase(tag); }
    // A directory that an entry of this one points to (SubIFDs, Exif, GPS).
    TiffDirectory& child(std::uint16_t tag);
    // The samples of the one strip; width, height and layout tags are the caller's.
    void setStrip(std::vector<std::uint8_t> samples) { strip_ = std::move(samples); }

  private:
    friend class TiffTreeWriter;
    std::map<std::uint16_t, TagEntry> entries_;
    std::map<std::uint16_t, std::unique_ptr<TiffDirectory>> children_;
    std::vector<std::uint8_t> strip_;
};

// Writes the file; throws std::runtime_error with the reason when it cannot.
void writeTiffTree(const std::filesystem::path& to, TiffDirectory& first);

} // namespace irenic
