// What cells have shown, kept for a while at one pixel for each of the photo: a step aside or another
// magnification renders only what comes into view.
#pragma once

#include <utility>

#include "denoise/tile_store.h"
#include "develop/render.h"

namespace irenic {

// Thread-safe.
class PictureStore {
  public:
    // Keeps at most so many bytes of pictures and of cleaned samples.
    PictureStore(std::size_t pictureBytes, std::size_t cleanedBytes)
        : pictures_(pictureBytes), cleaned_(cleanedBytes) {}

    // render(), made from the middle of the area outwards. Below a zoom of 1 only cleaned samples are kept.
    // Throws as render() does.
    Picture get(const Recipe& recipe, const Rect& area, const View& view, const Work& work = {});
    // What of that is there already, without making any; and what is missing, in the photo's pixels.
    std::pair<Picture, std::vector<Rect>> soFar(const Recipe& recipe, const Rect& area, const View& view);
    TileStore& cleaned() { return cleaned_; }

  private:
    struct Source {
        RecipeId recipe;
        float push;
        friend bool operator==(const Source&, const Source&) = default;
    };
    SquareStore<Source, std::uint16_t> pictures_;
    TileStore cleaned_;
};

} // namespace irenic
