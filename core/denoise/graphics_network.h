// The network of the learned method on a graphics processor: the layers of denoise/network_layers.h as they
// are written down, in single precision, so that results differ from the processor's by rounding alone.
#pragma once

#include "denoise/network.h"
#include "graphics/device.h"

namespace irenic {

class GraphicsNetwork {
  public:
    // `software` as in graphics::Device::open. Null where there is no device. Throws graphics::GraphicsError,
    // when there is too little memory as well (some 40 MB), and std::runtime_error as Network does.
    static std::shared_ptr<GraphicsNetwork> open(bool software);

    const std::string& name() const { return device_->name(); }
    // As Network::run, of tiles up to Network::kTile on a side and with every sample valid; one call at a
    // time. Throws graphics::GraphicsError.
    void run(Network::Subject subject, const float* in, float* out, int width, int height);
    // See graphics::Device::lose.
    void lose() { device_->lose(); }
    // See graphics::Device::setPatience.
    void setPatience(std::uint64_t nanoseconds) { device_->setPatience(nanoseconds); }

  private:
    class Layers;
    struct Deleter;
    explicit GraphicsNetwork(std::unique_ptr<graphics::Device> device);
    ~GraphicsNetwork();
    void begin();

    std::unique_ptr<graphics::Device> device_;
    std::unique_ptr<graphics::Buffer> upload_, in_, out_; // where this machine writes and reads
    std::unique_ptr<graphics::Buffer> entering_, kept_[4], inner_[4],
        leaving_; // for each scale, as in Network
    std::unique_ptr<graphics::Program> relu_, add_, down_, up_, leave_;
    std::vector<std::unique_ptr<graphics::Buffer>> stored_; // weights
    std::unique_ptr<Layers> layers_[kNetworkSubjects];      // by subject
};

} // namespace irenic
