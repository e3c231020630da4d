#include "develop/look.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <cstdio>
#include <stdexcept>

namespace irenic {

namespace {

struct Number {
    const char* name;
    float Look::*value;
    float lowest, highest;
};
constexpr Number kNumbers[] = {
    {"kelvin", &Look::kelvin, 1700, 25000}, {"tint", &Look::tint, -40, 40},
    {"exposure", &Look::exposure, -4, 4},   {"highlights", &Look::highlights, -1, 1},
    {"shadows", &Look::shadows, -1, 1},     {"saturation", &Look::saturation, 0, 2}};

struct Flag {
    const char* name;
    bool Look::*value;
};
constexpr Flag kFlags[] = {{"vignetting", &Look::vignetting},
                           {"chromatic", &Look::chromatic},
                           {"distortion", &Look::distortion},
                           {"fringes", &Look::fringes}};

constexpr std::array<const char*, 3> kEdges = {"ratio", "largest", "all"};
constexpr std::array<const char*, 5> kSoftness = {"none", "hair", "thread", "cord", "rope"};
constexpr std::array<const char*, 2> kDemosaics = {"quick", "fine"};

std::string written(float v) {
    char text[32];
    std::snprintf(text, sizeof text, "%.6g", static_cast<double>(v));
    return text;
}

std::invalid_argument complaint(const std::string& what) {
    return std::invalid_argument("Look: " + what + ".");
}

float readNumber(const std::string& text, const std::string& name, float lowest, float highest) {
    float v = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), v);
    if (error != std::errc() || end != text.data() + text.size())
        throw complaint("\"" + text + "\" for " + name + " is not a number");
    if (!(v >= lowest && v <= highest))
        throw complaint(name + " reaches from " + written(lowest) + " to " + written(highest) + ", not to " +
                        text);
    return v;
}

template <std::size_t N>
int readChoice(const std::array<const char*, N>& names, const std::string& text, const std::string& of) {
    const auto at = std::find(names.begin(), names.end(), text);
    if (at != names.end()) return static_cast<int>(at - names.begin());
    std::string all;
    for (const char* n : names) all += std::string(all.empty() ? "" : ", ") + n;
    throw complaint("\"" + text + "\" is no " + of + "; there are " + all);
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

std::vector<CurvePoint> readCurve(const std::string& text) {
    std::vector<CurvePoint> points;
    for (const std::string& pair : split(text, ';')) {
        const auto halves = split(pair, ':');
        if (halves.size() != 2) throw complaint("\"" + pair + "\" is no point of a curve; write in:out");
        points.push_back(
            {readNumber(halves[0], "a curve's point", 0, 1), readNumber(halves[1], "a curve's point", 0, 1)});
    }
    for (std::size_t i = 1; i < points.size(); ++i)
        if (points[i].in <= points[i - 1].in) throw complaint("the points of a curve go from dark to bright");
    return points;
}

} // namespace

float blurOf(Softness softness) {
    constexpr std::array<float, 5> sigma = {0, 0.5f, 0.7f, 1.0f, 1.4f};
    return sigma[static_cast<std::size_t>(softness)];
}

std::string textOf(const Look& look) {
    const Look plain;
    std::string out;
    const auto add = [&](const std::string& part) { out += (out.empty() ? "" : ",") + part; };
    for (const Number& n : kNumbers) {
        const bool balance = n.value == &Look::kelvin || n.value == &Look::tint;
        if (balance ? !look.asShot : look.*n.value != plain.*n.value)
            add(std::string(n.name) + "=" + written(look.*n.value));
    }
    if (!look.curve.empty()) {
        std::string points;
        for (const CurvePoint& p : look.curve)
            points += (points.empty() ? "" : ";") + written(p.in) + ":" + written(p.out);
        add("curve=" + points);
    }
    for (const Flag& f : kFlags)
        if (look.*f.value) add(f.name);
    if (look.edges != plain.edges) add(std::string("edges=") + kEdges[static_cast<std::size_t>(look.edges)]);
    if (look.softness != plain.softness)
        add(std::string("softness=") + kSoftness[static_cast<std::size_t>(look.softness)]);
    if (look.demosaic != plain.demosaic)
        add(std::string("demosaic=") + kDemosaics[static_cast<std::size_t>(look.demosaic)]);
    return out;
}

Look lookFromText(const std::string& text) {
    Look look;
    if (text.empty()) return look;
    for (const std::string& part : split(text, ',')) {
        const std::size_t equals = part.find('=');
        const std::string name = part.substr(0, equals),
                          value = equals == std::string::npos ? "" : part.substr(equals + 1);
        if (const auto* n = std::find_if(std::begin(kNumbers), std::end(kNumbers),
                                         [&](const Number& k) { return name == k.name; });
            n != std::end(kNumbers)) {
            look.*n->value = readNumber(value, name, n->lowest, n->highest);
            if (n->value == &Look::kelvin || n->value == &Look::tint) look.asShot = false;
        } else if (const auto* f = std::find_if(std::begin(kFlags), std::end(kFlags),
                                                [&](const Flag& k) { return name == k.name; });
                   f != std::end(kFlags)) {
            if (equals != std::string::npos) throw complaint(name + " takes no value");
            look.*f->value = true;
        } else if (name == "curve") {
            look.curve = readCurve(value);
        } else if (name == "edges") {
            look.edges = static_cast<Edges>(readChoice(kEdges, value, "way with edges"));
        } else if (name == "softness") {
            look.softness = static_cast<Softness>(readChoice(kSoftness, value, "grade of softness"));
        } else if (name == "demosaic") {
            look.demosaic = static_cast<Demosaic>(readChoice(kDemosaics, value, "demosaic"));
        } else {
            throw complaint("\"" + name + "\" is not known");
        }
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
