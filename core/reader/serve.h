// The process that decodes files for others (the program irenic-reader).
#pragma once

#include <cstdint>
#include <filesystem>
#include <functional>

namespace irenic {

// Answers requests at kReaderSocket until whoever asked is gone; the exit status. `memory`: see
// enterSandbox(). `before` is called with each file's name before it is decoded: what tests let a decoder do
// that was led astray.
int serveReadings(std::uint64_t memory, const std::function<void(const std::filesystem::path&)>& before = {});

} // namespace irenic
