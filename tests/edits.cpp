// Edits that another program keeps beside a raw follow the cleaned DNG: nothing is lost of them.
#include <QTest>
#include <exiv2/exiv2.hpp>
#include <fstream>
#include <sys/stat.h>

#include "base/text.h"
#include "deliver/edits.h"
#include "deliver/export.h"
#include "measure/open.h"
#include "support.h"

using namespace irenic;

namespace {

namespace fs = std::filesystem;

// As programs write them: attributes, elements, structures, lists, alternatives.
std::string packet(const std::string& attributes, const std::string& elements = {}) {
    return "<?xpacket begin=\"\xEF\xBB\xBF\" id=\"W5M0MpCehiHzreSzNTczkc9d\"?>\n"
           "<x:xmpmeta xmlns:x=\"adobe:ns:meta/\"><rdf:RDF "
           "xmlns:rdf=\"http://www.w3.org/1999/02/22-rdf-syntax-ns#\"><rdf:Description rdf:about=\"\" "
           "xmlns:xmp=\"http://ns.adobe.com/xap/1.0/\" xmlns:dc=\"http://purl.org/dc/elements/1.1/\" "
           "xmlns:e=\"http://mill.invalid/edits/1.0/\" " +
           attributes + ">" + elements + "</rdf:Description></rdf:RDF></x:xmpmeta>\n<?xpacket end=\"w\"?>";
}

std::map<std::string, std::string> propertiesIn(const std::string& file) {
    Exiv2::XmpProperties::registerNs("http://mill.invalid/edits/1.0/", "e");
    std::map<std::string, std::string> out;
    const auto image = Exiv2::ImageFactory::open(file);
    image->readMetadata();
    for (const Exiv2::Xmpdatum& d : image->xmpData()) out[d.key()] = d.toString();
    return out;
}

} // namespace

