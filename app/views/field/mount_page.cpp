// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/mount_page.h"

#include <QApplication>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>
#include <utility>

#include "app/model/phrases.h"
#include "app/shell/frame_image.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/base/angle.h"
#include "solarchon/camera/simulate.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

using devices::Duty;
using devices::Tracking;

namespace {

/// Half of the stars' rate for centring at high power, up to what carries over the sky.
constexpr std::array<double, 4> kRatesDegS{7.5 / 3600.0, 2.0 / 60.0, 0.5, 3.0};
constexpr std::array<const char*, 4> kKinds{"equatorial", "alt-azimuth", "tracker", "seeker"};
constexpr double kArcsecPerMin = 60.0;

}  // namespace

MountPage::MountPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      mount_(models.mount),
      head_(new Headed(QStringLiteral("mount"), this)),
      picture_(new EyepiecePicture(head_)) {
  head_->put(picture_);
  new PictureWithPanel(head_, build_side(), 330, this);
  connect(&mount_, &Mount::changed, this, [this] {
    if (isVisible()) {
      follow();
    }
  });
  qApp->installEventFilter(this);
}

bool MountPage::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::KeyPress &&
      static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape && mount_.in_motion()) {
    mount_.stop();
    return true;
  }
  return QWidget::eventFilter(watched, event);
}

QPushButton* MountPage::add_order(const char* name, const QString& words, const QString& reason,
                                  QWidget* parent) {
  auto* button = new QPushButton(words, parent);
  button->setObjectName(QLatin1String(name));
  button->setToolTip(reason);
  return button;
}

QWidget* MountPage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  away_ = build_away(side);
  driving_ = build_driving(side);
  column->addWidget(away_);
  column->addWidget(driving_);
  column->addStretch(1);
  return side;
}

QWidget* MountPage::build_away(QWidget* side) {
  auto* away = new QWidget(side);
  auto* column = new QVBoxLayout(away);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  const auto say = [&](const QString& words, bool caption) {
    auto* label = new PlainLabel(words, away);
    label->setWordWrap(true);
    if (caption) {
      label->setFont(Theme::font(TextSize::kMedium, true));
    }
    column->addWidget(label);
  };
  say(tr("Your mount"), true);
  say(tr("A bridge speaks to it and listens on this computer. How to write one stands in the "
         "guide to devices; an example ships."),
      false);
  auto* join = add_order("mount-connect", tr("Connect"),
                         tr("To what listens in this user's folder for devices"), away);
  join->setProperty("main", true);
  connect(join, &QPushButton::clicked, &mount_, &Mount::take_up);
  column->addWidget(join);
  column->addSpacing(Theme::px(12));
  say(tr("A rehearsal"), true);
  say(tr("A mount that is played: its axis stands beside the pole, its gears have play, and a "
         "simulated camera sees the Sun."),
      false);
  played_ = new QComboBox(away);
  played_->setObjectName(QStringLiteral("mount-played"));
  played_->setAccessibleName(tr("Mount to be played"));
  played_->addItems({tr("Equatorial, goes to places"), tr("Alt-azimuth, goes to places"),
                     tr("Tracker with one driven axis"), tr("Sun seeker with its cell")});
  played_->setCurrentIndex(document_.workspace().mount.kind == plan::MountKind::kAltAzimuth ? 1
                                                                                            : 0);
  column->addWidget(played_);
  auto* rehearse = add_order("mount-rehearse", tr("Rehearse"),
                             tr("Starts it as a process of its own, at your site"), away);
  connect(rehearse, &QPushButton::clicked, this, [this] {
    mount_.rehearse(QLatin1String(kKinds.at(static_cast<std::size_t>(played_->currentIndex()))));
    pad_->setFocus();
  });
  column->addWidget(rehearse);
  return away;
}

QButtonGroup* MountPage::add_switches(const char* name,
                                      const std::vector<std::array<QString, 3>>& switches,
                                      QWidget* parent, QBoxLayout& column) {
  auto* row = new QHBoxLayout;
  row->setSpacing(0);
  auto* group = new QButtonGroup(parent);
  for (const auto& [words, meaning, reason] : switches) {
    const auto place = static_cast<int>(group->buttons().size());
    auto* button = add_order("", words, reason.isEmpty() ? meaning : reason, parent);
    button->setObjectName(QStringLiteral("%1-%2").arg(QLatin1String(name)).arg(place));
    button->setAccessibleName(meaning);
    button->setCheckable(true);
    button->setProperty("switch", true);
    button->setProperty("first", place == 0);
    group->addButton(button, place);
    row->addWidget(button, 1);
  }
  column.addLayout(row);
  return group;
}

