// What every denoising method is: a function of noisy planes and strengths.
//
// A method never sees a photo. It gets planes whose noise is white, independent between planes and of
// standard deviation 1, which is what stabilisation and decorrelation make of a raw (see clean.h), and gives
// planes with the noise taken out. It works on a region: `in` covers the wanted area and at least margin()
// more on every side (mirrored outside the photo), and every wanted sample is a pure function of the samples
// within that margin, the same to the last bit whatever area is asked for.
#pragma once

#include <array>
#include <memory>
#include <string>
#include <vector>

#include "base/work.h"
#include "image/plane.h"

namespace irenic {

// The planes of one region. Coordinates are those of the packed mosaic: one sample for each 2x2 cell.
// 0: luminance (R+G+G+B)/2; 1: (R-B)/sqrt 2; 2: (R-G-G+B)/2; 3: (G-G)/sqrt 2, which holds fine luminance.
inline constexpr std::size_t kPlanes = 4;
inline constexpr bool isColour(std::size_t plane) { return plane == 1 || plane == 2; }

struct PlaneSet {
    Rect area;
    std::array<Plane, kPlanes> plane;
    // Where the channels R, G of R's rows, G of B's rows and B stand in a cell: x in bit 0, y in bit 1.
    std::array<int, kPlanes> sites{0, 1, 2, 3};
    // Without a mosaic there is a sample for each pixel: luminance (R+G+B)/sqrt 3, (R-B)/sqrt 2,
    // (R-2G+B)/sqrt 6, and plane 3 is 0.
    bool packed = true;
    // Of a sensor without colours: plane 0 is its samples, the others are 0. Not packed.
    bool grey = false;
    // How much stronger noise is at coarse scales than white noise would be (Photo::coarseNoise).
    float coarseNoise = 1;
    // How much stronger the noise of single samples of luminance is at each place of cells of 6 x 6, in
    // reading order, than white noise would be: colours of an X-Trans mosaic that were made of their
    // neighbours have less. Empty: 1.
    std::vector<float> fineNoise;
    // How coarsely the file's compression rounded: the mean step of its lowest frequencies (JpegSteps) over
    // 64; 0: not at all.
    float rounding = 0;
    // The stabilised value of a sample at white: how far the planes' scale reaches.
    float white = 0;
    // The whole photo in these coordinates: planes are mirrored about its edges. Empty: not known, no edge is
    // near.
    Rect extent;

    float fineNoiseAt(int x, int y) const {
        constexpr int kCell = 6;
        const auto within = [](int v) { return ((v % kCell) + kCell) % kCell; };
        return fineNoise.empty() ? 1 : fineNoise[static_cast<std::size_t>(within(y) * kCell + within(x))];
    }

    // Takes over what another set of the same photo says of its planes.
    void describeAs(const PlaneSet& other) {
        sites = other.sites, packed = other.packed, grey = other.grey, coarseNoise = other.coarseNoise,
        fineNoise = other.fineNoise, rounding = other.rounding, white = other.white, extent = other.extent;
    }

