#include "dark_command.h"

#include <cstdio>
#include <memory>
#include <nlohmann/json.hpp>
#include <stdexcept>

#include "base/safe_file.h"
#include "base/text.h"
#include "common.h"
#include "measure/dark_store.h"
#include "measure/open.h"

namespace irenic {

namespace {

using json = nlohmann::json;

struct Asked {
    std::vector<std::string> files;
    bool keep = false, forget = false, asJson = false;
};

int forget(const Asked& asked, const Work& work) {
    return forEachFile(asked.files, asked.asJson, [&](const std::string& file, json& all) {
        const int gone = forgetDarkFor(*readPhoto(file, work, Measure::Nothing));
        if (asked.asJson)
            all.push_back({{"file", shownPath(file)}, {"forgotten", gone}});
        else
            std::printf("%s: %d dark frame%s forgotten\n", shownPath(file).c_str(), gone,
                        gone == 1 ? "" : "s");
    });
}

int dark(const Asked& asked, const Work& work) {
    if (asked.forget) return forget(asked, work);
    const DarkFrame frame = *darkFrameFrom(asked.files, work);
    std::string kept;
    if (asked.keep) try {
            kept = shownPath(keep(frame));
        } catch (const WriteError& e) {
            throw std::runtime_error("The dark frame cannot be kept: " + std::string(e.what()));
        }
    if (asked.asJson) {
        print({{"camera", utf8Of(frame.camera)},
               {"iso", frame.iso},
               {"exposure", frame.exposure},
               {"width", frame.rawWidth},
               {"height", frame.rawHeight},
               {"frames", frame.frames},
               {"kept", kept.empty() ? json() : json(kept)}});
        return 0;
    }
    std::printf("%s, ISO %g, %g s, %d x %d: mean of %d dark frame%s\n", utf8Of(frame.camera).c_str(),
                frame.iso, frame.exposure, frame.rawWidth, frame.rawHeight, frame.frames,
                frame.frames == 1 ? "" : "s");
    if (!kept.empty()) std::printf("  kept: %s\n", kept.c_str());
    return 0;
}

} // namespace

CLI::Option* addDarkOption(CLI::App& command, std::vector<std::string>& files) {
    return command
        .add_option("--dark", files, "A raw taken with the lens covered; repeat for more, which are averaged")
        ->allow_extra_args(false);
}

std::optional<DarkFrame> darkFrameFrom(const std::vector<std::string>& files, const Work& work) {
    if (files.empty()) return {};
    return darkFrameOf({files.begin(), files.end()}, {work.stop});
}

void addDarkCommand(CLI::App& app, const Work& work, int& status) {
    const auto asked = std::make_shared<Asked>();
    auto* command = app.add_subcommand("dark", "Average raws that were taken with the lens covered");
    command->add_option("FILE", asked->files, "Dark frames of one camera, ISO and exposure")->required();
    auto* keep = command->add_flag("--keep", asked->keep,
                                   "Use it for photos of this camera, ISO and exposure from now on");
    command
        ->add_flag("--forget", asked->forget,
                   "Forget what is kept for the camera and ISO of FILE, which may be any raw of it")
        ->excludes(keep);
    command->add_flag("--json", asked->asJson);
    command->callback([asked, &work, &status] { status = dark(*asked, work); });
}

} // namespace irenic
