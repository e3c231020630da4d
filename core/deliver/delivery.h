// What file is made of a photo: its kind, colours, size, name and place. A table of fields like settings and
// look, so that presets, queue, command line and window share one form.
#pragma once

#include <filesystem>
#include <optional>
#include <string>

#include "base/field.h"
#include "develop/colour.h"
#include "develop/recipe.h"
#include "judge/recommend.h"

namespace irenic {

enum class ExportFormat { Dng, Tiff, Jpeg, Png, JpegXl }; // each a row of the table in formats.h
// DNG: lossless JPEG or none; TIFF: zip, LZW (both with a predictor) or none.
enum class Packing { Packed, Lzw, None };
// Where edits go that another program keeps in an XMP file beside a raw (deliver/edits.h).
enum class EditsTo { Inside, Beside, Both, Nowhere };
// What happens where the name is taken.
enum class Conflict { Number, Refuse, Replace };

struct Delivery {
    ExportFormat format = ExportFormat::Dng;
    OutputSpace space = OutputSpace::Srgb; // all but DNG
    std::string profile;                   // an ICC file of RGB colours instead of a space; empty: none
    int bits = 16;                         // TIFF 8, 16, 32 (floating point); PNG 8, 16
    Packing packing = Packing::Packed;
    float quality = 95;                // JPEG and JPEG XL, 1 to 100; JPEG XL at 100 is lossless
    bool subsampled = false;           // JPEG: colours at half the size
    float longest = 0;                 // pixels of the longer side; 0: as it is
    float percent = 100;               // of the size, before `longest`
    float dpi = 300;                   // written in the file
    bool linear = false;               // DNG: full colour in the camera's light instead of the mosaic
    bool fullPreview = false;          // DNG: a preview of full size instead of 1024 pixels
    EditsTo edits = EditsTo::Inside;   // DNG
    std::string name = "{stem}-clean"; // see nameFrom()
    std::string folder;                // empty: beside the original; relative: below its folder
    Conflict conflict = Conflict::Number;

    friend bool operator==(const Delivery&, const Delivery&) = default;
};
template <> std::span<const Field<Delivery>> fieldsOf<Delivery>();

// "tiff,bits=8,longest=2048"; the format comes first, fields that are as they always are do not come at all.
// A comma in a value stands behind a backslash. Throws std::invalid_argument with a sentence for the user.
std::string textOf(const Delivery& delivery);
Delivery deliveryFromText(const std::string& text);
// Empty where all can be made; else a sentence that says what cannot.
std::string problemWith(const Delivery& delivery);

// What a name is made of.
struct NameParts {
    std::filesystem::path original;
    std::string letter, take, method; // of the take: letter, the person's name for it, method
    double iso = 0;
    std::string taken; // "2026:01:15 22:10:00"
    int counter = 1;   // of the photo among those delivered together
    int version = 1;   // how many files were made of the photo before, and one
};
// A pattern's tokens, {stem}, {letter}, {take}, {method}, {iso}, {date}, {counter}, {version}, replaced;
// without an ending. What no file name may hold becomes "-"; an unknown token stays as it is.
std::string nameFrom(const std::string& pattern, const NameParts& parts);
// The file that a delivery writes: name, ending and folder. Nothing is looked up on the disk.
std::filesystem::path targetOf(const Delivery& delivery, const NameParts& parts);

// A file to make: what is in it, and its form. The one way out of the program.
struct Export {
    Recipe recipe; // a DNG takes the look along as XMP, and in its preview
    Delivery delivery;
    std::optional<Risk> risk = {}; // what was estimated of these settings, to be noted in the file
    // The settings are the photo's own recommendation, whatever that came to: what is made so on one machine
    // is the same file as what is made so on another.
    bool recommended = false;
    // Whoever handed the photo over takes it back: a developed one in the colours of its own profile, and in
    // the place of its own file if that is the target. A raw's own file is never replaced.
    bool handback = false;
};

} // namespace irenic
