// What a worker does with one job: reads the photo, measures where it is to, makes the file, tells the book.
#pragma once

#include "image/work.h"
#include "queue/job_book.h"

namespace irenic {

// Does the job and notes what came of it. Where its state says that it was cancelled it stops. Returns
// whether a file was made. Throws BookError.
bool perform(JobBook& book, const QueuedJob& job, const Work& work = {});

} // namespace irenic
