#include "measure/dark_store.h"

#include <zlib.h>

#include <algorithm>
#include <cmath>

#include "base/digest.h"
#include "base/expects.h"
#include "base/folders.h"
#include "base/given_file.h"
#include "base/json.h"
#include "base/kept_few.h"
#include "base/safe_file.h"
#include "base/shown_text.h"
#include "base/text.h"

namespace irenic {

namespace {

using nlohmann::json;
namespace fs = std::filesystem;

constexpr int kVersion = 1;
constexpr double kFarthest = 4;                  // a frame's exposure from the photo's, at most
constexpr std::uint64_t kMostBytes = 1ULL << 30; // of a kept file
constexpr const char* kEnding = ".dark";

// What is kept for a camera, an ISO and a frame begins so; the exposure follows.
std::string nameOf(const std::string& camera, double iso, int width, int height) {
    Digest name;
    name.add(camera), name.add(iso), name.add(width), name.add(height);
    return name.text();
}
fs::path folderOfDarks() { return privateFolder(dataFolder() / "darks"); }

std::string exposureName(double seconds) {
    char text[32];
    std::snprintf(text, sizeof text, "-%.6g", seconds);
    return text;
}

struct KeptFile {
    fs::path file;
    double exposure;
};
std::vector<KeptFile> keptFor(const Photo& photo) {
    const std::string name = nameOf(photo.camera(), photo.iso, photo.rawWidth, photo.rawHeight);
    std::vector<KeptFile> out;
    std::error_code error;
    for (const fs::directory_entry& entry : fs::directory_iterator(folderOfDarks(), error)) {
        const std::string own = entry.path().stem().string();
        if (entry.path().extension() != kEnding || !own.starts_with(name + "-")) continue;
        const double exposure = std::strtod(own.c_str() + name.size() + 1, nullptr);
        if (exposure > 0) out.push_back({entry.path(), exposure});
    }
    std::sort(out.begin(), out.end(), [](const auto& a, const auto& b) { return a.exposure < b.exposure; });
    return out;
}

// High bytes first, then low ones: they pack better apart.
std::string bytesOf(const std::vector<std::uint16_t>& values) {
    std::string out(values.size() * 2, '\0');
    for (std::size_t i = 0; i < values.size(); ++i)
        out[i] = static_cast<char>(values[i] >> 8), out[values.size() + i] = static_cast<char>(values[i]);
    return out;
}
std::vector<std::uint16_t> valuesOf(const std::string& bytes) {
    std::vector<std::uint16_t> out(bytes.size() / 2);
    for (std::size_t i = 0; i < out.size(); ++i)
        out[i] = static_cast<std::uint16_t>(static_cast<unsigned char>(bytes[i]) << 8 |
                                            static_cast<unsigned char>(bytes[out.size() + i]));
    return out;
}

std::string digestOf(const std::vector<std::uint16_t>& values) {
    Digest d;
    d.add(values);
    return d.text();
}

// Throws JsonError.
DarkFrame darkFrom(const std::string& file) {
    const std::size_t end = file.find('\n');
    if (end == std::string::npos) throw JsonError("no header");
    const json header = jsonFrom(file.substr(0, end));
    if (header.at("irenicDark") != kVersion) throw JsonError("another version");
    const auto whole = [&](const char* name, long long most) {
        const auto value = wholeNumber(header.at(name), 1, most);
        if (!value) throw JsonError("a number beyond its limits");
        return static_cast<int>(*value);
    };
    DarkFrame out;
    out.camera = header.at("camera"), out.iso = header.at("iso"), out.exposure = header.at("exposure");
    out.frames = whole("frames", kMostDarkFrames), out.scale = whole("scale", 65535);
    out.rawWidth = whole("width", 65535), out.rawHeight = whole("height", 65535);
    const std::size_t size =
        2 * static_cast<std::size_t>(out.rawWidth) * static_cast<std::size_t>(out.rawHeight);
    if (size > kMostBytes) throw JsonError("too large");
    std::string bytes(size, '\0');
    auto length = static_cast<uLongf>(bytes.size());
    if (uncompress(reinterpret_cast<Bytef*>(bytes.data()), &length,
                   reinterpret_cast<const Bytef*>(file.data() + end + 1),
                   static_cast<uLong>(file.size() - end - 1)) != Z_OK ||
        length != bytes.size())
        throw JsonError("damaged");
    out.level = valuesOf(bytes);
    if (digestOf(out.level) != header.at("digest")) throw JsonError("damaged");
    return out;
}

} // namespace

fs::path keep(const DarkFrame& dark) {
    IRENIC_EXPECTS(dark.frames > 0 && dark.exposure > 0 && !dark.camera.empty());
    const json header = {
        {"irenicDark", kVersion},    {"camera", dark.camera}, {"iso", dark.iso},
        {"exposure", dark.exposure}, {"frames", dark.frames}, {"width", dark.rawWidth},
        {"height", dark.rawHeight},  {"scale", dark.scale},   {"digest", digestOf(dark.level)}};
    const std::string bytes = bytesOf(dark.level);
    auto length = compressBound(static_cast<uLong>(bytes.size()));
    std::string packed(length, '\0');
    constexpr int kQuick = 1; // what packs better takes seconds for a few per cent
    if (compress2(reinterpret_cast<Bytef*>(packed.data()), &length,
                  reinterpret_cast<const Bytef*>(bytes.data()), static_cast<uLong>(bytes.size()),
                  kQuick) != Z_OK)
        throw WriteError(IRENIC_TEXT("There is not enough memory to pack it."));
    packed.resize(length);
    fs::path file = folderOfDarks() / (nameOf(dark.camera, dark.iso, dark.rawWidth, dark.rawHeight) +
                                       exposureName(dark.exposure) + kEnding);
    writeWhole(file, header.dump(-1, ' ', false, json::error_handler_t::replace) + "\n" + packed,
               SafeFile::Existing::Replace);
    return file;
}

std::shared_ptr<const DarkFrame> keptDarkFor(const Photo& photo) {
    if (!photo.hasMosaic() || photo.camera().empty() || !(photo.iso > 0) || !(photo.exposure > 0)) return {};
    const auto apart = [&](const KeptFile& k) { return std::abs(std::log(k.exposure / photo.exposure)); };
    const std::vector<KeptFile> all = keptFor(photo);
    const auto nearest = std::min_element(all.begin(), all.end(),
                                          [&](const auto& a, const auto& b) { return apart(a) < apart(b); });
    if (nearest == all.end() || apart(*nearest) > std::log(kFarthest)) return {};
    // Photos of one night share a frame.
    static KeptFew<std::pair<fs::path, fs::file_time_type>, DarkFrame> few(1);
    try {
        const auto dark = few.of({nearest->file, fs::last_write_time(nearest->file)}, [&] {
            const auto bytes = textOfFile(nearest->file, kMostBytes);
            if (!bytes) throw JsonError("it is gone");
            return darkFrom(*bytes);
        });
        return dark->fits(photo) ? dark : nullptr;
    } catch (const JsonError&) {
        return {};
    } catch (const json::exception&) {
        return {};
    } catch (const FileError&) {
        return {};
    } catch (const fs::filesystem_error&) {
        return {};
    }
}

int forgetDarkFor(const Photo& photo) {
    int gone = 0;
    for (const KeptFile& kept : keptFor(photo)) {
        std::error_code error;
        if (fs::remove(kept.file, error)) ++gone;
        if (error) throw WriteError(reasonOf(error.value()));
    }
    return gone;
}

} // namespace irenic
