// Small made-up photos for the tests.
#pragma once

#include <QTemporaryDir>

#include "deliver/dng.h"
#include "scenes.h"
#include "sensor.h"

namespace irenic::test {

// A small view of the mill, without noise, as linear sRGB. Kept: rendering it takes a moment.
inline const std::array<Plane, 3>& millLight(int width = 480, int height = 360) {
    static const auto light = renderView(View::SackStore, width, height);
    return light;
}

inline Mosaic pattern(const char* name) {
    Mosaic m;
    for (std::size_t i = 0; i < 4; ++i) m.site[i] = name[i] == 'R' ? Mosaic::Red : name[i] == 'B' ? Mosaic::Blue : Mosaic::Green;
    return m;
}

struct Shooting {
    Body body;
    Shot shot;
    Plane truth;
    Photo photo;
};

inline Shooting shoot(double iso, const char* mosaic = "RGGB", std::uint32_t seed = 3) {
    Shooting s;
    s.body.mosaic = pattern(mosaic);
    s.body.black = 1024;
    s.shot.iso = iso, s.shot.seed = seed;
    s.truth = exposeMosaic(millLight(), s.body, s.shot);
    s.photo = takePhoto(s.truth, s.body, s.shot);
    return s;
}

// An even field at `level` of full scale.
inline Photo flatField(double level, double iso, int size, std::uint32_t seed = 9) {
    Plane truth(size, size);
    truth.fill(static_cast<float>(level));
    Shot shot;
    shot.iso = iso, shot.seed = seed;
    Body body;
    body.black = 2048;
    return takePhoto(truth, body, shot);
}

inline std::string writeShot(const QTemporaryDir& folder, const char* name, const Photo& photo) {
    const std::string path = folder.filePath(QString::fromLatin1(name)).toStdString();
    DngExtras extras;
    extras.preview = renderOverview(photo, {}, 128);
    writeDng(path, photo, extras);
    return path;
}

// Peak signal-to-noise ratio in dB of two mosaics, leaving out a border.
inline double psnr(const Plane& a, const Plane& b, int border = 16) {
    double sum = 0, count = 0;
    for (int y = border; y < a.height() - border; ++y)
        for (int x = border; x < a.width() - border; ++x) {
            const double d = a.at(x, y) - b.at(x, y);
            sum += d * d, ++count;
        }
    return -10 * std::log10(sum / count);
}

inline double meanOf(const Plane& p) {
    double sum = 0;
    for (int y = 0; y < p.height(); ++y)
        for (int x = 0; x < p.width(); ++x) sum += p.at(x, y);
    return sum / (static_cast<double>(p.width()) * p.height());
}

} // namespace irenic::test
