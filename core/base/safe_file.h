// The one way in which files are written: under a temporary name first, whole or not at all.
#pragma once

#include <filesystem>
#include <functional>
#include <stdexcept>
#include <string>

namespace irenic {

// Why a file was not written. what() is a sentence without the file's name.
struct WriteError : std::runtime_error {
    using std::runtime_error::runtime_error;
};

// Words for errno, with what can be done: a full disk, no permission, a name that is too long.
std::string reasonOf(int error);
// WriteError with what went wrong in `folder`: that the disk is full, where it is.
[[noreturn]] void failedWriting(const std::filesystem::path& folder);

// Reserves a temporary file in the folder of `target`, which must exist, by O_EXCL under a short name that
// tells this process. What is written to path() becomes `target` with commit(); without it, it
// is removed. Temporary files that a process of this machine left behind when it was killed, and those of
// other machines that are more than a day old, are swept away first.
class SafeFile {
  public:
    enum class Existing { Keep, Replace };
    // Whether a file that is there may be replaced: asked when writing begins, and again just before the end.
    using MayReplace = std::function<bool(const std::filesystem::path&)>;

    // Throws WriteError: nothing can be written there, `target` is there and is to be kept, `mayReplace` says
    // no, or it is something other than a regular file that may be written (a link, a device, a folder).
    SafeFile(std::filesystem::path target, Existing existing, MayReplace mayReplace = {});
    ~SafeFile();
    SafeFile(const SafeFile&) = delete;
    SafeFile& operator=(const SafeFile&) = delete;

    const std::filesystem::path& path() const { return temporary_; }
    // Waits until all is on the disk, then gives it the target's name: in one step that cannot overwrite what
    // another has put there meanwhile (renameat2 with RENAME_NOREPLACE, or link and unlink where the file
    // system has no such thing). Throws WriteError; the target is then as it was.
    void commit();

  private:
    void checkReplaced() const;

    std::filesystem::path target_, temporary_;
    Existing existing_;
    MayReplace mayReplace_;
    bool done_ = false;
};

// All bytes into a file, which is emptied first: for the temporary file of a SafeFile. Throws WriteError.
void writeTo(const std::filesystem::path& file, const void* bytes, std::size_t count);
// A small file as a whole, by SafeFile. Throws WriteError.
void writeWhole(const std::filesystem::path& target, const std::string& bytes, SafeFile::Existing existing,
                SafeFile::MayReplace mayReplace = {});

// Removes what killed processes left in a folder, as SafeFile does. Returns how many files.
int sweepLeftovers(const std::filesystem::path& folder);

} // namespace irenic
