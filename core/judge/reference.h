// A file made elsewhere from the same photo, laid under the photo's own pixels.
#pragma once

#include <filesystem>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "denoise/tile_store.h"
#include "develop/render.h"
#include "judge/align.h"

namespace irenic {

// What brings a reference's colours to the photo's: a matrix in linear light, then one curve for all channels
// over encoded values.
struct ColourMatch {
    Matrix3 matrix = kIdentity3;  // linear sRGB
    std::vector<float> curve;     // encoded sRGB at even steps of encoded sRGB, rising
    double stops = 0;             // how much brighter that makes it in all
    double before = 0, after = 0; // mean difference of encoded values from the photo's, shares of white
};

class Reference {
  public:
    // Reads the file and finds its place in `photo` as `look` develops it; a raw is developed with that look
    // too. Throws PhotoError (it cannot be read), NotAlike (another picture) and Cancelled.
    static std::shared_ptr<const Reference> open(const std::filesystem::path& file, const Photo& photo,
                                                 const Look& look, const Work& work = {});
    // Cleaned by settings of a take, by the noise that was measured in the reference itself. Nothing is
    // cleaned yet: that is done where it is looked at.
    std::shared_ptr<const Reference> cleaned(const Settings& settings) const;
    // With its colours brought to the photo's.
    std::shared_ptr<const Reference> matched(const Photo& photo, const Work& work = {}) const;

    std::uint64_t serial() const { return serial_; } // of its own: what is made of it can be told apart
    // The same under another look: null where it has to be found anew, since the look moves the photo's
    // pixels.
    std::shared_ptr<const Reference> following(const Look& look) const;
    const std::filesystem::path& file() const { return photo_->file; }
    const PhotoPtr& photo() const { return photo_; }       // the reference's own
    const Settings& settings() const { return settings_; } // that it is cleaned by
    const Alignment& alignment() const { return alignment_; }
    const std::optional<ColourMatch>& match() const { return match_; }
    const Look& look() const { return look_; } // of the photo, when it was aligned
    // What was done to it, for people: "shifted by 8.0, 8.0 pixels; brighter by 0.30 EV".
    std::string text() const;
    // Encoded sRGB, 0..1, of `area` of the developed photo; grey where the reference does not reach.
    Image display(const Rect& area, float push, const Work& work = {}) const;
    // As render() of a recipe.
    Picture render(const Rect& area, const View& view, const Work& work = {}) const;

  private:
    static std::uint64_t nextSerial();
    std::uint64_t serial_ = nextSerial();
    PhotoPtr photo_; // the reference's own
    Look own_, look_;
    Settings settings_ = Settings::original();
    std::shared_ptr<TileStore> samples_; // what was cleaned; null where nothing is
    Alignment alignment_;
    std::optional<ColourMatch> match_;
};
using ReferencePtr = std::shared_ptr<const Reference>;

} // namespace irenic
