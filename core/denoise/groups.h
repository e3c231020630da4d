// What the methods that work on groups of similar blocks share: where groups are looked for, tiles, and how
// overlapping estimates are added up so that every sample comes out the same, to the last bit, whatever
// region was asked for.
#pragma once

#include <cstdint>
#include <functional>
#include <vector>

#include "denoise/method.h"

namespace irenic::groups {

constexpr int kBlock = 8;               // blocks are compared as 8x8 samples
constexpr int kStep = 4;                // from one reference block to the next
constexpr int kSearch = 12, kSpan = 24; // displacements -12..11 in both directions
constexpr int kPlaces = kSpan * kSpan;
constexpr int kMost = 64;                    // blocks in a group
constexpr int kSpare = 16;                   // more than a group's, that are sorted to have its own
constexpr int kTile = 64;                    // reference positions of a tile; a multiple of kStep
constexpr int kAcross = kTile / kStep;       // references side by side
constexpr int kHalo = kSearch + kBlock;      // how far a tile's blocks reach beyond it
constexpr int kSide = kTile + 2 * kHalo;     // of a tile with its halo
constexpr int kRow = kSide + 16;             // of the tile's own copies, with room for whole vectors
constexpr int kQuarter = kSide / 4 + 6;      // of a row of the guide, with room for whole vectors
constexpr int kReach = 2 * kSearch + kBlock; // what one step needs around an area

// Where the reference blocks of `area` have their corners.
inline Rect referencesOf(const Rect& area) {
    return {area.x - kSearch - kBlock + 1, area.y - kSearch - kBlock + 1, area.width + kSpan + kBlock - 1,
            area.height + kSpan + kBlock - 1};
}

// What one tile adds to the picture: weighted sums and their weights. Of planes, with one weight (0) for
// luminance and one (1) for colour; or, where a step says so, of the channels R, G, G, B, each with its own.
struct Accumulator {
    alignas(64) float sum[kPlanes][kSide * kSide];
    alignas(64) float weight[kPlanes][kSide * kSide];
};

// A squared distance of blocks, as a float's bits, to begin looking from: of two blocks of noise.
constexpr std::uint32_t kLikely = 0x42C00000U; // 96

struct Place {
    std::int8_t dx, dy;
};
// A reference block and the blocks most like it, itself among them.
struct Reference {
    int x, y; // within the tile's own copies, whose origin is the tile's less the halo
    float weight;
    Place match[kMost];
};

// A tile's own memory. Rows of the photo lie whole memory pages apart and would push one another out of the
// cache.
struct Matches {
    // A row's columns by their remainder of four, one quarter after the other: what references side by side
    // want of a row lies side by side.
    alignas(64) float guide[kSide * 4 * kQuarter];
    alignas(64) float half[2][kPlaces * kAcross];
    alignas(64) std::uint32_t keys[kPlaces * kAcross];
    Reference reference[kAcross * kAcross];
    int references;
};

// The blocks most like each reference block of a picture, found by the first step for the second as well.
class Groups {
  public:
    // `references`: the corners of the reference blocks; `size` blocks are kept of each.
    Groups(const Rect& references, int size);
    int size() const { return size_; }
    // Of the reference with its corner at x, y, multiples of kStep: `size` places.
    Place* of(int x, int y);

  private:
    Rect grid_; // in steps
    int size_;
    std::vector<Place> place_;
};

struct Step {
    const PlaneSet* noisy;
    const PlaneSet* basic; // null in the first step
    const Plane* guide;    // what blocks are compared in; its origin is guideArea's
    Rect guideArea;
    Rect references; // top left corners allowed
    std::array<float, kPlanes> strength;
    int groupSize; // at most kMost. Always reached: limits on the distance leave groups small in texture, and
                   // cost up to 1.2 dB
    bool channels = false;   // sums are of channels, not of planes
    bool sparse = false;     // of the four blocks that a group serves on a mosaic, two across from each other
    Groups* found = nullptr; // where the first step leaves its groups and the second finds them; null: each
                             // looks for its own
    int searched() const { return found ? found->size() : groupSize; }
};

// The part of a tile's copies that its blocks can have their corners in.
inline Rect cornersOf(const Step& step, const Rect& tile) {
    const Rect here = tile.intersected(step.references).translated(kHalo - tile.x, kHalo - tile.y);
    return {here.x - kSearch, here.y - kSearch, here.width + kSpan - 1, here.height + kSpan - 1};
}

// Runs `runTile` for every tile whose blocks can reach `area` and gives the weighted means; planes with
// strength 0 are copied.
PlaneSet aggregate(Step step, const Rect& area,
                   const std::function<void(const Step&, const Rect& tile, Accumulator&)>& runTile,
                   const Work& work);

// What blocks are compared in. Noisy: luminance as it is, in both steps. Smoothed, as it is written down:
// lightly smoothed, then what the first step made of it (or smoothed again, where luminance is left alone).
// That makes matches in texture a trace surer; but the less noise there is to compare, the more the blocks
// found are those with the same noise, and what a group has in common stays: as swirls, where there is
// nothing else.
enum class Guide { Noisy, Smoothed };

// Both steps of a method: groups of `first` blocks, then of `second` blocks. `in` covers `area` with
// kTwoStepMargin to spare.
constexpr int kTwoStepMargin = 2 * kReach + 1; // one more for the smoothing
PlaneSet bothSteps(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                   Guide guide, int first, int second,
                   const std::function<void(const Step&, const Rect&, Accumulator&)>& runTile,
                   const Work& work);

// Luminance under a 3x3 binomial filter: what the first step compares blocks in. White noise keeps 0.14 of
// its variance.
Plane smoothed(const Plane& in, const Work& work);

} // namespace irenic::groups
