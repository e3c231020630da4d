#include "reader/sandbox.h"

#include <fcntl.h>
#include <sched.h>
#include <seccomp.h>
#include <sys/mman.h>
#include <sys/resource.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cmath>

#include "reader/protocol.h"

namespace irenic {

namespace {

#if defined(__SANITIZE_ADDRESS__) || defined(__SANITIZE_THREAD__)
constexpr bool kSanitized = true;
#elif defined(__has_feature)
constexpr bool kSanitized = __has_feature(address_sanitizer) || __has_feature(thread_sanitizer);
#else
constexpr bool kSanitized = false;
#endif

// Let through whatever their arguments. Reading and writing reach only what is open: the socket, the file in
// memory, the photo (for reading alone) and /dev/null.
constexpr int kAllowed[] = {SCMP_SYS(read),
                            SCMP_SYS(readv),
                            SCMP_SYS(pread64),
                            SCMP_SYS(preadv),
                            SCMP_SYS(write),
                            SCMP_SYS(writev),
                            SCMP_SYS(pwrite64),
                            SCMP_SYS(lseek),
                            SCMP_SYS(fstat),
                            SCMP_SYS(close),
                            SCMP_SYS(munmap),
                            SCMP_SYS(mremap),
                            SCMP_SYS(madvise),
                            SCMP_SYS(brk),
                            SCMP_SYS(futex),
                            SCMP_SYS(rseq),
                            SCMP_SYS(membarrier),
                            SCMP_SYS(set_robust_list),
                            SCMP_SYS(get_robust_list),
                            SCMP_SYS(set_tid_address),
                            SCMP_SYS(exit),
                            SCMP_SYS(exit_group),
                            SCMP_SYS(sched_yield),
                            SCMP_SYS(sched_getaffinity),
                            SCMP_SYS(getcpu),
                            SCMP_SYS(gettid),
                            SCMP_SYS(getpid),
                            SCMP_SYS(getrandom),
                            SCMP_SYS(nanosleep),
                            SCMP_SYS(clock_nanosleep),
                            SCMP_SYS(clock_gettime),
                            SCMP_SYS(clock_getres),
                            SCMP_SYS(gettimeofday),
                            SCMP_SYS(time),
                            SCMP_SYS(times),
                            SCMP_SYS(getrusage),
                            SCMP_SYS(getrlimit),
                            SCMP_SYS(sysinfo),
                            SCMP_SYS(uname),
                            SCMP_SYS(rt_sigaction),
                            SCMP_SYS(rt_sigprocmask),
                            SCMP_SYS(rt_sigreturn),
                            SCMP_SYS(sigaltstack),
                            SCMP_SYS(restart_syscall),
                            SCMP_SYS(poll),
                            SCMP_SYS(ppoll)};

// Refused with an error that libraries take for an answer.
constexpr struct {
    int call, error;
} kRefused[] = {{SCMP_SYS(open), EACCES},
                {SCMP_SYS(openat), EACCES},
                {SCMP_SYS(openat2), ENOSYS},
                {SCMP_SYS(stat), EACCES},
                {SCMP_SYS(lstat), EACCES},
                {SCMP_SYS(statx), ENOSYS},
                {SCMP_SYS(access), EACCES},
                {SCMP_SYS(faccessat), EACCES},
                {SCMP_SYS(faccessat2), ENOSYS},
                {SCMP_SYS(readlink), EACCES},
                {SCMP_SYS(readlinkat), EACCES},
                {SCMP_SYS(getcwd), EACCES},
                {SCMP_SYS(ioctl), ENOTTY},
                {SCMP_SYS(fcntl), EPERM},
                {SCMP_SYS(prctl), EPERM},
                {SCMP_SYS(fadvise64), ENOSYS},
                // Threads then begin by clone(), of which the arguments can be seen.
                {SCMP_SYS(clone3), ENOSYS}};

class Filter {
  public:
    Filter() : context_(seccomp_init(SCMP_ACT_KILL_PROCESS)) {}
    ~Filter() {
        if (context_) seccomp_release(context_);
    }
    Filter(const Filter&) = delete;
    Filter& operator=(const Filter&) = delete;

    template <class... Conditions> void add(std::uint32_t action, int call, Conditions... conditions) {
        // A call that this kind of processor does not have needs no rule.
        good_ = good_ && context_ &&
                seccomp_rule_add(context_, action, call, sizeof...(conditions), conditions...) == 0;
    }
    bool load() {
        return good_ && seccomp_attr_set(context_, SCMP_FLTATR_CTL_TSYNC, 1) == 0 &&
               seccomp_load(context_) == 0;
    }

  private:
    scmp_filter_ctx context_;
    bool good_ = true;
};

bool allowOnlyWhatDecodersNeed() {
    Filter filter;
    for (const int call : kAllowed) filter.add(SCMP_ACT_ALLOW, call);
    for (const auto& [call, error] : kRefused)
        filter.add(SCMP_ACT_ERRNO(static_cast<std::uint32_t>(error)), call);
    // Memory that can be run as code is not to be had.
    const scmp_datum_t execute = PROT_EXEC;
    for (const int call : {SCMP_SYS(mmap), SCMP_SYS(mprotect)}) {
        filter.add(SCMP_ACT_ALLOW, call, SCMP_A2(SCMP_CMP_MASKED_EQ, execute, 0));
        filter.add(SCMP_ACT_ERRNO(EPERM), call, SCMP_A2(SCMP_CMP_MASKED_EQ, execute, execute));
    }
    // Of a file that is open, by fstat() of newer C libraries; of no other.
    const scmp_datum_t itself = AT_EMPTY_PATH;
    filter.add(SCMP_ACT_ALLOW, SCMP_SYS(newfstatat), SCMP_A3(SCMP_CMP_MASKED_EQ, itself, itself));
    filter.add(SCMP_ACT_ERRNO(EACCES), SCMP_SYS(newfstatat), SCMP_A3(SCMP_CMP_MASKED_EQ, itself, 0));
    // A thread of this process, and no other process.
    const scmp_datum_t thread = CLONE_THREAD | CLONE_VM;
    filter.add(SCMP_ACT_ALLOW, SCMP_SYS(clone), SCMP_A0(SCMP_CMP_MASKED_EQ, thread, thread));
    // Its own limits; abort()'s signal to itself.
    filter.add(SCMP_ACT_ALLOW, SCMP_SYS(prlimit64), SCMP_A0(SCMP_CMP_EQ, 0, 0));
    filter.add(SCMP_ACT_ALLOW, SCMP_SYS(tgkill),
               SCMP_A0(SCMP_CMP_EQ, static_cast<scmp_datum_t>(getpid()), 0));
    for (const int call : {SCMP_SYS(sendmsg), SCMP_SYS(sendto), SCMP_SYS(recvmsg), SCMP_SYS(recvfrom)})
        filter.add(SCMP_ACT_ALLOW, call, SCMP_A0(SCMP_CMP_EQ, static_cast<scmp_datum_t>(kReaderSocket), 0));
    return filter.load();
}

void limit(int what, rlim_t value) {
    rlimit now{};
    if (getrlimit(what, &now) != 0) return;
    now.rlim_cur = now.rlim_max = now.rlim_max == RLIM_INFINITY ? value : std::min(now.rlim_max, value);
    setrlimit(what, &now);
}

} // namespace

bool enterSandbox(std::uint64_t memory) {
    if (kSanitized) return false;
    limit(RLIMIT_CORE, 0);
    limit(RLIMIT_DATA, memory);
    return allowOnlyWhatDecodersNeed();
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
