// What a cleaned photo kept, lost and added, measured against the photo itself: figures, words, and where to
// look.
//
// What a perfect result leaves is known without knowing the photo: noise that was taken away is as strong as
// the model says, without form, and knows nothing of the picture (A. Buades, B. Coll, J. M. Morel 2005, on
// method noise). Each check measures one way to depart from that; docs/checks.md has definitions, thresholds
// and how they were found.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "judge/check_blocks.h"

namespace irenic {

enum class Grade { Good, Look, Bad };
const char* idOf(Grade grade); // "good", "look", "bad"

// What a check sees in each square of the photo, from the upper left corner: 0 nothing, 1 as much as is bad
// or more.
struct SquareMap {
    int across = 0, down = 0;
    int side = 0;             // of a square, in pixels
    std::vector<float> share; // in reading order; empty: the check has no places
    float at(int x, int y) const {
        return share[static_cast<std::size_t>(y) * static_cast<std::size_t>(across) +
                     static_cast<std::size_t>(x)];
    }
    friend bool operator==(const SquareMap&, const SquareMap&) = default;
};
// In each square the most that any of them sees. All are of one photo.
SquareMap worstOf(const std::vector<SquareMap>& maps);

struct Finding {
    std::string check;           // "noise left", as in the table
    std::optional<double> value; // none where the photo has nothing to tell it by
    std::string unit;
    Grade grade = Grade::Good;
    std::string sentence;     // for a photographer
    std::vector<Rect> places; // of the photo, the worst first; a few
    SquareMap map = {};
    // How bad it is, whatever the check: below 1 is good, from 2 on bad, and each grade grows evenly.
    double severity = 0;
};
// Of a value that is worth a look from `look` on, and bad from `bad` on.
double severityOf(double value, double look, double bad);
Grade gradeOf(double severity);
// The one that is worst; null where there is none.
const Finding* worstFinding(const std::vector<Finding>& findings);

// All checks, in the order of the table. Throws std::invalid_argument where the camera smoothed the raw, of
// which takes alone can be checked; Cancelled.
std::vector<Finding> checksOf(const Photo& photo, const CleanedSource& cleaned, const Work& work = {});
std::vector<Finding> checksOf(const Photo& photo, const CheckBlocks& blocks);

} // namespace irenic
