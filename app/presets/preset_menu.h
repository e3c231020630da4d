// Takes and looks under names: used, kept, passed on and received as files.
#pragma once

#include <QMenu>

#include "document.h"

namespace irenic {

class PresetMenu : public QMenu {
    Q_OBJECT

  public:
    explicit PresetMenu(Document& document, QWidget* parent = nullptr);
    // Ask for a name, and keep the take or the look of the photo shown.
    void keepTake(int take);
    void keepLook();
    // A preset's file, or a sidecar, from anywhere becomes a preset here, named after the file.
    void importFrom(const QString& file);
    // A preset here goes into a file, which is not replaced.
    void exportTo(const QString& name, const QString& file);

  signals:
    void message(const QString& text);

  private:
    void fill();
    void keep(const QString& proposed, const Preset& preset);
    void use(const QString& name);

    Document& document_;
};

} // namespace irenic
