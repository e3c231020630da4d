// What decides every pixel of a picture, and the identity of all that is made of it.
#pragma once

#include "denoise/clean_source.h"
#include "develop/look.h"

namespace irenic {

// One photo, cleaned and developed in one way.
struct Recipe {
    PhotoPtr photo;
    Settings settings = Settings::original();
    Look look;
    friend bool operator==(const Recipe&, const Recipe&) = default; // of the very same photo in memory
};

Recipe recipeOf(PhotoPtr photo, const Settings& settings = Settings::original(), const Look& look = {});
// Of a photo that the caller keeps for as long as the recipe.
Recipe recipeOf(const Photo& photo, const Settings& settings = Settings::original(), const Look& look = {});

// What the picture is sharpened by: the take's own grade, else the look's.
Softness sharpeningOf(const Recipe& recipe);
// The take's choice that asks for a grade.
TakeSharpening sharpeningOfTake(Softness softness);

// 32 hexadecimal digits. Equal ids give equal pixels, today and in another process.
struct RecipeId {
    std::string text;
    friend bool operator==(const RecipeId&, const RecipeId&) = default;
};

// A digest of the photo's identity, of every value that differs from its default, and of the version of the
// algorithms. All settings that change nothing give the original's.
RecipeId idOf(const Recipe& recipe);

// How a picture is shown, which is no part of any file.
struct View {
    double zoom = 1; // pixels of the screen for one of the photo
    float push = 0;  // stops of exposure on top, for looking only

    View(double magnified = 1, float pushed = 0) : zoom(magnified), push(pushed) {}
    friend bool operator==(const View&, const View&) = default;
};

class PictureStore;

// What a computation of pixels works with beside its arguments: none of it changes a pixel.
struct Context {
    Work work;
    CleanSource* cleaned = nullptr;   // where cleaned samples come from; null: straight from cleaning
    PictureStore* pictures = nullptr; // where finished ones are kept; null: nowhere

    Context(Work listensAndTells = {}, CleanSource* samples = nullptr, PictureStore* kept = nullptr)
        : work(std::move(listensAndTells)), cleaned(samples), pictures(kept) {}
    Context part(double begin, double end) const { return {work.part(begin, end), cleaned, pictures}; }
};

} // namespace irenic
