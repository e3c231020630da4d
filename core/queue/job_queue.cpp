#include "queue/job_queue.h"

#include <sqlite3.h>
#include <sys/stat.h>
#include <unistd.h>

#include <chrono>

#include "base/digest.h"
#include "base/expects.h"
#include "base/field_json.h"
#include "base/folders.h"
#include "base/given_file.h"
#include "base/json.h"
#include "base/process.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "denoise/method.h"
#include "session/state.h"

namespace irenic {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

// The version of the tables; a file of a newer one is left alone.
constexpr int kVersion = 1;
constexpr const char* kTables =
    "CREATE TABLE IF NOT EXISTS jobs(id INTEGER PRIMARY KEY, place REAL NOT NULL, wish TEXT NOT NULL,"
    " state INTEGER NOT NULL DEFAULT 0, tries INTEGER NOT NULL DEFAULT 0, reason TEXT NOT NULL DEFAULT '',"
    " target TEXT NOT NULL DEFAULT '', digest TEXT NOT NULL DEFAULT '', progress REAL NOT NULL DEFAULT 0,"
    " seconds REAL NOT NULL DEFAULT 0, beat INTEGER NOT NULL DEFAULT 0, owner TEXT NOT NULL DEFAULT '',"
    " finished TEXT NOT NULL DEFAULT '', severity REAL NOT NULL DEFAULT -1, found TEXT NOT NULL DEFAULT '');"
    "CREATE TABLE IF NOT EXISTS meta(name TEXT PRIMARY KEY, value INTEGER NOT NULL);"
    "INSERT OR IGNORE INTO meta VALUES('paused', 0);"
    // Numbers of jobs are never used twice, so that nobody takes one for another that was cleared.
    "INSERT OR IGNORE INTO meta VALUES('next', 1);";
constexpr const char* kColumns =
    "id, state, tries, reason, target, digest, progress, seconds, beat, owner, finished, severity, found";
constexpr std::size_t kLongestRequest = 64 << 10; // bytes of its text

std::int64_t now() {
    return std::chrono::duration_cast<std::chrono::seconds>(
               std::chrono::system_clock::now().time_since_epoch())
        .count();
}

std::string cannotBeUsed(const fs::path& file, const std::string& why) {
    return filled(IRENIC_TEXT("The export queue cannot be used: %1 (%2)."), {shownPath(file), why});
}

QueueError errorOf(sqlite3* db, const fs::path& file) {
    const int code = db ? sqlite3_errcode(db) & 0xff : SQLITE_CANTOPEN;
    const std::string words = db ? sqlite3_errmsg(db) : "out of memory";
    const bool damaged = code == SQLITE_NOTADB || code == SQLITE_CORRUPT;
    const std::string advice = damaged               ? IRENIC_TEXT("It is damaged and has to be set aside.")
                               : code == SQLITE_BUSY ? IRENIC_TEXT("Another program holds it; try again.")
                               : code == SQLITE_FULL ? IRENIC_TEXT("Make room on its disk.")
                               : code == SQLITE_READONLY || code == SQLITE_CANTOPEN || code == SQLITE_PERM
                                   ? IRENIC_TEXT("Check its permissions and free space.")
                                   : IRENIC_TEXT("Check its disk.");
    return {cannotBeUsed(file, words) + " " + advice, damaged};
}

} // namespace

void JobQueue::Closer::operator()(void* db) const { sqlite3_close_v2(static_cast<sqlite3*>(db)); }

struct JobQueue::Statement {
    Statement(const JobQueue& of, const std::string& sql)
        : queue(of), alone(of.mutex_), db(static_cast<sqlite3*>(of.db_.get())) {
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
        return t ? std::string(t, static_cast<std::size_t>(sqlite3_column_bytes(s, column))) : std::string();
    }
    bool isWhole(int column) const { return sqlite3_column_type(s, column) == SQLITE_INTEGER; }
    std::int64_t number(int column) const { return sqlite3_column_int64(s, column); }
    double real(int column) const { return sqlite3_column_double(s, column); }

