// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QWidget>

#include "app/model/reduction.h"
#include "app/views/reduce/file_list.h"

namespace solarchon::app {

/// The panels of a mosaic.
class PanelsPanel : public QWidget {
  Q_OBJECT

 public:
  PanelsPanel(Reduction& reduction, QWidget* parent);
  void follow();
  void add(const QStringList& files);

 signals:
  void asksForMore();

 private:
  Reduction& reduction_;
  FileList* list_;
  QLabel* words_;
};

}  // namespace solarchon::app
