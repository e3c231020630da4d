#include <algorithm>
#include <cmath>

#include "base/safe_file.h"
#include "deliver/dng.h"
#include "deliver/export.h"
#include "deliver/strips.h"
#include "develop/render.h"
#include "image/blocks.h"
#include "measure/noise.h"
#include "measure/open.h"
#include "raw/xtrans_mosaic.h"

namespace irenic {

namespace fs = std::filesystem;

std::vector<std::uint16_t> cleanSamples(const Photo& photo, const Settings& settings, const Work& work) {
    std::vector<std::uint16_t> samples = photo.samples;
    if (settings.untouched()) return samples;
    // Blocks large enough that their margins cost little, small enough for the memory of any machine.
    constexpr int kBlock = 4096;
    const Rect whole = photo.whole();
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
        const Image clean = cleanRegion(photo, settings, area, part);
        for (int c = 0; c < photo.channels; ++c) put(clean[static_cast<std::size_t>(c)], c);
    });
    return samples;
}

namespace {

// What is left of the noise, as far as the standard's two numbers for each colour can tell it: the variance
// from sample to sample, with rounding to whole numbers as its least.
std::optional<NoiseModel> noiseModelOf(const Photo& cleaned, const Work& work) {
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
    if (back.channels != photo.channels || back.monochrome != photo.monochrome ||
        !photo.xtrans != !back.xtrans || (photo.xtrans && photo.xtrans->site != back.xtrans->site) ||
        (photo.hasMosaic() && photo.mosaic.site != back.mosaic.site))
        return "its mosaic";
    if (back.white != photo.white) return "its white level";
    const BlackLevel &a = photo.xtrans ? photo.xtrans->black : photo.black,
                     &b = back.xtrans ? back.xtrans->black : back.black;
    for (int y = 0; y < photo.height(); y += y < 64 ? 1 : 97)
        for (int x = 0; x < photo.width(); x += x < 64 ? 1 : 89)
            for (int c = 0; c < (photo.xtrans ? 1 : photo.channels); ++c)
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
    const bool same =
        photo.xtrans ? back.xtrans->samples == photo.xtrans->samples : back.samples == photo.samples;
    return same ? "" : "its samples";
}

// Reads back what was written. Throws WriteError.
void proveDng(const fs::path& to, const Photo& meant, const Work& work) {
    const PhotoPtr back = readPhoto(to, work, Measure::Nothing);
    if (const std::string part = differenceOf(meant, *back); !part.empty())
        throw WriteError("the written file differs from the original data (" + part +
                         "). Try again or choose another folder.");
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

void writeCleanDng(const fs::path& to, const Export& what, const std::string& xmp, const Work& work) {
    const Photo& photo = *what.recipe.photo;
    const Work quiet{work.stop};
    Photo cleaned = photo;
    cleaned.dark = {}, cleaned.mended = {}, cleaned.sensor = {}, cleaned.smoothing = {},
    cleaned.unevenness = {};
    cleaned.samples = cleanSamples(photo, what.recipe.settings, work);
    DngExtras extras;
    extras.xmp = xmp;
    extras.compression =
        what.delivery.packing == Packing::None ? DngCompression::None : DngCompression::Lossless;
    extras.cleaned = cleaned.samples != photo.samples;
    if (cleaned.xtrans && extras.cleaned) cleaned.xtrans->samples = ownSamples(cleaned);
    // What other programs show of it is what was meant.
    const int whole = std::max(cleaned.width(), cleaned.height());
    CleanedPhoto source(cleaned);
    extras.preview = what.delivery.fullPreview
                         ? render(what.recipe, outputFrame(photo, what.recipe.look), 1, {quiet, &source})
                         : renderOverview(cleaned, what.recipe.look, std::min(1024, whole), quiet);
    if (extras.cleaned) {
        extras.reductionApplied =
            std::min(1.0f, std::max(what.recipe.settings.luminance, what.recipe.settings.colour));
        extras.noiseLeft = noiseModelOf(cleaned, quiet);
    }
    writeDng(to, cleaned, extras, quiet);
    work.report(0.95);
    work.check();
    proveDng(to, cleaned, quiet);
}

// The photo demosaiced, in the camera's own light: what a linear DNG holds. What of the lens was corrected is
// not told again by opcodes; what was not is.
Photo linearOf(const Export& what, const Work& work) {
    const Photo& photo = *what.recipe.photo;
    const Rect frame = outputFrame(photo, what.recipe.look);
    Photo out = photo;
    out.channels = 3, out.xtrans.reset(), out.mended.clear(), out.sensor.clear(), out.smoothing = {},
    out.unevenness = {}, out.pattern = {}, out.id = {};
    out.rawWidth = frame.width, out.rawHeight = frame.height;
    out.active = out.crop = {0, 0, frame.width, frame.height};
    out.black = {}, out.white = 65535, out.bits = 16;
    out.statedNoise.reset();
    out.samples.assign(static_cast<std::size_t>(frame.width) * static_cast<std::size_t>(frame.height) * 3, 0);
    // Opcodes of the frame as it was stay where nothing of the lens was corrected and the frame is the same.
    const bool same = !what.recipe.look.usesLens() && frame == photo.whole();
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
    const Vector3 gain = balanceOf(neutralFor(photo, what.recipe.look));
    Recipe recipe = what.recipe;
    recipe.look.highlights = recipe.look.shadows = 0; // tone is for who develops it
    const OfStrip ofStrip = [&](const Rect& strip, CleanSource& cleaned, const Work& part) {
        const Image light = developBalanced(recipe, strip, {part, &cleaned});
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
    forEachStrip(photo, what.recipe.settings, frame, work.part(0, 0.9), ofStrip);
    return out;
}

void writeLinearDng(const fs::path& to, const Export& what, const std::string& xmp, const Work& work) {
    const Work quiet{work.stop};
    const Photo linear = linearOf(what, work);
    DngExtras extras;
    extras.xmp = xmp, extras.cleaned = true;
    extras.compression =
        what.delivery.packing == Packing::None ? DngCompression::None : DngCompression::Lossless;
    extras.preview = renderOverview(linear, what.recipe.look,
                                    std::min(1024, std::max(linear.width(), linear.height())), quiet);
    extras.reductionApplied =
        std::min(1.0f, std::max(what.recipe.settings.luminance, what.recipe.settings.colour));
    writeDng(to, linear, extras, quiet);
    work.report(0.95);
    work.check();
    proveDng(to, linear, quiet);
}

} // namespace

LeftOut writeDngFile(const fs::path& to, const Export& what, const XmpNote& xmp, const Work& work) {
    (what.delivery.linear ? writeLinearDng : writeCleanDng)(to, what, xmp.packet, work);
    return leftOutOf(xmp);
}

} // namespace irenic
