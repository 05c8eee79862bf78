// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/reduce/file_list.h"

#include <QHBoxLayout>
#include <QShortcut>
#include <QVBoxLayout>

#include "app/model/file_words.h"
#include "app/shell/theme.h"

namespace solarchon::app {

FileList::FileList(const QString& name, const QString& spoken, const QString& add, QWidget* parent)
    : QWidget(parent),
      list_(new QListWidget(this)),
      remove_(new QPushButton(tr("Take out"), this)) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  list_->setObjectName(name);
  list_->setAccessibleName(spoken);
  list_->setSelectionMode(QAbstractItemView::ExtendedSelection);
  list_->setMinimumHeight(Theme::px(60));
  list_->setTextElideMode(Qt::ElideMiddle);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  column->addWidget(list_, 1);
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  auto* more = new QPushButton(add, this);
  more->setObjectName(name + QStringLiteral("-add"));
  more->setToolTip(tr("FITS, PNG, TIFF or JPEG; you can drop them here too (F8)"));
  remove_->setObjectName(name + QStringLiteral("-remove"));
  remove_->setToolTip(tr("What is marked leaves the list; the files stay (Delete)"));
  for (QPushButton* button : {more, remove_}) {
    button->setProperty("narrow", true);
    button->setMinimumHeight(Theme::px(32));
    row->addWidget(button, 1);
  }
  column->addLayout(row);
  connect(more, &QPushButton::clicked, this, &FileList::asksForMore);
  connect(remove_, &QPushButton::clicked, this, &FileList::remove_marked);
  auto* key = new QShortcut(QKeySequence::Delete, list_);
  key->setContext(Qt::WidgetShortcut);
  connect(key, &QShortcut::activated, this, &FileList::remove_marked);
  connect(list_, &QListWidget::itemSelectionChanged, this,
          [this] { remove_->setEnabled(!list_->selectedItems().isEmpty()); });
  remove_->setEnabled(false);
}

void FileList::show_files(const QStringList& files) {
  if (files == files_) {
    return;
  }
  files_ = files;
  list_->clear();
  for (const QString& file : files) {
    auto* item = new QListWidgetItem(words_of_file(file), list_);
    item->setToolTip(file);
    item->setData(Qt::UserRole, file);
  }
}

void FileList::remove_marked() {
  QStringList marked;
  for (const QListWidgetItem* item : list_->selectedItems()) {
    marked << item->data(Qt::UserRole).toString();
  }
  if (!marked.isEmpty()) {
    emit removed(marked);
  }
}

}  // namespace solarchon::app
