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

#include "image/plane.h"
#include "image/work.h"

namespace irenic {

// The planes of one region. Coordinates are those of the packed mosaic: one sample for each 2x2 cell.
// 0: luminance (R+G+G+B)/2; 1: (R-B)/sqrt 2; 2: (R-G-G+B)/2; 3: (G-G)/sqrt 2, which holds fine luminance.
inline constexpr std::size_t kPlanes = 4;
inline constexpr bool isColour(std::size_t plane) { return plane == 1 || plane == 2; }

struct PlaneSet {
    Rect area;
    std::array<Plane, kPlanes> plane;

    PlaneSet() = default;
    explicit PlaneSet(const Rect& where) : area(where) {
        for (Plane& p : plane) p = Plane(where.width, where.height);
    }
    // The sample row at absolute row y, addressed so that [x] takes an absolute column.
    const float* rowAt(std::size_t p, int y) const { return plane[p].row(y - area.y) - area.x; }
    float* rowAt(std::size_t p, int y) { return plane[p].row(y - area.y) - area.x; }
};

class Method {
  public:
    virtual ~Method() = default;
    virtual std::string id() const = 0;      // as in files and on the command line
    virtual std::string name() const = 0;    // as shown
    virtual std::string summary() const = 0; // one sentence for a photographer
    // Packed samples needed around an area.
    virtual int margin() const = 0;
    // `strength[p]` is the noise assumed in plane p over the noise it has: 1 is matched, 0 leaves the plane
    // untouched. `in.area` contains `area` inflated by margin(). Throws Cancelled.
    virtual PlaneSet run(const PlaneSet& in, const Rect& area, const std::array<float, kPlanes>& strength,
                         const Work& work) const = 0;
};

// All methods, in the order in which they are offered.
const std::vector<std::unique_ptr<Method>>& methods();

// The method with this id, or null.
const Method* findMethod(const std::string& id);

} // namespace irenic
