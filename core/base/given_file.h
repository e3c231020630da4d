// The one way in which files are opened that somebody else may have put where they are: photos, sidecars,
// presets, sessions, profiles, claims, targets.
#pragma once

#include <cstdint>
#include <filesystem>
#include <limits>
#include <memory>
#include <optional>
#include <span>
#include <stdexcept>
#include <string>
#include <utility>
#include <vector>

namespace irenic {

// Why a file was not opened or read. what() is a sentence without the file's name.
struct FileError : std::runtime_error {
    FileError(const std::string& words, int number) : std::runtime_error(words), error(number) {}
    int error; // errno; 0: it is of the wrong kind or too large
};

// A file descriptor that is closed with its owner.
class Descriptor {
  public:
    explicit Descriptor(int number = -1) : number_(number) {}
    Descriptor(Descriptor&& other) noexcept : number_(std::exchange(other.number_, -1)) {}
    Descriptor& operator=(Descriptor&& other) noexcept {
        std::swap(number_, other.number_);
        return *this;
    }
    ~Descriptor();
    int number() const { return number_; }

  private:
    int number_;
};

inline constexpr std::uint64_t kAnySize = std::numeric_limits<std::uint64_t>::max();

// A regular file of at most `most` bytes, open for reading: no pipe, device or folder, and nothing that would
// make the caller wait. Throws FileError.
Descriptor openGiven(const std::filesystem::path& file, std::uint64_t most = kAnySize);

// All bytes of such a file; none where there is no file of that name. Throws FileError.
std::optional<std::string> textOfFile(const std::filesystem::path& file, std::uint64_t most);

// The bytes of a photo's file, and what it is called. Copies share them.
class GivenFile {
  public:
    // Mapped into memory, without being read. Throws FileError.
    explicit GivenFile(const std::filesystem::path& file);
    // Likewise by a descriptor of a regular file, which may be closed afterwards.
    GivenFile(int descriptor, std::filesystem::path name);
    // Bytes that are in memory already.
    GivenFile(std::vector<std::uint8_t> bytes, std::filesystem::path name);

    const std::filesystem::path& name() const { return name_; }
    std::span<const std::uint8_t> bytes() const { return bytes_; }
    std::uint64_t size() const { return bytes_.size(); }
    // A part of them; none where it does not lie within the file.
    std::optional<std::span<const std::uint8_t>> part(std::uint64_t at, std::uint64_t count) const {
        if (at > size() || count > size() - at) return std::nullopt;
        return bytes_.subspan(static_cast<std::size_t>(at), static_cast<std::size_t>(count));
    }

  private:
    void map(int descriptor);

    std::filesystem::path name_;
    std::shared_ptr<const void> owner_;
    std::span<const std::uint8_t> bytes_;
};

} // namespace irenic
