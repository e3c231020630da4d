// What checks see in each square, as a picture.
#pragma once

#include <QImage>

#include "judge/checks.h"

namespace irenic {

// A pixel for each square: ochre, as opaque as the check sees something there. Null for an empty map.
QImage imageOf(const SquareMap& map);

} // namespace irenic
