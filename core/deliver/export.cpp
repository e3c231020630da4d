#include "deliver/export.h"

#include "base/digest.h"
#include "base/expects.h"
#include "base/safe_file.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "deliver/edits.h"
#include "deliver/formats.h"

namespace irenic {

namespace fs = std::filesystem;

fs::path freeName(const fs::path& path) {
    fs::path candidate = path;
    std::error_code unknown; // a name that cannot be asked for is for the writer to refuse
    for (int n = 2; fs::exists(fs::symlink_status(candidate, unknown)); ++n)
        candidate =
            path.parent_path() / (path.stem().string() + "-" + std::to_string(n) + path.extension().string());
    return candidate;
}

namespace {

std::optional<EditsElsewhere> editsFor(const Export& what) {
    const bool follow = formatOf(what.delivery.format).raw && what.delivery.edits != EditsTo::Nowhere;
    return follow ? editsBeside(*what.recipe.photo) : std::nullopt;
}

std::string markOf(const Export& what, const std::optional<EditsElsewhere>& edits) {
    // Where it goes and how it is called says nothing of what is in it.
    Delivery content = what.delivery;
    content.folder = Delivery{}.folder, content.name = Delivery{}.name,
    content.conflict = Delivery{}.conflict;
    Recipe recipe = what.recipe;
    if (what.recommended) recipe.settings = Settings::original();
    Digest digest;
    digest.add(idOf(recipe).text), digest.add(what.recommended), digest.add(textOf(content));
    if (what.handback) digest.add(true);
    // Those of 8 bits were not dithered once.
    const bool isRaw = formatOf(content.format).raw;
    if (content.format == ExportFormat::Jpeg || (!isRaw && content.bits == 8)) digest.add("dithered");
    if (edits) digest.add(edits->packet); // edits that changed make another file
    return digest.text();
}

} // namespace

std::string markOf(const Export& what) {
    IRENIC_EXPECTS(what.recipe.photo);
    return markOf(what, editsFor(what));
}

LeftOut exportFile(const Export& what, const fs::path& to, const Work& work,
                   const std::function<void(const fs::path&)>& ready) {
    IRENIC_EXPECTS(what.recipe.photo);
    const Photo& photo = *what.recipe.photo;
    const Format& format = formatOf(what.delivery.format);
    const std::string name = shownName(to);
    const auto fail = [&](const std::string& why) -> LeftOut { throw ExportError(name + ": " + why); };
    std::error_code error;
    const fs::path target = fs::absolute(to, error);
    const bool isOwn = fs::equivalent(target, photo.file, error) || target == fs::absolute(photo.file, error);
    if (isOwn && !(what.handback && photo.developed))
        fail(IRENIC_TEXT(
            "this is the original photo, which is never overwritten. Choose another name or folder."));
    if (format.raw && photo.developed)
        fail(IRENIC_TEXT("a developed picture cannot become a raw again. Export it as a TIFF."));
    if (const std::string problem = problemWith(what.recipe.settings); !problem.empty()) fail(problem + ".");
    if (const std::string problem = problemWith(what.delivery); !problem.empty()) fail(problem);
    fs::create_directories(target.parent_path(), error);
    if (error)
        fail(
            filled(IRENIC_TEXT("its folder cannot be made (%1). Choose another folder."), {error.message()}));
    try {
        const bool replace = what.delivery.conflict == Conflict::Replace || isOwn;
        SafeFile file(target, replace ? SafeFile::Existing::Replace : SafeFile::Existing::Keep,
                      isOwn ? SafeFile::MayReplace{} : isMadeByIrenic);
        const std::optional<EditsElsewhere> edits = editsFor(what);
        const bool inside = edits && what.delivery.edits != EditsTo::Beside;
        const XmpNote xmp = xmpOf(photo, format.mediaType, what.recipe.settings, what.recipe.look, what.risk,
                                  markOf(what, edits), inside ? std::optional(edits->packet) : std::nullopt);
        LeftOut left = format.write(file.path(), what, xmp, work);
        work.check();
        if (ready) ready(file.path());
        file.commit();
        if (edits) {
            for (std::string& note : takeAlong(*edits, what, target)) left.push_back(std::move(note));
        }
        work.report(1);
        return left;
    } catch (const Cancelled&) {
        throw;
    } catch (const std::bad_alloc&) {
        return fail(IRENIC_TEXT("there is not enough memory to make it."));
    } catch (const std::exception& e) {
        return fail(e.what());
    }
}

} // namespace irenic
