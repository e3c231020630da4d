#include "export/queue_model.h"

#include <QFileInfo>
#include <algorithm>
#include <chrono>
#include <map>

#include "base/text.h"
#include "judge/checks.h"
#include "said.h"
#include "style/icon.h"
#include "style/style.h"

namespace irenic {

QueueModel::QueueModel(Jobs& jobs, QObject* parent) : QAbstractTableModel(parent), work_(jobs) {}

void QueueModel::setQueue(const JobQueue* queue) {
    queue_ = queue, version_ = -1, first_ = true, paused_ = false;
    beginResetModel();
    jobs_.clear();
    endResetModel();
}

void QueueModel::lookForFiles() {
    std::vector<std::pair<std::int64_t, std::string>> made;
    for (const QueuedJob& j : jobs_)
        if (j.state == JobState::Done) made.emplace_back(j.id, j.target);
    if (made.empty()) return;
    looking_ = work_.submit(
        Lane::Quiet, 1,
        [made = std::move(made)](const Work& work) {
            std::set<std::int64_t> missing;
            for (const auto& [id, file] : made) {
                work.check();
                std::error_code none;
                if (!std::filesystem::exists(file, none)) missing.insert(id);
            }
            return missing;
        },
        [this](const Outcome<std::set<std::int64_t>>& found) {
            if (!found.value || *found.value == missing_) return;
            missing_ = *found.value;
            if (!jobs_.empty()) emit dataChanged(index(0, 0), index(rowCount() - 1, Columns - 1));
        });
}

void QueueModel::setWorstFirst(bool on) {
    worstFirst_ = on;
    version_ = -1;
    refresh();
}

bool QueueModel::refresh() {
    if (!queue_) return false;
    const std::int64_t version = queue_->version();
    if (version == version_) return false;
    // Only what was read whole is known: a queue that another program holds is asked again.
    std::vector<QueuedJob> now = queue_->list();
    paused_ = queue_->paused();
    version_ = version;
    if (worstFirst_)
        std::stable_sort(now.begin(), now.end(),
                         [](const QueuedJob& a, const QueuedJob& b) { return a.severity > b.severity; });
    std::map<std::int64_t, JobState> before;
    for (const QueuedJob& j : jobs_) before[j.id] = j.state;
    const bool sameRows = std::equal(now.begin(), now.end(), jobs_.begin(), jobs_.end(),
                                     [](const QueuedJob& a, const QueuedJob& b) { return a.id == b.id; });
    if (sameRows) {
        jobs_ = std::move(now);
        if (!jobs_.empty()) emit dataChanged(index(0, 0), index(rowCount() - 1, Columns - 1));
    } else {
        beginResetModel();
        jobs_ = std::move(now);
        endResetModel();
    }
    if (first_) lookForFiles();
    for (const QueuedJob& j : jobs_) {
        const auto was = before.find(j.id);
        if (!first_ && j.state == JobState::Done && (was == before.end() || was->second != JobState::Done))
            emit jobDone(j);
    }
    first_ = false;
    return true;
}

int QueueModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(jobs_.size());
}
int QueueModel::columnCount(const QModelIndex& parent) const { return parent.isValid() ? 0 : Columns; }

QVariant QueueModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (role != Qt::DisplayRole || orientation != Qt::Horizontal) return {};
    const QString names[] = {tr("State"), tr("Photo"), tr("File"), tr("Check"), tr("Details")};
    return names[section];
}

QVariant QueueModel::data(const QModelIndex& at, int role) const {
    if (!at.isValid()) return {};
    const QueuedJob& j = jobs_[static_cast<std::size_t>(at.row())];
    const QString photo = QString::fromStdString(shownPath(j.request.photo)),
                  target = QString::fromStdString(shownPath(j.target));
    if (role == Qt::ToolTipRole) {
        if (at.column() == Photo) return photo;
        if (at.column() == File && !target.isEmpty()) return target;
        if (at.column() == Check) return said(j.found);
        return said(j.reason);
    }
    if (role == Qt::ForegroundRole && (j.state == JobState::Done || j.state == JobState::Cancelled))
        return style::text();
    if (role == Qt::DecorationRole && at.column() == State) {
        constexpr style::Icon kIcons[] = {style::Icon::Waits, style::Icon::Runs, style::Icon::Done,
                                          style::Icon::Failed, style::Icon::Cancelled};
        return style::icon(kIcons[static_cast<int>(j.state)]);
    }
    if (role != Qt::DisplayRole) return {};
    switch (at.column()) {
    case State: {
        const QString words[] = {tr("Waiting"), tr("Exporting"), tr("Done"), tr("Failed"), tr("Cancelled")};
        return words[static_cast<int>(j.state)];
    }
    case Photo: return QFileInfo(photo).fileName();
    case File: {
        const QString name =
            target.isEmpty() ? tr("as %1").arg(QString::fromUtf8(
                                   fieldsOf<Delivery>()[0]
                                       .shownChoices[static_cast<std::size_t>(j.request.delivery.format)]))
                             : QFileInfo(target).fileName();
        return j.state == JobState::Done && missing_.count(j.id) ? tr("%1 (missing)").arg(name) : name;
    }
    case Check: {
        const QString words[] = {tr("Good"), tr("Look"), tr("Bad")};
        return j.severity < 0 ? QString() : words[static_cast<int>(gradeOf(j.severity))];
    }
    default: break;
    }
    if (j.state == JobState::Running) {
        QString text = tr("%1 %").arg(static_cast<int>(100 * j.progress));
        return j.tries > 1 ? tr("%1, second try").arg(text) : text;
    }
    if (j.state == JobState::Done) {
        QStringList parts;
        if (gradeOf(j.severity) != Grade::Good) parts << said(j.found);
        if (!j.reason.empty() && j.reason != kMadeBefore) parts << said(j.reason);
        parts << tr("%1 s").arg(numberOf(j.seconds, 1));
        return parts.join(QLatin1Char(' '));
    }
    if (j.state == JobState::Failed) return said(j.reason);
    if (j.state == JobState::Waiting && !j.reason.empty()) return tr("Will retry: %1").arg(said(j.reason));
    return {};
}

} // namespace irenic
