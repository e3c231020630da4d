// Blind trials: the order that answers lead to, and how sure it is said to be.
#include <QFile>
#include <QTemporaryDir>
#include <QTest>
#include <cmath>
#include <random>
#include <set>

#include "judge/trial.h"
#include "session/taste.h"

using namespace irenic;

namespace {

// Somebody with a taste: answers as Davidson's model has them.
class Person {
  public:
    Person(std::vector<double> worth, double ties, std::uint32_t seed)
        : worth_(std::move(worth)), ties_(ties), random_(seed) {}
    Preferred asked(int a, int b) {
        const double first = std::exp(worth_[static_cast<std::size_t>(a)]),
                     second = std::exp(worth_[static_cast<std::size_t>(b)]),
                     neither = ties_ * std::sqrt(first * second);
        const double at = std::uniform_real_distribution<>(0, first + second + neither)(random_);
        return at < first ? Preferred::First : at < first + second ? Preferred::Second : Preferred::Neither;
    }

  private:
    std::vector<double> worth_;
    double ties_;
    std::mt19937 random_;
};

std::vector<TrialAnswer> answersOf(Person person, int pictures, int count, std::uint32_t seed) {
    std::vector<TrialAnswer> out;
    for (int i = 0; i < count; ++i) {
        const auto [a, b] = nextPair(pictures, out, seed + static_cast<std::uint32_t>(i));
        out.push_back({a, b, person.asked(a, b)});
    }
    return out;
}

} // namespace

class TestTrial : public QObject {
    Q_OBJECT

