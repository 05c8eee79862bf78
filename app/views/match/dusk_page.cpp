// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/match/dusk_page.h"

#include <QApplication>
#include <QBoxLayout>
#include <QClipboard>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/match/exposure_table.h"
#include "app/views/match/heading.h"
#include "solarchon/workspace/dusk.h"

namespace solarchon::app {

DuskPage::DuskPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      picture_(new DuskPicture(this)),
      which_(new QComboBox(this)),
      ratio_(new NumberField(tr("Lens at f/"), QString(), light::kRampRatioRange, false, this)),
      low_(new NumberField(tr("Lowest ISO"), QString(), light::kRampIsoRange, true, this)),
      high_(new NumberField(tr("Highest ISO"), QString(), light::kRampIsoRange, true, this)),
      longest_(
          new NumberField(tr("Longest shutter"), QStringLiteral("s"), {0.001, 60.0}, false, this)),
      interval_(
          new NumberField(tr("A frame every"), QStringLiteral("s"), {1.0, 600.0}, false, this)),
      figures_(new Figures(2, this)),
      copy_(new QPushButton(tr("Copy the list"), this)) {
  auto* row = new PictureWithPanel(picture_, build_side(), 320, this);
  row->setContentsMargins(0, 0, 0, 0);
}

QWidget* DuskPage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  column->addWidget(heading(tr("A wide lens, without a filter"), side));
  which_->addItems({tr("Sunset"), tr("Sunrise")});
  which_->setObjectName(QStringLiteral("dusk-which"));
  which_->setAccessibleName(tr("Sunset or sunrise"));
  connect(which_, &QComboBox::currentIndexChanged, this, &DuskPage::follow);
  column->addWidget(which_);
  const auto field = [&](NumberField* made, const char* name, double& value) {
    made->edit().setObjectName(QLatin1String(name));
    made->show_value(value);
    connect(made, &NumberField::entered, this, [this, &value](double typed) {
      value = typed;
      follow();
    });
    column->addWidget(made);
  };
  field(ratio_, "dusk-ratio", ramp_.focal_ratio);
  field(low_, "dusk-iso-low", ramp_.iso_low);
  field(high_, "dusk-iso-high", ramp_.iso_high);
  field(longest_, "dusk-longest", ramp_.longest_s);
  field(interval_, "dusk-interval", interval_s_);
  column->addWidget(figures_);
  copy_->setObjectName(QStringLiteral("dusk-copy"));
  copy_->setToolTip(tr("Time, shutter and ISO, a line for each five minutes"));
  connect(copy_, &QPushButton::clicked, this, &DuskPage::copy);
  auto* row = new QHBoxLayout;
  row->addWidget(copy_);
  row->addStretch(1);
  column->addLayout(row);
  auto* care = new PlainLabel(
      tr("Even a low Sun can hurt an eye at an optical finder and, through a long lens, the "
         "shutter: frame by the screen, cover the lens between frames while the Sun is high, and "
         "follow the maker's advice."),
      side);
  care->setWordWrap(true);
  care->setFont(Theme::font(TextSize::kSmall));
  column->addWidget(care);
  auto* source = new PlainLabel(
      tr("Clear air, a stop under what a meter for incident light says; clouds take up to four."),
      side);
  source->setProperty("role", "faint");
  source->setWordWrap(true);
  source->setFont(Theme::font(TextSize::kSmall));
  column->addWidget(source);
  column->addStretch(1);
  return side;
}

bool DuskPage::evening() const { return which_->currentIndex() == 0; }

void DuskPage::follow() {
  const sky::SunDay& day = document_.day();
  light::Ramp ramp = ramp_;
  ramp.iso_high = std::max(ramp.iso_low, ramp.iso_high);
  ramp.longest_s = std::max(ramp.shortest_s, ramp.longest_s);
  std::vector<workspace::DuskStep> steps =
      workspace::dusk_steps(day, evening(), workspace::observer_of(document_.workspace()), ramp);
  copy_->setEnabled(!steps.empty());
  std::vector<Figures::Row> rows;
  if (!steps.empty()) {
    const double whole_s = sky::in_seconds(steps.back().time - steps.front().time);
    const double frames = std::floor(whole_s / interval_s_);
    constexpr double kPlaybackHz = 25.0;
    rows = {{evening() ? tr("Sets at") : tr("Rises at"),
             clock_at(evening() ? *day.sunset : *day.sunrise, document_.zone())},
            {tr("Frames"), number(frames, 0)},
            {tr("Shown at 25 a second"), tr("%1 s").arg(number(frames / kPlaybackHz, 0))},
            {tr("Stops in all"),
             number(std::abs(std::log2(light::ground_lux(steps.back().altitude_deg) /
                                       light::ground_lux(steps.front().altitude_deg))),
                    0)}};
  }
  figures_->show_rows(rows);
  picture_->show_steps(std::move(steps), ramp, document_.zone());
}

void DuskPage::copy() const {
  QStringList lines{tr("Time\tShutter\tISO")};
  constexpr std::size_t kEvery = 5;
  for (std::size_t i = 0; i < picture_->steps().size(); i += kEvery) {
    const workspace::DuskStep& at = picture_->steps()[i];
    lines.append(QStringLiteral("%1\t%2\t%3")
                     .arg(clock_at(at.time, document_.zone()), shutter_text(at.step.shutter_s),
                          number(at.step.iso, 0)));
  }
  QApplication::clipboard()->setText(lines.join(QLatin1Char('\n')));
}

}  // namespace solarchon::app
