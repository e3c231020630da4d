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
    // How it is looked at: where a dark photo is made lighter, that is said.
    void setLook(float exposure);

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    void refresh();
    void keepWhole();                            // all lines have room, whatever else stands in the column
    static QString darkText(const Photo& photo); // of what a dark frame tells

    PhotoPtr photo_;
    double unused_ = 0; // stops that the sensor could have taken more
    float exposure_ = 0;
};

} // namespace irenic
