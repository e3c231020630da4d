// What photographs of one camera at one ISO say of its sensor together, and where that is kept.
//
// A photo in which nothing is flat cannot tell its own noise; others of the same camera can. A sample that is
// a defect in several photos is one, whatever the picture shows there.
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "noise/smoothing.h"
#include "noise/unevenness.h"
#include "raw/photo.h"

namespace irenic {

// What one measured photo adds.
struct CameraSample {
    std::string camera;
    double iso = 0;
    int width = 0, height = 0; // of the active area
    double range = 1;          // raw values from black to white
    NoiseModel noise;
    double doubt = 0; // Photo::noiseDoubt
    Smoothing smoothing;
    Unevenness unevenness;
    double rowSigma = 0, columnSigma = 0;
    int deadColumns = 0, deadRows = 0;
    std::vector<std::array<int, 2>> defects; // x, y; in reading order
};

// Throws std::invalid_argument with a sentence for a photo without a mosaic, a camera or an ISO.
CameraSample sampleOf(const Photo& photo);

struct CameraNotes {
    std::string camera;
    double iso = 0;
    int width = 0, height = 0;
    double range = 1;
    int photos = 0, sure = 0; // that it rests on, and of those the ones with flat places
    NoiseModel noise;         // medians over the sure ones, of the variance at black and at mid-grey
    double spread = 0;        // the largest difference of one of them from that, of the deviation at mid-grey
    Smoothing smoothing;      // medians over all from here on
    Unevenness unevenness;
    double rowSigma = 0, columnSigma = 0;
    int deadColumns = 0, deadRows = 0;
    std::vector<std::array<int, 2>> defects; // in at least two photos and half of them all

    // Of green: what a sensor's data sheet would say.
    double electronsAtWhite() const { return 1 / noise.channel[1].a; }
    double electronsOfReading() const { return std::sqrt(noise.channel[1].b) / noise.channel[1].a; }
};

// One for each camera, ISO and size of frame, in the order of their first samples.
std::vector<CameraNotes> notesOn(const std::vector<CameraSample>& samples);

// Keeps notes for the photos to come, in place of those of the same camera, ISO and size of frame:
// $XDG_DATA_HOME/irenic/cameras. Returns the file. Throws WriteError with a sentence.
std::filesystem::path keep(const CameraNotes& notes);
// What was kept of a photo's camera at its ISO and size; nothing where nothing was, or where the file cannot
// be read as such.
std::optional<CameraNotes> keptNotesFor(const Photo& photo);

} // namespace irenic
