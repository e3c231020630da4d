#include "judge/difference.h"

#include <cmath>

namespace irenic {

Vector3 labOf(const Vector3& xyz) {
    const auto f = [](double t) { return t > 216.0 / 24389 ? std::cbrt(t) : (24389.0 / 27 * t + 16) / 116; };
    const double x = f(xyz[0] / 0.9642), y = f(xyz[1]), z = f(xyz[2] / 0.8249);
    return {116 * y - 16, 500 * (x - y), 200 * (y - z)};
}

double ciede2000(const Vector3& p, const Vector3& q) {
    constexpr double deg = M_PI / 180, p25 = 6103515625.0;
    const double c1 = std::hypot(p[1], p[2]), c2 = std::hypot(q[1], q[2]), cm = (c1 + c2) / 2;
    const double g = 0.5 * (1 - std::sqrt(std::pow(cm, 7) / (std::pow(cm, 7) + p25)));
    const double a1 = p[1] * (1 + g), a2 = q[1] * (1 + g), d1 = std::hypot(a1, p[2]),
                 d2 = std::hypot(a2, q[2]);
    const auto hue = [](double b, double a) {
        const double h = std::atan2(b, a);
        return h < 0 ? h + 2 * M_PI : h;
    };
    const double h1 = d1 > 0 ? hue(p[2], a1) : 0, h2 = d2 > 0 ? hue(q[2], a2) : 0;
    double dh = h2 - h1;
    if (d1 * d2 == 0)
        dh = 0;
    else if (dh > M_PI)
        dh -= 2 * M_PI;
    else if (dh < -M_PI)
        dh += 2 * M_PI;
    const double dl = q[0] - p[0], dc = d2 - d1, dH = 2 * std::sqrt(d1 * d2) * std::sin(dh / 2);
    const double l = (p[0] + q[0]) / 2, c = (d1 + d2) / 2;
    double h = h1 + h2;
    if (d1 * d2 != 0)
        h = std::abs(h1 - h2) <= M_PI ? h / 2 : h < 2 * M_PI ? (h + 2 * M_PI) / 2 : (h - 2 * M_PI) / 2;
    const double t = 1 - 0.17 * std::cos(h - 30 * deg) + 0.24 * std::cos(2 * h) +
                     0.32 * std::cos(3 * h + 6 * deg) - 0.20 * std::cos(4 * h - 63 * deg);
    const double sl = 1 + 0.015 * (l - 50) * (l - 50) / std::sqrt(20 + (l - 50) * (l - 50)),
                 sc = 1 + 0.045 * c, sh = 1 + 0.015 * c * t;
    const double turn = 30 * deg * std::exp(-std::pow((h / deg - 275) / 25, 2));
    const double rt = -2 * std::sqrt(std::pow(c, 7) / (std::pow(c, 7) + p25)) * std::sin(2 * turn);
    return std::sqrt(std::pow(dl / sl, 2) + std::pow(dc / sc, 2) + std::pow(dH / sh, 2) +
                     rt * (dc / sc) * (dH / sh));
}

} // namespace irenic
