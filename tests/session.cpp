// The state of the work as values: through every form and back, undone and redone, kept beside photos
// whatever happens to the program.
#include <QCoreApplication>
#include <QFile>
#include <QProcess>
#include <QTest>
#include <fstream>
#include <malloc.h>
#include <random>
#include <set>
#include <sys/stat.h>

#include "base/field_json.h"
#include "base/folders.h"
#include "base/given_file.h"
#include "base/safe_file.h"
#include "raw/identity.h"
#include "session/history.h"
#include "session/sidecar.h"
#include "session/state_json.h"
#include "support.h"

using namespace irenic;
namespace fs = std::filesystem;

namespace {

std::mt19937 dice(17);
unsigned upTo(unsigned most) { return dice() % (most + 1); }

std::vector<Zone> someZones() {
    std::vector<Zone> zones(upTo(3));
    for (Zone& zone : zones) {
        zone.part = static_cast<FoundPart>(upTo(4)), zone.inverted = upTo(1);
        zone.luminance = static_cast<float>(upTo(300)) / 100,
        zone.sharpening = static_cast<float>(upTo(30)) / 10;
        zone.strokes.resize(upTo(2));
        for (Stroke& stroke : zone.strokes) {
            stroke.diameter = static_cast<float>(1 + upTo(999)), stroke.erase = upTo(1);
            stroke.softness = static_cast<float>(upTo(100)) / 100;
            for (unsigned i = 0; i <= upTo(3); ++i)
                stroke.points.push_back(
                    {static_cast<float>(upTo(90000)) / 10, static_cast<float>(upTo(9000))});
            if (stroke.points.empty()) stroke.points.push_back({1, 2.5f});
        }
    }
    return zones;
}

// Another value for a field, within its range.
template <class T> void roll(const Field<T>& f, T& value) {
    std::visit(
        [&](const auto& m) {
            using M = std::decay_t<decltype(m)>;
            if constexpr (std::is_same_v<M, ChoiceMember<T>>)
                m.set(value, static_cast<int>(upTo(static_cast<unsigned>(f.choices.size() - 1))));
            else if constexpr (std::is_same_v<M, float T::*>)
                value.*m = static_cast<float>(f.least + (f.most - f.least) * upTo(1000) / 1000.0);
            else if constexpr (std::is_same_v<M, bool T::*>)
                value.*m = upTo(1);
            else if constexpr (std::is_same_v<M, Curve T::*>) {
                (value.*m).clear();
                for (unsigned i = 0; i < upTo(4); ++i)
                    (value.*m).push_back(
                        {0.2f * static_cast<float>(i) + 0.01f, static_cast<float>(upTo(1000)) / 1000});
            } else if constexpr (std::is_same_v<M, TextMember<T>>) {
                if constexpr (std::is_same_v<T, Settings>) value.zones = someZones();
            } else
                value.*m = methods()[upTo(static_cast<unsigned>(methods().size() - 1))]->id();
        },
        f.member);
}
template <class T> T rolled() {
    T value;
    for (const Field<T>& f : fieldsOf<T>()) roll(f, value);
    return value;
}

PhotoState someState() {
    PhotoState s = freshState();
    for (Take& t : s.takes) {
        t.settings = rolled<Settings>();
        if (upTo(1)) t.name = "soft \"tide\" Ü";
    }
    for (unsigned i = 0; i < upTo(6); ++i)
        s.probes.push_back(
            {"place", "by hand", static_cast<int>(upTo(4000)), static_cast<int>(upTo(3000)), 0});
    s.look = rolled<Look>();
    s.giveIds();
    if (upTo(1)) s.chosen = s.takes[upTo(2)].id;
    s.notes = "line one\nline two";
    return s;
}

PhotoFacts someFacts() {
    PhotoFacts facts;
    if (upTo(1)) facts.exports.push_back({"/quay/mill-clean.dng", "2026-01-15 22:10:00", 'B'});
    if (upTo(1)) facts.recommended = Recommended{rolled<Settings>(), {0.25, 0.125}};
    if (facts.recommended && upTo(1))
        facts.recommended->contrasts = {rolled<Settings>(), rolled<Settings>()},
        facts.recommended->others = {{Alternative::Kind::Quick, rolled<Settings>(), {0.5, 0.25}, 4.5},
                                     {Alternative::Kind::Grain, rolled<Settings>(), {0.5, 0.5}, 1.5}};
    return facts;
}

// What a killed program was doing: edits without end, each saved, each told to the log afterwards.
int editUntilKilled(const std::string& photo, unsigned seed) {
    dice.seed(seed);
    std::ofstream log(photo + ".log", std::ios::app);
    for (int n = 1;; ++n) {
        PhotoState state = someState();
        state.notes = std::to_string(n) + std::string(upTo(3000), 'x');
        saveSidecar(photo, "0123456789abcdef", {std::make_shared<PhotoState>(state), {}, {}});
        log << n << std::endl;
    }
}

} // namespace

