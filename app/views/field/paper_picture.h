// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "app/shell/drawing.h"
#include "app/views/field/paper_out.h"

namespace solarchon::app {

/// A drawing as it will lie on its paper, with the edges of the pages that it takes.
class PaperPicture : public Drawing {
  Q_OBJECT

 public:
  explicit PaperPicture(QWidget* parent);
  /// @param hint  what is said instead when there is no drawing
  void show_job(std::optional<PaperJob> job, const QString& hint);

 protected:
  void draw(QPainter& painter) override;
  [[nodiscard]] QSize usual_size() const override { return {520, 440}; }
  [[nodiscard]] QSize least_size() const override { return {300, 240}; }

 private:
  std::optional<PaperJob> job_;
  QString hint_;
};

}  // namespace solarchon::app
