#include "queue/job_book.h"

#include <sqlite3.h>

#include <chrono>
#include <cstdlib>
#include <fstream>

#include "image/byte_digest.h"
#include "image/field_json.h"
#include "image/process.h"
#include "raw/text.h"
#include "session/sidecar.h"
#include "session/state.h"

namespace irenic {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr const char* kTables =
    "CREATE TABLE IF NOT EXISTS jobs(id INTEGER PRIMARY KEY, place REAL NOT NULL, wish TEXT NOT NULL,"
    " state INTEGER NOT NULL DEFAULT 0, tries INTEGER NOT NULL DEFAULT 0, reason TEXT NOT NULL DEFAULT '',"
    " target TEXT NOT NULL DEFAULT '', digest TEXT NOT NULL DEFAULT '', progress REAL NOT NULL DEFAULT 0,"
    " seconds REAL NOT NULL DEFAULT 0, beat INTEGER NOT NULL DEFAULT 0, worker INTEGER NOT NULL DEFAULT 0,"
    " finished TEXT NOT NULL DEFAULT '');"
    "CREATE TABLE IF NOT EXISTS meta(name TEXT PRIMARY KEY, value INTEGER NOT NULL);"
    "INSERT OR IGNORE INTO meta VALUES('paused', 0);";
constexpr const char* kColumns =
    "id, wish, state, tries, reason, target, digest, progress, seconds, beat, worker, finished";
constexpr int kPatience = 15000; // milliseconds that another process may hold the book

std::int64_t now() {
    return std::chrono::duration_cast<std::chrono::seconds>(
               std::chrono::system_clock::now().time_since_epoch())
        .count();
}

} // namespace

void JobBook::Closer::operator()(void* db) const { sqlite3_close_v2(static_cast<sqlite3*>(db)); }

struct JobBook::Statement {
    Statement(const JobBook& book, const std::string& sql) : db(static_cast<sqlite3*>(book.db_.get())) {
        if (sqlite3_prepare_v2(db, sql.c_str(), -1, &s, nullptr) != SQLITE_OK) fail();
    }
    ~Statement() { sqlite3_finalize(s); }
    Statement(const Statement&) = delete;
    Statement& operator=(const Statement&) = delete;
    template <class... Values> Statement& with(const Values&... values) {
        int at = 0;
        (bind(++at, values), ...);
        return *this;
    }
    bool step() {
        const int result = sqlite3_step(s);
        if (result != SQLITE_ROW && result != SQLITE_DONE) fail();
        return result == SQLITE_ROW;
    }
    void run() {
        while (step()) {
        }
    }
    std::string text(int column) const {
        const auto* t = reinterpret_cast<const char*>(sqlite3_column_text(s, column));
        return t ? t : "";
    }
    std::int64_t whole(int column) const { return sqlite3_column_int64(s, column); }
    double real(int column) const { return sqlite3_column_double(s, column); }

  private:
    void bind(int at, const std::string& v) { sqlite3_bind_text(s, at, v.c_str(), -1, SQLITE_TRANSIENT); }
    void bind(int at, std::int64_t v) { sqlite3_bind_int64(s, at, v); }
    void bind(int at, int v) { sqlite3_bind_int64(s, at, v); }
    void bind(int at, double v) { sqlite3_bind_double(s, at, v); }
    void bind(int at, JobState v) { sqlite3_bind_int64(s, at, static_cast<int>(v)); }
    [[noreturn]] void fail() const {
        throw BookError(std::string("The queue's book cannot be used: ") + sqlite3_errmsg(db) + ".");
    }

    sqlite3* db;
    sqlite3_stmt* s = nullptr;
};

namespace {

template <class Row> QueuedJob jobFrom(const Row& r) {
    QueuedJob job;
    job.id = r.whole(0);
    try {
        job.wish = wishFrom(r.text(1));
    } catch (const std::invalid_argument& e) {
        job.reason = e.what();
    }
    job.state = static_cast<JobState>(r.whole(2)), job.tries = static_cast<int>(r.whole(3));
    if (job.reason.empty()) job.reason = r.text(4);
    job.target = r.text(5), job.digest = r.text(6), job.progress = r.real(7), job.seconds = r.real(8);
    job.beat = r.whole(9), job.worker = static_cast<int>(r.whole(10)), job.finished = r.text(11);
    return job;
}

} // namespace

fs::path JobBook::usualPlace() {
    const char* state = std::getenv("XDG_STATE_HOME");
    const char* home = std::getenv("HOME");
    const fs::path base = state && *state ? fs::path(state) : fs::path(home ? home : ".") / ".local/state";
    return base / "irenic" / "queue.sqlite";
}

JobBook::JobBook(const fs::path& file) : file_(file) {
    std::error_code error;
    fs::create_directories(file.parent_path(), error);
    sqlite3* db = nullptr;
    const int result = sqlite3_open_v2(
        file.c_str(), &db, SQLITE_OPEN_READWRITE | SQLITE_OPEN_CREATE | SQLITE_OPEN_FULLMUTEX, nullptr);
    db_.reset(db);
    if (result != SQLITE_OK)
        throw BookError(shownPath(file) + ": the queue's book cannot be opened (" + sqlite3_errmsg(db) +
                        ").");
    sqlite3_busy_timeout(db, kPatience);
    run("PRAGMA journal_mode=WAL");
    run("PRAGMA synchronous=NORMAL");
    run(kTables);
}

