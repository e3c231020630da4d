#include "judge/file_checks.h"

#include <stdexcept>

#include "denoise/clean.h"

namespace irenic {

bool isComparable(const Photo& file, const Photo& photo) {
    return file.hasMosaic() == photo.hasMosaic() && file.monochrome == photo.monochrome &&
           file.xtrans.has_value() == photo.xtrans.has_value() && file.developed == photo.developed &&
           file.width() == photo.width() && file.height() == photo.height() &&
           (!photo.hasMosaic() || file.mosaic.site == photo.mosaic.site);
}

std::vector<Finding> checksOfFile(const Photo& photo, const PhotoPtr& file, const Settings& settings,
                                  const Work& work) {
    if (!isComparable(*file, photo)) throw std::invalid_argument(kNotComparable);
    return checksOf(
        photo, [&](const Rect& area, const Work& part) { return cleanRegion(*file, settings, area, part); },
        work);
}

} // namespace irenic
