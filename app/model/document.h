// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <QTimeZone>
#include <QTimer>
#include <QUndoStack>
#include <filesystem>
#include <optional>

#include "solarchon/plan/day_plan.h"
#include "solarchon/sky/day.h"
#include "solarchon/sky/magnetic.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/workspace.h"

namespace solarchon::app {

/// Edits that fold into one step of undo while they follow each other.
enum class EditKind { kSeparate = -1, kParameter = 1, kConditions = 2, kSite = 3, kPlan = 4 };

/// The workspace being worked on, the moment that is looked at, and the answers to both.
class Document : public QObject {
  Q_OBJECT

 public:
  Document(workspace::Workspace workspace, sky::UtcTime moment, bool live,
           QObject* parent = nullptr);

  [[nodiscard]] const workspace::Workspace& workspace() const { return workspace_; }
  [[nodiscard]] const workspace::Answers& answers() const { return answers_; }
  [[nodiscard]] const sky::SunDay& day() const { return day_; }
  /// The day over the site's skyline, windows counted from `kWindowDeg` up.
  [[nodiscard]] const sky::SkylineDay& skyline() const { return skyline_; }
  /// Lower, light passes three times the air overhead (degree).
  static constexpr double kWindowDeg = 20.0;
  /// The runs of the day, what must start when, and what stands in the way.
  [[nodiscard]] const plan::DayPlan& plan() const { return plan_; }
  [[nodiscard]] const plan::Experience& experience() const { return experience_; }
  /// What the day's plan is made from.
  [[nodiscard]] plan::Givens givens() const;
  /// What the log has taught; plans follow.
  void learn(plan::Experience experience);
  [[nodiscard]] sky::UtcTime moment() const { return moment_; }
  [[nodiscard]] bool live() const { return live_; }
  [[nodiscard]] QUndoStack& undo() { return undo_; }
  [[nodiscard]] QTimeZone zone() const;
  [[nodiscard]] std::optional<double> magnetic_declination_deg() const;

  /// Whether a computer's clock may be right: between the making of this program and 2090.
  [[nodiscard]] static bool is_likely(sky::UtcTime time);
  /// Looks at another moment: the clock stands still until `go_live`.
  void look_at(sky::UtcTime moment);
  /// Follows the computer's clock.
  void go_live();
  /// Replaces the workspace as one step of undo.
  void edit(const QString& what, const workspace::Workspace& next,
            EditKind kind = EditKind::kSeparate);

  /// Where changes are kept; they are written shortly after, and by `save`.
  void keep_in(const std::filesystem::path& file);
  void save();

 signals:
  void changed();  ///< workspace or moment: every picture follows
  void saveFailed(const QString& why);

 private:
  friend class WorkspaceEdit;
  void adopt(const workspace::Workspace& next);
  void recompute();
  void replan();

  workspace::Workspace workspace_;
  sky::UtcTime moment_;
  bool live_ = true;
  std::optional<sky::SunEphemeris> ephemeris_;
  sky::SunDay day_;
  sky::SkylineDay skyline_;
  workspace::Answers answers_;
  plan::Experience experience_;
  plan::DayPlan plan_;
  std::optional<sky::CivilDate> plan_day_;  ///< that the plan is of; none: to be made anew
  std::optional<sky::MagneticField> magnetic_;
  QUndoStack undo_;
  QTimer clock_;
  QTimer save_soon_;
  std::filesystem::path file_;
};

}  // namespace solarchon::app
