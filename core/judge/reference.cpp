#include "judge/reference.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <cstdio>

#include "base/shown_text.h"
#include "denoise/method.h"
#include "image/resample.h"
#include "judge/display.h"
#include "measure/open.h"

namespace irenic {

namespace {

constexpr int kKnots = 33;       // of the curve
constexpr int kBlock = 8;        // colours are compared as means of blocks, which noise does not move
constexpr float kOutside = 0.5f; // where a reference has no pixels

// In strips: floats of a whole photo would take half a gigabyte.
Plane greyOf(const Photo& photo, const Look& look, const Rect& frame, const Work& work) {
    Look quick = look;
    quick.demosaic = Demosaic::Quick;
    Plane out(frame.width, frame.height);
    constexpr int kStrip = 256;
    for (int top = 0; top < frame.height; top += kStrip) {
        const Rect strip = Rect{frame.x, frame.y + top, frame.width, kStrip}.intersected(frame);
        const Image part = displayOf(recipeOf(photo, Settings::original(), quick), strip, Work{work.stop});
        for (int y = 0; y < strip.height; ++y)
            for (int x = 0; x < strip.width; ++x)
                out.at(x, top + y) =
                    0.25f * part[0].at(x, y) + 0.5f * part[1].at(x, y) + 0.25f * part[2].at(x, y);
        work.report(static_cast<double>(top) / frame.height);
    }
    return out;
}

float curveAt(const std::vector<float>& curve, float v) {
    const float at = std::clamp(v, 0.0f, 1.0f) * static_cast<float>(curve.size() - 1);
    const auto i = std::min(static_cast<std::size_t>(at), curve.size() - 2);
    return curve[i] + (curve[i + 1] - curve[i]) * (at - static_cast<float>(i));
}

struct Colours {
    std::array<float, 3> theirs, ours; // encoded
};

Vector3 linear(const std::array<float, 3>& c) {
    return {static_cast<double>(decoded(OutputSpace::Srgb, c[0])),
            static_cast<double>(decoded(OutputSpace::Srgb, c[1])),
            static_cast<double>(decoded(OutputSpace::Srgb, c[2]))};
}

// The matrix that takes their light to ours with the least error, weighed as the eye does; far ones count
// less.
Matrix3 fittedMatrix(const std::vector<Colours>& all) {
    Matrix3 m = kIdentity3;
    for (int round = 0; round < 6; ++round) {
        double a[3][3] = {}, b[3][3] = {};
        for (const Colours& c : all) {
            const Vector3 t = linear(c.theirs), o = linear(c.ours), now = m * t;
            const double grey = 0.02 + o[1];
            const double off = std::hypot(now[0] - o[0], std::hypot(now[1] - o[1], now[2] - o[2])) / grey;
            const double w = 1 / (grey * grey) / (1 + off * off * 16);
            for (std::size_t i = 0; i < 3; ++i)
                for (std::size_t j = 0; j < 3; ++j) a[i][j] += w * t[i] * t[j], b[i][j] += w * o[i] * t[j];
        }
        // A little towards the identity, so that a picture of one colour leaves the others alone.
        double trace = (a[0][0] + a[1][1] + a[2][2]) * 1e-4 + 1e-12;
        Matrix3 square{}, target{};
        for (std::size_t i = 0; i < 3; ++i)
            for (std::size_t j = 0; j < 3; ++j) {
                square[3 * i + j] = a[i][j] + (i == j ? trace : 0);
                target[3 * i + j] = b[i][j] + (i == j ? trace : 0);
            }
        m = target * inverse(square);
    }
    return m;
}

// A rising curve through means of what is left, by pooling neighbours that fall (R. Barlow et al., 1972).
std::vector<float> fittedCurve(const std::vector<Colours>& all, const Matrix3& m) {
    std::vector<double> sum(kKnots, 0), weight(kKnots, 0);
    for (const Colours& c : all) {
        const Vector3 t = m * linear(c.theirs);
        for (std::size_t i = 0; i < 3; ++i) {
            const double v = static_cast<double>(
                                 encoded(OutputSpace::Srgb, static_cast<float>(std::clamp(t[i], 0.0, 1.0)))) *
                             (kKnots - 1);
            const auto k = std::min(static_cast<std::size_t>(v), static_cast<std::size_t>(kKnots - 2));
            const double part = v - static_cast<double>(k);
            // What it is off by, so that few samples between two knots bend nothing.
            const double off = static_cast<double>(c.ours[i]) - v / (kKnots - 1);
            sum[k] += (1 - part) * off, weight[k] += 1 - part;
            sum[k + 1] += part * off, weight[k + 1] += part;
        }
    }
    struct Pool {
        double value, weight;
        int count;
    };
    std::vector<Pool> pools;
    for (std::size_t k = 0; k < kKnots; ++k) {
        const double own = static_cast<double>(k) / (kKnots - 1);
        const double off = weight[k] > 0 ? sum[k] / (weight[k] + 4) : 0; // few samples say little
        pools.push_back({std::clamp(own + off, 0.0, 1.0), weight[k] + 1, 1});
        while (pools.size() > 1 && pools[pools.size() - 2].value > pools.back().value) {
            Pool& before = pools[pools.size() - 2];
            const Pool& after = pools.back();
            before.value =
                (before.value * before.weight + after.value * after.weight) / (before.weight + after.weight);
            before.weight += after.weight, before.count += after.count;
            pools.pop_back();
        }
    }
    std::vector<float> curve;
    for (const Pool& p : pools)
        for (int i = 0; i < p.count; ++i) curve.push_back(static_cast<float>(p.value));
    return curve;
}

std::array<float, 3> applied(const ColourMatch& match, const std::array<float, 3>& c) {
    const Vector3 v = match.matrix * linear(c);
    std::array<float, 3> out{};
    for (std::size_t i = 0; i < 3; ++i)
        out[i] =
            curveAt(match.curve, encoded(OutputSpace::Srgb, static_cast<float>(std::clamp(v[i], 0.0, 1.0))));
    return out;
}

std::string number(const char* form, double v) {
    char text[32];
    std::snprintf(text, sizeof text, form, v);
    return text;
}

} // namespace

std::uint64_t Reference::nextSerial() {
    static std::atomic<std::uint64_t> last = 0;
    return ++last;
}

ReferencePtr Reference::following(const Look& look) const {
    if (look.distortion != look_.distortion || (look.distortion && look.edges != look_.edges)) return nullptr;
    auto out = std::make_shared<Reference>(*this);
    out->serial_ = nextSerial();
    out->look_ = look;
    if (!photo_->developed) out->own_ = look;
    out->match_.reset();
    return out;
}

ReferencePtr Reference::open(const std::filesystem::path& file, const Photo& photo, const Look& look,
                             const Work& work) {
    auto out = std::make_shared<Reference>();
    out->photo_ = readPhoto(file, work.part(0, 0.3));
    out->look_ = look;
    // A finished picture is shown as it is; a raw as the photo is shown.
    if (!out->photo_->developed) out->own_ = look;
    const Plane ours = greyOf(photo, look, photo.whole(), work.part(0.3, 0.5));
    const Rect frame = outputFrame(*out->photo_, out->own_);
    const Plane theirs = greyOf(*out->photo_, out->own_, frame, work.part(0.5, 0.7));
    out->alignment_ = align(ours, theirs, work.part(0.7, 1));
    return out;
}

Image Reference::display(const Rect& area, float push, const Work& work) const {
    // The place in the upright reference, then in the reference's own frame.
    const Rect frame = outputFrame(*photo_, own_);
    const Alignment& at = alignment_;
    const bool sideways = at.quarterTurns % 2 != 0;
    const Rect upright{0, 0, sideways ? frame.height : frame.width, sideways ? frame.width : frame.height};
    const double x0 = at.scale * area.x + at.left, y0 = at.scale * area.y + at.top;
    const bool whole = at.scale == 1 && at.left == std::round(at.left) && at.top == std::round(at.top);
    const int margin = whole ? 0 : 4;
    const Rect wanted =
        Rect{static_cast<int>(std::floor(x0)) - margin, static_cast<int>(std::floor(y0)) - margin,
             static_cast<int>(std::ceil(at.scale * area.width)) + 2 * margin + (whole ? 0 : 1),
             static_cast<int>(std::ceil(at.scale * area.height)) + 2 * margin + (whole ? 0 : 1)};
    const Rect there = wanted.intersected(upright);
    Image out(Holds::Display, area);
    if (there.empty()) {
        for (Plane& p : out.plane) p.fill(kOutside);
        return out;
    }
    Rect own = there;
    switch (at.quarterTurns) {
    case 1: own = {there.y, frame.height - there.right(), there.height, there.width}; break;
    case 2:
        own = {frame.width - there.right(), frame.height - there.bottom(), there.width, there.height};
        break;
    case 3: own = {frame.width - there.bottom(), there.x, there.height, there.width}; break;
    default: break;
    }
    const Image light =
        displayOf({photo_, settings_, own_}, own.translated(frame.x, frame.y), {work, samples_.get()});
    const float lift = std::exp2(push);
    std::array<Plane, 3> plane;
    for (std::size_t c = 0; c < 3; ++c) plane[c] = turnedBy(light[c], at.quarterTurns);
    if (match_ || push != 0)
        forEachBand(there.height, 16, work, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                for (int x = 0; x < there.width; ++x) {
                    std::array<float, 3> v = {plane[0].at(x, y), plane[1].at(x, y), plane[2].at(x, y)};
                    if (match_) v = applied(*match_, v);
                    if (push != 0) {
                        for (float& c : v) c = decoded(OutputSpace::Srgb, c);
                        const float k = push > 0 ? pushFactor(lift, std::max({v[0], v[1], v[2]})) : lift;
                        for (float& c : v) c = encoded(OutputSpace::Srgb, std::clamp(k * c, 0.0f, 1.0f));
                    }
                    for (std::size_t c = 0; c < 3; ++c) plane[c].at(x, y) = v[c];
                }
        });
    forEachBand(area.height, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < area.width; ++x) {
                const double u = x0 + at.scale * x - there.x, v = y0 + at.scale * y - there.y;
                const bool inside = u > -0.5 && v > -0.5 && u < there.width - 0.5 && v < there.height - 0.5;
                for (std::size_t c = 0; c < 3; ++c) {
                    const Plane& p = plane[c];
                    const auto sample = [&](int i, int j) {
                        return p.at(std::clamp(i, 0, there.width - 1), std::clamp(j, 0, there.height - 1));
                    };
                    out[c].at(x, y) =
                        !inside ? kOutside
                        : whole ? sample(static_cast<int>(std::lround(u)), static_cast<int>(std::lround(v)))
                                : std::clamp(lanczos3(static_cast<float>(u), static_cast<float>(v), sample),
                                             0.0f, 1.0f);
                }
            }
    });
    return out;
}

