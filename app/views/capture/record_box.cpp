// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/capture/record_box.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>

#include "app/model/phrases.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

constexpr double kBytesPerMb = 1e6;

}  // namespace

RecordBox::RecordBox(LiveCamera& camera, QWidget* parent)
    : QWidget(parent),
      camera_(camera),
      record_(new QPushButton(this)),
      how_(new QWidget(this)),
      which_(new QComboBox(this)),
      until_(new QComboBox(this)),
      limits_{new NumberField({}, {}, {1.0, 3600.0}, false, this),
              new NumberField({}, {}, {1.0, 1'000'000.0}, true, this),
              new NumberField({}, {}, {1.0, 1'000'000.0}, false, this)},
      says_(new PlainLabel(this)) {
  says_->setObjectName(QStringLiteral("recorder"));
  says_->setWordWrap(true);
  says_->setProperty("role", "faint");
  record_->setObjectName(QStringLiteral("record"));
  record_->setMinimumHeight(Theme::px(48));
  record_->setFont(Theme::font(TextSize::kLarge, true));
  connect(record_, &QPushButton::clicked, this, &RecordBox::record_or_stop);
  which_->setObjectName(QStringLiteral("record-which"));
  which_->setAccessibleName(tr("Which frames are recorded"));
  which_->addItem(tr("All frames"));
  which_->addItem(tr("Sharp moments"));
  which_->setToolTip(
      tr("Sharp moments: the best fifth of the last minute, each with the third of a "
         "second before it"));
  until_->setObjectName(QStringLiteral("record-until"));
  until_->setAccessibleName(tr("When the recording ends by itself"));
  until_->addItem(tr("seconds"));
  until_->addItem(tr("frames"));
  until_->addItem(tr("MB"));
  until_->setToolTip(tr("The recording ends by itself after so much"));
  const std::array names{QStringLiteral("record-seconds"), QStringLiteral("record-frames"),
                         QStringLiteral("record-size")};
  auto* row = new QHBoxLayout(how_);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(6);
  row->addWidget(which_, 3, Qt::AlignTop);
  for (std::size_t i = 0; i < limits_.size(); ++i) {
    NumberField* limit = limits_.at(i);
    limit->show_value(wanted_.at(i));
    limit->setObjectName(names.at(i));
    limit->edit().setAccessibleName(
        tr("At most, in %1").arg(until_->itemText(static_cast<int>(i))));
    limit->setVisible(i == 0);
    connect(limit, &NumberField::entered, this, [this, i](double value) { wanted_.at(i) = value; });
    row->addWidget(limit, 2, Qt::AlignTop);
  }
  row->addWidget(until_, 2, Qt::AlignTop);
  connect(until_, &QComboBox::currentIndexChanged, this, [this](int shown) {
    for (std::size_t i = 0; i < limits_.size(); ++i) {
      limits_.at(i)->setVisible(static_cast<int>(i) == shown);
    }
  });
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(8);
  column->addWidget(record_);
  column->addWidget(how_);
  column->addWidget(says_);
}

void RecordBox::record_or_stop() {
  if (camera_.recording() || camera_.in_series()) {
    camera_.stop_recording();
    return;
  }
  LiveCamera::RecordWish wish;
  switch (until_->currentIndex()) {
    case 1:
      wish.frames = static_cast<int>(wanted_[1]);
      break;
    case 2:
      wish.bytes = static_cast<std::int64_t>(kBytesPerMb * wanted_[2]);
      break;
    default:
      wish.seconds = wanted_[0];
  }
  constexpr double kBestFifth = 0.8;
  if (which_->currentIndex() == 1) {
    wish.above_share = kBestFifth;
  }
  camera_.record(wish);
}

QString RecordBox::words() const {
  const auto& recording = camera_.glance().recording;
  if (!recording || camera_.clip().isEmpty()) {
    return {};
  }
  QStringList words;
  words << tr("%n frame(s)", nullptr, recording->written)
        << tr("%1 MB").arg(number(static_cast<double>(recording->bytes) / kBytesPerMb, 0));
  const auto lost = recording->lost_before + recording->dropped;
  if (lost > 0) {
    words << tr("%n lost", nullptr, static_cast<int>(lost));
  }
  if (recording->passed_over > 0) {
    words << tr("%n passed over", nullptr, recording->passed_over);
  }
  const QString line = words.join(QStringLiteral(" \u00b7 "));
  return camera_.recording() ? line : tr("%1: %2").arg(QFileInfo(camera_.clip()).fileName(), line);
}

void RecordBox::follow(bool offers, bool chooses) {
  const capture::Glance& glance = camera_.glance();
  const bool series = camera_.in_series();
  const bool recording = camera_.recording() || series;
  record_->setText(series      ? tr("Stop the series")
                   : recording ? tr("Stop recording")
                               : tr("Record"));
  record_->setVisible(offers);
  record_->setToolTip(recording ? tr("What was recorded stays (F6)")
                                : tr("Records a clip below the data folder (F6)"));
  record_->setEnabled(glance.frame != nullptr && !glance.ended);
  how_->setVisible(chooses);
  which_->setEnabled(!recording);
  until_->setEnabled(!recording);
  const QString said = words();
  says_->setText(said);
  says_->setVisible(!said.isEmpty());
}

}  // namespace solarchon::app
