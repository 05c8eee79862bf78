// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/disk_speed.h"

#include <utility>

#include "solarchon/base/file.h"
#include "solarchon/plan/supply.h"

namespace solarchon::app {

namespace {

constexpr std::uint64_t kTestBytes = 256'000'000;
constexpr const char* kKey = "write_mb_s";

}  // namespace

DiskSpeed::DiskSpeed(std::filesystem::path data, QSettings& settings, ErrorReporter& trouble,
                     QObject* parent)
    : QObject(parent), data_(std::move(data)), settings_(settings), trouble_(trouble) {
  connect(&worker_, &Worker::broke, &trouble_, &ErrorReporter::tell_broken);
  if (settings_.contains(kKey)) {
    write_mb_s_ = settings_.value(kKey).toDouble();
  }
}

void DiskSpeed::measure() {
  worker_.start([this, data = data_](const base::Task& task) -> Worker::Delivery {
    const auto speed = base::make_folder(data).and_then(
        [&] { return plan::measure_write_speed(data, kTestBytes, task); });
    return [this, speed] {
      if (!speed) {
        trouble_.tell(speed.error());
        return;
      }
      write_mb_s_ = *speed;
      settings_.setValue(kKey, *speed);
      emit measured();
    };
  });
}

}  // namespace solarchon::app
