// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPushButton>
#include <QWidget>
#include <optional>
#include <vector>

#include "app/model/document.h"
#include "app/model/latest_job.h"
#include "app/model/models.h"
#include "app/views/match/ways_sheet.h"
#include "solarchon/optics/rig.h"

namespace solarchon::app {

/// The target as one's own light path and the usual ones show it, for whoever is choosing. One can
/// be laid beside one's own, or taken.
class WaysPage : public QWidget {
  Q_OBJECT

 public:
  WaysPage(const Models& models, QWidget* parent);
  void follow();
  [[nodiscard]] bool settled() const { return wishes_.settled() && next_ >= rigs_.size(); }

 private:
  void draw_next();
  void choose();
  void lay_beside();
  void take();

  Document& document_;
  WaysSheet* sheet_;
  QPushButton* beside_;
  QPushButton* take_;
  std::vector<optics::Rig> rigs_;  ///< one's own first
  std::size_t next_ = 0;           ///< to be drawn
  double field_arcmin_ = 32.0;
  std::optional<workspace::Workspace> drawn_;  ///< that the pictures are of, and when
  sky::UtcTime drawn_at_;
  LatestJob wishes_;
};

}  // namespace solarchon::app
