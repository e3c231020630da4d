// The queue: files are made once, whatever dies in between.
#include <QFile>
#include <QProcess>
#include <QtTest>
#include <csignal>
#include <fcntl.h>
#include <fstream>
#include <sqlite3.h>
#include <sys/stat.h>
#include <thread>

#include "base/claim.h"
#include "base/command.h"
#include "base/process.h"
#include "deliver/export.h"
#include "measure/open.h"
#include "patience.h"
#include "queue/perform.h"
#include "queue/supervisor.h"
#include "support.h"

using namespace irenic;

namespace fs = std::filesystem;

class TestQueue : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::vector<std::string> photos_;

    fs::path in(const std::string& name) const {
        return folder_.filePath(QString::fromStdString(name)).toStdString();
    }
    static fs::path cli() { return qEnvironmentVariable("IRENIC_CLI").toStdString(); }
    ExportRequest request(const std::string& photo, const fs::path& out) const {
        ExportRequest w;
        w.photo = photo, w.settings = Settings{"wavelet"};
        w.delivery.folder = out.string(), w.delivery.format = ExportFormat::Tiff;
        return w;
    }
    static bool over(const JobQueue& queue) {
        for (const QueuedJob& j : queue.list())
            if (j.state == JobState::Waiting || j.state == JobState::Running) return false;
        return true;
    }
    static Workforce force(double patience = 60) {
        Workforce f;
        f.program = cli(), f.patience = patience, f.nice = 0; // tests run beside others
        return f;
    }
    static std::vector<std::string> namesIn(const fs::path& folder) {
        std::vector<std::string> names;
        if (fs::exists(folder))
            for (const auto& e : fs::directory_iterator(folder)) names.push_back(e.path().filename());
        std::sort(names.begin(), names.end());
        return names;
    }

  private slots:
    void initTestCase() {
        for (int i = 0; i < 6; ++i)
            photos_.push_back(
                test::writeShot(folder_, ("mill-" + std::to_string(i) + ".dng").c_str(),
                                test::shoot(6400, "RGGB", static_cast<std::uint32_t>(20 + i)).photo));
    }
    void theBookKeepsOrderAndStates() {
        JobQueue queue(in("queue-1.sqlite"));
        QVERIFY(queue.list().empty() && !queue.claim());
        queue.add({request(photos_[0], in("o")), request(photos_[1], in("o")), request(photos_[2], in("o"))});
        const auto all = queue.list();
        QCOMPARE(all.size(), std::size_t(3));
        QVERIFY(all[0].request.settings->method == "wavelet" && all[2].request.photo == photos_[2]);
        queue.move(all[2].id, -2);
        QCOMPARE(queue.list()[0].id, all[2].id);
        queue.move(all[2].id, 1);
        QCOMPARE(queue.list()[1].id, all[2].id);
        queue.setPaused(true);
        QVERIFY(!queue.claim());
        queue.setPaused(false);
        // Two that have the queue open never get the same.
        JobQueue other(in("queue-1.sqlite"));
        const auto a = queue.claim(), b = other.claim();
        QVERIFY(a && b && a->id != b->id);
        queue.noteProgress(a->id, 0.5);
        QCOMPARE(other.find(a->id)->progress, 0.5);
        queue.noteFailed(a->id, "the tide came", true);
        QVERIFY(queue.find(a->id)->state == JobState::Waiting &&
                queue.find(a->id)->reason == "the tide came");
        (void)queue.claim();
        queue.noteFailed(a->id, "and again", true);
        QVERIFY(queue.find(a->id)->state == JobState::Failed);
        queue.retryFailed();
        QVERIFY(queue.find(a->id)->state == JobState::Waiting && queue.find(a->id)->tries == 0);
        queue.cancelAll();
        QVERIFY(over(queue));
        queue.clearFinished();
        QVERIFY(queue.list().empty());
    }
    void movingWorksInEveryOrder() {
        JobQueue queue(in("queue-moves.sqlite"));
        std::vector<ExportRequest> many(7, request(photos_[0], in("o")));
        queue.add(many);
        std::vector<std::int64_t> order;
        const auto now = [&] {
            std::vector<std::int64_t> ids;
            for (const QueuedJob& j : queue.list()) ids.push_back(j.id);
            return ids;
        };
        order = now();
        std::uint32_t s = 3;
        for (int i = 0; i < 200; ++i) {
            s = s * 1664525U + 1013904223U;
            const auto at = static_cast<std::ptrdiff_t>(s >> 16) % 7;
            const int by = static_cast<int>(s >> 8 & 255) % 9 - 4;
            const std::int64_t id = order[static_cast<std::size_t>(at)];
            const std::ptrdiff_t to = std::clamp<std::ptrdiff_t>(at + by, 0, 6);
            order.erase(order.begin() + at);
            order.insert(order.begin() + to, id);
            queue.move(id, by);
            QVERIFY(now() == order);
        }
    }
    // Once a file is there it is measured what the take did, and a command is run on it; neither makes the
    // export fail, and a name of a file is never more than a name.
    void whatComesAfterwards() {
        JobQueue queue(in("queue-after.sqlite"));
        const fs::path out = in("after"), said = in("said.txt");
        std::vector<ExportRequest> all(4, request(photos_[0], out));
        all[0].check = true, all[0].settings = Settings{"wavelet", 0.1f, 0.1f};
        all[0].then = "sh -c \"basename '{file}' >> '" + said.string() + "'\"";
        all[0].delivery.name = "one";
        all[1].check = true, all[1].settings = Settings{"bm3d"};
        all[1].then = "false", all[1].delivery.name = "two; touch broken";
        all[2].then = "no-such-program-here {file}", all[2].delivery.name = "three";
        all[3].then = "sh -c \"kill -9 $$\"", all[3].delivery.name = "four";
        queue.add(all);
        {
            Supervisor supervisor(queue.file(), force());
            QTRY_VERIFY(over(queue));
        }
        const auto jobs = queue.list();
        for (const QueuedJob& j : jobs) QVERIFY2(j.state == JobState::Done, j.reason.c_str());
        std::ifstream in(said);
        std::string line;
        std::getline(in, line);
        QCOMPARE(line, fs::path(jobs[0].target).filename().string());
        QVERIFY(jobs[0].reason.empty());
        QVERIFY(jobs[1].reason.find("ended with status 1") != std::string::npos);
        QVERIFY(jobs[2].reason.find("cannot be run") != std::string::npos);
        QVERIFY(jobs[3].reason.find("signal 9") != std::string::npos);
        QVERIFY(!fs::exists(out / "broken") && !fs::exists("broken"));
        // Hardly cleaned is worse than cleaned, and what was not asked for was not checked.
        QVERIFY(jobs[0].severity >= 2 && !jobs[0].found.empty());
        QVERIFY(jobs[1].severity >= 0 && jobs[1].severity < jobs[0].severity);
        QVERIFY(jobs[2].severity < 0 && jobs[2].found.empty());
    }
    // A queue that lies where others can write may be a stranger's: its commands are not run, and that is
    // said.
    void aStrangersQueueRunsNothing() {
        const fs::path open = in("open-folder"), ran = in("ran.txt");
        fs::create_directories(open);
        fs::permissions(open, fs::perms::owner_all | fs::perms::others_all);
        JobQueue queue(open / "queue.sqlite");
        ExportRequest one = request(photos_[0], in("strange"));
        one.then = "touch \"" + ran.string() + "\"";
        queue.add({one});
        {
            Supervisor supervisor(queue.file(), force());
            QTRY_VERIFY(over(queue));
        }
        const QueuedJob job = queue.list().front();
        QVERIFY(job.state == JobState::Done && fs::exists(job.target) && !fs::exists(ran));
        QVERIFY(job.reason.find("was not run") != std::string::npos);
    }
    void aCommandsWords() {
        using Words = std::vector<std::string>;
        QCOMPARE(wordsOf("view", "/a b.tif"), (Words{"view", "/a b.tif"}));
        QCOMPARE(wordsOf("view  {file} --full", "/a b.tif"), (Words{"view", "/a b.tif", "--full"}));
        QCOMPARE(wordsOf("\"my viewer\" \"--at={file}\" \"\"", "/a b.tif"),
                 (Words{"my viewer", "--at=/a b.tif", ""}));
        QVERIFY(wordsOf("  ", "/a.tif").empty());
        QVERIFY(runCommand("", "/a.tif", 1) == "There is no command to run.");
        // One that goes on is left alone, and ended when that is asked for.
        const auto began = std::chrono::steady_clock::now();
        QVERIFY(runCommand("sleep 30 {file}", "0", 0).empty());
        std::stop_source stop;
        stop.request_stop();
        QVERIFY(runCommand("sleep 30", "0", 20, stop.get_token()).find("was stopped") != std::string::npos);
        QVERIFY(std::chrono::steady_clock::now() - began < std::chrono::seconds(15));
    }
    void numbersAreNeverUsedTwice() {
        JobQueue queue(in("queue-numbers.sqlite"));
        queue.add({request(photos_[0], in("o")), request(photos_[1], in("o"))});
        const std::int64_t last = queue.list()[1].id;
        queue.cancelAll();
        queue.clearFinished();
        queue.add({request(photos_[2], in("o"))});
        QVERIFY(queue.list()[0].id > last);
        QCOMPARE(queue.list()[0].request.photo, photos_[2]);
    }
    void whatIsTooLongIsRefused() {
        JobQueue queue(in("queue-long.sqlite"));
        ExportRequest r = request(photos_[0], in("o"));
        r.delivery.name.assign(20'000'000, 'x');
        QVERIFY_EXCEPTION_THROWN(queue.add({request(photos_[1], in("o")), r}), std::invalid_argument);
        QVERIFY(queue.list().empty()); // all or none
    }
    // A number of a process says nothing after the machine has started anew, nor on another machine.
    void whatAPowerCutLeftIsTakenUp() {
        const fs::path place = in("queue-power.sqlite");
        JobQueue queue(place);
        queue.add({request(photos_[0], in("o")), request(photos_[1], in("o"))});
        const auto one = queue.claim(), two = queue.claim();
        QVERIFY(one && two);
        const auto set = [&](std::int64_t id, const std::string& owner, int ago) {
            sqlite3* db = nullptr;
            sqlite3_open(place.c_str(), &db);
            const std::string sql = "UPDATE jobs SET owner = '" + owner + "', beat = beat - " +
                                    std::to_string(ago) + " WHERE id = " + std::to_string(id);
            sqlite3_exec(db, sql.c_str(), nullptr, nullptr, nullptr);
            sqlite3_close(db);
        };
        // This very process's number, in another start of the machine: just heard of, then not for long.
        const std::string here = thisProcess(),
                          elsewhere = "0123456789abcdef0123456789abcdef" + here.substr(32);
        set(one->id, elsewhere, 0), set(two->id, here, 100000);
        queue.recover();
        QVERIFY(queue.find(one->id)->state == JobState::Running &&
                queue.find(two->id)->state == JobState::Running);
        set(one->id, elsewhere, JobQueue::kDeadAfter + 1);
        queue.recover();
        QVERIFY(queue.find(one->id)->state == JobState::Waiting); // and this process lives, however silent
        QVERIFY(queue.find(two->id)->state == JobState::Running);
        // A number that another process has by now.
        set(two->id, here.substr(0, here.rfind('/')) + "/1", 0);
        queue.recover();
        QVERIFY(queue.find(two->id)->state == JobState::Waiting);
    }
    // A queue of the former form, with the numbers of processes.
    void formerQueuesAreTakenUp() {
        const fs::path place = in("queue-former.sqlite");
        sqlite3* db = nullptr;
        sqlite3_open(place.c_str(), &db);
        const std::string request = textOf(this->request(photos_[0], in("o")));
        QCOMPARE(
            sqlite3_exec(
                db,
                ("CREATE TABLE jobs(id INTEGER PRIMARY KEY, place REAL NOT NULL, wish TEXT NOT NULL, state "
                 "INTEGER NOT NULL DEFAULT 0, tries INTEGER NOT NULL DEFAULT 0, reason TEXT NOT NULL DEFAULT "
                 "'', target TEXT NOT NULL DEFAULT '', digest TEXT NOT NULL DEFAULT '', progress REAL NOT "
                 "NULL DEFAULT 0, seconds REAL NOT NULL DEFAULT 0, beat INTEGER NOT NULL DEFAULT 0, worker "
                 "INTEGER NOT NULL DEFAULT 0, finished TEXT NOT NULL DEFAULT ''); CREATE TABLE meta(name "
                 "TEXT "
                 "PRIMARY KEY, value INTEGER NOT NULL); INSERT INTO meta VALUES('paused', 1); INSERT INTO "
                 "jobs(place, wish, state, worker) VALUES(1, '" +
                 request + "', 1, 77)")
                    .c_str(),
                nullptr, nullptr, nullptr),
            SQLITE_OK);
        sqlite3_close(db);
        JobQueue queue(place);
        QVERIFY(queue.list().size() == 1 && queue.list()[0].request.photo == photos_[0] && queue.paused());
        QCOMPARE(queue.recover(), 1);
    }
    void requestsSurviveTheirText() {
        ExportRequest w = request("/quay/ö, mill.dng", "/x");
        w.look.exposure = 0.5f, w.risk = Risk{0.25, 0.5}, w.letter = "C", w.take = "soft", w.counter = 9;
        const ExportRequest back = requestFrom(textOf(w));
        QVERIFY(back.photo == w.photo && back.settings == w.settings && back.look == w.look &&
                back.delivery == w.delivery && back.risk == w.risk && back.take == w.take &&
                back.counter == 9);
        QVERIFY_EXCEPTION_THROWN(requestFrom("{"), std::invalid_argument);
    }
    void goodOnesAreMadeAndBadOnesSayWhy() {
        const fs::path out = in("mixed");
        std::ofstream(in("broken.dng")) << "no photo at all";
        JobQueue queue(in("queue-2.sqlite"));
        std::vector<ExportRequest> all = {request(photos_[0], out), request(in("broken.dng").string(), out),
                                          request(photos_[1], out), request(in("gone.dng").string(), out)};
        ExportRequest own = request(photos_[2], out);
        own.settings.reset(); // its own recommendation
        all.push_back(own);
        queue.add(all);
        const Supervisor supervisor(in("queue-2.sqlite"), force());
        QTRY_VERIFY_WITH_TIMEOUT(over(queue), 120000);
        const auto jobs = queue.list();
        QVERIFY(jobs[0].state == JobState::Done && jobs[2].state == JobState::Done &&
                jobs[4].state == JobState::Done);
        QVERIFY(jobs[1].state == JobState::Failed && jobs[1].reason.find("broken.dng") != std::string::npos);
        QVERIFY(jobs[3].state == JobState::Failed && !jobs[3].reason.empty());
        QCOMPARE(jobs[0].digest, digestOfFile(jobs[0].target));
        QCOMPARE(namesIn(out).size(), std::size_t(3));
        // What a worker made is what is made here.
        Export what{recipeOf(readPhoto(photos_[0])), {}, {}, false};
        std::filesystem::path target;
        what.recipe.settings = *jobs[0].request.settings, what.delivery = jobs[0].request.delivery,
        target = in("here.tif");
        exportFile(what, target);
        QVERIFY(readPhoto(jobs[0].target)->samples == readPhoto(in("here.tif"))->samples);
    }
    void aTakenNameGetsANumberOrIsRefused() {
        const fs::path out = in("names");
        JobQueue queue(in("queue-3.sqlite"));
        queue.add({request(photos_[0], out), request(photos_[0], out)});
        ExportRequest refuse = request(photos_[0], out);
        refuse.delivery.conflict = Conflict::Refuse;
        {
            Workforce one = force();
            one.workers = 1;
            const Supervisor supervisor(in("queue-3.sqlite"), one);
            QTRY_VERIFY_WITH_TIMEOUT(over(queue), 60000);
            queue.add({refuse});
            QTRY_VERIFY_WITH_TIMEOUT(over(queue), 60000);
        }
        QVERIFY((namesIn(out) == std::vector<std::string>{"mill-0-clean-2.tif", "mill-0-clean.tif"}));
        QVERIFY(queue.list()[2].state == JobState::Failed &&
                queue.list()[2].reason.find("the file exists") != std::string::npos);
    }
    void aWorkerThatIsKilledIsTriedOnceMore() {
        const fs::path out = in("killed");
        JobQueue queue(in("queue-4.sqlite"));
        ExportRequest slow = request(photos_[0], out);
        slow.settings = Settings{"nlbayes"};
        queue.add({slow, request(photos_[1], out)});
        const Supervisor supervisor(in("queue-4.sqlite"), force());
        const auto first = [&] { return *queue.find(1); };
        const auto worker = [&] {
            const std::string owner = first().owner; // ".../PROCESS/START"
            const std::size_t end = owner.rfind('/');
            return owner.empty() ? 0 : std::stoi(owner.substr(owner.rfind('/', end - 1) + 1));
        };
        QTRY_VERIFY_WITH_TIMEOUT(first().state == JobState::Running && worker() > 0 && worker() != getpid(),
                                 20000);
        ::kill(worker(), SIGKILL);
        QTRY_VERIFY_WITH_TIMEOUT(over(queue), 120000);
        QVERIFY(first().state == JobState::Done && first().tries == 2);
        QVERIFY(queue.find(2)->state == JobState::Done);
        QCOMPARE(namesIn(out).size(), std::size_t(2));
    }
    void aWorkerThatHangsIsGivenUp() {
        JobQueue queue(in("queue-5.sqlite"));
        queue.add({request(photos_[0], in("hung"))});
        // A program that never says anything stands for a decoder that spins.
        const fs::path spins = in("spins.sh");
        std::ofstream(spins) << "#!/bin/sh\nexec sleep 60\n";
        fs::permissions(spins, fs::perms::owner_all);
        Workforce f = force(0.6);
        f.program = spins;
        const Supervisor supervisor(in("queue-5.sqlite"), f);
        QTRY_VERIFY_WITH_TIMEOUT(over(queue), 20000);
        QVERIFY(queue.list()[0].state == JobState::Failed && queue.list()[0].tries == 2);
        QVERIFY(queue.list()[0].reason.find("no progress") != std::string::npos);
    }
    void cancelledOnesLeaveNothing() {
        const fs::path out = in("cancelled");
        JobQueue queue(in("queue-6.sqlite"));
        ExportRequest slow = request(photos_[0], out);
        slow.settings = Settings{"nlbayes"};
        queue.add({slow, slow, slow});
        const Supervisor supervisor(in("queue-6.sqlite"), force());
        QTRY_VERIFY_WITH_TIMEOUT(queue.list()[0].progress > 0, 30000);
        queue.cancelAll();
        QTRY_VERIFY_WITH_TIMEOUT(supervisor.idle(), 10000);
        QVERIFY(over(queue));
        for (const QueuedJob& j : queue.list())
            QVERIFY(j.state == JobState::Cancelled || j.state == JobState::Done);
        for (const std::string& name : namesIn(out))
            QVERIFY2(name.find(".part") == std::string::npos && name[0] != '.', name.c_str());
    }
    // The whole program is killed at any moment, begins again, and every good photo is there exactly once.
    void killedAtAnyMomentNothingIsLostOrDoubled() {
        const fs::path out = in("resumed"), place = in("queue-7.sqlite");
        JobQueue queue(place);
        std::vector<ExportRequest> all;
        std::ofstream(in("bad.dng")) << "rotten";
        for (const std::string& p : photos_) all.push_back(request(p, out));
        all.insert(all.begin() + 2, request(in("bad.dng").string(), out));
        queue.add(all);
        std::uint32_t s = 5;
        for (int round = 0; round < 8 && !over(queue); ++round) {
            QProcess run;
            run.start(QString::fromStdString(cli().string()),
                      {"queue", "run", "--queue", QString::fromStdString(place.string())});
            QVERIFY(run.waitForStarted());
            s = s * 1664525U + 1013904223U;
            run.waitForFinished(150 + static_cast<int>(s >> 24) * 4);
            run.kill();
            run.waitForFinished();
            // Its workers end with it.
            const auto ended = [&] {
                for (const QueuedJob& j : queue.list())
                    if (j.state == JobState::Running && lifeOf(j.owner) == Life::Alive) return false;
                return true;
            };
            QTRY_VERIFY_WITH_TIMEOUT(ended(), 30000);
        }
        QProcess last;
        last.start(QString::fromStdString(cli().string()),
                   {"queue", "run", "--queue", QString::fromStdString(place.string())});
        QVERIFY(last.waitForFinished(120000));
        QCOMPARE(last.exitCode(), 1); // the bad one
        int done = 0;
        for (const QueuedJob& j : queue.list()) {
            if (j.state != JobState::Done) {
                QVERIFY(j.request.photo.find("bad") != std::string::npos);
                continue;
            }
            ++done;
            QCOMPARE(j.digest, digestOfFile(j.target));
        }
        QCOMPARE(done, 6);
        std::vector<std::string> expected;
        for (int i = 0; i < 6; ++i) expected.push_back("mill-" + std::to_string(i) + "-clean.tif");
        QVERIFY2(namesIn(out) == expected, QString::number(namesIn(out).size()).toLatin1());
    }
    // A worker that outlived who started it, for a moment, and then died: nobody was told.
    void whatNobodyHeardOfIsTakenUp() {
        const fs::path place = in("queue-8.sqlite");
        JobQueue queue(place);
        queue.add({request(photos_[0], in("unheard"))});
        const auto job = queue.claim();
        QProcess outlived;
        outlived.start("sleep", {"1"});
        QVERIFY(outlived.waitForStarted());
        queue.setWorker(job->id, static_cast<int>(outlived.processId()));
        queue.recover(); // as at a start: it lives
        QVERIFY(queue.find(job->id)->state == JobState::Running);
        const Supervisor supervisor(place, force());
        QTRY_VERIFY_WITH_TIMEOUT(queue.find(job->id)->state == JobState::Done, 60000);
    }
    void oneFileIsMadeByOne() {
        const fs::path target = in("shared/mill.tif"), claim = claimOf(target);
        {
            const auto mine = Claim::take(claim);
            QVERIFY(mine && fs::exists(claim));
            QVERIFY(!Claim::take(claim)); // it is being made
        }
        QVERIFY(!fs::exists(claim));
        // What a machine left that died long ago is taken over; what another one touched just now is not.
        std::ofstream(claim) << "elsewhere 7\n";
        QVERIFY(!Claim::take(claim));
        const timespec longAgo[2] = {{1000000000, 0}, {1000000000, 0}};
        QCOMPARE(utimensat(AT_FDCWD, claim.c_str(), longAgo, 0), 0);
        {
            const auto mine = Claim::take(claim);
            QVERIFY(mine);
            QVERIFY(!Claim::take(claim));
        }
        // Of many that try at once one has it, and nothing is left behind.
        for (int round = 0; round < 20; ++round) {
            std::ofstream(claim) << "elsewhere 7\n";
            utimensat(AT_FDCWD, claim.c_str(), longAgo, 0);
            std::atomic<int> having = 0;
            std::atomic<bool> two = false;
            {
                std::vector<std::jthread> all;
                for (int i = 0; i < 6; ++i)
                    all.emplace_back([&] {
                        const auto mine = Claim::take(claim);
                        if (!mine) return;
                        if (++having > 1) two = true;
                        std::this_thread::sleep_for(std::chrono::milliseconds(5));
                        --having;
                    });
            }
            QVERIFY(!two);
            // And none of them holds on to it.
            std::error_code none;
            fs::remove(claim, none);
            QVERIFY(Claim::take(claim));
        }
        QCOMPARE(namesIn(in("shared")), std::vector<std::string>());
    }
    // Several calls with the same list share one folder, as several machines do: each file is made once.
    void severalShareOneFolder() {
        const fs::path out = in("together");
        QStringList words = {"clean"};
        for (const std::string& p : photos_) words << QString::fromStdString(p);
        words << "--method"
              << "wavelet"
              << "--format"
              << "tiff"
              << "--out" << QString::fromStdString(out.string()) << "--resume"
              << "--json";
        std::vector<std::unique_ptr<QProcess>> all;
        for (int i = 0; i < 3; ++i) {
            all.push_back(std::make_unique<QProcess>());
            all.back()->start(QString::fromStdString(cli().string()),
                              i == 2 ? words + QStringList{"--jobs", "2"} : words);
        }
        // What one left in its midst is taken up by the others.
        QTest::qWait(150);
        all[1]->kill();
        for (auto& p : all) {
            QVERIFY(p->state() == QProcess::NotRunning || p->waitForFinished(120000));
            if (p != all[1]) QCOMPARE(p->exitCode(), 0);
        }
        std::vector<std::string> expected;
        for (int i = 0; i < 6; ++i) expected.push_back("mill-" + std::to_string(i) + "-clean.tif");
        QString seen;
        for (const std::string& n : namesIn(out)) seen += QString::fromStdString(n) + QLatin1Char(32);
        QVERIFY2(namesIn(out) == expected, qPrintable(seen));
    }
    void onTheCommandLine() {
        const auto run = [](const QStringList& words) {
            QProcess p;
            p.start(QString::fromStdString(cli().string()), words);
            p.waitForFinished(120000);
            return std::pair{p.exitCode(), QString::fromUtf8(p.readAllStandardOutput())};
        };
        const QString out = QString::fromStdString(in("cli").string());
        const QString one = QString::fromStdString(photos_[0]), two = QString::fromStdString(photos_[1]);
        // Several files, several formats, several processes.
        auto [status, text] =
            run({"clean", one, two, "--method", "wavelet", "--format", "jpeg,png", "--size", "200", "--name",
                 "{stem}-{method}", "--out", out, "--jobs", "2", "--json"});
        QCOMPARE(status, 0);
        QCOMPARE(text.split('\n', Qt::SkipEmptyParts).size(), 4);
        QVERIFY((namesIn(in("cli")) == std::vector<std::string>{"mill-0-wavelet.jpg", "mill-0-wavelet.png",
                                                                "mill-1-wavelet.jpg", "mill-1-wavelet.png"}));
        // What is there is left out; what would be another is not.
        std::tie(status, text) = run({"clean", one, "--method", "wavelet", "--format", "tiff", "--out", out});
        std::tie(status, text) =
            run({"clean", one, "--method", "wavelet", "--format", "tiff", "--out", out, "--resume"});
        QVERIFY(status == 0 && text.contains("done before"));
        std::tie(status, text) = run({"clean", one, two, "--method", "wavelet", "--format", "tiff", "--out",
                                      out, "--resume", "--jobs", "2", "--json"});
        QCOMPARE(status, 0);
        QCOMPARE(text.count("\"skipped\":true"), 1); // two is new
        std::tie(status, text) =
            run({"clean", one, "--method", "nlm", "--format", "tiff", "--out", out, "--resume"});
        QCOMPARE(status, 1); // refused: the name is taken by something else
        // A folder and a pattern.
        std::tie(status, text) = run({"clean", QString::fromStdString(in("").string()) + "/mill-[23].dng",
                                      "--method", "wavelet", "--out", out});
        QCOMPARE(status, 0);
        QVERIFY(fs::exists(in("cli/mill-2-clean.dng")) && fs::exists(in("cli/mill-3-clean.dng")));
        const QString queue = QString::fromStdString(in("queue-7.sqlite").string());
        std::tie(status, text) = run({"queue", "list", "--queue", queue});
        QVERIFY(status == 0 && text.contains("failed") && text.contains("mill-5-clean.tif"));
        QCOMPARE(run({"queue", "clear", "--queue", queue}).first, 0);
        QCOMPARE(run({"queue", "list", "--queue", queue}).second.split('\n', Qt::SkipEmptyParts).size(), 1);
    }
};

QTEST_GUILESS_MAIN(TestQueue)
#include "queue.moc"
