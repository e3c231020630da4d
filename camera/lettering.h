// Painted letters made of strokes.
#pragma once

#include <string>

namespace irenic::scene {

// Distance from (x, y) to the nearest stroke of `text`, in letter units: a letter is 4 wide and 6 high, the
// next one starts 6 further right; (0, 0) is the lower left corner of the first. Large where there is no
// stroke.
float strokeDistance(const std::string& text, float x, float y);

} // namespace irenic::scene
