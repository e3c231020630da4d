# The network's ONNX file, as it is, in the library.
    .section .rodata
    .global irenic_cleaner_begin
    .global irenic_cleaner_end
    .balign 64
irenic_cleaner_begin:
    .incbin "cleaner.onnx"
irenic_cleaner_end:
    .section .note.GNU-stack,"",%progbits
