// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/simulated_telescope.h"

#include "solarchon/base/json.h"
#include "solarchon/optics/same_light.h"

namespace solarchon::app {

namespace {

/// A screen shows no more, and the machine has other things to do.
constexpr double kMostHz = 20.0;
/// Nobody's camera is without.
constexpr int kMotes = 10;

}  // namespace

base::Result<std::filesystem::path> SimulatedTelescope::play(
    const workspace::Workspace& space, sky::UtcTime time, std::optional<double> exposure_ms,
    const std::optional<std::filesystem::path>& mount) {
  auto socket = own_path(QStringLiteral("telescope"));
  if (!socket) {
    return socket;
  }
  if (!optics::same_light(space.rig, rig_) || !left_.focuser) {
    ++seed_;
    running_.start();
    left_ = {};
  }
  rig_ = space.rig;
  QStringList options{QStringLiteral("telescope"),
                      QStringLiteral("--workspace"),
                      QStringLiteral("-"),
                      QStringLiteral("--socket"),
                      QString::fromStdString(socket->string()),
                      QStringLiteral("--time"),
                      QString::fromStdString(sky::to_iso(time)),
                      QStringLiteral("--seed"),
                      QString::number(seed_),
                      QStringLiteral("--heater-quicker"),
                      QString::number(heater_quicker_),
                      QStringLiteral("--motes"),
                      QString::number(kMotes),
                      QStringLiteral("--most-hz"),
                      QString::number(kMostHz)};
  if (left_.focuser) {
    options << QStringLiteral("--running-for")
            << QString::number(0.001 * static_cast<double>(running_.elapsed()), 'f', 1)
            << QStringLiteral("--focuser-at")
            << QString::number(left_.focuser->position_um, 'f', 1);
  }
  if (left_.heater) {
    options << QStringLiteral("--heater-step") << QString::number(left_.heater->step);
  }
  if (exposure_ms) {
    options << QStringLiteral("--exposure") << QString::number(*exposure_ms, 'g', 9);
  }
  if (mount) {
    options << QStringLiteral("--mount") << QString::fromStdString(mount->string());
  }
  start(options, QByteArray::fromStdString(workspace::to_json(space).dump()));
  return socket;
}

}  // namespace solarchon::app
