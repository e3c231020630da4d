// Whether another process of this machine is still at work.
#pragma once

namespace irenic {

// False also for one that has ended and that nobody has asked about yet (a zombie).
bool processLives(int process);

} // namespace irenic
