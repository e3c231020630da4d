// What the window remembers from one start to the next: its photos, its panels, its pictures.
#include <QSettings>
#include <memory>

#include "export/export_bar.h"
#include "panels.h"
#include "photos/photo_list.h"
#include "picture_cache.h"
#include "said.h"
#include "session/sidecar.h"
#include "start/start_page.h"
#include "window.h"

namespace irenic {

void Window::keepNothing() {
    keeps_ = false;
    document_.keepNothing();
    renderer_.setCache(nullptr);
    showRecent({});
}

void Window::showRecent(const QStringList& files) {
    recent_ = files;
    start_->setRecent(recent_);
}

// Where the window stands and how it is divided, as Qt writes both, each in base 64.
QString Window::layoutText() const {
    return QString::fromLatin1(saveGeometry().toBase64()) + QLatin1Char(' ') +
           QString::fromLatin1(panels_->arrangement().toBase64());
}

void Window::restoreLayout(const QString& text) {
    const QStringList parts = text.split(QLatin1Char(' '));
    restoreGeometry(QByteArray::fromBase64(parts.value(0).toLatin1()));
    panels_->arrange(QByteArray::fromBase64(parts.value(1).toLatin1()));
}

void Window::restoreSession() {
    std::vector<std::string> messages;
    const SessionState session = loadSession(messages);
    for (const std::string& m : messages) exportBar_->setMessage(QString::fromStdString(m));
    QStringList files;
    for (const std::string& file : session.photos) files << QString::fromStdString(file);
    document_.setView(session.view);
    if (files.isEmpty()) return;
    photos_->open(files);
    photos_->select(QString::fromStdString(session.shown));
}

void Window::keepPictures(bool keep) {
    QSettings().setValue(QStringLiteral("pictures/keep"), keep);
    auto cache = std::make_shared<PictureCache>(PictureCache::usualFolder());
    renderer_.setCache(keep ? cache : nullptr);
    if (keep) return;
    emptying_ = jobs_.submit(
        Lane::Quiet, 0,
        [cache](const Work&) {
            cache->clear();
            return true;
        },
        [](const Outcome<bool>&) {});
}

void Window::noteRecent(const QString& file) {
    if (!keeps_) return;
    recent_.removeAll(file);
    recent_.prepend(file);
    recent_ = recent_.mid(0, SessionState::kMostRecent);
    remembering_.start();
}

void Window::rememberSession() {
    if (!keeps_) return;
    SessionState session;
    for (const QString& file : photos_->paths()) session.photos.push_back(file.toStdString());
    session.shown = photos_->shown().toStdString();
    session.view = document_.view();
    session.layout = layoutText().toStdString();
    for (const QString& file : recent_) session.recent.push_back(file.toStdString());
    remembered_ = jobs_.submit(
        Lane::Saving, 1,
        [session](const Work&) {
            saveSession(session);
            return true;
        },
        [this](const Outcome<bool>& made) {
            if (!made.value)
                exportBar_->setMessage(
                    tr("The list of open photos could not be saved: %1").arg(said(made.problem)));
            if (closing_) close();
        });
}

} // namespace irenic
