// A photo as it was read: the untouched mosaic, or the colours of every pixel where there is none, and all
// that is needed to understand them.
#pragma once

#include <array>
#include <cstdint>
#include <filesystem>
#include <memory>
#include <optional>
#include <stdexcept>
#include <string>
#include <vector>

#include "base/work.h"
#include "image/matrix.h"
#include "image/rect.h"
#include "noise/model.h"
#include "noise/pattern.h"
#include "noise/smoothing.h"
#include "noise/unevenness.h"
#include "raw/metadata.h"

namespace irenic {

// The four sites of a 2x2 mosaic cell in reading order, each with its colour.
struct Mosaic {
    enum Colour : std::uint8_t { Red, Green, Blue };
    std::array<Colour, 4> site{Red, Green, Green, Blue};

    Colour at(int x, int y) const { return site[static_cast<std::size_t>((y & 1) * 2 + (x & 1))]; }
    // "RGGB" and so on.
    std::string name() const;
    // The channel of the noise model that a site belongs to: 0 R, 1 G in R's row, 2 G in B's row, 3 B.
    int channel(int siteIndex) const;
};

// Black levels in DN: a repeating pattern plus an offset for each column and row (DNG 1.6, BlackLevel,
// BlackLevelDeltaH, BlackLevelDeltaV). Coordinates are those of the active area.
struct BlackLevel {
    int columns = 1, rows = 1, channels = 1; // 1 channel: the level of all
    std::vector<float> pattern{0.f};         // rows x columns x channels
    std::vector<float> deltaH, deltaV;       // empty: none

    // The repeating part alone.
    float repeated(int x, int y, int channel = 0) const {
        const int place = (y % rows * columns + x % columns) * channels;
        return pattern[static_cast<std::size_t>(place + (channels == 1 ? 0 : channel))];
    }
    float at(int x, int y, int channel = 0) const {
        float value = repeated(x, y, channel);
        if (!deltaH.empty()) value += deltaH[static_cast<std::size_t>(x)];
        if (!deltaV.empty()) value += deltaV[static_cast<std::size_t>(y)];
        return value;
    }
    // Whether it is the same in every cell of so many samples on a side.
    bool repeatsEvery(int cell) const {
        return deltaH.empty() && deltaV.empty() && cell % rows == 0 && cell % columns == 0;
    }
    // The mean of the pattern, without the offsets of columns and rows.
    double mean() const;
    friend bool operator==(const BlackLevel&, const BlackLevel&) = default;
};

// A mosaic that repeats every 6x6 samples (X-Trans), kept beside the full colour that was made of it.
struct XTransMosaic {
    std::array<Mosaic::Colour, 36> site{};
    std::vector<std::uint16_t> samples; // rawWidth x rawHeight, as stored
    BlackLevel black;                   // of these samples

    Mosaic::Colour at(int x, int y) const {
        return site[static_cast<std::size_t>(((y % 6 + 6) % 6) * 6 + (x % 6 + 6) % 6)];
    }
};

// What a JPEG file says of its compression (ITU-T T.81): the picture was cut into blocks of 8x8 samples from
// its top left corner, and their frequencies were rounded to multiples of these steps.
struct JpegSteps {
    // In reading order of frequencies, of the orthonormal transform of samples 0 to 255; of luminance and of
    // the first colour difference. Grey pictures have luminance twice.
    std::array<std::uint16_t, 64> luminance{}, colour{};
    int across = 1, down = 1; // pixels that a sample of colour stands for
    friend bool operator==(const JpegSteps&, const JpegSteps&) = default;
};

// Camera colour as DNG describes it (DNG 1.6, chapter 6). Matrices map XYZ to camera colours.
struct ColourProfile {
    int illuminant = 21; // EXIF LightSource code; 21 is D65
    Matrix3 colourMatrix = kIdentity3;
    std::optional<Matrix3> forwardMatrix; // white-balanced camera colours to XYZ D50
    Matrix3 calibration = kIdentity3;
    friend bool operator==(const ColourProfile&, const ColourProfile&) = default;
};

// What a file says of the light the photo was taken in.
enum class WhiteFrom {
    Neutral,      // what the camera saw of something grey (AsShotNeutral, or the camera's own multipliers)
    Chromaticity, // the light's CIE chromaticity (AsShotWhiteXY)
    Nothing       // no word: daylight (D65) is taken
};

// Whose word the noise is taken on.
enum class NoiseFrom { Photo, File, Camera }; // its own samples, its tags, other photos of its camera

// What frames without light told of a photo's sensor (measure/dark_frame.h).
struct DarkTaken {
    int frames = 0;     // that were averaged; 0: none were at hand
    double share = 0;   // of the variance that dark, even places had: so much less they have now
    std::string digest; // of what was taken off; empty: nothing
};

// What tells photos apart (identity.h): 32 hexadecimal digits; empty: not worked out.
struct PhotoId {
    std::string text;
    friend bool operator==(const PhotoId&, const PhotoId&) = default;
};

// Immutable once read; share it as PhotoPtr.
struct Photo {
    std::filesystem::path file;
    std::string make, model, lens, taken; // `taken` as EXIF writes it, "YYYY:MM:DD HH:MM:SS"; empty: unknown
    double iso = 0, exposure = 0, aperture = 0, focal = 0; // 0: unknown. Seconds, f-number, millimetres
    int orientation = 1;                                   // EXIF 1..8
    int bits = 0;                                          // bits of the white level

