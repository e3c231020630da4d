#include "base/json.h"

#include <cmath>
#include <optional>

namespace irenic {

using nlohmann::json;

namespace {

// Walks over the text before any value is made of it. (The library's own callbacks while it makes them look
// through all neighbours at the end of each object: a long list would take hours.)
class Limits : public nlohmann::json_sax<json> {
  public:
    bool null() override { return one(); }
    bool boolean(bool) override { return one(); }
    bool number_integer(number_integer_t) override { return one(); }
    bool number_unsigned(number_unsigned_t) override { return one(); }
    bool number_float(number_float_t, const string_t&) override { return one(); }
    bool string(string_t& text) override { return checkText(text) && one(); }
    bool binary(binary_t&) override { return one(); }
    bool start_object(std::size_t) override { return deeper(); }
    bool key(string_t& text) override { return checkText(text); }
    bool end_object() override { return --depth_, true; }
    bool start_array(std::size_t) override { return deeper(); }
    bool end_array() override { return --depth_, true; }
    bool parse_error(std::size_t, const std::string&, const nlohmann::detail::exception&) override {
        throw JsonError("not valid JSON");
    }

  private:
    bool one() {
        if (++values_ > kMostJsonValues) throw JsonError("it holds too many values");
        return true;
    }
    bool deeper() {
        if (++depth_ > kDeepestJson) throw JsonError("it is nested too deeply");
        return one();
    }
    static bool checkText(const string_t& text) {
        if (text.size() > kLongestJsonText) throw JsonError("it holds a text that is too long");
        return true;
    }
    int depth_ = 0;
    std::size_t values_ = 0;
};

} // namespace

json jsonFrom(const std::string& text) {
    Limits limits;
    json::sax_parse(text, &limits);
    try {
        return json::parse(text);
    } catch (const json::exception&) {
        throw JsonError("not valid JSON");
    }
}

std::optional<long long> wholeNumber(const json& value, long long least, long long most) {
    if (value.is_number_unsigned()) {
        const auto v = value.get<unsigned long long>();
        if (v > static_cast<unsigned long long>(std::max(0LL, most)) ||
            (least > 0 && v < static_cast<unsigned long long>(least)))
            return std::nullopt;
        return static_cast<long long>(v);
    }
    if (value.is_number_integer()) {
        const auto v = value.get<long long>();
        return v < least || v > most ? std::nullopt : std::optional(v);
    }
    if (value.is_number_float()) {
        const double v = value.get<double>();
        if (!(v >= static_cast<double>(least) && v <= static_cast<double>(most))) return std::nullopt;
        return std::llround(v);
    }
    return std::nullopt;
}

} // namespace irenic
