// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/wall_chart.h"

#include <QDateTime>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

namespace {

constexpr double kLowestDeg = -8.0;

}  // namespace

WallChart::WallChart(Document& document, QWidget* parent) : Drawing(parent), document_(document) {
  setObjectName(QStringLiteral("wall-chart"));
  setAccessibleName(tr("Path of the Sun over the horizon"));
  connect(&document_, &Document::changed, this, qOverload<>(&QWidget::update));
}

WallChart::Span WallChart::span() const {
  const sky::SunDay& day = document_.day();
  double highest = -90.0;
  double middle = 180.0;
  for (const sky::ArcPoint& point : day.arc) {
    if (point.altitude_deg > highest) {
      highest = point.altitude_deg;
      middle = point.azimuth_deg;
    }
  }
  // Culmination is due south or north, but for the poles; the chart shows a round half.
  middle = base::angle_between_deg(middle, 180.0) < 90.0 ? 180.0 : 0.0;
  double half = 60.0;
  for (const sky::ArcPoint& point : day.arc) {
    if (point.altitude_deg > kLowestDeg) {
      half = std::max(half, base::angle_between_deg(point.azimuth_deg, middle) + 6.0);
    }
  }
  return {middle, std::min(180.0, half)};
}

QRectF WallChart::area() const { return QRectF(rect()).adjusted(44, 12, -12, -30); }

double WallChart::top_deg() const {
  double highest = document_.day().culmination_altitude_deg + 8.0;
  for (const sky::HorizonPoint& corner : shown().points) {
    highest = std::max(highest, corner.height_deg + 4.0);
  }
  return std::clamp(10.0 * std::ceil(highest / 10.0), 30.0, 90.0);
}

const sky::Horizon& WallChart::shown() const {
  return dragged_ ? *dragged_ : document_.workspace().site.horizon;
}

sky::HorizonPoint WallChart::direction(const QPointF& point) const {
  const Span s = span();
  const QRectF box = area();
  const double across = (point.x() - box.center().x()) / (box.width() / 2.0);
  const double up = (box.bottom() - point.y()) / box.height();
  const double height = kLowestDeg + up * (top_deg() - kLowestDeg);
  return {base::wrap_360(s.middle_deg + across * s.half_deg),
          std::clamp(std::round(height * 10.0) / 10.0, sky::kHorizonHeightRange.low,
                     sky::kHorizonHeightRange.high),
          false};
}

QPointF WallChart::place(double azimuth_deg, double altitude_deg) const {
  const Span s = span();
  const QRectF box = area();
  const double across = base::wrap_180(azimuth_deg - s.middle_deg) / s.half_deg;
  // Seen from the northern half one faces south, with east on the left; facing north, on the right.
  const double top = top_deg();
  const double up = (altitude_deg - kLowestDeg) / (top - kLowestDeg);
  return {box.center().x() + across * box.width() / 2.0, box.bottom() - up * box.height()};
}

void WallChart::paint_grid(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QRectF box = area();
  const Span s = span();
  const double horizon = place(s.middle_deg, 0.0).y();
  painter.fillRect(QRectF(box.left(), box.top(), box.width(), horizon - box.top()), c.sky);
  painter.fillRect(QRectF(box.left(), horizon, box.width(), box.bottom() - horizon), c.shade);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  for (int altitude = 0; altitude <= 90; altitude += 10) {
    const double y = place(s.middle_deg, altitude).y();
    if (y < box.top() - 1) {
      break;
    }
    painter.setPen(Theme::line(altitude == 0 ? c.ink : c.rule, altitude == 0 ? 2.0 : 1.0));
    painter.drawLine(QPointF(box.left(), y), QPointF(box.right(), y));
    painter.setPen(c.faint_ink);
    painter.drawText(QRectF(0, y - 8, 38, 16), Qt::AlignRight | Qt::AlignVCenter,
                     QStringLiteral("%1\u00b0").arg(altitude));
  }
  for (int azimuth = 0; azimuth < 360; azimuth += 15) {
    if (base::angle_between_deg(azimuth, s.middle_deg) > s.half_deg) {
      continue;
    }
    const double x = place(azimuth, 0.0).x();
    const bool cardinal = azimuth % 45 == 0;
    painter.setPen(Theme::line(c.ink, 1.0));
    painter.drawLine(QPointF(x, horizon), QPointF(x, horizon + (cardinal ? 8 : 4)));
    if (cardinal) {
      painter.setPen(c.ink);
      painter.setFont(Theme::drawn_font(TextSize::kSmall, azimuth % 90 == 0));
      painter.drawText(QRectF(x - 40, box.bottom() + 6, 80, 18), Qt::AlignCenter,
                       QStringLiteral("%1 %2\u00b0").arg(compass_point(azimuth)).arg(azimuth));
    }
  }
}

