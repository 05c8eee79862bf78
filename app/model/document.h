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

/// Edits of one kind and one subject fold into one step of undo while they follow each other.
enum class EditKind { kSeparate = -1, kParameter = 1, kConditions = 2, kSite = 3, kPlan = 4 };

/// The workspace being worked on, the moment that is looked at, and the answers to both.
class Document : public QObject {
  Q_OBJECT

 public:
  Document(workspace::Workspace workspace, sky::UtcTime moment, bool live,
           QObject* parent = nullptr);

  [[nodiscard]] const workspace::Workspace& workspace() const { return workspace_; }
  [[nodiscard]] const workspace::Answers& answers() const { return answers_; }
  [[nodiscard]] const sky::SunDay& day() const { return day_.sun; }
  /// The day over the site's skyline, windows counted from plan::kWindowDeg up.
  [[nodiscard]] const sky::SkylineDay& skyline() const { return day_.skyline; }
  /// The runs of the day, what must start when, and what stands in the way.
  [[nodiscard]] const plan::DayPlan& plan() const { return day_.plan; }
  [[nodiscard]] const plan::Experience& experience() const { return experience_; }
  /// All of these together, with what they were made from.
  [[nodiscard]] const plan::Day& whole_day() const { return day_; }
  /// What the log has taught; plans follow.
  void learn(plan::Experience experience);
  /// By how many stops exposures with this light path were found to be off; answers follow.
  void correct_exposure(double stops);
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
  /// @param what     in the words of the user
  /// @param subject  what is changed, such as a part and its property, in no language
  void edit(const QString& what, const workspace::Workspace& next,
            EditKind kind = EditKind::kSeparate, const std::string& subject = {});

  /// Where changes are kept; they are written shortly after, and by `save`.
  void keep_in(const std::filesystem::path& file);
  void save();

 signals:
  /// Workspace, plan, corrections, or another moment was chosen; while the clock is followed also
  /// from time to time, as the Sun goes on: every picture follows.
  void changed();
  /// A second of the computer's clock went by, and answers went with it: too little to see in a
  /// simulated picture.
  void clockMoved();
  void saveFailed(const QString& why);

 private:
  friend class WorkspaceEdit;
  void adopt(const workspace::Workspace& next);
  void follow_clock();
  void recompute();
  /// @return  false when another day began
  bool answer();
  void replan();

  workspace::Workspace workspace_;
  sky::UtcTime moment_;
  bool live_ = true;
  std::optional<sky::SunEphemeris> ephemeris_;
  workspace::Answers answers_;
  plan::Experience experience_;
  double correction_stops_ = 0.0;
  plan::Day day_;
  bool plan_holds_ = false;  ///< false: it is to be made anew
  std::optional<sky::MagneticField> magnetic_;
  QUndoStack undo_;
  QTimer clock_;
  sky::UtcTime pictured_;  ///< the moment that pictures were last told to follow
  QTimer save_soon_;
  std::filesystem::path file_;
};

}  // namespace solarchon::app