JobBook::~JobBook() = default;

void JobBook::run(const char* sql) const {
    char* problem = nullptr;
    if (sqlite3_exec(static_cast<sqlite3*>(db_.get()), sql, nullptr, nullptr, &problem) == SQLITE_OK) return;
    const std::string words = problem ? problem : "unknown";
    sqlite3_free(problem);
    throw BookError("The queue's book cannot be used: " + words + ".");
}

void JobBook::add(const std::vector<JobWish>& wishes) {
    run("BEGIN IMMEDIATE");
    try {
        for (const JobWish& w : wishes)
            Statement(
                *this,
                "INSERT INTO jobs(place, wish) VALUES((SELECT COALESCE(MAX(place), 0) + 1 FROM jobs), ?)")
                .with(textOf(w))
                .run();
        run("COMMIT");
    } catch (...) {
        run("ROLLBACK");
        throw;
    }
}

std::vector<QueuedJob> JobBook::list() const {
    std::vector<QueuedJob> all;
    Statement s(*this, std::string("SELECT ") + kColumns + " FROM jobs ORDER BY place");
    while (s.step()) all.push_back(jobFrom(s));
    return all;
}

std::optional<QueuedJob> JobBook::find(std::int64_t id) const {
    Statement s(*this, std::string("SELECT ") + kColumns + " FROM jobs WHERE id = ?");
    s.with(id);
    if (!s.step()) return std::nullopt;
    return jobFrom(s);
}

std::int64_t JobBook::version() const {
    Statement s(*this, "PRAGMA data_version");
    s.step();
    // Changes by others, and by this connection.
    return s.whole(0) * 1000003 + sqlite3_total_changes(static_cast<sqlite3*>(db_.get()));
}

std::optional<QueuedJob> JobBook::claim() {
    // One statement: nobody else can take the same. A time to wait for that lies far ahead was told by a
    // clock that has been put back since.
    Statement s(
        *this, std::string(
                   "UPDATE jobs SET state = ?1, tries = tries + 1, progress = 0, reason = '', target = '', "
                   "digest = '', beat = ?2, worker = ?3 WHERE id = (SELECT id FROM jobs WHERE state = ?4 AND "
                   "(beat <= ?2 OR beat > ?2 + 60) AND (SELECT value FROM meta WHERE name = 'paused') = 0 "
                   "ORDER BY place LIMIT 1) "
                   "RETURNING ") +
                   kColumns);
    s.with(JobState::Running, now(), static_cast<int>(getpid()), JobState::Waiting);
    if (!s.step()) return std::nullopt;
    QueuedJob job = jobFrom(s);
    s.run();
    return job;
}

void JobBook::setWorker(std::int64_t id, int process) {
    Statement(*this, "UPDATE jobs SET worker = ?, beat = ? WHERE id = ?").with(process, now(), id).run();
}

void JobBook::tellProgress(std::int64_t id, double share) {
    // Only what moves is a sign of life.
    Statement(*this, "UPDATE jobs SET beat = ?1, progress = ?2 WHERE id = ?3 AND progress < ?2")
        .with(now(), share, id)
        .run();
}

void JobBook::tellNaming(std::int64_t id, const std::string& target, const std::string& digest) {
    Statement(*this, "UPDATE jobs SET target = ?, digest = ?, beat = ? WHERE id = ?")
        .with(target, digest, now(), id)
        .run();
    // This one must be on the disk before the file has its name.
    run("PRAGMA wal_checkpoint(FULL)");
}

void JobBook::tellDone(std::int64_t id, const std::string& target, const std::string& digest, double seconds,
                       const std::string& note) {
    Statement(*this, "UPDATE jobs SET state = ?, target = ?, digest = ?, progress = 1, seconds = ?, finished "
                     "= ?, worker = 0, reason = ? WHERE id = ?")
        .with(JobState::Done, target, digest, seconds, presentTime(), note, id)
        .run();
}

void JobBook::tellLater(std::int64_t id, int seconds) {
    Statement(*this,
              "UPDATE jobs SET state = ?, beat = ?, tries = MAX(0, tries - 1), worker = 0, progress = 0 "
              "WHERE id = ? AND state = ?")
        .with(JobState::Waiting, now() + seconds, id, JobState::Running)
        .run();
}

void JobBook::tellFailed(std::int64_t id, const std::string& reason, bool again) {
    Statement(*this, "UPDATE jobs SET state = CASE WHEN ?1 AND tries < 2 THEN ?2 ELSE ?3 END, reason = ?4, "
                     "finished = ?5, worker = 0, progress = 0, beat = 0 WHERE id = ?6 AND state = ?7")
        .with(static_cast<int>(again), JobState::Waiting, JobState::Failed, reason, presentTime(), id,
              JobState::Running)
        .run();
}

