// An experiment, kept for its figures: does block matching do better on the mosaic itself than on packed,
// decorrelated planes?
//
// After A. Danielyan, M. Vehvilainen, A. Foi, V. Katkovnik, K. Egiazarian, "Cross-color BM3D filtering of
// noisy raw data", LNLA 2009: blocks of 8x8 samples of the stabilised mosaic, whatever their colours, are
// compared with blocks at even displacements, where colours fall on the same places; a hard threshold, then
// Wiener shrinkage. Plain loops, no tuning beyond the threshold. irenic-mosaic-variant --help: the
// PSNR in dB of the stabilised mosaic against its mean, where the noise is 0 dB; beside it that of `bm3d`
// told that its planes are pictures of their own, and as it is, both without the stages that every method
// shares.
#include <CLI/CLI.hpp>
#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <numbers>
#include <vector>

#include "denoise/clean.h"
#include "judging_options.h"
#include "noise/stabilise.h"
#include "photographs.h"
#include "sensor.h"

using namespace irenic;

namespace {

constexpr int kB = 8, kPixels = kB * kB, kStep = 4,
              kSearch = 24; // samples of the mosaic: the same reach as 12 packed ones
using Block = std::array<float, kPixels>;

void dct(Block& b, bool forward) {
    static const auto basis = [] {
        std::array<float, kPixels> m{};
        for (int u = 0; u < kB; ++u)
            for (int x = 0; x < kB; ++x)
                m[static_cast<std::size_t>(u * kB + x)] =
                    static_cast<float>((u == 0 ? std::sqrt(1.0 / kB) : std::sqrt(2.0 / kB)) *
                                       std::cos(std::numbers::pi * (x + 0.5) * u / kB));
        return m;
    }();
    const auto at = [&](int u, int x) {
        return basis[static_cast<std::size_t>(forward ? u * kB + x : x * kB + u)];
    };
    for (const bool rows : {true, false}) {
        Block out{};
        for (int line = 0; line < kB; ++line)
            for (int u = 0; u < kB; ++u) {
                float sum = 0;
                for (int x = 0; x < kB; ++x)
                    sum += at(u, x) * b[static_cast<std::size_t>(rows ? line * kB + x : x * kB + line)];
                out[static_cast<std::size_t>(rows ? line * kB + u : u * kB + line)] = sum;
            }
        b = out;
    }
}

void haar(std::vector<Block>& g, bool forward) {
    const int n = static_cast<int>(g.size());
    const auto pass = [&](int s) {
        for (int i = 0; i < n; i += 2 * s)
            for (std::size_t c = 0; c < kPixels; ++c) {
                const float a = g[static_cast<std::size_t>(i)][c], b = g[static_cast<std::size_t>(i + s)][c];
                g[static_cast<std::size_t>(i)][c] = 0.70710678f * (a + b),
                g[static_cast<std::size_t>(i + s)][c] = 0.70710678f * (a - b);
            }
    };
    if (forward)
        for (int s = 1; s < n; s *= 2) pass(s);
    else
        for (int s = n / 2; s >= 1; s /= 2) pass(s);
}

Plane step(const Plane& noisy, const Plane& guide, const Plane* pilot, std::size_t most) {
    const int w = noisy.width(), h = noisy.height();
    Plane sum(w, h), weight(w, h);
    sum.fill(0), weight.fill(0);
    const auto read = [](const Plane& p, int x, int y) {
        Block b;
        for (int j = 0; j < kB; ++j) std::copy(p.row(y + j) + x, p.row(y + j) + x + kB, b.begin() + j * kB);
        return b;
    };
    for (int y = 0; y + kB <= h; y += kStep)
        for (int x = 0; x + kB <= w; x += kStep) {
            std::vector<std::pair<float, std::pair<int, int>>> all;
            for (int v = std::max(0, y - kSearch) / 2 * 2; v <= std::min(h - kB, y + kSearch); v += 2)
                for (int u = std::max(0, x - kSearch) / 2 * 2; u <= std::min(w - kB, x + kSearch); u += 2) {
                    float distance = 0;
                    for (int j = 0; j < kB; ++j)
                        for (int i = 0; i < kB; ++i) {
                            const float d = guide.at(x + i, y + j) - guide.at(u + i, v + j);
                            distance += d * d;
                        }
                    all.push_back({distance, {u, v}});
                }
            std::size_t n = most;
            while (n > all.size()) n /= 2;
            std::partial_sort(all.begin(), all.begin() + static_cast<std::ptrdiff_t>(n), all.end());
            std::vector<Block> group(n), clean(n);
            for (std::size_t i = 0; i < n; ++i) {
                group[i] = read(noisy, all[i].second.first, all[i].second.second);
                dct(group[i], true);
                if (pilot)
                    clean[i] = read(*pilot, all[i].second.first, all[i].second.second), dct(clean[i], true);
            }
            haar(group, true);
            if (pilot) haar(clean, true);
            float kept = 0;
            for (std::size_t i = 0; i < n; ++i)
                for (std::size_t c = 0; c < kPixels; ++c) {
                    const float e = clean[i][c] * clean[i][c], gain = pilot ? e / (e + 1.5f)
                                                                      : std::abs(group[i][c]) > 3.0f ? 1.0f
                                                                                                     : 0.0f;
                    group[i][c] *= gain, kept += gain * gain;
                }
            haar(group, false);
            const float k = 1 / std::max(kept, 1.0f);
            for (std::size_t i = 0; i < n; ++i) {
                dct(group[i], false);
                for (int j = 0; j < kB; ++j)
                    for (int c = 0; c < kB; ++c) {
                        sum.at(all[i].second.first + c, all[i].second.second + j) +=
                            k * group[i][static_cast<std::size_t>(j * kB + c)];
                        weight.at(all[i].second.first + c, all[i].second.second + j) += k;
                    }
            }
        }
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) sum.at(x, y) /= std::max(weight.at(x, y), 1e-9f);
    return sum;
}

