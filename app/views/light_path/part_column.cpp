// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/part_column.h"

#include <QLinearGradient>
#include <algorithm>

#include "app/model/part_words.h"
#include "app/model/phrases.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kRowHeight = 20.0;
constexpr int kNumberRows = 4;
constexpr double kColourHeight = 32.0;
constexpr double kFirstNm = 350.0;  // of the colours track
constexpr double kLastNm = 750.0;

/// About the colour of a wavelength, for a strip that also carries numbers.
QColor colour_of(double nm) {
  constexpr double kViolet = 280.0;  // hues
  const double share = std::clamp((nm - 400.0) / (690.0 - 400.0), 0.0, 1.0);
  const double value = nm < 390.0 || nm > 710.0 ? 0.45 : 0.85;
  return QColor::fromHsvF(kViolet / 360.0 * (1.0 - share), 0.75, value);
}

QString colours_text(const optics::Passage& passage) {
  const double width = passage.passes_to_nm - passage.passes_from_nm;
  if (passage.passes_from_nm <= kFirstNm && passage.passes_to_nm >= kLastNm) {
    return QObject::tr("all");
  }
  if (width <= 0.0) {
    return QObject::tr("none");
  }
  if (width < 2.0) {
    return number(0.5 * (passage.passes_from_nm + passage.passes_to_nm), 2);
  }
  return QStringLiteral("%1\u2013%2")
      .arg(number(passage.passes_from_nm, 0), number(passage.passes_to_nm, 0));
}

void paint_colours(QPainter& painter, const QRectF& box, const optics::Passage& passage) {
  const Palette& c = Theme::colours();
  const QRectF strip(box.left(), box.bottom() - 10.0, box.width(), 8.0);
  painter.setPen(Qt::NoPen);
  painter.setBrush(c.shade);
  painter.drawRect(strip);
  const auto x = [&](double nm) {
    return strip.left() +
           strip.width() * std::clamp((nm - kFirstNm) / (kLastNm - kFirstNm), 0.0, 1.0);
  };
  double left = x(passage.passes_from_nm);
  double right = x(passage.passes_to_nm);
  if (passage.passes_to_nm > passage.passes_from_nm) {
    constexpr double kLeastMark = 3.0;
    if (right - left < kLeastMark) {
      const double middle = 0.5 * (left + right);
      left = middle - kLeastMark / 2;
      right = middle + kLeastMark / 2;
    }
    QLinearGradient spectrum(strip.left(), 0, strip.right(), 0);
    for (double nm = kFirstNm; nm <= kLastNm; nm += 25.0) {
      spectrum.setColorAt((nm - kFirstNm) / (kLastNm - kFirstNm), colour_of(nm));
    }
    painter.setBrush(spectrum);
    painter.drawRect(QRectF(left, strip.top(), right - left, strip.height()));
  }
  painter.setPen(c.ink);
  painter.drawText(QRectF(box.left(), box.top(), box.width(), kRowHeight),
                   Qt::AlignLeft | Qt::AlignVCenter, colours_text(passage));
}

}  // namespace

double tracks_height() { return kNumberRows * kRowHeight + kColourHeight + 8.0; }

void paint_track_names(QPainter& painter, const QRectF& box) {
  painter.setPen(Theme::colours().faint_ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  double top = box.top();
  for (const QString& name :
       {QObject::tr("heat"), QObject::tr("per cm\u00b2"), QObject::tr("light\u2019s width"),
        QObject::tr("Sun\u2019s image"), QObject::tr("colours, nm")}) {
    painter.drawText(QRectF(box.left(), top, box.width(), kRowHeight),
                     Qt::AlignLeft | Qt::AlignVCenter, name);
    top += kRowHeight;
  }
}

void paint_part_column(QPainter& painter, const PartColumn& column) {
  const Palette& c = Theme::colours();
  const optics::Element& part = column.element;
  const QRectF& box = column.box;
  QPen frame = Theme::line(column.chosen ? c.accent : c.rule,
                           column.chosen ? (column.focused ? 3.0 : 2.0) : 1.0);
  if (!part.fitted) {
    frame.setStyle(Qt::DashLine);
  }
  painter.setPen(frame);
  painter.setBrush(part.fitted ? c.sheet : c.ground);
  painter.drawRoundedRect(box, 3, 3);
  const QRectF inner = box.adjusted(6, 5, -3, -4);
  painter.setPen(c.faint_ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.drawText(QRectF(inner.left(), inner.top(), inner.width(), 16), Qt::AlignLeft,
                   painter.fontMetrics().elidedText(kind_name(part.part), Qt::ElideRight,
                                                    static_cast<int>(inner.width())));
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
  painter.drawText(QRectF(inner.left(), inner.top() + 17, inner.width(), column.head_height - 24),
                   Qt::AlignLeft | Qt::TextWordWrap, text(part.name));
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  double top = box.top() + column.head_height;
  const optics::Passage* passage = column.passage;
  if (passage == nullptr) {
    const bool beside = optics::zone_of(part.part) == optics::Zone::kBeside;
    painter.setPen(c.faint_ink);
    painter.drawText(QRectF(inner.left(), top, inner.width(), 60), Qt::AlignLeft | Qt::TextWordWrap,
                     !part.fitted ? QObject::tr("laid aside; Space puts it back")
                     : beside     ? QObject::tr("beside the light")
                                  : QObject::tr("behind the end"));
    return;
  }
  const QStringList lines{with_prefix(passage->arriving_w, QStringLiteral("W")),
                          with_prefix(passage->irradiance_w_cm2, QStringLiteral("W")),
                          QObject::tr("%1 mm").arg(figure(passage->beam_width_mm, 3)),
                          passage->image_mm > 0.0
                              ? QObject::tr("%1 mm").arg(figure(passage->image_mm, 3))
                              : QStringLiteral("\u2013")};
  for (const QString& line : lines) {
    painter.drawText(QRectF(inner.left(), top, inner.width(), kRowHeight),
                     Qt::AlignLeft | Qt::AlignVCenter, line);
    top += kRowHeight;
  }
  paint_colours(painter, QRectF(inner.left(), top, inner.width(), kColourHeight), *passage);
}

}  // namespace solarchon::app
