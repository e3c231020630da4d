#include "develop/render.h"

#include <cmath>
#include <list>
#include <mutex>
#include <optional>
#include <stdexcept>

#include "base/expects.h"
#include "denoise/mask.h"
#include "denoise/noise_left.h"
#include "develop/demosaic.h"
#include "develop/fringes.h"
#include "develop/lens.h"
#include "develop/local_tone.h"
#include "develop/sharpen.h"
#include "image/resample.h"
#include "image/smoothstep.h"
#include "raw/identity.h"

namespace irenic {

namespace {

// Samples around an area that moving colours by a lens's shifts may reach.
constexpr int kShiftMargin = 16;

// Smooth functions of the place, computed on a fixed grid of the photo and linear in between: the same for
// every area.
template <int N> class Varying {
  public:
    // f(x, y, float[N]) for the grid's nodes around `area`.
    template <class F>
    Varying(const Rect& area, const F& f)
        : left_(down(area.x)), top_(down(area.y)), columns_(down(area.right() - 1) - left_ + 2) {
        const int rows = down(area.bottom() - 1) - top_ + 2;
        nodes_.resize(static_cast<std::size_t>(columns_) * static_cast<std::size_t>(rows));
        for (int j = 0; j < rows; ++j)
            for (int i = 0; i < columns_; ++i)
                f((left_ + i) * kStep, (top_ + j) * kStep,
                  nodes_[static_cast<std::size_t>(j * columns_ + i)].data());
    }
    std::array<float, N> at(int x, int y) const {
        const int i = down(x), j = down(y);
        const float u = static_cast<float>(x - i * kStep) / kStep,
                    v = static_cast<float>(y - j * kStep) / kStep;
        const auto* n = nodes_.data() + static_cast<std::ptrdiff_t>(j - top_) * columns_ + (i - left_);
        std::array<float, N> out;
        for (std::size_t k = 0; k < N; ++k) {
            const float above = n[0][k] + u * (n[1][k] - n[0][k]),
                        below = n[columns_][k] + u * (n[columns_ + 1][k] - n[columns_][k]);
            out[k] = above + v * (below - above);
        }
        return out;
    }

  private:
    static constexpr int kStep = 8;
    static int down(int v) { return v >= 0 ? v / kStep : -((-v + kStep - 1) / kStep); }
    int left_, top_, columns_;
    std::vector<std::array<float, N>> nodes_;
};

// Beyond the photo's edge samples are mirrored about the last one, which keeps a mosaic's pattern.
int mirroredAbout(int i, int size) {
    const int period = 2 * (size - 1);
    i = ((i % period) + period) % period;
    return i < size ? i : period - i;
}

Plane withSurround(Plane inner, const Rect& inside, const Rect& wanted, const Photo& photo,
                   const Work& work) {
    if (inside == wanted) return inner;
    Plane out(wanted.width, wanted.height);
    const auto within = [](int place, int size, int from, int length) {
        return std::clamp(mirroredAbout(place, size) - from, 0, length - 1);
    };
    const Rect common = inside.intersected(wanted);
    forEachBand(wanted.height, 32, work, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            const float* from = inner.row(within(wanted.y + y, photo.height(), inside.y, inside.height));
            float* to = out.row(y);
            const auto mirror = [&](int x) {
                to[x] = from[within(wanted.x + x, photo.width(), inside.x, inside.width)];
            };
            const int left = common.empty() ? wanted.width : common.x - wanted.x, right = left + common.width;
            for (int x = 0; x < left; ++x) mirror(x);
            std::copy_n(from + (common.x - inside.x), common.width, to + left);
            for (int x = right; x < wanted.width; ++x) mirror(x);
        }
    });
    return out;
}

