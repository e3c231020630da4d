#include "checks_command.h"

#include <algorithm>
#include <cstdio>
#include <memory>
#include <nlohmann/json.hpp>
#include <optional>

#include "base/text.h"
#include "common.h"
#include "denoise/clean.h"
#include "judge/advice.h"
#include "judge/checks.h"
#include "measure/open.h"

namespace irenic {

namespace {

using json = nlohmann::json;

struct Asked {
    std::string original;
    std::vector<std::string> cleaned, takes;
    bool asJson = false;
};

// What is checked: its name, where its pixels come from, and its settings where they are known.
struct Subject {
    std::string name;
    CleanedSource source;
    std::optional<Settings> settings;
};

Subject fromFile(const Photo& photo, const std::string& file, const Work& work) {
    const PhotoPtr cleaned = readPhoto(file, work, Measure::Nothing);
    if (cleaned->hasMosaic() != photo.hasMosaic() || cleaned->monochrome != photo.monochrome ||
        cleaned->width() != photo.width() || cleaned->height() != photo.height() || cleaned->developed ||
        (photo.hasMosaic() && cleaned->mosaic.site != photo.mosaic.site))
        throw std::runtime_error(shownName(file) + ": samples cannot be compared with those of " +
                                 shownName(photo.file) +
                                 ". Checks need a DNG of the same size and layout, as 'clean' writes it.");
    return {shownPath(file),
            [cleaned](const Rect& area, const Work& part) {
                return cleanRegion(*cleaned, Settings::original(), area, part);
            },
            {}};
}

json jsonOf(const Finding& f) {
    json places = json::array();
    for (const Rect& r : f.places)
        places.push_back({{"x", r.x}, {"y", r.y}, {"width", r.width}, {"height", r.height}});
    return {{"check", f.check},       {"value", f.value ? json(*f.value) : json()},
            {"unit", f.unit},         {"grade", idOf(f.grade)},
            {"sentence", f.sentence}, {"places", places}};
}

void describe(const Finding& f) {
    if (f.value)
        std::printf("  %-4s  %-17s %7.3f %s. %s\n", idOf(f.grade), f.check.c_str(), *f.value, f.unit.c_str(),
                    f.sentence.c_str());
    else
        std::printf("  -     %-17s %s\n", f.check.c_str(), f.sentence.c_str());
    if (f.grade != Grade::Good)
        for (const Rect& r : f.places) std::printf("          at %d,%d,%d,%d\n", r.x, r.y, r.width, r.height);
}

int check(const Asked& asked, const Work& work) {
    std::vector<Settings> takes;
    try {
        for (const std::string& t : asked.takes)
            if (const Preset take = takeFrom(t); take.settings) takes.push_back(*take.settings);
    } catch (const std::invalid_argument& e) {
        throw WrongUsage(std::string("--take: ") + e.what());
    }
    const std::size_t count = asked.cleaned.size() + takes.size();
    if (count == 0) throw WrongUsage("checks needs cleaned files or --take");
    const auto photo = readPhoto(asked.original, work.part(0, 0.2));
    std::vector<Subject> subjects;
    for (const std::string& file : asked.cleaned)
        subjects.push_back(fromFile(*photo, file, {work.stop, nullptr}));
    for (const Settings& settings : takes)
        subjects.push_back({textOf(settings),
                            [&photo, settings](const Rect& area, const Work& part) {
                                return cleanRegion(*photo, settings, area, part);
                            },
                            settings});
    json all = json::array();
    bool bad = false;
    for (std::size_t i = 0; i < count; ++i) {
        const auto& [name, source, settings] = subjects[i];
        const double n = static_cast<double>(count), at = static_cast<double>(i);
        std::vector<Finding> findings;
        try {
            findings = checksOf(*photo, source, work.part(0.2 + 0.8 * at / n, 0.2 + 0.8 * (at + 1) / n));
        } catch (const std::invalid_argument& e) {
            throw std::runtime_error(e.what());
        }
        json list = json::array();
        if (!asked.asJson) std::printf("%s\n", name.c_str());
        for (const Finding& f : findings) {
            bad = bad || f.grade == Grade::Bad;
            if (asked.asJson)
                list.push_back(jsonOf(f));
            else
                describe(f);
        }
        json one = {{"cleaned", name}, {"findings", list}};
        if (const auto advice = settings ? adviceOn(findings, *settings) : std::nullopt) {
            one["advice"] = {{"sentence", advice->sentence}, {"take", textOf(advice->settings)}};
            if (!asked.asJson)
                std::printf("  %s\n        %s\n", advice->sentence.c_str(), textOf(advice->settings).c_str());
        }
        all.push_back(one);
    }
    if (asked.asJson) print(all);
    return bad ? 1 : 0;
}

} // namespace

void addChecksCommand(CLI::App& app, const Work& work, int& status) {
    const auto asked = std::make_shared<Asked>();
    auto* command = app.add_subcommand("checks", "Measure what cleaning kept, lost and added");
    command->add_option("ORIGINAL", asked->original, "The photo as the camera wrote it")->required();
    command->add_option("CLEANED", asked->cleaned, "Cleaned DNGs of it, made here or elsewhere");
    command->add_option("--take", asked->takes, "Check this take as well; repeat for more");
    command->add_flag("--json", asked->asJson);
    command->callback([asked, &work, &status] { status = check(*asked, work); });
}

} // namespace irenic
