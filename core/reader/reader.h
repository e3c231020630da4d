// Reading files in a process of its own, in a sandbox: a decoder that dies, hangs, eats memory or is led
// astray by a file is one photo's error and nothing else.
#pragma once

#include <filesystem>
#include <optional>

#include "raw/photo.h"
#include "raw/preview.h"
#include "raw/xmp_packet.h"

namespace irenic {

struct ReaderSetup {
    std::filesystem::path program; // irenic-reader
    std::uint64_t memory = 0;      // bytes of data that a reader may hold; 0: half of what the machine has
    double processorTime = 20;     // seconds for one file, and four more for each megabyte
    double patience = 60;          // seconds without progress after which a reader is given up, and likewise
};

// The program beside this one, or where the build puts it; nothing where it is not there.
std::optional<std::filesystem::path> readerBesideThis();

// Once, at the start of a program: from then on files are read in a sandbox. Without it, or with nothing,
// they are read in the own process (tests of the decoders, and the reader itself).
void useReader(std::optional<ReaderSetup> setup);
// The one beside this program; where there is none, says so on standard error and reads in this process.
void useReaderBesideThis();

// readUnmeasured() and glimpseOf(), by a reader where one is used. The first throws PhotoError also where the
// reader died or was given up, saying so; the second then returns an empty glimpse. Both throw Cancelled
// within a few hundredths of a second. May be called from any thread; up to two readers wait for the next
// file.
std::shared_ptr<Photo> readSandboxed(const std::filesystem::path& file, const Work& work = {});
Glimpse glimpseSandboxed(const std::filesystem::path& file, int longest, const Work& work = {});

// ownPropertiesIn() and packetWith(), likewise; both are empty where that fails or takes more than a few
// seconds.
OwnProperties ownPropertiesSandboxed(const std::filesystem::path& file);
std::string packetSandboxed(const std::string& original, const std::string& mediaType,
                            const OwnProperties& own);

// Whether the last reader that was started is in its sandbox; false also where none is used.
bool decodersAreSandboxed();

} // namespace irenic
