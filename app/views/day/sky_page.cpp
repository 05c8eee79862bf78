// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/day/sky_page.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/model/outside_files.h"
#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/base/file.h"

namespace solarchon::app {

namespace {

QLabel* caption(const QString& words, QWidget* parent) {
  auto* label = new PlainLabel(words, parent);
  label->setFont(Theme::font(TextSize::kMedium, true));
  return label;
}

}  // namespace

SkyPage::SkyPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      models_(models),
      usable_(new PlainLabel(this)),
      mount_(new PlainLabel(this)),
      now_(new Figures(2, this)),
      disc_(new Figures(2, this)),
      chart_(new WallChart(models.document, this)) {
  usable_->setObjectName(QStringLiteral("usable"));
  usable_->setWordWrap(true);
  mount_->setObjectName(QStringLiteral("mount-today"));
  mount_->setWordWrap(true);
  for (QLabel* line : {usable_, mount_}) {
    line->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  }
  auto* picture = new QWidget(this);
  auto* left = new QVBoxLayout(picture);
  left->setContentsMargins(0, 0, 0, 0);
  left->addWidget(usable_);
  left->addWidget(mount_);
  left->addSpacing(4);
  left->addWidget(chart_, 1);
  left->addWidget(build_tools());
  connect(chart_, &WallChart::horizonEdited, this, [this](const sky::Horizon& horizon) {
    adopt_horizon(tr("Change the horizon"), horizon);
  });
  auto* right = new QVBoxLayout;
  right->setSpacing(4);
  right->addWidget(caption(tr("Now"), this));
  right->addWidget(now_);
  right->addWidget(caption(tr("The disc in your picture"), this));
  right->addWidget(new HangingDisc(models.document, this), 1);
  right->addWidget(disc_);
  auto* side = new QWidget(this);
  side->setLayout(right);
  right->setContentsMargins(0, 0, 0, 0);
  new PictureWithPanel(picture, side, 320, this);
}

QWidget* SkyPage::build_tools() {
  auto* tools = new QWidget(this);
  auto* row = new QHBoxLayout(tools);
  row->setContentsMargins(0, 0, 0, 0);
  auto* edit = new QPushButton(tr("Edit horizon"), tools);
  edit->setObjectName(QStringLiteral("edit-horizon"));
  edit->setCheckable(true);
  edit->setToolTip(
      tr("Click sets a corner, drag moves it, right click or Delete takes it out, T marks "
         "trees. Keys: Left and Right choose, Up and Down change the height, Ctrl with "
         "Left and Right the azimuth, Insert adds"));
  auto* files = new QToolButton(tools);
  files->setText(tr("Horizon"));
  files->setObjectName(QStringLiteral("horizon-menu"));
  files->setPopupMode(QToolButton::InstantPopup);
  files->setToolTip(tr("Files: CSV with azimuth, height and perhaps trees in each line"));
  auto* menu = new QMenu(files);
  menu->addAction(tr("Open\u2026"), this, &SkyPage::open_horizon);
  menu->addAction(tr("Save as\u2026"), this, &SkyPage::save_horizon);
  menu->addAction(tr("Make it level"), this, [this] { adopt_horizon(tr("Level horizon"), {}); });
  files->setMenu(menu);
  connect(edit, &QPushButton::toggled, chart_, &WallChart::set_editing);
  row->addWidget(edit);
  row->addWidget(files);
  row->addStretch(1);
  mount_kind_ = new QComboBox(tools);
  mount_kind_->setObjectName(QStringLiteral("mount-kind"));
  mount_kind_->setAccessibleName(tr("Mount"));
  mount_kind_->setToolTip(
      tr("Decides what happens at the meridian and near the zenith; an equatorial mount "
         "turns over there, or tracks through"));
  mount_kind_->addItems({tr("Mount not said"), tr("Turns over"), tr("Tracks through"),
                         tr("Alt-azimuth"), tr("No tracking")});
  past_meridian_ = new NumberField(tr("within"), QStringLiteral("\u00b0"), plan::kPastMeridianRange,
                                   false, tools);
  past_meridian_->setToolTip(
      tr("How far it tracks past the meridian before it turns over or stops; "
         "as far before it can start on the other side"));
  connect(mount_kind_, &QComboBox::activated, this, [this](int kind) {
    set_mount({static_cast<plan::MountKind>(kind), document().workspace().mount.past_meridian_deg});
  });
  connect(past_meridian_, &NumberField::entered, this, [this](double degrees) {
    set_mount({document().workspace().mount.kind, degrees});
  });
  row->addWidget(mount_kind_);
  row->addWidget(past_meridian_);
  return tools;
}

void SkyPage::set_mount(const plan::Mount& mount) {
  workspace::Workspace next = document().workspace();
  next.mount = mount;
  document().edit(tr("Change mount"), next);
}

QString SkyPage::mount_words() const {
  const QTimeZone zone = document().zone();
  const plan::Mount& mount = document().workspace().mount;
  if (const auto turn = plan::meridian_turn(mount, document().day())) {
    return tr("Meridian at %1: the mount can turn over from %2, and must by %3.")
        .arg(clock_at(turn->meridian, zone), clock_at(turn->earliest, zone),
             clock_at(turn->latest, zone));
  }
  if (mount.kind == plan::MountKind::kUndriven) {
    return tr("No tracking: point ahead of the Sun and let it drift through. The field turns by "
              "%1\u00b0 an hour")
        .arg(number(document().answers().local.field_rotation_deg_h, 1));
  }
  if (mount.kind == plan::MountKind::kAltAzimuth) {
    const sky::LocalSun& sun = document().answers().local;
    const QString turning =
        tr("Now the azimuth runs at %1\u2033/s, the height at %2\u2033/s, the field turns by "
           "%3\u00b0 an hour")
            .arg(number(sun.azimuth_rate_arcsec_s, 1), number(sun.altitude_rate_arcsec_s, 1),
                 number(sun.field_rotation_deg_h, 1));
    const auto fast = plan::fast_azimuth(mount, document().day());
    return fast
               ? tr("%1; from %2 to %3 the azimuth runs fast: leave the Sun alone near the zenith.")
                     .arg(turning, clock_at(fast->start, zone), clock_at(fast->end, zone))
               : turning;
  }
  return {};
}

void SkyPage::adopt_horizon(const QString& what, const sky::Horizon& horizon) {
  workspace::Workspace next = document().workspace();
  if (next.site.horizon == horizon) {
    return;
  }
  next.site.horizon = horizon;
  document().edit(what, next);
}

void SkyPage::open_horizon() {
  const QString file = QFileDialog::getOpenFileName(this, tr("Open a horizon"), QString(),
                                                    tr("Tables (*.csv *.txt);;All files (*)"));
  if (!file.isEmpty()) {
    open_horizon_file(file);
  }
}

void SkyPage::open_horizon_file(const QString& file) {
  constexpr std::size_t kMostBytes = 1U << 20U;
  models_.files.read(this, file, kMostBytes, [this](const base::Result<std::string>& text) {
    auto read =
        text.and_then([](const std::string& bytes) { return sky::horizon_from_csv(bytes); });
    return [this, read = std::move(read)] {
      if (!read) {
        trouble().tell(read.error());
        return;
      }
      adopt_horizon(tr("Open horizon"), read->horizon);
      if (!read->refused.empty()) {
        trouble().tell(tr("The horizon was read but for %1").arg(refused_words(read->refused)));
      }
    };
  });
}

void SkyPage::save_horizon() {
  const QString file = QFileDialog::getSaveFileName(
      this, tr("Save the horizon"), QStringLiteral("horizon.csv"), tr("Tables (*.csv)"));
  if (!file.isEmpty()) {
    save_horizon_file(file);
  }
}

void SkyPage::save_horizon_file(const QString& file) {
  const auto written =
      base::write_file(file.toStdString(), sky::to_csv(document().workspace().site.horizon));
  if (!written) {
    trouble().tell(written.error());
  }
}

QString SkyPage::usable_words() const {
  const QTimeZone zone = document().zone();
  const sky::SunDay& day = document().day();
  const sky::SkylineDay& skyline = document().skyline();
  const QString highest =
      tr("highest %1\u00b0 at %2")
          .arg(number(day.culmination_altitude_deg, 1), clock_at(day.culmination, zone));
  if (skyline.clear.empty()) {
    return tr("Never clear above %1\u00b0 today; %2. Low Sun means much air.")
        .arg(plan::kWindowDeg)
        .arg(highest);
  }
  QStringList spans;
  for (const sky::Window& window : skyline.clear) {
    spans << tr("%1 to %2").arg(clock_at(window.start, zone), clock_at(window.end, zone));
  }
  return tr("Clear above %1\u00b0 from %2 (%3 h); %4")
      .arg(plan::kWindowDeg)
      .arg(spans.join(QStringLiteral(", ")), number(skyline.hours, 1), highest);
}

void SkyPage::follow() {
  const workspace::Answers& answers = document().answers();
  usable_->setText(usable_words());
  const QString mount = mount_words();
  mount_->setText(mount);
  mount_->setVisible(!mount.isEmpty());
  const plan::Mount& kept = document().workspace().mount;
  mount_kind_->setCurrentIndex(static_cast<int>(kept.kind));
  past_meridian_->show_value(kept.past_meridian_deg);
  past_meridian_->setVisible(kept.kind == plan::MountKind::kEquatorialTurns);
  usable_->setToolTip(
      tr("The whole disc over your horizon, and above %1\u00b0: lower, light passes "
         "three times the air overhead")
          .arg(plan::kWindowDeg));

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
        magnetic ? degree.arg(number(sky::compass_bearing_deg(sun.azimuth_deg, *magnetic), 1))
                 : tr("outside 2025 to 2030"),
        tr("Azimuth less the magnetic declination of the World Magnetic Model 2025")}});
  disc_->show_rows(
      {{QStringLiteral("P"), degree.arg(number(answers.disc.p_deg, 2)),
        tr("Position angle of the solar north pole, east positive")},
       {QStringLiteral("B\u2080"), degree.arg(number(answers.disc.b0_deg, 2)),
        tr("Heliographic latitude of the disc's centre")},
       {QStringLiteral("L\u2080"), degree.arg(number(answers.disc.l0_deg, 2)),
        tr("Carrington longitude of the disc's centre")},
       {tr("Rotation"), number(answers.disc.carrington_rotation, 2), tr("Carrington rotation")},
       {tr("Diameter"), tr("%1\u2032").arg(number(answers.sun.semidiameter_arcsec() / 30.0, 2))},
       {tr("Picture"), answers.celestial.mirrored ? tr("mirrored") : tr("not mirrored"),
        tr("Each mirror in the light path flips it")}});
}

}  // namespace solarchon::app
