// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/section.h"

#include <QApplication>
#include <QDragEnterEvent>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>
#include <array>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/plain_tips.h"
#include "app/shell/theme.h"
#include "app/shell/verdict_badge.h"
#include "app/views/light_path/part_column.h"
#include "app/views/light_path/part_glyph.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

namespace {

constexpr double kLabelWidth = 82.0;  // names of the tracks, on the left
constexpr double kLeastColumn = 78.0;
constexpr double kMostColumn = 190.0;
constexpr double kGap = 5.0;
constexpr double kSideMargin = 8.0;
constexpr double kNarrowHead = 92.0;  // a name of four lines in a narrow column
constexpr double kWideHead = 60.0;
constexpr double kWideColumn = 130.0;
constexpr double kHeadRoom = 28.0;  // above the beam, for its captions

/// How the picture hangs at the end, on an equatorial mount.
QString orientation_text(const optics::Rig& rig, const optics::Train& train) {
  const sky::PictureOrientation end = optics::picture_orientation(rig, train);
  const std::array<QString, 4> sides{QObject::tr("up"), QObject::tr("right"), QObject::tr("down"),
                                     QObject::tr("left")};
  constexpr double kNearly = 3.0;
  QString north = QObject::tr("%1\u00b0 from up").arg(number(end.north_deg, 0));
  for (std::size_t side = 0; side < sides.size(); ++side) {
    if (base::angle_between_deg(end.north_deg, 90.0 * static_cast<double>(side)) < kNearly) {
      north = sides.at(side);
    }
  }
  return end.mirrored ? QObject::tr("at the end: north %1, mirrored").arg(north)
                      : QObject::tr("at the end: north %1, not mirrored").arg(north);
}

}  // namespace

/// Millimetres of the train to pixels of the stage. Length and width have scales of their own.
struct Section::Scale {
  double left_px;
  double axis_px;
  double first_mm;
  double px_per_mm;
  double width_px_per_mm;
  [[nodiscard]] double x(double position_mm) const {
    return left_px + (position_mm - first_mm) * px_per_mm;
  }
};

Section::Section(bool editable, QWidget* parent) : Drawing(parent), editable_(editable) {
  setObjectName(editable ? QStringLiteral("section") : QStringLiteral("second-section"));
  setFocusPolicy(Qt::StrongFocus);
  setAcceptDrops(editable);
  setAccessibleName(editable ? tr("Section of the light path")
                             : tr("Section of the second light path"));
}

double Section::column_width() const {
  const double room = width() - 2 * kSideMargin - kLabelWidth + kGap;
  return std::min(kMostColumn, room / std::max(1, count()) - kGap);
}

double Section::head_height() const {
  return column_width() >= kWideColumn ? kWideHead : kNarrowHead;
}

double Section::column_height() const { return head_height() + tracks_height(); }

QSize Section::least_size() const {
  if (!editable_) {
    return {300, 110};
  }
  const double columns = std::max(3, count()) * (kLeastColumn + kGap);
  return {static_cast<int>(2 * kSideMargin + kLabelWidth + columns),
          static_cast<int>(column_height() + 96.0)};
}

void Section::show_train(const optics::Rig& rig, const optics::Train& train,
                         const std::vector<safety::Finding>& findings) {
  const bool resized = rig.elements.size() != rig_.elements.size();
  const auto fitted_in = [this](const optics::Rig& path) {
    const auto place = static_cast<std::size_t>(selected_);
    return place < path.elements.size() && path.elements[place].fitted;
  };
  const bool turned = !resized && fitted_in(rig) != fitted_in(rig_);
  rig_ = rig;
  train_ = train;
  findings_ = findings;
  selected_ = std::clamp(selected_, 0, std::max(0, count() - 1));
  if (resized) {
    updateGeometry();
  }
  if (turned) {
    describe();  // who cannot see it hears that the part was put on or off
  }
  update();
}

void Section::select(int element) {
  selected_ = std::clamp(element, 0, std::max(0, count() - 1));
  describe();
  update();
  emit selectionChanged();
}

void Section::describe() {
  if (count() == 0) {
    setAccessibleDescription(tr("No parts"));
    return;
  }
  const auto& element = rig_.elements[static_cast<std::size_t>(selected_)];
  QString words = tr("Part %1 of %2: %3, %4")
                      .arg(selected_ + 1)
                      .arg(count())
                      .arg(text(element.name))
                      .arg(element.fitted ? tr("fitted") : tr("laid aside"));
  for (const safety::Finding& finding : findings_) {
    if (finding.element == static_cast<std::size_t>(selected_)) {
      words += QStringLiteral(". %1: %2").arg(name_of(finding.severity), why_of(finding));
    }
  }
  setAccessibleDescription(words);
}

