# The network's weights, as they are, in the library (network_layers.h says how they are written).
    .section .rodata
    .global irenic_cleaner_begin
    .global irenic_cleaner_end
    .global irenic_second_pass_begin
    .global irenic_second_pass_end
    .global irenic_pixel_cleaner_begin
    .global irenic_pixel_cleaner_end
    .balign 64
irenic_cleaner_begin:
    .incbin "cleaner.weights"
irenic_cleaner_end:
    .balign 64
irenic_second_pass_begin:
    .incbin "second_pass.weights"
irenic_second_pass_end:
    .balign 64
irenic_pixel_cleaner_begin:
    .incbin "pixel_cleaner.weights"
irenic_pixel_cleaner_end:
    .section .note.GNU-stack,"",%progbits
