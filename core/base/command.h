// A command of the person's, run on a file.
#pragma once

#include <filesystem>
#include <stop_token>
#include <string>
#include <vector>

namespace irenic {

// Its words: parted by spaces, but for what stands between double quotes; {file} becomes the file's path, and
// without {file} the path comes last. Empty where the command is. No shell reads it, so that no name of a
// file can do anything.
std::vector<std::string> wordsOf(const std::string& command, const std::filesystem::path& file);

// Runs it, and waits until it ends: at most `seconds`, after which it is left alone (a viewer stays open).
// Told to stop, it is ended. Returns why it did not do what it was to do, as a sentence; empty: it did.
std::string runCommand(const std::string& command, const std::filesystem::path& file, int seconds,
                       const std::stop_token& stop = {});

} // namespace irenic
