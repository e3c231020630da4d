#include "clean_command.h"

#include <unistd.h>

#include <CLI/CLI.hpp>
#include <atomic>
#include <chrono>
#include <cstdio>
#include <map>
#include <memory>
#include <nlohmann/json.hpp>
#include <set>
#include <thread>

#include "bar.h"
#include "base/folders.h"
#include "base/text.h"
#include "common.h"
#include "dark_command.h"
#include "deliver/export.h"
#include "deliver/formats.h"
#include "deliver/handback.h"
#include "judge/probes.h"
#include "judge/recommend.h"
#include "measure/open.h"
#include "measure/series.h"
#include "number.h"
#include "queue/afterwards.h"
#include "queue/deliver_once.h"
#include "queue/supervisor.h"

namespace irenic {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

struct CleanOptions {
    std::vector<std::string> files, formats, deliveries, dark;
    Settings settings;
    std::string into;
    std::string out, output, profile = "srgb", compression, look, take, size, name;
    int bits = 16, jobs = 1;
    float quality = 95;
    bool overwrite = false, asJson = false, recommended = false, resume = false, later = false, check = false,
         alike = false;
    std::string then;
    std::string queue; // with `later`; empty: this user's

    std::optional<DarkFrame> frame = {}; // the mean of `dark`
    Given given(const std::optional<NoiseModel>& noise = {}) const {
        return {noise ? &*noise : nullptr, frame ? &*frame : nullptr};
    }
};

// One place for one file, however it is called; a name that cannot be followed is left for the writer to
// refuse.
fs::path placeOf(const fs::path& file) {
    std::error_code error;
    const fs::path place = fs::weakly_canonical(file, error);
    return error ? file : place;
}

// What is to be made of each photo.
std::vector<Delivery> deliveriesOf(const CleanOptions& o) {
    std::vector<Delivery> all;
    try {
        for (const std::string& text : o.deliveries) all.push_back(deliveryFromText(text));
        for (const std::string& format :
             o.formats.empty() && all.empty() ? std::vector<std::string>{"dng"} : o.formats) {
            Delivery d;
            setFromText(*findField<Delivery>("format"), d, format);
            std::error_code none;
            if (fs::is_regular_file(o.profile, none))
                d.profile = fs::absolute(o.profile);
            else
                setFromText(*findField<Delivery>("space"), d, o.profile);
            d.bits = o.bits, d.quality = o.quality;
            d.packing = o.compression == "none"  ? Packing::None
                        : o.compression == "lzw" ? Packing::Lzw
                                                 : Packing::Packed;
            if (o.size.ends_with("%"))
                setFromText(*findField<Delivery>("percent"), d, o.size.substr(0, o.size.size() - 1));
            else if (!o.size.empty())
                setFromText(*findField<Delivery>("longest"), d, o.size);
            all.push_back(d);
        }
    } catch (const std::invalid_argument& e) {
        throw WrongUsage(e.what());
    }
    for (Delivery& d : all) {
        if (!o.name.empty()) d.name = o.name;
        if (!o.out.empty()) d.folder = fs::absolute(o.out);
        d.conflict = o.overwrite                                              ? Conflict::Replace
                     : d.conflict == Conflict::Number && o.deliveries.empty() ? Conflict::Refuse
                                                                              : d.conflict;
        if (const std::string problem = problemWith(d); !problem.empty()) throw WrongUsage(problem);
    }
    return all;
}

struct Task {
    std::string file;
    std::vector<Delivery> deliveries;
    int counter = 1;
    std::optional<NoiseModel> noise = {}; // of its series
};

// The request that a task's delivery is, for names and for workers.
ExportRequest requestOf(const Task& task, const Delivery& delivery, const CleanOptions& o,
                        const Settings& settings, const Look& look) {
    ExportRequest w;
    std::error_code error;
    w.photo = fs::absolute(task.file, error).string();
    if (!o.recommended) w.settings = settings;
    w.look = look, w.delivery = delivery, w.counter = task.counter, w.resume = o.resume, w.check = o.check,
    w.then = o.then, w.noise = task.noise;
    return w;
}

void say(bool asJson, const json& line) {
    if (asJson)
        std::printf("%s\n", line.dump(-1, ' ', false, json::error_handler_t::replace).c_str());
    else if (line.contains("error"))
        std::fprintf(stderr, "irenic-cli: %s\n", line["error"].get<std::string>().c_str());
    else
        std::printf("%s -> %s%s\n", line["file"].get<std::string>().c_str(),
                    line["output"].get<std::string>().c_str(),
                    line.value("skipped", false) ? "  (done before)" : "");
    if (!asJson && line.contains("worst"))
        std::printf("  %s: %s\n", line["worst"]["grade"].get<std::string>().c_str(),
                    line["worst"]["sentence"].get<std::string>().c_str());
    if (!asJson && line.contains("notes"))
        for (const json& note : line["notes"])
            std::fprintf(stderr, "irenic-cli: %s: %s\n", line["output"].get<std::string>().c_str(),
                         note.get<std::string>().c_str());
    std::fflush(stdout);
}

// The deliveries of a task that are still open, one after the other. Leaves those that another process is at.
void deliver(Task& task, const CleanOptions& o, const Settings& settings, const Look& look,
             const Work& work) {
    std::atomic<float> done = 0;
    const Bar bar(done, shownName(task.file));
    const Work inner{work.stop, &done};
    const PhotoPtr photo = readPhoto(task.file, inner.part(0, 0.1), Measure::Noise, o.given(task.noise));
    std::optional<Recommendation> measured;
    std::vector<Delivery> open;
    const double each = 0.9 / static_cast<double>(task.deliveries.size());
    for (std::size_t i = 0; i < task.deliveries.size(); ++i) {
        const double from = 0.1 + each * static_cast<double>(i);
        const ExportRequest request = requestOf(task, task.deliveries[i], o, settings, look);
        const double until = from + each * (o.check ? 0.6 : 1);
        const auto made = deliverOnce(request, *photo, measured, o.output, inner.part(from, until));
        if (!made) {
            open.push_back(task.deliveries[i]);
            continue;
        }
        json line = {{"file", shownPath(task.file)}, {"output", shownPath(made->target)}};
        if (made->before) line["skipped"] = true;
        LeftOut notes = made->left;
        if (!made->before) {
            const Afterwards after = afterwards(request, *photo, *made, inner.part(until, from + each));
            notes.insert(notes.end(), after.notes.begin(), after.notes.end());
            if (after.worst) {
                line["worst"] = worstFound(after.worst->severity, after.worst->sentence);
                line["worst"]["check"] = after.worst->check;
            }
        }
        if (!notes.empty()) line["notes"] = notes;
        say(o.asJson, line);
    }
    task.deliveries = std::move(open);
}

// One after the other in this process; what others are at is looked at again until it is done, by them or,
// where they died, here. Returns how many failed.
int cleanHere(std::vector<Task> tasks, const CleanOptions& o, const Settings& settings, const Look& look,
              const Work& work) {
    int failed = 0;
    while (true) {
        for (Task& task : tasks) try {
                deliver(task, o, settings, look, work);
            } catch (const Cancelled&) {
                throw;
            } catch (const std::exception& e) {
                ++failed;
                task.deliveries.clear();
                if (o.asJson) std::fprintf(stderr, "irenic-cli: %s\n", e.what());
                say(o.asJson, {{"file", shownPath(task.file)}, {"error", e.what()}});
            }
        std::erase_if(tasks, [](const Task& t) { return t.deliveries.empty(); });
        if (tasks.empty()) return failed;
        for (int i = 0; i < 50; ++i) {
            work.check();
            std::this_thread::sleep_for(std::chrono::milliseconds(100));
        }
    }
}

std::vector<ExportRequest> requestsOf(const std::vector<Task>& tasks, const CleanOptions& o,
                                      const Settings& settings, const Look& look) {
    std::vector<ExportRequest> requests;
    for (const Task& task : tasks)
        for (const Delivery& d : task.deliveries) requests.push_back(requestOf(task, d, o, settings, look));
    return requests;
}

// In several processes, by a queue of its own that goes when all is done.
int cleanTogether(const std::vector<Task>& tasks, const CleanOptions& o, const Settings& settings,
                  const Look& look, const Work& work) {
    const TemporaryFolder folder;
    const fs::path place = folder.path() / "queue.sqlite";
    JobQueue queue(place);
    const std::vector<ExportRequest> requests = requestsOf(tasks, o, settings, look);
    queue.add(requests);
    Workforce force;
    force.program = fs::read_symlink("/proc/self/exe");
    force.workers = o.jobs, force.nice = 0;
    int failed = 0;
    std::set<std::int64_t> told;
    std::atomic<float> done = 0;
    {
        const Bar bar(done, std::to_string(requests.size()) + " files");
        const Supervisor supervisor(place, force);
        for (bool over = false; !over;) {
            if (work.stop.stop_requested()) throw Cancelled();
            std::this_thread::sleep_for(std::chrono::milliseconds(100));
            over = true;
            double sum = 0;
            for (const QueuedJob& j : queue.list()) {
                const bool ended = j.state != JobState::Waiting && j.state != JobState::Running;
                over = over && ended;
                sum += ended ? 1 : j.progress;
                if (!ended || !told.insert(j.id).second) continue;
                json line = {{"file", shownPath(j.request.photo)}};
                if (j.state == JobState::Done) {
                    line["output"] = shownPath(j.target);
                    if (j.severity >= 0) line["worst"] = worstFound(j.severity, j.found);
                    if (j.reason == kMadeBefore)
                        line["skipped"] = true;
                    else if (!j.reason.empty())
                        line["notes"] = {j.reason};
                } else {
                    line["error"] = j.reason, ++failed;
                }
                say(o.asJson, line);
            }
            done = static_cast<float>(sum / static_cast<double>(requests.size()));
        }
    }
    return failed;
}

// For a program that handed the file over and waits for it.
int cleanInto(const CleanOptions& o, const Preset& take, const Look& look, const Work& work) {
    const std::string& file = o.files.front();
    std::atomic<float> done = 0;
    const Bar bar(done, shownName(file));
    const Work inner{work.stop, &done};
    const PhotoPtr photo = readPhoto(file, inner.part(0, 0.1), Measure::Noise, o.given());
    Settings settings = *take.settings;
    std::optional<Risk> risk;
    double from = 0.1;
    if (o.recommended) {
        const Recommendation measured =
            recommend(*photo, look, placeProbes(*photo, {work.stop}), inner.part(from, 0.4));
        settings = measured.settings, risk = measured.risk, from = 0.4;
    }
    Export what = handbackOf(photo, settings, look);
    what.risk = risk, what.recommended = o.recommended;
    if (o.overwrite) what.delivery.conflict = Conflict::Replace;
    const LeftOut left = exportFile(what, o.into, inner.part(from, 1));
    json line = {{"file", shownPath(file)}, {"output", shownPath(o.into)}};
    if (!left.empty()) line["notes"] = left;
    say(o.asJson, line);
    return 0;
}

int clean(CleanOptions o, const Work& work) {
    if (const std::string problem = problemWith(o.settings); !problem.empty()) throw WrongUsage(problem);
    const Preset take = o.take.empty() ? Preset{o.settings, {}} : takeFrom(o.take);
    if (!take.settings) throw WrongUsage("--take: this preset holds a look and no take");
    const Look look = o.look.empty() && take.look ? *take.look : lookOf(o.look);
    o.files = expanded(o.files);
    o.frame = darkFrameFrom(o.dark, work);
    if (!o.into.empty()) {
        if (o.files.size() != 1) throw WrongUsage("--into takes exactly one FILE");
        return cleanInto(o, take, look, work);
    }
    if (!o.output.empty() && o.files.size() != 1)
        throw WrongUsage("--output takes exactly one FILE; use --out for several");
    const std::vector<Delivery> deliveries = deliveriesOf(o);
    if (!o.output.empty() && o.later) throw WrongUsage("--later names files by --name, not by --output");
    if (!o.output.empty() && deliveries.size() != 1)
        throw WrongUsage("--output takes exactly one format; use --name for several");

    // Inputs are never written to, and no two results go to one place.
    std::set<fs::path> inputs;
    for (const std::string& f : o.files) inputs.insert(placeOf(f));
    std::map<fs::path, std::string> taken;
    std::vector<Task> tasks;
    int failed = 0;
    for (const std::string& file : o.files) {
        Task task{file, deliveries, static_cast<int>(tasks.size()) + 1};
        bool fine = true;
        for (const Delivery& d : deliveries) {
            NameParts parts;
            parts.original = file, parts.counter = task.counter, parts.letter = "A";
            const fs::path target = o.output.empty() ? targetOf(d, parts) : fs::path(o.output),
                           place = placeOf(target);
            if (inputs.count(place)) {
                say(o.asJson,
                    {{"file", shownPath(file)},
                     {"error", "Cannot name the export of " + shownName(file) + " " + shownName(target) +
                                   ": that is a photo that is to be cleaned. Choose another --name, --out or "
                                   "--output."}});
                fine = false;
                continue;
            }
            const auto [at, isNew] = taken.emplace(place, file);
            if (!isNew)
                throw WrongUsage(shownPath(at->second) + " and " + shownPath(file) + " would both become " +
                                 shownPath(target) +
                                 "; clean them one after the other, into different folders");
        }
        if (fine)
            tasks.push_back(std::move(task));
        else
            ++failed;
    }
    if (o.alike) {
        std::vector<fs::path> files;
        for (const Task& task : tasks) files.push_back(task.file);
        const auto noise = noiseOfSeries(files, work);
        for (Task& task : tasks)
            if (const auto own = noise.find(task.file); own != noise.end()) task.noise = own->second;
    }
    if (o.later) {
        const fs::path place = o.queue.empty() ? JobQueue::usualPlace() : fs::path(o.queue);
        const std::vector<ExportRequest> requests = requestsOf(tasks, o, *take.settings, look);
        JobQueue(place).add(requests);
        std::printf("Added %zu files to the queue. Run 'irenic-cli queue run', or open the window.\n",
                    requests.size());
        return failed ? 1 : 0;
    }
    failed += o.jobs > 1 && o.output.empty() ? cleanTogether(tasks, o, *take.settings, look, work)
                                             : cleanHere(tasks, o, *take.settings, look, work);
    return failed ? 1 : 0;
}

} // namespace

