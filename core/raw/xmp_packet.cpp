#include "raw/xmp_packet.h"

#include <algorithm>
#include <cstdint>
#include <cstdio>
#include <exiv2/exiv2.hpp>
#include <random>

#include "raw/metadata.h"

namespace irenic {

namespace {

constexpr const char* kNamespace = "http://irenic.invalid/ns/take/1.0/";
constexpr const char* kPrefix = "irenicTake";

// Holds the toolkit, which knows our namespace from the first time on.
std::unique_lock<std::mutex> lockWithNamespace() {
    auto lock = lockXmp();
    static const bool once = [] {
        Exiv2::XmpProperties::registerNs(kNamespace, kPrefix);
        return true;
    }();
    (void)once;
    return lock;
}

// A random UUID (RFC 4122, version 4).
std::string newId() {
    std::random_device random;
    std::uint32_t v[4];
    for (auto& word : v) word = random();
    v[1] = (v[1] & 0xffff0fffU) | 0x4000U;
    v[2] = (v[2] & 0x3fffffffU) | 0x80000000U;
    char text[64];
    std::snprintf(text, sizeof text, "xmp.iid:%08x-%04x-%04x-%04x-%04x%08x", v[0], v[1] >> 16U,
                  v[1] & 0xffffU, v[2] >> 16U, v[2] & 0xffffU, v[3]);
    return text;
}

bool isReadable(const std::string& packet) {
    return packet.size() <= kMostXmp &&
           static_cast<std::size_t>(std::count(packet.begin(), packet.end(), '<')) <=
               2 * kMostXmpProperties &&
           static_cast<std::size_t>(std::count(packet.begin(), packet.end(), '=')) <= kMostXmpProperties;
}

std::uint64_t bigEndian(std::span<const std::uint8_t> bytes) {
    std::uint64_t v = 0;
    for (const std::uint8_t b : bytes) v = v << 8U | b;
    return v;
}

// The XMP packet of a JPEG XL file (ISO/IEC 18181-2: boxes of ISO/IEC 14496-12), which Exiv2 does not open;
// empty: none.
std::string packetOfJpegXl(const GivenFile& file) {
    for (std::uint64_t at = 0; at < file.size();) {
        const auto head = file.part(at, 8);
        if (!head) return {};
        std::uint64_t size = bigEndian(head->first(4)), read = 8;
        const std::string type(head->begin() + 4, head->end());
        if (size == 1) {
            const auto large = file.part(at + 8, 8);
            if (!large) return {};
            size = bigEndian(*large), read = 16;
        }
        if (size < read || size > file.size() - at) return {}; // to the end of the file, or damaged
        if (type == "xml ") {
            const auto packet = file.part(at + read, size - read);
            return {packet->begin(), packet->end()};
        }
        at += size;
    }
    return {};
}

void putIdentity(Exiv2::XmpData& data, const std::string& mediaType) {
    const auto textAt = [&](const char* key) {
        const auto found = data.findKey(Exiv2::XmpKey(key));
        return found == data.end() ? std::string() : found->toString();
    };
    const std::string document = textAt("Xmp.xmpMM.DocumentID"), instance = textAt("Xmp.xmpMM.InstanceID");
    if (!instance.empty()) data["Xmp.xmpMM.DerivedFrom/stRef:instanceID"] = instance;
    if (!document.empty()) {
        data["Xmp.xmpMM.DerivedFrom/stRef:documentID"] = document;
        if (textAt("Xmp.xmpMM.OriginalDocumentID").empty()) data["Xmp.xmpMM.OriginalDocumentID"] = document;
    }
    const std::string id = newId();
    data["Xmp.xmpMM.InstanceID"] = id;
    data["Xmp.xmpMM.DocumentID"] = "xmp.did:" + id.substr(8);
    data["Xmp.dc.format"] = mediaType;
    // Digests of old metadata blocks, and what another program has noted of the file's form.
    for (const char* stale : {"Xmp.tiff.NativeDigest", "Xmp.exif.NativeDigest", "Xmp.tiff.ImageWidth",
                              "Xmp.tiff.ImageLength", "Xmp.tiff.BitsPerSample", "Xmp.tiff.Compression",
                              "Xmp.tiff.PhotometricInterpretation", "Xmp.tiff.SamplesPerPixel"})
        if (const auto found = data.findKey(Exiv2::XmpKey(stale)); found != data.end()) data.erase(found);
}

} // namespace

OwnProperties ownPropertiesIn(const GivenFile& file) {
    const auto lock = lockWithNamespace();
    OwnProperties out;
    try {
        Exiv2::LogMsg::setLevel(Exiv2::LogMsg::mute);
        Exiv2::XmpData data;
        if (const std::string packet = packetOfJpegXl(file); !packet.empty()) {
            if (!isReadable(packet) || Exiv2::XmpParser::decode(data, packet) != 0) return out;
        } else {
            const auto image = Exiv2::ImageFactory::open(file.bytes().data(), static_cast<long>(file.size()));
            image->readMetadata();
            data = image->xmpData();
        }
        const std::string ours = std::string("Xmp.") + kPrefix + ".";
        for (const Exiv2::Xmpdatum& d : data)
            if (d.key().starts_with(ours)) out[d.key().substr(ours.size())] = d.toString();
    } catch (const std::exception&) {
        out.clear(); // of another form, or damaged: not one of ours
    }
    return out;
}

std::string packetWith(const std::string& original, const std::string& mediaType, const OwnProperties& own) {
    const auto lock = lockWithNamespace();
    Exiv2::LogMsg::setLevel(Exiv2::LogMsg::mute);
    Exiv2::XmpData data;
    if (!original.empty() && (!isReadable(original) || Exiv2::XmpParser::decode(data, original) != 0))
        return {};
    std::string packet;
    try {
        putIdentity(data, mediaType);
        for (const auto& [name, value] : own) data[std::string("Xmp.") + kPrefix + "." + name] = value;
        if (Exiv2::XmpParser::encode(packet, data) != 0) packet.clear();
    } catch (const Exiv2::AnyError&) {
        packet.clear();
    }
    return packet;
}

} // namespace irenic
