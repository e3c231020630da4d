#include "queue/afterwards.h"

#include "base/command.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "judge/take_checks.h"

namespace irenic {

Afterwards afterwards(const ExportRequest& request, const Photo& photo, const Delivered& made,
                      const Work& work) {
    Afterwards out;
    if (request.check) try {
            const std::vector<Finding> findings = checksOf(photo, made.settings, work);
            if (const Finding* worst = worstFinding(findings)) {
                out.worst = *worst;
                out.worst->map = {};
            }
        } catch (const std::invalid_argument& e) {
            out.notes.emplace_back(e.what()); // such a photo cannot be checked
        } catch (const Cancelled&) {
            out.notes.push_back(
                filled(IRENIC_TEXT("%1 was not checked to the end."), {shownName(made.target)}));
        }
    if (request.then.empty()) return out;
    constexpr int kLongest = 300; // seconds: a viewer that was opened stays open
    const std::string problem = runCommand(request.then, made.target, kLongest, work.stop);
    if (!problem.empty()) out.notes.push_back(filled(IRENIC_TEXT("The command after it: %1"), {problem}));
    return out;
}

} // namespace irenic
