#include "deliver/estimate.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <mutex>

#include "base/expects.h"
#include "base/folders.h"
#include "base/json.h"
#include "base/safe_file.h"
#include "deliver/export.h"
#include "deliver/formats.h"
#include "deliver/jpeg.h"
#include "develop/render.h"
#include "measure/open.h"

namespace irenic {

namespace fs = std::filesystem;

namespace {

// Whole cells of every mosaic, enough for a method's surroundings, and together nearly two tiles of a DNG:
// what fills the last tiles up takes room too.
constexpr int kBands = 6, kBandRows = 84;

// The photo with nothing but some bands of its rows.
Photo bandsOf(const Photo& photo) {
    const int rows = kBands * kBandRows, width = photo.width() / 12 * 12;
    if (photo.height() < 2 * rows || width < 64) return photo;
    Photo out = photo;
    out.active = out.crop = {0, 0, width, rows};
    out.rawWidth = width, out.rawHeight = rows;
    out.black.deltaH.clear(), out.black.deltaV.clear(); // they change neither size nor time
    out.id = {}, out.pattern = {};
    // What the file says of the frame and of places in it is not true of the bands: active area, crop, masked
    // areas, offsets of columns and rows, opcodes.
    for (auto* tags : {&out.metadata.main, &out.metadata.mosaic})
        std::erase_if(*tags, [](const TagEntry& e) {
            constexpr std::uint16_t kOfTheFrame[] = {0xc68d, 0xc61f, 0xc620, 0xc68e, 0xc61b,
                                                     0xc61c, 0xc740, 0xc741, 0xc74e, 0xc7b5};
            return std::find(std::begin(kOfTheFrame), std::end(kOfTheFrame), e.tag) != std::end(kOfTheFrame);
        });
    const auto take = [&](const std::vector<std::uint16_t>& from, int channels) {
        std::vector<std::uint16_t> to;
        if (from.empty()) return to;
        to.reserve(static_cast<std::size_t>(width) * static_cast<std::size_t>(rows * channels));
        for (int band = 0; band < kBands; ++band) {
            const int top = (photo.height() - kBandRows) * band / (kBands - 1) / 12 * 12;
            for (int y = top; y < top + kBandRows; ++y) {
                const auto at =
                    (static_cast<std::ptrdiff_t>(photo.active.y + y) * photo.rawWidth + photo.active.x) *
                    channels;
                to.insert(to.end(), from.begin() + at,
                          from.begin() + at + static_cast<std::ptrdiff_t>(width) * channels);
            }
        }
        return to;
    };
    out.samples = take(photo.samples, photo.channels), out.mended = take(photo.mended, photo.channels);
    out.sensor = take(photo.sensor, photo.channels);
    if (out.xtrans)
        out.xtrans->samples = take(photo.xtrans->samples, 1), out.xtrans->black.deltaH.clear(),
        out.xtrans->black.deltaV.clear();
    return out;
}

fs::path experienceFile() { return stateFolder() / "speed.json"; }

std::mutex experienceMutex;

nlohmann::json readExperience() {
    constexpr std::uint64_t kMost = 1 << 20;
    try {
        const nlohmann::json all = jsonFrom(textOfFile(experienceFile(), kMost).value_or(""));
        return all.is_object() ? all : nlohmann::json::object();
    } catch (const std::exception&) {
        return nlohmann::json::object(); // it is made anew
    }
}

std::string keyOf(const Export& what) {
    return what.recipe.settings.method + " " + valueText(fieldsOf<Delivery>()[0], what.delivery);
}

} // namespace

Estimate estimate(const Export& what, const Work& work) {
    IRENIC_EXPECTS(what.recipe.photo);
    const Photo& photo = *what.recipe.photo;
    const Photo sample = bandsOf(photo);
    const double share = static_cast<double>(photo.width()) * photo.height() /
                         (static_cast<double>(sample.width()) * sample.height());
    const TemporaryFolder folder;
    Export small = what;
    small.recipe = recipeOf(sample, what.recipe.settings, what.recipe.look);
    const fs::path target = folder.path() / (std::string("sample") + formatOf(what.delivery.format).ending);
    // Bands have no shape: a longer side becomes a share.
    if (what.delivery.longest > 0) {
        const Rect frame = outputFrame(photo, what.recipe.look);
        const double percent = std::min(100.0, 100.0 * static_cast<double>(what.delivery.longest) /
                                                   std::max(frame.width, frame.height));
        small.delivery.longest = 0;
        small.delivery.percent =
            static_cast<float>(std::max(1.0, std::min(static_cast<double>(what.delivery.percent), percent)));
    }
    small.recipe.look.distortion = false;
    Estimate out;
    const auto start = std::chrono::steady_clock::now();
    std::error_code error;
    exportFile(small, target, work);
    const std::chrono::duration<double> took = std::chrono::steady_clock::now() - start;
    const auto size = static_cast<double>(fs::file_size(target, error));
    // Tags and preview are there once, however large the photo is.
    constexpr double kTags = 12000;
    double inSample = kTags, inWhole = kTags;
    if (what.delivery.format == ExportFormat::Dng && !what.delivery.fullPreview) {
        const PhotoPtr cleaned = readPhoto(target, {work.stop}, Measure::Nothing);
        const Picture preview =
            renderOverview(*cleaned, what.recipe.look, std::min(1024, sample.width()), {work.stop});
        const auto bytes = static_cast<double>(previewJpeg(preview).size());
        // The whole photo's is as dense and higher.
        inSample += bytes, inWhole += bytes * photo.height() / sample.height();
    }
    out.bytes = std::max(0.0, size - inSample) * share + inWhole;
    out.seconds = took.count() * share;
    const std::lock_guard lock(experienceMutex);
    const nlohmann::json experience = readExperience();
    if (const auto known = experience.find(keyOf(what)); known != experience.end() && known->is_number())
        out.seconds *= known->get<double>();
    return out;
}

void noteTaken(const Export& what, const Estimate& estimated, double seconds) {
    if (!(estimated.seconds > 0) || !(seconds > 0)) return;
    const std::lock_guard lock(experienceMutex);
    nlohmann::json experience = readExperience();
    const std::string key = keyOf(what);
    const double before =
        experience.contains(key) && experience[key].is_number() ? experience[key].get<double>() : 1;
    // Half of what was found out: one busy hour is no new machine.
    experience[key] = std::clamp(before * std::sqrt(seconds / estimated.seconds), 0.1, 10.0);
    try {
        writeWhole(experienceFile(), experience.dump(1), SafeFile::Existing::Replace);
    } catch (const WriteError&) {
        // The next estimate is as good as this one was.
    }
}

} // namespace irenic
