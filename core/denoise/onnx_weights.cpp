#include "denoise/onnx_weights.h"

#include <cmath>
#include <cstring>
#include <functional>
#include <stdexcept>

namespace irenic {

namespace {

// One message of the protocol buffers' wire format (developers' guide, "Encoding").
class Message {
  public:
    Message(const std::uint8_t* at, std::size_t size) : at_(at), end_(at + size) {}

    // Calls field(number, varint or 0, payload, its size) for each field in turn.
    void
    each(const std::function<void(std::uint64_t, std::uint64_t, const std::uint8_t*, std::size_t)>& field) {
        while (at_ < end_) {
            const std::uint64_t key = varint();
            switch (key & 7) {
            case 0: field(key >> 3, varint(), nullptr, 0); break;
            case 1: skip(8); break;
            case 2: {
                const std::uint64_t size = varint();
                const std::uint8_t* payload = at_;
                skip(size);
                field(key >> 3, 0, payload, size);
                break;
            }
            case 5: skip(4); break;
            default: throw std::runtime_error("the network's file is damaged");
            }
        }
    }
    std::uint64_t varint() {
        std::uint64_t value = 0;
        for (int shift = 0; shift < 64; shift += 7) {
            if (at_ >= end_) break;
            const std::uint8_t byte = *at_++;
            value |= static_cast<std::uint64_t>(byte & 0x7f) << shift;
            if ((byte & 0x80) == 0) return value;
        }
        throw std::runtime_error("the network's file ends too early");
    }
    bool atEnd() const { return at_ >= end_; }

  private:
    void skip(std::uint64_t size) {
        if (size > static_cast<std::uint64_t>(end_ - at_))
            throw std::runtime_error("the network's file ends too early");
        at_ += size;
    }
    const std::uint8_t *at_, *end_;
};

// IEEE 754 binary16.
float fromHalf(std::uint16_t h) {
    const int exponent = (h >> 10) & 31, fraction = h & 1023;
    const float size = exponent == 0 ? std::ldexp(static_cast<float>(fraction), -24)
                                     : std::ldexp(static_cast<float>(1024 + fraction), exponent - 25);
    return (h & 0x8000) != 0 ? -size : size;
}

} // namespace

std::map<std::string, WeightArray> readOnnxWeights(const std::uint8_t* bytes, std::size_t size) {
    constexpr std::uint64_t graph = 7, initializer = 5, dims = 1, dataType = 2, name = 8, rawData = 9;
    std::map<std::string, WeightArray> out;
    const auto tensor = [&](const std::uint8_t* at, std::size_t length) {
        WeightArray array;
        std::string title;
        std::uint64_t type = 0;
        const std::uint8_t* raw = nullptr;
        std::size_t rawSize = 0;
        Message(at, length)
            .each([&](std::uint64_t field, std::uint64_t value, const std::uint8_t* payload, std::size_t n) {
                if (field == dims && payload) {
                    for (Message packed(payload, n); !packed.atEnd();)
                        array.dims.push_back(static_cast<std::int64_t>(packed.varint()));
                } else if (field == dims) {
                    array.dims.push_back(static_cast<std::int64_t>(value));
                } else if (field == dataType) {
                    type = value;
                } else if (field == name) {
                    title.assign(reinterpret_cast<const char*>(payload), n);
                } else if (field == rawData) {
                    raw = payload, rawSize = n;
                }
            });
        std::size_t count = 1;
        for (const std::int64_t d : array.dims) count *= static_cast<std::size_t>(d);
        const std::size_t each = type == 1 ? 4 : type == 10 ? 2 : 0;
        if (each == 0) return;
        if (!raw || rawSize != count * each)
            throw std::runtime_error("the network's file is damaged at " + title);
        array.values.resize(count);
        for (std::size_t i = 0; i < count; ++i)
            if (each == 4) {
                std::memcpy(&array.values[i], raw + 4 * i, 4);
            } else {
                std::uint16_t h = 0;
                std::memcpy(&h, raw + 2 * i, 2);
                array.values[i] = fromHalf(h);
            }
        out[title] = std::move(array);
    };
    Message(bytes, size)
        .each([&](std::uint64_t field, std::uint64_t, const std::uint8_t* payload, std::size_t n) {
            if (field == graph && payload)
                Message(payload, n)
                    .each(
                        [&](std::uint64_t inner, std::uint64_t, const std::uint8_t* at, std::size_t length) {
                            if (inner == initializer && at) tensor(at, length);
                        });
        });
    if (out.empty()) throw std::runtime_error("the network's file holds no weights");
    return out;
}

} // namespace irenic
