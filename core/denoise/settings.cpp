#include "denoise/settings.h"

#include "denoise/method.h"

namespace irenic {

namespace {

std::string methodName(const std::string& id) {
    const Method* method = findMethod(id);
    return method ? method->name() : id;
}

constexpr const char* kSharpening[] = {"look", "off", "fine", "medium", "wide", "widest"};
constexpr const char* kShownSharpening[] = {"Sharpening: look",   "Sharpening: off",    "Sharpening: 0.5 px",
                                            "Sharpening: 0.7 px", "Sharpening: 1.0 px", "Sharpening: 1.4 px"};

const Field<Settings> kFields[] = {
    {{"method", "Method", "method", "", 0, 0, 1, 0, "Separates noise from detail.", {}, {}, {}, methodName},
     &Settings::method},
    {{"luminance", "Luminance", "luminance", "×", 0, 3, 1, 2,
      "Luminance noise to remove; 1.00× is as much as was measured."},
     &Settings::luminance},
    {{"colour", "Colour", "colour", "×", 0, 3, 1, 2,
      "Colour noise to remove; 1.00× is as much as was measured."},
     &Settings::colour},
    {{"coarse", "CoarseColour", "coarse colour", "×", 0, 3, 1, 2,
      "Colour blotches of 8–64 px to remove. Needs Colour above 0."},
     &Settings::coarse},
    {{"detail", "Detail", "detail", " %", 0, 1, 100, 0,
      "Higher keeps more faint detail, and some noise with it."},
     &Settings::detail},
    {{"grain", "Grain", "grain", " %", 0, 1, 100, 0,
      "Puts some luminance noise back as grain. Colour noise stays out."},
     &Settings::grain},
    {{"mend", "Mended", "repair bad pixels and banding", "", 0, 1, 1, 0,
      "Repairs hot and dead pixels and lines of the read-out before noise reduction."},
     &Settings::mend},
    {{"sharpening", "Sharpening", "sharpening", "", 0, 5, 1, 0,
      "Undoes lens blur of this radius in this take alone, after noise reduction; or as the look does.",
      kSharpening, kShownSharpening},
     ChoiceMember<Settings>{[](const Settings& s) { return static_cast<int>(s.sharpening); },
                            [](Settings& s, int i) { s.sharpening = static_cast<TakeSharpening>(i); }}},
    {{"zones", "Zones", "zones", "", 0, 0, 1, 0,
      "Parts of the photo that are cleaned more or less than the rest."},
     TextMember<Settings>{[](const Settings& s) { return textOf(s.zones); },
                          [](Settings& s, const std::string& text) { s.zones = zonesFromText(text); }}},
};

} // namespace

template <> std::span<const Field<Settings>> fieldsOf<Settings>() { return kFields; }

Settings cleaningOf(Settings settings) {
    settings.sharpening = TakeSharpening::AsLook;
    for (Zone& zone : settings.zones) zone.sharpening = 1;
    return settings;
}

std::string problemWith(const Settings& s) {
    if (!findMethod(s.method)) return "there is no method \"" + s.method + "\"";
    return rangeProblem(s);
}

} // namespace irenic
