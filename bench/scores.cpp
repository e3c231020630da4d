#include "scores.h"
#include "../tests/colour_difference.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <opencv2/imgcodecs.hpp>
#include <opencv2/imgproc.hpp>

#include "judge/display.h"

namespace irenic {

namespace {

// A photo of the mosaic's samples, finely quantised.
Photo photoOf(const Photo& like, const Plane& mosaic) {
    Photo p = like;
    p.black = {}, p.black.pattern = {8192}, p.white = 65535;
    // Without a border.
    p.rawWidth = mosaic.width(), p.rawHeight = mosaic.height();
    p.active = p.crop = {0, 0, p.rawWidth, p.rawHeight};
    p.samples.resize(static_cast<std::size_t>(p.rawWidth) * static_cast<std::size_t>(p.rawHeight));
    p.sensor.clear(), p.mended.clear();
    for (int y = 0; y < mosaic.height(); ++y)
        for (int x = 0; x < mosaic.width(); ++x)
            p.samples[static_cast<std::size_t>(y) * static_cast<std::size_t>(mosaic.width()) +
                      static_cast<std::size_t>(x)] =
                static_cast<std::uint16_t>(
                    std::lround(std::clamp(8192 + mosaic.at(x, y) * 57343.0f, 0.0f, 65535.0f)));
    return p;
}

// Three planes as a picture of OpenCV's.
cv::Mat pictureOf(const Image& rgb, const std::function<float(float)>& value) {
    cv::Mat out(rgb.area.height, rgb.area.width, CV_32FC3);
    for (int y = 0; y < out.rows; ++y)
        for (int x = 0; x < out.cols; ++x)
            for (int c = 0; c < 3; ++c)
                out.at<cv::Vec3f>(y, x)[c] = value(rgb[static_cast<std::size_t>(c)].at(x, y));
    return out;
}

} // namespace

cv::Mat rendered(const Photo& like, const Plane& mosaic) {
    const Photo p = photoOf(like, mosaic);
    return encodedPicture(
        developRegion(recipeOf(p), {0, 0, mosaic.width(), mosaic.height()}, OutputSpace::Srgb));
}

cv::Mat rendered(const Photo& like, const Plane& mosaic, const Look& look) {
    return shownPicture(photoOf(like, mosaic), Settings::original(), look);
}

cv::Mat shownPicture(const Photo& photo, const Settings& settings, const Look& look) {
    const Rect all{0, 0, photo.width(), photo.height()};
    return pictureOf(displayOf(recipeOf(photo, settings, look), all), [](float v) { return v; });
}

PhotoPtr finishedPicture(const Photo& like, const Plane& mosaic, const std::filesystem::path& file,
                         int quality, Measure what) {
    const bool jpeg = file.extension() == ".jpg";
    cv::Mat bytes;
    rendered(like, mosaic).convertTo(bytes, jpeg ? CV_8UC3 : CV_16UC3, jpeg ? 255 : 65535);
    cv::cvtColor(bytes, bytes, cv::COLOR_RGB2BGR);
    cv::imwrite(file.string(), bytes, {cv::IMWRITE_JPEG_QUALITY, quality});
    return readPhoto(file, {}, what);
}

cv::Mat encodedPicture(const Image& rgb) {
    return pictureOf(rgb, [](float v) { return encoded(OutputSpace::Srgb, v); });
}

namespace {

// Means over a picture of what SSIM multiplies: luminance, and contrast with structure.
struct Similarity {
    double whole, structure;
};

// Z. Wang et al., 2004, of luminance, Gaussian window of 1.5.
Similarity similarityOf(const cv::Mat& x, const cv::Mat& y) {
    cv::Mat mx, my, xx, yy, xy;
    const auto blur = [](const cv::Mat& in, cv::Mat& out) { cv::GaussianBlur(in, out, {11, 11}, 1.5); };
    blur(x, mx), blur(y, my), blur(x.mul(x), xx), blur(y.mul(y), yy), blur(x.mul(y), xy);
    const cv::Mat sxx = xx - mx.mul(mx), syy = yy - my.mul(my), sxy = xy - mx.mul(my);
    constexpr double c1 = 1e-4, c2 = 9e-4;
    cv::Mat structure, light;
    cv::divide(2 * sxy + c2, sxx + syy + c2, structure);
    cv::divide(2 * mx.mul(my) + c1, mx.mul(mx) + my.mul(my) + c1, light);
    return {cv::mean(light.mul(structure))[0], cv::mean(structure)[0]};
}

// Five scales, each half as large; the weights of the paper's section 3.2.
double multiscaleOf(cv::Mat x, cv::Mat y) {
    constexpr double kWeights[] = {0.0448, 0.2856, 0.3001, 0.2363, 0.1333};
    double out = 1;
    for (int scale = 0; scale < 5; ++scale) {
        const Similarity s = similarityOf(x, y);
        out *= std::pow(std::max(0.0, scale == 4 ? s.whole : s.structure), kWeights[scale]);
        cv::Mat half;
        for (cv::Mat* m : {&x, &y}) {
            cv::resize(*m, half, {m->cols / 2, m->rows / 2}, 0, 0, cv::INTER_AREA);
            *m = half.clone();
        }
    }
    return out;
}

} // namespace

Scores score(const cv::Mat& truth, const cv::Mat& found) {
    const cv::Rect inner(16, 16, truth.cols - 32, truth.rows - 32);
    const cv::Mat a = truth(inner), b = found(inner);
    Scores s;
    const double mse = cv::norm(a, b, cv::NORM_L2SQR) / (3.0 * a.rows * a.cols);
    s.cpsnr = -10 * std::log10(std::max(1e-12, mse));
    cv::Mat grey, other;
    cv::cvtColor(a, grey, cv::COLOR_RGB2GRAY);
    cv::cvtColor(b, other, cv::COLOR_RGB2GRAY);
    s.ssim = similarityOf(grey, other).whole, s.multiscale = multiscaleOf(grey, other);
    cv::Mat sa, sb, la, lb;
    cv::resize(a(cv::Rect(0, 0, a.cols / 32 * 32, a.rows / 32 * 32)), sa, {a.cols / 32, a.rows / 32}, 0, 0,
               cv::INTER_AREA);
    cv::resize(b(cv::Rect(0, 0, b.cols / 32 * 32, b.rows / 32 * 32)), sb, {a.cols / 32, a.rows / 32}, 0, 0,
               cv::INTER_AREA);
    cv::cvtColor(sa, la, cv::COLOR_RGB2Lab);
    cv::cvtColor(sb, lb, cv::COLOR_RGB2Lab);
    double sum = 0;
    const auto lab = [](const cv::Vec3f& v) {
        return Vector3{static_cast<double>(v[0]), static_cast<double>(v[1]), static_cast<double>(v[2])};
    };
    for (int y = 0; y < la.rows; ++y)
        for (int x = 0; x < la.cols; ++x)
            sum += test::ciede2000(lab(la.at<cv::Vec3f>(y, x)), lab(lb.at<cv::Vec3f>(y, x)));
    s.colour = sum / (la.rows * la.cols);
    return s;
}

} // namespace irenic
