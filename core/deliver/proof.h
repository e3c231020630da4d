// What was written, kept small, so that reading the file back can prove it.
#pragma once

#include <cstdint>
#include <filesystem>
#include <string>
#include <vector>

#include "base/digest.h"
#include "base/work.h"
#include "raw/picture_file.h"

namespace irenic {

// Means of 16x16 blocks of an 8-bit RGB picture, for files whose compression changes pixels a little.
class BlockMeans {
  public:
    BlockMeans(int width, int height);
    void add(int y, const std::uint8_t* rgb);
    // The largest difference between two blocks' means, 0..255; sizes must be equal.
    double farthest(const BlockMeans& other) const;

  private:
    int width_, across_;
    std::vector<float> sums_; // of blocks in reading order, three each
    std::vector<float> counts_;
};

// Throws WriteError: what was written does not read back, for want of room or for `why`.
[[noreturn]] void doesNotReadBack(const std::filesystem::path& file, const std::string& why);

// What `read` gives of a file that was just written; what it throws, but Cancelled, means that the file does
// not read back.
template <class Read> auto readBack(const std::filesystem::path& file, const Read& read) {
    try {
        return read();
    } catch (const Cancelled&) {
        throw;
    } catch (const std::exception& e) {
        doesNotReadBack(file, e.what());
    }
}

// Whether a picture is what was written, of this size and with these bytes. Throws WriteError.
void prove(const std::filesystem::path& file, const FilePicture& back, int width, int height,
           const Digest& written);

} // namespace irenic