  private:
    void bind(int at, const std::string& v) { sqlite3_bind_text(s, at, v.c_str(), -1, SQLITE_TRANSIENT); }
    void bind(int at, std::int64_t v) { sqlite3_bind_int64(s, at, v); }
    void bind(int at, int v) { sqlite3_bind_int64(s, at, v); }
    void bind(int at, double v) { sqlite3_bind_double(s, at, v); }
    void bind(int at, JobState v) { sqlite3_bind_int64(s, at, static_cast<int>(v)); }
    [[noreturn]] void fail() const { throw errorOf(db, queue.file_); }

    const JobQueue& queue;
    const std::lock_guard<std::recursive_mutex> alone;
    sqlite3* db;
    sqlite3_stmt* s = nullptr;
};

// Several steps as one: taken back unless it is told that all is well.
struct JobQueue::Transaction {
    explicit Transaction(const JobQueue& of) : queue(of), alone(of.mutex_) { queue.run("BEGIN IMMEDIATE"); }
    ~Transaction() {
        // Where even that fails, closing the file takes it back.
        if (!done)
            sqlite3_exec(static_cast<sqlite3*>(queue.db_.get()), "ROLLBACK", nullptr, nullptr, nullptr);
    }
    Transaction(const Transaction&) = delete;
    Transaction& operator=(const Transaction&) = delete;
    void commit() {
        queue.run("COMMIT");
        done = true;
    }
    const JobQueue& queue;
    const std::lock_guard<std::recursive_mutex> alone;
    bool done = false;
};

std::shared_ptr<const ExportRequest> JobQueue::requestOf(std::int64_t id, std::string& problem) const {
    static const auto nothing = std::make_shared<const ExportRequest>();
    {
        const std::lock_guard lock(mutex_);
        if (const auto known = requests_.find(id); known != requests_.end()) return known->second;
    }
    Statement s(*this, "SELECT CASE WHEN length(wish) <= ?2 THEN wish ELSE '' END FROM jobs WHERE id = ?1");
    s.with(id, static_cast<std::int64_t>(kLongestRequest));
    try {
        if (!s.step()) return nothing;
        const auto request = std::make_shared<const ExportRequest>(requestFrom(s.text(0)));
        const std::lock_guard lock(mutex_);
        return requests_.emplace(id, request).first->second;
    } catch (const std::invalid_argument& e) {
        problem = e.what();
        return nothing;
    }
}

QueuedJob JobQueue::jobFrom(const Statement& r) const {
    QueuedJob job;
    job.id = r.number(0);
    const std::int64_t state = r.number(1);
    std::string problem;
    job.request = *requestOf(job.id, problem);
    // What a newer version or a damaged file says is shown, and never begun.
    if (!r.isWhole(1) || state < 0 || state > static_cast<int>(JobState::Cancelled))
        problem = "its state is not known";
    job.state = problem.empty() || (r.isWhole(1) && state == static_cast<int>(JobState::Cancelled))
                    ? static_cast<JobState>(state)
                    : JobState::Failed;
    job.tries = static_cast<int>(r.number(2)), job.reason = problem.empty() ? r.text(3) : problem;
    job.target = r.text(4), job.digest = r.text(5), job.progress = r.real(6), job.seconds = r.real(7);
    job.heartbeat = r.number(8), job.owner = r.text(9), job.finished = r.text(10);
    job.severity = r.real(11), job.found = r.text(12);
    return job;
}

fs::path JobQueue::usualPlace() { return stateFolder() / "queue.sqlite"; }

fs::path JobQueue::setAside(const fs::path& file) {
    fs::path aside;
    std::error_code error;
    for (int n = 1; n == 1 || fs::exists(fs::symlink_status(aside, error)); ++n)
        aside = file.string() + ".damaged-" + std::to_string(n);
    fs::rename(file, aside, error);
    if (error)
        throw QueueError(
            filled(IRENIC_TEXT("The damaged queue %1 cannot be set aside (%2). Move it away yourself."),
                   {shownPath(file), error.message()}),
            true);
    // What the log holds belongs to the damaged one.
    for (const char* ending : {"-wal", "-shm"}) {
        std::error_code none;
        fs::rename(file.string() + ending, aside.string() + ending, none);
    }
    return aside;
}

