// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/eclipse_commands.h"

#include "cli/plan_commands.h"
#include "cli/spoken_reports.h"
#include "solarchon/base/json.h"
#include "solarchon/sky/eclipse.h"

namespace solarchon::cli {

using base::Json;
using base::Result;

namespace {

constexpr double kMostYears = 151.0;

/// Who looks, over which skyline, and the lines of its file that were refused.
struct Standpoint {
  sky::Observer observer;
  Json refused_lines;
};

Result<Standpoint> standpoint_of(const EclipseOptions& options) {
  return observer_of(options.place).and_then([&](sky::Observer observer) -> Result<Standpoint> {
    std::vector<base::RefusedLine> refused;
    return take_horizon(options.horizon, observer.site.horizon, refused).map([&] {
      return Standpoint{observer, refused_report(refused)};
    });
  });
}

template <typename Event>
using Finder = std::vector<Event> (*)(sky::UtcTime, sky::UtcTime, const sky::Observer&,
                                      const base::Task&);

/// The one of a date, or one of kind `none`.
template <typename Event>
Result<Json> on_date(const EclipseOptions& options, Finder<Event> find) {
  const auto date = sky::parse_eclipse_date(options.date, "date");
  if (!date) {
    return tl::make_unexpected(date.error());
  }
  return standpoint_of(options).map([&](const Standpoint& standpoint) {
    const sky::Window when = sky::around_date(*date, standpoint.observer.site.longitude_deg);
    // New Moons lie a month apart: there is one at most.
    const std::vector<Event> found = find(when.start, when.end, standpoint.observer, {});
    Json json = sky::to_json(found.empty() ? Event{} : found.front());
    json["date"] = sky::to_iso(*date);
    json["refused_lines"] = standpoint.refused_lines;
    return json;
  });
}

template <typename Event>
Result<Json> coming(const EclipseOptions& options, Finder<Event> find, const char* name) {
  const auto from = sky::parse_eclipse_date(options.from, "from");
  const auto years = base::checked("years", options.years, {0.01, kMostYears});
  if (!from || !years) {
    return tl::make_unexpected(!from ? from.error() : years.error());
  }
  return standpoint_of(options).map([&](const Standpoint& standpoint) {
    constexpr double kYear_d = 365.25;
    const sky::UtcTime start = sky::start_of(*from);
    const sky::UtcTime end = std::min(start + sky::days(kYear_d * *years), sky::kLastEclipseTime);
    Json list = Json::array();
    for (const Event& event : find(start, end, standpoint.observer, {})) {
      Json json = sky::to_json(event);
      json["date"] = sky::to_iso(sky::utc_date(event.crossing.greatest.time));
      list.push_back(std::move(json));
    }
    return Json{{"from", sky::to_iso(*from)},
                {"to", sky::to_iso(sky::utc_date(end))},
                {name, list},
                {"refused_lines", standpoint.refused_lines}};
  });
}

}  // namespace

std::vector<Command> add_eclipse_commands(CLI::App& app, EclipseOptions& options) {
  const auto add = [&](const char* name, const char* what) {
    CLI::App* command = app.add_subcommand(name, what);
    command->add_flag("--json", options.json, "answer as JSON (the only form)");
    add_ground(*command, options.place, true);
    add_air(*command, options.place);
    command->add_option("--horizon", options.horizon, "CSV of azimuth, height, trees");
    return command;
  };
  const auto dated = [&](const char* name, const char* what) {
    CLI::App* command = add(name, what);
    command->add_option("--date", options.date, "the site's date or that of UTC, as 2027-08-02")
        ->required();
    return command;
  };
  const auto listed = [&](const char* name, const char* what) {
    CLI::App* command = add(name, what);
    command->add_option("--from", options.from, "first day, UTC")->required();
    command->add_option("--years", options.years, "how many; 10 if left out");
    return command;
  };
  return {
      {dated("eclipse", "an eclipse of the Sun at a place: contacts, magnitude, angles"),
       [&options] { return on_date<sky::SolarEclipse>(options, sky::solar_eclipses); }},
      {listed("eclipses", "eclipses of the Sun to come at a place"),
       [&options] { return coming<sky::SolarEclipse>(options, sky::solar_eclipses, "eclipses"); }},
      {dated("transit", "a transit of Mercury or Venus at a place"),
       [&options] { return on_date<sky::Transit>(options, sky::transits); }},
      {listed("transits", "transits of Mercury and Venus to come at a place"),
       [&options] { return coming<sky::Transit>(options, sky::transits, "transits"); }}};
}

}  // namespace solarchon::cli