void WallChart::paint_skyline(QPainter& painter) const {
  const sky::Horizon& horizon = shown();
  if (horizon.points.empty()) {
    return;
  }
  const Palette& c = Theme::colours();
  const Span s = span();
  const bool in_leaf =
      sky::trees_in_leaf(document_.day().date, document_.workspace().site.latitude_deg);
  QPolygonF ground;
  constexpr double kStepDeg = 0.5;
  for (double offset = -s.half_deg; offset <= s.half_deg; offset += kStepDeg) {
    const double azimuth = s.middle_deg + offset;
    ground << QPointF(area().center().x() + offset / s.half_deg * area().width() / 2.0,
                      place(s.middle_deg, horizon.height_deg(azimuth, in_leaf)).y());
  }
  const double bottom = area().bottom();
  painter.setClipRect(area());
  QPolygonF closed = ground;
  closed << QPointF(area().right(), bottom) << QPointF(area().left(), bottom);
  painter.setPen(Qt::NoPen);
  painter.setBrush(c.shade);
  painter.drawPolygon(closed);
  painter.setPen(Theme::line(c.ink, 2.0));
  painter.drawPolyline(ground);
  painter.setClipping(false);
}

void WallChart::paint_windows(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const double ground = place(0.0, 0.0).y();
  painter.setClipRect(area());
  painter.setPen(Qt::NoPen);
  painter.setBrush(QBrush(c.accent, Qt::BDiagPattern));
  const auto& arc = document_.day().arc;
  for (const sky::Window& window : document_.skyline().clear) {
    QPolygonF under;
    for (const sky::ArcPoint& point : arc) {
      if (point.time >= window.start && point.time <= window.end) {
        under << place(point.azimuth_deg, point.altitude_deg);
      }
    }
    if (under.size() > 1) {
      // A narrow band along the path: the window, and nothing of the ground below it.
      QPolygonF band = under;
      for (qsizetype i = under.size(); i-- > 0;) {
        band << QPointF(under[i].x(), std::min(ground, under[i].y() + 16.0));
      }
      painter.drawPolygon(band);
    }
  }
  painter.setClipping(false);
}

