#include "develop/lens.h"

#include <lensfun/lensfun.h>

#include <cmath>
#include <list>
#include <mutex>

#include "base/shown_text.h"
#include "base/text.h"

namespace irenic {

void Lens::sources(double x, double y, int n, float* pairs) const {
    for (int i = 0; i < n; ++i)
        pairs[2 * i] = static_cast<float>(x + i), pairs[2 * i + 1] = static_cast<float>(y);
}
void Lens::shifts(int, double, double, int n, float* pairs) const {
    std::fill(pairs, pairs + static_cast<std::ptrdiff_t>(2) * n, 0.0f);
}
void Lens::gains(double, double, int n, float* factors) const { std::fill(factors, factors + n, 1.0f); }

namespace {

class OpcodeLens : public Lens {
  public:
    OpcodeLens(Opcodes opcodes, const Photo& photo)
        : o_(std::move(opcodes)), width_(photo.width()), height_(photo.height()) {
        const auto same = [](const RadialWarp& a, const RadialWarp& b) {
            return a.radial == b.radial && a.tangential == b.tangential;
        };
        chromatic_ = o_.warp.size() == 3 && !(same(o_.warp[0], o_.warp[1]) && same(o_.warp[1], o_.warp[2]));
        distortion_ = !o_.warp.empty() && !same(green(), {});
    }
    bool hasVignetting() const override { return !o_.vignette.empty() || !o_.gains.empty(); }
    bool hasChromatic() const override { return chromatic_; }
    bool hasDistortion() const override { return distortion_; }
    void sources(double x, double y, int n, float* pairs) const override {
        for (int i = 0; i < n; ++i) warped(green(), x + i, y, pairs[2 * i], pairs[2 * i + 1]);
    }
    void shifts(int colour, double x, double y, int n, float* pairs) const override {
        if (!chromatic_) return Lens::shifts(colour, x, y, n, pairs);
        for (int i = 0; i < n; ++i) {
            float gx, gy;
            warped(green(), x + i, y, gx, gy);
            warped(o_.warp[static_cast<std::size_t>(colour)], x + i, y, pairs[2 * i], pairs[2 * i + 1]);
            pairs[2 * i] -= gx, pairs[2 * i + 1] -= gy;
        }
    }
    void gains(double x, double y, int n, float* factors) const override {
        Lens::gains(x, y, n, factors);
        const double cx = o_.vignetteX * (width_ - 1), cy = o_.vignetteY * (height_ - 1), m = reach(cx, cy);
        for (const auto& k : o_.vignette)
            for (int i = 0; i < n; ++i) {
                const double dx = (x + i - cx) / m, dy = (y - cy) / m, r2 = dx * dx + dy * dy;
                // Six stops are more than any lens takes.
                factors[i] *= static_cast<float>(std::clamp(
                    1 + r2 * (k[0] + r2 * (k[1] + r2 * (k[2] + r2 * (k[3] + r2 * k[4])))), 1 / 64.0, 64.0));
            }
    }

  private:
    const RadialWarp& green() const { return o_.warp[o_.warp.size() == 3 ? 1 : 0]; }
    // To the farthest corner.
    double reach(double cx, double cy) const {
        return std::hypot(std::max(cx, width_ - 1 - cx), std::max(cy, height_ - 1 - cy));
    }
    void warped(const RadialWarp& w, double x, double y, float& sx, float& sy) const {
        const double cx = o_.warpX * (width_ - 1), cy = o_.warpY * (height_ - 1), m = reach(cx, cy);
        const double dx = (x - cx) / m, dy = (y - cy) / m, r2 = dx * dx + dy * dy;
        const double f = w.radial[0] + r2 * (w.radial[1] + r2 * (w.radial[2] + r2 * w.radial[3]));
        // Far outside is as good as anywhere outside, and fits into whole numbers.
        const auto held = [](double v) { return static_cast<float>(std::clamp(v, -1e6, 1e6)); };
        sx = held(cx + m * (f * dx + w.tangential[0] * 2 * dx * dy + w.tangential[1] * (r2 + 2 * dx * dx)));
        sy = held(cy + m * (f * dy + w.tangential[1] * 2 * dx * dy + w.tangential[0] * (r2 + 2 * dy * dy)));
    }

