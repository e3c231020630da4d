#include "raw/identity.h"

#include <cstdio>

#include "base/digest.h"
#include "base/expects.h"

namespace irenic {

namespace {

void add(Digest& d, const Rect& r) { d.add(r.x), d.add(r.y), d.add(r.width), d.add(r.height); }

template <class T, std::size_t n> void add(Digest& d, const std::array<T, n>& values) {
    for (const T& v : values) d.add(v);
}

void add(Digest& d, const BlackLevel& b) {
    d.add(b.columns), d.add(b.rows), d.add(b.channels), d.add(b.pattern), d.add(b.deltaH), d.add(b.deltaV);
}

void add(Digest& d, const NoiseModel& noise) {
    for (const NoiseLine& line : noise.channel) d.add(line.a), d.add(line.b);
}

// One that is not there differs from one of zeros.
template <class T> void maybe(Digest& d, const std::optional<T>& value, const auto& inner) {
    d.add(value.has_value());
    if (value) inner(*value);
}

} // namespace

PhotoId idOf(const Photo& p) {
    IRENIC_EXPECTS(p.samples.size() == static_cast<std::size_t>(p.rawWidth) *
                                           static_cast<std::size_t>(p.rawHeight) *
                                           static_cast<std::size_t>(p.channels));
    if (!p.id.text.empty()) return p.id;
    Digest d;
    d.add(p.rawWidth), d.add(p.rawHeight), d.add(p.channels), d.add(p.monochrome), d.add(p.developed);
    d.add(p.orientation), d.add(p.samples), d.add(p.mended);
    add(d, p.active), add(d, p.crop), add(d, p.mosaic.site), add(d, p.black), d.add(p.white);
    maybe(d, p.xtrans, [&](const XTransMosaic& w) { add(d, w.site), d.add(w.samples), add(d, w.black); });
    maybe(d, p.jpeg,
          [&](const JpegSteps& j) { add(d, j.luminance), add(d, j.colour), d.add(j.across), d.add(j.down); });
    for (const ColourProfile& profile : p.profiles) {
        d.add(profile.illuminant), add(d, profile.colourMatrix), add(d, profile.calibration);
        maybe(d, profile.forwardMatrix, [&](const Matrix3& m) { add(d, m); });
    }
    add(d, p.analogBalance), add(d, p.neutral), d.add(static_cast<int>(p.whiteFrom)), add(d, p.whiteXY);
    d.add(p.baselineExposure);
    // Corrections of the lens: the file's own, and those that are found by its name.
    for (const std::uint16_t tag : {0xc740, 0xc741, 0xc74e}) {
        const TagEntry* list = p.metadata.dng(tag);
        d.add(list != nullptr);
        if (list) d.add(list->bytes);
    }
    d.add(p.make), d.add(p.model), d.add(p.lens), d.add(p.focal), d.add(p.aperture);
    add(d, p.noise), d.add(p.coarseNoise);
    for (const Defect& defect : p.pattern.defects) d.add(defect.x), d.add(defect.y), d.add(defect.mended);
    d.add(p.pattern.rows), d.add(p.pattern.columns);
    d.add(p.pattern.rightRows), d.add(p.pattern.lowerColumns);
    if (!p.unevenness.none())
        d.add(p.unevenness.across), d.add(p.unevenness.down), d.add(p.unevenness.toCorners);
    if (!p.smoothing.none()) d.add(p.smoothing.beside), d.add(p.smoothing.diagonal);
    if (!p.dark.digest.empty()) d.add(p.dark.digest);
    return {d.text()};
}

std::string samplesDigestOf(const Photo& photo) {
    if (!photo.samplesDigest.empty()) return photo.samplesDigest;
    const std::vector<std::uint16_t>& samples = photo.xtrans ? photo.xtrans->samples : photo.samples;
    const auto* p = reinterpret_cast<const std::uint8_t*>(samples.data());
    std::uint64_t value = 0xcbf29ce484222325ULL;
    for (std::size_t i = 0; i < samples.size() * sizeof(std::uint16_t); ++i)
        value = (value ^ p[i]) * 0x100000001b3ULL;
    char text[20];
    std::snprintf(text, sizeof text, "%016llx", static_cast<unsigned long long>(value));
    return text;
}

} // namespace irenic
