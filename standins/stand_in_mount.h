// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/align/drift.h"
#include "solarchon/base/enum_words.h"
#include "solarchon/devices/messages.h"
#include "solarchon/devices/mount_state.h"
#include "solarchon/sky/site.h"
#include "standins/stand_in.h"

namespace solarchon::standins {

enum class Kind {
  kEquatorial,  ///< goes to places, on two axes towards the pole
  kAltAzimuth,  ///< goes to places, on two axes towards the zenith
  kTracker,     ///< one driven axis towards the pole; it goes nowhere by itself
  kSeeker       ///< finds the Sun by its formulas and a light cell
};
inline constexpr base::EnumWords<Kind, 4> kKindWords{
    {"equatorial", "alt-azimuth", "tracker", "seeker"}};

/// A mount with its faults. All of them are what it does not know itself.
struct Build {
  Kind kind = Kind::kEquatorial;
  sky::Observer observer{sky::Site{}, sky::Weather{}, 0.0};  ///< where it stands in truth
  align::PoleError pole_error = {};
  double backlash_arcsec = 0.0;        ///< of both axes
  double periodic_error_arcsec = 0.0;  ///< of the first axis: half of the swing
  double worm_period_s = 480.0;
  double step_arcsec = 0.0;  ///< of both axes
  double slew_deg_s = 3.0;
  double hour_angle_limit_deg = 100.0;       ///< to each side, of towards-the-pole kinds
  double clock_error_s = 0.0;                ///< its clock minus the true one
  double longitude_error_deg = 0.0;          ///< its place minus the true one
  std::optional<double> cable_after_s = {};  ///< a cable holds it then
};

/// The mount at work.
class StandInMount : public StandIn {
 public:
  /// @param seed  of where it looks at first
  StandInMount(Build build, sky::UtcTime now, std::uint32_t seed);

  void advance(sky::UtcTime now) override;
  [[nodiscard]] devices::Answer answer(const devices::Request& request) override;
  [[nodiscard]] std::vector<devices::Event> take_events() override;

  [[nodiscard]] devices::MountState state() const;
  /// Where it looks whatever it believes.
  [[nodiscard]] devices::TrueLook truth() const;
  [[nodiscard]] const align::PoleError& pole_error() const { return build_.pole_error; }

 private:
  /// Of its two axes (degree): hour angle and declination, or azimuth and altitude.
  struct Axes {
    double first = 0.0;
    double second = 0.0;
  };
  [[nodiscard]] bool to_pole() const;
  [[nodiscard]] double believed_sidereal_deg() const;
  [[nodiscard]] Axes axes_of(double right_ascension_deg, double declination_deg) const;
  [[nodiscard]] Axes believed() const;
  [[nodiscard]] Axes geared() const;
  [[nodiscard]] bool allowed(const Axes& believed_axes) const;
  void turn(double first_deg, double second_deg);
  void follow(double seconds);
  void seek(double seconds);
  void hold(const char* by);
  devices::Answer refuse(const devices::Request& request, const char* reason) const;
  devices::Answer set_target(const devices::Request& request, bool synchronise);
  devices::Answer set_tracking(const devices::Request& request);
  devices::Answer set_moving(const devices::Request& request);
  devices::Answer turn_knobs(const devices::Request& request);
  void let_go();
  void follow_from_here();

  Build build_;
  sky::UtcTime begun_;
  sky::UtcTime now_;
  Axes motor_;   ///< where the motors stand
  Axes lag_;     ///< what backlash holds the axes behind them
  Axes offset_;  ///< believed minus motor, as it was told
  Axes rate_;    ///< of the arrows (degree a second)
  sky::UtcTime moves_until_;
  double target_right_ascension_deg_ = 0.0;
  double target_declination_deg_ = 0.0;
  devices::Tracking tracking_ = devices::Tracking::kOff;
  devices::Duty duty_ = devices::Duty::kStanding;
  bool synchronised_ = false;
  bool cable_told_ = false;
  std::vector<devices::Event> events_;
};

}  // namespace solarchon::standins
