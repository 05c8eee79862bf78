// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/learning.h"

#include "solarchon/workspace/observe.h"

namespace solarchon::app {

Learning::Learning(Document& document, Records& records, QObject* parent)
    : QObject(parent), document_(document), records_(records) {
  connect(&document_, &Document::changed, this, &Learning::follow_document);
  connect(&records_, &Records::sessionsChanged, this, &Learning::learn);
  connect(&records_, &Records::stepNotesChanged, this, &Learning::learn);
}

void Learning::follow_document() {
  const workspace::Workspace& workspace = document_.workspace();
  if (site_ != workspace.site || surroundings_ != workspace.wishes.surroundings) {
    learn();
  }
}

void Learning::learn() {
  site_ = document_.workspace().site;
  surroundings_ = document_.workspace().wishes.surroundings;
  // One lesson at a time: only the thread that works touches it.
  wishes_.wish([this, sessions = records_.sessions(),
                space = document_.workspace()](const base::Task&) -> Worker::Delivery {
    plan::SeeingExperience seeing = lesson_.learn(sessions, space);
    return [this, seeing = std::move(seeing)] { document_.learn({seeing, records_.step_notes()}); };
  });
}

}  // namespace solarchon::app
