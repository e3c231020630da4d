// What the mill's surfaces look like up close. Patterns live in a surface's own frame, in metres.
#pragma once

#include <string>

#include "stage.h"

namespace irenic::scene {

// Fibres run along `axis` (0 x, 1 y, 2 z) of the surface's own frame. `worn` 0..1: grey, cracked, dusty.
Paint wood(int axis, Vec tint, float worn, std::uint32_t seed);
Paint brick(std::uint32_t seed); // in the plane x, y
Paint plaster(Vec tint, std::uint32_t seed);
Paint stone(Vec tint, std::uint32_t seed);
Paint iron(float rust, std::uint32_t seed);
Paint brass(float worn, std::uint32_t seed);
Paint enamel(Vec colour, std::uint32_t seed); // glossy paint, scratched
Paint sacking(Vec tint, const std::string& mark, std::uint32_t seed);
Paint strandPaint(Vec root, Vec tip, float mirror, float rough, float varied);
Paint glowing(Vec light);
// A board in the plane x, y, painted in `ground`, with lines of letters `size` metres high in `ink`,
// weathered.
Paint lettered(Vec ground, Vec ink, std::vector<std::string> lines, float size, std::uint32_t seed);
Paint gauge(float radius, float pointer, const std::string& text,
            std::uint32_t seed); // face in the plane x, y
// Flour lies on what looks up.
Paint floured(Paint under, float much, std::uint32_t seed);
// Drops and a film of water on what looks up.
Paint wetted(Paint under, float much, std::uint32_t seed);

// The normal after a height map in metres over the own frame.
Vec bumped(const Spot& spot, const std::function<float(Vec)>& height, float step);

} // namespace irenic::scene
