// Does a sheet cost the same whatever the photo's size? Four columns and three rows at 100 % of a 12 MP and
// of a 48 MP photo, in turn, in one run; prints the ratio of the medians.
#include <algorithm>
#include <chrono>
#include <cstdio>

#include "develop/render.h"
#include "sensor.h"

using namespace irenic;

namespace {

Photo grey(int width, int height) {
    std::array<Plane, 3> light = {Plane(width, height), Plane(width, height), Plane(width, height)};
    for (Plane& p : light)
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                p.at(x, y) = 0.05f + 0.2f * static_cast<float>((x / 40 + y / 40) % 3);
    Shot shot;
    shot.iso = 12800;
    return takePhoto(exposeMosaic(light, {}, shot), {}, shot);
}

double sheetSeconds(const Photo& photo) {
    const auto begun = std::chrono::steady_clock::now();
    const Settings takes[] = {
        Settings::original(), {"bm3d", 1, 1, 0, 0}, {"nlm", 1, 1, 0, 0}, {"wavelet", 1, 1, 0, 0}};
    for (int row = 0; row < 3; ++row)
        for (const Settings& take : takes)
            render(recipeOf(photo, take, {}),
                   {photo.width() / 5 * (row + 1), photo.height() / 5 * (row + 1), 250, 200}, 1);
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
}

} // namespace

int main() {
    keepFreedMemory();
    const Photo small = grey(4000, 3000), large = grey(8000, 6000);
    std::vector<double> a, b;
    for (int i = 0; i < 7; ++i) {
        a.push_back(sheetSeconds(small));
        b.push_back(sheetSeconds(large));
    }
    std::sort(a.begin(), a.end());
    std::sort(b.begin(), b.end());
    std::printf("sheet of 4 x 3 cells at 100 %%: 12 MP %.2f s, 48 MP %.2f s, ratio %.3f\n", a[3], b[3],
                b[3] / a[3]);
}