JobQueue::JobQueue(const fs::path& file, int patience) : file_(file) {
    std::error_code error;
    fs::create_directories(file.parent_path(), error);
    // Nothing that would never answer. It is looked at by its name: opening and closing it here would take
    // away the locks that other connections of this process have on it (fcntl(2)), and with them what they
    // are about to write.
    struct stat info {};
    if (stat(file.c_str(), &info) == 0 && !S_ISREG(info.st_mode))
        throw QueueError(
            filled(IRENIC_TEXT("The export queue cannot be used: %1 is no file. It has to be set aside."),
                   {shownPath(file)}),
            true);
    sqlite3* db = nullptr;
    const int result = sqlite3_open_v2(
        file.c_str(), &db, SQLITE_OPEN_READWRITE | SQLITE_OPEN_CREATE | SQLITE_OPEN_FULLMUTEX, nullptr);
    db_.reset(db);
    if (result != SQLITE_OK) throw errorOf(db, file_);
    sqlite3_busy_timeout(db, patience);
    prepare();
}

void JobQueue::prepare() {
    run("PRAGMA journal_mode=WAL");
    // Every commit waits for the disk: what was promised holds after a power cut.
    run("PRAGMA synchronous=FULL");
    {
        Statement version(*this, "PRAGMA user_version");
        if (version.step() && version.number(0) > kVersion)
            throw QueueError(filled(IRENIC_TEXT("The export queue %1 was written by a newer Irenic. Use "
                                                "that, or move the file away."),
                                    {shownPath(file_)}),
                             false);
        Statement check(*this, "PRAGMA quick_check(1)");
        if (!check.step() || check.text(0) != "ok")
            throw QueueError(cannotBeUsed(file_, check.text(0)) + " " +
                                 IRENIC_TEXT("It is damaged and has to be set aside."),
                             true);
    }
    Transaction all(*this);
    run(kTables);
    // What came with later versions.
    const struct {
        const char *column, *added;
    } later[] = {{"owner", "ALTER TABLE jobs ADD COLUMN owner TEXT NOT NULL DEFAULT ''"},
                 {"severity", "ALTER TABLE jobs ADD COLUMN severity REAL NOT NULL DEFAULT -1"},
                 {"found", "ALTER TABLE jobs ADD COLUMN found TEXT NOT NULL DEFAULT ''"}};
    std::set<std::string> there;
    {
        Statement columns(*this, "PRAGMA table_info(jobs)");
        while (columns.step()) there.insert(columns.text(1));
    }
    for (const auto& [column, added] : later)
        if (!there.count(column)) run(added);
    run("PRAGMA user_version=1");
    // A table of that name but of another form is no queue.
    try {
        const Statement known(*this, std::string("SELECT wish, place, ") + kColumns + " FROM jobs LIMIT 1");
    } catch (const QueueError& e) {
        throw QueueError(e.what(), true);
    }
    all.commit();
}

JobQueue::~JobQueue() = default;

void JobQueue::run(const char* sql) const {
    auto* db = static_cast<sqlite3*>(db_.get());
    if (sqlite3_exec(db, sql, nullptr, nullptr, nullptr) != SQLITE_OK) throw errorOf(db, file_);
}

