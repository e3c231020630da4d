#include "develop/picture_store.h"

#include <cmath>

#include "develop/demosaic.h"

namespace irenic {

namespace {

Block<std::uint8_t> planesOf(const Picture& p, const Rect& area) {
    Block<std::uint8_t> out(area, 3);
    for (int y = 0; y < area.height; ++y) {
        const std::uint8_t* from = p.rgb.data() + static_cast<std::ptrdiff_t>(y) * p.width * 3;
        for (int x = 0; x < area.width; ++x)
            for (std::size_t c = 0; c < 3; ++c) out.plane[c].at(x, y) = from[3 * x + static_cast<int>(c)];
    }
    return out;
}

// Each pixel a square of `scale`.
Picture magnified(const Block<std::uint8_t>& in, int scale) {
    Picture out;
    out.width = in.area.width * scale, out.height = in.area.height * scale;
    out.rgb.resize(static_cast<std::size_t>(out.width) * static_cast<std::size_t>(out.height) * 3);
    const std::ptrdiff_t line = static_cast<std::ptrdiff_t>(out.width) * 3;
    for (int y = 0; y < in.area.height; ++y) {
        std::uint8_t* const first = out.rgb.data() + line * y * scale;
        std::uint8_t* to = first;
        for (int x = 0; x < in.area.width; ++x)
            for (int k = 0; k < scale; ++k)
                for (std::size_t c = 0; c < 3; ++c) *to++ = in.plane[c].at(x, y);
        for (int k = 1; k < scale; ++k) std::copy(first, first + line, first + line * k);
    }
    return out;
}

} // namespace

Picture PictureStore::get(const Photo& photo, const Settings& settings, const Look& look, const Rect& area,
                          const Shown& as, const Work& work) {
    if (!(as.zoom >= 1)) return renderRegion(photo, settings, look, area, as, work, &cleaned_);
    const Source source{digestOf(photo), photo.noise, settings, look, as.push};
    Block<std::uint8_t> all(area, 3);
    const Rect whole{0, 0, photo.width(), photo.height()};
    const std::vector<Rect> missing = pictures_.fetch(source, all, whole, demosaicMargin(look.demosaic));
    double pixels = 0, done = 0;
    for (const Rect& r : missing) pixels += static_cast<double>(r.area());
    for (const Rect& r : missing) {
        const double next = done + static_cast<double>(r.area());
        const Picture p = renderRegion(photo, settings, look, r, {1, as.push},
                                       work.part(done / pixels, next / pixels), &cleaned_);
        done = next;
        const Block<std::uint8_t> block = planesOf(p, r);
        pictures_.keep(source, block, whole);
        all.take(block);
    }
    work.report(1);
    return magnified(all, static_cast<int>(std::lround(as.zoom)));
}

} // namespace irenic
