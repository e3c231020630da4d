#include "measure/dead_lines.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <mutex>

#include "base/expects.h"

namespace irenic {

namespace {

constexpr int kPart = 32; // pixels of a line that are judged together

// A line is judged in parts, each of which tells, or is too dark to tell.
enum class State : std::uint8_t { Sees, Dead, TooDark };
struct Part {
    State state = State::Sees;
    double level = 0; // what most of its samples show
    double off = 0;   // from the lines beside, in the mean
    double noise = 0; // of one sample
};

class DeadLineFinder {
  public:
    DeadLineFinder(const Photo& photo, bool columns)
        : photo_(photo), columns_(columns), lines_(columns ? photo.width() : photo.height()),
          length_(columns ? photo.height() : photo.width()) {
        for (int s = 0; s < 4; ++s)
            line_[static_cast<std::size_t>(s)] =
                photo.noise.channel[static_cast<std::size_t>(photo.mosaic.channel(s))];
    }

    int lines() const { return lines_; }

    // Where line `at` does not see; nothing where it does.
    std::vector<DeadLine> of(int at) const {
        // A wire of the picture is no sixth of it; a shorter stretch may be one.
        constexpr int kFewest = 4;
        constexpr double kShare = 1.0 / 6;
        const int parts = length_ / kPart;
        std::vector<Part> part(static_cast<std::size_t>(parts));
        int dead = 0;
        for (int k = 0; k < parts; ++k) {
            if (!mayBeDead(at, k * kPart)) continue;
            part[static_cast<std::size_t>(k)] = judge(at, k * kPart);
            dead += part[static_cast<std::size_t>(k)].state == State::Dead;
        }
        if (dead < kFewest || dead < kShare * parts || !knowsNothing(part)) return {};
        std::vector<State> state;
        state.reserve(part.size());
        for (int k = 0; k < parts; ++k) state.push_back(judge(at, k * kPart).state);
        const auto first = std::find(state.begin(), state.end(), State::Dead) - state.begin(),
                   last = state.rend() - std::find(state.rbegin(), state.rend(), State::Dead);
        // Between its ends a line is dead all along.
        if (std::count(state.begin() + first, state.begin() + last, State::Sees) * 4 > dead) return {};
        DeadLine out{at, static_cast<int>(first) * kPart, static_cast<int>(last) * kPart};
        // What is too dark to tell belongs to it, up to where the line sees again.
        if (std::count(state.begin(), state.begin() + first, State::Sees) == 0) out.from = 0;
        if (std::count(state.begin() + last, state.end(), State::Sees) == 0) out.to = length_;
        return {out};
    }

  private:
    // A gap between planks, a wire: their light varies along them. What a dead line shows is the same all
    // along, or is the picture and the same on top.
    static bool knowsNothing(const std::vector<Part>& parts) {
        constexpr double kVaries = 0.1; // of how far the line stands out
        double level = 0, off = 0, levels = 0, offs = 0, noise = 0, count = 0;
        for (const Part& p : parts) {
            if (p.state != State::Dead) continue;
            level += p.level, off += p.off, noise += p.noise, ++count;
            levels += p.level * p.level, offs += p.off * p.off;
        }
        level /= count, off /= count;
        const double most = kVaries * std::abs(off) + 2 * noise / count / std::sqrt(kPart);
        const auto spread = [&](double squares, double mean) {
            return std::sqrt(std::max(0.0, squares / count - mean * mean));
        };
        return spread(levels, level) <= most || spread(offs, off) <= most;
    }

    float at(int line, int along) const {
        return columns_ ? photo_.normalised(line, along) : photo_.normalised(along, line);
    }
    double sigma(int line, int along, float level) const {
        const int x = columns_ ? line : along, y = columns_ ? along : line;
        return static_cast<double>(photo_.noiseFactor(x, y)) *
               line_[static_cast<std::size_t>((y & 1) * 2 + (x & 1))].sigma(
                   std::max(0.0, static_cast<double>(level)));
    }

    // Whether some of the samples lie to one side of both beside them: nearly all lines end here.
    bool mayBeDead(int line, int from) const {
        constexpr int kStep = 4, kLeast = 5; // of eight; in noise alone a third of them does
        int above = 0, below = 0;
        for (int along = from; along < from + kPart; along += kStep) {
            const auto sample = [&](int i) {
                return columns_ ? photo_.sample(i, along) : photo_.sample(along, i);
            };
            const int v = sample(line), l = sample(line - 2), r = sample(line + 2);
            above += v > std::max(l, r), below += v < std::min(l, r);
        }
        return std::max(above, below) >= kLeast;
    }

