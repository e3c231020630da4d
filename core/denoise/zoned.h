// Planes cleaned by a take with zones: each zone's own settings, blended by its mask.
#pragma once

#include "denoise/method.h"
#include "denoise/settings.h"
#include "noise/clipped.h"
#include "raw/photo.h"

namespace irenic {

// The take's settings as a zone has them.
Settings settingsIn(const Zone& zone, const Settings& take);

// A take with its zones, over an area of packed places.
struct Zoned {
    PlaneSet clean;
    // What clipping took from the means of each channel and is given back; the same for all places where the
    // planes are empty.
    ClippedShares shares;
    PlaneSet darkShares, whiteShares;
    float grain = 0; // of the noise, that is put back; one value for all where `grains` is empty
    Plane grains;

    ClippedShares sharesAt(std::size_t channel, int x, int y) const {
        if (darkShares.area.empty()) return shares;
        return {darkShares.rowAt(channel, y)[x], whiteShares.rowAt(channel, y)[x]};
    }
    float grainAt(int x, int y) const {
        return grains.empty() ? grain : grains.at(x - clean.area.x, y - clean.area.y);
    }
    bool anyGrain() const { return grain > 0 || !grains.empty(); }
};

// cleanPlanes() with the take's zones. `noisy` covers `area` inflated by planesMargin(settings). Only what is
// seen of the area is cleaned. Throws Cancelled.
Zoned cleanZones(const Photo& photo, const PlaneSet& noisy, const Settings& settings, const Rect& area,
                 const Work& work);

} // namespace irenic
