// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QString>

#include "app/shell/drawing.h"

namespace solarchon::app {

/// Two pictures of the same, before and after, parted by a line that is swiped over them: with the
/// pointer, or with the keys left and right. A double click, or Z, shows pixels as they are there.
class SwipePicture : public Drawing {
  Q_OBJECT

 public:
  explicit SwipePicture(QWidget* parent = nullptr);

  /// @param words  what it is, for its corner
  void show_before(const QImage& image, const QString& words);
  /// A null image: there is none yet.
  void show_after(const QImage& image, const QString& words);
  /// What to do where there is no picture at all.
  void show_empty(const QString& words);
  /// Share of the width that the picture before has.
  [[nodiscard]] double swipe() const { return swipe_; }
  void set_swipe(double share);
  [[nodiscard]] bool close() const { return close_; }
  void set_close(bool close);

 protected:
  void draw(QPainter& painter) override;
  [[nodiscard]] QSize least_size() const override { return {420, 210}; }
  void keyPressEvent(QKeyEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  /// Where a picture lies: fitted, or at one pixel a pixel about the place looked at.
  [[nodiscard]] QRectF place_of(const QImage& image) const;
  void move_place(const QPointF& pixels);

  QImage before_;
  QImage after_;
  QString before_words_;
  QString after_words_;
  QString empty_;
  double swipe_ = 0.5;
  bool close_ = false;
  QPointF looked_at_{0.5, 0.5};  ///< shares of the picture
};

}  // namespace solarchon::app
