// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/moves_picture.h"

#include <QPainter>
#include <algorithm>
#include <cmath>
#include <functional>

#include "app/model/phrases.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kMovesLeft = 104.0;
constexpr double kMovesRight = 22.0;
constexpr double kScaleTop = 22.0;
constexpr double kRow = 24.0;
constexpr double kMostStops = 5.0;

struct Row {
  QString name;
  const std::vector<light::ExposureMove>* moves;
  std::function<QString(double)> words;
};

}  // namespace

MovesPicture::MovesPicture(QWidget* parent) : Drawing(parent) {
  setObjectName(QStringLiteral("exposure-moves"));
  setAccessibleName(tr("How the exposure moves with focal ratio, filter, Sun height and cloud"));
}

void MovesPicture::show_moves(const std::optional<light::ExposureMoves>& moves) {
  moves_ = moves;
  const auto not_for_eyes = [](const light::ExposureMove& move) {
    constexpr double kFilm = 3.5;
    constexpr double kForEyes = 5.0;
    return move.value > kFilm && move.value < kForEyes;
  };
  for_cameras_ = moves && std::any_of(moves->density.begin(), moves->density.end(), not_for_eyes);
  setVisible(moves.has_value());
  update();
}

void MovesPicture::draw(QPainter& painter) {
  if (!moves_) {
    return;
  }
  const Palette& c = Theme::colours();
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  const QFontMetricsF metrics(painter.font());
  const double middle = kMovesLeft + 0.5 * (width() - kMovesLeft - kMovesRight);
  const double per_stop = 0.5 * (width() - kMovesLeft - kMovesRight) / kMostStops;
  const std::vector<Row> rows{
      {tr("Focal ratio"), &moves_->focal_ratio,
       [](double value) { return tr("f/%1").arg(number(value, value < 10.0 ? 1 : 0)); }},
      {tr("Filter"), &moves_->density,
       [](double value) { return tr("OD %1").arg(number(value, 1)); }},
      {tr("Sun height"), &moves_->altitude_deg,
       [](double value) { return tr("%1\u00b0").arg(number(value, 0)); }},
      {tr("Cloud"), &moves_->cloud_stops,
       [](double value) { return value > 0.0 ? number(value, 1) : tr("none"); }}};
  painter.setPen(c.faint_ink);
  for (int stop = -static_cast<int>(kMostStops); stop <= static_cast<int>(kMostStops); ++stop) {
    const double x = middle + stop * per_stop;
    const QString words = stop == 0 ? tr("now")
                                    : (stop < 0 ? QStringLiteral("\u2212") : QStringLiteral("+")) +
                                          QString::number(std::abs(stop));
    painter.drawText(QRectF(x - 30, 0, 60, kScaleTop - 6), Qt::AlignCenter, words);
  }
  painter.drawText(QRectF(0, 0, kMovesLeft - 40, kScaleTop - 6), Qt::AlignLeft | Qt::AlignVCenter,
                   tr("stops"));
  const auto shown =
      std::count_if(rows.begin(), rows.end(), [](const Row& row) { return !row.moves->empty(); });
  painter.setPen(Theme::line(c.accent, 2.0));
  painter.drawLine(QPointF(middle, kScaleTop - 4),
                   QPointF(middle, kScaleTop + kRow * static_cast<double>(shown)));
  double top = kScaleTop;
  for (const Row& row : rows) {
    if (row.moves->empty()) {
      continue;
    }
    const double y = top + 0.5 * kRow;
    painter.setPen(c.ink);
    painter.drawText(QRectF(0, top, kMovesLeft - 8, kRow), Qt::AlignLeft | Qt::AlignVCenter,
                     row.name);
    painter.setPen(Theme::line(c.faint_ink, 1.0));
    painter.drawLine(QPointF(kMovesLeft, y + 9), QPointF(width() - kMovesRight, y + 9));
    std::vector<light::ExposureMove> moves = *row.moves;
    std::sort(moves.begin(), moves.end(),
              [](const auto& a, const auto& b) { return a.stops < b.stops; });
    painter.setPen(c.ink);
    double taken = -1e9;
    for (const light::ExposureMove& move : moves) {
      const QString words = row.words(move.value);
      const double wide = metrics.horizontalAdvance(words);
      const double x = middle + move.stops * per_stop;
      painter.drawLine(QPointF(x, y + 5), QPointF(x, y + 9));
      const double from = std::clamp(x - wide / 2, kMovesLeft - 4, width() - wide);
      if (from > taken + 3.0) {
        const QRectF box(from, top - 3, wide + 1, kRow - 6);
        painter.fillRect(box.adjusted(-1, 0, 1, 0), c.ground);
        painter.drawText(box, Qt::AlignCenter, words);
        taken = from + wide;
      }
    }
    const QString for_whom = tr("under OD 5.0 for cameras only");
    const double from = width() - kMovesRight - metrics.horizontalAdvance(for_whom);
    constexpr double kApart = 12.0;
    if (row.moves == &moves_->density && for_cameras_) {
      painter.setPen(c.faint_ink);
      // Beside the marks, or, where they leave no room, before the first of them.
      painter.drawText(QRectF(kMovesLeft, top - 3, width() - kMovesRight - kMovesLeft, kRow - 6),
                       (from > taken + kApart ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter,
                       for_whom);
    }
    top += kRow;
  }
}

}  // namespace solarchon::app
