#include "reader/serve.h"

#include <fcntl.h>
#include <malloc.h>
#include <poll.h>
#include <sys/socket.h>
#include <unistd.h>

#include <array>
#include <condition_variable>
#include <csignal>
#include <cstdlib>
#include <cstring>
#include <mutex>
#include <string>
#include <thread>

#include "raw/preview.h"
#include "raw/text.h"
#include "reader/protocol.h"
#include "reader/walls.h"
#include "reader/wire.h"

namespace irenic {

namespace {

void answer(const ReaderAnswer& what, const std::string& words = {}) {
    std::string message(reinterpret_cast<const char*>(&what), sizeof what);
    message += words.substr(0, kMostMessage - sizeof what);
    send(kReaderSocket, message.data(), message.size(), MSG_NOSIGNAL);
}

// Tells how far `done` has come, and ends the process when nobody listens any more, whatever it is doing.
void tellProgress(const std::stop_token& stop, const std::atomic<float>& done) {
    float told = 0;
    std::mutex mutex;
    std::condition_variable_any over;
    std::unique_lock lock(mutex);
    while (!over.wait_for(lock, stop, std::chrono::milliseconds(50), [&] { return stop.stop_requested(); })) {
        pollfd other{kReaderSocket, 0, 0};
        if (poll(&other, 1, 0) > 0 && (other.revents & (POLLHUP | POLLERR))) _exit(1);
        const float now = done.load(std::memory_order_relaxed);
        if (now > told) answer({ReaderWord::Progress, told = now, 0});
    }
}

// For tests of the walls: IRENIC_READER_TEST=FAULT:PART does what a decoder that was led astray could do when
// it meets a file whose name holds PART.
void misbehave(const std::filesystem::path& file) {
    const char* asked = std::getenv("IRENIC_READER_TEST");
    const std::string all = asked ? asked : "";
    const std::size_t colon = all.find(':');
    if (colon == std::string::npos ||
        file.filename().string().find(all.substr(colon + 1)) == std::string::npos)
        return;
    const std::string fault = all.substr(0, colon);
    if (fault == "crash") std::abort();
    if (fault == "sleep")
        while (true) pause();
    if (fault == "spin")
        for (std::atomic<unsigned> turns = 0;; ++turns) {
        }
    if (fault == "eat")
        for (std::size_t block = 64 << 20;;) std::memset(new char[block], 1, block); // never given back
    if (fault == "reach") {
        const std::string made = file.string() + ".reached";
        const int written = open(made.c_str(), O_WRONLY | O_CREAT | O_CLOEXEC, 0600);
        const int net = socket(AF_INET, SOCK_STREAM, 0);
        const bool gone = std::rename(file.c_str(), made.c_str()) == 0;
        if (written >= 0 || net >= 0 || gone || kill(getppid(), 0) == 0)
            throw PhotoError(shownName(file) + ": the walls are open.");
    }
}

std::uint64_t perform(const ReaderRequest& request, const std::filesystem::path& file, const Work& work) {
    misbehave(file);
    if (request.task == ReaderTask::Glimpse)
        return sendGlimpse(glimpseOf(file, request.longest, work), kReaderMemory);
    return sendPhoto(*readUnmeasured(file, work), kReaderMemory);
}

} // namespace

int serveReadings(std::uint64_t memory) {
    raiseWalls(memory);
    std::atomic<float> done = 0;
    std::array<char, kMostMessage> message{};
    while (true) {
        const ssize_t count = recv(kReaderSocket, message.data(), message.size(), 0);
        if (count < static_cast<ssize_t>(sizeof(ReaderRequest))) return 0;
        ReaderRequest request;
        std::memcpy(&request, message.data(), sizeof request);
        const std::filesystem::path file(
            std::string(message.data() + sizeof request, static_cast<std::size_t>(count) - sizeof request));
        allowProcessorTime(request.processorTime);
        done = 0;
        ReaderAnswer last{ReaderWord::Failed, 0, 0};
        std::string words;
        {
            const std::jthread teller([&](const std::stop_token& stop) { tellProgress(stop, done); });
            try {
                last.bytes = perform(request, file, {{}, &done});
                last.word = ReaderWord::Done;
            } catch (const PhotoError& e) {
                words = e.what();
            } catch (const std::bad_alloc&) {
                words = shownName(file) + ": there is not enough memory for it.";
            } catch (const std::exception& e) {
                words = shownName(file) + ": it cannot be read (" + e.what() + ").";
            }
        }
        answer(last, words);
        malloc_trim(0);
    }
}

} // namespace irenic