// Moves red and blue (every sample of them, `step` apart) to where green stands. `in` covers `from`; the
// result covers `to`.
void moveColours(std::array<const Plane*, 3> in, const Rect& from, std::array<Plane*, 3> out, const Rect& to,
                 int step, const Lens& lens, const Mosaic* mosaic, const Work& work) {
    const Varying<4> shifts(to, [&](int x, int y, float* v) {
        lens.shifts(0, x, y, 1, v);
        lens.shifts(2, x, y, 1, v + 2);
    });
    constexpr float most = kShiftMargin - 7;
    forEachBand(to.height, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < to.width; ++x) {
                const auto move = shifts.at(to.x + x, to.y + y);
                for (std::size_t c = 0; c < 3; ++c) {
                    if (mosaic && mosaic->at(to.x + x, to.y + y) != static_cast<Mosaic::Colour>(c)) continue;
                    const int u = to.x + x - from.x, v = to.y + y - from.y;
                    const float dx = c == 1 ? 0 : std::clamp(move[c], -most, most),
                                dy = c == 1 ? 0 : std::clamp(move[c + 1], -most, most);
                    const auto at = [&](int i, int j) { return in[c]->at(u + step * i, v + step * j); };
                    out[c]->at(x, y) = dx == 0 && dy == 0 ? at(0, 0)
                                                          : lanczos3(dx / static_cast<float>(step),
                                                                     dy / static_cast<float>(step), at);
                }
            }
    });
}

// A channel that has clipped is raised to what those that have not say; where all have, to the brightest.
// That goes over into white without a step, and never through magenta, which is what white-balanced clipped
// colours would be.
void rebuildHighlights(std::array<Plane, 3>& rgb, const Vector3& gain, const Work& work) {
    const float top[3] = {static_cast<float>(gain[0]), static_cast<float>(gain[1]),
                          static_cast<float>(gain[2])};
    constexpr float kBegins = 0.88f; // of a channel's clipping
    const float low[3] = {0.99f * kBegins * top[0], 0.99f * kBegins * top[1], 0.99f * kBegins * top[2]};
    forEachBand(rgb[0].height(), 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < rgb[0].width(); ++x) {
                // Most pixels are far from that.
                if (rgb[0].at(x, y) < low[0] && rgb[1].at(x, y) < low[1] && rgb[2].at(x, y) < low[2])
                    continue;
                float v[3], clipped[3], raised[3];
                bool any = false;
                for (std::size_t c = 0; c < 3; ++c) {
                    v[c] = std::min(rgb[c].at(x, y), top[c]);
                    clipped[c] = smoothstep((v[c] / top[c] - kBegins) / 0.1f);
                    any |= clipped[c] > 0;
                }
                if (any) {
                    float weights = 0.02f, sum = 0.02f * std::max({v[0], v[1], v[2]});
                    for (std::size_t c = 0; c < 3; ++c)
                        weights += 1 - clipped[c], sum += (1 - clipped[c]) * v[c];
                    // Those that have clipped as well say at least how far they came: green between a red and
                    // a blue that are brighter would leave pink.
                    const float said = sum / weights, all = v[0] + v[1] + v[2];
                    for (std::size_t c = 0; c < 3; ++c)
                        raised[c] = clipped[c] * std::max({0.0f, said - v[c], 0.5f * (all - v[c]) - v[c]});
                    for (std::size_t c = 0; c < 3; ++c) v[c] += raised[c];
                }
                for (std::size_t c = 0; c < 3; ++c) rgb[c].at(x, y) = v[c];
            }
    });
}

// Camera colours to the space, in place.
void colour(std::array<Plane, 3>& rgb, const Matrix3& matrix, const Work& work) {
    float m[9];
    for (std::size_t i = 0; i < 9; ++i) m[i] = static_cast<float>(matrix[i]);
    forEachBand(rgb[0].height(), 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            float *r = rgb[0].row(y), *g = rgb[1].row(y), *b = rgb[2].row(y);
            for (int x = 0; x < rgb[0].width(); ++x) {
                const float cr = r[x], cg = g[x], cb = b[x];
                r[x] = m[0] * cr + m[1] * cg + m[2] * cb;
                g[x] = m[3] * cr + m[4] * cg + m[5] * cb;
                b[x] = m[6] * cr + m[7] * cg + m[8] * cb;
            }
        }
    });
}

