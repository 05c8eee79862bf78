// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QFont>
#include <QIcon>
#include <QPen>
#include <QSize>
#include <QString>

namespace solarchon::app {

/// The two looks: Noon for a laptop in daylight, Indoors for the desk.
enum class Look { kNoon, kIndoors };

/// Colours by meaning. Every pair of ink and ground has a contrast of 7:1 or better.
struct Palette {
  QColor ground;     ///< behind everything
  QColor sheet;      ///< panels and fields
  QColor ink;        ///< text and main lines
  QColor faint_ink;  ///< second rank text, still 7:1
  QColor rule;       ///< thin lines that carry no meaning
  QColor accent;     ///< the one accent: what can be acted on, and now
  QColor on_accent;
  QColor stop;
  QColor check;
  QColor sun;    ///< the Sun's own colour in pictures
  QColor sky;    ///< behind it in pictures
  QColor shade;  ///< night, ground, blocked
};

enum class TextSize {
  kSmall,
  kMedium,
  kLarge,
  kHuge  ///< readable from two metres: one step, one reading
};

/// The look in force. Changing it restyles the application.
class Theme {
 public:
  static void load_fonts();
  static void apply(Look look);
  [[nodiscard]] static Look look();
  [[nodiscard]] static const Palette& colours();
  [[nodiscard]] static QFont font(TextSize size, bool bold = false);
  /// The same in a Drawing, whose units grow with the text already.
  [[nodiscard]] static QFont drawn_font(TextSize size, bool bold = false);

  /// Text size against the usual one; takes effect on what is built afterwards.
  static constexpr int kLeastPercent = 90;
  static constexpr int kMostPercent = 200;
  static void set_text_percent(int percent);
  [[nodiscard]] static int text_percent();
  [[nodiscard]] static double scale();
  /// Lengths of the layout, designed in pixels at the usual text size.
  [[nodiscard]] static int px(int designed);
  [[nodiscard]] static QSize px(const QSize& designed);
  /// One of data/icons in a colour.
  [[nodiscard]] static QIcon icon(const QString& name, const QColor& colour);
  [[nodiscard]] static QPen line(const QColor& colour, double width = 1.5);
};

}  // namespace solarchon::app
