// The speed and the memory of every method on one mosaic, in one run, beside OpenCV's 16-bit fast non-local
// means (same patch and window as ours, one plane at a time) and beside what the machine can do at all.
//
// "By processor time" is what it would be if nobody else used the machine: megapixels a second of all
// threads' own time. (Where a neighbour's load slows the processor down, it shows in both.)
//
// irenic-speed --help: Markdown on standard output. Without a file, a made-up mosaic.
#include <malloc.h>
#include <oneapi/tbb/global_control.h>
#include <oneapi/tbb/parallel_for.h>

#include <CLI/CLI.hpp>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <ctime>
#include <filesystem>
#include <fstream>
#include <functional>
#include <opencv2/photo.hpp>
#include <string>
#include <thread>
#include <tuple>
#include <vector>

#include "deliver/export.h"
#include "denoise/clean.h"
#include "denoise/fastest_network.h"
#include "measure/open.h"
#include "sensor.h"

using namespace irenic;

namespace {

double secondsOf(const std::function<void()>& work) {
    double best = 1e9;
    for (int i = 0; i < 2; ++i) {
        const auto begun = std::chrono::steady_clock::now();
        work();
        best =
            std::min(best, std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count());
    }
    return best;
}

// Resident memory in MB: the peak since the last call of forgetPeak(), or what is held now.
double memory(const char* field) {
    std::ifstream status("/proc/self/status");
    for (std::string line; std::getline(status, line);)
        if (line.rfind(field, 0) == 0) return std::stod(line.substr(line.find(':') + 1)) / 1024;
    return 0;
}
void forgetPeak() { std::ofstream("/proc/self/clear_refs") << 5; }

// Bytes read and written per second by a long sum of two arrays, all threads.
double bandwidth() {
    constexpr std::size_t n = 48u << 20u;
    std::vector<float> a(n, 1), b(n, 2), c(n, 0);
    const double s = secondsOf([&] {
        tbb::parallel_for(tbb::blocked_range<std::size_t>(0, n), [&](const auto& r) {
            for (std::size_t i = r.begin(); i < r.end(); ++i) c[i] = a[i] + 0.5f * b[i];
        });
    });
    return 3.0 * sizeof(float) * n / s;
}

// Fused multiplications and additions per second in registers, all threads, on the widest vectors there are.
typedef float Lanes16 __attribute__((vector_size(64)));
typedef float Lanes8 __attribute__((vector_size(32)));
template <class Lanes> __attribute__((always_inline)) inline float burn(float seed, long rounds) {
    Lanes v[12];
#pragma GCC unroll 12
    for (int i = 0; i < 12; ++i) v[i] = Lanes{} + seed + static_cast<float>(i);
    const Lanes scale = Lanes{} + 0.999f, step = Lanes{} + 0.5f;
    for (long r = 0; r < rounds; ++r) {
#pragma GCC unroll 12
        for (int i = 0; i < 12; ++i) v[i] = v[i] * scale + step;
    }
    float sum = 0;
    for (const Lanes& x : v) sum += x[0];
    return sum;
}
__attribute__((target("avx512f"))) float burnWide(float seed, long rounds) {
    return burn<Lanes16>(seed, rounds);
}
__attribute__((target("avx2,fma"))) float burnHalf(float seed, long rounds) {
    return burn<Lanes8>(seed, rounds);
}
double floats(unsigned threads) {
    const bool wide = __builtin_cpu_supports("avx512f");
    constexpr long rounds = 20'000'000;
    std::vector<float> sink(threads);
    const double s = secondsOf([&] {
        std::vector<std::jthread> all;
        for (unsigned t = 0; t < threads; ++t)
            all.emplace_back(
                [&, t] { sink[t] = (wide ? burnWide : burnHalf)(static_cast<float>(t), rounds); });
    });
    return 2.0 * 12 * (wide ? 16 : 8) * rounds * threads / s;
}

Photo waves(int width, int height) {
    // Waves of many lengths and a few edges: something for every method to chew on.
    Plane truth(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double u = x * 0.01, v = y * 0.013;
            const double wave = std::sin(u + std::sin(v)) * std::cos(0.3 * v) +
                                0.3 * std::sin(9 * u + 3 * std::sin(2 * v)) + 0.2 * ((x / 96 + y / 64) % 2);
            truth.at(x, y) = static_cast<float>(0.12 + 0.06 * wave);
        }
    Shot shot;
    shot.iso = 12800;
    return takePhoto(truth, Body(), shot);
}

// The process's peak while a DNG is exported: all that a person needs free, the photo in memory included.
void exports() {
    std::printf(
        "\n| DNG export | seconds | peak memory of the process, MB | bytes a pixel |\n|---|---|---|---|\n");
    const auto folder = std::filesystem::temp_directory_path() / "irenic-speed";
    std::filesystem::create_directories(folder);
    for (const auto& [w, h, method] :
         {std::tuple{6000, 4000, "bm3d"}, {6000, 4000, "wavelet"}, {12000, 8400, "wavelet"}}) {
        malloc_trim(0);
        Photo photo = waves(w, h);
        photo.file = folder / "original.dng";
        malloc_trim(0);
        forgetPeak();
        Export what{recipeOf(photo), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = {method};
        target = folder / "waves.dng";
        what.delivery.conflict = Conflict::Replace;
        const auto begun = std::chrono::steady_clock::now();
        exportFile(what, target);
        const double s = std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
        std::printf("| %.0f MP, %s | %.1f | %.0f | %.1f |\n", 1e-6 * w * h, method, s, memory("VmHWM"),
                    memory("VmHWM") * 1048576 / (static_cast<double>(w) * h));
        std::fflush(stdout);
    }
    std::filesystem::remove_all(folder);
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    std::pair<int, int> size{3072, 2048};
    std::string file;
    std::vector<std::string> only;
    CLI::App app("The speed and the memory of every method on one mosaic; Markdown.");
    app.add_option("--size", size, "of the made-up mosaic: WIDTHxHEIGHT")->delimiter('x');
    app.add_option("--file", file, "a raw instead of it");
    app.add_option("--method", only, "one or several; all, and exports, without this");
    CLI11_PARSE(app, argc, argv);
    const Photo photo = file.empty() ? waves(size.first, size.second) : Photo(*readPhoto(file));
    const Rect whole = photo.whole();
    const double megapixels = 1e-6 * photo.width() * photo.height();
    const unsigned threads = std::max(1U, std::thread::hardware_concurrency());
    const double bytes = bandwidth(), rate = floats(threads);
    std::printf(
        "One mosaic of %d x %d (%.1f MP), %u threads. The machine: %.1f GB/s of memory, %.0f GFLOP/s "
        "of fused multiplications and additions in registers. The learned method's network runs on %s.\n\n",
        photo.width(), photo.height(), megapixels, threads, bytes * 1e-9, rate * 1e-9,
        FastestNetwork::ofMachine().place().c_str());

    // OpenCV on a quarter of the picture, which is enough to know its speed.
    const Rect part{0, 0, photo.width() / 4, photo.height() / 4};
    PlaneSet planes = stabilisedPlanes(photo, part);
    double reference = 0;
    if (only.empty()) {
        const double s = secondsOf([&] {
            for (const Plane& p : planes.plane) {
                cv::Mat in(part.height, part.width, CV_16U), out;
                for (int y = 0; y < in.rows; ++y)
                    for (int x = 0; x < in.cols; ++x)
                        in.at<std::uint16_t>(y, x) = static_cast<std::uint16_t>(p.at(x, y) * 200 + 32768);
                cv::fastNlMeansDenoising(in, out, std::vector<float>{170}, 5, 21, cv::NORM_L1);
            }
        });
        reference = 4e-6 * static_cast<double>(part.area()) / s;
    }
    std::printf(
        "| method | MP/s | by processor time | of OpenCV's NLM | 2 threads over 1 | reading the planes once, "
        "share of the time | peak memory, bytes a pixel |\n|---|---|---|---|---|---|---|\n");
    if (reference > 0) std::printf("| OpenCV NLM 5, 21 | %.2f | | 1.0 | | | |\n", reference);
    for (const auto& m : methods()) {
        if (!only.empty() && std::find(only.begin(), only.end(), m->id()) == only.end()) continue;
        malloc_trim(0);
        forgetPeak();
        const double before = memory("VmRSS");
        double processor = 1e9;
        const double all = secondsOf([&] {
            const std::clock_t begun = std::clock();
            cleanMosaic(photo, {m->id()}, whole);
            processor = std::min(processor, static_cast<double>(std::clock() - begun) / CLOCKS_PER_SEC);
        });
        const double peak = memory("VmHWM") - before;
        double one = 0;
        {
            const tbb::global_control single(tbb::global_control::max_allowed_parallelism, 1);
            const Rect half{0, 0, photo.width(), photo.height() / 4 * 2};
            one = secondsOf([&] { cleanMosaic(photo, {m->id()}, half); });
            one *= static_cast<double>(photo.height()) / half.height;
        }
        std::printf("| %s | %.2f | %.2f | %.1f | %.2f | %.1f %% | %.0f |\n", m->id().c_str(),
                    megapixels / all, megapixels * threads / processor,
                    reference > 0 ? megapixels / all / reference : 0, one / all,
                    100 * megapixels * 4e6 / bytes / all, peak * 1048576 / (megapixels * 1e6));
        std::fflush(stdout);
    }
    if (only.empty() && file.empty()) exports();
}
