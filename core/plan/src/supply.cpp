// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/supply.h"

#include <fcntl.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <chrono>
#include <cmath>
#include <system_error>

#include "solarchon/base/random.h"

namespace solarchon::plan {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

constexpr double kMega = 1e6;

/// When a supply has given so much; none if it never does.
std::optional<sky::UtcTime> given(const std::vector<ConsumerUse>& consumers, std::size_t supply,
                                  double watt_hours) {
  std::vector<sky::UtcTime> moments;
  for (const ConsumerUse& use : consumers) {
    moments.push_back(use.on.start);
    moments.push_back(use.on.end);
  }
  std::sort(moments.begin(), moments.end());
  double left = watt_hours;
  for (std::size_t i = 0; i + 1 < moments.size(); ++i) {
    double watts = 0.0;
    for (const ConsumerUse& use : consumers) {
      const bool on = use.on.start <= moments[i] && moments[i] < use.on.end;
      watts += use.supply == supply && on ? use.watts : 0.0;
    }
    const double hours = sky::in_hours(moments[i + 1] - moments[i]);
    if (watts * hours > left) {
      return moments[i] + sky::hours(left / watts);
    }
    left -= watts * hours;
  }
  return std::nullopt;
}

/// A file that is closed and removed, whatever happens.
class Scratch {
 public:
  explicit Scratch(std::filesystem::path path)
      : path_(std::move(path)),
        file_(::open(path_.c_str(), O_CREAT | O_EXCL | O_WRONLY | O_CLOEXEC, 0600)) {}
  Scratch(const Scratch&) = delete;
  Scratch& operator=(const Scratch&) = delete;
  Scratch(Scratch&&) = delete;
  Scratch& operator=(Scratch&&) = delete;
  ~Scratch() {
    if (file_ >= 0) {
      ::close(file_);
      std::error_code ignored;
      std::filesystem::remove(path_, ignored);
    }
  }
  [[nodiscard]] int file() const { return file_; }

 private:
  std::filesystem::path path_;
  int file_;
};

}  // namespace

double heater_watts(const optics::Rig& rig) {
  double watts = 0.0;
  for (const optics::Element& element : rig.elements) {
    if (const auto* etalon = std::get_if<optics::RearEtalon>(&element.part);
        etalon != nullptr && element.fitted) {
      watts += etalon->heater_w;
    }
  }
  return watts;
}

PowerUse power_use(const Power& power, const optics::Rig& rig, const OnTimes& times) {
  PowerUse use;
  for (std::size_t i = 0; i < kConsumers; ++i) {
    const auto consumer = static_cast<Consumer>(i);
    const double watts = consumer == Consumer::kHeater ? heater_watts(rig) : power.watts.at(i);
    const double hours = sky::in_hours(times.off - times.on.at(i));
    if (watts <= 0.0 || hours <= 0.0) {
      continue;
    }
    use.consumers.push_back(
        {consumer, watts, {times.on.at(i), times.off}, watts * hours, power.supply_of.at(i)});
    use.supplies.at(power.supply_of.at(i)).needed_wh += use.consumers.back().watt_hours;
  }
  for (std::size_t i = 0; i < power.supplies.size(); ++i) {
    SupplyUse& supply = use.supplies.at(i);
    supply.usable_wh = kUsableShare * power.supplies.at(i).watt_hours;
    supply.usable_spare_wh = kUsableShare * power.supplies.at(i).spare_watt_hours;
    if (supply.usable_wh > 0.0) {
      supply.change_at = given(use.consumers, i, supply.usable_wh);
      supply.dark_at = given(use.consumers, i, supply.usable_wh + supply.usable_spare_wh);
    }
  }
  return use;
}

namespace {

/// Video cameras write whole bytes; photographic ones raw files that are packed without loss, JPEG
/// or both; and phones JPEG.
double bytes_per_pixel(const optics::Part& camera, int bits) {
  constexpr double kPacked = 0.75;  // of the bits, 0.6 to 0.9
  constexpr double kJpegBytes = 0.3;
  if (const auto* photo = std::get_if<optics::PhotoCamera>(&camera)) {
    const double raw = photo->files == optics::PhotoFiles::kJpeg ? 0.0 : kPacked * bits / 8.0;
    return raw + (photo->files == optics::PhotoFiles::kRaw ? 0.0 : kJpegBytes);
  }
  if (std::holds_alternative<optics::Phone>(camera)) {
    return kJpegBytes;
  }
  return bits > 8 ? 2.0 : 1.0;
}

}  // namespace

std::optional<StorageUse> storage_use(const optics::Rig& rig, const std::vector<Run>& runs) {
  const auto sensor = optics::sensor_of(rig);
  if (!sensor) {
    return std::nullopt;
  }
  const optics::Camera& camera = sensor->camera;
  StorageUse use;
  use.bytes_per_frame = static_cast<double>(camera.width_px) * camera.height_px *
                        bytes_per_pixel(rig.elements[sensor->element].part, camera.bits);
  for (const Run& run : runs) {
    const double frames = frames_of(run);
    use.runs.push_back(
        {frames, frames * use.bytes_per_frame, run.frames_per_s * use.bytes_per_frame / kMega});
    use.bytes += use.runs.back().bytes;
    use.fastest_mb_per_s = std::max(use.fastest_mb_per_s, use.runs.back().mb_per_s);
  }
  return use;
}

Result<double> measure_write_speed(const std::filesystem::path& folder, std::uint64_t bytes,
                                   const base::Task& task) {
  const auto refused = [&] {
    return base::fail_because(ErrorCode::kUnwritable, folder.string(),
                              base::reported(std::generic_category().message(errno)));
  };
  const Scratch scratch(folder / ("write-speed." + std::to_string(::getpid()) + "-0.part"));
  if (scratch.file() < 0) {
    return refused();
  }
  // Noise, since some disks pack what repeats.
  constexpr std::size_t kChunk = std::size_t{4} << 20U;
  std::string noise(kChunk, '\0');
  base::Random dice{7};
  for (char& letter : noise) {
    letter = static_cast<char>(dice.below(256));
  }
  const auto start = std::chrono::steady_clock::now();
  std::uint64_t written = 0;
  while (written < bytes) {
    if (task.stopped()) {
      return fail(ErrorCode::kCancelled, folder.string());
    }
    const std::size_t wanted = std::min<std::uint64_t>(kChunk, bytes - written);
    const ssize_t done = ::write(scratch.file(), noise.data(), wanted);
    if (done < 0) {
      return refused();
    }
    written += static_cast<std::uint64_t>(done);
    task.report(static_cast<double>(written) / static_cast<double>(bytes));
  }
  if (::fdatasync(scratch.file()) != 0) {
    return refused();
  }
  const std::chrono::duration<double> took = std::chrono::steady_clock::now() - start;
  return static_cast<double>(written) / kMega / std::max(took.count(), 1e-6);
}

}  // namespace solarchon::plan