QRectF Section::stage() const {
  if (!editable_) {
    return QRectF(rect()).adjusted(kSideMargin, 2.0, -kSideMargin, -4.0);
  }
  return QRectF(rect()).adjusted(kSideMargin, 8.0, -kSideMargin, -(column_height() + 36.0));
}

QRectF Section::card(int element) const {
  const double column = column_width();
  return {kSideMargin + kLabelWidth + element * (column + kGap), height() - column_height() - 4.0,
          column, column_height()};
}

Section::Span Section::own_span() const {
  double first = 0.0;
  double last = 100.0;
  for (const optics::Passage& passage : train_.passages) {
    first = std::min(first, passage.position_mm);
    last = std::max(last, passage.position_mm + rig_.elements[passage.element].length_mm);
  }
  const double margin = 0.06 * (last - first);
  return {first - margin, last + margin};
}

void Section::set_span(std::optional<Span> span) {
  span_ = span;
  update();
}

Section::Scale Section::scale() const {
  const auto [first, last] = span_.value_or(own_span());
  double widest = 1.0;
  for (const optics::Passage& passage : train_.passages) {
    widest = std::max(widest, passage.beam_width_mm);
  }
  const QRectF area = stage();
  return {area.left(), area.top() + kHeadRoom + (area.height() - kHeadRoom) / 2.0, first,
          area.width() / (last - first), 0.78 * (area.height() - kHeadRoom) / widest};
}

const optics::Passage* Section::passage_of(int element) const {
  for (const optics::Passage& passage : train_.passages) {
    if (static_cast<int>(passage.element) == element) {
      return &passage;
    }
  }
  return nullptr;
}

void Section::paint_beam(QPainter& painter, const Scale& scale) const {
  if (train_.passages.empty()) {
    return;
  }
  const Palette& c = Theme::colours();
  QPolygonF upper;
  QPolygonF lower;
  const auto add = [&](double position_mm, double width_mm) {
    const double half = std::max(1.0, 0.5 * width_mm * scale.width_px_per_mm);
    upper << QPointF(scale.x(position_mm), scale.axis_px - half);
    lower.prepend(QPointF(scale.x(position_mm), scale.axis_px + half));
  };
  add(scale.first_mm, train_.passages.front().beam_width_mm);
  for (const optics::Passage& passage : train_.passages) {
    add(passage.position_mm, passage.beam_width_mm);
  }
  const optics::Passage& last = train_.passages.back();
  const bool at_image = last.image_mm > 0.0;
  add(last.position_mm + rig_.elements[last.element].length_mm,
      at_image ? last.image_mm : last.beam_width_mm);
  QColor light = c.sun;
  light.setAlpha(150);
  painter.setPen(Theme::line(c.sun, 1.5));
  painter.setBrush(light);
  painter.drawPolygon(upper + lower);
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.setFont(Theme::drawn_font(TextSize::kSmall));
  const QRectF area = stage();
  painter.drawText(QRectF(area.left(), area.top(), 300, 18), Qt::AlignLeft, tr("\u2190 the Sun"));
  if (train_.aperture_mm > 0.0) {
    painter.drawText(QRectF(area.left() + 90, area.top(), area.width() - 300, 18), Qt::AlignHCenter,
                     orientation_text(rig_, train_));
  }
  constexpr double kBarMm = 100.0;
  const double right = area.right();
  const double bar = kBarMm * scale.px_per_mm;
  painter.drawLine(QPointF(right - bar, area.top() + 20), QPointF(right, area.top() + 20));
  painter.drawLine(QPointF(right - bar, area.top() + 16), QPointF(right - bar, area.top() + 24));
  painter.drawLine(QPointF(right, area.top() + 16), QPointF(right, area.top() + 24));
  painter.drawText(QRectF(right - 300, area.top() - 3, 300, 18), Qt::AlignRight,
                   tr("length to scale, 100 mm"));
}

