// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/part_chooser.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMimeData>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/model/part_words.h"
#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/light_path/section.h"
#include "solarchon/base/json.h"
#include "solarchon/optics/rig_file.h"

namespace solarchon::app {

namespace {

constexpr int kPlace = Qt::UserRole;  // of the part in the list of parts
constexpr int kPartJson = Qt::UserRole + 1;

/// A list whose rows can be dragged as parts.
class PartList : public QListWidget {
 public:
  using QListWidget::QListWidget;

 protected:
  [[nodiscard]] QStringList mimeTypes() const override { return {QString::fromLatin1(kPartMime)}; }
  [[nodiscard]] QMimeData* mimeData(const QList<QListWidgetItem*>& items) const override {
    auto* part = new QMimeData;
    if (!items.isEmpty()) {
      part->setData(QString::fromLatin1(kPartMime), items.front()->data(kPartJson).toByteArray());
    }
    return part;
  }
};

bool matches(const optics::Element& part, const QString& wanted) {
  const QString haystack = kind_name(part.part) + ' ' + text(part.name) + ' ' +
                           text(part.care.serial) + ' ' + text(part.care.notes);
  const QStringList words = wanted.split(' ', Qt::SkipEmptyParts);
  return std::all_of(words.begin(), words.end(), [&](const QString& word) {
    return haystack.contains(word, Qt::CaseInsensitive);
  });
}

}  // namespace

PartChooser::PartChooser(QWidget* parent)
    : QWidget(parent), search_(new QLineEdit(this)), list_(new PartList(this)) {
  setObjectName(QStringLiteral("part-chooser"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  auto* head = new QHBoxLayout;
  auto* title = new PlainLabel(tr("Add a part"), this);
  title->setFont(Theme::font(TextSize::kMedium, true));
  auto* close = new QPushButton(tr("Done"), this);
  close->setToolTip(tr("Back to the findings (Escape)"));
  head->addWidget(title, 1);
  head->addWidget(close);
  column->addLayout(head);
  search_->setObjectName(QStringLiteral("part-search"));
  search_->setAccessibleName(tr("Search the parts"));
  search_->setPlaceholderText(tr("Type to narrow: wedge, 80 mm, ND\u2026"));
  search_->setClearButtonEnabled(true);
  search_->installEventFilter(this);
  column->addWidget(search_);
  list_->setObjectName(QStringLiteral("part-list"));
  list_->setAccessibleName(tr("Parts"));
  list_->setDragEnabled(true);
  list_->setWordWrap(true);
  list_->setTextElideMode(Qt::ElideNone);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setToolTip(
      tr("Enter or a double click puts the part in its usual place; drag it into the "
         "drawing for another. Delete takes a part out of your kit"));
  column->addWidget(list_, 1);
  auto* add = new QPushButton(tr("Put into the light path"), this);
  add->setObjectName(QStringLiteral("add-part"));
  column->addWidget(add);
  connect(search_, &QLineEdit::textChanged, this, &PartChooser::refill);
  connect(list_, &QListWidget::itemDoubleClicked, this, &PartChooser::add_current);
  connect(add, &QPushButton::clicked, this, &PartChooser::add_current);
  connect(close, &QPushButton::clicked, this, &PartChooser::closed);
}

void PartChooser::show_parts(const std::vector<optics::Element>& kit,
                             const std::vector<optics::Element>& catalogue) {
  parts_ = kit;
  owned_ = kit.size();
  parts_.insert(parts_.end(), catalogue.begin(), catalogue.end());
  refill();
}

void PartChooser::begin() {
  search_->clear();
  search_->setFocus();
}

void PartChooser::refill() {
  list_->clear();
  const auto add_head = [&](const QString& words) {
    auto* head = new QListWidgetItem(words, list_);
    head->setFlags(Qt::NoItemFlags);
    head->setFont(Theme::font(TextSize::kSmall, true));
  };
  for (std::size_t i = 0; i < parts_.size(); ++i) {
    if (i == 0 && owned_ > 0) {
      add_head(tr("Your kit"));
    }
    if (i == owned_) {
      add_head(tr("Generic parts"));
    }
    if (!matches(parts_[i], search_->text())) {
      continue;
    }
    auto* item = new QListWidgetItem(text(parts_[i].name), list_);
    item->setData(kPlace, static_cast<int>(i));
    item->setData(kPartJson, QByteArray::fromStdString(optics::to_json(parts_[i]).dump()));
    item->setToolTip(kind_name(parts_[i].part));
  }
  for (int row = 0; row < list_->count(); ++row) {
    if (list_->item(row)->flags() & Qt::ItemIsSelectable) {
      list_->setCurrentRow(row);
      break;
    }
  }
}

void PartChooser::add_current() {
  const QListWidgetItem* item = list_->currentItem();
  if (item != nullptr && item->data(kPlace).isValid()) {
    emit chosen(parts_[static_cast<std::size_t>(item->data(kPlace).toInt())]);
  }
}

void PartChooser::step(int rows) {
  int row = list_->currentRow() + rows;
  while (row >= 0 && row < list_->count() && !(list_->item(row)->flags() & Qt::ItemIsSelectable)) {
    row += rows;
  }
  if (row >= 0 && row < list_->count()) {
    list_->setCurrentRow(row);
  }
}

bool PartChooser::eventFilter(QObject* watched, QEvent* event) {
  if (watched == search_ && event->type() == QEvent::KeyPress) {
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->key() == Qt::Key_Down || key->key() == Qt::Key_Up) {
      step(key->key() == Qt::Key_Down ? 1 : -1);
      return true;
    }
  }
  return QWidget::eventFilter(watched, event);
}

void PartChooser::keyPressEvent(QKeyEvent* event) {
  const QListWidgetItem* item = list_->currentItem();
  const auto place = item != nullptr ? item->data(kPlace) : QVariant();
  if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
    add_current();
    search_->selectAll();
  } else if (event->key() == Qt::Key_Escape) {
    emit closed();
  } else if (event->key() == Qt::Key_Delete && place.isValid() &&
             static_cast<std::size_t>(place.toInt()) < owned_) {
    emit dropFromKitAsked(parts_[static_cast<std::size_t>(place.toInt())].kit_id);
  } else {
    QWidget::keyPressEvent(event);
  }
}

}  // namespace solarchon::app
