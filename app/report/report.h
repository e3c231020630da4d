// A photo's report: its takes with crops of its probes, settings, checks and the last blind trial, as a PDF
// to send along and as JSON to go on with.
#pragma once

#include <QByteArray>
#include <QImage>
#include <vector>

#include "base/jobs.h"
#include "judge/checks.h"
#include "session/state.h"

namespace irenic {

// What it is made of; plain values, so that it is made off the interface thread.
struct ReportWish {
    PhotoPtr photo;
    PhotoState state;
    PhotoFacts facts;
    std::string program; // its version
};

struct ReportTake {
    Take take;
    bool chosen = false;
    double noiseLeft = 0; // of luminance, on an even grey with the photo's noise
    std::vector<Finding> findings;
    std::string unchecked;     // why there are none
    std::vector<QImage> crops; // of each probe
};

struct Report {
    ReportWish wish;
    std::string when;              // local time
    std::vector<QImage> originals; // of each probe
    std::vector<ReportTake> takes;
};

// Cleans and checks every take over the whole photo. Throws Cancelled.
Report measureReport(const ReportWish& wish, const Work& work);
QByteArray pdfOf(const Report& report);
QByteArray jsonOf(const Report& report);

} // namespace irenic
