// A table's fields as JSON, and back.
#pragma once

#include <algorithm>
#include <nlohmann/json.hpp>

#include "base/field.h"

namespace irenic {

// All fields as an object, numbers as numbers.
template <class T> nlohmann::json jsonOf(const T& value) {
    nlohmann::json out = nlohmann::json::object();
    for (const Field<T>& f : fieldsOf<T>())
        std::visit(
            [&](const auto& m) {
                using M = std::decay_t<decltype(m)>;
                // As text, so that a float comes back as itself and not as its neighbour in double.
                if constexpr (std::is_same_v<M, float T::*>)
                    out[f.id] = nlohmann::json::parse(numberText(value.*m));
                else if constexpr (std::is_same_v<M, bool T::*>)
                    out[f.id] = value.*m;
                else
                    out[f.id] = valueText(f, value);
            },
            f.member);
    return out;
}
// Sets what the object has; fields that are missing keep what `into` has. A value that cannot be used is
// skipped and named in `problems`.
template <class T> void readJson(const nlohmann::json& from, T& into, std::vector<std::string>& problems) {
    for (const Field<T>& f : fieldsOf<T>()) {
        const auto at = from.is_object() ? from.find(f.id) : from.end();
        if (!from.is_object() || at == from.end()) continue;
        try {
            if (at->is_boolean())
                setFromText(f, into, at->template get<bool>() ? "1" : "0");
            else if (at->is_number())
                setFromText(
                    f, into,
                    numberText(static_cast<float>(std::clamp(at->template get<double>(), -1e30, 1e30))));
            else if (at->is_string())
                setFromText(f, into, at->template get<std::string>());
            else
                throw FieldError(std::string(f.label) + " is neither a number nor a text");
        } catch (const FieldError& e) {
            problems.emplace_back(e.what());
        }
    }
}

} // namespace irenic
