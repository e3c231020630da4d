#include "deliver/dng.h"

#include <algorithm>
#include <cmath>
#include <cstring>

#include "base/text.h"
#include "deliver/dng_tags.h"
#include "deliver/jpeg.h"
#include "deliver/lossless_jpeg.h"
#include "deliver/tiff_tree.h"

namespace irenic {

namespace {

constexpr std::uint16_t kSubIfds = 0x014a, kMakerNote = 0x927c, kPrivateData = 0xc634,
                        kMakerNoteSafety = 0xc635, kExtraProfiles = 0xc6f5, kNoiseProfile = 0xc761;
// Tiles are multiples of 16 (TIFF 6.0, section 15), and no wider than the picture: LibRaw ends a tile's rows
// where the picture's would end.
constexpr int kTileHeight = 256;
int tileWidthOf(const Photo& photo) { return std::max(16, std::min(256, photo.rawWidth / 16 * 16)); }

std::vector<double> listOf(const Matrix3& m) { return {m.begin(), m.end()}; }

// As stored: full colour that was made of a mosaic is not.
int storedChannels(const Photo& photo) { return photo.xtrans ? 1 : photo.channels; }
const std::vector<std::uint16_t>& storedSamples(const Photo& photo) {
    return photo.xtrans ? photo.xtrans->samples : photo.samples;
}

// The file's own entries, each where the standard wants it.
void carryTags(TiffDirectory& first, TiffDirectory& raw, const Photo& photo) {
    const Metadata& m = photo.metadata;
    const bool isDng = m.isDng();
    const auto carry = [&](const TagEntry& e, bool fromRaw) {
        const DngTag* known = dngTag(e.tag);
        if (known) {
            // Cameras' own formats use numbers that DNG has since given a meaning.
            if (known->fate == TagFate::Carried && (isDng || fromRaw || e.tag < 0xc612))
                (known->place == TagPlace::Raw ? raw : first).set(e);
            return;
        }
        // Tags that nobody here knows may be anybody's in IFD0; below 32768 they are TIFF's and describe the
        // old layout, and what names a directory names one of another file.
        if (!fromRaw && e.tag >= 0x8000 && e.type != 13 && (isDng || e.tag < 0xc612)) first.set(e);
    };
    const bool apart = m.mosaic != m.main;
    for (const TagEntry& e : m.mosaic) carry(e, true);
    for (const TagEntry& e : m.main)
        // Where both have it, the raw picture's own directory is right about the raw picture.
        if (!apart || !raw.has(e.tag)) carry(e, !apart && e.tag < 0x8000);
    if (!m.profiles.empty()) first.setProfiles(kExtraProfiles, m.profiles);
}

// Levels, dimensions and counts together, from one value.
void putLevels(TiffDirectory& raw, const Photo& photo) {
    const BlackLevel& black = photo.xtrans ? photo.xtrans->black : photo.black;
    const auto channels = static_cast<std::size_t>(storedChannels(photo));
    std::vector<double> levels;
    for (std::size_t i = 0; i < static_cast<std::size_t>(black.rows * black.columns); ++i)
        for (std::size_t c = 0; c < channels; ++c)
            levels.push_back(static_cast<double>(
                black.pattern[i * static_cast<std::size_t>(black.channels) + (black.channels == 1 ? 0 : c)]));
    raw.setShorts(0xc619,
                  {static_cast<std::uint32_t>(black.rows), static_cast<std::uint32_t>(black.columns)});
    raw.setRationals(0xc61a, levels);
    const auto offsets = [&](std::uint16_t tag, const std::vector<float>& v) {
        if (!v.empty()) raw.setRationals(tag, {v.begin(), v.end()}, true);
    };
    offsets(0xc61b, black.deltaH);
    offsets(0xc61c, black.deltaV);
    // The standard has whole numbers only.
    raw.setLongs(0xc61d,
                 std::vector<std::uint32_t>(channels, static_cast<std::uint32_t>(std::lround(photo.white))));
}

void putMosaic(TiffDirectory& raw, const Photo& photo) {
    std::vector<std::uint8_t> sites;
    if (photo.xtrans)
        sites.assign(photo.xtrans->site.begin(), photo.xtrans->site.end());
    else if (photo.hasMosaic())
        sites.assign(photo.mosaic.site.begin(), photo.mosaic.site.end());
    if (sites.empty()) return;
    const std::uint32_t side = photo.xtrans ? 6 : 2;
    raw.setShorts(0x828d, {side, side});
    raw.setBytes(0x828e, sites);
    raw.setBytes(0xc616, {0, 1, 2});
    raw.setShorts(0xc617, {1});
}

void putFrame(TiffDirectory& raw, const Photo& photo) {
    const auto u = [](int v) { return static_cast<std::uint32_t>(v); };
    const Rect &a = photo.active, &c = photo.crop;
    if (!raw.has(0xc61e)) raw.setRationals(0xc61e, {1, 1});
    if (!raw.has(0xc61f)) raw.setLongs(0xc61f, {u(c.x), u(c.y)});
    if (!raw.has(0xc620)) raw.setLongs(0xc620, {u(c.width), u(c.height)});
    if (!raw.has(0xc68d)) raw.setLongs(0xc68d, {u(a.y), u(a.x), u(a.bottom()), u(a.right())});
}

// For photos that were no DNG: what a DNG says of colour. A DNG's own tags are carried, and what it leaves
// out stays out.
void putColour(TiffDirectory& first, const Photo& photo) {
    for (std::size_t i = 0; i < std::min<std::size_t>(2, photo.profiles.size()); ++i) {
        const ColourProfile& p = photo.profiles[i];
        const auto nth = [i](int tag) { return static_cast<std::uint16_t>(tag + static_cast<int>(i)); };
        first.setRationals(nth(0xc621), listOf(p.colourMatrix), true);
        first.setShorts(nth(0xc65a), {static_cast<std::uint32_t>(p.illuminant)});
        if (p.forwardMatrix) first.setRationals(nth(0xc714), listOf(*p.forwardMatrix), true);
        if (p.calibration != kIdentity3) first.setRationals(nth(0xc623), listOf(p.calibration), true);
    }
    if (photo.analogBalance != Vector3{1, 1, 1})
        first.setRationals(0xc627, {photo.analogBalance.begin(), photo.analogBalance.end()});
    if (photo.whiteFrom == WhiteFrom::Neutral)
        first.setRationals(0xc628, {photo.neutral.begin(), photo.neutral.end()});
    if (photo.whiteFrom == WhiteFrom::Chromaticity)
        first.setRationals(0xc629, {photo.whiteXY.begin(), photo.whiteXY.end()});
    first.setRationals(0xc62a, {photo.baselineExposure}, true);
}

void putNoise(TiffDirectory& raw, const Photo& photo, const DngExtras& extras) {
    const std::optional<NoiseModel>& noise = extras.cleaned ? extras.noiseLeft : photo.statedNoise;
    if (const TagEntry* own = photo.metadata.dng(kNoiseProfile); own && !extras.cleaned) {
        raw.set(*own);
    } else if (noise) {
        const auto& n = noise->channel;
        if (storedChannels(photo) == 1 && photo.monochrome)
            raw.setDoubles(kNoiseProfile, {n[1].a, n[1].b});
        else
            raw.setDoubles(kNoiseProfile, {n[0].a, n[0].b, n[1].a, n[1].b, n[3].a, n[3].b});
    }
    if (extras.reductionApplied >= 0) raw.setRationals(0xc6f7, {extras.reductionApplied});
}

// The version of the file, or the least one given.
std::vector<std::uint8_t> versionOf(const Photo& photo, std::uint16_t tag,
                                    const std::vector<std::uint8_t>& least) {
    const TagEntry* own = Metadata::find(photo.metadata.main, tag);
    return own && own->bytes.size() == 4 && own->bytes > least ? own->bytes : least;
}

// MakerNotes hold offsets into the file they came from. A DNG may say that its own does not; the others go
// into DNGPrivateData with the place where they stood (DNG 1.6, page 34 and appendix A): "Adobe", then blocks
// of a name, a length and data; that of a MakerNote, "MakN", begins with the byte order and the old offset.
void carryMakerNote(TiffDirectory& first, TiffDirectory& exif, const Photo& photo) {
    const Metadata& m = photo.metadata;
    const TagEntry* note = Metadata::find(m.exif, kMakerNote);
    const TagEntry* safety = m.isDng() ? m.dng(kMakerNoteSafety) : nullptr;
    if (note && safety && safety->number() == 1) {
        exif.set(*note);
        return;
    }
    first.remove(kMakerNoteSafety);
    if (!note || note->bytes.empty()) return;
    static constexpr char kMaker[] = "Adobe";
    std::vector<std::uint8_t> data;
    if (const TagEntry* own = m.isDng() ? m.dng(kPrivateData) : nullptr) {
        // Somebody else's private data is not ours to add to; the note is lost then.
        if (own->bytes.size() < sizeof kMaker || std::memcmp(own->bytes.data(), kMaker, sizeof kMaker) != 0)
            return;
        data = own->bytes;
    } else {
        data.assign(kMaker, kMaker + sizeof kMaker);
    }
    const auto big = [&data](std::uint32_t v) {
        for (const unsigned shift : {24U, 16U, 8U, 0U}) data.push_back(static_cast<std::uint8_t>(v >> shift));
    };
    for (const char c : {'M', 'a', 'k', 'N'}) data.push_back(static_cast<std::uint8_t>(c));
    big(static_cast<std::uint32_t>(note->bytes.size()) + 6);
    data.insert(data.end(), 2, m.bigEndian ? 'M' : 'I');
    big(m.makerNoteOffset);
    data.insert(data.end(), note->bytes.begin(), note->bytes.end());
    if (data.size() % 2) data.push_back(0); // blocks begin on even places
    first.setBytes(kPrivateData, data);
}

void describePicture(TiffDirectory& dir, int width, int height) {
    dir.setLongs(0x0100, {static_cast<std::uint32_t>(width)});
    dir.setLongs(0x0101, {static_cast<std::uint32_t>(height)});
    dir.setShorts(0x011c, {1});
}

// The samples in tiles of lossless JPEG. A mosaic's columns alternate between colours, so that two components
// lie side by side (three colours make three, grey one); what a tile at the edge has beyond the picture
// repeats it.
std::vector<std::vector<std::uint8_t>> packedTiles(const Photo& photo, const Work& work) {
    const int channels = storedChannels(photo), w = photo.rawWidth, h = photo.rawHeight;
    const int side = tileWidthOf(photo), components = photo.hasMosaic() || photo.xtrans ? 2 : channels;
    const int across = (w + side - 1) / side, down = (h + kTileHeight - 1) / kTileHeight;
    const std::vector<std::uint16_t>& samples = storedSamples(photo);
    std::vector<std::vector<std::uint8_t>> tiles(static_cast<std::size_t>(across * down));
    forEachBand(across * down, 1, work, [&](int first, int last) {
        std::vector<std::uint16_t> tile(static_cast<std::size_t>(side * kTileHeight * channels));
        for (int i = first; i < last; ++i) {
            auto to = tile.begin();
            for (int y = 0; y < kTileHeight; ++y) {
                const int v = std::min(i / across * kTileHeight + y, h - 1);
                const std::uint16_t* row =
                    samples.data() + static_cast<std::size_t>(v) * static_cast<std::size_t>(w * channels);
                for (int x = 0; x < side; ++x) {
                    // Beyond the edge an even number of columns back, so that colours alternate on.
                    int u = i % across * side + x;
                    if (u >= w) u = w - 2 + (u - w) % 2;
                    to = std::copy_n(row + static_cast<std::ptrdiff_t>(u) * channels, channels, to);
                }
            }
            tiles[static_cast<std::size_t>(i)] =
                losslessJpeg(tile.data(), side * channels, kTileHeight,
                             static_cast<std::ptrdiff_t>(side) * channels, components);
        }
    });
    return tiles;
}

void putSamples(TiffDirectory& raw, const Photo& photo, DngCompression compression, const Work& work) {
    const auto channels = static_cast<std::uint32_t>(storedChannels(photo));
    describePicture(raw, photo.rawWidth, photo.rawHeight);
    raw.setLongs(0x00fe, {0});
    raw.setShorts(0x0102, std::vector<std::uint32_t>(channels, 16));
    raw.setShorts(0x0106, {photo.hasMosaic() || photo.xtrans ? 32803U : 34892U}); // CFA, LinearRaw
    raw.setShorts(0x0115, {channels});
    // LibRaw takes a packed picture of less than 22 pixels for no raw at all.
    if (compression == DngCompression::Lossless && std::min(photo.rawWidth, photo.rawHeight) >= 22) {
        raw.setShorts(0x0103, {7});
        raw.setLongs(0x0142, {static_cast<std::uint32_t>(tileWidthOf(photo))});
        raw.setLongs(0x0143, {kTileHeight});
        raw.setPieces(TiffDirectory::Pieces::Tiles, packedTiles(photo, work));
        return;
    }
    const std::vector<std::uint16_t>& stored = storedSamples(photo);
    std::vector<std::vector<std::uint8_t>> strip(1, std::vector<std::uint8_t>(stored.size() * 2));
    std::memcpy(strip[0].data(), stored.data(), strip[0].size());
    raw.setShorts(0x0103, {1});
    raw.setLongs(0x0116, {static_cast<std::uint32_t>(photo.rawHeight)});
    raw.setPieces(TiffDirectory::Pieces::Strips, std::move(strip));
}

void putPreview(TiffDirectory& first, const Picture& asked) {
    Picture preview = asked;
    if (preview.rgb.empty()) preview = Picture(1, 1);
    describePicture(first, preview.width, preview.height);
    first.setLongs(0x00fe, {1});
    first.setShorts(0x0102, {8, 8, 8});
    first.setShorts(0x0103, {7});
    first.setShorts(0x0106, {6}); // YCbCr
    first.setShorts(0x0115, {3});
    first.setLongs(0x0116, {static_cast<std::uint32_t>(preview.height)});
    first.setShorts(0x0212, {1, 1});
    first.setShorts(0x0213, {1});
    first.setRationals(0x0214, {0, 255, 128, 255, 128, 255});
    first.setPieces(TiffDirectory::Pieces::Strips, {previewJpeg(preview)});
    first.setRationals(0x011a, {72});
    first.setRationals(0x011b, {72});
    first.setShorts(0x0128, {2});
    first.setText(0xc716, "Irenic");
    first.setLongs(0xc71a, {2}); // PreviewColorSpace: sRGB
}

void putFile(TiffDirectory& first, const Photo& photo, const DngExtras& extras) {
    if (!first.has(0x010f) && !photo.make.empty()) first.setText(0x010f, photo.make);
    if (!first.has(0x0110) && !photo.model.empty()) first.setText(0x0110, photo.model);
    if (!first.has(0x0112)) first.setShorts(0x0112, {static_cast<std::uint32_t>(photo.orientation)});
    first.setText(0x0131, "Irenic");
    first.setBytes(0xc612, versionOf(photo, 0xc612, {1, 4, 0, 0}));
    first.setBytes(0xc613, versionOf(photo, 0xc613, {1, 3, 0, 0}));
    if (!first.has(0xc614)) first.setText(0xc614, photo.camera().empty() ? "Unknown camera" : photo.camera());
    if (!photo.metadata.isDng() && !photo.file.empty()) first.setText(0xc68b, shownName(photo.file));
    const TagEntry* ownXmp = Metadata::find(photo.metadata.main, 0x02bc);
    if (!extras.xmp.empty())
        first.setBytes(0x02bc, {extras.xmp.begin(), extras.xmp.end()});
    else if (ownXmp)
        first.set(*ownXmp);
}

} // namespace

void writeDng(const std::filesystem::path& to, const Photo& photo, const DngExtras& extras,
              const Work& work) {
    TiffDirectory first;
    TiffDirectory& raw = first.child(kSubIfds);
    carryTags(first, raw, photo);
    if (!photo.metadata.isDng() && !photo.monochrome) putColour(first, photo);
    putLevels(raw, photo);
    putMosaic(raw, photo);
    putFrame(raw, photo);
    putNoise(raw, photo, extras);
    putSamples(raw, photo, extras.compression, work);
    putPreview(first, extras.preview);
    putFile(first, photo, extras);
    if (!photo.metadata.exif.empty()) {
        TiffDirectory& exif = first.child(0x8769);
        for (const TagEntry& e : photo.metadata.exif)
            if (!pointsIntoItsFile(e.tag)) exif.set(e);
        carryMakerNote(first, exif, photo);
    }
    if (!photo.metadata.gps.empty()) {
        TiffDirectory& gps = first.child(0x8825);
        for (const TagEntry& e : photo.metadata.gps) gps.set(e);
    }
    writeTiffTree(to, first);
}

} // namespace irenic
