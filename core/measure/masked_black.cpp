#include "measure/masked_black.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace irenic {

namespace {

constexpr std::uint16_t kMaskedAreas = 0xc68e;

std::vector<Rect> maskedAreasOf(const Photo& photo) {
    std::vector<Rect> out;
    const TagEntry* list = photo.metadata.dng(kMaskedAreas);
    if (!list) return out;
    const Rect frame{0, 0, photo.rawWidth, photo.rawHeight};
    const std::vector<double> sides = list->numbers(); // top, left, bottom, right
    for (std::size_t i = 0; i + 3 < sides.size(); i += 4) {
        const auto side = [&](std::size_t k) {
            return static_cast<int>(std::clamp(sides[i + k], 0.0, 65535.0));
        };
        const Rect area{side(1), side(0), side(3) - side(1), side(2) - side(0)};
        if (area.width > 0 && area.height > 0 && frame.contains(area) &&
            area.intersected(photo.active).empty())
            out.push_back(area);
    }
    return out;
}

// The mean over rows' means, and how far chance moves it.
struct Level {
    double mean = 0, error = 0;
    int rows = 0;
};
Level levelOf(const std::vector<double>& rows) {
    Level out;
    out.rows = static_cast<int>(rows.size());
    for (const double r : rows) out.mean += r / out.rows;
    for (const double r : rows) out.error += (r - out.mean) * (r - out.mean);
    out.error = std::sqrt(out.error) / out.rows;
    return out;
}

// Of each site of a cell, one mean for each row that is masked.
std::array<std::vector<double>, 4> rowsOf(const Photo& photo, const std::vector<Rect>& masked) {
    constexpr int kFewest = 8; // samples of a row
    std::array<std::vector<double>, 4> out;
    for (const Rect& area : masked)
        for (int y = area.y; y < area.bottom(); ++y)
            for (const int odd : {0, 1}) {
                const int from = area.x + ((area.x - photo.active.x) & 1 ? 1 - odd : odd);
                double sum = 0;
                int count = 0;
                for (int x = from; x < area.right(); x += 2, ++count)
                    sum +=
                        photo.samples[static_cast<std::size_t>(y) * static_cast<std::size_t>(photo.rawWidth) +
                                      static_cast<std::size_t>(x)];
                if (count < kFewest) continue;
                const int site = ((y - photo.active.y) & 1) * 2 + odd;
                out[static_cast<std::size_t>(site)].push_back(sum / count);
            }
    return out;
}

} // namespace

void correctBlack(Photo& photo) {
    constexpr int kFewestRows = 16;
    constexpr double kClear = 4, kMost = 0.01;
    if (!photo.hasMosaic() || photo.channels != 1 || !photo.black.repeatsEvery(2)) return;
    const auto rows = rowsOf(photo, maskedAreasOf(photo));
    BlackLevel corrected = photo.black;
    corrected.columns = corrected.rows = 2, corrected.pattern.clear();
    for (int site = 0; site < 4; ++site) {
        const auto stated = static_cast<double>(photo.black.repeated(site & 1, site >> 1));
        const Level level = levelOf(rows[static_cast<std::size_t>(site)]);
        if (level.rows < kFewestRows) return;
        const double off = level.mean - stated;
        if (std::abs(off) > kMost * (photo.white - stated)) return;
        corrected.pattern.push_back(
            static_cast<float>(std::abs(off) > kClear * level.error ? level.mean : stated));
    }
    if (std::any_of(corrected.pattern.begin(), corrected.pattern.end(),
                    [&](float level) { return level != corrected.pattern[0]; }) ||
        corrected.pattern[0] != photo.black.repeated(0, 0))
        photo.black = std::move(corrected);
}

} // namespace irenic
