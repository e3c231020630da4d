# The network's ONNX files, as they are, in the library.
    .section .rodata
    .global irenic_cleaner_begin
    .global irenic_cleaner_end
    .global irenic_second_look_begin
    .global irenic_second_look_end
    .global irenic_pixel_cleaner_begin
    .global irenic_pixel_cleaner_end
    .balign 64
irenic_cleaner_begin:
    .incbin "cleaner.onnx"
irenic_cleaner_end:
    .balign 64
irenic_second_look_begin:
    .incbin "second_look.onnx"
irenic_second_look_end:
    .balign 64
irenic_pixel_cleaner_begin:
    .incbin "pixel_cleaner.onnx"
irenic_pixel_cleaner_end:
    .section .note.GNU-stack,"",%progbits
