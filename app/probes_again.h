// Probes that somebody has placed, found again in the next photo of the series (judge/found_again.h).
#pragma once

#include <QObject>

#include "document.h"

namespace irenic {

class ProbesAgain : public QObject {
    Q_OBJECT

  public:
    ProbesAgain(Document& document, Jobs& jobs, QObject* parent = nullptr);

  private:
    void remember();
    void look();

    Document& document_;
    Jobs& jobs_;
    Job work_;
    PhotoPtr last_; // the photo shown before, and what was placed on it by hand
    std::vector<Probe> placed_;
};

} // namespace irenic
