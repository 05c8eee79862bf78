// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QString>
#include <QTimer>
#include <functional>
#include <vector>

#include "app/shell/drawing.h"

namespace solarchon::app {

/// Pictures one after another, as the movie shows them. Space plays and stops, the arrow keys go by
/// one, Home and End to the ends.
class MoviePicture : public Drawing {
  Q_OBJECT

 public:
  explicit MoviePicture(QWidget* parent = nullptr);

  /// @param pictures  as many as are drawn so far; the same movie goes on where it is
  /// @param words     what a picture is, by its number
  void show_movie(const std::vector<QImage>& pictures, double rate_hz, bool back,
                  std::function<QString(int)> words);
  void show_empty(const QString& words);
  [[nodiscard]] bool plays() const { return timer_.isActive(); }
  void play(bool on);
  [[nodiscard]] int shown() const { return shown_; }
  void go_to(int picture);

 protected:
  void draw(QPainter& painter) override;
  [[nodiscard]] QSize least_size() const override { return {420, 210}; }
  void keyPressEvent(QKeyEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void hideEvent(QHideEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  void advance();

  std::vector<QImage> pictures_;
  std::function<QString(int)> words_;
  QString empty_;
  QTimer timer_;
  int shown_ = 0;
  bool back_ = false;
  int step_ = 1;
};

}  // namespace solarchon::app
