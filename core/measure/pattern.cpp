#include "measure/pattern.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "measure/defects.h"
#include "measure/line_offsets.h"

namespace irenic {

Pattern measurePattern(const Photo& photo, const Work& work) {
    Pattern pattern;
    if (photo.width() < 16 || photo.height() < 16) return pattern;
    pattern.defects = findDefects(photo, work);
    pattern.rows = lineOffsets(photo, false, pattern.rowSigma, work);
    pattern.columns = lineOffsets(photo, true, pattern.columnSigma, work);
    return pattern;
}

std::vector<std::uint16_t> mendedSamples(const Photo& photo, const Pattern& pattern) {
    IRENIC_EXPECTS(pattern.rows.empty() || std::ssize(pattern.rows) == photo.height());
    IRENIC_EXPECTS(pattern.columns.empty() || std::ssize(pattern.columns) == photo.width());
    if (pattern.defects.empty() && pattern.rows.empty() && pattern.columns.empty()) return {};
    std::vector<std::uint16_t> out = photo.samples;
    for (const Defect& d : pattern.defects) out[photo.index(d.x, d.y)] = d.mended;
    if (pattern.rows.empty() && pattern.columns.empty()) return out;
    forEachBand(photo.height(), 64, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            const float row = pattern.rows.empty() ? 0 : pattern.rows[static_cast<std::size_t>(y)];
            for (int x = 0; x < photo.width(); ++x) {
                std::uint16_t& s = out[photo.index(x, y)];
                if (s >= photo.white) continue;
                const float column =
                    pattern.columns.empty() ? 0 : pattern.columns[static_cast<std::size_t>(x)];
                s = static_cast<std::uint16_t>(std::clamp(std::lround(static_cast<float>(s) - row - column),
                                                          0L, static_cast<long>(photo.white)));
            }
        }
    });
    return out;
}

} // namespace irenic
