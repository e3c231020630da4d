// What a screen shows: the profile that the desktop has for it, asked of a colour daemon made up for it on a
// bus of its own; and ten bits where it has them.
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusObjectPath>
#include <QDBusVariant>
#include <QDBusVirtualObject>
#include <QProcess>
#include <QScreen>
#include <QSignalSpy>
#include <xcb/xcb.h>

#include <cstdlib>
#include <memory>
#include <set>

#include "deliver/profiles.h"
#include "picture_cache.h"
#include "renderer.h"
#include "style/monitor.h"
#include "style/screen_profile.h"
#include "window_support.h"

using namespace irenic;

namespace {

const QString kService = QStringLiteral("org.freedesktop.ColorManager");

// Answers what colord would: one device, which has the profile that is set here.
class Daemon : public QDBusVirtualObject {
  public:
    QString screen, file;
    QString introspect(const QString&) const override { return {}; }
    bool handleMessage(const QDBusMessage& message, const QDBusConnection& bus) override {
        const QList<QVariant> asked = message.arguments();
        if (message.member() == QLatin1String("FindDeviceByProperty"))
            return bus.send(asked[1].toString() == screen &&
                                    asked[0].toString() == QLatin1String("XRANDR_name")
                                ? message.createReply(QVariant::fromValue(QDBusObjectPath("/device")))
                                : message.createErrorReply("org.freedesktop.ColorManager.NotFound", "none"));
        if (message.member() != QLatin1String("Get")) return false;
        QVariant value;
        if (asked[1].toString() == QLatin1String("Profiles")) {
            QList<QDBusObjectPath> profiles;
            if (!file.isEmpty()) profiles << QDBusObjectPath("/profile");
            value = QVariant::fromValue(profiles);
        } else {
            value = file;
        }
        return bus.send(message.createReply(QVariant::fromValue(QDBusVariant(value))));
    }
};

// The greys on a screen that are none of those that eight bits have.
std::size_t finerGreys(const QByteArray& display) {
    xcb_connection_t* screen = xcb_connect(display.constData(), nullptr);
    const xcb_screen_t* root = xcb_setup_roots_iterator(xcb_get_setup(screen)).data;
    std::unique_ptr<xcb_get_image_reply_t, decltype(&std::free)> image(
        xcb_get_image_reply(screen,
                            xcb_get_image(screen, XCB_IMAGE_FORMAT_Z_PIXMAP, root->root, 0, 0,
                                          root->width_in_pixels, root->height_in_pixels, ~0u),
                            nullptr),
        &std::free);
    std::set<std::uint32_t> greys;
    if (image) {
        const auto* pixel = reinterpret_cast<const std::uint32_t*>(xcb_get_image_data(image.get()));
        for (int i = 0; i < xcb_get_image_data_length(image.get()) / 4; ++i) {
            const std::uint32_t v = pixel[i] & 1023u;
            const bool grey = (pixel[i] >> 10u & 1023u) == v && (pixel[i] >> 20u & 1023u) == v;
            if (grey && v != ((v >> 2u) << 2u | v >> 8u)) greys.insert(v);
        }
    }
    xcb_disconnect(screen);
    return greys.size();
}

} // namespace

class TestMonitors : public test::WindowTest {
    Q_OBJECT
    QProcess bus_;
    Daemon daemon_;
    std::unique_ptr<QDBusConnection> daemons_;

    QString profile(const char* name, OutputSpace space) {
        QFile file(folder_.filePath(QLatin1String(name)));
        const auto bytes = iccProfile(space);
        if (!file.open(QIODevice::WriteOnly)) qFatal("no profile");
        file.write(reinterpret_cast<const char*>(bytes.data()), static_cast<qint64>(bytes.size()));
        return file.fileName();
    }
    // The daemon has another profile for the screen, and says so.
    void give(const QString& file) {
        daemon_.file = file;
        daemons_->send(
            QDBusMessage::createSignal("/device", kService + QStringLiteral(".Device"), "Changed"));
    }

  public:
    TestMonitors() {
        // Qt has not asked for the system's bus yet.
        bus_.start("dbus-daemon", {"--session", "--nofork", "--print-address"});
        if (!bus_.waitForReadyRead(20000)) qFatal("dbus-daemon is missing");
        const QByteArray address = bus_.readLine().trimmed();
        qputenv("DBUS_SYSTEM_BUS_ADDRESS", address);
        daemons_ = std::make_unique<QDBusConnection>(
            QDBusConnection::connectToBus(QString::fromUtf8(address), "daemon"));
        daemon_.screen = QGuiApplication::primaryScreen()->name();
        if (!daemons_->registerVirtualObject("/", &daemon_, QDBusConnection::SubPath) ||
            !daemons_->registerService(kService))
            qFatal("no bus");
    }
    ~TestMonitors() override {
        daemons_.reset();
        bus_.kill();
        bus_.waitForFinished();
    }

