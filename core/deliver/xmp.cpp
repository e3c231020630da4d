#include "deliver/xmp.h"

#include <algorithm>
#include <array>
#include <cstdio>
#include <exiv2/exiv2.hpp>
#include <fstream>
#include <random>

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

std::string number(float v) {
    char text[32];
    std::snprintf(text, sizeof text, "%.6g", static_cast<double>(v));
    return text;
}

// The XMP packet of a JPEG XL file (ISO/IEC 18181-2: boxes of ISO/IEC 14496-12), which Exiv2 does not open;
// empty: none.
std::string packetOfJpegXl(const std::filesystem::path& file) {
    std::ifstream in(file, std::ios::binary);
    std::array<unsigned char, 16> head{};
    while (in.read(reinterpret_cast<char*>(head.data()), 8)) {
        std::uint64_t size = 0, read = 8;
        for (std::size_t i = 0; i < 4; ++i) size = size << 8U | head[i];
        const std::string type(reinterpret_cast<const char*>(head.data()) + 4, 4);
        if (size == 1 && in.read(reinterpret_cast<char*>(head.data()) + 8, 8)) {
            size = 0, read = 16;
            for (std::size_t i = 8; i < 16; ++i) size = size << 8U | head[i];
        }
        constexpr std::uint64_t kMostXmp = 16 << 20;
        if (type == "xml " && size > read && size < kMostXmp) {
            std::string packet(size - read, ' ');
            in.read(packet.data(), static_cast<std::streamsize>(packet.size()));
            return in ? packet : std::string();
        }
        if (size < read) return {}; // to the end of the file, or damaged
        in.seekg(static_cast<std::streamoff>(size - read), std::ios::cur);
    }
    return {};
}

// A property of ours in a file's XMP; throws std::out_of_range where there is none.
class OwnProperties {
  public:
    explicit OwnProperties(const std::filesystem::path& file) {
        if (const std::string packet = packetOfJpegXl(file); !packet.empty()) {
            Exiv2::XmpParser::decode(data_, packet);
            return;
        }
        const auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        data_ = image->xmpData();
    }
    std::string operator()(const char* name) const {
        const auto found = data_.findKey(Exiv2::XmpKey(kPrefix, name));
        if (found == data_.end()) throw std::out_of_range(name);
        return found->toString();
    }

  private:
    Exiv2::XmpData data_;
};

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

std::string xmpOf(const Photo& photo, const std::string& mediaType, const Settings& s, const Look& look,
                  const std::optional<Risk>& risk, const std::string& mark) {
    const auto lock = lockWithNamespace();
    Exiv2::XmpData data;
    if (const TagEntry* own = Metadata::find(photo.metadata.main, 0x02bc)) {
        // A packet that cannot be read is no reason to lose the rest.
        if (Exiv2::XmpParser::decode(data, std::string(own->bytes.begin(), own->bytes.end())) != 0)
            data.clear();
    }
    const auto set = [&](const char* name, const std::string& value) {
        data[std::string("Xmp.") + kPrefix + "." + name] = value;
    };
    std::string packet;
    try {
        putIdentity(data, mediaType);
        for (const Field<Settings>& f : fieldsOf<Settings>()) set(f.xmp, valueText(f, s));
        if (const std::string text = textOf(look); !text.empty()) set("Look", text);
        if (!mark.empty()) set("Order", mark);
        if (risk) {
            set("EstimatedErrorLuminance", number(static_cast<float>(risk->luminance)));
            set("EstimatedErrorColour", number(static_cast<float>(risk->colour)));
        }
        if (Exiv2::XmpParser::encode(packet, data) != 0) packet.clear();
    } catch (const Exiv2::AnyError&) {
        packet.clear();
    }
    return packet;
}

std::optional<Settings> settingsIn(const std::filesystem::path& file) {
    const auto lock = lockWithNamespace();
    try {
        const OwnProperties get(file);
        Settings settings;
        for (const Field<Settings>& f : fieldsOf<Settings>()) setFromText(f, settings, get(f.xmp));
        return settings;
    } catch (const std::exception&) {
        return std::nullopt;
    }
}

std::string markIn(const std::filesystem::path& file) {
    const auto lock = lockWithNamespace();
    try {
        return OwnProperties(file)("Order");
    } catch (const std::exception&) {
        return {};
    }
}

Look lookIn(const std::filesystem::path& file) {
    const auto lock = lockWithNamespace();
    try {
        return lookFromText(OwnProperties(file)("Look"));
    } catch (const std::exception&) {
        return {};
    }
}

} // namespace irenic
