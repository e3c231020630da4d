#include "measure/open.h"

#include <new>

#include "base/text.h"
#include "measure/noise.h"
#include "measure/pattern.h"
#include "raw/identity.h"
#include "reader/reader.h"

namespace irenic {

void measure(Photo& photo, const Work& work) {
    if (photo.hasMosaic()) {
        photo.noise = measureNoise(photo, work);
        photo.pattern = measurePattern(photo, work);
        photo.mended = mendedSamples(photo, photo.pattern);
    } else {
        photo.noise = measureCorrelatedNoise(photo, photo.coarseNoise, work);
    }
    photo.samplesDigest = samplesDigestOf(photo);
    photo.id = idOf(photo);
}

PhotoPtr readPhoto(const std::filesystem::path& file, const Work& work, Measure what) {
    const std::shared_ptr<Photo> photo = readSandboxed(file, work);
    try {
        if (what == Measure::Noise) measure(*photo, work);
    } catch (const std::bad_alloc&) {
        throw PhotoError(shownName(file) + ": there is not enough memory for it.");
    }
    work.report(1);
    return photo;
}

} // namespace irenic
