#include "reader/walls.h"

#include <fcntl.h>
#include <seccomp.h>
#include <sys/resource.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cmath>
#include <initializer_list>

namespace irenic {

namespace {

#if defined(__SANITIZE_ADDRESS__) || defined(__SANITIZE_THREAD__)
constexpr bool kSanitized = true;
#elif defined(__has_feature)
constexpr bool kSanitized = __has_feature(address_sanitizer) || __has_feature(thread_sanitizer);
#else
constexpr bool kSanitized = false;
#endif

// What is refused, with the error that a program meets anyway where it has no right to it. All else is let
// through: decoders and their threads need dozens of calls that harm nobody.
constexpr int kRefused[] = {SCMP_SYS(socket),
                            SCMP_SYS(socketpair),
                            SCMP_SYS(connect),
                            SCMP_SYS(bind),
                            SCMP_SYS(listen),
                            SCMP_SYS(accept),
                            SCMP_SYS(accept4),
                            SCMP_SYS(execve),
                            SCMP_SYS(execveat),
                            SCMP_SYS(creat),
                            SCMP_SYS(unlink),
                            SCMP_SYS(unlinkat),
                            SCMP_SYS(rename),
                            SCMP_SYS(renameat),
                            SCMP_SYS(renameat2),
                            SCMP_SYS(mkdir),
                            SCMP_SYS(mkdirat),
                            SCMP_SYS(rmdir),
                            SCMP_SYS(link),
                            SCMP_SYS(linkat),
                            SCMP_SYS(symlink),
                            SCMP_SYS(symlinkat),
                            SCMP_SYS(mknod),
                            SCMP_SYS(mknodat),
                            SCMP_SYS(chmod),
                            SCMP_SYS(fchmod),
                            SCMP_SYS(fchmodat),
                            SCMP_SYS(chown),
                            SCMP_SYS(fchown),
                            SCMP_SYS(lchown),
                            SCMP_SYS(fchownat),
                            SCMP_SYS(truncate),
                            SCMP_SYS(utimensat),
                            SCMP_SYS(setxattr),
                            SCMP_SYS(lsetxattr),
                            SCMP_SYS(fsetxattr),
                            SCMP_SYS(mount),
                            SCMP_SYS(umount2),
                            SCMP_SYS(chroot),
                            SCMP_SYS(ptrace),
                            SCMP_SYS(kill),
                            SCMP_SYS(tkill),
                            SCMP_SYS(pidfd_open),
                            SCMP_SYS(process_vm_readv),
                            SCMP_SYS(process_vm_writev),
                            SCMP_SYS(io_uring_setup),
                            SCMP_SYS(openat2),
                            SCMP_SYS(bpf),
                            SCMP_SYS(userfaultfd),
                            SCMP_SYS(keyctl),
                            SCMP_SYS(add_key),
                            SCMP_SYS(unshare),
                            SCMP_SYS(setns)};

bool refuseCalls() {
    const scmp_filter_ctx filter = seccomp_init(SCMP_ACT_ALLOW);
    if (!filter) return false;
    bool all = true;
    const std::uint32_t no = SCMP_ACT_ERRNO(EPERM);
    for (const int call : kRefused) {
        // Programs take ENOSYS for a kernel that does not have a call, and use the older one.
        const std::uint32_t how = call == SCMP_SYS(openat2) ? SCMP_ACT_ERRNO(ENOSYS) : no;
        all = seccomp_rule_add(filter, how, call, 0) == 0 && all;
    }
    // Opening is refused by what it is for.
    for (const int flag : {O_WRONLY, O_RDWR, O_CREAT, O_TRUNC}) {
        const auto bit = static_cast<scmp_datum_t>(flag);
        all = seccomp_rule_add(filter, no, SCMP_SYS(openat), 1, SCMP_A2(SCMP_CMP_MASKED_EQ, bit, bit)) == 0 &&
              all;
        all = seccomp_rule_add(filter, no, SCMP_SYS(open), 1, SCMP_A1(SCMP_CMP_MASKED_EQ, bit, bit)) == 0 &&
              all;
    }
    // abort() sends a signal to its own process.
    const auto self = static_cast<scmp_datum_t>(getpid());
    all = seccomp_rule_add(filter, no, SCMP_SYS(tgkill), 1, SCMP_A0(SCMP_CMP_NE, self, 0)) == 0 && all;
    all = seccomp_load(filter) == 0 && all;
    seccomp_release(filter);
    return all;
}

void limit(int what, rlim_t value) {
    rlimit now{};
    if (getrlimit(what, &now) != 0) return;
    now.rlim_cur = now.rlim_max = now.rlim_max == RLIM_INFINITY ? value : std::min(now.rlim_max, value);
    setrlimit(what, &now);
}

} // namespace

bool raiseWalls(std::uint64_t memory) {
    if (kSanitized) return false;
    limit(RLIMIT_CORE, 0);
    limit(RLIMIT_DATA, memory);
    return refuseCalls();
}

void allowProcessorTime(double seconds) {
    rusage used{};
    rlimit now{};
    if (getrusage(RUSAGE_SELF, &used) != 0 || getrlimit(RLIMIT_CPU, &now) != 0) return;
    const double spent = static_cast<double>(used.ru_utime.tv_sec + used.ru_stime.tv_sec);
    now.rlim_cur = static_cast<rlim_t>(std::ceil(spent + seconds + 1));
    setrlimit(RLIMIT_CPU, &now);
}

} // namespace irenic
