// The version of everything that makes pixels.
#pragma once

namespace irenic {

// Raised whenever a photo, a take and a look give other pixels than they did: with it everything that was
// made before and is known by its identity is made anew. The test `identity` holds it to the digests of a few
// small results, so that nobody forgets. What changed: 1: the first to be counted. 2: the noise left, which
// sharpening goes by, is measured in the stabilised domain; gain maps of photos without a mosaic. 3: noise
// that is uneven over the frame. 4: dead columns, and rows that are read out at two sides. 5: detail that
// comes back in full-colour photos goes by how their noise is correlated. 6: means in linear light are put
// right by as much as local variances are certain; learned methods' clipped means by six tenths.
inline constexpr int kAlgorithms = 6;

} // namespace irenic
