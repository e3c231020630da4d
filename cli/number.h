// Numbers on the command line.
#pragma once

#include <CLI/CLI.hpp>
#include <cmath>
#include <cstdlib>

namespace irenic {

// Within a range, and a number at all: CLI::Range lets "nan" through.
inline CLI::Validator between(double least, double most) {
    return CLI::Validator(
        [least, most](const std::string& text) -> std::string {
            char* end = nullptr;
            const double v = std::strtod(text.c_str(), &end);
            if (end != text.c_str() && *end == '\0' && std::isfinite(v) && v >= least && v <= most) return {};
            return "\"" + text + "\" is no number from " + CLI::detail::to_string(least) + " to " +
                   CLI::detail::to_string(most);
        },
        "NUMBER");
}

} // namespace irenic
