// What stands in a column of the sheet.
#pragma once

#include <cstdint>
#include <variant>

#include "session/state.h"

namespace irenic {

struct OriginalColumn {};
struct TakeColumn {
    std::uint32_t take; // its id
};
using Column = std::variant<OriginalColumn, TakeColumn>;

// What its cells are cleaned with; a take that is gone shows the original.
inline Settings settingsOf(const Column& column, const PhotoState& state) {
    const auto* own = std::get_if<TakeColumn>(&column);
    const Take* take = own ? state.take(own->take) : nullptr;
    return take ? take->settings : Settings::original();
}

} // namespace irenic