    Opcodes o_;
    double width_, height_;
    bool chromatic_ = false, distortion_ = false;
};

class DatabaseLens : public Lens {
  public:
    DatabaseLens(const lfLens* lens, float crop, const Photo& photo)
        : shape_(lens, crop, photo.width(), photo.height()),
          colours_(lens, crop, photo.width(), photo.height()),
          light_(lens, crop, photo.width(), photo.height()) {
        const auto focal = static_cast<float>(photo.focal), aperture = static_cast<float>(photo.aperture);
        // No distance is known: far away is what the database's vignetting is asked for.
        const auto with = [&](lfModifier& m, int flags) {
            return m.Initialize(lens, LF_PF_F32, focal, aperture, 1000, 1, lens->Type, flags, false) & flags;
        };
        distortion_ = with(shape_, LF_MODIFY_DISTORTION) != 0;
        chromatic_ = with(colours_, LF_MODIFY_TCA) != 0;
        vignetting_ = photo.aperture > 0 && with(light_, LF_MODIFY_VIGNETTING) != 0;
    }
    bool hasVignetting() const override { return vignetting_; }
    bool hasChromatic() const override { return chromatic_; }
    bool hasDistortion() const override { return distortion_; }
    void sources(double x, double y, int n, float* pairs) const override {
        if (!distortion_ ||
            !shape_.ApplyGeometryDistortion(static_cast<float>(x), static_cast<float>(y), n, 1, pairs))
            Lens::sources(x, y, n, pairs);
    }
    void shifts(int colour, double x, double y, int n, float* pairs) const override {
        std::vector<float> all(static_cast<std::size_t>(n) * 6);
        if (!chromatic_ ||
            !colours_.ApplySubpixelDistortion(static_cast<float>(x), static_cast<float>(y), n, 1, all.data()))
            return Lens::shifts(colour, x, y, n, pairs);
        for (int i = 0; i < n; ++i)
            for (int k = 0; k < 2; ++k)
                pairs[2 * i + k] = all[static_cast<std::size_t>(6 * i + 2 * colour + k)] -
                                   all[static_cast<std::size_t>(6 * i + 2 + k)];
    }
    void gains(double x, double y, int n, float* factors) const override {
        Lens::gains(x, y, n, factors);
        if (vignetting_)
            light_.ApplyColorModification(factors, static_cast<float>(x), static_cast<float>(y), n, 1,
                                          LF_CR_1(INTENSITY), n * static_cast<int>(sizeof(float)));
    }

  private:
    lfModifier shape_, colours_, light_;
    bool vignetting_ = false, chromatic_ = false, distortion_ = false;
};

// Each correction from the first of two that knows it.
class Joined : public Lens {
  public:
    Joined(std::shared_ptr<const Lens> first, std::shared_ptr<const Lens> second)
        : a_(std::move(first)), b_(std::move(second)) {}
    bool hasVignetting() const override { return a_->hasVignetting() || b_->hasVignetting(); }
    bool hasChromatic() const override { return a_->hasChromatic() || b_->hasChromatic(); }
    bool hasDistortion() const override { return a_->hasDistortion() || b_->hasDistortion(); }
    void sources(double x, double y, int n, float* pairs) const override {
        (a_->hasDistortion() ? a_ : b_)->sources(x, y, n, pairs);
    }
    void shifts(int c, double x, double y, int n, float* pairs) const override {
        (a_->hasChromatic() ? a_ : b_)->shifts(c, x, y, n, pairs);
    }
    void gains(double x, double y, int n, float* factors) const override {
        (a_->hasVignetting() ? a_ : b_)->gains(x, y, n, factors);
    }

