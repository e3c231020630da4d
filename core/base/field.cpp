#include "base/field.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <cstdio>

namespace irenic {

std::string numberText(float v) {
    char text[48];
    const auto [end, error] = std::to_chars(text, text + sizeof text, v);
    return error == std::errc() ? std::string(text, end) : "0";
}

void checkRange(const FieldInfo& field, float v) {
    if (!(v >= static_cast<float>(field.least) && v <= static_cast<float>(field.most)))
        throw FieldError(std::string(field.id) + "=" + numberText(v) + " is out of range: use " +
                         numberText(static_cast<float>(field.least)) + " to " +
                         numberText(static_cast<float>(field.most)));
}

float numberFrom(const FieldInfo& field, const std::string& text) {
    float v = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), v);
    if (text.empty() || error != std::errc() || end != text.data() + text.size())
        throw FieldError(std::string(field.id) + "=" + text + " is not a number");
    checkRange(field, v);
    return v;
}

int choiceFrom(const FieldInfo& field, const std::string& text) {
    std::string all;
    for (std::size_t i = 0; i < field.choices.size(); ++i) {
        if (text == field.choices[i] || (!field.formerChoices.empty() && text == field.formerChoices[i]))
            return static_cast<int>(i);
        all += std::string(i ? ", " : "") + field.choices[i];
    }
    throw FieldError(std::string(field.id) + "=" + text + " is unknown: use one of " + all);
}

std::string curveText(const Curve& curve) {
    std::string out;
    for (const CurvePoint& p : curve)
        out += (out.empty() ? "" : ";") + numberText(p.in) + ":" + numberText(p.out);
    return out;
}

Curve curveFrom(const FieldInfo& field, const std::string& text) {
    Curve points;
    for (std::size_t from = 0; from < text.size();) {
        const std::size_t to = std::min(text.find(';', from), text.size());
        const std::string pair = text.substr(from, to - from);
        const std::size_t colon = pair.find(':');
        if (colon == std::string::npos)
            throw FieldError("\"" + pair + "\" is not a point of a curve: write in:out");
        points.push_back(
            {numberFrom(field, pair.substr(0, colon)), numberFrom(field, pair.substr(colon + 1))});
        from = to + 1;
    }
    constexpr std::size_t kMostPoints = 100;
    if (points.size() > kMostPoints) throw FieldError("a curve has at most 100 points");
    for (std::size_t i = 1; i < points.size(); ++i)
        if (points[i].in <= points[i - 1].in)
            throw FieldError("the points of a curve go from dark to bright");
    return points;
}

std::string shownNumber(const FieldInfo& field, float v) {
    char number[48];
    std::snprintf(number, sizeof number, "%.*f", field.decimals, static_cast<double>(v) * field.shown);
    // A real minus sign.
    std::string out = number;
    if (out[0] == '-') out.replace(0, 1, "−");
    return out + field.unit;
}

} // namespace irenic
