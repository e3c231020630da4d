// A library that is loaded before all others and lets calls of the system fail, for tests of what a program
// makes of it:
//   IRENIC_FAIL=CALL:N:ERROR       the N-th call of that kind fails with that errno (numbers)
//   IRENIC_DISK=FOLDER, IRENIC_DISK_ROOM=BYTES   files in the folder hold so many bytes together, whoever
//                                  wrote them, then the disk is full
//   IRENIC_DISK=FOLDER, IRENIC_DISK_ROOM=-1      nothing may be written below it
// Kinds: open (for writing), read, write, sync, rename.
#ifndef _GNU_SOURCE
#define _GNU_SOURCE
#endif
#include <dirent.h>
#include <dlfcn.h>
#include <fcntl.h>
#include <stdarg.h>
#include <stdio.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <atomic>
#include <cerrno>
#include <cstdlib>
#include <cstring>
#include <string>

namespace {

template <class F> F next(const char* name) { return reinterpret_cast<F>(dlsym(RTLD_NEXT, name)); }

struct Plan {
    std::string kind, disk;
    long at = -1, room = 0;
    int error = EIO;
    bool limited = false;
    Plan() {
        if (const char* fail = getenv("IRENIC_FAIL")) {
            const std::string all = fail;
            const std::size_t one = all.find(':'), two = all.find(':', one + 1);
            kind = all.substr(0, one), at = atol(all.c_str() + one + 1);
            if (two != std::string::npos) error = atoi(all.c_str() + two + 1);
        }
        const char *folder = getenv("IRENIC_DISK"), *bytes = getenv("IRENIC_DISK_ROOM");
        if (folder && bytes) disk = folder, room = atol(bytes), limited = true;
    }
};
const Plan& plan() {
    static const Plan one;
    return one;
}

std::atomic<long> calls{0};

// Whether this call of its kind is the one to fail; sets errno then.
bool fails(const char* kind) {
    if (plan().at < 0 || plan().kind != kind || ++calls != plan().at) return false;
    errno = plan().error;
    return true;
}

bool below(const std::string& path) {
    return plan().limited && path.compare(0, plan().disk.size(), plan().disk) == 0;
}
std::string pathOf(int file) {
    char path[4096], link[64];
    snprintf(link, sizeof link, "/proc/self/fd/%d", file);
    const ssize_t length = readlink(link, path, sizeof path - 1);
    return length > 0 ? std::string(path, static_cast<std::size_t>(length)) : std::string();
}
bool isFile(int file) {
    struct stat info;
    return fstat(file, &info) == 0 && S_ISREG(info.st_mode);
}
// What the files in the folder hold now.
long held() {
    long bytes = 0;
    DIR* folder = opendir(plan().disk.c_str());
    if (!folder) return 0;
    while (const dirent* entry = readdir(folder)) {
        struct stat info;
        if (fstatat(dirfd(folder), entry->d_name, &info, AT_SYMLINK_NOFOLLOW) == 0 && S_ISREG(info.st_mode))
            bytes += info.st_size;
    }
    closedir(folder);
    return bytes;
}
// Room for this file to reach as far as `end`; errno says why not.
bool hasRoom(int file, off64_t end) {
    if (!plan().limited || !below(pathOf(file))) return true;
    struct stat info;
    const long more = fstat(file, &info) == 0 ? std::max<long>(0, end - info.st_size) : end;
    if (more == 0 || held() + more <= plan().room) return true;
    errno = ENOSPC;
    return false;
}
off64_t endOfWrite(int file, size_t count) {
    struct stat info;
    const bool appends = fcntl(file, F_GETFL) & O_APPEND;
    return (appends && fstat(file, &info) == 0 ? info.st_size : lseek64(file, 0, SEEK_CUR)) +
           static_cast<off64_t>(count);
}

bool mayOpen(const char* path, int flags) {
    if ((flags & (O_WRONLY | O_RDWR | O_CREAT)) == 0) return true;
    if (fails("open")) return false;
    if (plan().limited && plan().room < 0 && below(path)) return errno = EROFS, false;
    return true;
}

} // namespace