// The mean of each sample's 3x3 neighbours of its own colour, binomial: the packed planes are compared under
// the same filter.
Plane smoothed(const Plane& in) {
    Plane out(in.width(), in.height());
    for (int y = 0; y < in.height(); ++y)
        for (int x = 0; x < in.width(); ++x) {
            float sum = 0;
            for (int j = -1; j <= 1; ++j)
                for (int i = -1; i <= 1; ++i) {
                    const int u = std::clamp(x + 2 * i, x & 1, (in.width() - 2) | (x & 1)),
                              v = std::clamp(y + 2 * j, y & 1, (in.height() - 2) | (y & 1));
                    sum += static_cast<float>((2 - i * i) * (2 - j * j)) / 16 * in.at(u, v);
                }
            out.at(x, y) = sum;
        }
    return out;
}

// The stabilised mosaic of planes that cover it.
Plane mosaicOf(const PlaneSet& planes, const Photo& photo) {
    Plane out(planes.area.width * 2, planes.area.height * 2);
    const auto sites = sitesOfChannels(photo.mosaic);
    for (int y = 0; y < planes.area.height; ++y)
        for (int x = 0; x < planes.area.width; ++x) {
            float v[4];
            channelsAt(planes, planes.area.x + x, planes.area.y + y, v);
            for (std::size_t k = 0; k < 4; ++k)
                out.at(2 * x + (sites[k] & 1), 2 * y + (sites[k] >> 1)) = v[k];
        }
    return out;
}

double psnr(const Plane& a, const Plane& b) {
    double sum = 0, n = 0;
    for (int y = 16; y < a.height() - 16; ++y)
        for (int x = 16; x < a.width() - 16; ++x, ++n)
            sum += std::pow(static_cast<double>(a.at(x, y) - b.at(x, y)), 2);
    return -10 * std::log10(sum / n); // against the noise, which is 0 dB
}

} // namespace

int main(int argc, char** argv) {
    int crop = 256;
    CLI::App app("Block matching on the mosaic itself, beside that on packed planes; Markdown.");
    addCrop(app, crop);
    CLI11_PARSE(app, argc, argv);
    std::printf("| ISO | on the mosaic itself, plain loops | packed planes | bm3d |\n|---|---|---|---|\n");
    for (const double iso : {3200.0, 12800.0, 51200.0}) {
        double own = 0, packed = 0, now = 0;
        for (const std::string& file : unseenPhotographs()) {
            Shot shot;
            shot.iso = iso;
            const Plane truth = exposeMosaic(photograph(file, crop), {}, shot);
            const Photo photo = takePhoto(truth, {}, shot);
            const Rect area{0, 0, truth.width() / 2, truth.height() / 2};
            const Plane noisy = mosaicOf(stabilisedPlanes(photo, area), photo);
            // The stabilised value that the exact inverse takes to the truth.
            Plane right(noisy.width(), noisy.height());
            for (int y = 0; y < right.height(); ++y)
                for (int x = 0; x < right.width(); ++x) {
                    const NoiseLine& line =
                        photo.noise
                            .channel[static_cast<std::size_t>(photo.mosaic.channel((y & 1) * 2 + (x & 1)))];
                    const double e = static_cast<double>(truth.at(x, y)) / line.a,
                                 read = std::sqrt(line.b) / line.a;
                    right.at(x, y) = static_cast<float>(e < 60 ? Stabiliser::momentsOf(e, read).mean
                                                               : 2 * std::sqrt(e + 0.125 + read * read));
                }
            const Plane basic = step(noisy, smoothed(noisy), nullptr, 16);
            own += psnr(step(noisy, basic, &basic, 32), right) / 8;
            const Method& method = *findMethod("bm3d");
            PlaneSet wide = stabilisedPlanes(photo, area.inflated(method.margin()));
            now += psnr(mosaicOf(method.run(wide, area, {1, 1, 1, 1}, {}), photo), right) / 8;
            wide.packed = false;
            packed += psnr(mosaicOf(method.run(wide, area, {1, 1, 1, 1}, {}), photo), right) / 8;
        }
        std::printf("| %.0f | %.2f | %.2f | %.2f |\n", iso, own, packed, now);
        std::fflush(stdout);
    }
}