  private slots:
    // Of neighbours the better one is preferred nine times of ten.
    void theTrueOrderIsFoundFromTwentyAnswers() {
        const std::vector<double> worth = {0, 4.4, -2.2, 2.2, 6.6};
        const std::vector<int> truth = {4, 1, 3, 0, 2};
        int right = 0;
        for (std::uint32_t run = 0; run < 200; ++run) {
            const auto answers = answersOf({worth, 0.2, run}, 5, 20, 1000 * run);
            right += rankingOf(5, answers).order == truth;
        }
        QVERIFY2(right >= 180, qPrintable(QString::number(right)));
    }
    // What is said to be sure at 80 to 95 % is right about as often.
    void itIsAsSureAsItSays() {
        int said = 0, right = 0;
        double promised = 0;
        for (std::uint32_t run = 0; run < 300; ++run) {
            std::mt19937 random(run);
            std::normal_distribution<> normal(0, 1);
            const std::vector<double> worth = {normal(random), normal(random), normal(random),
                                               normal(random)};
            const TrialRanking r = rankingOf(4, answersOf({worth, 0.4, run}, 4, 15, 7000 + 31 * run));
            for (std::size_t i = 0; i < r.sure.size(); ++i) {
                if (r.sure[i] < 0.8 || r.sure[i] > 0.95) continue;
                ++said, promised += r.sure[i];
                right += worth[static_cast<std::size_t>(r.order[i])] >
                         worth[static_cast<std::size_t>(r.order[i + 1])];
            }
        }
        QVERIFY(said > 100);
        QVERIFY2(
            std::abs(static_cast<double>(right) / said - promised / said) < 0.08,
            qPrintable(QStringLiteral("%1 of %2, promised %3").arg(right).arg(said).arg(promised / said)));
    }
    void withoutAnswersNothingIsSure() {
        const TrialRanking r = rankingOf(3, {});
        QCOMPARE(r.order, (std::vector<int>{0, 1, 2}));
        for (const double s : r.sure) QCOMPARE(s, 0.5);
        QCOMPARE(rankingOf(1, {}).leastSure(), 1.0);
    }
    void tiesAreNoPreference() {
        const std::vector<TrialAnswer> ties(10, {0, 1, Preferred::Neither});
        const TrialRanking r = rankingOf(2, ties);
        QVERIFY(std::abs(r.worth[0] - r.worth[1]) < 1e-6);
        QVERIFY(std::abs(r.sure[0] - 0.5) < 1e-6);
        // Which of two stood first makes no difference.
        const std::vector<TrialAnswer> one = {{0, 1, Preferred::First}, {1, 0, Preferred::Second}},
                                       other = {{0, 1, Preferred::First}, {0, 1, Preferred::First}};
        QVERIFY(std::abs(rankingOf(2, one).worth[0] - rankingOf(2, other).worth[0]) < 1e-9);
    }
    void everyPairIsAskedAndSidesAreMixed() {
        std::vector<TrialAnswer> answers;
        std::set<std::pair<int, int>> asked;
        int firstIsSmaller = 0;
        for (std::uint32_t i = 0; i < 60; ++i) {
            const auto [a, b] = nextPair(4, answers, i);
            QVERIFY(a != b && a >= 0 && b >= 0 && a < 4 && b < 4);
            if (!answers.empty())
                QVERIFY(std::minmax(a, b) != std::minmax(answers.back().first, answers.back().second));
            asked.insert(std::minmax(a, b)), firstIsSmaller += a < b;
            answers.push_back({a, b, Preferred::Neither});
        }
        QCOMPARE(asked.size(), 6UL);
        QVERIFY(firstIsSmaller > 15 && firstIsSmaller < 45);
        // Of two there is but one pair.
        QCOMPARE(nextPair(2, std::vector<TrialAnswer>{{0, 1, Preferred::First}}, 3).first +
                     nextPair(2, std::vector<TrialAnswer>{{0, 1, Preferred::First}}, 3).second,
                 1);
    }
    // Over trials in which pictures with some grain are preferred, their grain is learnt.
    void aTasteIsLearnt() {
        Taste taste;
        QCOMPARE(taste.grainFor(0.02), 0.0f);
        for (int trial = 0; trial < 6; ++trial) {
            const std::vector<double> worth = {-1.5, 1.5, 0};
            const std::vector<std::optional<double>> left = {0.02, 0.14, std::nullopt};
            taste.learn(worth, left);
            if (trial == 0) QCOMPARE(taste.grainFor(0.02), 0.0f); // one trial tells nothing
        }
        QCOMPARE(taste.trials, 6);
        QVERIFY(taste.noiseLeft > 0.12 && taste.noiseLeft < 0.14);
        QVERIFY(std::abs(taste.grainFor(0.03) - 0.1f) < 0.011f);
        QCOMPARE(taste.grainFor(0.2), 0.0f); // there is enough
        // One picture that tells is none to compare.
        Taste same = taste;
        same.learn(std::vector<double>{1, -1}, std::vector<std::optional<double>>{0.5, std::nullopt});
        QVERIFY(same == taste);
    }
    void aTasteIsKept() {
        const QTemporaryDir folder;
        qputenv("XDG_DATA_HOME", folder.path().toUtf8());
        QVERIFY(loadTaste() == Taste{});
        const Taste taste{4, 0.11};
        saveTaste(taste);
        QVERIFY(loadTaste() == taste);
        const auto with = [&](const QByteArray& text) {
            QFile file(folder.filePath("irenic/taste.json"));
            if (!file.open(QIODevice::WriteOnly)) return Taste{-1, 0};
            file.write(text);
            file.close();
            return loadTaste();
        };
        for (const char* bad : {"", "night", "[]", R"({"trials": 2})", R"({"trials": -1, "noiseLeft": 0.1})",
                                R"({"trials": 3, "noiseLeft": 7})", R"({"trials": 3, "noiseLeft": "x"})"})
            QVERIFY2(with(bad) == Taste{}, bad);
        forgetTaste();
        QVERIFY(!QFile::exists(folder.filePath("irenic/taste.json")));
    }
};

QTEST_APPLESS_MAIN(TestTrial)
#include "trial.moc"
