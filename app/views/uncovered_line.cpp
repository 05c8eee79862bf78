// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/uncovered_line.h"

#include <cmath>

#include "app/model/phrases.h"

namespace solarchon::app {

UncoveredLine::UncoveredLine(const Document& document, QWidget* parent)
    : PlainLabel(parent), document_(document) {
  setObjectName(QStringLiteral("uncovered"));
  setWordWrap(true);
  connect(&document, &Document::changed, this, &UncoveredLine::follow);
  follow();
}

void UncoveredLine::follow() {
  const auto& moon = document_.answers().moon;
  // Below the horizon nobody sees it.
  const bool seen = moon && document_.answers().local.altitude_deg > 0.0;
  setVisible(seen);
  if (!seen) {
    clear();
    return;
  }
  const double percent = kPercent * moon->obscuration;
  const QString covered =
      percent >= 100.0 ? tr("The Moon covers the whole Sun at this time.")
      : percent < 1.0
          ? tr("The Moon covers less than 1 % of the Sun at this time.")
          : tr("The Moon covers %1 % of the Sun at this time.").arg(number(std::floor(percent), 0));
  setText(tr("%1 Simulated pictures, exposures and frame counts are those of an uncovered Sun.")
              .arg(covered));
}

}  // namespace solarchon::app
