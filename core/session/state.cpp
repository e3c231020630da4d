#include "session/state.h"

#include <algorithm>
#include <ctime>

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
    std::uint32_t next = 1;
    for (const Take& t : takes) next = std::max(next, t.id + 1);
    for (const Probe& p : probes) next = std::max(next, p.id + 1);
    for (const ReferenceFile& r : references) next = std::max(next, r.id + 1);
    for (ReferenceFile& r : references)
        if (r.id == 0) r.id = next++;
    for (Take& t : takes)
        if (t.id == 0) t.id = next++;
    for (Probe& p : probes)
        if (p.id == 0) p.id = next++;
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

} // namespace irenic
