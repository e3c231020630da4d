#include "denoise/zone.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <sstream>

#include "base/shown_text.h"
#include "base/text.h"
#include "denoise/method.h"

namespace irenic {

namespace {

const Field<Zone> kFields[] = {
    {{"luminance", "Luminance", IRENIC_TEXT("luminance"), "×", 0, 3, 1, 2,
      IRENIC_TEXT("Luminance noise to remove here, as a factor of the take's.")},
     &Zone::luminance},
    {{"colour", "Colour", IRENIC_TEXT("colour"), "×", 0, 3, 1, 2,
      IRENIC_TEXT("Colour noise to remove here, as a factor of the take's.")},
     &Zone::colour},
    {{"coarse", "CoarseColour", IRENIC_TEXT("coarse colour"), "×", 0, 3, 1, 2,
      IRENIC_TEXT("Coarse colour noise to remove here, as a factor of the take's.")},
     &Zone::coarse},
    {{"detail", "Detail", IRENIC_TEXT("detail"), " %", -1, 1, 100, 0,
      IRENIC_TEXT("Detail brought back here, more or less than the take does.")},
     &Zone::detail},
    {{"grain", "Grain", IRENIC_TEXT("grain"), " %", -1, 1, 100, 0,
      IRENIC_TEXT("Grain put back here, more or less than the take does.")},
     &Zone::grain},
    {{"sharpening", "Sharpening", IRENIC_TEXT("sharpening"), "×", 0, 3, 1, 2,
      IRENIC_TEXT("Sharpening here, as a factor of the look's.")},
     &Zone::sharpening},
    {{"shift", "Shift", IRENIC_TEXT("border"), " px", -200, 200, 1, 0,
      IRENIC_TEXT("Moves the zone's border outward, in pixels of the photo.")},
     &Zone::shift},
    {{"feather", "Feather", IRENIC_TEXT("feather"), " px", 0, 400, 1, 0,
      IRENIC_TEXT("How wide the zone's border is, in pixels of the photo.")},
     &Zone::feather},
};
constexpr FoundPart kOffered[] = {FoundPart::InFocus, FoundPart::OutOfFocus, FoundPart::Dark,
                                  FoundPart::Bright,  FoundPart::Smooth,     FoundPart::Textured,
                                  FoundPart::Points,  FoundPart::Edges,      FoundPart::Marked,
                                  FoundPart::Alike,   FoundPart::Painted};

struct PartName {
    const char *id, *shown;
};
constexpr std::array<PartName, 11> kParts = {{{"painted", IRENIC_TEXT("Painted")},
                                              {"in-focus", IRENIC_TEXT("In focus")},
                                              {"out-of-focus", IRENIC_TEXT("Out of focus")},
                                              {"dark", IRENIC_TEXT("Dark areas")},
                                              {"bright", IRENIC_TEXT("Bright areas")},
                                              {"smooth", IRENIC_TEXT("Smooth areas")},
                                              {"textured", IRENIC_TEXT("Textured areas")},
                                              {"points", IRENIC_TEXT("Points of light")},
                                              {"edges", IRENIC_TEXT("Strong edges")},
                                              {"marked", IRENIC_TEXT("Marked by strokes")},
                                              {"alike", IRENIC_TEXT("Of a marked colour")}}};
const PartName& nameOf(FoundPart part) { return kParts[static_cast<std::size_t>(part)]; }

constexpr const char *kBegin = "zone=", *kNot = "not-";

const FieldInfo kDiameter = {"diameter", "", "brush diameter", " px", 1, 1000, 1, 0, ""},
                kSoftness = {"softness", "", "brush softness", "", 0, 1, 1, 2, ""},
                kWidth = {"width", "", "width of a stroke", "", 0.01, 1, 1, 2, ""},
                kPlace = {"place", "", "place of a stroke", " px", -1e6, 1e6, 1, 1, ""};

// Tenths of a pixel are enough.
std::string placeText(float v) { return numberText(std::round(v * 10) / 10); }

std::string textOf(const Stroke& stroke) {
    std::string out = std::string(stroke.mark ? "*" : "") + (stroke.edges ? "=" : "") +
                      (stroke.erase ? "-" : "+") + numberText(stroke.diameter) + "~" +
                      numberText(stroke.softness) + ":";
    for (const StrokePoint& p : stroke.points) {
        out += (out.back() == ':' ? "" : " ") + placeText(p.x) + " " + placeText(p.y);
        if (p.width < 1) out += "*" + numberText(std::round(p.width * 100) / 100);
    }
    return out;
}

Stroke strokeFrom(std::string text) {
    const bool isMark = text.starts_with('*');
    if (isMark) text.erase(0, 1);
    const bool keepsToEdges = text.starts_with('=');
    if (keepsToEdges) text.erase(0, 1);
    const auto tilde = text.find('~'), colon = text.find(':');
    if (text.size() < 2 || (text[0] != '+' && text[0] != '-') || tilde == std::string::npos ||
        colon == std::string::npos || tilde > colon)
        throw FieldError("a stroke of a zone cannot be understood");
    Stroke out;
    out.erase = text[0] == '-', out.mark = isMark, out.edges = keepsToEdges;
    out.diameter = numberFrom(kDiameter, text.substr(1, tilde - 1));
    out.softness = numberFrom(kSoftness, text.substr(tilde + 1, colon - tilde - 1));
    std::istringstream places(text.substr(colon + 1));
    std::string x, y;
    while (places >> x) {
        if (!(places >> y)) throw FieldError("a stroke of a zone has half a place");
        const auto times = y.find('*');
        out.points.push_back({numberFrom(kPlace, x), numberFrom(kPlace, y.substr(0, times)),
                              times == std::string::npos ? 1 : numberFrom(kWidth, y.substr(times + 1))});
        if (out.points.size() > Zone::kMostPoints) throw FieldError("a zone has too many strokes");
    }
    if (out.points.empty()) throw FieldError("a stroke of a zone has no place");
    return out;
}

std::vector<Stroke> strokesFrom(const std::string& text) {
    std::vector<Stroke> all;
    std::istringstream parts(text);
    std::size_t points = 0;
    for (std::string part; std::getline(parts, part, ';');) {
        all.push_back(strokeFrom(part));
        points += all.back().points.size();
        if (all.size() > Zone::kMostStrokes || points > Zone::kMostPoints)
            throw FieldError("a zone has too many strokes");
    }
    return all;
}

void setPart(Zone& zone, std::string id) {
    zone.inverted = id.starts_with(kNot);
    if (zone.inverted) id.erase(0, std::string(kNot).size());
    const auto at = std::find_if(kParts.begin(), kParts.end(), [&](const PartName& p) { return id == p.id; });
    if (at == kParts.end()) {
        std::vector<std::string> all;
        all.reserve(kParts.size());
        for (const PartName& p : kParts) all.emplace_back(p.id);
        throw FieldError("there is no zone \"" + id + "\": use " + joined(all) + ", or not- before one");
    }
    zone.part = static_cast<FoundPart>(at - kParts.begin());
}

} // namespace

template <> std::span<const Field<Zone>> fieldsOf<Zone>() { return kFields; }

std::string idOf(const Zone& zone) { return (zone.inverted ? kNot : "") + std::string(nameOf(zone.part).id); }
const char* shownPart(FoundPart part) { return nameOf(part).shown; }
std::span<const FoundPart> foundParts() { return kOffered; }

std::string textOf(const std::vector<Zone>& zones) {
    static const Zone usual;
    std::string out;
    for (const Zone& zone : zones) {
        out += (out.empty() ? "" : ",") + std::string(kBegin) + idOf(zone);
        for (const Field<Zone>& f : fieldsOf<Zone>())
            if (!sameField(f, zone, usual)) out += "," + std::string(f.id) + "=" + valueText(f, zone);
        if (!zone.method.empty()) out += ",method=" + zone.method;
        if (zone.strokes.empty()) continue;
        out += ",strokes=";
        for (std::size_t i = 0; i < zone.strokes.size(); ++i)
            out += (i == 0 ? "" : ";") + textOf(zone.strokes[i]);
    }
    return out;
}

std::vector<Zone> zonesFromText(const std::string& text) {
    std::vector<Zone> zones;
    std::istringstream parts(text);
    for (std::string part; std::getline(parts, part, ',');) {
        const auto equals = part.find('=');
        const std::string id = part.substr(0, equals),
                          value = equals == std::string::npos ? "" : part.substr(equals + 1);
        if (id == "zone") {
            if (zones.size() >= Zone::kMost) throw FieldError("a take has six zones at most");
            setPart(zones.emplace_back(), value);
            continue;
        }
        if (zones.empty()) throw FieldError("zones begin with zone=, such as zone=in-focus");
        if (id == "strokes") {
            zones.back().strokes = strokesFrom(value);
            continue;
        }
        if (id == "method") {
            if (!findMethod(value)) throw FieldError("there is no method \"" + value + "\" for a zone");
            zones.back().method = value;
            continue;
        }
        const Field<Zone>* field = findField<Zone>(id);
        if (!field) {
            std::vector<std::string> known = {"method"};
            for (const Field<Zone>& f : fieldsOf<Zone>()) known.emplace_back(f.id);
            known.emplace_back("strokes");
            throw FieldError("unknown setting of a zone \"" + id + "\": use " + joined(known));
        }
        setFromText(*field, zones.back(), value);
    }
    return zones;
}

std::vector<Zone> withoutStrokes(std::vector<Zone> zones) {
    std::erase_if(zones, [](const Zone& z) { return z.isMadeOfStrokes(); });
    for (Zone& z : zones) z.strokes.clear();
    return zones;
}

} // namespace irenic