void JobBook::cancel(std::int64_t id) {
    Statement(*this, "UPDATE jobs SET state = ?, finished = ? WHERE id = ? AND state IN (?, ?)")
        .with(JobState::Cancelled, presentTime(), id, JobState::Waiting, JobState::Running)
        .run();
}

void JobBook::cancelAll() {
    Statement(*this, "UPDATE jobs SET state = ?, finished = ? WHERE state IN (?, ?)")
        .with(JobState::Cancelled, presentTime(), JobState::Waiting, JobState::Running)
        .run();
}

void JobBook::retry(std::int64_t id) {
    Statement(*this,
              "UPDATE jobs SET state = ?, tries = 0, beat = 0, reason = '' WHERE id = ? AND state IN (?, ?)")
        .with(JobState::Waiting, id, JobState::Failed, JobState::Cancelled)
        .run();
}

void JobBook::retryFailed() {
    Statement(*this, "UPDATE jobs SET state = ?, tries = 0, beat = 0, reason = '' WHERE state = ?")
        .with(JobState::Waiting, JobState::Failed)
        .run();
}

void JobBook::clearFinished() {
    Statement(*this, "DELETE FROM jobs WHERE state IN (?, ?)")
        .with(JobState::Done, JobState::Cancelled)
        .run();
}

void JobBook::move(std::int64_t id, int by) {
    const std::vector<QueuedJob> all = list();
    for (std::size_t i = 0; i < all.size(); ++i) {
        const auto to = static_cast<std::ptrdiff_t>(i) + by;
        if (all[i].id != id || to < 0 || to >= std::ssize(all)) continue;
        // Before or behind the one that stands there.
        const std::int64_t other = all[static_cast<std::size_t>(to)].id;
        Statement(*this, "UPDATE jobs SET place = (SELECT place FROM jobs WHERE id = ?) + ? WHERE id = ?")
            .with(other, by < 0 ? -0.5 : 0.5, id)
            .run();
        Statement(*this,
                  "UPDATE jobs SET place = (SELECT COUNT(*) FROM jobs AS j WHERE j.place <= jobs.place)")
            .run();
        return;
    }
}

bool JobBook::paused() const {
    Statement s(*this, "SELECT value FROM meta WHERE name = 'paused'");
    return s.step() && s.whole(0) != 0;
}

void JobBook::setPaused(bool paused) {
    Statement(*this, "UPDATE meta SET value = ? WHERE name = 'paused'").with(static_cast<int>(paused)).run();
}

int JobBook::recover(const std::set<std::int64_t>& mine, int since) {
    int waiting = 0;
    for (const QueuedJob& j : list()) {
        if (j.state == JobState::Waiting) ++waiting;
        if (j.state != JobState::Running || mine.count(j.id) || processLives(j.worker)) continue;
        if (since > 0 && std::abs(now() - j.beat) < since) continue;
        if (!j.target.empty() && !j.digest.empty() && digestOfFile(j.target) == j.digest) {
            tellDone(j.id, j.target, j.digest, j.seconds);
            continue;
        }
        Statement(*this,
                  "UPDATE jobs SET state = ?, progress = 0, worker = 0, beat = 0, target = '', digest = '', "
                  "tries = MAX(0, tries - 1) WHERE id = ? AND state = ?")
            .with(JobState::Waiting, j.id, JobState::Running)
            .run();
        ++waiting;
    }
    return waiting;
}

std::string digestOfFile(const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    if (!in) return {};
    ByteDigest digest;
    std::vector<char> block(1 << 20);
    while (in) {
        in.read(block.data(), static_cast<std::streamsize>(block.size()));
        digest.add(block.data(), static_cast<std::size_t>(in.gcount()));
    }
    return in.bad() ? std::string() : digest.text();
}

std::string textOf(const JobWish& w) {
    json out = {{"photo", w.photo}, {"delivery", textOf(w.delivery)}, {"letter", w.letter},
                {"take", w.take},   {"look", jsonOf(w.look)},         {"counter", w.counter}};
    if (w.resume) out["resume"] = true;
    if (w.settings) out["settings"] = jsonOf(*w.settings);
    if (w.risk) out["risk"] = {w.risk->luminance, w.risk->colour};
    return out.dump(-1, ' ', false, json::error_handler_t::replace);
}

JobWish wishFrom(const std::string& text) {
    try {
        const json in = json::parse(text);
        JobWish w;
        w.photo = in.at("photo"), w.letter = in.value("letter", "A"), w.take = in.value("take", ""),
        w.counter = in.value("counter", 1), w.resume = in.value("resume", false);
        w.delivery = deliveryFromText(in.at("delivery"));
        std::vector<std::string> problems;
        if (in.contains("look")) readJson(in["look"], w.look, problems);
        if (in.contains("settings")) readJson(in["settings"], w.settings.emplace(), problems);
        if (in.contains("risk")) w.risk = Risk{in["risk"].at(0), in["risk"].at(1)};
        if (!problems.empty()) throw std::invalid_argument(problems[0]);
        return w;
    } catch (const json::exception& e) {
        throw std::invalid_argument(std::string("an entry of the queue cannot be read: ") + e.what());
    }
}

} // namespace irenic
