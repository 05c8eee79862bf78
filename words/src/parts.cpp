// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/words/parts.h"

#include <array>
#include <cmath>

#include "marks.h"

namespace solarchon::words {

namespace {

constexpr TextRow kKinds[] = {{"front-film", TEXT("Front filter")},
                              {"energy-filter", TEXT("Rejection")},
                              {"aperture-mask", TEXT("Aperture mask")},
                              {"front-etalon", TEXT("Front etalon")},
                              {"telescope", TEXT("Telescope")},
                              {"inner-etalon", TEXT("Inner etalon")},
                              {"diagonal", TEXT("Diagonal")},
                              {"wedge", TEXT("Solar wedge")},
                              {"cut-filter", TEXT("Cut filter")},
                              {"neutral-density", TEXT("Grey filter")},
                              {"band-filter", TEXT("Band filter")},
                              {"polariser", TEXT("Polariser")},
                              {"rear-etalon", TEXT("Rear etalon")},
                              {"blocking-filter", TEXT("Blocking filter")},
                              {"amplifier", TEXT("Amplifier")},
                              {"reducer", TEXT("Reducer")},
                              {"extension", TEXT("Extension")},
                              {"tilt-adapter", TEXT("Tilt adapter")},
                              {"eyepiece-filter", TEXT("Eyepiece filter")},
                              {"eyepiece", TEXT("Eyepiece")},
                              {"projection-screen", TEXT("Screen")},
                              {"camera", TEXT("Camera")},
                              {"photo-camera", TEXT("Photo camera")},
                              {"phone", TEXT("Phone")},
                              {"finder", TEXT("Finder")},
                              {"power-supply", TEXT("Supply")}};
constexpr const char* kUnknown = TEXT("Unknown: %1");
constexpr const char* kCutMask = TEXT("Mask cut from card, %1");

/// Label, unit and what it decides, of each property by its key in files.
struct ParameterRow {
  std::string_view key;
  const char* label;
  const char* unit;
  const char* reason;
};
constexpr ParameterRow kParameters[] = {
    {"optical_density", TEXT("Density"), "OD",
     TEXT("Each step of 1 dims ten times; 5.0 is made for the eye")},
    {"clear_aperture_mm", TEXT("Clear width"), "mm",
     TEXT("Light outside it is lost; leave it empty when it does not limit the beam")},
    {"certified", TEXT("Certified for the Sun"), "",
     TEXT("Sold for the Sun, with its maker's certificate")},
    {"material", TEXT("Material"), "", TEXT("Film or glass")},
    {"quick_release", TEXT("Comes off in seconds"), "",
     TEXT("For totality: without moving the tube")},
    {"pass_from_nm", TEXT("Passes from"), "nm", TEXT("Shortest wavelength that it lets through")},
    {"pass_to_nm", TEXT("Passes to"), "nm", TEXT("Longest wavelength that it lets through")},
    {"peak_transmission", TEXT("Transmission"), "",
     TEXT("Share of the wanted light that passes, 0 to 1")},
    {"opening_mm", TEXT("Opening"), "mm", TEXT("Width of the hole in the mask")},
    {"off_axis", TEXT("Off the axis"), "", TEXT("The hole misses a secondary mirror")},
    {"bandwidth_angstrom", TEXT("Bandwidth"), "\u00c5",
     TEXT("Full width at half maximum in parallel light")},
    {"double_stacked", TEXT("Double"), "", TEXT("Two etalons in a row: a narrower band")},
    {"own_rejection", TEXT("Own energy rejection"), "", TEXT("Built in by its maker")},
    {"tuning", TEXT("Tuned by"), "", TEXT("Tilt follows the weather; a pressure cell does not")},
    {"refractive_index", TEXT("Index of the gap"), "", TEXT("1 for air, about 1.58 for mica")},
    {"aperture_mm", TEXT("Aperture"), "mm", TEXT("Light and finest detail grow with it")},
    {"focal_length_mm", TEXT("Focal length"), "mm", TEXT("The Sun's image is about a 107th of it")},
    {"design", TEXT("Design"), "", TEXT("Decides what may stand behind it")},
    {"obstruction", TEXT("Obstruction"), "", TEXT("Width of the secondary over the aperture")},
    {"back_focus_mm", TEXT("Focus behind drawtube"), "mm",
     TEXT("From the drawtube's face to the focus, racked fully in")},
    {"mirror_factor", TEXT("Focal length per mm of back focus"), "",
     TEXT("For telescopes that focus by moving the mirror: by how many mm the focal length grows "
          "for each mm of extra back focus")},
    {"focuser_travel_mm", TEXT("Focuser travel"), "mm",
     TEXT("Leave it empty when it is not known")},
    {"collimator_focal_length_mm", TEXT("Collimator"), "mm",
     TEXT("Focal length of the lens before it: angles grow by the telescope's over this")},
    {"reflector", TEXT("Reflector"), "", TEXT("Mirror or prism")},
    {"rated_aperture_mm", TEXT("Made for up to"), "mm",
     TEXT("Largest aperture that its heat trap can stand")},
    {"built_in_density", TEXT("Built-in density"), "ND", TEXT("3.0 for the eye; 0 when taken out")},
    {"reflected_share", TEXT("Reflects"), "", TEXT("Share of the light that goes on, about 0.046")},
    {"heat_port", TEXT("Heat port"), "", TEXT("A trap catches the heat; an open port lets it out")},
    {"plastic_near_port", TEXT("Plastic near the port"), "", TEXT("Caps, cables, covers")},
    {"person_behind_port", TEXT("Somebody behind it"), "",
     TEXT("Stands or sits in line with the port")},
    {"centre_nm", TEXT("Centre"), "nm", TEXT("Middle of its band")},
    {"width_nm", TEXT("Width"), "nm", TEXT("Full width of its band")},
    {"crossing_deg", TEXT("Crossing"), "\u00b0", TEXT("0 brightest, 90 darkest")},
    {"open_transmission", TEXT("When open"), "", TEXT("Share that passes at its brightest")},
    {"least_transmission", TEXT("When crossed"), "", TEXT("Share that passes at its darkest")},
    {"telecentric_factor", TEXT("Telecentric factor"), "\u00d7",
     TEXT("Multiplies the focal length")},
    {"from_focal_ratio", TEXT("Made from f/"), "", TEXT("Fastest telescope that it suits")},
    {"to_focal_ratio", TEXT("Made up to f/"), "", TEXT("Slowest telescope that it suits")},
    {"rejection_above_mm", TEXT("Rejection from"), "mm",
     TEXT("Aperture from which its maker asks for it; empty when the maker says nothing")},
    {"tuning_range_angstrom", TEXT("Tuning range \u00b1"), "\u00c5",
     TEXT("Either way from its middle")},
    {"tuning_step_angstrom", TEXT("Tuning step"), "\u00c5", TEXT("One step of its knob")},
    {"warm_up_min", TEXT("Warm-up"), "min", TEXT("Until it is on band")},
    {"heater_w", TEXT("Heater"), "W", TEXT("Its supply must give this and more")},
    {"heater_v", TEXT("Heater voltage"), "V", TEXT("Its supply must have the same")},
    {"width_angstrom", TEXT("Width of band"), "\u00c5", TEXT("Wide enough for one order")},
    {"factor", TEXT("Factor"), "\u00d7", TEXT("Multiplies the focal length")},
    {"lens_focal_length_mm", TEXT("Own focal length"), "mm",
     TEXT("With it the factor follows from where it stands; empty when not known")},
    {"tilt_deg", TEXT("Tilt"), "\u00b0", TEXT("Of the camera behind it")},
    {"apparent_field_deg", TEXT("Apparent field"), "\u00b0",
     TEXT("What the eye sees as the width of the view")},
    {"field_stop_mm", TEXT("Field stop"), "mm", TEXT("Leave it empty when it is not known")},
    {"build", TEXT("Build"), "", TEXT("Only uncemented ones may project the Sun")},
    {"distance_mm", TEXT("Distance"), "mm", TEXT("From the eyepiece")},
    {"people_between", TEXT("People can get between"), "", TEXT("A face in the beam is blinded")},
    {"boxed_in", TEXT("Beam boxed in"), "",
     TEXT("Walls from the eyepiece to the screen, so that no face or hand gets into the beam")},
    {"width_px", TEXT("Width"), "px", TEXT("Sensor, along a row")},
    {"height_px", TEXT("Height"), "px", TEXT("Sensor, along a column")},
    {"pixel_um", TEXT("Pixel"), "\u00b5m",
     TEXT("With the focal length it gives arcseconds per pixel")},
    {"bits", TEXT("Depth"), "bit", TEXT("Steps between black and white")},
    {"colour", TEXT("Colour sensor"), "", TEXT("A pattern of filters lies over the pixels")},
    {"full_well_e", TEXT("Full well"), "e\u207b",
     TEXT("Electrons that fill a pixel; left empty, they go by its size or its ISO")},
    {"read_noise_e", TEXT("Read noise"), "e\u207b", TEXT("Added by every reading")},
    {"peak_quantum_efficiency", TEXT("Peak efficiency"), "",
     TEXT("Share of photons that count, 0 to 1")},
    {"shortest_exposure_ms", TEXT("Shortest"), "ms", TEXT("Shutter's limit")},
    {"longest_exposure_ms", TEXT("Longest"), "ms", TEXT("Shutter's limit")},
    {"rotation_deg", TEXT("Rotation"), "\u00b0",
     TEXT("Turned in its holder, clockwise from the Sun's side")},
    {"shutter", TEXT("Shutter"), "", TEXT("A rolling one reads row after row")},
    {"frame_rate_hz", TEXT("Frame rate"), "/s", TEXT("Whole sensor at full depth")},
    {"interface_mb_s", TEXT("Cable carries"), "MB/s", TEXT("Most bytes in a second")},
    {"iso", TEXT("ISO"), "", TEXT("Doubling it halves the light that fills a pixel")},
    {"files", TEXT("Writes"), "",
     TEXT("What it writes for each picture; a JPEG is a seventh of a raw file")},
    {"viewfinder", TEXT("Viewfinder"), "", TEXT("An optical one leads to the eye")},
    {"pupil_mm", TEXT("Lens opening"), "mm", TEXT("Entrance pupil of its lens")},
    {"holder", TEXT("In a holder"), "", TEXT("Fixed over the eyepiece")},
    {"finder", TEXT("Finder"), "", TEXT("A pinhole finder throws its image on a card")},
    {"capped", TEXT("Capped or removed"), "", TEXT("Before the tube turns to the Sun")},
    {"volts", TEXT("Voltage"), "V", TEXT("Must be what the heater asks")},
    {"watts", TEXT("Power"), "W", TEXT("Most that it gives")},
    {"watt_hours", TEXT("Energy"), "Wh", TEXT("Of a battery; empty from the mains")},
    {"length_mm", TEXT("Length"), "mm", TEXT("Optical path that the part takes up")}};

/// What 0 means where it is no number.
constexpr TextRow kZeros[] = {{"clear_aperture_mm", TEXT("no limit")},
                              {"focuser_travel_mm", TEXT("not known")},
                              {"mirror_factor", TEXT("none")},
                              {"back_focus_mm", TEXT("not known")},
                              {"lens_focal_length_mm", TEXT("not known")},
                              {"field_stop_mm", TEXT("not known")},
                              {"full_well_e", TEXT("not known")},
                              {"rejection_above_mm", TEXT("not said")},
                              {"watt_hours", TEXT("mains")},
                              {"obstruction", TEXT("none")}};

/// The words of choices in files.
constexpr TextRow kChoices[] = {{"film", TEXT("Film")},
                                {"glass", TEXT("Glass")},
                                {"tilt", TEXT("Tilt")},
                                {"pressure", TEXT("Air pressure")},
                                {"doublet", TEXT("Refractor, doublet")},
                                {"triplet", TEXT("Refractor, triplet")},
                                {"rear-group", TEXT("Refractor with rear group")},
                                {"newtonian", TEXT("Newtonian")},
                                {"schmidt", TEXT("Schmidt catadioptric")},
                                {"maksutov", TEXT("Maksutov catadioptric")},
                                {"camera-lens", TEXT("Camera lens")},
                                {"binocular", TEXT("Binocular, one side")},
                                {"mirror", TEXT("Mirror")},
                                {"prism", TEXT("Prism")},
                                {"trap", TEXT("Closed trap")},
                                {"open", TEXT("Open")},
                                {"uncemented", TEXT("Uncemented")},
                                {"cemented", TEXT("Cemented")},
                                {"plastic", TEXT("Plastic")},
                                {"global", TEXT("Global")},
                                {"rolling", TEXT("Rolling")},
                                {"none", TEXT("None")},
                                {"electronic", TEXT("Electronic")},
                                {"optical", TEXT("Optical")},
                                {"raw", TEXT("Raw files")},
                                {"jpeg", TEXT("JPEG files")},
                                {"raw-and-jpeg", TEXT("Both")},
                                {"pinhole", TEXT("Pinhole")}};

/// In the order of optics::Face.
constexpr std::array<const char*, 13> kFaces{
    TEXT("Not known"),          TEXT("1.25 inch barrel"),   TEXT("1.25 inch holder"),
    TEXT("2 inch barrel"),      TEXT("2 inch holder"),      TEXT("M42 thread, male"),
    TEXT("M42 thread, female"), TEXT("M48 thread, male"),   TEXT("M48 thread, female"),
    TEXT("M54 thread, male"),   TEXT("M54 thread, female"), TEXT("C thread, male"),
    TEXT("C thread, female")};

}  // namespace

std::string kind_name(const optics::Part& part, const Voice& voice) {
  const std::string kind(optics::kind_of(part));
  const char* name = text_of(kKinds, kind);
  return name != nullptr ? voice.say(name) : filled(voice.say(kUnknown), {kind});
}

std::string name_of(const optics::Element& part, const Voice& voice) {
  const auto* mask = std::get_if<optics::ApertureMask>(&part.part);
  if (!part.name.empty() || mask == nullptr) {
    return part.name.empty() ? kind_name(part.part, voice) : part.name;
  }
  return filled(voice.say(kCutMask),
                {voice.figure({std::round(mask->opening_mm), base::Unit::kMillimetre})});
}

std::vector<optics::Element> named(std::vector<optics::Element> parts, const Voice& voice) {
  for (optics::Element& part : parts) {
    part.name = voice.generic_name(part.name);
  }
  return parts;
}

optics::Rig named(optics::Rig rig, const Voice& voice) {
  rig.name = voice.generic_name(rig.name);
  rig.elements = named(std::move(rig.elements), voice);
  return rig;
}

ParameterWords parameter_words(std::string_view key, const Voice& voice) {
  const auto* found = std::find_if(std::begin(kParameters), std::end(kParameters),
                                   [&](const ParameterRow& row) { return row.key == key; });
  if (found == std::end(kParameters)) {
    return {std::string(key), {}, {}};
  }
  return {voice.say(found->label), found->unit, voice.say(found->reason)};
}

std::string zero_words(std::string_view key, const Voice& voice) {
  const char* text = text_of(kZeros, key);
  return text != nullptr ? voice.say(text) : std::string();
}

std::string choice_word(std::string_view word, const Voice& voice) {
  const char* text = text_of(kChoices, word);
  return text != nullptr ? voice.say(text) : std::string(word);
}

std::string face_name(optics::Face face, const Voice& voice) {
  return voice.say(kFaces.at(static_cast<std::size_t>(face)));
}

}  // namespace solarchon::words
