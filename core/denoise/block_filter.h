// Collaborative filtering of the groups of one tile: every group's blocks are transformed, the spectrum of
// the group is shrunk, and what comes of it is added up (bm3d.h gives the paper and where we differ). The
// first step shrinks by a hard threshold, the second (a step with a basic estimate) by what the first one
// left. Kinds of blocks are alike in cost, and differ in what is sparse in them: their errors are different
// ones.
#pragma once

#include <array>

#include "denoise/groups.h"

namespace irenic::blocks {

constexpr int kGroup1 = 16, kGroup2 = 32; // N2 of the two steps; the quick grade takes half
constexpr int kPixels = 64;               // in a block of either kind
constexpr int kParts = 4;                 // blocks of a mosaic in a group's cells, two by two
// From one of these to the next that is filtered.
inline int partStep(const groups::Step& step) { return step.sparse ? kParts - 1 : 1; }

// A group's transformed blocks, in pairs of block i and block i + half a group.
struct GroupScratch {
    alignas(64) float group[kGroup2 * kPixels], pilot[kGroup2 * kPixels];
};

// How estimates of a block's pixels count along one side: Kaiser's window, beta 2.
const std::array<float, groups::kBlock>& window();

// 8x8 samples of each plane by itself, under the DCT. Sums are of planes.
void filterPlanes(const groups::Step& step, const Rect& tile, groups::Accumulator& out);

// 8x8 pixels of the mosaic itself, under the DCT; one strength for all planes. Sums are of channels. Keeps
// what is fine in luminance.
void filterMosaic(const groups::Step& step, const Rect& tile, groups::Accumulator& out);

// 4x4 cells of the mosaic, all four planes together: a DCT along rows and columns of each plane, then at each
// frequency the directions that photographs' planes have in common (cell_basis.h); one strength for all
// planes. Sums are of planes. Keeps what is fine in colour.
void filterCells(const groups::Step& step, const Rect& tile, groups::Accumulator& out);

} // namespace irenic::blocks
