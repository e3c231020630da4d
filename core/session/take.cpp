#include "session/take.h"

#include <sstream>
#include <stdexcept>

#include "base/text.h"

namespace irenic {

Settings settingsFromText(const std::string& text) {
    // From the first zone on all is the zones'.
    const auto zones = text.find(",zone=");
    std::istringstream parts(text.substr(0, zones));
    Settings settings;
    if (zones != std::string::npos) settings.zones = zonesFromText(text.substr(zones + 1));
    std::string part;
    if (!std::getline(parts, settings.method, ',')) settings.method.clear();
    while (std::getline(parts, part, ',')) {
        const auto equals = part.find('=');
        const std::string id = part.substr(0, equals),
                          value = equals == std::string::npos ? "" : part.substr(equals + 1);
        const Field<Settings>* field = findField<Settings>(id);
        if (!field || id == "method" || id == "zones") {
            std::vector<std::string> all;
            for (const Field<Settings>& f : fieldsOf<Settings>().subspan(1))
                all.emplace_back(f.id == std::string("zones") ? "zone" : f.id);
            throw std::invalid_argument("unknown setting \"" + id + "\": use " + joined(all));
        }
        setFromText(*field, settings, value);
    }
    if (const std::string problem = problemWith(settings); !problem.empty())
        throw std::invalid_argument(problem);
    return settings;
}

std::string textOf(const Settings& s) {
    std::string out = s.method;
    static const Settings usual;
    for (const Field<Settings>& f : fieldsOf<Settings>().subspan(1)) {
        const bool isZones = std::holds_alternative<TextMember<Settings>>(f.member);
        const bool isChoice = std::holds_alternative<ChoiceMember<Settings>>(f.member);
        // A choice is written where one was made: former versions do not know it.
        if (isZones || (isChoice && sameField(f, s, usual))) continue;
        out += "," + std::string(f.id) + "=" + valueText(f, s);
    }
    return s.zones.empty() ? out : out + "," + textOf(s.zones);
}

std::string shownTake(const Settings& settings) {
    static const Settings usual;
    std::string out = settings.method;
    for (const Field<Settings>& f : fieldsOf<Settings>()) {
        if (std::string(f.id) == "method" || sameField(f, settings, usual)) continue;
        // Zones have a text that only a program reads.
        const bool isNumber = !std::holds_alternative<TextMember<Settings>>(f.member);
        out += ", " + std::string(f.label) + (isNumber ? " " + shownValue(f, settings) : "");
    }
    return out;
}

} // namespace irenic
