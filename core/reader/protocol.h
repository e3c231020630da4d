// How a reader is spoken to: messages over a socket that keeps them apart (SOCK_SEQPACKET), the file to read
// as a descriptor that comes with the request, everything longer in a file in memory that both have open.
#pragma once

#include <cstdint>

namespace irenic {

// Where a reader finds both when it starts, and from where on it keeps what it is handed.
inline constexpr int kReaderSocket = 3, kReaderMemory = 4;
inline constexpr std::size_t kMostMessage = 8192; // bytes; a path has at most 4096

enum class ReaderTask : std::uint32_t {
    Photo,      // a file to a photo
    Glimpse,    // a file's small picture
    Properties, // what of ours a file carries
    Packet      // an XMP packet: what it is made of stands in the file in memory
};
// A request; the file's path follows, for messages alone.
struct ReaderRequest {
    ReaderTask task = ReaderTask::Photo;
    std::int32_t longest = 0;   // of a glimpse
    double processorTime = 120; // seconds that it may take
    std::uint64_t bytes = 0;    // of the file in memory, where something stands in it
};

enum class ReaderWord : std::uint32_t {
    Started, // `progress` is 1 where the sandbox holds, 0 where the kernel has none
    Progress,
    Done,
    Failed
};
// An answer; where it failed the words for the user follow.
struct ReaderAnswer {
    ReaderWord word = ReaderWord::Progress;
    float progress = 0;      // 0..1
    std::uint64_t bytes = 0; // how many of the file in memory hold the result
};

// Sends a message, with a descriptor where that is not negative. False: nobody listens.
bool sendMessage(int socket, const void* bytes, std::size_t count, int descriptor = -1);
// The next message into `bytes`; its length, below 1 when the other end is gone. `descriptor` gets the one
// that came with it, or -1.
long receiveMessage(int socket, void* bytes, std::size_t room, int flags, int& descriptor);

} // namespace irenic
