// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/north_page.h"

#include <QSignalBlocker>
#include <QVBoxLayout>
#include <algorithm>
#include <vector>

#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/field/scenes.h"
#include "solarchon/words/align.h"

namespace solarchon::app {

using align::NorthWay;

namespace {

/// Those that can be gone, best first, then the others.
std::vector<NorthWay> order_of(const align::North& north) {
  std::vector<NorthWay> order;
  for (const align::NorthChance& chance : north.ways) {
    order.push_back(chance.way);
  }
  for (const NorthWay way :
       {NorthWay::kShadow, NorthWay::kHighest, NorthWay::kMarks, NorthWay::kCompass}) {
    if (std::find(order.begin(), order.end(), way) == order.end()) {
      order.push_back(way);
    }
  }
  return order;
}

QString name_of(NorthWay way) {
  switch (way) {
    case NorthWay::kMarks:
      return NorthPage::tr("Marks on the ground");
    case NorthWay::kCompass:
      return NorthPage::tr("Compass");
    case NorthWay::kShadow:
      return NorthPage::tr("Plumb line's shadow");
    case NorthWay::kHighest:
      return NorthPage::tr("Sun in the meridian");
  }
  return {};
}

/// Null where the way cannot be gone.
const align::NorthChance* chance_of(const align::North& north, NorthWay way) {
  const auto found =
      std::find_if(north.ways.begin(), north.ways.end(),
                   [&](const align::NorthChance& chance) { return chance.way == way; });
  return found != north.ways.end() ? &*found : nullptr;
}

QString why_not(NorthWay way) {
  return way == NorthWay::kCompass ? NorthPage::tr("the model of the field covers 2025 to 2029")
         : way == NorthWay::kHighest
             ? NorthPage::tr("the Sun is not seen in the meridian on this day")
             : NorthPage::tr("the Sun stands lower than %1\u00b0").arg(align::kLeastShadowDeg);
}

}  // namespace

NorthPage::NorthPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      head_(new Headed(QStringLiteral("north"), this)),
      plan_(new GroundPlan(head_)) {
  head_->put(plan_);
  new PictureWithPanel(head_, build_side(), 330, this);
}

QWidget* NorthPage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  const auto caption = [&](const QString& words) {
    auto* label = new PlainLabel(words, side);
    label->setFont(Theme::font(TextSize::kMedium, true));
    column->addWidget(label);
  };
  caption(tr("Ways, and how near the pole they come"));
  ways_ = new QListWidget(side);
  ways_->setObjectName(QStringLiteral("north-ways"));
  ways_->setAccessibleName(tr("Ways to find north"));
  ways_->setWordWrap(true);
  ways_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  ways_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  ways_->setSizeAdjustPolicy(QAbstractScrollArea::AdjustToContents);
  ways_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  constexpr int kWays = 4;
  for (int i = 0; i < kWays; ++i) {
    ways_->addItem(QString());
  }
  connect(ways_, &QListWidget::currentRowChanged, this, &NorthPage::choose);
  column->addWidget(ways_);
  plumb_ = new NumberField(tr("Bead above the ground"), tr("mm"), align::kPlumbRange, false, side);
  plumb_->setObjectName(QStringLiteral("plumb-height"));
  plumb_->setToolTip(tr("A knot or bead on the line: its shadow has a length that can be checked"));
  feet_ = new NumberField(tr("Feet apart"), tr("mm"), align::kFeetRange, false, side);
  feet_->setObjectName(QStringLiteral("feet-apart"));
  feet_->setToolTip(tr("The wider they stand, the less a foot beside its mark turns the mount"));
  column->addWidget(plumb_);
  column->addWidget(feet_);
  connect(plumb_, &NumberField::entered, this, [this](double value_mm) {
    set_outside(tr("Change the bead's height"), &workspace::Outside::plumb_mm, value_mm);
  });
  connect(feet_, &NumberField::entered, this, [this](double value_mm) {
    set_outside(tr("Change the distance of the feet"), &workspace::Outside::feet_apart_mm,
                value_mm);
  });
  figures_ = new Figures(2, side);
  column->addWidget(figures_);
  caption(tr("Which way"));
  knobs_ = new PlainLabel(side);
  knobs_->setObjectName(QStringLiteral("north-knobs"));
  knobs_->setWordWrap(true);
  column->addWidget(knobs_);
  column->addStretch(1);
  return side;
}

void NorthPage::set_outside(const QString& what, double workspace::Outside::*length,
                            double value_mm) {
  workspace::Workspace next = document_.workspace();
  next.outside.*length = value_mm;
  document_.edit(what, next);
}

void NorthPage::choose(int row) {
  if (row >= 0 && static_cast<std::size_t>(row) < order_.size()) {
    way_ = order_[static_cast<std::size_t>(row)];
    follow();
  }
}

