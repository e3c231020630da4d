#include "deliver/developed_rows.h"

#include <lcms2.h>

#include <algorithm>
#include <cmath>
#include <cstring>
#include <deque>
#include <memory>
#include <numbers>
#include <stdexcept>

#include "base/expects.h"
#include "base/given_file.h"
#include "base/mixed.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "deliver/profiles.h"
#include "deliver/strips.h"
#include "develop/render.h"

namespace irenic {

namespace {

// More than this no profile of a screen or printer has.
constexpr std::uint64_t kMostProfile = 8 << 20;

std::vector<std::uint8_t> bytesOf(const std::string& file) {
    try {
        const auto text = textOfFile(file, kMostProfile);
        if (!text)
            throw std::runtime_error(shownName(file) + ": " + IRENIC_TEXT("there is no such profile."));
        return {text->begin(), text->end()};
    } catch (const FileError& e) {
        throw std::runtime_error(shownName(file) + ": " + e.what());
    }
}

// From ProPhoto-compatible values to a profile's, by Little CMS.
class OwnProfile {
  public:
    // `name` is how it is called where it cannot be used.
    OwnProfile(const std::vector<std::uint8_t>& own, const std::string& name) {
        const auto wide = iccProfile(OutputSpace::ProPhotoCompatible);
        const std::unique_ptr<void, int (*)(void*)> to(
            cmsOpenProfileFromMem(own.data(), static_cast<cmsUInt32Number>(own.size())), cmsCloseProfile),
            from(cmsOpenProfileFromMem(wide.data(), static_cast<cmsUInt32Number>(wide.size())),
                 cmsCloseProfile);
        if (!to || cmsGetColorSpace(to.get()) != cmsSigRgbData)
            throw std::runtime_error(filled(IRENIC_TEXT("%1 is no ICC profile of RGB colours."), {name}));
        transform_.reset(cmsCreateTransform(from.get(), TYPE_RGB_FLT, to.get(), TYPE_RGB_FLT,
                                            INTENT_RELATIVE_COLORIMETRIC,
                                            cmsFLAGS_BLACKPOINTCOMPENSATION | cmsFLAGS_NOCACHE));
        if (!transform_)
            throw std::runtime_error(filled(IRENIC_TEXT("%1 cannot be used for output."), {name}));
    }
    void apply(float* row, int pixels) const {
        cmsDoTransform(transform_.get(), row, row, static_cast<cmsUInt32Number>(pixels));
        for (int i = 0; i < 3 * pixels; ++i) row[i] = std::clamp(row[i], 0.0f, 1.0f);
    }

