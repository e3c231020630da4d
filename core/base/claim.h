// That somebody is at work on something: a file being made, a photo's work being edited. Any number of
// processes, on as many machines, can share a folder by it.
#pragma once

#include <filesystem>
#include <optional>
#include <string>

#include "base/process.h"

namespace irenic {

// A small file, made so that only one can make it (O_EXCL), that names its owner and is touched every few
// seconds while that lives (by one thread for all claims of a process). It goes with its owner. Ages are told
// by the clock of the folder's own machine.
class Claim {
  public:
    // Seconds without a touch after which an owner of whom nothing else is known counts as dead, and its
    // claim is taken over. One that was a process here and has ended is known to be dead at once; one that
    // lives here never is, however long it was stopped.
    static constexpr double kDeadAfter = 60;

    // Who has a claim that could not be had.
    struct Holder {
        std::string process; // nameOfProcess(); empty: it does not say
        Life life = Life::Unknown;
    };

    // Nothing while somebody else has it, who is then told. Throws std::runtime_error, a sentence, where the
    // folder cannot be written.
    static std::optional<Claim> take(const std::filesystem::path& file, Holder* holder = nullptr);
    // Whoever has it: for where a person has said that the other is gone.
    static std::optional<Claim> takeOver(const std::filesystem::path& file);
    Claim(Claim&& other) noexcept;
    Claim& operator=(Claim&& other) noexcept;
    ~Claim();
    // Whether it is still this one's: another may have taken it over while this process stood still.
    bool held() const;

  private:
    Claim(std::filesystem::path file, std::string words);

    std::filesystem::path file_; // empty: moved from
    std::string words_;          // what stands in it
};

// Where the claim of a file that is being made stands: ".NAME.claim" beside it.
std::filesystem::path claimOf(const std::filesystem::path& target);

} // namespace irenic
