#include "deliver/layers.h"

#include <zip.h>

#include <algorithm>
#include <array>
#include <fstream>

#include "base/expects.h"
#include "base/folders.h"
#include "base/safe_file.h"
#include "base/shown_text.h"
#include "base/text.h"
#include "deliver/developed_rows.h"
#include "deliver/export.h"
#include "deliver/formats.h"

namespace irenic {

namespace fs = std::filesystem;

namespace {

// A zip archive that is written from its first byte to its last. PNG files in it are packed already.
class Archive {
  public:
    explicit Archive(const fs::path& file) : folder_(file.parent_path()) {
        zip_ = zipOpen64(file.c_str(), APPEND_STATUS_CREATE);
        if (!zip_) failedWriting(folder_);
    }
    ~Archive() {
        if (zip_) zipClose(zip_, nullptr);
    }
    Archive(const Archive&) = delete;
    Archive& operator=(const Archive&) = delete;

    void begin(const std::string& name) {
        zip_fileinfo info{};
        // The same pictures give the same bytes whenever they are written: the least day that zip knows.
        info.tmz_date.tm_mday = 1, info.tmz_date.tm_year = 1980;
        constexpr int kStored = 0, kLarge = 1;
        if (zipOpenNewFileInZip64(zip_, name.c_str(), &info, nullptr, 0, nullptr, 0, nullptr, kStored, 0,
                                  kLarge) != ZIP_OK)
            failedWriting(folder_);
    }
    void put(const char* bytes, std::size_t count) {
        if (zipWriteInFileInZip(zip_, bytes, static_cast<unsigned>(count)) != ZIP_OK) failedWriting(folder_);
    }
    void end() {
        if (zipCloseFileInZip(zip_) != ZIP_OK) failedWriting(folder_);
    }
    void add(const std::string& name, const std::string& bytes) {
        begin(name);
        put(bytes.data(), bytes.size());
        end();
    }
    void add(const std::string& name, const fs::path& file, const Work& work) {
        begin(name);
        std::ifstream in(file, std::ios::binary);
        std::vector<char> block(1 << 20);
        while (in) {
            work.check();
            in.read(block.data(), static_cast<std::streamsize>(block.size()));
            put(block.data(), static_cast<std::size_t>(in.gcount()));
        }
        if (!in.eof()) throw WriteError(IRENIC_TEXT("a layer cannot be read back."));
        end();
    }
    void close() {
        const int result = zipClose(std::exchange(zip_, nullptr), nullptr);
        if (result != ZIP_OK) failedWriting(folder_);
    }

  private:
    fs::path folder_;
    zipFile zip_ = nullptr;
};

std::string escaped(const std::string& text) {
    std::string out;
    for (const char c : text) switch (c) {
        case '&': out += "&amp;"; break;
        case '<': out += "&lt;"; break;
        case '>': out += "&gt;"; break;
        case '"': out += "&quot;"; break;
        default: out += static_cast<unsigned char>(c) < ' ' ? ' ' : c;
        }
    return out;
}

std::string nameOfLayer(std::size_t i) { return "data/layer" + std::to_string(i) + ".png"; }

// The uppermost stands first.
std::string stackOf(const std::vector<PictureLayer>& layers, PictureSize size) {
    const std::string wide = std::to_string(size.width), high = std::to_string(size.height);
    std::string out = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<image version=\"0.0.5\" w=\"" + wide +
                      "\" h=\"" + high + "\">\n <stack>\n";
    for (std::size_t i = layers.size(); i-- > 0;)
        out += "  <layer name=\"" + escaped(layers[i].name) + "\" src=\"" + nameOfLayer(i) +
               "\" x=\"0\" y=\"0\" opacity=\"1.0\" visibility=\"visible\" composite-op=\"svg:src-over\"/>\n";
    return out + " </stack>\n</image>\n";
}

} // namespace

void exportLayers(const PhotoPtr& photo, const Look& look, const std::vector<PictureLayer>& layers,
                  const fs::path& to, const Work& work) {
    IRENIC_EXPECTS(photo && !layers.empty());
    const std::string name = shownName(to);
    try {
        for (const PictureLayer& layer : layers)
            if (const std::string problem = problemWith(layer.settings); !problem.empty())
                throw std::runtime_error(layer.name + ": " + problem + ".");
        std::error_code error;
        const fs::path target = fs::absolute(to, error);
        SafeFile file(target, SafeFile::Existing::Keep);
        const TemporaryFolder between;
        Archive archive(file.path());
        archive.add("mimetype", "image/openraster"); // first and unpacked, says the standard
        Export what{recipeOf(photo, {}, look), {}};
        what.delivery.format = ExportFormat::Png, what.delivery.bits = 16;
        archive.add("stack.xml", stackOf(layers, sizeOf(what)));
        const auto write = [&](const fs::path& png, const Work& part) {
            formatOf(ExportFormat::Png).write(png, what, {}, part);
        };
        const double each = 0.95 / static_cast<double>(layers.size());
        for (std::size_t i = 0; i < layers.size(); ++i) {
            what.recipe.settings = layers[i].settings;
            const fs::path png = between.path() / "layer.png";
            const double from = each * static_cast<double>(i);
            write(png, work.part(from, from + each));
            archive.add(nameOfLayer(i), png, work);
            // All layers cover all: what is seen is the uppermost.
            if (i + 1 == layers.size()) archive.add("mergedimage.png", png, work);
            fs::remove(png, error);
        }
        constexpr float kThumbnail = 256; // the standard's
        what.delivery.bits = 8, what.delivery.longest = kThumbnail;
        const fs::path small = between.path() / "thumbnail.png";
        write(small, {work.stop});
        archive.add("Thumbnails/thumbnail.png", small, work);
        archive.close();
        file.commit();
        work.report(1);
    } catch (const Cancelled&) {
        throw;
    } catch (const std::bad_alloc&) {
        throw ExportError(name + ": there is not enough memory to make it.");
    } catch (const std::exception& e) {
        throw ExportError(name + ": " + e.what());
    }
}

} // namespace irenic
