#include "deliver/profiles.h"

#include <lcms2.h>

#include <algorithm>
#include <iterator>
#include <stdexcept>

namespace irenic {

const char* nameOf(OutputSpace space) {
    switch (space) {
    case OutputSpace::AdobeRgbCompatible: return "Adobe RGB compatible";
    case OutputSpace::ProPhotoCompatible: return "ProPhoto compatible";
    case OutputSpace::LinearRec2020: return "linear Rec. 2020";
    case OutputSpace::Srgb: break;
    }
    return "sRGB";
}

std::vector<std::uint8_t> iccProfile(OutputSpace space) {
    cmsCIExyY white{0.3127, 0.3290, 1};
    cmsCIExyYTRIPLE primaries{{0.64, 0.33, 1}, {0.30, 0.60, 1}, {0.15, 0.06, 1}};
    cmsToneCurve* curve = nullptr;
    switch (space) {
    case OutputSpace::Srgb: {
        const double p[5] = {2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045};
        curve = cmsBuildParametricToneCurve(nullptr, 4, p);
        break;
    }
    case OutputSpace::AdobeRgbCompatible:
        primaries.Green = {0.21, 0.71, 1};
        curve = cmsBuildGamma(nullptr, 563.0 / 256.0);
        break;
    case OutputSpace::LinearRec2020:
        primaries = {{0.708, 0.292, 1}, {0.170, 0.797, 1}, {0.131, 0.046, 1}};
        curve = cmsBuildGamma(nullptr, 1);
        break;
    case OutputSpace::ProPhotoCompatible: {
        white = {0.3457, 0.3585, 1};
        primaries = {{0.7347, 0.2653, 1}, {0.1596, 0.8404, 1}, {0.0366, 0.0001, 1}};
        const double p[5] = {1.8, 1, 0, 1 / 16.0, 16.0 / 512.0};
        curve = cmsBuildParametricToneCurve(nullptr, 4, p);
        break;
    }
    }
    cmsToneCurve* three[3] = {curve, curve, curve};
    cmsHPROFILE profile = cmsCreateRGBProfile(&white, &primaries, three);
    cmsFreeToneCurve(curve);
    if (!profile) throw std::runtime_error("the colour profile could not be made");
    cmsMLU* text = cmsMLUalloc(nullptr, 1);
    cmsMLUsetASCII(text, "en", "US", nameOf(space));
    cmsWriteTag(profile, cmsSigProfileDescriptionTag, text);
    cmsMLUfree(text);
    cmsUInt32Number size = 0;
    cmsSaveProfileToMem(profile, nullptr, &size);
    std::vector<std::uint8_t> bytes(size);
    cmsSaveProfileToMem(profile, bytes.data(), &size);
    cmsCloseProfile(profile);
    // The header's date (ICC.1:2010, 7.2.8) is the day of the mill's first photo and not this second: the
    // same picture gives the same file.
    constexpr std::uint8_t kDate[12] = {2026 >> 8, 2026 & 255, 0, 1, 0, 15, 0, 0, 0, 0, 0, 0};
    if (bytes.size() > 36) std::copy(std::begin(kDate), std::end(kDate), bytes.begin() + 24);
    return bytes;
}

} // namespace irenic
