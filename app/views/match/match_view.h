// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/shell/pages.h"
#include "app/views/match/clip_page.h"
#include "app/views/match/dusk_page.h"
#include "app/views/match/exposure_page.h"
#include "app/views/match/frame_page.h"
#include "app/views/match/ways_page.h"
#include "app/views/view.h"

namespace solarchon::app {

/// The picture that this light path will give today, how long to expose, and what to record.
class MatchView : public View {
  Q_OBJECT

 public:
  MatchView(const Models& models, QWidget* parent = nullptr);
  [[nodiscard]] Readiness readiness() const override;
  void show_page(const QString& id) override { pages_->turn_to(id); }
  [[nodiscard]] QString page() const override { return pages_->id(); }
  [[nodiscard]] bool settled() const override;

 protected:
  void follow() override;

 private:
  QLabel* title_;
  FramePage* frame_;
  ExposurePage* exposure_;
  ClipPage* clip_;
  WaysPage* ways_;
  DuskPage* dusk_;
  Pages* pages_;
};

}  // namespace solarchon::app
