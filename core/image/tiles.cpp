#include "image/tiles.h"

#include <oneapi/tbb/blocked_range.h>
#include <oneapi/tbb/parallel_for.h>

#include "base/expects.h"

namespace irenic {

void forEachTile(const Rect& area, int size, const Work& work, const std::function<void(const Rect&)>& body) {
    IRENIC_EXPECTS(size > 0);
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

} // namespace irenic
