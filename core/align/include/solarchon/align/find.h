// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/range.h"
#include "solarchon/optics/rig.h"
#include "solarchon/plan/mount.h"
#include "solarchon/safety/safety.h"
#include "solarchon/sky/bodies.h"
#include "solarchon/sky/site.h"

namespace solarchon::align {

// --- The tube's own shadow ---

/// A tube's length (mm).
inline constexpr base::Range kTubeRange{50.0, 5000.0};
/// A shadow's edge is told from that of the tube's end by so much (mm).
inline constexpr double kShadowStepMm = 2.0;
/// What is usual for the rig's telescope: its focal length for refractors and Newtonian reflectors,
/// a quarter of it for folded ones; none without a telescope.
[[nodiscard]] std::optional<double> usual_tube_mm(const optics::Rig& rig);
/// How near to the Sun its smallest shadow, on a card square to it, brings a tube (arcmin).
/// @param tube_mm  within kTubeRange
[[nodiscard]] double shadow_accuracy_arcmin(double tube_mm);

/// With which field to begin.
enum class StartKind { kAsItIs, kWithoutAmplifier, kEyepiece };
inline constexpr base::EnumWords<StartKind, 3> kStartWords{
    {"as-it-is", "without-amplifier", "eyepiece"}};
struct Start {
  StartKind kind = StartKind::kAsItIs;
  std::string part = {};  ///< the amplifier's name, or the eyepiece's
  std::string part_id = {};
  double field_arcmin = 0.0;  ///< the smaller side, or the diameter
  bool enough = false;        ///< the shadow alone brings the Sun's middle into it
};

/// Ways to begin with this light path: as it stands; without its amplifiers; with an eyepiece of
/// the rig or the kit in the place of what ends the light. Ways to which a safety rule says stop
/// are left out, all of them too when the light path itself is refused.
/// @param accuracy_arcmin      as shadow_accuracy_arcmin gives it
/// @param semidiameter_arcsec  of the Sun
/// @return  the least change that is enough first, then the others by their field, widest first
[[nodiscard]] std::vector<Start> starts_of(const optics::Rig& rig,
                                           const std::vector<optics::Element>& kit,
                                           double accuracy_arcmin, double semidiameter_arcsec,
                                           const safety::Practice& practice);

// --- Circles, controllers and seekers ---

/// The Sun in every form in which a mount can be told of it.
struct SunToSet {
  double declination_deg = 0.0;      ///< of date: for the declination circle, and for a controller
  double hour_angle_deg = 0.0;       ///< west positive
  double right_ascension_deg = 0.0;  ///< of date
  double right_ascension_j2000_deg = 0.0;  ///< astrometric, ICRS
  double declination_j2000_deg = 0.0;
  double azimuth_deg = 0.0;
  double altitude_deg = 0.0;  ///< refracted: what an inclinometer on the tube has to show
};
[[nodiscard]] SunToSet sun_to_set(const sky::Observer& observer, sky::UtcTime time);

/// What a Sun seeker makes of place and time with its simplified formulas, and how far that is from
/// the truth. They take the declination for a sine of the date, and leave out equation of time and
/// refraction.
struct Seeker {
  double altitude_deg = 0.0;        ///< that it sets
  double azimuth_deg = 0.0;         ///< that it believes in
  double altitude_error_deg = 0.0;  ///< what it sets minus where the Sun is seen
  double azimuth_error_deg = 0.0;   ///< the same on the horizon
  // Shares of the altitude's error; together all of it but for 0.003 degree of parallax.
  double from_declination_deg = 0.0;
  double from_equation_of_time_deg = 0.0;  ///< with its own declination
  double from_refraction_deg = 0.0;
};
/// Source: declination 23.44 deg sin(360 deg / 365 (day of the year - 81)), hour angle from UTC and
/// longitude.
[[nodiscard]] Seeker seeker_of(const sky::Observer& observer, sky::UtcTime time);

/// The star by whose name a go-to is told of the pole, for a rough alignment on one object by day.
struct PoleMark {
  sky::PoleStar star = sky::PoleStar::kPolaris;
  double right_ascension_deg = 0.0;  ///< of date
  double declination_deg = 0.0;
  double azimuth_deg = 0.0;   ///< to set the tube to, from true north through east
  double altitude_deg = 0.0;  ///< refracted
  double from_pole_deg = 0.0;
};
[[nodiscard]] PoleMark pole_mark(const sky::Observer& observer, sky::UtcTime time);

/// How far off the Sun a go-to is expected to end (degree, one standard deviation) after a rough
/// alignment: levelled, tube to the pole (an equatorial), or to the star that marks it (an
/// alt-azimuth mount; see pole_mark), told that it sees it, sent to the Sun.
/// @param azimuth_sigma_deg  of the north that it was set to
/// Altitude and level are taken as good to kInclinometerDeg. Exact rotations.
[[nodiscard]] double rough_miss_deg(const sky::Observer& observer, sky::UtcTime time,
                                    plan::MountKind mount, double azimuth_sigma_deg);

/// Hunting with circles: at a declination the hour angle is swept until light falls through the
/// empty drawtube; then at the next declination.
struct Sweep {
  double field_deg = 0.0;                ///< of the empty drawtube
  double half_width_deg = 0.0;           ///< of hour angle, to each side
  std::vector<double> declinations_deg;  ///< in the order in which they are tried
};
/// How wide the opening is that light falls through when all behind the telescope is taken out
/// (mm): of the drawtube's own face, else of what goes into it; 31.7 where nobody says.
[[nodiscard]] double drawtube_mm(const optics::Rig& rig);
/// @param focal_length_mm  of the telescope alone, above 0
/// @param drawtube_mm      its opening, above 0
/// @param miss_deg         how far off the circles are (one standard deviation, 0 to 45); twice as
///                         much is covered
[[nodiscard]] Sweep sweep_of(double focal_length_mm, double drawtube_mm, double declination_deg,
                             double miss_deg);

// --- Other bodies ---

/// A body whose name a controller takes when it refuses the Sun: the Sun is centred, the controller
/// is told that it sees this body, and must not be sent there.
struct Neighbour {
  sky::Body body = sky::Body::kMoon;
  double separation_deg = 0.0;              ///< from the Sun, seen from the site as all of these
  double right_ascension_offset_deg = 0.0;  ///< body minus Sun, [-180, 180)
  double declination_offset_deg = 0.0;      ///< body minus Sun
  double azimuth_deg = 0.0;
  double altitude_deg = 0.0;  ///< refracted
  /// How fast the Sun then leaves the field of an alt-azimuth mount, which follows the sky as it
  /// turns where that body is; over ten minutes.
  double alt_azimuth_drift_arcsec_min = 0.0;
};
/// All that a mount knows, nearest to the Sun first.
/// Accuracy: offsets 1 arcmin.
[[nodiscard]] std::vector<Neighbour> neighbours_of(const sky::Observer& observer,
                                                   sky::UtcTime time);
/// How fast the Sun leaves the field of an equatorial mount that follows the stars (arcsec a
/// minute).
[[nodiscard]] double sidereal_drift_arcsec_min(const sky::GeocentricSun& sun);

[[nodiscard]] base::Json to_json(const Start& start);
[[nodiscard]] base::Json to_json(const SunToSet& sun);
[[nodiscard]] base::Json to_json(const PoleMark& mark);
[[nodiscard]] base::Json to_json(const Sweep& sweep);
[[nodiscard]] base::Json to_json(const Seeker& seeker);
[[nodiscard]] base::Json to_json(const Neighbour& neighbour);

}  // namespace solarchon::align
