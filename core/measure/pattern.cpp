#include "measure/pattern.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "measure/dead_lines.h"
#include "measure/defects.h"
#include "measure/line_offsets.h"

namespace irenic {

namespace {

// What single pixels and whole lines have in common: in reading order, each pixel once, as a line has it.
std::vector<Defect> joined(std::vector<Defect> lines, const std::vector<Defect>& single) {
    lines.insert(lines.end(), single.begin(), single.end());
    std::stable_sort(lines.begin(), lines.end(),
                     [](const Defect& a, const Defect& b) { return a.y != b.y ? a.y < b.y : a.x < b.x; });
    const auto same = [](const Defect& a, const Defect& b) { return a.x == b.x && a.y == b.y; };
    lines.erase(std::unique(lines.begin(), lines.end(), same), lines.end());
    return lines;
}

} // namespace

Pattern measurePattern(const Photo& photo, const Work& work, const std::vector<std::array<int, 2>>& known) {
    Pattern pattern;
    if (photo.width() < 16 || photo.height() < 16) return pattern;
    std::vector<Defect> ofLines;
    for (const bool columns : {true, false}) {
        const std::vector<DeadLine> dead = findDeadLines(photo, columns, work);
        (columns ? pattern.deadColumns : pattern.deadRows) = static_cast<int>(dead.size());
        for (const DeadLine& line : dead) {
            const std::vector<Defect> own = defectsOf(photo, line, columns);
            ofLines.insert(ofLines.end(), own.begin(), own.end());
        }
    }
    pattern.defects = joined(std::move(ofLines), findDefects(photo, work, known));
    // A dead line would be taken for one that is off, and its neighbours with it.
    const bool anyDead = pattern.deadColumns + pattern.deadRows > 0;
    const Photo* seen = &photo;
    Photo mended;
    if (anyDead) {
        mended = photo, seen = &mended;
        for (const Defect& d : pattern.defects) mended.samples[photo.index(d.x, d.y)] = d.mended;
    }
    LineOffsets rows = lineOffsets(*seen, false, work), columns = lineOffsets(*seen, true, work);
    pattern.rows = std::move(rows.first), pattern.rightRows = std::move(rows.second);
    pattern.columns = std::move(columns.first), pattern.lowerColumns = std::move(columns.second);
    pattern.rowSigma = rows.share, pattern.columnSigma = columns.share;
    return pattern;
}

std::vector<std::uint16_t> mendedSamples(const Photo& photo, const Pattern& pattern) {
    IRENIC_EXPECTS(pattern.rows.empty() || std::ssize(pattern.rows) == photo.height());
    IRENIC_EXPECTS(pattern.columns.empty() || std::ssize(pattern.columns) == photo.width());
    if (pattern.defects.empty() && pattern.rows.empty() && pattern.columns.empty()) return {};
    std::vector<std::uint16_t> out = photo.samples;
    for (const Defect& d : pattern.defects) out[photo.index(d.x, d.y)] = d.mended;
    if (pattern.rows.empty() && pattern.columns.empty()) return out;
    // Offsets of the line, in the half that a place lies in; none where there are none.
    const auto offsetOf = [](const std::vector<float>& first, const std::vector<float>& second, int line,
                             bool inSecond) {
        const std::vector<float>& from = inSecond && !second.empty() ? second : first;
        return from.empty() ? 0 : from[static_cast<std::size_t>(line)];
    };
    const int right = secondHalfOf(photo.width()), lower = secondHalfOf(photo.height());
    forEachBand(photo.height(), 64, {}, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            const float rows[2] = {offsetOf(pattern.rows, pattern.rightRows, y, false),
                                   offsetOf(pattern.rows, pattern.rightRows, y, true)};
            for (int x = 0; x < photo.width(); ++x) {
                std::uint16_t& s = out[photo.index(x, y)];
                if (s >= photo.white) continue;
                const float column = offsetOf(pattern.columns, pattern.lowerColumns, x, y >= lower);
                s = static_cast<std::uint16_t>(
                    std::clamp(std::lround(static_cast<float>(s) - rows[x >= right] - column), 0L,
                               static_cast<long>(photo.white)));
            }
        }
    });
    return out;
}

} // namespace irenic
