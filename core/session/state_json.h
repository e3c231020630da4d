// The state of the work as JSON, as it stands in sidecars and in the session file. docs/sidecar.md describes
// it.
#pragma once

#include <nlohmann/json_fwd.hpp>

#include "session/state.h"

namespace irenic {

// The version of the form in sidecars.
inline constexpr int kSidecarVersion = 1;

// More than this no work of anybody's has; what has more is refused as a whole (JsonError).
inline constexpr std::size_t kMostTakesKept = 26, kMostProbesKept = 200, kMostReferencesKept = 50,
                             kMostVersionsKept = 1000, kMostExportsKept = 100000, kMostPhotosKept = 200000;

// As JSON, and back. `problems` gets a sentence for every value that could not be used; what is unknown goes
// into `rest`.
nlohmann::json jsonOf(const PhotoState& state);
PhotoState stateFrom(const nlohmann::json& json, std::vector<std::string>& problems);
nlohmann::json jsonOf(const PhotoRecord& record);
PhotoRecord recordFrom(const nlohmann::json& json, std::vector<std::string>& problems);
nlohmann::json jsonOf(const SessionState& session);
SessionState sessionFrom(const nlohmann::json& json, std::vector<std::string>& problems);

} // namespace irenic
