// The zones of the take in hand: which there are, their factors, and the brush that corrects them.
#pragma once

#include <QColor>
#include <QWidget>
#include <vector>

#include "denoise/settings.h"

class QComboBox;
class QMenu;
class QToolButton;

namespace irenic {

class Rule;

class ZonePanel : public QWidget {
    Q_OBJECT

  public:
    enum class Tool { None, Paint, Erase, Mark, MarkOff }; // the last two say what a marked zone is
    struct Brush {
        double diameter = 100, softness = 0.5; // pixels of the photo; a share of the radius
        bool edges = false;                    // keeps to edges
    };

    explicit ZonePanel(QWidget* parent = nullptr);
    void showZones(const std::vector<Zone>& zones);
    // The zone in hand; -1: none.
    int current() const { return zones_.empty() ? -1 : current_; }
    const Zone* zone() const {
        return zones_.empty() ? nullptr : &zones_[static_cast<std::size_t>(current_)];
    }
    Tool tool() const;
    void setTool(Tool tool); // a zone to paint on is made where there is none
    Brush brush() const;
    void setBrush(const Brush& brush);
    bool wantsMask() const; // the zone is to be shown over the picture
    void setWantsMask(bool on);
    enum class ShownAs { Colour, GreyOutside, Outline };
    // How a zone lies over the picture; remembered.
    struct Overlay {
        ShownAs as = ShownAs::Colour;
        QColor colour;
        float strength = 0.5f; // how much of the colour lies where all is the zone
        friend bool operator==(const Overlay&, const Overlay&) = default;
    };
    Overlay overlay() const { return overlay_; }
    void setShownAs(ShownAs as);
    void setColour(int index); // among those that are offered
    void setStrength(float strength);
    void showNext(); // one way after the other, then not at all

  signals:
    // `gesture`: one of many values of a hand that moves a factor; else a step of its own.
    void edited(const std::vector<irenic::Zone>& zones, bool gesture);
    void changed(); // the tool, the brush, the zone in hand, or whether it is shown

  private:
    void add(FoundPart part);
    QMenu* makeWays();
    void tickWays();
    void setOverlay(const Overlay& overlay);
    void refresh();
    void give(); // what the controls say, to the zone in hand

    std::vector<Zone> zones_;
    int current_ = 0;
    Overlay overlay_;
    QComboBox *list_, *method_;
    QToolButton *more_, *remove_, *paint_, *erase_, *show_, *clear_, *mark_, *markOff_, *ways_, *edges_;
    QWidget* body_;
    std::vector<Rule*> factors_; // in the order of the table
    Rule *diameter_, *softness_;
};

} // namespace irenic
