// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QPoint>
#include <QString>

class QWidget;

namespace solarchon::app {

/// Shows a tip with its words as they are, never as markup. No words hide it.
void show_plain_tip(const QPoint& at, const QString& words, QWidget* widget);

/// Shows the tips of all widgets and of the rows of lists and tables so, once for the program.
void show_all_tips_plain();

}  // namespace solarchon::app
