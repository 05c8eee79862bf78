// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/part_words.h"

#include <QCoreApplication>
#include <array>
#include <map>

#include "app/shell/phrases.h"

namespace solarchon::app {

namespace {

QString tr(const char* source) { return QCoreApplication::translate("parts", source); }

}  // namespace

QString kind_name(const optics::Part& part) {
  static const std::map<std::string_view, const char*> kNames{
      {"front-film", "Front filter"},
      {"energy-filter", "Rejection"},
      {"aperture-mask", "Aperture mask"},
      {"front-etalon", "Front etalon"},
      {"telescope", "Telescope"},
      {"inner-etalon", "Inner etalon"},
      {"diagonal", "Diagonal"},
      {"wedge", "Solar wedge"},
      {"cut-filter", "Cut filter"},
      {"neutral-density", "Grey filter"},
      {"band-filter", "Band filter"},
      {"polariser", "Polariser"},
      {"rear-etalon", "Rear etalon"},
      {"blocking-filter", "Blocking filter"},
      {"amplifier", "Amplifier"},
      {"reducer", "Reducer"},
      {"extension", "Extension"},
      {"tilt-adapter", "Tilt adapter"},
      {"eyepiece-filter", "Eyepiece filter"},
      {"eyepiece", "Eyepiece"},
      {"projection-screen", "Screen"},
      {"camera", "Camera"},
      {"photo-camera", "Photo camera"},
      {"phone", "Phone"},
      {"finder", "Finder"},
      {"power-supply", "Supply"}};
  const auto found = kNames.find(optics::kind_of(part));
  return found != kNames.end() ? tr(found->second)
                               : tr("Unknown: %1").arg(text(optics::kind_of(part)));
}

ParameterWords parameter_words(std::string_view key) {
  struct Row {
    const char* label;
    const char* unit;
    const char* reason;
  };
  static const std::map<std::string_view, Row> kRows{
      {"optical_density",
       {"Density", "OD", "Each step of 1 dims ten times; 5.0 is made for the eye"}},
      {"clear_aperture_mm",
       {"Clear width", "mm",
        "Light outside it is lost; leave it empty when it does not limit the beam"}},
      {"certified",
       {"Certified for the Sun", "", "Sold for the Sun, with its maker's certificate"}},
      {"material", {"Material", "", "Film or glass"}},
      {"quick_release", {"Comes off in seconds", "", "For totality: without moving the tube"}},
      {"pass_from_nm", {"Passes from", "nm", "Shortest wavelength that it lets through"}},
      {"pass_to_nm", {"Passes to", "nm", "Longest wavelength that it lets through"}},
      {"peak_transmission", {"Transmission", "", "Share of the wanted light that passes, 0 to 1"}},
      {"opening_mm", {"Opening", "mm", "Width of the hole in the mask"}},
      {"off_axis", {"Off the axis", "", "The hole misses a secondary mirror"}},
      {"bandwidth_angstrom",
       {"Bandwidth", "\u00c5", "Full width at half maximum in parallel light"}},
      {"double_stacked", {"Double", "", "Two etalons in a row: a narrower band"}},
      {"own_rejection", {"Own energy rejection", "", "Built in by its maker"}},
      {"tuning", {"Tuned by", "", "Tilt follows the weather; a pressure cell does not"}},
      {"refractive_index", {"Index of the gap", "", "1 for air, about 1.58 for mica"}},
      {"aperture_mm", {"Aperture", "mm", "Light and finest detail grow with it"}},
      {"focal_length_mm", {"Focal length", "mm", "The Sun's image is about a 107th of it"}},
      {"design", {"Design", "", "Decides what may stand behind it"}},
      {"obstruction", {"Obstruction", "", "Width of the secondary over the aperture"}},
      {"back_focus_mm",
       {"Focus behind drawtube", "mm", "From the drawtube's face to the focus, racked fully in"}},
      {"focuser_travel_mm", {"Focuser travel", "mm", "Leave it empty when it is not known"}},
      {"collimator_focal_length_mm",
       {"Collimator", "mm",
        "Focal length of the lens before it: angles grow by the telescope's over this"}},
      {"reflector", {"Reflector", "", "Mirror or prism"}},
      {"rated_aperture_mm",
       {"Made for up to", "mm", "Largest aperture that its heat trap can stand"}},
      {"built_in_density", {"Built-in density", "ND", "3.0 for the eye; 0 when taken out"}},
      {"reflected_share", {"Reflects", "", "Share of the light that goes on, about 0.046"}},
      {"heat_port", {"Heat port", "", "A trap catches the heat; an open port lets it out"}},
      {"plastic_near_port", {"Plastic near the port", "", "Caps, cables, covers"}},
      {"person_behind_port", {"Somebody behind it", "", "Stands or sits in line with the port"}},
      {"centre_nm", {"Centre", "nm", "Middle of its band"}},
      {"width_nm", {"Width", "nm", "Full width of its band"}},
      {"crossing_deg", {"Crossing", "\u00b0", "0 brightest, 90 darkest"}},
      {"open_transmission", {"When open", "", "Share that passes at its brightest"}},
      {"least_transmission", {"When crossed", "", "Share that passes at its darkest"}},
      {"telecentric_factor", {"Telecentric factor", "\u00d7", "Multiplies the focal length"}},
      {"from_focal_ratio", {"Made from f/", "", "Fastest telescope that it suits"}},
      {"to_focal_ratio", {"Made up to f/", "", "Slowest telescope that it suits"}},
      {"rejection_above_mm",
       {"Rejection from", "mm",
        "Aperture from which its maker asks for it; empty when the maker says nothing"}},
      {"tuning_range_angstrom", {"Tuning range \u00b1", "\u00c5", "Either way from its middle"}},
      {"tuning_step_angstrom", {"Tuning step", "\u00c5", "One step of its knob"}},
      {"warm_up_min", {"Warm-up", "min", "Until it is on band"}},
      {"heater_w", {"Heater", "W", "Its supply must give this and more"}},
      {"heater_v", {"Heater voltage", "V", "Its supply must have the same"}},
      {"width_angstrom", {"Width of band", "\u00c5", "Wide enough for one order"}},
      {"factor", {"Factor", "\u00d7", "Multiplies the focal length"}},
      {"lens_focal_length_mm",
       {"Own focal length", "mm",
        "With it the factor follows from where it stands; empty when not known"}},
      {"tilt_deg", {"Tilt", "\u00b0", "Of the camera behind it"}},
      {"apparent_field_deg",
       {"Apparent field", "\u00b0", "What the eye sees as the width of the view"}},
      {"field_stop_mm", {"Field stop", "mm", "Leave it empty when it is not known"}},
      {"build", {"Build", "", "Only uncemented ones may project the Sun"}},
      {"distance_mm", {"Distance", "mm", "From the eyepiece"}},
      {"people_between", {"People can get between", "", "A face in the beam is blinded"}},
      {"width_px", {"Width", "px", "Sensor, along a row"}},
      {"height_px", {"Height", "px", "Sensor, along a column"}},
      {"pixel_um", {"Pixel", "\u00b5m", "With the focal length it gives arcseconds per pixel"}},
      {"bits", {"Depth", "bit", "Steps between black and white"}},
      {"colour", {"Colour sensor", "", "A pattern of filters lies over the pixels"}},
      {"full_well_e",
       {"Full well", "e\u207b",
        "Electrons that fill a pixel; left empty, they go by its size or its ISO"}},
      {"read_noise_e", {"Read noise", "e\u207b", "Added by every reading"}},
      {"peak_quantum_efficiency", {"Peak efficiency", "", "Share of photons that count, 0 to 1"}},
      {"shortest_exposure_ms", {"Shortest", "ms", "Shutter's limit"}},
      {"longest_exposure_ms", {"Longest", "ms", "Shutter's limit"}},
      {"rotation_deg",
       {"Rotation", "\u00b0", "Turned in its holder, clockwise from the Sun's side"}},
      {"shutter", {"Shutter", "", "A rolling one reads row after row"}},
      {"frame_rate_hz", {"Frame rate", "/s", "Whole sensor at full depth"}},
      {"interface_mb_s", {"Cable carries", "MB/s", "Most bytes in a second"}},
      {"iso", {"ISO", "", "Doubling it halves the light that fills a pixel"}},
      {"viewfinder", {"Viewfinder", "", "An optical one leads to the eye"}},
      {"pupil_mm", {"Lens opening", "mm", "Entrance pupil of its lens"}},
      {"holder", {"In a holder", "", "Fixed over the eyepiece"}},
      {"finder", {"Finder", "", "A pinhole finder throws its image on a card"}},
      {"capped", {"Capped or removed", "", "Before the tube turns to the Sun"}},
      {"volts", {"Voltage", "V", "Must be what the heater asks"}},
      {"watts", {"Power", "W", "Most that it gives"}},
      {"watt_hours", {"Energy", "Wh", "Of a battery; empty from the mains"}},
      {"length_mm", {"Length", "mm", "Optical path that the part takes up"}}};
  const auto found = kRows.find(key);
  if (found == kRows.end()) {
    return {text(key), {}, {}};
  }
  return {QString::fromUtf8(found->second.label), QString::fromUtf8(found->second.unit),
          tr(found->second.reason)};
}

QString zero_words(std::string_view key) {
  static const std::map<std::string_view, const char*> kWords{{"clear_aperture_mm", "no limit"},
                                                              {"focuser_travel_mm", "not known"},
                                                              {"back_focus_mm", "not known"},
                                                              {"lens_focal_length_mm", "not known"},
                                                              {"field_stop_mm", "not known"},
                                                              {"full_well_e", "not known"},
                                                              {"rejection_above_mm", "not said"},
                                                              {"watt_hours", "mains"},
                                                              {"obstruction", "none"}};
  const auto found = kWords.find(key);
  return found != kWords.end() ? tr(found->second) : QString();
}

QString choice_word(std::string_view word) {
  static const std::map<std::string_view, const char*> kWords{
      {"film", "Film"},
      {"glass", "Glass"},
      {"tilt", "Tilt"},
      {"pressure", "Air pressure"},
      {"doublet", "Refractor, doublet"},
      {"triplet", "Refractor, triplet"},
      {"rear-group", "Refractor with rear group"},
      {"newtonian", "Newtonian"},
      {"schmidt", "Schmidt catadioptric"},
      {"maksutov", "Maksutov catadioptric"},
      {"camera-lens", "Camera lens"},
      {"binocular", "Binocular, one side"},
      {"mirror", "Mirror"},
      {"prism", "Prism"},
      {"trap", "Closed trap"},
      {"open", "Open"},
      {"uncemented", "Uncemented"},
      {"cemented", "Cemented"},
      {"plastic", "Plastic"},
      {"global", "Global"},
      {"rolling", "Rolling"},
      {"none", "None"},
      {"electronic", "Electronic"},
      {"optical", "Optical"},
      {"pinhole", "Pinhole"}};
  const auto found = kWords.find(word);
  return found != kWords.end() ? tr(found->second) : text(word);
}

QString face_name(optics::Face face) {
  static const std::array<const char*, 13> kNames{
      "Not known",          "1.25 inch barrel", "1.25 inch holder",   "2 inch barrel",
      "2 inch holder",      "M42 thread, male", "M42 thread, female", "M48 thread, male",
      "M48 thread, female", "M54 thread, male", "M54 thread, female", "C thread, male",
      "C thread, female"};
  return tr(kNames.at(static_cast<std::size_t>(face)));
}

}  // namespace solarchon::app
