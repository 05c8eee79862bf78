// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/learning.h"

#include <cmath>

#include "solarchon/workspace/observe.h"

namespace solarchon::app {

Learning::Learning(Document& document, Log& log, QObject* parent)
    : QObject(parent), document_(document), log_(log) {
  connect(&document_, &Document::changed, this, &Learning::follow_document);
  connect(&log_, &Log::sessionsChanged, this, &Learning::learn);
  connect(&log_, &Log::stepNotesChanged, this, &Learning::learn);
  connect(&log_, &Log::rightExposuresChanged, this, &Learning::learn_exposure);
}

void Learning::follow_document() {
  const workspace::Workspace& workspace = document_.workspace();
  if (site_ != workspace.site || surroundings_ != workspace.wishes.surroundings ||
      with_simulated_ != workspace.wishes.learn_from_simulated) {
    learn();
  }
  learn_exposure();
}

void Learning::learn_exposure() {
  document_.correct_exposure(
      workspace::correction_by(log_.right_exposures(), document_.workspace()).stops);
}

void keep_right_exposure(const Document& document, Log& log, double right_ms, double cloud_stops,
                         bool of_prominences, bool simulated) {
  const workspace::Answers& answers = document.answers();
  if (!answers.exposure || right_ms <= 0.0) {
    return;
  }
  log::RightExposure exposure;
  exposure.found = answers.time;
  exposure.rig = document.workspace().rig.name;
  // Against the bare prediction: what was learned before does not count twice.
  const double learned =
      workspace::correction_by(log.right_exposures(), document.workspace()).stops;
  exposure.predicted_ms = answers.exposure->wanted_ms * std::exp2(cloud_stops - learned) /
                          (of_prominences ? light::kProminenceShare : 1.0);
  exposure.right_ms = right_ms;
  exposure.simulated = simulated;
  log.note_exposure(exposure);
}

void Learning::learn() {
  site_ = document_.workspace().site;
  surroundings_ = document_.workspace().wishes.surroundings;
  with_simulated_ = document_.workspace().wishes.learn_from_simulated;
  // One lesson at a time: only the thread that works touches it.
  wishes_.wish([this, sessions = log_.sessions(),
                space = document_.workspace()](const base::Task&) -> Worker::Delivery {
    plan::SeeingExperience seeing = lesson_.learn(sessions, space);
    return [this, seeing = std::move(seeing)] { document_.learn({seeing, log_.step_notes()}); };
  });
}

}  // namespace solarchon::app
