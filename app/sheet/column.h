// What stands in a column of the sheet.
#pragma once

#include <cstdint>
#include <variant>
#include <vector>

#include "session/state.h"

namespace irenic {

struct OriginalColumn {
    friend bool operator==(OriginalColumn, OriginalColumn) { return true; }
};
struct TakeColumn {
    std::uint32_t take; // its id
    friend bool operator==(TakeColumn, TakeColumn) = default;
};
struct ReferenceColumn {
    std::uint32_t reference; // its id
    friend bool operator==(ReferenceColumn, ReferenceColumn) = default;
};
using Column = std::variant<OriginalColumn, TakeColumn, ReferenceColumn>;

// The original, the takes, the references, in this order.
inline std::vector<Column> columnsOf(const PhotoState& state) {
    std::vector<Column> all = {OriginalColumn{}};
    for (const Take& t : state.takes) all.emplace_back(TakeColumn{t.id});
    for (const ReferenceFile& r : state.references) all.emplace_back(ReferenceColumn{r.id});
    return all;
}

// "O", "A", "R1".
inline std::string letterOf(const Column& column, const PhotoState& state) {
    if (const auto* own = std::get_if<TakeColumn>(&column))
        if (const Take* take = state.take(own->take)) return {take->letter};
    if (const auto* foreign = std::get_if<ReferenceColumn>(&column))
        for (std::size_t i = 0; i < state.references.size(); ++i)
            if (state.references[i].id == foreign->reference) return "R" + std::to_string(i + 1);
    return "O";
}

// What its cells are cleaned with; a take that is gone shows the original.
inline Settings settingsOf(const Column& column, const PhotoState& state) {
    const auto* own = std::get_if<TakeColumn>(&column);
    const Take* take = own ? state.take(own->take) : nullptr;
    return take ? take->settings : Settings::original();
}

} // namespace irenic
