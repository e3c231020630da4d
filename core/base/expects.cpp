#include "base/expects.h"

#include <cstdio>
#include <cstdlib>

namespace irenic {

void brokenPromise(const char* condition, const char* file, int line) {
    std::fprintf(stderr, "%s:%d: the caller has to see to it that %s\n", file, line, condition);
    std::abort();
}

} // namespace irenic
