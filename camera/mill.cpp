#include "mill.h"

#include "scene_file.h"

extern "C" {
// mill_scenes.S: where each file begins, and where the last ends.
extern const std::uint8_t irenic_scene_cat[], irenic_scene_rope[], irenic_scene_gears[],
    irenic_scene_harbour[], irenic_scene_jersey[], irenic_scenes_end[];
}

namespace irenic {

std::string nameOf(MillScene scene) {
    constexpr const char* kNames[] = {"cat", "rope", "gears", "harbour", "jersey"};
    return kNames[static_cast<int>(scene)];
}

std::array<Plane, 3> millScene(MillScene scene) {
    const std::uint8_t* const places[] = {irenic_scene_cat,     irenic_scene_rope,   irenic_scene_gears,
                                          irenic_scene_harbour, irenic_scene_jersey, irenic_scenes_end};
    const auto i = static_cast<std::size_t>(scene);
    return unpackScene({places[i], places[i + 1]});
}

} // namespace irenic
