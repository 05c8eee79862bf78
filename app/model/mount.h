// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <filesystem>
#include <memory>
#include <optional>

#include "app/model/document.h"
#include "app/model/mount_link.h"
#include "app/model/runbook.h"
#include "app/model/stand_in_process.h"
#include "solarchon/devices/mount_state.h"
#include "solarchon/sky/disc.h"

namespace solarchon::app {

/// The mount that the program drives, or one that is played for a rehearsal: how it stands, and
/// what it can be told. Nothing here waits for it.
class Mount : public QObject {
  Q_OBJECT

 public:
  enum class Line {
    kAway,    ///< nobody wants one
    kSought,  ///< it does not answer; it is tried again and again
    kHeld
  };

  Mount(Document& document, Runbook& runbook, QObject* parent = nullptr);
  ~Mount() override;
  Mount(const Mount&) = delete;
  Mount& operator=(const Mount&) = delete;

  /// Another socket than `mount` in the user's folder.
  /// @param pace  of its questions
  void use(const std::filesystem::path& socket, sky::Duration pace = MountLink::kPace) {
    socket_ = socket;
    pace_ = pace;
  }
  /// Connects, and keeps connected.
  void take_up();
  void leave();
  /// A stand-in, by the words of docs/devices.md, at the site as it is, with this mount's worm and
  /// steps, some backlash, and an axis up to two degrees off in altitude and azimuth.
  void rehearse(const QString& kind);

  [[nodiscard]] Line line() const { return line_; }
  /// What it last said; kept while it does not answer.
  [[nodiscard]] const MountReport& report() const { return report_; }
  [[nodiscard]] QString name() const;
  [[nodiscard]] bool can(const char* method) const;
  /// What it refused, or why it does not answer.
  [[nodiscard]] QString problem() const { return problem_; }
  [[nodiscard]] devices::MountDoubts doubts() const;
  /// Where the Sun stands from the middle of the field: as the simulated camera sees it, or as the
  /// mount believes; when that was last heard. None without a mount.
  [[nodiscard]] std::optional<sky::DiscPlace> sun_in_field() const { return sun_; }
  /// Where a simulated camera can ask it what it sees; none where it is a real one, or away.
  /// One that does not answer for a while keeps its camera.
  [[nodiscard]] std::optional<std::filesystem::path> seen_from() const;
  /// It goes or is moved, was just told to, or did so when it was last heard.
  [[nodiscard]] bool in_motion() const;

  /// The user says that no light gets in at the front; over once a step lets some in.
  [[nodiscard]] bool covered() const { return covered_; }
  void set_covered(bool covered);
  /// Why it must not be turned; empty when nothing is known against it.
  [[nodiscard]] QString objection() const;

  // Orders. Those that turn it are not passed on while there is an objection.
  void go_to_sun();
  void synchronise_on_sun();
  void track(devices::Tracking tracking);
  void move(double first_deg_s, double second_deg_s);
  void seek();
  void park(bool parked);
  void turn_knobs(double altitude_deg, double azimuth_deg);
  void stop();

 signals:
  void changed();

 private:
  void hear(MountReport report);
  void order(MountLink::Order order);
  void order_turn(MountLink::Order order);
  [[nodiscard]] QString words_of(const base::Error& problem) const;

  Document& document_;
  Runbook& runbook_;
  std::filesystem::path socket_;
  std::filesystem::path linked_;  ///< the socket that it is met at
  sky::Duration pace_ = MountLink::kPace;
  Line line_ = Line::kAway;
  MountReport report_;
  std::optional<sky::DiscPlace> sun_;
  QString problem_;
  int turning_reports_ = 0;  ///< so many reports may not know yet that it was told to turn
  bool covered_ = false;
  StandInProcess played_;
  std::unique_ptr<MountLink> link_;
};

}  // namespace solarchon::app
