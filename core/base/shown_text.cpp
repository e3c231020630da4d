#include "base/shown_text.h"

#include "base/expects.h"

namespace irenic {

std::string filled(const char* words, std::initializer_list<std::string> values) {
    IRENIC_EXPECTS(words && values.size() <= 9);
    std::string out;
    for (const char* c = words; *c; ++c) {
        const auto which =
            static_cast<std::size_t>(c[0] == '%' && c[1] >= '1' && c[1] <= '9' ? c[1] - '1' : 9);
        if (which < values.size())
            out += values.begin()[which], ++c;
        else
            out += *c;
    }
    return out;
}

} // namespace irenic
