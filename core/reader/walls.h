// What a process that decodes files may no longer do once it is behind its walls.
#pragma once

#include <cstdint>

namespace irenic {

// From here on, for this process and all its threads: no more than `memory` bytes of data (RLIMIT_DATA), no
// core files, no network, no other program, no file opened for writing, made, moved or removed, no signal to
// another process (seccomp, by libseccomp). Files can still be opened for reading. Returns whether the kernel
// let it be so; where it has no seccomp the limits alone hold. Nothing is done in a build with sanitizers,
// which need what is forbidden here.
bool raiseWalls(std::uint64_t memory);

// The process is ended by SIGXCPU after so many seconds more of processor time.
void allowProcessorTime(double seconds);

} // namespace irenic
