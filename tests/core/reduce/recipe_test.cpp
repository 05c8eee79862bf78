// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/reduce/recipe.h"

#include <gmock/gmock.h>

#include <fstream>

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/media/picture_file.h"
#include "tests/core/registration/painted.h"
#include "tests/support/support.h"

namespace solarchon::reduce {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::glimpse_of;
using test::Painting;
using test::TempFolder;
using test::write_clip;

class RecipeTest : public testing::Test {
 protected:
  void SetUp() override {
    std::filesystem::create_directory(folder_ / "clips");
    const Painting painting(200, 160);
    base::Random random{21};
    write_clip(clip_, 40, [&](int i) { return painting.frame(glimpse_of(i), random); });
    recipe_.clip = clip_;
  }
  TempFolder folder_;
  std::filesystem::path clip_ = folder_ / "clips/sun.fits";
  Recipe recipe_;
};

TEST_F(RecipeTest, AProductCanBeMadeAgainFromItself) {
  recipe_.keep = KeepWish{.rule = KeepRule::kBestShare, .share = 0.3};
  recipe_.finer = 2;
  Reducer reducer;
  const auto product = reducer.make(recipe_);
  ASSERT_TRUE(product);
  for (const char* name : {"a.fits", "b.png", "c.tiff"}) {
    ASSERT_TRUE(write_product(*product, folder_ / name)) << name;
    EXPECT_TRUE(std::filesystem::exists(recipe_beside(folder_ / name)));
  }
  const auto inside = read_recipe(folder_ / "a.fits");
  const auto beside = read_recipe(folder_ / "b.recipe.json");
  ASSERT_TRUE(inside) << inside.error().field;
  ASSERT_TRUE(beside);
  EXPECT_EQ(inside->keep, recipe_.keep);
  EXPECT_EQ(inside->finer, 2);
  EXPECT_EQ(inside->clip.lexically_normal(), clip_.lexically_normal());
  const auto again = Reducer().make(*inside);
  ASSERT_TRUE(again);
  ASSERT_EQ(again->picture.values.size(), product->picture.values.size());
  for (std::size_t i = 0; i < again->picture.values.size(); i += 37) {
    ASSERT_NEAR(again->picture.values[i], product->picture.values[i], 1e-5);
  }
  const auto read = media::read_picture(folder_ / "a.fits");
  ASSERT_TRUE(read);
  EXPECT_EQ(read->values, product->picture.values) << "FITS keeps every digit";
}

TEST_F(RecipeTest, FoldersMayHaveAnyName) {
  const auto folder = folder_ / "Año de l'été";
  std::filesystem::create_directory(folder);
  std::filesystem::rename(clip_, folder / "ocaso.fits");
  recipe_.clip = folder / "ocaso.fits";
  const auto product = Reducer().make(recipe_);
  ASSERT_TRUE(product);
  for (const char* name : {"a.fits", "b.png"}) {
    ASSERT_TRUE(write_product(*product, folder_ / name));
  }
  for (const char* name : {"a.fits", "b.recipe.json"}) {
    const auto read = read_recipe(folder_ / name);
    ASSERT_TRUE(read) << name << " " << read.error().field;
    EXPECT_EQ(read->clip.lexically_normal(), recipe_.clip.lexically_normal());
  }
}

TEST_F(RecipeTest, OnlyWhatDependsOnAChangeIsDoneAgain) {
  Reducer reducer;
  ASSERT_TRUE(reducer.make(recipe_));
  // The clip is gone: what is not done again does not miss it.
  std::filesystem::rename(clip_, folder_ / "clips/elsewhere.fits");
  EXPECT_TRUE(reducer.make(recipe_)) << "nothing has changed";
  recipe_.keep = KeepWish{.rule = KeepRule::kAll};
  EXPECT_TRUE(reducer.choose(recipe_)) << "the grading still holds";
  EXPECT_FALSE(reducer.make(recipe_)) << "stacking needs the frames";
  recipe_.grade.scale_px = 3;
  EXPECT_FALSE(reducer.grade(recipe_));
}

TEST_F(RecipeTest, AnotherFileUnderTheSameNameIsNotTaken) {
  Reducer reducer;
  const auto product = reducer.make(recipe_);
  ASSERT_TRUE(product);
  ASSERT_TRUE(write_product(*product, folder_ / "a.fits"));
  std::fstream file(clip_, std::ios::in | std::ios::out | std::ios::binary);
  file.seekp(20000);
  file.put('x');
  file.close();
  const auto recipe = read_recipe(folder_ / "a.fits");
  ASSERT_FALSE(recipe);
  EXPECT_EQ(recipe.error().reason.id, "another-file");
}

TEST_F(RecipeTest, NamesWhatIsWrongInARecipe) {
  Reducer reducer;
  const auto product = reducer.make(recipe_);
  ASSERT_TRUE(product);
  ASSERT_TRUE(write_product(*product, folder_ / "a.fits"));
  const std::string good = test::read_text(folder_ / "a.recipe.json");
  const auto with = [&](const std::string& old, const std::string& other) {
    std::string text = good;
    const std::size_t at = text.find(old);
    EXPECT_NE(at, std::string::npos) << old;
    text.replace(at, old.size(), other);
    test::write_text(folder_ / "x.json", text);
    return read_recipe(folder_ / "x.json");
  };
  EXPECT_THAT(with("\"solarchon_recipe\": 1", "\"solarchon_recipe\": 9"),
              FailsWith(ErrorCode::kVersion, "solarchon_recipe"));
  EXPECT_THAT(with("\"rule\": \"best\"", "\"rule\": \"worst\""),
              FailsWith(ErrorCode::kUnknownValue, "steps[1].rule"));
  EXPECT_THAT(with("\"finer\": 1", "\"finer\": 7"),
              FailsWith(ErrorCode::kOutOfRange, "steps[2].finer"));
  EXPECT_THAT(with("\"step\": \"stack\"", "\"step\": \"bake\""),
              FailsWith(ErrorCode::kUnknownValue, "steps[2].step"));
  EXPECT_THAT(with("\"clip\"", "\"clap\""), FailsWith(ErrorCode::kMissing, "inputs.clip"));
  test::write_text(folder_ / "x.json", "[1, 2");
  EXPECT_FALSE(read_recipe(folder_ / "x.json"));
  test::write_text(folder_ / "x.json", "[1, 2]");
  EXPECT_FALSE(read_recipe(folder_ / "x.json"));
}

TEST_F(RecipeTest, AMosaicIsFinishedAndMadeAgain) {
  const Painting painting(420, 200);
  base::Random random{23};
  const image::Picture whole = image::picture_of(painting.frame({}, random, 65535));
  for (int k = 0; k < 2; ++k) {
    image::Picture panel;
    panel.width = 240;
    panel.height = 200;
    for (int y = 0; y < 200; ++y) {
      for (int x = 0; x < 240; ++x) {
        panel.values.push_back(whole.at(x + 170 * k, y));
      }
    }
    const auto file = folder_ / ("p" + std::to_string(k) + ".tif");
    ASSERT_TRUE(media::write_picture(panel, file));
    recipe_.panels.push_back(file);
  }
  recipe_.clip.clear();
  FinishWishes finish;
  finish.layers = {1.5, 1.2, 1.0, 1.0};
  finish.tint = Tint::kHydrogenAlpha;
  recipe_.finish = finish;
  Reducer reducer;
  const auto product = reducer.make(recipe_);
  ASSERT_TRUE(product) << product.error().field;
  ASSERT_TRUE(product->mosaic);
  EXPECT_EQ(product->mosaic->seams, 1);
  EXPECT_NEAR(product->picture.width, 410, 1);
  EXPECT_EQ(product->picture.planes, 3);
  ASSERT_TRUE(write_product(*product, folder_ / "m.fits"));
  const auto json = base::Json::parse(test::read_text(folder_ / "m.recipe.json"));
  EXPECT_EQ(json["steps"].back()["false_colour"], "h-alpha") << "the file says so";
  const auto again = read_recipe(folder_ / "m.fits");
  ASSERT_TRUE(again) << again.error().field;
  EXPECT_EQ(again->panels.size(), 2U);
  EXPECT_EQ(again->finish, recipe_.finish);
  const auto made = Reducer().make(*again);
  ASSERT_TRUE(made);
  EXPECT_EQ(made->picture.values, product->picture.values);
  // Finished another way, it is not joined again: the panels are not missed.
  std::filesystem::rename(recipe_.panels[0], folder_ / "elsewhere.tif");
  recipe_.finish->tint = Tint::kNone;
  EXPECT_TRUE(reducer.make(recipe_));
}

TEST_F(RecipeTest, APictureFromElsewhereIsGoneOnWith) {
  const Painting painting(160, 120);
  base::Random random{24};
  ASSERT_TRUE(media::write_png(painting.frame({}, random, 65535), folder_ / "their.png"));
  Reducer reducer;
  auto recipe = reducer.take(folder_ / "their.png");
  ASSERT_TRUE(recipe);
  EXPECT_EQ(recipe->picture, folder_ / "their.png");
  recipe->restore = RestoreWishes{};
  recipe->finish = FinishWishes{};
  recipe->finish->layers = {1.2, 1.0, 1.0, 1.0};
  const auto product = reducer.make(*recipe);
  ASSERT_TRUE(product) << product.error().field;
  ASSERT_TRUE(write_product(*product, folder_ / "ours.fits"));
  const auto again = read_recipe(folder_ / "ours.fits");
  ASSERT_TRUE(again) << again.error().field;
  const auto made = Reducer().make(*again);
  ASSERT_TRUE(made);
  EXPECT_EQ(made->picture.values, product->picture.values);
  // What is finished is begun with anew.
  const auto next = reducer.take(folder_ / "ours.fits");
  ASSERT_TRUE(next);
  EXPECT_EQ(next->picture, folder_ / "ours.fits");
  EXPECT_FALSE(next->finish);
}

TEST_F(RecipeTest, AStackIsGoneOnWithAndItsWholeWayStaysTold) {
  Reducer first;
  const auto stack = first.make(recipe_);
  ASSERT_TRUE(stack);
  ASSERT_TRUE(write_product(*stack, folder_ / "a.fits"));
  Reducer reducer;
  auto recipe = reducer.take(folder_ / "a.fits");
  ASSERT_TRUE(recipe);
  EXPECT_EQ(recipe->clip.lexically_normal(), clip_.lexically_normal());
  recipe->restore = RestoreWishes{};
  const auto sharp = reducer.make(*recipe);
  ASSERT_TRUE(sharp);
  ASSERT_TRUE(write_product(*sharp, folder_ / "b.fits"));
  const auto json = base::Json::parse(test::read_text(folder_ / "b.recipe.json"));
  EXPECT_EQ(json["steps"].size(), 4U);
  EXPECT_EQ(json["product"], "restored");
  auto of_sharp = reducer.take(folder_ / "b.fits");
  ASSERT_TRUE(of_sharp);
  of_sharp->finish = FinishWishes{};
  of_sharp->finish->layers = {1.1, 1.0, 1.0, 1.0};
  const auto finished = reducer.make(*of_sharp);
  ASSERT_TRUE(finished);
  EXPECT_EQ(base::Json::parse(finished->picture.recipe)["steps"].size(), 5U)
      << finished->picture.recipe;
}

TEST_F(RecipeTest, StoppedItLeavesNoFileBehind) {
  std::stop_source stop;
  stop.request_stop();
  const auto product = Reducer().make(recipe_, {stop.get_token(), {}});
  ASSERT_FALSE(product);
  EXPECT_EQ(product.error().code, ErrorCode::kCancelled);
  const auto made = Reducer().make(recipe_);
  ASSERT_TRUE(made);
  EXPECT_FALSE(write_product(*made, folder_ / "a.bmp"));
  EXPECT_FALSE(write_product(*made, folder_ / "nowhere/a.fits"));
  int files = 0;
  for ([[maybe_unused]] const auto& entry : std::filesystem::directory_iterator(folder_.path())) {
    ++files;
  }
  EXPECT_EQ(files, 1) << "the folder of clips alone";
}

}  // namespace
}  // namespace solarchon::reduce
