// What the commands share.
#pragma once

#include <functional>
#include <nlohmann/json_fwd.hpp>
#include <stdexcept>
#include <string>
#include <vector>

#include "session/sidecar.h"

namespace irenic {

// Exit status 2, with a sentence.
struct WrongUsage : std::runtime_error {
    using std::runtime_error::runtime_error;
};

void print(const nlohmann::json& all);
// Does `one` for each file, which adds to the list what there is to say; a failure does not stop the others.
// Only a request to stop does.
int forEachFile(const std::vector<std::string>& files, bool asJson,
                const std::function<void(const std::string&, nlohmann::json&)>& one);
// What checking found worst, as JSON.
nlohmann::json worstFound(double severity, const std::string& sentence);
// A take as text ("bm3d,luminance=1"), a preset's name or file, or a sidecar.
Preset takeFrom(const std::string& text);
Look lookOf(const std::string& text);
// Photos of folders, and of patterns that the shell has left; everything else as it is.
std::vector<std::string> expanded(const std::vector<std::string>& names);

} // namespace irenic