std::vector<std::int64_t> JobQueue::add(const std::vector<ExportRequest>& requests) {
    Transaction all(*this);
    std::int64_t next = 1;
    {
        Statement s(
            *this,
            "SELECT MAX((SELECT value FROM meta WHERE name = 'next'), (SELECT COALESCE(MAX(id), 0) + 1 "
            "FROM jobs))");
        if (s.step()) next = s.number(0);
    }
    std::vector<std::int64_t> ids;
    for (const ExportRequest& r : requests) {
        const std::string text = textOf(r);
        if (text.size() > kLongestRequest)
            throw std::invalid_argument(
                shownName(r.photo) + ": " +
                filled(IRENIC_TEXT("what is asked for is too long (%1 kB) for the queue."),
                       {std::to_string(text.size() / 1000)}));
        Statement(
            *this,
            "INSERT INTO jobs(id, place, wish) VALUES(?, (SELECT COALESCE(MAX(place), 0) + 1 FROM jobs), ?)")
            .with(next, text)
            .run();
        ids.push_back(next++);
    }
    Statement(*this, "UPDATE meta SET value = ? WHERE name = 'next'").with(next).run();
    all.commit();
    return ids;
}

std::vector<QueuedJob> JobQueue::list() const {
    std::vector<QueuedJob> all;
    Statement s(*this, std::string("SELECT ") + kColumns + " FROM jobs ORDER BY place, id");
    while (s.step()) all.push_back(jobFrom(s));
    return all;
}

std::optional<QueuedJob> JobQueue::find(std::int64_t id) const {
    Statement s(*this, std::string("SELECT ") + kColumns + " FROM jobs WHERE id = ?");
    s.with(id);
    if (!s.step()) return std::nullopt;
    return jobFrom(s);
}

std::int64_t JobQueue::version() const {
    Statement s(*this, "PRAGMA data_version");
    s.step();
    // Changes by others, and by this connection.
    return s.number(0) * 1000003 + sqlite3_total_changes(static_cast<sqlite3*>(db_.get()));
}

std::optional<QueuedJob> JobQueue::claim() {
    // One statement: nobody else can take the same. A time to wait for that lies far ahead was told by a
    // clock that has been put back since.
    Statement s(*this,
                std::string("UPDATE jobs SET state = ?1, tries = tries + 1, progress = 0, reason = '', "
                            "target = '', digest = '', severity = -1, found = '', beat = ?2, owner = ?3 "
                            "WHERE id = (SELECT id FROM "
                            "jobs WHERE state = ?4 AND (beat <= ?2 OR beat > ?2 + 60) AND (SELECT value "
                            "FROM meta WHERE name = 'paused') = 0 ORDER BY place, id LIMIT 1) RETURNING ") +
                    kColumns);
    s.with(JobState::Running, now(), thisProcess(), JobState::Waiting);
    if (!s.step()) return std::nullopt;
    QueuedJob job = jobFrom(s);
    s.run();
    if (job.state == JobState::Running) return job;
    noteFailed(job.id, job.reason, false); // it cannot be read, and would be claimed for ever
    return claim();
}

void JobQueue::setWorker(std::int64_t id, int process) {
    Statement(*this, "UPDATE jobs SET owner = ?, beat = ? WHERE id = ?")
        .with(nameOfProcess(process), now(), id)
        .run();
}

void JobQueue::noteProgress(std::int64_t id, double share) {
    IRENIC_EXPECTS(share >= 0 && share <= 1);
    Statement(*this, "UPDATE jobs SET beat = ?1, progress = ?2 WHERE id = ?3 AND progress < ?2")
        .with(now(), share, id)
        .run();
}

void JobQueue::noteHeartbeat(std::int64_t id) {
    Statement(*this, "UPDATE jobs SET beat = ? WHERE id = ? AND state = ?")
        .with(now(), id, JobState::Running)
        .run();
}

void JobQueue::noteNaming(std::int64_t id, const std::string& target, const std::string& digest) {
    Statement(*this, "UPDATE jobs SET target = ?, digest = ?, beat = ? WHERE id = ?")
        .with(target, digest, now(), id)
        .run();
}

void JobQueue::noteDone(std::int64_t id, const std::string& target, const std::string& digest, double seconds,
                        const std::string& note) {
    Statement(*this, "UPDATE jobs SET state = ?, target = ?, digest = ?, progress = 1, seconds = ?, finished "
                     "= ?, owner = '', reason = ? WHERE id = ?")
        .with(JobState::Done, target, digest, seconds, presentTime(), note, id)
        .run();
}