// The surround of every place of a photo; of the last few photos it is kept.
std::shared_ptr<const Surround> surroundOf(const Photo& photo, const Work& work) {
    struct Kept {
        PhotoId photo;
        std::shared_ptr<const Surround> surround;
    };
    static std::mutex mutex;
    static std::list<Kept> kept;
    constexpr std::size_t kPhotos = 8;
    constexpr int kLongest = 512; // edges are followed by each pixel's own light
    const PhotoId id = idOf(photo);
    {
        const std::lock_guard lock(mutex);
        for (const Kept& k : kept)
            if (k.photo == id) return k.surround;
    }
    const Image small = developOverview(photo, {}, kLongest, {work.stop, nullptr});
    Plane light(small.area.width, small.area.height);
    for (int y = 0; y < light.height(); ++y)
        for (int x = 0; x < light.width(); ++x)
            light.at(x, y) = static_cast<float>(kWorkingY[0]) * small[0].at(x, y) +
                             static_cast<float>(kWorkingY[1]) * small[1].at(x, y) +
                             static_cast<float>(kWorkingY[2]) * small[2].at(x, y);
    auto made = std::make_shared<const Surround>(light, photo.width(), photo.height());
    const std::lock_guard lock(mutex);
    kept.push_front({id, made});
    if (kept.size() > kPhotos) kept.pop_back();
    return made;
}

std::optional<LocalTone> localToneOf(const Photo& photo, const Look& look, const Vector3& weights,
                                     const Work& work) {
    if (look.highlights == 0 && look.shadows == 0 && look.localContrast == 0) return std::nullopt;
    return LocalTone(photo, look, weights, surroundOf(photo, work));
}

// From `before` to what sharpening made of it, as far as zones say.
void sharpenByZones(const Photo& photo, const std::vector<Zone>& zones, const std::array<Plane, 3>& before,
                    const Rect& area, std::array<Plane, 3>& rgb, const Work& work) {
    Plane factor(area.width, area.height);
    factor.fill(1);
    for (const Zone& zone : zones) {
        if (zone.isPlain()) continue;
        const Plane mask = maskOf(photo, zone, area, work);
        for (int y = 0; y < area.height; ++y)
            for (int x = 0; x < area.width; ++x)
                factor.at(x, y) += mask.at(x, y) * (zone.sharpening - factor.at(x, y));
    }
    forEachBand(area.height, 16, work, [&](int first, int last) {
        for (std::size_t c = 0; c < 3; ++c)
            for (int y = first; y < last; ++y)
                for (int x = 0; x < area.width; ++x) {
                    const float was = before[c].at(x, y);
                    rgb[c].at(x, y) = was + factor.at(x, y) * (rgb[c].at(x, y) - was);
                }
    });
}

