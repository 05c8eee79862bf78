// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPushButton>

#include "app/shell/figures.h"
#include "app/views/light_path/findings_list.h"
#include "app/views/light_path/part_sheet.h"
#include "app/views/light_path/section.h"
#include "app/views/view.h"

namespace solarchon::app {

/// The train from the Sun to the sensor, and what speaks against it.
class LightPathView : public View {
  Q_OBJECT

 public:
  LightPathView(Document& document, Records& records, QWidget* parent = nullptr);
  [[nodiscard]] QString name() const override { return tr("Light path"); }
  [[nodiscard]] QString glyph() const override { return QStringLiteral("light-path"); }
  [[nodiscard]] Readiness readiness() const override;
  void restyle() override;

 protected:
  void follow() override;

 private:
  QWidget* build_tools();
  QWidget* build_side();
  void toggle();
  void remove();
  void move(int places);
  void add(const optics::Element& generic);

  Section* section_;
  Figures* figures_;
  FindingsList* findings_;
  PartSheet* sheet_;
  QPushButton* toggle_;
  QPushButton* remove_;
};

}  // namespace solarchon::app