void WallChart::paint_corners(QPainter& painter) const {
  const Palette& c = Theme::colours();
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.drawText(area().adjusted(8, 6, -8, 0), Qt::AlignTop | Qt::AlignHCenter | Qt::TextWordWrap,
                   tr("Click sets a corner, drag moves it, right click or Delete takes it out, T "
                      "marks trees. Arrows choose and lift, Insert adds."));
  const sky::Horizon& horizon = shown();
  for (std::size_t i = 0; i < horizon.points.size(); ++i) {
    const sky::HorizonPoint& corner = horizon.points[i];
    const QPointF at = place(corner.azimuth_deg, corner.height_deg);
    const bool chosen = static_cast<int>(i) == chosen_;
    painter.setPen(Theme::line(chosen ? c.accent : c.ink, chosen ? 3.0 : 1.5));
    painter.setBrush(c.sheet);
    if (corner.trees) {
      painter.drawPolygon(QPolygonF{at + QPointF(0, -8), at + QPointF(7, 5), at + QPointF(-7, 5)});
    } else {
      painter.drawRect(QRectF(at.x() - 5, at.y() - 5, 10, 10));
    }
    if (chosen) {
      painter.setPen(c.ink);
      painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
      // At either end of the chart the words stay within it.
      constexpr double kWide = 160.0;
      const double left = std::clamp(at.x() - kWide / 2.0, area().left() + 2.0,
                                     std::max(area().left() + 2.0, area().right() - kWide - 2.0));
      painter.drawText(QRectF(left, at.y() - 30, kWide, 18), Qt::AlignCenter,
                       tr("%1\u00b0 %2, %3\u00b0 high")
                           .arg(number(corner.azimuth_deg, 0), compass_point(corner.azimuth_deg),
                                number(corner.height_deg, 1)));
    }
  }
}

void WallChart::paint_path(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const auto& arc = document_.day().arc;
  const sky::Horizon& skyline = shown();
  const bool in_leaf =
      sky::trees_in_leaf(document_.day().date, document_.workspace().site.latitude_deg);
  painter.setClipRect(area());
  for (std::size_t i = 1; i < arc.size(); ++i) {
    const QPointF from = place(arc[i - 1].azimuth_deg, arc[i - 1].altitude_deg);
    const QPointF to = place(arc[i].azimuth_deg, arc[i].altitude_deg);
    if (std::abs(from.x() - to.x()) > area().width() / 2) {
      continue;  // the path runs off one side and in at the other
    }
    const bool up = arc[i].altitude_deg > skyline.height_deg(arc[i].azimuth_deg, in_leaf);
    QPen pen = Theme::line(up ? c.ink : c.faint_ink, up ? 2.5 : 1.0);
    pen.setStyle(up ? Qt::SolidLine : Qt::DotLine);
    painter.setPen(pen);
    painter.drawLine(from, to);
  }
  painter.setClipping(false);
}

void WallChart::paint_hours(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const QTimeZone zone = document_.zone();
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  const auto& arc = document_.day().arc;
  for (std::size_t i = 1; i + 1 < arc.size(); ++i) {
    // The whole hour of the site between this point and the next.
    const std::int64_t step = arc[i + 1].time.unix_ms - arc[i].time.unix_ms;
    const QDateTime local = QDateTime::fromMSecsSinceEpoch(arc[i].time.unix_ms + step, zone);
    const std::int64_t past = local.time().msecsSinceStartOfDay() % 3'600'000;
    if (past >= step || arc[i].altitude_deg < 0.0) {
      continue;
    }
    const sky::ArcPoint hour = sky::arc_at(document_.day(), {local.toMSecsSinceEpoch() - past});
    const QPointF at = place(hour.azimuth_deg, hour.altitude_deg);
    painter.setPen(Theme::line(c.ink, 1.0));
    painter.setBrush(c.sheet);
    painter.drawEllipse(at, 3.5, 3.5);
    // The hour stands outside the path: left while it climbs, right while it falls.
    const QPointF along = place(arc[i + 1].azimuth_deg, arc[i + 1].altitude_deg) -
                          place(arc[i].azimuth_deg, arc[i].altitude_deg);
    const double length = std::max(1e-6, std::hypot(along.x(), along.y()));
    QPointF outward(along.y() / length, -along.x() / length);
    if (outward.y() > 0.0) {
      outward = -outward;
    }
    const QPointF label = at + outward * 16.0;
    painter.setPen(c.ink);
    painter.drawText(QRectF(label.x() - 20, label.y() - 8, 40, 16), Qt::AlignCenter,
                     local.toString(QStringLiteral("H")));
  }
}

