// Noise that goes from pixel to pixel: of full colour that was made of an X-Trans mosaic, of linear DNGs and
// of finished pictures. How much of it each band holds is told by the photo's own even squares.
#pragma once

#include "judge/check_blocks.h"

namespace irenic {

// Scales what the squares hold so that noise alone gives 1 in each band, as white noise does by itself. By
// brightness, for what a camera's own noise reduction left differs with it. Where a photo has nothing even
// its squares stay as they are, and no check finds even ones among them.
void evenOutNoise(CheckBlocks& all);

} // namespace irenic
