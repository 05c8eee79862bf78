// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <QTimer>
#include <filesystem>
#include <future>
#include <memory>
#include <optional>

#include "app/model/document.h"
#include "app/model/trouble.h"
#include "app/model/worker.h"
#include "solarchon/capture/session.h"

namespace solarchon::app {

/// A camera that is looked through: the simulated one behind the light path in use, or a clip that
/// is played in its stead.
class LiveCamera : public QObject {
  Q_OBJECT

 public:
  LiveCamera(std::filesystem::path data, Document& document, Trouble& trouble,
             QObject* parent = nullptr);
  ~LiveCamera() override;

  [[nodiscard]] bool looking() const { return session_ != nullptr; }
  /// The picture is on its way.
  [[nodiscard]] bool opening() const { return worker_.busy(); }
  /// Looks through the simulated camera of the workspace.
  void look();
  /// Plays a clip.
  void play(const QString& clip);
  void stop();

  /// The name that the source gives itself.
  [[nodiscard]] QString name() const;
  [[nodiscard]] bool simulated() const;
  /// As last seen; empty when nothing is looked at.
  [[nodiscard]] const capture::Glance& glance() const { return glance_; }
  /// How the Sun lies in its picture, where that is known.
  [[nodiscard]] std::optional<sky::PictureOrientation> solar() const { return solar_; }
  [[nodiscard]] const live::Setting& setting() const { return setting_; }
  [[nodiscard]] std::optional<double> exposure_ms() const { return exposure_ms_; }
  /// Exposes so from now on; none: as suggested.
  void expose(std::optional<double> exposure_ms);

  /// Records into a clip of its own below the data folder.
  /// @param seconds      after which it ends by itself
  /// @param above_share  only the sharp moments; none: all
  void record(std::optional<double> seconds, std::optional<double> above_share);
  void stop_recording();
  [[nodiscard]] bool recording() const;
  /// Of the last recording.
  [[nodiscard]] const QString& clip() const { return clip_; }

 signals:
  void changed();   ///< another frame, reading or state
  void recorded();  ///< a recording has ended

 private:
  struct Opened {
    std::unique_ptr<capture::Source> source;
    live::Setting setting;
    std::optional<sky::PictureOrientation> solar;
  };
  void open(std::function<base::Result<Opened>(const base::Task&)> opens);
  void take_over(Opened opened);
  void take_glance();
  void let_go();
  void follow_document();
  [[nodiscard]] bool may_look() const;

  std::filesystem::path data_;
  Document& document_;
  Trouble& trouble_;
  bool of_the_document_ = false;  ///< the simulated camera, which follows the workspace
  workspace::Workspace looked_with_;
  live::Setting setting_;
  std::optional<sky::PictureOrientation> solar_;
  std::optional<double> exposure_ms_;
  base::Json facts_;
  QString clip_;
  bool was_recording_ = false;
  std::uint32_t seed_ = 0;
  QTimer again_;
  capture::Glance glance_;
  std::unique_ptr<capture::Session> session_;
  std::future<void> ending_;  ///< of the session before: what it recorded goes to disk
  Worker worker_;             // last: it has ended before anything that it delivers to is gone
};

}  // namespace solarchon::app
