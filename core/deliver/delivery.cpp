#include "deliver/delivery.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <cmath>
#include <cstdio>
#include <stdexcept>
#include <vector>

#include "base/shown_text.h"
#include "deliver/formats.h"

namespace irenic {

namespace {

constexpr const char* kSpaces[] = {"srgb", "adobe", "prophoto", "rec2020"};
constexpr const char* kShownSpaces[] = {"sRGB", "Adobe RGB compatible", "ProPhoto compatible",
                                        "Linear Rec. 2020"};
constexpr const char* kBits[] = {"8", "16", "32"};
constexpr const char* kShownBits[] = {IRENIC_TEXT("8 bit"), IRENIC_TEXT("16 bit"),
                                      IRENIC_TEXT("32 bit floating point")};
constexpr const char* kPackings[] = {"packed", "lzw", "none"};
constexpr const char* kShownPackings[] = {IRENIC_TEXT("Lossless compression"), IRENIC_TEXT("LZW compression"),
                                          IRENIC_TEXT("Uncompressed")};
constexpr const char* kEdits[] = {"inside", "beside", "both", "nowhere"};
constexpr const char* kShownEdits[] = {IRENIC_TEXT("Edits: into the DNG"),
                                       IRENIC_TEXT("Edits: beside the DNG"), IRENIC_TEXT("Edits: both"),
                                       IRENIC_TEXT("Edits: leave out")};
constexpr const char* kConflicts[] = {"number", "refuse", "replace"};
constexpr const char* kShownConflicts[] = {IRENIC_TEXT("If it exists: add a number"),
                                           IRENIC_TEXT("If it exists: do not export"),
                                           IRENIC_TEXT("If it exists: replace")};

template <auto Member> ChoiceMember<Delivery> choice() {
    using E = std::decay_t<decltype(Delivery{}.*Member)>;
    return {[](const Delivery& d) { return static_cast<int>(d.*Member); },
            [](Delivery& d, int v) { d.*Member = static_cast<E>(v); }};
}

const Field<Delivery> kFields[] = {
    {{"format", "", IRENIC_TEXT("format"), "", 0, 1, 1, 0,
      IRENIC_TEXT("File format. A DNG stays a raw: the look goes into its preview and its XMP. All others "
                  "are finished pictures."),
      formatIds(), shownFormats()},
     choice<&Delivery::format>()},
    {{"space", "", IRENIC_TEXT("colour space"), "", 0, 1, 1, 0,
      IRENIC_TEXT("Colours that the file can hold. sRGB suits screens; wider spaces are for further work."),
      kSpaces, kShownSpaces},
     choice<&Delivery::space>()},
    {{"profile", "", IRENIC_TEXT("ICC profile"), "", 0, 1, 1, 0,
      IRENIC_TEXT("An ICC profile for RGB instead of a colour space, such as a printer's.")},
     &Delivery::profile},
    {{"bits", "", IRENIC_TEXT("depth"), "", 0, 1, 1, 0,
      IRENIC_TEXT(
          "TIFF and PNG: bits per colour. 8 is enough to look at, 16 to work on, 32 keeps everything."),
      kBits, kShownBits},
     ChoiceMember<Delivery>{[](const Delivery& d) { return d.bits == 8    ? 0
                                                           : d.bits == 16 ? 1
                                                                          : 2; },
                            [](Delivery& d, int v) { d.bits = 8 << v; }}},
    {{"packing", "", IRENIC_TEXT("compression"), "", 0, 1, 1, 0,
      IRENIC_TEXT("Lossless compression: lossless JPEG in a DNG, ZIP or LZW in a TIFF."), kPackings,
      kShownPackings},
     choice<&Delivery::packing>()},
    {{"quality", "", IRENIC_TEXT("quality"), "", 1, 100, 1, 0,
      IRENIC_TEXT("JPEG and JPEG XL: 95 looks like the original, 80 to 90 is for the web. JPEG XL at 100 is "
                  "lossless.")},
     &Delivery::quality},
    {{"subsampled", "", IRENIC_TEXT("half colour resolution"), "", 0, 1, 1, 0,
      IRENIC_TEXT("JPEG: half the resolution for colour makes the file smaller and fine red detail softer.")},
     &Delivery::subsampled},
    {{"longest", "", IRENIC_TEXT("long edge"), " px", 0, 100000, 1, 0,
      IRENIC_TEXT(
          "Reduces the picture to this many pixels on its long edge; 0 keeps its size. Never enlarges.")},
     &Delivery::longest},
    {{"percent", "", IRENIC_TEXT("size"), " %", 1, 100, 1, 1,
      IRENIC_TEXT("Reduces the picture to this share of its width and height.")},
     &Delivery::percent},
    {{"dpi", "", IRENIC_TEXT("resolution"), " dpi", 1, 10000, 1, 0,
      IRENIC_TEXT("Print resolution noted in the file. Pixels stay the same.")},
     &Delivery::dpi},
    {{"linear", "", IRENIC_TEXT("demosaiced"), "", 0, 1, 1, 0,
      IRENIC_TEXT("DNG: full colour instead of the mosaic, with sharpening and lens corrections applied. "
                  "Three times as large.")},
     &Delivery::linear},
    {{"fullPreview", "", IRENIC_TEXT("full-size preview"), "", 0, 1, 1, 0,
      IRENIC_TEXT("DNG: stores a preview with all pixels instead of 1024 across.")},
     &Delivery::fullPreview},
    {{"edits", "", IRENIC_TEXT("edits made elsewhere"), "", 0, 1, 1, 0,
      IRENIC_TEXT(
          "DNG: where the edits go that another program keeps beside the raw, in an XMP file of its name."),
      kEdits, kShownEdits},
     choice<&Delivery::edits>()},
    {{"name", "", IRENIC_TEXT("file name"), "", 0, 1, 1, 0,
      IRENIC_TEXT("File name. {stem}, {letter}, {take}, {method}, {iso}, {date}, {counter} and {version} are "
                  "filled in from the photo and the take.")},
     &Delivery::name},
    {{"folder", "", IRENIC_TEXT("folder"), "", 0, 1, 1, 0,
      IRENIC_TEXT("Where the file goes: empty means next to the original, a name means a subfolder there, a "
                  "full path means that folder.")},
     &Delivery::folder},
    {{"conflict", "", IRENIC_TEXT("if the name is taken"), "", 0, 1, 1, 0,
      IRENIC_TEXT("What happens when a file of that name exists. Originals are never replaced."), kConflicts,
      kShownConflicts},
     choice<&Delivery::conflict>()},
};

// Parts between commas; a backslash keeps the next sign.
std::vector<std::string> parts(const std::string& text) {
    std::vector<std::string> out(1);
    for (std::size_t i = 0; i < text.size(); ++i)
        if (text[i] == '\\' && i + 1 < text.size())
            out.back() += text[++i];
        else if (text[i] == ',')
            out.emplace_back();
        else
            out.back() += text[i];
    return out;
}

std::string guarded(const std::string& value) {
    std::string out;
    for (const char c : value) {
        if (c == ',' || c == '\\') out += '\\';
        out += c;
    }
    return out;
}

} // namespace

template <> std::span<const Field<Delivery>> fieldsOf<Delivery>() { return kFields; }

std::string textOf(const Delivery& delivery) {
    const Delivery usual;
    std::string out = valueText(kFields[0], delivery);
    for (const Field<Delivery>& f : fieldsOf<Delivery>().subspan(1))
        if (!sameField(f, delivery, usual))
            out += "," + std::string(f.id) + "=" + guarded(valueText(f, delivery));
    return out;
}

Delivery deliveryFromText(const std::string& text) {
    Delivery d;
    bool first = true;
    try {
        for (const std::string& part : parts(text)) {
            if (first) {
                setFromText(kFields[0], d, part);
                first = false;
                continue;
            }
            const std::size_t equals = part.find('=');
            const Field<Delivery>* f = findField<Delivery>(part.substr(0, equals));
            if (!f || equals == std::string::npos) throw FieldError("there is no \"" + part + "\"");
            setFromText(*f, d, part.substr(equals + 1));
        }
    } catch (const FieldError& e) {
        throw std::invalid_argument(std::string("Delivery: ") + e.what() + ".");
    }
    if (const std::string problem = problemWith(d); !problem.empty())
        throw std::invalid_argument("Delivery: " + problem);
    return d;
}

std::string problemWith(const Delivery& d) {
    if (const std::string range = rangeProblem(d); !range.empty()) return range + ".";
    if (const Format& format = formatOf(d.format); !format.canHave(d.bits))
        return filled(IRENIC_TEXT("a %1 has 8 or 16 bits: choose 16, or a TIFF."), {format.name});
    NameParts some; // a photo of any name
    some.original = "photo", some.letter = some.take = some.method = "A", some.taken = "2026:01:15 00:00:00";
    if (d.name.empty() || nameFrom(d.name, some).empty()) return IRENIC_TEXT("the file needs a name.");
    if (!d.profile.empty() && !std::filesystem::is_regular_file(d.profile))
        return filled(IRENIC_TEXT("the profile %1 does not exist."), {d.profile});
    return {};
}

std::string nameFrom(const std::string& pattern, const NameParts& p) {
    std::string out;
    for (std::size_t i = 0; i < pattern.size(); ++i) {
        const std::size_t end = pattern[i] == '{' ? pattern.find('}', i) : std::string::npos;
        if (end == std::string::npos) {
            out += pattern[i];
            continue;
        }
        const std::string token = pattern.substr(i + 1, end - i - 1);
        char text[32];
        if (token == "stem") {
            out += p.original.stem().string();
        } else if (token == "letter") {
            out += p.letter;
        } else if (token == "take") {
            out += p.take.empty() ? p.letter : p.take;
        } else if (token == "method") {
            out += p.method;
        } else if (token == "iso") {
            std::snprintf(text, sizeof text, "%.0f", p.iso);
            out += text;
        } else if (token == "date") {
            std::string date = p.taken.substr(0, 10);
            std::replace(date.begin(), date.end(), ':', '-');
            out += date.empty() ? "undated" : date;
        } else if (token == "counter") {
            std::snprintf(text, sizeof text, "%03d", p.counter);
            out += text;
        } else if (token == "version") {
            out += std::to_string(p.version);
        } else {
            out += pattern.substr(i, end - i + 1);
        }
        i = end;
    }
    for (char& c : out)
        if (c == '/' || std::iscntrl(static_cast<unsigned char>(c))) c = '-';
    // Neither hidden nor a folder.
    while (!out.empty() && out.front() == '.') out.erase(0, 1);
    return out;
}

std::filesystem::path targetOf(const Delivery& delivery, const NameParts& p) {
    std::error_code unknown;
    const std::filesystem::path beside = std::filesystem::absolute(p.original, unknown).parent_path();
    return beside / delivery.folder / (nameFrom(delivery.name, p) + formatOf(delivery.format).ending);
}

} // namespace irenic
