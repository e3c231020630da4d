// Which libraries the program runs with.
#pragma once

#include <string>
#include <utility>
#include <vector>

namespace irenic {

// Names and versions, as the libraries that are loaded say them.
std::vector<std::pair<std::string, std::string>> libraryVersions();

} // namespace irenic
