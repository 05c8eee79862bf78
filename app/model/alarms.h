// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <QTimer>
#include <functional>
#include <set>
#include <string>
#include <utility>

#include "app/model/document.h"

namespace solarchon::app {

/// Something that is about to begin.
struct Alarm {
  std::string id;  ///< told once
  sky::UtcTime due;
  QString title;
  QString details;
};

/// Watches the computer's clock for the steps and runs of today's plan and tells of each when it is
/// due, whatever the window shows and whoever has the focus.
class Alarms : public QObject {
  Q_OBJECT

 public:
  using Teller = std::function<void(const Alarm&)>;

  /// @param tell  gets each alarm that is due
  Alarms(Document& document, Teller tell, QObject* parent = nullptr);

  void set_on(bool on);
  [[nodiscard]] bool on() const { return on_; }
  /// Minutes before a run that it reminds; steps are told when they begin.
  static constexpr double kBeforeRunMin = 5.0;
  /// Tells of all that fell due since it was asked last, at most ten minutes ago.
  void check(sky::UtcTime now);
  /// What will be told of today and tomorrow, in order of time.
  [[nodiscard]] std::vector<Alarm> coming(sky::UtcTime now) const;

 private:
  Document& document_;
  Teller tell_;
  bool on_ = false;
  std::set<std::string> told_;
  QTimer clock_;
};

}  // namespace solarchon::app
