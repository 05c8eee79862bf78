// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/model/worker.h"

namespace solarchon::app {

/// Work for a wish that keeps changing, off the interface thread: one piece at a time, and of those
/// that were wished for meanwhile the newest next; the others are never begun.
class LatestJob : public QObject {
  Q_OBJECT

 public:
  explicit LatestJob(QObject* parent = nullptr);

  /// What becomes of the piece that is being worked at when a newer one is wished for.
  enum class Old { kFinishes, kStops };
  void wish(Worker::Work work, Old old = Old::kFinishes);
  [[nodiscard]] bool busy() const { return worker_.busy(); }
  /// A newer wish waits for its turn.
  [[nodiscard]] bool waiting() const { return next_ != nullptr; }
  /// Nothing is worked at and nothing waits.
  [[nodiscard]] bool settled() const { return !busy() && !waiting(); }

 signals:
  /// Work threw; the next wish has its turn all the same.
  void broke(const QString& what);

 private:
  Worker::Work next_;
  Worker worker_;
};

}  // namespace solarchon::app
