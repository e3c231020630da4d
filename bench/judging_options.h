// What the programs that judge pictures are asked with.
#pragma once

#include <CLI/CLI.hpp>
#include <string>
#include <vector>

namespace irenic {

inline void addCrop(CLI::App& app, int& crop) {
    app.add_option("--crop", crop, "pixels along a side of each photograph")->capture_default_str();
}

inline void addIsos(CLI::App& app, std::vector<double>& isos) {
    app.add_option("--iso", isos, "one or several")->capture_default_str();
}

struct JudgingOptions {
    int crop = 768;
    std::vector<double> isos{3200, 12800, 51200};
    std::vector<std::string> methods; // none: all
    bool reference = true, each = false;

    void addTo(CLI::App& app) {
        addCrop(app, crop);
        addIsos(app, isos);
        app.add_option("--method", methods, "one or several; all without this");
        app.add_flag("!--no-reference", reference, "without what others make of the same");
        app.add_flag("--each", each, "every picture's CPSNR to standard error");
    }
};

} // namespace irenic
