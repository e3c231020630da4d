#include "camera_command.h"

#include <cmath>
#include <cstdio>
#include <memory>
#include <nlohmann/json.hpp>
#include <stdexcept>

#include "base/safe_file.h"
#include "base/text.h"
#include "common.h"
#include "measure/camera_notes.h"
#include "measure/open.h"

namespace irenic {

namespace {

using json = nlohmann::json;

// Noise that a line of the read-out, in deviations of that at black, is seen from.
constexpr double kSeenLines = 0.1;

struct Asked {
    std::vector<std::string> files;
    bool asJson = false, keep = false;
};

// What of a sensor departs from noise that is independent and alike all over the frame.
std::vector<std::string> departuresOf(const CameraNotes& n) {
    std::vector<std::string> out;
    if (!n.smoothing.none()) out.push_back("the camera smooths its raws");
    if (!n.unevenness.none()) out.push_back("the noise is uneven over the frame");
    if (n.rowSigma >= kSeenLines) out.push_back("rows of the read-out differ");
    if (n.columnSigma >= kSeenLines) out.push_back("columns of the read-out differ");
    if (n.deadColumns > 0) out.push_back("there are dead columns");
    if (n.deadRows > 0) out.push_back("there are dead rows");
    return out;
}

json jsonOf(const CameraNotes& n) {
    json lines = json::array();
    for (std::size_t c = 0; c < 4; ++c)
        lines.push_back(
            {{"channel", kChannelNames[c]}, {"a", n.noise.channel[c].a}, {"b", n.noise.channel[c].b}});
    return {{"camera", n.camera},
            {"iso", n.iso},
            {"width", n.width},
            {"height", n.height},
            {"photos", n.photos},
            {"photosWithFlatPlaces", n.sure},
            {"noise", lines},
            {"spread", n.spread},
            {"electronsAtWhite", n.electronsAtWhite()},
            {"electronsPerValue", n.electronsAtWhite() / n.range},
            {"readNoiseInElectrons", n.electronsOfReading()},
            {"smoothing", {{"beside", n.smoothing.beside}, {"diagonal", n.smoothing.diagonal}}},
            {"unevenness",
             {{"rightOverLeft", n.unevenness.rightOverLeft()},
              {"bottomOverTop", n.unevenness.bottomOverTop()},
              {"cornersOverMiddle", n.unevenness.cornersOverMiddle()}}},
            {"rows", n.rowSigma},
            {"columns", n.columnSigma},
            {"deadColumns", n.deadColumns},
            {"deadRows", n.deadRows},
            {"badPixels", n.defects},
            {"departures", departuresOf(n)}};
}

void describe(const CameraNotes& n) {
    std::printf("%s, ISO %g, %d x %d: %d photo%s, %d with flat places\n", utf8Of(n.camera).c_str(), n.iso,
                n.width, n.height, n.photos, n.photos == 1 ? "" : "s", n.sure);
    std::printf("  gain         %.4g electrons for a raw value, %.0f at white\n",
                n.electronsAtWhite() / n.range, n.electronsAtWhite());
    std::printf("  read noise   %.2f electrons, %.2f raw values\n", n.electronsOfReading(),
                n.noise.channel[1].sigma(0) * n.range);
    std::printf("  noise        of full scale, at black and at mid-grey:");
    for (std::size_t c = 0; c < 4; ++c)
        std::printf(" %s %.5f %.5f", kChannelNames[c], n.noise.channel[c].sigma(0),
                    n.noise.channel[c].sigma(0.18));
    std::printf("\n               photos differ by up to %.1f %%\n", 100 * n.spread);
    std::printf("  lines        rows %.3f, columns %.3f of the noise at black\n", n.rowSigma, n.columnSigma);
    std::printf("  bad pixels   %zu that return; %d dead columns, %d dead rows\n", n.defects.size(),
                n.deadColumns, n.deadRows);
    std::printf("  evenness     right over left %.2f, bottom over top %.2f, corners over middle %.2f\n",
                n.unevenness.rightOverLeft(), n.unevenness.bottomOverTop(), n.unevenness.cornersOverMiddle());
    std::printf("  smoothing    %.1f %% of a sample to each neighbour, %.1f %% diagonally\n",
                100 * n.smoothing.beside, 100 * n.smoothing.diagonal);
    const std::vector<std::string> departures = departuresOf(n);
    std::printf("  to note      %s\n",
                departures.empty() ? "nothing: it keeps to the model" : joined(departures).c_str());
    if (n.sure == 0) std::printf("               nothing is flat in these photos: the noise is in doubt\n");
}

int camera(const Asked& asked, const Work& work) {
    std::vector<CameraSample> samples;
    double done = 0;
    const auto count = static_cast<double>(asked.files.size());
    const int status = forEachFile(asked.files, false, [&](const std::string& file, json&) {
        // By its own samples: what was kept before would confirm itself.
        const Work part = work.part(done / count, (done + 1) / count);
        ++done;
        samples.push_back(sampleOf(*readPhoto(file, part, Measure::NoiseAlone)));
    });
    json all = json::array();
    for (const CameraNotes& n : notesOn(samples)) {
        if (asked.asJson)
            all.push_back(jsonOf(n));
        else
            describe(n);
        if (!asked.keep) continue;
        try {
            const std::filesystem::path file = keep(n);
            if (!asked.asJson) std::printf("  kept         %s\n", shownPath(file).c_str());
        } catch (const WriteError& e) {
            throw std::runtime_error("What was measured cannot be kept: " + std::string(e.what()));
        }
    }
    if (asked.asJson) print(all);
    return status;
}

} // namespace

void addCameraCommand(CLI::App& app, const Work& work, int& status) {
    const auto asked = std::make_shared<Asked>();
    auto* command = app.add_subcommand("camera", "Show what raws tell of the camera that took them");
    command->add_option("FILE", asked->files, "Raws; those of one camera and ISO are taken together")
        ->required();
    command->add_flag("--keep", asked->keep, "Use it for photos of this camera and ISO from now on");
    command->add_flag("--json", asked->asJson);
    command->callback([asked, &work, &status] { status = camera(*asked, work); });
}

} // namespace irenic
