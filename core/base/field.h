// Tables of fields: every value that a person sets stands in one table, and JSON (base/field_json.h), text
// forms, XMP, the command line, widgets and the manual are made of it. A new setting is one line in one
// table.
#pragma once

#include <span>
#include <stdexcept>
#include <string>
#include <variant>
#include <vector>

#include "base/shown_text.h"

namespace irenic {

// A point of a curve, both 0..1.
struct CurvePoint {
    float in = 0, out = 0;
    friend bool operator==(const CurvePoint&, const CurvePoint&) = default;
};
using Curve = std::vector<CurvePoint>; // rising in `in`; fewer than two points: none

// What everybody needs to know of a field, whatever it belongs to.
struct FieldInfo {
    const char* id;    // in JSON, text and on the command line
    const char* xmp;   // in XMP
    const char* label; // on the screen
    const char* unit;  // behind the value on the screen: "×", "%", " EV"
    double least = 0, most = 1;
    double shown = 1;                       // the value on the screen over the value itself: 100 for per cent
    int decimals = 2;                       // on the screen
    const char* sentence;                   // what it does to the picture: the tool tip, the help, the manual
    std::span<const char* const> choices{}; // of a field with choices: their names, in order
    std::span<const char* const> shownChoices{};  // and how they are called on the screen
    std::span<const char* const> formerChoices{}; // names that they had in older files, in the same order
    std::string (*shownText)(const std::string&) = nullptr; // how a text is called on the screen
};

// A choice among names, kept as an enumeration by its owner.
template <class T> struct ChoiceMember {
    int (*get)(const T&);
    void (*set)(T&, int);
};

// A value of several parts, which has a text form of its own; set() throws FieldError.
template <class T> struct TextMember {
    std::string (*get)(const T&);
    void (*set)(T&, const std::string&);
};

template <class T> struct Field : FieldInfo {
    std::variant<float T::*, bool T::*, std::string T::*, Curve T::*, ChoiceMember<T>, TextMember<T>> member;
};

// The table of T: one specialisation stands beside each such value.
template <class T> std::span<const Field<T>> fieldsOf();

// Complaints of the functions below: a whole sentence that names the field.
struct FieldError : std::invalid_argument {
    using std::invalid_argument::invalid_argument;
};

// The forms of single values; parts of what follows.
std::string numberText(float v);                                   // the shortest that reads back as v
float numberFrom(const FieldInfo& field, const std::string& text); // FieldError: no number, out of range
void checkRange(const FieldInfo& field, float v);                  // FieldError
int choiceFrom(const FieldInfo& field, const std::string& text);   // FieldError
std::string curveText(const Curve& curve);                         // "0:0;0.5:0.6;1:1"
Curve curveFrom(const FieldInfo& field, const std::string& text);  // FieldError

// A field's value as text, "0.25", "1", "medium"; and back. FieldError.
template <class T> std::string valueText(const Field<T>& field, const T& of) {
    return std::visit(
        [&](const auto& m) -> std::string {
            using M = std::decay_t<decltype(m)>;
            if constexpr (std::is_same_v<M, ChoiceMember<T>>)
                return field.choices[static_cast<std::size_t>(m.get(of))];
            else if constexpr (std::is_same_v<M, TextMember<T>>)
                return m.get(of);
            else if constexpr (std::is_same_v<M, float T::*>)
                return numberText(of.*m);
            else if constexpr (std::is_same_v<M, bool T::*>)
                return of.*m ? "1" : "0";
            else if constexpr (std::is_same_v<M, Curve T::*>)
                return curveText(of.*m);
            else
                return of.*m;
        },
        field.member);
}
template <class T> void setFromText(const Field<T>& field, T& in, const std::string& text) {
    std::visit(
        [&](const auto& m) {
            using M = std::decay_t<decltype(m)>;
            if constexpr (std::is_same_v<M, ChoiceMember<T>>)
                m.set(in, choiceFrom(field, text));
            else if constexpr (std::is_same_v<M, TextMember<T>>)
                m.set(in, text);
            else if constexpr (std::is_same_v<M, float T::*>)
                in.*m = numberFrom(field, text);
            else if constexpr (std::is_same_v<M, bool T::*>)
                in.*m = numberFrom(field, text) != 0;
            else if constexpr (std::is_same_v<M, Curve T::*>)
                in.*m = curveFrom(field, text);
            else
                in.*m = text;
        },
        field.member);
}
template <class T> bool sameField(const Field<T>& field, const T& a, const T& b) {
    return std::visit(
        [&](const auto& m) {
            using M = std::decay_t<decltype(m)>;
            if constexpr (std::is_same_v<M, ChoiceMember<T>> || std::is_same_v<M, TextMember<T>>)
                return m.get(a) == m.get(b);
            else
                return a.*m == b.*m;
        },
        field.member);
}
template <class T> const Field<T>* findField(const std::string& id) {
    for (const Field<T>& f : fieldsOf<T>())
        if (id == f.id) return &f;
    return nullptr;
}

// An empty string when all values lie within their ranges, else a sentence that says which does not.
template <class T> std::string rangeProblem(const T& value) {
    try {
        for (const Field<T>& f : fieldsOf<T>())
            if (const auto* m = std::get_if<float T::*>(&f.member)) checkRange(f, value.**m);
    } catch (const FieldError& e) {
        return e.what();
    }
    return {};
}

// A value as it is shown, with its unit: "1.40×", "on", "Vertical".
std::string shownNumber(const FieldInfo& field, float v);
template <class T> std::string shownValue(const Field<T>& field, const T& of) {
    return std::visit(
        [&](const auto& m) -> std::string {
            using M = std::decay_t<decltype(m)>;
            if constexpr (std::is_same_v<M, ChoiceMember<T>>)
                return field.shownChoices[static_cast<std::size_t>(m.get(of))];
            else if constexpr (std::is_same_v<M, TextMember<T>>)
                return m.get(of);
            else if constexpr (std::is_same_v<M, float T::*>)
                return shownNumber(field, of.*m);
            else if constexpr (std::is_same_v<M, bool T::*>)
                return of.*m ? "on" : "off";
            else if constexpr (std::is_same_v<M, std::string T::*>)
                return field.shownText ? field.shownText(of.*m) : of.*m;
            else
                return curveText(of.*m);
        },
        field.member);
}

// What differs, as a person would say it: "colour 1.00× → 1.40×, vignetting on". At most `most` fields, then
// "and more".
template <class T> std::string changeText(const Field<T>& field, const T& before, const T& after) {
    const std::string label = field.label;
    if (std::holds_alternative<Curve T::*>(field.member) ||
        std::holds_alternative<TextMember<T>>(field.member))
        return filled(IRENIC_TEXT("%1 changed"), {label});
    if (std::holds_alternative<bool T::*>(field.member)) return label + " " + shownValue(field, after);
    return filled(IRENIC_TEXT("%1 %2 → %3"), {label, shownValue(field, before), shownValue(field, after)});
}
template <class T> std::string changesText(const T& before, const T& after, std::size_t most = 2) {
    std::string out;
    std::size_t count = 0;
    for (const Field<T>& f : fieldsOf<T>()) {
        if (sameField(f, before, after)) continue;
        if (++count > most) return filled(IRENIC_TEXT("%1 and more"), {out});
        out += (out.empty() ? "" : ", ") + changeText(f, before, after);
    }
    return out;
}

} // namespace irenic
