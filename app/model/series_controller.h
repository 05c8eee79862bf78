// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <cstdint>
#include <filesystem>
#include <optional>
#include <set>

#include "app/model/document.h"
#include "app/model/error_reporter.h"
#include "app/model/live_camera.h"
#include "solarchon/workspace/series.h"

namespace solarchon::app {

/// Series of clips that go by themselves: as ordered here, or as the plan of the day has its runs.
class SeriesController : public QObject {
  Q_OBJECT

 public:
  SeriesController(std::filesystem::path data, Document& document, LiveCamera& camera,
                   ErrorReporter& trouble, QObject* parent = nullptr);

  [[nodiscard]] const workspace::SeriesOrder& order() const { return order_; }
  void set_order(const workspace::SeriesOrder& order);
  /// What it takes, or what stands against it.
  [[nodiscard]] base::Result<match::TimeLapseNeeds> needs() const;
  /// Room where clips are kept; none where that cannot be told.
  [[nodiscard]] std::optional<double> free_bytes() const;
  /// Begins it. What stands against it is told.
  void begin();

  /// Runs of the day's plan begin by themselves while the camera is looked through, by the time of
  /// its picture; one that is late records what is left of it.
  void follow_plan(bool follows);
  [[nodiscard]] bool follows_plan() const { return follows_plan_; }
  /// The one that goes on or comes next; none today.
  [[nodiscard]] std::optional<plan::Run> next_run() const;
  /// When that begins, by the time of the picture; none without a picture.
  [[nodiscard]] std::optional<sky::Duration> until(const plan::Run& run) const;

 signals:
  void changed();

 private:
  void begin(const workspace::SeriesOrder& order, const QString& name);
  void look_at_plan();
  [[nodiscard]] std::optional<sky::UtcTime> now() const;

  std::filesystem::path data_;
  Document& document_;
  LiveCamera& camera_;
  ErrorReporter& trouble_;
  workspace::SeriesOrder order_;
  bool follows_plan_ = false;
  std::set<std::int64_t> begun_;  ///< runs of the plan, by their start
};

}  // namespace solarchon::app
