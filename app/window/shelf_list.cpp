// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/shelf_list.h"

#include <QApplication>
#include <QFileDialog>
#include <QGridLayout>
#include <QPainter>
#include <QShortcut>
#include <QStyledItemDelegate>
#include <QVBoxLayout>
#include <algorithm>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr int kNameRole = Qt::UserRole;
constexpr int kDetailsRole = Qt::UserRole + 1;

/// A name over its details.
class TwoLines : public QStyledItemDelegate {
 public:
  using QStyledItemDelegate::QStyledItemDelegate;

  [[nodiscard]] QSize sizeHint(const QStyleOptionViewItem& /*option*/,
                               const QModelIndex& /*index*/) const override {
    const QFontMetrics name(Theme::font(TextSize::kMedium));
    const QFontMetrics details(Theme::font(TextSize::kSmall));
    return {100, name.height() + details.height() + Theme::px(8)};
  }

  void paint(QPainter* painter, const QStyleOptionViewItem& option,
             const QModelIndex& index) const override {
    QStyleOptionViewItem ground = option;
    initStyleOption(&ground, index);
    ground.text.clear();
    ground.widget->style()->drawControl(QStyle::CE_ItemViewItem, &ground, painter, ground.widget);
    const Palette& c = Theme::colours();
    const bool chosen = (option.state & QStyle::State_Selected) != 0;
    const QRect inner =
        option.rect.adjusted(Theme::px(8), Theme::px(4), -Theme::px(8), -Theme::px(4));
    const auto draw = [&](Qt::Alignment where, const QFont& font, const QColor& ink,
                          const QString& words) {
      painter->setFont(font);
      painter->setPen(ink);
      painter->drawText(inner, static_cast<int>(where | Qt::AlignLeft) | Qt::TextSingleLine,
                        painter->fontMetrics().elidedText(words, Qt::ElideRight, inner.width()));
    };
    draw(Qt::AlignTop, index.data(Qt::FontRole).value<QFont>(), chosen ? c.on_accent : c.ink,
         index.data(Qt::DisplayRole).toString());
    draw(Qt::AlignBottom, Theme::font(TextSize::kSmall), chosen ? c.on_accent : c.faint_ink,
         index.data(kDetailsRole).toString());
  }
};

}  // namespace

ShelfList::ShelfList(AnyInHand& in_hand, const QString& what, QWidget* parent)
    : QWidget(parent),
      in_hand_(in_hand),
      list_(new QListWidget(this)),
      empty_(new PlainLabel(tr("Nothing is kept yet."), this)),
      keep_(new QPushButton(this)),
      copy_(new QPushButton(tr("Copy"), this)),
      rename_(new QPushButton(tr("Rename"), this)),
      remove_(new QPushButton(tr("Remove"), this)),
      export_(new QPushButton(tr("To a file\u2026"), this)) {
  auto* title = new PlainLabel(what, this);
  title->setFont(Theme::font(TextSize::kMedium, true));
  list_->setObjectName(QStringLiteral("shelf"));
  list_->setAccessibleName(what);
  list_->setItemDelegate(new TwoLines(list_));
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setEditTriggers(QAbstractItemView::EditKeyPressed);
  list_->setToolTip(tr("Click or Enter puts it to use, F2 renames it, Delete removes it"));
  empty_->setProperty("role", "faint");
  empty_->setWordWrap(true);
  keep_->setObjectName(QStringLiteral("shelf-keep"));
  copy_->setObjectName(QStringLiteral("shelf-copy"));
  rename_->setObjectName(QStringLiteral("shelf-rename"));
  remove_->setObjectName(QStringLiteral("shelf-remove"));
  copy_->setToolTip(tr("A second one of the chosen, to change"));
  remove_->setToolTip(tr("Takes the chosen one off the shelf; undo puts it back"));
  export_->setToolTip(tr("Writes the chosen one to a file, to give away or keep elsewhere"));
  auto* import = new QPushButton(tr("From a file\u2026"), this);
  import->setToolTip(tr("Puts what a file holds on the shelf"));
  auto* tools = new QGridLayout;
  tools->setSpacing(4);
  tools->addWidget(keep_, 0, 0, 1, 3);
  tools->addWidget(copy_, 1, 0);
  tools->addWidget(rename_, 1, 1);
  tools->addWidget(remove_, 1, 2);
  auto* files = new QHBoxLayout;
  files->setSpacing(4);
  files->addWidget(import);
  files->addWidget(export_);
  setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  column->addWidget(title);
  column->addWidget(list_);
  column->addWidget(empty_);
  column->addLayout(tools);
  column->addLayout(files);
  connect(list_, &QListWidget::itemClicked, this, &ShelfList::take);
  connect(list_, &QListWidget::itemActivated, this, &ShelfList::take);
  connect(list_, &QListWidget::itemChanged, this, &ShelfList::rename);
  // Not within the list's own signals.
  connect(list_->itemDelegate(), &QAbstractItemDelegate::closeEditor, this, &ShelfList::follow,
          Qt::QueuedConnection);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
    for (QPushButton* button : {copy_, rename_, remove_, export_}) {
      button->setEnabled(row >= 0);
    }
  });
  connect(keep_, &QPushButton::clicked, this, [this] { in_hand_.keep(); });
  connect(copy_, &QPushButton::clicked, this, [this] { in_hand_.shelf().copy(chosen()); });
  connect(rename_, &QPushButton::clicked, this, [this] { list_->editItem(list_->currentItem()); });
  const auto remove = [this] {
    if (list_->currentItem() != nullptr) {
      in_hand_.shelf().drop(chosen());
    }
  };
  connect(remove_, &QPushButton::clicked, this, remove);
  auto* remove_key = new QShortcut(QKeySequence::Delete, list_);
  remove_key->setContext(Qt::WidgetShortcut);
  connect(remove_key, &QShortcut::activated, this, remove);
  // The window's own does not reach a sheet.
  auto* undo = new QShortcut(QKeySequence::Undo, this);
  undo->setContext(Qt::WidgetWithChildrenShortcut);
  connect(undo, &QShortcut::activated, &in_hand_, &AnyInHand::undo);
  connect(import, &QPushButton::clicked, this, &ShelfList::import_file);
  connect(export_, &QPushButton::clicked, this, &ShelfList::export_file);
  connect(&in_hand_, &AnyInHand::changed, this, [this] {
    if (isVisible()) {
      follow();
    }
  });
}

