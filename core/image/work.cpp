#include "image/work.h"

#include <malloc.h>

#include <oneapi/tbb/blocked_range.h>
#include <oneapi/tbb/parallel_for.h>

namespace irenic {

void forEachTile(const Rect& area, int size, const Work& work, const std::function<void(const Rect&)>& body) {
    if (area.empty()) return;
    const Rect grid = area.aligned(size);
    const int across = grid.width / size, count = across * (grid.height / size);
    tbb::parallel_for(tbb::blocked_range<int>(0, count, 1), [&](const tbb::blocked_range<int>& range) {
        for (int i = range.begin(); i != range.end(); ++i) {
            work.check();
            body({grid.x + i % across * size, grid.y + i / across * size, size, size});
        }
    });
}

void keepFreedMemory() {
    mallopt(M_MMAP_THRESHOLD, 1 << 26);
    mallopt(M_TRIM_THRESHOLD, 1 << 28);
    mallopt(M_TOP_PAD, 1 << 24);
}

void forEachBand(int rows, int atLeast, const Work& work, const std::function<void(int, int)>& body) {
    tbb::parallel_for(tbb::blocked_range<int>(0, rows, static_cast<std::size_t>(atLeast)),
                      [&](const tbb::blocked_range<int>& range) {
                          work.check();
                          body(range.begin(), range.end());
                      });
}

} // namespace irenic
