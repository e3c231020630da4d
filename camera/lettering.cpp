#include "lettering.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace irenic::scene {

namespace {

// Strokes as runs of points "xy xy ...", '/' lifts the brush.
const std::map<char, std::string>& strokes() {
    static const std::map<char, std::string> all = {
        {'A', "0026 2640 /0332"},
        {'C', "4536 3616 1605 0501 0110 1030 3041"},
        {'D', "0006 0626 2644 4442 4220 2000"},
        {'E', "4606 0600 0040 /0333"},
        {'F', "4606 0600 /0333"},
        {'G', "4536 3616 1605 0501 0110 1030 3041 4143 4323"},
        {'H', "0006 /4046 /0343"},
        {'I', "2026 /1636 /1030"},
        {'L', "0600 0040"},
        {'M', "0006 0623 2346 4640"},
        {'N', "0006 0640 4046"},
        {'O', "1030 3041 4145 4536 3616 1605 0501 0110"},
        {'R', "0006 0636 3645 4534 3403 /2340"},
        {'S', "4536 3616 1605 0504 0413 1333 3342 4241 4130 3010 1001"},
        {'T', "0646 /2620"},
        {'U', "0601 0110 1030 3041 4146"},
        {'W', "0610 1023 2330 3046"},
        {'K', "0006 /4602 /1340"},
        {'P', "0006 0636 3645 4534 3403"},
        {'.', "1011 /1121"},
        {'0', "1030 3041 4145 4536 3616 1605 0501 0110"},
        {'1', "1526 2620"},
        {'2', "0516 1636 3645 4500 0040"},
        {'3', "0516 1636 3645 4534 3414 /3442 4230 3010 1001"},
        {'4', "3036 3602 0242"},
        {'5', "4606 0603 0333 3342 4241 4130 3000"},
        {'6', "4516 1601 0110 1030 3041 4142 4233 3302"},
        {'7', "0646 4610"},
        {'8', "1333 3344 4445 4536 3616 1605 0504 0413 1302 0201 0110 1030 3041 4142 4233"},
        {'9', "0030 3045 4536 3616 1605 0504 0443"}};
    return all;
}

float segment(float x, float y, float ax, float ay, float bx, float by) {
    const float dx = bx - ax, dy = by - ay;
    const float t = std::clamp(((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy + 1e-9f), 0.0f, 1.0f);
    return std::hypot(x - ax - t * dx, y - ay - t * dy);
}

} // namespace

float strokeDistance(const std::string& text, float x, float y) {
    if (y < -2 || y > 8) return 100;
    float best = 100;
    const int middle = static_cast<int>(std::floor(x / 6));
    for (int i = std::max(0, middle - 1); i <= std::min(static_cast<int>(text.size()) - 1, middle + 1); ++i) {
        const auto found = strokes().find(text[static_cast<std::size_t>(i)]);
        if (found == strokes().end()) continue;
        const float lx = x - 6.0f * static_cast<float>(i);
        const std::string& s = found->second;
        for (std::size_t k = 0; k + 3 < s.size();) {
            if (s[k] == ' ' || s[k] == '/') {
                ++k;
                continue;
            }
            const auto digit = [&](std::size_t at) { return static_cast<float>(s[at] - '0'); };
            best = std::min(best, segment(lx, y, digit(k), digit(k + 1), digit(k + 2), digit(k + 3)));
            k += 4;
        }
    }
    return best;
}

} // namespace irenic::scene
