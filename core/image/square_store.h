// Samples of many sources kept for a while on a fixed grid, so that only what is missing is made.
#pragma once

#include <algorithm>
#include <array>
#include <bitset>
#include <list>
#include <map>
#include <mutex>
#include <tuple>
#include <vector>

#include "image/missing.h"
#include "image/plane.h"

namespace irenic {

// Planes of samples over one rectangle.
template <class Sample> struct Block {
    Rect area;
    std::vector<PlaneOf<Sample>> plane;

    Block(const Rect& where, std::size_t planes) : area(where) {
        for (std::size_t p = 0; p < planes; ++p) plane.emplace_back(where.width, where.height);
    }
    // The row of a plane at absolute row y, addressed so that [x] takes an absolute column.
    Sample* rowAt(std::size_t p, int y) { return plane[p].row(y - area.y) - area.x; }
    const Sample* rowAt(std::size_t p, int y) const { return plane[p].row(y - area.y) - area.x; }
    // Takes over what `from` has of this rectangle.
    void take(const Block& from) {
        const Rect part = area.intersected(from.area);
        for (std::size_t p = 0; p < plane.size(); ++p)
            for (int y = part.y; y < part.bottom(); ++y)
                std::copy_n(from.rowAt(p, y) + part.x, part.width, rowAt(p, y) + part.x);
    }
};

// Of each source (a value that compares) tiles of 128 x 128 samples, in which each square of 8 x 8 is there
// or is not. The least recently used tile goes first. Thread-safe.
template <class Source, class Sample> class SquareStore {
  public:
    // Keeps at most this many bytes of samples, and always the newest tile.
    explicit SquareStore(std::size_t bytes) : room_(bytes) {}

    // Writes what is there into `into` and says what is missing of it, as rectangles within `whole` that are
    // worth making (missing.h); making them reads `margin` around each.
    std::vector<Rect> fetch(const Source& source, Block<Sample>& into, const Rect& whole, int margin) {
        const Squares grid(into.area);
        std::vector<bool> lacking(grid.count(), true);
        {
            const std::lock_guard lock(mutex_);
            const Known* known = find(source);
            for (int i = 0; known && i < grid.tiles.width * grid.tiles.height; ++i)
                fetchTile(known, grid.tiles.x + i % grid.tiles.width, grid.tiles.y + i / grid.tiles.width,
                          into, grid, lacking);
        }
        return missingRects(lacking, grid, whole, margin);
    }
    // Keeps the squares that the block covers whole, as far as they lie within `whole`.
    void keep(const Source& source, const Block<Sample>& block, const Rect& whole) {
        const Rect tiles = Squares(block.area).tiles;
        const std::lock_guard lock(mutex_);
        for (int y = tiles.y; y < tiles.bottom(); ++y)
            for (int x = tiles.x; x < tiles.right(); ++x) keepTile(source, block, whole, x, y);
    }
    std::size_t bytes() const {
        const std::lock_guard lock(mutex_);
        return used_;
    }
    void forget() {
        const std::lock_guard lock(mutex_);
        tiles_.clear(), index_.clear(), known_.clear();
        used_ = 0;
    }

  private:
    struct Known {
        Source source;
        int tiles = 0; // that are kept of it
    };
    struct Tile {
        Known* of;
        int x, y; // in tiles
        std::bitset<static_cast<std::size_t>(kSquaresOfTile* kSquaresOfTile)> there;
        std::vector<Sample> samples; // one plane after the other
        std::size_t bytes() const { return samples.size() * sizeof(Sample); }
    };
    using Tiles = std::list<Tile>;

    Known* find(const Source& source) {
        const auto at =
            std::find_if(known_.begin(), known_.end(), [&](const Known& k) { return k.source == source; });
        return at == known_.end() ? nullptr : &*at;
    }
    static Rect squareOf(int tileX, int tileY, int square) {
        return {tileX * kTileSide + square % kSquaresOfTile * kSquareSide,
                tileY * kTileSide + square / kSquaresOfTile * kSquareSide, kSquareSide, kSquareSide};
    }
    // Where a sample stands in a tile.
    static std::size_t placeOf(const Tile& tile, std::size_t plane, int x, int y) {
        return (plane * kTileSide + static_cast<std::size_t>(y - tile.y * kTileSide)) * kTileSide +
               static_cast<std::size_t>(x - tile.x * kTileSide);
    }
    void fetchTile(const Known* known, int tx, int ty, Block<Sample>& into, const Squares& grid,
                   std::vector<bool>& lacking) {
        const auto found = index_.find({known, tx, ty});
        if (found == index_.end()) return;
        tiles_.splice(tiles_.begin(), tiles_, found->second);
        const Tile& tile = tiles_.front();
        for (int square = 0; square < kSquaresOfTile * kSquaresOfTile; ++square) {
            const Rect full = squareOf(tx, ty, square), wanted = full.intersected(into.area);
            if (wanted.empty() || !tile.there[static_cast<std::size_t>(square)]) continue;
            lacking[grid.indexOf(full)] = false;
            for (std::size_t p = 0; p < into.plane.size(); ++p)
                for (int y = wanted.y; y < wanted.bottom(); ++y)
                    std::copy_n(tile.samples.data() + placeOf(tile, p, wanted.x, y), wanted.width,
                                into.rowAt(p, y) + wanted.x);
        }
    }
    void keepTile(const Source& source, const Block<Sample>& block, const Rect& whole, int tx, int ty) {
        Tile& tile = tileAt(source, block.plane.size(), tx, ty);
        const Rect part = Rect{tx * kTileSide, ty * kTileSide, kTileSide, kTileSide}.intersected(block.area);
        for (std::size_t p = 0; p < block.plane.size(); ++p)
            for (int y = part.y; y < part.bottom(); ++y)
                std::copy_n(block.rowAt(p, y) + part.x, part.width,
                            tile.samples.data() + placeOf(tile, p, part.x, y));
        for (int square = 0; square < kSquaresOfTile * kSquaresOfTile; ++square) {
            const Rect inside = squareOf(tx, ty, square).intersected(whole);
            if (!inside.empty() && block.area.contains(inside))
                tile.there.set(static_cast<std::size_t>(square));
        }
    }
    Tile& tileAt(const Source& source, std::size_t planes, int tx, int ty) {
        Known* known = find(source);
        if (!known) known = &known_.emplace_front(Known{source, 0});
        if (const auto found = index_.find({known, tx, ty}); found != index_.end()) {
            tiles_.splice(tiles_.begin(), tiles_, found->second);
            return tiles_.front();
        }
        tiles_.push_front({known, tx, ty, {}, std::vector<Sample>(planes * kTileSide * kTileSide)});
        index_[{known, tx, ty}] = tiles_.begin();
        ++known->tiles;
        used_ += tiles_.front().bytes();
        while (used_ > room_ && tiles_.size() > 1) dropOldest();
        return tiles_.front();
    }
    void dropOldest() {
        const Tile& oldest = tiles_.back();
        used_ -= oldest.bytes();
        index_.erase({oldest.of, oldest.x, oldest.y});
        if (--oldest.of->tiles == 0) {
            const Known* gone = oldest.of;
            known_.remove_if([gone](const Known& k) { return &k == gone; });
        }
        tiles_.pop_back();
    }

    mutable std::mutex mutex_;
    std::list<Known> known_;
    Tiles tiles_; // newest first
    std::map<std::tuple<const Known*, int, int>, typename Tiles::iterator> index_;
    std::size_t room_, used_ = 0;
};

} // namespace irenic
