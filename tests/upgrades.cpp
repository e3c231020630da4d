// Files of every released version are opened by this one: tests/old has a folder for each, kept for good.
// With IRENIC_WRITE_OLD=FOLDER those of this version are written there, before it is released.
#include <QDir>
#include <QTest>

#include "deliver/delivery.h"
#include "queue/job_queue.h"
#include "session/sidecar.h"
#include "support.h"

using namespace irenic;
namespace fs = std::filesystem;

namespace {

const fs::path kOld = IRENIC_OLD_FILES;

// What the files of 0.1.0 say, whatever later versions make of it.
PhotoRecord record() {
    PhotoState state;
    const auto add = [&](std::uint32_t id, char letter, const char* name, const char* settings) {
        Take take;
        take.id = id, take.letter = letter, take.name = name, take.settings = settingsFromText(settings);
        state.takes.push_back(std::move(take));
    };
    add(1, 'A', "", "learned,luminance=0.9,colour=1.2,coarse=0.8,detail=0.4,grain=0.15");
    add(2, 'B', "calm water",
        "bm3d-quick,luminance=1.1,mend=0,zone=in-focus,luminance=0.8,sharpening=1.5,"
        "zone=not-dark,colour=1.3,strokes=+40~0.5:10 20 30 40");
    add(3, 'C', "", "wavelet");
    state.chosen = 2;
    Probe placed{"darkest", "the darkest place with something in it", 320, 240, 4},
        own{"my lantern", "", 700, 90, 5};
    own.width = 200, own.height = 150;
    state.probes = {placed, own};
    state.look = lookFromText(
        "kelvin=4200,tint=-3,exposure=0.7,highlights=-0.5,shadows=0.35,saturation=1.1,"
        "curve=0:0;0.25:0.2;0.75:0.82;1:1,distortion,vignetting,chromatic,fringes,softness=fine");
    state.notes = "the quay at high tide";
    state.references = {{6, "/photos/elsewhere.tif", true}};
    PhotoRecord out;
    PhotoState kept = state;
    kept.chosen = 1, kept.takes.resize(2), kept.look = {};
    out.state = std::make_shared<const PhotoState>(state);
    out.kept = {{"before the storm", "2026-01-15 22:10:00", std::make_shared<const PhotoState>(kept)}};
    out.facts.exports = {{"/photos/mill-clean.dng", "2026-01-16 08:00:00", 'B'}};
    out.facts.recommended = Recommended{settingsFromText("learned,luminance=1.1"), {0.02, 0.01}};
    return out;
}

SessionState session() {
    SessionState out;
    out.photos = {"/photos/mill.dng", "/photos/quay.dng"};
    out.shown = "/photos/quay.dng";
    out.view = {2, 10, -5, 1.5f};
    out.recent = {"/photos/quay.dng", "/photos/mill.dng"};
    return out;
}

std::vector<ExportRequest> requests() {
    ExportRequest first, second;
    first.photo = "/photos/mill.dng";
    first.settings = settingsFromText("bm3d,luminance=1.2");
    first.letter = "B";
    second.photo = "/photos/quay.dng";
    second.look = lookFromText("exposure=0.5");
    second.delivery.format = ExportFormat::Jpeg;
    return {first, second};
}

const Preset kPreset{settingsFromText("nlbayes,luminance=0.8,zone=out-of-focus,luminance=1.4"),
                     lookFromText("exposure=0.5")};

// The data, configuration and state folders of a person.
void useHome(const fs::path& home) {
    for (const auto& [name, folder] :
         {std::pair{"XDG_DATA_HOME", "data"}, std::pair{"XDG_CONFIG_HOME", "config"},
          std::pair{"XDG_STATE_HOME", "state"}, std::pair{"XDG_CACHE_HOME", "cache"}})
        qputenv(name, (home / folder).c_str());
}

} // namespace

class TestUpgrades : public QObject {
    Q_OBJECT

    void versions() {
        QTest::addColumn<QString>("version");
        const QStringList all =
            QDir(QString::fromStdString(kOld.string())).entryList(QDir::Dirs | QDir::NoDotAndDotDot);
        QVERIFY(!all.isEmpty());
        for (const QString& version : all) QTest::newRow(qPrintable(version)) << version;
    }

    std::unique_ptr<QTemporaryDir> folder_;
    fs::path place_; // a copy: nothing may happen to the old ones

  private slots:
    void initTestCase() {
        if (!qEnvironmentVariableIsSet("IRENIC_WRITE_OLD")) return;
        const fs::path to = qEnvironmentVariable("IRENIC_WRITE_OLD").toStdString();
        fs::create_directories(to / "photos");
        useHome(to);
        saveSidecar(to / "photos/mill.dng", "", record());
        saveSession(session());
        savePreset("calm", kPreset);
        JobQueue(to / "queue.sqlite").add(requests());
        fs::remove_all(to / "state");
        QSKIP("They are written.");
    }
    void init() {
        QFETCH(QString, version);
        folder_ = std::make_unique<QTemporaryDir>();
        place_ = fs::path(folder_->path().toStdString()) / "person";
        fs::copy(kOld / version.toStdString(), place_, fs::copy_options::recursive);
        useHome(place_);
    }

    void sidecar_data() { versions(); }
    void sidecar() {
        const Loaded loaded = loadSidecar(place_ / "photos/mill.dng", "");
        QVERIFY2(loaded.messages.empty(), loaded.messages.empty() ? "" : loaded.messages.front().c_str());
        QVERIFY(loaded.record && !loaded.blocked);
        QVERIFY(*loaded.record == record());
        QVERIFY(peekSidecar(place_ / "photos/mill.dng").has_value());
    }
    void theSession_data() { versions(); }
    void theSession() {
        std::vector<std::string> messages;
        QVERIFY(loadSession(messages) == session());
        QVERIFY(messages.empty());
    }
    void preset_data() { versions(); }
    void preset() {
        QCOMPARE(presetNames(), std::vector<std::string>{"calm"});
        const Preset found = loadPreset("calm");
        QVERIFY(found.settings == kPreset.settings && found.look == kPreset.look);
    }
    void queue_data() { versions(); }
    void queue() {
        JobQueue queue(place_ / "queue.sqlite");
        const auto all = queue.list();
        const auto right = requests();
        QCOMPARE(all.size(), right.size());
        for (std::size_t i = 0; i < all.size(); ++i) {
            QCOMPARE(all[i].request.photo, right[i].photo);
            QVERIFY(all[i].request.settings == right[i].settings && all[i].request.look == right[i].look);
            QVERIFY(all[i].request.delivery == right[i].delivery && all[i].request.letter == right[i].letter);
        }
        QVERIFY(queue.claim().has_value()); // and goes on
    }
    // A copy of what this version adds to them is written over them without loss.
    void savedAgain_data() { versions(); }
    void savedAgain() {
        saveSidecar(place_ / "photos/mill.dng", "", *loadSidecar(place_ / "photos/mill.dng", "").record);
        QVERIFY(*loadSidecar(place_ / "photos/mill.dng", "").record == record());
    }
};

QTEST_GUILESS_MAIN(TestUpgrades)
#include "upgrades.moc"
