// What the quality protocols share: one rendering for all, and how far a picture is from the truth.
#pragma once

#include <filesystem>
#include <opencv2/core.hpp>

#include "denoise/settings.h"
#include "develop/look.h"
#include "image/image.h"
#include "measure/open.h"
#include "raw/photo.h"

namespace irenic {

// Sums over `count` pictures; of one as score() gives them.
struct Scores {
    // CPSNR in decibels, SSIM on luminance (Z. Wang et al., 2004), MS-SSIM likewise (Z. Wang, E. P.
    // Simoncelli, A. C. Bovik, "Multiscale structural similarity for image quality assessment", 2003), which
    // weighs scales as an eye at a usual distance does, mean CIEDE2000 of 32x32 blocks
    double cpsnr = 0, ssim = 0, multiscale = 0, colour = 0, seconds = 0, pixels = 0;
    int count = 0;
    void add(const Scores& s) {
        cpsnr += s.cpsnr, ssim += s.ssim, multiscale += s.multiscale, colour += s.colour,
            seconds += s.seconds, pixels += s.pixels;
        ++count;
    }
};

// Encoded sRGB of a mosaic by the one pipeline: of a photo whose samples are the mosaic's, finely quantised.
cv::Mat rendered(const Photo& like, const Plane& mosaic);

// The same as a look shows it.
cv::Mat rendered(const Photo& like, const Plane& mosaic, const Look& look);
// What a look shows of a photo that was cleaned.
cv::Mat shownPicture(const Photo& photo, const Settings& settings, const Look& look);

// The same as a finished picture: written to the file, by whose name it is a JPEG of that quality or has 16
// bits, and read again.
PhotoPtr finishedPicture(const Photo& like, const Plane& mosaic, const std::filesystem::path& file,
                         int quality = 90, Measure what = Measure::Noise);

// Linear sRGB, encoded.
cv::Mat encodedPicture(const Image& rgb);

// Of encoded sRGB, 0..1, without 16 pixels at the edges.
Scores score(const cv::Mat& truth, const cv::Mat& found);

} // namespace irenic
