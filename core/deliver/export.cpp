#include "deliver/export.h"

#include <tiffio.h>

#include <QImage>
#include <cmath>
#include <exiv2/exiv2.hpp>

#include "deliver/dng.h"
#include "raw/wide_mosaic.h"

namespace irenic {

namespace {

namespace fs = std::filesystem;

constexpr const char* kNamespace = "http://irenic.invalid/ns/take/1.0/";
constexpr const char* kPrefix = "irenicTake";

void registerNamespace() {
    static const bool once = [] {
        Exiv2::XmpParser::initialize();
        Exiv2::XmpProperties::registerNs(kNamespace, kPrefix);
        return true;
    }();
    (void)once;
}

// Removes the temporary file unless it was kept.
struct Temporary {
    fs::path path;
    ~Temporary() {
        std::error_code ignored;
        if (!path.empty()) fs::remove(path, ignored);
    }
};

void checkTiff(const fs::path& file, const Rect& frame) {
    const std::unique_ptr<TIFF, void (*)(TIFF*)> tiff(TIFFOpen(file.c_str(), "r"), TIFFClose);
    std::uint32_t width = 0, height = 0;
    if (!tiff || !TIFFGetField(tiff.get(), TIFFTAG_IMAGEWIDTH, &width) ||
        !TIFFGetField(tiff.get(), TIFFTAG_IMAGELENGTH, &height) || static_cast<int>(width) != frame.width ||
        static_cast<int>(height) != frame.height)
        throw std::runtime_error("what was written does not read back");
    std::vector<std::uint8_t> line(static_cast<std::size_t>(TIFFScanlineSize(tiff.get())));
    for (std::uint32_t y = 0; y < height; ++y)
        if (TIFFReadScanline(tiff.get(), line.data(), y, 0) != 1)
            throw std::runtime_error("what was written does not read back");
}

} // namespace

fs::path defaultTarget(const Photo& photo, const fs::path& folder, ExportFormat format) {
    return folder / (photo.file.stem().string() + "-clean" + (format == ExportFormat::Dng ? ".dng" : format == ExportFormat::Tiff ? ".tif" : ".jpg"));
}

fs::path freeName(const fs::path& path) {
    fs::path candidate = path;
    for (int n = 2; fs::exists(candidate); ++n)
        candidate = path.parent_path() / (path.stem().string() + "-" + std::to_string(n) + path.extension().string());
    return candidate;
}

std::vector<std::uint16_t> cleanSamples(const Photo& photo, const Settings& settings, const Work& work) {
    std::vector<std::uint16_t> samples = photo.samples;
    if (settings.untouched()) return samples;
    // Blocks large enough that their margins cost little, small enough for the memory of any machine.
    constexpr int block = 4096;
    const int across = (photo.width() + block - 1) / block, down = (photo.height() + block - 1) / block;
    for (int i = 0; i < across * down; ++i) {
        const Rect area = Rect{i % across * block, i / across * block, block, block}.intersected(
            {0, 0, photo.width(), photo.height()});
        const auto put = [&](const Plane& clean, int channel) {
            for (int y = 0; y < area.height; ++y)
                for (int x = 0; x < area.width; ++x) {
                    const float level = photo.black.at(area.x + x, area.y + y);
                    const float dn = clean.at(x, y) * (static_cast<float>(photo.white) - level) + level;
                    samples[photo.index(area.x + x, area.y + y, channel)] = static_cast<std::uint16_t>(std::lround(std::clamp(dn, 0.0f, 65535.0f)));
                }
        };
        const Work part{work.stop, work.done, work.from + work.share * 0.9 * i / (across * down), work.share * 0.9 / (across * down)};
        if (photo.hasMosaic()) {
            put(cleanMosaic(photo, settings, area, part), 0);
        } else {
            const auto clean = cleanPixels(photo, settings, area, part);
            for (int c = 0; c < photo.channels; ++c) put(clean[static_cast<std::size_t>(c)], c);
        }
    }
    return samples;
}

std::string xmpOf(const Photo& photo, const Settings& s, const Look& look, const std::optional<Risk>& risk) {
    registerNamespace();
    Exiv2::XmpData data;
    if (const TagEntry* own = Metadata::find(photo.metadata.main, 0x02bc))
        Exiv2::XmpParser::decode(data, std::string(own->bytes.begin(), own->bytes.end()));
    const auto set = [&](const char* name, const std::string& value) {
        data[std::string("Xmp.") + kPrefix + "." + name] = value;
    };
    const auto number = [](float v) {
        char text[32];
        std::snprintf(text, sizeof text, "%.6g", static_cast<double>(v));
        return std::string(text);
    };
    set("Method", s.method);
    set("Luminance", number(s.luminance));
    set("Colour", number(s.colour));
    set("Detail", number(s.detail));
    set("Grain", number(s.grain));
    set("CoarseColour", number(s.coarse));
    set("Mended", s.mend ? "1" : "0");
    if (const std::string text = textOf(look); !text.empty()) set("Look", text);
    if (risk) {
        set("EstimatedErrorLuminance", number(static_cast<float>(risk->luminance)));
        set("EstimatedErrorColour", number(static_cast<float>(risk->colour)));
    }
    std::string packet;
    if (Exiv2::XmpParser::encode(packet, data) != 0) packet.clear();
    return packet;
}

namespace {

// A property of ours in a file's XMP; throws std::out_of_range where there is none.
class OwnProperties {
  public:
    explicit OwnProperties(const fs::path& file) : image_(Exiv2::ImageFactory::open(file.string())) { image_->readMetadata(); }
    std::string operator()(const char* name) const {
        const auto found = image_->xmpData().findKey(Exiv2::XmpKey(kPrefix, name));
        if (found == image_->xmpData().end()) throw std::out_of_range(name);
        return found->toString();
    }

