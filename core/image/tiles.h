// The fixed grid of tiles that heavy work is done on.
#pragma once

#include "base/work.h"
#include "image/rect.h"

namespace irenic {

// Calls body(tile) for every tile of the fixed grid of `size` x `size` pixels that meets `area`, in
// parallel; tiles are whole grid tiles, not cut at the area's edge, so that what a tile computes does not
// depend on the area asked for. Checks `work` before every tile. An exception of a body is rethrown.
void forEachTile(const Rect& area, int size, const Work& work, const std::function<void(const Rect&)>& body);

} // namespace irenic
