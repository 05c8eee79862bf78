// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

#include "app/model/alarms.h"

namespace solarchon::app {

/// Tells with a notification of the desktop and with sound; without a notification service with the
/// sound alone. Both work while another program has the focus.
///
/// The sound is made by a process of its own (`solarchon --ring`), which ends by itself: sound
/// systems may hang where there is no device, and this program must end when it is closed.
class DesktopNotifier {
 public:
  /// @param ringer  the program to ring with; empty: the desktop's beep
  explicit DesktopNotifier(QString ringer) : ringer_(std::move(ringer)) {}
  void operator()(const Alarm& alarm) const;

 private:
  QString ringer_;
};

/// A notification's text without what a desktop may take for markup.
[[nodiscard]] QString without_markup(QString text);

}  // namespace solarchon::app
