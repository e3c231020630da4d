// The process that decodes files for others (the program irenic-reader).
#pragma once

#include <cstdint>

namespace irenic {

// Answers requests at kReaderSocket until whoever asked is gone; the exit status. `memory`: see raiseWalls().
int serveReadings(std::uint64_t memory);

} // namespace irenic
