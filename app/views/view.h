// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "app/model/current_frame.h"
#include "app/model/document.h"
#include "app/model/kit.h"
#include "app/model/log.h"
#include "app/model/models.h"
#include "solarchon/safety/safety.h"

namespace solarchon::app {

/// How a stage of the work stands: ready, needs a look, must stop; and why.
struct Readiness {
  safety::Severity state = safety::Severity::kNoObjection;
  QString reason;
};

/// One view: layout and painting over the models. A view never knows another.
class View : public QWidget {
  Q_OBJECT

 public:
  View(const Models& models, QWidget* parent = nullptr);

  [[nodiscard]] virtual Readiness readiness() const { return {}; }
  /// The pages of a view that has some, by the ids that app/window/places lists.
  virtual void show_page(const QString& /*id*/) {}
  [[nodiscard]] virtual QString page() const { return {}; }
  /// Takes a file of the kinds that app/window/places says it takes, on the page that is shown.
  virtual void open_file(const QString& /*file*/) {}
  /// The window is about to close: what is being written is kept.
  virtual void finish() {}
  /// False while a picture is still being made in the background.
  [[nodiscard]] virtual bool settled() const { return true; }
  /// The least for all that is shown: less scrolls, more goes to the picture.
  [[nodiscard]] int heightForWidth(int width) const override;
  /// False while more is to come that takes seconds, such as the readings of a live picture.
  [[nodiscard]] virtual bool complete() const { return true; }
  /// Shows what goes by the second: it follows each of the live clock.
  [[nodiscard]] virtual bool tells_seconds() const { return false; }
  /// Draws everything anew, as after a change of theme.
  virtual void restyle() { follow(); }

 signals:
  /// Asks for another view, or a page of one, by its id.
  void asksFor(const QString& place);

 protected:
  /// Brings what is shown up to date with the models.
  virtual void follow() = 0;
  void showEvent(QShowEvent* event) override;

  [[nodiscard]] const Models& models() const { return models_; }
  [[nodiscard]] Document& document() const { return models_.document; }
  [[nodiscard]] Log& log() const { return models_.log; }
  [[nodiscard]] Kit& kit() const { return models_.kit; }
  [[nodiscard]] CurrentFrame& frame() const { return models_.frame; }
  [[nodiscard]] ErrorReporter& trouble() const { return models_.trouble; }

 private:
  void follow_when_seen();

  Models models_;
};

}  // namespace solarchon::app
