// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLineEdit>
#include <QListWidget>
#include <QWidget>
#include <vector>

#include "solarchon/optics/rig.h"

namespace solarchon::app {

/// The parts to choose from: the owner's kit first, then the generic ones. Typing narrows the list,
/// Enter adds the chosen part, Escape goes back; parts can be dragged into the drawing.
class PartChooser : public QWidget {
  Q_OBJECT

 public:
  explicit PartChooser(QWidget* parent = nullptr);
  void show_parts(const std::vector<optics::Element>& kit,
                  const std::vector<optics::Element>& catalogue);
  /// Clears the search and takes the focus.
  void begin();

 signals:
  void chosen(const optics::Element& part);
  void closed();
  void dropFromKitAsked(const std::string& kit_id);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void refill();
  void add_current();
  void step(int rows);

  std::vector<optics::Element> parts_;  ///< as listed: the kit, then the catalogue
  std::size_t owned_ = 0;               ///< how many of them are the owner's
  QLineEdit* search_;
  QListWidget* list_;
};

}  // namespace solarchon::app
