// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>
#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/result.h"
#include "solarchon/base/task.h"
#include "solarchon/optics/rig.h"
#include "solarchon/plan/run.h"

namespace solarchon::plan {

/// What draws power outside.
enum class Consumer { kHeater, kMount, kCamera, kLaptop };
inline constexpr std::size_t kConsumers = 4;
inline constexpr base::EnumWords<Consumer, kConsumers> kConsumerWords{
    {"heater", "mount", "camera", "laptop"}};

/// One of two supplies, with what stands by to replace it.
struct Supply {
  std::string name;
  double watt_hours = 0.0;  ///< as printed on it; 0: none
  double spare_watt_hours = 0.0;
  bool operator==(const Supply&) const = default;
};

/// Who draws how much from which supply.
struct Power {
  std::array<Supply, 2> supplies{Supply{"First", 0.0, 0.0}, Supply{"Second", 0.0, 0.0}};
  std::array<double, kConsumers> watts{0.0, 10.0, 4.0, 30.0};  ///< the heater's is the light path's
  std::array<std::size_t, kConsumers> supply_of{0, 0, 1, 1};   ///< 0 or 1
  bool operator==(const Power&) const = default;
};

inline constexpr base::Range kWattHoursRange{0.0, 100'000.0};
inline constexpr base::Range kWattsRange{0.0, 5000.0};

[[nodiscard]] base::Json to_json(const Power& power);
/// Errors: as base::ObjectReader, below `path`.
[[nodiscard]] base::Result<Power> power_from_json(const base::Json& json, const std::string& path);

/// Of what is printed on a battery, this much can be counted on: age, cold, converters, and what
/// must stay in.
inline constexpr double kUsableShare = 0.8;

struct ConsumerUse {
  Consumer consumer = Consumer::kHeater;
  double watts = 0.0;
  sky::Window on;
  double watt_hours = 0.0;
  std::size_t supply = 0;
};
struct SupplyUse {
  double needed_wh = 0.0;
  double usable_wh = 0.0;
  double usable_spare_wh = 0.0;
  std::optional<sky::UtcTime> change_at;  ///< the first battery is used up
  std::optional<sky::UtcTime> dark_at;    ///< and the spare too
};
struct PowerUse {
  std::vector<ConsumerUse> consumers;  ///< those that draw something
  std::array<SupplyUse, 2> supplies;
};

/// When each consumer is switched on; all go off at the end.
struct OnTimes {
  std::array<sky::UtcTime, kConsumers> on;
  sky::UtcTime off;
};

/// Of all fitted etalons together (W).
[[nodiscard]] double heater_watts(const optics::Rig& rig);

/// Energy of a day. Heaters are counted at full power throughout, which is more than they take once
/// warm. A supply without a battery is taken as the mains: it has no end.
[[nodiscard]] PowerUse power_use(const Power& power, const optics::Rig& rig, const OnTimes& times);

/// Bytes of runs.
struct RunBytes {
  double frames = 0.0;
  double bytes = 0.0;
  double mb_per_s = 0.0;  ///< while it records (10^6 bytes a second)
};
struct StorageUse {
  double bytes_per_frame = 0.0;
  std::vector<RunBytes> runs;  ///< in the order given
  double bytes = 0.0;
  double fastest_mb_per_s = 0.0;
};
/// Frames as the camera gives them: one byte for up to 8 bits, else two.
/// @return  none without a sensor
[[nodiscard]] std::optional<StorageUse> storage_use(const optics::Rig& rig,
                                                    const std::vector<Run>& runs);

/// Measures how fast a folder's disk takes data: writes a file of its own, waits until it is on the
/// disk, and removes it.
/// @param bytes  1 MB to 4 GB
/// @return       10^6 bytes a second. Errors: kUnwritable (folder as field), kCancelled.
[[nodiscard]] base::Result<double> measure_write_speed(const std::filesystem::path& folder,
                                                       std::uint64_t bytes,
                                                       const base::Task& task = {});

}  // namespace solarchon::plan
