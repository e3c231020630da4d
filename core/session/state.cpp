#include "session/state.h"

#include <algorithm>
#include <ctime>
#include <set>

#include "develop/algorithms.h"

namespace irenic {

std::vector<Probe> PastedProbes::scaledTo(int newWidth, int newHeight) const {
    std::vector<Probe> out = probes;
    const auto scaled = [](int v, int to, int from) {
        return static_cast<int>(static_cast<long long>(v) * to / std::max(1, from));
    };
    for (Probe& p : out) p.id = 0, p.x = scaled(p.x, newWidth, width), p.y = scaled(p.y, newHeight, height);
    return out;
}

Take* PhotoState::take(std::uint32_t id) {
    const auto at = std::find_if(takes.begin(), takes.end(), [id](const Take& t) { return t.id == id; });
    return id == 0 || at == takes.end() ? nullptr : &*at;
}

const Take* PhotoState::take(std::uint32_t id) const { return const_cast<PhotoState*>(this)->take(id); }

const ReferenceFile* PhotoState::reference(std::uint32_t id) const {
    const auto at =
        std::find_if(references.begin(), references.end(), [id](const auto& r) { return r.id == id; });
    return id == 0 || at == references.end() ? nullptr : &*at;
}

void PhotoState::giveIds() {
    constexpr std::uint32_t kMost = 1'000'000'000; // far from where the next one would begin again at 0
    std::set<std::uint32_t> known;
    const auto each = [&](const auto& body) {
        for (Take& t : takes) body(t.id);
        for (ReferenceFile& r : references) body(r.id);
        for (Probe& p : probes) body(p.id);
    };
    each([&](std::uint32_t& id) {
        if (id > kMost || (id != 0 && !known.insert(id).second)) id = 0;
    });
    std::uint32_t next = known.empty() ? 1 : *known.rbegin() + 1;
    each([&](std::uint32_t& id) {
        if (id == 0) id = next++;
    });
}

void PhotoState::clipTo(int width, int height) {
    for (Probe& p : probes) {
        p.width = std::clamp(p.width, std::min(Probe::kLeast, width), width);
        p.height = std::clamp(p.height, std::min(Probe::kLeast, height), height);
        p.x = std::clamp(p.x, 0, width - 1), p.y = std::clamp(p.y, 0, height - 1);
    }
}

PhotoState freshState() {
    PhotoState state;
    for (const char* method : {"learned", "bm3d", "wavelet"}) {
        Take take;
        take.letter = static_cast<char>('A' + state.takes.size());
        take.settings.method = method;
        state.takes.push_back(take);
    }
    state.giveIds();
    return state;
}

std::string presentTime() {
    const std::time_t now = std::time(nullptr);
    std::tm local{};
    localtime_r(&now, &local);
    char text[32];
    std::strftime(text, sizeof text, "%Y-%m-%d %H:%M:%S", &local);
    return text;
}

ExportStanding standingOf(const ExportMade& made, const PhotoState& state) {
    if (made.settings.empty()) return ExportStanding::Unknown;
    const auto take = std::find_if(state.takes.begin(), state.takes.end(),
                                   [&](const Take& t) { return t.letter == made.letter; });
    if (take == state.takes.end() || textOf(take->settings) != made.settings ||
        textOf(state.look) != made.look)
        return ExportStanding::OtherSettings;
    return made.algorithms < kAlgorithms ? ExportStanding::OlderMethod : ExportStanding::Same;
}

} // namespace irenic
