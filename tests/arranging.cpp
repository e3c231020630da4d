// Panels that are hidden, dragged and brought back; the close-up in a window of its own; every control by
// keys.
#include <QAbstractButton>
#include <QAccessible>
#include <QButtonGroup>
#include <QComboBox>
#include <QDockWidget>
#include <QLabel>
#include <QLineEdit>
#include <set>

#include "closeup/close_up.h"
#include "export/export_bar.h"
#include "panels.h"
#include "photos/photo_list.h"
#include "window_support.h"

using namespace irenic;

class TestArranging : public test::WindowTest {
    Q_OBJECT

    QDockWidget* panel(const char* name) { return find<QDockWidget>(name); }
    // The window is closed and opened again, with the same photo.
    void again() {
        window_->close();
        QTRY_VERIFY(!window_->isVisible());
        window_ = std::make_unique<Window>();
        window_->show();
        QVERIFY(QTest::qWaitForWindowExposed(window_.get()));
        window_->open({one_});
        QVERIFY(settle());
    }

  private slots:
    void panelsAreHiddenAndBroughtBackByKeys_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<int>("key");
        QTest::newRow("photos") << "photosPanel" << static_cast<int>(Qt::Key_1);
        QTest::newRow("overview") << "overviewPanel" << static_cast<int>(Qt::Key_2);
        QTest::newRow("histogram") << "histogramPanel" << static_cast<int>(Qt::Key_3);
        QTest::newRow("shot") << "shotPanel" << static_cast<int>(Qt::Key_4);
        QTest::newRow("history") << "historyPanel" << static_cast<int>(Qt::Key_H);
        QTest::newRow("queue") << "drawerPanel" << static_cast<int>(Qt::Key_D);
    }
    void panelsAreHiddenAndBroughtBackByKeys() {
        QFETCH(QString, name);
        QFETCH(int, key);
        find<QAction>("resetPanels")->trigger();
        QDockWidget* own = panel(name.toLatin1());
        const bool before = own->isVisible();
        QTest::keyClick(window_.get(), static_cast<Qt::Key>(key), Qt::ControlModifier);
        QTRY_COMPARE(own->isVisible(), !before);
        again();
        QCOMPARE(panel(name.toLatin1())->isVisible(), !before); // remembered
        QTest::keyClick(window_.get(), static_cast<Qt::Key>(key), Qt::ControlModifier);
        QTRY_COMPARE(panel(name.toLatin1())->isVisible(), before);
        again();
        QCOMPARE(panel(name.toLatin1())->isVisible(), before);
    }
    void aPanelIsDraggedToTheOtherSide() {
        window_->resize(1100, 700);
        find<QAction>("resetPanels")->trigger();
        QTest::qWait(50);
        QDockWidget* own = panel("overviewPanel");
        auto* desk = find<Panels>("panels");
        QCOMPARE(desk->dockWidgetArea(own), Qt::LeftDockWidgetArea);
        QWidget* head = own->titleBarWidget();
        const QPoint grip(20, head->height() / 2);
        const auto at = [&](QPoint global) { return head->mapFromGlobal(global); };
        const QPoint goal = desk->mapToGlobal(QPoint(desk->width() - 4, desk->height() / 2));
        QTest::mousePress(head, Qt::LeftButton, {}, grip);
        for (const QPoint& step : {head->mapToGlobal(grip + QPoint(40, 0)), goal - QPoint(30, 0), goal}) {
            QTest::mouseMove(head, at(step));
            QTest::qWait(60);
        }
        QTest::mouseRelease(head, Qt::LeftButton, {}, at(goal));
        QTRY_COMPARE(desk->dockWidgetArea(own), Qt::RightDockWidgetArea);
        QVERIFY(!own->isFloating());
        again();
        QCOMPARE(find<Panels>("panels")->dockWidgetArea(panel("overviewPanel")), Qt::RightDockWidgetArea);
        find<QAction>("resetPanels")->trigger();
        QCOMPARE(find<Panels>("panels")->dockWidgetArea(panel("overviewPanel")), Qt::LeftDockWidgetArea);
    }
    void aPanelIsHiddenFromItsHead() {
        QDockWidget* own = panel("shotPanel");
        QCOMPARE(own->titleBarWidget()->actions().size(), 1);
        own->titleBarWidget()->actions()[0]->trigger();
        QVERIFY(!own->isVisible());
        find<QAction>("resetPanels")->trigger();
        QTRY_VERIFY(own->isVisible());
    }
    void theCloseUpHasAWindowOfItsOwn() {
        auto* apart = find<QAction>("closeUpApart");
        QTest::keyClick(window_.get(), Qt::Key_F12);
        CloseUp& own = window_->closeUp();
        QTRY_VERIFY(own.isVisible() && own.isWindow() && apart->isChecked());
        QVERIFY(window_->sheet().isVisible());
        // It follows the cell that is clicked, and keeps its own keys.
        QTest::mouseClick(window_->sheet().cell(1, 2), Qt::LeftButton, {}, QPoint(30, 30));
        QTRY_COMPARE(own.column(), 2);
        own.activateWindow();
        own.setFocus();
        QTest::keyClick(&own, Qt::Key_A);
        QCOMPARE(own.column(), 1);
        // The window's keys work there too.
        const std::size_t takes = window_->document().takes().size();
        QTest::keyClick(&own, Qt::Key_T, Qt::ControlModifier);
        QTRY_COMPARE(window_->document().takes().size(), takes + 1);
        QTest::keyClick(&own, Qt::Key_Z, Qt::ControlModifier);
        QTRY_COMPARE(window_->document().takes().size(), takes);
        own.close();
        QTRY_VERIFY(!own.isVisible() && !apart->isChecked());
        QVERIFY(window_->sheet().isVisible());
        // And it opens in the window again.
        emit window_->sheet().opened(0, 1);
        QTRY_VERIFY(own.isVisible() && !own.isWindow() && !window_->sheet().isVisible());
    }
    // Who has no mouse reaches everything, and sees where they are; who hears the window is told what it is.
    void everythingIsReachedByTab_data() {
        QTest::addColumn<bool>("closeUp");
        QTest::newRow("sheet") << false;
        QTest::newRow("close-up") << true;
    }
    void everythingIsReachedByTab() {
        QFETCH(bool, closeUp);
        window_->resize(1280, 800);
        if (closeUp) emit window_->sheet().opened(0, 1);
        QTest::qWait(100);
        window_->activateWindow();
        std::set<QWidget*> wanted;
        for (QWidget* w : window_->findChildren<QWidget*>())
            if (w->isVisible() && w->isEnabled() && (w->focusPolicy() & Qt::TabFocus) && !w->focusProxy())
                wanted.insert(w);
        QVERIFY(wanted.size() > 20);
        std::set<QWidget*> left = wanted;
        window_->photos().setFocus();
        for (std::size_t i = 0; i < 3 * wanted.size() && !left.empty(); ++i) {
            QWidget* now = window_->focusWidget();
            QVERIFY(now);
            if (left.erase(now)) {
                QAccessibleInterface* heard = QAccessible::queryAccessibleInterface(now);
                const QByteArray who =
                    QStringLiteral("%1 %2").arg(now->metaObject()->className(), now->objectName()).toUtf8();
                QVERIFY2(heard && !heard->text(QAccessible::Name).isEmpty(), who.data());
                QVERIFY2(heard->role() != QAccessible::NoRole && heard->state().focusable, who.data());
                // The focus shows.
                const QImage with = now->grab().toImage();
                now->clearFocus();
                QCoreApplication::processEvents();
                const QImage without = now->grab().toImage();
                QVERIFY2(with != without, who.data());
                now->setFocus(Qt::TabFocusReason);
                // Arrows go on among the buttons of a group.
                const auto* button = qobject_cast<QAbstractButton*>(now);
                if (button && button->group())
                    for (QAbstractButton* other : button->group()->buttons()) left.erase(other);
            }
            QVERIFY(window_->focusWidget());
            // In the close-up Tab alone flips.
            QTest::keyClick(window_->focusWidget(), Qt::Key_Tab,
                            now == &window_->closeUp() ? Qt::ControlModifier : Qt::NoModifier);
        }
        QStringList unreached;
        for (const QWidget* w : left)
            unreached << QStringLiteral("%1 %2").arg(w->metaObject()->className(), w->objectName());
        QVERIFY2(left.empty(), qPrintable(unreached.join(", ")));
    }
    // WCAG 2.2, 2.5.8: what is pressed is 24 by 24 at least.
    void targetsAreLargeEnough() {
        window_->resize(1280, 800);
        window_->exportBar().queueButton()->setChecked(true);
        QTest::qWait(100);
        constexpr int kLeast = 24;
        QStringList small;
        for (const QWidget* w : window_->findChildren<QWidget*>()) {
            const bool pressed = qobject_cast<const QAbstractButton*>(w) ||
                                 qobject_cast<const QComboBox*>(w) || qobject_cast<const Rule*>(w) ||
                                 qobject_cast<const QLineEdit*>(w);
            if (pressed && w->isVisible() && (w->width() < kLeast || w->height() < kLeast))
                small << QStringLiteral("%1 %2 %3x%4")
                             .arg(w->metaObject()->className(), w->objectName())
                             .arg(w->width())
                             .arg(w->height());
        }
        QVERIFY2(small.isEmpty(), qPrintable(small.join(", ")));
    }
};

QTEST_MAIN(TestArranging)
#include "arranging.moc"
