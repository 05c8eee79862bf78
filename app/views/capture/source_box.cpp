// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/source_box.h"

#include <QDir>
#include <QFileDialog>
#include <QVBoxLayout>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/words/live.h"

namespace solarchon::app {

SourceBox::SourceBox(LiveCamera& camera, FolderWatch& watch, QWidget* parent)
    : QWidget(parent),
      camera_(camera),
      watch_(watch),
      box_(new QComboBox(this)),
      says_(new PlainLabel(this)),
      found_(new QListWidget(this)),
      stop_(new QPushButton(tr("Stop watching"), this)) {
  setObjectName(QStringLiteral("source-box"));
  box_->setObjectName(QStringLiteral("source"));
  box_->setAccessibleName(tr("What is looked through"));
  box_->setToolTip(
      tr("Devices are taken to stand behind the light path in use; a folder that another program "
         "fills is graded and filed as it grows"));
  box_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  connect(box_, &QComboBox::activated, this, &SourceBox::choose);
  says_->setObjectName(QStringLiteral("folder-says"));
  says_->setWordWrap(true);
  found_->setObjectName(QStringLiteral("folder-found"));
  found_->setAccessibleName(tr("What was found in the folder"));
  found_->setMinimumHeight(Theme::px(100));
  found_->setWordWrap(true);
  found_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  stop_->setObjectName(QStringLiteral("stop-watching"));
  connect(stop_, &QPushButton::clicked, this, [this] { watch_.stop(); });
  connect(&watch_, &FolderWatch::changed, this, &SourceBox::follow);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  column->addWidget(box_);
  column->addWidget(says_);
  column->addWidget(found_, 1);
  column->addWidget(stop_);
  list();
  follow();
}

void SourceBox::list() {
  eyes_ = eyes();
  box_->clear();
  int chosen = 0;
  for (std::size_t i = 0; i < eyes_.size(); ++i) {
    const CameraChoice& eye = eyes_[i];
    box_->addItem(eye.kind == CameraChoice::Kind::kSimulated
                      ? tr("The simulated camera")
                      : tr("%1, %2").arg(eye.name, eye.path));
    chosen = eye == camera_.eye() ? static_cast<int>(i) : chosen;
  }
  box_->addItem(tr("A folder that another program fills\u2026"));
  box_->setCurrentIndex(watch_.folder().isEmpty() ? chosen : box_->count() - 1);
}

void SourceBox::choose(int index) {
  if (index >= 0 && index < static_cast<int>(eyes_.size())) {
    watch_.stop();
    camera_.choose(eyes_[static_cast<std::size_t>(index)]);
  } else {
    watch();
  }
  list();
}

void SourceBox::watch(QString folder) {
  if (folder.isEmpty()) {
    folder = QFileDialog::getExistingDirectory(this, tr("A folder that another program fills"));
  }
  if (!folder.isEmpty()) {
    watch_.watch(folder);
    list();
  }
}

QString SourceBox::line_of(const FolderWatch::Found& found) {
  if (!found.problem.isEmpty()) {
    return found.problem.contains(found.name) ? found.problem
                                              : tr("%1: %2").arg(found.name, found.problem);
  }
  QStringList words{found.name, tr("%n frame(s)", nullptr, found.frames)};
  if (found.damaged > 0) {
    words << tr("%n damaged", nullptr, found.damaged);
  }
  if (found.r0_cm) {
    words << tr("r\u2080 %1 cm").arg(number(*found.r0_cm, 1));
  }
  if (found.judged) {
    words << text(words::limit_words(*found.judged, voice()).says);
  }
  return words.join(QStringLiteral(" \u00b7 "));
}

void SourceBox::follow() {
  const bool watches = !watch_.folder().isEmpty();
  says_->setVisible(watches);
  found_->setVisible(watches);
  stop_->setVisible(watches);
  if (!watches) {
    if (box_->currentIndex() == box_->count() - 1) {
      list();
    }
    return;
  }
  says_->setText(watch_.busy() ? tr("Something new is looked at.")
                 : watch_.found().empty()
                     ? tr("Waiting for something new in %1.").arg(QDir(watch_.folder()).dirName())
                     : tr("Watching %1.").arg(QDir(watch_.folder()).dirName()));
  if (found_->count() != static_cast<int>(watch_.found().size()) ||
      (found_->count() > 0 && found_->item(0)->text() != line_of(watch_.found().front()))) {
    found_->clear();
    for (const FolderWatch::Found& found : watch_.found()) {
      auto* item = new QListWidgetItem(line_of(found), found_);
      item->setToolTip(item->text());
    }
  }
}

void SourceBox::showEvent(QShowEvent* event) {
  list();
  QWidget::showEvent(event);
}

}  // namespace solarchon::app
