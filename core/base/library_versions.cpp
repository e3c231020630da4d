#include "base/library_versions.h"

#include <exiv2/exiv2.hpp>
#include <jxl/decode.h>
#include <lcms2.h>
#include <libraw/libraw.h>
#include <png.h>
#include <sqlite3.h>
#include <tiffio.h>

namespace irenic {

namespace {

// "2.14" of 2140, as Little CMS counts; "0.7.0" of 7000, as libjxl does.
std::string dotted(int major, int minor) { return std::to_string(major) + "." + std::to_string(minor); }

} // namespace

std::vector<std::pair<std::string, std::string>> libraryVersions() {
    const std::string tiff = TIFFGetVersion();
    const auto jxl = static_cast<int>(JxlDecoderVersion());
    const int lcms = cmsGetEncodedCMMversion();
    return {{"LibRaw", LibRaw::version()},
            {"Exiv2", Exiv2::versionString()},
            {"SQLite", sqlite3_libversion()},
            {"Little CMS", dotted(lcms / 1000, lcms % 1000 / 10)},
            {"libtiff", tiff.substr(0, tiff.find('\n'))},
            {"libpng", png_get_libpng_ver(nullptr)},
            {"libjxl", dotted(jxl / 1000000, jxl / 1000 % 1000)}};
}

} // namespace irenic
