// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/exposure_table.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/grid_keys.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kDimmest = 0.20;    // of full: noise shows below
constexpr double kBrightest = 0.95;  // of full: details are cut off above
constexpr double kTableLeft = 64.0;
constexpr double kTop = 26.0;
constexpr double kBottom = 40.0;

bool usable(double level) { return level >= kDimmest && level <= kBrightest; }

}  // namespace

QString words_for_level(double level) {
  if (level > 1.0) {
    return ExposureTable::tr("cut off: %1 stops too bright").arg(number(std::log2(level), 1));
  }
  if (level > kBrightest) {
    return ExposureTable::tr("nearly full");
  }
  if (level < kDimmest) {
    return ExposureTable::tr("dim: %1% of full").arg(number(100.0 * level, level < 0.01 ? 2 : 0));
  }
  return ExposureTable::tr("good: %1% of full").arg(number(100.0 * level, 0));
}

QString shutter_text(double shutter_s) {
  constexpr double kWhole = 0.9;
  return shutter_s < kWhole
             ? ExposureTable::tr("1/%1 s").arg(QString::number(std::lround(1.0 / shutter_s)))
             : ExposureTable::tr("%1 s").arg(number(shutter_s, 0));
}

ExposureTable::ExposureTable(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("exposure-table"));
  setAccessibleName(tr("Exposures: sensitivity against shutter"));
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
}

void ExposureTable::show_table(std::vector<light::ExposureCell> cells, double target_level) {
  const bool same_shape = cells.size() == cells_.size();
  cells_ = std::move(cells);
  target_level_ = target_level;
  if (!same_shape) {
    chosen_.reset();
  }
  update();
}

std::size_t ExposureTable::columns() const {
  const auto same_row = [&](const light::ExposureCell& cell) {
    return cell.iso == cells_.front().iso && cell.gain_db == cells_.front().gain_db;
  };
  return cells_.empty()
             ? 1
             : static_cast<std::size_t>(std::count_if(cells_.begin(), cells_.end(), same_row));
}

QRectF ExposureTable::box_of(std::size_t cell) const {
  const std::size_t across = columns();
  const std::size_t down = std::max<std::size_t>(1, cells_.size() / across);
  const double wide = (width() - kTableLeft - 4.0) / static_cast<double>(across);
  const double high = std::min(46.0, (height() - kTop - kBottom) / static_cast<double>(down));
  const std::size_t row = cell / across;
  return {kTableLeft + static_cast<double>(cell % across) * wide,
          kTop + static_cast<double>(row) * high, wide, high};
}

void ExposureTable::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  const Palette& c = Theme::colours();
  if (cells_.empty()) {
    painter.setPen(c.faint_ink);
    painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                     tr("No exposure: the Sun is down, or the light path has no camera"));
    return;
  }
  const std::size_t across = columns();
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  for (std::size_t i = 0; i < cells_.size(); ++i) {
    const light::ExposureCell& cell = cells_[i];
    const QRectF box = box_of(i).adjusted(1, 1, -1, -1);
    const int grey =
        static_cast<int>(std::lround(255.0 * std::min(1.0, std::pow(cell.level, 0.6))));
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor(grey, grey, grey));
    painter.drawRect(box);
    if (cell.level > 1.0) {
      // Cut off, in a pattern as well as in words.
      painter.setBrush(QBrush(QColor(20, 24, 28), Qt::BDiagPattern));
      painter.drawRect(box);
    }
    if (usable(cell.level)) {
      painter.setPen(Theme::line(c.accent, 3.0));
      painter.setBrush(Qt::NoBrush);
      painter.drawRect(box.adjusted(1.5, 1.5, -1.5, -1.5));
      painter.setPen(grey > 120 ? QColor(20, 24, 28) : QColor(0xf2f0ea));
      painter.drawText(box, Qt::AlignCenter, number(100.0 * cell.level, 0));
    }
    if (i % across == 0) {
      painter.setPen(c.ink);
      painter.drawText(QRectF(0, box.top(), kTableLeft - 8, box.height()),
                       Qt::AlignVCenter | Qt::AlignRight,
                       cell.iso > 0.0 ? tr("ISO %1").arg(QString::number(std::lround(cell.iso)))
                                      : tr("+%1 dB").arg(number(cell.gain_db, 0)));
    }
  }
  painter.setPen(c.ink);
  const double wide = box_of(0).width();
  const auto every = static_cast<std::size_t>(std::max(1.0, std::ceil(76.0 / wide)));
  for (std::size_t i = 0; i < across; i += every) {
    const QRectF box = box_of(i);
    painter.drawText(QRectF(box.center().x() - 40, kTop - 22, 80, 18), Qt::AlignCenter,
                     shutter_text(cells_[i].shutter_s));
  }
  if (chosen_) {
    const QRectF box = box_of(*chosen_);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(Theme::line(c.ink, hasFocus() ? 4.0 : 3.0));
    painter.drawRect(box);
  }
  const QRectF last = box_of(cells_.size() - 1);
  painter.setPen(c.faint_ink);
  painter.drawText(QRectF(kTableLeft, last.bottom() + 8, width() - kTableLeft, 30),
                   Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
                   tr("Framed: usable, with the per cent of full that the disc reaches. Hatched: "
                      "cut off."));
}

std::optional<std::size_t> ExposureTable::cell_at(const QPointF& point) const {
  for (std::size_t i = 0; i < cells_.size(); ++i) {
    if (box_of(i).contains(point)) {
      return i;
    }
  }
  return std::nullopt;
}

void ExposureTable::choose(std::size_t cell) {
  chosen_ = std::min(cell, cells_.size() - 1);
  const light::ExposureCell& one = cells_[*chosen_];
  setAccessibleDescription(
      tr("%1, %2").arg(shutter_text(one.shutter_s), words_for_level(one.level)));
  update();
  emit chosenChanged();
}

void ExposureTable::mousePressEvent(QMouseEvent* event) {
  if (const auto cell = cell_at(at(*event))) {
    choose(*cell);
  }
}

void ExposureTable::keyPressEvent(QKeyEvent* event) {
  const auto cell = cells_.empty()
                        ? std::nullopt
                        : arrow_to(event->key(), chosen_.value_or(0), columns(), cells_.size());
  if (cell) {
    choose(*cell);
  } else {
    QWidget::keyPressEvent(event);
  }
}

void ExposureTable::mouseMoveEvent(QMouseEvent* event) {
  const auto cell = cell_at(at(*event));
  setToolTip(cell ? tr("%1, %2").arg(shutter_text(cells_[*cell].shutter_s),
                                     words_for_level(cells_[*cell].level))
                  : QString());
}

}  // namespace solarchon::app
