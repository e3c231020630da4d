// The last few values that took long to make, shared among threads.
#pragma once

#include <cstddef>
#include <list>
#include <memory>
#include <mutex>
#include <utility>

namespace irenic {

template <class Key, class Value> class KeptFew {
  public:
    explicit KeptFew(std::size_t most) : most_(most) {}
    // What is kept under the key, else what `make` gives, which may throw. Two threads that ask for the same
    // at once may both make it.
    template <class Make> std::shared_ptr<const Value> of(const Key& key, const Make& make) {
        {
            const std::lock_guard lock(mutex_);
            for (const auto& [own, value] : kept_)
                if (own == key) return value;
        }
        auto made = std::make_shared<const Value>(make());
        const std::lock_guard lock(mutex_);
        kept_.push_front({key, made});
        if (kept_.size() > most_) kept_.pop_back();
        return made;
    }

  private:
    std::size_t most_;
    std::mutex mutex_;
    std::list<std::pair<Key, std::shared_ptr<const Value>>> kept_; // the last one first
};

} // namespace irenic
