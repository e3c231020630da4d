// How the window looks: contrast of text, texts that fit their boxes at every size, scale and length.
#include <QAbstractButton>
#include <QAction>
#include <QComboBox>
#include <QLabel>
#include <QMenu>
#include <QRegularExpression>
#include <QScopeGuard>
#include <QStyleOption>
#include <QTranslator>
#include <cmath>

#include "language.h"
#include "start/start_page.h"
#include "style/icon.h"
#include "style/preference.h"
#include "style/style.h"
#include "window_fit.h"
#include "window_support.h"

using namespace irenic;

namespace {

// Relative luminance and contrast after WCAG 2.1.
double luminance(const QColor& c) {
    const auto linear = [](double v) {
        return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
    };
    return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
}
double contrast(const QColor& a, const QColor& b) {
    const double x = luminance(a) + 0.05, y = luminance(b) + 0.05;
    return std::max(x, y) / std::min(x, y);
}

// Every text a third longer, as other languages are.
class Longer : public QTranslator {
  public:
    QString translate(const char*, const char* source, const char*, int) const override {
        const QString text = QString::fromUtf8(source);
        if (text.size() < 2 || text.contains(QLatin1Char('%'))) return text;
        // Keys stay keys.
        static const QRegularExpression keys(QStringLiteral("^(Ctrl|Shift|Alt|F\\d)[+\\w]*$"));
        if (keys.match(text).hasMatch()) return text;
        return text + QStringLiteral(" ") +
               QString(std::max<qsizetype>(1, text.size() / 3 - 1), QLatin1Char('n'));
    }
    bool isEmpty() const override { return false; }
};

} // namespace

class TestAppearance : public test::WindowTest {
    Q_OBJECT

    // Texts that stand in the window whatever photo it shows, with their tool tips, as rows of a table.
    QStringList rowsOfWords() {
        QStringList rows;
        const auto add = [&](QString text, QString tip) {
            text.remove(QLatin1Char('&'));
            if (text.size() < 3 || text.contains(QStringLiteral("mill")) ||
                text.contains(QStringLiteral(".dng")))
                return;
            tip = tip.section(QLatin1Char('\n'), 0, 0);
            rows << QStringLiteral("| %1 | %2 |")
                        .arg(text, tip == text || tip.remove(QStringLiteral("…")) == text ? QString() : tip);
        };
        for (const QAction* a : window_->findChildren<QAction*>())
            if (!a->menu() && !a->isSeparator()) add(a->text(), a->toolTip());
        for (const QMenu* m : window_->findChildren<QMenu*>()) add(m->title(), {});
        for (const QAbstractButton* b : window_->findChildren<QAbstractButton*>())
            add(b->text(), b->toolTip());
        rows.removeDuplicates();
        rows.sort();
        return rows;
    }

