// The zone of the take in hand over its picture, and the brush.
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "closeup/check_panel.h"
#include "closeup/close_up.h"
#include "closeup/take_panel.h"
#include "closeup/zone_panel.h"
#include "denoise/mask.h"
#include "develop/lens.h"
#include "said.h"
#include "sheet/cell.h"
#include "style/style.h"

namespace irenic {

namespace {

// How a zone's share of a pixel is shown over it: a colour, and how opaque it is.
QRgb overlaid(float share, const ZonePanel::Overlay& overlay) {
    constexpr float kGrey = 0.85f; // how much grey where nothing is the zone
    const bool grey = overlay.as == ZonePanel::ShownAs::GreyOutside;
    const QColor colour = grey ? QColor(119, 119, 119) : overlay.colour;
    const float alpha = grey ? kGrey * (1 - share) : overlay.strength * share;
    const auto part = [alpha](int v) { return static_cast<int>(alpha * static_cast<float>(v) + 0.5f); };
    return qRgba(part(colour.red()), part(colour.green()), part(colour.blue()), part(255));
}

// The colour where the zone passes one half between a pixel and the next.
void keepOutline(QImage& image, const Plane& share, const QColor& colour) {
    const int w = image.width(), h = image.height();
    const auto inside = [&](int x, int y) {
        return share.at(std::min(x, w - 1), std::min(y, h - 1)) >= 0.5f;
    };
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            const bool border = inside(x, y) != inside(x + 1, y) || inside(x, y) != inside(x, y + 1);
            image.setPixel(x, y, border ? colour.rgba() : qRgba(0, 0, 0, 0));
        }
}

// A zone over a picture, as it is wanted.
QImage imageOfZone(const Photo& photo, const Zone& zone, const RenderKey& key,
                   const ZonePanel::Overlay& overlay, const Work& work) {
    // One pixel of the overlay for each of the photo, or of the screen where those are fewer.
    const int step = std::max(1, static_cast<int>(std::lround(1 / std::max(1e-3, key.view.zoom))));
    const int wide = (key.area.width + step - 1) / step, high = (key.area.height + step - 1) / step;
    Plane share(wide, high);
    // Strokes are gone through once for each request; rows that are not shown cost more than that.
    const int rows = step == 1 ? 64 : 1;
    for (int from = 0; from < high; from += rows) {
        const int count = std::min(rows, high - from);
        const Plane band =
            maskOf(photo, zone, {key.area.x, key.area.y + from * step, key.area.width, count}, work);
        for (int y = from; y < from + count; ++y)
            for (int x = 0; x < wide; ++x) share.at(x, y) = band.at(x * step, y - from);
    }
    QImage image(wide, high, QImage::Format_ARGB32_Premultiplied);
    for (int y = 0; y < high; ++y) {
        auto* to = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < wide; ++x) to[x] = overlaid(share.at(x, y), overlay);
    }
    if (overlay.as == ZonePanel::ShownAs::Outline) keepOutline(image, share, overlay.colour);
    return image;
}

// A map of the checks over a picture: a pixel for each few of it, for squares are coarse.
QImage imageOfMap(const Photo& photo, const Look& look, const SquareMap& map, const RenderKey& key,
                  const Work& work) {
    constexpr int kStep = 8;
    constexpr float kFaint = 0.4f;
    QImage out((key.area.width + kStep - 1) / kStep, (key.area.height + kStep - 1) / kStep,
               QImage::Format_ARGB32);
    QColor colour = style::ochre();
    for (int y = 0; y < out.height(); ++y) {
        work.check();
        for (int x = 0; x < out.width(); ++x) {
            const SourcePoint at =
                sourceOf(photo, look, {key.area.x + (x + 0.5) * kStep, key.area.y + (y + 0.5) * kStep});
            const int across = static_cast<int>(at.x) / map.side, down = static_cast<int>(at.y) / map.side;
            const bool inside = at.x >= 0 && at.y >= 0 && across < map.across && down < map.down;
            colour.setAlphaF(inside ? kFaint * map.at(across, down) : 0);
            out.setPixelColor(x, y, colour);
        }
    }
    return out;
}

} // namespace

void CloseUp::showZone() {
    const ZonePanel& zones = panel_->zones();
    const bool grey = manner_ == Manner::Removed || manner_ == Manner::Difference;
    Cell* own = canBeChecked(column_) && !grey ? cell(column_) : nullptr;
    for (Cell* c : cells_)
        if (c != own) c->setBrush(-1), c->setOverlay({});
    if (!own) return;
    const ZonePanel::Brush brush = zones.brush();
    const bool isTake = takeOf(column_) >= 0;
    own->setBrush(!isTake || zones.tool() == ZonePanel::Tool::None ? -1 : brush.diameter, 1 - brush.softness);
    ShownMask wanted{{}, {}, own->wanted(), zones.overlay()};
    if (isTake && zones.wantsMask())
        wanted.zone = *zones.zone();
    else
        wanted.map = panel_->checks().map();
    const bool any = wanted.zone || !wanted.map.share.empty();
    if (!any || wanted.key.empty() || wanted.key.view.zoom <= 0) {
        mask_ = {}, masking_.cancel(), maskOf_ = {};
        return own->setOverlay({});
    }
    if (wanted == maskOf_) return own->setOverlay(mask_);
    // The place has changed: what was there lies elsewhere now.
    if (!(wanted.key.area == maskOf_.key.area)) mask_ = {}, own->setOverlay({});
    maskOf_ = wanted;
    constexpr double kFirst = -5000;
    masking_ = renderer_.jobs().submit(
        Lane::Pixels, kFirst,
        [photo = document_.photo(), look = document_.look(), wanted](const Work& work) {
            return wanted.zone ? imageOfZone(*photo, *wanted.zone, wanted.key, wanted.overlay, work)
                               : imageOfMap(*photo, look, wanted.map, wanted.key, work);
        },
        [this](const Outcome<QImage>& made) {
            if (!made.value) return;
            mask_ = *made.value;
            if (canBeChecked(column_)) cell(column_)->setOverlay(mask_);
        });
}

