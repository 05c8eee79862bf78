// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include "solarchon/base/json.h"
#include "solarchon/sky/eclipse.h"

namespace solarchon::sky {

using base::Json;

namespace {

/// To a tenth of a second, which is more than any of them is known to.
Json time_json(UtcTime time) {
  constexpr std::int64_t kTenth_ms = 100;
  const std::int64_t tenths =
      std::llround(static_cast<double>(time.unix_ms) / static_cast<double>(kTenth_ms));
  return to_iso(UtcTime{tenths * kTenth_ms});
}

void add_contact(Json& json, const std::string& name, const Contact* contact) {
  const auto put = [&](const char* what, const Json& value) { json[name + what] = value; };
  put("_utc", contact ? time_json(contact->time) : Json(nullptr));
  put("_altitude_deg", contact ? Json(contact->altitude_deg) : Json(nullptr));
  put("_azimuth_deg", contact ? Json(contact->azimuth_deg) : Json(nullptr));
  put("_position_angle_deg", contact ? Json(contact->position_angle_deg) : Json(nullptr));
  put("_from_zenith_deg", contact ? Json(contact->from_zenith_deg) : Json(nullptr));
  put("_seen", contact ? Json(contact->seen) : Json(nullptr));
}

/// @param crossing  null where there is none: every member is there then, and null
Json crossing_json(const Crossing* crossing) {
  Json json = Json::object();
  const auto of = [&](const std::optional<Contact>& contact) {
    return contact ? &*contact : nullptr;
  };
  add_contact(json, "c1", crossing ? &crossing->first : nullptr);
  add_contact(json, "c2", crossing ? of(crossing->second) : nullptr);
  add_contact(json, "max", crossing ? &crossing->greatest : nullptr);
  add_contact(json, "c3", crossing ? of(crossing->third) : nullptr);
  add_contact(json, "c4", crossing ? &crossing->last : nullptr);
  const auto length_s = [](const Contact& start, const Contact& end) {
    return in_seconds(end.time - start.time);
  };
  json["duration_s"] = crossing ? Json(length_s(crossing->first, crossing->last)) : Json(nullptr);
  json["central_duration_s"] = crossing && crossing->second
                                   ? Json(length_s(*crossing->second, *crossing->third))
                                   : Json(nullptr);
  json["separation_arcsec"] = crossing ? Json(crossing->separation_arcsec) : Json(nullptr);
  json["sun_semidiameter_arcsec"] =
      crossing ? Json(crossing->sun_semidiameter_arcsec) : Json(nullptr);
  json["body_semidiameter_arcsec"] =
      crossing ? Json(crossing->body_semidiameter_arcsec) : Json(nullptr);
  json["seen"] = Json::array();
  for (const Window& window : crossing ? crossing->seen : std::vector<Window>{}) {
    json["seen"].push_back(
        {{"from_utc", time_json(window.start)}, {"to_utc", time_json(window.end)}});
  }
  return json;
}

}  // namespace

Json to_json(const SolarEclipse& eclipse) {
  const bool is = eclipse.kind != EclipseKind::kNone;
  Json json = crossing_json(is ? &eclipse.crossing : nullptr);
  json["kind"] = kEclipseKindWords.of(eclipse.kind);
  json["magnitude"] = eclipse.magnitude;
  json["obscuration"] = eclipse.obscuration;
  json["seen_max_utc"] = is ? time_json(eclipse.seen_greatest) : Json(nullptr);
  json["seen_magnitude"] = eclipse.seen_magnitude;
  json["seen_obscuration"] = eclipse.seen_obscuration;
  return json;
}

Json to_json(const Transit& transit) {
  const bool is = transit.kind != TransitKind::kNone;
  Json json = crossing_json(is ? &transit.crossing : nullptr);
  json["kind"] = kTransitKindWords.of(transit.kind);
  json["planet"] = is ? Json(kBodyWords.of(transit.planet)) : Json(nullptr);
  json["c1_hydrogen_alpha_utc"] = is ? time_json(transit.first_hydrogen_alpha) : Json(nullptr);
  json["c4_hydrogen_alpha_utc"] = is ? time_json(transit.last_hydrogen_alpha) : Json(nullptr);
  return json;
}

}  // namespace solarchon::sky
