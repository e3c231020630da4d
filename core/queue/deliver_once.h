// One request fulfilled for one photo that was read: what a worker and the command line both do.
#pragma once

#include <functional>

#include "deliver/picture_files.h"
#include "judge/recommend.h"
#include "queue/job_queue.h"

namespace irenic {

// What the request's file is called after.
NameParts namePartsOf(const ExportRequest& request, const Photo& photo, const Settings& settings);

struct Delivered {
    std::filesystem::path target;
    std::string digest;  // of the file's bytes
    Settings settings;   // that it was made with
    bool before = false; // it was there already, made of the same photo in the same way
    LeftOut left;        // what of the original's notes it could not hold
};

// Makes the file. `measured` is this photo's recommendation, once it is known: where the request has no
// settings it is used, or measured and left there. `output`: a file of its own instead of the delivery's
// name. `naming` is called just before the file gets its name. With request.resume nothing is returned while
// another process, here or on another machine that shares the folder, makes the same file. Throws
// ExportError, WriteError, Cancelled.
std::optional<Delivered> deliverOnce(
    const ExportRequest& request, const Photo& photo, std::optional<Recommendation>& measured,
    const std::filesystem::path& output = {}, const Work& work = {},
    const std::function<void(const std::filesystem::path& target, const std::string& digest)>& naming = {});

} // namespace irenic
