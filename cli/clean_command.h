// irenic-cli clean: cleaned copies of photos.
#pragma once

#include "base/work.h"

namespace CLI {
class App;
}

namespace irenic {

// Adds the command; its exit status goes into `status`.
void addCleanCommand(CLI::App& app, const Work& work, int& status);

} // namespace irenic