void Section::paint_part(QPainter& painter, const Scale& scale,
                         const optics::Passage& passage) const {
  const Palette& c = Theme::colours();
  const optics::Element& element = rig_.elements[passage.element];
  const bool chosen = editable_ && static_cast<int>(passage.element) == selected_;
  const PartBox box{scale.x(passage.position_mm), scale.axis_px,
                    std::max(13.0, 0.5 * passage.beam_width_mm * scale.width_px_per_mm + 5.0),
                    std::max(10.0, element.length_mm * scale.px_per_mm)};
  painter.setPen(Theme::line(chosen ? c.accent : c.ink, chosen ? 3.0 : 1.6));
  painter.setBrush(std::holds_alternative<optics::Camera>(element.part) ? QBrush(Qt::NoBrush)
                                                                        : QBrush(c.sheet));
  paint_part_glyph(painter, element.part, box);
  if (!editable_) {
    return;
  }
  // A leader ties the part to its column.
  const QRectF column = card(static_cast<int>(passage.element));
  painter.setPen(Theme::line(chosen ? c.accent : c.faint_ink, chosen ? 1.6 : 0.8));
  const double bend = stage().bottom() + 6.0;
  painter.drawPolyline(QPolygonF{QPointF(box.x, box.y + box.half + 3), QPointF(box.x, bend),
                                 QPointF(column.center().x(), bend + 16),
                                 QPointF(column.center().x(), column.top())});
}

void Section::paint_flags(QPainter& painter) const {
  std::vector<int> planted(rig_.elements.size(), 0);
  int flag = 0;
  for (const safety::Finding& finding : findings_) {
    ++flag;
    if (!finding.element || *finding.element >= planted.size()) {
      continue;
    }
    const QRectF box = card(static_cast<int>(*finding.element));
    const QRectF pole(box.right() - 24.0 - planted[*finding.element] * 24.0, box.top() - 14.0, 22,
                      22);
    ++planted[*finding.element];
    paint_sign(painter, pole, finding.severity);
    painter.setPen(Theme::colours().ink);
    painter.setFont(Theme::drawn_font(TextSize::kSmall, true));
    painter.drawText(pole.translated(0, -18), Qt::AlignCenter, QString::number(flag));
  }
}

void Section::paint_drag(QPainter& painter) const {
  const Palette& c = Theme::colours();
  if (gap_) {
    const double x = *gap_ < count() ? card(*gap_).left() - kGap / 2
                                     : card(std::max(0, count() - 1)).right() + kGap / 2;
    const QRectF column = card(0);
    painter.setPen(Theme::line(c.accent, 4.0));
    painter.drawLine(QPointF(x, column.top() - 6), QPointF(x, column.bottom()));
  } else if (dragging_) {
    painter.setPen(c.ink);
    painter.setFont(Theme::drawn_font(TextSize::kMedium, true));
    painter.drawText(stage(), Qt::AlignCenter, tr("Let go outside to remove the part"));
  }
}

void Section::draw(QPainter& painter) {
  painter.setRenderHint(QPainter::Antialiasing);
  if (count() == 0) {
    painter.setPen(Theme::colours().faint_ink);
    painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                     tr("An empty light path. Add a part, or start from a usual one."));
    paint_drag(painter);
    return;
  }
  const Scale scale = this->scale();
  painter.save();
  painter.setClipRect(QRectF(0, 0, width(), editable_ ? card(0).top() : height()));
  paint_beam(painter, scale);
  for (const optics::Passage& passage : train_.passages) {
    paint_part(painter, scale, passage);
  }
  painter.restore();
  if (!editable_) {
    return;
  }
  const QRectF first = card(0);
  paint_track_names(painter,
                    QRectF(kSideMargin, first.top() + head_height(), kLabelWidth - 8.0, 0.0));
  for (int i = 0; i < count(); ++i) {
    paint_part_column(painter, {card(i), head_height(), rig_.elements[static_cast<std::size_t>(i)],
                                passage_of(i), editable_ && i == selected_, hasFocus()});
  }
  paint_flags(painter);
  paint_drag(painter);
}

int Section::element_at(const QPointF& point) const {
  for (int i = 0; editable_ && i < count(); ++i) {
    if (card(i).contains(point)) {
      return i;
    }
  }
  if (count() == 0 || !stage().contains(point)) {
    return -1;
  }
  // In the drawing above, the nearest part along the axis.
  constexpr double kNear = 24.0;
  const Scale scale = this->scale();
  int nearest = -1;
  double least = kNear;
  for (const optics::Passage& passage : train_.passages) {
    const double distance = std::abs(scale.x(passage.position_mm) - point.x());
    if (distance < least) {
      least = distance;
      nearest = static_cast<int>(passage.element);
    }
  }
  return nearest;
}

