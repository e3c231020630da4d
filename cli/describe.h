// What the command line says of itself for man and for bash, made from the same table as --help.
#pragma once

#include <CLI/CLI.hpp>
#include <string>

namespace irenic {

// A page for section 1, in the macros of man(7).
std::string manPageOf(const CLI::App& app, const std::string& version);

// A script for bash-completion: commands, then a command's options, then files.
std::string completionOf(const CLI::App& app);

} // namespace irenic
