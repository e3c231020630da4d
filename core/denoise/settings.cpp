#include "denoise/settings.h"

#include "base/shown_text.h"
#include "denoise/method.h"

namespace irenic {

namespace {

std::string methodName(const std::string& id) {
    const Method* method = findMethod(id);
    return method ? method->name() : id;
}

constexpr const char* kSharpening[] = {"look", "off", "fine", "medium", "wide", "widest"};
constexpr const char* kShownSharpening[] = {
    IRENIC_TEXT("Sharpening: look"),   IRENIC_TEXT("Sharpening: off"),    IRENIC_TEXT("Sharpening: 0.5 px"),
    IRENIC_TEXT("Sharpening: 0.7 px"), IRENIC_TEXT("Sharpening: 1.0 px"), IRENIC_TEXT("Sharpening: 1.4 px")};

const Field<Settings> kFields[] = {
    {{"method",
      "Method",
      IRENIC_TEXT("method"),
      "",
      0,
      0,
      1,
      0,
      IRENIC_TEXT("Separates noise from detail."),
      {},
      {},
      {},
      methodName},
     &Settings::method},
    {{"luminance", "Luminance", IRENIC_TEXT("luminance"), "×", 0, 3, 1, 2,
      IRENIC_TEXT("Luminance noise to remove; 1.00× is as much as was measured.")},
     &Settings::luminance},
    {{"colour", "Colour", IRENIC_TEXT("colour"), "×", 0, 3, 1, 2,
      IRENIC_TEXT("Colour noise to remove; 1.00× is as much as was measured.")},
     &Settings::colour},
    {{"coarse", "CoarseColour", IRENIC_TEXT("coarse colour"), "×", 0, 3, 1, 2,
      IRENIC_TEXT("Colour blotches of 8–64 px to remove. Needs Colour above 0.")},
     &Settings::coarse},
    {{"detail", "Detail", IRENIC_TEXT("detail"), " %", 0, 1, 100, 0,
      IRENIC_TEXT("Higher keeps more faint detail, and some noise with it.")},
     &Settings::detail},
    {{"grain", "Grain", IRENIC_TEXT("grain"), " %", 0, 1, 100, 0,
      IRENIC_TEXT("Puts some luminance noise back as grain. Colour noise stays out.")},
     &Settings::grain},
    {{"mend", "Mended", IRENIC_TEXT("repair bad pixels and banding"), "", 0, 1, 1, 0,
      IRENIC_TEXT("Repairs hot and dead pixels and lines of the read-out before noise reduction.")},
     &Settings::mend},
    {{"sharpening", "Sharpening", IRENIC_TEXT("sharpening"), "", 0, 5, 1, 0,
      IRENIC_TEXT(
          "Undoes lens blur of this radius in this take alone, after noise reduction; or as the look does."),
      kSharpening, kShownSharpening},
     ChoiceMember<Settings>{[](const Settings& s) { return static_cast<int>(s.sharpening); },
                            [](Settings& s, int i) { s.sharpening = static_cast<TakeSharpening>(i); }}},
    {{"zones", "Zones", IRENIC_TEXT("zones"), "", 0, 0, 1, 0,
      IRENIC_TEXT("Parts of the photo that are cleaned more or less than the rest.")},
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
