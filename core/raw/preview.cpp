#include "raw/preview.h"

#include <libraw/libraw.h>

#include <algorithm>

#include "base/expects.h"
#include "raw/developed.h"
#include "raw/metadata.h"

namespace irenic {

namespace {

constexpr std::uint64_t kMostBytes = 32u << 20u;

std::optional<std::vector<std::uint8_t>> bytesAt(const GivenFile& file, double offset, double count) {
    if (!(offset > 0) || !(count > 4) || count > static_cast<double>(kMostBytes)) return std::nullopt;
    const auto found = file.part(static_cast<std::uint64_t>(offset), static_cast<std::uint64_t>(count));
    if (!found) return std::nullopt;
    return std::vector<std::uint8_t>(found->begin(), found->end());
}

std::optional<FilePicture> fromTags(const GivenFile& file, const Metadata& tags) {
    const auto number = [&](std::uint16_t tag, double otherwise) {
        const TagEntry* e = Metadata::find(tags.main, tag);
        return e ? e->number() : otherwise;
    };
    const TagEntry* offsets = Metadata::find(tags.main, 0x0111);
    if (!tags.isDng() || !offsets || offsets->count != 1 || number(0x00fe, 0) != 1) return std::nullopt;
    const auto bytes = bytesAt(file, offsets->number(), number(0x0117, 0));
    if (!bytes) return std::nullopt;
    if (number(0x0103, 1) == 7) return decodeJpeg(*bytes);
    const double width = number(0x0100, 0), height = number(0x0101, 0);
    if (number(0x0103, 1) != 1 || number(0x0106, 0) != 2 || number(0x0115, 1) != 3 ||
        width * height * 3 != static_cast<double>(bytes->size()))
        return std::nullopt;
    FilePicture p;
    p.width = static_cast<int>(width), p.height = static_cast<int>(height), p.bytes = 1, p.data = *bytes;
    return p;
}

std::optional<FilePicture> fromLibRaw(const GivenFile& file) {
    LibRaw raw;
    if (raw.open_buffer(const_cast<std::uint8_t*>(file.bytes().data()), file.size()) != LIBRAW_SUCCESS ||
        raw.unpack_thumb() != LIBRAW_SUCCESS)
        return std::nullopt;
    const auto& thumb = raw.imgdata.thumbnail;
    if (thumb.tformat != LIBRAW_THUMBNAIL_JPEG || thumb.tlength > kMostBytes) return std::nullopt;
    const auto* from = reinterpret_cast<const std::uint8_t*>(thumb.thumb);
    return decodeJpeg({from, from + thumb.tlength});
}

// Every n-th pixel's surround as its mean, turned upright.
FilePicture smallAndUpright(const FilePicture& in, int longest, int orientation) {
    const int by = std::max(1, std::max(in.width, in.height) / std::max(1, longest));
    const int w = in.width / by, h = in.height / by;
    const bool across = orientation >= 5;
    FilePicture out;
    out.bytes = 1, out.width = across ? h : w, out.height = across ? w : h;
    out.data.resize(static_cast<std::size_t>(w) * static_cast<std::size_t>(h) * 3);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            int u = x, v = y; // Exif 2.3, page 22
            if (orientation == 2 || orientation == 3 || orientation == 7 || orientation == 8) u = w - 1 - x;
            if (orientation == 3 || orientation == 4 || orientation == 6 || orientation == 7) v = h - 1 - y;
            const int tx = across ? v : u, ty = across ? u : v;
            for (int c = 0; c < 3; ++c) {
                int sum = 0;
                for (int j = 0; j < by; ++j)
                    for (int i = 0; i < by; ++i)
                        sum += in.data[static_cast<std::size_t>(((y * by + j) * in.width + x * by + i) *
                                                                    in.channels +
                                                                (in.channels == 3 ? c : 0))];
                out.data[static_cast<std::size_t>((ty * out.width + tx) * 3 + c)] =
                    static_cast<std::uint8_t>(sum / (by * by));
            }
        }
    return out;
}

} // namespace

Glimpse glimpseOf(const GivenFile& file, int longest, const Work& work) {
    IRENIC_EXPECTS(longest > 0);
    Glimpse out;
    try {
        Photo shot;
        shot.metadata = readMetadata(file);
        readShotFromTags(shot);
        const Metadata& tags = shot.metadata;
        out.iso = shot.iso, out.taken = shot.taken;
        work.check();
        std::optional<FilePicture> found;
        if (looksDeveloped(file))
            found = readPicture(file, work);
        else
            found = tags.isDng() ? fromTags(file, tags) : fromLibRaw(file);
        if (!found || found->bytes != 1 || found->width < 1 || found->height < 1) return out;
        const TagEntry* turned = Metadata::find(tags.main, 0x0112);
        out.picture = smallAndUpright(*found, longest, turned ? static_cast<int>(turned->number()) : 1);
    } catch (const Cancelled&) {
        throw;
    } catch (const std::exception&) {
        // What was found so far is all there is.
    }
    return out;
}

} // namespace irenic