// Everything but the distortion, in white-balanced camera colours. `area` may lie outside the photo.
Image straightRegion(const Recipe& recipe, const LensFound& found, const Rect& area, const Context& context) {
    const Photo& photo = *recipe.photo;
    const Settings cleaning = cleaningOf(recipe.settings);
    const Look& look = recipe.look;
    const Work& work = context.work;
    const Vector3 gain = balanceOf(neutralFor(photo, look));
    const Lens* lens = found.lens.get();
    const bool moves = look.chromatic && lens && lens->hasChromatic();
    const Softness softness = sharpeningOf(recipe);
    const Rect wanted = area.inflated(sharpenMargin(softness) + (look.fringes ? kFringeMargin : 0));
    const Rect whole = photo.whole();
    const auto cleaned = [&](const Rect& where) {
        const Work most = work.part(0, 0.9);
        return context.cleaned ? context.cleaned->get(photo, cleaning, where, most)
                               : cleanRegion(photo, cleaning, where, most);
    };
    // One plane of a mosaic, or three of pixels.
    const bool packed = photo.hasMosaic(), maps = look.vignetting && !found.gainMaps.empty();
    const Rect covered = packed ? wanted.inflated(demosaicMargin(look.demosaic)).aligned(2) : wanted,
               source = moves ? covered.inflated(kShiftMargin) : covered, inside = source.intersected(whole);
    Image light = cleaned(inside);
    for (std::size_t p = 0; p < light.planes(); ++p) {
        forEachBand(inside.height, 16, work, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                for (int x = 0; x < inside.width; ++x) {
                    const std::size_t channel =
                        packed ? static_cast<std::size_t>(photo.mosaic.at(inside.x + x, inside.y + y)) : p;
                    float v = std::min(light[p].at(x, y), 1.0f) * static_cast<float>(gain[channel]);
                    if (maps)
                        for (const GainMap& m : found.gainMaps) v *= m.at(inside.x + x, inside.y + y);
                    light[p].at(x, y) = v;
                }
        });
        light[p] = withSurround(std::move(light[p]), inside, source, photo, work);
    }
    if (moves) {
        std::array<Plane, 3> moved;
        for (std::size_t p = 0; p < light.planes(); ++p) moved[p] = Plane(covered.width, covered.height);
        const std::size_t second = packed ? 0 : 1, third = packed ? 0 : 2;
        moveColours({&light[0], &light[second], &light[third]}, source,
                    {&moved[0], &moved[second], &moved[third]}, covered, photo.cell(), *lens,
                    packed ? &photo.mosaic : nullptr, work);
        light.plane = std::move(moved);
    }
    Image out;
    out.holds = Holds::BalancedLight, out.area = wanted;
    std::array<Plane, 3>& rgb = out.plane;
    if (packed)
        rgb = demosaic(light[0], covered, photo.mosaic, wanted, look.demosaic, work);
    else
        rgb = std::move(light.plane);
    if (!photo.developed) rebuildHighlights(rgb, gain, work);
    std::optional<Varying<1>> evened;
    if (look.vignetting && lens && lens->hasVignetting()) {
        evened.emplace(wanted, [&](int x, int y, float* v) { lens->gains(x, y, 1, v); });
        forEachBand(wanted.height, 16, work, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                for (int x = 0; x < wanted.width; ++x) {
                    const float g = evened->at(wanted.x + x, wanted.y + y)[0];
                    for (Plane& p : rgb) p.at(x, y) *= g;
                }
        });
    }
    if (look.fringes) removeFringes(rgb, work);
    if (softness != Softness::Off) {
        const std::vector<Zone>& zones = recipe.settings.zones;
        Settings plain = cleaning;
        plain.zones.clear();
        const bool varies = std::any_of(zones.begin(), zones.end(),
                                        [](const Zone& z) { return !z.isPlain() && z.sharpening != 1; });
        std::array<Plane, 3> before;
        for (std::size_t c = 0; varies && c < 3; ++c) before[c] = rgb[c].clone();
        sharpen(rgb, softness,
                luminanceNoise(photo, gain, noiseLeftOnGrey(photo, plain, {work.stop}).luminance), work);
        if (varies) sharpenByZones(photo, zones, before, wanted, rgb, work);
    }
    if (!(wanted == area)) out = out.cropped(area);
    const Matrix3 toXyz = cameraToXyzD50(photo, neutralFor(photo, look));
    const auto tone = localToneOf(photo, look, {toXyz[3], toXyz[4], toXyz[5]}, work);
    if (!tone) return out;
    forEachBand(area.height, 16, work, [&](int first, int last) {
        std::vector<float> factors(evened || maps ? static_cast<std::size_t>(area.width) : 0, 1);
        for (int y = first; y < last; ++y) {
            for (std::size_t x = 0; x < factors.size(); ++x) {
                const int px = area.x + static_cast<int>(x), py = area.y + y;
                factors[x] = evened ? evened->at(px, py)[0] : 1;
                if (maps)
                    for (const GainMap& m : found.gainMaps) factors[x] *= m.at(px, py);
            }
            tone->apply(out[0].row(y), out[1].row(y), out[2].row(y), area.x, 1, area.y + y, area.width,
                        factors.empty() ? nullptr : factors.data());
        }
    });
    return out;
}

// Finished, as pixels.
Picture pictureOf(std::array<Plane, 3> rgb, const Finish& finish, const Work& work) {
    const int w = rgb[0].width(), h = rgb[0].height();
    Picture out(w, h);
    forEachBand(h, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y) {
            finish.apply(rgb[0].row(y), rgb[1].row(y), rgb[2].row(y), w);
            std::uint16_t* to = out.row(y);
            for (int x = 0; x < w; ++x)
                for (const Plane& p : rgb) *to++ = pictureSample(p.at(x, y));
        }
    });
    return out;
}

