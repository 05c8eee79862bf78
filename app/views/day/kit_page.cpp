// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/kit_page.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QVBoxLayout>

#include "app/model/current_frame.h"
#include "app/model/disk_speed.h"
#include "app/model/kit.h"
#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/day/plan_words.h"
#include "solarchon/words/plan.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

namespace {

constexpr double kGiga = 1e9;

QString chore_name(plan::Chore chore) {
  switch (chore) {
    case plan::Chore::kOrder:
      return KitPage::tr("Have, order or borrow");
    case plan::Chore::kMend:
      return KitPage::tr("Mend or replace");
    case plan::Chore::kInspect:
      return KitPage::tr("Look over");
    case plan::Chore::kCharge:
      return KitPage::tr("Charge");
    case plan::Chore::kCarry:
      return KitPage::tr("Carry more power");
    case plan::Chore::kMakeRoom:
      return KitPage::tr("Room on the disk");
    case plan::Chore::kRehearse:
      return KitPage::tr("Rehearse with");
  }
  return {};
}

}  // namespace

KitPage::KitPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      models_(models),
      document_(models.document),
      bars_(new NeedBars(this)),
      no_runs_(new PlainLabel(tr("No run is planned for this day: power and disk are counted once "
                                 "there is one, on the page Plan."),
                              this)),
      list_(new QTableWidget(0, 4, this)),
      measure_(new QPushButton(tr("Measure the disk"), this)),
      progress_(new QProgressBar(this)) {
  no_runs_->setWordWrap(true);
  no_runs_->setProperty("role", "faint");
  list_->setObjectName(QStringLiteral("ready-list"));
  list_->setAccessibleName(tr("What is to be done before the day"));
  list_->setHorizontalHeaderLabels({tr("To do"), tr("What"), tr("By"), tr("Last time")});
  list_->verticalHeader()->hide();
  list_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  list_->setSelectionBehavior(QAbstractItemView::SelectRows);
  list_->setShowGrid(false);
  list_->setWordWrap(false);
  list_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  list_->horizontalHeader()->setSectionResizeMode(1, QHeaderView::Stretch);
  list_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  measure_->setObjectName(QStringLiteral("measure-disk"));
  measure_->setToolTip(
      tr("Writes 256 MB beside your frames, waits until they are on the disk, and "
         "removes them"));
  progress_->hide();
  auto* picture = new QWidget(this);
  auto* left = new QVBoxLayout(picture);
  left->setContentsMargins(0, 0, 0, 0);
  left->setSpacing(8);
  left->addWidget(bars_);
  left->addWidget(no_runs_);
  left->addWidget(list_, 1);
  new PictureWithPanel(picture, build_fields(), 300, this);
  connect(measure_, &QPushButton::clicked, this, [this] {
    if (models_.disk.worker().busy()) {
      models_.disk.worker().cancel();
    } else {
      models_.disk.measure();
    }
  });
  connect(&models.disk.worker(), &Worker::busyChanged, this, [this](bool busy) {
    measure_->setText(busy ? tr("Stop measuring") : tr("Measure the disk"));
    progress_->setVisible(busy);
  });
  connect(&models.disk.worker(), &Worker::progressed, this,
          [this](double part) { progress_->setValue(static_cast<int>(100.0 * part)); });
  const auto follow_when_seen = [this] {
    if (isVisible()) {
      follow();
    }
  };
  connect(&models.kit, &Kit::partsChanged, this, follow_when_seen);
  connect(&models.disk, &DiskSpeed::measured, this, follow_when_seen);
}

QWidget* KitPage::build_fields() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 8, 0);
  column->setSpacing(4);
  for (std::size_t supply = 0; supply < supplies_.size(); ++supply) {
    column->addWidget(build_supply(supply));
    column->addSpacing(6);
  }
  auto* title = new PlainLabel(tr("Who draws from which"), side);
  title->setFont(Theme::font(TextSize::kMedium, true));
  column->addWidget(title);
  for (std::size_t i = 0; i < plan::kConsumers; ++i) {
    column->addWidget(build_consumer(static_cast<plan::Consumer>(i)));
  }
  column->addSpacing(8);
  column->addWidget(measure_);
  column->addWidget(progress_);
  column->addStretch(1);
  return new ScrolledPanel(side, this);
}

