#include "judge/shown.h"

#include "develop/picture_store.h"

namespace irenic {

std::string idOf(const Shown& shown) {
    const auto* recipe = std::get_if<Recipe>(&shown);
    return recipe ? idOf(*recipe).text
                  : "reference " + std::to_string(std::get<ReferencePtr>(shown)->serial());
}

Picture render(const Shown& shown, const Rect& area, const View& view, const Context& context) {
    if (const auto* reference = std::get_if<ReferencePtr>(&shown))
        return (*reference)->render(area, view, context.work);
    const Recipe& recipe = std::get<Recipe>(shown);
    return context.pictures ? context.pictures->get(recipe, area, view, context.work)
                            : render(recipe, area, view, context);
}

std::pair<Picture, std::vector<Rect>> renderedSoFar(const Shown& shown, const Rect& area, const View& view,
                                                    PictureStore& pictures) {
    const auto* recipe = std::get_if<Recipe>(&shown);
    return recipe ? pictures.soFar(*recipe, area, view) : std::pair(Picture(), std::vector{area});
}

} // namespace irenic
