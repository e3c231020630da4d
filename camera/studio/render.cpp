#include "render.h"

#include <cmath>
#include <stdexcept>

#include "base/safe_file.h"
#include "mill.h"
#include "scene_file.h"
#include "scenery.h"
#include "tracer.h"

namespace irenic {

void renderScenes(const std::filesystem::path& folder, const std::string& only, int rays, double scale,
                  const std::function<void(const std::string&)>& say, const Work& work) {
    struct Known {
        MillScene scene;
        scene::Stage (*build)(float);
    };
    constexpr Known kAll[] = {{MillScene::Cat, scene::millCat},
                              {MillScene::Rope, scene::quayRope},
                              {MillScene::Gears, scene::gearRoom},
                              {MillScene::Harbour, scene::starryHarbour},
                              {MillScene::Jersey, scene::knittedJersey}};
    bool any = false;
    std::filesystem::create_directories(folder);
    for (const Known& known : kAll) {
        const std::string name = nameOf(known.scene);
        if (!only.empty() && only != name) continue;
        any = true;
        const auto stage = known.build(static_cast<float>(std::min(1.0, scale)));
        const auto side = [&](int full) { return static_cast<int>(std::lround(full * scale)); };
        const auto light = scene::smoothed(scene::traced(stage, side(4032), side(3024), rays, work), work);
        // Files are to stay below 4 MB: the coder's error grows until they are.
        std::vector<std::uint8_t> file;
        float distance = 0.25f;
        do {
            file = packScene(light, distance);
            distance *= 1.15f;
        } while (file.size() > 3'900'000);
        const std::filesystem::path to = folder / (name + ".jxl");
        writeWhole(to, {file.begin(), file.end()}, SafeFile::Existing::Keep);
        say(to.string());
    }
    if (!any)
        throw std::invalid_argument("There is no scene \"" + only + "\": cat, rope, gears, harbour, jersey.");
}

} // namespace irenic