QWidget* KitPage::build_supply(std::size_t supply) {
  auto* box = new QWidget(this);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  SupplyFields& fields = supplies_.at(supply);
  auto* title = new PlainLabel(tr("Supply %1").arg(supply + 1), box);
  title->setFont(Theme::font(TextSize::kMedium, true));
  column->addWidget(title);
  fields.name = new QLineEdit(box);
  fields.name->setMaxLength(60);
  fields.name->setAccessibleName(tr("Name of supply %1").arg(supply + 1));
  fields.watt_hours =
      new NumberField(tr("Battery"), QStringLiteral("Wh"), plan::kWattHoursRange, false, box);
  fields.watt_hours->setToolTip(
      tr("As printed on it; four fifths are counted on. 0: from the "
         "mains, or not known"));
  fields.spare =
      new NumberField(tr("Spare"), QStringLiteral("Wh"), plan::kWattHoursRange, false, box);
  fields.spare->setToolTip(tr("What stands by to replace it"));
  for (QWidget* field :
       std::initializer_list<QWidget*>{fields.name, fields.watt_hours, fields.spare}) {
    column->addWidget(field);
  }
  connect(fields.name, &QLineEdit::editingFinished, this, [this, supply] {
    plan::Power power = document_.workspace().wishes.power;
    power.supplies.at(supply).name = supplies_.at(supply).name->text().trimmed().toStdString();
    edit_power(tr("Rename supply"), power);
  });
  connect(fields.watt_hours, &NumberField::entered, this, [this, supply](double value) {
    plan::Power power = document_.workspace().wishes.power;
    power.supplies.at(supply).watt_hours = value;
    edit_power(tr("Change battery"), power);
  });
  connect(fields.spare, &NumberField::entered, this, [this, supply](double value) {
    plan::Power power = document_.workspace().wishes.power;
    power.supplies.at(supply).spare_watt_hours = value;
    edit_power(tr("Change spare battery"), power);
  });
  return box;
}

QWidget* KitPage::build_consumer(plan::Consumer consumer) {
  const auto place = static_cast<std::size_t>(consumer);
  auto* box = new QWidget(this);
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(4);
  ConsumerFields& fields = consumers_.at(place);
  const QString name = name_of(consumer);
  fields.watts = new NumberField(name, QStringLiteral("W"), plan::kWattsRange, false, box);
  fields.watts->edit().setFixedWidth(Theme::px(64));
  fields.supply = new QComboBox(box);
  fields.supply->setAccessibleName(tr("Supply of: %1").arg(name));
  fields.supply->addItems({tr("1"), tr("2")});
  fields.supply->setFixedWidth(Theme::px(60));
  if (consumer == plan::Consumer::kHeater) {
    fields.watts->edit().setReadOnly(true);
    fields.watts->setToolTip(tr("As the light path's etalon says, on the page of its part"));
  }
  row->addWidget(fields.watts, 1);
  row->addWidget(fields.supply);
  connect(fields.watts, &NumberField::entered, this, [this, place](double value) {
    plan::Power power = document_.workspace().wishes.power;
    power.watts.at(place) = value;
    edit_power(tr("Change power"), power);
  });
  connect(fields.supply, &QComboBox::activated, this, [this, place](int supply) {
    plan::Power power = document_.workspace().wishes.power;
    power.supply_of.at(place) = static_cast<std::size_t>(supply);
    edit_power(tr("Change supply"), power);
  });
  return box;
}

void KitPage::edit_power(const QString& what, const plan::Power& power) {
  workspace::Workspace next = document_.workspace();
  next.wishes.power = power;
  document_.edit(what, next);
}

plan::Stock KitPage::stock() const {
  return workspace::stock_of(document_.workspace(), document_.whole_day(), models_.kit.parts(),
                             models_.log.sessions(), models_.frame.data(),
                             models_.disk.write_mb_s());
}

