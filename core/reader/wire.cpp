#include "reader/wire.h"

#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cmath>
#include <type_traits>

#include "raw/dng_pixels.h"

namespace irenic {

namespace {

// Lists of these go as they stand. A profile must not: the flag in it that says whether a matrix is there
// could be any byte.
template <class T>
inline constexpr bool kPlain = std::is_trivially_copyable_v<T> && !std::is_same_v<T, ColourProfile>;

// The two ways share one list of fields (each(), below): what is written is what is read.
class ToFile {
  public:
    explicit ToFile(int file) : file_(file) {}
    std::uint64_t count() const { return at_; }

    void bytes(const void* from, std::size_t count) {
        const auto* p = static_cast<const std::uint8_t*>(from);
        while (count > 0) {
            const ssize_t done = pwrite(file_, p, count, static_cast<off_t>(at_));
            if (done < 0 && errno == EINTR) continue;
            if (done <= 0) throw std::runtime_error("there is not enough memory for it.");
            p += done, count -= static_cast<std::size_t>(done), at_ += static_cast<std::uint64_t>(done);
        }
    }
    template <class List> void length(List& list) {
        const std::uint64_t count = list.size();
        bytes(&count, sizeof count);
    }

  private:
    int file_;
    std::uint64_t at_ = 0;
};

class FromFile {
  public:
    FromFile(int file, std::uint64_t count) : file_(file), end_(count) {}

    void bytes(void* to, std::size_t count) {
        if (count > end_ - at_) throw std::runtime_error("what its decoder sent ends too early");
        auto* p = static_cast<std::uint8_t*>(to);
        while (count > 0) {
            const ssize_t done = pread(file_, p, count, static_cast<off_t>(at_));
            if (done < 0 && errno == EINTR) continue;
            if (done <= 0) throw std::runtime_error("what its decoder sent ends too early");
            p += done, count -= static_cast<std::size_t>(done), at_ += static_cast<std::uint64_t>(done);
        }
    }
    template <class List> void length(List& list) {
        std::uint64_t count = 0;
        bytes(&count, sizeof count);
        // No element takes less than a byte: a length beyond what is left is a lie, and must not take memory.
        constexpr std::uint64_t kEach =
            kPlain<typename List::value_type> ? sizeof(typename List::value_type) : 1;
        if (count > (end_ - at_) / kEach) throw std::runtime_error("what its decoder sent makes no sense");
        list.resize(static_cast<std::size_t>(count));
    }

