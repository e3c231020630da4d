#version 450
// One convolution of the network (denoise/network.h). Pixels of whole groups of four channels, one after the
// other; each invocation makes one group of four pixels beside each other.
layout(local_size_x = 8, local_size_y = 8) in;
layout(constant_id = 0) const int kSide = 3;
layout(constant_id = 1) const int kStep = 1;        // pixels of the input from one result to the next
layout(constant_id = 2) const bool kRelu = false;   // nothing negative stays
layout(constant_id = 3) const bool kAdd = false;    // on top of what is there
layout(constant_id = 4) const bool kSpread = false; // a quarter of the groups for each of 2x2 pixels
layout(binding = 0) readonly buffer From { vec4 from[]; };
layout(binding = 1) readonly buffer Weights { mat4 weights[]; }; // [group][row][column][group of the input]
layout(binding = 2) readonly buffer Bias { vec4 bias[]; };
layout(binding = 3) buffer To { vec4 to[]; };
// `width` and `height` of the results before they are spread.
layout(push_constant) uniform Sizes { int fromWidth, fromHeight, fromGroups, width, height, groups; };
const int kPixels = 4;

int placeOf(int x, int y, int group) {
    if (!kSpread) return (y * width + x) * groups + group;
    const int own = groups / 4, part = group / own;
    return ((2 * y + part / 2) * 2 * width + 2 * x + part % 2) * own + group % own;
}

void main() {
    const int x0 = int(gl_GlobalInvocationID.x) * kPixels, y = int(gl_GlobalInvocationID.y);
    const int group = int(gl_GlobalInvocationID.z);
    if (x0 >= width || y >= height) return;
    vec4 sum[kPixels];
    for (int p = 0; p < kPixels; ++p) sum[p] = bias[group];
    const int lead = kStep == 1 ? kSide / 2 : 0;
    for (int j = 0; j < kSide; ++j) {
        const int fromY = y * kStep + j - lead;
        if (fromY < 0 || fromY >= fromHeight) continue;
        for (int i = 0; i < kSide; ++i)
            for (int k = 0; k < fromGroups; ++k) {
                const mat4 w = weights[((group * kSide + j) * kSide + i) * fromGroups + k];
                for (int p = 0; p < kPixels; ++p) {
                    const int fromX = (x0 + p) * kStep + i - lead;
                    if (fromX >= 0 && fromX < fromWidth)
                        sum[p] += w * from[(fromY * fromWidth + fromX) * fromGroups + k];
                }
            }
    }
    for (int p = 0; p < kPixels; ++p) {
        const int place = placeOf(x0 + p, y, group);
        const vec4 value = kAdd ? to[place] + sum[p] : sum[p];
        to[place] = kRelu ? max(value, vec4(0)) : value;
    }
}
