// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/panels_panel.h"

#include <QVBoxLayout>

#include "app/shell/plain_label.h"

namespace solarchon::app {

PanelsPanel::PanelsPanel(Reduction& reduction, QWidget* parent)
    : QWidget(parent),
      reduction_(reduction),
      list_(new FileList(QStringLiteral("reduce-panels"), tr("Panels of the mosaic"),
                         tr("Add panels\u2026"), this)),
      words_(new PlainLabel(this)) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  words_->setObjectName(QStringLiteral("reduce-panels-words"));
  words_->setWordWrap(true);
  words_->setText(
      tr("Pictures that overlap by a tenth or more. They may lie anywhere and be turned a little: "
         "where each belongs is found by what they show."));
  column->addWidget(words_);
  column->addWidget(list_, 1);
  connect(list_, &FileList::asksForMore, this, &PanelsPanel::asksForMore);
  connect(list_, &FileList::removed, this, [this](const QStringList& files) {
    QStringList left = reduction_.panels();
    for (const QString& file : files) {
      left.removeAll(file);
    }
    reduction_.set_panels(left);
  });
}

void PanelsPanel::add(const QStringList& files) {
  QStringList all = reduction_.panels();
  for (const QString& file : files) {
    if (!all.contains(file)) {
      all << file;
    }
  }
  reduction_.set_panels(all);
}

void PanelsPanel::follow() { list_->show_files(reduction_.panels()); }

}  // namespace solarchon::app
