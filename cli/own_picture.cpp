#include "own_picture.h"

#include <QBuffer>
#include <stdexcept>

#include "base/text.h"
#include "deliver/carried_tags.h"
#include "deliver/xmp.h"

namespace irenic {

namespace {

const std::filesystem::path& notTheOriginal(const std::filesystem::path& to, const Photo& photo) {
    std::error_code none;
    if (std::filesystem::equivalent(to, photo.file, none))
        throw std::runtime_error(shownName(to) +
                                 ": this is the original photo, which is never overwritten. Choose "
                                 "another name.");
    return to;
}

} // namespace

OwnPicture::OwnPicture(const std::filesystem::path& to, bool overwrite, const Photo& photo)
    : to_(to), file_(notTheOriginal(to, photo),
                     overwrite ? SafeFile::Existing::Replace : SafeFile::Existing::Keep, isMadeByIrenic) {}

void OwnPicture::write(const QImage& image, const std::string& what) {
    QByteArray png;
    QBuffer buffer(&png);
    buffer.open(QIODevice::WriteOnly);
    if (!image.save(&buffer, "PNG"))
        throw std::runtime_error(shownName(to_) + ": the picture is too large for a PNG.");
    const std::string bytes = withOwnNote(png.toStdString(), "image/png", {{what, "1"}});
    writeTo(file_.path(), bytes.data(), bytes.size());
    file_.commit();
}

} // namespace irenic
