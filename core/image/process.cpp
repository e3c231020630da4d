#include "image/process.h"

#include <cerrno>
#include <csignal>
#include <fstream>
#include <iterator>
#include <string>

namespace irenic {

bool processLives(int process) {
    if (process <= 0 || (kill(process, 0) != 0 && errno != EPERM)) return false;
    // The state follows the name, which may hold anything, in brackets (proc(5)).
    std::ifstream in("/proc/" + std::to_string(process) + "/stat");
    const std::string text{std::istreambuf_iterator<char>(in), std::istreambuf_iterator<char>()};
    const std::size_t end = text.rfind(')');
    return end == std::string::npos || end + 2 >= text.size() ||
           (text[end + 2] != 'Z' && text[end + 2] != 'X');
}

} // namespace irenic