  private:
    std::unique_ptr<void, void (*)(void*)> transform_{nullptr, cmsDeleteTransform};
};

// Whether the picture goes back in the colours that it came in. Grey ones come back as sRGB.
bool hasOwnColours(const Export& what) {
    if (!what.handback || what.recipe.photo->ownProfile.empty()) return false;
    const auto& bytes = what.recipe.photo->ownProfile;
    const std::unique_ptr<void, int (*)(void*)> profile(
        cmsOpenProfileFromMem(bytes.data(), static_cast<cmsUInt32Number>(bytes.size())), cmsCloseProfile);
    return profile && cmsGetColorSpace(profile.get()) == cmsSigRgbData;
}

// Weights of a reduction's taps for one place.
struct Taps {
    int first = 0;
    std::vector<float> weight;
};
std::vector<Taps> reduction(int from, int to) {
    const double step = static_cast<double>(from) / to, reach = 3 * step;
    std::vector<Taps> all(static_cast<std::size_t>(to));
    for (int i = 0; i < to; ++i) {
        const double middle = (i + 0.5) * step - 0.5;
        const int first = static_cast<int>(std::ceil(middle - reach)),
                  last = static_cast<int>(std::floor(middle + reach));
        Taps& t = all[static_cast<std::size_t>(i)];
        t.first = first;
        double sum = 0;
        std::vector<double> weights;
        for (int k = first; k <= last; ++k) {
            const double x = std::numbers::pi * (k - middle) / step;
            weights.push_back(std::abs(x) < 1e-9 ? 1 : 3 * std::sin(x) * std::sin(x / 3) / (x * x));
            sum += weights.back();
        }
        for (const double w : weights) t.weight.push_back(static_cast<float>(w / sum));
    }
    return all;
}

// Rows come in one after the other; reduced rows go out as soon as all that they need is there.
class Reducer {
  public:
    Reducer(PictureSize from, PictureSize to, OutputSpace space, std::function<void(int, const float*)> put)
        : from_(from), to_(to), across_(reduction(from.width, to.width)),
          down_(reduction(from.height, to.height)), put_(std::move(put)) {
        constexpr int kSteps = 4096;
        for (int i = 0; i <= kSteps; ++i) {
            light_.push_back(decoded(space, static_cast<float>(i) / kSteps));
            // Over square roots: the dark end is steep.
            code_.push_back(
                encoded(space, static_cast<float>(i) * static_cast<float>(i) / (kSteps * kSteps)));
        }
    }
    void row(int y, const float* in) {
        std::vector<float> light(static_cast<std::size_t>(from_.width) * 3),
            out(static_cast<std::size_t>(to_.width) * 3, 0.0f);
        for (std::size_t i = 0; i < light.size(); ++i) light[i] = at(light_, in[i]);
        for (int x = 0; x < to_.width; ++x) {
            const Taps& t = across_[static_cast<std::size_t>(x)];
            for (std::size_t k = 0; k < t.weight.size(); ++k) {
                const auto u =
                    static_cast<std::size_t>(std::clamp(t.first + static_cast<int>(k), 0, from_.width - 1));
                for (std::size_t c = 0; c < 3; ++c)
                    out[3 * static_cast<std::size_t>(x) + c] += t.weight[k] * light[3 * u + c];
            }
        }
        rows_.push_back(std::move(out));
        const bool last = y == from_.height - 1;
        while (next_ < to_.height) {
            const Taps& t = down_[static_cast<std::size_t>(next_)];
            if (t.first + static_cast<int>(t.weight.size()) - 1 > y && !last) break;
            give(t);
            // What lies above the next row's reach is not needed any more.
            ++next_;
            const int needed =
                next_ < to_.height ? std::max(0, down_[static_cast<std::size_t>(next_)].first) : from_.height;
            while (top_ < needed && rows_.size() > 1) rows_.pop_front(), ++top_;
        }
    }

  private:
    static float at(const std::vector<float>& table, float v) {
        const float place = std::clamp(v, 0.0f, 1.0f) * static_cast<float>(table.size() - 1);
        const auto i = std::min(static_cast<std::size_t>(place), table.size() - 2);
        return table[i] + (table[i + 1] - table[i]) * (place - static_cast<float>(i));
    }
    void give(const Taps& t) {
        std::vector<float> sum(static_cast<std::size_t>(to_.width) * 3, 0.0f);
        for (std::size_t k = 0; k < t.weight.size(); ++k) {
            const int y =
                std::clamp(t.first + static_cast<int>(k), top_, top_ + static_cast<int>(rows_.size()) - 1);
            const std::vector<float>& r = rows_[static_cast<std::size_t>(y - top_)];
            for (std::size_t i = 0; i < sum.size(); ++i) sum[i] += t.weight[k] * r[i];
        }
        for (float& v : sum) v = at(code_, std::sqrt(std::clamp(v, 0.0f, 1.0f)));
        put_(next_, sum.data());
    }

