// SPDX-License-Identifier: GPL-3.0-or-later
// Every misfit as text, and the names of the figures that concerns turn on.
#include "solarchon/words/advise.h"

#include <algorithm>

#include "marks.h"

namespace solarchon::words {

namespace {

/// What a misfit says, by its id and its cause where there are several.
struct MisfitRow {
  std::string_view id;
  std::string_view variant;
  const char* what;
  const char* why;
};
constexpr MisfitRow kMisfits[] = {
    {"focus", "too-long", TEXT("Focus is not reached."),
     TEXT("The parts behind the telescope are longer than the focuser can rack in.")},
    {"focus", "too-short", TEXT("Focus is not reached."),
     TEXT("The focuser does not rack out far enough; an extension is missing.")},
    {"joint", "", TEXT("It cannot be fitted to the part before it."),
     TEXT("Barrels and threads do not go together without an adapter.")},
    {"impossible-spacing", "", TEXT("No image forms on the sensor."),
     TEXT("The reducer stands further from the sensor than its own focal length.")},
    {"wrong-focal-ratio", "",
     TEXT("The passband widens or the edge goes dark: little of the chromosphere shows."),
     TEXT("The light cone is not the one that this etalon is made for.")},
    {"blocking-filter-small", "", TEXT("The edge of the Sun is dark or missing."),
     TEXT("The blocking filter is smaller than the image of the disc; a larger one or a shorter "
          "focal length shows all of it, a mosaic the parts.")},
    {"vignetting", "", TEXT("The edge of the Sun is dark."),
     TEXT("An opening on the way is too narrow for the light of the limb.")},
    {"obstruction-shadow", "", TEXT("A dark spot floats in the middle."),
     TEXT("By day the pupil of an eye, and that of a phone, is small, and the shadow of the "
          "secondary "
          "fills much of it at low power.")},
    {"field-cut", "", TEXT("The eyepiece does not show the whole Sun."),
     TEXT("Its true field is smaller than the disc.")},
    {"disc-cut", "", TEXT("The sensor cuts the disc."),
     TEXT("The image of the Sun is larger than the sensor; a shorter focal length or a larger "
          "sensor "
          "shows all of it, a mosaic the parts.")},
    {"undersampled", "", TEXT("Fine detail is lost between the pixels."),
     TEXT("The pixels are too large for what lens and air can show; 2 to 3 for the finest detail "
          "suit.")},
    {"oversampled", "", TEXT("Light and frame rate are spent on blur."),
     TEXT("The pixels are smaller than lens and air can use; 2 to 3 for the finest detail suit.")},
    {"colour-in-line", "", TEXT("Three of four pixels stay dark."),
     TEXT("Hydrogen alpha passes only the red quarter of a colour sensor.")},
    {"fringes", "bands", TEXT("Bright and dark bands may cross the picture."),
     TEXT("Light of one colour interferes between sensor and filters; a small tilt makes the bands "
          "too fine to see.")},
    {"fringes", "bands-at-odds", TEXT("Bright and dark bands may cross the picture."),
     TEXT("Light of one colour interferes between sensor and filters. A tilt that hides the bands "
          "blurs the edge of this sensor: tilt less, and use a smaller region.")},
    {"fringes", "corners", TEXT("The corners are out of focus."),
     TEXT("The sensor is tilted by more than the depth of focus allows.")},
    {"fringes", "corners-at-odds", TEXT("The corners are out of focus."),
     TEXT("Light of one colour interferes between sensor and filters. A tilt that hides the bands "
          "blurs the edge of this sensor: tilt less, and use a smaller region.")},
    {"too-dim-to-see", "", TEXT("Next to nothing is visible."),
     TEXT("Together the filters leave less light than the eye needs by day: there is one too many, "
          "or their passbands do not overlap.")},
    {"too-dim-to-expose", "", TEXT("The frames stay dark."),
     TEXT("Together the filters leave so little light that the exposure becomes hopelessly long, "
          "or their passbands do not overlap.")},
    {"too-bright", "", TEXT("The disc saturates at the shortest exposure."),
     TEXT("The shutter cannot be as short as this light asks.")},
    {"dim", "", TEXT("The air blurs each frame."),
     TEXT("The exposure is longer than the air stands still.")},
    {"supply-not-listed", "", TEXT("Outside, the etalon may stay cold."),
     TEXT("The light path names no power supply for its heater; add the one that you will take "
          "along.")},
    {"supply-weak", "", TEXT("The heater reports a fault and never comes on band."),
     TEXT("The supplies listed do not give the power that it draws at its voltage; a laptop's port "
          "is usually too weak.")},
    {"defect", "", TEXT("A part has a defect on record."),
     TEXT("An inspection found it, and nobody has cleared it.")},
};

constexpr TextRow kKeyFigures[] = {
    {"pixels-per-detail", TEXT("Pixels per finest detail")},
    {"exposure", TEXT("Exposure")},
    {"tilt-wanted", TEXT("Tilt wanted")},
    {"sensor-over-image", TEXT("Sensor over image")},
    {"shadow-in-exit-pupil", TEXT("Shadow in the exit pupil")},
    {"true-field", TEXT("True field")},
    {"focus-spare", TEXT("To spare")},
    {"limb-light", TEXT("Light at the limb")},
    {"ratio-before-etalon", TEXT("Focal ratio before the etalon")},
    {"blocking-margin", TEXT("Margin")},
    {"supply", TEXT("Supply")},
    {"within-wedge-limit", TEXT("Within the wedge's limit by")},
    {"at-the-sensor", TEXT("At the sensor")},
    {"open-aperture", TEXT("Open aperture")},
    {"density-in-all", TEXT("Density in all")},
};

}  // namespace

MisfitWords misfit_words(std::string_view id, std::string_view variant, const Voice& voice) {
  const auto* found =
      std::find_if(std::begin(kMisfits), std::end(kMisfits),
                   [&](const MisfitRow& row) { return row.id == id && row.variant == variant; });
  return found != std::end(kMisfits) ? MisfitWords{voice.say(found->what), voice.say(found->why)}
                                     : MisfitWords{};
}

std::string name_of(const advise::KeyFigure& figure, const Voice& voice) {
  const char* text = text_of(kKeyFigures, figure.id);
  return text != nullptr ? voice.say(text) : std::string();
}

}  // namespace solarchon::words
