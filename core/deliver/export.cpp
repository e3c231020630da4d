#include "deliver/export.h"

#include <algorithm>
#include <cmath>

#include "deliver/safe_file.h"
#include "measure/noise.h"
#include "measure/open.h"
#include "raw/text.h"
#include "raw/wide_mosaic.h"

namespace irenic {

namespace fs = std::filesystem;

fs::path defaultTarget(const fs::path& original, const fs::path& folder, ExportFormat format) {
    return folder / (original.stem().string() + "-clean" +
                     (format == ExportFormat::Dng    ? ".dng"
                      : format == ExportFormat::Tiff ? ".tif"
                                                     : ".jpg"));
}

fs::path freeName(const fs::path& path) {
    fs::path candidate = path;
    std::error_code unknown; // a name that cannot be asked for is for the writer to refuse
    for (int n = 2; fs::exists(fs::symlink_status(candidate, unknown)); ++n)
        candidate =
            path.parent_path() / (path.stem().string() + "-" + std::to_string(n) + path.extension().string());
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
                    const float level = photo.black.at(area.x + x, area.y + y, channel);
                    const float dn = clean.at(x, y) * (static_cast<float>(photo.white) - level) + level;
                    samples[photo.index(area.x + x, area.y + y, channel)] =
                        static_cast<std::uint16_t>(std::lround(std::clamp(dn, 0.0f, 65535.0f)));
                }
        };
        const Work part{work.stop, work.done, work.from + work.share * 0.9 * i / (across * down),
                        work.share * 0.9 / (across * down)};
        if (photo.hasMosaic()) {
            put(cleanMosaic(photo, settings, area, part), 0);
        } else {
            const auto clean = cleanPixels(photo, settings, area, part);
            for (int c = 0; c < photo.channels; ++c) put(clean[static_cast<std::size_t>(c)], c);
        }
    }
    return samples;
}

