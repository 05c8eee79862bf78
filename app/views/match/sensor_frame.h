// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>

#include "app/model/document.h"
#include "app/model/newest_wins.h"
#include "app/shell/drawing.h"

namespace solarchon::app {

/// The sensor's edge with the Sun in it, as the simulated camera would record it now. The picture
/// is made off the interface thread at the widget's resolution; the newest wish wins.
class SensorFrame : public Drawing {
  Q_OBJECT

 public:
  explicit SensorFrame(Document& document, QWidget* parent = nullptr);
  /// Asks for a picture of the workspace as it is now.
  void follow();
  [[nodiscard]] bool settled() const { return wishes_.settled(); }
  [[nodiscard]] const QImage& image() const { return image_; }
  [[nodiscard]] QSize least_size() const override { return {420, 300}; }

 signals:
  void pictureChanged();

 protected:
  void draw(QPainter& painter) override;
  void resizeEvent(QResizeEvent* event) override;

 private:
  [[nodiscard]] QRectF frame_rect() const;
  /// A quick picture is shown while wishes follow each other; a fine one comes after.
  enum class Haste { kQuick, kFine };
  void request(Haste haste);
  void show_problem(const QString& words);

  Document& document_;
  NewestWins wishes_;
  QImage image_;
  QString problem_;
};

}  // namespace solarchon::app
