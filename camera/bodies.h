// The cameras that took the demo photos: four sensors as unlike as real ones are.
#pragma once

#include "sensor.h"

namespace irenic {

Body bodyOne();   // RGGB, 14 bits, calm read-out
Body bodyTwo();   // GRBG, 14 bits, two gains: its read noise falls by half at ISO 3200
Body bodyThree(); // RGGB, 12 bits, masked borders, a warm sensor with lines and leaks
Body bodyFour();  // X-Trans, 14 bits

} // namespace irenic