namespace {

const char* mediaTypeOf(ExportFormat format) {
    return format == ExportFormat::Dng    ? "image/x-adobe-dng"
           : format == ExportFormat::Tiff ? "image/tiff"
                                          : "image/jpeg";
}

// What is left of the noise, as far as the standard's two numbers for each colour can tell it: the variance
// from sample to sample, with rounding to whole numbers as its least.
std::optional<NoiseModel> noiseLeftIn(const Photo& cleaned, const Work& work) {
    if (!cleaned.hasMosaic()) return std::nullopt; // correlated from pixel to pixel: the model does not fit
    NoiseModel left = measureNoise(cleaned, work);
    const double step = 1 / (cleaned.white - cleaned.black.mean());
    for (NoiseLine& line : left.channel) line.b = std::max(line.b, step * step / 12);
    return left;
}

// What in `back` differs from `photo`, in words; empty: nothing that decides how the picture looks.
std::string differenceOf(const Photo& photo, const Photo& back) {
    const auto near = [](double a, double b) { return std::abs(a - b) <= 1e-5 * std::max(1.0, std::abs(a)); };
    if (back.rawWidth != photo.rawWidth || back.rawHeight != photo.rawHeight) return "its size";
    if (back.active != photo.active || back.crop != photo.crop) return "its frame";
    if (back.channels != photo.channels || back.monochrome != photo.monochrome || !photo.wide != !back.wide ||
        (photo.wide && photo.wide->site != back.wide->site) ||
        (photo.hasMosaic() && photo.mosaic.site != back.mosaic.site))
        return "its mosaic";
    if (back.white != photo.white) return "its white level";
    const BlackLevel &a = photo.wide ? photo.wide->black : photo.black,
                     &b = back.wide ? back.wide->black : back.black;
    for (int y = 0; y < photo.height(); y += y < 64 ? 1 : 97)
        for (int x = 0; x < photo.width(); x += x < 64 ? 1 : 89)
            for (int c = 0; c < (photo.wide ? 1 : photo.channels); ++c)
                if (!near(static_cast<double>(a.at(x, y, c)), static_cast<double>(b.at(x, y, c))))
                    return "its black levels";
    if (photo.monochrome ? false : back.profiles.size() < photo.profiles.size()) return "its colour matrices";
    for (std::size_t p = 0; !photo.monochrome && p < photo.profiles.size(); ++p)
        for (std::size_t i = 0; i < 9; ++i) {
            const ColourProfile &m = photo.profiles[p], &n = back.profiles[p];
            // A matrix that was made here has four to six decimals.
            if (std::abs(m.colourMatrix[i] - n.colourMatrix[i]) > 1e-4 ||
                std::abs(m.calibration[i] - n.calibration[i]) > 1e-4 ||
                m.forwardMatrix.has_value() != n.forwardMatrix.has_value() ||
                (m.forwardMatrix && std::abs((*m.forwardMatrix)[i] - (*n.forwardMatrix)[i]) > 1e-4))
                return "its colour matrices";
        }
    for (std::size_t c = 0; c < 3; ++c)
        if (!near(photo.neutral[c], back.neutral[c]) || !near(photo.analogBalance[c], back.analogBalance[c]))
            return "its white balance";
    if (!near(photo.baselineExposure, back.baselineExposure)) return "its baseline exposure";
    if (back.orientation != photo.orientation) return "its orientation";
    const bool same = photo.wide ? back.wide->samples == photo.wide->samples : back.samples == photo.samples;
    return same ? "" : "its samples";
}

void writeCleanDng(const fs::path& to, const Photo& photo, const ExportOrder& order, const std::string& xmp,
                   const Work& work) {
    const Work quiet{work.stop};
    Photo cleaned = photo;
    cleaned.mended = {};
    cleaned.samples = cleanSamples(photo, order.settings, work);
    DngExtras extras;
    extras.xmp = xmp;
    extras.compression = order.dngCompression;
    extras.cleaned = cleaned.samples != photo.samples;
    if (cleaned.wide && extras.cleaned) cleaned.wide->samples = ownSamples(cleaned);
    extras.preview = renderOverview(cleaned, {}, 1024, quiet);
    if (extras.cleaned) {
        extras.reductionApplied = std::min(1.0f, std::max(order.settings.luminance, order.settings.colour));
        extras.noiseLeft = noiseLeftIn(cleaned, quiet);
    }
    writeDng(to, cleaned, extras, quiet);
    work.report(0.95);
    work.check();
    const PhotoPtr back = readPhoto(to, quiet, Measure::Nothing);
    if (const std::string what = differenceOf(cleaned, *back); !what.empty())
        throw WriteError("what was written does not read back as it was: " + what +
                         " would be another. Try again, or choose another folder.");
}

} // namespace

void exportPhoto(const Photo& photo, const ExportOrder& order, const Work& work) {
    const std::string name = shownName(order.target);
    const auto fail = [&](const std::string& why) { throw ExportError(name + ": " + why); };
    std::error_code error;
    const fs::path target = fs::absolute(order.target, error);
    if (fs::equivalent(target, photo.file, error) || target == fs::absolute(photo.file, error))
        fail("this is the original photo, which is never overwritten. Choose another name or folder.");
    if (order.format == ExportFormat::Dng && photo.developed)
        fail("a developed picture cannot become a raw again. Export it as a TIFF.");
    if (const std::string problem = problemWith(order.settings); !problem.empty()) fail(problem + ".");
    fs::create_directories(target.parent_path(), error);
    if (error) fail("its folder cannot be made (" + error.message() + "). Choose another folder.");
    try {
        SafeFile file(target, order.overwrite ? SafeFile::Existing::Replace : SafeFile::Existing::Keep);
        const std::string xmp =
            xmpOf(photo, mediaTypeOf(order.format), order.settings, order.look, order.risk);
        switch (order.format) {
        case ExportFormat::Dng: writeCleanDng(file.path(), photo, order, xmp, work); break;
        case ExportFormat::Tiff:
            writeTiff(file.path(), photo, order.settings, order.look, order.space, order.compression, xmp,
                      work);
            break;
        case ExportFormat::Jpeg:
            writeJpeg(file.path(), photo, order.settings, order.look, order.space, xmp, work);
            break;
        }
        work.check();
        file.commit();
        work.report(1);
    } catch (const Cancelled&) {
        throw;
    } catch (const std::bad_alloc&) {
        fail("there is not enough memory to make it.");
    } catch (const std::exception& e) {
        fail(e.what());
    }
}

} // namespace irenic
