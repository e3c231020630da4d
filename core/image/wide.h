// Plain loops compiled twice, for machines with wide vectors and for all others: the same sums in the same
// order.
#pragma once

// Before a function: it, and what becomes part of it.
#if defined(__x86_64__) && defined(__GNUC__) && !defined(__clang__) && !defined(__SANITIZE_ADDRESS__)
#define IRENIC_WIDE __attribute__((target_clones("avx2", "default")))
#else
#define IRENIC_WIDE
#endif
// Before what such a function calls: it becomes part of it.
#define IRENIC_PART inline __attribute__((always_inline))