QWidget* MountPage::build_driving(QWidget* side) {
  auto* driving = new QWidget(side);
  auto* column = new QVBoxLayout(driving);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  objection_ = new PlainLabel(driving);
  objection_->setObjectName(QStringLiteral("mount-objection"));
  objection_->setProperty("role", "error");
  objection_->setWordWrap(true);
  column->addWidget(objection_);
  covered_ = new QCheckBox(tr("The front is covered"), driving);
  covered_->setObjectName(QStringLiteral("mount-covered"));
  covered_->setToolTip(
      tr("Nothing gets in: a cap, or the filter's own lid. Forgotten as soon as a "
         "step opens the telescope"));
  connect(covered_, &QCheckBox::toggled, &mount_, &Mount::set_covered);
  column->addWidget(covered_);
  const auto rate = [&](const QString& words, const QString& use, int key) {
    return std::array{words, tr("Arrows at %1").arg(words),
                      tr("%1; key %2 on the arrows").arg(use).arg(key)};
  };
  rates_ = add_switches(
      "rate",
      {rate(tr("7.5\u2033/s"), tr("To centre at high power"), 1),
       rate(tr("2\u2032/s"), tr("To centre"), 2), rate(tr("0.5\u00b0/s"), tr("To look for it"), 3),
       rate(tr("3\u00b0/s"), tr("Across the sky"), 4)},
      driving, *column);
  connect(rates_, &QButtonGroup::idClicked, this, &MountPage::choose_rate);
  pad_ = new ArrowPad(driving);
  connect(pad_, &ArrowPad::held, this, &MountPage::move);
  connect(pad_, &ArrowPad::stopAsked, &mount_, &Mount::stop);
  connect(pad_, &ArrowPad::rateAsked, this, &MountPage::choose_rate);
  column->addWidget(pad_);
  sun_ = add_order("mount-to-sun", tr("Go to the Sun"), {}, driving);
  connect(sun_, &QPushButton::clicked, this,
          [this] { mount_.can("mount.seek") ? mount_.seek() : mount_.go_to_sun(); });
  here_ = add_order("mount-here", tr("It looks at the Sun"),
                    tr("Centre the Sun on the sensor, then tell the mount so: it synchronises"),
                    driving);
  connect(here_, &QPushButton::clicked, &mount_, &Mount::synchronise_on_sun);
  park_ = add_order("mount-park", {}, {}, driving);
  connect(park_, &QPushButton::clicked, this, [this] {
    const auto& state = mount_.report().state;
    mount_.park(!state || state->duty != Duty::kParked);
  });
  auto* leave = add_order("mount-leave", tr("Leave it"),
                          tr("The program lets go of the mount; a rehearsal ends"), driving);
  connect(leave, &QPushButton::clicked, &mount_, &Mount::leave);
  column->addWidget(sun_);
  column->addWidget(here_);
  follow_ = add_switches("follow",
                         {{tr("Still"), tr("The mount follows nothing"), {}},
                          {tr("Stars"), tr("The mount follows the stars"), {}},
                          {tr("Sun"), tr("The mount follows the Sun"), {}}},
                         driving, *column);
  connect(follow_, &QButtonGroup::idClicked, this,
          [this](int what) { mount_.track(static_cast<Tracking>(what)); });
  auto* last = new QHBoxLayout;
  last->addWidget(park_, 1);
  last->addWidget(leave, 1);
  column->addLayout(last);
  figures_ = new Figures(2, driving);
  column->addWidget(figures_);
  choose_rate(rate_);
  return driving;
}

void MountPage::choose_rate(int rate) {
  rate_ = rate;
  rates_->button(rate)->setChecked(true);
}

void MountPage::move(int right, int up) {
  const double rate = kRatesDegS.at(static_cast<std::size_t>(rate_));
  // Right and up as seen from behind the tube: south of the equator it looks north.
  const bool turned = mount_.report().card.axes == devices::MountAxes::kPole &&
                      document_.workspace().site.latitude_deg < 0.0;
  const double sense = turned ? -1.0 : 1.0;
  mount_.move(sense * right * rate, sense * up * rate);
}

QString MountPage::sun_words() const {
  const auto sun = mount_.sun_in_field();
  if (!sun) {
    return {};
  }
  const double arcmin = std::hypot(sun->west_arcsec, sun->north_arcsec) / kArcsecPerMin;
  constexpr double kDegreeFrom = 90.0;
  const QString far = arcmin > kDegreeFrom
                          ? tr("%1\u00b0").arg(number(arcmin / 60.0, 1))
                          : tr("%1\u2032").arg(number(arcmin, arcmin < 10.0 ? 1 : 0));
  return mount_.report().look
             ? tr("The Sun stands %1 from the middle of the field.").arg(far)
             : tr("It believes the Sun %1 from the middle; only the sensor tells.").arg(far);
}

