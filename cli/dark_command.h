// "irenic-cli dark": frames that were taken with the lens covered, and the option --dark of other commands.
#pragma once

#include <CLI/CLI.hpp>
#include <optional>
#include <string>
#include <vector>

#include "base/work.h"
#include "measure/dark_frame.h"

namespace irenic {

void addDarkCommand(CLI::App& app, const Work& work, int& status);

CLI::Option* addDarkOption(CLI::App& command, std::vector<std::string>& files);
// The mean of such files; none where there are none. Throws as darkFrameOf().
std::optional<DarkFrame> darkFrameFrom(const std::vector<std::string>& files, const Work& work);

} // namespace irenic
