// Cleaned samples kept for a while, of several photos and many takes: a change of look costs no denoising, a
// step aside only what comes into view, and a value that was there before nothing.
#pragma once

#include <atomic>

#include "denoise/clean_source.h"
#include "image/square_store.h"

namespace irenic {

// Thread-safe. Samples are kept in 16 bits, in equal steps of the stabilised scale, from 64 standard
// deviations of the noise below black to half above white: at ISO 51200 a step is some 1/600 of the
// deviation, at ISO 100 1/100. Where it would be more than 1/32 (beyond some 600 000 electrons at white)
// samples are kept as they are. What get() gives went through that form whether it was there before or not.
class TileStore : public CleanSource {
  public:
    // Keeps at most this many bytes of samples.
    explicit TileStore(std::size_t bytes) : small_(bytes), plain_(bytes / 4) {}

    // cleanRegion() of `area`, which lies inside the active area. Only what is missing is cleaned, in blocks
    // that stay when a later one is cancelled. What settings that change nothing give is not kept. Throws as
    // cleanRegion() does.
    Image get(const Photo& photo, const Settings& settings, const Rect& area, const Work& work = {}) override;

    // Of the samples that are kept.
    std::size_t bytes() const { return small_.bytes() + plain_.bytes(); }
    // How many pixels had to be cleaned so far.
    long long pixelsCleaned() const { return cleaned_; }
    void forget() { small_.forget(), plain_.forget(); }

  private:
    // Equal sources give equal samples.
    struct Source {
        PhotoId photo;
        Settings settings;
        friend bool operator==(const Source&, const Source&) = default;
    };
    template <class Sample>
    Image through(SquareStore<Source, Sample>& store, const Photo& photo, const Settings& settings,
                  const Rect& area, const Work& work);

    SquareStore<Source, std::uint16_t> small_;
    SquareStore<Source, float> plain_;
    std::atomic<long long> cleaned_ = 0;
};

} // namespace irenic
