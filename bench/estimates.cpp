// How far the time and size that are told before an export are from what it takes, the first time and once
// this machine's own experience counts.
//
// irenic-estimates PHOTO...: Markdown on standard output.
#include <QTemporaryDir>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <filesystem>

#include "base/text.h"
#include "deliver/estimate.h"
#include "deliver/export.h"
#include "deliver/formats.h"
#include "measure/open.h"

using namespace irenic;

int main(int argc, char** argv) {
    keepFreedMemory();
    if (argc < 2) {
        std::fprintf(stderr, "usage: irenic-estimates PHOTO...\n");
        return 2;
    }
    const QTemporaryDir folder;
    // Experience of its own, that begins with none.
    qputenv("XDG_STATE_HOME", folder.path().toUtf8());
    std::printf("| photo | method | format | told, s | taken, s | off | told again | off | size off |\n");
    std::printf("|---|---|---|---|---|---|---|---|---|\n");
    double worstFirst = 0, worstLater = 0, worstSize = 0;
    for (int i = 1; i < argc; ++i) {
        const PhotoPtr photo = readPhoto(argv[i]);
        for (const char* method : {"wavelet", "bm3d-quick", "learned-quick"})
            for (const ExportFormat format : {ExportFormat::Dng, ExportFormat::Tiff, ExportFormat::Jpeg}) {
                double told[2], taken = 0, size = 0;
                for (double& t : told) {
                    Export what{recipeOf(photo, Settings{method}), {}, {}, false};
                    what.delivery.format = format, what.delivery.conflict = Conflict::Replace;
                    const std::string target =
                        folder.filePath("made").toStdString() + formatOf(format).ending;
                    const Estimate e = estimate(what);
                    t = e.seconds;
                    const auto begun = std::chrono::steady_clock::now();
                    exportFile(what, target);
                    taken = std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
                    size = e.bytes / static_cast<double>(std::filesystem::file_size(target)) - 1;
                    noteTaken(what, e, taken);
                }
                const double first = told[0] / taken - 1, later = told[1] / taken - 1;
                worstFirst = std::max(worstFirst, std::abs(first));
                worstLater = std::max(worstLater, std::abs(later)),
                worstSize = std::max(worstSize, std::abs(size));
                std::printf("| %s | %s | %s | %.1f | %.1f | %+.0f %% | %.1f | %+.0f %% | %+.0f %% |\n",
                            shownName(argv[i]).c_str(), method, formatOf(format).ending, told[0], taken,
                            100 * first, told[1], 100 * later, 100 * size);
                std::fflush(stdout);
            }
    }
    std::printf(
        "\nfurthest off: the first time %.0f %%, later %.0f %% (asked: 30), size %.0f %% (asked: 15)\n",
        100 * worstFirst, 100 * worstLater, 100 * worstSize);
}
