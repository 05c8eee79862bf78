// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>
#include <memory>
#include <vector>

#include "app/model/document.h"
#include "app/model/latest_job.h"
#include "app/model/models.h"
#include "app/shell/number_field.h"
#include "app/views/day/year_chart.h"

namespace solarchon::app {

/// The year at a glance, and the best windows of the coming four weeks for the target.
class YearPage : public QWidget {
  Q_OBJECT

 public:
  YearPage(const Models& models, QWidget* parent = nullptr);
  void follow();
  /// Everything that is shown is worked out.
  [[nodiscard]] bool settled() const { return wishes_.settled() && is_current(); }

 signals:
  void planAsked();  ///< a run was put into a window: show the plan

 private:
  /// What the answers were worked out for.
  struct Wish {
    int year = 0;
    sky::CivilDate from;
    plan::Outlook outlook;  ///< without runs and mount, which change nothing here
    std::size_t notes = 0;
    double minutes = 60.0;
    std::optional<plan::Feature> feature;
  };
  QWidget* build_side();
  [[nodiscard]] Wish wish() const;
  [[nodiscard]] std::optional<plan::Feature> feature() const;
  [[nodiscard]] bool same_year(const Wish& one, const Wish& other) const;
  [[nodiscard]] bool same_windows(const Wish& one, const Wish& other) const;
  [[nodiscard]] bool is_current() const;
  [[nodiscard]] bool same(const Wish& one, const Wish& other) const;
  void work();
  void show_windows();
  void look_at_chosen();
  void plan_chosen();

  Models models_;
  Document& document_;
  YearChart* chart_;
  QLabel* target_ = nullptr;
  NumberField* minutes_field_ = nullptr;
  QListWidget* list_ = nullptr;
  QPushButton* plan_ = nullptr;
  std::optional<Wish> asked_;  ///< the last that was worked at or waits
  std::optional<Wish> done_;
  std::vector<plan::BestWindow> windows_;  ///< finest first
  LatestJob wishes_;
};

}  // namespace solarchon::app
