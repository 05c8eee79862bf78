// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/find_page.h"

#include <QApplication>
#include <QClipboard>
#include <QHBoxLayout>
#include <QShortcut>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/model/kit.h"
#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "app/views/field/scenes.h"
#include "solarchon/base/angle.h"

namespace solarchon::app {

namespace {

QString name_of(sky::Body body) {
  switch (body) {
    case sky::Body::kMoon:
      return FindPage::tr("Moon");
    case sky::Body::kMercury:
      return FindPage::tr("Mercury");
    case sky::Body::kVenus:
      return FindPage::tr("Venus");
    case sky::Body::kMars:
      return FindPage::tr("Mars");
    case sky::Body::kJupiter:
      return FindPage::tr("Jupiter");
    case sky::Body::kSaturn:
      return FindPage::tr("Saturn");
  }
  return {};
}

QString degrees(double value, int decimals) {
  return FindPage::tr("%1\u00b0").arg(number(value, decimals));
}

/// `3h 05m 12s east`
QString hour_angle_words(double hour_angle_deg) {
  return (hour_angle_deg < 0.0 ? FindPage::tr("%1 east") : FindPage::tr("%1 west"))
      .arg(in_hours(std::abs(hour_angle_deg)));
}

QString offset_words(const align::Neighbour& body) {
  const QString along = (body.right_ascension_offset_deg < 0.0 ? FindPage::tr("%1\u00b0 west")
                                                               : FindPage::tr("%1\u00b0 east"))
                            .arg(number(std::abs(body.right_ascension_offset_deg), 1));
  const QString up = (body.declination_offset_deg < 0.0 ? FindPage::tr("%1\u00b0 south")
                                                        : FindPage::tr("%1\u00b0 north"))
                         .arg(number(std::abs(body.declination_offset_deg), 1));
  return FindPage::tr("%1: %2, %3").arg(name_of(body.body), along, up);
}

}  // namespace

FindPage::FindPage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      kit_(models.kit),
      head_(new Headed(QStringLiteral("find"), this)),
      picture_(new AimPicture(head_)) {
  head_->put(picture_);
  new PictureWithPanel(head_, build_side(), 340, this);
  connect(&models.kit, &Kit::partsChanged, this, [this] {
    if (isVisible()) {
      follow();
    }
  });
}

QWidget* FindPage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);
  const auto caption = [&](const QString& words) {
    auto* label = new PlainLabel(words, side);
    label->setFont(Theme::font(TextSize::kMedium, true));
    return label;
  };
  tube_ = new NumberField(tr("Length of the tube"), tr("mm"), align::kTubeRange, false, side);
  tube_->setObjectName(QStringLiteral("tube-length"));
  tube_->setToolTip(
      tr("From the front edge to where the shadow falls: the longer, the finer. Empty: the usual "
         "length of such a telescope"));
  connect(tube_, &NumberField::entered, this, [this](double value_mm) {
    workspace::Workspace next = document_.workspace();
    next.outside.tube_mm = value_mm;
    document_.edit(tr("Change the length of the tube"), next);
  });
  connect(tube_, &NumberField::emptied, this, [this] {
    workspace::Workspace next = document_.workspace();
    next.outside.tube_mm.reset();
    document_.edit(tr("Change the length of the tube"), next);
  });
  column->addWidget(tube_);
  column->addWidget(caption(tr("Circles and scales")));
  figures_ = new Figures(2, side);
  column->addWidget(figures_);
  auto* row = new QHBoxLayout;
  row->addWidget(caption(tr("To type into a hand controller")), 1);
  auto* copy = new QPushButton(tr("Copy"), side);
  copy->setObjectName(QStringLiteral("copy-coordinates"));
  copy->setToolTip(tr("All three on the clipboard, with the time; key C"));
  row->addWidget(copy);
  column->addLayout(row);
  controller_ = new Figures(1, side);
  column->addWidget(controller_);
  const auto copied = [this] { QApplication::clipboard()->setText(coordinates()); };
  connect(copy, &QPushButton::clicked, this, copied);
  auto* key = new QShortcut(QKeySequence(Qt::Key_C), this);
  key->setContext(Qt::WidgetWithChildrenShortcut);
  connect(key, &QShortcut::activated, this, copied);
  column->addWidget(caption(tr("Names to synchronise on")));
  neighbours_ = new PlainLabel(side);
  neighbours_->setObjectName(QStringLiteral("neighbours"));
  neighbours_->setWordWrap(true);
  neighbours_->setToolTip(
      tr("For a controller that refuses the Sun: centre the Sun, and tell it that it sees this "
         "body. Never send the tube there: it stands too near the Sun."));
  column->addWidget(neighbours_);
  column->addStretch(1);
  return side;
}

