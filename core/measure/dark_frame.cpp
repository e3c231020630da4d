#include "measure/dark_frame.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "base/quantile.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "measure/open.h"

namespace irenic {

namespace {

namespace fs = std::filesystem;

constexpr double kSameExposure = 0.02; // frames that are averaged

[[noreturn]] void refuse(const fs::path& file, const char* why) {
    throw PhotoError(shownName(file) + ": " + why);
}

// What a covered lens leaves: nearly all samples at black.
bool sawLight(const Photo& photo) {
    constexpr double kMedian = 0.02, kMost = 0.1;
    constexpr int kStep = 7; // odd, so that all colours are seen
    std::vector<double> levels;
    for (int y = 0; y < photo.height(); y += kStep)
        for (int x = 0; x < photo.width(); x += kStep)
            levels.push_back(static_cast<double>(photo.normalised(x, y)));
    return std::abs(quantile(levels, 0.5)) > kMedian || quantile(levels, 0.95) > kMost;
}

} // namespace

bool DarkFrame::fits(const Photo& photo) const {
    return camera == photo.camera() && iso == photo.iso && rawWidth == photo.rawWidth &&
           rawHeight == photo.rawHeight && photo.hasMosaic();
}

void DarkFrameMean::add(const Photo& frame) {
    if (sum_.empty()) {
        like_.camera = frame.camera(), like_.iso = frame.iso, like_.exposure = frame.exposure;
        like_.rawWidth = frame.rawWidth, like_.rawHeight = frame.rawHeight;
        white_ = frame.white;
        sum_.assign(frame.samples.size(), 0);
    }
    IRENIC_EXPECTS(like_.fits(frame) && like_.frames < kMostDarkFrames);
    for (std::size_t k = 0; k < sum_.size(); ++k) sum_[k] += frame.samples[k];
    ++like_.frames;
}

DarkFrame DarkFrameMean::mean() const {
    IRENIC_EXPECTS(like_.frames > 0);
    DarkFrame out = like_;
    out.scale = std::max(1, static_cast<int>(65535 / std::max(1.0, white_)));
    out.level.resize(sum_.size());
    for (std::size_t k = 0; k < sum_.size(); ++k)
        out.level[k] = static_cast<std::uint16_t>(
            std::min(65535.0, std::round(static_cast<double>(sum_[k]) * out.scale / out.frames)));
    return out;
}

DarkFrame darkFrameOf(const std::vector<fs::path>& files, const Work& work) {
    IRENIC_EXPECTS(!files.empty());
    if (files.size() > kMostDarkFrames)
        refuse(files.front(), IRENIC_TEXT("these are too many dark frames. At most 64 can be averaged."));
    DarkFrameMean sum;
    for (std::size_t i = 0; i < files.size(); ++i) {
        const auto count = static_cast<double>(files.size()), at = static_cast<double>(i);
        const PhotoPtr frame = readPhoto(files[i], work.part(at / count, (at + 1) / count), Measure::Nothing);
        if (!frame->hasMosaic() || frame->camera().empty() || !(frame->iso > 0) || !(frame->exposure > 0))
            refuse(files[i], IRENIC_TEXT("it is no raw with a mosaic of 2 x 2 that names its camera, ISO and "
                                         "exposure, so it cannot be a dark frame."));
        if (sawLight(*frame))
            refuse(files[i], IRENIC_TEXT("it has seen light. Take dark frames with the lens covered, right "
                                         "after the photos."));
        if (i > 0 &&
            (!sum.like().fits(*frame) || std::abs(frame->exposure / sum.like().exposure - 1) > kSameExposure))
            refuse(files[i], IRENIC_TEXT("its camera, ISO, size or exposure differs from the other dark "
                                         "frames. Give frames that were taken alike."));
        sum.add(*frame);
    }
    return sum.mean();
}

} // namespace irenic
