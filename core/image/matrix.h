// 3x3 matrices and 3-vectors for colour, in double precision, row-major.
#pragma once

#include <array>
#include <cmath>

namespace irenic {

using Vector3 = std::array<double, 3>;
using Matrix3 = std::array<double, 9>;

inline constexpr Matrix3 kIdentity3 = {1, 0, 0, 0, 1, 0, 0, 0, 1};

inline Vector3 operator*(const Matrix3& m, const Vector3& v) {
    return {m[0] * v[0] + m[1] * v[1] + m[2] * v[2], m[3] * v[0] + m[4] * v[1] + m[5] * v[2],
            m[6] * v[0] + m[7] * v[1] + m[8] * v[2]};
}

inline Matrix3 operator*(const Matrix3& a, const Matrix3& b) {
    Matrix3 out{};
    for (std::size_t r = 0; r < 3; ++r)
        for (std::size_t c = 0; c < 3; ++c)
            for (std::size_t k = 0; k < 3; ++k) out[3 * r + c] += a[3 * r + k] * b[3 * k + c];
    return out;
}

inline Matrix3 diagonal(const Vector3& v) { return {v[0], 0, 0, 0, v[1], 0, 0, 0, v[2]}; }

// The inverse; all zeros when the matrix is singular.
inline Matrix3 inverse(const Matrix3& m) {
    const double c0 = m[4] * m[8] - m[5] * m[7], c1 = m[5] * m[6] - m[3] * m[8],
                 c2 = m[3] * m[7] - m[4] * m[6];
    const double det = m[0] * c0 + m[1] * c1 + m[2] * c2;
    if (std::abs(det) < 1e-14) return {};
    const double s = 1.0 / det;
    return {c0 * s, (m[2] * m[7] - m[1] * m[8]) * s, (m[1] * m[5] - m[2] * m[4]) * s,
            c1 * s, (m[0] * m[8] - m[2] * m[6]) * s, (m[2] * m[3] - m[0] * m[5]) * s,
            c2 * s, (m[1] * m[6] - m[0] * m[7]) * s, (m[0] * m[4] - m[1] * m[3]) * s};
}

} // namespace irenic
