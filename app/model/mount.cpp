// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/mount.h"

#include <algorithm>
#include <utility>

#include "app/model/phrases.h"
#include "solarchon/align/in_field.h"
#include "solarchon/base/random.h"
#include "solarchon/devices/local_socket.h"
#include "solarchon/sky/sun.h"

namespace solarchon::app {

namespace {

// What a stand-in is put up with, at most.
constexpr double kPoleArcmin = 120.0;
constexpr double kBacklashArcsec = 30.0;
/// Reports that were under way when something was ordered do not know of it: for so long they are
/// not believed to stand.
constexpr sky::Duration kBlind = sky::seconds(1.0);

}  // namespace

Mount::Mount(Document& document, Runbook& runbook, QObject* parent)
    : QObject(parent), document_(document), runbook_(runbook) {
  connect(&runbook_, &Runbook::changed, this, [this] {
    const auto& ticks = runbook_.progress().ticks;
    const auto& steps = runbook_.steps();
    const bool exposes =
        !ticks.empty() && std::any_of(steps.begin(), steps.end(), [&](const auto& one) {
          return one.step.exposes && one.step.id == ticks.back().step;
        });
    if (exposes) {
      set_covered(false);
    }
  });
  connect(&played_, &StandInProcess::ended, this, [this](bool started, const QString& said) {
    if (!started) {  // of one that dies the link tells
      leave();
      problem_ = tr("The stand-in did not start: %1").arg(said);
      emit changed();
    }
  });
}

Mount::~Mount() { link_.reset(); }

void Mount::take_up() {
  if (socket_.empty()) {
    const auto folder = devices::socket_folder();
    if (!folder) {
      problem_ = error_text(folder.error());
      emit changed();
      return;
    }
    socket_ = *folder / "mount";
  }
  link_.reset();
  report_ = {};
  sun_.reset();
  problem_.clear();
  line_ = Line::kSought;
  linked_ = socket_;
  link_ = std::make_unique<MountLink>(
      socket_,
      [this](MountReport report) {
        QMetaObject::invokeMethod(
            this, [this, report = std::move(report)]() mutable { hear(std::move(report)); },
            Qt::QueuedConnection);
      },
      pace_);
  emit changed();
}

void Mount::leave() {
  link_.reset();
  played_.stop();
  line_ = Line::kAway;
  report_ = {};
  sun_.reset();
  problem_.clear();
  emit changed();
}

void Mount::rehearse(const QString& kind) {
  leave();
  const auto path = StandInProcess::own_path(QStringLiteral("stand-in"));
  if (!path) {
    problem_ = error_text(path.error());
    emit changed();
    return;
  }
  const std::string socket = path->string();
  const auto seed = static_cast<std::uint32_t>(runbook_.now().unix_ms);
  base::Random random{seed};
  const auto off = [&](double most) { return QString::number(random.uniform(-most, most)); };
  const sky::Site& site = document_.workspace().site;
  const workspace::Outside& outside = document_.workspace().outside;
  played_.start({QStringLiteral("--kind"),
                 kind,
                 QStringLiteral("--socket"),
                 QString::fromStdString(socket),
                 QStringLiteral("--lat"),
                 QString::number(site.latitude_deg, 'f', 6),
                 QStringLiteral("--lon"),
                 QString::number(site.longitude_deg, 'f', 6),
                 QStringLiteral("--seed"),
                 QString::number(seed),
                 QStringLiteral("--pole-altitude-error"),
                 off(kPoleArcmin),
                 QStringLiteral("--pole-azimuth-error"),
                 off(kPoleArcmin),
                 QStringLiteral("--periodic-error"),
                 QString::number(outside.periodic_error_arcsec),
                 QStringLiteral("--step"),
                 QString::number(outside.step_arcsec),
                 QStringLiteral("--backlash"),
                 QString::number(kBacklashArcsec)});
  const std::filesystem::path usual = std::exchange(socket_, socket);
  take_up();
  socket_ = usual;
}

void Mount::hear(MountReport report) {
  if (line_ == Line::kAway) {
    return;  // said before it was left
  }
  if (report.problem) {
    problem_ = words_of(*report.problem);
  } else if (line_ == Line::kSought) {
    problem_.clear();  // it is back
  }
  line_ = report.state ? Line::kHeld : Line::kSought;
  if (report.state) {
    turning_reports_ = std::max(0, turning_reports_ - 1);
    report_ = std::move(report);
    const devices::TrueLook look = report_.look.value_or(
        devices::TrueLook{report_.state->azimuth_deg, report_.state->altitude_deg});
    sky::Observer observer = workspace::observer_of(document_.workspace());
    if (!report_.look) {
      observer.weather.pressure_hpa = 0.0;  // what a mount reports is without the air
    }
    sun_ = align::sun_from(look.azimuth_deg, look.altitude_deg, observer, runbook_.now());
  }
  emit changed();
}

QString Mount::words_of(const base::Error& problem) const {
  if (problem.reason.id != "device-refuses") {
    return error_text(problem);
  }
  const std::string& word = problem.reason.detail;
  return word == "limit"          ? tr("It will not go there: that is beyond its limits.")
         : word == "held"         ? tr("It is held. Stop it, then take it back.")
         : word == "going"        ? tr("It is on its way. Stop it first.")
         : word == "parked"       ? tr("It is parked. Take it out of the park first.")
         : word == "goes-nowhere" ? tr("It cannot go to places by itself. Use the arrows.")
         : word == "no-cell"      ? tr("It has no cell that would find the Sun.")
         : word == "no-knobs"     ? tr("It has no knobs under its axis.")
                                  : tr("The mount refuses: %1").arg(text(word));
}

QString Mount::name() const {
  return report_.card.name.empty() ? tr("Mount") : text(report_.card.name);
}

bool Mount::can(const char* method) const {
  return line_ == Line::kHeld && report_.card.has(method);
}

devices::MountDoubts Mount::doubts() const {
  return report_.state
             ? devices::doubts_of(*report_.state, workspace::observer_of(document_.workspace()),
                                  runbook_.now())
             : devices::MountDoubts{};
}

std::optional<std::filesystem::path> Mount::seen_from() const {
  const bool tells = line_ != Line::kAway && report_.card.has("camera.look");
  return tells ? std::optional(linked_) : std::nullopt;
}

bool Mount::in_motion() const {
  return line_ != Line::kAway && report_.state &&
         (turning_reports_ > 0 || report_.state->duty == devices::Duty::kGoing ||
          report_.state->duty == devices::Duty::kMoving);
}

void Mount::set_covered(bool covered) {
  if (covered != covered_) {
    covered_ = covered;
    emit changed();
  }
}

QString Mount::objection() const {
  return document_.answers().safety.verdict == safety::Severity::kStop && !covered_
             ? tr("This light path must not meet the Sun. Cover the front and say so here; "
                  "until then nothing turns.")
             : QString();
}

void Mount::order(MountLink::Order order) {
  problem_.clear();
  if (link_ && line_ == Line::kHeld) {
    link_->order(std::move(order));
  }
  emit changed();
}

void Mount::order_turn(MountLink::Order order) {
  if (objection().isEmpty()) {
    turning_reports_ = static_cast<int>(kBlind / pace_);
    this->order(std::move(order));
  }
}

void Mount::go_to_sun() {
  const sky::GeocentricSun sun =
      sky::geocentric_sun(runbook_.now(), workspace::observer_of(document_.workspace()).dut1_s);
  order_turn([sun](devices::MountClient& mount) {
    return mount.go_to(sun.right_ascension_deg, sun.declination_deg);
  });
}

void Mount::synchronise_on_sun() {
  const sky::GeocentricSun sun =
      sky::geocentric_sun(runbook_.now(), workspace::observer_of(document_.workspace()).dut1_s);
  order([sun](devices::MountClient& mount) {
    return mount.synchronise(sun.right_ascension_deg, sun.declination_deg);
  });
}

void Mount::track(devices::Tracking tracking) {
  order([tracking](devices::MountClient& mount) { return mount.track(tracking); });
}

void Mount::move(double first_deg_s, double second_deg_s) {
  const bool ends = first_deg_s == 0.0 && second_deg_s == 0.0;
  if (link_ && (ends || objection().isEmpty())) {
    turning_reports_ = ends ? 0 : static_cast<int>(kBlind / pace_);
    link_->move(first_deg_s, second_deg_s);
  }
}

void Mount::seek() {
  order_turn([](devices::MountClient& mount) { return mount.seek(); });
}

void Mount::park(bool parked) {
  if (parked) {
    order_turn([](devices::MountClient& mount) { return mount.park(); });  // many turn to park
  } else {
    order([](devices::MountClient& mount) { return mount.unpark(); });
  }
}

void Mount::turn_knobs(double altitude_deg, double azimuth_deg) {
  order([altitude_deg, azimuth_deg](devices::MountClient& mount) {
    return mount.turn_knobs(altitude_deg, azimuth_deg);
  });
}

void Mount::stop() {
  turning_reports_ = 0;
  if (link_) {
    link_->stop();
  }
}

}  // namespace solarchon::app
