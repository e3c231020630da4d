// irenic-cli layers.
#pragma once

#include <CLI/CLI.hpp>

#include "base/work.h"

namespace irenic {

// `app`, `work` and `status` are kept and have to outlive the command line's parsing.
void addLayersCommand(CLI::App& app, const Work& work, int& status);

} // namespace irenic
