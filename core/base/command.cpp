#include "base/command.h"

#include "base/shown_text.h"

#include <fcntl.h>
#include <spawn.h>
#include <sys/wait.h>
#include <unistd.h>

#include <cerrno>
#include <chrono>
#include <csignal>
#include <cstring>
#include <thread>

namespace irenic {

namespace {

void replaceAll(std::string& in, const std::string& what, const std::string& by) {
    for (std::size_t at = in.find(what); at != std::string::npos; at = in.find(what, at + by.size()))
        in.replace(at, what.size(), by);
}

} // namespace

std::vector<std::string> wordsOf(const std::string& command, const std::filesystem::path& file) {
    std::vector<std::string> words;
    bool within = false, begun = false;
    for (const char c : command) {
        if (c == '"') {
            within = !within;
            if (!begun) words.emplace_back();
            begun = true;
        } else if (c == ' ' && !within) {
            begun = false;
        } else {
            if (!begun) words.emplace_back();
            begun = true;
            words.back() += c;
        }
    }
    if (words.empty()) return words;
    const bool names = command.find("{file}") != std::string::npos;
    for (std::string& word : words) replaceAll(word, "{file}", file.string());
    if (!names) words.push_back(file.string());
    return words;
}

std::string runCommand(const std::string& command, const std::filesystem::path& file, int seconds,
                       const std::stop_token& stop) {
    std::vector<std::string> words = wordsOf(command, file);
    if (words.empty()) return IRENIC_TEXT("There is no command to run.");
    std::vector<char*> arguments;
    arguments.reserve(words.size() + 1);
    for (std::string& word : words) arguments.push_back(word.data());
    arguments.push_back(nullptr);
    posix_spawn_file_actions_t files;
    posix_spawn_file_actions_init(&files);
    // Whoever reads what this process writes is not to read what the command does.
    posix_spawn_file_actions_addopen(&files, STDIN_FILENO, "/dev/null", O_RDONLY, 0);
    posix_spawn_file_actions_addopen(&files, STDOUT_FILENO, "/dev/null", O_WRONLY, 0);
    pid_t child = 0;
    const int error = posix_spawnp(&child, words[0].c_str(), &files, nullptr, arguments.data(), environ);
    posix_spawn_file_actions_destroy(&files);
    if (error != 0)
        return filled(IRENIC_TEXT("\"%1\" cannot be run (%2)."), {words[0], std::strerror(error)});
    const auto end = std::chrono::steady_clock::now() + std::chrono::seconds(seconds);
    int status = 0;
    while (true) {
        const pid_t ended = waitpid(child, &status, WNOHANG);
        if (ended == child) break;
        if (ended < 0 && errno != EINTR) return {};
        if (stop.stop_requested()) {
            // Asked first, and made to where it does not listen.
            kill(child, SIGTERM);
            const auto patience = std::chrono::steady_clock::now() + std::chrono::seconds(2);
            while (waitpid(child, &status, WNOHANG) == 0) {
                if (std::chrono::steady_clock::now() >= patience) kill(child, SIGKILL);
                std::this_thread::sleep_for(std::chrono::milliseconds(20));
            }
            return filled(IRENIC_TEXT("\"%1\" was stopped."), {words[0]});
        }
        if (std::chrono::steady_clock::now() >= end) return {};
        constexpr auto kEach = std::chrono::milliseconds(20);
        std::this_thread::sleep_for(kEach);
    }
    if (WIFSIGNALED(status))
        return filled(IRENIC_TEXT("\"%1\" was ended by signal %2."),
                      {words[0], std::to_string(WTERMSIG(status))});
    if (WEXITSTATUS(status) == 0) return {};
    return filled(IRENIC_TEXT("\"%1\" ended with status %2."),
                  {words[0], std::to_string(WEXITSTATUS(status))});
}

} // namespace irenic
