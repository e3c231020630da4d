// Pieces of photos without a mosaic as the learned method will see them, for training: read, measured,
// stabilised and judged by the program's own code.
//
// Standard input, until it ends, for each photo three lines: numbers, then the file of the noisy photo and
// that of the same one without noise, of the same size. The numbers are pieces, samples along a side and a
// seed for the pieces' places. Standard output, little-endian: a 32-bit integer, how many pieces come (0
// where the photo cannot be used); for each three 32-bit floats: sigma over white, coarseNoise and rounding;
// then, as planes of 32-bit floats, what is seen, the second opinion and the truth, each R, G and B,
// stabilised. A piece's first row and column lie kPhase samples beyond a block's.
#include <cmath>
#include <cstdint>
#include <cstdio>
#include <iostream>
#include <random>
#include <sstream>

#include "denoise/clean.h"
#include "denoise/second_opinion.h"
#include "measure/open.h"
#include "noise/stabilise.h"

using namespace irenic;

namespace {

constexpr int kPhase = 4, kBlock = 8;

struct Asked {
    int pieces = 0, side = 0;
    unsigned seed = 0;
    std::string noisy, clean;
};

bool next(Asked& asked) {
    std::string numbers;
    if (!std::getline(std::cin, numbers) || !std::getline(std::cin, asked.noisy) ||
        !std::getline(std::cin, asked.clean))
        return false;
    std::istringstream in(numbers);
    in >> asked.pieces >> asked.side >> asked.seed;
    return !in.fail();
}

// The stabilised value whose unbiased inverse is x, nearly.
float truthOf(const Stabiliser& stable, float x) {
    const Stabiliser::View view = stable.view();
    return 2 * std::sqrt(std::max(1e-3f, x * view.gain + view.offset - 0.25f));
}

void putPixels(const PlaneSet& planes, const Rect& piece) {
    std::vector<float> out(3 * static_cast<std::size_t>(piece.area()));
    for (int y = 0; y < piece.height; ++y)
        for (int x = 0; x < piece.width; ++x) {
            float v[3];
            pixelOf(planes.rowAt(0, piece.y + y)[piece.x + x], planes.rowAt(1, piece.y + y)[piece.x + x],
                    planes.rowAt(2, piece.y + y)[piece.x + x], v, planes.grey);
            for (std::size_t c = 0; c < 3; ++c)
                out[c * static_cast<std::size_t>(piece.area()) +
                    static_cast<std::size_t>(y * piece.width + x)] = v[c];
        }
    std::fwrite(out.data(), sizeof(float), out.size(), stdout);
}

void answer(const Asked& asked) {
    const PhotoPtr noisy = readPhoto(asked.noisy), clean = readPhoto(asked.clean, {}, Measure::Nothing);
    if (noisy->hasMosaic() || noisy->width() != clean->width() || noisy->height() != clean->height())
        throw std::runtime_error(asked.noisy + ": a photo of pixels and one of the same size are needed");
    std::mt19937 random(asked.seed);
    const auto place = [&](int length) {
        const int most = (length - asked.side - kPhase) / kBlock;
        return static_cast<int>(random() % static_cast<unsigned>(std::max(1, most + 1))) * kBlock + kPhase;
    };
    const Stabiliser stable[3] = {Stabiliser(noisy->noise.channel[0]), Stabiliser(noisy->noise.channel[1]),
                                  Stabiliser(noisy->noise.channel[3])};
    const std::int32_t pieces = asked.pieces;
    std::fwrite(&pieces, sizeof pieces, 1, stdout);
    for (int k = 0; k < asked.pieces; ++k) {
        const Rect piece{place(noisy->width()), place(noisy->height()), asked.side, asked.side};
        const PlaneSet seen = stabilisedPlanes(*noisy, piece.inflated(secondOpinionMargin()), {});
        const float head[3] = {1 / seen.white, seen.coarseNoise, seen.rounding};
        std::fwrite(head, sizeof(float), 3, stdout);
        putPixels(seen, piece);
        putPixels(secondOpinion(seen, piece, 1, {}), piece);
        std::vector<float> truth;
        for (int c = 0; c < 3; ++c)
            for (int y = piece.y; y < piece.bottom(); ++y)
                for (int x = piece.x; x < piece.right(); ++x)
                    truth.push_back(truthOf(stable[c], clean->normalised(x, y, c)));
        std::fwrite(truth.data(), sizeof(float), truth.size(), stdout);
    }
}

} // namespace

int main() {
    keepFreedMemory();
    Asked asked;
    while (next(asked)) {
        try {
            answer(asked);
        } catch (const std::exception& e) {
            std::fprintf(stderr, "irenic-photo-pieces: %s\n", e.what());
            const std::int32_t none = 0;
            std::fwrite(&none, sizeof none, 1, stdout);
        }
        std::fflush(stdout);
    }
}
