// How different two colours look.
#pragma once

#include "image/matrix.h"

namespace irenic {

// XYZ under D50, 1 being white, to CIE L*a*b* (CIE 15:2004).
Vector3 labOf(const Vector3& xyzD50);

// CIEDE2000 of two L*a*b* colours (G. Sharma, W. Wu, E. N. Dalal, "The CIEDE2000 color-difference formula",
// Color Research and Application 30(1), 2005). About 1 is what can just be seen side by side.
double ciede2000(const Vector3& p, const Vector3& q);

} // namespace irenic