  private slots:
    // Whoever changes a text reads it beside its neighbours.
    void everyTextIsKnown() {
        const QStringList rows = rowsOfWords();
        QVERIFY(rows.size() > 60);
        QFile page(QStringLiteral(IRENIC_DOCS "/words.md"));
        QVERIFY(page.open(QIODevice::ReadOnly));
        const QString text = QString::fromUtf8(page.readAll()), head = QStringLiteral("|---|---|\n");
        page.close();
        if (qEnvironmentVariableIsSet("IRENIC_WRITE_DOCS")) {
            QVERIFY(page.open(QIODevice::WriteOnly));
            page.write((text.left(text.indexOf(head) + head.size()) + rows.join(QLatin1Char('\n')) +
                        QLatin1Char('\n'))
                           .toUtf8());
            return;
        }
        for (const QString& row : rows) QVERIFY2(text.contains(row), qPrintable(row));
        // And nothing that is no more.
        for (const QString& row :
             text.mid(text.indexOf(head) + head.size()).split(QLatin1Char('\n'), Qt::SkipEmptyParts))
            QVERIFY2(rows.contains(row), qPrintable(row));
    }
    void typefaceAndIconsAreTheShippedOnes() {
        QCOMPARE(QFontInfo(QApplication::font()).family(), QStringLiteral("Open Sans"));
        using style::Icon;
        for (const Icon one : {Icon::Choose, Icon::More, Icon::Close, Icon::Waits, Icon::Runs, Icon::Done,
                               Icon::Failed, Icon::Cancelled}) {
            const auto drawn = [&](QIcon::Mode mode, QIcon::State state) {
                return style::icon(one).pixmap(QSize(16, 16), 2, mode, state).toImage();
            };
            const QImage plain = drawn(QIcon::Normal, QIcon::Off), off = drawn(QIcon::Disabled, QIcon::Off);
            QCOMPARE(plain.size(), QSize(32, 32));
            // Something is drawn, in the colour of text, and less strongly where it cannot be pressed.
            int strong = 0;
            for (int y = 0; y < 32; ++y)
                for (int x = 0; x < 32; ++x) strong += plain.pixelColor(x, y) == style::text();
            QVERIFY2(strong > 20, qPrintable(QString::number(strong)));
            QVERIFY(plain != off);
        }
    }
    void theDesktopsPreferenceIsFollowed() {
        QVERIFY(style::greysFor(0) == style::Greys::Middle && style::greysFor(1) == style::Greys::Dark &&
                style::greysFor(2) == style::Greys::Light && style::greysFor(77) == style::Greys::Middle);
        // Where nobody answers nothing changes.
        const style::Greys before = style::greys();
        style::followDesktop(window_.get());
        QCoreApplication::processEvents();
        QVERIFY(style::greys() == before);
    }
    void textStandsOut() {
        for (const style::Greys g : {style::Greys::Middle, style::Greys::Dark, style::Greys::Light}) {
            style::setGreys(g);
            for (const QColor& ground : {style::panel(), style::raised(), style::sunken()}) {
                QVERIFY(ground.red() == ground.green() && ground.green() == ground.blue());
                for (const QColor& text : {style::text(), style::faint()})
                    QVERIFY2(contrast(text, ground) >= 4.5, qPrintable(QStringLiteral("%1 on %2: %3")
                                                                           .arg(text.red())
                                                                           .arg(ground.red())
                                                                           .arg(contrast(text, ground))));
            }
            QVERIFY(contrast(style::onOchre(), style::ochre()) >= 4.5);
        }
        style::setGreys(style::Greys::Middle);
    }
    void nothingIsCut_data() {
        QTest::addColumn<QSize>("size");
        QTest::addColumn<double>("type");
        QTest::addColumn<bool>("longer");
        QTest::addColumn<QString>("language");
        for (const QSize& size : {QSize(1024, 700), QSize(1280, 800), QSize(1920, 1080), QSize(3840, 2160)}) {
            const QByteArray name = QByteArray::number(size.width());
            QTest::newRow((name + " plain").constData()) << size << 1.0 << false << QString();
            QTest::newRow((name + " larger text").constData()) << size << 1.3 << false << QString();
            QTest::newRow((name + " longer text").constData()) << size << 1.0 << true << QString();
            for (const char* language : {"de", "es", "fr"})
                if (size.width() < 1920)
                    QTest::newRow((name + ' ' + language).constData())
                        << size << 1.0 << false << QString::fromLatin1(language);
        }
    }
    void nothingIsCut() {
        QFETCH(QSize, size);
        QFETCH(double, type);
        QFETCH(bool, longer);
        Longer words;
        if (longer) QCoreApplication::installTranslator(&words);
        QFETCH(QString, language);
        const std::unique_ptr<QTranslator> spoken(language::wordsOf(language, nullptr));
        QVERIFY(language.isEmpty() || spoken);
        if (spoken) QCoreApplication::installTranslator(spoken.get());
        const QFont font = QApplication::font();
        QFont larger = font;
        larger.setPointSizeF(font.pointSizeF() * type);
        QApplication::setFont(larger);
        const auto atEnd = qScopeGuard([&] {
            QApplication::setFont(font);
            QCoreApplication::removeTranslator(&words);
            if (spoken) QCoreApplication::removeTranslator(spoken.get());
        });
        for (const bool photo : {true, false}) {
            Window window;
            window.keepNothing();
            window.resize(size);
            window.show();
            if (photo) {
                window.open({one_});
                QTRY_VERIFY_WITH_TIMEOUT(window.document().photo() != nullptr, 30000);
                window.sheet().openAllHeads(true);
                window.findChild<QToolButton*>("showLook")->setChecked(true);
            }
            QTest::qWait(80);
            QVERIFY2(window.size() == size,
                     qPrintable(QStringLiteral("%1 x %2").arg(window.width()).arg(window.height())));
            const QStringList cut = test::cutTexts(window), over = test::overlaps(window);
            QVERIFY2(cut.isEmpty(), qPrintable(cut.join(QLatin1Char('\n'))));
            QVERIFY2(over.isEmpty(), qPrintable(over.join(QLatin1Char('\n'))));
            window.sheet().openAllHeads(false);
            QTest::qWait(30);
            const QStringList folded = test::cutTexts(window);
            QVERIFY2(folded.isEmpty(), qPrintable(folded.join(QLatin1Char('\n'))));
        }
    }
    // Three whole rows of cells of at least 250 x 190 at 1280 x 800, heads and look folded.
    void thereIsRoomForPixels() {
        Window window;
        window.keepNothing();
        window.resize(1280, 800);
        window.show();
        window.open({one_});
        QTRY_VERIFY_WITH_TIMEOUT(window.document().photo() != nullptr, 30000);
        window.findChild<QToolButton*>("showLook")->setChecked(false);
        while (window.document().probes().size() < 5)
            window.document().addProbe(60 * static_cast<int>(window.document().probes().size()), 100);
        QTest::qWait(50);
        QCOMPARE(window.sheet().columns(), 4);
        for (int row = 0; row < 3; ++row)
            for (int column = 0; column < 4; ++column) {
                const Cell* cell = window.sheet().cell(row, column);
                QVERIFY2(cell->width() >= 250 && cell->height() >= 190,
                         qPrintable(QStringLiteral("%1 x %2").arg(cell->width()).arg(cell->height())));
                QCOMPARE(cell->visibleRegion().boundingRect(), cell->rect());
            }
    }
    // Not by colour alone: what is on, what is recommended and what differs from it changes the drawing's
    // shape.
    void statesHaveShapes() {
        const auto grey = [](const QWidget& w) {
            return const_cast<QWidget&>(w).grab().toImage().convertToFormat(QImage::Format_Grayscale8);
        };
        const FieldInfo factor = {"f", "", "factor", "×", 0, 3, 1, 2, ""};
        Rule rule(factor, 1);
        rule.resize(220, rule.sizeHint().height());
        const QImage plain = grey(rule);
        rule.setRecommended(1.6);
        QVERIFY(rule.differs());
        const QImage marked = grey(rule);
        QVERIFY(marked != plain);
        rule.setValue(1.6);
        QVERIFY(!rule.differs());
        QVERIFY(grey(rule) != marked);
        QToolButton button;
        button.setText("A");
        button.setCheckable(true);
        const QImage off = grey(button);
        button.setChecked(true);
        QVERIFY(grey(button) != off);
    }
};

QTEST_MAIN(TestAppearance)
#include "appearance.moc"
