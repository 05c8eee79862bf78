// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <optional>
#include <vector>

#include "solarchon/optics/etalon.h"
#include "solarchon/optics/looking.h"
#include "solarchon/optics/rig.h"
#include "solarchon/sky/disc.h"
#include "solarchon/sky/site.h"

namespace solarchon::optics {

/// Wavelength that stands for white light (nm): the eye's and silicon's middle.
inline constexpr double kWhiteLightNm = 540.0;
/// Sunlight on the aperture (W/m2): a clear day, the Sun high.
inline constexpr double kSunlightWM2 = 1000.0;

/// What one fitted part meets.
struct Passage {
  std::size_t element = 0;      ///< place in the rig
  double position_mm = 0.0;     ///< along the axis, 0 at the telescope's lens, to its front face
  double beam_width_mm = 0.0;   ///< light that heads for the image of the Sun, at its front face
  double axis_radius_mm = 0.0;  ///< of the light that heads for the middle of the disc
  double limb_offset_mm = 0.0;  ///< how far from the axis the light for the limb is centred
  double image_mm = 0.0;        ///< image of the Sun, were the path to end with the lenses so far
  double arriving_w = 0.0;
  double passed_w = 0.0;
  /// Arriving power over the width of the beam; at a sensor over the image of the Sun on it.
  double irradiance_w_cm2 = 0.0;
  double energy_share = 0.0;    ///< of the sunlight on the aperture that arrives
  double passes_from_nm = 0.0;  ///< colours that go on behind it, all filters so far together
  double passes_to_nm = 1e6;
  std::optional<double> factor = {};  ///< of a lens that changes the focal length, where it stands
};

/// The colours that make the image.
struct Band {
  double wavelength_nm = kWhiteLightNm;  ///< that the figures hold for
  std::optional<double> width_nm;        ///< full width at half maximum of a narrow band
  double from_nm = 0.0;                  ///< what wide filters leave
  double to_nm = 1e6;
  bool line = false;  ///< an etalon or blocking filter picks hydrogen alpha
};

/// How the etalons of a train stand on the line.
struct EtalonFigures {
  double bandwidth_angstrom = 0.0;       ///< of all together, cones counted
  double focal_ratio = 0.0;              ///< of the cone at a rear etalon; 0 with front ones only
  double limb_shift_angstrom = 0.0;      ///< passband at the disc's edge against its middle
  double pressure_shift_angstrom = 0.0;  ///< of open gaps, against sea level
};

/// Where the focuser must stand.
struct Focus {
  double needed_mm = 0.0;         ///< from the drawtube's face to the telescope's own focus
  double racked_out_mm = 0.0;     ///< of the drawtube; outside 0..travel it is not reached
  double inward_spare_mm = 0.0;   ///< negative: the train is so much too long
  double outward_spare_mm = 0.0;  ///< negative: an extension of so much is missing
  [[nodiscard]] bool reached() const { return inward_spare_mm >= 0.0 && outward_spare_mm >= 0.0; }
};

/// Light that openings on the way take from the image.
struct Vignetting {
  double limb_share = 1.0;    ///< of the light for the Sun's limb that arrives
  double corner_share = 1.0;  ///< of the light for the sensor's corner; 1 without a sensor
  double field_arcmin = 0.0;  ///< diameter inside which half the light or more arrives
  std::size_t element = 0;    ///< the part that takes most from the limb
};

/// Heaters against what feeds them.
struct Supply {
  double needed_w = 0.0;
  double offered_w = 0.0;  ///< by the strongest supply of the voltage needed: two are not joined
  bool wrong_voltage = false;  ///< supplies are listed, none has the right voltage
  bool listed = false;
};

/// What a train of parts does to sunlight. A figure is absent when the part it needs is absent.
struct Train {
  std::vector<Passage> passages;  ///< fitted parts in the light, in order
  double transmission = 1.0;      ///< at the band's wavelength, of all parts before the sensor
  double energy_share = 1.0;      ///< of all sunlight on the aperture, before sensor, screen or eye
  double luminous_share = 1.0;    ///< the same of what the eye sees of it
  double aperture_mm = 0.0;       ///< what filters, masks and lens leave; 0 without a telescope
  double obstruction = 0.0;       ///< secondary over that aperture
  int mirrors = 0;
  bool half_turn = false;  ///< telescopes turn the image by 180 degrees, binoculars turn it back
  Band band;
  std::optional<double> effective_focal_length_mm;
  std::optional<double> focal_ratio;
  std::optional<double> solar_image_mm;
  std::optional<double> diffraction_cutoff_arcsec;  ///< lambda / D
  std::optional<double> airy_radius_arcsec;         ///< 1.22 lambda / D
  std::optional<double> depth_of_focus_um;          ///< either way: 2 lambda N^2
  std::optional<double> sampling_arcsec_px;
  std::optional<double> sampling_px_per_cutoff;  ///< 2 is critical
  std::optional<double> critical_focal_ratio;    ///< 2 p / lambda
  std::optional<double> field_width_arcmin;
  std::optional<double> field_height_arcmin;
  std::optional<bool> disc_fits;  ///< the whole disc lies within the sensor when centred
  std::optional<EtalonFigures> etalon;
  std::optional<LineBand> line;              ///< where hydrogen alpha is picked
  std::optional<double> blocking_margin_mm;  ///< clear width less the image of the disc there
  std::optional<Vignetting> vignetting;      ///< none where no part limits the beam
  std::optional<Look> look;                  ///< through an eyepiece
  std::optional<Fringes> fringes;            ///< narrow bands on a sensor
  std::optional<Focus> focus;                ///< none where the focuser is not known
  std::optional<Supply> supply;              ///< none without a heater
  std::vector<Joint> joints;
  std::optional<std::size_t> impossible_spacing;  ///< a reducer beyond its own focal length

  /// True when the picture is mirrored left to right against the sky.
  [[nodiscard]] bool mirrored() const { return mirrors % 2 == 1; }
};

/// Follows sunlight through the fitted parts of a rig.
/// @param semidiameter_arcsec  of the Sun, above 0
/// @param pressure_hpa         of the air in open etalon gaps
/// Never fails: an incomplete rig gives an incomplete answer. Only the first telescope and what
/// ends the light behind it count. Parts that belong behind a telescope dim nothing in front of it.
/// Accuracy: geometric optics with thin lenses at the Sun's side of each part; heat with glass of
/// 98 and mirrors of 95 per cent, sunlight as a black body of 5772 K and 1000 W/m2.
/// Source: focal length, sampling, diffraction and depth of focus as in any optics text (Born and
/// Wolf, Principles of Optics, 8.5.2 and 8.8.2); critical sampling is two pixels per lambda N.
[[nodiscard]] Train follow_light(const Rig& rig, double semidiameter_arcsec,
                                 double pressure_hpa = sky::kSeaLevelHpa);

/// The focal length of the telescope (mm) with which the picture on the sensor is as large as it
/// was measured, a moved mirror's share left out.
/// @param scale_arcsec_px  measured, on the sensor's own pixels
/// @return                 none without telescope and camera, and where it differs by more than a
///                         third from what the rig says: then the picture is from another path
/// Accuracy: that of the scale.
[[nodiscard]] std::optional<double> measured_focal_length_mm(const Rig& rig,
                                                             double scale_arcsec_px);

/// Where celestial north lies in the picture on the sensor, for a camera on an equatorial mount
/// whose rotation of 0 has its top edge to the north.
[[nodiscard]] sky::PictureOrientation picture_orientation(const Rig& rig, const Train& train);

}  // namespace solarchon::optics
