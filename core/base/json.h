// JSON that somebody else may have written.
#pragma once

#include <nlohmann/json.hpp>
#include <optional>
#include <stdexcept>
#include <string>

namespace irenic {

// What no honest file of ours comes near.
inline constexpr int kDeepestJson = 24; // objects and lists within each other
inline constexpr std::size_t kMostJsonValues = 3'000'000;
inline constexpr std::size_t kLongestJsonText = 1 << 20; // bytes of one text

struct JsonError : std::runtime_error {
    using std::runtime_error::runtime_error;
};

// The value. Throws JsonError, with words without a file's name: it is no JSON, or beyond the limits. Nothing
// is kept of what lies too deep, so that no later copy or walk can run out of stack.
nlohmann::json jsonFrom(const std::string& text);

// A whole number that lies within the limits; none where it is another kind of value, or outside.
std::optional<long long> wholeNumber(const nlohmann::json& value, long long least, long long most);

} // namespace irenic
