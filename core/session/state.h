// The state of the work: plain values that compare. Views show them, jobs take copies, nothing keeps them
// twice.
#pragma once

#include <cstdint>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "develop/look.h"
#include "judge/probes.h"
#include "judge/recommend.h"
#include "judge/trial.h"
#include "session/take.h"

namespace irenic {

// A file that was made of a photo.
struct ExportMade {
    std::string file, when; // the whole path; local time, "2026-01-15 22:10:00"
    char letter = 'A';      // of the take
    // What it was made of, as text (session/take.h, develop/look.h), and by which version of the algorithms;
    // empty and 0: not known, for it was made before that was noted.
    std::string settings = {}, look = {};
    int algorithms = 0;
    int mark = 0; // 0..3, the person's own
    friend bool operator==(const ExportMade&, const ExportMade&) = default;
};

// Whether a file still is what the photo's work says.
enum class ExportStanding { Same, OtherSettings, OlderMethod, Unknown };

// What was measured to be best for a photo, the error that it leaves, and others of another character.
struct Recommended {
    Settings settings;
    Risk risk;
    std::vector<Alternative> others = {};
    std::vector<std::string> reasons = {}; // sentences
    std::vector<Settings> contrasts = {};  // nearly as good, and most unlike it
    friend bool operator==(const Recommended&, const Recommended&) = default;
};

// A blind trial: what was shown, by the names that it had then, and what was answered.
struct TrialRecord {
    std::string when;                  // local time
    std::vector<std::string> pictures; // "A learned-quick,luminance=1"; the answers go by their numbers
    std::vector<TrialAnswer> answers;
    friend bool operator==(const TrialRecord&, const TrialRecord&) = default;
};

// What is true of a photo whatever is done to its state: none of it is ever undone.
struct PhotoFacts {
    std::vector<ExportMade> exports; // oldest first
    std::optional<Recommended> recommended;
    std::optional<TrialRecord> trial; // the last one

    // What was estimated of these very settings; null: nothing.
    const Risk* riskOf(const Settings& settings) const {
        return recommended && recommended->settings == settings ? &recommended->risk : nullptr;
    }
    friend bool operator==(const PhotoFacts&, const PhotoFacts&) = default;
};

// A file made elsewhere from the photo, to compare with: never exported, never chosen.
struct ReferenceFile {
    std::uint32_t id = 0;     // within its photo, whatever the order; 0: none yet
    std::string file;         // the whole path
    bool matched = false;     // its colours are brought to the photo's
    std::string cleaned = {}; // by these settings, textOf(); empty: it is shown as it is
    friend bool operator==(const ReferenceFile&, const ReferenceFile&) = default;
};

// Probes that were pasted before the photo's size was known: places of a photo of another size.
struct PastedProbes {
    std::vector<Probe> probes;
    int width = 1, height = 1;
    // At the same shares of a photo of this size.
    std::vector<Probe> scaledTo(int newWidth, int newHeight) const;
    friend bool operator==(const PastedProbes&, const PastedProbes&) = default;
};

// What a person does with one photo.
struct PhotoState {
    std::vector<Take> takes;
    std::vector<Probe> probes;
    std::optional<PastedProbes> pasted; // take the probes' place once the photo is read
    Look look;
    std::uint32_t chosen = 0;              // the id of the take that will be exported; 0: none yet
    std::vector<ReferenceFile> references; // R1, R2... in this order
    std::string notes;
    // What a newer version has written and this one does not know: an object as JSON text; empty: nothing.
    std::string rest;

    // The take with an id, or null.
    Take* take(std::uint32_t id);
    const Take* take(std::uint32_t id) const;
    // The reference with an id, or null.
    const ReferenceFile* reference(std::uint32_t id) const;
    // Gives ids to takes, references and probes that have none, or one that another has. Ids are never used
    // twice in one state.
    void giveIds();
    // With every probe inside a photo of this size. What comes from a file goes through here once the photo
    // is known.
    void clipTo(int width, int height);
    friend bool operator==(const PhotoState&, const PhotoState&) = default;
};
// Of a file that was made of a photo with this state: by the take of its letter, and the look.
ExportStanding standingOf(const ExportMade& made, const PhotoState& state);

using StatePtr = std::shared_ptr<const PhotoState>;

// A photo's whole state under a name, to come back to.
struct KeptVersion {
    std::string name, when;
    StatePtr state;
    friend bool operator==(const KeptVersion& a, const KeptVersion& b) {
        return a.name == b.name && a.when == b.when && *a.state == *b.state;
    }
};

// Everything that is kept for one photo.
struct PhotoRecord {
    StatePtr state;
    std::vector<KeptVersion> kept; // in the order in which they were kept
    PhotoFacts facts;
    friend bool operator==(const PhotoRecord& a, const PhotoRecord& b) {
        return *a.state == *b.state && a.kept == b.kept && a.facts == b.facts;
    }
};

// How the work is looked at: no part of any photo.
struct SheetView {
    double zoom = 1; // 0: fit
    double panX = 0, panY = 0;
    float push = 0;
    friend bool operator==(const SheetView&, const SheetView&) = default;
};

// What is open.
struct SessionState {
    std::vector<std::string> photos; // whole paths, in the order of the list
    std::string shown;               // one of them; empty: none
    SheetView view;
    std::string layout; // of the window, as the window writes it
    static constexpr std::size_t kMostRecent = 12;
    std::vector<std::string> recent; // photos that were shown lately, the last one first
    friend bool operator==(const SessionState&, const SessionState&) = default;
};

// Takes of different character for a photo that nobody has worked on.
PhotoState freshState();

// "2026-01-15 22:10:00", now.
std::string presentTime();

} // namespace irenic
