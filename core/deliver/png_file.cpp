#include <png.h>

#include <cmath>
#include <cstdio>
#include <memory>

#include "base/digest.h"
#include "base/safe_file.h"
#include "deliver/carried_tags.h"
#include "deliver/developed_rows.h"
#include "deliver/picture_files.h"
#include "deliver/proof.h"
#include "raw/picture_file.h"

namespace irenic {

namespace {

// libpng's errors jump; what is jumped over here holds nothing that must be freed.
[[noreturn]] void jump(png_structp png, png_const_charp) { longjmp(png_jmpbuf(png), 1); }
void ignore(png_structp, png_const_charp) {}

struct Writer {
    std::FILE* file = nullptr;
    png_structp png = nullptr;
    png_infop info = nullptr;
    ~Writer() {
        if (png) png_destroy_write_struct(&png, &info);
        if (file) std::fclose(file);
    }
};

struct Says {
    double dpi;
    std::vector<std::uint8_t> profile, exif;
    std::string xmp;
};

bool begin(Writer& w, PictureSize size, int bits, Says& says) {
    if (setjmp(png_jmpbuf(w.png))) return false;
    png_init_io(w.png, w.file);
    png_set_IHDR(w.png, w.info, static_cast<png_uint_32>(size.width), static_cast<png_uint_32>(size.height),
                 bits, PNG_COLOR_TYPE_RGB, PNG_INTERLACE_NONE, PNG_COMPRESSION_TYPE_DEFAULT,
                 PNG_FILTER_TYPE_DEFAULT);
    png_set_iCCP(w.png, w.info, "profile", PNG_COMPRESSION_TYPE_BASE, says.profile.data(),
                 static_cast<png_uint_32>(says.profile.size()));
    png_set_eXIf_1(w.png, w.info, static_cast<png_uint_32>(says.exif.size()), says.exif.data());
    char key[] = "XML:com.adobe.xmp", none[] = "";
    png_text packet{};
    packet.compression = PNG_ITXT_COMPRESSION_NONE;
    packet.key = key, packet.text = says.xmp.data(), packet.itxt_length = says.xmp.size(), packet.lang = none,
    packet.lang_key = none;
    if (!says.xmp.empty()) png_set_text(w.png, w.info, &packet, 1);
    const auto each = static_cast<png_uint_32>(std::lround(says.dpi / 0.0254));
    png_set_pHYs(w.png, w.info, each, each, PNG_RESOLUTION_METER);
    png_set_compression_level(w.png, 6);
    png_write_info(w.png, w.info);
    if (bits == 16) png_set_swap(w.png);
    return true;
}
bool put(Writer& w, const std::uint8_t* row) {
    if (setjmp(png_jmpbuf(w.png))) return false;
    png_write_row(w.png, row);
    return true;
}
bool end(Writer& w) {
    if (setjmp(png_jmpbuf(w.png))) return false;
    png_write_end(w.png, nullptr);
    return std::fflush(w.file) == 0;
}

} // namespace

LeftOut writePng(const std::filesystem::path& to, const Export& what, const XmpNote& xmp, const Work& work) {
    const Photo& photo = *what.recipe.photo;
    const PictureSize size = sizeOf(what);
    const int bits = what.delivery.bits;
    Digest written;
    {
        Writer w;
        w.file = std::fopen(to.c_str(), "wb");
        if (!w.file) failedWriting(to.parent_path());
        w.png = png_create_write_struct(PNG_LIBPNG_VER_STRING, nullptr, jump, ignore);
        if (w.png) w.info = png_create_info_struct(w.png);
        if (!w.png || !w.info) throw std::bad_alloc();
        Says says{static_cast<double>(what.delivery.dpi), profileOf(what), exifOf(photo, what.delivery),
                  xmp.packet};
        errno = 0;
        if (!begin(w, size, bits, says)) failedWriting(to.parent_path());
        std::vector<std::uint8_t> row(static_cast<std::size_t>(size.width) * 3 *
                                      static_cast<std::size_t>(bits / 8));
        developRows(what, work, [&](int y, const float* values) {
            quantise(values, static_cast<std::size_t>(size.width) * 3, bits, y, row.data());
            written.add(row.data(), row.size());
            errno = 0;
            if (!put(w, row.data())) failedWriting(to.parent_path());
        });
        errno = 0;
        if (!end(w)) failedWriting(to.parent_path());
    }
    const FilePicture back = readBack(to, [&] { return readPngPicture(GivenFile(to), {work.stop}); });
    prove(to, back, size.width, size.height, written);
    return leftOutOf(xmp);
}

} // namespace irenic
