// Where dark frames are kept for the photos to come: $XDG_DATA_HOME/irenic/darks.
#pragma once

#include <filesystem>
#include <memory>

#include "measure/dark_frame.h"

namespace irenic {

// Keeps a frame, in place of one of the same camera, ISO, size and exposure.
// Returns the file. Throws WriteError with a sentence.
std::filesystem::path keep(const DarkFrame& dark);
// Of what is kept for a photo's camera, ISO and frame the one whose exposure is nearest, and at most four
// times longer or shorter; null where there is none, or where its file cannot be read as such.
std::shared_ptr<const DarkFrame> keptDarkFor(const Photo& photo);
// Removes what is kept for a photo's camera, ISO and frame, whatever the exposure. Returns how many that
// were. Throws WriteError.
int forgetDarkFor(const Photo& photo);

} // namespace irenic
