// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>
#include <vector>

#include "app/model/folder_watch.h"
#include "app/model/live_camera.h"

namespace solarchon::app {

/// What is looked through: the simulated camera, a device of this machine, or a folder that another
/// program fills, with what was found in it.
class SourceBox : public QWidget {
  Q_OBJECT

 public:
  SourceBox(LiveCamera& camera, FolderWatch& watch, QWidget* parent);
  void follow();
  /// Looks at a folder from now on; asked for where none is given.
  void watch(QString folder = {});

 protected:
  void showEvent(QShowEvent* event) override;

 private:
  void list();
  void choose(int index);
  [[nodiscard]] static QString line_of(const FolderWatch::Found& found);

  LiveCamera& camera_;
  FolderWatch& watch_;
  QComboBox* box_;
  QLabel* says_;
  QListWidget* found_;
  QPushButton* stop_;
  std::vector<CameraChoice> eyes_;
};

}  // namespace solarchon::app