  private:
    std::shared_ptr<const Lens> a_, b_;
};

// The database, and what was found in it.
struct Known {
    std::mutex mutex;
    lfDatabase database;
    bool loaded = false;
    std::list<std::pair<std::string, LensFound>> found; // newest first
};
Known& known() {
    // Never destroyed: modifiers point into it until the very end.
    static Known* const k = new Known;
    return *k;
}

template <class T> struct Listed {
    explicit Listed(const T** list) : all(list) {}
    ~Listed() { lf_free(all); }
    Listed(const Listed&) = delete;
    Listed& operator=(const Listed&) = delete;
    const T* first() const { return all ? all[0] : nullptr; }
    const T** all;
};

LensFound look(const Photo& photo) {
    LensFound out;
    const Opcodes opcodes = opcodesOf(photo);
    std::shared_ptr<const Lens> own;
    if (!opcodes.warp.empty() || !opcodes.vignette.empty() || !opcodes.gains.empty()) {
        Opcodes usable = opcodes;
        if (usable.warp.empty()) usable.warp.resize(1);
        own = std::make_shared<OpcodeLens>(usable, photo);
        out.gainMaps = opcodes.gains;
        out.source = IRENIC_TEXT("in the file");
    }
    if (opcodes.unknown > 0)
        out.missing = IRENIC_TEXT("The file asks for corrections that are not known here; they stay undone.");
    std::shared_ptr<const Lens> listed;
    if (!photo.lens.empty() && photo.focal > 0) {
        Known& k = known();
        if (!k.loaded) k.database.Load(), k.loaded = true;
        const Listed<lfCamera> cameras(k.database.FindCamerasExt(photo.make.c_str(), photo.model.c_str(), 0));
        const Listed<lfLens> lenses(k.database.FindLenses(cameras.first(), nullptr, photo.lens.c_str(), 0));
        if (const lfLens* lens = lenses.first()) {
            listed = std::make_shared<DatabaseLens>(
                lens, cameras.first() ? cameras.first()->CropFactor : lens->CropFactor, photo);
            out.source += (out.source.empty() ? "" : "; ") + std::string(lf_mlstr_get(lens->Model));
        }
    }
    if (own && listed)
        out.lens = std::make_shared<Joined>(own, listed);
    else
        out.lens = own ? own : listed;
    if (!out.lens && out.missing.empty())
        out.missing = photo.lens.empty()
                          ? IRENIC_TEXT("The file does not say which lens it was taken with.")
                          : filled(IRENIC_TEXT("\"%1\" is not in the lens database."), {photo.lens});
    return out;
}

} // namespace

LensFound lensOf(const Photo& photo) {
    std::string key = photo.make + '|' + photo.model + '|' + photo.lens + '|' + std::to_string(photo.focal) +
                      '|' + std::to_string(photo.aperture) + '|' + std::to_string(photo.width()) + '|' +
                      std::to_string(photo.height());
    for (const std::uint16_t tag : {0xc740, 0xc741, 0xc74e})
        if (const TagEntry* list = photo.metadata.dng(tag))
            key.append("|").append(list->bytes.begin(), list->bytes.end());
    Known& k = known();
    const std::lock_guard lock(k.mutex);
    for (const auto& [name, found] : k.found)
        if (name == key) return found;
    k.found.emplace_front(key, look(photo));
    if (k.found.size() > 32) k.found.pop_back();
    return k.found.front().second;
}

void addLensProfiles(const std::filesystem::path& file) {
    Known& k = known();
    const std::lock_guard lock(k.mutex);
    if (!k.loaded) k.database.Load(), k.loaded = true;
    if (k.database.Load(file.c_str()) != LF_NO_ERROR)
        throw std::runtime_error(shownName(file) + ": " +
                                 IRENIC_TEXT("this is not a lensfun database that can be read."));
    k.found.clear();
}

namespace {

Framing frame(const Photo& photo, const Look& look, const std::shared_ptr<const Lens>& lens) {
    Framing out{1, photo.crop};
    const double cx = (photo.width() - 1) / 2.0, cy = (photo.height() - 1) / 2.0;
    const Rect& crop = photo.crop;
    // Whether all points along the edge of `r` lie inside the crop, or all outside it, at a scale.
    const auto edge = [&](const Rect& r, double scale, bool inside) {
        constexpr int steps = 48;
        for (int i = 0; i <= steps; ++i)
            for (int side = 0; side < 4; ++side) {
                const double t = static_cast<double>(i) / steps;
                const double x = side == 0   ? r.x
                                 : side == 1 ? r.right() - 1
                                             : r.x + t * (r.width - 1),
                             y = side == 2   ? r.y
                                 : side == 3 ? r.bottom() - 1
                                             : r.y + t * (r.height - 1);
                float s[2];
                lens->sources(cx + (x - cx) / scale, cy + (y - cy) / scale, 1, s);
                const double sx = static_cast<double>(s[0]), sy = static_cast<double>(s[1]);
                const bool in =
                    sx >= crop.x && sy >= crop.y && sx <= crop.right() - 1 && sy <= crop.bottom() - 1;
                const bool outside =
                    sx <= crop.x || sy <= crop.y || sx >= crop.right() - 1 || sy >= crop.bottom() - 1;
                if (inside ? !in : !outside) return false;
            }
        return true;
    };
    if (look.edges == Edges::LargestRectangle) {
        // For every inset above and below the smallest one at the sides.
        long long best = 0;
        for (int b = 0; b < crop.height / 4; b += std::max(1, crop.height / 400)) {
            int low = 0, high = crop.width / 4;
            const auto rect = [&](int a) {
                return Rect{crop.x + a, crop.y + b, crop.width - 2 * a, crop.height - 2 * b};
            };
            if (!edge(rect(high), 1, true)) continue;
            while (low < high) {
                const int mid = (low + high) / 2;
                if (edge(rect(mid), 1, true))
                    high = mid;
                else
                    low = mid + 1;
            }
            if (rect(low).area() > best) best = rect(low).area(), out.frame = rect(low);
        }
        return out;
    }
    const bool inside = look.edges == Edges::SameRatio;
    double low = 0.5, high = 2; // inside: too small, enough; outside: enough, too large
    for (int i = 0; i < 30; ++i) {
        const double mid = (low + high) / 2;
        if (edge(crop, mid, inside) == inside)
            high = mid;
        else
            low = mid;
    }
    out.scale = inside ? high : low;
    return out;
}

} // namespace

Framing framingOf(const Photo& photo, const Look& look) {
    const auto lens = look.distortion ? lensOf(photo).lens : nullptr;
    if (!lens || !lens->hasDistortion()) return {1, photo.crop};
    // Every region asks for it, and it takes a few thousand steps.
    struct Kept {
        std::shared_ptr<const Lens> lens;
        Edges edges;
        Rect crop;
        int width, height;
        Framing framing;
    };
    static std::mutex mutex;
    static std::list<Kept> kept; // newest first
    const std::lock_guard lock(mutex);
    for (const Kept& k : kept)
        if (k.lens == lens && k.edges == look.edges && k.crop == photo.crop && k.width == photo.width() &&
            k.height == photo.height())
            return k.framing;
    kept.push_front({lens, look.edges, photo.crop, photo.width(), photo.height(), frame(photo, look, lens)});
    if (kept.size() > 16) kept.pop_back();
    return kept.front().framing;
}

namespace {

// The way between the two pictures with one lens.
struct Corrected {
    std::shared_ptr<const Lens> lens; // null: they are the same
    double scale = 1, cx = 0, cy = 0;

