// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/shell/drawing.h"
#include "solarchon/light/moves.h"

namespace solarchon::app {

/// How the exposure moves with focal ratio, filter, height of the Sun and cloud: one scale of
/// stops, what each choice would do marked on it.
class MovesPicture : public Drawing {
  Q_OBJECT

 public:
  explicit MovesPicture(QWidget* parent = nullptr);
  void show_moves(const std::optional<light::ExposureMoves>& moves);
  [[nodiscard]] QSize least_size() const override { return {420, 122}; }

 protected:
  void draw(QPainter& painter) override;

 private:
  std::optional<light::ExposureMoves> moves_;
  bool for_cameras_ = false;  ///< some of the filters are not for an eye
};

}  // namespace solarchon::app
