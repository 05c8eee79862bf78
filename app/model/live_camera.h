// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QPointF>
#include <QSize>
#include <QString>
#include <QTimer>
#include <filesystem>
#include <functional>
#include <future>
#include <memory>
#include <optional>
#include <vector>

#include "app/model/camera_choice.h"
#include "app/model/document.h"
#include "app/model/error_reporter.h"
#include "app/model/simulated_telescope.h"
#include "app/model/worker.h"
#include "solarchon/capture/session.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::app {

/// A camera that is looked through: the simulated one behind the light path in use, which another
/// process plays with its focuser and heater, or a clip that is played in its stead.
class LiveCamera : public QObject {
  Q_OBJECT

 public:
  LiveCamera(std::filesystem::path data, Document& document, ErrorReporter& trouble,
             QObject* parent = nullptr);
  ~LiveCamera() override;

  [[nodiscard]] bool looking() const { return session_ != nullptr; }
  /// The picture is on its way.
  [[nodiscard]] bool opening() const { return opening_; }
  [[nodiscard]] const CameraChoice& eye() const { return eye_; }
  /// From the next look on.
  void choose(const CameraChoice& eye);
  /// Looks through the chosen camera, as if it stood behind the light path in use.
  void look();
  /// Plays a clip.
  void play(const QString& clip);
  void stop();

  /// The name that the source gives itself.
  [[nodiscard]] QString name() const;
  [[nodiscard]] bool simulated() const;
  /// Puts the simulated camera on a mount that is played; none: it follows the Sun by itself.
  void ride_on(const std::optional<std::filesystem::path>& mount);
  [[nodiscard]] bool rides() const { return session_ && of_the_document_ && mount_.has_value(); }
  /// The light path of its pictures is known: that in use.
  [[nodiscard]] bool knows_path() const { return session_ && knows_path_; }
  /// As last seen; empty when nothing is looked at.
  [[nodiscard]] const capture::Glance& glance() const { return glance_; }
  /// How the Sun lies in its picture, where that is known.
  [[nodiscard]] std::optional<sky::PictureOrientation> solar() const { return solar_; }
  /// The same of the sky's north.
  [[nodiscard]] std::optional<sky::PictureOrientation> celestial() const { return celestial_; }
  [[nodiscard]] const live::Setting& setting() const { return setting_; }
  /// Across, where parts before the sensor let half of the light through (arcsec); none where
  /// nothing limits it, or nobody knows.
  [[nodiscard]] std::optional<double> opening_arcsec() const { return opening_arcsec_; }
  /// Pixels of the whole sensor.
  [[nodiscard]] QSize sensor_px() const {
    return session_ ? QSize(session_->card().width, session_->card().height) : QSize();
  }
  [[nodiscard]] std::optional<double> exposure_ms() const { return exposure_ms_; }
  /// How a stand-in and the runs on it hurry, from the next start on.
  /// @param heater_quicker  than real ones
  /// @param look_s          of a focus run, at each place
  void hurry(double heater_quicker, double look_s) {
    played_.hurry(heater_quicker);
    focus_look_s_ = look_s;
  }
  /// Exposes so from now on; none: as suggested.
  void expose(std::optional<double> exposure_ms);
  /// As set, or as suggested.
  [[nodiscard]] std::optional<double> exposure_in_force() const;

  /// Pixel of the sensor that somebody has pointed at; none: its middle.
  [[nodiscard]] const std::optional<QPointF>& cross() const { return cross_; }
  void set_cross(const std::optional<QPointF>& pixel);
  /// Reads a part of the sensor alone, about the cross: fewer rows come oftener.
  /// @param share  of each side, 0.1 to 1
  void read_part(double share);
  [[nodiscard]] double part() const { return part_; }
  /// Its exposure is set from here.
  [[nodiscard]] bool exposes() const { return session_ && session_->card().exposes; }
  /// Whether it can do that.
  [[nodiscard]] bool cuts() const { return session_ && session_->card().regions; }
  /// First pixel of the frames, on the sensor.
  [[nodiscard]] QPoint corner() const { return {region_.left_px, region_.top_px}; }

