#include "reader/reader.h"

#include <fcntl.h>
#include <poll.h>
#include <spawn.h>
#include <sys/mman.h>
#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include <array>
#include <chrono>
#include <csignal>
#include <cstdio>
#include <cstring>
#include <functional>
#include <mutex>
#include <utility>

#include "base/expects.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "reader/protocol.h"
#include "reader/wire.h"

extern char** environ;

namespace irenic {

namespace {

// A raw of 25 MB takes a second or two; a few kilobytes that keep a decoder busy for longer than a photo does
// hold none.
constexpr double kSecondsForMegabyte = 4;

constexpr const char* kDamaged = IRENIC_TEXT("The file is probably damaged; copy it again from the card.");

namespace fs = std::filesystem;

// Above the numbers that a reader expects its own at, so that handing them over never overwrites one.
Descriptor outOfTheWay(int number) {
    const Descriptor low(number);
    Descriptor high(fcntl(number, F_DUPFD_CLOEXEC, 10));
    if (high.number() < 0) throw std::runtime_error(std::strerror(errno));
    return high;
}

// A reader and the way to it. Ended with its owner.
class Process {
  public:
    explicit Process(const ReaderSetup& setup);
    ~Process();
    Process(const Process&) = delete;
    Process& operator=(const Process&) = delete;

    void ask(ReaderRequest request, const fs::path& file, const Descriptor& photo,
             const std::function<std::uint64_t(int)>& put);
    // The next answer within a fiftieth of a second. The reader has died where dead() is true afterwards.
    std::optional<std::pair<ReaderAnswer, std::string>> heard();
    bool dead() const { return dead_; }
    // What it died of, in words.
    std::string causeOfDeath();
    int memory() const { return memory_.number(); }

  private:
    Descriptor socket_, memory_;
    pid_t process_ = 0;
    bool dead_ = false;
};

Process::Process(const ReaderSetup& setup) {
    int ends[2];
    if (socketpair(AF_UNIX, SOCK_SEQPACKET | SOCK_CLOEXEC, 0, ends) != 0)
        throw std::runtime_error(std::strerror(errno));
    socket_ = outOfTheWay(ends[0]);
    const Descriptor other = outOfTheWay(ends[1]);
    memory_ = outOfTheWay(memfd_create("irenic-reading", MFD_CLOEXEC));
    posix_spawn_file_actions_t actions;
    posix_spawn_file_actions_init(&actions);
    posix_spawn_file_actions_addopen(&actions, STDIN_FILENO, "/dev/null", O_RDONLY, 0);
    // Not the terminal: who can write to one can often read from it too.
    posix_spawn_file_actions_addopen(&actions, STDOUT_FILENO, "/dev/null", O_WRONLY, 0);
    posix_spawn_file_actions_addopen(&actions, STDERR_FILENO, "/dev/null", O_WRONLY, 0);
    posix_spawn_file_actions_adddup2(&actions, other.number(), kReaderSocket);
    posix_spawn_file_actions_adddup2(&actions, memory_.number(), kReaderMemory);
    posix_spawn_file_actions_addclosefrom_np(&actions, kReaderMemory + 1);
    const std::string program = setup.program.string(), memory = std::to_string(setup.memory);
    std::array<const char*, 3> words = {program.c_str(), memory.c_str(), nullptr};
    const int error =
        posix_spawn(&process_, program.c_str(), &actions, nullptr, const_cast<char**>(words.data()), environ);
    posix_spawn_file_actions_destroy(&actions);
    if (error != 0) {
        process_ = 0;
        throw std::runtime_error(
            filled(IRENIC_TEXT("%1 cannot be started (%2)"), {program, std::strerror(error)}));
    }
}

Process::~Process() {
    if (process_ <= 0) return;
    kill(process_, SIGKILL);
    waitpid(process_, nullptr, 0);
}

void Process::ask(ReaderRequest request, const fs::path& file, const Descriptor& photo,
                  const std::function<std::uint64_t(int)>& put) {
    // What the last reading left is given back first.
    if (ftruncate(memory_.number(), 0) != 0) throw std::runtime_error(std::strerror(errno));
    if (put) request.bytes = put(memory_.number());
    std::string message(reinterpret_cast<const char*>(&request), sizeof request);
    std::error_code nowhere;
    message += fs::absolute(file, nowhere).string();
    if (message.size() > kMostMessage) throw std::runtime_error(IRENIC_TEXT("its path is too long"));
    if (!sendMessage(socket_.number(), message.data(), message.size(), photo.number())) dead_ = true;
}

std::optional<std::pair<ReaderAnswer, std::string>> Process::heard() {
    pollfd other{socket_.number(), POLLIN, 0};
    if (poll(&other, 1, 20) <= 0) return std::nullopt;
    std::array<char, kMostMessage> message{};
    const ssize_t count = recv(socket_.number(), message.data(), message.size(), MSG_DONTWAIT);
    ReaderAnswer answer;
    if (count < static_cast<ssize_t>(sizeof answer)) {
        dead_ = true;
        return std::nullopt;
    }
    std::memcpy(&answer, message.data(), sizeof answer);
    return std::pair{
        answer, std::string(message.data() + sizeof answer, static_cast<std::size_t>(count) - sizeof answer)};
}

std::string Process::causeOfDeath() {
    int status = 0;
    kill(process_, SIGKILL); // where it closed the way but lives on
    waitpid(process_, &status, 0);
    process_ = 0;
    if (!WIFSIGNALED(status))
        return filled(IRENIC_TEXT("the decoder ended with status %1."),
                      {std::to_string(WEXITSTATUS(status))}) +
               " " + kDamaged;
    switch (WTERMSIG(status)) {
    case SIGXCPU:
        return std::string(IRENIC_TEXT("the decoder took more time than any photo takes.")) + " " + kDamaged;
    case SIGKILL:
        return IRENIC_TEXT("the decoder was stopped from outside, perhaps for lack of memory. Close other "
                           "programs and try again.");
    case SIGSYS:
        return std::string(IRENIC_TEXT("the decoder tried what no decoder may do, and was ended.")) + " " +
               kDamaged;
    case SIGBUS:
        return IRENIC_TEXT("the file could not be read to its end: its disk fails, or it was changed "
                           "meanwhile. Copy it to another disk and try again.");
    default:
        return filled(IRENIC_TEXT("the decoder crashed (%1)."), {strsignal(WTERMSIG(status))}) + " " +
               kDamaged;
    }
}

// The readers that wait for the next file, and how new ones are started.
struct Readers {
    std::mutex mutex;
    std::optional<ReaderSetup> setup;
    bool sandboxed = false, told = false;
    std::vector<std::unique_ptr<Process>> idle;

