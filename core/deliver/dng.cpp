#include "deliver/dng.h"

#include <algorithm>
#include <cmath>
#include <cstring>

#include "deliver/tiff_tree.h"

namespace irenic {

namespace {

// Tags of IFD0 and of the mosaic's directory that describe the file, not the photo; written anew or left out.
bool describesTheFile(std::uint16_t tag) {
    static constexpr std::uint16_t list[] = {
        0x00fe, 0x00ff, 0x0100, 0x0101, 0x0102, 0x0103, 0x0106, 0x0111, 0x0115, 0x0116, 0x0117, 0x011a, 0x011b, 0x011c,
        0x0128, 0x0131, 0x013d, 0x0142, 0x0143, 0x0144, 0x0145, 0x014a, 0x0153, 0x0201, 0x0202, 0x02bc, 0x8769, 0x8825,
        0xa005, // the Exif interoperability directory
        0xc612, 0xc613, // DNGVersion, DNGBackwardVersion
        0xc618,         // LinearizationTable: already applied to the samples
        0xc634, 0xc635, // DNGPrivateData, MakerNoteSafety: offsets in them would be wrong
        0xc65d,         // RawDataUniqueID
        0xc68c,         // OriginalRawFileData
        0xc6f7,         // NoiseReductionApplied
        0xc716, 0xc717, 0xc718, 0xc719, 0xc71a, 0xc71b, // previews' own tags
        0xc71c, 0xc725, 0xc7aa, 0xc7a7                   // digests, cache version
    };
    return std::find(std::begin(list), std::end(list), tag) != std::end(list);
}

bool belongsToMosaic(std::uint16_t tag) {
    static constexpr std::uint16_t list[] = {0x828d, 0x828e, 0xc616, 0xc617, 0xc619, 0xc61a, 0xc61b, 0xc61c, 0xc61d,
                                             0xc61e, 0xc61f, 0xc620, 0xc62d, 0xc631, 0xc632, 0xc65c, 0xc68d, 0xc68e,
                                             0xc740, 0xc741, 0xc74e};
    return std::find(std::begin(list), std::end(list), tag) != std::end(list);
}

void describePicture(TiffDirectory& dir, int width, int height) {
    dir.setLongs(0x0100, {static_cast<std::uint32_t>(width)});
    dir.setLongs(0x0101, {static_cast<std::uint32_t>(height)});
    dir.setShorts(0x0103, {1});
    dir.setLongs(0x0116, {static_cast<std::uint32_t>(height)});
    dir.setShorts(0x011c, {1});
}

std::vector<double> listOf(const Matrix3& m) { return {m.begin(), m.end()}; }

// As stored: full colour that was made of a mosaic is not.
std::size_t samplesPerPixel(const Photo& photo) { return photo.wide ? 1 : static_cast<std::size_t>(photo.channels); }

void fillMosaic(TiffDirectory& dir, const Photo& photo) {
    const auto u = [](double v) { return static_cast<std::uint32_t>(std::lround(v)); };
    const BlackLevel& black = photo.wide ? photo.wide->black : photo.black;
    std::vector<double> levels(black.pattern.begin(), black.pattern.end());
    if (photo.hasMosaic()) {
        dir.setShorts(0x828d, {2, 2});
        dir.setBytes(0x828e, {photo.mosaic.site[0], photo.mosaic.site[1], photo.mosaic.site[2], photo.mosaic.site[3]});
        dir.setBytes(0xc616, {0, 1, 2});
        dir.setShorts(0xc617, {1});
    } else if (photo.wide) {
        dir.setShorts(0x828d, {6, 6});
        dir.setBytes(0x828e, {photo.wide->site.begin(), photo.wide->site.end()});
        dir.setBytes(0xc616, {0, 1, 2});
        dir.setShorts(0xc617, {1});
    } else if (!photo.monochrome) {
        levels.assign(3, levels.front()); // one for each sample of a pixel
    }
    dir.setShorts(0xc619, {u(black.rows), u(black.columns)});
    dir.setRationals(0xc61a, levels);
    const std::vector<double> h(black.deltaH.begin(), black.deltaH.end());
    const std::vector<double> v(black.deltaV.begin(), black.deltaV.end());
    if (!h.empty()) dir.setRationals(0xc61b, h, true);
    if (!v.empty()) dir.setRationals(0xc61c, v, true);
    dir.setLongs(0xc61d, std::vector<std::uint32_t>(samplesPerPixel(photo), u(photo.white)));
    dir.setRationals(0xc61e, {1, 1});
    const Rect &a = photo.active, &c = photo.crop;
    dir.setLongs(0xc61f, {u(c.x), u(c.y)});
    dir.setLongs(0xc620, {u(c.width), u(c.height)});
    dir.setLongs(0xc68d, {u(a.y), u(a.x), u(a.bottom()), u(a.right())});
}

void fillColour(TiffDirectory& dir, const Photo& photo) {
    for (std::size_t i = 0; i < std::min<std::size_t>(2, photo.profiles.size()); ++i) {
        const ColourProfile& p = photo.profiles[i];
        const auto n = static_cast<std::uint16_t>(i);
        dir.setRationals(static_cast<std::uint16_t>(0xc621 + n), listOf(p.colourMatrix), true);
        dir.setShorts(static_cast<std::uint16_t>(0xc65a + n), {static_cast<std::uint32_t>(p.illuminant)});
        if (p.forwardMatrix)
            dir.setRationals(static_cast<std::uint16_t>(0xc714 + n), listOf(*p.forwardMatrix), true);
        if (p.calibration != kIdentity3)
            dir.setRationals(static_cast<std::uint16_t>(0xc623 + n), listOf(p.calibration), true);
    }
    // Six decimals: a neutral off in the fourth would shift the white balance that other programs read.
    TagEntry neutral{0xc628, 5, 3, {}};
    for (const double v : photo.neutral) {
        const std::uint32_t pair[2] = {static_cast<std::uint32_t>(std::lround(v * 1e6)), 1000000};
        const auto* bytes = reinterpret_cast<const std::uint8_t*>(pair);
        neutral.bytes.insert(neutral.bytes.end(), bytes, bytes + 8);
    }
    dir.set(neutral);
    dir.setRationals(0xc62a, {photo.baselineExposure}, true);
    if (photo.statedNoise) {
        const auto& n = photo.statedNoise->channel;
        dir.setDoubles(0xc761, {n[0].a, n[0].b, n[1].a, n[1].b, n[3].a, n[3].b});
    }
}

} // namespace

void writeDng(const std::filesystem::path& to, const Photo& photo, const DngExtras& extras) {
    TiffDirectory first;
    TiffDirectory& mosaic = first.child(0x014a);
    if (!photo.monochrome) fillColour(first, photo);
    fillMosaic(mosaic, photo);

    const bool cleaned = extras.reductionApplied > 0;
    const auto carry = [&](const TagEntry& e) {
        if (describesTheFile(e.tag)) return;
        (belongsToMosaic(e.tag) ? mosaic : first).set(e);
    };
    for (const TagEntry& e : photo.metadata.main)
        if (e.tag != 0xc74e || photo.metadata.mosaic.empty()) carry(e);
    for (const TagEntry& e : photo.metadata.mosaic)
        // Of the mosaic's directory only what DNG defines; the rest is the old file's layout.
        if (e.tag >= 0xc612 || e.tag == 0x828d || e.tag == 0x828e) carry(e);
    if (cleaned) first.remove(0xc761), mosaic.remove(0xc761);

    describePicture(mosaic, photo.rawWidth, photo.rawHeight);
    mosaic.setLongs(0x00fe, {0});
    // CFA or LinearRaw.
    mosaic.setShorts(0x0102, std::vector<std::uint32_t>(samplesPerPixel(photo), 16));
    mosaic.setShorts(0x0106, {photo.hasMosaic() || photo.wide ? 32803U : 34892U});
    mosaic.setShorts(0x0115, {static_cast<std::uint32_t>(samplesPerPixel(photo))});
    const std::vector<std::uint16_t>& stored = photo.wide ? photo.wide->samples : photo.samples;
    std::vector<std::uint8_t> samples(stored.size() * 2);
    std::memcpy(samples.data(), stored.data(), samples.size());
    mosaic.setStrip(std::move(samples));

    Picture preview = extras.preview;
    if (preview.rgb.empty()) preview = {1, 1, {0, 0, 0}};
    describePicture(first, preview.width, preview.height);
    first.setLongs(0x00fe, {1});
    first.setShorts(0x0102, {8, 8, 8});
    first.setShorts(0x0106, {2});
    first.setShorts(0x0115, {3});
    first.setStrip(std::move(preview.rgb));
    first.setRationals(0x011a, {72});
    first.setRationals(0x011b, {72});
    first.setShorts(0x0128, {2});

    if (!photo.make.empty()) first.setText(0x010f, photo.make);
    if (!photo.model.empty()) first.setText(0x0110, photo.model);
    first.setShorts(0x0112, {static_cast<std::uint32_t>(photo.orientation)});
    first.setText(0x0131, "Irenic");
    first.setBytes(0xc612, {1, 4, 0, 0});
    first.setBytes(0xc613, {1, 3, 0, 0});
    if (!first.has(0xc614)) first.setText(0xc614, photo.camera().empty() ? "Unknown camera" : photo.camera());
    if (extras.reductionApplied >= 0) first.setRationals(0xc6f7, {extras.reductionApplied});
    const TagEntry* ownXmp = Metadata::find(photo.metadata.main, 0x02bc);
    if (!extras.xmp.empty())
        first.setBytes(0x02bc, {extras.xmp.begin(), extras.xmp.end()});
    else if (ownXmp)
        first.set(*ownXmp);

    if (!photo.metadata.exif.empty()) {
        TiffDirectory& exif = first.child(0x8769);
        for (const TagEntry& e : photo.metadata.exif)
            if (!pointsIntoItsFile(e.tag)) exif.set(e);
    }
    if (!photo.metadata.gps.empty()) {
        TiffDirectory& gps = first.child(0x8825);
        for (const TagEntry& e : photo.metadata.gps) gps.set(e);
    }
    writeTiffTree(to, first);
}

} // namespace irenic
