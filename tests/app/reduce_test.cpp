// SPDX-License-Identifier: GPL-3.0-or-later
// Reduce, driven by keys and the pointer as a user would.
#include <QComboBox>
#include <QLabel>
#include <QPushButton>

#include "app/model/reduction.h"
#include "app/shell/number_field.h"
#include "app/views/reduce/clip_ribbon.h"
#include "app/views/reduce/reduce_view.h"
#include "app/views/reduce/swipe_picture.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/workspace/clips.h"
#include "tests/app/app_support.h"
#include "tests/core/registration/painted.h"

namespace solarchon::app {
namespace {

using test::glimpse_of;
using test::open_window;
using test::Painting;
using test::TempFolder;
using test::wait_until;

class ReduceTest : public testing::Test {
 protected:
  void SetUp() override {
    const auto day = workspace::clips_folder(folder_.path()) / "2027-07-17";
    std::filesystem::create_directories(day);
    clip_ = day / "084000.fits";
    const Painting painting(300, 220);
    base::Random random{41};
    test::write_clip(clip_, 60, [&](int i) {
      image::Frame frame = painting.frame(glimpse_of(i), random);
      frame.info.time = test::morning();
      return frame;
    });
    window_ = open_window(folder_.path(), test::morning_workspace(test::quick_rig()));
    QTest::keyClick(window_.get(), Qt::Key_6, Qt::ControlModifier);
    view_ = window_->findChild<ReduceView*>();
    ASSERT_TRUE(view_->isVisible());
  }
  template <typename Kind>
  Kind* part(const char* name) const {
    Kind* found = window_->findChild<Kind*>(QLatin1String(name));
    EXPECT_NE(found, nullptr) << name;
    return found;
  }
  /// The clip is chosen with the keys of the list, and graded.
  void take_clip() {
    auto* clips = part<QComboBox>("reduce-clips");
    clips->setFocus();
    QTest::keyClick(clips, Qt::Key_Down);
    ASSERT_TRUE(wait_until(
        [&] { return part<QPushButton>("reduce-make")->isEnabled() && view_->settled(); }));
  }
  [[nodiscard]] QString words(const char* name) const { return part<QLabel>(name)->text(); }

