#include "base/work.h"

#include <malloc.h>

#include <oneapi/tbb/blocked_range.h>
#include <oneapi/tbb/parallel_for.h>

#include "base/expects.h"

namespace irenic {

void keepFreedMemory() {
    mallopt(M_MMAP_THRESHOLD, 1 << 26);
    mallopt(M_TRIM_THRESHOLD, 1 << 28);
    mallopt(M_TOP_PAD, 1 << 24);
}

void forEachBand(int rows, int atLeast, const Work& work, const std::function<void(int, int)>& body) {
    IRENIC_EXPECTS(rows >= 0 && atLeast > 0);
    tbb::parallel_for(tbb::blocked_range<int>(0, rows, static_cast<std::size_t>(atLeast)),
                      [&](const tbb::blocked_range<int>& range) {
                          work.check();
                          body(range.begin(), range.end());
                      });
}

} // namespace irenic
