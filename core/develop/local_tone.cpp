#include "develop/local_tone.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "image/box_mean.h"
#include "image/smoothstep.h"

namespace irenic {

namespace {

constexpr float kGrey = 0.18f;
// Differences well below this many stops are texture, those well above are edges.
constexpr double kTexture = 0.5;
// Half a window, as a share of the longer side: as wide as what one would dodge or burn by itself.
constexpr double kReach = 1.0 / 40;
constexpr float kBlack = 1.0f / 2048;
// What local contrast adds at most, as a share; and to how many stops from the surround: what stands out more
// is an edge, or noise about black.
constexpr float kStrongest = 0.5f, kForms = 2;
// The table of factors.
constexpr float kDarkest = -14, kBrightest = 8, kEach = 1.0f / 32;

} // namespace

float Surround::stopsOf(float y) { return std::log2(std::max(y, 0.0f) + kBlack); }

Surround::Surround(const Plane& brightness, int width, int height)
    : scaleX_(static_cast<double>(width) / brightness.width()),
      scaleY_(static_cast<double>(height) / brightness.height()) {
    IRENIC_EXPECTS(brightness.width() > 0 && brightness.height() > 0 && width > 0 && height > 0);
    const int w = brightness.width(), h = brightness.height();
    const int r = std::max(1, static_cast<int>(std::lround(kReach * std::max(w, h))));
    Plane stops(w, h), squares(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            stops.at(x, y) = stopsOf(brightness.at(x, y));
            squares.at(x, y) = stops.at(x, y) * stops.at(x, y);
        }
    const Plane mean = boxMean(stops, r), square = boxMean(squares, r);
    Plane slope(w, h), level(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            const double m = static_cast<double>(mean.at(x, y)),
                         variance = std::max(0.0, static_cast<double>(square.at(x, y)) - m * m);
            const double a = variance / (variance + kTexture * kTexture);
            slope.at(x, y) = static_cast<float>(a), level.at(x, y) = static_cast<float>((1 - a) * m);
        }
    slope_ = boxMean(slope, r), level_ = boxMean(level, r);
}

void Surround::row(double x, double step, double y, int n, float* slopes, float* levels) const {
    const int w = slope_.width(), h = slope_.height();
    const auto between = [](double at, int size, int& low, int& high) {
        at = std::clamp(at, 0.0, static_cast<double>(size - 1));
        low = static_cast<int>(at), high = std::min(low + 1, size - 1);
        return static_cast<float>(at - low);
    };
    int top = 0, bottom = 0;
    const float v = between((y + 0.5) / scaleY_ - 0.5, h, top, bottom);
    const auto mixed = [](float a, float b, float t) { return a + t * (b - a); };
    for (int i = 0; i < n; ++i) {
        int left = 0, right = 0;
        const float u = between((x + i * step + 0.5) / scaleX_ - 0.5, w, left, right);
        slopes[i] = mixed(mixed(slope_.at(left, top), slope_.at(right, top), u),
                          mixed(slope_.at(left, bottom), slope_.at(right, bottom), u), v);
        levels[i] = mixed(mixed(level_.at(left, top), level_.at(right, top), u),
                          mixed(level_.at(left, bottom), level_.at(right, bottom), u), v);
    }
}

LocalTone::LocalTone(const Photo& photo, const Look& look, const Vector3& weights,
                     std::shared_ptr<const Surround> surround)
    : weights_{static_cast<float>(weights[0]), static_cast<float>(weights[1]),
               static_cast<float>(weights[2])},
      surround_(std::move(surround)), contrast_(kStrongest * look.localContrast) {
    const float exposed = look.exposure + static_cast<float>(photo.baselineExposure);
    for (float stops = kDarkest; stops <= kBrightest; stops += kEach) {
        const float above = stops + exposed - std::log2(kGrey);
        const float by =
            above > 0 ? look.highlights * smoothstep(above / 3.5f) : look.shadows * smoothstep(-above / 5);
        factors_.push_back(std::exp2(1.5f * by));
    }
}

float LocalTone::factorAt(float stops) const {
    const float at = (std::clamp(stops, kDarkest, kBrightest) - kDarkest) / kEach;
    const auto i = std::min(static_cast<std::size_t>(at), factors_.size() - 2);
    return factors_[i] + (at - static_cast<float>(i)) * (factors_[i + 1] - factors_[i]);
}

void LocalTone::apply(float* r, float* g, float* b, double x, double step, double y, int n,
                      const float* evened) const {
    std::vector<float> slopes(static_cast<std::size_t>(n)), levels(static_cast<std::size_t>(n));
    surround_->row(x, step, y, n, slopes.data(), levels.data());
    for (int i = 0; i < n; ++i) {
        const auto at = static_cast<std::size_t>(i);
        const float light = Surround::stopsOf(weights_[0] * r[i] + weights_[1] * g[i] + weights_[2] * b[i]);
        float surround = slopes[at] * light + levels[at];
        // The coefficients are those of the photo as it is.
        if (evened) surround += (1 - slopes[at]) * std::log2(evened[i]);
        float factor = factorAt(surround);
        if (contrast_ != 0) factor *= std::exp2(contrast_ * std::clamp(light - surround, -kForms, kForms));
        r[i] *= factor, g[i] *= factor, b[i] *= factor;
    }
}

} // namespace irenic
