// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/caption.h"

#include <QFontMetricsF>
#include <QObject>
#include <QPainter>
#include <algorithm>
#include <array>
#include <cmath>

#include "app/model/phrases.h"
#include "solarchon/base/angle.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/reduce/finishing.h"
#include "solarchon/sky/disc.h"

namespace solarchon::app {

namespace {

QString light_words(const image::FrameInfo& info) {
  if (!info.wavelength_nm) {
    return {};
  }
  switch (reduce::tint_for(info)) {
    case reduce::Tint::kHydrogenAlpha:
      return QObject::tr("hydrogen alpha");
    case reduce::Tint::kCalcium:
      return QObject::tr("calcium");
    default:
      return QObject::tr("white light");
  }
}

/// The Earth as it would be seen beside the Sun (arcsec).
double earth_arcsec(const image::FrameInfo& info) {
  constexpr double kParallax_arcsec = 8.794143;  // of the Sun at 1 au: the Earth's radius
  const double distance_au = info.time ? sky::disc_view(*info.time).distance_au : 1.0;
  return 2.0 * kParallax_arcsec / distance_au;
}

/// A round length that is about a sixth of the strip.
double round_length(double arcsec) {
  double length = 1.0;
  for (const double step : {2.0, 2.5, 2.0, 2.0, 2.5, 2.0, 2.0, 2.5, 2.0, 2.0}) {
    if (length * step > arcsec) {
      break;
    }
    length *= step;
  }
  return length;
}

/// An arrow in a direction of the picture, with its letter.
void draw_arrow(QPainter& painter, const QPointF& from, double angle_rad, double length,
                const QString& letter) {
  const QPointF way(std::sin(angle_rad), -std::cos(angle_rad));
  const QPointF tip = from + length * way;
  painter.drawLine(from, tip);
  const QPointF side(-way.y(), way.x());
  painter.drawLine(tip, tip - 0.3 * length * way + 0.18 * length * side);
  painter.drawLine(tip, tip - 0.3 * length * way - 0.18 * length * side);
  const double tall = QFontMetricsF(painter.font()).height();
  const QPointF at = tip + 0.55 * tall * way;
  painter.drawText(QRectF(at.x() - tall, at.y() - tall, 2.0 * tall, 2.0 * tall), Qt::AlignCenter,
                   letter);
}

}  // namespace

QImage caption_strip(const image::FrameInfo& info, int width_px, bool coloured) {
  constexpr int kLeast_px = 34;
  constexpr int kMost_px = 160;
  constexpr double kShare = 0.075;
  const int height = std::clamp(static_cast<int>(kShare * width_px), kLeast_px, kMost_px);
  QImage strip(width_px, height, QImage::Format_RGB32);
  strip.fill(Qt::black);
  QPainter painter(&strip);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(Qt::white, std::max(1.0, height / 40.0)));
  QFont font = painter.font();
  constexpr double kTextShare = 0.27;
  font.setPixelSize(std::max(9, static_cast<int>(kTextShare * height)));
  painter.setFont(font);
  const QFontMetricsF metrics(font);
  const double margin = 0.18 * height;
  double right = width_px - margin;
  if (info.orientation) {
    const double length = 0.3 * height;
    const double reach = 0.5 * (length + 1.1 * metrics.height()) + 0.2 * length;
    const double north = info.orientation->north_deg * base::kRadPerDeg;
    const double east = north + (info.orientation->mirrored ? 1.0 : -1.0) * base::kPi / 2.0;
    // Both arrows lie about the middle, wherever they point.
    const double half = 0.5 * (length + 0.5 * metrics.height());
    const QPointF from(right - reach - half * (std::sin(north) + std::sin(east)) / 1.41,
                       height / 2.0 + half * (std::cos(north) + std::cos(east)) / 1.41);
    draw_arrow(painter, from, north, length, QObject::tr("N"));
    draw_arrow(painter, from, east, length, QObject::tr("E"));
    right -= 2.0 * reach + margin;
  }
  if (info.plate_scale_arcsec_px) {
    const double scale = *info.plate_scale_arcsec_px;
    const double earth = earth_arcsec(info) / scale;
    const QString name = QObject::tr("Earth");
    const double wide = std::max(earth, metrics.horizontalAdvance(name));
    if (earth < 0.6 * height) {
      const QPointF centre(right - wide / 2.0, 0.34 * height);
      painter.setBrush(Qt::white);
      painter.drawEllipse(centre, earth / 2.0, earth / 2.0);
      painter.setBrush(Qt::NoBrush);
      painter.drawText(QRectF(right - wide, 0.62 * height, wide, 0.36 * height), Qt::AlignCenter,
                       name);
      right -= wide + 2.0 * margin;
    }
    constexpr double kOfWidth = 0.17;
    constexpr double kKmOfArcsec = 725.27;
    const double length = round_length(kOfWidth * width_px * scale);
    const double bar = length / scale;
    const double distance_au = info.time ? sky::disc_view(*info.time).distance_au : 1.0;
    const QString words =
        QStringLiteral("%1\u2033 \u00b7 %2 km")
            .arg(number(length, 0),
                 number(std::round(length * kKmOfArcsec * distance_au / 100.0) * 100.0, 0));
    const double room = std::max(bar, metrics.horizontalAdvance(words));
    if (right - room > 0.3 * width_px) {
      const double from = right - room / 2.0 - bar / 2.0;
      const double y = 0.36 * height;
      const double tick = 0.08 * height;
      painter.drawLine(QPointF(from, y), QPointF(from + bar, y));
      painter.drawLine(QPointF(from, y - tick), QPointF(from, y + tick));
      painter.drawLine(QPointF(from + bar, y - tick), QPointF(from + bar, y + tick));
      painter.drawText(QRectF(right - room, 0.55 * height, room, 0.4 * height), Qt::AlignCenter,
                       words);
      right -= room + 2.0 * margin;
    }
  }
  QStringList first;
  if (info.time) {
    first << utc_minutes(*info.time);
  }
  if (const QString light = light_words(info); !light.isEmpty()) {
    first << light;
  }
  if (info.simulated) {
    first << QObject::tr("simulated");
  }
  if (coloured) {
    first << QObject::tr("false colour");
  }
  QStringList second;
  for (const std::string& part : {info.telescope, info.camera}) {
    if (!part.empty()) {
      second << QString::fromStdString(part);
    }
  }
  const double room = right - margin;
  const QString dot = QStringLiteral(" \u00b7 ");
  painter.drawText(QRectF(margin, 0.08 * height, room, 0.42 * height),
                   Qt::AlignLeft | Qt::AlignVCenter,
                   metrics.elidedText(first.join(dot), Qt::ElideRight, room));
  painter.drawText(QRectF(margin, 0.5 * height, room, 0.42 * height),
                   Qt::AlignLeft | Qt::AlignVCenter,
                   metrics.elidedText(second.join(dot), Qt::ElideRight, room));
  return strip;
}