QString NorthPage::headline(const align::North& north) const {
  const QTimeZone zone = document_.zone();
  const auto lies = [](const align::PlumbShadow& shadow) {
    return number(shadow.direction_deg, 1);
  };
  switch (way_) {
    case NorthWay::kMarks:
      return tr("Put the feet back on their marks, and level.");
    case NorthWay::kCompass:
      return north.compass_bearing_deg
                 ? tr("Turn the mount until a compass along its axis reads %1\u00b0.")
                       .arg(number(*north.compass_bearing_deg, 1))
                 : tr("No reading: the field is not known for this date.");
    case NorthWay::kShadow:
      if (!north.shadow) {
        return tr("No shadow now: the Sun stands too low.");
      }
      return (north.shadow->to_axis_deg < 0.0
                  ? tr("At %1 the shadow lies at %2\u00b0. The axis belongs %3\u00b0 to its left.")
                  : tr("At %1 the shadow lies at %2\u00b0. The axis belongs %3\u00b0 to its "
                       "right."))
          .arg(clock_at(document_.moment(), zone), lies(*north.shadow),
               number(std::abs(north.shadow->to_axis_deg), 1));
    case NorthWay::kHighest:
      if (!north.in_meridian) {
        return tr("The Sun is not seen in the meridian on this day.");
      }
      constexpr double kQuarterDeg = 90.0;
      return (std::abs(north.in_meridian->to_axis_deg) < kQuarterDeg
                  ? tr("At %1 the shadow lies along the axis.")
                  : tr("At %1 the shadow lies along the axis, backwards."))
          .arg(clock_at(north.in_meridian->time, zone, true));
  }
  return {};
}

QString NorthPage::reason(const align::North& north) const {
  switch (way_) {
    case NorthWay::kMarks: {
      const auto* chance = chance_of(north, way_);
      return tr("Marks of an alignment by night. A foot %1 mm beside its mark turns the mount by "
                "%2\u00b0; do not bump the tripod afterwards.")
          .arg(number(align::kFootMm, 0), number(chance->azimuth_deg, 2));
    }
    case NorthWay::kCompass:
      return tr(
          "True north, corrected by the World Magnetic Model 2025 (good to 2029). Keep away "
          "from steel, counterweights, loudspeakers and magnets of phone cases; hold a phone "
          "flat and wave a figure of eight first.");
    case NorthWay::kShadow:
      return north.shadow
                 ? tr("All of the line's shadow lies in that direction, on sloping ground too. It "
                      "turns by %1\u00b0 a minute: draw it at the full minute.")
                       .arg(number(std::abs(north.shadow->turning_deg_min), 2))
                 : why_not(NorthWay::kShadow);
    case NorthWay::kHighest:
      return north.in_meridian
                 ? tr("By the clock, not by the shortest shadow, which hardly changes for minutes. "
                      "It turns by %1\u00b0 a minute then.")
                       .arg(number(std::abs(north.in_meridian->turning_deg_min), 2))
                 : why_not(NorthWay::kHighest);
  }
  return {};
}

void NorthPage::show_ways(const align::North& north) {
  const QSignalBlocker quiet(ways_);
  order_ = order_of(north);
  for (std::size_t i = 0; i < order_.size(); ++i) {
    QListWidgetItem* item = ways_->item(static_cast<int>(i));
    const align::NorthChance* chance = chance_of(north, order_[i]);
    item->setText(tr("%1: %2").arg(name_of(order_[i]),
                                   chance != nullptr
                                       ? tr("within %1\u00b0").arg(number(chance->pole_deg, 2))
                                       : why_not(order_[i])));
    item->setToolTip(
        chance != nullptr
            ? tr("One standard deviation; %1\u00b0 in azimuth").arg(number(chance->azimuth_deg, 2))
            : QString());
    if (order_[i] == way_) {
      ways_->setCurrentRow(static_cast<int>(i));
    }
  }
}

void NorthPage::follow() {
  const workspace::Workspace& space = document_.workspace();
  const sky::Observer observer = workspace::observer_of(space);
  const align::NorthTools with = north_tools(document_);
  const auto north = align::find_north(observer, document_.moment(), document_.day().transit, with);
  if (!north) {
    return;  // cannot be: the fields hold the workspace to the ranges
  }
  show_ways(*north);
  plumb_->show_value(space.outside.plumb_mm);
  feet_->show_value(space.outside.feet_apart_mm);
  plumb_->setVisible(way_ == NorthWay::kShadow || way_ == NorthWay::kHighest);
  feet_->setVisible(way_ == NorthWay::kMarks);
  const QString words = headline(*north);
  head_->say(words, reason(*north));
  const auto shadow = way_ == NorthWay::kHighest ? north->in_meridian : north->shadow;
  figures_->show_rows(
      {{tr("Axis, on an inclinometer"), tr("%1\u00b0").arg(number(north->axis_altitude_deg, 2)),
        tr("Its raised end stands as high as the latitude")},
       {tr("Axis points to"), north->axis_azimuth_deg == 0.0 ? tr("true north") : tr("true south"),
        tr("South of the equator the southern end of the axis is the raised one")},
       {tr("Bead's shadow"), shadow ? tr("%1 mm").arg(number(shadow->length_mm, 0)) : tr("none"),
        tr("From the point under the bead, on level ground")},
       {tr("Declination of the needle"),
        with.magnetic_declination_deg
            ? tr("%1\u00b0").arg(number(*with.magnetic_declination_deg, 1))
            : tr("not known"),
        tr("East positive; World Magnetic Model 2025")}});
  QStringList knobs;
  for (const align::Advice& advice : north->knobs) {
    knobs << text(words::advice_words(advice, voice()));
  }
  knobs_->setText(knobs.front());
  knobs_->setToolTip(knobs.mid(1).join(QStringLiteral("\n")));
  plan_->show_scene(ground_scene(document_, *north, way_), words);
}

}  // namespace solarchon::app
