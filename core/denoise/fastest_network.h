// Runs the network where it is fastest: on the processor, or on a graphics processor that is there, right and
// faster by measurement.
#pragma once

#include <atomic>
#include <functional>
#include <mutex>
#include <string>
#include <thread>

#include "denoise/network.h"

namespace irenic {

class FastestNetwork {
  public:
    // The network somewhere else: as Network::run, every sample valid. Throws graphics::GraphicsError when it
    // cannot; then it is not asked again.
    struct Elsewhere {
        std::string name;
        std::function<void(Network::Subject subject, const float* in, float* out, int width, int height)> run;
    };
    // `open` is called once, on a thread of its own, when the first tile comes; it may throw, or give one
    // without run: there is nothing else. `times` as fast as the whole processor is what it has to be; a
    // quarter more, or the change is not worth it.
    explicit FastestNetwork(std::function<Elsewhere()> open, double times = 1.25);
    ~FastestNetwork();
    FastestNetwork(const FastestNetwork&) = delete;
    FastestNetwork& operator=(const FastestNetwork&) = delete;
    // That of this machine. With IRENIC_GRAPHICS=off in the environment it is the processor.
    static FastestNetwork& ofMachine();

    // As Network::run, with `here` for what is done on the processor; from any thread. Until it is known what
    // is faster, on the processor.
    void run(Network& here, Network::Subject subject, const float* in, float* out, int width, int height,
             int border, const Work& work = {});
    // Waits until that is known; the name of what is used, or "the processor".
    std::string place();

  private:
    void begin();
    void decide();

    const std::function<Elsewhere()> open_;
    const double times_;
    std::once_flag begun_;
    std::atomic<bool> known_ = false, chosen_ = false;
    std::mutex elsewhere_; // one tile at a time
    // Never taken down: drivers may be gone before, and what a lost device still does is not known.
    Elsewhere* other_ = nullptr;
    std::jthread trial_;
};

} // namespace irenic
