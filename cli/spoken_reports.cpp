// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/spoken_reports.h"

#include "solarchon/base/json.h"
#include "solarchon/optics/connection.h"
#include "solarchon/words/advise.h"
#include "solarchon/words/errors.h"
#include "solarchon/words/parts.h"
#include "solarchon/words/safety.h"

namespace solarchon::cli {

using base::Json;
using base::or_null;

namespace {

/// A member of something that may be absent.
template <typename Owner, typename Value>
Json member_or_null(const std::optional<Owner>& owner, Value Owner::*member) {
  return owner ? Json((*owner).*member) : Json(nullptr);
}

/// Lists appended to an answer, in the order given.
void append(Json& report, Json more) {
  for (auto& [key, value] : more.items()) {
    report[key] = std::move(value);
  }
}

Json heat_of(const optics::Rig& rig, const optics::Train& train) {
  Json heat = Json::array();
  for (const optics::Passage& passage : train.passages) {
    const optics::Element& element = rig.elements[passage.element];
    heat.push_back({{"element", passage.element},
                    {"id", element.id},
                    {"name", element.name},
                    {"arriving_w", passage.arriving_w},
                    {"passed_w", passage.passed_w},
                    {"irradiance_w_cm2", passage.irradiance_w_cm2},
                    {"beam_width_mm", passage.beam_width_mm},
                    {"position_mm", passage.position_mm},
                    {"factor", or_null(passage.factor)}});
  }
  return heat;
}

Json findings_of(const safety::Assessment& safety) {
  Json findings = Json::array();
  for (const safety::Finding& finding : safety.findings) {
    const words::RuleWords rule = words::rule_words(finding.rule);
    findings.push_back({{"rule", finding.rule},
                        {"severity", safety::word_of(finding.severity)},
                        {"element", or_null(finding.element)},
                        {"what", rule.what},
                        {"why", rule.why},
                        {"figures", words::figures_words(finding)},
                        {"next_step", rule.next_step},
                        {"source", rule.source}});
  }
  return findings;
}

Json joints_of(const RigAnswer& answer) {
  Json joints = Json::array();
  for (const optics::Joint& joint : answer.train.joints) {
    Json adapters = Json::array();
    if (joint.state == optics::JointState::kNeedsAdapter) {
      for (const auto& chain : optics::adapters_between(answer.rig.elements[joint.before].rear_face,
                                                        answer.rig.elements[joint.after].front_face,
                                                        answer.catalogue)) {
        Json names = Json::array();
        for (const std::size_t place : chain) {
          names.push_back(answer.catalogue[place].name);
        }
        adapters.push_back(std::move(names));
      }
    }
    joints.push_back({{"before", joint.before},
                      {"after", joint.after},
                      {"state", optics::kJointWords.of(joint.state)},
                      {"adapters", std::move(adapters)}});
  }
  return joints;
}

Json measure_json(const std::optional<advise::KeyFigure>& key) {
  return key ? Json{{"name", words::name_of(*key)},
                    {"unit", base::symbol_of(key->figure.unit)},
                    {"value", key->figure.value}}
             : Json(nullptr);
}

Json misfits_of(const std::vector<advise::Misfit>& misfits) {
  Json list = Json::array();
  for (const advise::Misfit& misfit : misfits) {
    const words::MisfitWords said = words::misfit_words(misfit.id, misfit.variant);
    list.push_back({{"misfit", misfit.id},
                    {"element", or_null(misfit.element)},
                    {"what", said.what},
                    {"why", said.why},
                    {"measure", measure_json(misfit.key_figure)}});
  }
  return list;
}

Json names_of(const std::vector<optics::Element>& parts) {
  Json names = Json::array();
  for (const optics::Element& part : parts) {
    names.push_back(words::name_of(part));
  }
  return names;
}

Json suggestions_of(const std::vector<advise::Suggestion>& suggestions) {
  Json list = Json::array();
  for (const advise::Suggestion& suggestion : suggestions) {
    list.push_back({{"concern", suggestion.concern},
                    {"element", or_null(suggestion.element)},
                    {"change", advise::kChangeWords.of(suggestion.change.kind)},
                    {"place", suggestion.change.element},
                    {"parts", names_of(suggestion.change.parts)},
                    {"adapters", names_of(suggestion.change.adapters)},
                    {"owned", suggestion.change.from_kit},
                    {"verdict_after", safety::word_of(suggestion.verdict)},
                    {"misfits_after", suggestion.misfits},
                    {"before", measure_json(suggestion.before)},
                    {"after", measure_json(suggestion.after)}});
  }
  return list;
}

Json image_figures(const optics::Train& train) {
  const Json field = train.field_width_arcmin
                         ? Json::array({*train.field_width_arcmin, *train.field_height_arcmin})
                         : Json(nullptr);
  return {{"effective_focal_length_mm", or_null(train.effective_focal_length_mm)},
          {"focal_ratio", or_null(train.focal_ratio)},
          {"aperture_mm", train.aperture_mm},
          {"solar_image_mm", or_null(train.solar_image_mm)},
          {"sampling_arcsec_px", or_null(train.sampling_arcsec_px)},
          {"field_arcmin", field},
          {"disc_fits", or_null(train.disc_fits)},
          {"diffraction_cutoff_arcsec", or_null(train.diffraction_cutoff_arcsec)},
          {"airy_radius_arcsec", or_null(train.airy_radius_arcsec)},
          {"sampling_px_per_cutoff", or_null(train.sampling_px_per_cutoff)},
          {"critical_focal_ratio", or_null(train.critical_focal_ratio)},
          {"depth_of_focus_um", or_null(train.depth_of_focus_um)},
          {"mirrored", train.mirrored()}};
}

/// Of the whole sensor at its depth, and of smaller regions and 8 bits.
Json frame_rates_of(const optics::Rig& rig) {
  const auto sensor = optics::sensor_of(rig);
  if (!sensor) {
    return {{"frame_rate_hz", nullptr}, {"frame_rates", nullptr}};
  }
  const optics::Camera& camera = sensor->camera;
  Json rates = Json::array();
  for (const int share : {1, 2, 4}) {
    for (const int bits : {camera.bits, 8}) {
      const int width_px = camera.width_px / share;
      const int height_px = camera.height_px / share;
      rates.push_back(
          {{"width_px", width_px},
           {"height_px", height_px},
           {"bits", bits},
           {"frame_rate_hz", optics::frame_rate_hz(camera, width_px, height_px, bits)}});
    }
  }
  return {{"frame_rate_hz", rates.front().at("frame_rate_hz")}, {"frame_rates", rates}};
}

Json further_figures(const optics::Train& train) {
  using optics::EtalonFigures;
  using optics::Focus;
  using optics::Fringes;
  using optics::Look;
  using optics::Supply;
  using optics::Vignetting;
  return {{"wavelength_nm", train.band.wavelength_nm},
          {"band_width_nm", or_null(train.band.width_nm)},
          {"transmission", train.transmission},
          {"energy_share", train.energy_share},
          {"obstruction", train.obstruction},
          {"etalon_bandwidth_angstrom",
           member_or_null(train.etalon, &EtalonFigures::bandwidth_angstrom)},
          {"etalon_focal_ratio", train.etalon && train.etalon->focal_ratio > 0.0
                                     ? Json(train.etalon->focal_ratio)
                                     : Json(nullptr)},
          {"etalon_limb_shift_angstrom",
           member_or_null(train.etalon, &EtalonFigures::limb_shift_angstrom)},
          {"etalon_pressure_shift_angstrom",
           member_or_null(train.etalon, &EtalonFigures::pressure_shift_angstrom)},
          {"blocking_filter_margin_mm", or_null(train.blocking_margin_mm)},
          {"limb_light_share", member_or_null(train.vignetting, &Vignetting::limb_share)},
          {"corner_light_share", member_or_null(train.vignetting, &Vignetting::corner_share)},
          {"half_light_field_arcmin", member_or_null(train.vignetting, &Vignetting::field_arcmin)},
          {"magnification", member_or_null(train.look, &Look::magnification)},
          {"exit_pupil_mm", member_or_null(train.look, &Look::exit_pupil_mm)},
          {"true_field_deg", member_or_null(train.look, &Look::true_field_deg)},
          {"secondary_shadow_mm", member_or_null(train.look, &Look::secondary_shadow_mm)},
          {"fringe_spacing_um", train.fringes ? or_null(train.fringes->spacing_um) : Json(nullptr)},
          {"least_tilt_deg", member_or_null(train.fringes, &Fringes::least_tilt_deg)},
          {"most_tilt_deg", member_or_null(train.fringes, &Fringes::most_tilt_deg)},
          {"focus_reached", train.focus ? Json(train.focus->reached()) : Json(nullptr)},
          {"focus_needed_mm", member_or_null(train.focus, &Focus::needed_mm)},
          {"focus_racked_out_mm", member_or_null(train.focus, &Focus::racked_out_mm)},
          {"focus_inward_spare_mm", member_or_null(train.focus, &Focus::inward_spare_mm)},
          {"focus_outward_spare_mm", member_or_null(train.focus, &Focus::outward_spare_mm)},
          {"supply_needed_w", member_or_null(train.supply, &Supply::needed_w)},
          {"supply_offered_w", member_or_null(train.supply, &Supply::offered_w)}};
}

}  // namespace

Json rules_report() {
  Json rules = Json::array();
  for (const safety::Finding& rule : safety::rule_book()) {
    const words::RuleWords said = words::rule_words(rule.rule);
    rules.push_back({{"rule", rule.rule},
                     {"severity", safety::word_of(rule.severity)},
                     {"what", said.what},
                     {"why", said.why},
                     {"next_step", said.next_step},
                     {"source", said.source}});
  }
  return {{"rules", std::move(rules)}};
}

Json rig_report(const RigAnswer& answer) {
  Json report{{"name", answer.rig.name}};
  append(report, image_figures(answer.train));
  report["exposure_disc_ms"] = member_or_null(answer.exposure, &light::DiscExposure::exposure_ms);
  report["exposure_level"] = member_or_null(answer.exposure, &light::DiscExposure::level);
  append(report, further_figures(answer.train));
  append(report, frame_rates_of(answer.rig));
  report["heat"] = heat_of(answer.rig, answer.train);
  report["joints"] = joints_of(answer);
  report["verdict"] = safety::word_of(answer.safety.verdict);
  report["findings"] = findings_of(answer.safety);
  report["misfits"] = misfits_of(answer.misfits);
  report["suggestions"] = suggestions_of(answer.suggestions);
  Json assumptions = Json::array();
  for (const safety::Assumption& assumption : answer.safety.assumptions) {
    assumptions.push_back(words::assumption_words(assumption));
  }
  report["assumptions"] = std::move(assumptions);
  return report;
}

Json refused_report(const std::vector<base::RefusedLine>& refused) {
  Json lines = Json::array();
  for (const base::RefusedLine& line : refused) {
    const base::Error& error = line.error;
    lines.push_back(
        {{"line", line.line},
         {"field", error.field},
         {"value", error.reason.id.empty() ? error.value : words::remark_words(error.reason)},
         {"accepted", words::remark_words(error.accepted)}});
  }
  return lines;
}

}  // namespace solarchon::cli