class TestEdits : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string raw_;

    void beside(const char* name, const std::string& content) {
        std::ofstream(folder_.filePath(QLatin1String(name)).toStdString(), std::ios::binary) << content;
    }
    LeftOut clean(const char* name, EditsTo to) {
        Export what{recipeOf(readPhoto(raw_), {"wavelet"}), {}, {}, false};
        what.delivery.edits = to;
        return exportFile(what, folder_.filePath(QLatin1String(name)).toStdString());
    }
    std::string at(const char* name) const { return folder_.filePath(QLatin1String(name)).toStdString(); }

  private slots:
    void initTestCase() { raw_ = test::writeShot(folder_, "mill.dng", test::shoot(6400).photo); }
    void cleanup() {
        for (const QString& name : QDir(folder_.path()).entryList(QDir::Files))
            if (name != "mill.dng") QFile::remove(folder_.filePath(name));
    }

    void withoutEditsThereAreNone() {
        QVERIFY(!editsBeside(*readPhoto(raw_, {}, Measure::Nothing)));
        QVERIFY(clean("plain.dng", EditsTo::Both).empty());
        QVERIFY(!fs::exists(at("plain.xmp")));
    }
    void everyPropertyFollows() {
        beside(
            "mill.xmp",
            packet(
                "xmp:Rating=\"4\" e:Exposure=\"+0.75\" e:Temperature=\"4300\"",
                "<dc:subject><rdf:Bag><rdf:li>harbour</rdf:li><rdf:li>night</rdf:li></rdf:Bag></dc:subject>"
                "<dc:title><rdf:Alt><rdf:li xml:lang=\"x-default\">Tide mill</rdf:li></rdf:Alt></dc:title>"
                "<e:Curve><rdf:Seq><rdf:li>0, 0</rdf:li><rdf:li>255, 240</rdf:li></rdf:Seq></e:Curve>"
                "<e:Crop rdf:parseType=\"Resource\"><e:Left>0.1</e:Left><e:Right>0.9</e:Right></e:Crop>"));
        QVERIFY(clean("inside.dng", EditsTo::Inside).empty());
        const auto inside = propertiesIn(at("inside.dng"));
        QVERIFY(!fs::exists(at("inside.xmp")));
        const std::pair<const char*, const char*> all[] = {
            {"Xmp.xmp.Rating", "4"},       {"Xmp.e.Exposure", "+0.75"},
            {"Xmp.e.Temperature", "4300"}, {"Xmp.dc.subject", "harbour, night"},
            {"Xmp.e.Crop/e:Left", "0.1"},  {"Xmp.e.Crop/e:Right", "0.9"}};
        for (const auto& [key, value] : all) {
            QVERIFY2(inside.count(key), key);
            QCOMPARE(inside.at(key), std::string(value));
        }
        QVERIFY(inside.at("Xmp.dc.title").find("Tide mill") != std::string::npos);
        QVERIFY(inside.at("Xmp.e.Curve").find("255, 240") != std::string::npos);
        // Ours is there as well.
        QVERIFY(settingsIn(at("inside.dng")) == std::optional(Settings{"wavelet"}));

        QVERIFY(clean("beside.dng", EditsTo::Beside).empty());
        QVERIFY(!propertiesIn(at("beside.dng")).count("Xmp.e.Exposure"));
        const auto besides = propertiesIn(at("beside.xmp"));
        for (const auto& [key, value] : all) QCOMPARE(besides.at(key), std::string(value));
        QVERIFY(clean("both.dng", EditsTo::Both).empty());
        QVERIFY(propertiesIn(at("both.dng")).count("Xmp.e.Exposure") && fs::exists(at("both.xmp")));
        QVERIFY(clean("nowhere.dng", EditsTo::Nowhere).empty());
        QVERIFY(!propertiesIn(at("nowhere.dng")).count("Xmp.e.Exposure") && !fs::exists(at("nowhere.xmp")));
    }
    void correctionsAreNamed() {
        beside("mill.xmp", packet("e:NoiseReduction=\"25\" e:Sharpness=\"0\" e:VignetteAmount=\"-12\" "
                                  "e:LensProfileEnable=\"True\" xmp:Label=\"noisy 1\"",
                                  "<e:SharpenDetail>40</e:SharpenDetail>"));
        const auto edits = editsBeside(*readPhoto(raw_, {}, Measure::Nothing));
        QVERIFY(edits);
        QCOMPARE(QString::fromStdString(joined(edits->corrections)),
                 QStringLiteral("noise reduction, sharpening, vignetting, lens corrections"));
        const LeftOut said = clean("told.dng", EditsTo::Inside);
        QCOMPARE(said.size(), 1UL);
        QVERIFY(QString::fromStdString(said[0]).contains("mill.xmp") &&
                QString::fromStdString(said[0]).contains("noise reduction"));
        beside("mill.xmp",
               packet("e:NoiseReduction=\"0\" e:Sharpness=\"0.0\" e:LensProfileEnable=\"False\""));
        QVERIFY(editsBeside(*readPhoto(raw_, {}, Measure::Nothing))->corrections.empty());
    }
    void theNameMayHaveTheRawsEnding() {
        beside("mill.dng.xmp", packet("e:Exposure=\"1\""));
        const auto edits = editsBeside(*readPhoto(raw_, {}, Measure::Nothing));
        QVERIFY(edits && edits->file.filename() == "mill.dng.xmp");
    }
    // Nothing of that stops the export, and what was there stays.
    void whatCannotBeTakenAlong() {
        beside("mill.xmp", "<x:xmpmeta this is no packet");
        const LeftOut damaged = clean("damaged.dng", EditsTo::Inside);
        QVERIFY(fs::exists(at("damaged.dng")));
        QVERIFY(!damaged.empty() && QString::fromStdString(damaged[0]).contains("damaged"));
        beside("mill.xmp", std::string(5 << 20, 'x') + packet(""));
        QVERIFY(clean("large.dng", EditsTo::Both).empty());
        beside("mill.xmp", "rubbish");
        QVERIFY(clean("rubbish.dng", EditsTo::Both).empty());
        beside("mill.xmp", packet("e:Exposure=\"1\""));
        beside("taken.xmp", "somebody's own");
        const LeftOut taken = clean("taken.dng", EditsTo::Beside);
        QVERIFY(!taken.empty() && QString::fromStdString(taken[0]).contains("taken.xmp"));
        std::ifstream in(at("taken.xmp"));
        QCOMPARE((std::string{std::istreambuf_iterator<char>(in), {}}), std::string("somebody's own"));
        // A pipe would never answer.
        fs::remove(at("mill.xmp"));
        QCOMPARE(::mkfifo(at("mill.xmp").c_str(), 0600), 0);
        QVERIFY(!editsBeside(*readPhoto(raw_, {}, Measure::Nothing)));
        fs::remove(at("mill.xmp"));
    }
    // Made once is made again only when the edits changed.
    void editsAreOfTheOrder() {
        const PhotoPtr photo = readPhoto(raw_);
        const Export what{recipeOf(photo, {"wavelet"}), {}, {}, false};
        const std::string before = markOf(what);
        beside("mill.xmp", packet("e:Exposure=\"1\""));
        const std::string one = markOf(what);
        beside("mill.xmp", packet("e:Exposure=\"2\""));
        QVERIFY(before != one && markOf(what) != one);
        Export tiff = what;
        tiff.delivery.format = ExportFormat::Tiff;
        const std::string with = markOf(tiff);
        fs::remove(at("mill.xmp"));
        QCOMPARE(markOf(tiff), with);
        QCOMPARE(markOf(what), before);
    }
};

QTEST_MAIN(TestEdits)
#include "edits.moc"
