#include "raw/opcodes.h"

#include <bit>
#include <cmath>
#include <stdexcept>

namespace irenic {

namespace {

// Opcode lists are big-endian in every file.
class Bytes {
  public:
    Bytes(const std::uint8_t* from, std::size_t size) : at_(from), end_(from + size) {}
    std::uint32_t word() {
        need(4);
        const std::uint32_t v = static_cast<std::uint32_t>(at_[0]) << 24 |
                                static_cast<std::uint32_t>(at_[1]) << 16 |
                                static_cast<std::uint32_t>(at_[2]) << 8 | at_[3];
        at_ += 4;
        return v;
    }
    int integer() {
        const std::uint32_t v = word();
        if (v > 1u << 24u) throw std::out_of_range("opcode");
        return static_cast<int>(v);
    }
    float single() { return std::bit_cast<float>(word()); }
    double real() {
        const std::uint64_t high = word();
        const auto v = std::bit_cast<double>(high << 32 | word());
        if (!std::isfinite(v)) throw std::out_of_range("opcode");
        return v;
    }
    void mustHold(std::uint64_t count) const {
        if (static_cast<std::uint64_t>(end_ - at_) < count) throw std::out_of_range("opcode");
    }
    Bytes part(std::size_t size) {
        need(size);
        at_ += size;
        return {at_ - size, size};
    }

