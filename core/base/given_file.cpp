#include "base/given_file.h"

#include <fcntl.h>
#include <sys/mman.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cstring>

#include "base/shown_text.h"

namespace irenic {

namespace fs = std::filesystem;

namespace {

std::string wordsFor(int error) {
    switch (error) {
    case ENOENT:
    case ENOTDIR: return IRENIC_TEXT("there is no such file. Has it been moved or renamed?");
    case EACCES:
    case EPERM: return IRENIC_TEXT("you have no permission to read it.");
    case ENAMETOOLONG: return IRENIC_TEXT("its name is too long.");
    case ELOOP: return IRENIC_TEXT("it is a link that leads to itself.");
    case ENXIO: return IRENIC_TEXT("this is no file that can be read.");
    default: return filled(IRENIC_TEXT("it cannot be read (%1)."), {std::strerror(error)});
    }
}

// The size of a regular file.
std::uint64_t checkedSize(int file, std::uint64_t most) {
    struct stat info {};
    if (fstat(file, &info) != 0) throw FileError(wordsFor(errno), errno);
    if (S_ISDIR(info.st_mode)) throw FileError(IRENIC_TEXT("this is a folder, not a file."), 0);
    if (!S_ISREG(info.st_mode)) throw FileError(IRENIC_TEXT("this is a pipe or a device, not a file."), 0);
    const auto size = static_cast<std::uint64_t>(info.st_size);
    if (size > most)
        throw FileError(filled(IRENIC_TEXT("it is too large (%1 MB) to be what it is called."),
                               {std::to_string(size / 1000000)}),
                        0);
    return size;
}

} // namespace

Descriptor::~Descriptor() {
    if (number_ >= 0) close(number_);
}

Descriptor openGiven(const fs::path& file, std::uint64_t most) {
    Descriptor out(open(file.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK | O_NOCTTY));
    if (out.number() < 0) throw FileError(wordsFor(errno), errno);
    checkedSize(out.number(), most);
    return out;
}

std::optional<std::string> textOfFile(const fs::path& file, std::uint64_t most) {
    try {
        const Descriptor in = openGiven(file, most);
        std::string text;
        std::vector<char> block(1 << 16);
        while (true) {
            const ssize_t count = read(in.number(), block.data(), block.size());
            if (count < 0 && errno == EINTR) continue;
            if (count < 0) throw FileError(wordsFor(errno), errno);
            if (count == 0) return text;
            text.append(block.data(), static_cast<std::size_t>(count));
            // It may have grown since it was opened.
            if (text.size() > most)
                throw FileError(IRENIC_TEXT("it is too large to be what it is called."), 0);
        }
    } catch (const FileError& e) {
        if (e.error == ENOENT || e.error == ENOTDIR || e.error == ENAMETOOLONG) return std::nullopt;
        throw;
    }
}

GivenFile::GivenFile(const fs::path& file) : name_(file) { map(openGiven(file).number()); }

GivenFile::GivenFile(int descriptor, fs::path name) : name_(std::move(name)) { map(descriptor); }

GivenFile::GivenFile(std::vector<std::uint8_t> bytes, fs::path name) : name_(std::move(name)) {
    const auto kept = std::make_shared<const std::vector<std::uint8_t>>(std::move(bytes));
    bytes_ = *kept, owner_ = kept;
}

void GivenFile::map(int descriptor) {
    const std::uint64_t size = checkedSize(descriptor, kAnySize);
    if (size == 0) return;
    void* at = mmap(nullptr, size, PROT_READ, MAP_PRIVATE, descriptor, 0);
    if (at == MAP_FAILED) throw FileError(wordsFor(errno), errno);
    owner_ = std::shared_ptr<const void>(at, [size](void* p) { munmap(p, size); });
    bytes_ = {static_cast<const std::uint8_t*>(at), static_cast<std::size_t>(size)};
}

} // namespace irenic
