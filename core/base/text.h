// Text from files and file systems, which may be in any encoding, as text that can be shown and stored.
#pragma once

#include <filesystem>
#include <string>
#include <vector>

namespace irenic {

// `bytes` themselves where they are valid UTF-8 without control characters other than line ends and tabs;
// otherwise control characters are dropped and all else is read as ISO 8859-1, as older cameras write it.
std::string utf8Of(const std::string& bytes);

// The last part of a path, for messages: bytes that are not UTF-8 stand as \xNN, so that the name can still
// be told.
std::string shownName(const std::filesystem::path& file);
// Likewise the whole path.
std::string shownPath(const std::filesystem::path& file);

// "a, b, c": a list as a sentence has it.
std::string joined(const std::vector<std::string>& words);

} // namespace irenic
