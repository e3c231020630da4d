#include "session/take.h"

#include <cstdio>
#include <sstream>
#include <stdexcept>

namespace irenic {

Settings settingsFromText(const std::string& text) {
    std::istringstream parts(text);
    Settings settings;
    std::string part;
    if (!std::getline(parts, settings.method, ',')) settings.method.clear();
    while (std::getline(parts, part, ',')) {
        const auto equals = part.find('=');
        const std::string key = part.substr(0, equals),
                          value = equals == std::string::npos ? "" : part.substr(equals + 1);
        float number = 0;
        std::size_t used = 0;
        try {
            number = std::stof(value, &used);
        } catch (const std::exception&) {
            used = 0;
        }
        if (value.empty() || used != value.size())
            throw std::invalid_argument("\"" + part + "\" is not name=number");
        if (key == "luminance")
            settings.luminance = number;
        else if (key == "colour")
            settings.colour = number;
        else if (key == "detail")
            settings.detail = number;
        else if (key == "grain")
            settings.grain = number;
        else if (key == "mend")
            settings.mend = number != 0;
        else if (key == "coarse")
            settings.coarse = number;
        else
            throw std::invalid_argument(
                "a take has luminance, colour, coarse, detail, grain and mend, but no \"" + key + "\"");
    }
    if (const std::string problem = problemWith(settings); !problem.empty())
        throw std::invalid_argument(problem);
    return settings;
}

std::string textOf(const Settings& s) {
    char text[160];
    std::snprintf(text, sizeof text, "%s,luminance=%g,colour=%g,coarse=%g,detail=%g,grain=%g,mend=%d",
                  s.method.c_str(), static_cast<double>(s.luminance), static_cast<double>(s.colour),
                  static_cast<double>(s.coarse), static_cast<double>(s.detail), static_cast<double>(s.grain),
                  s.mend ? 1 : 0);
    return text;
}

} // namespace irenic