void WallChart::paint_turn(QPainter& painter) const {
  const auto turn = plan::meridian_turn(document_.workspace().mount, document_.day());
  if (!turn) {
    return;
  }
  // A notch in the path from where the mount can turn over to where it must.
  const Palette& c = Theme::colours();
  const auto at = [&](sky::UtcTime time) {
    const sky::ArcPoint sun = sky::arc_at(document_.day(), time);
    return place(sun.azimuth_deg, sun.altitude_deg);
  };
  const QPointF middle = at(turn->meridian);
  constexpr double kDeep = 26.0;
  painter.setPen(Theme::line(c.ink, 2.5));
  painter.setBrush(c.sheet);
  painter.drawPolygon(
      QPolygonF{at(turn->earliest), middle + QPointF(0, kDeep), at(turn->latest), middle});
  painter.setPen(c.ink);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  painter.drawText(QRectF(middle.x() - 90, middle.y() + kDeep + 2, 180, 18), Qt::AlignCenter,
                   tr("the mount turns over"));
}

void WallChart::paint_sun(QPainter& painter) const {
  const Palette& c = Theme::colours();
  const sky::LocalSun& sun = document_.answers().local;
  if (sun.altitude_deg < kLowestDeg) {
    return;
  }
  const QPointF at = place(sun.azimuth_deg, sun.altitude_deg);
  painter.setPen(Theme::line(c.accent, 1.0));
  painter.drawLine(at, QPointF(at.x(), place(sun.azimuth_deg, 0.0).y()));
  painter.setPen(Theme::line(c.ink, 2.0));
  painter.setBrush(c.sun);
  painter.drawEllipse(at, 13, 13);
}

void WallChart::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  paint_grid(painter);
  paint_windows(painter);
  paint_skyline(painter);
  paint_path(painter);
  paint_hours(painter);
  paint_turn(painter);
  paint_sun(painter);
  if (editing_) {
    paint_corners(painter);
  }
}

void WallChart::set_editing(bool on) {
  editing_ = on;
  chosen_ = on && !shown().points.empty() ? 0 : -1;
  setFocusPolicy(on ? Qt::StrongFocus : Qt::NoFocus);
  setCursor(on ? Qt::CrossCursor : Qt::ArrowCursor);
  if (on) {
    setFocus();
  }
  update();
}

void WallChart::choose(int corner) {
  const int count = static_cast<int>(shown().points.size());
  chosen_ = count == 0 ? -1 : (corner + count) % count;
  if (chosen_ >= 0) {
    const sky::HorizonPoint& point = shown().points[static_cast<std::size_t>(chosen_)];
    setAccessibleDescription((point.trees
                                  ? tr("Corner %1 of %2: azimuth %3, height %4 degrees, trees")
                                  : tr("Corner %1 of %2: azimuth %3, height %4 degrees"))
                                 .arg(chosen_ + 1)
                                 .arg(count)
                                 .arg(number(point.azimuth_deg, 1), number(point.height_deg, 1)));
  }
  update();
}

int WallChart::corner_at(const QPointF& point) const {
  constexpr double kReach = 12.0;  // pixels
  const auto& corners = shown().points;
  for (std::size_t i = 0; i < corners.size(); ++i) {
    const QPointF at = place(corners[i].azimuth_deg, corners[i].height_deg);
    if (std::hypot(at.x() - point.x(), at.y() - point.y()) <= kReach) {
      return static_cast<int>(i);
    }
  }
  return -1;
}

void WallChart::remove_corner(int corner) {
  if (corner < 0) {
    return;
  }
  sky::Horizon next = document_.workspace().site.horizon;
  next.points.erase(next.points.begin() + corner);
  emit horizonEdited(next);
  choose(std::max(0, corner - 1));
}