void CloseUp::tellZones(QPoint pixel) {
    const int index = takeOf(column_);
    if (index < 0) return;
    const std::vector<Zone> zones = document_.takes()[static_cast<std::size_t>(index)].settings.zones;
    if (zones.empty()) return;
    const SourcePoint at = sourceOf(*document_.photo(), document_.look(), {pixel.x() + 0.5, pixel.y() + 0.5});
    const Rect place{static_cast<int>(at.x), static_cast<int>(at.y), 1, 1};
    constexpr double kFirst = -5000;
    telling_ = renderer_.jobs().submit(
        Lane::Pixels, kFirst,
        [photo = document_.photo(), zones, place](const Work& work) {
            std::vector<float> shares;
            for (const Zone& zone : zones) shares.push_back(maskOf(*photo, zone, place, work).at(0, 0));
            return shares;
        },
        [this, zones](const Outcome<std::vector<float>>& made) {
            if (!made.value) return;
            QStringList lines;
            for (std::size_t i = 0; i < zones.size(); ++i)
                lines << tr("Zone %1, %2: %3 %")
                             .arg(i + 1)
                             .arg(said(shownPart(zones[i].part)))
                             .arg(std::lround(100 * (*made.value)[i]));
            emit document_.message(lines.join(QStringLiteral(" · ")));
        });
}

void CloseUp::paint(QPointF place, double pressure, bool begins, bool straight) {
    const ZonePanel& zones = panel_->zones();
    if (zones.tool() == ZonePanel::Tool::None || takeOf(column_) < 0) return;
    const SourcePoint at = sourceOf(*document_.photo(), document_.look(), {place.x(), place.y()});
    constexpr double kNarrowest = 0.01;
    const StrokePoint point{static_cast<float>(at.x), static_cast<float>(at.y),
                            static_cast<float>(std::clamp(pressure, kNarrowest, 1.0))};
    if (begins) {
        stroke_ = {};
        stroke_.diameter = static_cast<float>(zones.brush().diameter);
        stroke_.softness = static_cast<float>(zones.brush().softness);
        stroke_.edges = zones.brush().edges;
        const ZonePanel::Tool tool = zones.tool();
        stroke_.erase = tool == ZonePanel::Tool::Erase || tool == ZonePanel::Tool::MarkOff;
        stroke_.mark = tool == ZonePanel::Tool::Mark || tool == ZonePanel::Tool::MarkOff;
        drawn_.clear();
    } else if (!stroke_.points.empty() && !straight) {
        // A tenth of the brush apart is as good as all.
        const StrokePoint& last = stroke_.points.back();
        if (std::hypot(point.x - last.x, point.y - last.y) < std::max(0.5f, stroke_.diameter / 10)) return;
    }
    if (straight && !begins) stroke_.points.resize(1), drawn_.resize(1);
    stroke_.points.push_back(point);
    drawn_ << place;
    // Seen at once, as a line; what it really covers follows.
    Cell* own = cell(column_);
    const RenderKey& key = own->wanted();
    QImage shown = mask_;
    if (shown.isNull()) {
        const double scale = std::min(1.0, key.view.zoom);
        shown =
            QImage(QSize(static_cast<int>(key.area.width * scale), static_cast<int>(key.area.height * scale)),
                   QImage::Format_ARGB32_Premultiplied);
        shown.fill(Qt::transparent);
    }
    QPainter painter(&shown);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.scale(static_cast<double>(shown.width()) / key.area.width,
                  static_cast<double>(shown.height()) / key.area.height);
    painter.translate(0.5 - key.area.x, 0.5 - key.area.y);
    QColor colour = zones.overlay().colour;
    colour.setAlphaF(zones.overlay().strength);
    painter.setCompositionMode(stroke_.erase ? QPainter::CompositionMode_Clear
                                             : QPainter::CompositionMode_Source);
    const auto pen = [&](float width) {
        return QPen(colour, std::max(1.0, static_cast<double>(stroke_.diameter * width)), Qt::SolidLine,
                    Qt::RoundCap, Qt::RoundJoin);
    };
    painter.setPen(pen(stroke_.points.front().width));
    painter.drawPoint(drawn_[0]);
    for (qsizetype i = 1; i < drawn_.size(); ++i) {
        painter.setPen(pen(stroke_.points[static_cast<std::size_t>(i)].width));
        painter.drawLine(drawn_[i - 1], drawn_[i]);
    }
    painter.end();
    own->setOverlay(shown);
}

void CloseUp::endPainting() {
    if (stroke_.points.empty()) return;
    Stroke done;
    std::swap(done, stroke_);
    document_.addStroke(takeOf(column_), panel_->zones().current(), done);
}

} // namespace irenic
