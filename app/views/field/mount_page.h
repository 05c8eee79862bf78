// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QBoxLayout>
#include <QButtonGroup>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <array>
#include <optional>
#include <vector>

#include "app/model/document.h"
#include "app/model/latest_job.h"
#include "app/model/models.h"
#include "app/model/mount.h"
#include "app/shell/figures.h"
#include "app/views/field/arrow_pad.h"
#include "app/views/field/eyepiece_picture.h"
#include "app/views/field/headed.h"

namespace solarchon::app {

/// The mount by hand: where the Sun stands in the field, arrows at four rates, and orders.
class MountPage : public QWidget {
  Q_OBJECT

 public:
  MountPage(const Models& models, QWidget* parent = nullptr);
  void follow();
  [[nodiscard]] bool settled() const { return recordings_.settled(); }

 protected:
  /// Escape stops what moves, wherever the keyboard is in the program.
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  QWidget* build_side();
  QWidget* build_away(QWidget* side);
  QWidget* build_driving(QWidget* side);
  QPushButton* add_order(const char* name, const QString& words, const QString& reason,
                         QWidget* parent);
  /// A row of buttons of which one is down.
  QButtonGroup* add_switches(const char* name, const std::vector<std::array<QString, 3>>& switches,
                             QWidget* parent, QBoxLayout& column);
  void choose_rate(int rate);
  void move(int right, int up);
  [[nodiscard]] QString headline() const;
  [[nodiscard]] QString reason() const;
  [[nodiscard]] QString sun_words() const;
  void show_field();
  /// Asks the simulated camera for what it records there.
  void record(const sky::DiscPlace& sun);
  void show_orders();

  Document& document_;
  Mount& mount_;
  Headed* head_;
  EyepiecePicture* picture_;
  QWidget* away_ = nullptr;
  QWidget* driving_ = nullptr;
  QComboBox* played_ = nullptr;
  QCheckBox* covered_ = nullptr;
  QLabel* objection_ = nullptr;
  QButtonGroup* rates_ = nullptr;
  int rate_ = 1;
  ArrowPad* pad_ = nullptr;
  QPushButton* sun_ = nullptr;
  QPushButton* here_ = nullptr;
  QPushButton* park_ = nullptr;
  QButtonGroup* follow_ = nullptr;
  Figures* figures_ = nullptr;
  std::optional<sky::DiscPlace> recorded_at_;  ///< where the Sun stood in the last recording
  optics::Rig recorded_rig_;                   ///< and through which light path
  LatestJob recordings_;                       ///< last, it ends first
};

}  // namespace solarchon::app
