// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/workspace/demo.h"

#include <algorithm>
#include <optional>
#include <vector>

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/base/resources.h"
#include "solarchon/log/log_book.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/optics/rig_file.h"
#include "solarchon/plan/runbook.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::workspace {

using base::Result;

namespace {

/// A session of the scenario: when its frames were taken, with what, in what air, and what was
/// noted.
struct DemoSession {
  std::vector<sky::UtcTime> frames;
  std::optional<optics::Rig> rig;  ///< none: that of the scenario
  Target target = Target::kWholeDisc;
  double seeing_arcsec = sky::kUsualSeeingArcsec;
  std::string notes;
};

Result<base::Json> read_shipped(const char* name) {
  constexpr std::size_t kMostBytes = 1U << 20U;
  return base::shipped_file(name)
      .and_then([](const auto& path) { return base::read_file(path, kMostBytes); })
      .and_then([&](const std::string& text) { return base::parse_json(text, name); });
}

/// A light path of the demo's shelf.
Result<optics::Rig> shelved_path(const std::string& name) {
  return read_shipped("demo/shelves.json").and_then([&](const base::Json& json) {
    for (const base::Json& item : json.at("light_paths")) {
      if (item.value("name", std::string()) == name) {
        return optics::rig_from_json(item);
      }
    }
    return Result<optics::Rig>(base::fail(base::ErrorCode::kNotFound, "light_path", name));
  });
}

Result<DemoSession> session_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  DemoSession session;
  session.seeing_arcsec = reader.number("seeing_arcsec", kSeeingRange);
  session.notes = reader.text("notes");
  const std::string light_path = reader.text_or("light_path", {});
  session.target =
      kTargetWords.from(reader.text_or("target", "whole-disc")).value_or(session.target);
  const std::string first = reader.text("first_frame");
  const int frames = reader.integer("frames", {1, 20});
  const double spacing_min = reader.number("spacing_min", {1.0, 600.0});
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  if (!light_path.empty()) {
    auto rig = shelved_path(light_path);
    if (!rig) {
      return tl::make_unexpected(rig.error());
    }
    session.rig = *std::move(rig);
  }
  return sky::parse_utc(first, path + ".first_frame").map([&](sky::UtcTime time) {
    for (int i = 0; i < frames; ++i) {
      session.frames.push_back(time + sky::minutes(spacing_min * i));
    }
    return session;
  });
}

Result<std::vector<DemoSession>> demo_sessions() {
  const auto json = read_shipped("demo/sessions.json");
  if (!json) {
    return tl::make_unexpected(json.error());
  }
  std::vector<DemoSession> sessions;
  for (std::size_t i = 0; i < json->size(); ++i) {
    auto session = session_from_json(json->at(i), "sessions[" + std::to_string(i) + "]");
    if (!session) {
      return tl::make_unexpected(session.error());
    }
    sessions.push_back(std::move(*session));
  }
  return sessions;
}

/// The session of the log that this one has become, whole or in part.
std::optional<log::SessionSummary> found_in(const std::vector<log::SessionSummary>& present,
                                            const DemoSession& session) {
  const auto found = std::find_if(
      present.begin(), present.end(),
      [&](const log::SessionSummary& one) { return one.started == session.frames.front(); });
  return found != present.end() ? std::optional(*found) : std::nullopt;
}

bool is_whole(const std::vector<log::SessionSummary>& present, const DemoSession& session) {
  const auto found = found_in(present, session);
  return found && found->frames >= static_cast<int>(session.frames.size());
}

/// The steps of setting up for a session, as if each had taken the time that is planned for it.
std::vector<log::LoggedTick> set_up_before(const Workspace& workspace, sky::UtcTime first_frame) {
  const auto order = safety::handling_order(workspace.rig, safety::Occasion::kSetUp,
                                            plan::axes_of(workspace.mount));
  std::vector<log::LoggedTick> ticks;
  sky::UtcTime done = first_frame - sky::minutes(2.0);
  for (auto step = order.rbegin(); step != order.rend(); ++step) {
    ticks.push_back({safety::Occasion::kSetUp, {std::string(step->id), done, false}});
    done = done - sky::minutes(step->waits ? 0.0 : step->minutes);
  }
  std::reverse(ticks.begin(), ticks.end());
  return ticks;
}

/// Takes the frames of one session that the log does not have yet, and notes what was noted.
Result<void> observe(const DemoSession& session, const std::optional<log::SessionSummary>& begun,
                     Workspace workspace, const WithLog& with_log,
                     const std::filesystem::path& data, const base::Task& task) {
  workspace.conditions.seeing_arcsec = session.seeing_arcsec;
  workspace.rig = session.rig.value_or(workspace.rig);
  workspace.target = session.target;
  std::optional<std::int64_t> id;
  std::size_t done = 0;
  if (begun) {
    id = begun->id;
    done = static_cast<std::size_t>(begun->frames);
  }
  for (std::size_t i = done; i < session.frames.size(); ++i) {
    const sky::UtcTime time = session.frames[i];
    const Answers answers =
        answer(workspace, time, sky::geocentric_sun(time, workspace.conditions.dut1_s));
    const auto seed = static_cast<std::uint32_t>(time.unix_ms / 1000);
    const auto taken =
        shot_for(workspace, answers, std::nullopt, seed).and_then([&](const camera::Shot& shot) {
          return take_frame(workspace, shot, with_log, data, {task.stop});
        });
    if (!taken) {
      return tl::make_unexpected(taken.error());
    }
    if (!id) {
      const auto note = [&](log::LogBook& log) {
        return log.set_notes(taken->session, session.notes).and_then([&] {
          return log.keep_ticks(taken->session, set_up_before(workspace, time));
        });
      };
      if (auto noted = with_log(note); !noted) {
        return noted;
      }
    }
    id = taken->session;
    task.report(static_cast<double>(i + 1) / static_cast<double>(session.frames.size()));
  }
  return {};
}

