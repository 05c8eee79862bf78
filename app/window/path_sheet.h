// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/window/drop_sheet.h"
#include "app/window/shelf_list.h"

namespace solarchon::app {

/// The light paths to choose from: a sheet that drops from the Rig chip.
class PathSheet : public DropSheet {
  Q_OBJECT

 public:
  explicit PathSheet(AnyInHand& paths, QWidget* parent = nullptr);

 signals:
  void hinted(const QString& words);

 protected:
  void follow() override { shelf_->follow(); }
  void showEvent(QShowEvent* event) override;

 private:
  ShelfList* shelf_;
};

}  // namespace solarchon::app
