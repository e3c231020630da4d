#include "photographs.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgcodecs.hpp>
#include <opencv2/imgproc.hpp>

#include "measure/open.h"
#include "sensor.h"

namespace irenic {

std::vector<std::string> unseenPhotographs() {
    std::vector<std::string> files;
    for (const char* n : {"Dune.jpg", "RainDrops.jpg", "Storm.jpg", "TwoWings.jpg"})
        files.push_back(std::string("/usr/share/backgrounds/mate/nature/") + n);
    for (const char* n : {"BytheWater", "ColorfulCups", "EveningGlow", "Grey"})
        files.push_back(std::string("/usr/share/wallpapers/") + n + "/contents/images/2560x1600.jpg");
    return files;
}

std::string nameOfPhotograph(const std::string& file) {
    const std::size_t wallpaper = file.find("/wallpapers/");
    std::string name =
        wallpaper == std::string::npos ? file.substr(file.rfind('/') + 1) : file.substr(wallpaper + 12);
    return name.substr(0, name.find_first_of("./"));
}

std::array<Plane, 3> photograph(const std::string& file, int crop) {
    cv::Mat image = cv::imread(file, cv::IMREAD_COLOR);
    if (image.empty()) throw std::runtime_error(file + ": cannot be read. Is its package installed?");
    cv::Mat linear;
    image.convertTo(linear, CV_32FC3, 1 / 255.0);
    linear.forEach<cv::Vec3f>([](cv::Vec3f& v, const int*) {
        for (int c = 0; c < 3; ++c)
            v[c] = v[c] <= 0.04045f ? v[c] / 12.92f : std::pow((v[c] + 0.055f) / 1.055f, 2.4f);
    });
    cv::resize(linear, linear, {linear.cols / 2, linear.rows / 2}, 0, 0, cv::INTER_AREA);
    const int w = std::min(crop, linear.cols / 2 * 2), h = std::min(crop, linear.rows / 2 * 2);
    const int x0 = (linear.cols - w) / 4 * 2, y0 = (linear.rows - h) / 4 * 2;
    std::array<Plane, 3> out = {Plane(w, h), Plane(w, h), Plane(w, h)};
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            for (int c = 0; c < 3; ++c)
                out[static_cast<std::size_t>(2 - c)].at(x, y) = linear.at<cv::Vec3f>(y0 + y, x0 + x)[c];
    return out;
}

MeasuredRaw measuredRaw(const std::string& file, int crop, double iso, std::uint32_t seed) {
    const Body body;
    Shot shot;
    shot.iso = iso, shot.seed = seed;
    MeasuredRaw out;
    out.truth = exposeMosaic(photograph(file, crop), body, shot);
    out.photo = takePhoto(out.truth, body, shot);
    measure(out.photo);
    return out;
}

} // namespace irenic
