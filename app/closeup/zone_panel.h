// The zones of the take in hand: which there are, their factors, and the brush that corrects them.
#pragma once

#include <QWidget>
#include <vector>

#include "denoise/settings.h"

class QComboBox;
class QToolButton;

namespace irenic {

class Rule;

class ZonePanel : public QWidget {
    Q_OBJECT

  public:
    enum class Tool { None, Paint, Erase, Mark, MarkOff }; // the last two say what a marked zone is
    struct Brush {
        double diameter = 100, softness = 0.5; // pixels of the photo; a share of the radius
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
    ShownAs shownAs() const { return shownAs_; }
    void setShownAs(ShownAs as);
    void showNext(); // one way after the other, then not at all

  signals:
    // `gesture`: one of many values of a hand that moves a factor; else a step of its own.
    void edited(const std::vector<irenic::Zone>& zones, bool gesture);
    void changed(); // the tool, the brush, the zone in hand, or whether it is shown

  private:
    void add(FoundPart part);
    void refresh();
    void give(); // what the controls say, to the zone in hand

    std::vector<Zone> zones_;
    int current_ = 0;
    ShownAs shownAs_ = ShownAs::Colour;
    QComboBox *list_, *method_;
    QToolButton *more_, *remove_, *paint_, *erase_, *show_, *clear_, *mark_, *markOff_, *ways_;
    QWidget* body_;
    std::vector<Rule*> factors_; // in the order of the table
    Rule *diameter_, *softness_;
};

} // namespace irenic
