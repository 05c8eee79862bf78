// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "app/model/document.h"
#include "app/model/records.h"
#include "solarchon/safety/safety.h"

namespace solarchon::app {

/// How a stage of the work stands: ready, needs a look, must stop; and why.
struct Readiness {
  safety::Severity state = safety::Severity::kNoObjection;
  QString reason;
};

/// One view: layout and painting over the document and the records. A view never knows another.
class View : public QWidget {
  Q_OBJECT

 public:
  View(Document& document, Records& records, QWidget* parent = nullptr);

  [[nodiscard]] virtual QString name() const = 0;
  [[nodiscard]] virtual QString glyph() const = 0;
  [[nodiscard]] virtual Readiness readiness() const { return {}; }
  /// False while a picture is still being made in the background.
  [[nodiscard]] virtual bool settled() const { return true; }
  /// Draws everything anew, as after a change of theme.
  virtual void restyle() { follow(); }

 signals:
  /// Asks for another view by its name in --view.
  void asksFor(const QString& view_name);

 protected:
  /// Brings what is shown up to date with document and records.
  virtual void follow() = 0;
  void showEvent(QShowEvent* event) override;

  [[nodiscard]] Document& document() const { return document_; }
  [[nodiscard]] Records& records() const { return records_; }

 private:
  void follow_when_seen();

  Document& document_;
  Records& records_;
};

}  // namespace solarchon::app
