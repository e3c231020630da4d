// The learned method's second opinion of one noisy mosaic after another, for training: the very code that it
// calls.
//
// Standard input, little-endian, until it ends: for each mosaic two 32-bit integers, samples along a side and
// which pass it is for (1, 2), a 32-bit float, the stabilised value of white, and four planes R, G (row of
// R), G (row of B), B of 32-bit floats, stabilised, with noise of standard deviation 1. Standard output: the
// planes as that leaves them, in the same order.
#include <algorithm>
#include <cstdint>
#include <cstdio>
#include <stdexcept>
#include <vector>

#include "denoise/network_passes.h"
#include "denoise/second_opinion.h"

using namespace irenic;

namespace {

bool get(void* to, std::size_t bytes) { return std::fread(to, 1, bytes, stdin) == bytes; }

void answerAll() {
    std::int32_t head[2];
    const int margin = passesMargin();
    float white = 0;
    while (get(head, sizeof head) && get(&white, sizeof white)) {
        const int size = head[0];
        if (size <= secondOpinionMargin() || size > 4096)
            throw std::runtime_error("mosaics of that size do not go");
        const auto pixels = static_cast<std::size_t>(size) * static_cast<std::size_t>(size);
        std::vector<float> channels(kPlanes * pixels);
        if (!get(channels.data(), channels.size() * sizeof(float)))
            throw std::runtime_error("a mosaic ended early");
        const Rect area{0, 0, size, size};
        PlaneSet in(area.inflated(margin));
        in.extent = area, in.white = white;
        for (int y = in.area.y; y < in.area.bottom(); ++y)
            for (int x = in.area.x; x < in.area.right(); ++x) {
                const auto at = static_cast<std::size_t>(mirrored(y, size) * size + mirrored(x, size));
                float c[kPlanes], planes[kPlanes];
                for (std::size_t k = 0; k < kPlanes; ++k) c[k] = channels[k * pixels + at];
                planesFrom(c, planes);
                for (std::size_t p = 0; p < kPlanes; ++p) in.rowAt(p, y)[x] = planes[p];
            }
        const PlaneSet out =
            head[1] == 1 ? secondOpinion(in, area, 1, {}) : guideOfSecondPass(in, area, 1, {});
        for (int y = 0; y < size; ++y)
            for (int x = 0; x < size; ++x) {
                float c[kPlanes];
                channelsAt(out, x, y, c);
                for (std::size_t k = 0; k < kPlanes; ++k)
                    channels[k * pixels + static_cast<std::size_t>(y * size + x)] = c[k];
            }
        std::fwrite(channels.data(), sizeof(float), channels.size(), stdout);
        std::fflush(stdout);
    }
}

} // namespace

int main() {
    keepFreedMemory();
    try {
        answerAll();
    } catch (const std::exception& e) {
        std::fprintf(stderr, "irenic-second-opinion: %s\n", e.what());
        return 1;
    }
}
