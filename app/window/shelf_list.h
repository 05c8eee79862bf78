// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/model/in_hand.h"

namespace solarchon::app {

/// What stands on a shelf, last used first, and what can be done with it.
class ShelfList : public QWidget {
  Q_OBJECT

 public:
  /// @param what  what stands here, as a title: Sites
  ShelfList(AnyInHand& in_hand, const QString& what, QWidget* parent = nullptr);
  void follow();
  [[nodiscard]] QListWidget& list() const { return *list_; }

 signals:
  void taken();
  /// Something is worth a word, in the window.
  void hinted(const QString& words);
  /// A dialogue comes up: sheets that would close by it may do so before.
  void dialogueComes();

 private:
  void take(const QListWidgetItem* item);
  void rename(const QListWidgetItem* item);
  void import_file();
  void export_file();
  [[nodiscard]] std::string chosen() const;

  AnyInHand& in_hand_;
  QListWidget* list_;
  QLabel* empty_;
  QPushButton* keep_;
  QPushButton* copy_;
  QPushButton* rename_;
  QPushButton* remove_;
  QPushButton* export_;
};

}  // namespace solarchon::app
