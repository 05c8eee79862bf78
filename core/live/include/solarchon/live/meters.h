// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <deque>
#include <memory>
#include <optional>
#include <utility>
#include <vector>

#include "solarchon/disc/limb_tracker.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/sharpness.h"
#include "solarchon/live/dust_detector.h"
#include "solarchon/live/fringe_detector.h"
#include "solarchon/live/seeing_monitor.h"
#include "solarchon/live/setting.h"
#include "solarchon/registration/reference_square.h"

namespace solarchon::live {

/// How the picture goes on the sensor, air left out.
struct Drift {
  double right_arcsec_min = 0.0;  ///< in the picture
  double down_arcsec_min = 0.0;
  double spread_arcsec_min = 0.0;  ///< of either
  [[nodiscard]] double arcsec_min() const;
};

/// What all meters say together. What cannot be told is left out.
struct Readings {
  int frames = 0;                         ///< that were looked at
  double span_s = 0.0;                    ///< from the first to the last of them
  double field_arcsec = 0.0;              ///< the frame's shorter side
  image::Level level;                     ///< of the last frame
  double sharpness = 0;                   ///< of the last frame, as Sharpness::detail
  double noise = 0.0;                     ///< of the last frame, of full scale
  std::optional<disc::TrackedLimb> limb;  ///< in the last frame; its off_px left empty
  std::optional<Estimate> edge_arcsec;    ///< how wide the limb is drawn, of the last seconds
  std::optional<Estimate> defocus_um;     ///< that makes it wider than the air does; 0 in focus
  std::optional<SeeingMonitor::Seen> air;
  std::optional<Estimate> cloud_stops;  ///< against the clear sky; below 0 where it is brighter
  std::optional<Drift> drift;
  std::optional<Bands> bands;
  /// Shadows of dust, the deepest first; none before the picture has moved over the sensor.
  std::optional<std::vector<Speck>> dust;
  double structure =
      0.0;  ///< contrast of detail in the middle of the picture, over the last frames
};

/// All meters over a stream of frames. Used from one thread.
/// A frame of 3 million pixels takes some 3 ms, the first and each quarter of a second's some 15 ms
/// more. Memory does not grow with time.
class Meters {
 public:
  explicit Meters(const Setting& setting);

  /// @param seconds  of the frame, from anywhere; growing
  void take(const image::Frame& frame, double seconds);
  [[nodiscard]] Readings readings() const;
  /// Of the last frame alone; costs nothing.
  struct Last {
    double sharpness;
    double noise;
    image::Level level;
    std::optional<double> edge_arcsec;  ///< how wide the limb is drawn
  };
  [[nodiscard]] Last last() const;
  [[nodiscard]] const Setting& setting() const { return setting_; }
  /// Another exposure or clear sky: what is kept of the past stays.
  void change(const Setting& setting);
  /// What is known of the picture, at the same exposure and sky.
  void expect(const Setting& setting) { setting_ = setting; }
  /// Something was turned: what is said of the edge's width, of bands and of structure counts from
  /// the next frame on.
  void look_afresh();
  /// The telescope was moved, or another part of the sensor is read: what is said of drift and air
  /// counts from the next frame on.
  void moved();
  /// Where the picture stands against where it stood when what is followed was first seen, in the
  /// last frame in which that could be told; air and all.
  struct Stands {
    double right_arcsec = 0.0;
    double down_arcsec = 0.0;
    double seconds = 0.0;
  };
  [[nodiscard]] std::optional<Stands> stands() const;

 private:
  void follow_limb(const disc::TrackedLimb& seen, double seconds);
  void follow_detail(const image::Frame& frame, double seconds, bool limb);
  void take_tiles(const image::Frame& frame, int side);
  /// Places count from anew.
  void begin_places();
  void note_place(double seconds, double right_arcsec, double down_arcsec);
  [[nodiscard]] std::optional<Drift> drift() const;
  [[nodiscard]] Estimate defocus(std::optional<double> r0_cm, double width_arcsec) const;

  struct Place {
    double seconds;
    double right_arcsec;
    double down_arcsec;
  };
  struct Width {
    double seconds;
    double arcsec;
  };
  /// What was worked out last.
  struct Focus {
    std::optional<double> r0_cm;
    double width_arcsec;
    Estimate defocus_um;
  };
  Setting setting_;
  int scale_px_;
  int width_px_ = 0;  ///< of the frames
  int height_px_ = 0;
  disc::LimbTracker limb_;
  SeeingMonitor air_;
  FringeDetector bands_;
  DustDetector dust_;
  std::optional<registration::StandingWave> standing_;  ///< bands that the tiles leave out
  std::vector<registration::ReferenceSquare> tiles_;
  Place tiles_from_{};  ///< where the picture stood when the tiles were taken
  std::optional<std::pair<double, double>> limb_from_;
  std::deque<Place> places_;
  std::deque<Width> widths_;
  std::deque<Width> stops_;
  mutable std::optional<Focus> focus_;
  Readings last_;
  double first_s_ = 0.0;
  double bands_s_ = -1e9;
  double detail_s_ = -1e9;
  double dust_s_ = -1e9;
};

}  // namespace solarchon::live
