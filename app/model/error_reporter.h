// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

#include "app/model/phrases.h"

namespace solarchon::app {

/// Where bad news goes: whoever has some says it here, and the window shows it.
class ErrorReporter : public QObject {
  Q_OBJECT

 public:
  using QObject::QObject;
  void tell(const QString& why) { emit told(why); }
  /// In words; what the user stopped is no trouble.
  void tell(const base::Error& error) {
    if (error.code != base::ErrorCode::kCancelled) {
      tell(error_text(error));
    }
  }
  /// Work threw: libraries may throw whatever they promise.
  void tell_broken(const QString& what) {
    tell(tr("The work ended before it was done: %1").arg(what));
  }

 signals:
  void told(const QString& why);
};

}  // namespace solarchon::app
