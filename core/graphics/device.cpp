#include "graphics/device.h"

#include <optional>

namespace irenic::graphics {

namespace {

void check(VkResult result, const char* what) {
    if (result != VK_SUCCESS)
        throw GraphicsError(std::string(what) + " was refused (Vulkan result " + std::to_string(result) +
                            ")");
}

// The family of queues that computes.
std::optional<std::uint32_t> computingFamily(VkPhysicalDevice physical) {
    std::uint32_t count = 0;
    vkGetPhysicalDeviceQueueFamilyProperties(physical, &count, nullptr);
    std::vector<VkQueueFamilyProperties> families(count);
    vkGetPhysicalDeviceQueueFamilyProperties(physical, &count, families.data());
    for (std::uint32_t i = 0; i < count; ++i)
        if ((families[i].queueFlags & VK_QUEUE_COMPUTE_BIT) != 0) return i;
    return {};
}

// 0: not to be used.
int rankOf(const VkPhysicalDeviceProperties& p, bool software) {
    if (p.apiVersion < VK_API_VERSION_1_1) return 0;
    switch (p.deviceType) {
    case VK_PHYSICAL_DEVICE_TYPE_DISCRETE_GPU: return 4;
    case VK_PHYSICAL_DEVICE_TYPE_INTEGRATED_GPU: return 3;
    case VK_PHYSICAL_DEVICE_TYPE_VIRTUAL_GPU: return 2;
    default: return software ? 1 : 0;
    }
}

std::optional<std::uint32_t> memoryType(VkPhysicalDevice physical, std::uint32_t allowed,
                                        VkMemoryPropertyFlags wanted) {
    VkPhysicalDeviceMemoryProperties all;
    vkGetPhysicalDeviceMemoryProperties(physical, &all);
    for (std::uint32_t i = 0; i < all.memoryTypeCount; ++i)
        if ((allowed >> i & 1) != 0 && (all.memoryTypes[i].propertyFlags & wanted) == wanted) return i;
    return {};
}

} // namespace

Buffer::Buffer(const Device& device, std::size_t bytes, Where where)
    : device_(device.device_), bytes_(bytes) {
    VkBufferCreateInfo info{};
    info.sType = VK_STRUCTURE_TYPE_BUFFER_CREATE_INFO;
    info.size = bytes;
    info.usage = VK_BUFFER_USAGE_STORAGE_BUFFER_BIT | VK_BUFFER_USAGE_TRANSFER_SRC_BIT |
                 VK_BUFFER_USAGE_TRANSFER_DST_BIT;
    info.sharingMode = VK_SHARING_MODE_EXCLUSIVE;
    try {
        check(vkCreateBuffer(device_, &info, nullptr, &buffer_), "a buffer");
        VkMemoryRequirements needs;
        vkGetBufferMemoryRequirements(device_, buffer_, &needs);
        constexpr VkMemoryPropertyFlags visible =
            VK_MEMORY_PROPERTY_HOST_VISIBLE_BIT | VK_MEMORY_PROPERTY_HOST_COHERENT_BIT;
        const VkMemoryPropertyFlags least = where == Where::Shared ? visible : 0;
        // Memory that the processor caches is read ten times as fast by it; not all devices have it.
        const VkMemoryPropertyFlags best =
            least | (where == Where::Shared ? VK_MEMORY_PROPERTY_HOST_CACHED_BIT
                                            : VK_MEMORY_PROPERTY_DEVICE_LOCAL_BIT);
        auto type = memoryType(device.physical_, needs.memoryTypeBits, best);
        if (!type) type = memoryType(device.physical_, needs.memoryTypeBits, least);
        if (!type) throw GraphicsError("the device has no memory of this kind");
        VkMemoryAllocateInfo room{};
        room.sType = VK_STRUCTURE_TYPE_MEMORY_ALLOCATE_INFO;
        room.allocationSize = needs.size;
        room.memoryTypeIndex = *type;
        check(vkAllocateMemory(device_, &room, nullptr, &memory_), "memory");
        check(vkBindBufferMemory(device_, buffer_, memory_, 0), "memory");
        if (where == Where::Shared)
            check(vkMapMemory(device_, memory_, 0, VK_WHOLE_SIZE, 0, &mapped_), "memory");
    } catch (...) {
        release();
        throw;
    }
}

void Buffer::release() {
    vkDestroyBuffer(device_, buffer_, nullptr);
    vkFreeMemory(device_, memory_, nullptr);
}
Buffer::~Buffer() { release(); }

Program::Program(const Device& device, const std::uint32_t* code, std::size_t bytes,
                 const std::vector<std::int32_t>& constants)
    : device_(device.device_) {
    VkShaderModuleCreateInfo shader{};
    shader.sType = VK_STRUCTURE_TYPE_SHADER_MODULE_CREATE_INFO;
    shader.codeSize = bytes;
    shader.pCode = code;
    std::vector<VkSpecializationMapEntry> entries(constants.size());
    for (std::uint32_t i = 0; i < entries.size(); ++i) entries[i] = {i, 4 * i, sizeof(std::int32_t)};
    const VkSpecializationInfo special{static_cast<std::uint32_t>(entries.size()), entries.data(),
                                       4 * constants.size(), constants.data()};
    try {
        check(vkCreateShaderModule(device_, &shader, nullptr, &module_), "a shader");
        VkComputePipelineCreateInfo info{};
        info.sType = VK_STRUCTURE_TYPE_COMPUTE_PIPELINE_CREATE_INFO;
        info.stage.sType = VK_STRUCTURE_TYPE_PIPELINE_SHADER_STAGE_CREATE_INFO;
        info.stage.stage = VK_SHADER_STAGE_COMPUTE_BIT;
        info.stage.module = module_;
        info.stage.pName = "main";
        info.stage.pSpecializationInfo = &special;
        info.layout = device.pipelineLayout_;
        check(vkCreateComputePipelines(device_, VK_NULL_HANDLE, 1, &info, nullptr, &pipeline_), "a shader");
    } catch (...) {
        release();
        throw;
    }
}

void Program::release() {
    vkDestroyPipeline(device_, pipeline_, nullptr);
    vkDestroyShaderModule(device_, module_, nullptr);
}
Program::~Program() { release(); }

std::unique_ptr<Device> Device::open(bool software, std::uint32_t bindings) {
    std::unique_ptr<Device> own(new Device);
    VkApplicationInfo application{};
    application.sType = VK_STRUCTURE_TYPE_APPLICATION_INFO;
    application.pApplicationName = "Irenic";
    application.apiVersion = VK_API_VERSION_1_1;
    VkInstanceCreateInfo info{};
    info.sType = VK_STRUCTURE_TYPE_INSTANCE_CREATE_INFO;
    info.pApplicationInfo = &application;
    // Without any driver this is what fails.
    if (vkCreateInstance(&info, nullptr, &own->instance_) != VK_SUCCESS) return nullptr;
    std::uint32_t count = 0;
    vkEnumeratePhysicalDevices(own->instance_, &count, nullptr);
    std::vector<VkPhysicalDevice> all(count);
    if (count == 0 || vkEnumeratePhysicalDevices(own->instance_, &count, all.data()) < 0) return nullptr;
    int best = 0;
    VkPhysicalDevice chosen = VK_NULL_HANDLE;
    for (VkPhysicalDevice one : all) {
        VkPhysicalDeviceProperties properties;
        vkGetPhysicalDeviceProperties(one, &properties);
        const int rank = computingFamily(one) ? rankOf(properties, software) : 0;
        if (rank > best) best = rank, chosen = one, own->name_ = properties.deviceName;
    }
    if (best == 0) return nullptr;
    // One that is played by the processor is as slow as that is busy; nothing of it can hang.
    if (software) own->patience_ = UINT64_MAX;
    own->begin(chosen, *computingFamily(chosen), bindings);
    return own;
}

void Device::begin(VkPhysicalDevice physical, std::uint32_t family, std::uint32_t bindings) {
    physical_ = physical;
    const float priority = 0.5f;
    VkDeviceQueueCreateInfo queue{};
    queue.sType = VK_STRUCTURE_TYPE_DEVICE_QUEUE_CREATE_INFO;
    queue.queueFamilyIndex = family;
    queue.queueCount = 1;
    queue.pQueuePriorities = &priority;
    VkDeviceCreateInfo info{};
    info.sType = VK_STRUCTURE_TYPE_DEVICE_CREATE_INFO;
    info.queueCreateInfoCount = 1;
    info.pQueueCreateInfos = &queue;
    check(vkCreateDevice(physical_, &info, nullptr, &device_), "the device");
    vkGetDeviceQueue(device_, family, 0, &queue_);

    std::array<VkDescriptorSetLayoutBinding, Program::kBuffers> slots{};
    for (std::uint32_t i = 0; i < slots.size(); ++i)
        slots[i] = {i, VK_DESCRIPTOR_TYPE_STORAGE_BUFFER, 1, VK_SHADER_STAGE_COMPUTE_BIT, nullptr};
    VkDescriptorSetLayoutCreateInfo layout{};
    layout.sType = VK_STRUCTURE_TYPE_DESCRIPTOR_SET_LAYOUT_CREATE_INFO;
    layout.bindingCount = slots.size();
    layout.pBindings = slots.data();
    check(vkCreateDescriptorSetLayout(device_, &layout, nullptr, &layout_), "a layout");
    const VkPushConstantRange numbers{VK_SHADER_STAGE_COMPUTE_BIT, 0, sizeof(Program::Numbers)};
    VkPipelineLayoutCreateInfo pipelines{};
    pipelines.sType = VK_STRUCTURE_TYPE_PIPELINE_LAYOUT_CREATE_INFO;
    pipelines.setLayoutCount = 1;
    pipelines.pSetLayouts = &layout_;
    pipelines.pushConstantRangeCount = 1;
    pipelines.pPushConstantRanges = &numbers;
    check(vkCreatePipelineLayout(device_, &pipelines, nullptr, &pipelineLayout_), "a layout");
    const VkDescriptorPoolSize buffers{VK_DESCRIPTOR_TYPE_STORAGE_BUFFER,
                                       bindings * static_cast<std::uint32_t>(Program::kBuffers)};
    VkDescriptorPoolCreateInfo sets{};
    sets.sType = VK_STRUCTURE_TYPE_DESCRIPTOR_POOL_CREATE_INFO;
    sets.maxSets = bindings;
    sets.poolSizeCount = 1;
    sets.pPoolSizes = &buffers;
    check(vkCreateDescriptorPool(device_, &sets, nullptr, &sets_), "a pool");

    VkCommandPoolCreateInfo pool{};
    pool.sType = VK_STRUCTURE_TYPE_COMMAND_POOL_CREATE_INFO;
    pool.flags = VK_COMMAND_POOL_CREATE_RESET_COMMAND_BUFFER_BIT;
    pool.queueFamilyIndex = family;
    check(vkCreateCommandPool(device_, &pool, nullptr, &pool_), "a pool");
    VkCommandBufferAllocateInfo commands{};
    commands.sType = VK_STRUCTURE_TYPE_COMMAND_BUFFER_ALLOCATE_INFO;
    commands.commandPool = pool_;
    commands.level = VK_COMMAND_BUFFER_LEVEL_PRIMARY;
    commands.commandBufferCount = 1;
    check(vkAllocateCommandBuffers(device_, &commands, &commands_), "commands");
    VkFenceCreateInfo fence{};
    fence.sType = VK_STRUCTURE_TYPE_FENCE_CREATE_INFO;
    check(vkCreateFence(device_, &fence, nullptr, &fence_), "a fence");
}

Device::~Device() {
    if (device_ != VK_NULL_HANDLE) {
        vkDeviceWaitIdle(device_);
        vkDestroyFence(device_, fence_, nullptr);
        vkDestroyCommandPool(device_, pool_, nullptr);
        vkDestroyDescriptorPool(device_, sets_, nullptr);
        vkDestroyPipelineLayout(device_, pipelineLayout_, nullptr);
        vkDestroyDescriptorSetLayout(device_, layout_, nullptr);
        vkDestroyDevice(device_, nullptr);
    }
    vkDestroyInstance(instance_, nullptr);
}

Binding Device::bind(const std::array<const Buffer*, Program::kBuffers>& buffers) {
    VkDescriptorSetAllocateInfo info{};
    info.sType = VK_STRUCTURE_TYPE_DESCRIPTOR_SET_ALLOCATE_INFO;
    info.descriptorPool = sets_;
    info.descriptorSetCount = 1;
    info.pSetLayouts = &layout_;
    Binding binding = VK_NULL_HANDLE;
    check(vkAllocateDescriptorSets(device_, &info, &binding), "a binding");
    std::array<VkDescriptorBufferInfo, Program::kBuffers> each{};
    std::array<VkWriteDescriptorSet, Program::kBuffers> writes{};
    for (std::uint32_t i = 0; i < writes.size(); ++i) {
        each[i] = {buffers[i]->handle(), 0, VK_WHOLE_SIZE};
        writes[i].sType = VK_STRUCTURE_TYPE_WRITE_DESCRIPTOR_SET;
        writes[i].dstSet = binding;
        writes[i].dstBinding = i;
        writes[i].descriptorCount = 1;
        writes[i].descriptorType = VK_DESCRIPTOR_TYPE_STORAGE_BUFFER;
        writes[i].pBufferInfo = &each[i];
    }
    vkUpdateDescriptorSets(device_, writes.size(), writes.data(), 0, nullptr);
    return binding;
}

void Device::Steps::settle() {
    VkMemoryBarrier all{};
    all.sType = VK_STRUCTURE_TYPE_MEMORY_BARRIER;
    all.srcAccessMask = VK_ACCESS_MEMORY_WRITE_BIT;
    all.dstAccessMask = VK_ACCESS_MEMORY_READ_BIT | VK_ACCESS_MEMORY_WRITE_BIT | VK_ACCESS_HOST_READ_BIT;
    vkCmdPipelineBarrier(device_.commands_, VK_PIPELINE_STAGE_ALL_COMMANDS_BIT,
                         VK_PIPELINE_STAGE_ALL_COMMANDS_BIT | VK_PIPELINE_STAGE_HOST_BIT, 0, 1, &all, 0,
                         nullptr, 0, nullptr);
}

void Device::Steps::copy(const Buffer& from, const Buffer& to, std::size_t bytes) {
    const VkBufferCopy all{0, 0, bytes};
    vkCmdCopyBuffer(device_.commands_, from.handle(), to.handle(), 1, &all);
    settle();
}

void Device::Steps::run(const Program& program, Binding binding, const Program::Numbers& numbers,
                        const std::array<std::uint32_t, 3>& groups) {
    vkCmdBindPipeline(device_.commands_, VK_PIPELINE_BIND_POINT_COMPUTE, program.pipeline_);
    vkCmdBindDescriptorSets(device_.commands_, VK_PIPELINE_BIND_POINT_COMPUTE, device_.pipelineLayout_, 0, 1,
                            &binding, 0, nullptr);
    vkCmdPushConstants(device_.commands_, device_.pipelineLayout_, VK_SHADER_STAGE_COMPUTE_BIT, 0,
                       sizeof numbers, numbers.data());
    vkCmdDispatch(device_.commands_, groups[0], groups[1], groups[2]);
    settle();
}

void Device::run(const std::function<void(Steps&)>& steps) {
    if (lost_) throw GraphicsError("the device is lost");
    lost_ = true; // unless all goes well
    VkCommandBufferBeginInfo info{};
    info.sType = VK_STRUCTURE_TYPE_COMMAND_BUFFER_BEGIN_INFO;
    info.flags = VK_COMMAND_BUFFER_USAGE_ONE_TIME_SUBMIT_BIT;
    check(vkBeginCommandBuffer(commands_, &info), "commands");
    Steps all(*this);
    steps(all);
    check(vkEndCommandBuffer(commands_), "commands");
    VkSubmitInfo submit{};
    submit.sType = VK_STRUCTURE_TYPE_SUBMIT_INFO;
    submit.commandBufferCount = 1;
    submit.pCommandBuffers = &commands_;
    check(vkQueueSubmit(queue_, 1, &submit, fence_), "work");
    const VkResult ended = vkWaitForFences(device_, 1, &fence_, VK_TRUE, patience_);
    unfinished_ = ended == VK_TIMEOUT;
    check(ended, "the end of its work");
    check(vkResetFences(device_, 1, &fence_), "a fence");
    lost_ = false;
}

} // namespace irenic::graphics
