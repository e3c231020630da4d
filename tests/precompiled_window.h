// The headers that most tests of the window include, compiled once. Every file still includes what it uses.
#pragma once
#include <QTest>

#include "../app/precompiled.h"
