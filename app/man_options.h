// What the manual page says of the program's options, from the sentences that --help shows.
#pragma once

#include <QCommandLineOption>
#include <string>
#include <vector>

namespace irenic {

// Entries in the macros of man(7), one for each option, in their order.
std::string manOptionsOf(const std::vector<QCommandLineOption>& options);

} // namespace irenic
