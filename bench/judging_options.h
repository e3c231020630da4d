// What the programs that judge pictures are asked with.
#pragma once

#include <CLI/CLI.hpp>
#include <algorithm>
#include <map>
#include <string>
#include <vector>

namespace irenic {

inline void addCrop(CLI::App& app, int& crop) {
    app.add_option("--crop", crop, "pixels along a side of each photograph")->capture_default_str();
}

inline void addIsos(CLI::App& app, std::vector<double>& isos) {
    app.add_option("--iso", isos, "one or several")->capture_default_str();
}

// What photographs are made into before they are looked at.
enum class FileKind { Raw, XTrans, Tiff, Jpeg };

// `known`: which of them the bench can make.
inline void addKind(CLI::App& app, FileKind& kind, const std::vector<FileKind>& known) {
    const std::map<std::string, FileKind> names = {{"raw", FileKind::Raw},
                                                   {"xtrans", FileKind::XTrans},
                                                   {"tiff", FileKind::Tiff},
                                                   {"jpeg", FileKind::Jpeg}};
    std::map<std::string, FileKind> offered;
    for (const auto& [name, own] : names)
        if (std::find(known.begin(), known.end(), own) != known.end()) offered[name] = own;
    app.add_option("--kind", kind, "what the photographs are made into")
        ->transform(CLI::CheckedTransformer(offered));
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
