// irenic-cli: the core on the command line. Exit status: 0 all done, 1 some failed, 2 wrong usage.
#include <CLI/CLI.hpp>
#include <QGuiApplication>
#include <QImage>
#include <cstdio>
#include <nlohmann/json.hpp>

#include "camera_command.h"
#include "checks_command.h"
#include "clean_command.h"
#include "common.h"
#include "dark_command.h"
#include "demo.h"
#include "describe.h"
#include "layers_command.h"
#ifdef IRENIC_STUDIO
#include "studio/render.h"
#endif
#include "base/field_json.h"
#include "base/jobs.h"
#include "base/safe_file.h"
#include "base/text.h"
#include "denoise/mask.h"
#include "denoise/method.h"
#include "judge/probes.h"
#include "judge/seen_alike.h"
#include "measure/open.h"
#include "number.h"
#include "own_picture.h"
#include "queue_commands.h"
#include "raw/identity.h"
#include "reader/reader.h"
#include "session/sidecar.h"
#include "session/state_json.h"
#include "sheet_picture.h"
#include "stop_on_signal.h"

namespace {

namespace fs = std::filesystem;
using irenic::forEachFile;
using irenic::lookOf;
using irenic::print;
using irenic::Settings;
using irenic::takeFrom;
using irenic::Work;
using irenic::WrongUsage;
using nlohmann::json;

int listMethods(bool asJson) {
    json all = json::array();
    for (const auto& m : irenic::methods()) {
        all.push_back({{"id", m->id()}, {"name", m->name()}, {"summary", m->summary()}});
        if (!asJson)
            std::printf("%-13s %s\n              %s\n", m->id().c_str(), m->name().c_str(),
                        m->summary().c_str());
    }
    if (asJson) print(all);
    return 0;
}

json noiseJson(const irenic::NoiseModel& model) {
    json lines = json::array();
    for (std::size_t c = 0; c < 4; ++c)
        lines.push_back(
            {{"channel", irenic::kChannelNames[c]}, {"a", model.channel[c].a}, {"b", model.channel[c].b}});
    return lines;
}

json inspectOne(const irenic::Photo& p, const std::string& file) {
    json black = json::array();
    // The level of each site, or of red, green and blue; offsets of columns and rows come on top.
    const int channels = p.black.channels;
    for (int s = 0; s < (channels == 3 ? 3 : 4); ++s)
        black.push_back(channels == 3 ? p.black.repeated(0, 0, s) : p.black.repeated(s & 1, s >> 1));
    return {{"file", file},
            {"camera", p.camera()},
            {"lens", p.lens},
            {"iso", p.iso},
            {"exposure", p.exposure},
            {"aperture", p.aperture},
            {"focal", p.focal},
            {"width", p.width()},
            {"height", p.height()},
            {"mosaic", p.layoutText()},
            {"developed", p.developed},
            {"bits", p.bits},
            {"black", black},
            {"white", p.white},
            {"neutral", {p.neutral[0], p.neutral[1], p.neutral[2]}},
            {"sandboxed", irenic::decodersAreSandboxed()},
            {"id", irenic::idOf(p).text},
            {"dark", p.dark.frames > 0 ? json{{"frames", p.dark.frames}, {"share", p.dark.share}} : json()},
            {"smoothing", {{"beside", p.smoothing.beside}, {"diagonal", p.smoothing.diagonal}}},
            {"unevenness",
             {{"rightOverLeft", p.unevenness.rightOverLeft()},
              {"bottomOverTop", p.unevenness.bottomOverTop()},
              {"cornersOverMiddle", p.unevenness.cornersOverMiddle()}}},
            {"pattern",
             {{"defects", p.pattern.defects.size()},
              {"deadColumns", p.pattern.deadColumns},
              {"deadRows", p.pattern.deadRows},
              {"rows", p.pattern.rowSigma},
              {"columns", p.pattern.columnSigma}}},
            {"noise",
             {{"measured", noiseJson(p.noise)},
              {"stated", p.statedNoise ? noiseJson(*p.statedNoise) : json()},
              {"statedIsUsed", p.noiseFrom == irenic::NoiseFrom::File},
              {"cameraIsUsed", p.noiseFrom == irenic::NoiseFrom::Camera},
              {"doubt", p.noiseDoubt}}}};
}

void describe(const irenic::Photo& p, const std::string& file) {
    std::printf("%s\n  %s, ISO %g, %s, %d x %d, %s, black %g, white %g\n  sigma at black %.5f, at mid-grey "
                "%.5f (G1, of full "
                "scale)\n",
                file.c_str(), p.camera().c_str(), p.iso, p.exposureText().c_str(), p.width(), p.height(),
                p.layoutText().c_str(), p.black.mean(), p.white, p.noise.channel[1].sigma(0),
                p.noise.channel[1].sigma(0.18));
    std::printf("  %zu hot or dead pixels; read-out lines: rows %.3f, columns %.3f of the sigma at black\n",
                p.pattern.defects.size(), p.pattern.rowSigma, p.pattern.columnSigma);
    if (p.pattern.deadColumns + p.pattern.deadRows > 0)
        std::printf("  %d dead columns and %d dead rows, filled from both sides\n", p.pattern.deadColumns,
                    p.pattern.deadRows);
    if (p.dark.frames > 0)
        std::printf(
            "  dark frame: mean of %d, takes away %.0f %% of the noise's variance in dark, even places\n",
            p.dark.frames, 100 * p.dark.share);
    if (!p.smoothing.none())
        std::printf("  the camera has smoothed: %.1f %% of each sample went to each neighbour of its colour, "
                    "%.1f %% diagonally\n",
                    100 * p.smoothing.beside, 100 * p.smoothing.diagonal);
    if (!p.unevenness.none())
        std::printf(
            "  the noise is uneven: right over left %.2f, bottom over top %.2f, corners over middle %.2f\n",
            p.unevenness.rightOverLeft(), p.unevenness.bottomOverTop(), p.unevenness.cornersOverMiddle());
}

int inspect(const std::vector<std::string>& files, const std::vector<std::string>& darkFiles, bool asJson,
            const Work& work) {
    const std::optional<irenic::DarkFrame> dark = irenic::darkFrameFrom(darkFiles, work);
    return forEachFile(files, asJson, [&](const std::string& file, json& all) {
        const auto photo =
            irenic::readPhoto(file, work, irenic::Measure::Noise, {.dark = dark ? &*dark : nullptr});
        if (asJson)
            all.push_back(inspectOne(*photo, irenic::shownPath(file)));
        else
            describe(*photo, irenic::shownPath(file));
    });
}

int printState(const std::vector<std::string>& files, bool asJson, const Work& work) {
    return forEachFile(files, asJson, [&](const std::string& file, json& all) {
        const auto photo = irenic::readPhoto(file, work);
        const irenic::Loaded loaded = irenic::loadSidecar(file, irenic::samplesDigestOf(*photo));
        for (const std::string& m : loaded.messages) std::fprintf(stderr, "irenic-cli: %s\n", m.c_str());
        all.push_back({{"file", irenic::shownPath(file)},
                       {"id", irenic::idOf(*photo).text},
                       {"state", loaded.record ? irenic::jsonOf(*loaded.record) : json()}});
        if (asJson) return;
        std::printf("%s\n", irenic::shownPath(file).c_str());
        if (!loaded.record) std::printf("  nothing is saved\n");
        if (!loaded.record) return;
        const irenic::PhotoState& s = *loaded.record->state;
        for (const irenic::Take& t : s.takes)
            std::printf("  %c%s  %s\n", t.letter, t.id == s.chosen ? " chosen" : "",
                        irenic::textOf(t.settings).c_str());
        if (!s.look.plain()) std::printf("  look  %s\n", irenic::textOf(s.look).c_str());
        for (const irenic::ExportMade& e : loaded.record->facts.exports)
            std::printf("  made  %s  %s\n", e.when.c_str(), irenic::shownPath(e.file).c_str());
    });
}

struct RecommendOptions {
    std::string look;
    std::vector<std::string> dark;
    int size = 0; // of the longer side; 0: as it is
};

int recommendAll(const std::vector<std::string>& files, const RecommendOptions& o, bool asJson,
                 const Work& work) {
    const irenic::Look look = lookOf(o.look);
    const std::optional<irenic::DarkFrame> dark = irenic::darkFrameFrom(o.dark, work);
    return forEachFile(files, asJson, [&](const std::string& file, json& all) {
        const auto photo =
            irenic::readPhoto(file, work, irenic::Measure::Noise, {.dark = dark ? &*dark : nullptr});
        const std::vector<irenic::Probe> probes = irenic::placeProbes(*photo, work);
        const irenic::Recommendation r = irenic::recommend(*photo, look, probes, work);
        std::optional<irenic::SeenAlike> alike;
        if (o.size > 0) alike = irenic::quickestSeenAlike(*photo, r.settings, look, o.size, probes, work);
        json trials = json::array(), others = json::array(), refused = json::array(),
             contrasts = json::array();
        for (const irenic::Settings& s : r.contrasts) contrasts.push_back(irenic::jsonOf(s));
        for (const irenic::Refused& no : r.refused)
            refused.push_back({{"settings", irenic::jsonOf(no.settings)}, {"check", no.check}});
        for (const irenic::Alternative& other : r.others)
            others.push_back({{"kind", irenic::idOf(other.kind)},
                              {"settings", irenic::jsonOf(other.settings)},
                              {"sigmas", other.risk.sigmas()},
                              {"timesAsQuick", other.times},
                              {"fault", other.fault},
                              {"subjects", other.subjects},
                              {"edgeBlur", other.blur > 0 ? json(other.blur) : json()}});
        for (const irenic::Tried& t : r.trials)
            trials.push_back({{"settings", irenic::jsonOf(t.settings)},
                              {"luminance", t.risk.luminance},
                              {"colour", t.risk.colour}});
        all.push_back({{"file", irenic::shownPath(file)},
                       {"settings", irenic::jsonOf(r.settings)},
                       {"luminance", r.risk.luminance},
                       {"colour", r.risk.colour},
                       {"sigmas", r.risk.sigmas()},
                       {"reasons", irenic::reasonsOf(*photo, r)},
                       {"refused", refused},
                       {"others", others},
                       {"contrasts", contrasts},
                       {"trials", trials}});
        if (o.size > 0)
            all.back()["seenAlike"] = alike
                                          ? json{{"take", irenic::textOf(alike->settings)},
                                                 {"needsNoCleaning", alike->settings.untouched()},
                                                 {"timesAsQuick", alike->times},
                                                 {"meanDifference", alike->difference.mean},
                                                 {"sentence", irenic::sentenceOf(*alike, r.settings, o.size)}}
                                          : json();
        if (asJson) return;
        std::printf("%s\n  %s\n  estimated error %.2f sigma.\n", file.c_str(),
                    irenic::textOf(r.settings).c_str(), r.risk.sigmas());
        for (const std::string& reason : irenic::reasonsOf(*photo, r)) std::printf("  %s\n", reason.c_str());
        for (const irenic::Alternative& other : r.others) {
            std::printf("  %-9s %s\n            estimated error %.2f sigma, %s\n",
                        (std::string(irenic::idOf(other.kind)) + ":").c_str(),
                        irenic::textOf(other.settings).c_str(), other.risk.sigmas(),
                        irenic::wordsOf(other).c_str());
            for (const std::string& line : other.subjects) std::printf("            %s\n", line.c_str());
        }
        if (alike) std::printf("  %s\n", irenic::sentenceOf(*alike, r.settings, o.size).c_str());
        if (o.size > 0 && !alike)
            std::printf("  At %d pixels every other method can be told from it.\n", o.size);
    });
}

irenic::Rect probeFromText(const std::string& text) {
    int v[4];
    char rest;
    if (std::sscanf(text.c_str(), "%d,%d,%d,%d%c", &v[0], &v[1], &v[2], &v[3], &rest) != 4)
        throw WrongUsage("--probe takes X,Y,W,H, not \"" + text + "\"");
    return {v[0], v[1], v[2], v[3]};
}

struct SheetOptions {
    std::string file, output;
    std::vector<std::string> takes, probes;
    std::string look;
    double zoom = 1, push = 0;
    bool overwrite = false;
};

int sheet(const SheetOptions& o, const Work& work) {
    std::vector<Settings> takes;
    std::vector<irenic::Rect> probes;
    try {
        for (const std::string& t : o.takes) {
            const irenic::Preset take = takeFrom(t);
            if (takes.size() >= irenic::kMostTakesKept)
                throw std::invalid_argument("more takes than letters");
            if (take.settings) takes.push_back(*take.settings);
        }
    } catch (const std::invalid_argument& e) {
        throw WrongUsage(std::string("--take: ") + e.what());
    }
    for (const std::string& p : o.probes) probes.push_back(probeFromText(p));
    if (!(o.zoom > 0 && o.zoom <= 16)) throw WrongUsage("--zoom must be above 0 and at most 16");
    const auto photo = irenic::readPhoto(o.file, work);
    const irenic::Rect whole = photo->whole();
    if (probes.empty())
        for (const irenic::Probe& p : irenic::placeProbes(*photo))
            probes.push_back(irenic::Rect{p.x - 120, p.y - 85, 240, 170}.intersected(whole));
    for (const irenic::Rect& p : probes)
        if (p.empty() || !whole.contains(p))
            throw WrongUsage("--probe: the rectangle does not lie inside the photo");
    const irenic::Look look = lookOf(o.look);
    try {
        irenic::writeSheetPicture(o.output, o.overwrite, *photo, takes, probes, look,
                                  {o.zoom, static_cast<float>(o.push)}, work);
    } catch (const irenic::WriteError& e) {
        throw std::runtime_error(irenic::shownName(o.output) + ": " + e.what());
    }
    return 0;
}

struct MaskOptions {
    std::string file, zone, output;
    bool overwrite = false;
};

// White where the zone is, black where it is not, at the photo's own pixels.
int mask(const MaskOptions& o, const Work& work) {
    std::vector<irenic::Zone> zones;
    try {
        zones = irenic::zonesFromText("zone=" + o.zone);
    } catch (const std::invalid_argument& e) {
        throw WrongUsage(std::string("--zone: ") + e.what());
    }
    if (zones.size() != 1) throw WrongUsage("--zone takes one zone");
    const auto photo = irenic::readPhoto(o.file, work.part(0, 0.5));
    try {
        irenic::OwnPicture file(o.output, o.overwrite, *photo);
        const irenic::Plane found = irenic::maskOf(*photo, zones[0], photo->whole(), work.part(0.5, 1));
        QImage image(found.width(), found.height(), QImage::Format_Grayscale8);
        for (int y = 0; y < found.height(); ++y)
            for (int x = 0; x < found.width(); ++x)
                image.scanLine(y)[x] = static_cast<uchar>(found.at(x, y) * 255 + 0.5f);
        file.write(image, "Mask");
    } catch (const irenic::WriteError& e) {
        throw std::runtime_error(irenic::shownName(o.output) + ": " + e.what());
    }
    return 0;
}

} // namespace

