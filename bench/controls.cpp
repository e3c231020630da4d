// Draws every control in every state on one page, for docs/style.md.
#include <QApplication>
#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QProgressBar>
#include <QPushButton>
#include <QScrollBar>
#include <QToolButton>

#include "develop/look.h"
#include "sheet/take_head.h"
#include "style/rule.h"
#include "style/style.h"

using namespace irenic;

namespace {

// One set of greys: names at the left, states beside them.
class Page : public QWidget {
  public:
    explicit Page(const QString& title) : grid_(new QGridLayout(this)) {
        grid_->setContentsMargins(14, 10, 14, 10);
        auto* head = new QLabel(QStringLiteral("<b>%1</b>").arg(title), this);
        grid_->addWidget(head, row_++, 0, 1, 5);
    }
    void add(const QString& name, const QList<QWidget*>& states) {
        grid_->addWidget(new QLabel(name, this), row_, 0);
        for (int i = 0; i < states.size(); ++i) grid_->addWidget(states[i], row_, i + 1);
        ++row_;
    }

  private:
    QGridLayout* grid_;
    int row_ = 0;
};

template <class Button> Button* button(const QString& text, bool on, bool enabled, bool accent = false) {
    auto* b = new Button;
    b->setText(text);
    b->setCheckable(true);
    b->setChecked(on);
    b->setEnabled(enabled);
    b->setProperty("accent", accent);
    return b;
}

Rule* rule(double value, std::optional<double> recommended = {}) {
    static const Field<Settings>& luminance = *findField<Settings>("luminance");
    auto* r = new Rule(luminance, 1);
    r->setValue(value);
    r->setRecommended(recommended);
    return r;
}

TakeHead* head(bool chosen) {
    Take take;
    auto* h = new TakeHead(take);
    h->show(take, {}, chosen);
    h->setFixedWidth(250);
    return h;
}

QWidget* pageOf(style::Greys which, const QString& title) {
    style::setGreys(which);
    auto* page = new Page(title);
    page->add("button", {button<QPushButton>("off", false, true), button<QPushButton>("on", true, true),
                         button<QPushButton>("not now", false, false)});
    page->add("tool", {button<QToolButton>("off", false, true), button<QToolButton>("on", true, true),
                       button<QToolButton>("not now", false, false),
                       button<QToolButton>("chosen", true, true, true)});
    auto* box = new QComboBox;
    box->addItem("a choice");
    auto* line = new QLineEdit("typed");
    auto* bar = new QProgressBar;
    bar->setValue(62);
    page->add("box, line, progress", {box, line, bar});
    page->add("rule: measured, none, more", {rule(1), rule(0), rule(2.2)});
    page->add("rule: as recommended, less, more", {rule(1.3, 1.3), rule(0.6, 1.3), rule(2.4, 1.3)});
    auto* percent = new Rule(*findField<Settings>("detail"), 25);
    auto* both = new Rule(*findField<Look>("exposure"), 0);
    both->setValue(-1.25);
    auto* light = new Rule(*findField<Look>("kelvin"), 5000);
    light->setValue(3012);
    page->add("rule: per cent, both ways, light", QList<QWidget*>{percent, both, light});
    page->add("head of a take", {head(false), head(true)});
    auto* scroll = new QScrollBar(Qt::Horizontal);
    page->add("scroll bar", {scroll});
    return page;
}

} // namespace

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    style::apply(app);
    if (argc != 2) return 2;
    QList<QImage> pages;
    for (const auto& [which, title] :
         {std::pair(style::Greys::Middle, "Middle"), std::pair(style::Greys::Dark, "Dark"),
          std::pair(style::Greys::Light, "Light")}) {
        const std::unique_ptr<QWidget> page(pageOf(which, QString::fromLatin1(title)));
        page->resize(1000, 10);
        page->adjustSize();
        page->setFixedWidth(1000);
        pages << page->grab().toImage();
    }
    int height = 0;
    for (const QImage& p : pages) height += p.height();
    QImage all(1000, height, QImage::Format_RGB32);
    QPainter painter(&all);
    int y = 0;
    for (const QImage& p : pages) painter.drawImage(0, y, p), y += p.height();
    painter.end();
    return all.save(QString::fromLocal8Bit(argv[1])) ? 0 : 1;
}