  // What can be turned, as `glance` shows it; nothing happens where there is no hand for it.
  void focus_to(double position_um);
  void tune_to(int step);
  /// Lets the focuser look for the best focus, and the heater for the line.
  void find_focus();
  /// What it finds is noted in the tuning history of the etalon in use.
  void find_line();
  /// A frame at each exposure of a ladder about the one in force.
  void climb_exposures();
  /// The tuner is turned by hand, and stands at a mark: looks at what it does there.
  void look_at_mark(int mark);
  /// It lets through a line, and nothing here turns its tuner.
  [[nodiscard]] bool tuned_by_hand() const;
  void stop_run();
  /// Half of the depth of focus, as the focuser counts (um).
  [[nodiscard]] double focus_depth_um() const { return focus_depth_um_; }

  /// What of a recording somebody chooses. It ends by itself at the first that it reaches.
  struct RecordWish {
    std::optional<double> seconds = {};
    std::optional<int> frames = {};
    std::optional<std::int64_t> bytes = {};
    std::optional<double> above_share = {};  ///< only the sharp moments; none: all
  };
  /// Records into a clip of its own below the data folder.
  void record(const RecordWish& wish);
  /// Records a series below the data folder; what it holds, it holds at the cross.
  void run_series(capture::SeriesPlan plan);
  /// Ends the recording that goes on, and the series that it is of.
  void stop_recording();
  [[nodiscard]] bool recording() const;
  /// A series goes on, between its clips too.
  [[nodiscard]] bool in_series() const;
  /// Of the last recording.
  [[nodiscard]] const QString& clip() const { return clip_; }

 signals:
  void changed();   ///< another frame, reading or state
  void recorded();  ///< a recording has ended
  /// A clip lies whole on disk.
  void clipRecorded(const std::filesystem::path& clip);

 private:
  struct Opened {
    std::unique_ptr<capture::Source> source;
    live::Setting setting;
    std::optional<sky::PictureOrientation> solar;
    std::optional<sky::PictureOrientation> celestial;
  };
  using Opens = std::function<base::Result<Opened>(const base::Task&)>;
  void open(Opens opens);
  void look_simulated(const live::Setting& setting);
  void look_outside(live::Setting setting);
  void begin_next();
  void forget_opening();
  void take_over(Opened opened);
  void take_glance();
  void let_go();
  void take_recorded(const std::vector<capture::Recorded>& recorded);
  void follow_document();
  [[nodiscard]] bool may_look() const;
  /// Makes a folder for clips of today. @return  it and a name; nothing where it cannot be made
  [[nodiscard]] std::optional<std::filesystem::path> next_clip();
  void apply_part();
  void follow_runs();
  void note_tuning(double angstrom, std::optional<double> temperature_c);

  std::filesystem::path data_;
  Document& document_;
  ErrorReporter& trouble_;
  CameraChoice eye_;
  std::optional<std::filesystem::path> mount_;
  bool knows_path_ = false;
  bool of_the_document_ = false;  ///< the simulated camera, which follows the workspace
  workspace::Workspace looked_with_;
  live::Setting setting_;
  std::optional<sky::PictureOrientation> solar_;
  std::optional<sky::PictureOrientation> celestial_;
  std::optional<double> exposure_ms_;
  base::JsonValue facts_;
  double focus_depth_um_ = 0.0;
  std::optional<double> opening_arcsec_;
  std::optional<QPointF> cross_;
  double part_ = 1.0;
  image::Rectangle region_;  ///< as it was asked for
  double focus_look_s_ = 2.0;
  bool opening_ = false;
  int wish_ = 0;  ///< that is being opened; what was wished before is dropped
  Opens next_;
  bool was_tuning_ = false;
  QString clip_;
  bool was_recording_ = false;
  bool was_in_series_ = false;
  std::optional<base::Error> refusal_;  ///< that was told
  QTimer again_;
  SimulatedTelescope played_;
  capture::Glance glance_;
  std::unique_ptr<capture::Session> session_;
  /// Of the session before: what it recorded goes to disk.
  std::future<std::vector<capture::Recorded>> ending_;
  Worker worker_;  // last: it has ended before anything that it delivers to is gone
};

}  // namespace solarchon::app
