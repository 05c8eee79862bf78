// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/readiness.h"

#include <algorithm>
#include <cmath>

#include "solarchon/safety/handling.h"

namespace solarchon::plan {

namespace {

sky::CivilDate days_before(const sky::CivilDate& date, int days) {
  return sky::utc_date(sky::start_of(date) - sky::days(days));
}

double days_from(const sky::CivilDate& early, const sky::CivilDate& late) {
  return sky::in_days(sky::start_of(late) - sky::start_of(early));
}

/// The kit's own entry of a part of the light path.
const optics::Element* in_kit(const optics::Element& part,
                              const std::vector<optics::Element>& kit) {
  const auto found = std::find_if(kit.begin(), kit.end(), [&](const optics::Element& owned) {
    return part.kit_id.empty() ? owned.name == part.name && owned.part.index() == part.part.index()
                               : owned.kit_id == part.kit_id;
  });
  return found != kit.end() ? &*found : nullptr;
}

class List {
 public:
  List(const Day& day, const Stock& stock) : day_(day), stock_(stock) {}

  std::vector<ReadyItem> make() {
    const DayPlan& plan = day_.plan;
    for (const optics::Element& part : day_.outlook.rig.elements) {
      if (part.fitted) {
        add_part(part);
      }
    }
    add_rehearsal();
    if (plan.power) {
      add_power(*plan.power);
    }
    if (plan.storage && stock_.free_bytes) {
      add_room(*plan.storage);
    }
    std::stable_sort(items_.begin(), items_.end(),
                     [](const ReadyItem& one, const ReadyItem& other) {
                       return one.done != other.done ? other.done : one.by < other.by;
                     });
    return std::move(items_);
  }

 private:
  ReadyItem& add(Chore chore, std::string name, int days, bool done, std::string last = {}) {
    return items_.emplace_back(
        ReadyItem{chore, std::move(name), days_before(day_.sun.date, days), std::move(last), done});
  }

  void add_part(const optics::Element& part) {
    const optics::Element* owned = in_kit(part, stock_.kit);
    // What the light path says of its own part counts where the kit has none.
    const optics::Care& care = owned != nullptr ? owned->care : part.care;
    add(Chore::kOrder, part.name, kOrderDays, owned != nullptr);
    if (!care.defect.empty()) {
      add(Chore::kMend, part.name, kOrderDays, false, care.inspected).defect = care.defect;
    }
    if (safety::wants_inspection(part.part)) {
      const auto last = sky::parse_date(care.inspected, "inspected");
      const bool fresh = last && days_from(*last, day_.sun.date) <= stock_.inspection_days;
      add(Chore::kInspect, part.name, kRehearseDays, fresh, care.inspected);
    }
  }

  void add_rehearsal() {
    const bool fresh =
        stock_.last_use && days_from(sky::utc_date(*stock_.last_use), day_.sun.date) <= kFreshDays;
    add(Chore::kRehearse, day_.outlook.rig.name, kRehearseDays, fresh,
        stock_.last_use ? sky::to_iso(sky::utc_date(*stock_.last_use)) : std::string());
  }

  void add_power(const PowerUse& use) {
    for (std::size_t i = 0; i < use.supplies.size(); ++i) {
      const Supply& supply = day_.outlook.wishes.power.supplies.at(i);
      const SupplyUse& of_day = use.supplies.at(i);
      if (of_day.needed_wh <= 0.0 || supply.watt_hours <= 0.0) {
        continue;
      }
      add(Chore::kCharge, supply.name, kChargeDays, false);
      if (of_day.dark_at) {
        const double missing = of_day.needed_wh - of_day.usable_wh - of_day.usable_spare_wh;
        add(Chore::kCarry, supply.name, kOrderDays, false).figures = {
            {std::ceil(missing / kUsableShare), base::Unit::kWattHour}};
      }
    }
  }

  void add_room(const StorageUse& use) {
    constexpr double kGiga = 1e9;
    const auto whole = [](double bytes) {
      return base::Figure{std::ceil(bytes / kGiga), base::Unit::kGigabyte};
    };
    add(Chore::kMakeRoom, {}, kChargeDays, has_room(use, *stock_.free_bytes)).figures = {
        whole(use.bytes), whole(*stock_.free_bytes)};
  }

  const Day& day_;
  const Stock& stock_;
  std::vector<ReadyItem> items_;
};

}  // namespace

std::vector<ReadyItem> ready_list(const Day& day, const Stock& stock) {
  return List(day, stock).make();
}

bool has_room(const StorageUse& use, double free_bytes) {
  constexpr double kUsableOfDisk = 0.9;
  return use.bytes <= kUsableOfDisk * free_bytes;
}

bool too_fast(const StorageUse& use, double write_mb_per_s) {
  constexpr double kSpare = 1.2;
  return use.fastest_mb_per_s * kSpare > write_mb_per_s;
}

}  // namespace solarchon::plan
