#include "deliver/proof.h"

#include <algorithm>
#include <cerrno>
#include <cmath>

#include "base/expects.h"
#include "base/safe_file.h"
#include "base/shown_text.h"

namespace irenic {

namespace {
constexpr int kSide = 16;
}

BlockMeans::BlockMeans(int width, int height)
    : width_(width), across_((width + kSide - 1) / kSide),
      sums_(static_cast<std::size_t>(across_) * static_cast<std::size_t>((height + kSide - 1) / kSide) * 3),
      counts_(sums_.size() / 3) {}

void BlockMeans::add(int y, const std::uint8_t* rgb) {
    IRENIC_EXPECTS(y >= 0 && y / kSide * across_ < static_cast<int>(counts_.size()));
    const auto line = static_cast<std::size_t>(y / kSide * across_);
    for (int x = 0; x < width_; ++x) {
        const std::size_t block = line + static_cast<std::size_t>(x / kSide);
        for (std::size_t c = 0; c < 3; ++c) sums_[3 * block + c] += rgb[3 * static_cast<std::size_t>(x) + c];
        counts_[block] += 1;
    }
}

double BlockMeans::farthest(const BlockMeans& other) const {
    IRENIC_EXPECTS(sums_.size() == other.sums_.size() && width_ == other.width_);
    double most = 0;
    for (std::size_t i = 0; i < sums_.size(); ++i)
        most = std::max(most, std::abs(static_cast<double>(sums_[i] - other.sums_[i])) /
                                  std::max(1.0, static_cast<double>(counts_[i / 3])));
    return most;
}

void doesNotReadBack(const std::filesystem::path& file, const std::string& why) {
    // A full disk is the likeliest reason.
    errno = 0;
    try {
        failedWriting(file.parent_path());
    } catch (const WriteError& e) {
        if (std::string(e.what()) == reasonOf(ENOSPC)) throw;
    }
    throw WriteError(
        filled(IRENIC_TEXT("the written file cannot be read back (%1). Try again or choose another folder."),
               {why}));
}

void prove(const std::filesystem::path& file, const FilePicture& back, int width, int height,
           const Digest& written) {
    Digest read;
    read.add(back.data.data(), back.data.size());
    if (back.width != width || back.height != height || read.text() != written.text())
        doesNotReadBack(file, "other pixels");
}

} // namespace irenic
