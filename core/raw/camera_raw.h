// Raw files by the LibRaw library: all of cameras' own formats, and the pixels of DNGs that are packed as
// JPEG.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "base/given_file.h"
#include "raw/photo.h"

namespace irenic {

// Throws PhotoError for what LibRaw cannot read, and Cancelled.
class CameraRaw {
  public:
    explicit CameraRaw(const GivenFile& file);
    ~CameraRaw();
    CameraRaw(const CameraRaw&) = delete;
    CameraRaw& operator=(const CameraRaw&) = delete;

    // False: LibRaw cannot open it. The other members must then not be called.
    bool opened() const;
    std::string whyNot() const;
    // A picture with three values at each pixel and no word of a raw: a developed TIFF.
    bool looksLikePicture() const;

    // The samples of the whole frame, width x height x channels as the file has them; `photo` gets its frame,
    // channels, and whether it is monochrome.
    void unpack(Photo& photo, const Work& work);
    // Areas, mosaic, levels, colours. Call after unpack(). A mosaic of 6x6 samples comes back as sites, empty
    // for all others.
    std::vector<Mosaic::Colour> describe(Photo& photo) const;
    // Make, model, lens, exposure.
    void describeShot(Photo& photo) const;

  private:
    struct State;
    std::unique_ptr<State> state_;
};

} // namespace irenic
