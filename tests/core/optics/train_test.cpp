// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/train.h"

#include <cmath>

#include "tests/support/support.h"

namespace solarchon::optics {
namespace {

using test::starter_rig;
using test::with_part;

constexpr double kSemidiameter = 959.63;

Train follow(const Rig& rig) { return follow_light(rig, kSemidiameter); }

void lay_aside(Rig& rig, const std::string& id) {
  for (Element& element : rig.elements) {
    if (element.id == id) {
      element.fitted = false;
    }
  }
}

TEST(FollowLight, WorksOutTheStartersTrain) {
  // By hand: 480/80 = f/6; 206.265 * 3.45 / 480 = 1.4825; 480 * 2 tan(959.63") = 4.4664;
  // 540 nm / 80 mm = 1.3923"; 2 * 0.54 * 36 = 38.88 um; 2 * 3.45 / 0.54 = 12.78.
  const Train train = follow(starter_rig());
  EXPECT_DOUBLE_EQ(*train.effective_focal_length_mm, 480.0);
  EXPECT_DOUBLE_EQ(*train.focal_ratio, 6.0);
  EXPECT_NEAR(*train.solar_image_mm, 4.4664, 1e-4);
  EXPECT_NEAR(*train.sampling_arcsec_px, 1.4825, 1e-4);
  EXPECT_NEAR(*train.diffraction_cutoff_arcsec, 1.3923, 1e-4);
  EXPECT_NEAR(*train.airy_radius_arcsec, 1.22 * 1.3923, 1e-4);
  EXPECT_NEAR(*train.depth_of_focus_um, 38.88, 1e-9);
  EXPECT_NEAR(*train.critical_focal_ratio, 12.778, 1e-3);
  EXPECT_NEAR(*train.sampling_px_per_cutoff, 1.3923 / 1.4825, 1e-4);
  EXPECT_NEAR(*train.field_width_arcmin, 2048 * 1.4825 / 60.0, 0.01);
  EXPECT_NEAR(*train.field_height_arcmin, 1536 * 1.4825 / 60.0, 0.01);
  EXPECT_TRUE(*train.disc_fits);
}

TEST(FollowLight, TheImageIsAboutAHundredAndSeventhOfTheFocalLength) {
  const Train train = follow(starter_rig());
  EXPECT_NEAR(*train.effective_focal_length_mm / *train.solar_image_mm, 107.5, 0.1);
}

TEST(FollowLight, AmplifierAndReducerMultiply) {
  const Train longer = follow(with_part(starter_rig(), Amplifier{2.5}, 60.0));
  EXPECT_DOUBLE_EQ(*longer.effective_focal_length_mm, 1200.0);
  EXPECT_DOUBLE_EQ(*longer.focal_ratio, 15.0);
  EXPECT_FALSE(*longer.disc_fits);
  const Train shorter = follow(with_part(starter_rig(), Reducer{0.5}, 30.0));
  EXPECT_DOUBLE_EQ(*shorter.effective_focal_length_mm, 240.0);
}

TEST(FollowLight, TheDiscJustFitsAtTheEdge) {
  Rig rig = starter_rig();
  auto& camera = std::get<Camera>(rig.elements[2].part);
  const double image_px = *follow(rig).solar_image_mm * 1000.0 / camera.pixel_um;
  camera.height_px = static_cast<int>(std::ceil(image_px));
  EXPECT_TRUE(*follow(rig).disc_fits);
  camera.height_px -= 1;
  EXPECT_FALSE(*follow(rig).disc_fits);
}

TEST(FollowLight, HeatStartsWithSunlightOnTheAperture) {
  const Train train = follow(starter_rig());
  ASSERT_EQ(train.passages.size(), 3U);
  const double aperture_w = 1000.0 * 3.14159265 * 0.04 * 0.04;
  EXPECT_NEAR(train.passages[0].arriving_w, aperture_w, 1e-6);
  EXPECT_NEAR(train.passages[0].irradiance_w_cm2, 0.1, 1e-9);  // plain sunlight
  EXPECT_NEAR(train.passages[0].passed_w, aperture_w * 1e-5, 1e-12);
  EXPECT_DOUBLE_EQ(train.passages[1].arriving_w, train.passages[0].passed_w);
  EXPECT_DOUBLE_EQ(train.passages[2].passed_w, 0.0);
}

TEST(FollowLight, WithoutFilmTheFocusBurns) {
  Rig rig = starter_rig();
  lay_aside(rig, "film");
  const Train train = follow(rig);
  ASSERT_EQ(train.passages.size(), 2U);
  EXPECT_NEAR(train.passages.back().arriving_w, 5.03 * 0.98, 0.01);
  EXPECT_GT(train.passages.back().irradiance_w_cm2, 10.0);
}

TEST(FollowLight, LightBesideASmallFilmIsNotDimmed) {
  Rig rig = starter_rig();
  std::get<FrontFilm>(rig.elements[0].part).clear_aperture_mm = 40.0;
  const Train train = follow(rig);
  // Three quarters of the lens look past the film.
  EXPECT_NEAR(train.passages[1].arriving_w, 0.75 * 5.0265, 0.01);
  EXPECT_DOUBLE_EQ(train.aperture_mm, 40.0);
}

TEST(FollowLight, TheBeamNarrowsToTheImage) {
  const Train train = follow(starter_rig());
  EXPECT_DOUBLE_EQ(train.passages[1].beam_width_mm, 80.0);
  // 12.5 mm before the focus of f/6: 12.5/6 of cone and nearly all of the image.
  EXPECT_NEAR(train.passages[2].beam_width_mm, 12.5 / 6.0 + 4.4664 * (1.0 - 12.5 / 480.0), 1e-3);
  EXPECT_NEAR(train.passages[2].position_mm, 467.5, 1e-9);
}

TEST(FollowLight, AnAmplifierPushesTheFocusOut) {
  // The lens sits 72.5 mm before the new focus, so 72.5/2 before the old one: the train grows by
  // the difference.
  const Train train = follow(with_part(starter_rig(), Amplifier{2.0}, 60.0));
  ASSERT_EQ(train.passages.size(), 4U);
  EXPECT_NEAR(train.passages[2].position_mm, 480.0 - 36.25, 1e-9);
  EXPECT_NEAR(train.passages[3].position_mm, 480.0 - 36.25 + 60.0, 1e-9);
  EXPECT_NEAR(train.passages[2].beam_width_mm, 36.25 / 6.0 + 4.4664 * (1.0 - 36.25 / 480.0), 1e-3);
}

TEST(FollowLight, LeavesOutWhatLiesAside) {
  Rig rig = with_part(starter_rig(), Amplifier{2.0}, 60.0);
  lay_aside(rig, "extra");
  const Train train = follow(rig);
  EXPECT_EQ(train.passages.size(), 3U);
  EXPECT_DOUBLE_EQ(*train.effective_focal_length_mm, 480.0);
}

TEST(FollowLight, AnIncompleteRigGivesAnIncompleteAnswer) {
  EXPECT_FALSE(follow({}).focal_ratio);
  EXPECT_TRUE(follow({}).passages.empty());
  Rig rig = starter_rig();
  lay_aside(rig, "camera");
  const Train blind = follow(rig);
  EXPECT_TRUE(blind.effective_focal_length_mm);
  EXPECT_FALSE(blind.sampling_arcsec_px || blind.disc_fits);
  lay_aside(rig, "tube");
  EXPECT_FALSE(follow(rig).effective_focal_length_mm);
}

TEST(FollowLight, ACameraBeforeTheLensSeesNothing) {
  Rig rig = starter_rig();
  std::swap(rig.elements[1], rig.elements[2]);
  const Train train = follow(rig);
  EXPECT_FALSE(train.sampling_arcsec_px);
  // It ends nothing there: the light goes on to whatever stands behind the lens.
  EXPECT_EQ(train.passages.size(), 3U);
  EXPECT_GT(train.energy_share, 0.9e-5);
  EXPECT_EQ(receiver_of(rig), Receiver::kNone);
}

TEST(FollowLight, NothingIsEverNan) {
  for (const double factor : {0.1, 1.0, 10.0}) {
    for (const double length : {0.0, 12.0, 5000.0}) {
      const Train train = follow(with_part(starter_rig(), Amplifier{factor}, length));
      for (const Passage& passage : train.passages) {
        EXPECT_TRUE(std::isfinite(passage.position_mm));
        EXPECT_TRUE(std::isfinite(passage.irradiance_w_cm2));
        EXPECT_GT(passage.beam_width_mm, 0.0);
      }
    }
  }
}

Element& part(Rig& rig, std::size_t place) { return rig.elements.at(place); }

TEST(FollowLight, AnAmplifiersFactorFollowsFromWhereItStands) {
  // 70 + 12.5 mm behind a lens of -82 mm: 1 + 82.5/82 = 2.0061.
  const Train train = follow(with_part(starter_rig(), Amplifier{2.0, 82.0, 0.0}, 70.0));
  EXPECT_NEAR(*train.effective_focal_length_mm, 480.0 * (1.0 + 82.5 / 82.0), 1e-9);
  EXPECT_NEAR(*train.passages[2].factor, 2.00610, 1e-5);
  // Twice the way behind it, a factor of 1 + 165/82.
  const Train longer = follow(with_part(starter_rig(), Amplifier{2.0, 82.0, 0.0}, 152.5));
  EXPECT_NEAR(*longer.passages[2].factor, 1.0 + 165.0 / 82.0, 1e-9);
}

TEST(FollowLight, AReducersFactorFollowsFromWhereItStands) {
  // 35 + 12.5 mm behind a lens of 101 mm: 1 - 47.5/101 = 0.5297.
  const Train train = follow(with_part(starter_rig(), Reducer{0.5, 101.0, 0.0}, 35.0));
  EXPECT_NEAR(*train.passages[2].factor, 0.52970, 1e-5);
  EXPECT_FALSE(train.impossible_spacing);
  const Train beyond = follow(with_part(starter_rig(), Reducer{0.5, 40.0, 0.0}, 35.0));
  EXPECT_EQ(beyond.impossible_spacing, 2U);
  EXPECT_TRUE(std::isfinite(*beyond.effective_focal_length_mm));
}

TEST(FollowLight, TwoLensesInARowImageAsByHand) {
  // A reducer of 100 mm 40 mm before the sensor: it sees the image 40/(1 - 40/100) = 66.667 mm
  // away. An amplifier of -120 mm 50 mm before it: 1 + 116.667/120.
  Rig rig = with_part(starter_rig(), Amplifier{2.0, 120.0, 0.0}, 50.0);
  rig = with_part(rig, Reducer{0.5, 100.0, 0.0}, 27.5);
  part(rig, 3).id = "second";
  const Train train = follow(rig);
  EXPECT_NEAR(*train.passages[3].factor, 0.6, 1e-9);
  EXPECT_NEAR(*train.passages[2].factor, 1.0 + 116.6667 / 120.0, 1e-6);
  EXPECT_NEAR(*train.effective_focal_length_mm, 480.0 * 0.6 * (1.0 + 116.6667 / 120.0), 1e-3);
}

TEST(FollowLight, SaysWhereTheFocuserMustStand) {
  // 130 mm of back focus, 80 of travel: a diagonal and an adapter take 71, so it stands 59 out.
  const Train train = follow(
      test::rig_of({"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
                    "Adapter 2 inch to 1.25 inch", "Mirror diagonal 1.25 inch", "Eyepiece 20 mm"}));
  ASSERT_TRUE(train.focus);
  EXPECT_NEAR(train.focus->needed_mm, 71.0, 1e-9);
  EXPECT_NEAR(train.focus->racked_out_mm, 59.0, 1e-9);
  EXPECT_NEAR(train.focus->inward_spare_mm, 59.0, 1e-9);
  EXPECT_NEAR(train.focus->outward_spare_mm, 21.0, 1e-9);
  EXPECT_TRUE(train.focus->reached());
  EXPECT_FALSE(follow(starter_rig()).focus);  // a focuser that nobody measured
}

TEST(FollowLight, AnAmplifierGivesInwardTravelBack) {
  std::vector<std::string> names{"Solar film OD 5.0, 84 mm clear", "Doublet 80 mm f/6",
                                 "Mirror diagonal 2 inch", "Adapter 2 inch to 1.25 inch",
                                 "Mono camera 3 Mpx, 3.45 µm"};
  const Train plain = follow(test::rig_of(names));
  names.insert(names.end() - 1, "Amplifier 2x, 1.25 inch");
  const Train longer = follow(test::rig_of(names));
  // The amplifier's 70 mm and the camera's 17.5 shrink by its factor 1 + 87.5/82.
  EXPECT_NEAR(longer.focus->needed_mm - 111.0, 87.5 / (1.0 + 87.5 / 82.0), 1e-6);
  EXPECT_NEAR(plain.focus->needed_mm, 128.5, 1e-9);
}

TEST(FollowLight, LooksThroughAnEyepieceAndAPhone) {
  const Train train = follow(test::usual_train(0));
  ASSERT_TRUE(train.look);
  EXPECT_DOUBLE_EQ(train.look->magnification, 21.0);  // 420 / 20
  // The phone's lens sees an exit pupil of 3.33 mm through 3.0: 63 of 70 mm are used.
  EXPECT_NEAR(train.aperture_mm, 63.0, 1e-9);
  EXPECT_NEAR(*train.effective_focal_length_mm, 420.0 * 5.4 / 20.0, 1e-9);
  EXPECT_NEAR(*train.sampling_arcsec_px, 206.265 * 1.4 / 113.4, 1e-3);
}

TEST(FollowLight, AMaskStopsTheApertureDown) {
  const Train train = follow(test::rig_of({"Solar film OD 5.0, 204 mm clear", "Off-axis mask 60 mm",
                                           "Newtonian 200 mm f/5", "Eyepiece 25 mm"}));
  EXPECT_DOUBLE_EQ(train.aperture_mm, 60.0);
  EXPECT_DOUBLE_EQ(train.obstruction, 0.0);  // beside the secondary
  EXPECT_NEAR(train.passages[0].arriving_w, 1000.0 * 3.14159265 * 0.03 * 0.03, 1e-6);
  const Train on_axis = follow(
      test::rig_of({"Solar film OD 5.0, 204 mm clear", "Newtonian 200 mm f/5", "Eyepiece 25 mm"}));
  EXPECT_DOUBLE_EQ(on_axis.obstruction, 0.27);
}

TEST(FollowLight, AWedgeSendsAFewPerCentOn) {
  const Train train = follow(test::usual_train(1));
  const Passage& wedge = train.passages[2];
  EXPECT_NEAR(wedge.arriving_w, 5.0265 * 0.98, 1e-3);
  EXPECT_NEAR(wedge.passed_w, wedge.arriving_w * 0.046 * 1e-3, 1e-9);
  EXPECT_TRUE(train.mirrored());
  EXPECT_NEAR(train.transmission, 0.98 * 0.046 * 1e-3 * 0.85, 1e-9);
}

TEST(FollowLight, ABandFilterPassesItsShareOfSunlight) {
  const Train train = follow(test::usual_train(1));
  const Passage& camera = train.passages.back();
  // 10 nm at 540 nm hold 1.86 W/m2/nm of 1361: about 1.4 per cent.
  EXPECT_NEAR(camera.arriving_w / train.passages[3].arriving_w, 0.0137 * 0.85, 0.0012);
  EXPECT_DOUBLE_EQ(train.band.wavelength_nm, 540.0);
  EXPECT_DOUBLE_EQ(*train.band.width_nm, 10.0);
  EXPECT_DOUBLE_EQ(camera.passes_from_nm, 535.0);
}

TEST(FollowLight, TwoNarrowFiltersOfOneColourPassWhatOnePasses) {
  Rig once = test::usual_train(1);
  Rig twice = once;
  twice.elements.insert(twice.elements.begin() + 3, twice.elements[3]);
  twice.elements[3].id = "again";
  const double one = follow(once).energy_share;
  EXPECT_NEAR(follow(twice).energy_share, one * 0.85, one * 0.01);
}

TEST(FollowLight, ACutFilterKeepsAboutTheVisibleHalf) {
  const Train train = follow(test::usual_train(2));
  const Passage& cut = train.passages[1];
  EXPECT_NEAR(cut.passed_w / cut.arriving_w, 0.38, 0.05);  // 400 to 700 nm of a 5772 K body
}

TEST(FollowLight, TheRearEtalonWorksInItsSlowCone) {
  const Train train = follow(test::usual_train(2));
  ASSERT_TRUE(train.etalon);
  EXPECT_NEAR(train.etalon->focal_ratio, 6.0 * 4.3, 1e-9);
  // 6562.8 / (8 * 25.8^2 * 1.58^2) = 0.4937; hypot(0.5, 0.4937) = 0.7027.
  EXPECT_NEAR(train.etalon->bandwidth_angstrom, 0.7027, 1e-4);
  EXPECT_TRUE(train.band.line);
  EXPECT_DOUBLE_EQ(train.band.wavelength_nm, kHydrogenAlphaNm);
  EXPECT_DOUBLE_EQ(train.supply->needed_w, 7.5);
  EXPECT_DOUBLE_EQ(train.supply->offered_w, 12.0);
}

TEST(FollowLight, AnEtalonInsideTheTelescopeStandsInParallelLight) {
  // 60 mm f/8.3 with a collimator of 205 mm: a beam of 60 * 205 / 500 = 24.6 mm where it stands,
  // 295 mm behind the objective; angles grow 2.44 times, so that the limb shifts by the square of
  // that: -6562.8 / 2 * (2.439 * 0.0046524)^2 = -0.4225 angstrom.
  const Rig rig = test::rig_of({"Dedicated doublet 60 mm f/8.3",
                                "Inner etalon 25 mm, 0.7 Å, pressure", "Mirror diagonal 1.25 inch",
                                "Blocking filter 10 mm", "Mono camera 2.3 Mpx, 5.86 µm"});
  const Train train = follow(rig);
  const Passage& inner = train.passages.at(1);
  EXPECT_EQ(kind_of(rig.elements[inner.element].part), "inner-etalon");
  EXPECT_NEAR(inner.position_mm, 295.0, 1e-9);
  EXPECT_NEAR(2.0 * inner.axis_radius_mm, 24.6, 1e-9);
  EXPECT_NEAR(train.etalon->limb_shift_angstrom, -0.4225, 1e-3);
  EXPECT_DOUBLE_EQ(train.etalon->bandwidth_angstrom, 0.7);
  EXPECT_DOUBLE_EQ(train.etalon->pressure_shift_angstrom, 0.0);  // pressure is its own knob
  EXPECT_DOUBLE_EQ(*train.effective_focal_length_mm, 500.0);
  EXPECT_DOUBLE_EQ(train.aperture_mm, 60.0);
  EXPECT_NEAR(train.transmission, 0.98 * 0.60 * 0.95 * 0.50, 1e-9);
  EXPECT_TRUE(train.focus->reached());
  EXPECT_TRUE(*train.disc_fits);
  // Its own rejection meets all the heat, and lets a tenth of it on at the most.
  EXPECT_NEAR(inner.energy_share, 0.98, 1e-9);
  EXPECT_LT(train.passages.at(2).energy_share, 0.02);
  // Too small for the beam it stops the objective down; stacked it narrows the band.
  Rig narrow = rig;
  set_parameter(narrow.elements[1].part, "clear_aperture_mm", 20.5);
  EXPECT_NEAR(follow(narrow).aperture_mm, 50.0, 1e-9);
  EXPECT_NEAR(follow(test::usual_train(4)).etalon->bandwidth_angstrom, 0.7 * 0.6436, 1e-3);
}

TEST(FollowLight, ABlockingFilterHasItsMargin) {
  // 480 mm: an image of 4.47 mm; 50 mm of filter and nothing behind but the eyepiece's stop.
  const Train train = follow(test::rig_of(
      {"Front etalon 60 mm, double, 0.7 Å each", "Aperture mask 60 mm", "Doublet 80 mm f/6",
       "Adapter 2 inch to 1.25 inch", "Blocking filter 10 mm", "Eyepiece 20 mm"}));
  // The field that it leaves counts, and its glass stands at the rear of its housing.
  EXPECT_NEAR(*train.blocking_margin_mm, 10.0 - 4.4664 * (1.0 - 50.0 / 480.0), 1e-3);
  EXPECT_NEAR(train.etalon->bandwidth_angstrom, 0.7 * 0.6436, 1e-3);
  EXPECT_NEAR(train.etalon->limb_shift_angstrom, -0.0710, 1e-3);
  EXPECT_DOUBLE_EQ(train.vignetting->limb_share, 1.0);
  // At 2000 m the open gap stands about 0.39 angstrom to the blue.
  const Train high =
      follow_light(test::rig_of({"Front etalon 60 mm, 0.7 Å, tilt", "Doublet 60 mm f/6",
                                 "Blocking filter 10 mm", "Eyepiece 20 mm"}),
                   kSemidiameter, sky::standard_pressure_hpa(2000.0));
  EXPECT_NEAR(high.etalon->pressure_shift_angstrom, -0.39, 0.01);
}

TEST(FollowLight, ASmallOpeningDarkensTheLimb) {
  Rig rig = test::usual_train(2);
  set_parameter(part(rig, 4).part, "clear_aperture_mm", 15.0);
  const Train train = follow(rig);
  ASSERT_TRUE(train.vignetting);
  EXPECT_EQ(train.vignetting->element, 4U);
  EXPECT_LT(train.vignetting->limb_share, 1.0);
  EXPECT_LE(train.vignetting->corner_share, train.vignetting->limb_share);
}

TEST(FollowLight, ProjectsALargeSun) {
  const Train train =
      follow(test::rig_of({"Doublet 60 mm f/6", "Mirror diagonal 1.25 inch",
                           "Two-lens eyepiece 20 mm, uncemented", "Projection screen at 300 mm"}));
  // 18 times: half a degree becomes 9.6 degrees, 50 mm wide at 300 mm, and the exit pupil.
  EXPECT_NEAR(train.passages.back().beam_width_mm, 50.4 + 60.0 / 18.0, 0.3);
}

TEST(PictureOrientation, ARefractorTurnsThePictureUpsideDown) {
  const Rig rig = starter_rig();
  const auto orientation = picture_orientation(rig, follow(rig));
  EXPECT_DOUBLE_EQ(orientation.north_deg, 180.0);
  EXPECT_FALSE(orientation.mirrored);
}

TEST(PictureOrientation, ADiagonalMakesItUprightAndMirrored) {
  const Rig rig = with_part(starter_rig(), Diagonal{}, 65.0);
  const auto orientation = picture_orientation(rig, follow(rig));
  EXPECT_DOUBLE_EQ(orientation.north_deg, 0.0);
  EXPECT_TRUE(orientation.mirrored);
}

TEST(PictureOrientation, TwoMirrorsUndoTheFlip) {
  Rig rig = with_part(with_part(starter_rig(), Diagonal{}, 65.0), Diagonal{}, 65.0);
  rig.elements[2].id = "second";
  const auto orientation = picture_orientation(rig, follow(rig));
  EXPECT_DOUBLE_EQ(orientation.north_deg, 180.0);
  EXPECT_FALSE(orientation.mirrored);
}

TEST(PictureOrientation, TurningTheCameraTurnsThePictureBack) {
  Rig rig = starter_rig();
  std::get<Camera>(rig.elements[2].part).rotation_deg = 30.0;
  EXPECT_DOUBLE_EQ(picture_orientation(rig, follow(rig)).north_deg, 150.0);
}

TEST(MeasuredFocalLength, IsTheOneThatDrawsAsLarge) {
  // A telescope that is 2.6 per cent longer than its plate says, behind an amplifier, and one
  // whose mirror was moved for the camera.
  for (const double mirror_factor : {0.0, 3.0}) {
    Rig rig = test::usual_train(1);
    auto& tube = std::get<Telescope>(rig.elements[*find_fitted<Telescope>(rig)].part);
    tube.mirror_factor = mirror_factor;
    tube.back_focus_mm = mirror_factor > 0.0 ? 40.0 : tube.back_focus_mm;
    const double given = tube.focal_length_mm;
    tube.focal_length_mm = 1.026 * given;
    const double scale = *follow_light(rig, 960.0).sampling_arcsec_px;
    tube.focal_length_mm = given;
    const auto measured = measured_focal_length_mm(rig, scale);
    ASSERT_TRUE(measured) << mirror_factor;
    EXPECT_NEAR(*measured, 1.026 * given, 0.02) << mirror_factor;
    // Half as large: that is no error of a maker's, but another light path.
    EXPECT_FALSE(measured_focal_length_mm(rig, 2.0 * scale));
    EXPECT_FALSE(measured_focal_length_mm(rig, 0.0));
  }
  EXPECT_FALSE(measured_focal_length_mm({}, 1.0));
}

}  // namespace
}  // namespace solarchon::optics
