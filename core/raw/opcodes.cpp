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
        const std::uint32_t v = static_cast<std::uint32_t>(at_[0]) << 24 | static_cast<std::uint32_t>(at_[1]) << 16 | static_cast<std::uint32_t>(at_[2]) << 8 | at_[3];
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

constexpr std::uint32_t kWarpRectilinear = 1, kFixVignetteRadial = 3, kFixBadPixelsConstant = 4, kFixBadPixelsList = 5, kGainMap = 9;

GainMap gainMapFrom(Bytes& b, const Photo& photo) {
    GainMap map;
    const int top = b.integer(), left = b.integer(), bottom = b.integer(), right = b.integer();
    map.area = {left, top, right - left, bottom - top};
    b.integer(), b.integer(); // planes: a mosaic has one
    map.rowPitch = std::max(1, b.integer()), map.columnPitch = std::max(1, b.integer());
    map.rows = b.integer(), map.columns = b.integer();
    map.stepY = b.real() * photo.height(), map.stepX = b.real() * photo.width();
    map.originY = b.real() * photo.height(), map.originX = b.real() * photo.width();
    const int planes = b.integer();
    if (map.rows < 1 || map.columns < 1 || planes < 1 || map.rows > 4096 || map.columns > 4096) throw std::out_of_range("gain map");
    for (int i = 0; i < map.rows * map.columns; ++i) {
        const float v = b.single();
        if (!std::isfinite(v)) throw std::out_of_range("gain map");
        map.gain.push_back(v);
        for (int p = 1; p < planes; ++p) b.word();
    }
    return map;
}

void readList(const std::vector<std::uint8_t>& bytes, const Photo& photo, Opcodes& out) {
    Bytes list(bytes.data(), bytes.size());
    const std::uint32_t count = list.word();
    for (std::uint32_t i = 0; i < count; ++i) {
        const std::uint32_t id = list.word();
        list.word(); // version
        const bool optional = list.word() & 1u;
        Bytes b = list.part(list.word());
        if (id == kWarpRectilinear) {
            std::vector<RadialWarp> warp(static_cast<std::size_t>(std::min(3, std::max(1, b.integer()))));
            for (RadialWarp& w : warp) {
                for (double& k : w.radial) k = b.real();
                for (double& k : w.tangential) k = b.real();
            }
            out.warpX = b.real(), out.warpY = b.real();
            out.warp = std::move(warp);
        } else if (id == kFixVignetteRadial) {
            std::array<double, 5> k{};
            for (double& v : k) v = b.real();
            out.vignetteX = b.real(), out.vignetteY = b.real();
            out.vignette.push_back(k);
        } else if (id == kGainMap) {
            out.gains.push_back(gainMapFrom(b, photo));
        } else if (id == kFixBadPixelsConstant) {
            out.badConstant = b.integer();
        } else if (id == kFixBadPixelsList) {
            b.word(); // where the pattern begins: known already
            const int points = b.integer(), rects = b.integer();
            const auto add = [&](int row, int column) { out.badPixels.push_back({column - photo.active.x, row - photo.active.y}); };
            for (int k = 0; k < points; ++k) {
                const int row = b.integer();
                add(row, b.integer());
            }
            for (int k = 0; k < rects; ++k) {
                const int top = b.integer(), left = b.integer(), bottom = std::min(b.integer(), photo.rawHeight), right = std::min(b.integer(), photo.rawWidth);
                for (int y = top; y < bottom; ++y)
                    for (int x = left; x < right; ++x) add(y, x);
            }
        } else if (!optional) {
            ++out.unknown;
        }
    }
}

} // namespace

float GainMap::at(int x, int y) const {
    if (x < area.x || y < area.y || x >= area.right() || y >= area.bottom() || (x - area.x) % columnPitch != 0 || (y - area.y) % rowPitch != 0) return 1;
    const double u = std::clamp((x - originX) / stepX, 0.0, columns - 1.0), v = std::clamp((y - originY) / stepY, 0.0, rows - 1.0);
    const int i = std::min(static_cast<int>(u), std::max(0, columns - 2)), j = std::min(static_cast<int>(v), std::max(0, rows - 2));
    const auto g = [&](int c, int r) { return gain[static_cast<std::size_t>(std::min(r, rows - 1) * columns + std::min(c, columns - 1))]; };
    const auto fx = static_cast<float>(u - i), fy = static_cast<float>(v - j);
    return (1 - fy) * ((1 - fx) * g(i, j) + fx * g(i + 1, j)) + fy * ((1 - fx) * g(i, j + 1) + fx * g(i + 1, j + 1));
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
