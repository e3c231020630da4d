#include <png.h>

#include <csetjmp>
#include <cstring>
#include <memory>
#include <span>

#include "base/shown_text.h"
#include "base/text.h"
#include "raw/photo.h"
#include "raw/picture_file.h"

namespace irenic {

namespace {

struct Listener {
    std::string text;
};

struct Source {
    std::span<const std::uint8_t> left;
};
void giveBytes(png_structp png, png_bytep to, png_size_t count) {
    auto* from = static_cast<Source*>(png_get_io_ptr(png));
    if (count > from->left.size()) png_error(png, "it ends too early");
    std::memcpy(to, from->left.data(), count);
    from->left = from->left.subspan(count);
}

// C code above it: the message is kept, and the library jumps back by itself.
void onError(png_structp png, png_const_charp text) {
    static_cast<Listener*>(png_get_error_ptr(png))->text = text;
    png_longjmp(png, 1);
}
void onWarning(png_structp, png_const_charp) {}

bool readHeader(png_structp png, png_infop info, Source& in) {
    if (setjmp(png_jmpbuf(png))) return false;
    png_set_read_fn(png, &in, giveBytes);
    png_read_info(png, info);
    return true;
}

// Grey or RGB, 8 or 16 bits, without alpha.
bool start(png_structp png, png_infop info) {
    if (setjmp(png_jmpbuf(png))) return false;
    png_set_expand(png);
    png_set_strip_alpha(png);
    if (png_get_bit_depth(png, info) == 16) png_set_swap(png);
    png_set_interlace_handling(png);
    png_read_update_info(png, info);
    return true;
}

bool readRow(png_structp png, png_bytep row) {
    if (setjmp(png_jmpbuf(png))) return false;
    png_read_row(png, row, nullptr);
    return true;
}

bool readInterlaced(png_structp png, png_bytepp rows) {
    if (setjmp(png_jmpbuf(png))) return false;
    png_read_image(png, rows);
    return true;
}

bool finish(png_structp png) {
    if (setjmp(png_jmpbuf(png))) return false;
    png_read_end(png, nullptr);
    return true;
}

void readColour(png_structp png, png_infop info, FilePicture& p) {
    png_charp name = nullptr;
    int method = 0;
    png_bytep profile = nullptr;
    png_uint_32 length = 0;
    if (png_get_iCCP(png, info, &name, &method, &profile, &length)) {
        p.profile.assign(profile, profile + length);
        return;
    }
    int intent = 0;
    if (png_get_sRGB(png, info, &intent)) return;
    double gamma = 0, c[8] = {};
    if (png_get_gAMA(png, info, &gamma) && gamma > 0.05 && gamma < 5) p.gamma = 1 / gamma;
    if (png_get_cHRM(png, info, c, c + 1, c + 2, c + 3, c + 4, c + 5, c + 6, c + 7)) {
        p.primaries.emplace();
        std::copy(c, c + 8, p.primaries->begin());
    }
}

} // namespace

FilePicture readPngPicture(const GivenFile& file, const Work& work) {
    Listener listener;
    const auto fail = [&](const std::string& what) {
        throw PhotoError(shownName(file.name()) + ": " + what);
    };
    Source in{file.bytes()};
    struct Png {
        png_structp png = nullptr;
        png_infop info = nullptr;
        ~Png() { png_destroy_read_struct(&png, &info, nullptr); }
    } it;
    it.png = png_create_read_struct(PNG_LIBPNG_VER_STRING, &listener, onError, onWarning);
    if (it.png) it.info = png_create_info_struct(it.png);
    if (!it.info) throw std::bad_alloc();
    const auto must = [&](bool done) {
        if (!done)
            fail(filled(IRENIC_TEXT("this picture cannot be read, or ends too early (%1). Copy it again."),
                        {utf8Of(listener.text)}));
    };
    must(readHeader(it.png, it.info, in));
    const std::uint64_t width = png_get_image_width(it.png, it.info),
                        height = png_get_image_height(it.png, it.info);
    checkPictureSize(file, width, height);
    FilePicture p;
    readColour(it.png, it.info, p);
    must(start(it.png, it.info));
    p.width = static_cast<int>(width), p.height = static_cast<int>(height);
    p.channels = png_get_channels(it.png, it.info), p.bytes = png_get_bit_depth(it.png, it.info) / 8;
    const std::size_t row = png_get_rowbytes(it.png, it.info);
    if (png_get_interlace_type(it.png, it.info) == PNG_INTERLACE_NONE) {
        for (std::size_t y = 0; y < height; ++y) {
            if (y % 64 == 0) work.check();
            p.data.resize((y + 1) * row);
            must(readRow(it.png, p.data.data() + y * row));
        }
    } else {
        p.data.resize(height * row);
        std::vector<png_bytep> rows;
        for (std::size_t y = 0; y < height; ++y) rows.push_back(p.data.data() + y * row);
        must(readInterlaced(it.png, rows.data()));
    }
    must(finish(it.png));
    return p;
}

} // namespace irenic
