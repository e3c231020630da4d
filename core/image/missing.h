// What is worth making of the missing squares of a grid.
#pragma once

#include <cstddef>
#include <vector>

#include "image/rect.h"

namespace irenic {

inline constexpr int kTileSide = 128, kSquareSide = 8, kSquaresOfTile = kTileSide / kSquareSide;

// The squares and tiles of the fixed grid that meet an area.
struct Squares {
    Rect area; // of the whole squares, in samples
    int across, down;
    Rect tiles; // in tiles

    explicit Squares(const Rect& of) : area(of.aligned(kSquareSide)) {
        across = area.width / kSquareSide, down = area.height / kSquareSide;
        const Rect whole = of.aligned(kTileSide);
        tiles = {whole.x / kTileSide, whole.y / kTileSide, whole.width / kTileSide, whole.height / kTileSide};
    }
    std::size_t count() const { return static_cast<std::size_t>(across) * static_cast<std::size_t>(down); }
    std::size_t indexOf(const Rect& square) const {
        return static_cast<std::size_t>((square.y - area.y) / kSquareSide * across +
                                        (square.x - area.x) / kSquareSide);
    }
};

// Rectangles of samples, within `whole`, that cover the squares of a grid which are lacking. Making one reads
// `margin` samples around it: rectangles are joined as long as one costs no more than two, strips at a side
// of a grid that is there in part are made deeper outwards (some samples more cost little, and who has moved
// one step moves on), and what is large comes in blocks.
std::vector<Rect> missingRects(std::vector<bool> lacking, const Squares& grid, const Rect& whole, int margin);

} // namespace irenic
