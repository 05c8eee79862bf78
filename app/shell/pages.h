// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QBoxLayout>
#include <QButtonGroup>
#include <QWidget>
#include <vector>

namespace solarchon::app {

/// The pages of a view, of which one is shown: this is the row of buttons that turns to them.
class Pages : public QWidget {
  Q_OBJECT

 public:
  struct Page {
    QString id;      ///< as app/window/places lists it
    QString name;    ///< on its button
    QString reason;  ///< tooltip
    QWidget* widget;
  };
  /// Shows the first. @param column  the pages are laid out in it
  Pages(std::vector<Page> pages, QBoxLayout& column, QWidget* parent);
  /// Nothing happens where no page has that id.
  void turn_to(const QString& id);
  [[nodiscard]] const QString& id() const { return pages_.at(shown_).id; }
  [[nodiscard]] QWidget* shown() const { return pages_.at(shown_).widget; }

 signals:
  void turned();

 private:
  void show_only(std::size_t page);

  std::vector<Page> pages_;
  std::size_t shown_ = 0;
  QButtonGroup* buttons_;
};

}  // namespace solarchon::app
