#include "document.h"

#include <algorithm>
#include <cstdio>
#include <fstream>
#include <opencv2/imgcodecs.hpp>
#include <opencv2/imgproc.hpp>
#include <sstream>
#include <stdexcept>
#include <vector>

namespace irenic {

namespace fs = std::filesystem;

void putInto(const fs::path& document, const std::string& name, const std::string& text) {
    std::ifstream in(document);
    std::stringstream all;
    all << in.rdbuf();
    std::string content = all.str();
    const std::string begin = "<!-- " + name + " -->\n", end = "<!-- end of " + name + " -->";
    const std::size_t from = content.find(begin), to = content.find(end);
    if (from == std::string::npos || to == std::string::npos || to < from)
        throw std::runtime_error(document.string() + ": there is no place for " + name);
    content.replace(from + begin.size(), to - from - begin.size(), "\n" + text + "\n");
    std::ofstream out(document);
    out << content;
    if (!out.flush()) throw std::runtime_error(document.string() + ": cannot be written");
}

void drawLearning(const fs::path& log, const std::string& title, const fs::path& picture) {
    constexpr std::size_t kJudged = 5; // the first column of what is judged
    std::ifstream in(log);
    std::vector<double> steps;
    std::vector<std::vector<double>> curves;
    for (std::string line; std::getline(in, line);) {
        std::vector<double> fields;
        std::stringstream parts(line);
        for (std::string field; std::getline(parts, field, ',');) fields.push_back(std::stod(field));
        if (fields.size() <= kJudged) continue;
        steps.push_back(fields[0]);
        curves.resize(std::max(curves.size(), fields.size() - kJudged));
        for (std::size_t k = kJudged; k < fields.size(); ++k) curves[k - kJudged].push_back(fields[k]);
    }
    if (steps.size() < 2) throw std::runtime_error(log.string() + ": nothing was judged");
    constexpr int kWidth = 760, kHeight = 320, kLeft = 50, kRight = 20, kTop = 30, kBottom = 40;
    cv::Mat sheet(kHeight, kWidth, CV_8UC3, cv::Scalar(255, 255, 255));
    double low = 1e9, high = -1e9;
    for (const auto& curve : curves)
        for (const double v : curve) low = std::min(low, v), high = std::max(high, v);
    low = std::floor(low), high = std::ceil(high);
    const auto at = [&](double step, double v) {
        const double x = (step - steps.front()) / (steps.back() - steps.front()),
                     y = (v - low) / (high - low);
        return cv::Point(kLeft + static_cast<int>(x * (kWidth - kLeft - kRight)),
                         kHeight - kBottom - static_cast<int>(y * (kHeight - kTop - kBottom)));
    };
    const auto write = [&](const std::string& text, cv::Point where) {
        cv::putText(sheet, text, where, cv::FONT_HERSHEY_SIMPLEX, 0.42, cv::Scalar(30, 30, 30), 1,
                    cv::LINE_AA);
    };
    for (double v = low; v <= high; v += 1) {
        cv::line(sheet, at(steps.front(), v), at(steps.back(), v), cv::Scalar(220, 220, 220));
        write(std::to_string(static_cast<int>(v)), at(steps.front(), v) + cv::Point(-28, 4));
    }
    for (std::size_t k = 0; k < curves.size(); ++k) {
        const int shade = static_cast<int>(30 + 150 * k / std::max<std::size_t>(1, curves.size() - 1));
        for (std::size_t i = 1; i < curves[k].size(); ++i)
            cv::line(sheet, at(steps[i - 1], curves[k][i - 1]), at(steps[i], curves[k][i]),
                     cv::Scalar(shade, shade / 2, 200 - shade), 2, cv::LINE_AA);
        write(std::to_string(k + 1), at(steps.back(), curves[k].back()) + cv::Point(4, 4));
    }
    write(title, {kLeft, 18});
    write(std::to_string(static_cast<long>(steps.front())), {kLeft - 10, kHeight - 18});
    write(std::to_string(static_cast<long>(steps.back())) + " steps", {kWidth - 110, kHeight - 18});
    if (!cv::imwrite(picture.string(), sheet))
        throw std::runtime_error(picture.string() + ": cannot be written");
}

} // namespace irenic
