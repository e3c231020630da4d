#include "develop/look.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <stdexcept>

#include "base/shown_text.h"

namespace irenic {

namespace {

constexpr const char* kEdges[] = {"ratio", "largest", "all"};
constexpr const char* kSoftness[] = {"off", "fine", "medium", "wide", "widest"};
constexpr const char* kFormerSoftness[] = {"none", "hair", "thread", "cord", "rope"};
constexpr const char* kDemosaics[] = {"quick", "fine"};
constexpr const char* kShownEdges[] = {IRENIC_TEXT("Edges: enlarge to fill"), IRENIC_TEXT("Edges: crop"),
                                       IRENIC_TEXT("Edges: keep all, black")};
constexpr const char* kShownSoftness[] = {
    IRENIC_TEXT("Sharpening: off"), IRENIC_TEXT("Sharpening: fine 0.5 px"),
    IRENIC_TEXT("Sharpening: medium 0.7 px"), IRENIC_TEXT("Sharpening: wide 1.0 px"),
    IRENIC_TEXT("Sharpening: widest 1.4 px")};
constexpr const char* kShownDemosaics[] = {IRENIC_TEXT("Demosaic: quick"), IRENIC_TEXT("Demosaic: fine")};

template <auto Member> ChoiceMember<Look> choice() {
    return {[](const Look& l) { return static_cast<int>(l.*Member); },
            [](Look& l, int i) { l.*Member = static_cast<std::decay_t<decltype(l.*Member)>>(i); }};
}

const Field<Look> kFields[] = {
    {{"asShot", "AsShot", IRENIC_TEXT("as shot"), "", 0, 1, 1, 0,
      IRENIC_TEXT("The white balance that the camera has set.")},
     &Look::asShot},
    {{"kelvin", "Kelvin", IRENIC_TEXT("temperature"), " K", 1700, 25000, 1, 0,
      IRENIC_TEXT("Colour temperature of the light; higher makes the picture warmer.")},
     &Look::kelvin},
    {{"tint", "Tint", IRENIC_TEXT("tint"), "", -40, 40, 1, 1,
      IRENIC_TEXT("Green–magenta balance; higher is more magenta.")},
     &Look::tint},
    {{"exposure", "Exposure", IRENIC_TEXT("exposure"), " EV", -4, 4, 1, 2,
      IRENIC_TEXT("Brightness of the whole photo in stops. Exported, unlike the push.")},
     &Look::exposure},
    {{"highlights", "Highlights", IRENIC_TEXT("highlights"), "", -1, 1, 100, 0,
      IRENIC_TEXT("Below 0 darkens areas brighter than mid-grey by up to 1.5 stops. Local contrast stays.")},
     &Look::highlights},
    {{"shadows", "Shadows", IRENIC_TEXT("shadows"), "", -1, 1, 100, 0,
      IRENIC_TEXT("Above 0 brightens areas darker than mid-grey by up to 1.5 stops, and the noise in them. "
                  "Local contrast stays.")},
     &Look::shadows},
    {{"localContrast", "LocalContrast", IRENIC_TEXT("local contrast"), "", -1, 1, 100, 0,
      IRENIC_TEXT(
          "Above 0 makes texture and small forms stand out from their surround, and the noise in them.")},
     &Look::localContrast},
    {{"saturation", "Saturation", IRENIC_TEXT("saturation"), " %", 0, 2, 100, 0,
      IRENIC_TEXT("Strength of all colours; 100 % is as the camera saw them.")},
     &Look::saturation},
    {{"muted", "MutedColours", IRENIC_TEXT("muted colours"), "", -1, 1, 100, 0,
      IRENIC_TEXT("Above 0 strengthens weak colours; those that are strong already stay as they are.")},
     &Look::muted},
    {{"curve", "Curve", IRENIC_TEXT("tone curve"), "", 0, 1, 1, 2,
      IRENIC_TEXT("Maps dark to bright, on display values.")},
     &Look::curve},
    {{"vignetting", "Vignetting", IRENIC_TEXT("vignetting"), "", 0, 1, 1, 0,
      IRENIC_TEXT("Brightens the corners to match the middle, and the noise in them.")},
     &Look::vignetting},
    {{"chromatic", "LateralColour", IRENIC_TEXT("chromatic aberration"), "", 0, 1, 1, 0,
      IRENIC_TEXT(
          "Removes coloured edges towards the corners (lateral chromatic aberration), before demosaicing.")},
     &Look::chromatic},
    {{"distortion", "Distortion", IRENIC_TEXT("distortion"), "", 0, 1, 1, 0,
      IRENIC_TEXT("Straightens lines that the lens has bent. Pixels are interpolated.")},
     &Look::distortion},
    {{"edges", "Edges", IRENIC_TEXT("edges"), "", 0, 2, 1, 0,
      IRENIC_TEXT("What happens at the edges when distortion is corrected."), kEdges, kShownEdges},
     choice<&Look::edges>()},
    {{"fringes", "PurpleFringes", IRENIC_TEXT("purple fringes"), "", 0, 1, 1, 0,
      IRENIC_TEXT("Removes purple next to bright edges. Purple elsewhere stays.")},
     &Look::fringes},
    {{"softness", "Softness", IRENIC_TEXT("sharpening"), "", 0, 4, 1, 0,
      IRENIC_TEXT("Undoes lens blur of this radius after noise reduction. Noise is not sharpened."),
      kSoftness, kShownSoftness, kFormerSoftness},
     choice<&Look::softness>()},
    {{"demosaic", "Demosaic", IRENIC_TEXT("demosaic"), "", 0, 1, 1, 0,
      IRENIC_TEXT("How full colour is made from the sensor's mosaic; fine is slower and keeps more detail."),
      kDemosaics, kShownDemosaics},
     choice<&Look::demosaic>()},
};

bool isLight(const FieldInfo& field) {
    return field.id == std::string("kelvin") || field.id == std::string("tint");
}

std::vector<std::string> split(const std::string& text, char by) {
    std::vector<std::string> parts;
    for (std::size_t from = 0; from <= text.size();) {
        const std::size_t to = std::min(text.find(by, from), text.size());
        parts.push_back(text.substr(from, to - from));
        from = to + 1;
    }
    return parts;
}

} // namespace

template <> std::span<const Field<Look>> fieldsOf<Look>() { return kFields; }

float blurOf(Softness softness) {
    constexpr std::array<float, 5> sigma = {0, 0.5f, 0.7f, 1.0f, 1.4f};
    return sigma[static_cast<std::size_t>(softness)];
}

std::string textOf(const Look& look) {
    const Look plain;
    std::string out;
    for (const Field<Look>& f : kFields) {
        // A light that is named is not the camera's: that needs no word of its own.
        if (f.id == std::string("asShot") || (isLight(f) ? look.asShot : sameField(f, look, plain))) continue;
        out += (out.empty() ? "" : ",") + std::string(f.id);
        if (!std::holds_alternative<bool Look::*>(f.member)) out += "=" + valueText(f, look);
    }
    return out;
}

Look lookFromText(const std::string& text) {
    Look look;
    if (text.empty()) return look;
    try {
        for (const std::string& part : split(text, ',')) {
            const std::size_t equals = part.find('=');
            const std::string name = part.substr(0, equals),
                              value = equals == std::string::npos ? "" : part.substr(equals + 1);
            const Field<Look>* f = findField<Look>(name);
            if (!f || name == "asShot") throw FieldError("there is no \"" + name + "\"");
            if (const auto* flag = std::get_if<bool Look::*>(&f->member)) {
                if (equals != std::string::npos) throw FieldError(name + " takes no value");
                look.** flag = true;
            } else {
                if (value.empty()) throw FieldError(name + " needs a value");
                setFromText(*f, look, value);
            }
            if (isLight(*f)) look.asShot = false;
        }
    } catch (const FieldError& e) {
        throw std::invalid_argument(std::string("Look: ") + e.what() + ".");
    }
    return look;
}

Contrast::Contrast(std::vector<CurvePoint> points)
    : points_(std::move(points)), slopes_(points_.size(), 0.0f) {
    if (points_.size() < 2) return;
    std::vector<float> step(points_.size() - 1);
    for (std::size_t i = 0; i < step.size(); ++i)
        step[i] = (points_[i + 1].out - points_[i].out) / (points_[i + 1].in - points_[i].in);
    slopes_.front() = step.front(), slopes_.back() = step.back();
    for (std::size_t i = 1; i + 1 < slopes_.size(); ++i)
        slopes_[i] = step[i - 1] * step[i] <= 0 ? 0 : 0.5f * (step[i - 1] + step[i]);
    for (std::size_t i = 0; i < step.size(); ++i) {
        if (step[i] == 0) {
            slopes_[i] = slopes_[i + 1] = 0;
            continue;
        }
        const float a = slopes_[i] / step[i], b = slopes_[i + 1] / step[i], r = a * a + b * b;
        if (r > 9)
            slopes_[i] = 3 / std::sqrt(r) * a * step[i], slopes_[i + 1] = 3 / std::sqrt(r) * b * step[i];
    }
}

float Contrast::operator()(float v) const {
    if (points_.size() < 2) return v;
    if (v <= points_.front().in) return points_.front().out;
    if (v >= points_.back().in) return points_.back().out;
    const auto next = std::upper_bound(points_.begin(), points_.end(), v,
                                       [](float value, const CurvePoint& p) { return value < p.in; });
    const auto i = static_cast<std::size_t>(next - points_.begin()) - 1;
    const float width = points_[i + 1].in - points_[i].in, t = (v - points_[i].in) / width, t2 = t * t,
                t3 = t2 * t;
    return (2 * t3 - 3 * t2 + 1) * points_[i].out + (t3 - 2 * t2 + t) * width * slopes_[i] +
           (3 * t2 - 2 * t3) * points_[i + 1].out + (t3 - t2) * width * slopes_[i + 1];
}

} // namespace irenic
