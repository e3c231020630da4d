#include "deliver/export.h"

#include <algorithm>
#include <cmath>

#include "base/digest.h"
#include "base/field_json.h"
#include "base/safe_file.h"
#include "base/text.h"
#include "deliver/picture_files.h"
#include "deliver/strips.h"
#include "deliver/tiff.h"
#include "develop/algorithms.h"
#include "image/blocks.h"
#include "measure/noise.h"
#include "measure/open.h"
#include "raw/identity.h"
#include "raw/wide_mosaic.h"

namespace irenic {

namespace fs = std::filesystem;

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
    constexpr int kBlock = 4096;
    const Rect whole{0, 0, photo.width(), photo.height()};
    forEachBlock(whole, kBlock, work.part(0, 0.9), [&](const Rect& area, const Work& part) {
        const auto put = [&](const Plane& clean, int channel) {
            forEachBand(area.height, 64, work, [&](int first, int last) {
                for (int y = first; y < last; ++y)
                    for (int x = 0; x < area.width; ++x) {
                        const float level = photo.black.at(area.x + x, area.y + y, channel);
                        const float dn = clean.at(x, y) * (static_cast<float>(photo.white) - level) + level;
                        samples[photo.index(area.x + x, area.y + y, channel)] =
                            static_cast<std::uint16_t>(std::clamp(dn, 0.0f, 65535.0f) + 0.5f);
                    }
            });
        };
        if (photo.hasMosaic()) {
            put(cleanMosaic(photo, settings, area, part), 0);
        } else {
            const auto clean = cleanPixels(photo, settings, area, part);
            for (int c = 0; c < photo.channels; ++c) put(clean[static_cast<std::size_t>(c)], c);
        }
    });
    return samples;
}

