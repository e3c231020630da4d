// Undo and redo: snapshots of states with a name for what was done. Unchanged states are shared.
#pragma once

#include <cstddef>
#include <functional>
#include <string>
#include <vector>

#include "session/state.h"

namespace irenic {

// One photo's part of a step.
struct StateChange {
    std::string photo; // its path
    StatePtr before, after;
};

struct Step {
    std::string name; // "B: colour 1.00× to 1.40×"
    std::vector<StateChange> changes;
};

class History {
  public:
    // What comes after the present step is forgotten. The oldest steps go beyond `kMostSteps`.
    static constexpr std::size_t kMostSteps = 10000;
    void add(Step step);
    // The present step grows instead: it keeps what was before it, and gets a new end and the name for the
    // whole way. Only for steps of one photo. False where there is no such step to grow.
    bool grow(const std::string& photo, StatePtr after);

    // What happened to a photo by itself, and is no step, is in all its states: each becomes change(state).
    void amend(const std::string& photo, const std::function<StatePtr(const StatePtr&)>& change);

    // All steps, oldest first, and how many of them are done; the others have been undone.
    const std::vector<Step>& steps() const { return steps_; }
    std::size_t present() const { return done_; }
    bool canUndo() const { return done_ > 0; }
    bool canRedo() const { return done_ < steps_.size(); }
    // The step to take back, or to do again, already counted as such. Call only where there is one.
    const Step& undo() { return steps_[--done_]; }
    const Step& redo() { return steps_[done_++]; }

  private:
    std::vector<Step> steps_;
    std::size_t done_ = 0;
};

// What was done to a state, as a person would say it: "B: colour 1.00× to 1.40×", "probe 3 moved", "take C
// removed". Empty where nothing was.
std::string nameOfChange(const PhotoState& before, const PhotoState& after);

} // namespace irenic
