// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/log/year_strip.h"

#include <QDateTime>
#include <QLocale>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/shell/theme.h"

namespace solarchon::app {

YearStrip::YearStrip(QWidget* parent) : Drawing(parent) {
  setFixedHeight(Theme::px(96));
  setAccessibleName(tr("The year"));
  setToolTip(tr("A bar for each day with frames; its height is the number of spots"));
}

void YearStrip::show_year(int year, const std::vector<log::SessionSummary>& sessions,
                          const QTimeZone& zone) {
  year_ = year;
  bars_.clear();
  for (const log::SessionSummary& session : sessions) {
    const QDate date = QDateTime::fromMSecsSinceEpoch(session.started.unix_ms, zone).date();
    if (date.year() == year) {
      bars_.push_back({session.id, date, session.spots.value_or(0), session.seeing_arcsec});
    }
  }
  update();
}

void YearStrip::choose(std::int64_t session) {
  chosen_ = session;
  update();
}

double YearStrip::x_of(const QDate& date) const {
  const QDate first(year_, 1, 1);
  return 4.0 + (width() - 8.0) * static_cast<double>(first.daysTo(date)) / first.daysInYear();
}

void YearStrip::draw(QPainter& painter) {
  const Palette& c = Theme::colours();
  const double base = height() - 22.0;
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  for (int month = 1; month <= 12; ++month) {
    const double left = x_of(QDate(year_, month, 1));
    const double right = month < 12 ? x_of(QDate(year_, month + 1, 1)) : width() - 4.0;
    if (month % 2 == 0) {
      painter.fillRect(QRectF(left, 4, right - left, base - 4), c.shade);
    }
    painter.setPen(c.faint_ink);
    painter.drawText(QRectF(left, base + 3, right - left, 16), Qt::AlignCenter,
                     QLocale().standaloneMonthName(month, QLocale::ShortFormat));
  }
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.drawLine(QPointF(4, base), QPointF(width() - 4.0, base));
  int most = 4;
  for (const Bar& bar : bars_) {
    most = std::max(most, bar.spots);
  }
  for (const Bar& bar : bars_) {
    const double share = static_cast<double>(bar.spots) / most;
    const double tall = std::max(4.0, share * (base - 10.0));
    const QRectF box(x_of(bar.date) - 2.0, base - tall, 5.0, tall);
    painter.fillRect(box, bar.session == chosen_ ? c.accent : c.ink);
  }
}

void YearStrip::mousePressEvent(QMouseEvent* event) {
  constexpr double kNear = 6.0;
  const auto nearest =
      std::min_element(bars_.begin(), bars_.end(), [&](const Bar& a, const Bar& b) {
        return std::abs(x_of(a.date) - at(*event).x()) < std::abs(x_of(b.date) - at(*event).x());
      });
  if (nearest != bars_.end() && std::abs(x_of(nearest->date) - at(*event).x()) < kNear) {
    emit sessionClicked(nearest->session);
  }
}

}  // namespace solarchon::app
