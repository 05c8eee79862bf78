// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>

namespace solarchon::app {

/// The one kind of label in this program: it shows its words as they are. Names come from users and
/// files, and a label that guesses would take some of them for markup, and load what they name.
class PlainLabel : public QLabel {
  Q_OBJECT

 public:
  explicit PlainLabel(QWidget* parent = nullptr) : PlainLabel(QString(), parent) {}
  explicit PlainLabel(const QString& words, QWidget* parent = nullptr) : QLabel(parent) {
    setTextFormat(Qt::PlainText);
    setText(words);
  }
};

}  // namespace solarchon::app