    // Only where both beside a sample are far from what the line shows otherwise can it tell.
    Part judge(int line, int from) const {
        constexpr double kTelling = 4, kFar = 3; // deviations: from what the line shows, and from the sample
        constexpr double kVisible = 0.01;        // of white, at least
        constexpr int kFewest = 8;               // samples that tell
        constexpr double kMost = 0.85;           // of them, those that stand out
        constexpr double kBeside = 0.25; // the lens spreads what is in the picture over the lines beside
        std::array<float, kPart> own;
        for (int i = 0; i < kPart; ++i) own[static_cast<std::size_t>(i)] = at(line, from + i);
        std::nth_element(own.begin(), own.begin() + kPart / 2, own.end());
        const float usual = own[kPart / 2];
        int telling = 0, out = 0;
        double off = 0, left = 0, right = 0, noise = 0;
        for (int y = from; y < from + kPart; ++y) {
            const float v = at(line, y), l = at(line - 2, y), r = at(line + 2, y);
            const double s = sigma(line, y, 0.5f * (l + r));
            noise += s / kPart;
            const double apart = std::max(kVisible, kTelling * s);
            const double below = static_cast<double>(std::min(l, r)),
                         above = static_cast<double>(std::max(l, r));
            if (below - static_cast<double>(usual) > apart)
                ++telling, out += below - static_cast<double>(v) > kFar * s;
            else if (static_cast<double>(usual) - above > apart)
                ++telling, out += static_cast<double>(v) - above > kFar * s;
            off += static_cast<double>(v - 0.5f * (l + r));
            left += static_cast<double>(at(line - 1, y) - at(line - 3, y));
            right += static_cast<double>(at(line + 1, y) - at(line + 3, y));
        }
        Part part{State::TooDark, static_cast<double>(usual), off / kPart, noise};
        if (telling < kFewest) return part;
        // One side may have a dead line of its own.
        const bool structure = std::min(std::abs(left), std::abs(right)) > kBeside * std::abs(off);
        part.state = out >= kMost * telling && !structure ? State::Dead : State::Sees;
        return part;
    }

    const Photo& photo_;
    bool columns_;
    int lines_, length_;
    std::array<NoiseLine, 4> line_;
};

} // namespace

std::vector<DeadLine> findDeadLines(const Photo& photo, bool columns, const Work& work) {
    IRENIC_EXPECTS(photo.hasMosaic());
    IRENIC_EXPECTS(photo.width() >= 16 && photo.height() >= 16);
    const DeadLineFinder finder(photo, columns);
    constexpr int kEdge = 4;
    std::vector<DeadLine> all;
    std::mutex mutex;
    forEachBand(finder.lines() - 2 * kEdge, 16, work, [&](int first, int last) {
        for (int i = kEdge + first; i < kEdge + last; ++i)
            for (const DeadLine& dead : finder.of(i)) {
                const std::lock_guard lock(mutex);
                all.push_back(dead);
            }
    });
    std::sort(all.begin(), all.end(), [](const DeadLine& a, const DeadLine& b) { return a.line < b.line; });
    return all;
}

std::vector<Defect> defectsOf(const Photo& photo, const DeadLine& dead, bool column) {
    IRENIC_EXPECTS(dead.from <= dead.to && dead.line < (column ? photo.width() : photo.height()));
    std::vector<Defect> out;
    const int length = column ? photo.height() : photo.width();
    for (int i = std::max(2, dead.from); i < std::min(length - 2, dead.to); ++i) {
        const int x = column ? dead.line : i, y = column ? i : dead.line;
        int least = 1 << 30, value = 0;
        for (const int slant : {0, 2, -2}) {
            const int dx = column ? 2 : slant, dy = column ? slant : 2;
            const int a = photo.sample(x - dx, y - dy), b = photo.sample(x + dx, y + dy);
            if (std::abs(a - b) < least) least = std::abs(a - b), value = (a + b) / 2;
        }
        out.push_back({x, y, static_cast<std::uint16_t>(value)});
    }
    return out;
}

} // namespace irenic
