// Writes a tree of TIFF directories (TIFF 6.0) with their strips or tiles, little-endian.
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
    // Rationals: exact where a denominator of up to 1e6 can be, else to six digits or more.
    void setRationals(std::uint16_t tag, const std::vector<double>& v, bool isSigned = false);
    void setDoubles(std::uint16_t tag, const std::vector<double>& v);
    bool has(std::uint16_t tag) const { return entries_.count(tag) != 0; }
    void remove(std::uint16_t tag) { entries_.erase(tag); }
    // A directory that an entry of this one points to (SubIFDs, Exif, GPS).
    TiffDirectory& child(std::uint16_t tag);
    // The samples, in strips or in tiles, in reading order; width, height and layout tags are the caller's.
    enum class Pieces { Strips, Tiles };
    void setPieces(Pieces kind, std::vector<std::vector<std::uint8_t>> pieces) {
        kind_ = kind, pieces_ = std::move(pieces);
    }
    // Camera profiles: directories with a header and offsets of their own (DNG 1.6, page 57), which an entry
    // of this one points to.
    void setProfiles(std::uint16_t tag, std::vector<std::vector<TagEntry>> profiles) {
        profilesTag_ = tag, profiles_ = std::move(profiles);
    }

  private:
    friend class TiffTreeWriter;
    std::map<std::uint16_t, TagEntry> entries_;
    std::map<std::uint16_t, std::unique_ptr<TiffDirectory>> children_;
    Pieces kind_ = Pieces::Strips;
    std::vector<std::vector<std::uint8_t>> pieces_;
    std::uint16_t profilesTag_ = 0;
    std::vector<std::vector<TagEntry>> profiles_;
};

// Writes the file over what is there, piece by piece; pieces are gone afterwards. Throws WriteError.
void writeTiffTree(const std::filesystem::path& to, TiffDirectory& first);

} // namespace irenic
