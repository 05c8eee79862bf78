// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <utility>
#include <vector>

#include "app/shell/drawing.h"
#include "solarchon/optics/rig.h"
#include "solarchon/optics/train.h"
#include "solarchon/safety/safety.h"

namespace solarchon::app {

/// What carries a part in a drag from the list of parts: one element as in rig files.
inline constexpr const char* kPartMime = "application/x-solarchon-part";

/// The train drawn lengthwise from the Sun to the end: the beam to scale above, under it one column
/// a part with its heat, its widths and the colours that it lets through. Arrow keys choose a part,
/// Space takes it off or puts it back, Ctrl with arrows moves it, Delete removes it; a column can
/// be dragged to another place, or out of the drawing to remove it.
class Section : public Drawing {
  Q_OBJECT

 public:
  /// @param editable  false: the drawing alone, for looking, as the second path of a comparison
  explicit Section(bool editable, QWidget* parent = nullptr);

  void show_train(const optics::Rig& rig, const optics::Train& train,
                  const std::vector<safety::Finding>& findings);
  /// Draws the same stretch of axis as another drawing; none: its own.
  using Span = std::pair<double, double>;  ///< from, to (mm)
  void set_span(std::optional<Span> span);
  [[nodiscard]] Span own_span() const;
  [[nodiscard]] int selected() const { return selected_; }
  void select(int element);
  /// Where the column of a part stands.
  [[nodiscard]] QRectF card(int element) const;
  [[nodiscard]] QSize least_size() const override;

 signals:
  void selectionChanged();
  void toggleAsked();
  void removeAsked();
  void moveAsked(int from, int to);  ///< `to`: its place once it has moved
  void partDropped(const QByteArray& part, int place);

 protected:
  void draw(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dragMoveEvent(QDragMoveEvent* event) override;
  void dragLeaveEvent(QDragLeaveEvent* event) override;
  void dropEvent(QDropEvent* event) override;
  bool event(QEvent* event) override;

 private:
  struct Scale;
  [[nodiscard]] int count() const { return static_cast<int>(rig_.elements.size()); }
  [[nodiscard]] double column_width() const;
  [[nodiscard]] double head_height() const;
  [[nodiscard]] double column_height() const;
  [[nodiscard]] QRectF stage() const;
  [[nodiscard]] Scale scale() const;
  [[nodiscard]] int element_at(const QPointF& point) const;
  [[nodiscard]] int gap_at(const QPointF& point) const;
  [[nodiscard]] const optics::Passage* passage_of(int element) const;
  void paint_beam(QPainter& painter, const Scale& scale) const;
  void paint_part(QPainter& painter, const Scale& scale, const optics::Passage& passage) const;
  void paint_flags(QPainter& painter) const;
  void paint_drag(QPainter& painter) const;
  void describe();

  bool editable_;
  optics::Rig rig_;
  optics::Train train_;
  std::vector<safety::Finding> findings_;
  std::optional<Span> span_;
  int selected_ = 0;
  std::optional<QPointF> pressed_;  ///< where a drag may begin
  bool dragging_ = false;
  std::optional<int> gap_;  ///< where a dragged part would go; none: out of the drawing
};

}  // namespace solarchon::app