int Section::gap_at(const QPointF& point) const {
  int gap = 0;
  while (gap < count() && point.x() > card(gap).center().x()) {
    ++gap;
  }
  return gap;
}

void Section::mousePressEvent(QMouseEvent* event) {
  const int element = element_at(at(*event));
  if (event->button() != Qt::LeftButton || element < 0) {
    return;
  }
  select(element);
  if (editable_) {
    pressed_ = at(*event);
  }
}

void Section::mouseMoveEvent(QMouseEvent* event) {
  if (!pressed_) {
    return;
  }
  dragging_ =
      dragging_ || (at(*event) - *pressed_).manhattanLength() >= QApplication::startDragDistance();
  if (dragging_) {
    gap_ = rect().contains(at(*event).toPoint()) ? std::optional(gap_at(at(*event))) : std::nullopt;
    update();
  }
}

void Section::mouseReleaseEvent(QMouseEvent* /*event*/) {
  const bool dragged = dragging_;
  const std::optional<int> gap = gap_;
  pressed_.reset();
  gap_.reset();
  dragging_ = false;
  update();
  if (!dragged) {
    return;
  }
  if (!gap) {
    emit removeAsked();
    return;
  }
  const int to = *gap > selected_ ? *gap - 1 : *gap;
  if (to != selected_) {
    emit moveAsked(selected_, to);
  }
}

void Section::mouseDoubleClickEvent(QMouseEvent* event) {
  if (const int element = element_at(at(*event)); editable_ && element >= 0) {
    pressed_.reset();
    select(element);
    emit toggleAsked();
  }
}

void Section::keyPressEvent(QKeyEvent* event) {
  const int step = event->key() == Qt::Key_Left ? -1 : event->key() == Qt::Key_Right ? 1 : 0;
  if (step != 0) {
    const int to = selected_ + step;
    if (!(event->modifiers() & Qt::ControlModifier)) {
      select(to);
    } else if (editable_ && to >= 0 && to < count()) {
      emit moveAsked(selected_, to);
    }
  } else if (event->key() == Qt::Key_Home) {
    select(0);
  } else if (event->key() == Qt::Key_End) {
    select(count() - 1);
  } else if (editable_ && event->key() == Qt::Key_Space) {
    emit toggleAsked();
  } else if (editable_ && event->key() == Qt::Key_Delete) {
    emit removeAsked();
  } else if (dragging_ && event->key() == Qt::Key_Escape) {
    pressed_.reset();
    gap_.reset();
    dragging_ = false;
    update();
  } else {
    QWidget::keyPressEvent(event);
  }
}

void Section::focusInEvent(QFocusEvent* event) {
  QWidget::focusInEvent(event);
  describe();
  update();
}

void Section::focusOutEvent(QFocusEvent* event) {
  QWidget::focusOutEvent(event);
  update();
}

void Section::dragEnterEvent(QDragEnterEvent* event) {
  if (event->mimeData()->hasFormat(kPartMime)) {
    event->acceptProposedAction();
  }
}

void Section::dragMoveEvent(QDragMoveEvent* event) {
  gap_ = gap_at(at(*event));
  event->acceptProposedAction();
  update();
}

void Section::dragLeaveEvent(QDragLeaveEvent* /*event*/) {
  gap_.reset();
  update();
}

void Section::dropEvent(QDropEvent* event) {
  gap_.reset();
  update();
  if (event->mimeData()->hasFormat(kPartMime)) {
    event->acceptProposedAction();
    emit partDropped(event->mimeData()->data(kPartMime), gap_at(at(*event)));
  }
}

bool Section::event(QEvent* event) {
  if (event->type() != QEvent::ToolTip) {
    return QWidget::event(event);
  }
  const auto* help = static_cast<QHelpEvent*>(event);
  const int element = element_at(in_units(help->pos()));
  if (element < 0) {
    QToolTip::hideText();
    return true;
  }
  const optics::Element& part = rig_.elements[static_cast<std::size_t>(element)];
  QStringList lines{text(part.name)};
  for (const safety::Finding& finding : findings_) {
    if (finding.element == static_cast<std::size_t>(element)) {
      lines << name_of(finding.severity) + ": " + why_of(finding);
    }
  }
  if (!part.care.notes.empty()) {
    lines << text(part.care.notes);
  }
  show_plain_tip(help->globalPos(), lines.join(QLatin1Char('\n')), this);
  return true;
}

}  // namespace solarchon::app
