// What was exported of the photo shown: which take, when, how large, whether it still is what its settings
// say, and what can be done with each file.
#pragma once

#include <QTreeWidget>
#include <map>
#include <string>

#include "base/jobs.h"
#include "document.h"

class QAction;

namespace irenic {

class ExportsList : public QTreeWidget {
    Q_OBJECT

  public:
    enum Column { Name, TakeLetter, When, Size, Standing };

    ExportsList(Document& document, Jobs& jobs, QWidget* parent = nullptr);
    // Gives the marked file another name in its folder; one that is there is never replaced.
    void rename(const QString& name);
    // Puts the marked file into the desktop's trash, and takes it off the list.
    void discard();
    void setMark(int mark); // 0..3, of the marked file
    bool looking() const { return looking_.active() || changing_.active(); }

  signals:
    void message(const QString& text);

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    void refresh();
    void look(); // how large the files are, off the interface thread
    void tellOlder();
    void makeActions();
    void offer();
    const ExportMade* marked() const; // null: none
    // Does something with the marked file off the interface thread; then the record becomes what `then` says.
    void change(const std::function<QString(const QString& file)>& act,
                const std::function<void(std::vector<ExportMade>&, std::size_t)>& then);

    Document& document_;
    Jobs& jobs_;
    Job looking_, changing_;
    std::map<std::string, qint64> sizes_; // of files; -1: missing
    QList<QAction*> ofFile_;              // what needs a file that is there
};

} // namespace irenic