  private:
    int file_;
    std::uint64_t at_ = 0, end_;
};

// Values without pointers go as they stand: both ends are the same program's on the same machine.
template <class Way, class T>
requires std::is_trivially_copyable_v<T>
void field(Way& way, T& value) { way.bytes(&value, sizeof value); }

template <class Way> void field(Way& way, std::string& text) {
    way.length(text);
    way.bytes(text.data(), text.size());
}

// A flag must be one of two bytes before it may be taken for a bool.
template <class Way> void field(Way& way, bool& value) {
    std::uint8_t byte = value ? 1 : 0;
    way.bytes(&byte, 1);
    value = byte != 0;
}

template <class Way> void field(Way& way, TagEntry& e);
template <class Way> void field(Way& way, ColourProfile& p);

template <class Way, class T> void field(Way& way, std::vector<T>& list) {
    way.length(list);
    if constexpr (kPlain<T>)
        way.bytes(list.data(), list.size() * sizeof(T));
    else
        for (T& one : list) field(way, one);
}

template <class Way, class T> void maybe(Way& way, std::optional<T>& value, const auto& inner) {
    bool there = value.has_value();
    field(way, there);
    if (there && !value) value.emplace();
    if (there) inner(*value);
}

template <class Way> void field(Way& way, TagEntry& e) {
    field(way, e.tag), field(way, e.type), field(way, e.count), field(way, e.bytes);
}

template <class Way> void field(Way& way, ColourProfile& p) {
    field(way, p.illuminant), field(way, p.colourMatrix), field(way, p.calibration);
    maybe(way, p.forwardMatrix, [&](Matrix3& m) { field(way, m); });
}

template <class Way> void each(Way& way, BlackLevel& b) {
    field(way, b.columns), field(way, b.rows), field(way, b.channels);
    field(way, b.pattern), field(way, b.deltaH), field(way, b.deltaV);
}

template <class Way> void each(Way& way, Metadata& m) {
    field(way, m.main), field(way, m.mosaic), field(way, m.exif), field(way, m.gps), field(way, m.profiles);
    field(way, m.iptc), field(way, m.bigEndian), field(way, m.makerNoteOffset);
}

// All that readUnmeasured() fills in; the file's name is known to who asked.
template <class Way> void each(Way& way, Photo& p) {
    field(way, p.make), field(way, p.model), field(way, p.lens), field(way, p.taken);
    field(way, p.iso), field(way, p.exposure), field(way, p.aperture), field(way, p.focal);
    field(way, p.orientation), field(way, p.bits);
    field(way, p.rawWidth), field(way, p.rawHeight), field(way, p.channels);
    field(way, p.monochrome), field(way, p.developed);
    maybe(way, p.xtrans, [&](XTransMosaic& w) {
        field(way, w.site), field(way, w.samples);
        each(way, w.black);
    });
    maybe(way, p.jpeg, [&](JpegSteps& j) { field(way, j); });
    field(way, p.ownProfile);
    field(way, p.samples), field(way, p.active), field(way, p.crop), field(way, p.mosaic);
    each(way, p.black);
    field(way, p.white), field(way, p.profiles), field(way, p.analogBalance), field(way, p.neutral);
    field(way, p.whiteFrom), field(way, p.whiteXY), field(way, p.baselineExposure), field(way, p.coarseNoise);
    maybe(way, p.statedNoise, [&](NoiseModel& n) { field(way, n); });
    each(way, p.metadata);
}

template <class Way> void each(Way& way, Glimpse& g) {
    field(way, g.iso), field(way, g.taken);
    maybe(way, g.picture, [&](FilePicture& p) {
        field(way, p.width), field(way, p.height), field(way, p.channels), field(way, p.bytes),
            field(way, p.data);
    });
}

template <class Way> void each(Way& way, std::string& text) { field(way, text); }

template <class Way> void each(Way& way, OwnProperties& properties) {
    std::vector<std::string> flat;
    for (const auto& [name, value] : properties) flat.push_back(name), flat.push_back(value);
    field(way, flat);
    properties.clear();
    for (std::size_t i = 0; i + 1 < flat.size(); i += 2) properties[flat[i]] = flat[i + 1];
}

template <class Way> void each(Way& way, PacketWish& wish) {
    field(way, wish.original), field(way, wish.mediaType);
    each(way, wish.own);
}

// What follows lets through what reading a file can give and nothing else: a photo that was let through is
// computed with, without another look.
bool isFinite(double v) { return std::isfinite(v) && std::abs(v) < 1e12; }
template <class List> bool areFinite(const List& values) {
    return std::all_of(values.begin(), values.end(), [](auto v) { return isFinite(static_cast<double>(v)); });
}

bool makesSense(const std::vector<TagEntry>& tags) {
    return std::all_of(tags.begin(), tags.end(), [](const TagEntry& e) {
        const std::uint64_t each = sizeOfType(e.type);
        return each > 0 && e.count > 0 && e.bytes.size() == each * e.count;
    });
}

bool makesSense(const Metadata& m) {
    return makesSense(m.main) && makesSense(m.mosaic) && makesSense(m.exif) && makesSense(m.gps) &&
           std::all_of(m.profiles.begin(), m.profiles.end(),
                       [](const auto& tags) { return makesSense(tags); });
}

bool isShort(const std::string& text) { return text.size() <= 65536; }

bool fits(const BlackLevel& b, const Photo& p) {
    if (!areFinite(b.pattern) || !areFinite(b.deltaH) || !areFinite(b.deltaV)) return false;
    if (b.columns < 1 || b.rows < 1 || b.columns > 65536 || b.rows > 65536 ||
        (b.channels != 1 && b.channels != 3))
        return false;
    const auto wanted = static_cast<std::size_t>(b.columns) * static_cast<std::size_t>(b.rows) *
                        static_cast<std::size_t>(b.channels);
    const auto covers = [](const std::vector<float>& deltas, int side) {
        return deltas.empty() || deltas.size() >= static_cast<std::size_t>(side);
    };
    return b.pattern.size() >= wanted && covers(b.deltaH, p.active.width) &&
           covers(b.deltaV, p.active.height);
}

bool makesSense(const Photo& p) {
    if (p.rawWidth < 1 || p.rawHeight < 1 || (p.channels != 1 && p.channels != 3)) return false;
    const auto pixels = static_cast<std::size_t>(p.rawWidth) * static_cast<std::size_t>(p.rawHeight);
    const auto colour = [](Mosaic::Colour c) { return c <= Mosaic::Blue; };
    const Rect whole{0, 0, p.rawWidth, p.rawHeight}, seen{0, 0, p.active.width, p.active.height};
    if (pixels > kMostPixels || p.orientation < 1 || p.orientation > 8 || p.bits < 1 || p.bits > 32 ||
        !(p.white > p.black.mean() + 0.5) || !(p.white <= 1e6) || p.crop.empty() || !seen.contains(p.crop) ||
        !isShort(p.make) || !isShort(p.model) || !isShort(p.lens) || !isShort(p.taken) ||
        !makesSense(p.metadata))
        return false;
    for (const double v : {p.iso, p.exposure, p.aperture, p.focal})
        if (!isFinite(v)) return false;
    for (const double v : p.neutral)
        if (!(v > 0 && v <= 1)) return false;
    for (const double v : p.analogBalance)
        if (!(v > 0) || !isFinite(v)) return false;
    for (const ColourProfile& profile : p.profiles)
        if (!areFinite(profile.colourMatrix) || !areFinite(profile.calibration) ||
            (profile.forwardMatrix && !areFinite(*profile.forwardMatrix)))
            return false;
    if (p.statedNoise)
        for (const NoiseLine& line : p.statedNoise->channel)
            if (!isFinite(line.a) || !isFinite(line.b)) return false;
    if (!areFinite(p.whiteXY) || !isFinite(p.baselineExposure) || !(p.coarseNoise > 0) ||
        !isFinite(p.coarseNoise))
        return false;
    const auto isStep = [](std::uint16_t step) { return step > 0; };
    const auto isSampling = [](int each) { return each >= 1 && each <= 4; };
    if (p.jpeg && !(std::all_of(p.jpeg->luminance.begin(), p.jpeg->luminance.end(), isStep) &&
                    std::all_of(p.jpeg->colour.begin(), p.jpeg->colour.end(), isStep) &&
                    isSampling(p.jpeg->across) && isSampling(p.jpeg->down)))
        return false;
    return p.samples.size() == pixels * static_cast<std::size_t>(p.channels) && !p.active.empty() &&
           p.active.x >= 0 && p.active.y >= 0 && whole.contains(p.active) && fits(p.black, p) &&
           !p.profiles.empty() && p.whiteFrom <= WhiteFrom::Nothing &&
           std::all_of(p.mosaic.site.begin(), p.mosaic.site.end(), colour) &&
           (!p.xtrans || (p.xtrans->samples.size() == pixels && fits(p.xtrans->black, p) &&
                          std::all_of(p.xtrans->site.begin(), p.xtrans->site.end(), colour)));
}

// Numbers that are written are not changed: the list of fields is one for both ways.
template <class T> std::uint64_t send(const T& what, int file) {
    ToFile to(file);
    each(to, const_cast<T&>(what));
    return to.count();
}

template <class T> T received(int file, std::uint64_t count) {
    T out;
    FromFile from(file, count);
    each(from, out);
    return out;
}

} // namespace

std::uint64_t sendPhoto(const Photo& photo, int file) { return send(photo, file); }
std::uint64_t sendGlimpse(const Glimpse& glimpse, int file) { return send(glimpse, file); }
std::uint64_t sendProperties(const OwnProperties& properties, int file) { return send(properties, file); }
std::uint64_t sendText(const std::string& text, int file) { return send(text, file); }
std::uint64_t sendPacketWish(const PacketWish& wish, int file) { return send(wish, file); }

OwnProperties receivedProperties(int file, std::uint64_t count) {
    return received<OwnProperties>(file, count);
}
std::string receivedText(int file, std::uint64_t count) { return received<std::string>(file, count); }
PacketWish receivedPacketWish(int file, std::uint64_t count) { return received<PacketWish>(file, count); }

std::shared_ptr<Photo> receivedPhoto(int file, std::uint64_t count) {
    auto photo = std::make_shared<Photo>();
    FromFile from(file, count);
    each(from, *photo);
    if (!makesSense(*photo)) throw std::runtime_error("what its decoder sent makes no sense");
    return photo;
}

Glimpse receivedGlimpse(int file, std::uint64_t count) {
    Glimpse glimpse = received<Glimpse>(file, count);
    if (!isFinite(glimpse.iso) || !isShort(glimpse.taken))
        throw std::runtime_error("what its decoder sent makes no sense");
    if (!glimpse.picture) return glimpse;
    const FilePicture& p = *glimpse.picture;
    if (p.width < 1 || p.height < 1 || p.width > 65536 || p.height > 65536 || p.channels != 3 ||
        p.bytes != 1 ||
        p.data.size() != 3 * static_cast<std::size_t>(p.width) * static_cast<std::size_t>(p.height))
        throw std::runtime_error("what its decoder sent makes no sense");
    return glimpse;
}

} // namespace irenic
