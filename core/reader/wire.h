// A photo on its way from the process that decodes it (serve.h) to the one that asked (reader.h): written to
// a file in memory, field after field, and checked when it is read, since a decoder that was led astray may
// have written anything.
#pragma once

#include "raw/photo.h"
#include "raw/preview.h"

namespace irenic {

// Each returns how many bytes it wrote, from the beginning of the file. Throw std::runtime_error (no room).
std::uint64_t sendPhoto(const Photo& photo, int file);
std::uint64_t sendGlimpse(const Glimpse& glimpse, int file);

// Read what of `count` bytes was sent. Throw std::runtime_error where that is no photo: too short, or with
// sizes that contradict each other.
std::shared_ptr<Photo> receivedPhoto(int file, std::uint64_t count);
Glimpse receivedGlimpse(int file, std::uint64_t count);

} // namespace irenic
