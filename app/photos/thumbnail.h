// A photo's small picture, as lists show it.
#pragma once

#include <QPixmap>

#include "raw/picture_file.h"

namespace irenic {

// Of 8-bit RGB, fitted into `size` units of a screen with that many pixels to a unit.
inline QPixmap thumbnailOf(const FilePicture& picture, QSize size, qreal pixelRatio) {
    const QImage image(picture.data.data(), picture.width, picture.height, picture.width * 3,
                       QImage::Format_RGB888);
    QPixmap fitted =
        QPixmap::fromImage(image.scaled(size * pixelRatio, Qt::KeepAspectRatio, Qt::SmoothTransformation));
    fitted.setDevicePixelRatio(pixelRatio);
    return fitted;
}

} // namespace irenic
