#include "layers_command.h"

#include <cstdio>
#include <memory>

#include "bar.h"
#include "base/text.h"
#include "common.h"
#include "deliver/layers.h"
#include "measure/open.h"

namespace irenic {

namespace {

struct Asked {
    std::string file, output, look;
    std::vector<std::string> takes;
};

int layers(const Asked& asked, const Work& work) {
    const Look look = lookOf(asked.look);
    std::vector<PictureLayer> all = {{"Original", Settings::original()}};
    for (const std::string& text : asked.takes) {
        const Preset take = takeFrom(text);
        if (!take.settings) throw WrongUsage("--take: this preset holds a look and no take");
        all.push_back({textOf(*take.settings), *take.settings});
    }
    std::atomic<float> done = 0;
    const Bar bar(done, shownName(asked.file));
    const Work inner{work.stop, &done};
    const PhotoPtr photo = readPhoto(asked.file, inner.part(0, 0.1));
    exportLayers(photo, look, all, asked.output, inner.part(0.1, 1));
    std::printf("%s -> %s\n", shownPath(asked.file).c_str(), shownPath(asked.output).c_str());
    return 0;
}

} // namespace

void addLayersCommand(CLI::App& app, const Work& work, int& status) {
    const auto asked = std::make_shared<Asked>();
    auto* command = app.add_subcommand(
        "layers", "Write the original and takes of it as layers of one file (OpenRaster, 16 bits, sRGB)");
    command->add_option("FILE", asked->file)->required();
    command->add_option("--take", asked->takes, "A take, from below upward, as for clean; one layer each")
        ->required();
    command->add_option("--output", asked->output, "The file; one that is there is never replaced")
        ->required();
    command->add_option("--look", asked->look, "How it is developed, as for clean");
    command->callback([asked, &work, &status] { status = layers(*asked, work); });
}

} // namespace irenic
