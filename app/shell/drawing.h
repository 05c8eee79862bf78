// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPainter>
#include <QWidget>

namespace solarchon::app {

/// A painted picture. It is laid out and drawn in units of its own, which are pixels at the usual
/// text size and grow with it: what keeps clear of each other there does so at every size. Fonts in
/// it are Theme::drawn_font.
class Drawing : public QWidget {
  Q_OBJECT

 public:
  using QWidget::QWidget;

  // In the drawing's units; QWidget's own are pixels.
  [[nodiscard]] int width() const { return rect().width(); }
  [[nodiscard]] int height() const { return rect().height(); }
  [[nodiscard]] QRect rect() const;

  [[nodiscard]] QSize sizeHint() const final;
  [[nodiscard]] QSize minimumSizeHint() const final;

 protected:
  virtual void draw(QPainter& painter) = 0;
  /// What it would like, and the least that it can be drawn in.
  [[nodiscard]] virtual QSize usual_size() const { return least_size(); }
  [[nodiscard]] virtual QSize least_size() const { return {120, 80}; }
  /// Where a pointer is, in the drawing's units.
  template <typename Event>
  [[nodiscard]] static QPointF at(const Event& event) {
    return in_units(event.position());
  }
  [[nodiscard]] static QPointF in_units(const QPointF& pixels);

  void paintEvent(QPaintEvent* event) final;
};

}  // namespace solarchon::app
