// A window with a photo, for the tests that drive one by mouse and keys.
#pragma once

#include <QAction>
#include <QSettings>
#include <QTest>
#include <QToolButton>

#include "base/folders.h"
#include "patience.h"
#include "picture_cache.h"
#include "sheet/cell.h"
#include "sheet/sheet.h"
#include "sheet/take_head.h"
#include "style/rule.h"
#include "style/style.h"
#include "support.h"
#include "window.h"

namespace irenic::test {

class WindowTest : public QObject {
    Q_OBJECT

  protected:
    QTemporaryDir folder_;
    QString one_, two_;
    std::unique_ptr<Window> window_;

    bool settle() {
        return QTest::qWaitFor(
            [this] { return window_->document().photo() && window_->sheet().allCurrent(); }, 60000);
    }
    Rule* field(int take, const char* name) {
        return window_->sheet().head(take)->findChild<Rule*>(QLatin1String(name));
    }
    // From where the bead stands to a value.
    static void drag(Rule* rule, double value) {
        const auto at = [&](double v) { return QPoint(static_cast<int>(std::lround(rule->placeOf(v))), 8); };
        const QPoint from = at(rule->value()), to = at(value);
        QTest::mousePress(rule, Qt::LeftButton, {}, from);
        QTest::mouseMove(rule, to);
        QTest::mouseRelease(rule, Qt::LeftButton, {}, to);
    }
    template <class T> T* find(const char* name) { return window_->findChild<T*>(QLatin1String(name)); }

  private slots:
    void initTestCase() {
        QCoreApplication::setOrganizationName("irenic-tests");
        QSettings().clear();
        QSettings().setValue("recommend/byItself", false); // where it is not what is tested
        // What a test sees first was made by the test before it; the first of all makes it.
        std::error_code none;
        std::filesystem::remove_all(PictureCache::usualFolder(), none);
        QSettings().setValue("pictures/keep", true);
        style::apply(*qApp);
        one_ = QString::fromStdString(test::writeShot(folder_, "one.dng", test::shoot(12800).photo));
        two_ =
            QString::fromStdString(test::writeShot(folder_, "two.dng", test::shoot(3200, "GRBG", 8).photo));
    }
    void init() {
        // What an earlier test has left beside the photos is not this one's.
        QDir folder(folder_.path());
        for (const QString& name :
             folder.entryList({"*.irenic.json", ".*.claim", "*.irenic.other-*"}, QDir::Files | QDir::Hidden))
            folder.remove(name);
        std::error_code none; // nor is where it had its panels: that is kept a while after a change
        std::filesystem::remove(dataFolder() / "session.json", none);
        window_ = std::make_unique<Window>();
        window_->resize(900, 560);
        window_->show();
        QVERIFY(QTest::qWaitForWindowExposed(window_.get()));
        window_->open({one_});
        QVERIFY(settle());
        // Everything open, so that it can be reached.
        find<QAction>("allHeads")->trigger();
        find<QToolButton>("showLook")->setChecked(true);
        QTest::qWait(50);
        QVERIFY(settle());
    }
    void cleanup() { window_.reset(); }
};

} // namespace irenic::test