int main(int argc, char** argv) {
    irenic::keepFreedMemory();
    irenic::useReaderBesideThis();
    const irenic::StopOnSignal stop;
    const Work work{stop.token()};
    CLI::App app{"Irenic on the command line: reduce the noise of raw photos."};
    app.require_subcommand(1);
    app.set_version_flag("--version", "irenic-cli " IRENIC_VERSION);
    int status = 0;

    bool asJson = false;
    auto* methods = app.add_subcommand("methods", "List the noise reduction methods");
    methods->add_flag("--json", asJson);
    methods->callback([&] { status = listMethods(asJson); });

    std::vector<std::string> files;
    auto* inspectCommand = app.add_subcommand("inspect", "Show what files hold and how much noise they have");
    inspectCommand->add_option("FILE", files)->required();
    std::vector<std::string> darkFiles;
    irenic::addDarkOption(*inspectCommand, darkFiles);
    inspectCommand->add_flag("--json", asJson);
    inspectCommand->callback([&] { status = inspect(files, darkFiles, asJson, work); });

    irenic::addCleanCommand(app, work, status);
    irenic::addQueueCommands(app, work, status);
    irenic::addChecksCommand(app, work, status);
    irenic::addCameraCommand(app, work, status);
    irenic::addDarkCommand(app, work, status);
    irenic::addLayersCommand(app, work, status);

    auto* recommendCommand =
        app.add_subcommand("recommend", "Show the method and strengths with the least estimated error");
    recommendCommand->add_option("FILE", files)->required();
    RecommendOptions recommendOptions;
    recommendCommand
        ->add_option("--size", recommendOptions.size,
                     "Name the quickest take that cannot be told apart at this size of the longer side")
        ->check(CLI::Range(16, 65535));
    recommendCommand->add_option("--look", recommendOptions.look, "Judge for this look: as in 'clean'");
    irenic::addDarkOption(*recommendCommand, recommendOptions.dark);
    recommendCommand->add_flag("--json", asJson);
    recommendCommand->callback([&] { status = recommendAll(files, recommendOptions, asJson, work); });

    auto* stateCommand =
        app.add_subcommand("state", "Show the saved takes, probes, look and choice of photos");
    stateCommand->add_option("FILE", files)->required();
    stateCommand->add_flag("--json", asJson);
    stateCommand->callback([&] { status = printState(files, asJson, work); });

    SheetOptions sheetOptions;
    auto* sheetCommand = app.add_subcommand("sheet", "Write the trial sheet as a picture");
    sheetCommand->add_option("FILE", sheetOptions.file)->required();
    sheetCommand->add_option("--take", sheetOptions.takes, "method,luminance=1,colour=1,...; repeat for more")
        ->required();
    sheetCommand->add_option("--probe", sheetOptions.probes,
                             "X,Y,W,H; repeat for more; default: placed by measurement");
    sheetCommand->add_option("--zoom", sheetOptions.zoom)->check(irenic::between(0.01, 16));
    sheetCommand->add_option("--look", sheetOptions.look, "As in 'clean'");
    sheetCommand->add_option("--push", sheetOptions.push, "Brightens the picture, in stops")
        ->check(irenic::between(-10, 10));
    sheetCommand->add_option("--output", sheetOptions.output)->required();
    sheetCommand->add_flag("--overwrite", sheetOptions.overwrite, "Replace an existing sheet; nothing else");
    sheetCommand->callback([&] {
        // Text needs a font engine, but no window and no display.
        if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
        int count = 1;
        const QGuiApplication gui(count, argv);
        status = sheet(sheetOptions, work);
    });

    MaskOptions maskOptions;
    auto* maskCommand = app.add_subcommand("mask", "Write a zone of a photo as a picture");
    maskCommand->add_option("FILE", maskOptions.file)->required();
    maskCommand
        ->add_option("--zone", maskOptions.zone,
                     "in-focus, out-of-focus, dark or bright; not- before it for the rest")
        ->required();
    maskCommand->add_option("--output", maskOptions.output, "A PNG: white is the zone")->required();
    maskCommand->add_flag("--overwrite", maskOptions.overwrite, "Replace an existing mask; nothing else");
    maskCommand->callback([&] { status = mask(maskOptions, work); });

    std::string folder;
    bool truth = false;
    double scale = 1;
    auto* demo = app.add_subcommand("demo-data", "Make the demo raws with the simulated camera");
    demo->add_option("DIR", folder)->required();
    demo->add_flag("--truth", truth, "Also write the noiseless mosaics");
    demo->add_option("--scale", scale, "Size of the pictures, for tests")->check(irenic::between(0.05, 2));
    const auto say = [](const std::string& line) { std::printf("%s\n", line.c_str()); };
    bool render = false;
    int rays = 16;
    std::string scene;
    auto* renders =
        demo->add_flag("--render", render, "Render the scenes anew into DIR, for hours; makes no photos");
    demo->add_option("--scene", scene, "With --render: only this one")->needs(renders);
    demo->add_option("--rays", rays, "With --render: for each pixel, a power of two")
        ->needs(renders)
        ->check(CLI::Range(1, 1024));
    demo->callback([&] {
        if (!render) return irenic::makeDemoData(folder, truth, scale, say, work);
#ifdef IRENIC_STUDIO
        if ((rays & (rays - 1)) != 0) throw WrongUsage("--rays: a power of two, such as 16.");
        irenic::renderScenes(folder, scene, rays, scale, say, work);
#else
        throw WrongUsage("This build cannot render: install libembree-dev and build again.");
#endif
    });

    auto* man = app.add_subcommand("man", "Print the manual page, for man -l -");
    man->callback([&] { std::fputs(irenic::manPageOf(app, IRENIC_VERSION).c_str(), stdout); });
    auto* completion =
        app.add_subcommand("completion", "Print what bash needs to complete commands and options");
    completion->callback([&] { std::fputs(irenic::completionOf(app).c_str(), stdout); });

    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        return app.exit(e) == 0 ? 0 : 2;
    } catch (const WrongUsage& e) {
        std::fprintf(stderr, "irenic-cli: %s\n", e.what());
        return 2;
    } catch (const irenic::Cancelled&) {
        std::fprintf(stderr, "irenic-cli: stopped; nothing unfinished is left\n");
        return stop.status();
    } catch (const std::exception& e) {
        std::fprintf(stderr, "irenic-cli: %s\n", irenic::problemOf(e).c_str());
        return 1;
    }
    return stop.status() ? stop.status() : status;
}