void WallChart::add_corner() {
  sky::Horizon next = document_.workspace().site.horizon;
  sky::HorizonPoint added{span().middle_deg, 5.0, false};
  if (chosen_ >= 0) {
    const auto at = static_cast<std::size_t>(chosen_);
    const sky::HorizonPoint& here = next.points[at];
    const sky::HorizonPoint& after = next.points[(at + 1) % next.points.size()];
    const double gap =
        next.points.size() > 1 ? base::wrap_360(after.azimuth_deg - here.azimuth_deg) : 20.0;
    added = {here.azimuth_deg + 0.5 * gap, 0.5 * (here.height_deg + after.height_deg),
             here.trees && after.trees};
  }
  next.put(added);
  emit horizonEdited(next);
  choose(corner_at(place(added.azimuth_deg, added.height_deg)));
}

void WallChart::change_chosen(double azimuth_step_deg, double height_step_deg, bool toggle_trees) {
  if (chosen_ < 0) {
    return;
  }
  sky::Horizon next = document_.workspace().site.horizon;
  sky::HorizonPoint changed = next.points[static_cast<std::size_t>(chosen_)];
  next.points.erase(next.points.begin() + chosen_);
  changed.azimuth_deg = base::wrap_360(changed.azimuth_deg + azimuth_step_deg);
  changed.height_deg = std::clamp(changed.height_deg + height_step_deg,
                                  sky::kHorizonHeightRange.low, sky::kHorizonHeightRange.high);
  changed.trees = changed.trees != toggle_trees;
  next.put(changed);
  emit horizonEdited(next);
  const auto& corners = shown().points;
  const auto found = std::find(corners.begin(), corners.end(), changed);
  choose(static_cast<int>(found - corners.begin()));
}

void WallChart::mousePressEvent(QMouseEvent* event) {
  if (!editing_ || !area().contains(at(*event))) {
    return;
  }
  const int corner = corner_at(at(*event));
  if (event->button() == Qt::RightButton) {
    remove_corner(corner);
    return;
  }
  sky::Horizon next = document_.workspace().site.horizon;
  if (corner < 0) {
    const sky::HorizonPoint added = direction(at(*event));
    next.put(added);
    dragged_ = next;
    choose(static_cast<int>(std::find(next.points.begin(), next.points.end(), added) -
                            next.points.begin()));
    return;
  }
  choose(corner);
  dragged_ = next;
}

void WallChart::mouseMoveEvent(QMouseEvent* event) {
  if (!dragged_ || chosen_ < 0) {
    return;
  }
  sky::HorizonPoint moved = direction(at(*event));
  moved.trees = dragged_->points[static_cast<std::size_t>(chosen_)].trees;
  dragged_->points.erase(dragged_->points.begin() + chosen_);
  dragged_->put(moved);
  choose(static_cast<int>(std::find(dragged_->points.begin(), dragged_->points.end(), moved) -
                          dragged_->points.begin()));
}

void WallChart::mouseReleaseEvent(QMouseEvent* /*event*/) {
  if (dragged_) {
    const sky::Horizon next = *dragged_;
    dragged_.reset();
    emit horizonEdited(next);
    update();
  }
}

void WallChart::keyPressEvent(QKeyEvent* event) {
  const bool control = event->modifiers() & Qt::ControlModifier;
  const double step = event->modifiers() & Qt::ShiftModifier ? 5.0 : 0.5;
  switch (editing_ ? event->key() : 0) {
    case Qt::Key_Left:
      control ? change_chosen(-1.0, 0.0, false) : choose(chosen_ - 1);
      break;
    case Qt::Key_Right:
      control ? change_chosen(1.0, 0.0, false) : choose(chosen_ + 1);
      break;
    case Qt::Key_Up:
      change_chosen(0.0, step, false);
      break;
    case Qt::Key_Down:
      change_chosen(0.0, -step, false);
      break;
    case Qt::Key_T:
      change_chosen(0.0, 0.0, true);
      break;
    case Qt::Key_Insert:
      add_corner();
      break;
    case Qt::Key_Delete:
      remove_corner(chosen_);
      break;
    default:
      QWidget::keyPressEvent(event);
  }
}

}  // namespace solarchon::app
