// Bytes as a file that any library can open by its name.
#pragma once

#include <sys/mman.h>
#include <unistd.h>

#include <cstddef>
#include <cstdint>
#include <string>

namespace irenic::fuzz {

class MemoryFile {
  public:
    MemoryFile(const std::uint8_t* data, std::size_t size) : file_(memfd_create("fuzzed", 0)) {
        for (std::size_t at = 0; at < size;) {
            const ssize_t n = write(file_, data + at, size - at);
            if (n <= 0) break;
            at += static_cast<std::size_t>(n);
        }
    }
    ~MemoryFile() { close(file_); }
    MemoryFile(const MemoryFile&) = delete;
    MemoryFile& operator=(const MemoryFile&) = delete;
    std::string path() const { return "/proc/self/fd/" + std::to_string(file_); }

  private:
    int file_;
};

} // namespace irenic::fuzz
