// Has a report made and written, and says how far it is.
#pragma once

#include <QObject>
#include <QTimer>

#include "document.h"

namespace irenic {

class ReportWriter : public QObject {
    Q_OBJECT

  public:
    ReportWriter(Document& document, Jobs& jobs, QObject* parent = nullptr);
    // Of the photo shown: the PDF under this name, the JSON beside it. What another report has been begun for
    // is given up.
    void write(const QString& pdf);
    void stop();
    bool running() const { return job_.active(); }

  signals:
    void message(const QString& text);

  private:
    Document& document_;
    Jobs& jobs_;
    Job job_;
    QTimer telling_;
};

} // namespace irenic
