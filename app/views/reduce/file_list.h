// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QListWidget>
#include <QPushButton>
#include <QWidget>

namespace solarchon::app {

/// Files by their names, with buttons to add and to take out; Delete takes out what is marked.
class FileList : public QWidget {
  Q_OBJECT

 public:
  /// @param name    of the list in tests: NAME, NAME-add, NAME-remove
  /// @param spoken  what it is, read aloud
  FileList(const QString& name, const QString& spoken, const QString& add, QWidget* parent);
  void show_files(const QStringList& files);

 signals:
  void asksForMore();
  void removed(const QStringList& files);

 private:
  void remove_marked();

  QListWidget* list_;
  QPushButton* remove_;
  QStringList files_;
};

}  // namespace solarchon::app
