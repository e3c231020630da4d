// The weights in an ONNX file: named arrays of numbers, whatever the graph around them.
#pragma once

#include <cstddef>
#include <cstdint>
#include <map>
#include <string>
#include <vector>

namespace irenic {

struct WeightArray {
    std::vector<std::int64_t> dims;
    std::vector<float> values;
};

// The initialisers of an ONNX model (onnx.proto: ModelProto.graph, GraphProto.initializer,
// TensorProto.raw_data) of type FLOAT or FLOAT16, by name; others are passed over. Throws std::runtime_error
// when the bytes are no such model.
std::map<std::string, WeightArray> readOnnxWeights(const std::uint8_t* bytes, std::size_t size);

} // namespace irenic
