// What a worker does with one job: reads the photo, measures where it is to, makes the file, tells the queue.
#pragma once

#include "base/work.h"
#include "queue/job_queue.h"

namespace irenic {

// Does the job and notes what came of it. Where its state says that it was cancelled it stops. Returns
// whether a file was made. Throws QueueError.
bool perform(JobQueue& queue, const QueuedJob& job, const Work& work = {});

} // namespace irenic
