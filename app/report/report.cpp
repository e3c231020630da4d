#include "report/report.h"

#include <nlohmann/json.hpp>

#include "base/text.h"
#include "denoise/clean.h"
#include "denoise/noise_left.h"
#include "develop/lens.h"
#include "judge/finding_json.h"
#include "judge/shown.h"
#include "judge/take_checks.h"
#include "renderer.h"

namespace irenic {

namespace {

constexpr std::size_t kMostProbes = 4;
constexpr QSize kCrop(300, 200); // pixels of the photo, at 100 %

QImage cropOf(const ReportWish& wish, const Settings& settings, const Probe& probe, const Work& work) {
    const Recipe recipe{wish.photo, settings, wish.state.look};
    const RenderKey key = renderKey(
        recipe, pictureOf(*wish.photo, wish.state.look, {double(probe.x), double(probe.y)}), {1, 0}, kCrop);
    return imageOf(render(key.shown, key.area, key.view, work));
}

} // namespace

Report measureReport(const ReportWish& wish, const Work& work) {
    Report out{wish, presentTime(), {}, {}};
    std::vector<Probe> probes = wish.state.probes;
    if (probes.size() > kMostProbes) probes.resize(kMostProbes);
    for (const Probe& p : probes) out.originals.push_back(cropOf(wish, Settings::original(), p, {work.stop}));
    const auto count = static_cast<double>(wish.state.takes.size());
    for (const Take& take : wish.state.takes) {
        ReportTake one;
        one.take = take, one.chosen = take.id == wish.state.chosen;
        one.noiseLeft = noiseLeftOnGrey(*wish.photo, take.settings, {work.stop}).luminance;
        for (const Probe& p : probes) one.crops.push_back(cropOf(wish, take.settings, p, {work.stop}));
        const auto at = static_cast<double>(out.takes.size());
        try {
            one.findings = checksOf(*wish.photo, take.settings, work.part(at / count, (at + 1) / count));
        } catch (const std::invalid_argument& e) {
            one.unchecked = e.what();
        }
        out.takes.push_back(std::move(one));
    }
    return out;
}

QByteArray jsonOf(const Report& report) {
    using nlohmann::json;
    const Photo& photo = *report.wish.photo;
    json takes = json::array();
    for (const ReportTake& t : report.takes) {
        json findings = json::array();
        for (const Finding& f : t.findings) findings.push_back(jsonOf(f));
        json one = {{"letter", std::string(1, t.take.letter)}, {"name", t.take.name},
                    {"settings", textOf(t.take.settings)},     {"chosen", t.chosen},
                    {"noiseLeftOnGrey", t.noiseLeft},          {"findings", findings}};
        if (!t.unchecked.empty()) one["unchecked"] = t.unchecked;
        takes.push_back(one);
    }
    json out = {{"report", 1},
                {"program", report.wish.program},
                {"when", report.when},
                {"photo", shownName(photo.file)},
                {"camera", photo.camera()},
                {"iso", photo.iso},
                {"look", textOf(report.wish.state.look)},
                {"takes", takes}};
    if (const auto& trial = report.wish.facts.trial) {
        const TrialRanking ranking = rankingOf(static_cast<int>(trial->pictures.size()), trial->answers);
        json order = json::array();
        for (std::size_t i = 0; i < ranking.order.size(); ++i)
            order.push_back({{"picture", trial->pictures[static_cast<std::size_t>(ranking.order[i])]},
                             {"aboveTheNext", i < ranking.sure.size() ? json(ranking.sure[i]) : json()}});
        out["trial"] = {{"when", trial->when}, {"answers", trial->answers.size()}, {"order", order}};
    }
    return QByteArray::fromStdString(out.dump(1, ' ', false, json::error_handler_t::replace) + "\n");
}

} // namespace irenic
