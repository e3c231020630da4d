// A number that names what many bytes hold.
#pragma once

#include <cstddef>
#include <cstdint>
#include <memory>
#include <string>
#include <string_view>
#include <type_traits>
#include <vector>

struct XXH3_state_s;

namespace irenic {

// A digest of everything that is added, in its order (XXH3, 128 bits, by Y. Collet's xxHash library). It
// tells values apart and finds faults of disks and libraries; it is no protection against anybody's intent.
class Digest {
  public:
    Digest();
    ~Digest();
    Digest(const Digest&) = delete;
    Digest& operator=(const Digest&) = delete;

    void add(const void* bytes, std::size_t count);
    // A number, or any other value without padding.
    template <class T>
    requires std::has_unique_object_representations_v<T>
    void add(const T& value) { add(&value, sizeof value); }
    // A floating-point number by its bits; -0 counts as 0.
    void add(double value);
    void add(float value) { add(static_cast<double>(value)); }
    void add(bool value) { add(static_cast<unsigned char>(value)); }
    // With their lengths, so that two texts side by side are not one.
    void add(std::string_view text);
    void add(const std::string& text) { add(std::string_view(text)); }
    void add(const char* text) { add(std::string_view(text)); }
    template <class T> void add(const std::vector<T>& list) {
        add(std::uint64_t{list.size()});
        if constexpr (std::has_unique_object_representations_v<T>)
            add(list.data(), list.size() * sizeof(T));
        else
            for (const T& one : list) add(one);
    }
    // 32 hexadecimal digits.
    std::string text() const;

  private:
    struct Free {
        void operator()(XXH3_state_s* state) const;
    };
    std::unique_ptr<XXH3_state_s, Free> state_;
};

} // namespace irenic
