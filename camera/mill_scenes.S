# The scenes' files, as they are, one behind the other.
    .section .rodata
    .global irenic_scene_cat
    .global irenic_scene_rope
    .global irenic_scene_gears
    .global irenic_scene_harbour
    .global irenic_scene_jersey
    .global irenic_scenes_end
irenic_scene_cat:
    .incbin "cat.jxl"
irenic_scene_rope:
    .incbin "rope.jxl"
irenic_scene_gears:
    .incbin "gears.jxl"
irenic_scene_harbour:
    .incbin "harbour.jxl"
irenic_scene_jersey:
    .incbin "jersey.jxl"
irenic_scenes_end:
    .section .note.GNU-stack,"",%progbits
