// SPDX-License-Identifier: GPL-3.0-or-later
// Mosaics, finishing and movies in Reduce, driven by keys and the pointer as a user would.
#include "app/model/movie.h"

#include <QLabel>
#include <QListWidget>
#include <QPushButton>

#include "app/model/caption.h"
#include "app/model/reduction.h"
#include "app/shell/number_field.h"
#include "app/views/reduce/movie_picture.h"
#include "app/views/reduce/reduce_view.h"
#include "app/views/reduce/swipe_picture.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/clip_reader.h"
#include "solarchon/media/picture_file.h"
#include "solarchon/workspace/clips.h"
#include "tests/app/app_support.h"
#include "tests/core/reduce/painted_sun.h"
#include "tests/core/registration/painted.h"

namespace solarchon::app {
namespace {

using test::open_window;
using test::PaintedSun;
using test::Painting;
using test::TempFolder;
using test::wait_until;

class MovieTest : public testing::Test {
 protected:
  void open() {
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
  [[nodiscard]] QString words(const char* name) const { return part<QLabel>(name)->text(); }
  void type(const char* field, const QString& value) const {
    auto* number = part<NumberField>(field);
    number->edit().setFocus();
    number->edit().selectAll();
    QTest::keyClicks(&number->edit(), value);
    QTest::keyClick(&number->edit(), Qt::Key_Return);
  }
  void press(const char* button) const {
    auto* pressed = part<QAbstractButton>(button);
    pressed->setFocus();
    QTest::keyClick(pressed, Qt::Key_Space);
  }
  bool settle() const {
    return wait_until([&] { return view_->settled() && window_->settled(); });
  }
  /// A disc of that day, as another camera angle had it.
  QString disc(const char* name, int day) {
    PaintedSun sun(500, 0.03);
    sun.blots.push_back({0.3, -0.4, -0.6, 4.0});
    base::Random random{static_cast<std::uint32_t>(day)};
    image::Picture picture = sun.picture(
        200, 190, {98.0 + day, 96.0 - day, 80.0, 40.0 * day, 1.0 - 0.05 * day, 0.003, 1.2}, random);
    picture.info.time = test::morning() + sky::days(day);
    picture.info.plate_scale_arcsec_px = 11.8;
    picture.info.orientation = sky::PictureOrientation{40.0 * day, false};
    picture.info.telescope = "School refractor";
    picture.recipe = "{}";
    const auto file = folder_ / name;
    EXPECT_TRUE(media::write_picture(picture, file));
    return QString::fromStdString(file.string());
  }
  QStringList panels() {
    const Painting painting(420, 200);
    base::Random random{23};
    const image::Picture whole = image::picture_of(painting.frame({}, random, 65535));
    QStringList files;
    for (int k = 0; k < 2; ++k) {
      image::Picture panel;
      panel.width = 240;
      panel.height = 200;
      panel.info.time = test::morning();
      for (int y = 0; y < 200; ++y) {
        for (int x = 0; x < 240; ++x) {
          panel.values.push_back(whole.at(x + 170 * k, y));
        }
      }
      panel.recipe = "{}";
      const auto file = folder_ / ("panel" + std::to_string(k) + ".fits");
      EXPECT_TRUE(media::write_picture(panel, file));
      files << QString::fromStdString(file.string());
    }
    return files;
  }
  TempFolder folder_;
  std::unique_ptr<Window> window_;
  ReduceView* view_ = nullptr;
};

TEST_F(MovieTest, FromAClipToACaptionedPictureByKeys) {
  const auto day = workspace::clips_folder(folder_.path()) / "2027-07-17";
  std::filesystem::create_directories(day);
  const Painting painting(300, 220);
  base::Random random{41};
  test::write_clip(day / "084000.fits", 40, [&](int i) {
    image::Frame frame = painting.frame(test::glimpse_of(i), random);
    frame.info.time = test::morning();
    frame.info.plate_scale_arcsec_px = 0.8;
    frame.info.orientation = sky::PictureOrientation{12.0, false};
    return frame;
  });
  open();
  auto* clips = part<QComboBox>("reduce-clips");
  clips->setFocus();
  QTest::keyClick(clips, Qt::Key_Down);
  ASSERT_TRUE(settle());
  view_->show_page("reduce-finish");
  type("reduce-layer-2", "1.6");
  press("reduce-tint-alpha");
  press("reduce-caption");
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(wait_until([&] { return part<QPushButton>("reduce-keep")->isEnabled(); }));
  EXPECT_TRUE(words("reduce-made").contains("1.")) << words("reduce-made").toStdString();
  QTest::keyClick(view_, Qt::Key_F10);
  const auto product = folder_.path() / "products/2027-07-17/084000-finished.fits";
  ASSERT_TRUE(wait_until([&] { return std::filesystem::exists(product) && view_->settled(); }));
  const auto picture = media::read_picture(product);
  ASSERT_TRUE(picture);
  EXPECT_EQ(picture->planes, 3);
  const int plain = window_->models().reduction.product()->picture.height;
  ASSERT_GT(picture->height, plain) << "a strip lies below it";
  // It is black with white words on it.
  double bright = 0.0;
  for (int y = plain; y < picture->height; ++y) {
    for (int x = 0; x < picture->width; ++x) {
      bright += picture->at(x, y) > 0.5F ? 1.0 : 0.0;
    }
  }
  const double share = bright / ((picture->height - plain) * picture->width);
  EXPECT_GT(share, 0.005);
  EXPECT_LT(share, 0.4);
  const auto recipe = reduce::read_recipe(product);
  ASSERT_TRUE(recipe) << recipe.error().field;
  EXPECT_EQ(recipe->finish->tint, reduce::Tint::kHydrogenAlpha);
  EXPECT_EQ(recipe->finish->layers[1], 1.6);
}

TEST_F(MovieTest, ChangesOfTheRecipeAreUndone) {
  open();
  view_->show_page("reduce-finish");
  EXPECT_FALSE(part<QAbstractButton>("reduce-north")->isEnabled()) << "there is nothing yet";
  view_->open_file(disc("sun.fits", 1));
  ASSERT_TRUE(settle());
  auto& reduction = window_->models().reduction;
  ASSERT_TRUE(reduction.product()) << "it is shown as it is";
  press("reduce-north");
  type("reduce-layer-1", "2");
  EXPECT_TRUE(reduction.finish().orient);
  EXPECT_EQ(reduction.finish().layers[0], 2.0);
  EXPECT_TRUE(reduction.stale());
  QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(reduction.finish().layers[0], 1.0);
  EXPECT_TRUE(reduction.finish().orient);
  QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_FALSE(reduction.finish().orient);
  EXPECT_FALSE(reduction.stale());
  window_->models().document.undo().redo();
  EXPECT_TRUE(reduction.finish().orient);
  type("reduce-radius", "50");
  press("reduce-flatten");
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(settle());
  EXPECT_EQ(reduction.product()->picture.width, 2 * 56 + 1);
  type("reduce-layer-1", "99");
  EXPECT_FALSE(part<NumberField>("reduce-layer-1")->problem().isEmpty());
  EXPECT_EQ(reduction.finish().layers[0], 1.0) << "nothing is lost";
}

TEST_F(MovieTest, APictureThatSaysNotWhereNorthIsGetsAWord) {
  open();
  view_->show_page("reduce-finish");
  const auto file = folder_ / "plain.png";
  PaintedSun sun(300, 0.03);
  base::Random random{5};
  ASSERT_TRUE(media::write_picture(
      sun.picture(200, 200, {99.0, 99.0, 80.0, 0.0, 1.0, 0.003, 1.2}, random), file));
  view_->open_file(QString::fromStdString(file.string()));
  ASSERT_TRUE(settle());
  press("reduce-north");
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(settle());
  EXPECT_FALSE(words("reduce-made").isEmpty());
  EXPECT_EQ(view_->readiness().state, safety::Severity::kCheck);
  press("reduce-north");
  EXPECT_EQ(view_->readiness().state, safety::Severity::kNoObjection);
}

TEST_F(MovieTest, PanelsBecomeAPictureAndOneTooFewIsWaitedFor) {
  const QStringList files = panels();
  open();
  view_->show_page("reduce-panels");
  view_->open_file(files[0]);
  EXPECT_FALSE(part<QPushButton>("reduce-make")->isEnabled());
  view_->open_file(files[1]);
  EXPECT_EQ(part<QListWidget>("reduce-panels")->count(), 2);
  QTest::keyClick(view_, Qt::Key_F9);
  ASSERT_TRUE(wait_until([&] { return part<QPushButton>("reduce-keep")->isEnabled(); }, 8000))
      << window_->models().reduction.problem().toStdString();
  EXPECT_NEAR(window_->models().reduction.product()->picture.width, 410, 1);
  EXPECT_TRUE(words("reduce-made").contains("px")) << words("reduce-made").toStdString();
  QTest::keyClick(view_, Qt::Key_F10);
  const auto product = folder_.path() / "products/2027-07-17/panel0-mosaic.fits";
  EXPECT_TRUE(wait_until([&] { return std::filesystem::exists(product) && view_->settled(); }));
  auto* list = part<QListWidget>("reduce-panels");
  list->setFocus();
  list->setCurrentRow(0);
  QTest::keyClick(list, Qt::Key_Delete);
  EXPECT_EQ(list->count(), 1);
}

TEST_F(MovieTest, FromAWeekToAMovieByKeys) {
  QStringList files;
  for (int i = 0; i < 4; ++i) {
    files << disc(("d" + std::to_string(i) + ".fits").c_str(), i);
  }
  open();
  view_->show_page("reduce-movie");
  EXPECT_FALSE(part<QPushButton>("movie-make")->isEnabled());
  for (const QString& file : files) {
    view_->open_file(file);
  }
  ASSERT_TRUE(settle());
  auto& movie = window_->models().movie;
  EXPECT_EQ(movie.stage(), Movie::Stage::kReady);
  EXPECT_EQ(part<QListWidget>("movie-pictures")->count(), 4);
  type("movie-between", "2");
  press("movie-back");
  press("movie-tint");
  ASSERT_TRUE(settle());
  ASSERT_TRUE(wait_until([&] { return movie.smalls().size() == 10U; }));
  EXPECT_EQ(movie.facts()->shown, 18);
  EXPECT_TRUE(words("movie-words").contains("1.5")) << "seconds, at twelve a second";
  // It plays, and goes picture by picture.
  auto* picture = part<MoviePicture>("movie-picture");
  picture->setFocus();
  QTest::keyClick(picture, Qt::Key_Space);
  EXPECT_TRUE(picture->plays());
  EXPECT_TRUE(wait_until([&] { return picture->shown() > 1; }));
  QTest::keyClick(picture, Qt::Key_Space);
  EXPECT_FALSE(picture->plays());
  QTest::keyClick(picture, Qt::Key_Home);
  QTest::keyClick(picture, Qt::Key_Right);
  EXPECT_EQ(picture->shown(), 1);
  QTest::keyClick(picture, Qt::Key_End);
  EXPECT_EQ(picture->shown(), 9);
  const auto file = folder_ / "week.mp4";
  movie.make(QString::fromStdString(file.string()));
  ASSERT_TRUE(settle());
  EXPECT_TRUE(words("movie-words").contains("week.mp4")) << words("movie-words").toStdString();
  const auto clip = media::ClipReader::open(file);
  ASSERT_TRUE(clip);
  EXPECT_EQ(clip->facts().frames, 18);
  const auto recipe = reduce::read_animation(file);
  ASSERT_TRUE(recipe);
  EXPECT_EQ(recipe->wishes.between, 2);
  // The log has it, on the day of its last picture.
  auto& log = window_->models().log;
  ASSERT_TRUE(wait_until([&] { return log.sessions().size() == 1U; }));
  log.open(log.sessions().front().id);
  ASSERT_TRUE(wait_until([&] { return log.opened() && !log.opened()->clips.empty(); }));
  const log::ClipEntry filed = log.opened()->clips.front();
  EXPECT_TRUE(filed.movie);
  EXPECT_EQ(filed.begun, test::morning() + sky::days(3));
  EXPECT_EQ(log.opened()->start.started, filed.begun);
  EXPECT_EQ(filed.frames, 18);
  EXPECT_NEAR(filed.seconds, 1.5, 1e-9);
  EXPECT_EQ(std::filesystem::path(filed.file).filename(), "week.mp4");
  QTest::keyClick(window_.get(), Qt::Key_8, Qt::ControlModifier);
  auto* lines = window_->findChild<QListWidget*>("session-frames");
  ASSERT_NE(lines, nullptr);
  EXPECT_TRUE(wait_until([&] { return lines->count() == 1; }));
  EXPECT_TRUE(lines->item(0)->text().contains("movie")) << lines->item(0)->text().toStdString();
  QTest::keyClick(window_.get(), Qt::Key_6, Qt::ControlModifier);
  QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(movie.wishes().tint, reduce::Tint::kNone);
  ASSERT_TRUE(settle());
}

TEST_F(MovieTest, WhatStopsItIsSaidAndStoppedNothingStays) {
  open();
  view_->show_page("reduce-movie");
  const auto lost = folder_ / "lost.png";
  PaintedSun sun(300, 0.03);
  base::Random random{5};
  ASSERT_TRUE(media::write_picture(
      sun.picture(200, 200, {99.0, 99.0, 80.0, 0.0, 1.0, 0.003, 1.2}, random), lost));
  view_->open_file(disc("a.fits", 0));
  view_->open_file(QString::fromStdString(lost.string()));
  ASSERT_TRUE(settle());
  auto& movie = window_->models().movie;
  EXPECT_EQ(movie.stage(), Movie::Stage::kFailed);
  EXPECT_TRUE(words("movie-words").contains("lost.png")) << words("movie-words").toStdString();
  press("movie-north");
  ASSERT_TRUE(settle());
  EXPECT_EQ(movie.stage(), Movie::Stage::kReady) << "as they were taken they can be shown";
  const auto file = folder_ / "x.mkv";
  movie.make(QString::fromStdString(file.string()));
  movie.stop();
  ASSERT_TRUE(settle());
  EXPECT_NE(movie.stage(), Movie::Stage::kWriting);
  movie.remove({QString::fromStdString(lost.string())});
  ASSERT_TRUE(settle());
  EXPECT_EQ(movie.stage(), Movie::Stage::kNothing);
}

TEST_F(MovieTest, ADaysClipsAreMadeAtOnce) {
  const auto day = workspace::clips_folder(folder_.path()) / "2027-07-17";
  std::filesystem::create_directories(day);
  const Painting painting(220, 180);
  base::Random random{41};
  for (const char* name : {"084000.fits", "084500.fits", "085000.fits"}) {
    test::write_clip(day / name, 16, [&](int i) {
      image::Frame frame = painting.frame(test::glimpse_of(i), random);
      frame.info.time = test::morning();
      return frame;
    });
  }
  test::write_text(day / "085500.fits", "SIMPLE  = broken");
  open();
  auto* clips = part<QComboBox>("reduce-clips");
  clips->setFocus();
  QTest::keyClick(clips, Qt::Key_Down);
  QTest::keyClick(clips, Qt::Key_Down);
  ASSERT_TRUE(settle());
  press("reduce-day");
  ASSERT_TRUE(wait_until([&] { return window_->models().reduction.day_made().has_value(); }));
  ASSERT_TRUE(settle());
  EXPECT_EQ(window_->models().reduction.day_made()->kept, 3);
  EXPECT_EQ(window_->models().reduction.day_made()->failed, QStringList{"085500.fits"});
  EXPECT_TRUE(words("reduce-made").contains("085500.fits"));
  EXPECT_EQ(test::session_in_log(folder_.path(), 1).frames.size(), 3U);
}

TEST_F(MovieTest, ADiscOfAnotherSizeThanTheLightPathDrawsIsSaid) {
  const auto day = workspace::clips_folder(folder_.path()) / "2027-07-17";
  std::filesystem::create_directories(day);
  const PaintedSun sun(600, 0.05);
  base::Random random{3};
  test::write_clip(day / "084000.fits", 12, [&](int i) {
    const test::SunPlace place{120.0 + 0.7 * i, 118.0 - 0.4 * i, 80.0, 0.0, 1.0, 0.003, 1.0};
    image::Frame frame = image::frame_of(sun.picture(240, 240, place, random));
    frame.info.time = test::morning();
    return frame;
  });
  open();
  auto* clips = part<QComboBox>("reduce-clips");
  clips->setFocus();
  QTest::keyClick(clips, Qt::Key_Down);
  ASSERT_TRUE(settle());
  EXPECT_TRUE(window_->models().reduction.disc_size());
  EXPECT_TRUE(words("reduce-graded").contains("times")) << words("reduce-graded").toStdString();
}

TEST(Caption, SaysWhatIsKnownAndNothingElse) {
  image::FrameInfo info;
  const auto inked = [](const QImage& strip, int from, int to) {
    int count = 0;
    for (int y = 0; y < strip.height(); ++y) {
      for (int x = from; x < to; ++x) {
        count += qGray(strip.pixel(x, y)) > 128 ? 1 : 0;
      }
    }
    return count;
  };
  EXPECT_EQ(inked(caption_strip(info, 900, false), 0, 900), 0) << "nothing is known";
  info.plate_scale_arcsec_px = 2.0;
  info.time = test::utc("2027-07-17T08:40:00Z");
  const QImage strip = caption_strip(info, 900, false);
  EXPECT_GT(inked(strip, 0, 450), 100) << "the date";
  // The Earth: 17.6 arcsec at 1 au, a little less in July; a disc of that size is drawn.
  int widest = 0;
  for (int y = 0; y < strip.height() / 2; ++y) {
    int run = 0;
    for (int x = 700; x < 900; ++x) {
      const bool white = qGray(strip.pixel(x, y)) > 128;
      if (!white && run < 30) {  // the scale is longer
        widest = std::max(widest, run);
      }
      run = white ? run + 1 : 0;
    }
  }
  EXPECT_NEAR(widest, 17.3 / 2.0, 2.0);
  for (const int narrow : {40, 120, 300, 5000}) {
    EXPECT_EQ(caption_strip(info, narrow, true).width(), narrow);
  }
}

}  // namespace
}  // namespace solarchon::app
