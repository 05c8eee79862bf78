// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/section.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>

#include "app/shell/phrases.h"
#include "app/shell/theme.h"
#include "app/shell/verdict_badge.h"

namespace solarchon::app {

namespace {

constexpr double kCardHeight = 118.0;
constexpr double kGap = 8.0;
constexpr double kSide = 20.0;
constexpr double kHeadRoom = 28.0;  // above the beam, for its captions

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

Section::Section(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
  setObjectName(QStringLiteral("section"));
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Section of the light path"));
  connect(&document_, &Document::changed, this, [this] {
    selected_ = std::clamp(selected_, 0, std::max(0, count() - 1));
    update();
  });
}

int Section::count() const { return static_cast<int>(document_.workspace().rig.elements.size()); }

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
  const auto& element = document_.workspace().rig.elements[static_cast<std::size_t>(selected_)];
  setAccessibleDescription(tr("Part %1 of %2: %3, %4")
                               .arg(selected_ + 1)
                               .arg(count())
                               .arg(text(element.name))
                               .arg(element.fitted ? tr("fitted") : tr("laid aside")));
}

QRectF Section::stage() const {
  return QRectF(rect()).adjusted(kSide, 8.0, -kSide, -(kCardHeight + 40.0));
}

QRectF Section::card(int element) const {
  const double width = (this->width() - 2 * kSide + kGap) / std::max(1, count()) - kGap;
  return {kSide + element * (width + kGap), height() - kCardHeight - 4.0, width, kCardHeight};
}

Section::Scale Section::scale() const {
  const auto& passages = document_.answers().train.passages;
  double first = 0.0;
  double last = 100.0;
  double widest = 1.0;
  for (const optics::Passage& passage : passages) {
    first = std::min(first, passage.position_mm);
    last = std::max(last, passage.position_mm);
    widest = std::max(widest, passage.beam_width_mm);
  }
  const QRectF area = stage();
  const double margin = 0.08 * (last - first);
  first -= margin;
  last += margin;
  return {area.left(), area.top() + kHeadRoom + (area.height() - kHeadRoom) / 2.0, first,
          area.width() / (last - first), 0.82 * (area.height() - kHeadRoom) / widest};
}

const optics::Passage* Section::passage_of(int element) const {
  for (const optics::Passage& passage : document_.answers().train.passages) {
    if (static_cast<int>(passage.element) == element) {
      return &passage;
    }
  }
  return nullptr;
}

void Section::paint_beam(QPainter& painter, const Scale& scale) const {
  const auto& train = document_.answers().train;
  if (train.passages.empty()) {
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
  add(scale.first_mm, train.passages.front().beam_width_mm);
  for (const optics::Passage& passage : train.passages) {
    add(passage.position_mm, passage.beam_width_mm);
  }
  const optics::Passage& last = train.passages.back();
  const auto& last_element = document_.workspace().rig.elements[last.element];
  add(last.position_mm + last_element.length_mm, train.solar_image_mm.value_or(last.beam_width_mm));
  QColor light = c.sun;
  light.setAlpha(150);
  painter.setPen(Theme::line(c.sun, 1.5));
  painter.setBrush(light);
  painter.drawPolygon(upper + lower);
  painter.setPen(Theme::line(c.ink, 1.0));
  painter.setFont(Theme::font(TextSize::kSmall));
  const QRectF area = stage();
  painter.drawText(QRectF(area.left(), area.top(), 300, 16), Qt::AlignLeft, tr("\u2190 the Sun"));
  QString scale_words = tr("length to scale, 100 mm");
  const double bar = 100.0 * scale.px_per_mm;
  const double right = area.right();
  painter.drawLine(QPointF(right - bar, area.top() + 20), QPointF(right, area.top() + 20));
  painter.drawLine(QPointF(right - bar, area.top() + 16), QPointF(right - bar, area.top() + 24));
  painter.drawLine(QPointF(right, area.top() + 16), QPointF(right, area.top() + 24));
  painter.drawText(QRectF(right - 300, area.top(), 300, 15), Qt::AlignRight, scale_words);
}

void Section::paint_part(QPainter& painter, const Scale& scale,
                         const optics::Passage& passage) const {
  const Palette& c = Theme::colours();
  const optics::Element& element = document_.workspace().rig.elements[passage.element];
  const bool chosen = static_cast<int>(passage.element) == selected_;
  const double x = scale.x(passage.position_mm);
  const double half = std::max(16.0, 0.5 * passage.beam_width_mm * scale.width_px_per_mm + 6.0);
  const double y = scale.axis_px;
  painter.setPen(Theme::line(chosen ? c.accent : c.ink, chosen ? 3.0 : 1.8));
  painter.setBrush(c.sheet);
  const std::string_view kind = optics::kind_of(element.part);
  if (kind == "front-film") {
    painter.setBrush(c.ink);
    painter.drawRect(QRectF(x - 2.0, y - half, 4.0, 2 * half));
  } else if (kind == "refractor" || kind == "reducer") {
    QPainterPath lens;
    lens.moveTo(x, y - half);
    lens.quadTo(x - 12, y, x, y + half);
    lens.quadTo(x + 12, y, x, y - half);
    painter.drawPath(lens);
  } else if (kind == "amplifier") {
    QPainterPath lens;
    lens.moveTo(x - 7, y - half);
    lens.quadTo(x, y, x - 7, y + half);
    lens.lineTo(x + 7, y + half);
    lens.quadTo(x, y, x + 7, y - half);
    lens.closeSubpath();
    painter.drawPath(lens);
  } else if (kind == "diagonal") {
    const double side = std::max(28.0, element.length_mm * scale.px_per_mm * 0.5);
    painter.drawRect(QRectF(x, y - side / 2, side, side));
    painter.drawLine(QPointF(x, y + side / 2), QPointF(x + side, y - side / 2));
  } else {
    const double depth = std::max(10.0, element.length_mm * scale.px_per_mm);
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(QRectF(x, y - half - 6, depth, 2 * half + 12));
    painter.setPen(Theme::line(chosen ? c.accent : c.ink, 4.0));
    painter.drawLine(QPointF(x + depth, y - half), QPointF(x + depth, y + half));
  }
  // A leader ties the part to its card.
  const QRectF box = card(static_cast<int>(passage.element));
  painter.setPen(Theme::line(chosen ? c.accent : c.rule, 1.0));
  const double bend = stage().bottom() + 10.0;
  painter.drawPolyline(QPolygonF{QPointF(x, y + half + 4), QPointF(x, bend),
                                 QPointF(box.center().x(), bend + 18),
                                 QPointF(box.center().x(), box.top())});
}

void Section::paint_card(QPainter& painter, int element) const {
  const Palette& c = Theme::colours();
  const optics::Element& part =
      document_.workspace().rig.elements[static_cast<std::size_t>(element)];
  const QRectF box = card(element);
  const bool chosen = element == selected_;
  QPen frame = Theme::line(chosen ? c.accent : c.ink, chosen ? (hasFocus() ? 3.0 : 2.0) : 1.0);
  if (!part.fitted) {
    frame.setStyle(Qt::DashLine);
  }
  painter.setPen(frame);
  painter.setBrush(part.fitted ? c.sheet : c.ground);
  painter.drawRoundedRect(box, 3, 3);
  const QRectF inner = box.adjusted(10, 8, -8, -6);
  painter.setPen(c.faint_ink);
  painter.setFont(Theme::font(TextSize::kSmall));
  painter.drawText(inner, Qt::AlignTop | Qt::AlignLeft, kind_name(part.part));
  painter.setPen(c.ink);
  painter.setFont(Theme::font(TextSize::kMedium, true));
  painter.drawText(inner.adjusted(0, 16, 0, 0), Qt::AlignTop | Qt::AlignLeft,
                   painter.fontMetrics().elidedText(text(part.name), Qt::ElideRight,
                                                    static_cast<int>(inner.width())));
  painter.setFont(Theme::font(TextSize::kSmall));
  QStringList lines;
  if (const optics::Passage* passage = passage_of(element)) {
    lines << tr("beam %1 mm").arg(figure(passage->beam_width_mm, 3))
          << tr("heat %1").arg(with_prefix(passage->arriving_w, tr("W")))
          << with_prefix(passage->irradiance_w_cm2, tr("W/cm\u00b2"));
  } else {
    lines << (part.fitted ? tr("behind the camera") : tr("laid aside")) << tr("Space puts it back");
    if (part.fitted) {
      lines.removeLast();
    }
  }
  double top = inner.top() + 42;
  for (const QString& line : lines) {
    painter.drawText(QRectF(inner.left(), top, inner.width(), 18), Qt::AlignLeft, line);
    top += 20;
  }
}

void Section::paint_flags(QPainter& painter) const {
  int flag = 0;
  for (const safety::Finding& finding : document_.answers().safety.findings) {
    ++flag;
    if (!finding.element) {
      continue;
    }
    const QRectF box = card(static_cast<int>(*finding.element));
    int already = 0;
    for (int i = 0; i + 1 < flag; ++i) {
      already += document_.answers().safety.findings[static_cast<std::size_t>(i)].element ==
                         finding.element
                     ? 1
                     : 0;
    }
    const QRectF pole(box.right() - 30.0 - already * 26.0, box.top() - 12.0, 24, 24);
    paint_sign(painter, pole, finding.severity);
    painter.setPen(Theme::colours().ink);
    painter.setFont(Theme::font(TextSize::kSmall, true));
    painter.drawText(pole.translated(0, -19), Qt::AlignCenter, QString::number(flag));
  }
}

void Section::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  if (count() == 0) {
    painter.setPen(Theme::colours().faint_ink);
    painter.drawText(rect(), Qt::AlignCenter,
                     tr("An empty light path. Add a telescope, a front filter and a camera."));
    return;
  }
  const Scale scale = this->scale();
  paint_beam(painter, scale);
  for (const optics::Passage& passage : document_.answers().train.passages) {
    paint_part(painter, scale, passage);
  }
  for (int i = 0; i < count(); ++i) {
    paint_card(painter, i);
  }
  paint_flags(painter);
}

int Section::card_at(const QPointF& point) const {
  for (int i = 0; i < count(); ++i) {
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
  for (const optics::Passage& passage : document_.answers().train.passages) {
    const double distance = std::abs(scale.x(passage.position_mm) - point.x());
    if (distance < least) {
      least = distance;
      nearest = static_cast<int>(passage.element);
    }
  }
  return nearest;
}

void Section::mousePressEvent(QMouseEvent* event) {
  if (const int element = card_at(event->position()); element >= 0) {
    select(element);
  }
}

void Section::mouseDoubleClickEvent(QMouseEvent* event) {
  if (const int element = card_at(event->position()); element >= 0) {
    select(element);
    emit toggleAsked();
  }
}

void Section::keyPressEvent(QKeyEvent* event) {
  const bool control = event->modifiers() & Qt::ControlModifier;
  switch (event->key()) {
    case Qt::Key_Left:
      control ? emit moveAsked(-1) : select(selected_ - 1);
      break;
    case Qt::Key_Right:
      control ? emit moveAsked(1) : select(selected_ + 1);
      break;
    case Qt::Key_Space:
      emit toggleAsked();
      break;
    case Qt::Key_Delete:
      emit removeAsked();
      break;
    default:
      QWidget::keyPressEvent(event);
  }
}

void Section::focusInEvent(QFocusEvent* event) {
  QWidget::focusInEvent(event);
  describe();
  update();
}

}  // namespace solarchon::app
