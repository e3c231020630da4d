// Pictures that commands write: sheets and masks.
#pragma once

#include <QImage>

#include "base/safe_file.h"
#include "raw/photo.h"

namespace irenic {

class OwnPicture {
  public:
    // Before the work: what cannot be written is said at once. Of what is there only a picture of ours is
    // replaced, and that with `overwrite` alone. Throws WriteError, std::runtime_error where it is the
    // original.
    OwnPicture(const std::filesystem::path& to, bool overwrite, const Photo& photo);
    // As a PNG that says what it is. Throws WriteError, std::runtime_error.
    void write(const QImage& image, const std::string& what);

  private:
    std::filesystem::path to_;
    SafeFile file_;
};

} // namespace irenic