class TestSession : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    fs::path in(const QString& name) const { return folder_.filePath(name).toStdString(); }
    template <class T> void walk() {
        QSet<QString> ids, xmp;
        for (const Field<T>& f : fieldsOf<T>()) {
            QVERIFY2(*f.id && *f.label && QString(f.sentence).endsWith('.'), f.id);
            QVERIFY2(!ids.contains(f.id) && !xmp.contains(f.xmp), f.id);
            ids << f.id, xmp << f.xmp;
            QVERIFY(findField<T>(f.id) == &f);
            for (int i = 0; i < 40; ++i) {
                T value, back;
                roll(f, value);
                setFromText(f, back, valueText(f, value));
                QVERIFY2(sameField(f, value, back), f.id);
            }
            // What a photographer cannot set is not taken from a file either.
            T value;
            if (std::holds_alternative<float T::*>(f.member)) {
                QVERIFY_EXCEPTION_THROWN(setFromText(f, value, numberText(static_cast<float>(f.most) + 1)),
                                         FieldError);
                QVERIFY_EXCEPTION_THROWN(setFromText(f, value, "nan"), FieldError);
                QVERIFY_EXCEPTION_THROWN(setFromText(f, value, ""), FieldError);
            }
            if (!f.choices.empty()) QVERIFY_EXCEPTION_THROWN(setFromText(f, value, "iron"), FieldError);
        }
        for (int i = 0; i < 200; ++i) {
            const T value = rolled<T>();
            T back;
            std::vector<std::string> problems;
            readJson(nlohmann::json::parse(jsonOf(value).dump()), back, problems);
            QVERIFY(problems.empty() && back == value);
            QVERIFY(rangeProblem(value).empty());
        }
    }

  private slots:
    void everyFieldThroughEveryForm() {
        walk<Settings>();
        walk<Look>();
    }
    void theManualHasEveryField() {
        QFile manual(QStringLiteral(IRENIC_DOCS "/settings.md"));
        QVERIFY(manual.open(QIODevice::ReadOnly));
        const QString text = QString::fromUtf8(manual.readAll());
        const auto has = [&](const FieldInfo& f) {
            const QString line =
                QStringLiteral("| `%1` | %2 |").arg(QLatin1String(f.id), QString::fromUtf8(f.label));
            return text.contains(line) && text.contains(QString::fromUtf8(f.sentence));
        };
        for (const auto& f : fieldsOf<Settings>()) QVERIFY2(has(f), f.id);
        for (const auto& f : fieldsOf<Look>()) QVERIFY2(has(f), f.id);
        for (const auto& f : fieldsOf<Zone>()) QVERIFY2(text.contains(QString::fromUtf8(f.sentence)), f.id);
    }
    void statesComeBackFromJson() {
        for (int i = 0; i < 200; ++i) {
            PhotoRecord record{std::make_shared<PhotoState>(someState()), {}, someFacts()};
            if (upTo(1))
                record.kept.push_back(
                    {"before the tide", "2026-01-15 22:00:00", std::make_shared<PhotoState>(someState())});
            std::vector<std::string> problems;
            const PhotoRecord back = recordFrom(nlohmann::json::parse(jsonOf(record).dump()), problems);
            QVERIFY2(problems.empty(), problems.empty() ? "" : problems[0].c_str());
            QVERIFY(back == record);
        }
        SessionState session{{"/a.dng", "/b.dng"}, "/b.dng", {4, 12, -7, 1.5f}, "abc", {"/b.dng", "/c.dng"}};
        std::vector<std::string> problems;
        QVERIFY(sessionFrom(jsonOf(session), problems) == session);
    }
    void whatIsUnknownIsKept() {
        nlohmann::json json = jsonOf(someState());
        json["zones"] = {{"tide", 3}};
        json["takes"][0]["mask"] = "sill";
        json["takes"][0]["settings"]["warmth"] = 2;
        std::vector<std::string> problems;
        const nlohmann::json again = jsonOf(stateFrom(json, problems));
        QVERIFY(again == json && problems.empty());
        // And what cannot be used is told, while the rest is.
        json["takes"][0]["settings"]["colour"] = 7;
        json["takes"][1]["settings"]["method"] = "sieve";
        json["probes"] = "none";
        const PhotoState state = stateFrom(json, problems);
        QCOMPARE(problems.size(), std::size_t(3));
        QCOMPARE(state.takes.size(), std::size_t(3));
    }
    void changesHaveNames() {
        PhotoState a = freshState();
        a.probes = {{"darkest", "", 10, 10, 0}, {"texture", "", 50, 50, 0}};
        a.giveIds();
        PhotoState b = a;
        b.takes[1].settings.colour = 1.4f;
        QCOMPARE(QString::fromStdString(nameOfChange(a, b)), QStringLiteral("B: colour 1.00× → 1.40×"));
        b = a, b.takes[0].settings.detail = 0.5f;
        QCOMPARE(QString::fromStdString(nameOfChange(a, b)), QStringLiteral("A: detail 25 % → 50 %"));
        b = a, b.probes[1].x = 90;
        QCOMPARE(QString::fromStdString(nameOfChange(a, b)), QStringLiteral("Probe 2 moved"));
        b = a, b.takes.erase(b.takes.begin() + 2);
        QCOMPARE(QString::fromStdString(nameOfChange(a, b)), QStringLiteral("Take C removed"));
        QCOMPARE(QString::fromStdString(nameOfChange(b, a)), QStringLiteral("Take C added"));
        b = a, b.look.exposure = -0.5f;
        QCOMPARE(QString::fromStdString(nameOfChange(a, b)),
                 QStringLiteral("Look: exposure 0.00 EV → −0.50 EV"));
        b = a, b.takes[1].settings.method = "nlbayes", b.takes[1].settings.mend = false;
        QCOMPARE(QString::fromStdString(nameOfChange(a, b)),
                 QStringLiteral("B: method BM3D → NL-Bayes, repair bad pixels and banding off"));
        b = a, b.look.asShot = false, b.look.kelvin = 4700, b.look.tint = -4, b.look.vignetting = true;
        QCOMPARE(QString::fromStdString(nameOfChange(a, b)),
                 QStringLiteral("Look: white balance as shot → 4700 K, tint −4.0, vignetting on"));
        b = a, b.chosen = a.takes[1].id;
        QCOMPARE(QString::fromStdString(nameOfChange(a, b)), QStringLiteral("Take B chosen"));
        QVERIFY(nameOfChange(a, a).empty());
    }
    void historyGoesAnywhereAndStaysSmall() {
        History history;
        std::vector<StatePtr> states{std::make_shared<PhotoState>(freshState())};
        const auto before = static_cast<double>(mallinfo2().uordblks);
        for (std::size_t i = 0; i < History::kMostSteps; ++i) {
            auto next = std::make_shared<PhotoState>(*states.back());
            next->takes[i % 3].settings.luminance = static_cast<float>(i % 300) / 100;
            if (next->probes.size() < 6) next->probes.push_back({"place", "placed by hand", 1, 2, 0});
            history.add({nameOfChange(*states.back(), *next), {{"/quay/mill-03.dng", states.back(), next}}});
            states.push_back(next);
        }
        const double megabytes = (static_cast<double>(mallinfo2().uordblks) - before) / 1e6;
        qInfo("%zu steps: %.1f MB", history.steps().size(), megabytes);
        QVERIFY2(megabytes < 50, qPrintable(QString::number(megabytes)));
        StatePtr present = states.back();
        for (int i = 0; i < 3000; ++i) {
            if (upTo(1) && history.canUndo())
                present = history.undo().changes[0].before;
            else if (history.canRedo())
                present = history.redo().changes[0].after;
            QVERIFY(present == states[history.present()]);
        }
        while (history.canUndo()) history.undo();
        QCOMPARE(history.present(), std::size_t(0));
        history.add({"anew", {}});
        QVERIFY(!history.canRedo() && history.steps().size() == 1);
    }
    void damagedSidecarsAreSetAside() {
        const fs::path photo = in("set-aside.dng"), sidecar = in("set-aside.dng.irenic.json");
        std::ofstream(sidecar) << "{\"irenic\": 1, \"takes\": [";
        const Loaded loaded = loadSidecar(photo, "00");
        QVERIFY(!loaded.record && loaded.messages.size() == 1);
        QVERIFY2(
            loaded.messages[0].find("Settings of set-aside.dng.irenic.json are damaged (not valid JSON); the "
                                    "photo starts with defaults. The old file is kept as set-aside.dng") == 0,
            loaded.messages[0].c_str());
        QVERIFY(!fs::exists(sidecar) && fs::exists(in("set-aside.dng.irenic.json.damaged-1")));
        // Another one does not take its place.
        std::ofstream(sidecar) << "no json";
        loadSidecar(photo, "00");
        QVERIFY(fs::exists(in("set-aside.dng.irenic.json.damaged-1")) &&
                fs::exists(in("set-aside.dng.irenic.json.damaged-2")));
    }
    void newerVersionsKeepTheirNumber() {
        const fs::path photo = in("newer.dng");
        nlohmann::json json = jsonOf(someState());
        json["irenic"] = 7, json["tides"] = 2;
        std::ofstream(in("newer.dng.irenic.json")) << json;
        const Loaded loaded = loadSidecar(photo, "00");
        QVERIFY(loaded.record && loaded.messages.size() == 1);
        saveSidecar(photo, "00", *loaded.record);
        const auto again = nlohmann::json::parse(std::ifstream(in("newer.dng.irenic.json")));
        QVERIFY(again["irenic"] == 7 && again["tides"] == 2);
    }
    void photosAreFoundAgainByTheirSamples() {
        if (geteuid() == 0) {
            // Root may write anywhere: a name that leaves no room for the sidecar's does the same.
            const fs::path photo = in(QString(243, 'm') + ".dng"), moved = in(QString(242, 'n') + ".dng");
            const PhotoRecord record{std::make_shared<PhotoState>(someState()), {}, someFacts()};
            saveSidecar(photo, "feedfeedfeedfeed", record);
            QVERIFY(fs::exists(dataFolder() / "sidecars" / "feedfeedfeedfeed.irenic.json"));
            const Loaded loaded = loadSidecar(moved, "feedfeedfeedfeed");
            QVERIFY(loaded.record && loaded.record->state->takes == record.state->takes);
        }
        Photo a = test::flatField(0.2, 1600, 64), b = test::flatField(0.2, 1600, 64, 10);
        QVERIFY(samplesDigestOf(a) != samplesDigestOf(b) && samplesDigestOf(a).size() == 16);
    }
    // A renamed photo in a folder that cannot be written, of which the samples are not known yet: no two
    // share a file.
    void photosThatWereNotReadDoNotShareAFile() {
        const fs::path one = in(QString(243, 'p') + ".dng"), two = in(QString(243, 'q') + ".dng");
        const PhotoRecord a{std::make_shared<PhotoState>(someState()), {}, {}},
            b{std::make_shared<PhotoState>(someState()), {}, {}};
        saveSidecar(one, {}, a), saveSidecar(two, {}, b);
        QVERIFY(*loadSidecar(one, {}).record->state == *a.state &&
                *loadSidecar(two, {}).record->state == *b.state);
        // Once they are, the photo is found by them, and what it had before is there.
        QVERIFY(*loadSidecar(one, "abcdabcdabcdabcd").record->state == *a.state);
        saveSidecar(one, "abcdabcdabcdabcd", a);
        QVERIFY(!fs::exists(sidecarPlaces(one, {}).byPath));
        QVERIFY(!loadSidecar(two, "0").messages.size());
    }
    void whatOtherWindowsLeftComesBack() {
        const fs::path photo = in("left.dng");
        const PhotoRecord mine{std::make_shared<PhotoState>(someState()), {}, {}};
        saveElsewhere(photo, "00", mine);
        const LeftElsewhere left = leftElsewhere(photo, "00");
        QCOMPARE(left.versions.size(), std::size_t(1));
        QVERIFY(*left.versions[0].state == *mine.state && !loadSidecar(photo, "00").record);
        forgetElsewhere(left);
        QVERIFY(leftElsewhere(photo, "00").versions.empty());
    }
    void anOlderRecordNeverComesLater() {
        SidecarWriter writer;
        const fs::path photo = in("order.dng");
        PhotoState first = someState(), second = first;
        first.notes = "first", second.notes = "second";
        writer.write({photo.string(), "00", {std::make_shared<PhotoState>(second), {}, {}}, false, 8});
        writer.write({photo.string(), "00", {std::make_shared<PhotoState>(first), {}, {}}, false, 7});
        QCOMPARE(QString::fromStdString(loadSidecar(photo, "00").record->state->notes),
                 QStringLiteral("second"));
    }
    // What is true of a photo is no part of what is undone; it stood with takes and states before.
    void factsStandApart() {
        nlohmann::json old = jsonOf(someState());
        old["irenic"] = 1;
        old["exports"] = {{{"file", "/quay/a.dng"}, {"when", "2026-01-15 22:10:00"}, {"take", "B"}}};
        old["takes"][1]["recommended"] = jsonOf(Settings{"nlm", 1.25f});
        old["takes"][1]["risk"] = {{"luminance", 0.25}, {"colour", 0.5}};
        std::vector<std::string> problems;
        const PhotoRecord record = recordFrom(old, problems);
        QVERIFY(problems.empty() && record.facts.exports.size() == 1 &&
                record.facts.exports[0].letter == 'B');
        QVERIFY(record.facts.riskOf(Settings{"nlm", 1.25f}) && !record.facts.riskOf(Settings{"nlm", 1.5f}));
        QVERIFY(recordFrom(jsonOf(record), problems) == record);
        // What comes by itself is in all of the history.
        History history;
        const auto a = std::make_shared<PhotoState>(freshState());
        auto b = std::make_shared<PhotoState>(*a);
        b->notes = "after";
        history.add({"step", {{"/quay/mill.dng", a, b}}});
        history.amend("/quay/mill.dng", [](const StatePtr& s) -> StatePtr {
            auto next = std::make_shared<PhotoState>(*s);
            next->takes.emplace_back();
            return next;
        });
        const StateChange back = history.undo().changes[0];
        QVERIFY(back.before->takes.size() == 4 && back.after->takes.size() == 4 &&
                back.after->notes == "after");
    }
    void nothingBeyondItsLimitsIsTaken_data() {
        QTest::addColumn<QByteArray>("text");
        const auto many = [](const char* name, int count, const char* one) {
            QByteArray text = QByteArray("{\"irenic\":1,\"") + name + "\":[";
            for (int i = 0; i < count; ++i) text += QByteArray(i ? "," : "") + one;
            return text + "]}";
        };
        QTest::newRow("nested") << QByteArray("{\"irenic\":1,\"rest\":") + QByteArray(100000, '[') +
                                       QByteArray(100000, ']') + "}";
        QTest::newRow("nested, cut") << QByteArray(1000000, '[');
        QTest::newRow("takes") << many("takes", 100000, "{}");
        QTest::newRow("millions of takes") << many("takes", 2000000, "{}");
        QTest::newRow("probes") << many("probes", 10000, "{\"x\":1}");
        QTest::newRow("exports") << many("exports", 200000, "{\"file\":\"a\"}");
        QTest::newRow("kept") << many("kept", 2000, "{\"name\":\"a\"}");
        QTest::newRow("text") << QByteArray("{\"irenic\":1,\"notes\":\"") + QByteArray(3000000, 'x') + "\"}";
    }
    // Set aside whole, with a word: what is beyond all measure is nobody's work, and is lost all the same to
    // none.
    void nothingBeyondItsLimitsIsTaken() {
        QFETCH(QByteArray, text);
        const fs::path photo = in("limits.dng"), sidecar = in("limits.dng.irenic.json");
        std::ofstream(sidecar) << text.toStdString();
        QVERIFY(!peekSidecar(photo));
        QVERIFY_EXCEPTION_THROWN(loadPreset(sidecar.string()), std::invalid_argument);
        const Loaded loaded = loadSidecar(photo, "00");
        QVERIFY(!loaded.record && !loaded.blocked && loaded.messages.size() == 1 && !fs::exists(sidecar));
        bool found = false;
        for (const auto& e : fs::directory_iterator(in("")))
            found |= e.path().filename().string().starts_with("limits.dng.irenic.json.damaged-") &&
                     fs::file_size(e.path()) == static_cast<std::uintmax_t>(text.size());
        QVERIFY(found);
    }
    void onlyRegularFilesAreOpened() {
        const fs::path photo = in("pipe.dng"), sidecar = in("pipe.dng.irenic.json");
        QCOMPARE(::mkfifo(sidecar.c_str(), 0600), 0);
        QVERIFY(!peekSidecar(photo));
        QVERIFY(!loadSidecar(photo, "00").record && !fs::exists(sidecar)); // out of the way
        QCOMPARE(::symlink("/dev/zero", sidecar.c_str()), 0);
        QVERIFY(!peekSidecar(photo) && !loadSidecar(photo, "00").record);
        QVERIFY_EXCEPTION_THROWN(loadPreset("/dev/zero"), std::invalid_argument);
        QVERIFY_EXCEPTION_THROWN(openGiven("/dev/null"), FileError);
        QVERIFY_EXCEPTION_THROWN(openGiven(in("").string()), FileError);
        QVERIFY(!textOfFile(in(QString(300, 'x')), 10)); // no such file, however long its name
    }
    void idsAndLettersBecomeUnlike() {
        nlohmann::json json = jsonOf(freshState());
        for (auto& take : json["takes"]) take["id"] = 5, take["letter"] = "B";
        json["probes"] = {{{"id", 5}, {"x", 1e300}, {"y", -4}}, {{"id", 4294967295U}, {"x", "no"}}};
        json["chosen"] = 5;
        std::vector<std::string> problems;
        PhotoState s = stateFrom(json, problems);
        std::set<std::uint32_t> ids;
        std::set<char> letters;
        for (const Take& t : s.takes) ids.insert(t.id), letters.insert(t.letter);
        for (const Probe& p : s.probes) ids.insert(p.id);
        QVERIFY(ids.size() == 5 && letters.size() == 3 && !ids.count(0) && s.chosen == s.takes[0].id);
        QCOMPARE(problems.size(), std::size_t(2));
        // Whatever a file says, no probe lies outside its photo.
        s.probes[0].x = 900000, s.probes[0].width = 800000, s.probes[1].y = -900000;
        s.clipTo(160, 120);
        const Rect whole{0, 0, 160, 120};
        for (const Probe& p : s.probes) QVERIFY(whole.contains({p.x, p.y, 1, 1}) && p.width <= 160);
    }
    void foldersAreTheUsersAlone() {
        for (const fs::path& folder : {dataFolder(), configFolder(), stateFolder(), presetFolder()}) {
            struct stat info {};
            QVERIFY(stat(folder.c_str(), &info) == 0 && (info.st_mode & 0777) == 0700);
        }
        const QByteArray was = qgetenv("XDG_DATA_HOME");
        qputenv("XDG_DATA_HOME", "relative/data");
        QVERIFY(dataFolder().is_absolute() && dataFolder().string().find("relative") == std::string::npos);
        qputenv("XDG_DATA_HOME", was);
        fs::path gone;
        {
            const TemporaryFolder one, other;
            gone = one.path();
            QVERIFY(one.path() != other.path() && fs::is_directory(gone));
        }
        QVERIFY(!fs::exists(gone));
    }
    void presetsGoThroughFiles() {
        Preset preset{rolled<Settings>(), rolled<Look>()};
        Settings painted = *preset.settings;
        painted.zones = {Zone{}};
        painted.zones[0].strokes = {{{{1, 2}}, 30, 0, false}};
        savePreset("painted", {painted, {}});
        QVERIFY(loadPreset("painted").settings->zones.empty()); // strokes belong to one photo
        fs::remove(presetFolder() / "painted.json");
        preset.settings->zones = withoutStrokes(preset.settings->zones);
        savePreset("night", preset);
        const Preset back = loadPreset("night");
        QVERIFY(back.settings == preset.settings && back.look == preset.look);
        QVERIFY(presetNames() == std::vector<std::string>{"night"});
        QVERIFY(loadPreset((presetFolder() / "night.json").string()).settings == preset.settings);
        PhotoState state = someState();
        state.chosen = state.takes[1].id;
        saveSidecar(in("as-take.dng"), "00", {std::make_shared<PhotoState>(state), {}, {}});
        QVERIFY(loadPreset(in("as-take.dng.irenic.json").string()).settings == state.takes[1].settings);
        QVERIFY_EXCEPTION_THROWN(loadPreset("nowhere"), std::invalid_argument);
        QVERIFY_EXCEPTION_THROWN(savePreset("../night", preset), WriteError);
    }
    // Two hundred programs, each killed in the middle of its edits.
    void killedAtAnyMoment() {
        const std::string photo = in("killed.dng").string();
        for (unsigned run = 0; run < 200; ++run) {
            QFile::remove(QString::fromStdString(photo + ".log"));
            QProcess p;
            p.start(QCoreApplication::applicationFilePath(),
                    {"--edit", QString::fromStdString(photo), QString::number(run)});
            QVERIFY(p.waitForStarted());
            // At some moment after the first edit: a slow machine takes long to get there.
            const QString log = QString::fromStdString(photo + ".log");
            for (int i = 0; i < 5000 && QFileInfo(log).size() == 0; ++i) QTest::qSleep(1);
            QTest::qSleep(static_cast<int>(upTo(30)));
            p.kill();
            QVERIFY(p.waitForFinished());
            int told = 0;
            std::ifstream lines(photo + ".log");
            for (int n; lines >> n;) told = n;
            const Loaded loaded = loadSidecar(photo, "0123456789abcdef");
            QVERIFY2(loaded.messages.empty(), loaded.messages.empty() ? "" : loaded.messages[0].c_str());
            QVERIFY(told > 0 && loaded.record.has_value());
            // The last that was told, or the one that was saved and not told any more.
            const int found = std::atoi(loaded.record->state->notes.c_str());
            QVERIFY2(found == told || found == told + 1,
                     qPrintable(QStringLiteral("%1 %2").arg(found).arg(told)));
        }
        sweepLeftovers(folder_.path().toStdString());
        QVERIFY(QDir(folder_.path()).entryList({".irenic-*"}, QDir::Hidden | QDir::Files).isEmpty());
    }
};

int main(int argc, char** argv) {
    if (argc == 4 && std::string(argv[1]) == "--edit")
        return editUntilKilled(argv[2], static_cast<unsigned>(std::atoi(argv[3])));
    const QTemporaryDir home;
    qputenv("XDG_DATA_HOME", (home.path() + "/data").toUtf8());
    qputenv("XDG_CONFIG_HOME", (home.path() + "/config").toUtf8());
    const QCoreApplication app(argc, argv);
    TestSession test;
    return QTest::qExec(&test, argc, argv);
}
#include "session.moc"
