#include "raw/metadata.h"

#include <algorithm>
#include <cstring>
#include <exiv2/exiv2.hpp>
#include <map>

namespace irenic {

namespace {

template <class T> T load(const std::uint8_t* p) {
    T value;
    std::memcpy(&value, p, sizeof(T));
    return value;
}

std::size_t sizeOfType(std::uint16_t type) {
    static constexpr std::size_t sizes[] = {0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8, 4};
    return type < std::size(sizes) ? sizes[type] : 0;
}

} // namespace

double TagEntry::number(std::size_t i) const {
    const std::size_t size = sizeOfType(type);
    if (size == 0 || (i + 1) * size > bytes.size()) return 0;
    const std::uint8_t* p = bytes.data() + i * size;
    switch (type) {
    case 1: case 7: return *p;
    case 6: return static_cast<std::int8_t>(*p);
    case 3: return load<std::uint16_t>(p);
    case 4: case 13: return load<std::uint32_t>(p);
    case 8: return load<std::int16_t>(p);
    case 9: return load<std::int32_t>(p);
    case 11: return load<float>(p);
    case 12: return load<double>(p);
    case 5: {
        const double below = load<std::uint32_t>(p + 4);
        return below != 0 ? load<std::uint32_t>(p) / below : 0;
    }
    case 10: {
        const double below = load<std::int32_t>(p + 4);
        return below != 0 ? load<std::int32_t>(p) / below : 0;
    }
    default: return 0;
    }
}

std::vector<double> TagEntry::numbers() const {
    std::vector<double> all(count);
    for (std::size_t i = 0; i < all.size(); ++i) all[i] = number(i);
    return all;
}

std::string TagEntry::text() const {
    std::string s(bytes.begin(), bytes.end());
    s.resize(std::strlen(s.c_str()));
    while (!s.empty() && s.back() == ' ') s.pop_back();
    return s;
}

const TagEntry* Metadata::find(const std::vector<TagEntry>& list, std::uint16_t tag) {
    const auto found = std::find_if(list.begin(), list.end(), [tag](const TagEntry& e) { return e.tag == tag; });
    return found == list.end() ? nullptr : &*found;
}

const TagEntry* Metadata::dng(std::uint16_t tag) const {
    const TagEntry* entry = find(mosaic, tag);
    return entry ? entry : find(main, tag);
}

Metadata readMetadata(const std::filesystem::path& file) {
    Metadata out;
    try {
        Exiv2::LogMsg::setLevel(Exiv2::LogMsg::mute);
        auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        std::map<std::string, std::vector<TagEntry>> groups;
        for (const Exiv2::Exifdatum& datum : image->exifData()) {
            const auto type = static_cast<std::uint16_t>(datum.typeId());
            if (sizeOfType(type) == 0 || datum.size() <= 0) continue;
            TagEntry entry{datum.tag(), type, 0, {}};
            entry.bytes.resize(static_cast<std::size_t>(datum.size()));
            datum.copy(entry.bytes.data(), Exiv2::littleEndian);
            entry.count = static_cast<std::uint32_t>(entry.bytes.size() / sizeOfType(type));
            groups[datum.groupName()].push_back(std::move(entry));
        }
        out.main = groups["Image"];
        out.exif = groups["Photo"];
        out.gps = groups["GPSInfo"];
        constexpr std::uint16_t photometric = 0x0106;
        constexpr double colourFilterArray = 32803, linearRaw = 34892;
        for (const auto& [name, entries] : groups) {
            if (name != "Image" && !name.starts_with("SubImage")) continue;
            const TagEntry* kind = Metadata::find(entries, photometric);
            if (kind && (kind->number() == colourFilterArray || kind->number() == linearRaw)) out.mosaic = entries;
        }
    } catch (const std::exception&) {
        return out;
    }
    return out;
}

} // namespace irenic
