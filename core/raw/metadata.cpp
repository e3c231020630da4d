#include "raw/metadata.h"

#include <algorithm>
#include <cstdio>
#include <cstring>
#include <exiv2/exiv2.hpp>
#include <map>

#include "base/shown_text.h"
#include "base/text.h"
#include "raw/tag_reader.h"

namespace irenic {

namespace {

template <class T> T load(const std::uint8_t* p) {
    T value;
    std::memcpy(&value, p, sizeof(T));
    return value;
}

} // namespace

std::size_t sizeOfType(std::uint16_t type) {
    static constexpr std::size_t sizes[] = {0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8, 4};
    return type < std::size(sizes) ? sizes[type] : 0;
}

double TagEntry::number(std::size_t i) const {
    const std::size_t size = sizeOfType(type);
    if (size == 0 || (i + 1) * size > bytes.size()) return 0;
    const std::uint8_t* p = bytes.data() + i * size;
    switch (type) {
    case 1:
    case 7: return *p;
    case 6: return static_cast<std::int8_t>(*p);
    case 3: return load<std::uint16_t>(p);
    case 4:
    case 13: return load<std::uint32_t>(p);
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
    return utf8Of(s);
}

const TagEntry* Metadata::find(const std::vector<TagEntry>& list, std::uint16_t tag) {
    const auto found =
        std::find_if(list.begin(), list.end(), [tag](const TagEntry& e) { return e.tag == tag; });
    return found == list.end() ? nullptr : &*found;
}

const TagEntry* Metadata::dng(std::uint16_t tag) const {
    const TagEntry* entry = find(mosaic, tag);
    return entry ? entry : find(main, tag);
}

std::string wordsForLost(std::uint16_t tag) {
    if (tag == kFirstDirectory)
        return IRENIC_TEXT(
            "the file ends too early or is damaged: its first list of tags cannot be read. Copy it again "
            "from the card.");
    const std::string name = Exiv2::ExifKey(tag, "Image").tagName();
    char number[8];
    std::snprintf(number, sizeof number, "0x%04x", tag);
    return filled(
        IRENIC_TEXT("the file ends too early or is damaged: the value of its tag %1 cannot be read. Copy it "
                    "again from the card."),
        {name.empty() || name.starts_with("0x") ? std::string(number) : name + " (" + number + ")"});
}

std::unique_lock<std::mutex> lockXmp() {
    static std::mutex mutex;
    std::unique_lock lock(mutex);
    static const bool started = Exiv2::XmpParser::initialize();
    (void)started;
    return lock;
}

namespace {

// CFA and LinearRaw.
bool holdsRawSamples(const std::vector<TagEntry>& directory) {
    const TagEntry* kind = Metadata::find(directory, 0x0106);
    return kind && (kind->number() == 32803 || kind->number() == 34892);
}

// The raw picture itself, not a reduced or enhanced version of it (NewSubFileType 0), is the one to clean.
bool isMainPicture(const std::vector<TagEntry>& directory) {
    const TagEntry* kind = Metadata::find(directory, 0x00fe);
    return !kind || kind->number() == 0;
}

Metadata fromDirectories(TagDirectories&& tags) {
    Metadata out;
    out.lost = std::move(tags.lost);
    for (const bool strict : {true, false}) {
        for (std::size_t i = 0; i < tags.below.size(); ++i) {
            const auto& directory = tags.below[i];
            if (!out.mosaic.empty() || !holdsRawSamples(directory) || (strict && !isMainPicture(directory)))
                continue;
            out.mosaic = directory;
            out.lost.insert(out.lost.end(), tags.lostBelow[i].begin(), tags.lostBelow[i].end());
        }
        if (out.mosaic.empty() && holdsRawSamples(tags.main) && (!strict || isMainPicture(tags.main)))
            out.mosaic = tags.main;
    }
    out.main = std::move(tags.main), out.exif = std::move(tags.exif), out.gps = std::move(tags.gps);
    out.profiles = std::move(tags.profiles);
    out.bigEndian = tags.bigEndian, out.makerNoteOffset = tags.makerNoteOffset;
    if (const TagEntry* records = Metadata::find(out.main, 0x83bb)) {
        out.iptc = records->bytes;
        // Some write the records as 32-bit numbers; their bytes stand as they are in the file.
        if (tags.bigEndian && sizeOfType(records->type) == 4)
            for (std::size_t i = 0; i + 4 <= out.iptc.size(); i += 4)
                std::reverse(out.iptc.begin() + static_cast<std::ptrdiff_t>(i),
                             out.iptc.begin() + static_cast<std::ptrdiff_t>(i + 4));
    }
    return out;
}

} // namespace

Metadata readMetadata(const GivenFile& file) {
    if (auto tags = readTagDirectories(file)) return fromDirectories(std::move(*tags));
    Metadata out;
    const auto lock = lockXmp();
    try {
        Exiv2::LogMsg::setLevel(Exiv2::LogMsg::mute);
        auto image = Exiv2::ImageFactory::open(file.bytes().data(), static_cast<long>(file.size()));
        image->readMetadata();
        out.bigEndian = image->byteOrder() == Exiv2::bigEndian;
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
        for (const auto& [name, entries] : groups)
            if ((name == "Image" || name.starts_with("SubImage")) && holdsRawSamples(entries))
                out.mosaic = entries;
        if (!image->iptcData().empty()) {
            const Exiv2::DataBuf records = Exiv2::IptcParser::encode(image->iptcData());
            out.iptc.assign(records.pData_, records.pData_ + records.size_);
        }
        if (!image->xmpPacket().empty() && !Metadata::find(out.main, 0x02bc)) {
            const std::string& packet = image->xmpPacket();
            out.main.push_back(
                {0x02bc, 1, static_cast<std::uint32_t>(packet.size()), {packet.begin(), packet.end()}});
        }
    } catch (const std::exception&) {
        return out;
    }
    return out;
}

} // namespace irenic
