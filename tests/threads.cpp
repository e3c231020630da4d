// What runs on several threads at once, for ThreadSanitizer: the renderer and its cells' wishes, reading
// beside writing, XMP from many sides, stopping at any moment.
#include <QCoreApplication>
#include <QTest>
#include <random>
#include <thread>

#include "deliver/export.h"
#include "measure/open.h"
#include "patience.h"
#include "queue/job_queue.h"
#include "renderer.h"
#include "support.h"

using namespace irenic;

class TestThreads : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string one_, two_;
    const Jobs::Deliver deliver_ = [this](std::function<void()> hand) {
        QMetaObject::invokeMethod(this, std::move(hand), Qt::QueuedConnection);
    };

  private slots:
    void initTestCase() {
        one_ = test::writeShot(folder_, "one.dng", test::flatField(0.2, 3200, 160, 4));
        two_ = test::writeShot(folder_, "two.dng", test::flatField(0.1, 6400, 160, 5));
    }
    // Cells that change their wishes, as a window's do, while the renderer is at work.
    void wishesComeAndGo() {
        const PhotoPtr photos[] = {readPhoto(one_), readPhoto(two_)};
        std::mt19937 random(3);
        for (int round = 0; round < 3; ++round) {
            Jobs jobs(deliver_);
            Renderer renderer(jobs);
            int answers = 0;
            Job cells[6];
            for (int i = 0; i < 60; ++i) {
                Job& cell = cells[random() % 6];
                Settings settings{"wavelet"};
                settings.coarse = random() % 2 ? 1.0f : 0.5f;
                settings.luminance = 0.5f + 0.1f * static_cast<float>(random() % 5);
                const RenderKey key{recipeOf(photos[random() % 2], settings), {8, 8, 48, 40}, 1};
                cell = renderer.request(key, random() % 3, [&](const Outcome<QImage>& o) {
                    QVERIFY(o.value && o.problem.empty());
                    ++answers;
                });
                QVERIFY(cell.progress() <= 1);
                if (random() % 5 == 0) cell.cancel();
                if (random() % 4 == 0) renderer.cached(key);
                if (random() % 6 == 0) QTest::qWait(5);
            }
            QTRY_VERIFY(answers > 0);
            // And it ends in the middle of its work.
        }
    }
    void readersAndWritersAtOnce() {
        std::vector<std::jthread> threads;
        std::atomic<int> done = 0, failed = 0;
        for (int i = 0; i < 4; ++i)
            threads.emplace_back([&, i] {
                try {
                    const PhotoPtr photo = readPhoto(i % 2 ? one_ : two_);
                    Export what{recipeOf(*photo), {}, {}, false};
                    std::filesystem::path target;
                    what.recipe.settings = {"wavelet"};
                    what.delivery.format = i < 2 ? ExportFormat::Dng : ExportFormat::Jpeg;
                    target = folder_.filePath(QStringLiteral("out-%1").arg(i)).toStdString();
                    exportFile(what, target);
                    if (settingsIn(target)) ++done;
                } catch (const std::exception&) {
                    ++failed;
                }
            });
        threads.clear();
        QCOMPARE(done.load(), 4);
        QCOMPARE(failed.load(), 0);
    }
    // A job that was replaced gives no answer; one of smaller order goes first, and what it interrupts begins
    // anew; an error comes back as a value.
    void jobsAnswerInOrder() {
        Jobs jobs(deliver_);
        Job job;
        int last = 0;
        for (int i = 1; i <= 20; ++i)
            job = jobs.submit(
                Lane::Quiet, 0, [i](const Work& work) { return work.check(), i; },
                [&](const Outcome<int>& answer) { last = last == 0 ? *answer.value : -1; });
        QTRY_COMPARE(last, 20);
        QVERIFY(!job.active());

        std::atomic<int> begun = 0;
        std::vector<int> order;
        std::atomic<bool> go = false;
        const Job slow = jobs.submit(
            Lane::Pixels, 10,
            [&](const Work& work) {
                for (++begun; !go;) work.check();
                return 1;
            },
            [&](const Outcome<int>&) { order.push_back(10); });
        QTRY_COMPARE(begun.load(), 1);
        const Job late = jobs.submit(
            Lane::Pixels, 20, [](const Work&) { return 1; },
            [&](const Outcome<int>&) { order.push_back(20); });
        const Job urgent = jobs.submit(
            Lane::Pixels, 0, [](const Work&) -> int { throw std::runtime_error("no light"); },
            [&](const Outcome<int>& o) {
                order.push_back(o.value ? -1 : static_cast<int>(o.problem.size()));
            });
        QTRY_COMPARE(begun.load(), 2);
        go = true;
        QTRY_COMPARE(order.size(), std::size_t(3));
        QVERIFY((order == std::vector<int>{8, 10, 20}));
    }
    // Several at once on one store, which keeps little: every answer is what a store alone gives.
    void aStoreIsShared() {
        const PhotoPtr photos[] = {readPhoto(one_), readPhoto(two_)};
        TileStore shared(300000);
        std::atomic<int> wrong = 0;
        std::vector<std::jthread> threads;
        for (unsigned t = 0; t < 4; ++t)
            threads.emplace_back([&, t] {
                std::mt19937 random(t);
                for (int i = 0; i < 4; ++i) {
                    const Photo& photo = *photos[random() % 2];
                    Settings settings{"wavelet"};
                    settings.coarse = random() % 2 ? 1.0f : 0.5f;
                    const Rect area{static_cast<int>(random() % 60), static_cast<int>(random() % 60), 70, 50};
                    TileStore own(std::size_t{1} << 24);
                    const Image a = shared.get(photo, settings, area), b = own.get(photo, settings, area);
                    for (int y = 0; y < area.height; ++y)
                        wrong += !std::equal(a[0].row(y), a[0].row(y) + area.width, b[0].row(y));
                }
            });
        threads.clear();
        QCOMPARE(wrong.load(), 0);
    }
    // A picture that is looked at while it is made: what is there already is what it will be.
    void aPictureIsReadWhileItGrows() {
        const Photo photo = test::shoot(6400).photo;
        const Recipe recipe = recipeOf(photo, {"wavelet"});
        const Rect area{0, 0, 240, 160};
        const Picture whole = PictureStore(1 << 26, 1 << 26).get(recipe, area, 1);
        PictureStore store(1 << 26, 1 << 26);
        std::atomic<bool> over = false;
        std::atomic<int> looks = 0, wrong = 0;
        std::jthread looking([&] {
            while (!over) {
                const auto [picture, missing] = store.soFar(recipe, area, 1);
                std::vector<bool> there(whole.rgb.size() / 3, true);
                for (const Rect& m : missing)
                    for (int y = m.y; y < m.bottom(); ++y)
                        for (int x = m.x; x < m.right(); ++x)
                            there[static_cast<std::size_t>(y * area.width + x)] = false;
                for (std::size_t i = 0; i < there.size(); ++i)
                    wrong += there[i] && picture.rgb[3 * i] != whole.rgb[3 * i];
                ++looks;
            }
        });
        // In pieces, as a cell that is panned asks for it.
        for (int x = 0; x < area.width; x += 48)
            store.get(recipe, Rect{x, 0, 48, area.height}.intersected(area), 1);
        while (looks < 2) std::this_thread::yield();
        over = true;
        looking.join();
        QCOMPARE(wrong.load(), 0);
        QVERIFY(store.soFar(recipe, area, 1).second.empty());
    }
    // Workers claim, tell how far they are and finish, while a window lists: every job is done once.
    void theQueueIsShared() {
        const std::string file = folder_.filePath("queue.sqlite").toStdString();
        {
            JobQueue queue(file);
            std::vector<ExportRequest> all(24);
            for (std::size_t i = 0; i < all.size(); ++i) all[i].photo = "/tide/" + std::to_string(i) + ".dng";
            queue.add(all);
        }
        JobQueue shared(file); // one object on two threads, as a worker has it
        std::atomic<int> done = 0, failed = 0;
        std::atomic<bool> over = false;
        std::jthread listing([&] {
            while (!over) failed += shared.list().size() != 24;
        });
        std::vector<std::jthread> workers;
        for (int w = 0; w < 2; ++w)
            workers.emplace_back([&] {
                try {
                    JobQueue own(file);
                    while (const auto job = own.claim()) {
                        std::jthread telling([&] { own.noteProgress(job->id, 0.5), own.find(job->id); });
                        own.noteHeartbeat(job->id);
                        telling.join();
                        own.noteDone(job->id, "/tide/made", "-", 1);
                        ++done;
                    }
                } catch (const std::exception&) {
                    ++failed;
                }
            });
        workers.clear();
        over = true;
        listing.join();
        QCOMPARE(failed.load(), 0);
        QCOMPARE(done.load(), 24);
        for (const QueuedJob& job : shared.list()) QVERIFY(job.state == JobState::Done);
    }
    // A worker reads and writes through one connection on two threads. A write that would begin within a read
    // is refused at once where another program has written since that read began (SQLite's "snapshot").
    void aQueueIsReadWhileItIsWritten() {
        const std::string file = folder_.filePath("snapshot.sqlite").toStdString();
        JobQueue queue(file), other(file);
        ExportRequest request;
        request.photo = "/tide/mill.dng";
        queue.add(std::vector<ExportRequest>(200, request));
        std::atomic<int> refused = 0;
        const auto often = [&](int times, auto&& step) {
            return std::jthread([&refused, times, step] {
                for (int i = 0; i < times; ++i) try {
                        step(i);
                    } catch (const QueueError&) {
                        ++refused;
                    }
            });
        };
        {
            const auto reads = often(300, [&](int) { queue.list(); });
            const auto writes = often(300, [&](int i) { queue.setPaused(i % 2 == 0); });
            const auto others = often(300, [&](int i) { other.setPaused(i % 2 == 1); });
        }
        QCOMPARE(refused.load(), 0);
    }
};

QTEST_MAIN(TestThreads)
#include "threads.moc"