    int rawWidth = 0, rawHeight = 0; // the whole frame, masked border included
    int channels = 1; // samples of each pixel: 1, the mosaic's or grey; 3, red, green and blue (a linear DNG,
                      // a developed picture, X-Trans)
    bool monochrome = false;            // a sensor without colours
    std::optional<XTransMosaic> xtrans; // of an X-Trans sensor: the full colour in `samples` was made of it,
                                        // its own samples among it unchanged
    bool developed =
        false; // a finished picture: the camera has smoothed, sharpened and perhaps compressed it already
    std::optional<JpegSteps> jpeg;        // of a developed picture that was compressed so
    std::vector<std::uint8_t> ownProfile; // ICC, of a developed picture that has one
    std::vector<std::uint16_t> samples; // rawWidth x rawHeight x channels, reading order; as stored, or taken
                                        // to linear light where developed
    Rect active;   // the part of the frame that saw light; all other coordinates start here
    Rect crop;     // the part of the active area meant to be shown
    Mosaic mosaic; // means nothing where channels is 3
    BlackLevel black;
    double white = 65535;

    std::vector<ColourProfile> profiles; // one or two; never empty
    Vector3 analogBalance{
        1, 1, 1}; // gains that the camera has applied to its channels already (DNG 1.6, AnalogBalance)
    Vector3 neutral{1, 1, 1}; // as-shot neutral in camera colours, the largest 1
    WhiteFrom whiteFrom = WhiteFrom::Neutral;
    std::array<double, 2> whiteXY{}; // where it comes from a chromaticity
    double baselineExposure = 0;     // stops

    NoiseModel noise;      // measured from the samples, or what is believed instead (measure/open.h)
    double noiseDoubt = 0; // how much less it may be, as a share of its deviation (measure/noise.h)
    NoiseFrom noiseFrom = NoiseFrom::Photo;
    int noisePhotos = 0;   // that it rests on, where other photos of the camera tell it
    Unevenness unevenness; // how it grows over the active area (measure/unevenness.h)
    double coarseNoise =
        1; // noise of 4x4-pixel means over what noise without correlation would have there; 1 for mosaics
    std::optional<NoiseModel> statedNoise; // from the file's NoiseProfile
    DarkTaken dark;                        // what every photo of this sensor has in the dark
    Smoothing smoothing;                   // what the camera did to the samples (measure/smoothing.h)
    std::vector<std::uint16_t> sensor;     // the samples without either; empty where there is neither
    Pattern pattern;                       // hot and dead pixels, lines of the read-out
    std::vector<std::uint16_t> mended;     // the sensor's samples without that; empty: no pattern

    Metadata metadata;
    PhotoId id;                // idOf() it, once measured (identity.h)
    std::string samplesDigest; // likewise

    int width() const { return active.width; }
    int height() const { return active.height; }
    Rect whole() const { return {0, 0, width(), height()}; }
    bool hasMosaic() const { return channels == 1 && !monochrome && !xtrans; } // of 2x2 cells
    // Pixels, along a side, that one sample of the planes stands for which methods work on.
    int cell() const { return hasMosaic() ? 2 : 1; }
    // The noise at a place of the active area over what `noise` says.
    float noiseFactor(double x, double y) const {
        return unevenness.none() ? 1 : unevenness.at(x, y, width(), height());
    }
    std::uint16_t sample(int x, int y, int channel = 0) const { return samples[index(x, y, channel)]; }
    std::size_t index(int x, int y, int channel = 0) const {
        return (static_cast<std::size_t>(active.y + y) * static_cast<std::size_t>(rawWidth) +
                static_cast<std::size_t>(active.x + x)) *
                   static_cast<std::size_t>(channels) +
               static_cast<std::size_t>(channels == 1 ? 0 : channel); // grey is red, green and blue alike
    }
    // 0 at black, 1 at white; may lie outside.
    float normalised(int x, int y, int channel = 0) const {
        return normalised(sample(x, y, channel), x, y, channel);
    }
    // What the sample 0 stands for, normalised: not above 0, where the file has no negative samples.
    double lowest() const { return -black.mean() / (white - black.mean()); }
    float normalised(std::uint16_t sample, int x, int y, int channel = 0) const {
        const float level = black.at(x, y, channel);
        return (static_cast<float>(sample) - level) / (static_cast<float>(white) - level);
    }
    // What methods start from: what the sensor gave, mended if that is wanted and there is something to mend.
    const std::vector<std::uint16_t>& source(bool mend) const {
        if (mend && !mended.empty()) return mended;
        return sensor.empty() ? samples : sensor;
    }
    // "12.5 s", "1/60 s"; empty when unknown.
    std::string exposureText() const;
    std::string camera() const;
    // "RGGB" and so on; "X-Trans"; "monochrome"; "RGB" where every pixel has all colours.
    std::string layoutText() const {
        return monochrome ? "monochrome" : xtrans ? "X-Trans" : hasMosaic() ? mosaic.name() : "RGB";
    }
};

using PhotoPtr = std::shared_ptr<const Photo>;

// Why a photo cannot be used. what() is a whole sentence for the user: the file's name, what happened, what
// can be done.
struct PhotoError : std::runtime_error {
    using std::runtime_error::runtime_error;
};

// Reads a raw file, or a picture that has been developed already (TIFF of 8, 16 or 32 bits, JPEG, PNG). Raws:
// LibRaw for cameras' own formats, the file's own tags for DNGs. Nothing is measured: `noise` and `pattern`
// are empty (measure/open.h goes on from here). Throws PhotoError (missing, empty, truncated, not a picture,
// unsupported, more than 500 megapixels) and Cancelled.
std::shared_ptr<Photo> readUnmeasured(const GivenFile& file, const Work& work = {});
std::shared_ptr<Photo> readUnmeasured(const std::filesystem::path& file, const Work& work = {});

} // namespace irenic
