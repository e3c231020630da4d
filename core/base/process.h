// Which process did something, told so that it can be asked later whether it still lives.
#pragma once

#include <string>

namespace irenic {

// False also for one that has ended and that nobody has asked about yet (a zombie).
bool processLives(int process);

// A name that no other process ever has: this machine (a random number made once), its start (boot id), the
// namespace that process numbers belong to, the number, and when the process began. One word of at most 200
// characters, without a slash at its ends.
std::string thisProcess();
// The same of another process here; empty where there is none.
std::string nameOfProcess(int process);
// Of this machine, its start and its namespace: where a process number means what it means here.
std::string thisHome();

enum class Life {
    Alive,  // here, and at work
    Gone,   // was here, and has ended
    Unknown // elsewhere, or before this machine started: nothing can be told by its name
};
Life lifeOf(const std::string& nameOfProcess);
// For people: "process 1234", and " on another machine" where it is.
std::string shownProcess(const std::string& nameOfProcess);

} // namespace irenic
