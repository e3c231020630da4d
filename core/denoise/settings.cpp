#include "denoise/settings.h"

#include "denoise/method.h"

namespace irenic {

namespace {

const Field<Settings> kFields[] = {
    {{"method", "Method", "method", "", 0, 0, 1, 0, "How noise is told from picture."}, &Settings::method},
    {{"luminance", "Luminance", "luminance", "×", 0, 3, 1, 2,
      "Luminance noise to take away, as a factor of what was measured: 1.00× is as much as was measured."},
     &Settings::luminance},
    {{"colour", "Colour", "colour", "×", 0, 3, 1, 2,
      "Colour noise to take away, as a factor of what was measured."},
     &Settings::colour},
    {{"coarse", "CoarseColour", "coarse colour", "×", 0, 3, 1, 2,
      "Coarse colour noise to take away: blotches of 8 to 64 pixels. Works where colour is above 0."},
     &Settings::coarse},
    {{"detail", "Detail", "detail", " %", 0, 1, 100, 0,
      "How readily structure near the threshold is given back."},
     &Settings::detail},
    {{"grain", "Grain", "grain", " %", 0, 1, 100, 0,
      "Share of the removed luminance noise that is given back as grain. Colour noise never is."},
     &Settings::grain},
    {{"mend", "Mended", "mend defects", "", 0, 1, 1, 0,
      "Takes out hot and dead pixels and lines of the read-out first."},
     &Settings::mend},
};

} // namespace

template <> std::span<const Field<Settings>> fieldsOf<Settings>() { return kFields; }

std::string problemWith(const Settings& s) {
    if (!findMethod(s.method)) return "there is no method called \"" + s.method + "\"";
    return rangeProblem(s);
}

} // namespace irenic
