# The shader's code, as the compiler has made it, in the library.
    .section .rodata
    .global irenic_convolution_begin
    .global irenic_convolution_end
    .balign 64
irenic_convolution_begin:
    .incbin "convolution.spv"
irenic_convolution_end:
    .section .note.GNU-stack,"",%progbits
