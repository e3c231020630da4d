// What was done, step by step: a click goes there. The present step is marked, what was undone stands greyed.
#pragma once

#include <QListWidget>

#include "document.h"

namespace irenic {

class HistoryList : public QListWidget {
    Q_OBJECT

  public:
    explicit HistoryList(Document& document, QWidget* parent = nullptr);

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    void refresh();

    Document& document_;
};

} // namespace irenic
