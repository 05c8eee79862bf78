// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QStackedWidget>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/views/day/day_sheet.h"
#include "app/views/day/run_editor.h"
#include "app/views/day/step_editor.h"
#include "solarchon/plan/calendar.h"

namespace solarchon::app {

/// The plan of the day: the sheet of hours, what stands in the way, and the fields of what is
/// chosen.
class PlanPage : public QWidget {
  Q_OBJECT

 public:
  PlanPage(const Models& models, QWidget* parent = nullptr);
  void follow();
  [[nodiscard]] DaySheet& sheet() { return *sheet_; }

  void open_forecast_file(const QString& file);
  void open_calendar_file(const QString& file);
  /// By its ending: .ics, .csv, .json or .pdf.
  void export_file(const QString& file);
  void show_alarms(bool on) { alarms_->setChecked(on); }

 signals:
  void alarmsToggled(bool on);

 private:
  QWidget* build_tools();
  QToolButton* build_in_menu(QWidget* parent);
  QToolButton* build_out_menu(QWidget* parent);
  QWidget* build_side();
  [[nodiscard]] QComboBox* build_ground(QWidget* parent, const QString& name,
                                        plan::Ground plan::Surroundings::*member);
  void add_run();
  void take_events(const plan::CalendarFile& read);
  void change_run(std::size_t run, const plan::Run& to);
  void remove_run(std::size_t run);
  void edit_wishes(const QString& what, const plan::Wishes& wishes,
                   EditKind kind = EditKind::kSeparate, const std::string& subject = {});
  void adopt_forecast(const QString& what, std::optional<plan::Forecast> forecast);
  void ask_for_export(const QString& ending, const QString& filter);
  void print();
  void show_choice();
  void show_conflicts();
  void resolve(plan::ConflictKind of, std::size_t run, plan::Cure::Kind by);
  [[nodiscard]] QString headline() const;

  Models models_;
  Document& document_;
  DaySheet* sheet_;
  QLabel* headline_;
  QCheckBox* alarms_ = nullptr;
  QAction* learn_simulated_ = nullptr;
  QAction* forget_forecast_ = nullptr;
  QAction* save_forecast_ = nullptr;
  QComboBox* under_ = nullptr;
  QComboBox* before_ = nullptr;
  QVBoxLayout* conflicts_ = nullptr;
  QLabel* conflicts_title_ = nullptr;
  std::vector<QWidget*> conflict_rows_;
  QString shown_conflict_words_;
  QScrollArea* side_ = nullptr;
  QStackedWidget* editors_ = nullptr;
  RunEditor* run_editor_ = nullptr;
  StepEditor* step_editor_ = nullptr;
};

}  // namespace solarchon::app
