// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/shell/drawing.h"
#include "solarchon/light/exposure.h"
#include "solarchon/workspace/answers.h"

namespace solarchon::app {

/// Lengths on the sky that limit detail, side by side, with the one that rules today named.
class Ladder : public Drawing {
  Q_OBJECT

 public:
  explicit Ladder(QWidget* parent = nullptr);
  void show_limits(const std::optional<workspace::Limits>& limits);
  [[nodiscard]] QSize least_size() const override { return {280, 128}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  std::optional<workspace::Limits> limits_;
};

/// Exposure as a strip in stops around the suggestion, with the level each would give.
class ExposureStrip : public Drawing {
  Q_OBJECT

 public:
  explicit ExposureStrip(QWidget* parent = nullptr);
  void show_exposure(const std::optional<light::DiscExposure>& exposure);
  [[nodiscard]] QSize least_size() const override { return {280, 96}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  std::optional<light::DiscExposure> exposure_;
};

}  // namespace solarchon::app