namespace {

const char* mediaTypeOf(ExportFormat format) {
    constexpr const char* kTypes[] = {"image/x-adobe-dng", "image/tiff", "image/jpeg", "image/png",
                                      "image/jxl"};
    return kTypes[static_cast<int>(format)];
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

// What is cleaned already.
class CleanedPhoto : public CleanSource {
  public:
    explicit CleanedPhoto(const Photo& cleaned) : cleaned_(cleaned) {}
    Image get(const Photo&, const Settings&, const Rect& area, const Work& work) override {
        return cleanRegion(cleaned_, Settings::original(), area, work);
    }

  private:
    const Photo& cleaned_;
};

void writeCleanDng(const fs::path& to, const Photo& photo, const ExportOrder& order, const std::string& xmp,
                   const Work& work) {
    const Work quiet{work.stop};
    Photo cleaned = photo;
    cleaned.mended = {};
    cleaned.samples = cleanSamples(photo, order.settings, work);
    DngExtras extras;
    extras.xmp = xmp;
    extras.compression = order.how.packing == Packing::None ? DngCompression::None : DngCompression::Lossless;
    extras.cleaned = cleaned.samples != photo.samples;
    if (cleaned.wide && extras.cleaned) cleaned.wide->samples = ownSamples(cleaned);
    // What other programs show of it is what was meant.
    const int whole = std::max(cleaned.width(), cleaned.height());
    CleanedPhoto source(cleaned);
    extras.preview = order.how.fullPreview
                         ? renderRegion(photo, order.settings, order.look, outputFrame(photo, order.look), 1,
                                        quiet, &source)
                         : renderOverview(cleaned, order.look, std::min(1024, whole), quiet);
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

// The photo demosaiced, in the camera's own light: what a linear DNG holds. What of the lens was corrected is
// not told again by opcodes; what was not is.
Photo linearOf(const Photo& photo, const ExportOrder& order, const Work& work) {
    const Rect frame = outputFrame(photo, order.look);
    Photo out = photo;
    out.channels = 3, out.wide.reset(), out.mended.clear(), out.pattern = {}, out.id = {};
    out.rawWidth = frame.width, out.rawHeight = frame.height;
    out.active = out.crop = {0, 0, frame.width, frame.height};
    out.black = {}, out.white = 65535, out.bits = 16;
    out.statedNoise.reset();
    out.samples.assign(static_cast<std::size_t>(frame.width) * static_cast<std::size_t>(frame.height) * 3, 0);
    // Opcodes of the frame as it was stay where nothing of the lens was corrected and the frame is the same.
    const bool same = !order.look.usesLens() && frame == Rect{0, 0, photo.width(), photo.height()};
    out.metadata.mosaic.clear();
    constexpr std::uint16_t kOpcodes[] = {0xc741, 0xc74e};
    for (const std::uint16_t tag : kOpcodes)
        if (const TagEntry* own = Metadata::find(photo.metadata.mosaic, tag); own && same)
            out.metadata.mosaic.push_back(*own);
    constexpr std::uint16_t kOfTheMosaic[] = {0xc68d, 0xc61f, 0xc620, 0xc68e, 0xc61a, 0xc61b,
                                              0xc61c, 0xc61d, 0xc619, 0x828d, 0x828e, 0xc761};
    std::erase_if(out.metadata.main, [&](const TagEntry& e) {
        return std::find(std::begin(kOfTheMosaic), std::end(kOfTheMosaic), e.tag) != std::end(kOfTheMosaic);
    });
    const Vector3 gain = balanceOf(neutralFor(photo, order.look));
    Look look = order.look;
    look.highlights = look.shadows = 0; // tone is for who develops it
    const OfStrip ofStrip = [&](const Rect& strip, CleanSource& cleaned, const Work& part) {
        const Image light = developCameraLight(photo, order.settings, look, strip, part, &cleaned);
        const int top = strip.y - frame.y;
        for (int y = 0; y < strip.height; ++y)
            for (int x = 0; x < strip.width; ++x)
                for (std::size_t c = 0; c < 3; ++c) {
                    const float v = light[c].at(x, y) / static_cast<float>(gain[c]);
                    out.samples[(static_cast<std::size_t>(top + y) * static_cast<std::size_t>(frame.width) +
                                 static_cast<std::size_t>(x)) *
                                    3 +
                                c] = static_cast<std::uint16_t>(std::clamp(v, 0.0f, 1.0f) * 65535 + 0.5f);
                }
    };
    forEachStrip(photo, order.settings, frame, work.part(0, 0.9), ofStrip);
    return out;
}

void writeLinearDng(const fs::path& to, const Photo& photo, const ExportOrder& order, const std::string& xmp,
                    const Work& work) {
    const Work quiet{work.stop};
    const Photo linear = linearOf(photo, order, work);
    DngExtras extras;
    extras.xmp = xmp, extras.cleaned = true;
    extras.compression = order.how.packing == Packing::None ? DngCompression::None : DngCompression::Lossless;
    extras.preview =
        renderOverview(linear, order.look, std::min(1024, std::max(linear.width(), linear.height())), quiet);
    extras.reductionApplied = std::min(1.0f, std::max(order.settings.luminance, order.settings.colour));
    writeDng(to, linear, extras, quiet);
    work.report(0.95);
    work.check();
    const PhotoPtr back = readPhoto(to, quiet, Measure::Nothing);
    if (const std::string what = differenceOf(linear, *back); !what.empty())
        throw WriteError("what was written does not read back as it was: " + what +
                         " would be another. Try again, or choose another folder.");
}

} // namespace

std::string markOf(const Photo& photo, const ExportOrder& order, bool recommended) {
    // Where it goes and how it is called says nothing of what is in it.
    Delivery content = order.how;
    content.folder = Delivery{}.folder, content.name = Delivery{}.name,
    content.conflict = Delivery{}.conflict;
    Digest digest;
    digest.add(idOf(photo).text), digest.add(kAlgorithms);
    digest.add(recommended ? "recommended" : jsonOf(order.settings).dump());
    digest.add(textOf(order.look)), digest.add(textOf(content));
    return digest.text();
}

LeftOut exportPhoto(const Photo& photo, const ExportOrder& order, const Work& work,
                    const std::function<void(const fs::path&)>& ready) {
    const std::string name = shownName(order.target);
    const auto fail = [&](const std::string& why) -> LeftOut { throw ExportError(name + ": " + why); };
    std::error_code error;
    const fs::path target = fs::absolute(order.target, error);
    if (fs::equivalent(target, photo.file, error) || target == fs::absolute(photo.file, error))
        fail("this is the original photo, which is never overwritten. Choose another name or folder.");
    if (order.how.format == ExportFormat::Dng && photo.developed)
        fail("a developed picture cannot become a raw again. Export it as a TIFF.");
    if (const std::string problem = problemWith(order.settings); !problem.empty()) fail(problem + ".");
    if (const std::string problem = problemWith(order.how); !problem.empty()) fail(problem);
    fs::create_directories(target.parent_path(), error);
    if (error) fail("its folder cannot be made (" + error.message() + "). Choose another folder.");
    try {
        SafeFile file(target, order.overwrite ? SafeFile::Existing::Replace : SafeFile::Existing::Keep,
                      isMadeByIrenic);
        const XmpNote xmp = xmpOf(photo, mediaTypeOf(order.how.format), order.settings, order.look,
                                  order.risk, order.mark.empty() ? markOf(photo, order) : order.mark);
        LeftOut left;
        switch (order.how.format) {
        case ExportFormat::Dng:
            (order.how.linear ? writeLinearDng : writeCleanDng)(file.path(), photo, order, xmp.packet, work);
            left = leftOutOf(xmp);
            break;
        case ExportFormat::Tiff: left = writeTiff(file.path(), photo, order, xmp, work); break;
        case ExportFormat::Jpeg: left = writeJpeg(file.path(), photo, order, xmp, work); break;
        case ExportFormat::Png: left = writePng(file.path(), photo, order, xmp, work); break;
        case ExportFormat::JpegXl: left = writeJpegXl(file.path(), photo, order, xmp, work); break;
        }
        work.check();
        if (ready) ready(file.path());
        file.commit();
        work.report(1);
        return left;
    } catch (const Cancelled&) {
        throw;
    } catch (const std::bad_alloc&) {
        return fail("there is not enough memory to make it.");
    } catch (const std::exception& e) {
        return fail(e.what());
    }
}

} // namespace irenic
