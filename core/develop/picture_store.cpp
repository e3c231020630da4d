#include "develop/picture_store.h"

#include <algorithm>
#include <cmath>

#include "base/expects.h"
#include "develop/demosaic.h"

namespace irenic {

namespace {

Block<std::uint16_t> planesOf(const Picture& p, const Rect& area) {
    Block<std::uint16_t> out(area, 3);
    for (int y = 0; y < area.height; ++y) {
        const std::uint16_t* from = p.row(y);
        for (int x = 0; x < area.width; ++x)
            for (std::size_t c = 0; c < 3; ++c) out.plane[c].at(x, y) = *from++;
    }
    return out;
}

Picture pictureOf(const Block<std::uint16_t>& in) {
    Picture out(in.area.width, in.area.height);
    for (int y = 0; y < in.area.height; ++y) {
        std::uint16_t* to = out.row(y);
        for (int x = 0; x < in.area.width; ++x)
            for (std::size_t c = 0; c < 3; ++c) *to++ = in.plane[c].at(x, y);
    }
    return out;
}

} // namespace

Picture PictureStore::get(const Recipe& recipe, const Rect& area, const View& view, const Work& work) {
    IRENIC_EXPECTS(recipe.photo && !area.empty());
    if (!(view.zoom >= 1)) return render(recipe, area, view, {work, &cleaned_});
    const Photo& photo = *recipe.photo;
    const Source source{idOf(recipe), view.push};
    Block<std::uint16_t> all(area, 3);
    const Rect whole = photo.whole();
    std::vector<Rect> missing = pictures_.fetch(source, all, whole, demosaicMargin(recipe.look.demosaic));
    // The eye is in the middle.
    const auto away = [&](const Rect& r) {
        return std::hypot(r.x + r.width / 2.0 - area.x - area.width / 2.0,
                          r.y + r.height / 2.0 - area.y - area.height / 2.0);
    };
    std::sort(missing.begin(), missing.end(),
              [&](const Rect& a, const Rect& b) { return away(a) < away(b); });
    double pixels = 0, done = 0;
    for (const Rect& r : missing) pixels += static_cast<double>(r.area());
    for (const Rect& r : missing) {
        const double next = done + static_cast<double>(r.area());
        const Picture p =
            render(recipe, r, {1, view.push}, {work.part(done / pixels, next / pixels), &cleaned_});
        done = next;
        const Block<std::uint16_t> block = planesOf(p, r);
        pictures_.keep(source, block, whole);
        all.take(block);
    }
    work.report(1);
    return magnified(pictureOf(all), static_cast<int>(std::lround(view.zoom)));
}

std::pair<Picture, std::vector<Rect>> PictureStore::soFar(const Recipe& recipe, const Rect& area,
                                                          const View& view) {
    IRENIC_EXPECTS(recipe.photo && !area.empty());
    if (!(view.zoom >= 1)) return {{}, {area}};
    const Photo& photo = *recipe.photo;
    const Source source{idOf(recipe), view.push};
    Block<std::uint16_t> all(area, 3);
    for (auto& plane : all.plane) plane.fill(0);
    std::vector<Rect> missing = pictures_.fetch(source, all, photo.whole(), 0);
    return {magnified(pictureOf(all), static_cast<int>(std::lround(view.zoom))), std::move(missing)};
}

} // namespace irenic