    std::optional<ReaderSetup> used() {
        const std::lock_guard lock(mutex);
        return setup;
    }
    std::unique_ptr<Process> take(const ReaderSetup& how) {
        {
            const std::lock_guard lock(mutex);
            if (!idle.empty()) {
                auto one = std::move(idle.back());
                idle.pop_back();
                return one;
            }
        }
        return std::make_unique<Process>(how);
    }
    void noteStarted(bool inSandbox) {
        const std::lock_guard lock(mutex);
        sandboxed = inSandbox;
        if (!inSandbox && !std::exchange(told, true))
            std::fputs("irenic: this system offers no sandbox (seccomp); photos are decoded in a process of "
                       "their own, "
                       "with limits alone.\n",
                       stderr);
    }
    void giveBack(std::unique_ptr<Process> one) {
        const std::lock_guard lock(mutex);
        constexpr std::size_t kMostIdle = 2;
        if (idle.size() < kMostIdle) idle.push_back(std::move(one));
    }
};

Readers& readers() {
    static Readers all;
    return all;
}

// What a reader is asked to do.
struct Asked {
    ReaderRequest request;
    fs::path file;                                // for messages, and what is decoded if it is not empty
    std::function<std::uint64_t(int)> put = {};   // what the request needs, into the file in memory
    std::function<void(int, std::uint64_t)> take; // the result, out of it
};

// Asks a reader, listens until it is done, and takes what it left. Throws PhotoError, a whole sentence, and
// Cancelled.
void throughReader(const ReaderSetup& setup, Asked asked, const Work& work) {
    const auto broken = [&](const std::string& why) {
        return PhotoError(filled(IRENIC_TEXT("Cannot open %1"), {shownName(asked.file)}) + ": " + why);
    };
    try {
        Descriptor photo;
        double megabytes = 0;
        if (asked.request.task != ReaderTask::Packet) {
            photo = openGiven(asked.file);
            struct stat info {};
            if (fstat(photo.number(), &info) == 0) megabytes = static_cast<double>(info.st_size) / 1e6;
        }
        asked.request.processorTime =
            std::min(asked.request.processorTime, setup.processorTime) + kSecondsForMegabyte * megabytes;
        auto process = readers().take(setup);
        process->ask(asked.request, asked.file, photo, asked.put);
        const auto begun = std::chrono::steady_clock::now();
        auto moved = begun;
        float furthest = 0;
        while (true) {
            work.check();
            const auto said = process->heard();
            if (process->dead()) throw broken(process->causeOfDeath());
            const auto now = std::chrono::steady_clock::now();
            const auto since = [&](auto then) { return std::chrono::duration<double>(now - then).count(); };
            if (said && said->first.word == ReaderWord::Started) {
                readers().noteStarted(said->first.progress > 0);
            } else if (said && said->first.word == ReaderWord::Progress) {
                if (said->first.progress > furthest) furthest = said->first.progress, moved = now;
                work.report(std::clamp(static_cast<double>(furthest), 0.0, 1.0));
            } else if (said && said->first.word == ReaderWord::Failed) {
                readers().giveBack(std::move(process));
                throw PhotoError(utf8Of(said->second));
            } else if (said) {
                asked.take(process->memory(), said->first.bytes);
                readers().giveBack(std::move(process));
                return;
            }
            // Steps that get smaller and smaller are no progress either.
            if (since(moved) > setup.patience + megabytes || since(begun) > 30 * (setup.patience + megabytes))
                throw broken(IRENIC_TEXT("the decoder made no progress and was ended. The file is probably "
                                         "damaged; copy it again from the card."));
        }
    } catch (const PhotoError&) {
        throw;
    } catch (const Cancelled&) {
        throw;
    } catch (const FileError& e) {
        throw PhotoError(shownName(asked.file) + ": " + e.what());
    } catch (const std::bad_alloc&) {
        throw PhotoError(shownName(asked.file) + ": " + IRENIC_TEXT("there is not enough memory for it."));
    } catch (const std::exception& e) {
        throw broken(std::string(e.what()) + ". " + kDamaged);
    }
}

} // namespace

std::optional<fs::path> readerBesideThis() {
    std::error_code none;
    const fs::path folder = fs::read_symlink("/proc/self/exe", none).parent_path();
    // Beside this program, as it was built, or as it is installed.
    for (const fs::path& place : {folder / "irenic-reader", folder / "../reader/irenic-reader",
                                  folder / "../libexec/irenic/irenic-reader"})
        if (fs::exists(place, none)) return fs::weakly_canonical(place);
    return std::nullopt;
}

void useReader(std::optional<ReaderSetup> setup) {
    if (setup && setup->memory == 0)
        setup->memory = static_cast<std::uint64_t>(sysconf(_SC_PHYS_PAGES)) *
                        static_cast<std::uint64_t>(sysconf(_SC_PAGESIZE)) / 2;
    const std::lock_guard lock(readers().mutex);
    readers().setup = std::move(setup);
    readers().idle.clear();
}

void useReaderBesideThis() {
    const auto program = readerBesideThis();
    if (program)
        useReader(ReaderSetup{*program});
    else
        std::fputs("irenic-reader is not beside this program: photos are decoded in this process, without a "
                   "sandbox.\n",
                   stderr);
}

bool decodersAreSandboxed() {
    const std::lock_guard lock(readers().mutex);
    return readers().setup && readers().sandboxed;
}

std::shared_ptr<Photo> readSandboxed(const fs::path& file, const Work& work) {
    const auto setup = readers().used();
    if (!setup) return readUnmeasured(file, work);
    std::shared_ptr<Photo> photo;
    const auto take = [&](int memory, std::uint64_t bytes) { photo = receivedPhoto(memory, bytes); };
    throughReader(*setup, {{ReaderTask::Photo}, file, {}, take}, work);
    photo->file = file;
    return photo;
}

Glimpse glimpseSandboxed(const fs::path& file, int longest, const Work& work) {
    IRENIC_EXPECTS(longest > 0);
    const auto setup = readers().used();
    Glimpse glimpse;
    try {
        if (!setup) return glimpseOf(GivenFile(file), longest, work);
        const auto take = [&](int memory, std::uint64_t bytes) { glimpse = receivedGlimpse(memory, bytes); };
        throughReader(*setup, {{ReaderTask::Glimpse, longest}, file, {}, take}, work);
    } catch (const PhotoError&) {
        return {};
    } catch (const FileError&) {
        return {};
    }
    return glimpse;
}

namespace {
constexpr double kForXmp = 10; // seconds of processor time: what is sensible takes a hundredth of one
}

OwnProperties ownPropertiesSandboxed(const fs::path& file) {
    const auto setup = readers().used();
    OwnProperties own;
    try {
        if (!setup) return ownPropertiesIn(GivenFile(file));
        const auto take = [&](int memory, std::uint64_t bytes) { own = receivedProperties(memory, bytes); };
        throughReader(*setup, {{ReaderTask::Properties, 0, kForXmp}, file, {}, take}, {});
    } catch (const PhotoError&) {
        return {};
    } catch (const FileError&) {
        return {};
    }
    return own;
}

std::string packetSandboxed(const std::string& original, const std::string& mediaType,
                            const OwnProperties& own) {
    const auto setup = readers().used();
    if (!setup) return packetWith(original, mediaType, own);
    std::string packet;
    const auto put = [&](int memory) { return sendPacketWish({original, mediaType, own}, memory); };
    const auto take = [&](int memory, std::uint64_t bytes) { packet = receivedText(memory, bytes); };
    try {
        throughReader(*setup, {{ReaderTask::Packet, 0, kForXmp}, "XMP", put, take}, {});
    } catch (const PhotoError&) {
        return {};
    }
    return packet;
}

} // namespace irenic