    PictureSize from_, to_;
    std::vector<Taps> across_, down_;
    std::vector<float> light_, code_;
    std::function<void(int, const float*)> put_;
    std::deque<std::vector<float>> rows_; // reduced across, linear
    int top_ = 0, next_ = 0;
};

} // namespace

PictureSize sizeOf(const Export& what) {
    const Rect frame = outputFrame(*what.recipe.photo, what.recipe.look);
    double scale = static_cast<double>(what.delivery.percent) / 100;
    const double longest = scale * std::max(frame.width, frame.height);
    if (what.delivery.longest > 0 && longest > static_cast<double>(what.delivery.longest))
        scale *= static_cast<double>(what.delivery.longest) / longest;
    const auto side = [&](int v) { return std::max(1, static_cast<int>(std::lround(v * scale))); };
    return {side(frame.width), side(frame.height)};
}

void developRows(const Export& what, const Work& work, const std::function<void(int, const float*)>& put) {
    IRENIC_EXPECTS(what.recipe.photo);
    const Recipe& recipe = what.recipe;
    const Rect frame = outputFrame(*recipe.photo, recipe.look);
    const PictureSize size = sizeOf(what);
    const bool theirs = hasOwnColours(what), own = theirs || !what.delivery.profile.empty();
    const OutputSpace space = own ? OutputSpace::ProPhotoCompatible : what.delivery.space;
    std::unique_ptr<OwnProfile> profile;
    if (own)
        profile = std::make_unique<OwnProfile>(profileOf(what), theirs ? shownName(recipe.photo->file)
                                                                       : what.delivery.profile);
    std::vector<float> converted;
    const auto deliver = [&](int y, const float* row) {
        if (!profile) return put(y, row);
        converted.assign(row, row + 3 * size.width);
        profile->apply(converted.data(), size.width);
        put(y, converted.data());
    };
    std::unique_ptr<Reducer> reducer;
    if (size.width != frame.width || size.height != frame.height)
        reducer = std::make_unique<Reducer>(PictureSize{frame.width, frame.height}, size, space, deliver);
    const Finish finish(*recipe.photo, recipe.look, space);
    std::vector<float> row(static_cast<std::size_t>(frame.width) * 3);
    const OfStrip ofStrip = [&](const Rect& strip, CleanSource& cleaned, const Work& part) {
        Image rgb = developRegion(recipe, strip, kWorkingSpace, {part, &cleaned});
        forEachBand(strip.height, 16, {work.stop, nullptr}, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                finish.apply(rgb[0].row(y), rgb[1].row(y), rgb[2].row(y), strip.width);
        });
        for (int y = 0; y < strip.height; ++y) {
            for (int x = 0; x < frame.width; ++x)
                for (std::size_t c = 0; c < 3; ++c)
                    row[static_cast<std::size_t>(x) * 3 + c] = rgb[c].at(x, y);
            const int to = strip.y - frame.y + y;
            reducer ? reducer->row(to, row.data()) : deliver(to, row.data());
        }
    };
    forEachStrip(*recipe.photo, recipe.settings, frame, work.part(0, 0.95), ofStrip);
}

namespace {

// Even in -1/2..1/2, the same for the same sample always.
float ditherAt(std::size_t sample, int y) {
    const std::uint64_t z = mixed(static_cast<std::uint64_t>(static_cast<std::uint32_t>(y)) << 32 | sample);
    return static_cast<float>(z >> 40) / static_cast<float>(1 << 24) - 0.5f;
}

} // namespace

void quantise(const float* values, std::size_t count, int bits, int y, std::uint8_t* to) {
    IRENIC_EXPECTS(bits == 8 || bits == 16 || bits == 32);
    if (bits == 32) std::memcpy(to, values, count * sizeof(float));
    constexpr float kDither = 0.98f; // less than a step: rounding errors of what lies on one do not count
    for (std::size_t i = 0; i < count && bits == 8; ++i)
        to[i] = static_cast<std::uint8_t>(
            std::clamp(values[i] * 255 + kDither * ditherAt(i, y) + 0.5f, 0.0f, 255.0f));
    for (std::size_t i = 0; i < count && bits == 16; ++i) {
        const auto v = static_cast<std::uint16_t>(values[i] * 65535 + 0.5f);
        std::memcpy(to + 2 * i, &v, 2);
    }
}

std::vector<std::uint8_t> profileOf(const Export& what) {
    if (hasOwnColours(what)) return what.recipe.photo->ownProfile;
    return what.delivery.profile.empty() ? iccProfile(what.delivery.space) : bytesOf(what.delivery.profile);
}

} // namespace irenic
