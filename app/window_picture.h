// How the window starts when the command line asks for more than photos: what is open in it, and pictures of
// it for the documents.
#pragma once

#include <QCommandLineOption>
#include <QTemporaryDir>
#include <QTimer>
#include <vector>

class QCommandLineParser;

namespace irenic {

class Window;

class WindowPicture {
  public:
    // Adds its options to the parser, which outlives it.
    explicit WindowPicture(QCommandLineParser& parser);
    std::vector<QCommandLineOption> options() const;
    // Whether a picture is wanted: it begins with nothing kept, and leaves nothing.
    bool wanted() const;
    // In this order: before there is a window; before it has photos (false: an option cannot be used, and why
    // was said); and as it is shown. A picture is written once all is rendered, and ends the program.
    void begin();
    bool prepare(Window& window);
    void show(Window& window);

  private:
    bool has(const QCommandLineOption& option) const;
    bool ready(Window& window);
    bool trialReady(Window& window);
    bool severalReady(Window& window);
    void write(Window& window);

    QCommandLineParser& parser_;
    QCommandLineOption picture_, push_, zoom_, photo_, recommend_, look_, curve_, history_, strengths_,
        closeUp_, reference_, probe_, queue_, recent_, zone_, checks_, trial_, several_, greys_, size_;
    QTemporaryDir nowhere_; // for its settings
    QTimer waiting_;
};

} // namespace irenic
