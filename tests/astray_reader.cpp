// A reader whose decoders do what one could do that a file has led astray: IRENIC_ASTRAY=FAULT:PART does it
// to a file whose name holds PART. Tests start it in place of the real one; it is not shipped.
#include <dirent.h>
#include <fcntl.h>
#include <sys/ioctl.h>
#include <sys/mman.h>
#include <sys/ptrace.h>
#include <sys/resource.h>
#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/syscall.h>
#include <sys/un.h>
#include <unistd.h>
#include <utime.h>

#include <atomic>
#include <csignal>
#include <cstdlib>
#include <cstring>
#include <functional>
#include <map>
#include <sched.h>
#include <string>

#include "base/text.h"
#include "raw/photo.h"
#include "reader/serve.h"

namespace {

namespace fs = std::filesystem;

long rawCall(long number, long a = 0, long b = 0, long c = 0, long d = 0) {
    return syscall(number, a, b, c, d);
}

// Each returns whether it got through.
const std::map<std::string, std::function<bool(const fs::path&)>>& attacks() {
    static const std::map<std::string, std::function<bool(const fs::path&)>> all = {
        {"signal by kill", [](const fs::path&) { return kill(getppid(), SIGUSR1) == 0; }},
        {"signal by rt_sigqueueinfo",
         [](const fs::path&) {
             siginfo_t info{};
             info.si_code = SI_QUEUE;
             return rawCall(SYS_rt_sigqueueinfo, getppid(), SIGUSR1, reinterpret_cast<long>(&info)) == 0;
         }},
        {"signal by pidfd",
         [](const fs::path&) {
             const long parent = rawCall(SYS_pidfd_open, getppid());
             return parent >= 0 && rawCall(SYS_pidfd_send_signal, parent, SIGUSR1) == 0;
         }},
        {"limits of its parent",
         [](const fs::path&) {
             rlimit none{0, 0};
             return prlimit(getppid(), RLIMIT_CORE, &none, nullptr) == 0;
         }},
        {"memory of its parent",
         [](const fs::path&) {
             return open(("/proc/" + std::to_string(getppid()) + "/mem").c_str(), O_RDONLY) >= 0 ||
                    open(("/proc/" + std::to_string(getppid()) + "/environ").c_str(), O_RDONLY) >= 0;
         }},
        {"fork",
         [](const fs::path&) {
             const pid_t child = fork();
             if (child == 0) _exit(0);
             return child > 0;
         }},
        {"another program",
         [](const fs::path&) {
             const char* words[] = {"/bin/true", nullptr};
             return execv("/bin/true", const_cast<char**>(words)) == 0;
         }},
        {"network", [](const fs::path&) { return socket(AF_INET, SOCK_STREAM, 0) >= 0; }},
        {"local socket", [](const fs::path&) { return socket(AF_UNIX, SOCK_STREAM, 0) >= 0; }},
        {"reading a file", [](const fs::path& f) { return open(f.c_str(), O_RDONLY) >= 0; }},
        {"writing a file", [](const fs::path& f) { return open(f.c_str(), O_WRONLY) >= 0; }},
        {"making a file",
         [](const fs::path& f) {
             return open((f.string() + ".reached").c_str(), O_WRONLY | O_CREAT, 0600) >= 0;
         }},
        {"removing a file", [](const fs::path& f) { return unlink(f.c_str()) == 0; }},
        {"renaming a file",
         [](const fs::path& f) { return rename(f.c_str(), (f.string() + ".reached").c_str()) == 0; }},
        {"times of a file", [](const fs::path& f) { return utime(f.c_str(), nullptr) == 0; }},
        {"mode of a file",
         [](const fs::path& f) {
             constexpr long kFchmodat2 = 452; // newer than the headers
             return rawCall(kFchmodat2, AT_FDCWD, reinterpret_cast<long>(f.c_str()), 0777, 0) == 0;
         }},
        {"listing a folder", [](const fs::path& f) { return opendir(f.parent_path().c_str()) != nullptr; }},
        {"typing into the terminal",
         [](const fs::path&) {
             char letter = 'x';
             return ioctl(0, TIOCSTI, &letter) == 0 || ioctl(2, TIOCSTI, &letter) == 0 || isatty(2);
         }},
        {"code in memory",
         [](const fs::path&) {
             return mmap(nullptr, 4096, PROT_READ | PROT_WRITE | PROT_EXEC, MAP_PRIVATE | MAP_ANONYMOUS, -1,
                         0) != MAP_FAILED;
         }},
        {"messages elsewhere",
         [](const fs::path&) {
             msghdr message{};
             return sendmsg(0, &message, 0) >= 0;
         }},
        {"namespaces", [](const fs::path&) { return unshare(CLONE_NEWUSER) == 0; }},
        {"keys", [](const fs::path&) { return rawCall(SYS_keyctl, 0, -3, 1) >= 0; }},
        {"tracing", [](const fs::path&) { return ptrace(PTRACE_TRACEME, 0, 0, 0) == 0; }}};
    return all;
}

void goAstray(const fs::path& file) {
    const char* asked = std::getenv("IRENIC_ASTRAY");
    const std::string all = asked ? asked : "";
    const std::size_t colon = all.find(':');
    if (colon == std::string::npos ||
        file.filename().string().find(all.substr(colon + 1)) == std::string::npos)
        return;
    const std::string fault = all.substr(0, colon);
    if (fault == "crash") std::abort();
    if (fault == "sleep")
        while (true) usleep(100000);
    if (fault == "spin")
        for (std::atomic<unsigned> turns = 0;; ++turns) {
        }
    if (fault == "eat")
        for (std::size_t block = 64 << 20;;) std::memset(new char[block], 1, block); // never given back
    if (fault.starts_with("reach ") && attacks().at(fault.substr(6))(file))
        throw irenic::PhotoError(irenic::shownName(file) + ": the sandbox is open.");
}

} // namespace

int main(int argc, char** argv) {
    return argc == 2 ? irenic::serveReadings(std::strtoull(argv[1], nullptr, 10), goAstray) : 2;
}