QString FindPage::coordinates() const {
  const align::SunToSet sun =
      align::sun_to_set(workspace::observer_of(document_.workspace()), document_.moment());
  return tr("Sun, %1\nof date: RA %2, Dec %3\nJ2000: RA %4, Dec %5\nAz %6, Alt %7")
      .arg(text(sky::to_iso(document_.moment())), in_hours(sun.right_ascension_deg),
           in_degrees(sun.declination_deg), in_hours(sun.right_ascension_j2000_deg),
           in_degrees(sun.declination_j2000_deg), in_degrees(sun.azimuth_deg),
           in_degrees(sun.altitude_deg));
}

QString FindPage::start_words(const std::vector<align::Start>& starts) const {
  if (starts.empty()) {
    return tr("Nothing to begin with: fit a camera or an eyepiece.");
  }
  const align::Start& first = starts.front();
  switch (first.kind) {
    case align::StartKind::kAsItIs:
      return first.enough ? tr("Make the shadow round: the Sun is then in the field.")
                          : tr("The shadow alone will not do: the field is too small.");
    case align::StartKind::kWithoutAmplifier:
      return first.enough ? tr("Begin without %1, then put it back.").arg(text(first.part))
                          : tr("Begin without %1, and sweep.").arg(text(first.part));
    case align::StartKind::kEyepiece:
      return first.enough ? tr("Begin with %1, centre, then change over.").arg(text(first.part))
                          : tr("Begin with %1, and sweep.").arg(text(first.part));
  }
  return {};
}

void FindPage::show_start(const std::vector<align::Start>& starts, double accuracy_arcmin) {
  const AimPicture::Scene scene = aim_scene(document_, starts, accuracy_arcmin);
  const bool stop = document_.answers().safety.verdict == safety::Severity::kStop;
  if (stop) {
    head_->say(tr("Stop: this light path must not be turned to the Sun."),
               tr("What speaks against it, and the next safe step, stand in Light path."),
               Headed::Tone::kStop);
  } else {
    head_->say(start_words(starts),
               scene.tube_mm > 0.0
                   ? tr("Cap the finder. Stand beside the tube, never behind it. A shadow 2 mm too "
                        "long is %1\u2032 beside the Sun with this tube.")
                         .arg(number(accuracy_arcmin, 0))
                   : tr("There is no telescope in the light path."));
  }
  picture_->show_scene(scene, head_->headline());
}

Figures::Row FindPage::rough_start(const align::PoleMark& mark) const {
  const QString star = mark.star == sky::PoleStar::kPolaris ? tr("Polaris") : tr("Sigma Octantis");
  const QString place =
      tr("%1 stands %2 from the pole, at RA %3, Dec %4 of date.")
          .arg(star, degrees(mark.from_pole_deg, 2), in_hours(mark.right_ascension_deg),
               in_degrees(mark.declination_deg));
  if (plan::stands_level(document_.workspace().mount.kind)) {
    return {tr("Rough start: told it sees"),
            tr("%1, %2 high").arg(star, degrees(mark.altitude_deg, 1)),
            tr("Level, tube to azimuth %1 at that height, and synchronise on the name. %2")
                .arg(degrees(mark.azimuth_deg, 1), place)};
  }
  return {tr("Rough start: told it sees"), star,
          tr("Level, axis to true north or south at the height of the latitude, tube along the "
             "axis, and synchronise on the name. %1")
              .arg(place)};
}

