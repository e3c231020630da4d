// A graphics processor that computes, by way of Vulkan 1.1 (Khronos Group, "Vulkan 1.1, a specification"):
// what of it the network needs, and no more. Everything that a driver refuses ends in a GraphicsError; so
// does a device that was lost, from then on.
#pragma once

#include <vulkan/vulkan.h>

#include <array>
#include <cstddef>
#include <cstdint>
#include <functional>
#include <memory>
#include <stdexcept>
#include <string>
#include <vector>

namespace irenic::graphics {

struct GraphicsError : std::runtime_error {
    using std::runtime_error::runtime_error;
};

class Device;

// Memory of the device, or of this machine where both see it.
class Buffer {
  public:
    enum class Where { Device, Shared };
    Buffer(const Device& device, std::size_t bytes, Where where);
    ~Buffer();
    Buffer(const Buffer&) = delete;
    Buffer& operator=(const Buffer&) = delete;
    VkBuffer handle() const { return buffer_; }
    std::size_t bytes() const { return bytes_; }
    float* floats() { return static_cast<float*>(mapped_); } // of shared memory; else null

  private:
    void release();

    VkDevice device_;
    std::size_t bytes_;
    VkBuffer buffer_ = VK_NULL_HANDLE;
    VkDeviceMemory memory_ = VK_NULL_HANDLE;
    void* mapped_ = nullptr;
};

// A shader with its constants. Bound are kBuffers buffers, in the order of the shader's bindings.
class Program {
  public:
    static constexpr std::size_t kBuffers = 4, kNumbers = 6;
    using Numbers = std::array<std::int32_t, kNumbers>; // as the shader's push constants
    Program(const Device& device, const std::uint32_t* code, std::size_t bytes,
            const std::vector<std::int32_t>& constants);
    ~Program();
    Program(const Program&) = delete;
    Program& operator=(const Program&) = delete;

  private:
    friend class Device;
    void release();

    VkDevice device_;
    VkShaderModule module_ = VK_NULL_HANDLE;
    VkPipeline pipeline_ = VK_NULL_HANDLE;
};

// What a program is run on; as many as the device was opened for.
using Binding = VkDescriptorSet;

// One at a time may call what is not const.
class Device {
  public:
    // The best there is: a card before a part of the processor. `software`: also a driver that only plays
    // one, for tests. Null where there is none. Throws GraphicsError where one refuses to begin. `bindings`:
    // how many bind() may make.
    static std::unique_ptr<Device> open(bool software, std::uint32_t bindings);
    ~Device();
    Device(const Device&) = delete;
    Device& operator=(const Device&) = delete;

    const std::string& name() const { return name_; }
    Binding bind(const std::array<const Buffer*, Program::kBuffers>& buffers);

    // What run() does, in order; each step sees what those before it wrote.
    class Steps {
      public:
        void copy(const Buffer& from, const Buffer& to, std::size_t bytes);
        void run(const Program& program, Binding binding, const Program::Numbers& numbers,
                 const std::array<std::uint32_t, 3>& groups);

      private:
        friend class Device;
        explicit Steps(const Device& device) : device_(device) {}
        void settle();
        const Device& device_;
    };
    // Returns when all is done. Throws GraphicsError where that fails or takes longer than the device is
    // given: it counts as lost then.
    void run(const std::function<void(Steps&)>& steps);
    // Whether it was lost while it worked, and may still be at it: then neither it nor what it uses may be
    // taken down.
    bool unfinished() const { return unfinished_; }
    // From now on every run() throws.
    void lose() { lost_ = true; }
    // How many nanoseconds a run() may take: ten seconds, without an end for a device that open() took as
    // software.
    void setPatience(std::uint64_t nanoseconds) { patience_ = nanoseconds; }

  private:
    friend class Buffer;
    friend class Program;
    Device() = default;
    void begin(VkPhysicalDevice physical, std::uint32_t family, std::uint32_t bindings);

    std::string name_;
    VkInstance instance_ = VK_NULL_HANDLE;
    VkPhysicalDevice physical_ = VK_NULL_HANDLE;
    VkDevice device_ = VK_NULL_HANDLE;
    VkQueue queue_ = VK_NULL_HANDLE;
    VkDescriptorSetLayout layout_ = VK_NULL_HANDLE;
    VkPipelineLayout pipelineLayout_ = VK_NULL_HANDLE;
    VkDescriptorPool sets_ = VK_NULL_HANDLE;
    VkCommandPool pool_ = VK_NULL_HANDLE;
    VkCommandBuffer commands_ = VK_NULL_HANDLE;
    VkFence fence_ = VK_NULL_HANDLE;
    bool lost_ = false, unfinished_ = false;
    std::uint64_t patience_ = 10'000'000'000; // drivers notice what hangs after some two seconds
};

} // namespace irenic::graphics
