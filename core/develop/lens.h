// What a lens did to a picture, and where its pixels belong: from the photo's own opcodes where it carries
// them, else from the lens database of the lensfun library.
#pragma once

#include <filesystem>
#include <memory>
#include <string>

#include "develop/look.h"
#include "image/place.h"
#include "raw/opcodes.h"
#include "raw/photo.h"

namespace irenic {

// Coordinates are pixels of the active area. Thread-safe.
class Lens {
  public:
    virtual ~Lens() = default;
    virtual bool hasVignetting() const { return false; }
    virtual bool hasChromatic() const { return false; }
    virtual bool hasDistortion() const { return false; }
    // Where the lens put what belongs at (x + i, y), i = 0..n-1: pairs x, y.
    virtual void sources(double x, double y, int n, float* pairs) const;
    // How far from green's place (x + i, y) the lens put red (0) or blue (2): pairs dx, dy.
    virtual void shifts(int colour, double x, double y, int n, float* pairs) const;
    // Factors that even out the light at (x + i, y). A gain map's are not among them: see
    // LensFound::gainMaps.
    virtual void gains(double x, double y, int n, float* factors) const;
};

// The lens of the photo as far as it is known. Each correction comes from one source alone.
struct LensFound {
    std::shared_ptr<const Lens> lens; // null: nothing is known
    std::vector<GainMap> gainMaps;    // of the mosaic, part of what evens out the light
    std::string source;  // for the user: "in the file", or the lens's name in the database; empty: none
    std::string missing; // a sentence when something cannot be corrected
};

// Kept for photos of the same camera, lens, focal length, aperture, size and opcodes. The first call may take
// a second (the database).
LensFound lensOf(const Photo& photo);

// Adds lenses from a lensfun XML file to the database, ahead of those of the system. Throws
// std::runtime_error with the file's name.
void addLensProfiles(const std::filesystem::path& file);

// How a corrected picture is laid into the frame: what belongs at p is found at lens->sources(centre + (p -
// centre) / scale).
struct Framing {
    double scale = 1;
    Rect frame; // what is kept, in coordinates of the active area
};
// `crop` and scale 1 unless distortion is to be corrected and the lens's is known. The last ones are kept.
Framing framingOf(const Photo& photo, const Look& look);
// Where in the photo lies what the developed picture shows at a place, and where it shows a place of the
// photo (found by iteration, within a hundredth of a pixel for what lenses do).
SourcePoint sourceOf(const Photo& photo, const Look& look, PicturePoint place);
PicturePoint pictureOf(const Photo& photo, const Look& look, SourcePoint place);

} // namespace irenic
