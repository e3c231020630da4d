// irenic-reader: decodes photos for the other programs, behind walls. Started by them (core/reader).
#include <cstdio>
#include <cstdlib>

#include "reader/serve.h"

int main(int argc, char** argv) {
    if (argc != 2) {
        std::fputs(
            "irenic-reader is started by Irenic's other programs; there is nothing to do with it by hand.\n",
            stderr);
        return 2;
    }
    return irenic::serveReadings(std::strtoull(argv[1], nullptr, 10));
}