QString MountPage::headline() const {
  const auto& state = mount_.report().state;
  if (mount_.line() == Mount::Line::kAway) {
    return tr("No mount is connected.");
  }
  if (mount_.line() == Mount::Line::kSought) {
    return state ? tr("The mount does not answer.") : tr("Looking for a mount.");
  }
  switch (state->duty) {
    case Duty::kGoing:
      return tr("It goes. Escape stops it.");
    case Duty::kMoving:
      return tr("It moves as long as an arrow is held.");
    case Duty::kParked:
      return tr("It is parked.");
    case Duty::kHeld:
      return tr("It is held: at a limit, or by a cable. Look, then stop it and take it back.");
    case Duty::kStanding:
      break;
  }
  switch (state->tracking) {
    case Tracking::kSun:
      return tr("It follows the Sun.");
    case Tracking::kSidereal:
      return tr("It follows the stars: the Sun drifts slowly.");
    case Tracking::kOff:
      break;
  }
  return tr("It stands still: the Sun runs through the field.");
}

QString MountPage::reason() const {
  if (mount_.line() == Mount::Line::kAway) {
    return mount_.problem().isEmpty() ? tr("Connect one, or rehearse with one that is played.")
                                      : mount_.problem();
  }
  if (mount_.line() == Mount::Line::kSought) {
    const QString again = tr("It is tried again and again; all you entered is kept.");
    const QString self =
        mount_.report().state ? tr("If it moves, stop it at the mount itself.") : QString();
    const QString why =
        mount_.problem().isEmpty() ? QString() : mount_.problem() + QLatin1Char('.');
    return QStringList{why, again, self}.join(QLatin1Char(' ')).trimmed();
  }
  if (!mount_.problem().isEmpty()) {
    return mount_.problem();
  }
  const devices::MountDoubts doubts = mount_.doubts();
  if (doubts.clock()) {
    // As far as the Sun runs meanwhile.
    const double beside_deg = std::abs(doubts.clock_fast_s) * base::kSunDegPerHour / 3600.0;
    return tr("Its clock is %1 s %2: set it, or it goes %3\u00b0 beside the Sun.")
        .arg(number(std::abs(doubts.clock_fast_s), 0),
             doubts.clock_fast_s > 0.0 ? tr("fast") : tr("slow"),
             number(std::min(beside_deg, 180.0), 1));
  }
  if (doubts.place()) {
    return tr("Its account does not fit: its place is set wrong, or it lies by %1\u00b0. Believe "
              "only the sensor.")
        .arg(number(doubts.place_off_deg, 1));
  }
  return sun_words();
}

void MountPage::show_field() {
  const workspace::Answers& answers = document_.answers();
  EyepiecePicture::Scene scene;
  scene.sun_radius_arcmin = answers.sun.semidiameter_arcsec() / kArcsecPerMin;
  scene.celestial = answers.celestial;
  scene.seen = mount_.report().look.has_value();
  scene.stale = mount_.line() == Mount::Line::kSought;
  scene.round = answers.train.look.has_value();
  if (answers.train.field_width_arcmin && answers.train.field_height_arcmin) {
    scene.field_arcmin =
        QSizeF(*answers.train.field_width_arcmin, *answers.train.field_height_arcmin);
  }
  if (const auto sun = mount_.sun_in_field()) {
    const sky::PictureOffset offset = sky::to_picture(*sun, answers.celestial);
    scene.sun_arcmin = QPointF(offset.right, offset.up) / kArcsecPerMin;
    if (scene.seen && !scene.stale) {
      record(*sun);
    }
  }
  picture_->show_scene(scene, sun_words());
}

