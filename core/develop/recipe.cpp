#include "develop/recipe.h"

#include "base/digest.h"
#include "base/expects.h"
#include "develop/algorithms.h"
#include "raw/identity.h"

namespace irenic {

namespace {

// Names and values of all that is not as it always is: a setting that is new, and left alone, changes no
// identity that was given before.
template <class T> void addTo(Digest& digest, const T& value) {
    static const T usual{};
    for (const Field<T>& field : fieldsOf<T>())
        if (!sameField(field, value, usual)) digest.add(field.id), digest.add(valueText(field, value));
    digest.add("");
}

} // namespace

Recipe recipeOf(PhotoPtr photo, const Settings& settings, const Look& look) {
    return {std::move(photo), settings, look};
}

Recipe recipeOf(const Photo& photo, const Settings& settings, const Look& look) {
    return {PhotoPtr(PhotoPtr(), &photo), settings, look};
}

// A take's grades stand behind "as the look", in the look's order.
Softness sharpeningOf(const Recipe& recipe) {
    const TakeSharpening own = recipe.settings.sharpening;
    return own == TakeSharpening::AsLook ? recipe.look.softness
                                         : static_cast<Softness>(static_cast<int>(own) - 1);
}

TakeSharpening sharpeningOfTake(Softness softness) {
    return static_cast<TakeSharpening>(static_cast<int>(softness) + 1);
}

RecipeId idOf(const Recipe& recipe) {
    IRENIC_EXPECTS(recipe.photo);
    Settings settings = recipe.settings;
    if (settings.untouched()) {
        settings = Settings::original();
        settings.sharpening = recipe.settings.sharpening;
    }
    Digest digest;
    digest.add(idOf(*recipe.photo).text), digest.add(kAlgorithms);
    digest.add(settings.method), addTo(digest, settings);
    addTo(digest, recipe.look);
    return {digest.text()};
}

} // namespace irenic
