// Tests wait for what they wait for, not for a clock: a machine may be slow, or busy with something else.
#pragma once

#include <QTest>

#undef QTRY_VERIFY
#undef QTRY_COMPARE
#define QTRY_VERIFY(expression) QTRY_VERIFY_WITH_TIMEOUT(expression, 60000)
#define QTRY_COMPARE(expression, expected) QTRY_COMPARE_WITH_TIMEOUT(expression, expected, 60000)
