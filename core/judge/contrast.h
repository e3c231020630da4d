// Takes that are nearly as good as another and look most unlike it: what is worth seeing side by side.
#pragma once

#include <vector>

#include "judge/tried.h"

namespace irenic {

// In squared sigmas, the mean square of what is between two trials' pictures.
double differenceOf(const Tried& a, const Tried& b);

// The settings of at most `count` of the trials. Each time it is the one that differs most from `first` and
// from those chosen before, of those with nearly the error of `first` (1 dB). Where none of them differs by
// more than is seen, it is the one with the least error of methods that are not there yet. All are of the
// same places.
std::vector<Settings> contrastsOf(const Tried& first, const std::vector<Tried>& trials, std::size_t count);

} // namespace irenic