void JobQueue::noteFound(std::int64_t id, double severity, const std::string& sentence) {
    Statement(*this, "UPDATE jobs SET severity = ?, found = ? WHERE id = ?")
        .with(severity, sentence, id)
        .run();
}

void JobQueue::postpone(std::int64_t id, int seconds) {
    IRENIC_EXPECTS(seconds >= 0);
    Statement(*this,
              "UPDATE jobs SET state = ?, beat = ?, tries = MAX(0, tries - 1), owner = '', progress = 0 "
              "WHERE id = ? AND state = ?")
        .with(JobState::Waiting, now() + seconds, id, JobState::Running)
        .run();
}

void JobQueue::noteFailed(std::int64_t id, const std::string& reason, bool again) {
    Statement(*this, "UPDATE jobs SET state = CASE WHEN ?1 AND tries < 2 THEN ?2 ELSE ?3 END, reason = ?4, "
                     "finished = ?5, owner = '', progress = 0, beat = 0 WHERE id = ?6 AND state = ?7")
        .with(static_cast<int>(again), JobState::Waiting, JobState::Failed, reason, presentTime(), id,
              JobState::Running)
        .run();
}

void JobQueue::cancel(std::int64_t id) {
    Statement(*this, "UPDATE jobs SET state = ?, finished = ? WHERE id = ? AND state IN (?, ?)")
        .with(JobState::Cancelled, presentTime(), id, JobState::Waiting, JobState::Running)
        .run();
}

void JobQueue::cancelAll() {
    Statement(*this, "UPDATE jobs SET state = ?, finished = ? WHERE state IN (?, ?)")
        .with(JobState::Cancelled, presentTime(), JobState::Waiting, JobState::Running)
        .run();
}

void JobQueue::retry(std::int64_t id) {
    Statement(*this,
              "UPDATE jobs SET state = ?, tries = 0, beat = 0, reason = '' WHERE id = ? AND state IN (?, ?)")
        .with(JobState::Waiting, id, JobState::Failed, JobState::Cancelled)
        .run();
}

void JobQueue::retryFailed() {
    Statement(*this, "UPDATE jobs SET state = ?, tries = 0, beat = 0, reason = '' WHERE state = ?")
        .with(JobState::Waiting, JobState::Failed)
        .run();
}

void JobQueue::clearFinished() {
    Statement(*this, "DELETE FROM jobs WHERE state IN (?, ?)")
        .with(JobState::Done, JobState::Cancelled)
        .run();
}

void JobQueue::move(std::int64_t id, int by) {
    Transaction all(*this);
    std::vector<std::int64_t> order;
    {
        Statement s(*this, "SELECT id FROM jobs ORDER BY place, id");
        while (s.step()) order.push_back(s.number(0));
    }
    const auto at = std::find(order.begin(), order.end(), id);
    if (at == order.end()) return;
    const std::ptrdiff_t from = at - order.begin(),
                         to = std::clamp<std::ptrdiff_t>(from + by, 0, std::ssize(order) - 1);
    order.erase(at);
    order.insert(order.begin() + to, id);
    for (std::size_t i = 0; i < order.size(); ++i)
        Statement(*this, "UPDATE jobs SET place = ? WHERE id = ?")
            .with(static_cast<std::int64_t>(i + 1), order[i])
            .run();
    all.commit();
}

bool JobQueue::paused() const {
    Statement s(*this, "SELECT value FROM meta WHERE name = 'paused'");
    return s.step() && s.number(0) != 0;
}

void JobQueue::setPaused(bool paused) {
    Statement(*this, "UPDATE meta SET value = ? WHERE name = 'paused'").with(static_cast<int>(paused)).run();
}

