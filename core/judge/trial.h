// A blind trial: which of two nameless pictures is liked better, asked until an order of all stands out.
//
// The model is that of R. A. Bradley and M. E. Terry (Biometrika 39, 1952) with ties after R. R. Davidson
// (J. American Statistical Association 65, 1970): of pictures with the worths p and q the first is preferred
// with the probability p / (p + q + v sqrt(p q)), neither with v sqrt(p q) / (p + q + v sqrt(p q)).
#pragma once

#include <cstdint>
#include <span>
#include <utility>
#include <vector>

namespace irenic {

enum class Preferred { First, Second, Neither };

struct TrialAnswer {
    int first = 0, second = 0; // of the pictures, from 0
    Preferred preferred = Preferred::Neither;
    friend bool operator==(const TrialAnswer&, const TrialAnswer&) = default;
};

struct TrialRanking {
    std::vector<double> worth; // logarithms, of each picture; their mean is 0
    std::vector<int> order;    // the pictures, the most liked first
    // For each of the order but the last: how likely it is that it really stands above the next; 0.5: a toss.
    std::vector<double> sure;
    // The least of them: how likely the whole order's weakest step is right. 1 where there is but one
    // picture.
    double leastSure() const;
};

// `pictures` is at least 1; the answers' pictures are among them, and never one against itself.
TrialRanking rankingOf(int pictures, std::span<const TrialAnswer> answers);

// The two whose order the answers leave most in doubt, in the order in which they are to be shown; where
// several are alike, which of them `seed` decides. There are at least two pictures.
std::pair<int, int> nextPair(int pictures, std::span<const TrialAnswer> answers, std::uint32_t seed);

} // namespace irenic
