// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/learning.h"

#include <cmath>

namespace solarchon::app {

namespace {

/// Sessions that far apart share their air (degree; some 2 km).
constexpr double kSameSiteDeg = 0.02;

}  // namespace

Learning::Learning(Document& document, Records& records, QObject* parent)
    : QObject(parent), document_(document), records_(records) {
  connect(&document_, &Document::changed, this, &Learning::follow_document);
  connect(&records_, &Records::sessionsChanged, this, &Learning::learn);
  connect(&records_, &Records::stepNotesChanged, this, &Learning::learn);
  connect(&worker_, &Worker::busyChanged, this, [this](bool busy) {
    if (!busy && stale_) {
      learn();
    }
  });
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
  std::vector<plan::SeeingNote> notes;
  for (const log::SessionSummary& session : records_.sessions()) {
    if (std::abs(session.latitude_deg - site_->latitude_deg) < kSameSiteDeg &&
        std::abs(session.longitude_deg - site_->longitude_deg) < kSameSiteDeg) {
      notes.push_back({session.started, session.seeing_arcsec});
    }
  }
  stale_ = !worker_.start([this, notes = std::move(notes), site = *site_,
                           ground = surroundings_](const base::Task&) -> Worker::Delivery {
    plan::SeeingExperience seeing(notes, site, ground);
    return [this, seeing = std::move(seeing)] { document_.learn({seeing, records_.step_notes()}); };
  });
}

}  // namespace solarchon::app
