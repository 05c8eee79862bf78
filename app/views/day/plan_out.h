// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPainter>
#include <QString>

#include "app/model/document.h"
#include "solarchon/base/result.h"

namespace solarchon::app {

/// Writes the day's plan by the file's ending: .ics, .csv, .json, or .pdf for one page.
/// Errors: kUnknownValue for another ending; as base::write_file.
[[nodiscard]] base::Result<void> write_plan(const Document& document, const QString& file);

/// Asks for a printer and prints the page.
void print_plan(const Document& document, QWidget* parent);

/// The plan as one page: what must start when, the Sun's path, runs, and the order of handling.
/// @param page  where it goes, in the painter's units; black on white
void paint_plan(QPainter& painter, const QRectF& page, const Document& document);

/// So many minutes before its start an entry reminds.
inline constexpr double kAlarmMin = 10.0;

}  // namespace solarchon::app
