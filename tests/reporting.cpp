// A photo's report: what it says is what was measured, as pages and as JSON, and it can be stopped.
#include <QFile>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>

#include "denoise/noise_left.h"
#include "export/export_bar.h"
#include "judge/take_checks.h"
#include "report/report.h"
#include "slow_write.h"
#include "window_support.h"

using namespace irenic;

class TestReporting : public test::WindowTest {
    Q_OBJECT

    QByteArray read(const QString& name) {
        QFile file(folder_.filePath(name));
        return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    }
    bool written() {
        return QTest::qWaitFor([this] { return !window_->report().running(); }, 120000);
    }
    // Two takes are enough here.
    void fewTakes() {
        while (window_->document().takes().size() > 2) window_->document().removeTake(2);
    }

  private slots:
    void saysWhatWasMeasured() {
        QVERIFY(settle());
        fewTakes();
        window_->document().choose(1);
        TrialRecord trial;
        trial.when = "2026-01-15 22:10:00", trial.pictures = {"A one", "B two"};
        trial.answers = {{0, 1, Preferred::Second}, {1, 0, Preferred::First}};
        window_->document().noteTrial(trial);
        window_->writeReport(folder_.filePath("one-report.pdf"));
        QVERIFY(written());
        QVERIFY2(window_->exportBar().message().contains("Written: "),
                 qPrintable(window_->exportBar().message()));
        const QByteArray pdf = read("one-report.pdf");
        QVERIFY(pdf.startsWith("%PDF-") && pdf.trimmed().endsWith("%%EOF") && pdf.size() > 20000);
        const QJsonObject report = QJsonDocument::fromJson(read("one-report.json")).object();
        QCOMPARE(report["photo"].toString(), QStringLiteral("one.dng"));
        const QJsonArray takes = report["takes"].toArray();
        QCOMPARE(takes.size(), 2);
        QVERIFY(!takes[0].toObject()["chosen"].toBool() && takes[1].toObject()["chosen"].toBool());
        const Settings own = window_->document().takes()[1].settings;
        QCOMPARE(takes[1].toObject()["settings"].toString(), QString::fromStdString(textOf(own)));
        const Photo& photo = *window_->document().photo();
        QCOMPARE(takes[1].toObject()["noiseLeftOnGrey"].toDouble(), noiseLeftOnGrey(photo, own).luminance);
        const auto right = checksOf(photo, own);
        const QJsonArray findings = takes[1].toObject()["findings"].toArray();
        QCOMPARE(findings.size(), static_cast<qsizetype>(right.size()));
        for (std::size_t i = 0; i < right.size(); ++i) {
            const QJsonObject f = findings[static_cast<qsizetype>(i)].toObject();
            QCOMPARE(f["check"].toString(), QString::fromStdString(right[i].check));
            QCOMPARE(f["value"].toDouble(-1), right[i].value.value_or(-1));
        }
        QCOMPARE(report["trial"].toObject()["order"].toArray()[0].toObject()["picture"].toString(),
                 QStringLiteral("B two"));
    }
    void pagesFollowTheContent() {
        QVERIFY(settle());
        fewTakes();
        const ReportWish wish{window_->document().photo(), window_->document().state(), {}, "Irenic"};
        Report report{wish, "2026-01-15 22:10:00", {}, {}};
        const auto pagesOf = [&] { return pdfOf(report).count("/Type /Page\n"); };
        report.originals.assign(1, QImage(300, 200, QImage::Format_RGB888));
        for (const Take& t : wish.state.takes)
            report.takes.push_back({t, false, 0.1, {}, {}, std::vector<QImage>(report.originals)});
        QCOMPARE(pagesOf(), 1);
        // Findings beyond the foot of a page go on on the next.
        report.takes[0].findings.assign(
            80, Finding{"detail lost", 0.5, "of places with detail", Grade::Bad, "Detail is lost.", {}});
        QVERIFY(pagesOf() >= 2);
    }
    void canBeStopped() {
        QVERIFY(settle());
        window_->writeReport(folder_.filePath("stopped.pdf"));
        QVERIFY(window_->report().running());
        window_->report().stop();
        QVERIFY(!window_->report().running());
        QTest::qWait(400);
        QVERIFY(read("stopped.pdf").isEmpty() && read("stopped.json").isEmpty());
    }
    void aFolderThatIsMissingIsSaid() {
        QVERIFY(settle());
        fewTakes();
        window_->writeReport(folder_.filePath("nowhere/at-all.pdf"));
        QVERIFY(written());
        QVERIFY(window_->exportBar().message().contains("at-all.pdf could not be written"));
    }
};

QTEST_MAIN(TestReporting)
#include "reporting.moc"
