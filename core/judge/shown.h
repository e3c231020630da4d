// What can stand in a cell: the photo in some take, or a file that was made of it elsewhere.
#pragma once

#include <variant>

#include "judge/reference.h"

namespace irenic {

using Shown = std::variant<Recipe, ReferencePtr>;

// Equal ids show equal pixels at equal places. Of a reference it holds within this process.
std::string idOf(const Shown& shown);

// As render() of a recipe; a recipe's pixels come from context.pictures where that is given.
Picture render(const Shown& shown, const Rect& area, const View& view, const Context& context = {});

// What of a recipe's picture is in context.pictures already, and what is missing, in the photo's pixels; all
// of a reference's, and of pictures below a zoom of 1.
std::pair<Picture, std::vector<Rect>> renderedSoFar(const Shown& shown, const Rect& area, const View& view,
                                                    PictureStore& pictures);

} // namespace irenic
