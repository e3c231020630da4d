#include "bodies.h"

namespace irenic {

// Read noise, wells, spread of sensitivity (half to one in a hundred) and crosstalk (one to two in a hundred
// for all four neighbours) are of the size that sensors of 2010 to 2025 have in the measurements of
// photographers.

Body bodyOne() {
    Body b;
    b.readNoise = {{100, 4.1}, {400, 2.9}, {1600, 2.2}, {6400, 1.9}, {51200, 1.6}};
    b.responseSpread = 0.005, b.crosstalk = 0.003;
    b.darkCurrent = 0.08, b.warmPixels = 2e-5;
    return b;
}

Body bodyTwo() {
    Body b;
    b.model = "Two", b.lens = "Quay 50mm f/1.8";
    b.mosaic.site = {Mosaic::Green, Mosaic::Red, Mosaic::Blue, Mosaic::Green};
    b.black = 2048, b.white = 16383;
    b.colourMatrix = {0.6461, -0.0907, -0.0882, -0.4300, 1.2184, 0.2378, -0.0819, 0.1944, 0.5931};
    b.readNoise = {{100, 3.4}, {1600, 3.0}, {3199, 2.9}, {3200, 1.5}, {12800, 1.4}, {51200, 1.3}};
    b.responseSpread = 0.004, b.crosstalk = 0.004;
    b.darkCurrent = 0.05, b.warmPixels = 1e-5;
    return b;
}

Body bodyThree() {
    Body b;
    b.model = "Three", b.lens = "Quay 24mm f/2";
    b.black = 256, b.white = 4095;
    b.wellAtIso1600 = 2100;
    b.readNoise = {{100, 6.5}, {800, 4.4}, {3200, 3.1}, {12800, 2.8}, {51200, 2.7}};
    b.responseSpread = 0.009, b.crosstalk = 0.005;
    b.darkCurrent = 0.6, b.warmPixels = 1.5e-4;
    b.maskedColumns = 96, b.maskedRows = 32;
    return b;
}

Body bodyFour() {
    Body b;
    b.model = "Four", b.lens = "Quay 35mm f/1.4";
    b.xTrans = true;
    b.black = 1024, b.white = 16383;
    b.wellAtIso1600 = 2600;
    b.readNoise = {{200, 3.2}, {800, 2.6}, {3200, 1.9}, {51200, 1.5}};
    b.responseSpread = 0.005, b.crosstalk = 0.003;
    return b;
}

} // namespace irenic
