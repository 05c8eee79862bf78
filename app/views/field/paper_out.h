// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPainter>
#include <QString>
#include <QTimeZone>
#include <QWidget>

#include "solarchon/base/result.h"
#include "solarchon/paper/sheet.h"

namespace solarchon::app {

/// A drawing of core/paper with the words that go with it.
struct PaperJob {
  QString title;
  QString how;  ///< what is done with it, in a sentence or two
  paper::Sheet sheet;
  paper::Page page = paper::kA4;
  QTimeZone zone;
};

/// Paints the drawing, black on white.
/// @param painter  in which a tenth of a millimetre is one unit; its origin is the drawing's corner
void paint_sheet(QPainter& painter, const PaperJob& job);

/// Writes one PDF at true scale, a page for each tile, each with a control ruler.
/// Errors: as base::write_file.
[[nodiscard]] base::Result<void> write_paper(const PaperJob& job, const QString& file);

/// Asks for a printer and prints it at true scale.
void print_paper(const PaperJob& job, QWidget* parent);

/// Units of such a painter in a millimetre.
inline constexpr double kPaperUnits = 10.0;

}  // namespace solarchon::app