Picture Reference::render(const Rect& area, const View& view, const Work& work) const {
    return pictureOf(display(area, view.push, work), view.zoom);
}

ReferencePtr Reference::cleaned(const Settings& settings) const {
    auto out = std::make_shared<Reference>(*this);
    out->serial_ = nextSerial();
    out->settings_ = settings;
    constexpr std::size_t kKept = 64 << 20; // bytes: the rows of a sheet at 100 %
    out->samples_ = std::make_shared<TileStore>(kKept);
    return out;
}

ReferencePtr Reference::matched(const Photo& photo, const Work& work) const {
    auto out = std::make_shared<Reference>(*this);
    out->serial_ = nextSerial();
    out->match_.reset();
    // Means of blocks all over the picture that both have.
    std::vector<Colours> all;
    const Rect frame = outputFrame(photo, look_);
    constexpr int kAcross = 24, kDown = 16, kPatch = 6 * kBlock;
    for (int j = 0; j < kDown; ++j) {
        work.check();
        for (int i = 0; i < kAcross; ++i) {
            const Rect patch = Rect{frame.x + (frame.width - kPatch) * i / (kAcross - 1),
                                    frame.y + (frame.height - kPatch) * j / (kDown - 1), kPatch, kPatch}
                                   .intersected(frame);
            const double u = alignment_.scale * patch.x + alignment_.left,
                         v = alignment_.scale * patch.y + alignment_.top;
            const Rect their = outputFrame(*photo_, own_);
            const bool sideways = alignment_.quarterTurns % 2 != 0;
            if (u < 0 || v < 0 || u + alignment_.scale * kPatch > (sideways ? their.height : their.width) ||
                v + alignment_.scale * kPatch > (sideways ? their.width : their.height))
                continue;
            const Image theirs = out->display(patch, 0, {work.stop, nullptr}),
                        ours =
                            displayOf(recipeOf(photo, Settings::original(), look_), patch, Work{work.stop});
            for (int y = 0; y + kBlock <= patch.height; y += kBlock)
                for (int x = 0; x + kBlock <= patch.width; x += kBlock) {
                    Colours c{};
                    bool clipped = false;
                    for (std::size_t p = 0; p < 3; ++p) {
                        for (int b = 0; b < kBlock; ++b)
                            for (int a = 0; a < kBlock; ++a) {
                                c.theirs[p] += theirs[p].at(x + a, y + b) / (kBlock * kBlock);
                                c.ours[p] += ours[p].at(x + a, y + b) / (kBlock * kBlock);
                            }
                        clipped |= c.theirs[p] > 0.98f || c.ours[p] > 0.98f;
                    }
                    if (!clipped) all.push_back(c);
                }
        }
        work.report(static_cast<double>(j) / kDown);
    }
    if (all.size() < 64) return out;
    ColourMatch match;
    match.matrix = fittedMatrix(all);
    match.curve = fittedCurve(all, match.matrix);
    double theirs = 0, ours = 0;
    for (const Colours& c : all) {
        const auto now = applied(match, c.theirs);
        for (std::size_t i = 0; i < 3; ++i) {
            match.before += static_cast<double>(std::abs(c.theirs[i] - c.ours[i])) / 3;
            match.after += static_cast<double>(std::abs(now[i] - c.ours[i])) / 3;
        }
        theirs += linear(c.theirs)[1], ours += linear(c.ours)[1];
    }
    match.before /= static_cast<double>(all.size()), match.after /= static_cast<double>(all.size());
    match.stops = std::log2(std::max(ours, 1e-9) / std::max(theirs, 1e-9));
    out->match_ = std::move(match);
    return out;
}

std::string Reference::text() const {
    std::string out;
    const Alignment& a = alignment_;
    if (a.quarterTurns != 0)
        out += filled(IRENIC_TEXT("turned by %1°"), {std::to_string(90 * a.quarterTurns)}) + ", ";
    out += a.left == 0 && a.top == 0
               ? std::string(IRENIC_TEXT("in place"))
               : filled(IRENIC_TEXT("shifted by %1 and %2 pixels"),
                        {number("%.1f", -a.left / a.scale), number("%.1f", -a.top / a.scale)});
    if (a.scale != 1) out += ", " + filled(IRENIC_TEXT("scaled to %1 %"), {number("%.2f", 100 / a.scale)});
    if (!(settings_ == Settings::original()))
        out += "; " + filled(IRENIC_TEXT("cleaned by %1"), {findMethod(settings_.method)->name()});
    if (match_)
        out += "; " + filled(IRENIC_TEXT("colours matched: %1 EV, off by %2 % (%3 % before)"),
                             {number("%+.2f", match_->stops), number("%.1f", 100 * match_->after),
                              number("%.1f", 100 * match_->before)});
    return out;
}

} // namespace irenic