void addCleanCommand(CLI::App& app, const Work& work, int& status) {
    const auto options = std::make_shared<CleanOptions>();
    CleanOptions& o = *options;
    auto* command = app.add_subcommand("clean", "Remove noise and export");
    command->add_option("FILE", o.files, "Photos, folders of photos, patterns")->required();
    command->add_option("--method", o.settings.method, "Method id, see 'methods'");
    command->add_option("--take,--preset", o.take,
                        "A take as text, a preset by name or file, or a sidecar (its chosen take and look)");
    command->add_flag("--recommended", o.recommended, "Use the recommended take of each photo");
    for (const auto& field : fieldsOf<Settings>()) {
        const std::string name = std::string("--") + field.id;
        if (const auto* number = std::get_if<float Settings::*>(&field.member))
            command->add_option(name, o.settings.**number,
                                numberText(static_cast<float>(field.least)) + " to " +
                                    numberText(static_cast<float>(field.most)) + ": " + field.sentence);
        if (std::holds_alternative<ChoiceMember<Settings>>(field.member))
            command
                ->add_option_function<std::string>(
                    name, [&o, &field](const std::string& text) { setFromText(field, o.settings, text); },
                    field.sentence)
                ->check(CLI::IsMember(std::vector<std::string>(field.choices.begin(), field.choices.end())));
        if (const auto* flag = std::get_if<bool Settings::*>(&field.member))
            command->add_flag(name + ",!--no-" + field.id, o.settings.**flag, field.sentence);
    }
    const std::vector<std::string> kinds(formatIds().begin(), formatIds().end());
    command->add_option("--format", o.formats, joined(kinds) + "; several with commas")
        ->delimiter(',')
        ->check(CLI::IsMember(kinds));
    command->add_option(
        "--deliver", o.deliveries,
        "All export settings as text, such as 'jpeg,quality=85,longest=2048,folder=web'; repeat for more");
    command->add_option("--look", o.look,
                        "exposure=0.5,kelvin=4200,tint=3,highlights=-0.4,curve=0:0;0.5:0.6;1:1,"
                        "vignetting,softness=medium,...; a DNG has it as XMP and in its preview only");
    command->add_option("--profile", o.profile,
                        "srgb, adobe, prophoto, rec2020, or an ICC file; not for DNG");
    command->add_option("--bits", o.bits, "TIFF: 8, 16, 32 (floating point); PNG: 8, 16")
        ->check(CLI::IsMember({8, 16, 32}));
    command->add_option("--quality", o.quality, "JPEG and JPEG XL: 1 to 100")->check(between(1, 100));
    command
        ->add_option("--compression", o.compression,
                     "DNG: lossless (JPEG) or none; TIFF: zip, lzw or none; default: lossless compression")
        ->check(CLI::IsMember({"lossless", "zip", "lzw", "none"}));
    command->add_option("--size", o.size, "Long edge in pixels, or per cent with a % sign; not for DNG");
    command->add_option(
        "--name", o.name,
        "A pattern: {stem} {letter} {take} {method} {iso} {date} {counter} {version}; default: {stem}-clean");
    command->add_option("--out", o.out, "Folder; default: next to the original");
    command->add_option("--output", o.output, "File; only with one FILE");
    auto* into = command->add_option(
        "--into", o.into,
        "For another program's own use: a developed picture goes back in its own format, depth and colours, "
        "even "
        "into its own file, which is then replaced whole; a raw becomes a DNG of this name");
    for (const char* other : {"--format", "--deliver", "--output", "--out", "--name", "--size", "--bits",
                              "--quality", "--profile", "--compression"})
        into->excludes(command->get_option(other));
    command->add_flag("--overwrite", o.overwrite, "Replace existing results; never an input");
    command->add_flag("--resume", o.resume,
                      "Skip what exists already, made of the same photo in the same way");
    command->add_flag(
        "--alike", o.alike,
        "Clean photos of one camera, ISO and size by one noise, measured on all of them: for panoramas "
        "and focus series");
    command->add_flag("--check", o.check, "Measure what the take did to each photo, and say the worst");
    command->add_option("--then", o.then,
                        "A command to run on each file that was made; {file} stands for its path");
    command->add_option("--jobs", o.jobs, "Processes at a time; each cleans one photo")
        ->check(CLI::Range(1, 64));
    auto* later = command->add_flag("--later", o.later, "Only add them to the queue");
    auto* dark = addDarkOption(*command, o.dark);
    dark->excludes(later)->excludes(command->get_option("--jobs")); // other processes take what is kept
    command->add_option("--queue", o.queue, "With --later: the queue's file; default: this user's")
        ->needs(later);
    command->add_flag("--json", o.asJson, "One JSON object in a line for each file");
    command->callback([command, options, &work, &status] {
        const bool named = command->count("--method") > 0, given = !options->take.empty();
        if (int(options->recommended) + int(named) + int(given) != 1)
            throw WrongUsage("clean takes one of --method, --take and --recommended");
        status = clean(*options, work);
    });
}

} // namespace irenic
