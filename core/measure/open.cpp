#include "measure/open.h"

#include <algorithm>
#include <new>
#include <optional>

#include "base/shown_text.h"
#include "base/text.h"
#include "measure/camera_notes.h"
#include "measure/noise.h"
#include "measure/pattern.h"
#include "measure/smoothing.h"
#include "measure/unevenness.h"
#include "raw/identity.h"
#include "reader/reader.h"

namespace irenic {

namespace {

// Whether somebody else's word on the noise is taken: where nothing is flat, and it is no other noise than is
// likely. Texture adds to what is measured, and the check that takes it off can take too much. Where flat
// places were found, what was measured counts, whatever anybody states.
bool isBelieved(const Photo& photo, const NoiseModel& stated) {
    constexpr double kDoubtful = 0.05, kGrey = 0.18, kSure = 1.05;
    if (photo.noiseDoubt < kDoubtful) return false;
    const double said = stated.channel[1].sigma(kGrey), measured = photo.noise.channel[1].sigma(kGrey),
                 least = measured * std::max(0.3, 1 - 2 * photo.noiseDoubt - 0.1),
                 most = measured * (kSure + photo.noiseDoubt);
    return said >= least && said <= most;
}

// Other photos of the camera, measured here, before what the file states.
void believeOthers(Photo& photo, const std::optional<CameraNotes>& known) {
    if (known && known->sure > 0 && isBelieved(photo, known->noise)) {
        photo.noise = known->noise, photo.noiseFrom = NoiseFrom::Camera, photo.noisePhotos = known->sure;
        photo.noiseDoubt = 0;
    } else if (photo.statedNoise && isBelieved(photo, *photo.statedNoise)) {
        photo.noise = *photo.statedNoise, photo.noiseFrom = NoiseFrom::File, photo.noiseDoubt = 0;
    }
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

void measure(Photo& photo, const Work& work, Known known, const NoiseModel* given) {
    photo.unevenness = {}, photo.noiseFrom = NoiseFrom::Photo;
    if (photo.hasMosaic()) {
        const auto notes = known == Known::Camera ? keptNotesFor(photo) : std::nullopt;
        photo.smoothing = smoothingOf(photo, work);
        if (!photo.smoothing.none()) photo.unsmoothed = unsmoothedSamples(photo, photo.smoothing, work);
        // Noise and pattern are the sensor's: they are measured on what it gave.
        const bool smoothed = !photo.unsmoothed.empty();
        if (smoothed) std::swap(photo.samples, photo.unsmoothed);
        measureSensorNoise(photo, work);
        // The file states what is left of the noise, if anything, and the same for all places.
        if (!smoothed && photo.unevenness.none() && !given) believeOthers(photo, notes);
        if (!smoothed && photo.unevenness.none() && given)
            photo.noise = *given, photo.noiseFrom = NoiseFrom::Camera, photo.noiseDoubt = 0;
        photo.pattern =
            measurePattern(photo, work, notes ? notes->defects : std::vector<std::array<int, 2>>{});
        photo.mended = mendedSamples(photo, photo.pattern);
        if (smoothed) std::swap(photo.samples, photo.unsmoothed);
    } else {
        photo.noise = measureCorrelatedNoise(photo, photo.coarseNoise, work);
    }
    photo.samplesDigest = samplesDigestOf(photo);
    photo.id = idOf(photo);
}

PhotoPtr readPhoto(const std::filesystem::path& file, const Work& work, Measure what,
                   const NoiseModel* given) {
    const std::shared_ptr<Photo> photo = readSandboxed(file, work);
    try {
        if (what != Measure::Nothing)
            measure(*photo, work, what == Measure::NoiseAlone ? Known::Nothing : Known::Camera, given);
    } catch (const std::bad_alloc&) {
        throw PhotoError(shownName(file) + ": " + IRENIC_TEXT("there is not enough memory for it."));
    }
    work.report(1);
    return photo;
}

} // namespace irenic
