// What reading behind walls costs: files are read in turn in the own process and by a reader, measuring and
// all, as the window does.
//
// irenic-reading FILE...: Markdown on standard output.
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <vector>

#include "base/text.h"
#include "measure/open.h"
#include "reader/reader.h"

using namespace irenic;

namespace {

constexpr int kTurns = 5;

double secondsOf(const std::filesystem::path& file) {
    const auto begun = std::chrono::steady_clock::now();
    readPhoto(file);
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
}

double middle(std::vector<double>& all) {
    std::nth_element(all.begin(), all.begin() + kTurns / 2, all.end());
    return all[kTurns / 2];
}

} // namespace

int main(int argc, char** argv) {
    keepFreedMemory();
    const auto program = readerBesideThis();
    if (!program || argc < 2) {
        std::fprintf(stderr, "usage: irenic-reading FILE..., with irenic-reader built\n");
        return 2;
    }
    std::printf("| file | own process, ms | reader, ms | more |\n|---|---|---|---|\n");
    double own = 0, walled = 0;
    for (int i = 1; i < argc; ++i) {
        std::vector<double> here, there;
        for (int turn = 0; turn < kTurns; ++turn) {
            useReader({});
            here.push_back(secondsOf(argv[i]));
            useReader(ReaderSetup{*program});
            secondsOf(argv[i]); // the first one starts the reader, which later files find waiting
            there.push_back(secondsOf(argv[i]));
        }
        const double a = middle(here), b = middle(there);
        own += a, walled += b;
        std::printf("| %s | %.0f | %.0f | %+.1f %% |\n", shownName(argv[i]).c_str(), 1000 * a, 1000 * b,
                    100 * (b / a - 1));
    }
    std::printf("| all | %.0f | %.0f | %+.1f %% |\n", 1000 * own, 1000 * walled, 100 * (walled / own - 1));
}