    PlaneSet() = default;
    explicit PlaneSet(const Rect& where) : area(where) {
        for (Plane& p : plane) p = Plane(where.width, where.height);
    }
    // The sample row at absolute row y, addressed so that [x] takes an absolute column.
    const float* rowAt(std::size_t p, int y) const { return plane[p].row(y - area.y) - area.x; }
    float* rowAt(std::size_t p, int y) { return plane[p].row(y - area.y) - area.x; }
};

// Planes over `area`, which reaches beyond the photo's edges: mirrored there, as noisy planes are. `from`
// holds what of `area` is in the photo.
PlaneSet mirroredOut(const PlaneSet& from, const Rect& area, const Work& work);

// The rotation of the channels R, G, G, B at one place into the four planes, and back.
inline void planesFrom(const float* v, float* planes) {
    constexpr float half = 0.70710678f;
    const float rb = v[0] + v[3], gg = v[1] + v[2];
    planes[0] = 0.5f * (rb + gg);
    planes[1] = half * (v[0] - v[3]);
    planes[2] = 0.5f * (rb - gg);
    planes[3] = half * (v[1] - v[2]);
}
inline void channelsOf(float y, float c1, float c2, float g, float* v) {
    constexpr float half = 0.70710678f;
    const float rb = 0.5f * (y + c2), gg = 0.5f * (y - c2);
    v[0] = rb + half * c1;
    v[3] = rb - half * c1;
    v[1] = gg + half * g;
    v[2] = gg - half * g;
}

inline void channelsAt(const PlaneSet& from, int x, int y, float* v) {
    channelsOf(from.rowAt(0, y)[x], from.rowAt(1, y)[x], from.rowAt(2, y)[x], from.rowAt(3, y)[x], v);
}

// The same for a pixel with all its colours.
inline void planesFromPixel(const float* rgb, float* planes) {
    planes[0] = 0.57735027f * (rgb[0] + rgb[1] + rgb[2]);
    planes[1] = 0.70710678f * (rgb[0] - rgb[2]);
    planes[2] = 0.40824829f * ((rgb[0] + rgb[2]) - 2 * rgb[1]);
    planes[3] = 0;
}
inline void pixelOf(float y, float c1, float c2, float* rgb, bool isGrey = false) {
    if (isGrey) {
        rgb[0] = rgb[1] = rgb[2] = y;
        return;
    }
    const float grey = 0.57735027f * y, green = 0.40824829f * c2, red = 0.70710678f * c1;
    rgb[0] = grey + green + red;
    rgb[1] = grey - 2 * green;
    rgb[2] = grey + green - red;
}

class Method {
  public:
    virtual ~Method() = default;
    virtual std::string id() const = 0;      // as in files and on the command line
    virtual std::string name() const = 0;    // as shown
    virtual std::string summary() const = 0; // one sentence for a photographer
    // Packed samples needed around an area.
    virtual int margin() const = 0;
    // Of a method that works in whole squares on a fixed grid from (0, 0) on, so that a part of one costs as
    // much: their side, and how far around an area it makes them.
    struct BlockGrid {
        int side = 1, reach = 0;
    };
    // Of planes of a mosaic, or of pixels.
    virtual BlockGrid blockGrid(bool /*packed*/) const { return {}; }
    // How much of what its results hold below half a step of a JPEG is what the file's blocks left, 0..1;
    // less than all where it takes that out by itself.
    virtual float jpegBlocksShare() const { return 1; }
    // How much of what clipping at white took from the means (noise/clipped.h) its results still lack, 0..1;
    // less than all where it makes up for some by itself.
    virtual float shareClippedAtWhite() const { return 1; }
    // The method of which this one is the quick grade; empty: it is none.
    virtual std::string quickGradeOf() const { return {}; }
    // `strength[p]` is the noise assumed in plane p over the noise it has: 1 is matched, 0 leaves the plane
    // untouched. `in.area` contains `area` inflated by margin(). Throws Cancelled.
    virtual PlaneSet run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                         const Work& work) const = 0;
};

// For methods that look at luminance and colour together and know one strength: run(strength, work) once for
// each that is asked for, the planes of either kind taken from their own; planes of strength 0 are copied.
template <class Run>
PlaneSet withTwoStrengths(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                          const Work& work, const Run& run) {
    const float l = strength[0], c = strength[1];
    if (l == c && l > 0) return run(l, work);
    PlaneSet out(area), colour(area);
    out.describeAs(in);
    if (l > 0) out = run(l, work.part(0, c > 0 ? 0.5 : 1));
    if (c > 0) colour = run(c, work.part(l > 0 ? 0.5 : 0, 1));
    for (std::size_t p = 0; p < kPlanes; ++p)
        if (strength[p] <= 0)
            out.plane[p] = in.plane[p].cropped(area.translated(-in.area.x, -in.area.y));
        else if (isColour(p))
            out.plane[p] = std::move(colour.plane[p]);
    return out;
}

// All methods, in the order in which they are offered.
const std::vector<std::unique_ptr<Method>>& methods();

// The method with this id, or null.
const Method* findMethod(const std::string& id);
// Of a quick grade the method that it is one of, else the method itself. `id` is of a method.
std::string fullGradeOf(const std::string& id);

} // namespace irenic
