// Where a take is stronger or weaker: parts of the photo with changes of their own against the take.
#pragma once

#include <cstdint>
#include <span>
#include <string>
#include <vector>

#include "base/field.h"

namespace irenic {

// A place in pixels of the active area; whole numbers are pixel centres.
struct StrokePoint {
    float x = 0, y = 0;
    float width = 1; // 0.01..1, of the stroke's diameter: how hard a pen was pressed
    friend bool operator==(const StrokePoint&, const StrokePoint&) = default;
};

// A line of a brush.
struct Stroke {
    std::vector<StrokePoint> points; // at least one
    float diameter = 100;            // 1..1000 pixels of the photo
    float softness = 0.5f;           // 0..1: the share of the radius over which it fades
    bool erase = false;              // takes away from the zone instead of adding to it
    // Covers nothing: says what is wanted, or with `erase` unwanted, of FoundPart::Marked and Alike.
    bool mark = false;
    // Covers only what is like what its middle runs over (denoise/edge_brush.h).
    bool edges = false;
    friend bool operator==(const Stroke&, const Stroke&) = default;
};

// What a zone begins with, before strokes: found by measuring this photo, or nothing.
enum class FoundPart : std::uint8_t {
    Painted,
    InFocus,
    OutOfFocus,
    Dark,
    Bright,
    Smooth,
    Textured,
    Points,
    Edges,
    Marked, // what strokes mark, and what hangs together with it (marked_part.h)
    Alike   // what has the colour of what strokes mark, wherever it is
};
// All of them, in the order in which they are offered.
std::span<const FoundPart> foundParts();

struct Zone {
    static constexpr std::size_t kMost = 6; // of a take
    static constexpr std::size_t kMostStrokes = 500, kMostPoints = 50'000;

    FoundPart part = FoundPart::Painted;
    bool inverted = false;
    std::string method; // instead of the take's; empty: the take's
    // Factors: on the take's strengths, and on what the look's sharpening does. 0..3; the product is held
    // at 3.
    float luminance = 1, colour = 1, coarse = 1, sharpening = 1;
    float detail = 0, grain = 0; // -1..1, added to the take's; the sum is held within 0..1
    // Pixels of the photo. The zone's border lies where it is half; it is moved outward (-200..200) and made
    // so wide (0..400; 0: as wide as it was found or painted, one pixel where it was moved).
    float shift = 0, feather = 0;
    std::vector<Stroke> strokes; // in the order in which they were made

    // Whether it changes no pixel.
    bool isPlain() const {
        return (luminance == 1 && colour == 1 && coarse == 1 && sharpening == 1 && detail == 0 &&
                grain == 0 && method.empty()) ||
               (isMadeOfStrokes() && strokes.empty() && !inverted);
    }
    // Whether it is nothing without strokes.
    bool isMadeOfStrokes() const {
        return part == FoundPart::Painted || part == FoundPart::Marked || part == FoundPart::Alike;
    }
    bool takesMarks() const { return part == FoundPart::Marked || part == FoundPart::Alike; }
    friend bool operator==(const Zone&, const Zone&) = default;
};
// All numbers of a zone.
template <> std::span<const Field<Zone>> fieldsOf<Zone>();

// "in-focus", "not-dark"; how the part is called on the screen.
std::string idOf(const Zone& zone);
const char* shownPart(FoundPart part);

// "zone=in-focus,luminance=0.8,zone=points,method=nlm,zone=painted,colour=1.4,strokes=+40~0.5:100 200 110
// 210;-12~0:5 5"; empty: no zones. A stroke is + or - (erase), diameter~softness and its points, in tenths of
// a pixel; a mark has an * before it, a stroke that keeps to edges an =, a place of less than full width *0.5
// behind it.
std::string textOf(const std::vector<Zone>& zones);
// Throws FieldError with a sentence for the user.
std::vector<Zone> zonesFromText(const std::string& text);

// Of another photo only what is found there means anything: without strokes, and without zones that were
// painted or marked.
std::vector<Zone> withoutStrokes(std::vector<Zone> zones);

} // namespace irenic
