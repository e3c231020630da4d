// The references of the photo shown, read and laid in place off the interface thread.
#pragma once

#include <QObject>
#include <map>

#include "base/jobs.h"
#include "document.h"
#include "judge/shown.h"
#include "sheet/column.h"

namespace irenic {

class ReferenceShelf : public QObject {
    Q_OBJECT

  public:
    ReferenceShelf(Document& document, Jobs& jobs, QObject* parent = nullptr);

    // Null while it is not there (yet); then text() says why.
    ReferencePtr find(std::uint32_t reference) const;
    // What a column's cells show of the photo that is open; none: a reference that is not there (yet).
    std::optional<Shown> shownIn(const Column& column) const;
    // What was done to it, what is being done, or why there is none.
    QString text(std::uint32_t reference) const;
    bool failed(std::uint32_t reference) const;
    void retry(std::uint32_t reference);

  signals:
    void changed();

  private:
    struct Entry {
        std::string file;
        Look look; // it was asked for under this one
        ReferencePtr plain, matched, cleaned;
        ReferencePtr from; // what `cleaned` was made of, and by which settings
        std::string by;
        Job opening, matching;
        QString problem;
    };
    // Asks for what the photo's state and look want and is not there.
    void refresh();
    void open(Entry& entry, std::uint32_t id);
    void match(Entry& entry, std::uint32_t id);
    static void clean(Entry& entry, const ReferenceFile& file);

    Document& document_;
    Jobs& jobs_;
    std::string photo_; // whose they are
    std::map<std::uint32_t, Entry> entries_;
};

} // namespace irenic