int JobQueue::recover(const std::set<std::int64_t>& mine, int since) {
    int waiting = 0;
    for (const QueuedJob& j : list()) {
        if (j.state == JobState::Waiting) ++waiting;
        if (j.state != JobState::Running || mine.count(j.id)) continue;
        const Life life = lifeOf(j.owner);
        const std::int64_t silent = std::abs(now() - j.heartbeat);
        if (life == Life::Alive || silent < (life == Life::Unknown ? std::max(since, kDeadAfter) : since))
            continue;
        if (!j.target.empty() && !j.digest.empty() && digestOfFile(j.target) == j.digest) {
            noteDone(j.id, j.target, j.digest, j.seconds);
            continue;
        }
        Statement(*this,
                  "UPDATE jobs SET state = ?, progress = 0, owner = '', beat = 0, target = '', digest = '', "
                  "tries = MAX(0, tries - 1) WHERE id = ? AND state = ?")
            .with(JobState::Waiting, j.id, JobState::Running)
            .run();
        ++waiting;
    }
    return waiting;
}

std::string digestOfFile(const fs::path& file) {
    try {
        const Descriptor in = openGiven(file);
        Digest digest;
        std::vector<char> block(1 << 20);
        while (true) {
            const ssize_t count = read(in.number(), block.data(), block.size());
            if (count < 0 && errno == EINTR) continue;
            if (count < 0) return {};
            if (count == 0) return digest.text();
            digest.add(block.data(), static_cast<std::size_t>(count));
        }
    } catch (const FileError&) {
        return {};
    }
}

std::string textOf(const ExportRequest& r) {
    json out = {{"photo", r.photo}, {"delivery", textOf(r.delivery)}, {"letter", r.letter},
                {"take", r.take},   {"look", jsonOf(r.look)},         {"counter", r.counter}};
    if (r.resume) out["resume"] = true;
    if (r.check) out["check"] = true;
    if (!r.then.empty()) out["then"] = r.then;
    if (r.noise)
        for (const NoiseLine& line : r.noise->channel) out["noise"].push_back({line.a, line.b});
    if (r.settings) out["settings"] = jsonOf(*r.settings);
    if (r.risk) out["risk"] = {r.risk->luminance, r.risk->colour};
    return out.dump(-1, ' ', false, json::error_handler_t::replace);
}

namespace {

// Lines that no sensor has are nobody's.
NoiseModel noiseFrom(const json& from) {
    NoiseModel out;
    for (std::size_t c = 0; c < out.channel.size(); ++c) {
        NoiseLine& line = out.channel[c];
        line.a = from.at(c).at(0), line.b = from.at(c).at(1);
        if (!(line.a >= 0 && line.a < 1 && line.b >= 0 && line.b < 1))
            throw std::invalid_argument(IRENIC_TEXT("an entry of the queue has noise that no sensor has."));
    }
    return out;
}

} // namespace

ExportRequest requestFrom(const std::string& text) {
    try {
        const json in = jsonFrom(text);
        ExportRequest r;
        r.photo = in.at("photo"), r.letter = in.value("letter", "A"), r.take = in.value("take", ""),
        r.resume = in.value("resume", false), r.check = in.value("check", false),
        r.then = in.value("then", "");
        if (in.contains("counter"))
            r.counter = static_cast<int>(wholeNumber(in["counter"], 1, 1000000000).value_or(1));
        if (in.contains("noise")) r.noise = noiseFrom(in["noise"]);
        r.delivery = deliveryFromText(in.at("delivery"));
        std::vector<std::string> problems;
        if (in.contains("look")) readJson(in["look"], r.look, problems);
        if (in.contains("settings")) {
            readJson(in["settings"], r.settings.emplace(), problems);
            if (const std::string problem = problemWith(*r.settings); !problem.empty())
                problems.push_back(problem);
        }
        if (in.contains("risk")) r.risk = Risk{in["risk"].at(0), in["risk"].at(1)};
        if (!problems.empty()) throw std::invalid_argument(problems[0]);
        return r;
    } catch (const json::exception& e) {
        throw std::invalid_argument(
            filled(IRENIC_TEXT("an entry of the queue cannot be read: %1"), {e.what()}));
    } catch (const JsonError& e) {
        throw std::invalid_argument(
            filled(IRENIC_TEXT("an entry of the queue cannot be read: %1"), {e.what()}));
    }
}

} // namespace irenic