void MountPage::record(const sky::DiscPlace& sun) {
  constexpr int kSide = 400;  // pixels of the longer side
  constexpr double kBesideDeg = 2.0;
  constexpr double kMovedArcsec = 0.5;
  constexpr std::uint32_t kSeed = 3;
  const workspace::Workspace& space = document_.workspace();
  const bool far = std::hypot(sun.west_arcsec, sun.north_arcsec) > kBesideDeg * base::kArcsecPerDeg;
  const bool stop = document_.answers().safety.verdict == safety::Severity::kStop;
  const bool as_before = recorded_at_ && recorded_rig_ == space.rig &&
                         std::hypot(sun.west_arcsec - recorded_at_->west_arcsec,
                                    sun.north_arcsec - recorded_at_->north_arcsec) < kMovedArcsec;
  if (as_before && !far && !stop) {
    return;  // ten times a second
  }
  // What it looks at is told below: nobody need find the target on the Sun for it.
  workspace::Workspace looking = space;
  looking.target = workspace::Target::kWholeDisc;
  auto shot = workspace::shot_for(looking, document_.answers(), std::nullopt, kSeed);
  if (far || stop || !shot) {
    recorded_at_.reset();
    picture_->show_recording({});
    return;
  }
  recorded_rig_ = space.rig;
  recorded_at_ = sun;
  const workspace::Answers& answers = document_.answers();
  shot->target = sky::to_disc(
      sky::to_picture({-sun.west_arcsec, -sun.north_arcsec}, answers.celestial), answers.solar);
  shot->pointing_spread_px = 0.0;
  recordings_.wish([this, shot = camera::binned(std::move(*shot), kSide)](
                       const base::Task& task) -> Worker::Delivery {
    const auto recording = camera::simulate(shot, task);
    return [this, image = recording ? frame_image(recording->frame, kSide) : QImage()] {
      picture_->show_recording(recorded_at_ ? image : QImage());
    };
  });
}

void MountPage::show_orders() {
  const QString objection = mount_.objection();
  const bool may = objection.isEmpty() && mount_.line() == Mount::Line::kHeld;
  const QString why_not = objection.isEmpty() ? tr("The mount does not answer") : objection;
  objection_->setVisible(!objection.isEmpty());
  objection_->setText(objection);
  covered_->setChecked(mount_.covered());
  const bool zenith = mount_.report().card.axes == devices::MountAxes::kZenith;
  const bool south = document_.workspace().site.latitude_deg < 0.0;
  pad_->show_names(zenith  ? std::array{tr("Higher"), tr("Lower"), tr("Left"), tr("Right")}
                   : south ? std::array{tr("South"), tr("North"), tr("West"), tr("East")}
                           : std::array{tr("North"), tr("South"), tr("East"), tr("West")});
  pad_->let_turn(may, why_not);
  const bool seeks = mount_.can("mount.seek");
  sun_->setText(seeks ? tr("Let it find the Sun") : tr("Go to the Sun"));
  const bool goes = seeks || mount_.can("mount.go");
  sun_->setEnabled(may && goes);
  sun_->setToolTip(!may    ? why_not
                   : !goes ? tr("This mount goes nowhere by itself: use the arrows")
                   : seeks ? tr("It sets the height by the clock, pans and looks with its cell")
                           : tr("To where the Sun stands now, of date. Stand aside"));
  const bool held = mount_.line() == Mount::Line::kHeld;
  here_->setEnabled(held && mount_.can("mount.synchronise"));
  for (QAbstractButton* follow : follow_->buttons()) {
    follow->setEnabled(held && mount_.can("mount.track"));
  }
  const auto& state = mount_.report().state;
  const bool parked = state && state->duty == Duty::kParked;
  park_->setText(parked ? tr("Take out of the park") : tr("Park"));
  park_->setEnabled((parked ? held : may) && mount_.can("mount.park"));
  park_->setToolTip(parked ? tr("It takes commands again")
                    : may  ? tr("It takes no other command then")
                           : why_not);
  follow_->button(state ? static_cast<int>(state->tracking) : 0)->setChecked(true);
  if (state) {
    figures_->show_rows(
        {{tr("Azimuth, it says"), tr("%1\u00b0").arg(number(state->azimuth_deg, 2)), mount_.name()},
         {tr("Altitude, it says"), tr("%1\u00b0").arg(number(state->altitude_deg, 2)),
          mount_.name()},
         {tr("Right ascension"), in_hours(state->right_ascension_deg), tr("Of date")},
         {tr("Declination"), in_degrees(state->declination_deg), tr("Of date")}});
  }
  figures_->setVisible(state.has_value());
}

void MountPage::follow() {
  const bool away = mount_.line() == Mount::Line::kAway;
  away_->setVisible(away);
  driving_->setVisible(!away);
  const auto& state = mount_.report().state;
  const bool bad = mount_.line() == Mount::Line::kSought ? state.has_value()
                                                         : state && state->duty == Duty::kHeld;
  head_->say(headline(), reason(), bad ? Headed::Tone::kStop : Headed::Tone::kPlain);
  show_field();
  if (!away) {
    show_orders();
  }
}

}  // namespace solarchon::app
