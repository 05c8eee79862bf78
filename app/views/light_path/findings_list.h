// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QScrollArea>
#include <vector>

#include "solarchon/advise/advise.h"
#include "solarchon/optics/rig.h"
#include "solarchon/safety/safety.h"

namespace solarchon::app {

/// What speaks against the train, worst first: what can happen, why, the next safe step; then what
/// does not fit. Under each, what would cure it, to be done with one press.
class FindingsList : public QScrollArea {
  Q_OBJECT

 public:
  explicit FindingsList(QWidget* parent = nullptr);
  void show_judgement(const safety::Assessment& assessment,
                      const std::vector<advise::Misfit>& misfits,
                      const std::vector<advise::Suggestion>& suggestions, const optics::Rig& rig);
  /// Builds everything anew the next time, as after a change of theme.
  void forget() { plain_.clear(); }
  /// Everything it says, for tests and for copying.
  [[nodiscard]] QString plain_text() const { return plain_; }

 signals:
  void suggestionChosen(int suggestion);

 private:
  QString plain_;
};

/// A suggestion in a few words: `Put back Film (density 0.1 to 5.1 OD)`.
[[nodiscard]] QString suggestion_words(const advise::Suggestion& suggestion,
                                       const optics::Rig& rig);

}  // namespace solarchon::app
