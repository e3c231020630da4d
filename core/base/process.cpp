#include "base/process.h"

#include <fcntl.h>
#include <sys/random.h>
#include <unistd.h>

#include <cerrno>
#include <csignal>
#include <cstdint>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <iterator>
#include <sstream>

#include "base/folders.h"
#include "base/given_file.h"
#include "base/shown_text.h"

namespace irenic {

namespace {

namespace fs = std::filesystem;

// What follows the name in /proc/N/stat, which stands in brackets and may hold anything (proc(5)): the state
// comes first. Empty where there is no such process.
std::string statOf(int process) {
    std::ifstream in("/proc/" + std::to_string(process) + "/stat");
    const std::string text{std::istreambuf_iterator<char>(in), std::istreambuf_iterator<char>()};
    const std::size_t end = text.rfind(')');
    return end == std::string::npos || end + 2 >= text.size() ? std::string() : text.substr(end + 2);
}

// When it began, in ticks since the machine started: the 22nd value, the 20th after the name.
std::string startOf(int process) {
    std::istringstream in(statOf(process));
    std::string word;
    for (int i = 0; i < 20 && in >> word; ++i) {
    }
    return in ? word : std::string();
}

std::string randomWord() {
    std::uint64_t v[2] = {};
    if (getrandom(v, sizeof v, 0) != static_cast<ssize_t>(sizeof v))
        v[0] = static_cast<std::uint64_t>(getpid());
    char text[40];
    std::snprintf(text, sizeof text, "%016llx%016llx", static_cast<unsigned long long>(v[0]),
                  static_cast<unsigned long long>(v[1]));
    return text;
}

bool isWord(const std::string& s) {
    return s.size() == 32 && s.find_first_not_of("0123456789abcdef") == std::string::npos;
}

// Names of machines are doubled (containers and images are copied), so this user's data have a number of
// their own.
std::string machine() {
    const fs::path file = stateFolder() / "machine";
    const auto known = [&] {
        try {
            const auto text = textOfFile(file, 64);
            return text && text->size() >= 32 && isWord(text->substr(0, 32)) ? text->substr(0, 32)
                                                                             : std::string();
        } catch (const FileError&) {
            return std::string();
        }
    };
    if (std::string there = known(); !there.empty()) return there;
    std::string fresh = randomWord();
    const std::string part = file.string() + "." + fresh;
    const int made = open(part.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0600);
    if (made < 0) return fresh; // for this run: nothing can be kept
    const std::string line = fresh + "\n";
    const bool written = write(made, line.data(), line.size()) == static_cast<ssize_t>(line.size());
    close(made);
    // Of two that begin at once the first one's counts.
    if (written && link(part.c_str(), file.c_str()) != 0 && errno == EEXIST && known().empty())
        rename(part.c_str(), file.c_str());
    unlink(part.c_str());
    std::string there = known();
    return there.empty() ? fresh : there;
}

std::string firstWordOf(const char* file) {
    std::ifstream in(file);
    std::string word;
    in >> word;
    return word;
}

struct Name {
    std::string home, start;
    int process = 0;
};
Name partsOf(const std::string& name) {
    Name out;
    const std::size_t second = name.rfind('/'), first = second == std::string::npos || second == 0
                                                            ? std::string::npos
                                                            : name.rfind('/', second - 1);
    if (first == std::string::npos) return out;
    out.home = name.substr(0, first), out.start = name.substr(second + 1);
    const std::string number = name.substr(first + 1, second - first - 1);
    if (!number.empty() && number.size() < 10 && number.find_first_not_of("0123456789") == std::string::npos)
        out.process = std::stoi(number);
    return out;
}

} // namespace

bool processLives(int process) {
    if (process <= 0 || (kill(process, 0) != 0 && errno != EPERM)) return false;
    const std::string stat = statOf(process);
    return stat.empty() || (stat[0] != 'Z' && stat[0] != 'X');
}

std::string thisHome() {
    static const std::string home = [] {
        std::error_code none;
        std::string space = fs::read_symlink("/proc/self/ns/pid", none).string();
        std::erase_if(space, [](char c) { return c < '0' || c > '9'; });
        return machine() + "/" + firstWordOf("/proc/sys/kernel/random/boot_id") + "/" + space;
    }();
    return home;
}

std::string nameOfProcess(int process) {
    const std::string start = startOf(process);
    return start.empty() ? std::string() : thisHome() + "/" + std::to_string(process) + "/" + start;
}

std::string thisProcess() { return nameOfProcess(static_cast<int>(getpid())); }

Life lifeOf(const std::string& name) {
    const Name n = partsOf(name);
    if (n.process <= 0 || n.home != thisHome()) return Life::Unknown;
    return processLives(n.process) && startOf(n.process) == n.start ? Life::Alive : Life::Gone;
}

std::string shownProcess(const std::string& name) {
    const Name n = partsOf(name);
    if (n.process <= 0) return IRENIC_TEXT("another program");
    return filled(n.home == thisHome() ? IRENIC_TEXT("process %1")
                                       : IRENIC_TEXT("process %1 on another machine"),
                  {std::to_string(n.process)});
}

} // namespace irenic
