// The network on a graphics processor, which a driver plays here: right, chosen by measurement, and never
// needed.
#include <QTest>
#include <atomic>
#include <random>
#include <thread>

#include "denoise/fastest_network.h"
#include "denoise/graphics_network.h"
#include "support.h"

using namespace irenic;
using Subject = Network::Subject;
using graphics::GraphicsError;

namespace {

constexpr float kSigma = 0.04f;

// A tile with an edge, a gradient and noise, and what a second opinion takes out.
struct Tile {
    int width, height;
    std::vector<float> in, out;
    Tile(int w, int h, Subject subject, unsigned seed)
        : width(w), height(h), in(std::size_t(w) * std::size_t(h) * Network::kInputs),
          out(std::size_t(w) * std::size_t(h) * Network::kOutputs) {
        std::mt19937 random(seed);
        std::normal_distribution<float> noise(0, kSigma);
        for (int y = 0; y < h; ++y)
            for (int x = 0; x < w; ++x) {
                float* pixel = in.data() + std::size_t(y * w + x) * Network::kInputs;
                for (std::size_t c = 0; c < kPlanes; ++c) {
                    const float added = noise(random);
                    pixel[c] = (x > y ? 0.6f : 0.2f) + 0.1f * float(x) / float(w) + added;
                    pixel[kPlanes + 1 + c] = 0.8f * added * Network::kTaken;
                }
                pixel[kPlanes] = kSigma;
                if (subject != Subject::Pixels) continue;
                pixel[Network::kCoarse] = 0.4f, pixel[kPlanes + 1 + Network::kCoarse] = 0.2f;
            }
    }
    std::vector<float> onProcessor(Subject subject) const {
        std::vector<float> right(out.size());
        Network().run(subject, in.data(), right.data(), width, height, 0);
        return right;
    }
};

float largestDifference(const std::vector<float>& a, const std::vector<float>& b) {
    float largest = 0;
    for (std::size_t i = 0; i < a.size(); ++i) largest = std::max(largest, std::abs(a[i] - b[i]));
    return largest;
}

// Another place to run the network, which does what the processor does, and counts.
struct Other {
    std::atomic<int> asked = 0;
    std::atomic<bool> wrong = false, lost = false;
    FastestNetwork::Elsewhere place() {
        return {"another", [this](Subject subject, const float* in, float* out, int w, int h) {
                    ++asked;
                    if (lost) throw GraphicsError("gone");
                    Network().run(subject, in, out, w, h, 0);
                    if (wrong) out[Network::kOutputs * 1000] += 0.02f * kSigma;
                }};
    }
};

} // namespace

class TestGraphics : public QObject {
    Q_OBJECT

