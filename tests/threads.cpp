// What runs on several threads at once, for ThreadSanitizer: the renderer and its cells' wishes, reading
// beside writing, XMP from many sides, stopping at any moment.
#include <QCoreApplication>
#include <QTest>
#include <random>
#include <thread>

#include "deliver/export.h"
#include "look/background.h"
#include "measure/open.h"
#include "renderer.h"
#include "support.h"

using namespace irenic;

class TestThreads : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string one_, two_;

  private slots:
    void initTestCase() {
        one_ = test::writeShot(folder_, "one.dng", test::flatField(0.2, 3200, 160, 4));
        two_ = test::writeShot(folder_, "two.dng", test::flatField(0.1, 6400, 160, 5));
    }
    void wishesComeAndGo() {
        const PhotoPtr photos[] = {readPhoto(one_), readPhoto(two_)};
        std::mt19937 random(3);
        for (int round = 0; round < 3; ++round) {
            Renderer renderer;
            int answers = 0;
            connect(&renderer, &Renderer::finished, this,
                    [&](quintptr, const RenderKey&, const QImage&) { ++answers; });
            char cells[6];
            for (int i = 0; i < 60; ++i) {
                char* cell = &cells[random() % 6];
                RenderKey key{
                    photos[random() % 2], {random() % 2 ? "wavelet" : "nlm"}, {}, {8, 8, 48, 40}, 1};
                key.settings.luminance = 0.5f + 0.1f * static_cast<float>(random() % 5);
                renderer.request(cell, key);
                renderer.progress(cell);
                if (random() % 5 == 0) renderer.forget(cell);
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
                    ExportOrder order;
                    order.settings = {"wavelet"};
                    order.format = i < 2 ? ExportFormat::Dng : ExportFormat::Jpeg;
                    order.target = folder_.filePath(QStringLiteral("out-%1").arg(i)).toStdString();
                    exportPhoto(*photo, order);
                    if (settingsIn(order.target)) ++done;
                } catch (const std::exception&) {
                    ++failed;
                }
            });
        threads.clear();
        QCOMPARE(done.load(), 4);
        QCOMPARE(failed.load(), 0);
    }
    void theNewestAnswerComesBack() {
        Background background;
        int last = 0;
        for (int i = 1; i <= 20; ++i)
            background.run([i](const Work& work) { return work.check(), i; },
                           [&](int answer) { last = answer; });
        QTRY_COMPARE(last, 20);
    }
};

QTEST_MAIN(TestThreads)
#include "threads.moc"
