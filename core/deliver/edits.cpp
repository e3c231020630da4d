#include "deliver/edits.h"

#include <algorithm>
#include <cctype>

#include "base/given_file.h"
#include "base/safe_file.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "deliver/formats.h"
#include "raw/xmp_packet.h"
#include "reader/reader.h"

namespace irenic {

namespace {

namespace fs = std::filesystem;

// What programs call their corrections, whatever namespace they have: a word in the property's name, and that
// it is in use, its value being neither 0 nor false.
struct Correction {
    const char *word, *shown;
};
constexpr Correction kCorrections[] = {{"noise", "noise reduction"},
                                       {"luminancesmoothing", "noise reduction"},
                                       {"sharp", "sharpening"},
                                       {"vignett", "vignetting"},
                                       {"lensprofile", "lens corrections"},
                                       {"lenscorrection", "lens corrections"},
                                       {"defringe", "fringes"},
                                       {"chromaticab", "lens corrections"}};

std::string lower(std::string text) {
    std::transform(text.begin(), text.end(), text.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return text;
}

bool isInUse(const std::string& value) {
    return !value.empty() && lower(value) != "false" &&
           value.find_first_of("123456789tT") != std::string::npos;
}

// Of a property in either of the two forms that ISO 16684-1 allows, name="value" and <name>value</name>:
// where its value begins, and the sign that ends it; npos: it is another sign's.
std::pair<std::size_t, char> valueAfter(const std::string& packet, std::size_t name) {
    const auto end = packet.find_first_of("=> \t\r\n/\"<", name);
    if (end == std::string::npos) return {end, 0};
    if (packet[end] == '>') return {end + 1, '<'};
    if (packet[end] != '=' || end + 1 >= packet.size()) return {std::string::npos, 0};
    return {end + 2, packet[end + 1]};
}

std::vector<std::string> correctionsIn(const std::string& packet) {
    const std::string small = lower(packet);
    std::vector<std::string> out;
    for (const Correction& c : kCorrections)
        for (auto at = small.find(c.word); at != std::string::npos; at = small.find(c.word, at + 1)) {
            // Within a property's name: a colon before it, and no space between.
            const auto from = small.find_last_of(" \t\r\n<>\"'", at);
            const bool isName = from != std::string::npos && small.find(':', from) < at;
            if (!isName || small[from] == '"' || small[from] == '\'') continue;
            const auto [value, last] = valueAfter(packet, at);
            if (value == std::string::npos) continue;
            if (!isInUse(packet.substr(value, std::min<std::size_t>(64, packet.find(last, value) - value))))
                continue;
            if (std::find(out.begin(), out.end(), c.shown) == out.end()) out.emplace_back(c.shown);
            break;
        }
    return out;
}

} // namespace

std::optional<EditsElsewhere> editsBeside(const Photo& photo) {
    const fs::path folder = photo.file.parent_path();
    for (const std::string& name : {photo.file.stem().string(), photo.file.filename().string()})
        for (const char* ending : {".xmp", ".XMP"}) {
            const fs::path file = folder / (name + ending);
            try {
                auto text = textOfFile(file, kMostXmp);
                if (!text || text->find("x:xmpmeta") == std::string::npos) continue;
                EditsElsewhere out{file, std::move(*text), {}};
                out.corrections = correctionsIn(out.packet);
                return out;
            } catch (const FileError&) {
                continue; // too large, or no file: nothing that can be taken along
            }
        }
    return std::nullopt;
}

std::vector<std::string> takeAlong(const EditsElsewhere& edits, const Export& what, const fs::path& target) {
    std::vector<std::string> notes;
    if (what.delivery.edits == EditsTo::Beside || what.delivery.edits == EditsTo::Both) {
        const fs::path beside = target.parent_path() / (target.stem().string() + ".xmp");
        try {
            const std::string packet =
                packetSandboxed(edits.packet, formatOf(what.delivery.format).mediaType, {});
            if (packet.empty()) throw WriteError(IRENIC_TEXT("the edits beside the raw are damaged"));
            writeWhole(beside, packet, SafeFile::Existing::Keep);
        } catch (const std::exception& e) {
            notes.push_back(filled(IRENIC_TEXT("%1 was not written: %2"), {shownName(beside), e.what()}));
        }
    }
    if (!edits.corrections.empty())
        notes.push_back(filled(IRENIC_TEXT("The edits in %1 set %2: look at that again in the cleaned DNG."),
                               {shownName(edits.file), joined(edits.corrections)}));
    return notes;
}

} // namespace irenic
