// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QElapsedTimer>
#include <QImage>
#include <memory>
#include <optional>
#include <vector>

#include "app/model/document.h"
#include "app/model/latest_job.h"
#include "app/shell/drawing.h"
#include "app/views/match/what_if.h"
#include "solarchon/match/mosaic.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

class MovingAir;

/// Of words and lines over the Sun.
inline const QColor kOnSun(0xf2f0ea);

/// The sensor's edge with the Sun in it, as the simulated camera would record it now. The picture
/// is made off the interface thread at the widget's resolution; the newest wish wins. The wheel and
/// the keys + and - look closer, a drag moves what is looked at, a click points at what lies there.
/// Where an eyepiece ends the light path, it is the round field as an eye has it.
class SensorFrame : public Drawing {
  Q_OBJECT

 public:
  /// Which of the two light paths it shows.
  enum class Path { kInUse, kCompared };
  explicit SensorFrame(Document& document, QWidget* parent = nullptr, Path path = Path::kInUse);
  /// Asks for a picture of the workspace as it is now.
  void follow();
  void try_out(const WhatIf& what);
  /// Panels to be drawn over the Sun; nothing for none.
  void show_mosaic(const std::optional<match::Mosaic>& mosaic, const QSizeF& panel_arcsec);
  [[nodiscard]] bool settled() const { return wishes_.settled() || what_.moving_air; }
  [[nodiscard]] const QImage& image() const { return image_; }
  [[nodiscard]] const QString& problem() const { return problem_; }
  [[nodiscard]] double zoom() const { return zoom_; }
  [[nodiscard]] const std::vector<workspace::Thing>& things() const { return things_; }
  /// Where a place of the disc is drawn, in the drawing's units.
  [[nodiscard]] QPointF point_of(const sky::DiscPlace& place) const;
  [[nodiscard]] QSize least_size() const override { return {420, 300}; }

 signals:
  void pictureChanged();

 protected:
  void draw(QPainter& painter) override;
  void resizeEvent(QResizeEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void leaveEvent(QEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  /// A quick picture is shown while wishes follow each other; a fine one comes after.
  enum class Haste { kQuick, kFine };
  /// A light path as it is answered for.
  struct Shown {
    const optics::Rig* rig = nullptr;
    optics::Train train;
    sky::PictureOrientation celestial;
    sky::PictureOrientation solar;
  };
  [[nodiscard]] Shown shown() const;
  [[nodiscard]] QRectF frame_rect() const;
  /// Arcseconds on the sky for a unit of the drawing, as it is looked at now.
  [[nodiscard]] double arcsec_per_unit() const;
  void request(Haste haste);
  /// What an eye sees, where no camera looks.
  void request_eye(workspace::Workspace space, workspace::Answers answers);
  [[nodiscard]] bool eye_looks() const;
  void show_problem(const QString& words);
  void look_closer(double factor, const QPointF& about);
  void move_by(const QPointF& units);
  void keep_inside();
  [[nodiscard]] const workspace::Thing* thing_near(const QPointF& point) const;
  void point_at(const workspace::Thing& thing);
  void draw_eye_marks(QPainter& painter, const QRectF& box, const Shown& path) const;
  void draw_frame_marks(QPainter& painter, const QRectF& box, const Shown& path) const;
  /// Where the target lies, when it is not the whole disc.
  void draw_target(QPainter& painter) const;
  void draw_things(QPainter& painter, const QRectF& box) const;
  void draw_mosaic(QPainter& painter, const QRectF& box) const;

  Document& document_;
  Path path_;
  LatestJob wishes_;
  QImage image_;
  QString eye_words_;  ///< what an eye has of it; empty with a camera
  QString problem_;
  WhatIf what_;
  QElapsedTimer air_clock_;
  std::shared_ptr<MovingAir> moving_air_;  ///< asked by one piece of work after another
  double zoom_ = 1.0;
  QPointF middle_{0.5, 0.5};  ///< of what is looked at, in shares of the sensor
  sky::DiscPlace aim_;        ///< what the telescope points at
  std::vector<workspace::Thing> things_;
  std::optional<QPointF> pressed_;
  bool dragged_ = false;
  std::optional<QPointF> pointer_;
  std::optional<match::Mosaic> mosaic_;
  QSizeF panel_arcsec_;
};

/// What a thing on the Sun is called, with its size.
[[nodiscard]] QString words_for(const workspace::Thing& thing);

}  // namespace solarchon::app
