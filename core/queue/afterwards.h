// What is done once a request's file is there.
#pragma once

#include <optional>

#include "judge/checks.h"
#include "queue/deliver_once.h"

namespace irenic {

struct Afterwards {
    std::optional<Finding> worst; // of what was checked; without its map
    LeftOut notes;                // what did not work, in sentences
};

// Measures what the take did to the photo, then runs the request's command, as far as it asks for them.
// Nothing of it makes the export fail. Throws nothing but std::bad_alloc.
Afterwards afterwards(const ExportRequest& request, const Photo& photo, const Delivered& made,
                      const Work& work = {});

} // namespace irenic
