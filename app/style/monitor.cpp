#include "style/monitor.h"

#include <lcms2.h>
#include <xcb/xcb.h>

#include <QFileInfo>
#include <QGuiApplication>
#include <QScreen>
#include <QSettings>
#include <QWidget>
#include <cstdlib>
#include <map>
#include <memory>

#include "base/given_file.h"
#include "renderer.h"
#include "style/screen_profile.h"

namespace irenic {

namespace {

// Empty where there is no such file, or none that a profile could be.
QByteArray bytesOf(const QString& file) {
    constexpr std::uint64_t kMostProfile = 8 << 20;
    try {
        return QByteArray::fromStdString(textOfFile(file.toStdString(), kMostProfile).value_or(""));
    } catch (const FileError&) {
        return {};
    }
}

} // namespace

Monitor& Monitor::of(const QWidget* widget) {
    // Never destroyed: the application and its bus are gone before what is static.
    static auto& all = *new std::map<QString, std::unique_ptr<Monitor>>;
    const QScreen* screen = widget ? widget->screen() : QGuiApplication::primaryScreen();
    const QString name = screen ? screen->name() : QString();
    std::unique_ptr<Monitor>& own = all[name];
    if (!own) own.reset(new Monitor(name));
    return *own;
}

Monitor::Monitor(const QString& screen) : screen_(screen), desktop_(new ScreenProfile(screen, this)) {
    // One profile for all screens is how it was kept before.
    const QString file =
        QSettings().value(key(), QSettings().value(QStringLiteral("monitor/profile"))).toString();
    if (file.isEmpty() || !take(bytesOf(file))) takeSystems();
    connect(desktop_, &ScreenProfile::found, this, [this](const QString& found) {
        desktops_ = found;
        if (QSettings().contains(key()) || QSettings().contains(QStringLiteral("monitor/profile"))) return;
        if (take(bytesOf(desktops_))) emit changed();
    });
}

QString Monitor::key() const {
    QString name = screen_;
    return QStringLiteral("monitor/profiles/") + name.replace(QLatin1Char('/'), QLatin1Char('_'));
}

Monitor::~Monitor() {
    if (transform_) cmsDeleteTransform(transform_);
}

bool Monitor::take(const QByteArray& bytes) {
    cmsHPROFILE screen = cmsOpenProfileFromMem(bytes.constData(), static_cast<cmsUInt32Number>(bytes.size()));
    if (!screen) return false;
    cmsHTRANSFORM made = nullptr;
    const bool ten = imageFormat() == QImage::Format_RGB30;
    if (cmsGetColorSpace(screen) == cmsSigRgbData) {
        cmsHPROFILE srgb = cmsCreate_sRGBProfile();
        // Qt's 32-bit pixels are blue, green, red and one more byte in memory; ten bits go through sixteen.
        const cmsUInt32Number pixels = ten ? TYPE_RGBA_16 : TYPE_BGRA_8;
        made = cmsCreateTransform(srgb, pixels, screen, pixels, INTENT_RELATIVE_COLORIMETRIC,
                                  cmsFLAGS_BLACKPOINTCOMPENSATION | cmsFLAGS_COPY_ALPHA);
        cmsCloseProfile(srgb);
    }
    if (made) {
        if (transform_) cmsDeleteTransform(transform_);
        transform_ = made, worked_ = ten ? QImage::Format_RGBX64 : QImage::Format_RGB32;
        char text[256] = "";
        cmsGetProfileInfoASCII(screen, cmsInfoDescription, "en", "US", text, sizeof text);
        name_ = QString::fromUtf8(text);
    }
    cmsCloseProfile(screen);
    return made != nullptr;
}

void Monitor::takeSystems() {
    if (transform_) cmsDeleteTransform(transform_);
    transform_ = nullptr;
    name_ = QStringLiteral("sRGB");
    if (!desktops_.isEmpty() && take(bytesOf(desktops_))) return;
    const auto* x11 = qGuiApp ? qGuiApp->nativeInterface<QNativeInterface::QX11Application>() : nullptr;
    xcb_connection_t* connection = x11 ? x11->connection() : nullptr;
    if (!connection) return;
    using Atom = std::unique_ptr<xcb_intern_atom_reply_t, decltype(&std::free)>;
    const Atom atom(
        xcb_intern_atom_reply(connection, xcb_intern_atom(connection, 1, 12, "_ICC_PROFILE"), nullptr),
        &std::free);
    if (!atom || atom->atom == XCB_ATOM_NONE) return;
    const xcb_window_t root = xcb_setup_roots_iterator(xcb_get_setup(connection)).data->root;
    using Property = std::unique_ptr<xcb_get_property_reply_t, decltype(&std::free)>;
    const Property property(xcb_get_property_reply(connection,
                                                   xcb_get_property(connection, 0, root, atom->atom,
                                                                    XCB_ATOM_CARDINAL, 0, 1u << 20u),
                                                   nullptr),
                            &std::free);
    if (property && xcb_get_property_value_length(property.get()) > 0)
        take(QByteArray(static_cast<const char*>(xcb_get_property_value(property.get())),
                        xcb_get_property_value_length(property.get())));
}

QImage Monitor::shown(const QImage& srgb) const {
    if (!transform_ || srgb.isNull()) return srgb;
    const QImage from = srgb.convertToFormat(worked_);
    QImage out(from.size(), from.format());
    cmsDoTransformLineStride(
        transform_, from.constBits(), out.bits(), static_cast<cmsUInt32Number>(from.width()),
        static_cast<cmsUInt32Number>(from.height()), static_cast<cmsUInt32Number>(from.bytesPerLine()),
        static_cast<cmsUInt32Number>(out.bytesPerLine()), 0, 0);
    return out.convertToFormat(srgb.format());
}

QString Monitor::use(const QString& file) {
    if (file.isEmpty()) {
        QSettings().remove(QStringLiteral("monitor/profile"));
        QSettings().remove(key());
        takeSystems();
        emit changed();
        return {};
    }
    if (!take(bytesOf(file)))
        return QCoreApplication::translate("Monitor", "%1: this is not the profile of a monitor. Choose "
                                                      "another file, or cancel to use the system's.")
            .arg(QFileInfo(file).fileName());
    QSettings().setValue(key(), file);
    emit changed();
    return {};
}

} // namespace irenic
