#include "queue/deliver_once.h"

#include "deliver/export.h"
#include "deliver/safe_file.h"
#include "deliver/xmp.h"
#include "measure/probes.h"
#include "queue/claim.h"
#include "raw/text.h"

namespace irenic {

namespace fs = std::filesystem;

namespace {

// Under the delivery's name, with conflicts solved as it says. Throws ExportError where the name is taken and
// must not be.
fs::path placeFor(const JobWish& wish, NameParts parts) {
    const bool versions = wish.delivery.name.find("{version}") != std::string::npos;
    for (;; ++parts.version) {
        fs::path target = targetOf(wish.delivery, parts);
        std::error_code unknown;
        const bool taken = fs::exists(fs::symlink_status(target, unknown));
        if (!taken || wish.delivery.conflict == Conflict::Replace) return target;
        if (wish.delivery.conflict == Conflict::Refuse)
            throw ExportError(shownName(target) +
                              ": a file of that name is there already, and it is not to be replaced.");
        if (!versions) return freeName(target);
    }
}

} // namespace

NameParts namePartsOf(const JobWish& wish, const Photo& photo, const Settings& settings) {
    NameParts parts;
    parts.original = wish.photo, parts.letter = wish.letter, parts.take = wish.take,
    parts.method = settings.method;
    parts.iso = photo.iso, parts.taken = photo.taken, parts.counter = wish.counter;
    return parts;
}

std::optional<Delivered> deliverOnce(const JobWish& wish, const Photo& photo,
                                     std::optional<Recommendation>& measured, const fs::path& output,
                                     const Work& work,
                                     const std::function<void(const fs::path&, const std::string&)>& naming) {
    ExportOrder order;
    order.look = wish.look, order.how = wish.delivery, order.risk = wish.risk;
    if (wish.settings) order.settings = *wish.settings;
    order.mark = markOf(photo, order, !wish.settings);
    const NameParts parts = namePartsOf(wish, photo, order.settings);
    const fs::path wanted = output.empty() ? targetOf(order.how, parts) : output;
    const auto before = [&] { return wish.resume && markIn(wanted) == order.mark; };
    if (before()) {
        // Whoever made it may have died before its claim was gone.
        std::error_code none;
        if (fs::exists(claimOf(wanted), none) && Claim::take(wanted)) sweepLeftovers(wanted.parent_path());
        return Delivered{wanted, digestOfFile(wanted), true};
    }
    const std::optional<Claim> claim = wish.resume ? Claim::take(wanted) : std::nullopt;
    if (wish.resume && !claim) return std::nullopt;
    // Whoever held the claim may have finished just before it was free.
    if (before()) return Delivered{wanted, digestOfFile(wanted), true};
    if (!wish.settings) {
        if (!measured) measured = recommend(photo, placeProbes(photo, work), work.part(0, 0.33));
        order.settings = measured->settings, order.risk = measured->risk;
    }
    order.target = output.empty() ? placeFor(wish, namePartsOf(wish, photo, order.settings)) : output;
    order.overwrite = order.how.conflict == Conflict::Replace;
    Delivered made;
    exportPhoto(photo, order, work.part(wish.settings ? 0 : 0.33, 1), [&](const fs::path& file) {
        made.digest = digestOfFile(file);
        if (naming) naming(order.target, made.digest);
    });
    made.target = order.target;
    return made;
}

} // namespace irenic