// The normalised means of red, both greens and blue over some cells of the mosaic, or pixels.
std::array<float, 4> meansOfCells(const Photo& photo, const std::array<int, 4>& sites, const Rect& cells) {
    constexpr int colourOf[4] = {0, 1, 1, 2};
    const int cell = photo.cell();
    const BlackLevel& black = photo.black;
    // Where black is the same in all cells samples can be added up as they are.
    const bool even = black.repeatsEvery(cell);
    std::array<float, 4> out{};
    for (std::size_t c = 0; c < 4; ++c) {
        const int atX = cell == 2 ? sites[c] & 1 : 0, atY = cell == 2 ? sites[c] >> 1 : 0,
                  channel = cell == 2 ? 0 : colourOf[c];
        std::uint64_t whole = 0;
        float normalised = 0;
        for (int y = cells.y; y < cells.bottom(); ++y)
            if (even) {
                const auto step = static_cast<std::size_t>(cell * photo.channels);
                const std::uint16_t* from =
                    &photo.samples[photo.index(cell * cells.x + atX, cell * y + atY, channel)];
                for (int x = 0; x < cells.width; ++x) whole += from[static_cast<std::size_t>(x) * step];
            } else
                for (int x = cells.x; x < cells.right(); ++x)
                    normalised += photo.normalised(cell * x + atX, cell * y + atY, channel);
        const auto count = static_cast<double>(cells.area());
        const auto level = static_cast<double>(black.at(atX, atY, channel));
        out[c] =
            even ? static_cast<float>((static_cast<double>(whole) / count - level) / (photo.white - level))
                 : normalised / static_cast<float>(count);
    }
    return out;
}

} // namespace

Image developBalanced(const Recipe& recipe, const Rect& area, const Context& context) {
    IRENIC_EXPECTS(recipe.photo && !area.empty());
    const Photo& photo = *recipe.photo;
    const Look& look = recipe.look;
    const Work& work = context.work;
    const LensFound found = look.usesLens() ? lensOf(photo) : LensFound{};
    if (!look.distortion || !found.lens || !found.lens->hasDistortion())
        return straightRegion(recipe, found, area, context);
    const double scale = framingOf(photo, look).scale, cx = (photo.width() - 1) / 2.0,
                 cy = (photo.height() - 1) / 2.0;
    const Varying<2> places(area, [&](int x, int y, float* v) {
        found.lens->sources(cx + (x - cx) / scale, cy + (y - cy) / scale, 1, v);
    });
    // The places furthest out lie on the area's edge.
    float left = 1e9f, top = 1e9f, right = -1e9f, bottom = -1e9f;
    for (int y = 0; y < area.height; ++y)
        for (int x = 0; x < area.width;
             x += y == 0 || y == area.height - 1 ? 1 : std::max(1, area.width - 1)) {
            const auto p = places.at(area.x + x, area.y + y);
            left = std::min(left, p[0]), right = std::max(right, p[0]), top = std::min(top, p[1]),
            bottom = std::max(bottom, p[1]);
        }
    const auto whole = [](float v, int low, int high) {
        return std::clamp(static_cast<int>(std::floor(v)), low, high);
    };
    const int l = whole(left, 0, photo.width() - 1) - 3, t = whole(top, 0, photo.height() - 1) - 3;
    const Rect source{l, t, whole(right, 0, photo.width() - 1) + 5 - l,
                      whole(bottom, 0, photo.height() - 1) + 5 - t};
    const Image straight = straightRegion(recipe, found, source, context);
    Image out(Holds::BalancedLight, area);
    forEachBand(area.height, 16, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < area.width; ++x) {
                const auto p = places.at(area.x + x, area.y + y);
                // Half a pixel beyond the last one still belongs to the photo.
                const bool in = p[0] >= -0.5f && p[1] >= -0.5f &&
                                p[0] <= static_cast<float>(photo.width()) - 0.5f &&
                                p[1] <= static_cast<float>(photo.height()) - 0.5f;
                const float u = p[0] - static_cast<float>(source.x), v = p[1] - static_cast<float>(source.y);
                for (std::size_t c = 0; c < 3; ++c)
                    out[c].at(x, y) = !in ? 0 : lanczos3(u, v, [&](int i, int j) {
                        return straight[c].at(std::clamp(i, 0, source.width - 1),
                                              std::clamp(j, 0, source.height - 1));
                    });
            }
    });
    return out;
}

Image developRegion(const Recipe& recipe, const Rect& area, OutputSpace space, const Context& context) {
    Image light = developBalanced(recipe, area, context);
    const Vector3 neutral = neutralFor(*recipe.photo, recipe.look);
    colour(light.plane, xyzD50To(space) * cameraToXyzD50(*recipe.photo, neutral), context.work);
    light.holds = Holds::SpaceLight;
    return light;
}

