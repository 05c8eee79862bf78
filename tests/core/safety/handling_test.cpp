// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/safety/handling.h"

#include <algorithm>
#include <set>

#include "tests/support/support.h"

namespace solarchon::safety {
namespace {

using Order = std::vector<HandlingStep>;

constexpr Occasion kOccasions[] = {Occasion::kSetUp, Occasion::kChange, Occasion::kGuests,
                                   Occasion::kPack};
constexpr Axes kAllAxes[] = {Axes::kNotSaid, Axes::kEquatorial, Axes::kLevel};

bool has(const Order& order, std::string_view id) {
  return std::any_of(order.begin(), order.end(),
                     [&](const HandlingStep& step) { return step.id == id; });
}

std::set<std::string> all_but(const Order& order, std::string_view left_out) {
  std::set<std::string> done;
  for (const HandlingStep& step : order) {
    if (step.id != left_out) {
      done.emplace(step.id);
    }
  }
  return done;
}

/// Any light path, any occasion, any mount.
template <typename Check>
void for_many(const Check& check) {
  for (std::uint32_t seed = 0; seed < 300; ++seed) {
    base::Random random{seed};
    const optics::Rig rig = test::random_rig(random);
    for (const Occasion occasion : kOccasions) {
      for (const Axes axes : kAllAxes) {
        check(handling_order(rig, occasion, axes), occasion);
      }
    }
  }
}

TEST(HandlingOrder, NeedsStandBeforeWhoNeedsThemAndIdsOnce) {
  for_many([](const Order& order, Occasion /*occasion*/) {
    ASSERT_FALSE(order.empty());
    std::set<std::string_view> before;
    for (const HandlingStep& step : order) {
      for (const std::string_view need : step.needs) {
        EXPECT_EQ(before.count(need), 1U) << step.id << " needs " << need;
      }
      EXPECT_TRUE(before.insert(step.id).second) << step.id;
      EXPECT_GT(step.minutes, 0.0) << step.id;
    }
  });
}

TEST(HandlingOrder, DoneInItsOrderNothingIsEverMissing) {
  for_many([](const Order& order, Occasion /*occasion*/) {
    std::set<std::string> done;
    for (const HandlingStep& step : order) {
      EXPECT_TRUE(missing_before(order, done, step.id).empty()) << step.id;
      done.emplace(step.id);
    }
  });
}

TEST(HandlingOrder, LeavingOutAnythingThatProtectsLocksTheSunOut) {
  for_many([](const Order& order, Occasion occasion) {
    std::vector<std::string_view> protecting;
    switch (occasion) {
      case Occasion::kSetUp:
        protecting = {"inspect",  "point-away", "cap-finders", "fit-front",
                      "fit-rear", "fit-end",    "last-look"};
        break;
      case Occasion::kChange:
        protecting = {"away-again", "cap-again", "swap", "look-again"};
        break;
      case Occasion::kGuests:
        protecting = {"guests-away", "tape-front", "lock-rear", "finders-off"};
        break;
      case Occasion::kPack:
        break;
    }
    for (const HandlingStep& step : order) {
      for (const std::string_view left_out : protecting) {
        if (step.exposes && has(order, left_out)) {
          const auto missing = missing_before(order, all_but(order, left_out), step.id);
          EXPECT_EQ(std::count(missing.begin(), missing.end(), left_out), 1)
              << step.id << " without " << left_out;
        }
      }
      EXPECT_FALSE(occasion == Occasion::kPack && step.exposes) << step.id;
    }
  });
}

TEST(HandlingOrder, FollowsTheLightPath) {
  const Order white = handling_order(test::starter_rig(), Occasion::kSetUp, Axes::kEquatorial);
  EXPECT_TRUE(has(white, "fit-front") && has(white, "turn-to-sun") && has(white, "refine-axis"));
  EXPECT_FALSE(has(white, "fit-rear") || has(white, "warm-up") || has(white, "turn-and-uncap"));
  const Order hydrogen = handling_order(test::usual_train(2), Occasion::kSetUp, Axes::kLevel);
  EXPECT_TRUE(has(hydrogen, "fit-rear") && has(hydrogen, "warm-up") && has(hydrogen, "tune"));
  EXPECT_TRUE(has(hydrogen, "level-base"));
  EXPECT_FALSE(has(hydrogen, "axis") || has(hydrogen, "solar-rate"));
  // The heater is switched on before the Sun is let in, and its wait runs by itself.
  const auto place = [&](std::string_view id) {
    return std::find_if(hydrogen.begin(), hydrogen.end(),
                        [&](const HandlingStep& step) { return step.id == id; });
  };
  EXPECT_LT(place("power"), place("turn-and-uncap"));
  EXPECT_TRUE(place("warm-up")->waits);
  ASSERT_EQ(place("warm-up")->parts.size(), 1U);
  // Rear off only once the front is capped.
  const Order pack = handling_order(test::usual_train(2), Occasion::kPack, Axes::kLevel);
  const auto missing = missing_before(pack, {}, "take-rear");
  EXPECT_EQ(std::count(missing.begin(), missing.end(), std::string_view("pack-cap")), 1);
}

TEST(MissingBefore, KnowsNothingOfStepsThatAreNotThere) {
  const Order order = handling_order(test::starter_rig(), Occasion::kSetUp, Axes::kEquatorial);
  EXPECT_TRUE(missing_before(order, {}, "dance").empty());
  EXPECT_TRUE(missing_before({}, {}, "stand").empty());
}

}  // namespace
}  // namespace solarchon::safety
