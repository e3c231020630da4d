// A plane of samples in memory that starts every row on a 64-byte boundary.
#pragma once

#include <cstddef>
#include <cstdlib>
#include <cstring>
#include <memory>
#include <new>
#include <type_traits>

#include "image/rect.h"

namespace irenic {

// Owns width x height samples. Rows are `stride()` samples apart, padded with at least 16 samples that may
// be read and written but mean nothing, so that vector loops need no scalar tail. Moves are cheap; copies
// are asked for with clone(). Samples are not initialised.
template <class T> class PlaneOf {
    static_assert(std::is_trivially_copyable_v<T>);

  public:
    PlaneOf() = default;
    PlaneOf(int width, int height) : width_(width), height_(height) {
        constexpr std::size_t line = 64 / sizeof(T);
        stride_ =
            static_cast<std::ptrdiff_t>((static_cast<std::size_t>(width) + line + line - 1) / line * line);
        const std::size_t bytes =
            static_cast<std::size_t>(stride_) * static_cast<std::size_t>(height) * sizeof(T);
        if (bytes == 0) return;
        samples_.reset(static_cast<T*>(std::aligned_alloc(64, bytes)));
        if (!samples_) throw std::bad_alloc();
    }

    int width() const { return width_; }
    int height() const { return height_; }
    std::ptrdiff_t stride() const { return stride_; }
    bool empty() const { return width_ == 0 || height_ == 0; }
    T* row(int y) { return samples_.get() + y * stride_; }
    const T* row(int y) const { return samples_.get() + y * stride_; }
    T& at(int x, int y) { return row(y)[x]; }
    T at(int x, int y) const { return row(y)[x]; }
    void fill(T value) {
        for (int y = 0; y < height_; ++y)
            for (std::ptrdiff_t x = 0; x < stride_; ++x) row(y)[x] = value;
    }
    PlaneOf clone() const {
        PlaneOf copy(width_, height_);
        if (!empty())
            std::memcpy(copy.row(0), row(0), static_cast<std::size_t>(stride_ * height_) * sizeof(T));
        return copy;
    }
    // The samples of `area` (inside the plane) as a plane of their own.
    PlaneOf cropped(const Rect& area) const {
        PlaneOf out(area.width, area.height);
        for (int y = 0; y < area.height; ++y)
            std::memcpy(out.row(y), row(area.y + y) + area.x,
                        static_cast<std::size_t>(area.width) * sizeof(T));
        return out;
    }

  private:
    struct Free {
        void operator()(T* p) const { std::free(p); }
    };
    int width_ = 0, height_ = 0;
    std::ptrdiff_t stride_ = 0;
    std::unique_ptr<T, Free> samples_;
};

using Plane = PlaneOf<float>;

} // namespace irenic