image::Picture captioned(const image::Picture& picture) {
  const QImage strip = caption_strip(picture.info, picture.width, picture.planes == 3);
  image::Picture made;
  made.width = picture.width;
  made.height = picture.height + strip.height();
  made.planes = picture.planes;
  made.info = picture.info;
  made.recipe = picture.recipe;
  made.values.reserve(made.plane_size() * static_cast<std::size_t>(made.planes));
  for (int plane = 0; plane < picture.planes; ++plane) {
    const auto begin =
        picture.values.begin() + static_cast<std::ptrdiff_t>(picture.plane_size()) * plane;
    made.values.insert(made.values.end(), begin,
                       begin + static_cast<std::ptrdiff_t>(picture.plane_size()));
    for (int y = 0; y < strip.height(); ++y) {
      const auto* line = reinterpret_cast<const QRgb*>(strip.constScanLine(y));
      for (int x = 0; x < strip.width(); ++x) {
        made.values.push_back(static_cast<float>(qGray(line[x])) / 255.0F);
      }
    }
  }
  return made;
}

void stamp_time(image::Picture& picture) {
  if (!picture.info.time) {
    return;
  }
  constexpr int kLeast_px = 11;
  const int tall = std::max(kLeast_px, picture.height / 30);
  QFont font;
  font.setPixelSize(tall);
  const QFontMetricsF metrics(font);
  const QString time = utc_minutes(*picture.info.time);
  const QString words =
      picture.info.simulated ? QObject::tr("%1 \u00b7 simulated").arg(time) : time;
  QImage stamp(static_cast<int>(std::ceil(metrics.horizontalAdvance(words))) + tall,
               static_cast<int>(std::ceil(metrics.height())), QImage::Format_RGB32);
  stamp.fill(Qt::black);
  QPainter painter(&stamp);
  painter.setFont(font);
  painter.setPen(Qt::white);
  painter.drawText(stamp.rect(), Qt::AlignCenter, words);
  painter.end();
  const int top = picture.height - stamp.height();
  const int wide = std::min(stamp.width(), picture.width);
  for (int y = std::max(0, top); y < picture.height; ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(stamp.constScanLine(y - top));
    for (int x = 0; x < wide; ++x) {
      // The words are laid over the picture.
      const float light = static_cast<float>(qGray(line[x])) / 255.0F;
      for (int plane = 0; plane < picture.planes; ++plane) {
        float& value =
            picture.values[static_cast<std::size_t>(plane) * picture.plane_size() +
                           static_cast<std::size_t>(y) * static_cast<std::size_t>(picture.width) +
                           static_cast<std::size_t>(x)];
        value += light * (1.0F - value);
      }
    }
  }
}

}  // namespace solarchon::app
