#include "judge/advice.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "base/field.h"
#include "base/shown_text.h"
#include "judge/check_kinds.h"

namespace irenic {

namespace {

// As the window shows strengths: to a twentieth.
float rounded(double v) { return static_cast<float>(std::round(20 * v) / 20); }

std::string percent(double share) { return std::to_string(std::lround(100 * share)) + " %"; }

// What answers one check: nothing where its strength is at its end.
using Answer = std::optional<Advice> (*)(double value, const Settings& settings);

// As much more as is left: noise that is left falls about as a strength grows.
float more(float strength, double left) {
    constexpr double kMost = 3, kLeastStep = 0.1;
    return rounded(std::min(kMost, static_cast<double>(strength) * (1 + std::max(kLeastStep, left))));
}

std::optional<Advice> moreLuminance(double left, const Settings& settings) {
    Settings out = settings;
    out.luminance = more(std::max(0.2f, settings.luminance), left);
    if (out.luminance <= settings.luminance) return std::nullopt;
    return Advice{out,
                  filled(IRENIC_TEXT("%1 of the noise is left in even areas: luminance %2 would take more."),
                         {percent(left), numberText(out.luminance)})};
}

std::optional<Advice> moreCoarse(double left, const Settings& settings) {
    Settings out = settings;
    if (out.colour <= 0) out.colour = 1;
    out.coarse = more(std::max(0.2f, settings.coarse), left);
    if (out.coarse <= settings.coarse && out.colour == settings.colour) return std::nullopt;
    return Advice{out, filled(IRENIC_TEXT("Colour blotches are left: coarse colour %1 would take more."),
                              {numberText(out.coarse)})};
}

// Strengths beyond the noise first: what they take, detail cannot bring back.
std::optional<Advice> moreDetail(double lost, const Settings& settings) {
    constexpr float kEnough = 0.5f, kLeast = 0.5f, kMatched = 1;
    Settings out = settings;
    if (settings.luminance <= kMatched && settings.detail < kEnough) {
        out.detail = kEnough;
        return Advice{
            out,
            filled(IRENIC_TEXT(
                       "Detail is lost at %1 of the places that have some: detail %2 would bring more back."),
                   {percent(lost), percent(static_cast<double>(out.detail))})};
    }
    if (settings.luminance <= kLeast) return std::nullopt;
    out.luminance =
        settings.luminance > kMatched ? kMatched : rounded(0.8 * static_cast<double>(settings.luminance));
    return Advice{
        out, filled(IRENIC_TEXT(
                        "Detail is lost at %1 of the places that have some: luminance %2 would keep more."),
                    {percent(lost), numberText(out.luminance)})};
}

// Points alone are cleaned less, in a zone of their own.
std::optional<Advice> keptPoints(double lost, const Settings& settings) {
    Settings out = settings;
    const bool zoned = std::any_of(out.zones.begin(), out.zones.end(),
                                   [](const Zone& z) { return z.part == FoundPart::Points; });
    if (zoned || out.zones.size() >= Zone::kMost) return std::nullopt;
    Zone points;
    points.part = FoundPart::Points;
    points.luminance = 0.3f;
    out.zones.push_back(points);
    return Advice{
        out,
        filled(IRENIC_TEXT(
                   "%1 of the bright points are gone: a zone on them with luminance %2 would keep them."),
               {percent(lost), numberText(points.luminance)})};
}

struct Rule {
    const CheckKind& check;
    Answer answer;
};
// Of equal grade the first counts: what is lost cannot be looked at any more.
constexpr std::array<Rule, 4> kRules = {{{check::kPointsLost, keptPoints},
                                         {check::kDetailLost, moreDetail},
                                         {check::kNoiseLeft, moreLuminance},
                                         {check::kBlotches, moreCoarse}}};

} // namespace

std::optional<Advice> adviceOn(const std::vector<Finding>& findings, const Settings& settings) {
    for (const Grade grade : {Grade::Bad, Grade::Look})
        for (const Rule& rule : kRules)
            for (const Finding& f : findings)
                if (f.check == rule.check.id && f.grade == grade && f.value)
                    if (auto advice = rule.answer(*f.value, settings)) return advice;
    return std::nullopt;
}

} // namespace irenic
