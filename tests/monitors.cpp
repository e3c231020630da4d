// The profile that the desktop has for a screen: asked of a colour daemon made up for it on a bus of its own.
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusObjectPath>
#include <QDBusVariant>
#include <QDBusVirtualObject>
#include <QProcess>
#include <QScreen>
#include <QSignalSpy>

#include "deliver/profiles.h"
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
};

QTEST_MAIN(TestMonitors)
#include "monitors.moc"
