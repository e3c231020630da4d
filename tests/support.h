// Small made-up photos for the tests.
#pragma once

#include <QTemporaryDir>
#include <random>

#include "deliver/dng.h"
#include "denoise/clean.h"
#include "light.h"
#include "sensor.h"

namespace irenic::test {

// A small view of the mill, without noise, as linear sRGB.
inline const std::array<Plane, 3>& millLight(Scene view = Scene::SackStore) {
    return lightOf(view, 480, 360);
}

inline Mosaic pattern(const char* name) {
    Mosaic m;
    for (std::size_t i = 0; i < 4; ++i)
        m.site[i] = name[i] == 'R' ? Mosaic::Red : name[i] == 'B' ? Mosaic::Blue : Mosaic::Green;
    return m;
}

struct Shooting {
    Body body;
    Shot shot;
    Plane truth;
    Photo photo;
};

inline Shooting shoot(double iso, const char* mosaic = "RGGB", std::uint32_t seed = 3,
                      Scene view = Scene::SackStore, double stops = 0) {
    Shooting s;
    s.body.mosaic = pattern(mosaic);
    s.body.black = 1024;
    s.shot.iso = iso, s.shot.seed = seed, s.shot.stops = stops;
    s.truth = exposeMosaic(millLight(view), s.body, s.shot);
    s.photo = takePhoto(s.truth, s.body, s.shot);
    return s;
}

// What the stabilised planes are on average: the mean over many exposures.
inline PlaneSet expectedPlanes(const Shooting& s, const Rect& area, int exposures) {
    PlaneSet mean(area);
    for (Plane& p : mean.plane) p.fill(0);
    Shot shot = s.shot;
    for (int i = 0; i < exposures; ++i) {
        shot.seed = static_cast<std::uint32_t>(1000 + i);
        const PlaneSet one = stabilisedPlanes(takePhoto(s.truth, s.body, shot), area);
        for (std::size_t p = 0; p < kPlanes; ++p)
            for (int y = 0; y < area.height; ++y)
                for (int x = 0; x < area.width; ++x)
                    mean.plane[p].at(x, y) += one.plane[p].at(x, y) / static_cast<float>(exposures);
    }
    return mean;
}

// Mean squared errors of the luminance and of the colour planes.
inline std::array<double, 2> squaredError(const PlaneSet& a, const PlaneSet& b, const Rect& area) {
    std::array<double, 2> sum{};
    for (std::size_t p = 0; p < kPlanes; ++p)
        for (int y = area.y; y < area.bottom(); ++y)
            for (int x = area.x; x < area.right(); ++x) {
                const double d = static_cast<double>(a.rowAt(p, y)[x] - b.rowAt(p, y)[x]);
                sum[isColour(p) ? 1 : 0] += d * d / 2 / static_cast<double>(area.area());
            }
    return sum;
}

// An even field at `level` of full scale.
inline Photo flatField(double level, double iso, int size, std::uint32_t seed = 9, double black = 2048) {
    Plane truth(size, size);
    truth.fill(static_cast<float>(level));
    Shot shot;
    shot.iso = iso, shot.seed = seed;
    Body body;
    body.black = black;
    return takePhoto(truth, body, shot);
}

// Grass, water, pebbles: fine texture from edge to edge about `level`, as a lens draws it.
inline Photo texturedField(double level, double iso, int size) {
    std::mt19937 random(5);
    std::normal_distribution<float> normal;
    Plane light(size, size);
    for (int y = 0; y < size; ++y)
        for (int x = 0; x < size; ++x) light.at(x, y) = normal(random);
    // The lens, with a blur of 0.8 pixels.
    const float k[5] = {0.03f, 0.235f, 0.47f, 0.235f, 0.03f};
    for (const bool across : {true, false}) {
        Plane out(size, size);
        for (int y = 0; y < size; ++y)
            for (int x = 0; x < size; ++x) {
                float sum = 0;
                for (int i = -2; i <= 2; ++i)
                    sum += k[i + 2] * light.at(std::clamp(x + (across ? i : 0), 0, size - 1),
                                               std::clamp(y + (across ? 0 : i), 0, size - 1));
                out.at(x, y) = sum;
            }
        light = std::move(out);
    }
    Plane truth(size, size);
    const float balance[3] = {0.62f, 1, 0.45f};
    const Body body;
    for (int y = 0; y < size; ++y)
        for (int x = 0; x < size; ++x)
            truth.at(x, y) = std::clamp(static_cast<float>(level) * balance[body.colourAt(x, y)] *
                                            (1 + 0.35f * light.at(x, y)),
                                        0.005f, 0.9f);
    Shot shot;
    shot.iso = iso;
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

// Over all of `a`, to the bit; `b` covers that.
inline bool same(const Image& a, const Image& b) {
    for (std::size_t p = 0; p < a.planes(); ++p)
        for (int y = a.area.y; y < a.area.bottom(); ++y)
            if (!std::equal(a.rowAt(p, y) + a.area.x, a.rowAt(p, y) + a.area.right(),
                            b.rowAt(p, y) + a.area.x))
                return false;
    return a.holds == b.holds && b.area.contains(a.area);
}

inline double meanOf(const Plane& p) {
    double sum = 0;
    for (int y = 0; y < p.height(); ++y)
        for (int x = 0; x < p.width(); ++x) sum += p.at(x, y);
    return sum / (static_cast<double>(p.width()) * p.height());
}

} // namespace irenic::test
