// The five scenes of the tide mill at night.
#pragma once

#include "stage.h"

namespace irenic::scene {

// `density` 0..1: the share of hairs and fibres, for trial pictures.
Stage millCat(float density);       // asleep on flour sacks by the lantern
Stage quayRope(float density);      // rope, net and corks on a wet sill at blue hour
Stage gearRoom(float density);      // wood and brass by lantern light
Stage starryHarbour(float density); // lamps, reflections and the sky, a long exposure
Stage knittedJersey(float density); // beside painted letters at the window, blue hour

} // namespace irenic::scene
