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

  [[nodiscard]] virtual Readiness readiness() const { return {}; }
  /// The pages of a view that has some, by the ids that app/window/places lists.
  virtual void show_page(const QString& /*id*/) {}
  [[nodiscard]] virtual QString page() const { return {}; }
  /// Takes a file of the kinds that app/window/places says it takes, on the page that is shown.
  virtual void open_file(const QString& /*file*/) {}
  /// False while a picture is still being made in the background.
  [[nodiscard]] virtual bool settled() const { return true; }
  /// Draws everything anew, as after a change of theme.
  virtual void restyle() { follow(); }

 signals:
  /// Asks for another view, or a page of one, by its id.
  void asksFor(const QString& place);
  /// Something did not work, in words.
  void failed(const QString& why);

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
