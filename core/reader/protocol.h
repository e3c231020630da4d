// How a reader is spoken to: messages over a socket that keeps them apart (SOCK_SEQPACKET), pixels in a file
// in memory that both have open.
#pragma once

#include <cstdint>

namespace irenic {

// Where a reader finds both when it starts.
inline constexpr int kReaderSocket = 3, kReaderMemory = 4;
inline constexpr std::size_t kMostMessage = 8192; // bytes; a path has at most 4096

enum class ReaderTask : std::uint32_t { Photo, Glimpse };
// A request; the file's path follows.
struct ReaderRequest {
    ReaderTask task = ReaderTask::Photo;
    std::int32_t longest = 0;   // of a glimpse
    double processorTime = 120; // seconds that it may take
};

enum class ReaderWord : std::uint32_t { Progress, Done, Failed };
// An answer; where it failed the words for the user follow.
struct ReaderAnswer {
    ReaderWord word = ReaderWord::Progress;
    float progress = 0;      // 0..1
    std::uint64_t bytes = 0; // how many of the file in memory hold the result
};

} // namespace irenic
