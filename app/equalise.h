// Equal noise: the other takes' strengths are measured so that they leave as much noise as one of them.
#pragma once

#include <QObject>

#include "document.h"
#include "judge/equal_noise.h"

namespace irenic {

class Equalise : public QObject {
    Q_OBJECT

  public:
    Equalise(Document& document, Jobs& jobs, QObject* parent = nullptr)
        : QObject(parent), document_(document), jobs_(jobs) {}
    // After take `take` (its index) of the photo shown. What comes of it goes to that photo, whichever is
    // shown by then.
    void after(int take, NoiseKind kind);

  signals:
    void message(const QString& text);

  private:
    Document& document_;
    Jobs& jobs_;
    Job work_;
};

} // namespace irenic