  TempFolder folder_;
  std::filesystem::path clip_;
  std::unique_ptr<Window> window_;
  ReduceView* view_ = nullptr;
};

TEST_F(ReduceTest, FromAClipToAPictureInTheLogByKeys) {
  take_clip();
  EXPECT_TRUE(words("reduce-graded").contains("60"));
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(wait_until([&] { return part<QPushButton>("reduce-keep")->isEnabled(); }));
  // The swipe goes with the keys, and pixels are shown as they are.
  auto* picture = part<SwipePicture>("reduce-picture");
  picture->setFocus();
  const double before = picture->swipe();
  QTest::keyClick(picture, Qt::Key_Right);
  EXPECT_GT(picture->swipe(), before);
  QTest::keyClick(picture, Qt::Key_Home);
  EXPECT_EQ(picture->swipe(), 0.0);
  QTest::keyClick(picture, Qt::Key_Z);
  EXPECT_TRUE(picture->close());
  QTest::keyClick(view_, Qt::Key_F10);
  const auto product = folder_.path() / "products/2027-07-17/084000-stack.fits";
  ASSERT_TRUE(wait_until([&] { return std::filesystem::exists(product) && view_->settled(); }));
  EXPECT_TRUE(std::filesystem::exists(reduce::recipe_beside(product)));
  EXPECT_TRUE(reduce::read_recipe(product)) << "it can be made again";
  EXPECT_TRUE(words("reduce-made").contains("084000-stack.fits"));
  ASSERT_TRUE(wait_until([&] { return window_->settled(); }));
  const log::Session session = test::session_in_log(folder_.path(), 1);
  ASSERT_EQ(session.frames.size(), 1U);
  EXPECT_EQ(session.frames[0].file, "products/2027-07-17/084000-stack.fits");
  EXPECT_EQ(session.frames[0].kind, log::PictureKind::kStack);
  ASSERT_EQ(session.frames[0].made_of.size(), 1U);
  EXPECT_TRUE(session.frames[0].made_of.front().ends_with("084000.fits"));
  // It is what Measure shows next, and the log has its limb where it has one.
  const auto& shown = window_->models().frame.shown();
  ASSERT_TRUE(shown);
  EXPECT_EQ(shown->file.toStdString(), product.string());
  EXPECT_EQ(session.frames[0].measurement.has_value(), shown->measurement.has_value());
}

TEST_F(ReduceTest, TheRuleChoosesFramesAndTheRibbonShowsThem) {
  take_clip();
  QTest::mouseClick(part<QPushButton>("reduce-all"), Qt::LeftButton);
  EXPECT_TRUE(words("reduce-keeps").startsWith("60 ")) << words("reduce-keeps").toStdString();
  QTest::mouseClick(part<QPushButton>("reduce-level"), Qt::LeftButton);
  const QString at_median = words("reduce-keeps");
  auto* ribbon = part<ClipRibbon>("reduce-ribbon");
  ribbon->setFocus();
  for (int i = 0; i < 6; ++i) {
    QTest::keyClick(ribbon, Qt::Key_Up);
  }
  EXPECT_NE(words("reduce-keeps"), at_median) << "a higher level keeps fewer";
  QTest::keyClick(ribbon, Qt::Key_Home);
  ASSERT_TRUE(wait_until([&] { return view_->settled(); }));
  QTest::keyClick(ribbon, Qt::Key_Right);
  ASSERT_TRUE(wait_until([&] { return view_->settled(); }));
  QTest::mouseClick(ribbon, Qt::LeftButton, {}, QPoint(ribbon->width() / 2, 40));
  ASSERT_TRUE(wait_until([&] { return view_->settled(); }));
  QTest::mouseClick(part<QPushButton>("reduce-proposed"), Qt::LeftButton);
  EXPECT_TRUE(part<QPushButton>("reduce-best")->isChecked());
}

TEST_F(ReduceTest, TheLevelIsDraggedInTheRibbon) {
  take_clip();
  QTest::mouseClick(part<QPushButton>("reduce-level"), Qt::LeftButton);
  auto* ribbon = part<ClipRibbon>("reduce-ribbon");
  // The line stands somewhere: from the top down, the first place that moves it is it.
  const double before = window_->models().reduction.keep().level;
  for (int y = 22; y < ribbon->height() - 80; y += 4) {
    QTest::mousePress(ribbon, Qt::LeftButton, {}, QPoint(ribbon->width() / 2, y));
    QTest::mouseMove(ribbon, QPoint(ribbon->width() / 2, y - 12));
    QTest::mouseRelease(ribbon, Qt::LeftButton, {}, QPoint(ribbon->width() / 2, y - 12));
    if (window_->models().reduction.keep().level != before) {
      break;
    }
  }
  EXPECT_NE(window_->models().reduction.keep().level, before);
  ASSERT_TRUE(wait_until([&] { return view_->settled(); }));
}

TEST_F(ReduceTest, KeysGoThroughTheClip) {
  take_clip();
  auto* ribbon = part<ClipRibbon>("reduce-ribbon");
  ribbon->setFocus();
  QTest::keyClick(ribbon, Qt::Key_Home);
  EXPECT_EQ(window_->models().reduction.chosen(), 0);
  QTest::keyClick(ribbon, Qt::Key_Left);
  EXPECT_EQ(window_->models().reduction.chosen(), 0) << "there is none before it";
  QTest::keyClick(ribbon, Qt::Key_Right);
  EXPECT_EQ(window_->models().reduction.chosen(), 1);
  QTest::keyClick(ribbon, Qt::Key_PageDown);
  EXPECT_GT(window_->models().reduction.chosen(), 1);
  QTest::keyClick(ribbon, Qt::Key_End);
  EXPECT_EQ(window_->models().reduction.chosen(), 59);
  QTest::keyClick(ribbon, Qt::Key_PageUp);
  EXPECT_LT(window_->models().reduction.chosen(), 59);
  ASSERT_TRUE(wait_until([&] { return view_->settled(); }));
  ASSERT_TRUE(window_->models().reduction.shown());
}

TEST_F(ReduceTest, AWrongShareIsAnsweredAndNothingIsLost) {
  take_clip();
  auto* share = part<NumberField>("reduce-share");
  const double before = window_->models().reduction.keep().share;
  share->edit().setFocus();
  share->edit().selectAll();
  QTest::keyClicks(&share->edit(), "500");
  QTest::keyClick(&share->edit(), Qt::Key_Return);
  EXPECT_FALSE(share->problem().isEmpty());
  EXPECT_EQ(window_->models().reduction.keep().share, before);
  share->edit().selectAll();
  QTest::keyClicks(&share->edit(), "50");
  QTest::keyClick(&share->edit(), Qt::Key_Return);
  EXPECT_EQ(window_->models().reduction.kept().size(), 30U);
}

TEST_F(ReduceTest, ADarkThatDoesNotFitIsSaidAndTheClipStays) {
  const Painting another(120, 100);
  base::Random random{43};
  test::write_clip(folder_ / "dark.fits", 3, [&](int) { return another.frame({}, random); });
  take_clip();
  window_->models().reduction.set_dark(QString::fromStdString((folder_ / "dark.fits").string()));
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(wait_until([&] { return view_->settled(); }));
  EXPECT_FALSE(words("reduce-made").isEmpty());
  EXPECT_EQ(view_->readiness().state, safety::Severity::kCheck);
  window_->models().reduction.set_dark({});
  EXPECT_EQ(view_->readiness().state, safety::Severity::kNoObjection);
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(wait_until([&] { return part<QPushButton>("reduce-keep")->isEnabled(); }));
}

TEST_F(ReduceTest, ItIsExportedWithItsRecipe) {
  take_clip();
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(wait_until([&] { return part<QPushButton>("reduce-keep")->isEnabled(); }));
  for (const char* name : {"out.png", "out.tiff", "out.fits"}) {
    window_->models().reduction.save_to(QString::fromStdString((folder_ / name).string()));
    ASSERT_TRUE(wait_until([&] { return view_->settled(); }));
    EXPECT_TRUE(media::read_frame(folder_ / name)) << name;
  }
  EXPECT_TRUE(reduce::read_recipe(folder_ / "out.recipe.json"));
}

TEST_F(ReduceTest, AChangedRecipeAsksToBeMadeAgain) {
  take_clip();
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(wait_until([&] { return part<QPushButton>("reduce-keep")->isEnabled(); }));
  const QString made = words("reduce-made");
  part<QAbstractButton>("reduce-finer")->click();
  EXPECT_NE(words("reduce-made"), made);
  part<QAbstractButton>("reduce-finer")->click();
  EXPECT_EQ(words("reduce-made"), made) << "as it was: nothing has to be done";
}

TEST_F(ReduceTest, TheBlurIsUndoneWithoutStackingAgain) {
  take_clip();
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(wait_until([&] { return part<QPushButton>("reduce-keep")->isEnabled(); }));
  part<QAbstractButton>("reduce-restores")->click();
  auto* air = part<NumberField>("reduce-air");
  air->edit().setFocus();
  QTest::keyClicks(&air->edit(), "6");
  QTest::keyClick(&air->edit(), Qt::Key_Return);
  // The clip is gone: the stack is not made again.
  std::filesystem::rename(clip_, folder_ / "elsewhere.fits");
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(wait_until([&] {
    const auto& product = window_->models().reduction.product();
    return product && product->restored && view_->settled();
  }));
  EXPECT_EQ(window_->models().reduction.recipe().restore->r0_cm, 6.0);
  EXPECT_TRUE(words("reduce-made").contains("%"));
}

TEST_F(ReduceTest, StoppedItGoesBackToTheGradedClip) {
  take_clip();
  QTest::keyClick(view_, Qt::Key_F9);
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(wait_until([&] { return view_->settled(); }));
  EXPECT_TRUE(part<QPushButton>("reduce-make")->isEnabled());
  EXPECT_FALSE(std::filesystem::exists(folder_.path() / "products"));
}

TEST_F(ReduceTest, AClipOfNothingGetsAWord) {
  const auto empty = folder_ / "cloud.fits";
  base::Random random{42};
  test::write_clip(empty, 10, [&](int) {
    image::Frame frame;
    frame.width = 200;
    frame.height = 160;
    frame.saturation = 255;
    for (int i = 0; i < 200 * 160; ++i) {
      frame.pixels.push_back(static_cast<std::uint16_t>(120.0 + 3.0 * random.normal()));
    }
    return frame;
  });
  view_->open_file(QString::fromStdString(empty.string()));
  ASSERT_TRUE(wait_until([&] { return view_->settled(); }));
  EXPECT_TRUE(words("reduce-graded").contains("frame to frame"))
      << words("reduce-graded").toStdString();
  EXPECT_FALSE(part<QPushButton>("reduce-make")->isEnabled());
  EXPECT_EQ(view_->readiness().state, safety::Severity::kCheck);
  // And another one makes it good.
  view_->open_file(QString::fromStdString(clip_.string()));
  ASSERT_TRUE(wait_until([&] { return view_->settled(); }));
  EXPECT_TRUE(part<QPushButton>("reduce-make")->isEnabled());
}

}  // namespace
}  // namespace solarchon::app
