// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/camera/eyepiece.h"

#include <algorithm>
#include <cmath>

#include "solarchon/image/frame.h"
#include "tests/support/support.h"

namespace solarchon::camera {
namespace {

using base::ErrorCode;
using test::FailsWith;
using test::rig_of;

Shot shot_of(const optics::Rig& rig) {
  Shot shot;
  shot.rig = rig;
  shot.time = test::morning();
  shot.seeing_arcsec = 2.0;
  return shot;
}

optics::Rig film_refractor(const std::string& eyepiece = "Eyepiece 20 mm") {
  return rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6", eyepiece});
}

/// Pixels of a middle row that are brighter than a tenth of the brightest.
int lit(const image::Frame& frame) {
  const int y = frame.height / 2;
  int count = 0;
  for (int x = 0; x < frame.width; ++x) {
    count += frame.at(x, y) > frame.saturation / 14 ? 1 : 0;
  }
  return count;
}

TEST(EyeSight, TheDiscIsAsLargeInTheFieldAsItIsOnTheSky) {
  const EyeSight sight = look_through(shot_of(film_refractor()), 400).value();
  EXPECT_NEAR(sight.look.magnification, 24.0, 1e-9);
  EXPECT_NEAR(sight.look.exit_pupil_mm, 80.0 / 24.0, 1e-6);
  const double disc_deg =
      2.0 * sky::semidiameter_arcsec(sky::disc_view(test::morning()).distance_au) / 3600.0;
  EXPECT_NEAR(lit(sight.frame), 0.98 * 400 * disc_deg / sight.look.true_field_deg, 3.0);
  // A shorter eyepiece shows a part of the disc, to the round edge.
  const EyeSight close = look_through(shot_of(film_refractor("Eyepiece 8 mm")), 400).value();
  EXPECT_LT(close.look.true_field_deg, sight.look.true_field_deg);
  EXPECT_EQ(close.frame.at(2, 2), 0);
}

TEST(EyeSight, FilmOfTheEyesDensityIsEasyAndWhite) {
  const EyeSight sight = look_through(shot_of(film_refractor()), 128).value();
  // 1.6e9 cd/m2 through OD 5 with the pupil filled: some 16 000.
  EXPECT_NEAR(std::log10(sight.luminance_cd_m2), 4.2, 0.3);
  EXPECT_EQ(sight.glare, Glare::kEasy);
  EXPECT_GT(sight.colour[2], 0.85);
  const EyeSight naked =
      look_through(shot_of(rig_of({"Doublet 80 mm f/6", "Eyepiece 20 mm"})), 128).value();
  EXPECT_EQ(naked.glare, Glare::kDazzling);
  // A small exit pupil is darker, by its area.
  const EyeSight small = look_through(shot_of(film_refractor("Eyepiece 8 mm")), 128).value();
  const double share = small.look.exit_pupil_mm / 2.5;
  EXPECT_NEAR(small.luminance_cd_m2 / sight.luminance_cd_m2, share * share, 0.01);
}

TEST(EyeSight, NarrowLightHasItsColour) {
  optics::Band band;
  EXPECT_GT(colour_of(band)[2], 0.8);
  band.width_nm = 10.0;
  band.wavelength_nm = 540.0;
  EXPECT_EQ(colour_of(band)[1], 1.0);
  EXPECT_LT(colour_of(band)[0], 0.6);
  band.wavelength_nm = 656.28;
  band.line = true;
  EXPECT_EQ(colour_of(band)[0], 1.0);
  EXPECT_LT(colour_of(band)[1], 0.1);
  band.wavelength_nm = 395.0;
  band.line = false;
  EXPECT_EQ(colour_of(band)[2], 1.0);
}

TEST(EyeSight, ALowPowerShowsTheSecondarysShadow) {
  const auto sight = [](const std::string& eyepiece) {
    return look_through(shot_of(rig_of(
                            {"Solar film OD 5.0, 204 mm clear", "Newtonian 200 mm f/5", eyepiece})),
                        200)
        .value();
  };
  const EyeSight low = sight("Eyepiece 32 mm");
  const EyeSight high = sight("Eyepiece 8 mm");
  EXPECT_TRUE(low.shadow_seen);
  EXPECT_FALSE(high.shadow_seen);
  EXPECT_FALSE(look_through(shot_of(film_refractor()), 200)->shadow_seen);
  // The middle of the field is darker than half-way out on the disc.
  EXPECT_LT(low.frame.at(100, 100), 0.9 * low.frame.at(119, 100));
}

TEST(EyeSight, RefusesWhatHasNoEyepieceOrACameraBehind) {
  EXPECT_THAT(look_through(shot_of(test::starter_rig()), 200),
              FailsWith(ErrorCode::kMissing, "rig"));
  EXPECT_THAT(look_through(shot_of(optics::Rig{}), 200), FailsWith(ErrorCode::kMissing, "rig"));
  EXPECT_THAT(look_through(shot_of(film_refractor()), 10),
              FailsWith(ErrorCode::kOutOfRange, "side_px"));
  EXPECT_THAT(look_through(shot_of(test::usual_train(0)), 200),
              FailsWith(ErrorCode::kMissing, "rig"));
}

TEST(Phone, HasTheEyepiecesRoundFieldInItsPictureAndAZoomLosesIt) {
  optics::Rig rig = test::usual_train(0);
  const auto element = optics::sensor_of(rig)->element;
  auto& phone = std::get<optics::Phone>(rig.elements[element].part);
  const optics::Train train = optics::follow_light(rig, 944.0);
  const double zoom = zoom_that_fills(rig, train).value();
  EXPECT_GT(zoom, 1.05);
  Shot shot = shot_of(rig);
  shot.exposure_ms = 1.0;
  shot.electrons_per_ms = 0.7 * optics::sensor_of(rig)->camera.full_well_e;
  // Point beside the Sun, so that its disc reaches over the field's edge.
  const double field_arcsec = 3600.0 * train.look->true_field_deg;
  shot.target = {0.5 * field_arcsec, 0.0};
  shot.pointing_spread_px = 0.0;
  shot = binned(shot, 400);
  const Recording cut = simulate(shot).value();
  int bright = 0;
  double farthest = 0.0;
  for (int y = 0; y < cut.frame.height; ++y) {
    for (int x = 0; x < cut.frame.width; ++x) {
      if (cut.frame.at(x, y) > cut.frame.saturation / 4) {
        ++bright;
        farthest = std::max(farthest, std::hypot(x - 0.5 * (cut.frame.width - 1),
                                                 y - 0.5 * (cut.frame.height - 1)));
      }
    }
  }
  EXPECT_GT(bright, 500);
  EXPECT_NEAR(farthest * cut.truth.plate_scale_arcsec_px, 0.5 * field_arcsec,
              3.0 * cut.truth.plate_scale_arcsec_px);
  phone.lens_focal_length_mm *= 1.01 * zoom;
  EXPECT_EQ(zoom_that_fills(rig, optics::follow_light(rig, 944.0)).value(), 1.0);
  EXPECT_FALSE(
      zoom_that_fills(test::starter_rig(), optics::follow_light(test::starter_rig(), 944.0)));
}

}  // namespace
}  // namespace solarchon::camera
