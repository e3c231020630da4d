#include "reader/reader.h"

#include <fcntl.h>
#include <poll.h>
#include <spawn.h>
#include <sys/mman.h>
#include <sys/socket.h>
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

#include "raw/text.h"
#include "reader/protocol.h"
#include "reader/wire.h"

extern char** environ;

namespace irenic {

namespace {

namespace fs = std::filesystem;

// A file descriptor that is closed with its owner.
class Descriptor {
  public:
    explicit Descriptor(int number = -1) : number_(number) {}
    Descriptor(Descriptor&& other) noexcept : number_(std::exchange(other.number_, -1)) {}
    Descriptor& operator=(Descriptor&& other) noexcept {
        std::swap(number_, other.number_);
        return *this;
    }
    ~Descriptor() {
        if (number_ >= 0) close(number_);
    }
    int number() const { return number_; }

  private:
    int number_;
};

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

    void ask(const ReaderRequest& request, const fs::path& file);
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
    posix_spawn_file_actions_addopen(&actions, STDOUT_FILENO, "/dev/null", O_WRONLY, 0);
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
        throw std::runtime_error(program + " cannot be started (" + std::strerror(error) + ")");
    }
}

Process::~Process() {
    if (process_ <= 0) return;
    kill(process_, SIGKILL);
    waitpid(process_, nullptr, 0);
}

void Process::ask(const ReaderRequest& request, const fs::path& file) {
    // What the last reading left is given back first.
    if (ftruncate(memory_.number(), 0) != 0) throw std::runtime_error(std::strerror(errno));
    std::string message(reinterpret_cast<const char*>(&request), sizeof request);
    message += fs::absolute(file).string();
    if (message.size() > kMostMessage) throw std::runtime_error("its path is too long");
    if (send(socket_.number(), message.data(), message.size(), MSG_NOSIGNAL) < 0) dead_ = true;
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
    if (!WIFSIGNALED(status)) return "its reader ended with status " + std::to_string(WEXITSTATUS(status));
    if (WTERMSIG(status) == SIGXCPU) return "its reader took more time than any photo takes";
    if (WTERMSIG(status) == SIGKILL) return "its reader was ended from outside, perhaps for want of memory";
    return std::string("its reader died: ") + strsignal(WTERMSIG(status));
}

// The readers that wait for the next file, and how new ones are started.
struct Readers {
    std::mutex mutex;
    std::optional<ReaderSetup> setup;
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

// Asks a reader, listens until it is done, and calls take(memory, bytes) with what it left.
void throughReader(const ReaderSetup& setup, ReaderRequest request, const fs::path& file, const Work& work,
                   const std::function<void(int, std::uint64_t)>& take) {
    const auto broken = [&](const std::string& why) {
        return PhotoError(shownName(file) + ": it could not be read (" + why +
                          "). The file is probably damaged; copy it again from the card.");
    };
    std::error_code none;
    const auto size = fs::file_size(file, none);
    const double megabytes = none ? 0 : static_cast<double>(size) / 1e6;
    request.processorTime = setup.processorTime + megabytes;
    try {
        auto process = readers().take(setup);
        process->ask(request, file);
        auto moved = std::chrono::steady_clock::now();
        float furthest = 0;
        while (true) {
            work.check();
            const auto said = process->heard();
            if (process->dead()) throw broken(process->causeOfDeath());
            const auto now = std::chrono::steady_clock::now();
            if (said && said->first.word == ReaderWord::Progress) {
                if (said->first.progress > furthest) furthest = said->first.progress, moved = now;
                work.report(std::clamp(static_cast<double>(furthest), 0.0, 1.0));
            } else if (said && said->first.word == ReaderWord::Failed) {
                readers().giveBack(std::move(process));
                throw PhotoError(said->second);
            } else if (said) {
                take(process->memory(), said->first.bytes);
                readers().giveBack(std::move(process));
                return;
            }
            if (std::chrono::duration<double>(now - moved).count() > setup.patience + megabytes)
                throw broken("its reader made no progress and was ended");
        }
    } catch (const PhotoError&) {
        throw;
    } catch (const Cancelled&) {
        throw;
    } catch (const std::bad_alloc&) {
        throw PhotoError(shownName(file) + ": there is not enough memory for it.");
    } catch (const std::exception& e) {
        throw broken(e.what());
    }
}

} // namespace

std::optional<fs::path> readerBesideThis() {
    std::error_code none;
    const fs::path folder = fs::read_symlink("/proc/self/exe", none).parent_path();
    for (const fs::path& place : {folder / "irenic-reader", folder / "../reader/irenic-reader"})
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
        std::fputs("irenic-reader is not beside this program: photos are read without walls.\n", stderr);
}

std::shared_ptr<Photo> readBehindWalls(const fs::path& file, const Work& work) {
    const auto setup = readers().used();
    if (!setup) return readUnmeasured(file, work);
    std::shared_ptr<Photo> photo;
    throughReader(*setup, {ReaderTask::Photo}, file, work,
                  [&](int memory, std::uint64_t bytes) { photo = receivedPhoto(memory, bytes); });
    photo->file = file;
    return photo;
}

Glimpse glimpseBehindWalls(const fs::path& file, int longest, const Work& work) {
    const auto setup = readers().used();
    if (!setup) return glimpseOf(file, longest, work);
    Glimpse glimpse;
    try {
        throughReader(*setup, {ReaderTask::Glimpse, longest}, file, work,
                      [&](int memory, std::uint64_t bytes) { glimpse = receivedGlimpse(memory, bytes); });
    } catch (const PhotoError&) {
        return {};
    }
    return glimpse;
}

} // namespace irenic
