#include "checks_command.h"

#include <QImage>
#include <algorithm>
#include <array>
#include <cstdio>
#include <memory>
#include <nlohmann/json.hpp>
#include <optional>

#include "base/text.h"
#include "common.h"
#include "develop/render.h"
#include "judge/advice.h"
#include "judge/checks.h"
#include "judge/file_checks.h"
#include "judge/finding_json.h"
#include "judge/take_checks.h"
#include "measure/open.h"
#include "own_picture.h"

namespace irenic {

namespace {

using json = nlohmann::json;

struct Asked {
    std::string original;
    std::vector<std::string> cleaned, takes;
    bool asJson = false;
    std::string map;
    bool overwrite = false;
};

// What is checked: its name, and the file or the take's settings.
struct Subject {
    std::string name;
    PhotoPtr file;
    std::optional<Settings> settings;
};

Subject fromFile(const Photo& photo, const std::string& file, const Work& work) {
    PhotoPtr cleaned = readPhoto(file, work, Measure::Nothing);
    if (!isComparable(*cleaned, photo))
        throw std::runtime_error(shownName(file) + ": samples cannot be compared with those of " +
                                 shownName(photo.file) + ". " + kNotComparable);
    return {shownPath(file), std::move(cleaned), {}};
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

// The photo in grey, darkened, and over it what the checks see: the lighter and the more ochre, the worse.
QImage pictureOfMap(const Photo& photo, const SquareMap& map, const Work& work) {
    constexpr int kLongest = 1600;
    constexpr float kDim = 0.45f;
    const std::array<float, 3> ochre = {232, 172, 72};
    const Picture below = renderOverview(photo, Look{}, kLongest, work);
    const std::vector<std::uint8_t> bytes = inEightBits(below);
    QImage out(below.width, below.height, QImage::Format_RGB888);
    for (int y = 0; y < below.height; ++y)
        for (int x = 0; x < below.width; ++x) {
            const auto* from = bytes.data() + 3 * (static_cast<std::ptrdiff_t>(y) * below.width + x);
            const float grey = kDim * (0.3f * from[0] + 0.6f * from[1] + 0.1f * from[2]);
            const int across = static_cast<int>(static_cast<std::int64_t>(x) * photo.width() / below.width /
                                                std::max(1, map.side)),
                      down = static_cast<int>(static_cast<std::int64_t>(y) * photo.height() / below.height /
                                              std::max(1, map.side));
            const float share = across < map.across && down < map.down ? map.at(across, down) : 0;
            for (std::size_t c = 0; c < 3; ++c)
                out.scanLine(y)[3 * static_cast<std::size_t>(x) + c] =
                    static_cast<uchar>(grey + share * (ochre[c] - grey) + 0.5f);
        }
    return out;
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
    if (!asked.map.empty() && count != 1) throw WrongUsage("--map shows one cleaned file or take");
    const auto photo = readPhoto(asked.original, work.part(0, 0.2));
    std::optional<OwnPicture> picture;
    try {
        if (!asked.map.empty()) picture.emplace(asked.map, asked.overwrite, *photo);
    } catch (const WriteError& e) {
        throw std::runtime_error(shownName(asked.map) + ": " + e.what());
    }
    std::vector<Subject> subjects;
    for (const std::string& file : asked.cleaned)
        subjects.push_back(fromFile(*photo, file, {work.stop, nullptr}));
    for (const Settings& settings : takes) subjects.push_back({textOf(settings), {}, settings});
    json all = json::array();
    bool bad = false;
    for (std::size_t i = 0; i < count; ++i) {
        const auto& [name, file, settings] = subjects[i];
        const double n = static_cast<double>(count), at = static_cast<double>(i);
        std::vector<Finding> findings;
        try {
            const Work part = work.part(0.2 + 0.8 * at / n, 0.2 + 0.8 * (at + 1) / n);
            findings = settings ? checksOf(*photo, *settings, part)
                                : checksOfFile(*photo, file, Settings::original(), part);
        } catch (const std::invalid_argument& e) {
            throw std::runtime_error(e.what());
        }
        if (picture) {
            std::vector<SquareMap> maps;
            for (const Finding& f : findings)
                if (f.grade != Grade::Good) maps.push_back(f.map);
            try {
                picture->write(pictureOfMap(*photo, worstOf(maps), {work.stop}), "Map of checks");
            } catch (const WriteError& e) {
                throw std::runtime_error(shownName(asked.map) + ": " + e.what());
            }
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
    command->add_option("--map", asked->map, "Write a PNG that shows where checks found something");
    command->add_flag("--overwrite", asked->overwrite, "Replace an existing map; nothing else");
    command->add_flag("--json", asked->asJson);
    command->callback([asked, &work, &status] { status = check(*asked, work); });
}

} // namespace irenic