  private:
    decltype(Exiv2::ImageFactory::open(std::string())) image_;
};

} // namespace

std::optional<Settings> settingsIn(const fs::path& file) {
    registerNamespace();
    try {
        const OwnProperties get(file);
        return Settings{get("Method"), std::stof(get("Luminance")), std::stof(get("Colour")), std::stof(get("Detail")),
                        std::stof(get("Grain")), std::stof(get("CoarseColour")), get("Mended") == "1"};
    } catch (const std::exception&) {
        return std::nullopt;
    }
}

Look lookIn(const fs::path& file) {
    registerNamespace();
    try {
        return lookFromText(OwnProperties(file)("Look"));
    } catch (const std::exception&) {
        return {};
    }
}

void exportPhoto(const Photo& photo, const ExportOrder& order, const Work& work) {
    const fs::path target = fs::absolute(order.target);
    const std::string name = target.filename().string();
    const auto fail = [&](const std::string& why) { throw ExportError(name + ": " + why); };
    std::error_code error;
    if (fs::equivalent(target, photo.file, error) || target == fs::absolute(photo.file))
        fail("this is the original photo, which is never overwritten. Choose another name or folder.");
    if (fs::is_directory(target, error)) fail("this is a folder. Choose a file name.");
    if (!order.overwrite && fs::exists(target, error)) fail("there is a file of this name already. Choose another name.");
    if (order.format == ExportFormat::Dng && photo.developed) fail("a developed picture cannot become a raw again. Export it as a TIFF.");
    if (const std::string problem = problemWith(order.settings); !problem.empty()) fail(problem + ".");
    fs::create_directories(target.parent_path(), error);
    if (error) fail("its folder cannot be made (" + error.message() + "). Choose another folder.");

    Temporary temporary{freeName(target.parent_path() / ("." + name + ".part"))};
    try {
        const std::string xmp = xmpOf(photo, order.settings, order.look, order.risk);
        if (order.format == ExportFormat::Dng) {
            auto cleaned = std::make_shared<Photo>(photo);
            cleaned->samples = cleanSamples(photo, order.settings, work);
            if (cleaned->wide && !order.settings.untouched()) cleaned->wide->samples = ownSamples(*cleaned);
            DngExtras extras;
            extras.preview = renderOverview(*cleaned, {}, 1024, {work.stop, nullptr});
            extras.xmp = xmp;
            extras.reductionApplied = std::min(1.0f, std::max(order.settings.luminance, order.settings.colour));
            writeDng(temporary.path, *cleaned, extras);
            work.check();
            const PhotoPtr back = readPhoto(temporary.path, {work.stop, nullptr}, Measure::Nothing);
            const bool same = cleaned->wide ? back->wide && back->wide->samples == cleaned->wide->samples : back->samples == cleaned->samples;
            if (!same || back->active != photo.active || back->white != photo.white)
                throw std::runtime_error("what was written does not read back as it was");
        } else if (order.format == ExportFormat::Jpeg) {
            writeJpeg(temporary.path, photo, order.settings, order.look, order.space, xmp, work);
            const QImage back(QString::fromStdString(temporary.path.string()), "jpeg");
            const Rect frame = outputFrame(photo, order.look);
            if (back.width() != frame.width || back.height() != frame.height) throw std::runtime_error("what was written does not read back");
        } else {
            writeTiff(temporary.path, photo, order.settings, order.look, order.space, order.compression, xmp, work);
            checkTiff(temporary.path, outputFrame(photo, order.look));
        }
        work.check();
        fs::rename(temporary.path, target);
        temporary.path.clear();
        work.report(1);
    } catch (const Cancelled&) {
        throw;
    } catch (const std::exception& e) {
        fail(e.what());
    }
}

} // namespace irenic