Picture render(const Recipe& recipe, const Rect& area, const View& view, const Context& context) {
    IRENIC_EXPECTS(recipe.photo && !area.empty());
    const double zoom = view.zoom;
    if (!(zoom > 0)) throw std::invalid_argument("the zoom must be above 0");
    Recipe shown = recipe;
    if (zoom < 1) shown.look.demosaic = Demosaic::Quick; // averaged pixels need no fine colours
    std::array<Plane, 3> rgb = std::move(developRegion(shown, area, kWorkingSpace, context).plane);
    const int scale = zoom >= 1 ? static_cast<int>(std::lround(zoom)) : 1;
    if (zoom < 1) {
        const int w = std::max(1, static_cast<int>(std::lround(area.width * zoom)));
        const int h = std::max(1, static_cast<int>(std::lround(area.height * zoom)));
        for (Plane& p : rgb) p = areaAverage(p, w, h);
    }
    const Finish finish(*recipe.photo, recipe.look, OutputSpace::Srgb, view.push);
    return magnified(pictureOf(std::move(rgb), finish, context.work), scale);
}

Rect outputFrame(const Photo& photo, const Look& look) { return framingOf(photo, look).frame; }

Image developOverview(const Photo& photo, const Look& look, int longest, const Work& work) {
    IRENIC_EXPECTS(longest > 0);
    const int cell = photo.cell(), cw = photo.width() / cell, ch = photo.height() / cell;
    const int factor = std::max(1, std::max(cw, ch) / std::max(1, longest));
    Image out(Holds::SpaceLight, {0, 0, cw / factor, ch / factor});
    std::array<Plane, 3>& rgb = out.plane;
    const auto sites = sitesOfChannels(photo.mosaic);
    const Vector3 neutral = neutralFor(photo, look), gain = balanceOf(neutral);
    forEachBand(ch / factor, 8, work, [&](int first, int last) {
        for (int y = first; y < last; ++y)
            for (int x = 0; x < cw / factor; ++x) {
                const std::array<float, 4> mean =
                    meansOfCells(photo, sites, {x * factor, y * factor, factor, factor});
                rgb[0].at(x, y) = std::min(1.0f, mean[0]) * static_cast<float>(gain[0]);
                rgb[1].at(x, y) = std::min(1.0f, 0.5f * (mean[1] + mean[2])) * static_cast<float>(gain[1]);
                rgb[2].at(x, y) = std::min(1.0f, mean[3]) * static_cast<float>(gain[2]);
            }
    });
    if (!photo.developed) rebuildHighlights(rgb, gain, work);
    colour(rgb, xyzD50To(kWorkingSpace) * cameraToXyzD50(photo, neutral), work);
    const double zoom =
        std::min(1.0, static_cast<double>(longest) / std::max(rgb[0].width(), rgb[0].height()));
    const int width = std::max(1, static_cast<int>(std::lround(rgb[0].width() * zoom))),
              height = std::max(1, static_cast<int>(std::lround(rgb[0].height() * zoom)));
    for (Plane& p : rgb) p = areaAverage(p, width, height);
    out.area = {0, 0, width, height};
    return out;
}

Picture renderOverview(const Photo& photo, const Look& look, int longest, const Work& work, float push) {
    IRENIC_EXPECTS(longest > 0);
    Image light = developOverview(photo, look, longest, work);
    if (const auto tone = localToneOf(photo, look, kWorkingY, work)) {
        const double across = static_cast<double>(photo.width()) / light.area.width,
                     down = static_cast<double>(photo.height()) / light.area.height;
        for (int y = 0; y < light.area.height; ++y)
            tone->apply(light[0].row(y), light[1].row(y), light[2].row(y), 0.5 * across - 0.5, across,
                        (y + 0.5) * down - 0.5, light.area.width, nullptr);
    }
    return pictureOf(std::move(light.plane), Finish(photo, look, OutputSpace::Srgb, push), work);
}

Histogram histogramOf(const Picture& p) {
    IRENIC_EXPECTS(p.width > 0 && p.height > 0);
    Histogram out;
    const float each = 1 / static_cast<float>(p.width * p.height);
    for (std::size_t i = 0; i < p.rgb.size(); ++i) {
        const std::uint8_t v = inEightBits(p.rgb[i]);
        out.share[i % 3][v] += each;
        if (v == 0) out.black[i % 3] += each;
        if (v == 255) out.white[i % 3] += each;
    }
    return out;
}

} // namespace irenic
