#include "reader/serve.h"

#include <malloc.h>
#include <poll.h>
#include <sys/socket.h>
#include <unistd.h>

#include <array>
#include <condition_variable>
#include <cstring>
#include <mutex>
#include <string>
#include <thread>

#include <oneapi/tbb/parallel_for.h>

#include "base/shown_text.h"
#include "base/text.h"
#include "raw/preview.h"
#include "raw/xmp_packet.h"
#include "reader/protocol.h"
#include "reader/sandbox.h"
#include "reader/wire.h"

namespace irenic {

namespace {

void answer(const ReaderAnswer& what, const std::string& words = {}) {
    std::string message(reinterpret_cast<const char*>(&what), sizeof what);
    message += words.substr(0, kMostMessage - sizeof what);
    sendMessage(kReaderSocket, message.data(), message.size());
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

// What libraries look up in files once is looked up before files can no longer be opened.
void warmUp() {
    std::atomic<int> sum = 0;
    tbb::parallel_for(0, 64, [&](int i) { sum += i; }); // the number of cores
    (void)lockXmp();                                    // the toolkit's tables
}

std::uint64_t perform(const ReaderRequest& request, const Descriptor& file, const std::filesystem::path& name,
                      const Work& work) {
    switch (request.task) {
    case ReaderTask::Photo:
        return sendPhoto(*readUnmeasured(GivenFile(file.number(), name), work), kReaderMemory);
    case ReaderTask::Glimpse:
        return sendGlimpse(glimpseOf(GivenFile(file.number(), name), request.longest, work), kReaderMemory);
    case ReaderTask::Properties:
        return sendProperties(ownPropertiesIn(GivenFile(file.number(), name)), kReaderMemory);
    case ReaderTask::Packet: {
        const PacketWish wish = receivedPacketWish(kReaderMemory, request.bytes);
        return sendText(packetWith(wish.original, wish.mediaType, wish.own), kReaderMemory);
    }
    }
    throw std::runtime_error("there is no such task");
}

} // namespace

int serveReadings(std::uint64_t memory, const std::function<void(const std::filesystem::path&)>& before) {
    warmUp();
    const bool inside = enterSandbox(memory);
    std::atomic<float> done = 0;
    answer({ReaderWord::Started, inside ? 1.0f : 0.0f, 0});
    std::array<char, kMostMessage> message{};
    while (true) {
        int given = -1;
        const long count = receiveMessage(kReaderSocket, message.data(), message.size(), 0, given);
        const Descriptor photo(given);
        if (count < static_cast<long>(sizeof(ReaderRequest))) return 0;
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
                if (before) before(file);
                last.bytes = perform(request, photo, file, {{}, &done});
                last.word = ReaderWord::Done;
            } catch (const PhotoError& e) {
                words = e.what();
            } catch (const FileError& e) {
                words = shownName(file) + ": " + e.what();
            } catch (const std::bad_alloc&) {
                words = shownName(file) + ": " + IRENIC_TEXT("there is not enough memory for it.");
            } catch (const std::exception& e) {
                words = shownName(file) + ": " + filled(IRENIC_TEXT("it cannot be read (%1)."), {e.what()});
            }
        }
        answer(last, words);
        malloc_trim(0);
    }
}

} // namespace irenic
