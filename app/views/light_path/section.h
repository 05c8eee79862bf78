// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <vector>

#include "app/model/document.h"

namespace solarchon::app {

/// The train drawn lengthwise from the Sun to the sensor: the beam to scale above, a card for each
/// part below with its heat, its beam and its findings. Arrow keys choose a part, Space takes it
/// off or puts it back, Ctrl with arrows moves it, Delete removes it.
class Section : public QWidget {
  Q_OBJECT

 public:
  explicit Section(Document& document, QWidget* parent = nullptr);

  [[nodiscard]] int selected() const { return selected_; }
  void select(int element);
  /// Where the card of a part stands.
  [[nodiscard]] QRectF card(int element) const;
  [[nodiscard]] QSize minimumSizeHint() const override { return {520, 300}; }

 signals:
  void selectionChanged();
  void toggleAsked();
  void removeAsked();
  void moveAsked(int places);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;

 private:
  struct Scale;
  [[nodiscard]] int count() const;
  [[nodiscard]] QRectF stage() const;
  [[nodiscard]] Scale scale() const;
  [[nodiscard]] int card_at(const QPointF& point) const;
  void paint_beam(QPainter& painter, const Scale& scale) const;
  void paint_part(QPainter& painter, const Scale& scale, const optics::Passage& passage) const;
  void paint_card(QPainter& painter, int element) const;
  void paint_flags(QPainter& painter) const;
  [[nodiscard]] const optics::Passage* passage_of(int element) const;
  void describe();

  Document& document_;
  int selected_ = 0;
};

}  // namespace solarchon::app
