// How large a file will be and how long it will take, before it is made.
//
// Bands of the photo's own rows, spread from top to bottom, go through the whole way into a real file: what a
// take leaves for a compressor, and what this machine does in a second, are measured and not guessed. What
// real exports then took corrects later estimates of the same kind on this machine.
#pragma once

#include "deliver/delivery.h"

namespace irenic {

struct Estimate {
    double bytes = 0, seconds = 0;
};

// Takes about as long as a tenth of the export. Throws what exportFile() throws.
Estimate estimate(const Export& what, const Work& work = {});
// What an export that was estimated really took: remembered in $XDG_STATE_HOME/irenic/speed.json.
void noteTaken(const Export& what, const Estimate& estimated, double seconds);

} // namespace irenic
