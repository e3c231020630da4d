#include "base/digest.h"

#include <xxhash.h>

#include <bit>
#include <cstdio>
#include <new>

namespace irenic {

void Digest::Free::operator()(XXH3_state_s* state) const { XXH3_freeState(state); }

Digest::Digest() : state_(XXH3_createState()) {
    if (!state_) throw std::bad_alloc();
    XXH3_128bits_reset(state_.get());
}

Digest::~Digest() = default;

void Digest::add(const void* bytes, std::size_t count) {
    if (count > 0) XXH3_128bits_update(state_.get(), bytes, count);
}

void Digest::add(double value) { add(std::bit_cast<std::uint64_t>(value == 0 ? 0.0 : value)); }

void Digest::add(std::string_view text) {
    add(std::uint64_t{text.size()});
    add(text.data(), text.size());
}

std::string Digest::text() const {
    const XXH128_hash_t value = XXH3_128bits_digest(state_.get());
    char text[40];
    std::snprintf(text, sizeof text, "%016llx%016llx", static_cast<unsigned long long>(value.high64),
                  static_cast<unsigned long long>(value.low64));
    return text;
}

} // namespace irenic
