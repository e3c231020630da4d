// A photo on its way from the process that decodes it (serve.h) to the one that asked (reader.h): written to
// a file in memory, field after field, and checked when it is read, since a decoder that was led astray may
// have written anything.
#pragma once

#include "raw/photo.h"
#include "raw/preview.h"
#include "raw/xmp_packet.h"

namespace irenic {

// Each returns how many bytes it wrote, from the beginning of the file. Throw std::runtime_error (no room).
std::uint64_t sendPhoto(const Photo& photo, int file);
std::uint64_t sendGlimpse(const Glimpse& glimpse, int file);
std::uint64_t sendProperties(const OwnProperties& properties, int file);
std::uint64_t sendText(const std::string& text, int file);

// What packetWith() is asked for.
struct PacketWish {
    std::string original, mediaType;
    OwnProperties own;
};
std::uint64_t sendPacketWish(const PacketWish& wish, int file);

// Read what of `count` bytes was sent. Throw std::runtime_error where that is no photo: too short, with sizes
// that contradict each other, or with any other value that reading a file never gives.
std::shared_ptr<Photo> receivedPhoto(int file, std::uint64_t count);
Glimpse receivedGlimpse(int file, std::uint64_t count);
OwnProperties receivedProperties(int file, std::uint64_t count);
std::string receivedText(int file, std::uint64_t count);
PacketWish receivedPacketWish(int file, std::uint64_t count);

} // namespace irenic