  private slots:
    void aScreenThatIsNotKnownHasNone() {
        daemon_.file = profile("wide.icc", OutputSpace::AdobeRgbCompatible);
        ScreenProfile other("nowhere-7");
        const QSignalSpy found(&other, &ScreenProfile::found);
        QTest::qWait(200);
        QVERIFY(found.isEmpty());
    }
    void theDesktopsProfileIsUsedAndFollowed() {
        QVERIFY(settle());
        Monitor& monitor = Monitor::of(window_.get());
        give(profile("wide.icc", OutputSpace::AdobeRgbCompatible));
        QTRY_VERIFY(monitor.name() != QStringLiteral("sRGB"));
        const QString first = monitor.name();
        QImage red(8, 8, QImage::Format_RGB32);
        red.fill(qRgb(220, 40, 30));
        QVERIFY(std::abs(qRed(monitor.shown(red).pixel(3, 3)) - 188) <= 2);
        // Another one, while the window is open: what is shown changes with it.
        const QSignalSpy changed(&monitor, &Monitor::changed);
        give(profile("wider.icc", OutputSpace::ProPhotoCompatible));
        QTRY_VERIFY(monitor.name() != first);
        QVERIFY(!changed.isEmpty());
        QVERIFY(settle());
    }
    void whatThePersonChoseComesFirst() {
        Monitor& monitor = Monitor::of(window_.get());
        QVERIFY(monitor.use(profile("own.icc", OutputSpace::LinearRec2020)).isEmpty());
        const QString own = monitor.name();
        give(profile("wide.icc", OutputSpace::AdobeRgbCompatible));
        QTest::qWait(300);
        QCOMPARE(monitor.name(), own);
        // Back at the system's it is the desktop's last one.
        QVERIFY(monitor.use({}).isEmpty());
        QVERIFY(monitor.name() != own && monitor.name() != QStringLiteral("sRGB"));
    }
    void aFileThatIsNoProfileChangesNothing() {
        Monitor& monitor = Monitor::of(window_.get());
        const QString before = monitor.name();
        give(one_);
        QTest::qWait(300);
        QCOMPARE(monitor.name(), before);
    }
    void theMenuSaysWhichOneIsUsed() {
        QMenu* view = nullptr;
        for (QMenu* menu : window_->findChildren<QMenu*>())
            if (menu->title() == QStringLiteral("&View")) view = menu;
        QVERIFY(view);
        emit view->aboutToShow();
        const auto actions = view->actions();
        QVERIFY(std::any_of(actions.begin(), actions.end(), [&](const QAction* a) {
            return a->text().contains(Monitor::of(window_.get()).name());
        }));
    }
    // A ramp so gentle that eight bits give it a quarter of the steps: in pictures, through a profile, in the
    // cache.
    void tenBitsAreKept() {
        constexpr int kSteps = 400, kFirst = 20000, kStep = 64; // 64 of 65535: one of 1023
        Picture ramp(kSteps, 1);
        for (int x = 0; x < kSteps; ++x)
            for (int c = 0; c < 3; ++c) ramp.rgb[std::size_t(3 * x + c)] = std::uint16_t(kFirst + kStep * x);
        const auto steps = [](const QImage& image) {
            std::set<QRgb> found;
            for (int x = 0; x < image.width(); ++x)
                found.insert(reinterpret_cast<const QRgb*>(image.constScanLine(0))[x]);
            return int(found.size());
        };
        QVERIFY(steps(imageOf(ramp)) <= kSteps / 4 + 1);
        tenBits(true);
        const QImage fine = imageOf(ramp);
        PictureCache cache(folder_.filePath("cache").toStdString(), 1 << 20);
        cache.keep("0123", fine);
        const QImage kept = cache.find("0123");
        const QString own = profile("own.icc", OutputSpace::AdobeRgbCompatible);
        Monitor& monitor = Monitor::of(window_.get());
        QVERIFY(monitor.use(own).isEmpty());
        const QImage shown = monitor.shown(fine);
        QVERIFY(monitor.use({}).isEmpty());
        tenBits(false);
        QCOMPARE(steps(fine), kSteps);
        QVERIFY(std::abs(qRed(fine.pixel(7, 0)) - inEightBits(ramp.rgb[21])) <= 1);
        QVERIFY(kept == fine);
        QVERIFY2(steps(shown) > kSteps * 9 / 10, qPrintable(QString::number(steps(shown))));
    }
    // The program itself, on a screen of ten bits.
    void aScreenOfTenBitsShowsThem() {
        const QString photo = folder_.filePath("ramp.png");
        QImage ramp(1200, 900, QImage::Format_RGBX64);
        const auto v = [](int x) { return static_cast<quint16>(12000 + 30 * x); };
        for (int y = 0; y < ramp.height(); ++y)
            for (int x = 0; x < ramp.width(); ++x)
                ramp.setPixelColor(x, y, QColor::fromRgba64(v(x), v(x), v(x)));
        QVERIFY(ramp.save(photo));
        QProcess screen, program;
        screen.start("Xvfb", {"-displayfd", "1", "-nolisten", "tcp", "-screen", "0", "1000x700x30"});
        QVERIFY(screen.waitForReadyRead(20000));
        const QByteArray display = ":" + screen.readLine().trimmed();
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("QT_QPA_PLATFORM", "xcb");
        environment.insert("DISPLAY", QString::fromLatin1(display));
        environment.insert("HOME", folder_.filePath("home"));
        environment.remove("WAYLAND_DISPLAY");
        program.setProcessEnvironment(environment);
        program.start(qEnvironmentVariable("IRENIC_APP"), {"--new-window", photo});
        QVERIFY(program.waitForStarted());
        constexpr std::size_t kMany = 40; // a cell of 200 pixels alone has some 70
        std::size_t seen = 0;
        const bool shown = QTest::qWaitFor([&] { return (seen = finerGreys(display)) > kMany; }, 60000);
        QVERIFY2(shown, qPrintable(QStringLiteral("%1 greys; running: %2; ").arg(seen).arg(program.state()) +
                                   QString::fromUtf8(program.readAllStandardError())));
        program.kill();
        program.waitForFinished();
        screen.terminate();
        screen.waitForFinished();
    }
};

QTEST_MAIN(TestMonitors)
#include "monitors.moc"
