// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <optional>

#include "app/model/document.h"
#include "app/model/latest_job.h"
#include "app/model/log.h"
#include "solarchon/light/exposure_plan.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

/// Brings what the log has taught of the workspace's site into the document, off the interface
/// thread, whenever log, site or surroundings change.
class Learning : public QObject {
  Q_OBJECT

 public:
  Learning(Document& document, Log& log, QObject* parent = nullptr);
  [[nodiscard]] bool settled() const { return wishes_.settled(); }

 private:
  void follow_document();
  void learn();
  /// What exposures that were found right say of the light path in use.
  void learn_exposure();

  Document& document_;
  Log& log_;
  std::optional<sky::Site> site_;
  plan::Surroundings surroundings_;
  bool with_simulated_ = false;
  workspace::SeeingLesson lesson_;
  LatestJob wishes_;
};

/// Writes into the log that an exposure came out right with the light path in use. Nothing happens
/// while the Sun is down.
/// @param cloud_stops     that haze takes
/// @param of_prominences  the disc is full then
/// @param simulated       on pictures of the simulated camera
void keep_right_exposure(const Document& document, Log& log, double right_ms, double cloud_stops,
                         bool of_prominences, bool simulated);

}  // namespace solarchon::app
