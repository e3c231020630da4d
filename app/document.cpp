#include "document.h"

#include <QPointF>
#include <algorithm>

namespace irenic {

void Document::setPhoto(PhotoPtr photo, std::vector<Probe> probes) {
    photo_ = std::move(photo);
    probes_ = std::move(probes);
    pan_ = {};
    const float push = look_.push;
    const auto own = looks_.find(photo_->file.string());
    look_ = own == looks_.end() ? everywhere_ : own->second;
    look_.push = push;
    for (Take& take : takes_) take.risk.reset();
    emit photoChanged();
}

void Document::setSettings(int take, const Settings& settings) {
    Take& t = takes_.at(static_cast<std::size_t>(take));
    if (t.settings == settings) return;
    t.settings = settings;
    t.risk.reset();
    emit settingsChanged(take);
}

void Document::addTake(int like) {
    if (static_cast<int>(takes_.size()) >= kMostTakes) return;
    Take take;
    if (like >= 0) take.settings = takes_.at(static_cast<std::size_t>(like)).settings;
    for (take.letter = 'A';
         std::any_of(takes_.begin(), takes_.end(), [&](const Take& t) { return t.letter == take.letter; });)
        ++take.letter;
    const auto at = like >= 0 ? takes_.begin() + like + 1 : takes_.end();
    const auto index = static_cast<int>(at - takes_.begin());
    takes_.insert(at, take);
    if (chosen_ >= index) ++chosen_;
    emit takesChanged();
}

void Document::setRecommended(const Settings& settings, const Risk& risk) {
    auto at = std::find_if(takes_.begin(), takes_.end(), [](const Take& t) { return t.risk.has_value(); });
    if (at == takes_.end()) {
        addTake();
        at = takes_.end() - 1;
    }
    at->settings = settings;
    at->risk = risk;
    emit settingsChanged(static_cast<int>(at - takes_.begin()));
}

void Document::removeTake(int take) {
    if (takes_.size() <= 1) return;
    takes_.erase(takes_.begin() + take);
    if (chosen_ == take) chosen_ = -1;
    if (chosen_ > take) --chosen_;
    emit takesChanged();
    emit chosenChanged();
}

void Document::choose(int take) {
    chosen_ = take == chosen_ ? -1 : take;
    emit chosenChanged();
}

void Document::setLook(const Look& look) {
    if (look == look_) return;
    look_ = look;
    if (photo_) looks_[photo_->file.string()] = look;
    emit lookChanged();
    emit viewChanged();
}

void Document::setPush(float stops) {
    if (stops == look_.push) return;
    look_.push = stops;
    emit lookChanged();
    emit viewChanged();
}

void Document::copyLook() {
    copied_ = look_;
    emit lookChanged();
}

void Document::pasteLook() {
    if (!copied_) return;
    Look look = *copied_;
    look.push = look_.push;
    setLook(look);
}

void Document::useLookForAll() {
    everywhere_ = look_;
    looks_.clear();
    emit lookChanged();
}

void Document::setZoom(double zoom) {
    if (zoom == zoom_) return;
    zoom_ = zoom;
    emit viewChanged();
}

void Document::setPan(QPointF pan) {
    if (pan == pan_) return;
    pan_ = pan;
    emit viewChanged();
}

void Document::moveProbe(int probe, int x, int y) {
    Probe& p = probes_.at(static_cast<std::size_t>(probe));
    p.x = std::clamp(x, 0, photo_->width() - 1);
    p.y = std::clamp(y, 0, photo_->height() - 1);
    p.reason = "placed by hand";
    emit probesChanged();
}

void Document::addProbe(int x, int y) {
    probes_.push_back({"place " + std::to_string(probes_.size() + 1), "placed by hand", x, y});
    emit probesChanged();
}

void Document::removeProbe(int probe) {
    if (probes_.size() <= 1) return;
    probes_.erase(probes_.begin() + probe);
    emit probesChanged();
}

} // namespace irenic
