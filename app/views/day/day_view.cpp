// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/day_view.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QVBoxLayout>

#include "app/shell/phrases.h"
#include "app/shell/theme.h"

namespace solarchon::app {

namespace {

/// Below this height the air spoils white-light work for most purposes (airmass 3).
constexpr double kUsableDeg = 20.0;

QLabel* caption(const QString& words, QWidget* parent) {
  auto* label = new QLabel(words, parent);
  label->setFont(Theme::font(TextSize::kMedium, true));
  return label;
}

}  // namespace

DayView::DayView(Document& document, Records& records, QWidget* parent)
    : View(document, records, parent),
      title_(new QLabel(this)),
      usable_(new QLabel(this)),
      now_(new Figures(2, this)),
      disc_(new Figures(2, this)) {
  title_->setFont(Theme::font(TextSize::kLarge, true));
  usable_->setObjectName(QStringLiteral("usable"));
  usable_->setWordWrap(true);
  auto* left = new QVBoxLayout;
  left->addWidget(title_);
  left->addWidget(usable_);
  left->addSpacing(4);
  left->addWidget(new WallChart(document, this), 1);
  auto* right = new QVBoxLayout;
  right->setSpacing(4);
  right->addWidget(caption(tr("Now"), this));
  right->addWidget(now_);
  right->addWidget(caption(tr("The disc in your picture"), this));
  right->addWidget(new HangingDisc(document, this), 1);
  right->addWidget(disc_);
  auto* side = new QWidget(this);
  side->setFixedWidth(320);
  side->setLayout(right);
  right->setContentsMargins(0, 0, 0, 0);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(16, 12, 16, 12);
  row->setSpacing(20);
  row->addLayout(left, 1);
  row->addWidget(side);
}

Readiness DayView::readiness() const {
  if (document().answers().local.altitude_deg < 0.0) {
    return {safety::Severity::kCheck, tr("The Sun is below the horizon")};
  }
  return {};
}

void DayView::follow() {
  const workspace::Answers& answers = document().answers();
  const QTimeZone zone = document().zone();
  const sky::SunDay& day = document().day();
  title_->setText(
      tr("%1, %2").arg(date_at(document().moment(), zone), text(document().workspace().site.name)));
  const auto window = sky::window_above(day, kUsableDeg);
  usable_->setText(
      window ? tr("Above %1\u00b0 from %2 to %3; highest %4\u00b0 at %5")
                   .arg(kUsableDeg)
                   .arg(clock_at(window->start, zone), clock_at(window->end, zone),
                        number(day.transit_altitude_deg, 1),
                        day.transit ? clock_at(*day.transit, zone) : QStringLiteral("\u2013"))
             : tr("Never above %1\u00b0 today; highest %2\u00b0. Low Sun means much air.")
                   .arg(kUsableDeg)
                   .arg(number(day.transit_altitude_deg, 1)));
  usable_->setToolTip(
      tr("Below %1\u00b0 light passes three times the air overhead").arg(kUsableDeg));

  const sky::LocalSun& sun = answers.local;
  const QString degree = QStringLiteral("%1\u00b0");
  const auto magnetic = document().magnetic_declination_deg();
  now_->show_rows(
      {{tr("Height"), degree.arg(number(sun.altitude_deg, 2)), tr("With refraction")},
       {tr("Azimuth"),
        tr("%1\u00b0 %2").arg(number(sun.azimuth_deg, 2), compass_point(sun.azimuth_deg))},
       {tr("Airmass"), sun.airmass ? number(*sun.airmass, 2) : tr("below the horizon")},
       {tr("Hour angle"), degree.arg(number(sun.hour_angle_deg, 2)), tr("West positive")},
       {tr("Declination"), degree.arg(number(answers.sun.declination_deg, 3))},
       {tr("Compass bearing"),
        magnetic ? degree.arg(number(std::fmod(sun.azimuth_deg - *magnetic + 360.0, 360.0), 1))
                 : tr("outside 2025 to 2030"),
        tr("Azimuth less the magnetic declination of the World Magnetic Model 2025")}});
  disc_->show_rows(
      {{QStringLiteral("P"), degree.arg(number(answers.disc.p_deg, 2)),
        tr("Position angle of the solar north pole, east positive")},
       {QStringLiteral("B\u2080"), degree.arg(number(answers.disc.b0_deg, 2)),
        tr("Heliographic latitude of the disc's centre")},
       {QStringLiteral("L\u2080"), degree.arg(number(answers.disc.l0_deg, 2)),
        tr("Carrington longitude of the disc's centre")},
       {tr("Rotation"), QString::number(answers.disc.carrington_rotation, 'f', 2),
        tr("Carrington rotation")},
       {tr("Diameter"), tr("%1\u2032").arg(number(answers.sun.semidiameter_arcsec() / 30.0, 2))},
       {tr("Picture"), answers.celestial.mirrored ? tr("mirrored") : tr("not mirrored"),
        tr("Each mirror in the light path flips it")}});
}

}  // namespace solarchon::app
