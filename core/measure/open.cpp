#include "measure/open.h"

#include <algorithm>
#include <new>

#include "base/text.h"
#include "measure/noise.h"
#include "measure/pattern.h"
#include "measure/smoothing.h"
#include "measure/unevenness.h"
#include "raw/identity.h"
#include "reader/reader.h"

namespace irenic {

namespace {

// Where nothing is flat, and the file states no other noise than is likely, it is right: cameras state their
// noise from measurements of their own. Texture adds to what is measured, and the check that takes it off can
// take too much. Where flat places were found, what was measured counts, whatever the file states.
void believeStated(Photo& photo) {
    constexpr double kDoubtful = 0.05, kGrey = 0.18, kSure = 1.05;
    if (!photo.statedNoise || photo.noiseDoubt < kDoubtful) return;
    const double stated = photo.statedNoise->channel[1].sigma(kGrey),
                 measured = photo.noise.channel[1].sigma(kGrey),
                 least = measured * std::max(0.3, 1 - 2 * photo.noiseDoubt - 0.1),
                 most = measured * (kSure + photo.noiseDoubt);
    if (stated < least || stated > most) return;
    photo.noise = *photo.statedNoise, photo.noiseStated = true, photo.noiseDoubt = 0;
}

// Noise and its unevenness rest on each other.
void measureSensorNoise(Photo& photo, const Work& work) {
    constexpr int kRounds = 2;
    photo.noise = measureNoise(photo, work, &photo.noiseDoubt);
    photo.unevenness = unevennessOf(photo, work);
    for (int round = 0; round < kRounds && !photo.unevenness.none(); ++round) {
        photo.noise = measureNoise(photo, work, &photo.noiseDoubt);
        photo.unevenness = refinedUnevenness(photo, work);
    }
}

} // namespace

void measure(Photo& photo, const Work& work) {
    photo.unevenness = {};
    if (photo.hasMosaic()) {
        photo.smoothing = smoothingOf(photo, work);
        if (!photo.smoothing.none()) photo.unsmoothed = unsmoothedSamples(photo, photo.smoothing, work);
        // Noise and pattern are the sensor's: they are measured on what it gave.
        const bool smoothed = !photo.unsmoothed.empty();
        if (smoothed) std::swap(photo.samples, photo.unsmoothed);
        measureSensorNoise(photo, work);
        // The file states what is left of the noise, if anything, and the same for all places.
        if (!smoothed && photo.unevenness.none()) believeStated(photo);
        photo.pattern = measurePattern(photo, work);
        photo.mended = mendedSamples(photo, photo.pattern);
        if (smoothed) std::swap(photo.samples, photo.unsmoothed);
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
