#include "common.h"

#include <glob.h>

#include <algorithm>
#include <cstdio>
#include <filesystem>
#include <iostream>
#include <nlohmann/json.hpp>

#include "base/jobs.h"
#include "base/text.h"
#include "denoise/method.h"
#include "judge/checks.h"
#include "measure/open.h"

namespace irenic {

namespace fs = std::filesystem;
using nlohmann::json;

void print(const json& all) {
    // What files say may be in any encoding; what is not UTF-8 is replaced.
    std::cout << all.dump(2, ' ', false, json::error_handler_t::replace) << '\n';
}

int forEachFile(const std::vector<std::string>& files, bool asJson,
                const std::function<void(const std::string&, json&)>& one) {
    json all = json::array();
    int failed = 0;
    for (const std::string& file : files) try {
            one(file, all);
        } catch (const Cancelled&) {
            throw;
        } catch (const std::exception& e) {
            ++failed;
            const std::string problem = problemOf(e);
            std::fprintf(stderr, "irenic-cli: %s\n", problem.c_str());
            all.push_back({{"file", shownPath(file)}, {"error", problem}});
        }
    if (asJson) print(all);
    return failed ? 1 : 0;
}

Preset takeFrom(const std::string& text) {
    try {
        if (text.ends_with(".json") || text.find('/') != std::string::npos) return loadPreset(text);
        const std::string method = text.substr(0, text.find(','));
        if (!findMethod(method) && method == text) return loadPreset(text);
        return {settingsFromText(text), {}};
    } catch (const std::invalid_argument& e) {
        throw WrongUsage(std::string("--take: ") + e.what());
    }
}

Look lookOf(const std::string& text) {
    try {
        return lookFromText(text);
    } catch (const std::invalid_argument& e) {
        throw WrongUsage(std::string("--look: ") + e.what());
    }
}

std::vector<std::string> expanded(const std::vector<std::string>& names) {
    // What cameras and other programs call photos.
    static const std::vector<std::string> kEndings = {".dng", ".nef",  ".cr2", ".cr3",  ".arw",
                                                      ".raf", ".orf",  ".rw2", ".pef",  ".srw",
                                                      ".tif", ".tiff", ".jpg", ".jpeg", ".png"};
    std::vector<std::string> out;
    const auto addFolder = [&](const fs::path& folder) {
        std::vector<std::string> found;
        std::error_code error;
        for (fs::directory_iterator it(folder, error), end; !error && it != end; it.increment(error)) {
            const fs::directory_entry& entry = *it;
            std::string ending = entry.path().extension().string();
            std::transform(ending.begin(), ending.end(), ending.begin(),
                           [](unsigned char c) { return std::tolower(c); });
            if (entry.is_regular_file(error) && entry.path().filename().string()[0] != '.' &&
                std::find(kEndings.begin(), kEndings.end(), ending) != kEndings.end())
                found.push_back(entry.path().string());
        }
        std::sort(found.begin(), found.end());
        out.insert(out.end(), found.begin(), found.end());
    };
    for (const std::string& name : names) {
        std::error_code error;
        if (const auto photo = photoOfSidecar(name)) {
            out.push_back(photo->string());
        } else if (fs::is_directory(name, error)) {
            addFolder(name);
        } else if (!fs::exists(fs::symlink_status(name, error)) &&
                   name.find_first_of("*?[") != std::string::npos) {
            glob_t found{};
            if (glob(name.c_str(), 0, nullptr, &found) == 0)
                for (std::size_t i = 0; i < found.gl_pathc; ++i) out.emplace_back(found.gl_pathv[i]);
            else
                out.push_back(name);
            globfree(&found);
        } else {
            out.push_back(name);
        }
    }
    return out;
}

nlohmann::json worstFound(double severity, const std::string& sentence) {
    return {{"grade", idOf(gradeOf(severity))}, {"severity", severity}, {"sentence", sentence}};
}

} // namespace irenic
