// What the photo that is shown is: its file, camera, lens and shot.
#pragma once

#include <QLabel>

#include "raw/photo.h"

namespace irenic {

class ShotNote : public QLabel {
    Q_OBJECT

  public:
    explicit ShotNote(QWidget* parent);
    // Null: no photo is open.
    void describe(const PhotoPtr& photo);
};

} // namespace irenic