extern "C" {

#define OPEN(NAME)                                                                                           \
    int NAME(const char* path, int flags, ...) {                                                             \
        va_list list;                                                                                        \
        va_start(list, flags);                                                                               \
        const mode_t mode = (flags & (O_CREAT | O_TMPFILE)) ? va_arg(list, mode_t) : 0;                      \
        va_end(list);                                                                                        \
        if (!mayOpen(path, flags)) return -1;                                                                \
        static const auto real = next<int (*)(const char*, int, mode_t)>(#NAME);                             \
        return real(path, flags, mode);                                                                      \
    }
OPEN(open)
OPEN(open64)

ssize_t read(int file, void* to, size_t count) {
    static const auto real = next<ssize_t (*)(int, void*, size_t)>("read");
    if (plan().at >= 0 && isFile(file) && fails("read")) return -1;
    return real(file, to, count);
}

ssize_t write(int file, const void* from, size_t count) {
    static const auto real = next<ssize_t (*)(int, const void*, size_t)>("write");
    if ((plan().at >= 0 || plan().limited) && isFile(file) &&
        (fails("write") || !hasRoom(file, endOfWrite(file, count))))
        return -1;
    return real(file, from, count);
}

ssize_t pwrite64(int file, const void* from, size_t count, off64_t at) {
    static const auto real = next<ssize_t (*)(int, const void*, size_t, off64_t)>("pwrite64");
    if ((plan().at >= 0 || plan().limited) && isFile(file) &&
        (fails("write") || !hasRoom(file, at + static_cast<off64_t>(count))))
        return -1;
    return real(file, from, count, at);
}

int fsync(int file) {
    static const auto real = next<int (*)(int)>("fsync");
    return fails("sync") ? -1 : real(file);
}
int fdatasync(int file) {
    static const auto real = next<int (*)(int)>("fdatasync");
    return fails("sync") ? -1 : real(file);
}

int rename(const char* from, const char* to) {
    static const auto real = next<int (*)(const char*, const char*)>("rename");
    return fails("rename") ? -1 : real(from, to);
}
int renameat2(int fromFolder, const char* from, int toFolder, const char* to, unsigned flags) {
    static const auto real = next<int (*)(int, const char*, int, const char*, unsigned)>("renameat2");
    return fails("rename") ? -1 : real(fromFolder, from, toFolder, to, flags);
}

// The C library's own streams do not come through write(): those that are written get one that does.
FILE* fopen(const char* path, const char* mode) {
    static const auto real = next<FILE* (*)(const char*, const char*)>("fopen");
    if (!strchr(mode, 'w') && !strchr(mode, 'a')) return real(path, mode);
    const int file =
        open(path, O_WRONLY | O_CREAT | (strchr(mode, 'a') ? O_APPEND : O_TRUNC) | O_CLOEXEC, 0666);
    if (file < 0) return nullptr;
    cookie_io_functions_t functions{};
    functions.write = [](void* cookie, const char* from, size_t count) -> ssize_t {
        const ssize_t done = write(static_cast<int>(reinterpret_cast<intptr_t>(cookie)), from, count);
        return done < 0 ? 0 : done; // the way of such streams to say so; errno stays
    };
    functions.seek = [](void* cookie, off64_t* at, int whence) {
        const off64_t to = lseek64(static_cast<int>(reinterpret_cast<intptr_t>(cookie)), *at, whence);
        return to < 0 ? -1 : (*at = to, 0);
    };
    functions.close = [](void* cookie) {
        return close(static_cast<int>(reinterpret_cast<intptr_t>(cookie)));
    };
    return fopencookie(reinterpret_cast<void*>(static_cast<intptr_t>(file)), mode, functions);
}
FILE* fopen64(const char* path, const char* mode) { return fopen(path, mode); }
}
