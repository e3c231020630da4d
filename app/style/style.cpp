#include "style/style.h"

#include <QFont>
#include <QPalette>
#include <QStyleFactory>

namespace irenic::style {

void apply(QApplication& app) {
    app.setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
    QFont font(QStringLiteral("DejaVu Sans"));
    font.setPointSizeF(9.5);
    app.setFont(font);
    QPalette p;
    p.setColor(QPalette::Window, kPanel);
    p.setColor(QPalette::WindowText, kText);
    p.setColor(QPalette::Base, kRaised);
    p.setColor(QPalette::AlternateBase, kPanel);
    p.setColor(QPalette::Text, kText);
    p.setColor(QPalette::Button, kRaised);
    p.setColor(QPalette::ButtonText, kText);
    p.setColor(QPalette::Highlight, kOchre);
    p.setColor(QPalette::HighlightedText, kText);
    p.setColor(QPalette::ToolTipBase, kRaised);
    p.setColor(QPalette::ToolTipText, kText);
    p.setColor(QPalette::PlaceholderText, kFaint);
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        p.setColor(QPalette::Disabled, role, QColor(80, 80, 80));
    app.setPalette(p);
    app.setStyleSheet(QStringLiteral(
        "QToolTip { background: #8c8c8c; color: #101010; border: 1px solid #565656; }"
        "QPushButton, QToolButton, QComboBox { background: #8c8c8c; border: 1px solid #5c5c5c; "
        "border-radius: 2px; padding: 2px 7px; color: #101010; }"
        "QToolButton { padding: 1px 5px; }"
        "QPushButton:hover, QToolButton:hover, QComboBox:hover { background: #989898; }"
        "QPushButton:checked, QToolButton:checked { background: #d69e2e; border-color: #7a5a1a; }"
        "QPushButton:disabled, QToolButton:disabled { background: #7e7e7e; color: #5a5a5a; }"
        "QPushButton:focus, QToolButton:focus, QComboBox:focus { border: 1px solid #d69e2e; }"
        "QListWidget { background: #747474; border: 1px solid #565656; }"
        "QListWidget::item:selected { background: #d69e2e; color: #101010; }"
        "QMenuBar { background: #7a7a7a; } QMenu { background: #8c8c8c; border: 1px solid #565656; }"
        "QMenu::item:selected, QMenuBar::item:selected { background: #d69e2e; }"
        "QSplitter::handle { background: #6a6a6a; }"
        "QProgressBar { background: #747474; border: 1px solid #565656; text-align: center; }"
        "QProgressBar::chunk { background: #9a9a9a; }"));
}

} // namespace irenic::style
