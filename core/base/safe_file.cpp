#include "base/safe_file.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <sys/statvfs.h>
#include <unistd.h>

#include <cerrno>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <random>

#include "base/digest.h"
#include "base/process.h"
#include "base/shown_text.h"

namespace irenic {

namespace {

namespace fs = std::filesystem;

constexpr const char* kPrefix = ".irenic-";
constexpr const char* kEnding = ".part";

// A temporary file's name tells who writes it: the process and when it began, and where numbers of processes
// mean that.
constexpr const char* kForm = "%8x-%d-%llu-%8x";

unsigned home() {
    Digest digest;
    digest.add(thisHome());
    return static_cast<unsigned>(std::stoul(digest.text().substr(0, 8), nullptr, 16));
}

unsigned long long startOf(const std::string& process) {
    return std::strtoull(process.c_str() + process.rfind('/') + 1, nullptr, 10);
}

std::string temporaryName() {
    static thread_local std::mt19937_64 random(std::random_device{}());
    char name[96];
    std::snprintf(name, sizeof name, "%s%08x-%d-%llu-%08x%s", kPrefix, home(), static_cast<int>(getpid()),
                  startOf(thisProcess()), static_cast<unsigned>(random()), kEnding);
    return name;
}

bool isLeftover(const fs::directory_entry& entry) {
    const std::string name = entry.path().filename().string();
    unsigned where = 0, number = 0;
    int process = 0;
    unsigned long long start = 0;
    if (!name.starts_with(kPrefix) || !name.ends_with(kEnding) ||
        std::sscanf(name.c_str() + std::strlen(kPrefix), kForm, &where, &process, &start, &number) != 4)
        return false;
    if (where == home())
        return lifeOf(thisHome() + "/" + std::to_string(process) + "/" + std::to_string(start)) == Life::Gone;
    std::error_code error;
    const auto written = entry.last_write_time(error);
    return !error && fs::file_time_type::clock::now() - written > std::chrono::hours(24);
}

bool syncPath(const fs::path& path, int flags) {
    const int file = open(path.c_str(), flags | O_CLOEXEC);
    if (file < 0) return false;
    const bool done = fsync(file) == 0;
    const int error = errno;
    close(file);
    errno = error;
    // Some file systems have nothing to sync for folders.
    return done || error == EINVAL || error == EROFS;
}

} // namespace

std::string reasonOf(int error) {
    switch (error) {
    case ENOSPC: return IRENIC_TEXT("the disk is full. Make room, or choose another folder.");
    case EDQUOT:
        return IRENIC_TEXT("your share of the disk is used up. Make room, or choose another folder.");
    case EACCES:
    case EPERM:
    case EROFS: return IRENIC_TEXT("nothing may be written there. Choose another folder.");
    case ENAMETOOLONG: return IRENIC_TEXT("its name is too long for this disk. Choose a shorter one.");
    case EEXIST: return IRENIC_TEXT("there is a file of this name already. Choose another name.");
    case ENOENT:
    case ENOTDIR: return IRENIC_TEXT("its folder is not there. Choose another one.");
    case EFBIG:
        return IRENIC_TEXT("it is larger than this disk can hold in one file. Choose another folder.");
    default: return filled(IRENIC_TEXT("it cannot be written (%1)."), {std::strerror(error)});
    }
}

void failedWriting(const fs::path& folder) {
    const int error = errno;
    struct statvfs disk {};
    // Libraries lose the reason; a disk with less than a few blocks left tells it.
    if (error == ENOSPC || (statvfs(folder.c_str(), &disk) == 0 && disk.f_bavail * disk.f_frsize < 65536))
        throw WriteError(reasonOf(ENOSPC));
    throw WriteError(error ? reasonOf(error) : IRENIC_TEXT("it could not be written to its end."));
}

int sweepLeftovers(const fs::path& folder) {
    int swept = 0;
    std::error_code error;
    for (fs::directory_iterator it(folder, error), end; !error && it != end; it.increment(error)) {
        std::error_code ignored;
        if (isLeftover(*it) && fs::remove(it->path(), ignored)) ++swept;
    }
    return swept;
}

SafeFile::SafeFile(fs::path target, Existing existing, MayReplace mayReplace)
    : target_(std::move(target)), existing_(existing), mayReplace_(std::move(mayReplace)) {
    std::error_code nowhere;
    if (const fs::path whole = fs::absolute(target_, nowhere); !nowhere) target_ = whole;
    struct stat info {};
    if (lstat(target_.c_str(), &info) == 0) {
        if (S_ISDIR(info.st_mode)) throw WriteError(IRENIC_TEXT("this is a folder. Choose a file name."));
        if (existing_ == Existing::Keep) throw WriteError(reasonOf(EEXIST));
        if (S_ISLNK(info.st_mode))
            throw WriteError(IRENIC_TEXT(
                "this is a link to another place, which is not written through. Choose another name."));
        if (!S_ISREG(info.st_mode))
            throw WriteError(IRENIC_TEXT("this is a device, not a file. Choose another name."));
        if (access(target_.c_str(), W_OK) != 0)
            throw WriteError(IRENIC_TEXT("the file that is there must not be changed. Choose another name."));
        checkReplaced();
    } else if (errno != ENOENT) {
        throw WriteError(reasonOf(errno));
    }
    const fs::path folder = target_.parent_path();
    sweepLeftovers(folder);
    for (int attempt = 0; temporary_.empty(); ++attempt) {
        const fs::path name = folder / temporaryName();
        const int file = open(name.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0666);
        if (file >= 0) {
            close(file);
            temporary_ = name;
        } else if (errno != EEXIST || attempt > 100) {
            throw WriteError(reasonOf(errno));
        }
    }
}

void SafeFile::checkReplaced() const {
    if (mayReplace_ && !mayReplace_(target_))
        throw WriteError(IRENIC_TEXT("there is a file of this name that Irenic did not make, and it is never "
                                     "replaced. Choose another name."));
}

SafeFile::~SafeFile() {
    if (!done_) unlink(temporary_.c_str());
}

void SafeFile::commit() {
    if (!syncPath(temporary_, O_RDONLY)) failedWriting(target_.parent_path());
    const char *from = temporary_.c_str(), *to = target_.c_str();
    struct stat info {};
    const bool there = lstat(to, &info) == 0;
    if (there && existing_ == Existing::Replace && S_ISREG(info.st_mode)) {
        checkReplaced(); // another program may have put its file there meanwhile
        if (rename(from, to) != 0) throw WriteError(reasonOf(errno));
    } else if (renameat2(AT_FDCWD, from, AT_FDCWD, to, RENAME_NOREPLACE) != 0) {
        if (errno != ENOSYS && errno != EINVAL) throw WriteError(reasonOf(errno));
        if (link(from, to) == 0) {
            unlink(from);
        } else {
            if (errno != EPERM && errno != ENOSYS && errno != EOPNOTSUPP) throw WriteError(reasonOf(errno));
            // Neither is known to this file system: the name is reserved first.
            const int reserved = open(to, O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0666);
            if (reserved < 0) throw WriteError(reasonOf(errno));
            close(reserved);
            if (rename(from, to) != 0) throw WriteError(reasonOf(errno));
        }
    }
    done_ = true;
    syncPath(target_.parent_path(), O_RDONLY | O_DIRECTORY);
}

void writeTo(const fs::path& file, const void* bytes, std::size_t count) {
    const fs::path folder = file.parent_path().empty() ? fs::path(".") : file.parent_path();
    const int out = open(file.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC | O_NOFOLLOW, 0666);
    if (out < 0) failedWriting(folder);
    const auto* from = static_cast<const char*>(bytes);
    int error = 0;
    while (count > 0 && error == 0) {
        const ssize_t done = write(out, from, count);
        if (done < 0 && errno == EINTR) continue;
        if (done <= 0)
            error = done < 0 ? errno : EIO;
        else
            from += done, count -= static_cast<std::size_t>(done);
    }
    if (close(out) != 0 && error == 0) error = errno;
    if (error == 0) return;
    errno = error;
    failedWriting(folder);
}

void writeWhole(const fs::path& target, const std::string& bytes, SafeFile::Existing existing,
                SafeFile::MayReplace mayReplace) {
    SafeFile file(target, existing, std::move(mayReplace));
    writeTo(file.path(), bytes.data(), bytes.size());
    file.commit();
}

} // namespace irenic
