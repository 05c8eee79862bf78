// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <variant>

#include "solarchon/base/json_value.h"

// The kinds of part that a light path is built from, as plain numbers. parameters.h names each
// number with its unit and range; docs/rig-format.md lists them for people. A clear aperture of 0
// means that the part does not limit the beam; a focal length, travel or full well of 0 that it is
// not known.

namespace solarchon::optics {

enum class FilterMaterial { kFilm, kGlass };

/// Full-aperture solar film or glass, in front of the telescope.
struct FrontFilm {
  double optical_density = 5.0;      ///< transmission is 10^-density
  double clear_aperture_mm = 100.0;  ///< diameter that light can pass
  bool certified = true;             ///< sold for the Sun, with its maker's certificate
  FilterMaterial material = FilterMaterial::kFilm;
  bool quick_release = true;  ///< comes off in seconds without moving the tube
  bool operator==(const FrontFilm&) const = default;
};

/// Full-aperture energy rejection: passes one broad band, keeps most heat outside the tube.
struct EnergyFilter {
  double clear_aperture_mm = 100.0;
  double pass_from_nm = 620.0;
  double pass_to_nm = 720.0;
  double peak_transmission = 0.90;
  bool operator==(const EnergyFilter&) const = default;
};

/// An opaque cover with one opening. Off its axis it misses a secondary mirror.
struct ApertureMask {
  double opening_mm = 60.0;
  bool off_axis = false;
  bool operator==(const ApertureMask&) const = default;
};

enum class Tuning { kTilt, kPressure };

/// A hydrogen-alpha etalon in front of the telescope. It needs a blocking filter behind.
struct FrontEtalon {
  double clear_aperture_mm = 60.0;
  double bandwidth_angstrom = 0.7;  ///< full width at half maximum of one pass
  bool double_stacked = false;
  bool own_rejection = true;  ///< carries its own energy rejection
  Tuning tuning = Tuning::kTilt;
  double refractive_index = 1.0;  ///< of the gap: air 1.0, mica about 1.58
  double peak_transmission = 0.60;
  bool operator==(const FrontEtalon&) const = default;
};

enum class TelescopeDesign {
  kDoublet,
  kTriplet,
  kRearGroup,  ///< a refractor with lenses deep in its tube
  kNewtonian,
  kSchmidt,   ///< Schmidt catadioptric
  kMaksutov,  ///< Maksutov catadioptric
  kCameraLens,
  kBinocular
};

struct Telescope {
  double aperture_mm = 80.0;
  double focal_length_mm = 480.0;
  TelescopeDesign design = TelescopeDesign::kDoublet;
  double obstruction = 0.0;        ///< diameter of the secondary over the aperture
  double back_focus_mm = 0.0;      ///< focus behind the drawtube's rear face, racked fully in
  double focuser_travel_mm = 0.0;  ///< 0: not known
  /// Of a telescope that is focused by moving its mirror: by how much its focal length grows for
  /// each mm by which the image lies behind back_focus_mm; 0: it does not.
  double mirror_factor = 0.0;
  bool operator==(const Telescope&) const = default;
};

/// A hydrogen-alpha etalon inside the telescope: in the parallel light that a lens makes of the
/// objective's cone, and narrower than the objective. It needs a blocking filter behind.
struct InnerEtalon {
  double clear_aperture_mm = 30.0;
  double bandwidth_angstrom = 0.7;  ///< full width at half maximum of one pass
  /// Of the lens that makes the light parallel, without its sign; angles in the field grow by the
  /// telescope's focal length over it.
  double collimator_focal_length_mm = 200.0;
  bool own_rejection = true;  ///< a filter before it keeps ultraviolet and infrared off
  Tuning tuning = Tuning::kPressure;
  double refractive_index = 1.0;
  double peak_transmission = 0.60;
  bool operator==(const InnerEtalon&) const = default;
};

enum class DiagonalKind { kMirror, kPrism };

/// Folds the path and flips the image.
struct Diagonal {
  DiagonalKind kind = DiagonalKind::kMirror;
  double clear_aperture_mm = 0.0;
  bool operator==(const Diagonal&) const = default;
};

enum class HeatPort { kTrap, kOpen };

/// A reflecting solar wedge: a few per cent go on, the rest leaves as heat through its back.
struct Wedge {
  double rated_aperture_mm = 100.0;  ///< largest telescope that its heat trap is made for
  double reflected_share = 0.046;
  double built_in_density = 3.0;  ///< neutral density that it carries; 0 when taken out
  HeatPort heat_port = HeatPort::kTrap;
  bool plastic_near_port = false;
  bool person_behind_port = false;  ///< somebody stands or sits in line with the port
  double clear_aperture_mm = 0.0;
  bool operator==(const Wedge&) const = default;
};

/// Ultraviolet and infrared cut: passes what the eye sees, 400 to 700 nm.
struct CutFilter {
  double peak_transmission = 0.95;
  bool operator==(const CutFilter&) const = default;
};

/// Grey glass for a camera or a wedge. No solar filter by itself.
struct NeutralDensity {
  double optical_density = 0.9;
  bool operator==(const NeutralDensity&) const = default;
};

/// Passes one band some nanometres wide: continuum, calcium and the like.
struct BandFilter {
  double centre_nm = 540.0;
  double width_nm = 10.0;
  double peak_transmission = 0.85;
  bool operator==(const BandFilter&) const = default;
};

/// Dims polarised or crossed light by turning.
struct Polariser {
  double crossing_deg = 0.0;         ///< 0: brightest, 90: darkest
  double open_transmission = 0.40;   ///< when brightest
  double least_transmission = 1e-4;  ///< when crossed
  bool operator==(const Polariser&) const = default;
};

/// A heated hydrogen-alpha etalon behind the telescope, with its own telecentric amplifier and
/// order-sorting filters.
struct RearEtalon {
  double bandwidth_angstrom = 0.5;
  double telecentric_factor = 4.3;
  double refractive_index = 1.58;
  /// With its order-sorting filters: what field exposures are met with, not the peak of makers.
  double peak_transmission = 0.04;
  double clear_aperture_mm = 20.0;
  double tuning_range_angstrom = 0.5;  ///< either way
  double tuning_step_angstrom = 0.1;
  double warm_up_min = 10.0;
  double heater_w = 7.5;
  double heater_v = 5.0;
  double from_focal_ratio = 4.0;  ///< of the telescope that it is made for
  double to_focal_ratio = 9.0;
  double rejection_above_mm = 0.0;  ///< aperture from which its maker asks for rejection; 0: none
  bool operator==(const RearEtalon&) const = default;
};

/// Picks one order of an etalon. Its clear width must take the whole image.
struct BlockingFilter {
  double clear_aperture_mm = 10.0;
  double width_angstrom = 6.0;
  double peak_transmission = 0.50;
  bool operator==(const BlockingFilter&) const = default;
};

/// A lens that lengthens the focal length. With a known focal length its factor follows from where
/// it stands, 1 + s/|f|; otherwise the factor is taken as stated.
struct Amplifier {
  double factor = 2.0;
  double focal_length_mm = 0.0;  ///< without its sign; 0: not known
  double clear_aperture_mm = 0.0;
  bool operator==(const Amplifier&) const = default;
};

/// A lens that shortens the focal length: 1 - s/f where its focal length is known.
struct Reducer {
  double factor = 0.5;
  double focal_length_mm = 0.0;
  double clear_aperture_mm = 0.0;
  bool operator==(const Reducer&) const = default;
};

/// A tube or ring that joins and lengthens, without glass.
struct Extension {
  double clear_aperture_mm = 0.0;
  bool operator==(const Extension&) const = default;
};

/// Holds the camera at an angle, against interference bands.
struct TiltAdapter {
  double tilt_deg = 1.0;
  bool operator==(const TiltAdapter&) const = default;
};

/// A small dark glass that screws into an eyepiece. It stands in the hot focus.
struct EyepieceFilter {
  double optical_density = 4.5;
  bool operator==(const EyepieceFilter&) const = default;
};

enum class EyepieceBuild { kUncemented, kCemented, kPlastic };

struct Eyepiece {
  double focal_length_mm = 20.0;
  double apparent_field_deg = 50.0;
  double field_stop_mm = 0.0;  ///< 0: the field follows from the apparent field
  EyepieceBuild build = EyepieceBuild::kCemented;
  bool operator==(const Eyepiece&) const = default;
};

/// A white screen behind an eyepiece.
struct ProjectionScreen {
  double distance_mm = 300.0;   ///< from the eyepiece
  bool people_between = false;  ///< anybody can put a face between eyepiece and screen
  bool boxed_in = false;        ///< walls about the beam keep faces and hands out of it
  bool operator==(const ProjectionScreen&) const = default;
};

enum class Shutter { kGlobal, kRolling };

/// A video camera.
struct Camera {
  int width_px = 2048;
  int height_px = 1536;
  double pixel_um = 3.45;
  int bits = 12;
  double full_well_e = 10000.0;  ///< electrons that give the largest number; 0: by the pixel's size
  double read_noise_e = 2.5;
  double peak_quantum_efficiency = 0.65;
  double shortest_exposure_ms = 0.02;
  double longest_exposure_ms = 60000.0;
  double rotation_deg = 0.0;  ///< turned in its holder, clockwise as seen from the Sun side
  bool colour = false;        ///< a Bayer pattern lies over the pixels
  Shutter shutter = Shutter::kGlobal;
  double frame_rate_hz = 55.0;    ///< of the whole sensor at its full depth
  double interface_mb_s = 350.0;  ///< most that its cable carries (10^6 bytes a second)
  bool operator==(const Camera&) const = default;
};

enum class Viewfinder { kNone, kElectronic, kOptical };
/// What a photographic camera writes for each picture.
enum class PhotoFiles { kRaw, kJpeg, kBoth };

/// A photographic camera without its lens.
struct PhotoCamera {
  int width_px = 6000;
  int height_px = 4000;
  double pixel_um = 3.9;
  int bits = 14;
  double iso = 100.0;
  double full_well_e = 0.0;  ///< most electrons at any ISO; 0: not known, the ISO alone rules
  double read_noise_e = 3.0;
  double peak_quantum_efficiency = 0.50;
  double shortest_exposure_ms = 0.25;
  double longest_exposure_ms = 30000.0;
  double rotation_deg = 0.0;
  Viewfinder viewfinder = Viewfinder::kElectronic;
  PhotoFiles files = PhotoFiles::kRaw;
  double frame_rate_hz = 8.0;
  bool operator==(const PhotoCamera&) const = default;
};

/// A phone or compact camera that looks into an eyepiece.
struct Phone {
  double lens_focal_length_mm = 5.0;
  int width_px = 4000;
  int height_px = 3000;
  double pixel_um = 1.4;
  int bits = 8;
  double full_well_e = 0.0;  ///< 0: by the pixel's size
  double read_noise_e = 2.0;
  double peak_quantum_efficiency = 0.60;
  double shortest_exposure_ms = 0.05;
  double longest_exposure_ms = 250.0;
  double rotation_deg = 0.0;
  double pupil_mm = 2.8;  ///< entrance pupil of its lens
  bool holder = true;     ///< an adapter holds it over the eyepiece
  bool operator==(const Phone&) const = default;
};

enum class FinderKind { kOptical, kPinhole };

/// A finder beside the telescope.
struct Finder {
  FinderKind kind = FinderKind::kOptical;
  bool capped = false;
  bool operator==(const Finder&) const = default;
};

/// Feeds heaters, mount or camera.
struct PowerSupply {
  double volts = 5.0;
  double watts = 10.0;
  double watt_hours = 0.0;  ///< of a battery; 0: from the mains or not known
  bool operator==(const PowerSupply&) const = default;
};

/// A part of a kind that this program does not know, as its file gave it.
struct UnknownPart {
  std::string kind;
  base::JsonValue original;
  bool operator==(const UnknownPart&) const = default;
};

using Part = std::variant<FrontFilm, EnergyFilter, ApertureMask, FrontEtalon, Telescope,
                          InnerEtalon, Diagonal, Wedge, CutFilter, NeutralDensity, BandFilter,
                          Polariser, RearEtalon, BlockingFilter, Amplifier, Reducer, Extension,
                          TiltAdapter, EyepieceFilter, Eyepiece, ProjectionScreen, Camera,
                          PhotoCamera, Phone, Finder, PowerSupply, UnknownPart>;

/// Where a kind belongs in the path.
enum class Zone { kFront, kTelescope, kRear, kEnd, kBeside, kUnknown };

}  // namespace solarchon::optics
