// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QButtonGroup>
#include <QLabel>
#include <array>

#include "app/views/day/kit_page.h"
#include "app/views/day/plan_page.h"
#include "app/views/day/sky_page.h"
#include "app/views/day/year_page.h"
#include "app/views/view.h"

namespace solarchon::app {

/// The day at the site on four pages: the sky, the plan, what must be ready, and the year.
class DayView : public View {
  Q_OBJECT

 public:
  DayView(const Models& models, QWidget* parent = nullptr);
  [[nodiscard]] Readiness readiness() const override;
  [[nodiscard]] bool settled() const override;
  void restyle() override;

  /// `day`, `day-plan`, `day-ready` or `day-year`.
  void show_page(const QString& id) override;
  [[nodiscard]] QString page() const override;
  /// A calendar or a forecast on the plan, a horizon elsewhere.
  void open_file(const QString& file) override;
  [[nodiscard]] SkyPage& sky_page() { return *sky_; }
  [[nodiscard]] PlanPage& plan_page() { return *plan_; }
  [[nodiscard]] KitPage& kit_page() { return *kit_; }
  [[nodiscard]] YearPage& year_page() { return *year_; }

 protected:
  void follow() override;

 private:
  enum Page { kSky, kPlan, kReady, kYear };

  void turn_to(int page);
  void build_switch(QLayout& row);

  QLabel* title_;
  QButtonGroup* switch_;
  SkyPage* sky_;
  PlanPage* plan_;
  KitPage* kit_;
  YearPage* year_;
  std::array<QWidget*, 4> pages_;  ///< in the order of Page; one is shown
  int shown_ = kSky;
};

}  // namespace solarchon::app
