// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QBoxLayout>
#include <QScrollArea>
#include <QWidget>

namespace solarchon::app {

/// Lays out a picture and its panel: side by side where both have room, one under the other where
/// they have not. It asks for the least height of both, never for more: the picture takes what is
/// left, and whatever holds it scrolls only where even that does not fit.
class PictureWithPanel : public QBoxLayout {
  Q_OBJECT

 public:
  enum class Side { kBefore, kAfter };
  /// @param picture   takes what the panel leaves
  /// @param panel     gives way down to what it asks
  /// @param panel_px  its usual width: designed pixels, at the usual text size
  /// @param page      is laid out; the parent of both, so that neither is styled twice
  /// @param side      where the panel stands; over the picture or under it where there is no room
  PictureWithPanel(QWidget* picture, QWidget* panel, int panel_px, QWidget* page,
                   Side side = Side::kAfter);
  void set_panel(int panel_px);
  [[nodiscard]] QSize minimumSize() const override;
  [[nodiscard]] bool hasHeightForWidth() const override { return true; }
  [[nodiscard]] int heightForWidth(int width) const override;
  [[nodiscard]] int minimumHeightForWidth(int width) const override;
  void setGeometry(const QRect& room) override;
  void invalidate() override;

 private:
  void measure() const;
  [[nodiscard]] bool stacks_in(int width) const;
  [[nodiscard]] int panel_width(int width) const;

  QWidget* picture_;
  QWidget* panel_;
  int panel_px_;
  Side side_;
  // Asking for them costs more than laying out: once after each change.
  mutable bool measured_ = false;
  mutable QSize picture_least_;
  mutable QSize panel_least_;
};

/// The least height in which a widget shows all it has at a width: without what it would like.
/// @param width  pixels
[[nodiscard]] int least_height(const QWidget& widget, int width);

/// A panel that scrolls up and down and is as wide as what is on it asks.
class ScrolledPanel : public QScrollArea {
  Q_OBJECT

 public:
  ScrolledPanel(QWidget* panel, QWidget* parent);
  [[nodiscard]] QSize minimumSizeHint() const override;
};

}  // namespace solarchon::app
