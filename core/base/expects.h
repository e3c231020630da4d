// What callers of a function promise, as its docstring says it: checked in debug builds, in tests and while
// fuzzing, where IRENIC_CHECKS is defined.
#pragma once

namespace irenic {

// Says which promise was broken, and aborts.
[[noreturn]] void brokenPromise(const char* condition, const char* file, int line);

} // namespace irenic

#ifdef IRENIC_CHECKS
#define IRENIC_EXPECTS(...)                                                                                  \
    do {                                                                                                     \
        if (!(__VA_ARGS__)) ::irenic::brokenPromise(#__VA_ARGS__, __FILE__, __LINE__);                       \
    } while (false)
#else
// Looked at by the compiler, so that what only a promise names counts as used; never worked out.
#define IRENIC_EXPECTS(...) static_cast<void>(sizeof(!(__VA_ARGS__)))
#endif
