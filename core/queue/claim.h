// That a file is being made: so that several processes, on as many machines, can share one folder.
#pragma once

#include <filesystem>
#include <optional>
#include <thread>

namespace irenic {

// A file beside the target, ".NAME.claim", made so that only one can make it (O_EXCL), and touched every few
// seconds while its owner lives. It goes with its owner. Ages are told by the clock of the folder's own
// machine.
class Claim {
  public:
    // Seconds without a touch after which the owner is taken for dead and its claim is taken over; one that
    // was a process of this machine and is gone is known to be dead at once.
    static constexpr double kDeadAfter = 60;

    // Nothing while somebody else is at it. Throws std::runtime_error where the folder cannot be written.
    static std::optional<Claim> take(const std::filesystem::path& target);
    Claim(Claim&& other) noexcept = default;
    Claim& operator=(Claim&& other) = delete;
    ~Claim();

  private:
    explicit Claim(std::filesystem::path file);

    std::filesystem::path file_; // empty: moved from
    std::jthread beat_;
};

std::filesystem::path claimOf(const std::filesystem::path& target);

} // namespace irenic
