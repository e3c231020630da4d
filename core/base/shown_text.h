// Words of the core that a person reads in the window. The core says them in English, and so does the command
// line; the window says them in its own language (app/said.h).
#pragma once

#include <initializer_list>
#include <string>

// Marks such words, so that app/languages/update finds them. Values stand in them as %1, %2 and so on.
#define IRENIC_TEXT(...) __VA_ARGS__

namespace irenic {

// The words with their values, of which there are nine at most.
std::string filled(const char* words, std::initializer_list<std::string> values);

} // namespace irenic