std::string ShelfList::chosen() const {
  const QListWidgetItem* item = list_->currentItem();
  return item != nullptr ? item->data(kNameRole).toString().toStdString() : std::string();
}

void ShelfList::take(const QListWidgetItem* item) {
  const std::string name = item->data(kNameRole).toString().toStdString();
  const std::string before = in_hand_.name();
  const bool lossless = in_hand_.take(name);
  emit taken();
  if (!lossless) {
    emit hinted(tr("\u201c%1\u201d had changes that are not on the shelf; undo (Ctrl+Z) brings "
                   "them back.")
                    .arg(text(before)));
  }
}

void ShelfList::rename(const QListWidgetItem* item) {
  const std::string name = item->data(kNameRole).toString().toStdString();
  const std::string to = item->text().trimmed().toStdString();
  if (to != name && !in_hand_.rename(name, to)) {
    emit hinted(tr("A name must be its own, and not empty: \u201c%1\u201d stays as it is.")
                    .arg(text(name)));
  }
}

void ShelfList::import_file() {
  emit dialogueComes();
  const QString file = QFileDialog::getOpenFileName(window(), tr("Put on the shelf"), QString(),
                                                    tr("JSON (*.json)"));
  if (!file.isEmpty()) {
    in_hand_.shelf().import_file(file);
  }
}

void ShelfList::export_file() {
  const std::string name = chosen();
  emit dialogueComes();
  const QString file = QFileDialog::getSaveFileName(
      window(), tr("Write to a file"), text(name) + QStringLiteral(".json"), tr("JSON (*.json)"));
  if (!file.isEmpty()) {
    in_hand_.shelf().export_to(name, file);
  }
}

void ShelfList::follow() {
  if (list_->viewport()->isAncestorOf(QApplication::focusWidget())) {
    return;  // a name is being written
  }
  const QSignalBlocker quiet(list_);
  const std::string chosen_before = chosen();
  const std::string in_hand = in_hand_.name();
  const OnShelf state = in_hand_.state();
  list_->clear();
  for (const std::string& name : in_hand_.shelf().names()) {
    auto* item = new QListWidgetItem(text(name), list_);
    const bool held = name == in_hand;
    const QString details = in_hand_.details(name);
    item->setData(kNameRole, text(name));
    item->setData(kDetailsRole, !held ? details
                                : state == OnShelf::kChanged
                                    ? tr("in use, changed since it was kept")
                                    : tr("in use \u00b7 %1").arg(details));
    item->setData(Qt::AccessibleTextRole,
                  QStringLiteral("%1, %2").arg(text(name), item->data(kDetailsRole).toString()));
    item->setFont(Theme::font(TextSize::kMedium, held));
    item->setFlags(item->flags() | Qt::ItemIsEditable);
    if (name == chosen_before || (chosen_before.empty() && held)) {
      list_->setCurrentItem(item);
    }
  }
  const int rows = list_->count();
  constexpr int kMostRows = 5;
  list_->setVisible(rows > 0);
  empty_->setVisible(rows == 0);
  if (rows > 0) {
    const int frame = Theme::px(14);  // of the style sheet
    list_->setFixedHeight(std::min(rows, kMostRows) * list_->sizeHintForRow(0) + frame);
  }
  keep_->setEnabled(state != OnShelf::kAsItIs);
  keep_->setText(state == OnShelf::kAsItIs    ? tr("Kept as it is now")
                 : state == OnShelf::kChanged ? tr("Keep the changes")
                                              : tr("Keep the one in use"));
  for (QPushButton* button : {copy_, rename_, remove_, export_}) {
    button->setEnabled(list_->currentRow() >= 0);
  }
}

}  // namespace solarchon::app
