#include "deliver/xmp.h"

#include <cstdio>

#include "base/shown_text.h"
#include "reader/reader.h"

namespace irenic {

namespace {

std::string number(double v) {
    char text[32];
    std::snprintf(text, sizeof text, "%.6g", v);
    return text;
}

std::string valueOf(const OwnProperties& own, const std::string& name) {
    const auto found = own.find(name);
    return found == own.end() ? std::string() : found->second;
}

} // namespace

XmpNote xmpOf(const Photo& photo, const std::string& mediaType, const Settings& s, const Look& look,
              const std::optional<Risk>& risk, const std::string& mark,
              const std::optional<std::string>& instead) {
    OwnProperties own;
    for (const Field<Settings>& f : fieldsOf<Settings>())
        if (const std::string text = valueText(f, s); !text.empty()) own[f.xmp] = text;
    if (const std::string text = textOf(look); !text.empty()) own["Look"] = text;
    if (!mark.empty()) own["Order"] = mark;
    if (risk) {
        own["EstimatedErrorLuminance"] = number(static_cast<double>(static_cast<float>(risk->luminance)));
        own["EstimatedErrorColour"] = number(static_cast<double>(static_cast<float>(risk->colour)));
    }
    std::string original;
    if (instead)
        original = *instead;
    else if (const TagEntry* packet = Metadata::find(photo.metadata.main, 0x02bc))
        original.assign(packet->bytes.begin(), packet->bytes.end());
    XmpNote out{packetSandboxed(original, mediaType, own), {}, {}};
    out.ownOnly = original.empty() ? out.packet : packetSandboxed({}, mediaType, own);
    if (!out.packet.empty()) return out;
    out.packet = out.ownOnly;
    out.left = instead ? IRENIC_TEXT("The edits beside the raw are too large or damaged and were left out.")
                       : IRENIC_TEXT("The original's XMP is too large or damaged and was left out.");
    return out;
}

std::vector<std::string> leftOutOf(const XmpNote& xmp, const std::string& more) {
    std::vector<std::string> all;
    for (const std::string& text : {xmp.left, more})
        if (!text.empty()) all.push_back(text);
    return all;
}

std::optional<Settings> settingsIn(const std::filesystem::path& file) {
    try {
        const OwnProperties own = ownPropertiesSandboxed(file);
        if (own.empty()) return std::nullopt;
        Settings settings;
        if (!own.count("Method")) return std::nullopt;
        // What an older file does not know is as it was then.
        for (const Field<Settings>& f : fieldsOf<Settings>())
            if (own.count(f.xmp)) setFromText(f, settings, own.at(f.xmp));
        return settings;
    } catch (const std::exception&) {
        return std::nullopt;
    }
}

bool isMadeByIrenic(const std::filesystem::path& file) { return !ownPropertiesSandboxed(file).empty(); }

std::string markIn(const std::filesystem::path& file) {
    return valueOf(ownPropertiesSandboxed(file), "Order");
}

Look lookIn(const std::filesystem::path& file) {
    try {
        return lookFromText(valueOf(ownPropertiesSandboxed(file), "Look"));
    } catch (const std::exception&) {
        return {};
    }
}

} // namespace irenic