std::vector<NeedBars::Bar> KitPage::bars(const plan::Stock& stock) const {
  std::vector<NeedBars::Bar> bars;
  const plan::DayPlan& day = document_.plan();
  const QTimeZone zone = document_.zone();
  if (day.power) {
    for (std::size_t i = 0; i < day.power->supplies.size(); ++i) {
      const plan::SupplyUse& use = day.power->supplies.at(i);
      if (use.needed_wh <= 0.0) {
        continue;
      }
      NeedBars::Bar bar;
      bar.name = text(document_.workspace().wishes.power.supplies.at(i).name);
      bar.unit = QStringLiteral("Wh");
      for (const plan::ConsumerUse& consumer : day.power->consumers) {
        if (consumer.supply == i) {
          bar.needed.push_back({name_of(consumer.consumer), consumer.watt_hours});
        }
      }
      if (use.usable_wh > 0.0) {
        bar.have = use.usable_wh;
        bar.spare = use.usable_spare_wh;
      }
      bar.short_of = use.dark_at.has_value();
      bar.verdict = use.dark_at ? tr("empty at %1").arg(clock_at(*use.dark_at, zone))
                    : use.change_at
                        ? tr("change to the spare at %1").arg(clock_at(*use.change_at, zone))
                    : use.usable_wh > 0.0
                        ? tr("%1 of %2 Wh").arg(number(use.needed_wh, 0), number(use.usable_wh, 0))
                        : tr("%1 Wh, no battery said").arg(number(use.needed_wh, 0));
      bars.push_back(std::move(bar));
    }
  }
  if (day.storage) {
    NeedBars::Bar disk;
    disk.name = tr("Disk");
    disk.unit = QStringLiteral("GB");
    for (std::size_t i = 0; i < day.runs.size(); ++i) {
      disk.needed.push_back({text(document_.workspace().wishes.runs[day.runs[i].index].name),
                             day.storage->runs[i].bytes / kGiga});
    }
    if (stock.free_bytes) {
      disk.have = *stock.free_bytes / kGiga;
      disk.short_of = !plan::has_room(*day.storage, *stock.free_bytes);
      disk.verdict =
          tr("%1 of %2 GB free").arg(figure(day.storage->bytes / kGiga, 3), figure(*disk.have, 3));
    }
    bars.push_back(std::move(disk));
    NeedBars::Bar speed;
    speed.name = tr("Recording speed");
    speed.unit = QStringLiteral("MB/s");
    speed.needed.push_back({tr("fastest run"), day.storage->fastest_mb_per_s});
    speed.have = stock.write_mb_per_s;
    speed.short_of = stock.write_mb_per_s && plan::too_fast(*day.storage, *stock.write_mb_per_s);
    speed.verdict = !stock.write_mb_per_s ? tr("the disk was not measured yet")
                    : speed.short_of
                        ? tr("the disk takes %1 MB/s: fewer frames, or a "
                             "faster disk")
                              .arg(number(*stock.write_mb_per_s, 0))
                        : tr("the disk takes %1 MB/s").arg(number(*stock.write_mb_per_s, 0));
    bars.push_back(std::move(speed));
  }
  return bars;
}

void KitPage::show_list(const std::vector<plan::ReadyItem>& items) {
  const Palette& c = Theme::colours();
  const QLocale locale;
  const auto date = [&](const sky::CivilDate& day) {
    return locale.toString(QDate(day.year, day.month, day.day), QStringLiteral("d MMM yyyy"));
  };
  QStringList all;
  for (const plan::ReadyItem& item : items) {
    all << text(words::subject_of(item, voice()))
        << QString::fromStdString(item.last + sky::to_iso(item.by))
        << (item.done ? QStringLiteral("done") : QString());
  }
  all << c.ink.name();
  if (all == shown_) {
    return;  // the clock alone changes nothing under the hand
  }
  shown_ = all;
  list_->setRowCount(static_cast<int>(items.size()));
  for (int row = 0; row < list_->rowCount(); ++row) {
    const plan::ReadyItem& item = items[static_cast<std::size_t>(row)];
    const auto last = sky::parse_date(item.last, "last");
    const QString words[] = {
        (item.done ? QStringLiteral("\u2713 ") : QStringLiteral("\u25cb ")) +
            chore_name(item.chore),
        text(words::subject_of(item, voice())), item.done ? tr("done") : date(item.by),
        last ? date(*last)
        : item.chore == plan::Chore::kInspect || item.chore == plan::Chore::kRehearse
            ? tr("not on record")
            : QString()};
    for (int column = 0; column < 4; ++column) {
      auto* cell = new QTableWidgetItem(words[column]);
      cell->setToolTip(words[column]);
      cell->setForeground(item.done ? c.faint_ink : c.ink);
      list_->setItem(row, column, cell);
    }
  }
}

void KitPage::follow() {
  const plan::Stock current = stock();
  const bool planned = !document_.plan().runs.empty();
  bars_->setVisible(planned);
  no_runs_->setVisible(!planned);
  bars_->show_bars(bars(current));
  show_list(plan::ready_list(document_.whole_day(), current));
  const plan::Power& power = document_.workspace().wishes.power;
  for (std::size_t i = 0; i < supplies_.size(); ++i) {
    if (!supplies_.at(i).name->hasFocus()) {
      supplies_.at(i).name->setText(text(power.supplies.at(i).name));
    }
    supplies_.at(i).watt_hours->show_value(power.supplies.at(i).watt_hours);
    supplies_.at(i).spare->show_value(power.supplies.at(i).spare_watt_hours);
  }
  for (std::size_t i = 0; i < plan::kConsumers; ++i) {
    consumers_.at(i).supply->setCurrentIndex(static_cast<int>(power.supply_of.at(i)));
    double watts = power.watts.at(i);
    if (static_cast<plan::Consumer>(i) == plan::Consumer::kHeater) {
      watts = plan::heater_watts(document_.workspace().rig);
    }
    consumers_.at(i).watts->show_value(watts);
  }
}

}  // namespace solarchon::app
