#include "measure/open.h"

#include <algorithm>
#include <new>
#include <optional>

#include "base/shown_text.h"
#include "base/text.h"
#include "measure/camera_notes.h"
#include "measure/dark_frame.h"
#include "measure/dark_store.h"
#include "measure/masked_black.h"
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

// Empty where no frame is at hand, or where the photo confirms nothing of it.
std::vector<std::uint16_t> samplesWithoutDark(Photo& photo, Known known, const DarkFrame* given,
                                              const Work& work) {
    if (given && !given->fits(photo))
        throw PhotoError(
            shownName(photo.file) + ": " +
            IRENIC_TEXT("the dark frame is of another camera, ISO or size. Take dark frames with the "
                        "settings of the photo."));
    // A cleaned DNG has lost it already (DNG 1.6, NoiseReductionApplied).
    const TagEntry* reduced = photo.metadata.dng(0xc6f7);
    const bool cleaned = reduced && reduced->number() > 0;
    const auto kept = !given && known == Known::Camera && !cleaned ? keptDarkFor(photo) : nullptr;
    const DarkFrame* dark = given ? given : kept.get();
    if (!dark) return {};
    WithoutDark without = withoutDark(photo, *dark, work);
    photo.dark = without.told;
    return std::move(without.samples);
}

} // namespace

void measure(Photo& photo, const Work& work, Known known, const Given& given) {
    photo.unevenness = {}, photo.noiseFrom = NoiseFrom::Photo;
    if (photo.hasMosaic()) {
        correctBlack(photo);
        const auto notes = known == Known::Camera ? keptNotesFor(photo) : std::nullopt;
        // Noise and pattern are the sensor's: they are measured on what it gave, which stands in for the
        // samples meanwhile.
        std::vector<std::uint16_t> asStored;
        const auto replace = [&](std::vector<std::uint16_t> samples) {
            if (samples.empty()) return;
            if (asStored.empty()) asStored = std::move(photo.samples);
            photo.samples = std::move(samples);
        };
        replace(samplesWithoutDark(photo, known, given.dark, work));
        photo.smoothing = smoothingOf(photo, work);
        if (!photo.smoothing.none()) replace(unsmoothedSamples(photo, photo.smoothing, work));
        measureSensorNoise(photo, work);
        // Others tell the noise of samples as they are stored, and the same for all places.
        if (asStored.empty() && photo.unevenness.none()) {
            if (given.noise)
                photo.noise = *given.noise, photo.noiseFrom = NoiseFrom::Camera, photo.noiseDoubt = 0;
            else
                believeOthers(photo, notes);
        }
        photo.pattern =
            measurePattern(photo, work, notes ? notes->defects : std::vector<std::array<int, 2>>{});
        photo.mended = mendedSamples(photo, photo.pattern);
        if (!asStored.empty()) photo.sensor = std::move(photo.samples), photo.samples = std::move(asStored);
    } else {
        photo.noise = measureCorrelatedNoise(photo, photo.coarseNoise, work);
    }
    photo.samplesDigest = samplesDigestOf(photo);
    photo.id = idOf(photo);
}

PhotoPtr readPhoto(const std::filesystem::path& file, const Work& work, Measure what, const Given& given) {
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
