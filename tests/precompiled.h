// The headers that most tests include, compiled once. Every file still includes what it uses.
#pragma once
#include <QTest>

#include "../core/precompiled.h"
