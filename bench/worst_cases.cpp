#include "worst_cases.h"

#include <algorithm>
#include <cstdio>
#include <opencv2/imgcodecs.hpp>
#include <opencv2/imgproc.hpp>
#include <stdexcept>

namespace irenic {

namespace {

constexpr int kPlace = 64, kStep = 32, kEdge = 16;

// Wallpapers lie in a folder of their name, by their size.
std::string nameOf(const std::filesystem::path& photo) {
    const std::string stem = photo.stem();
    if (stem.empty() || stem[0] < '0' || stem[0] > '9') return stem;
    return photo.parent_path().parent_path().parent_path().filename();
}

double errorOf(const cv::Mat& truth, const cv::Mat& found, const cv::Rect& place) {
    return cv::norm(truth(place), found(place), cv::NORM_L2) / std::sqrt(3.0 * place.area());
}

cv::Mat bytesOf(const cv::Mat& picture) {
    cv::Mat out;
    cv::cvtColor(picture, out, cv::COLOR_RGB2BGR);
    out.convertTo(out, CV_8UC3, 255);
    return out;
}

} // namespace

void WorstCases::look(const std::string& photo, double iso, const cv::Mat& truth, const cv::Mat& noisy,
                      const std::vector<std::pair<std::string, cv::Mat>>& found) {
    for (int y = kEdge; y + kPlace + kEdge <= truth.rows; y += kStep)
        for (int x = kEdge; x + kPlace + kEdge <= truth.cols; x += kStep) {
            const cv::Rect place(x, y, kPlace, kPlace);
            std::vector<double> errors;
            for (const auto& [method, picture] : found) errors.push_back(errorOf(truth, picture, place));
            const auto best =
                static_cast<std::size_t>(std::min_element(errors.begin(), errors.end()) - errors.begin());
            for (std::size_t m = 0; m < found.size(); ++m) {
                const auto& name = found[m].first;
                auto at = std::find_if(cases_.begin(), cases_.end(),
                                       [&](const auto& c) { return c.first == name; });
                if (at == cases_.end()) at = cases_.insert(at, {name, Case()});
                if (errors[m] - errors[best] <= at->second.behind) continue;
                Case& worst = at->second;
                worst = {photo, found[best].first, iso, errors[m] - errors[best], {}};
                worst.places.emplace_back("as it is", bytesOf(noisy(place)));
                worst.places.emplace_back("truth", bytesOf(truth(place)));
                for (const auto& [method, picture] : found)
                    worst.places.emplace_back(method, bytesOf(picture(place)));
            }
        }
}

void WorstCases::write(const std::filesystem::path& file, int zoom, int side) const {
    constexpr int kLine = 22, kGap = 4;
    const int cell = side * zoom + kGap;
    const int columns = static_cast<int>(cases_.front().second.places.size()),
              rows = static_cast<int>(cases_.size());
    cv::Mat sheet(rows * (cell + kLine), columns * cell, CV_8UC3, cv::Scalar(119, 119, 119));
    for (int r = 0; r < rows; ++r) {
        const auto& [method, worst] = cases_[static_cast<std::size_t>(r)];
        for (int c = 0; c < columns; ++c) {
            const auto& [name, place] = worst.places[static_cast<std::size_t>(c)];
            const int off = (kPlace - side) / 2, x = c * cell, y = r * (cell + kLine);
            cv::Mat large;
            cv::resize(place(cv::Rect(off, off, side, side)), large, {}, zoom, zoom, cv::INTER_NEAREST);
            if (name == method) // whose worst it is
                cv::rectangle(sheet, cv::Rect(x, y + 2, side * zoom, kLine - 2), cv::Scalar(60, 140, 200),
                              cv::FILLED);
            cv::putText(sheet, name, {x + 3, y + kLine - 6}, cv::FONT_HERSHEY_SIMPLEX, 0.42,
                        cv::Scalar(20, 20, 20), 1, cv::LINE_AA);
            large.copyTo(sheet(cv::Rect(x, y + kLine, side * zoom, side * zoom)));
        }
    }
    if (!cv::imwrite(file.string(), sheet)) throw std::runtime_error(file.string() + ": cannot be written");
}

std::string WorstCases::told() const {
    std::string out = "| method | its worst place | behind | by |\n|---|---|---|---|\n";
    for (const auto& [method, worst] : cases_) {
        char line[300];
        std::snprintf(line, sizeof line, "| %s | %s, ISO %.0f | %s | %.3f of white |\n", method.c_str(),
                      nameOf(worst.photo).c_str(), worst.iso, worst.best.c_str(), worst.behind);
        out += line;
    }
    return out;
}

} // namespace irenic
