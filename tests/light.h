// Views of the mill without noise, as linear sRGB. Rendering one takes seconds, so tests that ctest runs
// share them: ctest names the folder and empties it before it starts (tests/CMakeLists.txt).
#pragma once

#include <QDir>
#include <QFile>
#include <QSaveFile>
#include <map>
#include <tuple>

#include "scenes.h"

namespace irenic::test {

inline std::array<Plane, 3> renderedLight(Scene view, int width, int height) {
    if (!qEnvironmentVariableIsSet("IRENIC_TEST_LIGHT")) return renderScene(view, width, height);
    const QString folder = qEnvironmentVariable("IRENIC_TEST_LIGHT");
    const QString path =
        QStringLiteral("%1/%2-%3x%4").arg(folder).arg(static_cast<int>(view)).arg(width).arg(height);
    std::array<Plane, 3> light = {Plane(width, height), Plane(width, height), Plane(width, height)};
    const auto eachRow = [&](const auto& move) {
        for (Plane& plane : light)
            for (int y = 0; y < height; ++y)
                if (!move(reinterpret_cast<char*>(plane.row(y)), width * qint64(sizeof(float)))) return false;
        return true;
    };
    QFile known(path);
    if (known.open(QFile::ReadOnly) &&
        eachRow([&](char* row, qint64 bytes) { return known.read(row, bytes) == bytes; }))
        return light;
    light = renderScene(view, width, height);
    QSaveFile out(path); // whole or not at all: another test may be reading
    if (QDir().mkpath(folder) && out.open(QFile::WriteOnly) &&
        eachRow([&](char* row, qint64 bytes) { return out.write(row, bytes) == bytes; }))
        out.commit();
    return light;
}

// Kept for as long as the test runs.
inline const std::array<Plane, 3>& lightOf(Scene view, int width, int height) {
    static std::map<std::tuple<Scene, int, int>, std::array<Plane, 3>> known;
    auto& light = known[{view, width, height}];
    if (light[0].empty()) light = renderedLight(view, width, height);
    return light;
}

} // namespace irenic::test
