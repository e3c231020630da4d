// What a process that decodes files may still do once it is in its sandbox.
#pragma once

#include <cstdint>

namespace irenic {

// From here on, for this process and all its threads: no more than `memory` bytes of data (RLIMIT_DATA), no
// core files, and of the system's calls (seccomp, by libseccomp) only those in a list: memory, threads of its
// own, time, reading and writing what it has open already, and messages over kReaderSocket. Opening, asking
// after or listing files by their names is refused with an error, since libraries ask for configuration that
// they can do without; so is a terminal's control. Anything else (another process or program, signals, limits
// of others, the network) ends the process. Returns whether the kernel let it be so; where it has no seccomp
// the limits alone hold. Nothing is done in a build with sanitizers, which need what is forbidden here.
bool enterSandbox(std::uint64_t memory);

// The process is ended by SIGXCPU after so many seconds more of processor time.
void allowProcessorTime(double seconds);

} // namespace irenic
