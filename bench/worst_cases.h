// Where each method is farthest behind the best of the others: its worst case, to be looked at.
#pragma once

#include <filesystem>
#include <map>
#include <opencv2/core.hpp>
#include <string>
#include <vector>

namespace irenic {

class WorstCases {
  public:
    // Encoded pictures of one photo: the truth, as it is, and by method.
    void look(const std::string& photo, double iso, const cv::Mat& truth, const cv::Mat& noisy,
              const std::vector<std::pair<std::string, cv::Mat>>& found);
    // A row for each method with its worst place, a column for the photo as it is, the truth and each method,
    // true pixels `zoom` times as large, of at most `side` pixels of each place. Throws std::runtime_error.
    void write(const std::filesystem::path& file, int zoom, int side) const;
    // A line of Markdown for each method: where it was, and by how much it was behind.
    std::string told() const;

  private:
    struct Case {
        std::string photo, best;
        double iso = 0, behind = 0; // root mean squares of encoded values, 0..1
        std::vector<std::pair<std::string, cv::Mat>> places;
    };
    std::vector<std::pair<std::string, Case>> cases_; // by method, in the order in which they came
};

} // namespace irenic
