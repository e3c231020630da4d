// How different two colours look, by Little CMS. For tests and benches.
#pragma once

#include <lcms2.h>

#include "image/matrix.h"

namespace irenic::test {

// XYZ under D50, 1 being white, to CIE L*a*b* (CIE 15:2004).
inline Vector3 labOf(const Vector3& xyz) {
    const cmsCIEXYZ from{xyz[0], xyz[1], xyz[2]};
    cmsCIELab lab;
    cmsXYZ2Lab(cmsD50_XYZ(), &lab, &from);
    return {lab.L, lab.a, lab.b};
}

// CIEDE2000 of two L*a*b* colours (CIE 142:2001). About 1 is what can just be seen side by side.
inline double ciede2000(const Vector3& p, const Vector3& q) {
    const cmsCIELab a{p[0], p[1], p[2]}, b{q[0], q[1], q[2]};
    return cmsCIE2000DeltaE(&a, &b, 1, 1, 1);
}

} // namespace irenic::test
