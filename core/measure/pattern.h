// Finds what a sensor adds that is not random from pixel to pixel (noise/pattern.h holds it).
#pragma once

#include <array>
#include <vector>

#include "base/work.h"
#include "raw/photo.h"

namespace irenic {

// Measures `photo` against its noise model. Pixels that the file itself calls bad (opcodes
// FixBadPixelsConstant and FixBadPixelsList, DNG 1.6, chapter 7) are among the defects.
//
// A defect is one sample that stands out from the eight nearest of its channel by far more than noise does,
// while the light around it does not: the lens spreads a star or a lantern over the neighbours, of all
// channels, a defect has none. It stands out from the texture around it as well: on a wire or among pebbles a
// glint is likelier than a defect, and a defect is hardly seen. What is unsure is left alone. A saturated
// light of one pure colour that falls on one sample only can be taken for a defect.
//
// Dead lines: columns and rows of which a sixth or more stands out from both beside it, always to the same
// side, while the lines of other colours next to it do not.
//
// Lines: the second difference of each row, d(y) = v(y) - (v(y-2) + v(y+2)) / 2, averaged over the row with
// the weights of its noise and clipped at 2.5 sigma, sees the row's offset and little of the picture; where
// there are lines to take out, so does that of the greens of neighbouring rows, which knows how odd rows
// differ from even ones. Offsets follow from all d by regularised least squares (slow drifts over some twenty
// rows are left: they are not told from the picture); their variance is what the d of four parts of a line
// have in common: the picture differs from part to part. Parts with much texture are left out. Lines below
// 0.1 sigma cannot be seen, nor told from the picture, and are left. `known` are places (x, y) that are
// defects whatever this photo shows there. Throws Cancelled.
Pattern measurePattern(const Photo& photo, const Work& work = {},
                       const std::vector<std::array<int, 2>>& known = {});

// The samples with the pattern taken out, laid out as Photo::samples; empty when there is nothing to take
// out. Clipped samples stay clipped.
std::vector<std::uint16_t> mendedSamples(const Photo& photo, const Pattern& pattern);

} // namespace irenic
