// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/plan/supply.h"

#include "solarchon/base/json.h"

namespace solarchon::plan {

using base::ErrorCode;
using base::fail;
using base::Result;

base::Json to_json(const Power& power) {
  base::Json supplies = base::Json::array();
  for (const Supply& supply : power.supplies) {
    supplies.push_back({{"name", supply.name},
                        {"watt_hours", supply.watt_hours},
                        {"spare_watt_hours", supply.spare_watt_hours}});
  }
  base::Json consumers = base::Json::object();
  for (std::size_t i = 0; i < kConsumers; ++i) {
    consumers[std::string(kConsumerWords.words.at(i))] = {{"watts", power.watts.at(i)},
                                                          {"supply", power.supply_of.at(i) + 1}};
  }
  return {{"supplies", std::move(supplies)}, {"consumers", std::move(consumers)}};
}

Result<Power> power_from_json(const base::Json& json, const std::string& path) {
  base::ObjectReader reader(json, path);
  Power power;
  if (reader.has("supplies")) {
    const base::Json& list = json.at("supplies");
    if (!list.is_array() || list.size() > power.supplies.size()) {
      return fail(ErrorCode::kWrongType, reader.path_of("supplies"), {},
                  base::wants("list-of-at-most", {2.0}));
    }
    for (std::size_t i = 0; i < list.size(); ++i) {
      base::ObjectReader inner(list[i], reader.path_of("supplies") + "[" + std::to_string(i) + "]");
      Supply& supply = power.supplies.at(i);
      supply.name = inner.text_or("name", supply.name);
      supply.watt_hours = inner.number_or("watt_hours", kWattHoursRange, 0.0);
      supply.spare_watt_hours = inner.number_or("spare_watt_hours", kWattHoursRange, 0.0);
      if (inner.error()) {
        return tl::make_unexpected(*inner.error());
      }
    }
  }
  if (reader.has("consumers")) {
    base::ObjectReader named(reader.object("consumers"), reader.path_of("consumers"));
    for (std::size_t i = 0; i < kConsumers && !reader.error(); ++i) {
      if (!named.has(kConsumerWords.words.at(i))) {
        continue;
      }
      base::ObjectReader inner(named.object(kConsumerWords.words.at(i)),
                               named.path_of(kConsumerWords.words.at(i)));
      power.watts.at(i) = inner.number_or("watts", kWattsRange, power.watts.at(i));
      const int supply =
          inner.integer_or("supply", {1, 2}, static_cast<int>(power.supply_of.at(i)) + 1);
      power.supply_of.at(i) = static_cast<std::size_t>(supply - 1);
      if (named.error() || inner.error()) {
        return tl::make_unexpected(named.error() ? *named.error() : *inner.error());
      }
    }
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return power;
}

}  // namespace solarchon::plan