    Corrected(const Photo& photo, const Look& look) {
        lens = look.distortion ? lensOf(photo).lens : nullptr;
        if (lens && !lens->hasDistortion()) lens = nullptr;
        if (!lens) return;
        scale = framingOf(photo, look).scale;
        cx = (photo.width() - 1) / 2.0, cy = (photo.height() - 1) / 2.0;
    }
    SourcePoint source(PicturePoint p) const {
        if (!lens) return {p.x, p.y};
        float s[2];
        lens->sources(cx + (p.x - cx) / scale, cy + (p.y - cy) / scale, 1, s);
        return {static_cast<double>(s[0]), static_cast<double>(s[1])};
    }
};

} // namespace

SourcePoint sourceOf(const Photo& photo, const Look& look, PicturePoint place) {
    return Corrected(photo, look).source(place);
}

PicturePoint pictureOf(const Photo& photo, const Look& look, SourcePoint place) {
    const Corrected corrected(photo, look);
    if (!corrected.lens) return {place.x, place.y};
    // Distortion changes slowly: what is missing in the source is missing, scaled, in the picture.
    PicturePoint p{corrected.cx + (place.x - corrected.cx) * corrected.scale,
                   corrected.cy + (place.y - corrected.cy) * corrected.scale};
    for (int i = 0; i < 40; ++i) {
        const SourcePoint s = corrected.source(p);
        const double dx = place.x - s.x, dy = place.y - s.y;
        p.x += dx * corrected.scale, p.y += dy * corrected.scale;
        if (std::abs(dx) + std::abs(dy) < 1e-3) break;
    }
    return p;
}

} // namespace irenic
