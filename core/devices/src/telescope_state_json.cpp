// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/telescope_state.h"

#include "solarchon/base/json.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::devices {

namespace {

constexpr base::Range kSide{1.0, image::kLongestSide};
constexpr base::Range kFull{1.0, 65535.0};
constexpr base::Range kExposure{1e-4, 3.6e6};
constexpr base::Range kRate{0.0, 1e5};
constexpr base::Range kTravel{0.0, 1e6};
constexpr base::Range kWarmth{-100.0, 300.0};
constexpr base::Range kSteps{0.0, kHeaterStepRange.high};
constexpr base::Range kStep{1e-4, 10.0};
constexpr base::Range kWait{0.0, 1e5};
constexpr base::Range kMoved{-1.3e6, 1.3e6};

template <typename State>
base::Result<State> read(const base::ObjectReader& reader, State state) {
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return state;
}

template <typename T>
void put(base::Json& json, const char* key, const std::optional<T>& value) {
  if (value) {
    json[key] = *value;  // what is not known is left out
  }
}

}  // namespace

base::Json to_json(const CameraState& state) {
  return {{"frames", state.frames},           {"width_px", state.width_px},
          {"height_px", state.height_px},     {"saturation", state.saturation},
          {"exposure_ms", state.exposure_ms}, {"rate_hz", state.rate_hz}};
}

base::Json to_json(const FocuserState& state) {
  base::Json json{
      {"position_um", state.position_um}, {"travel_um", state.travel_um}, {"moving", state.moving}};
  put(json, "temperature_c", state.temperature_c);
  return json;
}

base::Json to_json(const HeaterState& state) {
  base::Json json{{"step", state.step},
                  {"steps", state.steps},
                  {"step_angstrom", state.step_angstrom},
                  {"on_band", state.on_band}};
  put(json, "temperature_c", state.temperature_c);
  put(json, "wait_s", state.wait_s);
  return json;
}

base::Json to_json(const GuiderState& state) {
  return {{"west_arcsec", state.west_arcsec},
          {"north_arcsec", state.north_arcsec},
          {"moving", state.moving}};
}

base::Json to_json(const image::Rectangle& region) {
  return {{"left_px", region.left_px},
          {"top_px", region.top_px},
          {"width_px", region.width_px},
          {"height_px", region.height_px}};
}

base::Result<CameraState> camera_state_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  CameraState state;
  state.frames = reader.text("frames");
  state.width_px = reader.integer("width_px", kSide);
  state.height_px = reader.integer("height_px", kSide);
  state.saturation = reader.integer("saturation", kFull);
  state.exposure_ms = reader.number("exposure_ms", kExposure);
  state.rate_hz = reader.number_or("rate_hz", kRate, 0.0);
  return read(reader, state);
}

base::Result<FocuserState> focuser_state_from_json(const base::Json& json,
                                                   const std::string& path) {
  base::ObjectReader reader(json, path);
  FocuserState state;
  state.position_um = reader.number("position_um", kFocuserRange);
  state.travel_um = reader.number_or("travel_um", kTravel, 0.0);
  state.moving = reader.flag_or("moving", false);
  state.temperature_c = reader.optional_number("temperature_c", kWarmth);
  return read(reader, state);
}

base::Result<HeaterState> heater_state_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  HeaterState state;
  state.step = reader.integer("step", kHeaterStepRange);
  state.steps = reader.integer("steps", kSteps);
  state.step_angstrom = reader.number_or("step_angstrom", kStep, state.step_angstrom);
  state.on_band = reader.flag_or("on_band", false);
  state.temperature_c = reader.optional_number("temperature_c", kWarmth);
  state.wait_s = reader.optional_number("wait_s", kWait);
  return read(reader, state);
}

base::Result<GuiderState> guider_state_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  GuiderState state;
  state.west_arcsec = reader.number("west_arcsec", kMoved);
  state.north_arcsec = reader.number("north_arcsec", kMoved);
  state.moving = reader.flag_or("moving", false);
  return read(reader, state);
}

base::Result<image::Rectangle> region_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  image::Rectangle region;
  region.left_px = reader.integer("left_px", kRegionRange);
  region.top_px = reader.integer("top_px", kRegionRange);
  region.width_px = reader.integer("width_px", kRegionRange);
  region.height_px = reader.integer("height_px", kRegionRange);
  return read(reader, region);
}

}  // namespace solarchon::devices
