#include "measure/camera_notes.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <stdexcept>
#include <tuple>

#include "base/digest.h"
#include "base/expects.h"
#include "base/folders.h"
#include "base/given_file.h"
#include "base/json.h"
#include "base/quantile.h"
#include "base/safe_file.h"
#include "base/text.h"

namespace irenic {

namespace {

using nlohmann::json;
namespace fs = std::filesystem;

constexpr int kVersion = 1;
constexpr double kGrey = 0.18;
constexpr double kSure = 0.05;                // of doubt
constexpr std::size_t kMostDefects = 20000;   // of a camera; a good one has some hundreds
constexpr std::uint64_t kMostBytes = 1 << 20; // of a file of notes
constexpr double kLongestSide = 65535;

template <class Of, class Value> double medianOf(const std::vector<const Of*>& all, const Value& value) {
    std::vector<double> values;
    values.reserve(all.size());
    for (const Of* one : all) values.push_back(static_cast<double>(value(*one)));
    return quantile(std::move(values), 0.5);
}

using Samples = std::vector<const CameraSample*>;

// Those that come back: a glint that was taken for a defect does not.
std::vector<std::array<int, 2>> returning(const Samples& all) {
    std::map<std::array<int, 2>, std::size_t> seen; // by row, then column
    for (const CameraSample* s : all)
        for (const auto& [x, y] : s->defects) ++seen[{y, x}];
    std::vector<std::array<int, 2>> out;
    for (const auto& [place, times] : seen)
        if (times >= 2 && 2 * times >= all.size() && out.size() < kMostDefects)
            out.push_back({place[1], place[0]});
    return out;
}

CameraNotes notesOfOne(const Samples& all) {
    CameraNotes out;
    const CameraSample& first = *all.front();
    out.camera = first.camera, out.iso = first.iso, out.width = first.width, out.height = first.height;
    out.range = first.range, out.photos = static_cast<int>(all.size());
    Samples sure;
    for (const CameraSample* s : all)
        if (s->doubt < kSure) sure.push_back(s);
    out.sure = static_cast<int>(sure.size());
    const Samples& telling = sure.empty() ? all : sure;
    for (std::size_t c = 0; c < 4; ++c) {
        const double black = medianOf(telling, [c](const CameraSample&s) { return s.noise.channel[c].b; }),
                     grey = medianOf(
                         telling, [c](const CameraSample&s) { return s.noise.channel[c].variance(kGrey); });
        out.noise.channel[c] = {std::max(0.0, grey - black) / kGrey, black};
    }
    const double own = out.noise.channel[1].sigma(kGrey);
    for (const CameraSample* s : telling)
        out.spread = std::max(out.spread, std::abs(s->noise.channel[1].sigma(kGrey) / own - 1));
    out.smoothing = {medianOf(all, [](const CameraSample& s) { return s.smoothing.beside; }),
                     medianOf(all, [](const CameraSample& s) { return s.smoothing.diagonal; })};
    out.unevenness = {medianOf(all, [](const CameraSample& s) { return s.unevenness.across; }),
                      medianOf(all, [](const CameraSample& s) { return s.unevenness.down; }),
                      medianOf(all, [](const CameraSample& s) { return s.unevenness.toCorners; })};
    out.rowSigma = medianOf(all, [](const CameraSample& s) { return s.rowSigma; });
    out.columnSigma = medianOf(all, [](const CameraSample& s) { return s.columnSigma; });
    out.deadColumns =
        static_cast<int>(std::lround(medianOf(all, [](const CameraSample& s) { return s.deadColumns; })));
    out.deadRows =
        static_cast<int>(std::lround(medianOf(all, [](const CameraSample& s) { return s.deadRows; })));
    out.defects = returning(all);
    return out;
}

fs::path fileFor(const std::string& camera, double iso, int width, int height) {
    Digest name;
    name.add(camera), name.add(iso), name.add(width), name.add(height);
    return privateFolder(dataFolder() / "cameras") / (name.text() + ".json");
}

// As the file holds it.
json jsonOf(const CameraNotes& n) {
    json lines = json::array();
    for (const NoiseLine& line : n.noise.channel) lines.push_back({line.a, line.b});
    return {{"irenicCamera", kVersion},
            {"camera", n.camera},
            {"iso", n.iso},
            {"size", {n.width, n.height}},
            {"range", n.range},
            {"photos", n.photos},
            {"sure", n.sure},
            {"noise", lines},
            {"spread", n.spread},
            {"smoothing", {n.smoothing.beside, n.smoothing.diagonal}},
            {"unevenness", {n.unevenness.across, n.unevenness.down, n.unevenness.toCorners}},
            {"lines", {n.rowSigma, n.columnSigma}},
            {"dead", {n.deadColumns, n.deadRows}},
            {"defects", n.defects}};
}

// A number within limits. Throws JsonError.
double numberIn(const json& from, double least, double most) {
    if (!from.is_number()) throw JsonError("not a number");
    const auto value = from.get<double>();
    if (!(value >= least && value <= most)) throw JsonError("beyond its limits");
    return value;
}

// What pixels depend on; the rest is only for reading.
CameraNotes notesFrom(const json& from) {
    CameraNotes out;
    if (from.at("irenicCamera") != kVersion) throw JsonError("another version");
    out.camera = from.at("camera"), out.iso = numberIn(from.at("iso"), 1, 1e8);
    out.width = static_cast<int>(numberIn(from.at("size").at(0), 1, kLongestSide));
    out.height = static_cast<int>(numberIn(from.at("size").at(1), 1, kLongestSide));
    out.photos = static_cast<int>(numberIn(from.at("photos"), 1, 1e6));
    out.sure = static_cast<int>(numberIn(from.at("sure"), 0, 1e6));
    for (std::size_t c = 0; c < 4; ++c)
        out.noise.channel[c] = {numberIn(from.at("noise").at(c).at(0), 0, 1),
                                numberIn(from.at("noise").at(c).at(1), 1e-12, 1)};
    for (const json& d : from.at("defects")) {
        if (out.defects.size() == kMostDefects) throw JsonError("too many defects");
        out.defects.push_back({static_cast<int>(numberIn(d.at(0), 0, out.width - 1)),
                               static_cast<int>(numberIn(d.at(1), 0, out.height - 1))});
    }
    return out;
}

} // namespace

CameraSample sampleOf(const Photo& photo) {
    if (!photo.hasMosaic())
        throw std::invalid_argument(shownName(photo.file) +
                                    ": only raws with a mosaic of 2x2 tell what their sensor does.");
    if (photo.camera().empty() || !(photo.iso > 0))
        throw std::invalid_argument(shownName(photo.file) + ": it does not name its camera and its ISO.");
    CameraSample out;
    out.camera = photo.camera(), out.iso = photo.iso;
    out.width = photo.width(), out.height = photo.height(), out.range = photo.white - photo.black.mean();
    out.noise = photo.noise, out.doubt = photo.noiseFrom == NoiseFrom::Photo ? photo.noiseDoubt : 1;
    out.smoothing = photo.smoothing, out.unevenness = photo.unevenness;
    out.rowSigma = photo.pattern.rowSigma, out.columnSigma = photo.pattern.columnSigma;
    out.deadColumns = photo.pattern.deadColumns, out.deadRows = photo.pattern.deadRows;
    for (const Defect& d : photo.pattern.defects) out.defects.push_back({d.x, d.y});
    return out;
}

std::vector<CameraNotes> notesOn(const std::vector<CameraSample>& samples) {
    using Key = std::tuple<std::string, double, int, int>;
    std::vector<std::pair<Key, Samples>> groups;
    for (const CameraSample& s : samples) {
        const Key key{s.camera, s.iso, s.width, s.height};
        auto own = std::find_if(groups.begin(), groups.end(), [&](const auto& g) { return g.first == key; });
        if (own == groups.end()) own = groups.insert(own, {key, {}});
        own->second.push_back(&s);
    }
    std::vector<CameraNotes> out;
    out.reserve(groups.size());
    for (const auto& group : groups) out.push_back(notesOfOne(group.second));
    return out;
}

fs::path keep(const CameraNotes& notes) {
    IRENIC_EXPECTS(!notes.camera.empty() && notes.iso > 0 && notes.photos > 0);
    fs::path file = fileFor(notes.camera, notes.iso, notes.width, notes.height);
    writeWhole(file, jsonOf(notes).dump(-1, ' ', false, json::error_handler_t::replace) + "\n",
               SafeFile::Existing::Replace);
    return file;
}

std::optional<CameraNotes> keptNotesFor(const Photo& photo) {
    if (photo.camera().empty() || !(photo.iso > 0)) return std::nullopt;
    try {
        const auto text =
            textOfFile(fileFor(photo.camera(), photo.iso, photo.width(), photo.height()), kMostBytes);
        if (!text) return std::nullopt;
        CameraNotes out = notesFrom(jsonFrom(*text));
        const bool own = out.camera == utf8Of(photo.camera()) && out.iso == photo.iso &&
                         out.width == photo.width() && out.height == photo.height();
        return own ? std::optional(std::move(out)) : std::nullopt;
    } catch (const JsonError&) {
        return std::nullopt;
    } catch (const json::exception&) {
        return std::nullopt;
    } catch (const FileError&) {
        return std::nullopt;
    }
}

} // namespace irenic