  private slots:
    void initTestCase() { keepFreedMemory(); }
    void sameAsOnTheProcessor_data() {
        QTest::addColumn<Subject>("subject");
        QTest::addColumn<int>("width");
        QTest::addColumn<int>("height");
        QTest::newRow("mosaics, whole") << Subject::Mosaics << Network::kTile << Network::kTile;
        const std::pair<Subject, const char*> subjects[] = {{Subject::Mosaics, "mosaics"},
                                                            {Subject::SecondPass, "second looks"},
                                                            {Subject::Pixels, "pixels"}};
        for (const auto& [subject, name] : subjects) {
            QTest::addRow("%s, an edge", name) << subject << 32 << 192;
            QTest::addRow("%s, the smallest", name) << subject << Network::kUnit << Network::kUnit;
        }
    }
    void sameAsOnTheProcessor() {
        QFETCH(Subject, subject);
        QFETCH(int, width);
        QFETCH(int, height);
        const auto device = GraphicsNetwork::open(true);
        QVERIFY2(device, "no Vulkan driver: the package mesa-vulkan-drivers has one");
        QVERIFY(!device->name().empty());
        Tile tile(width, height, subject, 7);
        device->run(subject, tile.in.data(), tile.out.data(), width, height);
        const float off = largestDifference(tile.out, tile.onProcessor(subject)) / kSigma;
        QVERIFY2(off < 0.01f, qPrintable(QString::number(double(off))));
        // Nothing is left of the tile before.
        Tile other(32, 64, subject, 8);
        device->run(subject, other.in.data(), other.out.data(), other.width, other.height);
        QVERIFY(largestDifference(other.out, other.onProcessor(subject)) < 0.01f * kSigma);
    }
    void tilesThatDoNotFitAreRefused() {
        const auto device = GraphicsNetwork::open(true);
        QVERIFY(device);
        Tile large(Network::kTile + Network::kUnit, Network::kUnit, Subject::Mosaics, 1);
        QVERIFY_THROWS_EXCEPTION(
            std::invalid_argument,
            device->run(Subject::Mosaics, large.in.data(), large.out.data(), large.width, large.height));
    }
    void aDriverThatOnlyPlaysOneIsNotTaken() {
        // There may be a real device where this runs: then that is what opens.
        const auto any = GraphicsNetwork::open(true), real = GraphicsNetwork::open(false);
        QVERIFY(any);
        if (!real) return;
        QCOMPARE(QString::fromStdString(any->name()), QString::fromStdString(real->name()));
    }
    void aLostDeviceIsNotAskedAgain() {
        std::shared_ptr<GraphicsNetwork> device = GraphicsNetwork::open(true);
        QVERIFY(device);
        int asked = 0;
        const auto place = [&]() -> FastestNetwork::Elsewhere {
            return {device->name(), [&](Subject s, const float* in, float* out, int w, int h) {
                        ++asked;
                        device->run(s, in, out, w, h);
                    }};
        };
        FastestNetwork fastest(place, 0);
        QCOMPARE(QString::fromStdString(fastest.place()), QString::fromStdString(device->name()));
        Network here;
        Tile tile(64, 32, Subject::Mosaics, 3);
        const auto right = tile.onProcessor(Subject::Mosaics);
        const auto run = [&] {
            std::fill(tile.out.begin(), tile.out.end(), 0.0f);
            fastest.run(here, Subject::Mosaics, tile.in.data(), tile.out.data(), tile.width, tile.height, 0);
        };
        const int before = asked;
        run();
        QCOMPARE(asked, before + 1);
        QVERIFY(largestDifference(tile.out, right) < 0.01f * kSigma);
        device->lose();
        QVERIFY_THROWS_EXCEPTION(GraphicsError,
                                 device->run(Subject::Mosaics, tile.in.data(), tile.out.data(), 64, 32));
        // Without a word: the same tile, on the processor, to the last bit.
        run();
        QCOMPARE(asked, before + 2);
        QVERIFY(tile.out == right);
        run();
        QCOMPARE(asked, before + 2);
        QCOMPARE(QString::fromStdString(fastest.place()), QStringLiteral("the processor"));
    }
    // A device that is late counts as lost: its tile is the processor's, and nothing is thrown at anybody.
    void aLateDeviceLeavesItsTile() {
        const std::shared_ptr<GraphicsNetwork> device = GraphicsNetwork::open(true);
        QVERIFY(device);
        FastestNetwork fastest(
            [&]() -> FastestNetwork::Elsewhere {
                return {device->name(), [&](Subject s, const float* in, float* out, int w, int h) {
                            device->run(s, in, out, w, h);
                        }};
            },
            0);
        QCOMPARE(QString::fromStdString(fastest.place()), QString::fromStdString(device->name()));
        device->setPatience(1); // a nanosecond
        Network here;
        Tile tile(64, 32, Subject::Mosaics, 3);
        fastest.run(here, Subject::Mosaics, tile.in.data(), tile.out.data(), tile.width, tile.height, 0);
        QVERIFY(tile.out == tile.onProcessor(Subject::Mosaics));
        QCOMPARE(QString::fromStdString(fastest.place()), QStringLiteral("the processor"));
    }
    void whatIsSlowerIsNotChosen() {
        Other other;
        // One thread of the same processor can't be a hundred times as fast as all of them.
        FastestNetwork fastest([&] { return other.place(); }, 100);
        QCOMPARE(QString::fromStdString(fastest.place()), QStringLiteral("the processor"));
        const int tried = other.asked;
        QVERIFY(tried > 0);
        Network here;
        Tile tile(32, 32, Subject::Pixels, 3);
        fastest.run(here, Subject::Pixels, tile.in.data(), tile.out.data(), 32, 32, 0);
        QCOMPARE(other.asked.load(), tried);
        QVERIFY(tile.out == tile.onProcessor(Subject::Pixels));
    }
    void whatIsWrongIsNotChosen() {
        Other other;
        other.wrong = true;
        FastestNetwork fastest([&] { return other.place(); }, 0);
        QCOMPARE(QString::fromStdString(fastest.place()), QStringLiteral("the processor"));
    }
    void whatDoesNotBeginIsNotChosen() {
        FastestNetwork none([]() -> FastestNetwork::Elsewhere { return {}; }, 0);
        QCOMPARE(QString::fromStdString(none.place()), QStringLiteral("the processor"));
        FastestNetwork refuses(
            []() -> FastestNetwork::Elsewhere { throw GraphicsError("too little memory"); }, 0);
        QCOMPARE(QString::fromStdString(refuses.place()), QStringLiteral("the processor"));
        Other other;
        other.lost = true;
        FastestNetwork gone([&] { return other.place(); }, 0);
        QCOMPARE(QString::fromStdString(gone.place()), QStringLiteral("the processor"));
    }
    void itCanBeKeptOut() {
        qputenv("IRENIC_GRAPHICS", "off");
        QCOMPARE(QString::fromStdString(FastestNetwork::ofMachine().place()),
                 QStringLiteral("the processor"));
    }
    // Threads share it; when it goes away under them, each has its tile all the same.
    void manyThreadsAndALoss() {
        Other other;
        FastestNetwork fastest([&] { return other.place(); }, 0);
        QCOMPARE(QString::fromStdString(fastest.place()), QStringLiteral("another"));
        std::atomic<int> right = 0;
        std::vector<std::jthread> threads;
        for (unsigned t = 0; t < 4; ++t)
            threads.emplace_back([&, t] {
                Network here;
                for (unsigned k = 0; k < 6; ++k) {
                    if (t == 0 && k == 3) other.lost = true;
                    Tile tile(32, 32, Subject::Mosaics, 10 * t + k);
                    fastest.run(here, Subject::Mosaics, tile.in.data(), tile.out.data(), 32, 32, 0);
                    right += tile.out == tile.onProcessor(Subject::Mosaics);
                }
            });
        threads.clear();
        QCOMPARE(right.load(), 24);
    }
    void cancelledWorkEnds() {
        Other other;
        FastestNetwork fastest([&] { return other.place(); }, 0);
        fastest.place();
        std::stop_source stop;
        stop.request_stop();
        Network here;
        Tile tile(32, 32, Subject::Mosaics, 3);
        QVERIFY_THROWS_EXCEPTION(Cancelled, fastest.run(here, Subject::Mosaics, tile.in.data(),
                                                        tile.out.data(), 32, 32, 0, Work{stop.get_token()}));
    }
};

QTEST_GUILESS_MAIN(TestGraphics)
#include "graphics.moc"
