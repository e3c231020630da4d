// irenic-cli queue and work: the queue that the window fills, without a window.
#pragma once

#include "base/work.h"

namespace CLI {
class App;
}

namespace irenic {

void addQueueCommands(CLI::App& app, const Work& work, int& status);

} // namespace irenic
