#include "equalise.h"

#include "base/text.h"
#include "said.h"

namespace irenic {

void Equalise::after(int take, NoiseKind kind) {
    const PhotoPtr photo = document_.photo();
    if (!photo || document_.takes().size() < 2) return;
    struct Result {
        std::map<std::uint32_t, Settings> settings;
        QString text;
    };
    const QString what = kind == NoiseKind::Luminance ? tr("luminance") : tr("colour");
    emit message(tr("Measuring for equal %1 noise…").arg(what));
    work_ = jobs_.submit(
        Lane::Quiet, -10,
        [photo, takes = document_.takes(), take, kind](const Work& work) {
            const std::vector<Rect> areas = flatAreas(*photo, 3, work);
            const Take& reference = takes[static_cast<std::size_t>(take)];
            const NoiseLeft left = noiseLeftIn(*photo, reference.settings, areas, work.part(0, 0.1));
            const double target = kind == NoiseKind::Luminance ? left.luminance : left.colour;
            Result out;
            for (const Take& t : takes) {
                if (t.id == reference.id) continue;
                const Levelled l = levelled(*photo, t.settings, kind, target, areas, {work.stop, nullptr});
                out.settings[t.id] = l.settings;
                const float strength =
                    kind == NoiseKind::Luminance ? l.settings.luminance : l.settings.colour;
                out.text += QStringLiteral("%1 %2×%3, ")
                                .arg(QLatin1Char(t.letter))
                                .arg(numberOf(static_cast<double>(strength), 2))
                                .arg(l.reached ? QString() : tr(" (as near as it comes)"));
            }
            out.text += tr("%1 % of the noise left").arg(numberOf(100 * target, 1));
            return out;
        },
        [this, what, file = photo->file.string(),
         letter = document_.takes()[static_cast<std::size_t>(take)].letter](const Outcome<Result>& made) {
            if (!made.value) return emit message(said(made.problem));
            document_.setSeveral(file, made.value->settings,
                                 "equal " + what.toStdString() + " noise, after " + std::string(1, letter));
            const bool here = document_.photo() && document_.photo()->file.string() == file;
            emit message((here ? QString() : QString::fromStdString(shownName(file)) + QStringLiteral(": ")) +
                         tr("Equal %1 noise: %2.").arg(what, made.value->text));
        });
}

} // namespace irenic
