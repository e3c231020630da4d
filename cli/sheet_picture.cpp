#include "sheet_picture.h"

#include <QImage>
#include <QPainter>
#include <algorithm>

#include "own_picture.h"
#include "session/take.h"

namespace irenic {

void writeSheetPicture(const std::filesystem::path& to, bool overwrite, const Photo& photo,
                       const std::vector<Settings>& takes, const std::vector<Rect>& probes, const Look& look,
                       const View& view, const Work& work) {
    constexpr int gap = 6, head = 40;
    OwnPicture file(to, overwrite, photo);
    std::vector<Settings> columns{Settings::original()};
    columns.insert(columns.end(), takes.begin(), takes.end());
    std::vector<std::vector<QImage>> rows;
    int width = gap, height = head;
    for (const Rect& probe : probes) {
        rows.emplace_back();
        int across = gap;
        for (const Settings& s : columns) {
            const Picture p = render(recipeOf(photo, s, look), probe, view, work);
            const std::vector<std::uint8_t> bytes = inEightBits(p);
            rows.back().push_back(
                QImage(bytes.data(), p.width, p.height, p.width * 3, QImage::Format_RGB888).copy());
            across += p.width + gap;
        }
        width = std::max(width, across);
        height += rows.back().front().height() + gap;
    }
    QImage sheet(width, height, QImage::Format_RGB888);
    sheet.fill(QColor(119, 119, 119));
    QPainter painter(&sheet);
    painter.setPen(QColor(20, 20, 20));
    QFont font = painter.font();
    font.setPixelSize(12);
    painter.setFont(font);
    int y = head;
    for (std::size_t r = 0; r < rows.size(); ++r) {
        int x = gap;
        for (std::size_t c = 0; c < rows[r].size(); ++c) {
            painter.drawImage(x, y, rows[r][c]);
            if (r == 0) {
                const QString title =
                    c == 0 ? QStringLiteral("Original")
                           : QStringLiteral("%1  %2").arg(QChar(char16_t(u'A' + c - 1)),
                                                          QString::fromStdString(columns[c].method));
                painter.drawText(x, 16, title);
                // Behind the method what is not as usual, as far as there is room.
                const QString settings = QString::fromStdString(shownTake(columns[c])).section(", ", 1);
                if (c > 0)
                    painter.drawText(x, 32,
                                     painter.fontMetrics().elidedText(
                                         settings.isEmpty() ? QStringLiteral("as usual") : settings,
                                         Qt::ElideRight, rows[r][c].width()));
            }
            x += rows[r][c].width() + gap;
        }
        y += rows[r].front().height() + gap;
    }
    painter.end();
    file.write(sheet, "Sheet");
}

} // namespace irenic