  private:
    void need(std::size_t n) const {
        if (static_cast<std::size_t>(end_ - at_) < n) throw std::out_of_range("opcode");
    }
    const std::uint8_t *at_, *end_;
};

constexpr std::uint32_t kWarpRectilinear = 1, kFixVignetteRadial = 3, kFixBadPixelsConstant = 4,
                        kFixBadPixelsList = 5, kGainMap = 9;

// Numbers that are larger than any lens could want are damage, and would run over later.
constexpr double kMostWarp = 100, kMostVignetting = 1e4, kMostShares = 10;
double realWithin(Bytes& b, double most) {
    const double v = b.real();
    if (std::abs(v) > most) throw std::out_of_range("opcode");
    return v;
}

GainMap gainMapFrom(Bytes& b, const Photo& photo) {
    GainMap map;
    const int top = b.integer(), left = b.integer(), bottom = b.integer(), right = b.integer();
    map.area = {left, top, right - left, bottom - top};
    b.integer(), b.integer(); // planes: a mosaic has one
    map.rowPitch = std::max(1, b.integer()), map.columnPitch = std::max(1, b.integer());
    map.rows = b.integer(), map.columns = b.integer();
    const double stepY = realWithin(b, kMostShares), stepX = realWithin(b, kMostShares);
    map.originY = realWithin(b, kMostShares) * photo.height(),
    map.originX = realWithin(b, kMostShares) * photo.width();
    map.stepY = stepY * photo.height(), map.stepX = stepX * photo.width();
    const int planes = b.integer();
    if (map.rows < 1 || map.columns < 1 || planes < 1 || map.rows > 4096 || map.columns > 4096)
        throw std::out_of_range("gain map");
    // Of a single row or column the step means nothing; else it leads on, by no less than a hundredth of a
    // pixel.
    if (map.rows == 1) map.stepY = 1;
    if (map.columns == 1) map.stepX = 1;
    if (!(map.stepX > 0.01) || !(map.stepY > 0.01)) throw std::out_of_range("gain map");
    b.mustHold(static_cast<std::uint64_t>(map.rows) * static_cast<std::uint64_t>(map.columns) *
               static_cast<std::uint64_t>(planes) * 4);
    for (int i = 0; i < map.rows * map.columns; ++i) {
        const float v = b.single();
        if (!std::isfinite(v)) throw std::out_of_range("gain map");
        map.gain.push_back(v);
        for (int p = 1; p < planes; ++p) b.word();
    }
    return map;
}

// Bad pixels one by one and in rectangles. A list that names more than a fiftieth of the photo is no list of
// defects.
void readBadPixels(Bytes& b, const Photo& photo, Opcodes& out) {
    b.word(); // where the pattern begins: known already
    const int points = b.integer(), rects = b.integer();
    const std::uint64_t most = static_cast<std::uint64_t>(photo.active.area()) / 50 + 16;
    b.mustHold(static_cast<std::uint64_t>(points) * 8 + static_cast<std::uint64_t>(rects) * 16);
    std::uint64_t count = static_cast<std::uint64_t>(points);
    const auto check = [&] {
        if (count + out.badPixels.size() > most) throw std::out_of_range("bad pixels");
    };
    check();
    const Rect frame = photo.active;
    std::vector<std::array<int, 2>> found;
    for (int k = 0; k < points; ++k) {
        const int row = b.integer(), column = b.integer();
        found.push_back({column - frame.x, row - frame.y});
    }
    for (int k = 0; k < rects; ++k) {
        const int top = b.integer(), left = b.integer(), bottom = b.integer(), right = b.integer();
        const Rect bad = Rect{left, top, right - left, bottom - top}.intersected(frame);
        count += static_cast<std::uint64_t>(bad.area());
        check();
        for (int y = bad.y; y < bad.bottom(); ++y)
            for (int x = bad.x; x < bad.right(); ++x) found.push_back({x - frame.x, y - frame.y});
    }
    out.badPixels.insert(out.badPixels.end(), found.begin(), found.end());
}

void readList(const std::vector<std::uint8_t>& bytes, const Photo& photo, Opcodes& out) {
    Bytes list(bytes.data(), bytes.size());
    const std::uint32_t count = list.word();
    // Each has a head of 16 bytes at least.
    list.mustHold(std::uint64_t{count} * 16);
    for (std::uint32_t i = 0; i < count; ++i) {
        const std::uint32_t id = list.word();
        list.word(); // version
        const bool optional = list.word() & 1u;
        Bytes b = list.part(list.word());
        if (id == kWarpRectilinear) {
            std::vector<RadialWarp> warp(static_cast<std::size_t>(std::min(3, std::max(1, b.integer()))));
            for (RadialWarp& w : warp) {
                for (double& k : w.radial) k = realWithin(b, kMostWarp);
                for (double& k : w.tangential) k = realWithin(b, kMostWarp);
            }
            out.warpX = realWithin(b, 1), out.warpY = realWithin(b, 1);
            out.warp = std::move(warp);
        } else if (id == kFixVignetteRadial) {
            std::array<double, 5> k{};
            for (double& v : k) v = realWithin(b, kMostVignetting);
            out.vignetteX = realWithin(b, 1), out.vignetteY = realWithin(b, 1);
            out.vignette.push_back(k);
        } else if (id == kGainMap) {
            out.gains.push_back(gainMapFrom(b, photo));
        } else if (id == kFixBadPixelsConstant) {
            out.badConstant = b.integer();
        } else if (id == kFixBadPixelsList) {
            readBadPixels(b, photo, out);
        } else if (!optional) {
            ++out.unknown;
        }
    }
}

} // namespace

float GainMap::at(int x, int y) const {
    if (x < area.x || y < area.y || x >= area.right() || y >= area.bottom() ||
        (x - area.x) % columnPitch != 0 || (y - area.y) % rowPitch != 0)
        return 1;
    const double u = std::clamp((x - originX) / stepX, 0.0, columns - 1.0),
                 v = std::clamp((y - originY) / stepY, 0.0, rows - 1.0);
    const int i = std::min(static_cast<int>(u), std::max(0, columns - 2)),
              j = std::min(static_cast<int>(v), std::max(0, rows - 2));
    const auto g = [&](int c, int r) {
        return gain[static_cast<std::size_t>(std::min(r, rows - 1) * columns + std::min(c, columns - 1))];
    };
    const auto fx = static_cast<float>(u - i), fy = static_cast<float>(v - j);
    return (1 - fy) * ((1 - fx) * g(i, j) + fx * g(i + 1, j)) +
           fy * ((1 - fx) * g(i, j + 1) + fx * g(i + 1, j + 1));
}

Opcodes opcodesOf(const Photo& photo) {
    Opcodes out;
    for (const std::uint16_t tag : {0xc740, 0xc741, 0xc74e}) {
        const TagEntry* list = photo.metadata.dng(tag);
        if (!list || list->bytes.size() < 4) continue;
        const Opcodes before = out;
        try {
            readList(list->bytes, photo, out);
        } catch (const std::out_of_range&) {
            out = before;
            ++out.unknown;
        }
    }
    return out;
}

} // namespace irenic
