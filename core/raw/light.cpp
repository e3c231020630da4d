#include "raw/light.h"

#include <algorithm>
#include <cmath>
#include <iterator>

#include "base/expects.h"

namespace irenic {

namespace {

// Robertson's table: reciprocal megakelvin, u, v and slope of the isotemperature lines.
constexpr double kLines[][4] = {
    {0, 0.18006, 0.26352, -0.24341},   {10, 0.18066, 0.26589, -0.25479},  {20, 0.18133, 0.26846, -0.26876},
    {30, 0.18208, 0.27119, -0.28539},  {40, 0.18293, 0.27407, -0.30470},  {50, 0.18388, 0.27709, -0.32675},
    {60, 0.18494, 0.28021, -0.35156},  {70, 0.18611, 0.28342, -0.37915},  {80, 0.18740, 0.28668, -0.40955},
    {90, 0.18880, 0.28997, -0.44278},  {100, 0.19032, 0.29326, -0.47888}, {125, 0.19462, 0.30141, -0.58204},
    {150, 0.19962, 0.30921, -0.70471}, {175, 0.20525, 0.31647, -0.84901}, {200, 0.21142, 0.32312, -1.0182},
    {225, 0.21807, 0.32909, -1.2168},  {250, 0.22511, 0.33439, -1.4512},  {275, 0.23247, 0.33904, -1.7298},
    {300, 0.24010, 0.34308, -2.0637},  {325, 0.24792, 0.34655, -2.4681},  {350, 0.25591, 0.34951, -2.9641},
    {375, 0.26400, 0.35200, -3.5814},  {400, 0.27218, 0.35407, -4.3633},  {425, 0.28039, 0.35577, -5.3762},
    {450, 0.28863, 0.35714, -6.7262},  {475, 0.29685, 0.35823, -8.5955},  {500, 0.30505, 0.35907, -11.324},
    {525, 0.31320, 0.35968, -15.628},  {550, 0.32129, 0.36011, -23.325},  {575, 0.32931, 0.36038, -40.770},
    {600, 0.33724, 0.36051, -116.45}};

} // namespace

double temperatureOf(double x, double y) {
    const double u = 4 * x / (-2 * x + 12 * y + 3), v = 6 * y / (-2 * x + 12 * y + 3);
    double before = 0;
    for (std::size_t i = 0; i < std::size(kLines); ++i) {
        const auto& l = kLines[i];
        const double distance = ((v - l[2]) - l[3] * (u - l[1])) / std::sqrt(1 + l[3] * l[3]);
        if (distance <= 0 && i > 0) {
            const double share = before / (before - distance),
                         mired = kLines[i - 1][0] + share * (l[0] - kLines[i - 1][0]);
            return 1e6 / std::max(mired, 1.0);
        }
        before = distance;
    }
    return 1e6 / kLines[std::size(kLines) - 1][0];
}

std::array<double, 2> lightUv(double mired, double tint) {
    IRENIC_EXPECTS(mired > 0);
    std::size_t i = 1;
    while (i + 1 < std::size(kLines) && kLines[i][0] < mired) ++i;
    const double *a = kLines[i - 1], *b = kLines[i], t = std::clamp((mired - a[0]) / (b[0] - a[0]), 0.0, 1.0);
    // Along the isotemperature line, upwards.
    const auto direction = [](const double* line) {
        const double length = std::hypot(1.0, line[3]);
        return std::array<double, 2>{-1 / length, -line[3] / length};
    };
    const auto da = direction(a), db = direction(b);
    double du = (1 - t) * da[0] + t * db[0], dv = (1 - t) * da[1] + t * db[1];
    const double length = std::hypot(du, dv), d = tint / 1000;
    return {(1 - t) * a[1] + t * b[1] + d * du / length, (1 - t) * a[2] + t * b[2] + d * dv / length};
}

double temperatureOfLightSource(int code) {
    switch (code) {
    case 3:
    case 17: return 2850; // tungsten, standard light A
    case 24: return 3200; // studio tungsten
    case 15: return 3450; // white fluorescent
    case 2:
    case 14: return 4150; // fluorescent, cool white
    case 13:
    case 18:
    case 23: return 5000; // day white, B, D50
    case 1:
    case 4:
    case 9:
    case 20: return 5500; // daylight, flash, fine weather, D55
    case 12: return 6400; // daylight fluorescent
    case 11:
    case 22: return 7500; // shade, D75
    default: return 6500; // cloudy, C, D65, unknown
    }
}

} // namespace irenic
