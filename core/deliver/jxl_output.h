// The bytes of a JPEG XL encoder that has all its input.
#pragma once

#include <jxl/encode.h>

#include <cstdint>
#include <stdexcept>
#include <vector>

namespace irenic {

// Throws std::runtime_error where the library fails.
inline std::vector<std::uint8_t> outputOf(JxlEncoder* encoder) {
    std::vector<std::uint8_t> file(1 << 20);
    std::uint8_t* next = file.data();
    std::size_t room = file.size();
    JxlEncoderStatus status = JXL_ENC_NEED_MORE_OUTPUT;
    while ((status = JxlEncoderProcessOutput(encoder, &next, &room)) == JXL_ENC_NEED_MORE_OUTPUT) {
        const auto used = static_cast<std::size_t>(next - file.data());
        file.resize(file.size() * 2);
        next = file.data() + used, room = file.size() - used;
    }
    if (status != JXL_ENC_SUCCESS) throw std::runtime_error("the picture cannot be packed as JPEG XL.");
    file.resize(static_cast<std::size_t>(next - file.data()));
    return file;
}

} // namespace irenic
