#include "queue/deliver_once.h"

#include "base/claim.h"
#include "base/expects.h"
#include "base/safe_file.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "deliver/export.h"
#include "deliver/xmp.h"
#include "judge/probes.h"

namespace irenic {

namespace fs = std::filesystem;

namespace {

// Under the delivery's name, with conflicts solved as it says. Throws ExportError where the name is taken and
// must not be.
fs::path placeFor(const ExportRequest& request, NameParts parts) {
    const bool versions = request.delivery.name.find("{version}") != std::string::npos;
    for (;; ++parts.version) {
        fs::path target = targetOf(request.delivery, parts);
        std::error_code unknown;
        const bool taken = fs::exists(fs::symlink_status(target, unknown));
        if (!taken || request.delivery.conflict == Conflict::Replace) return target;
        if (request.delivery.conflict == Conflict::Refuse)
            throw ExportError(filled(
                IRENIC_TEXT("%1 was not exported: the file exists. Choose another name or use --overwrite."),
                {shownName(target)}));
        if (!versions) return freeName(target);
    }
}

} // namespace

NameParts namePartsOf(const ExportRequest& request, const Photo& photo, const Settings& settings) {
    NameParts parts;
    parts.original = request.photo, parts.letter = request.letter, parts.take = request.take,
    parts.method = settings.method;
    parts.iso = photo.iso, parts.taken = photo.taken, parts.counter = request.counter;
    return parts;
}

std::optional<Delivered> deliverOnce(const ExportRequest& request, const Photo& photo,
                                     std::optional<Recommendation>& measured, const fs::path& output,
                                     const Work& work,
                                     const std::function<void(const fs::path&, const std::string&)>& naming) {
    IRENIC_EXPECTS(!request.photo.empty() || !output.empty());
    Export what{recipeOf(photo, request.settings.value_or(Settings::original()), request.look),
                request.delivery, request.risk, !request.settings};
    const std::string mark = markOf(what);
    const NameParts parts = namePartsOf(request, photo, what.recipe.settings);
    const fs::path wanted = output.empty() ? targetOf(what.delivery, parts) : output;
    const auto before = [&] { return request.resume && markIn(wanted) == mark; };
    if (before()) {
        // Whoever made it may have died before its claim was gone.
        std::error_code none;
        if (fs::exists(claimOf(wanted), none) && Claim::take(claimOf(wanted)))
            sweepLeftovers(wanted.parent_path());
        return Delivered{wanted, digestOfFile(wanted), what.recipe.settings, true, {}};
    }
    const std::optional<Claim> claim = request.resume ? Claim::take(claimOf(wanted)) : std::nullopt;
    if (request.resume && !claim) return std::nullopt;
    // Whoever held the claim may have finished just before it was free.
    if (before()) return Delivered{wanted, digestOfFile(wanted), what.recipe.settings, true, {}};
    if (!request.settings) {
        if (!measured)
            measured = recommend(photo, what.recipe.look, placeProbes(photo, work), work.part(0, 0.33));
        what.recipe.settings = measured->settings, what.risk = measured->risk;
    }
    Delivered made;
    made.settings = what.recipe.settings;
    made.target =
        output.empty() ? placeFor(request, namePartsOf(request, photo, what.recipe.settings)) : output;
    made.left =
        exportFile(what, made.target, work.part(request.settings ? 0 : 0.33, 1), [&](const fs::path& file) {
            made.digest = digestOfFile(file);
            if (naming) naming(made.target, made.digest);
        });
    return made;
}

} // namespace irenic
