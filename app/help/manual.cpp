#include "help/manual.h"

#include <QCoreApplication>
#include <QDesktopServices>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QRegularExpression>
#include <QTextBlock>
#include <QTextBrowser>
#include <QTextTable>
#include <QUrl>
#include <QVBoxLayout>
#include <algorithm>
#include <utility>
#include <vector>

#include "language.h"
#include "style/style.h"

// Resources of a static library are found once this was called, from outside of all namespaces.
static void loadManual() { Q_INIT_RESOURCE(manual); }

namespace irenic {

namespace {

constexpr const char* kPages[] = {"first-ten-minutes", "sheet",  "close-up", "checks",     "methods",
                                  "recommend",         "zones",  "look",     "references", "blind-trial",
                                  "sheet-over-photos", "export", "window"};

// What a part of the window is explained on: by the class of its widget.
struct Part {
    const char *widget, *page;
};
constexpr Part kParts[] = {{"ZonePanel", "zones"},          {"CheckPanel", "checks"},
                           {"TakePanel", "methods"},        {"TakeHead", "methods"},
                           {"CloseUp", "close-up"},         {"RecommendButton", "recommend"},
                           {"ReferenceHead", "references"}, {"PhotosSheet", "sheet-over-photos"},
                           {"TrialView", "blind-trial"},    {"LookStrip", "look"},
                           {"CurveEditor", "look"},         {"Drawer", "export"},
                           {"ExportBar", "export"},         {"ExportsList", "export"},
                           {"HistoryList", "window"},       {"PhotoList", "first-ten-minutes"},
                           {"HistogramView", "window"},     {"Overview", "sheet"},
                           {"ViewStrip", "sheet"},          {"Sheet", "sheet"}};

constexpr const char* kBeside = "more-"; // documents beside the manual that it leads to

// Where the pictures lie: as installed, or in the tree that the program was built in. Empty: nowhere.
QString pictures() {
    const QDir programs(QCoreApplication::applicationDirPath());
    for (const char* folder : {"../share/irenic/screenshots", "../../../docs/screenshots"})
        if (programs.exists(QLatin1String(folder)))
            return QDir::cleanPath(programs.filePath(QLatin1String(folder)));
    return {};
}

QString titleOf(const QString& text) {
    return text.section(QLatin1Char('\n'), 0, 0).remove(QStringLiteral("# "));
}

// As wide as there is room for; a picture that is not installed is left out with its line.
class Pages : public QTextBrowser {
  public:
    using QTextBrowser::QTextBrowser;
    QVariant loadResource(int type, const QUrl& name) override {
        if (type != QTextDocument::ImageResource) return {}; // pages are shown by their names
        const QImage picture(pictures() + QLatin1Char('/') + name.fileName());
        const int room = std::max(200, viewport()->width() - 40);
        return picture.width() > room ? picture.scaledToWidth(room, Qt::SmoothTransformation) : picture;
    }
};

// The page that a link on a page leads to; documents beside the manual have a name of their own.
QString pageBehind(const QString& link, const QString& page) {
    const bool beside = page.startsWith(QLatin1String(kBeside));
    const bool inManual =
        beside ? link.startsWith(QLatin1String("manual/")) : !link.startsWith(QLatin1String(".."));
    return (inManual ? QString() : QLatin1String(kBeside)) + QFileInfo(QUrl(link).path()).completeBaseName();
}

// Pages in other languages have a folder each, from which their links lead to the English ones.
QString fromItsFolder(QString text) {
    return text.replace(QLatin1String("](../../"), QLatin1String("](../"))
        .replace(QRegularExpression(QStringLiteral("\\]\\(\\.\\./([a-z-]+\\.md)")), QStringLiteral("](\\1"));
}

// The text as it is shown: what leads nowhere from here is no link.
QString forReading(QString text, const QString& page) {
    static const QRegularExpression comment(QStringLiteral("<!--.*?-->\n?")),
        picture(QStringLiteral("!\\[[^\\]]*\\]\\(([^)]*)\\)\n?"));
    text.remove(comment);
    const QString folder = pictures();
    for (auto each = picture.globalMatch(text); each.hasNext();) {
        const QRegularExpressionMatch m = each.next();
        if (folder.isEmpty() ||
            !QFileInfo::exists(folder + QLatin1Char('/') + QUrl(m.captured(1)).fileName()))
            text.remove(m.captured());
    }
    static const QRegularExpression link(QStringLiteral("(?<!!)\\[([^\\]]*)\\]\\(([^)]*)\\)"));
    for (auto each = link.globalMatch(text); each.hasNext();) {
        const QRegularExpressionMatch m = each.next();
        if (!m.captured(2).contains(QLatin1String("://")) &&
            Manual::textOf(pageBehind(m.captured(2), page)).isEmpty())
            text.replace(m.captured(), m.captured(1));
    }
    return text;
}

// A colour of their own would tint the greys.
void underlineLinks(QTextDocument& page) {
    QTextCharFormat link;
    link.setFontUnderline(true);
    link.setForeground(style::text());
    std::vector<std::pair<int, int>> links; // from, to
    for (QTextBlock block = page.begin(); block.isValid(); block = block.next())
        for (auto at = block.begin(); !at.atEnd(); ++at)
            if (at.fragment().charFormat().isAnchor())
                links.emplace_back(at.fragment().position(),
                                   at.fragment().position() + at.fragment().length());
    for (const auto& [from, to] : links) {
        QTextCursor cursor(&page);
        cursor.setPosition(from);
        cursor.setPosition(to, QTextCursor::KeepAnchor);
        cursor.mergeCharFormat(link);
    }
}

} // namespace

QStringList Manual::pages() {
    QStringList out;
    for (const char* page : kPages) out << QString::fromLatin1(page);
    return out;
}

QString Manual::textOf(const QString& page) {
    loadManual();
    QFile own(QStringLiteral(":/manual/%1/%2.md").arg(language::used(), page));
    if (own.open(QIODevice::ReadOnly)) return fromItsFolder(QString::fromUtf8(own.readAll()));
    QFile file(QStringLiteral(":/manual/%1.md").arg(page));
    return file.open(QIODevice::ReadOnly) ? QString::fromUtf8(file.readAll()) : QString();
}

QString Manual::pageFor(const QWidget* widget) {
    for (const QWidget* w = widget; w; w = w->parentWidget())
        for (const Part& part : kParts)
            if (w->inherits(qPrintable(QStringLiteral("irenic::%1").arg(QLatin1String(part.widget)))))
                return QString::fromLatin1(part.page);
    return QString::fromLatin1(kPages[0]);
}

Manual::Manual(QWidget* window)
    : QDialog(window), search_(new QLineEdit(this)), list_(new QListWidget(this)), text_(new Pages(this)) {
    setObjectName(QStringLiteral("manual"));
    setWindowTitle(tr("Manual"));
    setAttribute(Qt::WA_DeleteOnClose);
    search_->setObjectName(QStringLiteral("manualSearch"));
    search_->setPlaceholderText(tr("Search the manual"));
    search_->setAccessibleName(search_->placeholderText());
    list_->setObjectName(QStringLiteral("manualPages"));
    list_->setAccessibleName(tr("Pages of the manual"));
    text_->setObjectName(QStringLiteral("manualText"));
    text_->setAccessibleName(tr("Page of the manual"));
    text_->setOpenLinks(false);
    text_->setFrameShape(QFrame::NoFrame);
    for (const QString& page : pages()) {
        auto* item = new QListWidgetItem(titleOf(textOf(page)), list_);
        item->setData(Qt::UserRole, page);
    }
    list_->setFixedWidth(list_->sizeHintForColumn(0) + 2 * style::kWideGap);
    auto* left = new QVBoxLayout;
    left->addWidget(search_);
    left->addWidget(list_, 1);
    auto* row = new QHBoxLayout(this);
    row->addLayout(left);
    row->addWidget(text_, 1);
    search_->setFixedWidth(list_->width());
    connect(text_, &QTextBrowser::anchorClicked, this, &Manual::follow);
    connect(search_, &QLineEdit::textChanged, this, &Manual::search);
    connect(list_, &QListWidget::currentItemChanged, this, [this](const QListWidgetItem* item) {
        if (item && item->data(Qt::UserRole).toString() != shown_)
            showPage(item->data(Qt::UserRole).toString());
    });
    resize(920, 680);
}

void Manual::showPage(const QString& page) {
    const QString text = textOf(page);
    if (text.isEmpty()) return;
    shown_ = page;
    for (int i = 0; i < list_->count(); ++i)
        if (list_->item(i)->data(Qt::UserRole).toString() == page) list_->setCurrentRow(i);
    text_->document()->setMarkdown(forReading(text, page), QTextDocument::MarkdownDialectGitHub);
    for (QTextFrame* frame : text_->document()->rootFrame()->childFrames())
        if (auto* table = qobject_cast<QTextTable*>(frame)) {
            QTextTableFormat format = table->format();
            format.setBorderCollapse(true);
            format.setBorder(1), format.setBorderBrush(style::line());
            format.setCellPadding(style::kGap), format.setCellSpacing(0);
            table->setFormat(format);
        }
    underlineLinks(*text_->document());
    text_->moveCursor(QTextCursor::Start);
    if (!search_->text().isEmpty()) text_->find(search_->text());
}

void Manual::follow(const QUrl& link) {
    if (!link.isRelative()) {
        QDesktopServices::openUrl(link);
        return;
    }
    showPage(pageBehind(link.path(), shown_));
}

void Manual::search(const QString& words) {
    int first = -1;
    for (int i = 0; i < list_->count(); ++i) {
        const QString page = list_->item(i)->data(Qt::UserRole).toString();
        const bool has = textOf(page).contains(words, Qt::CaseInsensitive);
        list_->item(i)->setHidden(!has);
        if (has && first < 0) first = i;
    }
    if (first < 0) return;
    if (list_->currentItem() && !list_->currentItem()->isHidden()) return showPage(shown_);
    list_->setCurrentRow(first);
}

} // namespace irenic