/// Adds the demo's parts that the kit does not have, by name.
Result<void> fill_kit(log::LogBook& log) {
  const auto parts = base::shipped_file("demo/kit.json").and_then(optics::read_parts);
  const auto present = log.kit();
  if (!parts || !present) {
    return tl::make_unexpected(parts ? present.error() : parts.error());
  }
  for (const optics::Element& part : *parts) {
    const bool there = std::any_of(present->begin(), present->end(),
                                   [&](const auto& kept) { return kept.name == part.name; });
    if (!there) {
      if (const auto kept = log.keep_in_kit(part); !kept) {
        return tl::make_unexpected(kept.error());
      }
    }
  }
  return {};
}

/// Puts the demo's sites and light paths on shelves that have nothing of their name, the first of
/// each as the last used.
Result<void> fill_shelves(log::LogBook& log, sky::UtcTime now) {
  const auto json = read_shipped("demo/shelves.json");
  const auto sites = log.sites();
  const auto paths = log.paths();
  if (!json || !sites || !paths) {
    return tl::make_unexpected(!json ? json.error() : !sites ? sites.error() : paths.error());
  }
  const auto has = [](const auto& shelf, const std::string& name) {
    return std::any_of(shelf.begin(), shelf.end(),
                       [&](const auto& kept) { return kept.item.name == name; });
  };
  sky::UtcTime used = now;
  for (const base::Json& item : json->at("sites")) {
    used = used - sky::days(1.0);
    const auto site = sky::site_from_json(item, "sites");
    if (auto kept = site.and_then([&](const sky::Site& one) -> Result<void> {
          return has(*sites, one.name) ? Result<void>() : log.keep(log::KeptSite{one, used});
        });
        !kept) {
      return kept;
    }
  }
  for (const base::Json& item : json->at("light_paths")) {
    used = used - sky::days(1.0);
    const auto path = optics::rig_from_json(item);
    if (auto kept = path.and_then([&](const optics::Rig& one) -> Result<void> {
          return has(*paths, one.name) ? Result<void>() : log.keep(log::KeptPath{one, used});
        });
        !kept) {
      return kept;
    }
  }
  return {};
}

}  // namespace

Result<DemoScenario> demo_scenario() {
  const auto json = read_shipped("demo/scenario.json");
  if (!json) {
    return tl::make_unexpected(json.error());
  }
  base::ObjectReader reader(*json, "");
  const std::string now = reader.text("now");
  const base::Json& inner = reader.object("workspace");
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return workspace_from_json(inner).and_then([&](Workspace workspace) {
    return sky::parse_utc(now, "now").map([&](sky::UtcTime time) {
      constexpr int kHours = 12 * 24;
      workspace.wishes.learn_from_simulated = true;  // nothing else is there to learn from
      workspace.wishes.forecast =
          plan::stand_in_forecast(workspace.site, time - sky::days(2.0), kHours);
      return DemoScenario{workspace, time};
    });
  });
}

Result<void> fill_demo(const std::filesystem::path& data, const base::Task& task) {
  if (auto folder = base::make_folder(data); !folder) {
    return folder;
  }
  return log::LogBook::open(log_file(data)).and_then([&](log::LogBook log) {
    return fill_demo(data, directly(log), task);
  });
}

Result<void> fill_demo(const std::filesystem::path& data, const WithLog& with_log,
                       const base::Task& task) {
  const auto scenario = demo_scenario();
  const auto sessions = demo_sessions();
  if (!scenario || !sessions) {
    return tl::make_unexpected(scenario ? sessions.error() : scenario.error());
  }
  if (auto folder = base::make_folder(data); !folder) {
    return folder;
  }
  std::error_code ignored;
  if (!std::filesystem::exists(workspace_file(data), ignored)) {
    if (auto written = write_workspace(scenario->workspace, workspace_file(data)); !written) {
      return written;
    }
  }
  std::vector<log::SessionSummary> present;
  auto listed = with_log([&](const log::LogBook& log) {
    return log.summaries().map([&](auto list) { present = std::move(list); });
  });
  if (!listed) {
    return listed;
  }
  const bool whole =
      std::all_of(sessions->begin(), sessions->end(),
                  [&](const DemoSession& session) { return is_whole(present, session); });
  const bool begun = std::any_of(
      sessions->begin(), sessions->end(),
      [&](const DemoSession& session) { return found_in(present, session).has_value(); });
  if (whole || (!present.empty() && !begun)) {
    return {};  // done, or somebody's own log
  }
  const auto fill_possessions = [&](log::LogBook& log) {
    return fill_kit(log).and_then([&] { return fill_shelves(log, scenario->now); });
  };
  if (auto filled = with_log(fill_possessions); !filled) {
    return filled;
  }
  const auto count = static_cast<double>(sessions->size());
  for (std::size_t i = 0; i < sessions->size(); ++i) {
    const DemoSession& session = (*sessions)[i];
    if (is_whole(present, session)) {
      continue;
    }
    const base::Task part{
        task.stop, [&](double done) { task.report((static_cast<double>(i) + done) / count); }};
    if (auto done =
            observe(session, found_in(present, session), scenario->workspace, with_log, data, part);
        !done) {
      return done;
    }
  }
  return {};
}

bool demo_is_whole(const std::vector<log::SessionSummary>& present) {
  const auto sessions = demo_sessions();
  return sessions &&
         std::all_of(sessions->begin(), sessions->end(),
                     [&](const DemoSession& session) { return is_whole(present, session); });
}

}  // namespace solarchon::workspace
