// Figures and pictures that benches put into docs/.
#pragma once

#include <filesystem>
#include <string>

namespace irenic {

// Puts text between the lines <!-- NAME --> and <!-- end of NAME --> of a Markdown file. Throws
// std::runtime_error where they are not there or the file cannot be written.
void putInto(const std::filesystem::path& document, const std::string& name, const std::string& text);

// The judged columns of a training's log (training/log.csv) over its steps, as a picture: one curve for each.
// Throws std::runtime_error.
void drawLearning(const std::filesystem::path& log, const std::string& title,
                  const std::filesystem::path& picture);

} // namespace irenic
