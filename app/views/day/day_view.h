// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>

#include "app/shell/pages.h"
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
  QLabel* title_;
  SkyPage* sky_;
  PlanPage* plan_;
  KitPage* kit_;
  YearPage* year_;
  Pages* pages_ = nullptr;
};

}  // namespace solarchon::app
