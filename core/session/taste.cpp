#include "session/taste.h"

#include <algorithm>
#include <cmath>
#include <filesystem>

#include "base/expects.h"
#include "base/folders.h"
#include "base/given_file.h"
#include "base/json.h"
#include "base/safe_file.h"

namespace irenic {

namespace {

constexpr std::uint64_t kMostBytes = 4096;
constexpr long long kMostTrials = 1'000'000;

std::filesystem::path tasteFile() { return dataFolder() / "taste.json"; }

} // namespace

void Taste::learn(std::span<const double> worth, std::span<const std::optional<double>> left) {
    IRENIC_EXPECTS(worth.size() == left.size());
    constexpr double kMostRemembered = 50; // trials: a taste may change
    double all = 0, sum = 0;
    int telling = 0;
    for (std::size_t i = 0; i < worth.size(); ++i) {
        if (!left[i]) continue;
        const double weight = std::exp(worth[i]);
        all += weight, sum += weight * std::clamp(*left[i], 0.0, 1.0), ++telling;
    }
    if (telling < 2) return;
    ++trials;
    noiseLeft += (sum / all - noiseLeft) / std::min<double>(trials, kMostRemembered);
}

float Taste::grainFor(double left) const {
    constexpr double kLeast = 0.02, kMost = 0.3; // below nobody sees it; above it is no cleaning any more
    const double wanted = noiseLeft - left;
    if (trials < kFewest || wanted < kLeast) return 0;
    return static_cast<float>(std::round(100 * std::min(wanted, kMost)) / 100);
}

Taste loadTaste() {
    try {
        const auto text = textOfFile(tasteFile(), kMostBytes);
        if (!text) return {};
        const nlohmann::json in = jsonFrom(*text);
        const auto trials = wholeNumber(in.at("trials"), 0, kMostTrials);
        const double left = in.at("noiseLeft").get<double>();
        if (!trials || !(left >= 0 && left <= 1)) return {};
        return {static_cast<int>(*trials), left};
    } catch (const FileError&) {
        return {};
    } catch (const JsonError&) {
        return {};
    } catch (const nlohmann::json::exception&) {
        return {};
    }
}

void saveTaste(const Taste& taste) {
    const nlohmann::json out = {{"irenicTaste", 1}, {"trials", taste.trials}, {"noiseLeft", taste.noiseLeft}};
    writeWhole(tasteFile(), out.dump() + "\n", SafeFile::Existing::Replace);
}

void forgetTaste() {
    std::error_code none;
    std::filesystem::remove(tasteFile(), none);
}

} // namespace irenic