void FindPage::show_figures(double miss_deg) {
  const sky::Observer observer = workspace::observer_of(document_.workspace());
  const align::SunToSet sun = align::sun_to_set(observer, document_.moment());
  std::vector<Figures::Row> rows{
      {tr("Declination"), degrees(sun.declination_deg, 2), tr("For the declination circle")},
      {tr("Hour angle"), hour_angle_words(sun.hour_angle_deg), tr("For the hour circle")},
      {tr("Height"), degrees(sun.altitude_deg, 2), tr("For an inclinometer on the tube")},
      {tr("Azimuth"), degrees(sun.azimuth_deg, 2), tr("From true north through east")},
      rough_start(align::pole_mark(observer, document_.moment())),
      {tr("Rough go-to ends within"), degrees(miss_deg, 1),
       tr("Levelled, pointed so, told that it sees that star, sent to the Sun: one standard "
          "deviation, with north by a compass. Then centre, and synchronise on the Sun")}};
  const auto& rig = document_.workspace().rig;
  if (const auto place = optics::find_fitted<optics::Telescope>(rig)) {
    const auto& telescope = std::get<optics::Telescope>(rig.elements[*place].part);
    const align::Sweep sweep = align::sweep_of(telescope.focal_length_mm, align::drawtube_mm(rig),
                                               sun.declination_deg, miss_deg);
    QStringList others;
    for (std::size_t i = 1; i < sweep.declinations_deg.size(); ++i) {
      others << degrees(sweep.declinations_deg[i], 1);
    }
    rows.push_back(
        {tr("Sweep the hour angle by"), QStringLiteral("\u00b1") + degrees(sweep.half_width_deg, 1),
         tr("Until light falls through the empty drawtube, %1 wide; then at the declinations %2")
             .arg(degrees(sweep.field_deg, 1), others.join(QStringLiteral(", ")))});
  }
  const align::Seeker seeker = align::seeker_of(observer, document_.moment());
  rows.push_back(
      {tr("A Sun seeker sets"),
       (seeker.altitude_error_deg < 0.0 ? tr("%1, %2 too low") : tr("%1, %2 too high"))
           .arg(degrees(seeker.altitude_deg, 1), degrees(std::abs(seeker.altitude_error_deg), 1)),
       tr("By simplified formulas: %1\u00b0 of the error from the declination, %2\u00b0 from the "
          "equation of time, %3\u00b0 from refraction; its azimuth is off by %4\u00b0")
           .arg(number(seeker.from_declination_deg, 2), number(seeker.from_equation_of_time_deg, 2),
                number(seeker.from_refraction_deg, 2), number(seeker.azimuth_error_deg, 1))});
  figures_->show_rows(rows);
  const auto pair = [](double right_ascension_deg, double declination_deg) {
    return QStringLiteral("%1   %2").arg(in_hours(right_ascension_deg),
                                         in_degrees(declination_deg));
  };
  controller_->show_rows(
      {{tr("Right ascension and declination of date"),
        pair(sun.right_ascension_deg, sun.declination_deg)},
       {tr("The same for J2000"), pair(sun.right_ascension_j2000_deg, sun.declination_j2000_deg),
        tr("For controllers that take precession into account themselves")}});
}

void FindPage::show_neighbours() {
  // Planets take some milliseconds: too long for each step of a drag.
  looking_.wish([this, observer = workspace::observer_of(document_.workspace()),
                 time = document_.moment()](const base::Task& /*task*/) -> Worker::Delivery {
    return [this, bodies = align::neighbours_of(observer, time)] { list_neighbours(bodies); };
  });
}

void FindPage::list_neighbours(const std::vector<align::Neighbour>& bodies) {
  constexpr std::size_t kShown = 2;
  const bool level = plan::stands_level(document_.workspace().mount.kind);
  QStringList lines;
  for (std::size_t i = 0; i < std::min(kShown, bodies.size()); ++i) {
    lines << (level ? tr("%1; drift %2\u2033/min")
                          .arg(offset_words(bodies[i]),
                               number(bodies[i].alt_azimuth_drift_arcsec_min, 0))
                    : offset_words(bodies[i]));
  }
  if (!level) {
    lines << tr("An equatorial mount then drifts by %1\u2033/min.")
                 .arg(number(align::sidereal_drift_arcsec_min(document_.answers().sun), 1));
  }
  neighbours_->setText(lines.join(QStringLiteral("\n")));
}

void FindPage::follow() {
  const workspace::Workspace& space = document_.workspace();
  const workspace::Answers& answers = document_.answers();
  const auto usual = align::usual_tube_mm(space.rig);
  const auto length_mm = tube_mm(document_);
  tube_->allow_empty(usual ? number(*usual, 0) : tr("not known"));
  space.outside.tube_mm ? tube_->show_value(*space.outside.tube_mm) : tube_->clear();
  const double accuracy_arcmin = length_mm ? align::shadow_accuracy_arcmin(*length_mm) : 0.0;
  show_start(align::starts_of(space.rig, kit_.parts(), accuracy_arcmin,
                              answers.sun.semidiameter_arcsec(), space.practice),
             accuracy_arcmin);
  show_figures(align::rough_miss_deg(workspace::observer_of(space), document_.moment(),
                                     space.mount.kind, align::kCompassDeg));
  show_neighbours();
}

}  // namespace solarchon::app
